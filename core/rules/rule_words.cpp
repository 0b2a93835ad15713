// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/rule_words.h"

#include <algorithm>
#include <array>

#include "core/kinds/property.h"
#include "runtime/gorse_scene.h"

namespace gorsefinch {

namespace {

constexpr auto eventsOfWidgets = std::to_array<EventWord>({{"press", GORSE_EVENT_PRESS, kIsTouched},
                                                           {"release", GORSE_EVENT_RELEASE, kIsTouched},
                                                           {"tap", GORSE_EVENT_TAP, kIsTouched},
                                                           {"hold", GORSE_EVENT_HOLD, kIsTouched},
                                                           {"repeat", GORSE_EVENT_REPEAT, kRepeats},
                                                           {"change", GORSE_EVENT_CHANGE, kChanges},
                                                           {"open", GORSE_EVENT_OPEN, kOpens},
                                                           {"close", GORSE_EVENT_CLOSE, kOpens},
                                                           {"focus", GORSE_EVENT_FOCUS, kIsTouched},
                                                           {"blur", GORSE_EVENT_BLUR, kIsTouched},
                                                           {"scroll", GORSE_EVENT_SCROLL, kScrolls},
                                                           {"cancel", GORSE_EVENT_CANCEL, kIsTyped},
                                                           {"done", GORSE_EVENT_DONE, kPlays | kIsMoved | kIsTyped}});
constexpr auto wordsForSwipes = std::to_array<EventWord>({{"left", GORSE_EVENT_SWIPE_LEFT, kIsTouched},
                                                          {"right", GORSE_EVENT_SWIPE_RIGHT, kIsTouched},
                                                          {"up", GORSE_EVENT_SWIPE_UP, kIsTouched},
                                                          {"down", GORSE_EVENT_SWIPE_DOWN, kIsTouched}});
constexpr auto eventsOfScreens = std::to_array<EventWord>({{"enter", GORSE_EVENT_ENTER}, {"leave", GORSE_EVENT_LEAVE}});
constexpr auto wordsForMissed =
    std::to_array<EventWord>({{"all", GORSE_MISSED_ALL}, {"once", GORSE_MISSED_ONCE}, {"none", GORSE_MISSED_NONE}});
constexpr auto aboutWidgets = std::to_array<std::string_view>(
    {"show", "hide", "toggle", "enable", "disable", "play", "stop", "sample", "animate", "open", "close"});
constexpr auto commands = std::to_array<CommandWord>({
    {"play", GORSE_COMMAND_PLAY, kPlays, " does not play", "Use frames"},
    {"stop", GORSE_COMMAND_STOP, kPlays, " does not play", "Use frames"},
    {"sample", GORSE_COMMAND_SAMPLE, kRecords, " records nothing", "Use a trend"},
    {"open", GORSE_COMMAND_OPEN, kOpens, " does not open", "Use a drawer or a keyboard"},
    {"close", GORSE_COMMAND_CLOSE, kOpens, " does not close", "Use a drawer or a keyboard"},
});
constexpr auto wordsForValues = std::to_array<std::string_view>({"yes", "no", "none"});
constexpr auto wordsForArrays = std::to_array<std::string_view>({"any", "all", "count", "sum", "min", "max"});
constexpr auto otherWords = std::to_array<std::string_view>(
    {"on",   "every", "when",  "otherwise", "while", "missed", "start", "go", "back", "call",   "sound",
     "cut",  "slide", "cover", "uncover",   "fade",  "ease",   "from",  "to", "in",   "repeat", "then",
     "idle", "over",  "swipe", "key",       "knob",  "Hz",     "kHz",   "ms", "s",    "min"});

bool isAmong(std::span<const std::string_view> words, std::string_view word) {
    return std::find(words.begin(), words.end(), word) != words.end();
}

}  // namespace

std::span<const EventWord> widgetEvents() { return eventsOfWidgets; }
std::span<const EventWord> screenEvents() { return eventsOfScreens; }
std::span<const EventWord> swipeWords() { return wordsForSwipes; }
std::span<const EventWord> missedWords() { return wordsForMissed; }

const EventWord* findEvent(std::span<const EventWord> events, std::string_view word) {
    const auto found =
        std::find_if(events.begin(), events.end(), [&](const EventWord& each) { return word == each.word; });
    return found == events.end() ? nullptr : &*found;
}

const CommandWord* findCommand(std::string_view statement) {
    const auto found =
        std::find_if(commands.begin(), commands.end(), [&](const CommandWord& each) { return each.word == statement; });
    return found == commands.end() ? nullptr : &*found;
}
bool isAboutWidget(std::string_view statement) { return isAmong(aboutWidgets, statement); }
std::span<const std::string_view> valueWords() { return wordsForValues; }
bool isValueWord(std::string_view word) { return isAmong(wordsForValues, word); }
std::span<const std::string_view> arrayWords() { return wordsForArrays; }
bool isArrayWord(std::string_view word) { return isAmong(wordsForArrays, word); }

std::vector<std::string> ruleKeywords() {
    std::vector<std::string> out(otherWords.begin(), otherWords.end());
    out.insert(out.end(), aboutWidgets.begin(), aboutWidgets.end());
    out.insert(out.end(), wordsForValues.begin(), wordsForValues.end());
    for (const auto events : {widgetEvents(), screenEvents(), swipeWords(), missedWords().first(2)})
        for (const EventWord& each : events)
            out.emplace_back(each.word);
    return out;
}

}  // namespace gorsefinch
