// SPDX-License-Identifier: GPL-3.0-or-later
// sound 2000 Hz, 120 ms, 0 Hz, 60 ms, 1.5 kHz, 120 ms
#include <algorithm>

#include "core/document/panel_outputs.h"
#include "core/rules/measure.h"
#include "core/rules/statement_compiler.h"

namespace gorsefinch {

namespace {

constexpr size_t kMaxTones = 64;  // of one sound
constexpr size_t kMaxAllTones = 4000;
constexpr int kLowest = 20, kHighest = 20000;  // Hz
constexpr int kLongest = 60000;                // ms

constexpr const char* kHowToSound = "Write a tone such as sound 2000 Hz, 120 ms, or several, with 0 Hz for silence";

constexpr Unit unitsOfPitch[] = {{"Hz", 1}, {"kHz", 1000}};

// Where the tones lie among those of all sounds: equal ones lie there once.
size_t placed(std::vector<gorse_tone>& all, const std::vector<gorse_tone>& tones) {
    const auto same = [](const gorse_tone& a, const gorse_tone& b) { return a.hertz == b.hertz && a.ms == b.ms; };
    const auto found = std::search(all.begin(), all.end(), tones.begin(), tones.end(), same);
    const auto at = static_cast<size_t>(found - all.begin());
    if (found == all.end())
        all.insert(all.end(), tones.begin(), tones.end());
    return at;
}

}  // namespace

std::optional<gorse_tone> StatementCompiler::tone(const std::vector<Token>& tokens, size_t& i) {
    const auto hertz = measure(at(tokens, i), at(tokens, i + 1), unitsOfPitch);
    if (!hertz || (*hertz != 0 && (*hertz < kLowest || *hertz > kHighest))) {
        report(Severity::Error, at(tokens, i), "a tone of 20 Hz to 20 kHz belongs here", kHowToSound);
        return std::nullopt;
    }
    if (!at(tokens, i + 2).is(",")) {
        report(Severity::Error, at(tokens, i + 2), "a , and a time belong here", kHowToSound);
        return std::nullopt;
    }
    const auto ms = measure(at(tokens, i + 3), at(tokens, i + 4), unitsOfTime);
    if (!ms || *ms < 1 || *ms > kLongest) {
        report(Severity::Error, at(tokens, i + 3), "a time of 1 ms to 60 s belongs here", kHowToSound);
        return std::nullopt;
    }
    i += 5;
    return gorse_tone{static_cast<uint16_t>(*hertz), static_cast<uint16_t>(*ms)};
}

void StatementCompiler::sound(const std::vector<Token>& tokens, Compiled& body) {
    if (!pool_.names().document().panel->sound) {
        report(Severity::Error, tokens[0], "the panel has no sound", "Give it one at the station Panel");
        return;
    }
    std::vector<gorse_tone> tones;
    size_t i = 1;
    do {
        const auto next = tone(tokens, i);
        if (!next)
            return;
        tones.push_back(*next);
    } while (at(tokens, i).is(",") && ++i != 0);
    expectEnd(tokens, i);
    std::vector<gorse_tone>& all = pool_.out().tones;
    if (tones.size() > kMaxTones || all.size() + tones.size() >= kMaxAllTones) {
        report(
            Severity::Error, tokens[0],
            "a sound has at most " + std::to_string(kMaxTones) + " tones, all together " + std::to_string(kMaxAllTones),
            "Make it shorter, or let a hook play it");
        return;
    }
    tones.push_back({0, 0});
    (void)file_.hook({std::string(kSoundHook), {ValueType::Number, ValueType::Number}, {0, 0}}, tokens[0]);
    body.operation(GORSE_OP_COMMAND);
    body.word(GORSE_NONE);
    body.word(static_cast<int>(placed(all, tones)));
    body.byte(GORSE_COMMAND_SOUND);
}

}  // namespace gorsefinch
