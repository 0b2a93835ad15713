// SPDX-License-Identifier: GPL-3.0-or-later
// What a finger operates: a whole draw of each control, and a step in which a finger moves one or a tap turns it over,
// beside the toolkit's raster painter drawing the same control whole into 16-bit pixels. Without texts. The two take
// turns; medians count.
#include <benchmark/benchmark.h>

#include <QImage>
#include <QPainter>
#include <functional>

#include "bench/interleaved.h"
#include "core/edits/edit.h"
#include "core/scene/built_scene.h"
#include "runtime/gorse_internal.h"

using namespace gorsefinch;

namespace {

constexpr int kX = 40, kY = 40;

struct ControlCase {
    const char* name;
    Kind kind;
    int w, h;
    PropertyMap properties;
    std::function<void(QPainter&, const QRectF& box)> paint;
    QPoint from, to;  // in its box: where a finger goes back and forth
};

void fillRounded(QPainter& painter, const QRectF& box, double radius, uint32_t rgb) {
    painter.setPen(Qt::NoPen);
    painter.setBrush(QColor::fromRgb(rgb));
    painter.drawRoundedRect(box, radius, radius);
}

void paintSwitch(QPainter& painter, const QRectF& box) {
    fillRounded(painter, box, 3, 0x93A099);
    fillRounded(painter, box.adjusted(1, 1, -1, -1), 2, 0x2B3436);
    fillRounded(painter, QRectF(box.x() + 3, box.y() + 3, box.width() / 2 - 3, box.height() - 6), 2, 0x93A099);
    painter.fillRect(QRectF(box.x() + box.width() / 4, box.y() + 8, 2, box.height() - 16), QColor(0x2B3436));
}

void paintCheckbox(QPainter& painter, const QRectF& box) {
    const QRectF mark(box.x(), box.y(), box.height(), box.height());
    fillRounded(painter, mark, 3, 0x93A099);
    fillRounded(painter, mark.adjusted(1, 1, -1, -1), 2, 0x2B3436);
}

void paintSlider(QPainter& painter, const QRectF& box) {
    const double middle = box.center().y();
    fillRounded(painter, QRectF(box.x() + 5, middle - 2, box.width() - 10, 4), 2, 0x2B3436);
    fillRounded(painter, QRectF(box.x() + 5, middle - 2, box.width() / 2 - 5, 4), 2, 0xE0712A);
    fillRounded(painter, QRectF(box.center().x() - 5, box.y(), 10, box.height()), 3, 0xD7DBD6);
}

void paintKnob(QPainter& painter, const QRectF& box) {
    const QRectF ring = box.adjusted(7, 7, -7, -7);
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(QColor(0x2B3436), 8, Qt::SolidLine, Qt::FlatCap));
    painter.drawArc(ring, 225 * 16, -270 * 16);
    painter.setPen(QPen(QColor(0xE0712A), 8, Qt::SolidLine, Qt::FlatCap));
    painter.drawArc(ring, 225 * 16, -135 * 16);
    painter.fillRect(QRectF(box.center().x() - 3, box.y(), 6, 14), QColor(0xD7DBD6));
}

void paintStepper(QPainter& painter, const QRectF& box) {
    for (const double x : {box.x(), box.right() - box.height()}) {
        const QRectF end(x, box.y(), box.height(), box.height());
        fillRounded(painter, end, 3, 0x2B3436);
        painter.fillRect(QRectF(end.center().x() - 6, end.center().y() - 1, 12, 2), QColor(0xD7DBD6));
    }
    painter.fillRect(QRectF(box.right() - box.height() / 2 - 1, box.center().y() - 6, 2, 12), QColor(0xD7DBD6));
}

void paintButton(QPainter& painter, const QRectF& box) {
    fillRounded(painter, box, 3, 0x93A099);
    fillRounded(painter, box.adjusted(1, 1, -1, -1), 2, 0x2B3436);
}

std::vector<ControlCase> controlCases() {
    const PropertyMap look{{"fill", opaque(0x2B3436)},
                           {"colour", opaque(0xE0712A)},
                           {"border", opaque(0x93A099)},
                           {"border_width", int64_t{1}},
                           {"radius", int64_t{3}}};
    const auto with = [&](PropertyMap more) {
        more.insert(look.begin(), look.end());
        return more;
    };
    const std::string lit = "lit", level = "level", latching = "latching";
    return {
        {"switch",
         Kind::Switch,
         48,
         24,
         with({{"value", lit}, {"slide", int64_t{0}}}),
         paintSwitch,
         {24, 12},
         {24, 12}},
        {"checkbox", Kind::Checkbox, 24, 24, with({{"value", lit}}), paintCheckbox, {12, 12}, {12, 12}},
        {"slider", Kind::Slider, 140, 24, with({{"value", level}}), paintSlider, {70, 12}, {74, 12}},
        {"knob",
         Kind::Knob,
         96,
         96,
         with({{"value", level}, {"thickness", int64_t{8}}, {"border_width", int64_t{0}}}),
         paintKnob,
         {48, 6},
         {52, 6}},
        {"stepper", Kind::Stepper, 120, 30, with({{"value", level}}), paintStepper, {10, 15}, {110, 15}},
        {"button", Kind::Button, 96, 34, with({{"value", lit}, {"acts", latching}}), paintButton, {48, 17}, {48, 17}}};
}

uint64_t sentBytes = 0;
void send(void*, uint16_t, uint16_t, uint16_t, uint16_t, const uint8_t* bytes, uint32_t count) {
    benchmark::DoNotOptimize(bytes);
    sentBytes += count;
}

Variable variable(const char* name, VariableType type, int max, int start) {
    Variable out;
    out.name = name;
    out.type = type;
    out.min = 0;
    out.max = max;
    out.start = start;
    out.writer = Writer::Both;
    return out;
}

// A running screen with one control.
class Running {
  public:
    explicit Running(const ControlCase& each) {
        Document document;
        Screen screen;
        screen.name = "first";
        document.screens.push_back(std::make_shared<const Screen>(screen));
        document = withVariable(document, variable("lit", VariableType::YesNo, 1, 0));
        document = withVariable(document, variable("level", VariableType::Whole, 100, 50));
        Widget widget;
        widget.name = "control";
        widget.kind = each.kind;
        setBox(widget, kX, kY, each.w, each.h);
        widget.properties = each.properties;
        scene_ = builder_.build(addWidgets(document, "first", {widget}));
        memory_.resize(gorse_state_bytes(&scene_->scene) / 4);
        const gorse_port port{send, nullptr, nullptr, nullptr, nullptr, nullptr};
        gorse_begin(&run, &scene_->scene, &port, memory_.data(), static_cast<uint32_t>(memory_.size() * 4),
                    buffer_.data(), static_cast<uint32_t>(buffer_.size() * 4));
        gorse_step(&run, 0);
    }

    gorse run{};

  private:
    SceneBuilder builder_;
    BuiltSceneRef scene_;
    std::vector<uint32_t> memory_, buffer_ = std::vector<uint32_t>(320 * 240 / 2);
};

// Compares what the runtime does with the painter's whole control.
void compare(benchmark::State& state, const ControlCase& each, const std::function<void()>& ours) {
    QImage image(320, 240, QImage::Format_RGB16);
    bench::Stopwatch runtime, painter;
    sentBytes = 0;
    for (auto _ : state) {
        runtime.time(ours);
        painter.time([&] {
            QPainter on(&image);
            const QRectF box(kX, kY, each.w, each.h);
            on.fillRect(box, Qt::black);
            on.setRenderHint(QPainter::Antialiasing, true);
            each.paint(on, box);
        });
    }
    state.counters["runtime_us"] = runtime.median();
    state.counters["painter_us"] = painter.median();
    state.counters["times_faster"] = painter.median() / runtime.median();
    state.counters["sent_bytes"] = static_cast<double>(sentBytes) / static_cast<double>(state.iterations());
}

void wholeDraw(benchmark::State& state, const ControlCase& each) {
    Running running(each);
    compare(state, each, [&] {
        gorse_dirty_number(&running.run, 0);
        gorse_paint(&running.run);
    });
}

// A tap, or a finger that stays down and moves, and the step behind it.
void operated(benchmark::State& state, const ControlCase& each) {
    Running running(each);
    uint32_t now = 0;
    bool there = false;
    const bool moves = each.kind == Kind::Slider || each.kind == Kind::Knob;
    compare(state, each, [&] {
        const QPoint at = QPoint(kX, kY) + (there ? each.from : each.to);
        there = !there;
        gorse_touch(&running.run, static_cast<int16_t>(at.x()), static_cast<int16_t>(at.y()), 1);
        if (!moves)
            gorse_touch(&running.run, static_cast<int16_t>(at.x()), static_cast<int16_t>(at.y()), 0);
        gorse_step(&running.run, now += 16);
    });
}

[[maybe_unused]] const bool registered = [] {
    for (const ControlCase& each : controlCases()) {
        benchmark::RegisterBenchmark((std::string("wholeControl/") + each.name).c_str(), wholeDraw, each)
            ->Iterations(2000)
            ->Unit(benchmark::kMicrosecond);
        benchmark::RegisterBenchmark((std::string("operatedControl/") + each.name).c_str(), operated, each)
            ->Iterations(2000)
            ->Unit(benchmark::kMicrosecond);
    }
    return true;
}();

}  // namespace
