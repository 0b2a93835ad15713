// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "core/rules/rule_file.h"
#include "core/rules/rule_words.h"

namespace gorsefinch {

// The line that begins a rule: on, every or when, and its condition.
class HeaderCompiler {
  public:
    // The file must outlive this.
    explicit HeaderCompiler(RuleFileContext& file) : pool_(file.pool()), file_(file) {}

    // Sets what the rule is about, and returns its condition, if it has one. Mistakes are reported to the file.
    std::optional<Compiled> compile(const std::vector<Token>& tokens, gorse_rule& rule);

  private:
    void report(Severity severity, const Token& where, const std::string& reason, const std::string& remedy = {}) {
        file_.report(severity, where, reason, remedy);
    }

    std::optional<Compiled> whileCondition(const std::vector<Token>& tokens, size_t i);
    std::optional<Compiled> condition(const std::vector<Token>& tokens, size_t i);
    std::optional<Compiled> event(const std::vector<Token>& tokens, gorse_rule& rule);
    std::optional<Compiled> keyEvent(const std::vector<Token>& tokens, gorse_rule& rule);
    std::optional<Compiled> knobEvent(const std::vector<Token>& tokens, gorse_rule& rule);
    std::optional<Compiled> idleEvent(const std::vector<Token>& tokens, gorse_rule& rule);
    bool screenEvent(const std::vector<const Token*>& parts, const EventWord* swipe, gorse_rule& rule);
    void widgetEvent(const std::vector<const Token*>& parts, const EventWord* swipe, gorse_rule& rule);
    void wrongKind(const Token& widget, const KindInfo& kind, const EventWord& word);
    std::optional<uint32_t> duration(const std::vector<Token>& tokens, size_t& i);
    bool takePeriod(const std::vector<Token>& tokens, size_t& i, gorse_rule& rule);
    std::optional<Compiled> every(const std::vector<Token>& tokens, gorse_rule& rule);
    void missed(const std::vector<Token>& tokens, size_t& i, gorse_rule& rule);
    std::optional<Compiled> when(const std::vector<Token>& tokens, gorse_rule& rule);

    RulePool& pool_;
    RuleFileContext& file_;
};

}  // namespace gorsefinch
