// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/rules/rule_file.h"

namespace gorsefinch {

// The statements of rules: one line each.
class StatementCompiler {
  public:
    explicit StatementCompiler(RuleFileContext& file) : file_(file), pool_(file.pool()) {}

    // Appends what the line does; a mistake is reported.
    void statement(const std::vector<Token>& tokens, Compiled& body);
    // The last statement of a rule's body has been compiled. The rule, if it has not failed, is the pool's next one.
    void endBody();

  private:
    void go(const std::vector<Token>& tokens, Compiled& body);
    // What a statement names: a property of a widget that rules set, with its slot.
    struct PropertyPlace {
        ProjectNames::WidgetPlace widget;
        const PropertyInfo* property;
        int slot;
    };
    // From word i on, which goes behind it; nothing after a mistake, which is reported.
    std::optional<PropertyPlace> propertyFrom(const std::vector<Token>& tokens, size_t& i);
    // Makes a value one that the property takes; a mistake is reported.
    void fit(Compiled& value, const PropertyInfo& property, const Token& where);
    // Where the code lies that runs when its time has come; a mistake, that there is too much code, is reported.
    std::optional<uint16_t> placeCode(Compiled code, const Token& where);
    std::optional<uint16_t> endOfWay(const std::vector<Token>& tokens, size_t& i, const PropertyPlace& place);
    bool wayOfGlide(const std::vector<Token>& tokens, size_t& i, gorse_glide& glide);
    void animate(const std::vector<Token>& tokens, Compiled& body);
    // What follows the latest animation.
    void then(const std::vector<Token>& tokens);
    // stop widget.property
    void stay(const std::vector<Token>& tokens, Compiled& body);
    void transition(const std::vector<Token>& tokens, size_t i, Compiled& body);
    void call(const std::vector<Token>& tokens, Compiled& body);
    int hookNumber(const HookInfo& hook, const Token& at);
    void flag(const std::vector<Token>& tokens, Compiled& body);
    void command(const std::vector<Token>& tokens, Compiled& body);
    void openOver(const std::vector<Token>& tokens, Compiled& body);
    int screenOf(const Token& name);
    void sound(const std::vector<Token>& tokens, Compiled& body);
    // The tone at word i, and the word behind it; a mistake is reported.
    std::optional<gorse_tone> tone(const std::vector<Token>& tokens, size_t& i);
    void storeSlot(Compiled& body, int slot, int screen);
    void assignment(const std::vector<Token>& tokens, Compiled& body);
    void wantType(ValueType wanted, const Compiled& value, const Token& op);
    // The variable that a statement sets; a mistake is reported.
    std::optional<ProjectNames::VariableRef> settable(const Token& name);
    // panel.light = value
    void setOutput(const std::vector<Token>& tokens, Compiled& body);
    // The value for it behind the equals sign, fitted.
    std::optional<Compiled> valueFor(const ProjectNames::VariableRef& variable, const std::vector<Token>& tokens,
                                     size_t equals);
    void setVariable(const std::vector<Token>& tokens, Compiled& body);
    void storeVariable(const ProjectNames::VariableRef& variable, const std::vector<Token>& tokens, size_t equals,
                       Compiled& body);
    void setElement(const std::vector<Token>& tokens, Compiled& body);
    void fitNumber(const Variable& variable, const Token& op, Compiled& value);
    void setCell(const std::vector<Token>& tokens, size_t bracket, Compiled& body);
    std::optional<Compiled> indexOf(const std::vector<Token>& tokens, size_t& i, const std::string& what, int most);
    void setProperty(const std::vector<Token>& tokens, size_t equals, Compiled& body);
    // What is behind the equals sign.
    std::optional<Compiled> valueBehind(const std::vector<Token>& tokens, size_t equals, ChoiceWords choices);

    static const Token& at(const std::vector<Token>& tokens, size_t i) { return RuleFileContext::at(tokens, i); }
    void report(Severity severity, const Token& where, const std::string& reason, const std::string& remedy = {}) {
        file_.report(severity, where, reason, remedy);
    }
    void expectEnd(const std::vector<Token>& tokens, size_t i) { file_.expectEnd(tokens, i); }

    RuleFileContext& file_;
    RulePool& pool_;
    struct Then {
        Token first;  // of its statements
        Compiled body;
    };
    std::optional<size_t> latestGlide_;  // of the body
    std::map<size_t, Then> thens_;       // what follows a glide of the body
};

}  // namespace gorsefinch
