// SPDX-License-Identifier: GPL-3.0-or-later
// The stations of a project with 1,000 images and 40 font sizes beside the kiln demo's: opened, scrolled from end to
// end, and a frame of each step.
#include <benchmark/benchmark.h>

#include <QApplication>
#include <QListView>
#include <QScrollBar>
#include <QStandardPaths>
#include <QTemporaryDir>

#include "app/frame/main_window.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "bench/interleaved.h"
#include "core/image/picture.h"
#include "core/project/font_edits.h"
#include "core/project/image_edits.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

namespace {

Document kiln() {
    Disk disk;
    return *ProjectFolder(disk, SOURCE_DIR "/examples/kiln").open().document;
}

Document withMuch() {
    Document d = kiln();
    std::vector<Image> images;
    for (int i = 0; i < 1000; ++i) {
        Picture p = makePicture(48 + i % 40, 48);
        for (int y = 0; y < p.height; ++y)
            for (int x = 0; x < p.width; ++x)
                p.at(x, y) = 0xff000000u | static_cast<uint32_t>((x * 5 + i) % 256 << 16 | (y * 5) % 256 << 8 | i % 256);
        Image image;
        image.file = "tile" + std::to_string(i) + ".png";
        image.original = FileContents::mapped(encodePng(p));
        images.push_back(std::move(image));
    }
    d = addImages(d, std::move(images));
    std::vector<Widget> texts;
    for (int i = 0; i < 40; ++i) {
        Widget w;
        w.name = "size" + std::to_string(i);
        w.kind = Kind::Text;
        w.w = 200, w.h = 60;
        w.properties["text"] = std::string("Size {kiln_temp} of {programme_name}");
        w.properties["size"] = int64_t{10 + i};
        texts.push_back(std::move(w));
    }
    return addWidgets(addScreen(d, 0, "sizes"), "sizes", std::move(texts));
}

// A window on a project, with nothing left to be made in the background.
class Open {
  public:
    explicit Open(const Document& document) {
        QStandardPaths::setTestModeEnabled(true);
        Theme::apply(*qApp, Appearance::Light);
        window_.resize(1280, 780);
        if (!session_.create(document, dir_.filePath("project")))
            return;
        window_.openProject(dir_.filePath("project"));
        window_.show();
        session_.runTwin(false);
        settle(4000);
    }
    ~Open() { session_.dropRecovery(); }

    static void settle(int ms) {
        QElapsedTimer clock;
        clock.start();
        while (clock.elapsed() < ms)
            QApplication::processEvents(QEventLoop::AllEvents, 20);
    }
    // To the station's pixels, drawn whole.
    void show(int station) {
        window_.showStation(station);
        QApplication::processEvents();
        benchmark::DoNotOptimize(window_.grab().toImage().constBits());
    }
    void leave() {
        window_.showStation(0);
        QApplication::processEvents();
    }
    QListView* list(const char* name) { return window_.findChild<QListView*>(name); }

  private:
    QTemporaryDir dir_;
    Session session_;
    MainWindow window_{session_};
};

void openStation(benchmark::State& state) {
    Open small(kiln()), large(withMuch());
    const int station = static_cast<int>(state.range(0));
    bench::Stopwatch few, many;
    for (auto _ : state) {
        small.leave();
        large.leave();
        few.time([&] { small.show(station); });
        many.time([&] { large.show(station); });
    }
    state.counters["kiln_ms"] = few.median() / 1000;
    state.counters["much_ms"] = many.median() / 1000;
    state.counters["much_worst_ms"] = many.highest() / 1000;
}
BENCHMARK(openStation)->Arg(1)->Arg(2)->ArgName("images_fonts")->Iterations(12)->Unit(benchmark::kMillisecond);

void scrollStation(benchmark::State& state) {
    Open large(withMuch());
    const bool images = state.range(0) == 1;
    large.show(static_cast<int>(state.range(0)));
    QListView* list = large.list(images ? "images" : "fonts");
    bench::Stopwatch frame;
    int at = 0;
    for (auto _ : state) {
        at = (at + 120) % std::max(list->verticalScrollBar()->maximum(), 1);
        frame.time([&] {
            list->verticalScrollBar()->setValue(at);
            benchmark::DoNotOptimize(list->viewport()->grab().toImage().constBits());
        });
    }
    state.counters["frame_ms"] = frame.median() / 1000;
    state.counters["worst_ms"] = frame.highest() / 1000;
}
BENCHMARK(scrollStation)->Arg(1)->Arg(2)->ArgName("images_fonts")->Iterations(400)->Unit(benchmark::kMillisecond);

}  // namespace
