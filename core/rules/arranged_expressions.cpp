// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/arranged_expressions.h"

#include <algorithm>

#include "core/document/arrange.h"
#include "core/rules/lexer.h"

namespace gorsefinch {

namespace {

// What can change a number of pixels; the larger one of two holds for both together.
enum class Change { None, Expressions, Rules };

struct Length {
    std::string text = "0";
    Change change = Change::None;

    Length() = default;
    explicit Length(int pixels) : text(std::to_string(pixels)) {}
    Length(std::string words, Change by) : text(std::move(words)), change(by) {}
    bool changes() const { return change != Change::None; }
};

// What never changes is a whole number.
Length operator+(const Length& a, const Length& b) {
    if (!a.changes() && !b.changes())
        return Length(std::stoi(a.text) + std::stoi(b.text));
    if (b.text == "0")
        return a;
    if (a.text == "0")
        return b;
    return {a.text + " + " + b.text, std::max(a.change, b.change)};
}

Length operator-(const Length& a, const Length& b) {
    if (!a.changes() && !b.changes())
        return Length(std::stoi(a.text) - std::stoi(b.text));
    return b.text == "0" ? a : Length(a.text + " - (" + b.text + ")", std::max(a.change, b.change));
}

// A size of no less than a pixel.
Length atLeastOne(const Length& length) {
    return length.changes() ? Length("(" + length.text + ") < 1 ? 1 : " + length.text, length.change) : length;
}

class Arranger {
  public:
    Arranger(const Screen& screen, const MentionedProperties& mentioned, const NamedValues& named)
        : screen_(screen), mentioned_(mentioned), named_(named) {}

    std::vector<ArrangedExpression> run() {
        for (size_t i = 0; i < screen_.widgets.size(); ++i) {
            if (!info(screen_.widgets[i]->kind).has(kHolds))
                continue;
            if (const auto flow = flowOf(*screen_.widgets[i], named_)) {
                share(i, *flow);
                line(i, *flow);
            } else {
                followEdgesOf(i, kAcross);
                followEdgesOf(i, kDown);
            }
        }
        return std::move(out_);
    }

  private:
    const Widget& widget(size_t at) const { return *screen_.widgets[at]; }
    std::string path(size_t at, const char* key) const { return screen_.name + "." + widget(at).name + "." + key; }

    Change changeOf(size_t at, const char* key) const {
        const Widget& w = widget(at);
        if (mentioned_.count({w.copyOf ? w.copyOf->widget : w.name, key}) != 0)
            return Change::Rules;
        const auto found = arranged_.find({at, key});
        if (found != arranged_.end())
            return found->second;
        return widget(at).expressions.count(key) != 0 ? Change::Expressions : Change::None;
    }
    bool changes(size_t at, const char* key) const { return changeOf(at, key) != Change::None; }

    Length size(size_t at, const Axis& axis) const {
        return changes(at, axis.sizeKey) ? Length(path(at, axis.sizeKey), changeOf(at, axis.sizeKey))
                                         : Length(widget(at).*axis.size);
    }
    Length place(size_t at, const Axis& axis) const {
        return changes(at, axis.placeKey) ? Length(path(at, axis.placeKey), changeOf(at, axis.placeKey))
                                          : Length(widget(at).*axis.place);
    }
    // A length while a widget is visible, else nothing.
    Length ifVisible(size_t at, const Length& length) const {
        if (!changes(at, "visible"))
            return widget(at).visible ? length : Length();
        return {"(" + path(at, "visible") + " ? " + length.text + " : 0)",
                std::max(length.change, changeOf(at, "visible"))};
    }

    void give(size_t at, const char* key, const Length& length) {
        if (!length.changes() || widget(at).expressions.count(key) != 0)
            return;
        out_.push_back({widget(at).name, key, length.text, length.change == Change::Rules});
        arranged_.emplace(std::pair(at, key), length.change);
    }

    // The widgets that share what the others leave get another size.
    void share(size_t container, const Flow& flow) {
        const Axis& along = *flow.along;
        const auto children = childrenOf(screen_.widgets, static_cast<int>(container));
        const auto shares = [&](size_t each) { return flow.shares(widget(each)); };
        if (std::none_of(children.begin(), children.end(), shares))
            return;
        // What changes comes behind what never does, which is one number.
        Length left, count, changing;
        int fixed = flow.gap, visible = 0;
        const auto add = [](const Length& each, int sign, int& constant, Length& sum) {
            if (!each.changes())
                constant += sign * std::stoi(each.text);
            else
                sum = sign < 0 ? sum - each : sum + each;
        };
        add(size(container, along), 1, fixed, changing);
        for (const size_t each : children) {
            add(ifVisible(each, shares(each) ? Length(flow.gap) : size(each, along) + Length(flow.gap)), -1, fixed,
                changing);
            if (shares(each))
                add(ifVisible(each, Length(1)), 1, visible, count);
        }
        left = Length(fixed) + changing;
        count = count + Length(visible);
        const bool alone = count.text == "1";
        const Length part =
            alone ? left : Length("(" + left.text + ") / (" + count.text + ")", std::max(left.change, count.change));
        // The first one gets it, and the others follow that one: the expression may be long.
        Length size = atLeastOne(part);
        for (const size_t each : children) {
            if (!shares(each))
                continue;
            give(each, along.sizeKey, size);
            if (const auto given = arranged_.find({each, along.sizeKey}); given != arranged_.end())
                size = Length(path(each, along.sizeKey), given->second);
        }
    }

    // Where a widget lies between the edges of its line.
    Length offset(size_t at, const Axis& axis, const Length& breadth) const {
        const Widget& each = widget(at);
        const Length own = size(at, axis);
        if (!breadth.changes() && !own.changes())
            return Length(placeInLine(each, axis, std::stoi(breadth.text), each.*axis.size));
        const unsigned edges = edgesOf(each) & (axis.first | axis.last);
        if (edges == axis.last)
            return breadth - own;
        return edges == 0 ? Length("(" + (breadth - own).text + ") / 2", (breadth - own).change) : Length();
    }

    void line(size_t container, const Flow& flow) {
        const Axis &along = *flow.along, &across = *flow.across;
        const Length room = size(container, along);
        const Length breadth =
            flow.wrap ? Length(lineBreadth(screen_.widgets, flow, container)) : size(container, across);
        Length base, line;
        for (const size_t each : childrenOf(screen_.widgets, static_cast<int>(container))) {
            if (flow.stretches(widget(each)))
                give(each, across.sizeKey, breadth);
            if (flow.pages)
                give(each, along.sizeKey, room);
            const Length own = size(each, along);
            Length at = base;
            if (flow.wrap) {
                const Change by = std::max({base.change, own.change, room.change, changeOf(each, "visible")});
                const bool moves = by != Change::None;
                const std::string fits = "(" + (base + own).text + " > " + room.text + " && " + base.text + " > 0" +
                                         (changes(each, "visible") ? " && " + path(each, "visible")
                                          : widget(each).visible   ? ""
                                                                   : " && no") +
                                         ")";
                if (moves && base.text != "0") {
                    at = Length("(" + fits + " ? 0 : " + base.text + ")", by);
                    const int step = std::stoi(breadth.text) + flow.gap;
                    line = line + Length("(" + fits + " ? " + std::to_string(step) + " : 0)", by);
                } else {
                    at = Length(widget(each).*along.place);
                    line =
                        Length(widget(each).*across.place -
                               placeInLine(widget(each), across, std::stoi(breadth.text), widget(each).*across.size));
                }
            }
            const Length within = flow.pages ? Length() : offset(each, across, breadth);
            give(each, along.placeKey, at);
            give(each, across.placeKey, line + within);
            base = place(each, along) + ifVisible(each, own + Length(flow.gap));
            if (flow.wrap)
                line = place(each, across) - within;
        }
    }

    void followEdgesOf(size_t container, const Axis& axis) {
        if (!changes(container, axis.sizeKey))
            return;
        const Length now = size(container, axis);
        const int before = widget(container).*axis.size;
        for (const size_t each : childrenOf(screen_.widgets, static_cast<int>(container))) {
            const unsigned edges = edgesOf(widget(each)) & (axis.first | axis.last);
            const int from = widget(each).*axis.place, own = widget(each).*axis.size;
            if (edges == (axis.first | axis.last))
                give(each, axis.sizeKey, atLeastOne(now - Length(before - own)));
            else if (edges == axis.last)
                give(each, axis.placeKey, now - Length(before - from));
            else if (edges == 0)
                give(each, axis.placeKey,
                     Length(std::to_string(from - before / 2) + " + " + now.text + " / 2", now.change));
        }
    }

    const Screen& screen_;
    const MentionedProperties& mentioned_;
    const NamedValues& named_;
    std::map<std::pair<size_t, std::string>, Change> arranged_;
    std::vector<ArrangedExpression> out_;
};

bool isPlaced(const Widget& widget) { return widget.anchors != kDefaultAnchors || flows(widget); }

}  // namespace

MentionedProperties mentionedProperties(const std::vector<RuleFile>& files) {
    MentionedProperties out;
    for (const RuleFile& file : files)
        for (const TokenLine& line : splitRules(file.text)) {
            const auto& tokens = line.tokens;
            const auto isName = [&](size_t i) { return i < tokens.size() && tokens[i].type == TokenType::Name; };
            for (size_t i = 0; i < tokens.size(); ++i) {
                if (isName(i) && isName(i + 2) && tokens[i + 1].is("."))
                    out.emplace(tokens[i].text, tokens[i + 2].text);
                if (!tokens[i].is("show") && !tokens[i].is("hide") && !tokens[i].is("toggle"))
                    continue;
                const size_t last = isName(i + 3) && tokens[i + 2].is(".") ? i + 3 : i + 1;
                if (isName(last))
                    out.emplace(tokens[last].text, "visible");
            }
        }
    return out;
}

std::vector<ArrangedExpression> arrangedExpressions(const Screen& screen, const MentionedProperties& mentioned,
                                                    const NamedValues& named) {
    if (std::none_of(screen.widgets.begin(), screen.widgets.end(),
                     [](const WidgetRef& each) { return isPlaced(*each); }))
        return {};
    return Arranger(screen, mentioned, named).run();
}

}  // namespace gorsefinch
