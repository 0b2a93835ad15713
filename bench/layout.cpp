// SPDX-License-Identifier: GPL-3.0-or-later
// Laying out much at once: 50 of 500 widgets dragged with guides on a panel of 800 x 480 beside one of ten, by real
// events of the mouse; a look of 5,000 widgets changed beside one of 50; widgets found on 200 screens beside 2.
#include <benchmark/benchmark.h>

#include <QMouseEvent>

#include "app/screens/canvas.h"
#include "bench/interleaved.h"
#include "bench/open_window.h"
#include "core/edits/find.h"
#include "core/edits/look_edits.h"
#include "core/project/project_folder.h"

using namespace gorsefinch;

namespace {

// Screens of so many buttons and texts, all with the look "button".
Document projectOf(int screens, int widgets) {
    Disk disk;
    Document d = *ProjectFolder(disk, SOURCE_DIR "/examples/kiln").open().document;
    Panel panel = *d.panel;
    panel.width = 800;
    panel.height = 480;
    d.panel = std::make_shared<const Panel>(panel);
    d.screens.clear();
    for (int s = 0; s < screens; ++s) {
        Screen screen;
        screen.name = "screen" + std::to_string(s);
        for (int i = 0; i < widgets; ++i) {
            Widget w;
            w.name = "w" + std::to_string(i);
            w.kind = i % 2 == 0 ? Kind::Button : Kind::Text;
            w.look = "button";
            w.x = i % 25 * 31 + i % 3;
            w.y = i / 25 * 23 + i % 2;
            w.w = 28;
            w.h = 20;
            w.properties["text"] = std::string(i % 5 == 0 ? "{kiln_temp}" : "Ab");
            screen.widgets.push_back(std::make_shared<const Widget>(std::move(w)));
        }
        d.screens.push_back(std::make_shared<const Screen>(std::move(screen)));
    }
    return withRules(d, "main", "");
}

// Drags the first widgets of a screen to and fro.
class Dragger {
  public:
    Dragger(int widgets, int selected) : open_(projectOf(1, widgets)) {
        canvas_ = open_.find<app::Canvas>("canvas");
        Names names;
        for (int i = 0; i < selected; ++i)
            names.push_back("w" + std::to_string(i));
        open_.session().selection().select(names);
        send(QEvent::MouseButtonPress, QPoint(10, 10));
    }
    // One step of the pointer, to the pixels that the window shows.
    void step(int number) {
        send(QEvent::MouseMove, QPoint(10 + number % 120, 10 + number % 37));
        QApplication::processEvents();
    }

  private:
    void send(QEvent::Type type, const QPoint& panel) {
        const QPointF at = canvas_->fromPanel(panel);
        QMouseEvent event(type, at, canvas_->mapToGlobal(at), Qt::LeftButton, Qt::LeftButton, Qt::NoModifier);
        QApplication::sendEvent(canvas_, &event);
    }

    bench::OpenWindow open_;
    app::Canvas* canvas_;
};

void dragInWindow(benchmark::State& state) {
    Dragger small(10, 1), large(500, 50);
    bench::Stopwatch few, many;
    int number = 4;
    for (auto _ : state) {
        ++number;
        few.time([&] { small.step(number); });
        many.time([&] { large.step(number); });
    }
    state.counters["1_of_10_us"] = few.median();
    state.counters["50_of_500_us"] = many.median();
    state.counters["50_of_500_p95_us"] = many.percentile(95);
}
BENCHMARK(dragInWindow)->Iterations(400)->Unit(benchmark::kMicrosecond);

// A look's colour, to the pixels that the window shows.
class Restyler {
  public:
    explicit Restyler(int screens) : open_(projectOf(screens, 50)) {}
    void step(int number) {
        open_.session().edit(setLookProperty(open_.session().document(), "button", "", "fill",
                                             opaque(static_cast<uint32_t>(number * 977 % 0xffffff))),
                             "Restyle");
        QApplication::processEvents();
    }

  private:
    bench::OpenWindow open_;
};

void changeLookInWindow(benchmark::State& state) {
    Restyler small(1), large(100);
    bench::Stopwatch few, many;
    int number = 0;
    for (auto _ : state) {
        ++number;
        few.time([&] { small.step(number); });
        many.time([&] { large.step(number); });
    }
    state.counters["50_widgets_us"] = few.median();
    state.counters["5000_widgets_us"] = many.median();
    state.counters["5000_widgets_p95_us"] = many.percentile(95);
}
BENCHMARK(changeLookInWindow)->Iterations(200)->Unit(benchmark::kMicrosecond);

void findOnAllScreens(benchmark::State& state) {
    const Document small = projectOf(2, 50), large = projectOf(200, 50);
    bench::Stopwatch few, many;
    for (auto _ : state) {
        few.time([&] { benchmark::DoNotOptimize(findWidgets(small, "kiln", FindIn::Anything).size()); });
        many.time([&] { benchmark::DoNotOptimize(findWidgets(large, "kiln", FindIn::Anything).size()); });
    }
    state.counters["2_screens_us"] = few.median();
    state.counters["200_screens_us"] = many.median();
}
BENCHMARK(findOnAllScreens)->Iterations(100)->Unit(benchmark::kMicrosecond);

}  // namespace
