// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/project/merge.h"

#include <algorithm>
#include <set>

#include "core/project/project_text.h"

namespace gorsefinch {

namespace {

using Choices = std::map<std::string, MergeSide>;
using What = MergeItem::What;

// A part as text on each side; nothing where it does not exist.
struct Sides {
    std::optional<std::string> base, ours, theirs;
};

const char* happened(const std::optional<std::string>& before, const std::optional<std::string>& now) {
    return before == now ? "unchanged" : !before ? "added" : !now ? "removed" : "changed";
}

class Merger {
  public:
    Merger(const Choices& choices, std::vector<MergeItem>& items) : choices_(choices), items_(items) {}

    // Returns the side that a part is taken from, and adds it to the items if they changed it.
    MergeSide sideOf(What what, const std::string& name, const Sides& sides) {
        if (sides.theirs == sides.base || sides.theirs == sides.ours)
            return MergeSide::Ours;
        MergeItem item{what, name, happened(sides.base, sides.ours), happened(sides.base, sides.theirs),
                       sides.ours != sides.base};
        const auto choice = choices_.find(item.key());
        const MergeSide side = !item.conflict             ? MergeSide::Theirs
                               : choice != choices_.end() ? choice->second
                                                          : MergeSide::Ours;
        items_.push_back(std::move(item));
        return side;
    }

    // Merges a list of named parts. The order is a part of its own.
    template <typename T, typename NameOf, typename TextOf>
    std::vector<T> list(What what, const char* plural, const std::vector<T>& base, const std::vector<T>& ours,
                        const std::vector<T>& theirs, const NameOf& nameOf, const TextOf& textOf) {
        const auto byName = [&](const std::vector<T>& all) {
            std::map<std::string, const T*> out;
            for (const T& each : all)
                out.emplace(nameOf(each), &each);
            return out;
        };
        const auto inBase = byName(base), inOurs = byName(ours), inTheirs = byName(theirs);
        const auto text = [&](const auto& all, const std::string& name) {
            const auto found = all.find(name);
            return found == all.end() ? std::nullopt : std::optional(textOf(*found->second));
        };
        std::map<std::string, const T*> taken;
        std::set<std::string> names;
        for (const auto* all : {&inBase, &inOurs, &inTheirs})
            for (const auto& [name, thing] : *all)
                names.insert(name);
        for (const std::string& name : names) {
            const auto& from =
                sideOf(what, name, {text(inBase, name), text(inOurs, name), text(inTheirs, name)}) == MergeSide::Ours
                    ? inOurs
                    : inTheirs;
            if (const auto found = from.find(name); found != from.end())
                taken.emplace(name, found->second);
        }
        std::vector<T> out;
        for (const std::string& name :
             order(plural, namesOf(base, nameOf), namesOf(ours, nameOf), namesOf(theirs, nameOf)))
            if (const auto found = taken.find(name); found != taken.end())
                out.push_back(*found->second);
        return out;
    }

  private:
    template <typename T, typename NameOf>
    static std::vector<std::string> namesOf(const std::vector<T>& all, const NameOf& nameOf) {
        std::vector<std::string> out;
        for (const T& each : all)
            out.push_back(nameOf(each));
        return out;
    }

    static std::vector<std::string> without(const std::vector<std::string>& names, const std::set<std::string>& kept) {
        std::vector<std::string> out;
        std::copy_if(names.begin(), names.end(), std::back_inserter(out),
                     [&](const auto& each) { return kept.count(each) != 0; });
        return out;
    }

    static std::string joined(const std::vector<std::string>& names) {
        std::string out;
        for (const std::string& each : names)
            out += each + "\n";
        return out;
    }

    // All names of both sides. Names that only one side has follow the name that they follow there.
    std::vector<std::string> order(const char* plural, const std::vector<std::string>& base,
                                   const std::vector<std::string>& ours, const std::vector<std::string>& theirs) {
        std::set<std::string> common(base.begin(), base.end());
        for (const auto* side : {&ours, &theirs}) {
            const std::set<std::string> names(side->begin(), side->end());
            std::erase_if(common, [&](const auto& each) { return names.count(each) == 0; });
        }
        const Sides sides{joined(without(base, common)), joined(without(ours, common)),
                          joined(without(theirs, common))};
        const bool theirOrder = sideOf(What::Order, plural, sides) == MergeSide::Theirs;
        std::vector<std::string> out = theirOrder ? theirs : ours;
        const std::vector<std::string>& others = theirOrder ? ours : theirs;
        for (size_t i = 0; i < others.size(); ++i) {
            if (std::find(out.begin(), out.end(), others[i]) != out.end())
                continue;
            const auto before = i == 0 ? out.end() : std::find(out.begin(), out.end(), others[i - 1]);
            out.insert(i == 0 ? out.begin() : before == out.end() ? before : before + 1, others[i]);
        }
        return out;
    }

    const Choices& choices_;
    std::vector<MergeItem>& items_;
};

template <typename T>
Shared<std::vector<T>> shared(std::vector<T> all) {
    return std::make_shared<const std::vector<T>>(std::move(all));
}

// Parts whose file is missing or damaged on their side count as unchanged.
template <typename T>
std::vector<T> withUnread(const std::vector<T>& theirs, const std::vector<T>& base) {
    std::vector<T> out = theirs;
    for (T& each : out)
        if (!each.original)
            for (const T& before : base)
                if (before.name == each.name && before.file == each.file)
                    each.original = before.original;
    return out;
}

std::vector<ScreenRef> withUnreadScreens(const Document& theirs, const Document& base) {
    std::vector<ScreenRef> out = theirs.screens;
    const std::vector<std::string>& unread = *theirs.unreadScreens;
    // If no screen could be read, their only one is an empty substitute.
    if (!unread.empty() && out.size() == 1 && out.front()->widgets.empty() && !base.screen(out.front()->name))
        out.clear();
    for (const ScreenRef& each : base.screens)
        if (std::find(unread.begin(), unread.end(), each->name) != unread.end())
            out.push_back(each);
    return out;
}

std::vector<ScreenRef> mergedScreens(Merger& merger, const Document& base, const Document& ours,
                                     const std::vector<ScreenRef>& theirs) {
    return merger.list(
        What::Screen, "screens", base.screens, ours.screens, theirs, [](const ScreenRef& each) { return each->name; },
        [](const ScreenRef& each) { return partText(*each); });
}

// Both sides together remove all screens, but a project has at least one: then each screen that they changed or removed
// is a conflict. Returns those that `choices` keep, ours unless they say otherwise; if that leaves none,
// theirs.
std::vector<ScreenRef> chosenScreens(const Document& ours, const std::vector<ScreenRef>& theirs, const Choices& choices,
                                     std::vector<MergeItem>& items) {
    std::set<std::string> takenFromThem;
    for (MergeItem& each : items)
        if (each.what == What::Screen) {
            each.conflict = true;
            const auto choice = choices.find(each.key());
            if (choice != choices.end() && choice->second == MergeSide::Theirs)
                takenFromThem.insert(each.name);
        }
    std::vector<ScreenRef> out;
    for (const ScreenRef& each : ours.screens)
        if (takenFromThem.count(each->name) == 0)
            out.push_back(each);
    for (const ScreenRef& each : theirs)
        if (takenFromThem.count(each->name) != 0)
            out.push_back(each);
    return !out.empty() ? out : !theirs.empty() ? theirs : ours.screens;
}

}  // namespace

std::string MergeItem::key() const { return std::to_string(static_cast<int>(what)) + " " + name; }

bool Merge::hasConflicts() const {
    return std::any_of(items.begin(), items.end(), [](const MergeItem& each) { return each.conflict; });
}

Merge mergeDocuments(const Document& base, const Document& ours, const Document& theirs, const Choices& choices) {
    Merge out;
    out.document = ours;
    Document& next = out.document;
    Merger merger(choices, out.items);
    const auto one = [&](What what, const auto& text, const auto& take) {
        if (merger.sideOf(what, "", {text(base), text(ours), text(theirs)}) == MergeSide::Theirs)
            take();
    };
    one(
        What::Name, [](const Document& d) { return d.name; }, [&] { next.name = theirs.name; });
    one(
        What::Panel, [](const Document& d) { return panelText(*d.panel); }, [&] { next.panel = theirs.panel; });
    one(
        What::Clock, [](const Document& d) { return clockText(d.clock.get()); }, [&] { next.clock = theirs.clock; });
    one(
        What::LayoutAids, [](const Document& d) { return aidsText(*d.aids); }, [&] { next.aids = theirs.aids; });
    one(
        What::NamedValues, [](const Document& d) { return namedText(*d.named); }, [&] { next.named = theirs.named; });
    one(
        What::MeantSo, [](const Document& d) { return meantText(*d.meantSo); }, [&] { next.meantSo = theirs.meantSo; });
    one(
        What::RecipeDefaults, [](const Document& d) { return recipeDefaultsText(*d.defaultRecipe); },
        [&] { next.defaultRecipe = theirs.defaultRecipe; });
    one(
        What::Other, [](const Document& d) { return unknownText(*d.unknown); }, [&] { next.unknown = theirs.unknown; });
    const auto nameOf = [](const auto& each) { return each.name; };
    const auto textOf = [](const auto& each) { return partText(each); };
    next.variables = shared(
        merger.list(What::Variable, "variables", *base.variables, *ours.variables, *theirs.variables, nameOf, textOf));
    next.looks = shared(merger.list(What::Look, "looks", *base.looks, *ours.looks, *theirs.looks, nameOf, textOf));
    next.images = shared(merger.list(What::Image, "images", *base.images, *ours.images,
                                     withUnread(*theirs.images, *base.images), nameOf, textOf));
    next.faces = shared(merger.list(What::Face, "fonts", *base.faces, *ours.faces,
                                    withUnread(*theirs.faces, *base.faces), nameOf, textOf));
    next.rules = shared(merger.list(What::Rules, "rules", *base.rules, *ours.rules, *theirs.rules, nameOf, textOf));
    const std::vector<ScreenRef> theirScreens = withUnreadScreens(theirs, base);
    next.screens = mergedScreens(merger, base, ours, theirScreens);
    // Whether it comes to that does not depend on the choices, as they are asked for only then.
    const Choices none;
    std::vector<MergeItem> ignored;
    Merger plain(none, ignored);
    if (mergedScreens(plain, base, ours, theirScreens).empty())
        next.screens = chosenScreens(ours, theirScreens, choices, out.items);
    return out;
}

namespace {

template <typename T>
std::string textNamed(const std::vector<T>& all, const std::string& name) {
    for (const T& each : all)
        if (each.name == name)
            return partText(each);
    return {};
}

template <typename T>
std::string namesText(const std::vector<T>& all) {
    std::string out;
    for (const T& each : all)
        out += each.name + "\n";
    return out;
}

std::string orderText(const Document& document, const std::string& list) {
    std::string screens;
    for (const ScreenRef& each : document.screens)
        screens += each->name + "\n";
    return list == "screens"     ? screens
           : list == "variables" ? namesText(*document.variables)
           : list == "looks"     ? namesText(*document.looks)
           : list == "images"    ? namesText(*document.images)
           : list == "fonts"     ? namesText(*document.faces)
                                 : namesText(*document.rules);
}

}  // namespace

std::string mergeText(const Document& document, const MergeItem& item) {
    switch (item.what) {
        case What::Name: return document.name;
        case What::Panel: return panelText(*document.panel);
        case What::Clock: return clockText(document.clock.get());
        case What::LayoutAids: return aidsText(*document.aids);
        case What::MeantSo: return meantText(*document.meantSo);
        case What::NamedValues: return namedText(*document.named);
        case What::Variable: return textNamed(*document.variables, item.name);
        case What::Look: return textNamed(*document.looks, item.name);
        case What::Image: return textNamed(*document.images, item.name);
        case What::Face: return textNamed(*document.faces, item.name);
        case What::RecipeDefaults: return recipeDefaultsText(*document.defaultRecipe);
        case What::Rules: return textNamed(*document.rules, item.name);
        case What::Screen: {
            const ScreenRef screen = document.screen(item.name);
            return screen ? partText(*screen) : std::string();
        }
        case What::Order: return orderText(document, item.name);
        case What::Other: break;
    }
    return unknownText(*document.unknown);
}

}  // namespace gorsefinch
