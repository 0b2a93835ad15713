// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/expand.h"

#include <algorithm>
#include <map>
#include <optional>
#include <set>

#include "core/document/arrange.h"
#include "core/document/names.h"
#include "core/document/widget_tree.h"
#include "core/rules/rename.h"
#include "core/rules/series_text.h"

namespace gorsefinch {

namespace {

using Names = std::map<std::string, std::string>;  // new names of widgets by the old ones

bool isSeries(const Widget& widget) { return widget.seriesColumns * widget.seriesRows > 1; }

bool isPlain(const Screen& screen) {
    return screen.below.empty() && screen.above.empty() &&
           std::none_of(screen.widgets.begin(), screen.widgets.end(), [](const auto& each) { return isSeries(*each); });
}

class ScreenExpander {
  public:
    ScreenExpander(const Document& document, const Screen& screen, bool isBacking, Problems& problems)
        : document_(document), isBacking_(isBacking), problems_(problems), out_(screen) {
        for (const WidgetRef& each : screen.widgets)
            taken_.insert(each->name);
        out_.widgets.clear();
    }

    Screen run(const Screen& screen) {
        for (const std::string& each : screen.below)
            backing(each);
        series(screen.widgets, {}, {});
        for (const std::string& each : screen.above)
            backing(each);
        if (inFlow_)
            arrange(out_.widgets, *document_.named);
        return std::move(out_);
    }

  private:
    void complain(const std::string& widget, const std::string& reason, const std::string& remedy) {
        Problem p;
        p.screen = out_.name;
        p.widget = widget;
        p.file = "screens/" + p.screen + ".json";
        p.place = widget.empty() ? p.screen : widget;
        p.reason = reason;
        p.remedy = remedy;
        problems_.push_back(std::move(p));
    }

    std::string fresh(const std::string& wanted) {
        std::string name = wanted;
        for (int i = 2; !taken_.insert(name).second; ++i)
            name = wanted + "__" + std::to_string(i);
        return name;
    }

    void backing(const std::string& name) {
        const ScreenRef screen = document_.screen(name);
        if (!screen) {
            complain({}, "it shows the widgets of a screen \"" + name + "\", which the project lacks",
                     "Take it off the screen's backing screens, or add the screen");
            return;
        }
        if (!screen->below.empty() || !screen->above.empty())
            complain({}, "its backing screen " + name + " has backing screens itself, which it does not show",
                     "Give the screen those, too");
        Names names;
        for (const WidgetRef& each : screen->widgets)
            names[each->name] = fresh(name + "__" + each->name);
        series(screen->widgets, names, name);
    }

    // Adds a list of widgets, with series repeated. `backing` is "" for the screen's own widgets.
    void series(const std::vector<WidgetRef>& widgets, const Names& names, const std::string& backing) {
        for (size_t i = 0; i < widgets.size();) {
            const Widget& first = *widgets[i];
            const size_t end = isSeries(first) ? endOf(widgets, i) : i + 1;
            const auto count = static_cast<size_t>(first.seriesColumns) * static_cast<size_t>(first.seriesRows);
            if (out_.widgets.size() + count * (end - i) + (widgets.size() - end) > kMaxWidgets) {
                complain(backing.empty() ? first.name : std::string(),
                         "with its series and backing screens the screen has more than " + std::to_string(kMaxWidgets) +
                             " widgets",
                         "Repeat it less often");
                return;
            }
            if (isSeries(first))
                repeat(widgets, i, end, names, backing);
            else
                add(widgets[i], names, backing, std::nullopt);
            i = end;
        }
    }

    void repeat(const std::vector<WidgetRef>& widgets, size_t begin, size_t end, const Names& names,
                const std::string& backing) {
        const Widget& first = *widgets[begin];
        for (size_t i = begin + 1; i < end; ++i)
            if (isSeries(*widgets[i]) && backing.empty())
                complain(widgets[i]->name, "it is a series inside the series " + first.name,
                         "Give only one of them columns and rows");
        for (int number = 0; number < first.seriesColumns * first.seriesRows; ++number) {
            Names here = names;
            for (size_t i = begin; number > 0 && i < end; ++i) {
                const auto known = names.find(widgets[i]->name);
                const std::string& base = known == names.end() ? widgets[i]->name : known->second;
                here[widgets[i]->name] = fresh(base + "__" + std::to_string(number));
            }
            for (size_t i = begin; i < end; ++i)
                add(widgets[i], here, backing, number);
            Widget head = *out_.widgets[out_.widgets.size() - (end - begin)];
            if (const int at = containerOf(out_.widgets, out_.widgets.size() - (end - begin));
                at >= 0 && flows(*out_.widgets[static_cast<size_t>(at)]))
                inFlow_ = true;
            head.x += number % first.seriesColumns * first.seriesX;
            head.y += number / first.seriesColumns * first.seriesY;
            out_.widgets[out_.widgets.size() - (end - begin)] = std::make_shared<const Widget>(std::move(head));
        }
    }

    void add(const WidgetRef& ref, const Names& names, const std::string& backing, std::optional<int> number) {
        if (names.empty() && !number && !isBacking_) {
            out_.widgets.push_back(ref);
            return;
        }
        const Widget& widget = *ref;
        Widget copy = widget;
        copy.copyOf = std::make_shared<const CopyOf>(
            CopyOf{backing.empty() ? out_.name : backing, widget.name, number.value_or(0)});
        copy.seriesColumns = copy.seriesRows = 1;
        copy.seriesX = copy.seriesY = 0;
        if (const auto name = names.find(widget.name); name != names.end())
            copy.name = name->second;
        speakOfCopies(copy, {backing.empty() ? out_.name : backing, out_.name, names}, number);
        out_.widgets.push_back(std::make_shared<const Widget>(std::move(copy)));
    }

    // Makes texts and expressions of a copy refer to the widgets that are copied along.
    static void speakOfCopies(Widget& copy, const WidgetCopies& copies, std::optional<int> number) {
        for (auto& [key, text] : copy.expressions)
            text = expressionOfCopies(number ? expressionInSeries(text, *number) : text, copies);
        for (const PropertyInfo& each : info(copy.kind).properties)
            if (const auto text = copy.properties.find(each.key);
                each.type == PropertyType::Text && text != copy.properties.end())
                if (auto* words = std::get_if<std::string>(&text->second))
                    *words = textOfCopies(number ? textInSeries(*words, *number) : *words, copies);
    }

    const Document& document_;
    bool isBacking_;
    Problems& problems_;
    Screen out_;
    std::set<std::string> taken_;
    bool inFlow_ = false;
};

std::vector<ScreenRef> dependenceOf(const Document& document, const ScreenRef& screen) {
    std::vector<ScreenRef> out{screen};
    for (const auto* list : {&screen->below, &screen->above})
        for (const std::string& each : *list)
            out.push_back(document.screen(each));
    return out;
}

}  // namespace

Expanded Expander::expand(const Document& document) {
    Expanded out{document, {}};
    std::vector<Kept> kept;
    size_t copies = 0;
    std::set<std::string> backings;
    for (const ScreenRef& each : document.screens) {
        backings.insert(each->below.begin(), each->below.end());
        backings.insert(each->above.begin(), each->above.end());
    }
    for (ScreenRef& each : out.document.screens) {
        const bool isBacking = backings.count(each->name) != 0;
        if (isPlain(*each) && !isBacking)
            continue;
        if (copies > kMaxCopies)
            break;
        Kept now{dependenceOf(document, each), document.named, isBacking, nullptr, {}};
        const auto known = std::find_if(kept_.begin(), kept_.end(), [&](const Kept& old) {
            return old.of == now.of && old.named == now.named && old.isBacking == now.isBacking;
        });
        if (known != kept_.end())
            now = *known;
        else
            now.screen =
                std::make_shared<const Screen>(ScreenExpander(document, *each, isBacking, now.problems).run(*each));
        const size_t own = each->widgets.size();
        copies += now.screen->widgets.size() - std::min(own, now.screen->widgets.size());
        if (copies > kMaxCopies) {
            Problem p;
            p.place = "screen " + each->name;
            p.reason = "series and backing screens make more than " + std::to_string(kMaxCopies) +
                       " widgets of what the project has; this screen, and those behind it, are shown without";
            p.remedy = "Repeat less";
            out.problems.push_back(std::move(p));
            break;
        }
        each = now.screen;
        out.problems.insert(out.problems.end(), now.problems.begin(), now.problems.end());
        kept.push_back(std::move(now));
    }
    kept_ = std::move(kept);
    return out;
}

bool hasBacking(const Screen& expanded) { return !expanded.below.empty() || !expanded.above.empty(); }

Problems withoutCopies(const Screen& expanded, Problems problems, bool backing) {
    std::map<std::string, const CopyOf*> copies;
    for (const WidgetRef& each : expanded.widgets)
        if (each->copyOf)
            copies[each->name] = each->copyOf.get();
    if (copies.empty())
        return problems;
    Problems out;
    for (Problem& each : problems) {
        const auto found = each.screen == expanded.name ? copies.find(each.widget) : copies.end();
        if (found != copies.end() && found->second->screen != expanded.name && !backing)
            continue;
        if (found != copies.end()) {
            if (each.place.starts_with(each.widget))
                each.place.replace(0, each.widget.size(), found->second->widget);
            each.widget = found->second->widget;
            each.screen = found->second->screen;
            each.file = "screens/" + each.screen + ".json";
        }
        const bool isKnown = std::any_of(out.begin(), out.end(), [&](const Problem& other) {
            return other.screen == each.screen && other.widget == each.widget && other.reason == each.reason &&
                   other.place == each.place;
        });
        if (!isKnown)
            out.push_back(std::move(each));
    }
    return out;
}

}  // namespace gorsefinch
