// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <span>
#include <string>
#include <string_view>
#include <vector>

// The words of the rules language that occur where names could.
namespace gorsefinch {

// What can happen to a thing, and its number in the runtime (GORSE_EVENT_...).
struct EventWord {
    const char* word;
    int event;
    unsigned needs = 0;  // traits that a widget's kind needs at least one of
};

std::span<const EventWord> widgetEvents();
std::span<const EventWord> screenEvents();
// What follows `swipe`: left, right, up, down.
std::span<const EventWord> swipeWords();
// What follows a screen that is opened over another.
inline constexpr std::string_view kOver = "over";
// What an event of several words begins with.
inline constexpr std::string_view kSwipe = "swipe";
// Null if it is no event of these.
const EventWord* findEvent(std::span<const EventWord> events, std::string_view word);

// What becomes of the runs of `every` that a long step left out (`missed all`), and the runtime's number of it.
std::span<const EventWord> missedWords();

// True for the statements that are followed by a widget: show, hide, toggle, enable, disable, play, stop, sample,
// animate, open, close.
bool isAboutWidget(std::string_view statement);

// A statement that tells a widget to do something.
struct CommandWord {
    std::string_view word;
    uint8_t command;               // GORSE_COMMAND_...
    unsigned needs;                // the trait of the kinds that do it
    const char *refusal, *remedy;  // for other kinds: what they don't do, and what does
};
// Null if it is none.
const CommandWord* findCommand(std::string_view statement);

// The words that are values: yes, no, none.
std::span<const std::string_view> valueWords();
bool isValueWord(std::string_view word);

// The words that make one value of an array's elements when its name follows: any, all, count, sum, min, max.
std::span<const std::string_view> arrayWords();
bool isArrayWord(std::string_view word);

// The words that can begin a statement or an event, for completion and colouring.
std::vector<std::string> ruleKeywords();

}  // namespace gorsefinch
