// SPDX-License-Identifier: GPL-3.0-or-later
// From an edit to new pixels on the canvas and in the twin, on a project of 200 screens of 50 widgets beside one of 2:
// in the core alone, and in the window with costs, problems and the header.
#include <benchmark/benchmark.h>

#include "bench/interleaved.h"
#include "bench/open_window.h"
#include "core/edits/edit.h"
#include "core/edits/image_edits.h"
#include "core/image/picture.h"
#include "core/project/project_folder.h"
#include "core/sim/draw_screen.h"

using namespace gorsefinch;

namespace {

Document largeProject(int screens) {
    Disk disk;
    Document d = *ProjectFolder(disk, SOURCE_DIR "/examples/kiln").open().document;
    d.screens.clear();
    std::string rules;
    for (int s = 0; s < screens; ++s) {
        Screen screen;
        screen.name = "screen" + std::to_string(s);
        for (int i = 0; i < 50; ++i) {
            Widget w;
            w.name = "w" + std::to_string(i);
            w.kind = i % 3 == 0 ? Kind::Button : i % 3 == 1 ? Kind::Text : Kind::Rectangle;
            w.look = i % 3 == 0 ? "button" : i % 3 == 1 ? "plain" : "surface";
            w.x = i % 5 * 64;
            w.y = i / 5 * 24;
            w.w = 62;
            w.h = 22;
            if (w.kind != Kind::Rectangle)
                w.properties["text"] = std::string(i % 2 != 0 ? "{kiln_temp}" : "Words ") + std::to_string(s * 7 + i);
            screen.widgets.push_back(std::make_shared<const Widget>(std::move(w)));
        }
        d.screens.push_back(std::make_shared<const Screen>(std::move(screen)));
    }
    for (int s = 0; s < 20; ++s)
        rules += "on screen" + std::to_string(s % screens) + ".w" + std::to_string(s / screens * 3 % 48) +
                 ".tap\n    target = target + 1\n\n";
    return withRules(d, "main", rules);
}

// Adds a widget to the first screen, and removes it again.
Document addedOrRemoved(const Document& document, int number) {
    if (number % 2 != 0)
        return removeWidgets(document, "screen0", Names{"extra"});
    Widget w;
    w.name = "extra";
    w.kind = Kind::Rectangle;
    w.w = w.h = 20;
    return addWidgets(document, "screen0", {w});
}

// A project with its builder and twin, and one edit after the other.
class Editor {
  public:
    explicit Editor(int screens) : document_(largeProject(screens)), twin_(builder_.build(document_)) { twin_.step(0); }

    // `what`: 0 moves a widget, 1 changes its words by a new letter, 2 adds one.
    void edit(int what, int number) {
        const Names one{"w4"};
        if (what == 0)
            document_ = *setProperty(document_, "screen0", one, "x", int64_t{number % 200});
        else if (what == 1)
            document_ =
                *setProperty(document_, "screen0", one, "text", std::string(1, static_cast<char>('!' + number % 90)));
        else
            document_ = addedOrRemoved(document_, number);
        const BuiltSceneRef scene = builder_.build(document_);
        twin_.update(scene);
        (void)twin_.takeFlushed();
        benchmark::DoNotOptimize(drawScreen(*scene, 0, &twin_).bytes().data());
    }

  private:
    SceneBuilder builder_;
    Document document_;
    Twin twin_;
};

// Edits a small and a large project by turns.
template <typename Edited>
void editBoth(benchmark::State& state, Edited& small, Edited& large) {
    bench::Stopwatch few, many;
    int number = 0;
    for (auto _ : state) {
        ++number;
        few.time([&] { small.edit(static_cast<int>(state.range(0)), number); });
        many.time([&] { large.edit(static_cast<int>(state.range(0)), number); });
    }
    state.counters["2_screens_us"] = few.median();
    state.counters["200_screens_us"] = many.median();
    state.counters["200_worst_us"] = many.highest();
}

void editToPixels(benchmark::State& state) {
    Editor small(2), large(200);
    editBoth(state, small, large);
}
BENCHMARK(editToPixels)
    ->Arg(0)
    ->Arg(1)
    ->Arg(2)
    ->ArgName("move_words_add")
    ->Iterations(400)
    ->Unit(benchmark::kMicrosecond);

// The same with 2,000 variables, 2,000 rules and 300 images.
Document veryLargeProject() {
    Document d = largeProject(200);
    for (int i = 0; i < 2000; ++i) {
        Variable v;
        v.name = "v" + std::to_string(i);
        v.writer = i % 2 == 0 ? Writer::Both : Writer::Firmware;
        v.max = 1000;
        auto all = *d.variables;
        all.push_back(std::move(v));
        d.variables = std::make_shared<const std::vector<Variable>>(std::move(all));
    }
    std::string rules;
    for (int i = 0; i < 2000; ++i) {
        const std::string screen = "screen" + std::to_string(i % 200), variable = "v" + std::to_string(i);
        rules += "on " + screen + ".w" + std::to_string(i / 200 * 3 % 48) + ".tap\n    " + variable + " = " + variable +
                 " + 1\n";
        if (i < 200)
            rules += "    " + screen + ".w1.text = \"Tapped\"\n";
        rules += "\n";
    }
    d = withRules(d, "main", rules);
    std::vector<Image> images;
    for (int i = 0; i < 300; ++i) {
        Picture p = makePicture(32, 32, 0xff000000u + static_cast<uint32_t>(i) * 977u);
        Image image;
        image.file = "tile" + std::to_string(i) + ".png";
        image.original = FileContents::mapped(encodePng(p));
        images.push_back(std::move(image));
    }
    d = addImages(d, std::move(images));
    std::vector<Widget> shown;
    for (int i = 0; i < 300; ++i) {
        Widget w;
        w.name = "tile" + std::to_string(i);
        w.kind = Kind::Image;
        w.properties["image"] = (*d.images)[(*d.images).size() - 300 + static_cast<size_t>(i)].name;
        shown.push_back(std::move(w));
    }
    return addWidgets(addScreen(d, 199, "tiles"), "tiles", std::move(shown));
}

// One edit after the other through the session of a window, up to the pixels that the window shows.
class WindowEditor {
  public:
    explicit WindowEditor(const Document& document) : open_(document) { QApplication::processEvents(); }

    void edit(int what, int number) {
        app::Session& session = open_.session();
        const Document& document = session.document();
        const Names one{"w4"};
        if (what == 0)
            session.edit(setProperty(document, "screen0", one, "x", int64_t{number % 200}), "Move");
        else if (what == 2)
            session.edit(addedOrRemoved(document, number), "Add");
        else
            session.edit(
                setProperty(document, "screen0", one, "text", std::string(1, static_cast<char>('!' + number % 90))),
                "Write");
        QApplication::processEvents();
    }

  private:
    bench::OpenWindow open_;
};

void editInWindow(benchmark::State& state) {
    WindowEditor small(largeProject(2)), large(state.range(1) == 0 ? largeProject(200) : veryLargeProject());
    editBoth(state, small, large);
}
BENCHMARK(editInWindow)
    ->Args({0, 0})
    ->Args({1, 0})
    ->Args({2, 0})
    ->Args({0, 1})
    ->Args({1, 1})
    ->Args({2, 1})
    ->ArgNames({"move_words_add", "much"})
    ->Iterations(400)
    ->Unit(benchmark::kMicrosecond);

}  // namespace
