// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/rule_header.h"

#include "core/document/panel_keys.h"
#include "core/rules/rule_words.h"

namespace gorsefinch {

namespace {

const Token& at(const std::vector<Token>& tokens, size_t i) { return RuleFileContext::at(tokens, i); }

}  // namespace

std::optional<Compiled> HeaderCompiler::compile(const std::vector<Token>& tokens, gorse_rule& rule) {
    if (tokens[0].is("on"))
        return event(tokens, rule);
    if (tokens[0].is("every"))
        return every(tokens, rule);
    if (tokens[0].is("when"))
        return when(tokens, rule);
    report(Severity::Error, tokens[0], "a rule begins with on, every or when",
           "Indent the line if it belongs to the rule above");
    return std::nullopt;
}

std::optional<Compiled> HeaderCompiler::whileCondition(const std::vector<Token>& tokens, size_t i) {
    if (at(tokens, i).type == TokenType::End)
        return std::nullopt;
    if (!at(tokens, i).is("while")) {
        report(Severity::Error, at(tokens, i), "this does not belong here", "Write while and a condition, or nothing");
        return std::nullopt;
    }
    return condition(tokens, i + 1);
}

std::optional<Compiled> HeaderCompiler::condition(const std::vector<Token>& tokens, size_t i) {
    auto value = file_.expression(tokens, i);
    if (!value)
        return std::nullopt;
    if (value->type != ValueType::YesNo)
        report(Severity::Error, value->from, "a condition is yes or no", "Compare it with something");
    file_.expectEnd(tokens, i);
    return value;
}

std::optional<Compiled> HeaderCompiler::event(const std::vector<Token>& tokens, gorse_rule& rule) {
    if (at(tokens, 2).type == TokenType::End || !at(tokens, 2).is(".")) {
        if (at(tokens, 1).is("key"))
            return keyEvent(tokens, rule);
        if (at(tokens, 1).is("knob"))
            return knobEvent(tokens, rule);
        if (at(tokens, 1).is("idle"))
            return idleEvent(tokens, rule);
    }
    std::vector<const Token*> parts;
    size_t i = 1;
    while (at(tokens, i).type == TokenType::Name) {
        parts.push_back(&at(tokens, i++));
        if (!at(tokens, i).is("."))
            break;
        ++i;
    }
    if (parts.size() == 1 && parts[0]->text == "start") {
        rule.event = GORSE_EVENT_START;
        return whileCondition(tokens, i);
    }
    if (parts.size() < 2 || parts.size() > 3) {
        report(Severity::Error, at(tokens, 1), "an event belongs here",
               "Write start, widget.tap, widget.press, widget.release, widget.done or screen.enter");
        return std::nullopt;
    }
    const EventWord* swipe = nullptr;
    if (parts.back()->text == kSwipe) {
        swipe = findEvent(swipeWords(), at(tokens, i).text);
        if (!swipe) {
            report(Severity::Error, at(tokens, i), "the way of the swipe belongs here",
                   "Write left, right, up or down");
            return std::nullopt;
        }
        ++i;
    }
    if (parts.size() == 3 || !screenEvent(parts, swipe, rule))
        widgetEvent(parts, swipe, rule);
    return whileCondition(tokens, i);
}

// on key NAME
std::optional<Compiled> HeaderCompiler::keyEvent(const std::vector<Token>& tokens, gorse_rule& rule) {
    const Panel& panel = *pool_.names().document().panel;
    const auto number = keyNumber(panel, at(tokens, 2).text);
    if (!number) {
        std::string known;
        for (const std::string& each : keysOf(panel))
            known += (known.empty() ? "" : ", ") + each;
        report(Severity::Error, at(tokens, 2), "the panel has no such key",
               known.empty() ? "Give it keys at the station Panel" : "Write one of " + known);
        return std::nullopt;
    }
    rule.event = GORSE_EVENT_KEY;
    rule.widget = static_cast<uint16_t>(*number);
    return whileCondition(tokens, 3);
}

// on knob, on knob left, on knob right
std::optional<Compiled> HeaderCompiler::knobEvent(const std::vector<Token>& tokens, gorse_rule& rule) {
    if (!pool_.names().document().panel->knob) {
        report(Severity::Error, at(tokens, 1), "the panel has no knob", "Give it one at the station Panel");
        return std::nullopt;
    }
    rule.event = GORSE_EVENT_KNOB;
    const bool left = at(tokens, 2).is("left"), right = at(tokens, 2).is("right");
    if (left || right)
        rule.widget = right ? 1 : 0;
    return whileCondition(tokens, left || right ? 3 : 2);
}

// on idle 60 s
std::optional<Compiled> HeaderCompiler::idleEvent(const std::vector<Token>& tokens, gorse_rule& rule) {
    rule.event = GORSE_EVENT_IDLE;
    size_t i = 2;
    return takePeriod(tokens, i, rule) ? whileCondition(tokens, i) : std::nullopt;
}

// A swipe is an event of screens and of widgets.
bool HeaderCompiler::screenEvent(const std::vector<const Token*>& parts, const EventWord* swipe, gorse_rule& rule) {
    const EventWord* word = swipe ? swipe : findEvent(screenEvents(), parts[1]->text);
    if (!word || (swipe && pool_.names().screen(parts[0]->text) < 0))
        return false;
    const int screen = pool_.names().screen(parts[0]->text);
    if (screen < 0)
        report(Severity::Error, *parts[0], "there is no screen \"" + parts[0]->text + "\"", kFindScreen);
    rule.event = static_cast<uint8_t>(word->event);
    rule.screen = static_cast<uint16_t>(screen);
    return true;
}

void HeaderCompiler::widgetEvent(const std::vector<const Token*>& parts, const EventWord* swipe, gorse_rule& rule) {
    const bool full = parts.size() == 3;
    const Token& widget = *parts[full ? 1 : 0];
    const auto found = pool_.names().widget(full ? parts[0]->text : "", widget.text);
    const EventWord* word = swipe ? swipe : findEvent(widgetEvents(), parts.back()->text);
    if (!word)
        report(Severity::Error, *parts.back(), "there is no event \"" + parts.back()->text + "\"",
               "Controls have tap, press, release, hold, change and more, frames done; screens enter, leave and "
               "swipe");
    if (!found)
        report(Severity::Error, widget, "there is no widget \"" + widget.text + "\"", kFindWidget);
    else if (found->screen < 0)
        report(Severity::Error, widget, "several screens have a widget \"" + widget.text + "\"",
               "Write screen.widget." + parts.back()->text);
    else if (word && !info(found->kind).has(word->needs))
        wrongKind(widget, info(found->kind), *word);
    if (!word || !found)
        return;
    rule.event = static_cast<uint8_t>(word->event);
    rule.screen = static_cast<uint16_t>(found->screen);
    rule.widget = static_cast<uint16_t>(found->widget);
}

void HeaderCompiler::wrongKind(const Token& widget, const KindInfo& kind, const EventWord& word) {
    const std::string of = std::string("a ") + kind.key;
    if (word.event == GORSE_EVENT_DONE)
        report(Severity::Error, widget, of + " never comes to an end", "Use frames");
    else if (word.event == GORSE_EVENT_CHANGE || word.event == GORSE_EVENT_REPEAT)
        report(Severity::Error, widget, of + " has no event " + word.word, "Use a control that has it");
    else
        report(Severity::Error, widget, of + " takes no touch", "Use a button");
}

// A duration: a number and ms, s or min.
std::optional<uint32_t> HeaderCompiler::duration(const std::vector<Token>& tokens, size_t& i) {
    const Token& number = at(tokens, i);
    const Token& unit = at(tokens, i + 1);
    const double factor = unit.is("ms") ? 1 : unit.is("s") ? 1000 : unit.is("min") ? 60000 : 0;
    if (number.type != TokenType::Number || factor == 0) {
        report(Severity::Error, number.type == TokenType::Number ? unit : number, "a time belongs here",
               "Write one such as 250 ms, 1 s or 5 min");
        return std::nullopt;
    }
    i += 2;
    double ms = static_cast<double>(number.number) * factor;
    for (int d = 0; d < number.decimals; ++d)
        ms /= 10;
    if (ms < 1 || ms > 2000000000.0) {
        report(Severity::Error, number, "a time goes from 1 ms to 23 days", "Count several of them with a variable");
        return std::nullopt;
    }
    return static_cast<uint32_t>(ms);
}

bool HeaderCompiler::takePeriod(const std::vector<Token>& tokens, size_t& i, gorse_rule& rule) {
    const auto period = duration(tokens, i);
    rule.period = period.value_or(0);
    return period.has_value();
}

std::optional<Compiled> HeaderCompiler::every(const std::vector<Token>& tokens, gorse_rule& rule) {
    rule.event = GORSE_EVENT_EVERY;
    size_t i = 1;
    if (!takePeriod(tokens, i, rule))
        return std::nullopt;
    if (at(tokens, i).is(","))
        missed(tokens, i, rule);
    return whileCondition(tokens, i);
}

// `, missed once`
void HeaderCompiler::missed(const std::vector<Token>& tokens, size_t& i, gorse_rule& rule) {
    const EventWord* word = at(tokens, i + 1).is("missed") ? findEvent(missedWords(), at(tokens, i + 2).text) : nullptr;
    if (!word) {
        report(Severity::Error, at(tokens, i + 1), "this does not belong here",
               "Write missed all, missed once or missed none");
        return;
    }
    rule.missed = static_cast<uint8_t>(word->event);
    i += 3;
}

std::optional<Compiled> HeaderCompiler::when(const std::vector<Token>& tokens, gorse_rule& rule) {
    rule.event = GORSE_EVENT_WHEN;
    return condition(tokens, 1);
}

}  // namespace gorsefinch
