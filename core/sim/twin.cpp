// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sim/twin.h"

#include <algorithm>
#include <cassert>
#include <cstring>
#include <utility>

#include "core/document/panel_keys.h"
#include "core/rules/clock_fields.h"
#include "core/sim/carry_over.h"
#include "core/sim/date_text.h"
#include "core/sim/scene_port.h"
#include "runtime/gorse_internal.h"
#include "runtime/gorse_typing.h"

namespace gorsefinch {

Twin::Twin(BuiltSceneRef scene, View view, long bufferBytes)
    : scene_(std::move(scene)), view_(view), wantedBuffer_(bufferBytes) {
    begin();
}

void Twin::begin() {
    const gorse_scene* scene = runtimeScene();
    state_.assign(gorse_state_bytes(scene) / 4, 0);
    const long bytes = std::max(wantedBuffer_ != 0 ? wantedBuffer_ : scene_->bufferBytes(), 16L);
    buffer_.assign(static_cast<size_t>(bytes + 3) / 4, 0);
    memory_ = memoryFor(*scene->panel, scene_->document.panel->format);
    ruleRuns_.assign(scene->rule_count, 0);
    const gorse_port port{flush, hook, nullptr, trace, read, this};
    if (gorse_begin(&run_, scene, &port, state_.data(), static_cast<uint32_t>(state_.size() * 4), buffer_.data(),
                    static_cast<uint32_t>(bytes)) != GORSE_RESULT_OK) {
        // A buffer that holds less than a line can't draw; a line is always possible here.
        buffer_.assign(static_cast<size_t>(scene_->document.panel->width) * 3, 0);
        gorse_begin(&run_, scene, &port, state_.data(), static_cast<uint32_t>(state_.size() * 4), buffer_.data(),
                    static_cast<uint32_t>(buffer_.size() * 4));
    }
}

void Twin::restart() { begin(); }

void Twin::update(BuiltSceneRef scene) {
    const BuiltSceneRef before = std::move(scene_);
    const std::vector<uint32_t> oldState = std::move(state_);
    const std::vector<int> oldRuns = std::move(ruleRuns_);
    gorse old = run_;
    scene_ = std::move(scene);
    begin();
    old.state = reinterpret_cast<uint8_t*>(const_cast<uint32_t*>(oldState.data()));
    const std::vector<int> sameRules = carryOver(*before, old, *scene_, run_);
    for (size_t i = 0; i < sameRules.size(); ++i)
        if (sameRules[i] >= 0)
            ruleRuns_[i] = oldRuns[static_cast<size_t>(sameRules[i])];
    if (gorse_head_of(&run_)->started != 0)
        gorse_paint(&run_);
}

void Twin::step(uint32_t ms) {
    now_ = ms;
    gorse_step(&run_, ms);
}

bool Twin::touch(int x, int y, bool down) {
    if (!scene_->document.panel->touch)
        return false;
    gorse_touch(&run_, static_cast<int16_t>(std::clamp(x, -30000, 30000)),
                static_cast<int16_t>(std::clamp(y, -30000, 30000)), down ? 1 : 0);
    return true;
}

bool Twin::turn(int steps) {
    if (!scene_->document.panel->knob)
        return false;
    gorse_knob(&run_, static_cast<int8_t>(std::clamp(steps, -100, 100)));
    return true;
}

bool Twin::key(std::string_view name, bool down) {
    const auto number = keyNumber(*scene_->document.panel, name);
    if (number)
        gorse_key(&run_, static_cast<uint8_t>(*number), down ? 1 : 0);
    return number.has_value();
}

bool Twin::type(uint32_t code) {
    if (!isTyping())
        return false;
    gorse_type(&run_, code);
    return true;
}

Result<void> Twin::setClock(const std::string& value) {
    const auto date = dateFromText(value);
    const auto byte = [](int number) { return static_cast<uint8_t>(number); };
    if (!date || gorse_set_clock(&run_, static_cast<uint16_t>(date->year), byte(date->month), byte(date->day),
                                 byte(date->hour), byte(date->minute), byte(date->second)) != GORSE_RESULT_OK)
        return failure("", kClockName, "\"" + value + "\" is no date and time from 2000 to 2099",
                       "Write one such as 2026-11-30 14:05:00");
    return {};
}

Result<void> Twin::set(const std::string& name, const std::string& value) {
    if (name == kClockName && scene_->document.clock)
        return setClock(value);
    const ProjectNames names(scene_->document);
    const ElementName wanted = elementName(name);
    const auto found = names.variable(wanted.name);
    if (!found)
        return failure("", name, "there is no such variable", "See the station Variables for the names");
    const Variable& variable = *found->variable;
    if (variable.isText()) {
        gorse_set_text(&run_, static_cast<uint16_t>(found->number), value.c_str());
        return {};
    }
    const auto settings = settingsFromWords(variable, wanted.element, value);
    if (!settings)
        return tl::unexpected(settings.error());
    gorse_hear(&run_, static_cast<uint16_t>(found->number));
    for (const ElementSetting& each : *settings)
        gorse_set_element(&run_, static_cast<uint16_t>(found->number), static_cast<uint16_t>(variable.count),
                          static_cast<uint32_t>(each.element), each.value);
    return {};
}

std::string Twin::get(const std::string& name) const {
    const ProjectNames names(scene_->document);
    const ElementName wanted = elementName(name);
    const auto found = names.variable(wanted.name);
    if (!found || wanted.element.value_or(0) >= found->variable->count)
        return {};
    if (found->variable->isText())
        return gorse_text_value(&run_, static_cast<uint16_t>(found->number));
    std::string out;
    const int from = wanted.element.value_or(0), end = wanted.element ? from + 1 : found->variable->count;
    for (int i = from; i < end; ++i)
        out += (i == from ? "" : ", ") +
               valueInWords(*found->variable, gorse_number(&run_, static_cast<uint16_t>(found->number + i)));
    return out;
}

bool Twin::isSounding() const {
    if (!scene_->outputs.tones)
        return false;
    const auto* sound = reinterpret_cast<const gorse_sound*>(gorse_behind_head(&run_, scene_->outputs.sound_at));
    return sound->playing != 0 || sound->asked != 0;
}

TwinMoment Twin::moment() const {
    TwinMoment out{now_, gorse_head_of(&run_)->clock, gorse_head_of(&run_)->now, {}};
    auto state = std::make_shared<std::vector<uint32_t>>(state_);
    auto* head = reinterpret_cast<gorse_head*>(state->data());
    head->clock = head->now = 0;
    out.state = std::move(state);
    return out;
}

void Twin::become(const TwinMoment& moment) {
    assert(moment.state && moment.state->size() == state_.size());
    std::copy(moment.state->begin(), moment.state->end(), state_.begin());
    now_ = moment.ms;
    if (const gorse_themes* themes = run_.scene->themes)
        run_.scene = themes->each[gorse_numbers(&run_)[themes->number]];
    gorse_head_of(&run_)->clock = moment.clock;
    gorse_head_of(&run_)->now = moment.now;
    if (gorse_head_of(&run_)->started == 0)
        return;
    gorse_redraw(&run_);
    gorse_paint(&run_);
}

size_t Twin::shownSet() const { return gorsefinch::shownSet(*scene_, run_); }

void Twin::go(int screen) { gorse_go(&run_, static_cast<uint16_t>(screen)); }

void Twin::flush(void* user, uint16_t x, uint16_t y, uint16_t w, uint16_t h, const uint8_t* bytes, uint32_t) {
    auto* twin = static_cast<Twin*>(user);
    twin->memory_.take(x, y, w, h, bytes);
    if (twin->flushed_.size() < 100000)
        twin->flushed_.push_back({x, y, w, h});
}

void Twin::read(void* user, uint32_t address, uint8_t* to, uint16_t n) {
    readOutside(*static_cast<Twin*>(user)->scene_, address, to, n);
}

void Twin::hook(void* user, uint16_t hook, const gorse_value* values, uint8_t count) {
    auto* twin = static_cast<Twin*>(user);
    if (twin->onHook)
        twin->onHook(hook, {values, values + count});
}

void Twin::trace(void* user, uint8_t what, uint16_t a, int32_t b) {
    auto* twin = static_cast<Twin*>(user);
    if (what == GORSE_TRACE_RULE && a < twin->ruleRuns_.size())
        ++twin->ruleRuns_[a];
    if (twin->trace_.size() < 100000)
        twin->trace_.push_back({twin->now_, what, a, b});
}

}  // namespace gorsefinch
