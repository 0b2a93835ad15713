// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/arrange.h"

#include <algorithm>

#include "core/document/widget_tree.h"
#include "core/kinds/edges.h"
#include "core/kinds/panes.h"

namespace gorsefinch {

const Axis kAcross{&Widget::x, &Widget::w, "x", "w", kLeftEdge, kRightEdge};
const Axis kDown{&Widget::y, &Widget::h, "y", "h", kTopEdge, kBottomEdge};

namespace {

// What follows an expression has no value that files keep.
bool follows(const Widget& widget, const char* key) { return widget.expressions.count(key) != 0; }

const PropertyValue* valueOf(const Widget& widget, std::string_view key) {
    const auto found = widget.properties.find(key);
    return found == widget.properties.end() ? nullptr : &found->second;
}

void clampBox(Widget& widget) {
    for (const PropertyInfo& each : placeProperties().first(4))
        widget.*each.number = std::clamp(widget.*each.number, each.min, each.max);
}

bool sameBox(const Widget& a, const Widget& b) { return a.x == b.x && a.y == b.y && a.w == b.w && a.h == b.h; }

// Replaces a widget by one with another box; what it holds follows its edges.
void replaceBox(std::vector<WidgetRef>& widgets, size_t at, Widget next) {
    clampBox(next);
    const WidgetRef before = widgets[at];
    if (sameBox(*before, next))
        return;
    const int w = next.w, h = next.h;
    widgets[at] = std::make_shared<const Widget>(std::move(next));
    if (w != before->w || h != before->h)
        followEdges(widgets, static_cast<int>(at), before->w, before->h, w, h);
}

// One axis of a widget when what holds it has another size. Half of the way of one without edges is counted from
// nothing each time, so that many small steps lead where a large one does.
void followAxis(Widget& widget, const Axis& axis, int before, int now) {
    const unsigned edges = edgesOf(widget) & (axis.first | axis.last);
    if (edges == (axis.first | axis.last))
        widget.*axis.size += now - before;
    else if (edges == axis.last)
        widget.*axis.place += now - before;
    else if (edges == 0)
        widget.*axis.place += now / 2 - before / 2;
}

// Pixels of each that shares what the others leave; nothing if an expression says how much that is.
std::optional<int> shareOf(const std::vector<WidgetRef>& widgets, const Flow& flow, size_t container,
                           const std::vector<size_t>& children) {
    const char* key = flow.along->sizeKey;
    bool known = !follows(*widgets[container], key);
    int shares = 0, left = (*widgets[container]).*flow.along->size + flow.gap;
    for (const size_t each : children) {
        const Widget& widget = *widgets[each];
        known = known && !follows(widget, "visible") && (flow.shares(widget) || !follows(widget, key));
        if (!widget.visible)
            continue;
        shares += flow.shares(widget) ? 1 : 0;
        left -= flow.gap + (flow.shares(widget) ? 0 : widget.*flow.along->size);
    }
    return !known ? std::nullopt : std::optional(shares == 0 ? 1 : std::max(left / shares, 1));
}

// Places one widget after the other. Where an expression has a say, boxes stay: arranged_expressions.h moves them.
class Line {
  public:
    Line(std::vector<WidgetRef>& widgets, size_t container, const Flow& flow)
        : widgets_(widgets),
          flow_(flow),
          children_(childrenOf(widgets, static_cast<int>(container))),
          room_((*widgets[container]).*flow.along->size),
          breadth_(lineBreadth(widgets, flow, container)),
          roomKnown_(!follows(*widgets[container], flow.along->sizeKey)),
          breadthKnown_(flow.wrap || !follows(*widgets[container], flow.across->sizeKey)),
          share_(shareOf(widgets, flow, container, children_)) {}

    void run() {
        for (const size_t each : children_)
            place(each);
    }

  private:
    void place(size_t number) {
        const Axis &along = *flow_.along, &across = *flow_.across;
        Widget next = *widgets_[number];
        if (flow_.shares(next) && share_)
            next.*along.size = *share_;
        if (flow_.pages && roomKnown_)
            next.*along.size = room_;
        const bool sizeKnown =
            flow_.pages ? roomKnown_ : !follows(next, along.sizeKey) && (!flow_.shares(next) || share_);
        const bool known = known_ && (!flow_.wrap || (sizeKnown && roomKnown_ && !follows(next, "visible")));
        const int size = next.*along.size;
        if (flow_.wrap && known && next.visible && at_ > 0 && at_ + size > room_) {
            at_ = 0;
            line_ += breadth_ + flow_.gap;
        }
        if (known)
            next.*along.place = at_;
        if (flow_.stretches(next) && breadthKnown_)
            next.*across.size = breadth_;
        if (breadthKnown_ && !follows(next, across.sizeKey) && (known || !flow_.wrap))
            next.*across.place = flow_.pages ? 0 : line_ + placeInLine(next, across, breadth_, next.*across.size);
        known_ = known && sizeKnown && !follows(next, "visible");
        if (next.visible)
            at_ += size + flow_.gap;
        replaceBox(widgets_, number, std::move(next));
    }

    std::vector<WidgetRef>& widgets_;
    const Flow& flow_;
    std::vector<size_t> children_;
    int room_, breadth_;
    bool roomKnown_, breadthKnown_;
    std::optional<int> share_;
    int at_ = 0, line_ = 0;
    bool known_ = true;  // where the next one begins
};

}  // namespace

unsigned edgesOf(const Widget& widget) { return edgesFromWords(widget.anchors).value_or(kLeftEdge | kTopEdge); }

bool Axis::stretches(const Widget& widget) const { return (edgesOf(widget) & (first | last)) == (first | last); }

bool flows(const Widget& container) { return flowOf(container, {}).has_value(); }

std::optional<Flow> flowOf(const Widget& container, const NamedValues& named) {
    if (container.kind == Kind::Pager)
        return goesDown(container) ? Flow{&kDown, &kAcross, false, 0, true} : Flow{&kAcross, &kDown, false, 0, true};
    const auto* way = valueOf(container, "flow");
    const auto* word = way && info(container.kind).has(kHolds) ? std::get_if<std::string>(way) : nullptr;
    if (!word || *word == "none")
        return std::nullopt;
    const auto* wrap = valueOf(container, "wrap");
    const auto* gap = valueOf(container, "gap");
    const PropertyValue between =
        gap ? resolvedValue(named, *findProperty(container.kind, "gap"), *gap) : PropertyValue(int64_t{0});
    const bool row = *word == "row";
    const auto* wraps = wrap ? std::get_if<bool>(wrap) : nullptr;
    const auto* pixels = std::get_if<int64_t>(&between);
    return Flow{row ? &kAcross : &kDown, row ? &kDown : &kAcross, wraps && *wraps,
                pixels ? static_cast<int>(*pixels) : 0, false};
}

std::vector<size_t> childrenOf(const std::vector<WidgetRef>& widgets, int container) {
    std::vector<size_t> out;
    const size_t end = container < 0 ? widgets.size() : endOf(widgets, static_cast<size_t>(container));
    for (size_t i = container < 0 ? 0 : static_cast<size_t>(container) + 1; i < end; i = endOf(widgets, i))
        out.push_back(i);
    return out;
}

int lineBreadth(const std::vector<WidgetRef>& widgets, const Flow& flow, size_t container) {
    if (!flow.wrap)
        return (*widgets[container]).*flow.across->size;
    int out = 1;
    for (const size_t each : childrenOf(widgets, static_cast<int>(container)))
        if (!flow.stretches(*widgets[each]) && !follows(*widgets[each], flow.across->sizeKey))
            out = std::max(out, (*widgets[each]).*flow.across->size);
    return out;
}

int placeInLine(const Widget& widget, const Axis& axis, int breadth, int size) {
    const unsigned edges = edgesOf(widget) & (axis.first | axis.last);
    return edges == axis.last ? breadth - size : edges == 0 ? (breadth - size) / 2 : 0;
}

int turnInFlow(const std::vector<WidgetRef>& widgets, size_t container, int x, int y,
               std::span<const std::string> without) {
    const auto flow = flowOf(*widgets[container], {});
    if (!flow)
        return 0;
    const bool row = flow->along == &kAcross;
    const int along = row ? x : y, across = row ? y : x;
    int turn = 0;
    for (const size_t each : childrenOf(widgets, static_cast<int>(container))) {
        const Widget& widget = *widgets[each];
        if (std::find(without.begin(), without.end(), widget.name) != without.end())
            continue;
        const int line = widget.*flow->across->place,
                  middle = widget.*flow->along->place + widget.*flow->along->size / 2;
        const bool above = flow->wrap && line + widget.*flow->across->size <= across;
        const bool below = flow->wrap && line > across;
        turn += above || (!below && middle < along) ? 1 : 0;
    }
    return turn;
}

void arrange(std::vector<WidgetRef>& widgets, const NamedValues& named) {
    for (size_t i = 0; i < widgets.size(); ++i)
        if (const auto flow = flowOf(*widgets[i], named))
            Line(widgets, i, *flow).run();
}

void followEdges(std::vector<WidgetRef>& widgets, int container, int oldWidth, int oldHeight, int width, int height,
                 std::span<const std::string> except) {
    if (container >= 0 && flows(*widgets[static_cast<size_t>(container)]))
        return;
    for (const size_t each : childrenOf(widgets, container)) {
        if (std::find(except.begin(), except.end(), widgets[each]->name) != except.end())
            continue;
        Widget next = *widgets[each];
        followAxis(next, kAcross, oldWidth, width);
        followAxis(next, kDown, oldHeight, height);
        replaceBox(widgets, each, std::move(next));
    }
}

}  // namespace gorsefinch
