// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/rules/expression.h"
#include "core/rules/lexer.h"
#include "core/rules/rule_pool.h"

namespace gorsefinch {

// One file of rules while it is compiled: where it is, and what its lines may speak of.
class RuleFileContext {
  public:
    RuleFileContext(RulePool& pool, const RuleFile& file);

    RulePool& pool() { return pool_; }
    const std::string& name() const { return name_; }
    const std::string& path() const { return path_; }

    // Tells of a mistake at a token, of a kind of problem_codes.h if it is one, and remembers that the present rule
    // failed.
    void report(Severity severity, const Token& at, const std::string& reason, const std::string& remedy = {},
                const char* code = "");
    bool failed() const { return failed_; }
    // While it is silent a mistake fails the rule, but is not told: the same was told of another copy of a widget.
    void setSilent(bool silent) { silent_ = silent; }
    bool isSilent() const { return silent_; }
    void beginRule() {
        failed_ = false;
        leadsTo_.clear();
    }
    // The present rule goes to a screen, or back.
    void addLead(int screen) { leadsTo_.push_back(screen); }
    const std::vector<int>& leadsTo() const { return leadsTo_; }

    // Token number i, or the closing one.
    static const Token& at(const std::vector<Token>& tokens, size_t i) {
        return tokens[std::min(i, tokens.size() - 1)];
    }
    void expectEnd(const std::vector<Token>& tokens, size_t i);
    // The expression from token i on, which is then the one behind it; nothing after a mistake, which is reported.
    // One of `choices` in quotes is a choice.
    std::optional<Compiled> expression(const std::vector<Token>& tokens, size_t& i, ChoiceWords choices = {});
    // A widget named from token i on, in the short form or with its screen; nothing after a mistake, which is reported.
    std::optional<ProjectNames::WidgetPlace> widget(const std::vector<Token>& tokens, size_t i, bool full);
    // The numbers that the pool returns. If there are too many, they report it at the token and return 0.
    int slot(const ProjectNames::WidgetPlace& place, const PropertyInfo& property, const Token& at);
    int text(const std::string& words, const Token& at);
    int hook(const HookInfo& hook, const Token& at);

  private:
    RulePool& pool_;
    std::string path_, name_;
    bool failed_ = false, silent_ = false;
    std::vector<int> leadsTo_;
    size_t reported_ = 0;
    ExpressionScope scope_;
};

}  // namespace gorsefinch
