// SPDX-License-Identifier: GPL-3.0-or-later
// The stations of a project with 1,000 images and 40 font sizes beside the kiln demo's: opened, scrolled from end to
// end, and a frame of each step.
#include <benchmark/benchmark.h>

#include <QListView>
#include <QScrollBar>

#include "bench/interleaved.h"
#include "bench/open_window.h"
#include "core/edits/font_edits.h"
#include "core/edits/image_edits.h"
#include "core/image/picture.h"
#include "core/project/project_folder.h"

using namespace gorsefinch;

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
                p.at(x, y) =
                    0xff000000u | static_cast<uint32_t>((x * 5 + i) % 256 << 16 | (y * 5) % 256 << 8 | i % 256);
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

void openStation(benchmark::State& state) {
    bench::OpenWindow small(kiln()), large(withMuch());
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
    bench::OpenWindow large(withMuch());
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
