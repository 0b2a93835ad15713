// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sim/script.h"

#include <charconv>
#include <sstream>

namespace gorsefinch {

namespace {

bool readInt(const std::string& text, int64_t min, int64_t max, int& out) {
    int64_t value = 0;
    const auto [end, error] = std::from_chars(text.data(), text.data() + text.size(), value);
    if (error != std::errc() || end != text.data() + text.size() || value < min || value > max)
        return false;
    out = static_cast<int>(value);
    return true;
}

bool readPointer(std::istringstream& words, ScriptStep& step) {
    std::string x, y;
    return words >> x >> y && readInt(x, -4096, 8192, step.x) && readInt(y, -4096, 8192, step.y);
}

bool readLine(const std::string& verb, std::istringstream& words, ScriptStep& step, std::vector<ScriptStep>& all) {
    if (verb == "wait") {
        std::string ms;
        int value = 0;
        step.what = ScriptStep::What::Wait;
        if (!(words >> ms) || !readInt(ms, 0, 86400000, value))
            return false;
        step.ms = static_cast<uint32_t>(value);
    } else if (verb == "set") {
        step.what = ScriptStep::What::Set;
        if (!(words >> step.name) || !std::getline(words >> std::ws, step.value))
            return false;
    } else if (verb == "type") {
        step.what = ScriptStep::What::Type;
        if (!std::getline(words >> std::ws, step.value))
            return false;
    } else if (verb == "turn") {
        std::string steps;
        step.what = ScriptStep::What::Turn;
        if (!(words >> steps) || !readInt(steps, -100, 100, step.x))
            return false;
    } else if (verb == "key" || verb == "key_down" || verb == "key_up") {
        step.what = verb == "key_up" ? ScriptStep::What::KeyUp : ScriptStep::What::KeyDown;
        if (!(words >> step.name))
            return false;
        if (verb == "key") {
            all.push_back(step);
            step.what = ScriptStep::What::KeyUp;
        }
    } else if (verb == "tap") {
        step.what = ScriptStep::What::Press;
        if (!readPointer(words, step))
            return false;
        all.push_back(step);
        step.what = ScriptStep::What::Release;
    } else {
        step.what = verb == "press"  ? ScriptStep::What::Press
                    : verb == "move" ? ScriptStep::What::Move
                                     : ScriptStep::What::Release;
        if ((verb != "press" && verb != "move" && verb != "release") || !readPointer(words, step))
            return false;
    }
    std::string more;
    if (step.what != ScriptStep::What::Set && step.what != ScriptStep::What::Type && words >> more)
        return false;
    all.push_back(step);
    return true;
}

}  // namespace

Result<std::vector<ScriptStep>> parseScript(const std::string& text, const std::string& file) {
    std::vector<ScriptStep> all;
    std::istringstream lines(text);
    std::string line;
    for (int number = 1; std::getline(lines, line); ++number) {
        if (const size_t comment = line.find('#'); comment != std::string::npos)
            line.resize(comment);
        while (!line.empty() && (line.back() == ' ' || line.back() == '\r' || line.back() == '\t'))
            line.pop_back();
        std::istringstream words(line);
        std::string verb;
        if (!(words >> verb))
            continue;
        ScriptStep step{};
        step.line = number;
        if (!readLine(verb, words, step, all) || all.size() > 10000)
            return failure(file, "line " + std::to_string(number), "this step can't be read: " + line.substr(0, 80),
                           "Steps are wait MS, press X Y, move X Y, release X Y, tap X Y, set VARIABLE VALUE, "
                           "turn STEPS, key NAME, key_down NAME, key_up NAME, type TEXT");
    }
    return all;
}

namespace {

// Does the step, of those that set no variable. Returns what the panel lacks for it, else null.
const char* operate(Twin& twin, const ScriptStep& step) {
    using What = ScriptStep::What;
    switch (step.what) {
        case What::Type:
            if (!twin.isTyping())
                return "no field is open for what is typed";
            for (const uint32_t code : typedCodes(step.value))
                twin.type(code);
            return nullptr;
        case What::Turn: return twin.turn(step.x) ? nullptr : "the panel has no knob";
        case What::KeyDown:
        case What::KeyUp:
            return twin.key(step.name, step.what == What::KeyDown) ? nullptr : "the panel has no such key";
        case What::Press:
        case What::Move:
        case What::Release:
            return twin.touch(step.x, step.y, step.what != What::Release) ? nullptr : "the panel has no touch";
        default: return nullptr;
    }
}

}  // namespace

uint32_t stepDuration(const ScriptStep& step) { return step.what == ScriptStep::What::Wait ? step.ms : 10; }

Result<void> runScript(Twin& twin, const std::vector<ScriptStep>& steps, const std::string& file,
                       const std::function<void(int step)>& after) {
    uint32_t now = twin.now();
    twin.step(now);
    after(0);
    int number = 0;
    for (const ScriptStep& step : steps) {
        if (step.what == ScriptStep::What::Set) {
            if (auto set = twin.set(step.name, step.value); !set) {
                Error error = set.error();
                error.place = "line " + std::to_string(step.line) + ": " + error.place;
                error.file = file;
                return tl::unexpected(error);
            }
        } else if (const char* missing = operate(twin, step)) {
            return failure(file, "line " + std::to_string(step.line), missing,
                           step.what == ScriptStep::What::Type
                               ? "Tap a field before it"
                               : "Take the step out, or change what the panel has at the station Panel");
        }
        now += stepDuration(step);
        twin.step(now);
        after(++number);
    }
    return {};
}

}  // namespace gorsefinch
