// SPDX-License-Identifier: GPL-3.0-or-later
// Bytes sent to the panel for a changed text and a pressed button, against the pixels whose value changed, and against
// the tight boxes around them: a panel takes boxes, so this is the minimum that can be sent. Columns without a change
// part one box from the next.
#include <benchmark/benchmark.h>

#include "bench/kiln.h"
#include "core/project/project_folder.h"
#include "core/sim/twin.h"

using namespace gorsefinch;

namespace {

struct Sent {
    long flushed = 0, changed = 0, boxes = 0;
};

// The pixels of the boxes around what changed.
long tightBoxes(const Picture& before, const Picture& after) {
    long sum = 0;
    int from = -1, top = after.height, bottom = -1;
    for (int x = 0; x <= after.width; ++x) {
        bool any = false;
        for (int y = 0; x < after.width && y < after.height; ++y)
            if (before.at(x, y) != after.at(x, y)) {
                any = true;
                top = std::min(top, y);
                bottom = std::max(bottom, y);
            }
        if (any && from < 0)
            from = x;
        if (!any && from >= 0) {
            sum += static_cast<long>(x - from) * (bottom - top + 1);
            from = -1;
            top = after.height;
            bottom = -1;
        }
    }
    return sum;
}

template <typename F>
Sent sentBy(Twin& twin, const F& change) {
    const Picture before = twin.memory().picture();
    (void)twin.takeFlushed();
    change();
    twin.step(twin.now());
    Sent sent;
    for (const Flushed& f : twin.takeFlushed())
        sent.flushed += static_cast<long>(f.w) * f.h;
    const Picture after = twin.memory().picture();
    for (size_t i = 0; i < after.pixels.size(); ++i)
        sent.changed += before.pixels[i] != after.pixels[i];
    sent.boxes = tightBoxes(before, after);
    return sent;
}

void report(benchmark::State& state, const Sent& sent) {
    for (auto _ : state)
        benchmark::DoNotOptimize(sent.flushed);
    state.counters["flushed_px"] = static_cast<double>(sent.flushed);
    state.counters["changed_px"] = static_cast<double>(sent.changed);
    state.counters["flushed_to_boxes"] = static_cast<double>(sent.flushed) / static_cast<double>(sent.boxes);
    state.counters["flushed_to_changed"] = static_cast<double>(sent.flushed) / static_cast<double>(sent.changed);
}

void changedText(benchmark::State& state) {
    SceneBuilder builder;
    Twin twin(builder.build(bench::openKiln()));
    twin.step(0);
    Sent all;
    // A temperature that walks: every digit changes now and then.
    for (int value = 1043; value < 1080; ++value) {
        const Sent sent = sentBy(twin, [&] { (void)twin.set("kiln_temp", std::to_string(value)); });
        all.flushed += sent.flushed;
        all.changed += sent.changed;
        all.boxes += sent.boxes;
    }
    report(state, all);
}
BENCHMARK(changedText)->Iterations(1);

void pressedButton(benchmark::State& state) {
    SceneBuilder builder;
    Twin twin(builder.build(bench::openKiln()));
    twin.step(0);
    report(state, sentBy(twin, [&] { twin.touch(260, 212, true); }));
}
BENCHMARK(pressedButton)->Iterations(1);

}  // namespace
