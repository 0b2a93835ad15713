// SPDX-License-Identifier: GPL-3.0-or-later
// go status, slide left 250 ms, ease out
// open alarm over
#include <algorithm>

#include "core/rules/statement_compiler.h"
#include "core/rules/transition_words.h"

namespace gorsefinch {

namespace {

constexpr size_t kMaxTransitions = 200;

}  // namespace

void StatementCompiler::go(const std::vector<Token>& tokens, Compiled& body) {
    const int screen = screenOf(at(tokens, 1));
    transition(tokens, 2, body);
    body.operation(GORSE_OP_GO);
    body.word(screen);
    if (screen >= 0) {
        file_.addLead(screen);
        pool_.out().gone.insert(screen);
    }
}

// The number of a screen; -1 after reporting that there is none.
int StatementCompiler::screenOf(const Token& name) {
    const int screen = pool_.names().screen(name.text);
    if (screen >= 0 && pool_.names().document().screens[static_cast<size_t>(screen)]->assembly) {
        report(Severity::Error, name, name.text + " is an assembly, which is shown on screens only", kFindScreen);
        return -1;
    }
    if (name.type == TokenType::Name && screen >= 0)
        return screen;
    report(Severity::Error, name,
           name.type == TokenType::Name ? "there is no screen \"" + name.text + "\"" : "a screen belongs here",
           kFindScreen);
    return -1;
}

void StatementCompiler::openOver(const std::vector<Token>& tokens, Compiled& body) {
    const int screen = screenOf(at(tokens, 1));
    expectEnd(tokens, 3);
    body.operation(GORSE_OP_COMMAND);
    body.word(GORSE_NONE);
    body.word(screen);
    body.byte(GORSE_COMMAND_OVER);
    body.operation(GORSE_OP_GO);
    body.word(screen);
    if (screen >= 0) {
        file_.addLead(screen);
        pool_.out().opened.insert(screen);
    }
}

// What is written behind a change of screens, for that one.
void StatementCompiler::transition(const std::vector<Token>& tokens, size_t i, Compiled& body) {
    if (!at(tokens, i).is(",")) {
        expectEnd(tokens, i);
        return;
    }
    const auto wanted =
        readTransition(tokens, ++i, [&](const Token& where, const std::string& reason, const std::string& remedy) {
            report(Severity::Error, where, reason, remedy);
        });
    if (!wanted)
        return;
    expectEnd(tokens, i);
    std::vector<gorse_transition>& all = pool_.out().transitions;
    const auto same = std::find_if(all.begin(), all.end(), [&](const auto& each) { return isSame(each, *wanted); });
    if (same == all.end() && all.size() >= kMaxTransitions) {
        report(Severity::Error, at(tokens, 0),
               "rules use more than " + std::to_string(kMaxTransitions) + " transitions", "Use some that others have");
        return;
    }
    // The first one is the project's.
    const auto number = static_cast<int>(same - all.begin()) + 1;
    if (same == all.end())
        all.push_back(*wanted);
    body.operation(GORSE_OP_COMMAND);
    body.word(GORSE_NONE);
    body.word(number);
    body.byte(GORSE_COMMAND_TRANSITION);
}

}  // namespace gorsefinch
