// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/check/screen_check.h"

#include <algorithm>
#include <cmath>

#include "core/base/problem_codes.h"
#include "core/check/contrast.h"
#include "core/document/box.h"
#include "core/document/widget_tree.h"
#include "core/scene/content_size.h"
#include "core/sim/draw_screen.h"

namespace gorsefinch {

namespace {

std::string tenths(double value) {
    const auto rounded = std::lround(value * 10);
    return std::to_string(rounded / 10) + "." + std::to_string(rounded % 10);
}

class ScreenChecker {
  public:
    ScreenChecker(const BuiltScene& scene, size_t screen)
        : scene_(scene), number_(screen), part_(*scene.parts[screen]), widgets_(part_.source->widgets) {}

    Problems run() {
        prepare();
        for (size_t i = 0; i < count_; ++i) {
            if (!isShown_[i])
                continue;
            checkPlace(i);
            checkCover(i);
            checkPicture(i);
            checkTarget(i);
        }
        checkContrast();
        return std::move(out_);
    }

  private:
    const Widget& widget(size_t i) const { return *widgets_[i]; }
    bool has(size_t i, unsigned traits) const { return info(widget(i).kind).has(traits); }

    void report(size_t i, const char* code, const std::string& reason, const std::string& remedy) {
        Problem p;
        p.severity = Severity::Warning;
        p.screen = part_.source->name;
        p.widget = widget(i).name;
        p.file = "screens/" + p.screen + ".json";
        p.place = p.widget;
        p.reason = reason;
        p.remedy = remedy;
        p.code = code;
        out_.push_back(std::move(p));
    }

    // What is shown when the interface starts, in a place that nothing moves, without what a pager, a drawer or a
    // scrolling container moves; keyboards that come by themselves are not the document's.
    void prepare() {
        count_ = part_.given->widgets.size();
        const std::vector<int> containers = containersOf(widgets_);
        std::vector<bool> moves(widgets_.size()), changes(widgets_.size());
        for (const SlotInfo& each : part_.slotInfos) {
            const std::string_view key = each.property->key;
            const auto at = static_cast<size_t>(each.widget);
            if (key == "x" || key == "y" || key == "w" || key == "h" || key == "pan_x" || key == "pan_y")
                moves[at] = true;
            if (key == "visible" || key == "opacity" || key == "fill" || key == "clip" || key == "colour")
                changes[at] = true;
        }
        for (size_t i = 0; i < widgets_.size(); ++i) {
            const Widget& w = widget(i);
            bool shown = w.visible && !moves[i] && w.kind != Kind::Drawer && w.kind != Kind::Keyboard;
            Box seen{0, 0, scene_.document.panel->width, scene_.document.panel->height};
            if (const int holder = containers[i]; holder >= 0) {
                const auto at = static_cast<size_t>(holder);
                shown = shown && isShown_[at] && widget(at).kind != Kind::Pager && scrollOf(widget(at)) == 0;
                seen = clips(scene_.document, widget(at)) ? overlap(seen_[at], boxes_[at]) : seen_[at];
            }
            boxes_.push_back(boxOnPanel(widgets_, i));
            seen_.push_back(seen);
            isShown_.push_back(shown);
            isChanged_.push_back(changes[i]);
            isHeld_.push_back(containers[i] >= 0);
        }
    }

    // The box of what a widget writes, else its own.
    Box contentBox(size_t i) const {
        const Box& box = boxes_[i];
        const auto size = has(i, kHasText) ? contentSizeOf(scene_, number_, i) : std::nullopt;
        if (!size || size->w >= box.w() || size->h >= box.h())
            return box;
        const auto& label = scene_.tables[number_]->records[i].label;
        const auto start = [](int from, int room, int taken, uint8_t align) {
            return from + (align == GORSE_ALIGN_END      ? room - taken
                           : align == GORSE_ALIGN_MIDDLE ? (room - taken) / 2
                                                         : 0);
        };
        const int x = start(box.x0, box.w(), size->w, label.align), y = start(box.y0, box.h(), size->h, label.place);
        return {x, y, x + size->w, y + size->h};
    }

    // Inside the ellipse that a round panel shows, at the middle of its edges and its corners' insides.
    bool isInRound(const Box& box) const {
        const double w = scene_.document.panel->width, h = scene_.document.panel->height;
        const auto inside = [&](double x, double y) {
            const double dx = (x - w / 2) / (w / 2), dy = (y - h / 2) / (h / 2);
            return dx * dx + dy * dy <= 1;
        };
        return inside(box.x0 + 1, (box.y0 + box.y1) / 2.0) && inside(box.x1 - 1, (box.y0 + box.y1) / 2.0) &&
               inside((box.x0 + box.x1) / 2.0, box.y0 + 1) && inside((box.x0 + box.x1) / 2.0, box.y1 - 1);
    }

    void checkPlace(size_t i) {
        if (isHeld_[i])
            return;
        const Panel& panel = *scene_.document.panel;
        const Box whole{0, 0, panel.width, panel.height};
        const Box& box = boxes_[i];
        if (!box.meets(whole))
            report(i, kOutsidePanel, "it lies outside the panel", "Move it inside, or delete it");
        else if (has(i, kHasText | kIsTouched) && !whole.holds(has(i, kIsTouched) ? box : contentBox(i)))
            report(i, kOutsidePanel, "a part of it lies outside the panel", "Move it inside");
        else if (panel.round && has(i, kHasText | kIsTouched) && !has(i, kIsUnseen) && !isInRound(contentBox(i)))
            report(i, kOutsidePanel, "a part of it lies outside the round that the glass shows",
                   "Move it to the middle, or make it smaller");
    }

    // Lets nothing through, wherever it is.
    bool isOpaque(size_t i) const {
        const Widget& w = widget(i);
        if (isChanged_[i] || w.opacity != 255 || !has(i, kHasBox) || w.kind == Kind::Polygon)
            return false;
        const gorse_look& look = *scene_.tables[number_]->records[i].widget.look;
        return look.fill >> 24 == 255 && look.radius == 0 && w.properties.count("corners") == 0;
    }

    void checkCover(size_t i) {
        const Box own = overlap(boxes_[i], seen_[i]);
        if (own.w() <= 0 || own.h() <= 0)
            return;
        for (size_t j = endOf(widgets_, i); j < count_; ++j) {
            if (!isShown_[j] || !overlap(boxes_[j], seen_[j]).holds(own))
                continue;
            const bool drawn = !has(i, kIsUnseen) && isOpaque(j);
            const bool touched = has(i, kIsUnseen) && has(j, kIsTouched) && widget(j).enabled;
            if (!drawn && !touched)
                continue;
            report(i, kCovered,
                   drawn ? widget(j).name + " covers it wholly" : "touches of it reach " + widget(j).name + " instead",
                   "Raise it, move one of them, or delete it");
            return;
        }
    }

    void checkPicture(size_t i) {
        if (widget(i).kind != Kind::Image)
            return;
        const auto value = [&](const char* key) {
            return std::get<std::string>(effectiveValue(scene_.document, widget(i), key));
        };
        const auto size = contentSizeOf(scene_, number_, i);
        const bool plain = value("repeat") == "once" && widget(i).properties.count("turn") == 0 &&
                           widget(i).expressions.count("turn") == 0;
        if (!size || !plain || (size->w <= widget(i).w && size->h <= widget(i).h))
            return;
        report(i, kPictureCut,
               "its picture needs " + std::to_string(size->w) + "x" + std::to_string(size->h) + " px, the box has " +
                   std::to_string(widget(i).w) + "x" + std::to_string(widget(i).h),
               "Make the box as large, or the image smaller");
    }

    bool isTarget(size_t i) const { return isShown_[i] && has(i, kIsTouched) && widget(i).enabled; }

    void checkTarget(size_t i) {
        if (!scene_.document.panel->touch || !isTarget(i))
            return;
        const Box target = touchTarget(widgets_, i);
        if (const auto mm = targetMm(*scene_.document.panel, target); mm && *mm < kLeastTarget)
            report(i, kSmallTarget,
                   "its touch target is " + tenths(*mm) + " mm; a finger needs " + tenths(kLeastTarget) + " mm",
                   "Make it larger, or give it a touch margin");
        for (size_t j = i + 1; j < count_; ++j) {
            const Box common = overlap(boxes_[i], boxes_[j]);
            if (!isTarget(j) || common.w() <= 0 || common.h() <= 0 || boxes_[i].holds(boxes_[j]) ||
                boxes_[j].holds(boxes_[i]))
                continue;
            report(i, kTargetsOverlap,
                   "its touch target and that of " + widget(j).name + " share " + std::to_string(common.w()) + "x" +
                       std::to_string(common.h()) + " px, which belong to " + widget(j).name,
                   "Move them apart");
        }
    }

    bool writes(size_t i) const {
        return isShown_[i] && !isChanged_[i] && (has(i, kHasText) || widget(i).kind == Kind::Readout) &&
               widget(i).opacity == 255 && scene_.tables[number_]->records[i].widget.look->font;
    }

    // Measured on the panel's own pixels, in each set of colours.
    void checkContrast() {
        std::vector<size_t> texts;
        for (size_t i = 0; i < count_; ++i)
            if (writes(i))
                texts.push_back(i);
        if (texts.empty())
            return;
        for (size_t set = 0; set < scene_.setCount(); ++set) {
            ShownStates with, without;
            with.set = without.set = set;
            without.withoutTexts = true;
            const Picture shown = drawScreen(scene_, static_cast<int>(number_), nullptr, with).picture();
            const Picture ground = drawScreen(scene_, static_cast<int>(number_), nullptr, without).picture();
            std::erase_if(texts, [&](size_t i) { return reportContrast(i, set, shown, ground); });
        }
    }

    bool reportContrast(size_t i, size_t set, const Picture& shown, const Picture& ground) {
        const Box box = overlap(boxes_[i], seen_[i]);
        const bool anything = std::any_of(widgets_.begin() + static_cast<std::ptrdiff_t>(endOf(widgets_, i)),
                                          widgets_.end(), [&](const WidgetRef& each) { return each->visible; });
        const double contrast = measuredContrast(shown, ground, box);
        const auto size = std::get<int64_t>(effectiveValue(scene_.document, widget(i), "size"));
        const double least = size >= kLargeText ? kLeastContrastOfLarge : kLeastContrast;
        if (contrast >= least || (contrast == 1 && (isEmpty(i) || anything)))
            return false;
        const std::string where =
            scene_.setCount() > 1 ? " in the set " + scene_.document.named->sets[set] : std::string();
        if (contrast == 1)
            report(i, kColoursFallTogether, "its text has the colour of what is behind it" + where,
                   "Choose another colour");
        else
            report(i, kLowContrast,
                   "the contrast of its text is " + tenths(contrast) + where + "; it is easy to read from " +
                       tenths(least) + " on",
                   "Choose colours that differ more");
        return true;
    }

    // It writes nothing when the interface starts.
    bool isEmpty(size_t i) const {
        const Widget& w = widget(i);
        if (w.kind == Kind::Readout || w.expressions.count("text") != 0)
            return w.expressions.count("text") != 0;
        const std::string text = std::get<std::string>(effectiveValue(scene_.document, w, "text"));
        return text.find_first_not_of(" \n") == std::string::npos || text.find('{') != std::string::npos;
    }

    const BuiltScene& scene_;
    const size_t number_;
    const ScreenPart& part_;
    const std::vector<WidgetRef>& widgets_;
    size_t count_ = 0;               // widgets of the document
    std::vector<Box> boxes_, seen_;  // on the panel; what containers let be seen
    std::vector<bool> isShown_, isChanged_, isHeld_;
    Problems out_;
};

}  // namespace

Problems checkScreen(const BuiltScene& scene, size_t screen) { return ScreenChecker(scene, screen).run(); }

Box touchTarget(const std::vector<WidgetRef>& widgets, size_t at) {
    const Box box = boxOnPanel(widgets, at);
    const int margin = widgets[at]->touchMargin;
    return {box.x0 - margin, box.y0 - margin, box.x1 + margin, box.y1 + margin};
}

std::optional<double> targetMm(const Panel& panel, const Box& target) {
    if (panel.widthMm == 0)
        return std::nullopt;
    return std::min(target.w(), target.h()) * double(panel.widthMm) / panel.width;
}

}  // namespace gorsefinch
