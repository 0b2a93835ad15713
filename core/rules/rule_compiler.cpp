// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/rule_compiler.h"

#include <algorithm>

#include "core/project/names.h"
#include "core/rules/rule_pool.h"

namespace gorsefinch {

namespace {

constexpr size_t kMostCode = 60000;

struct EventWord {
    const char* word;
    int event;
};
constexpr EventWord widgetEvents[] = {
    {"press", GORSE_ON_PRESS}, {"release", GORSE_ON_RELEASE}, {"tap", GORSE_ON_TAP}};
constexpr EventWord screenEvents[] = {{"enter", GORSE_ON_ENTER}, {"leave", GORSE_ON_LEAVE}};

// One file's rules, read line by line.
class FileCompiler {
  public:
    FileCompiler(RulePool& pool, const RuleFile& file)
        : pool_(pool), file_("rules/" + file.name + ".rules"), name_(file.name), lines_(splitRules(file.text)) {
        scope_.names = &pool.names();
        scope_.slot = [this](const auto& place, const auto& property) { return pool_.slot(place, property); };
        scope_.string = [this](const std::string& words, const Token& at) { return text(words, at); };
        scope_.report = [this](Severity severity, const Token& at, const std::string& reason,
                               const std::string& remedy) { report(severity, at, reason, remedy); };
    }

    void run() {
        while (line_ < lines_.size()) {
            const TokenLine& header = lines_[line_++];
            if (header.indented)
                report(Severity::Error, header.tokens[0], "this line belongs to no rule",
                       "Begin a rule with on, every or when at the left margin");
            else
                rule(header);
        }
    }

  private:
    void report(Severity severity, const Token& at, const std::string& reason, const std::string& remedy = {}) {
        Problem problem;
        problem.severity = severity;
        problem.file = file_;
        problem.place = "line " + std::to_string(at.line) + ", column " + std::to_string(at.column);
        problem.reason = at.type == TokenType::Bad ? at.text : reason;
        problem.remedy = remedy;
        problem.line = at.line;
        problem.column = at.column;
        failed_ = failed_ || severity == Severity::Error;
        pool_.out().problems.push_back(std::move(problem));
    }

    int text(const std::string& words, const Token& at) {
        const int number = pool_.string(words);
        for (const Problem& each : pool_.out().strings[static_cast<size_t>(number)].problems) {
            Token place = at;
            place.column += each.column;
            report(each.severity, place, each.reason, each.remedy);
        }
        return number;
    }

    const Token& at(const std::vector<Token>& tokens, size_t i) const { return tokens[std::min(i, tokens.size() - 1)]; }

    void expectEnd(const std::vector<Token>& tokens, size_t i) {
        if (at(tokens, i).type != TokenType::End)
            report(Severity::Error, at(tokens, i), "this does not belong here");
    }

    std::optional<Compiled> expression(const std::vector<Token>& tokens, size_t& i) {
        ExpressionParser parser(scope_, tokens, std::min(i, tokens.size() - 1));
        auto value = parser.parse();
        i = parser.position();
        return value;
    }

    void rule(const TokenLine& header) {
        const auto& tokens = header.tokens;
        gorse_rule rule{};
        rule.condition = rule.body = rule.otherwise = GORSE_NONE;
        rule.widget = rule.screen = GORSE_NONE;
        failed_ = false;
        std::optional<Compiled> condition;
        if (tokens[0].is("on"))
            condition = event(tokens, rule);
        else if (tokens[0].is("every"))
            condition = every(tokens, rule);
        else if (tokens[0].is("when"))
            condition = when(tokens, rule);
        else
            report(Severity::Error, tokens[0], "a rule begins with on, every or when",
                   "Indent the line if it belongs to the rule above");
        const Compiled body = statements();
        std::optional<Compiled> otherwise;
        if (line_ < lines_.size() && !lines_[line_].indented && lines_[line_].tokens[0].is("otherwise")) {
            if (!tokens[0].is("when"))
                report(Severity::Error, lines_[line_].tokens[0], "only a when can have an otherwise");
            expectEnd(lines_[line_].tokens, 1);
            ++line_;
            otherwise = statements();
        }
        if (body.code.empty() && (!otherwise || otherwise->code.empty()) && !failed_)
            report(Severity::Error, tokens[0], "the rule does nothing", "Indent what it does below it");
        if (!failed_)
            place(rule, tokens[0].line, condition, body, otherwise);
    }

    void place(gorse_rule rule, int line, const std::optional<Compiled>& condition, const Compiled& body,
               const std::optional<Compiled>& otherwise) {
        CompiledRules& out = pool_.out();
        if (out.code.size() > kMostCode || out.rules.size() > 2000) {
            Problem problem;
            problem.file = file_;
            problem.line = line;
            problem.reason = "too many rules";
            problem.remedy = "Take some out";
            out.problems.push_back(problem);
            return;
        }
        if (condition)
            rule.condition = pool_.place(*condition);
        if (!body.code.empty())
            rule.body = pool_.place(body);
        if (otherwise && !otherwise->code.empty())
            rule.otherwise = pool_.place(*otherwise);
        if (rule.event == GORSE_EVERY)
            rule.memory = static_cast<uint16_t>(out.timers++);
        if (rule.event == GORSE_WHEN)
            rule.memory = static_cast<uint16_t>(out.whens++);
        out.rules.push_back(rule);
        const int last = line_ > 0 ? lines_[line_ - 1].tokens[0].line : line;
        out.sources.push_back({name_, line, last});
    }

    std::optional<Compiled> whileCondition(const std::vector<Token>& tokens, size_t i) {
        if (at(tokens, i).type == TokenType::End)
            return std::nullopt;
        if (!at(tokens, i).is("while")) {
            report(Severity::Error, at(tokens, i), "this does not belong here");
            return std::nullopt;
        }
        return condition(tokens, i + 1);
    }

    std::optional<Compiled> condition(const std::vector<Token>& tokens, size_t i) {
        auto value = expression(tokens, i);
        if (!value)
            return std::nullopt;
        if (value->type != ValueType::YesNo)
            report(Severity::Error, value->from, "a condition is yes or no", "Compare it with something");
        expectEnd(tokens, i);
        return value;
    }

    std::optional<Compiled> event(const std::vector<Token>& tokens, gorse_rule& rule) {
        std::vector<const Token*> parts;
        size_t i = 1;
        while (at(tokens, i).type == TokenType::Name) {
            parts.push_back(&at(tokens, i++));
            if (!at(tokens, i).is("."))
                break;
            ++i;
        }
        if (parts.size() == 1 && parts[0]->text == "start") {
            rule.event = GORSE_ON_START;
            return whileCondition(tokens, i);
        }
        if (parts.size() < 2 || parts.size() > 3) {
            report(Severity::Error, at(tokens, 1), "an event belongs here",
                   "Write start, widget.tap, widget.press, widget.release or screen.enter");
            return std::nullopt;
        }
        if (parts.size() == 3 || !screenEvent(parts, rule))
            widgetEvent(parts, rule);
        return whileCondition(tokens, i);
    }

    bool screenEvent(const std::vector<const Token*>& parts, gorse_rule& rule) {
        for (const EventWord& each : screenEvents) {
            if (parts[1]->text != each.word)
                continue;
            const int screen = pool_.names().screen(parts[0]->text);
            if (screen < 0)
                report(Severity::Error, *parts[0], "there is no screen \"" + parts[0]->text + "\"");
            rule.event = static_cast<uint8_t>(each.event);
            rule.screen = static_cast<uint16_t>(screen);
            return true;
        }
        return false;
    }

    void widgetEvent(const std::vector<const Token*>& parts, gorse_rule& rule) {
        const bool full = parts.size() == 3;
        const Token& widget = *parts[full ? 1 : 0];
        const auto found = pool_.names().widget(full ? parts[0]->text : "", widget.text);
        const EventWord* word = nullptr;
        for (const EventWord& each : widgetEvents)
            if (parts.back()->text == each.word)
                word = &each;
        if (!word)
            report(Severity::Error, *parts.back(), "there is no event \"" + parts.back()->text + "\"",
                   "Widgets have tap, press and release; screens have enter and leave");
        if (!found)
            report(Severity::Error, widget, "there is no widget \"" + widget.text + "\"");
        else if (found->screen < 0)
            report(Severity::Error, widget, "several screens have a widget \"" + widget.text + "\"",
                   "Write screen.widget." + parts.back()->text);
        else if (!info(found->kind).touched)
            report(Severity::Error, widget, std::string("a ") + info(found->kind).key + " takes no touch",
                   "Use a button");
        if (!word || !found)
            return;
        rule.event = static_cast<uint8_t>(word->event);
        rule.screen = static_cast<uint16_t>(found->screen);
        rule.widget = static_cast<uint16_t>(found->widget);
    }

    // A duration: a number and ms, s or min.
    std::optional<uint32_t> duration(const std::vector<Token>& tokens, size_t& i) {
        const Token& number = at(tokens, i);
        const Token& unit = at(tokens, i + 1);
        const double factor = unit.is("ms") ? 1 : unit.is("s") ? 1000 : unit.is("min") ? 60000 : 0;
        if (number.type != TokenType::Number || factor == 0) {
            report(Severity::Error, number.type == TokenType::Number ? unit : number,
                   "a time belongs here, such as 250 ms, 1 s or 5 min");
            return std::nullopt;
        }
        i += 2;
        double ms = static_cast<double>(number.number) * factor;
        for (int d = 0; d < number.decimals; ++d)
            ms /= 10;
        if (ms < 1 || ms > 2000000000.0) {
            report(Severity::Error, number, "a time goes from 1 ms to 23 days");
            return std::nullopt;
        }
        return static_cast<uint32_t>(ms);
    }

    std::optional<Compiled> every(const std::vector<Token>& tokens, gorse_rule& rule) {
        rule.event = GORSE_EVERY;
        size_t i = 1;
        const auto period = duration(tokens, i);
        if (!period)
            return std::nullopt;
        rule.period = *period;
        return whileCondition(tokens, i);
    }

    std::optional<Compiled> when(const std::vector<Token>& tokens, gorse_rule& rule) {
        rule.event = GORSE_WHEN;
        return condition(tokens, 1);
    }

    Compiled statements() {
        Compiled body;
        while (line_ < lines_.size() && lines_[line_].indented)
            statement(lines_[line_++].tokens, body);
        return body;
    }

    void statement(const std::vector<Token>& tokens, Compiled& body) {
        const Token& first = tokens[0];
        if (first.is("go")) {
            go(tokens, body);
        } else if (first.is("back")) {
            body.byte(GORSE_OP_BACK);
            expectEnd(tokens, 1);
        } else if (first.is("call")) {
            call(tokens, body);
        } else if (first.is("show") || first.is("hide") || first.is("toggle")) {
            visibility(tokens, body);
        } else {
            assignment(tokens, body);
        }
    }

    void go(const std::vector<Token>& tokens, Compiled& body) {
        const Token& name = at(tokens, 1);
        const int screen = pool_.names().screen(name.text);
        if (name.type != TokenType::Name || screen < 0)
            report(Severity::Error, name,
                   name.type == TokenType::Name ? "there is no screen \"" + name.text + "\"" : "a screen belongs here");
        body.byte(GORSE_OP_GO);
        body.word(screen);
        expectEnd(tokens, 2);
    }

    void call(const std::vector<Token>& tokens, Compiled& body) {
        const Token& name = at(tokens, 1);
        if (name.type != TokenType::Name || nameTrouble(name.text)) {
            report(Severity::Error, name, nameTrouble(name.text).value_or("a hook's name belongs here"));
            return;
        }
        size_t i = 2;
        if (!at(tokens, i).is("(")) {
            report(Severity::Error, at(tokens, i), "a ( belongs here", "Write call " + name.text + "()");
            return;
        }
        ++i;
        HookInfo hook{name.text, {}, {}};
        int texts = 0;
        while (!at(tokens, i).is(")")) {
            const auto value = expression(tokens, i);
            if (!value)
                return;
            if (value->type == ValueType::Text)
                texts |= 1 << hook.values.size();
            hook.values.push_back(value->type);
            hook.scales.push_back(value->scale);
            body.append(*value);
            if (!at(tokens, i).is(","))
                break;
            ++i;
        }
        if (!at(tokens, i).is(")"))
            report(Severity::Error, at(tokens, i), "the closing ) is missing");
        expectEnd(tokens, i + 1);
        if (hook.values.size() > 4 || (texts & (texts - 1)) != 0)
            report(Severity::Error, name, "a hook takes at most four values, one of them a text");
        body.byte(GORSE_OP_CALL);
        body.word(hookNumber(hook, name));
        body.byte(static_cast<int>(hook.values.size()));
        body.byte(texts);
    }

    int hookNumber(const HookInfo& hook, const Token& at) {
        auto& hooks = pool_.out().hooks;
        const auto known = std::find_if(hooks.begin(), hooks.end(), [&](const HookInfo& h) { return h.name == hook.name; });
        if (known == hooks.end()) {
            hooks.push_back(hook);
            return static_cast<int>(hooks.size()) - 1;
        }
        if (known->values != hook.values || known->scales != hook.scales)
            report(Severity::Error, at, "\"" + hook.name + "\" is called with other values elsewhere",
                   "Give all its calls the same values");
        return static_cast<int>(known - hooks.begin());
    }

    // A widget named from token i on, in the short form or with its screen.
    std::optional<ProjectNames::WidgetPlace> widget(const std::vector<Token>& tokens, size_t i, bool full) {
        const Token& name = at(tokens, full ? i + 2 : i);
        const auto found = pool_.names().widget(full ? at(tokens, i).text : "", name.text);
        if (!found || found->screen < 0) {
            report(Severity::Error, name,
                   found ? "several screens have a widget \"" + name.text + "\"" : "there is no widget \"" + name.text + "\"",
                   found ? "Write screen." + name.text : "");
            return std::nullopt;
        }
        return found;
    }

    void visibility(const std::vector<Token>& tokens, Compiled& body) {
        const bool full = at(tokens, 2).is(".");
        const auto place = widget(tokens, 1, full);
        if (!place)
            return;
        const PropertyInfo& property = *findProperty(place->kind, "visible");
        const int slot = pool_.slot(*place, property);
        if (tokens[0].is("toggle")) {
            body.byte(GORSE_OP_SLOT);
            body.slots.push_back({body.code.size(), slot});
            body.word(0);
            body.byte(GORSE_OP_NOT);
        } else {
            body.push(tokens[0].is("show"));
        }
        storeSlot(body, slot, place->screen);
        expectEnd(tokens, full ? 4 : 2);
    }

    void storeSlot(Compiled& body, int slot, int screen) {
        body.byte(GORSE_OP_SET_SLOT);
        body.slots.push_back({body.code.size(), slot});
        body.word(0);
        body.word(screen);
    }

    void assignment(const std::vector<Token>& tokens, Compiled& body) {
        // name, widget.name or screen.widget.name
        size_t equals = tokens[0].type == TokenType::Name ? 1 : 0;
        while (equals > 0 && at(tokens, equals).is(".") && at(tokens, equals + 1).type == TokenType::Name)
            equals += 2;
        if (equals == 0 || !tokens[equals].is("=")) {
            report(Severity::Error, tokens[equals == 1 ? 0 : equals],
                   equals == 1 ? "there is no statement \"" + tokens[0].text + "\"" : "a statement belongs here",
                   "Write name = value, go, back, call, show, hide or toggle");
            return;
        }
        size_t i = equals + 1;
        auto value = expression(tokens, i);
        if (!value)
            return;
        expectEnd(tokens, i);
        if (equals == 1)
            setVariable(tokens[0], tokens[equals], *value, body);
        else
            setProperty(tokens, equals, *value, body);
    }

    void wantType(ValueType wanted, const Compiled& value, const Token& op) {
        if (value.type != wanted)
            report(Severity::Error, op, std::string("it takes ") + toWords(wanted) + ", this is " + toWords(value.type));
    }

    void setVariable(const Token& name, const Token& op, Compiled value, Compiled& body) {
        const auto found = pool_.names().variable(name.text);
        if (!found) {
            report(Severity::Error, name, "there is no variable \"" + name.text + "\"",
                   "Add it at the station Variables, or correct it");
            return;
        }
        const Variable& variable = *found->variable;
        if (variable.type == VariableType::Text) {
            wantType(ValueType::Text, value, op);
            body.append(value);
            body.byte(GORSE_OP_SET_TEXT);
            body.word(found->number);
            return;
        }
        wantType(variable.type == VariableType::YesNo ? ValueType::YesNo : ValueType::Number, value, op);
        if (value.type == ValueType::Number)
            fitNumber(variable, op, value);
        body.append(value);
        body.byte(GORSE_OP_SET_NUMBER);
        body.word(found->number);
    }

    void fitNumber(const Variable& variable, const Token& op, Compiled& value) {
        if (value.scale > variable.decimals)
            report(Severity::Warning, op,
                   "decimals get lost: the value has " + std::to_string(value.scale) + ", " + variable.name + " has " +
                       std::to_string(variable.decimals));
        if (!value.unit.empty() && !variable.unit.empty() && value.unit != variable.unit)
            report(Severity::Warning, op, "mixed units: " + variable.unit + " and " + value.unit, "Convert the value");
        value.rescale(variable.decimals);
        if (value.constant && (value.least < variable.least || value.least > variable.most))
            report(Severity::Warning, op,
                   "the value lies outside the range of " + variable.name + " (" +
                       decimalText(variable.least, variable.decimals) + " to " +
                       decimalText(variable.most, variable.decimals) + ") and will be held to it");
    }

    void setProperty(const std::vector<Token>& tokens, size_t equals, Compiled value, Compiled& body) {
        if (equals != 3 && equals != 5) {
            report(Severity::Error, tokens[0], "write widget.property or screen.widget.property");
            return;
        }
        const auto place = widget(tokens, 0, equals == 5);
        if (!place)
            return;
        const Token& key = tokens[equals - 1];
        const Token& op = tokens[equals];
        const PropertyInfo* property = findProperty(place->kind, key.text);
        if (!property || property->field.home == FieldHome::Nowhere) {
            report(Severity::Error, key, "rules can't set \"" + key.text + "\" of a " + info(place->kind).key);
            return;
        }
        const int slot = pool_.slot(*place, *property);
        switch (property->type) {
            case PropertyType::YesNo: wantType(ValueType::YesNo, value, op); break;
            case PropertyType::Colour: wantType(ValueType::Colour, value, op); break;
            case PropertyType::Text: setText(slot, op, value); break;
            default:
                wantType(ValueType::Number, value, op);
                value.rescale(0);
                if (value.least < property->least || value.most > property->most)
                    report(value.constant ? Severity::Error : Severity::Warning, op,
                           "it goes from " + std::to_string(property->least) + " to " + std::to_string(property->most));
                break;
        }
        body.append(value);
        storeSlot(body, slot, place->screen);
    }

    void setText(int slot, const Token& op, const Compiled& value) {
        wantType(ValueType::Text, value, op);
        if (!value.words) {
            report(Severity::Error, op, "a widget's text is set from words in quotes",
                   "To show a variable, write \"{name}\"");
            return;
        }
        pool_.out().slots[static_cast<size_t>(slot)].strings.push_back(pool_.string(*value.words));
    }

    RulePool& pool_;
    std::string file_, name_;
    std::vector<TokenLine> lines_;
    size_t line_ = 0;
    bool failed_ = false;
    ExpressionScope scope_;
};

}  // namespace

CompiledRules compileRules(const ProjectNames& names, const std::vector<RuleFile>& files) {
    CompiledRules out;
    RulePool pool(names, out);
    for (const RuleFile& file : files)
        FileCompiler(pool, file).run();
    pool.finish();
    return out;
}

std::vector<std::string> ruleKeywords() {
    return {"on",   "every", "when", "otherwise", "while", "start",  "enter", "leave", "tap", "press", "release",
            "go",   "back",  "call", "show",      "hide",  "toggle", "yes",   "no",    "none", "ms",   "s", "min"};
}

}  // namespace gorsefinch
