// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <string>
#include <vector>

#include "core/document/shown_panes.h"
#include "core/scene/built_scene.h"
#include "core/sim/panel_memory.h"
#include "core/sim/twin_past.h"

namespace gorsefinch {

// One flush, in pixels of the panel.
struct Flushed {
    int x, y, w, h;
};

// What happened, as the runtime reports it: GORSE_TRACE_... with its two values.
struct TraceEntry {
    uint32_t ms;
    uint8_t what;
    uint16_t a;
    int32_t b;
};

// A running interface with a panel's memory. Edits reach it through update(), which keeps what it was doing.
class Twin {
  public:
    enum class View { Panel, Upright };  // with the panel's turn and offsets, or as the user sees it

    // `bufferBytes` 0: as the panel's settings say.
    explicit Twin(BuiltSceneRef scene, View view = View::Upright, long bufferBytes = 0);
    Twin(const Twin&) = delete;
    Twin& operator=(const Twin&) = delete;

    // Carries on with another scene: screen, history, variables, changed properties, timers and the press stay where
    // the things they belong to still exist under the same names; what changed its kind starts anew.
    void update(BuiltSceneRef scene);
    // Starts from the beginning.
    void restart();

    // Advances to a time; going back in time is not possible.
    void step(uint32_t ms);
    // A finger at a pixel of the interface. False, and nothing happens, if the panel has no touch.
    bool touch(int x, int y, bool down);
    // The knob, to the right by so many steps. False if the panel has none.
    bool turn(int steps);
    // A key of the panel by its name, or the push of its knob. False if it has none of that name.
    bool key(std::string_view name, bool down);
    // A hardware keyboard: a character, or GORSE_TYPED_.... False if no field is open for it.
    bool type(uint32_t code);
    bool isTyping() const { return gorse_is_typing(&run_) != 0; }
    // Sets a variable from what a user writes, or the clock ("clock", "2026-11-30 14:05:00"); an error if there is none
    // or the value can't be read.
    Result<void> set(const std::string& variable, const std::string& value);
    // A variable's value as the user reads it; "" if there is none.
    std::string get(const std::string& variable) const;
    // True while a sound plays, or will with the next step.
    bool isSounding() const;
    // What it is now, and what it was then: of the same scene only. Hooks are not called again.
    TwinMoment moment() const;
    void become(const TwinMoment& moment);
    void go(int screen);
    int screen() const { return gorse_screen_now(&run_); }
    uint32_t now() const { return now_; }
    // The set of the project's colours that it shows.
    size_t shownSet() const;

    const BuiltScene& scene() const { return *scene_; }
    const PanelMemory& memory() const { return memory_; }
    // What was flushed since the last call.
    std::vector<Flushed> takeFlushed() { return std::exchange(flushed_, {}); }
    std::vector<TraceEntry> takeTrace() { return std::exchange(trace_, {}); }
    // How often each rule has run, beside scene().rules->rules.
    const std::vector<int>& ruleRuns() const { return ruleRuns_; }

    // Called with each hook's number and values.
    std::function<void(int hook, std::vector<gorse_value> values)> onHook;

    gorse* run() { return &run_; }

  private:
    Result<void> setClock(const std::string& value);
    void begin();
    const gorse_scene* runtimeScene() const { return view_ == View::Panel ? &scene_->scene : &scene_->upright; }
    static void flush(void* user, uint16_t x, uint16_t y, uint16_t w, uint16_t h, const uint8_t* bytes, uint32_t count);
    static void hook(void* user, uint16_t hook, const gorse_value* values, uint8_t count);
    static void trace(void* user, uint8_t what, uint16_t a, int32_t b);
    static void read(void* user, uint32_t address, uint8_t* to, uint16_t n);

    BuiltSceneRef scene_;
    View view_;
    long wantedBuffer_;
    uint32_t now_ = 0;
    std::vector<uint32_t> state_, buffer_;
    gorse run_{};
    PanelMemory memory_;
    std::vector<Flushed> flushed_;
    std::vector<TraceEntry> trace_;
    std::vector<int> ruleRuns_;
};

}  // namespace gorsefinch
