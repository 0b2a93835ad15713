// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sim/draw_screen.h"

#include <algorithm>
#include <cassert>
#include <cstring>
#include <deque>
#include <map>

#include "core/sim/carry_over.h"
#include "core/sim/scene_port.h"
#include "core/sim/shown_screen.h"
#include "runtime/gorse_internal.h"
#include "runtime/gorse_typing.h"

namespace gorsefinch {

namespace {

// ms after the last news of any variable.
constexpr uint32_t kLongAgo = 0x40000000;

struct Drawing {
    PanelMemory& memory;
    const BuiltScene& scene;
};

void drawFlush(void* user, uint16_t x, uint16_t y, uint16_t w, uint16_t h, const uint8_t* bytes, uint32_t) {
    static_cast<Drawing*>(user)->memory.take(x, y, w, h, bytes);
}

void drawRead(void* user, uint32_t address, uint8_t* to, uint16_t n) {
    readOutside(static_cast<Drawing*>(user)->scene, address, to, n);
}

// Sets what a widget's kind has a slot for.
void setSlot(gorse& run, const BuiltScene& scene, int screen, size_t widget, std::string_view key, int value) {
    const ScreenPart& part = *scene.parts[static_cast<size_t>(screen)];
    for (size_t i = 0; i < part.slotInfos.size(); ++i)
        if (part.slotInfos[i].widget == static_cast<int>(widget) && key == part.slotInfos[i].property->key)
            gorse_set_slot(&run, static_cast<uint16_t>(scene.screens[static_cast<size_t>(screen)].first_slot + i),
                           static_cast<uint16_t>(screen), value);
}

void applyPanes(gorse& run, const BuiltScene& scene, int screen, const ShownPanes& panes) {
    const ScreenPart& part = *scene.parts[static_cast<size_t>(screen)];
    const auto& widgets = part.source->widgets;
    for (size_t i = 0; i < widgets.size(); ++i) {
        const Widget& widget = *widgets[i];
        const gorse_widget& record = part.records[i].widget;
        if (widget.kind == Kind::Drawer && panes.open.count(widget.name) != 0) {
            setSlot(run, scene, screen, i, "x", widget.x);
            setSlot(run, scene, screen, i, "y", widget.y);
            setSlot(run, scene, screen, i, "clip", GORSE_CLIP_BOX);
        } else if (widget.kind == Kind::Keyboard && panes.open.count(widget.name) != 0) {
            gorse_typing& typing = *gorse_typing_of(&run);
            typing.begun = typing.up = 1;
            typing.screen = static_cast<uint16_t>(screen);
            typing.keyboard = static_cast<uint16_t>(i);
        } else if (widget.kind == Kind::Drawer) {
            setSlot(run, scene, screen, i, "clip", GORSE_CLIP_ALL);
            auto* state = reinterpret_cast<uint8_t*>(gorse_widget_state(&run, &record));
            state[offsetof(gorse_drawer_state, shade)] = 0;
        } else if (widget.kind == Kind::Pager) {
            const Offset pan = panOfPages(widgets, i, panes);
            setSlot(run, scene, screen, i, "pan_x", pan.x);
            setSlot(run, scene, screen, i, "pan_y", pan.y);
            const bool down = (part.records[i].group.scroll & GORSE_SCROLL_DOWN) != 0;
            const auto page = static_cast<uint16_t>((down ? pan.y : pan.x) / std::max(down ? widget.h : widget.w, 1));
            std::memcpy(gorse_widget_state(&run, &record) + offsetof(gorse_pager_state, page), &page, sizeof page);
        }
    }
}

// A scene of which a screen shows or hides some widgets. What it does not copy it shares.
class ChangedScene {
  public:
    ChangedScene(const BuiltScene& scene, size_t set, int screen, const ShownStates& states)
        : scene_(scene.uprightIn(set)) {
        if (states.hidden.empty() && states.shown.empty() && !states.withoutTexts)
            return;
        const auto number = static_cast<size_t>(screen);
        const Screen& source = *scene.parts[number]->source;
        const ScreenTables& tables = *scene.tablesIn(set)[number];
        widgets_ = tables.widgets;
        if (states.withoutTexts)
            takeTexts(source, tables);
        for (const auto& [names, visible] : {std::pair(&states.hidden, 0), std::pair(&states.shown, 1)})
            for (const std::string& each : *names)
                for (size_t at = 0; at < source.widgets.size(); ++at)
                    if (isNamed(source, *source.widgets[at], each))
                        show(tables, at, visible);
        screens_ = scene.screensIn(set);
        screens_[number].widgets = widgets_.data();
        scene_.screens = screens_.data();
    }

    const gorse_scene& get() const { return scene_; }
    // Where rules can change it the state says it.
    void apply(gorse& run, const BuiltScene& scene, int screen) const {
        for (const auto& [widget, visible] : changed_)
            setSlot(run, scene, screen, widget, "visible", visible);
    }

  private:
    // All of a series are shown as the user's one.
    static bool isNamed(const Screen& screen, const Widget& widget, const std::string& name) {
        return widget.name == name ||
               (widget.copyOf && widget.copyOf->screen == screen.name && widget.copyOf->widget == name);
    }

    void show(const ScreenTables& tables, size_t at, int visible) {
        gorse_record& record = records_.emplace_back(tables.records[at]);
        record.widget.visible = static_cast<uint8_t>(visible);
        widgets_[at] = &record.widget;
        changed_.emplace_back(at, visible);
    }

    // Gives what writes a look that writes nothing.
    void takeTexts(const Screen& source, const ScreenTables& tables) {
        std::map<const gorse_look*, const gorse_look*> mute;
        for (size_t i = 0; i < tables.records.size(); ++i) {
            gorse_record& record = records_.emplace_back(tables.records[i]);
            const Kind kind = source.widgets[i]->kind;
            if (!info(kind).has(kHasText) && kind != Kind::Readout)
                continue;
            const gorse_look*& look = mute[record.widget.look];
            if (!look) {
                gorse_look& made = looks_.emplace_back(*record.widget.look);
                made.text = 0;
                made.font = nullptr;
                look = &made;
            }
            record.widget.look = look;
            widgets_[i] = &record.widget;
        }
    }

    gorse_scene scene_;
    std::deque<gorse_look> looks_;
    std::vector<gorse_screen> screens_;
    std::deque<gorse_record> records_;
    std::vector<const gorse_widget*> widgets_;
    std::vector<std::pair<size_t, int>> changed_;
};

// The set of colours that the twin shows; the first if it has others than the scene.
size_t setOf(const BuiltScene& scene, const Twin* values) {
    const bool same = values && values->scene().document.named->sets == scene.document.named->sets;
    return same ? values->shownSet() : 0;
}

void turnOn(gorse& run, const ScreenPart& part, size_t widget, uint8_t states) {
    const auto onValue = info(part.source->widgets[widget]->kind).onValue;
    const OnValue on = onValue && (states & GORSE_STATE_ON) != 0 ? onValue(part.records[widget]) : OnValue();
    if (on.variable != GORSE_NONE)
        gorse_set_number(&run, on.variable, on.value);
}

}  // namespace

void withShownScreen(const BuiltScene& scene, int screen, const Twin* values, const ShownStates& states,
                     const ShownPanes* panes, const std::function<void(gorse& run, PanelMemory& memory)>& look) {
    assert(screen >= 0 && static_cast<size_t>(screen) < scene.screens.size());
    PanelMemory memory = memoryFor(scene.uprightPanel, scene.document.panel->format);
    const size_t set = states.set.value_or(setOf(scene, values));
    const ChangedScene changed(scene, set, screen, states);
    std::vector<uint32_t> state(gorse_state_bytes(&changed.get()) / 4);
    std::vector<uint32_t> buffer(memory.bytes().size() / 4 + 8);
    Drawing drawing{memory, scene};
    const gorse_port port{drawFlush, nullptr, nullptr, nullptr, drawRead, &drawing};
    gorse run{};
    if (gorse_begin(&run, &changed.get(), &port, state.data(), static_cast<uint32_t>(state.size() * 4), buffer.data(),
                    static_cast<uint32_t>(buffer.size() * 4)) != GORSE_RESULT_OK) {
        look(run, memory);
        return;
    }
    if (values && values->scene().scene.number_count == scene.scene.number_count &&
        values->scene().scene.text_count == scene.scene.text_count) {
        const gorse* from = const_cast<Twin*>(values)->run();
        for (uint16_t i = 0; i < scene.scene.number_count; ++i)
            gorse_set_number(&run, i, gorse_number(from, i));
        for (uint16_t i = 0; i < scene.scene.text_count; ++i)
            gorse_set_text(&run, i, gorse_text_value(from, i));
        carryRecordings(values->scene(), *from, scene, run);
    }
    if (scene.scene.themes)
        gorse_numbers(&run)[scene.themes.number] = static_cast<int32_t>(set);
    const ScreenPart& part = *scene.parts[static_cast<size_t>(screen)];
    const int widget = states.bits != 0 ? widgetIndex(*part.source, states.widget) : -1;
    if (widget >= 0)
        turnOn(run, part, static_cast<size_t>(widget), states.bits);
    gorse_head_of(&run)->now = states.stale ? kLongAgo : 0;
    gorse_head_of(&run)->screen = static_cast<uint16_t>(screen);
    gorse_show_screen(&run);
    changed.apply(run, scene, screen);
    if (panes)
        applyPanes(run, scene, screen, *panes);
    if (widget >= 0 && (states.bits & GORSE_STATE_PRESSED) != 0) {
        gorse_head_of(&run)->pressed = static_cast<uint16_t>(widget);
        gorse_head_of(&run)->inside = 1;
    }
    gorse_head_of(&run)->started = 1;
    look(run, memory);
}

PanelMemory drawScreen(const BuiltScene& scene, int screen, const Twin* values, const ShownStates& states,
                       const ShownPanes* panes) {
    PanelMemory out = memoryFor(scene.uprightPanel, scene.document.panel->format);
    withShownScreen(scene, screen, values, states, panes, [&](gorse& run, PanelMemory& memory) {
        if (run.scene)
            gorse_paint(&run);
        out = std::move(memory);
    });
    return out;
}

}  // namespace gorsefinch
