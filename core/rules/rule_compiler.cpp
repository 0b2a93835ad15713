// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/rule_compiler.h"

#include <algorithm>

#include "core/document/panel_keys.h"
#include "core/document/panel_outputs.h"
#include "core/rules/assembly_lines.h"
#include "core/rules/copied_lines.h"
#include "core/rules/expression_compiler.h"
#include "core/rules/references.h"
#include "core/rules/rule_header.h"
#include "core/rules/rule_words.h"
#include "core/rules/statement_compiler.h"

namespace gorsefinch {

namespace {

constexpr size_t kMaxRules = 2000;

// One file's rules, read line by line.
class FileCompiler {
  public:
    FileCompiler(RulePool& pool, const RuleFile& file)
        : pool_(pool), file_(pool, file), headers_(file_), statements_(file_), lines_(splitRules(file.text)) {}
    // The rules of an assembly for one of its uses; `told` if mistakes were reported for another one.
    FileCompiler(RulePool& pool, const RuleFile& file, const Screen& screen, const AssemblyUse& use, bool told)
        : FileCompiler(pool, file) {
        screen_ = &screen;
        use_ = &use;
        told_ = told;
        file_.setSilent(told);
    }

    void run() {
        while (line_ < lines_.size()) {
            const TokenLine& header = lines_[line_++];
            if (header.indented)
                report(Severity::Error, header.tokens[0], "this line belongs to no rule",
                       "Begin a rule with on, every or when at the left margin");
            else
                ruleForCopies(header);
        }
    }

  private:
    static const Token& at(const std::vector<Token>& tokens, size_t i) { return RuleFileContext::at(tokens, i); }
    void report(Severity severity, const Token& where, const std::string& reason, const std::string& remedy = {}) {
        file_.report(severity, where, reason, remedy);
    }

    // Once for each number of the series that the event's widget lies in. What happens to its copies on other screens
    // runs the same code.
    void ruleForCopies(const TokenLine& header) {
        const size_t body = line_;
        const std::vector<Token> line = headerWithEvents(pool_.names(), inUse(header.tokens));
        for (const RuleCopies& copies : allCopies(line)) {
            line_ = body;
            series_ = copies.series;
            file_.setSilent(told_ || copies.series.value_or(0) != 0);
            if (file_.isSilent() && !mayCopy(header.tokens[0]))
                break;
            const size_t before = pool_.out().rules.size();
            rule(lineWithInputs(pool_.names(), lineInSeries(pool_.names(), line, series_)));
            if (pool_.out().rules.size() == before + 1)
                for (size_t i = 1; i < copies.those.size(); ++i)
                    sameFor(copies.those[i], header.tokens[0]);
        }
        series_.reset();
        file_.setSilent(told_);
    }

    std::vector<Token> inUse(const std::vector<Token>& line) {
        if (use_)
            return lineInUse(*screen_, *use_, line);
        refuseParts(line);
        return line;
    }

    // Rules about the widgets of an assembly are its own.
    void refuseParts(const std::vector<Token>& line) {
        for (const Reference& each : referencesInLine(line))
            if (each.what == Reference::What::Widget && assemblyScreen(pool_.names().document(), each.owner))
                report(Severity::Error, line[each.token],
                       each.owner + " is an assembly: only rules of its own know its widgets",
                       "Write the rule into the file " + each.owner + ", or set an input of a use");
    }

    // The rules of an assembly hold for each of a series of uses, whatever they are about.
    std::vector<RuleCopies> allCopies(const std::vector<Token>& header) const {
        std::vector<RuleCopies> out = copiesOfEvent(pool_.names(), header, kMaxRules + 1);
        if (!use_ || use_->series < 2 || out.size() != 1 || out[0].series)
            return out;
        const RuleCopies one = out[0];
        out.assign(static_cast<size_t>(use_->series), one);
        for (size_t i = 0; i < out.size(); ++i)
            out[i].series = static_cast<int>(i);
        return out;
    }

    // Reports where copies would take for ever.
    bool mayCopy(const Token& where) {
        if (pool_.countCopiedLine())
            return true;
        file_.setSilent(false);
        report(Severity::Error, where,
               "the rules are about more than " + std::to_string(kMaxCopiedLines) + " copies of widgets",
               "Repeat fewer widgets, or let expressions change them");
        return false;
    }

    // The latest rule again, for another widget.
    void sameFor(const ProjectNames::Copy& copy, const Token& where) {
        CompiledRules& out = pool_.out();
        if (out.rules.size() >= kMaxRules) {
            file_.setSilent(false);
            report(Severity::Error, where, "there are more than " + std::to_string(kMaxRules) + " rules", kLessCode);
            return;
        }
        gorse_rule other = out.rules.back();
        other.screen = static_cast<uint16_t>(copy.screen);
        other.widget = static_cast<uint16_t>(copy.widget);
        out.rules.push_back(other);
        out.sources.push_back(RuleSource(out.sources.back()));
    }

    void rule(const std::vector<Token>& tokens) {
        gorse_rule rule{};
        rule.condition = rule.body = rule.otherwise = GORSE_NONE;
        rule.widget = rule.screen = GORSE_NONE;
        file_.beginRule();
        const std::optional<Compiled> condition = headers_.compile(tokens, rule);
        const Compiled body = statements();
        std::optional<Compiled> otherwise;
        if (line_ < lines_.size() && !lines_[line_].indented && lines_[line_].tokens[0].is("otherwise")) {
            if (!tokens[0].is("when") && rule.event != GORSE_EVENT_IDLE)
                report(Severity::Error, lines_[line_].tokens[0], "only a when and on idle can have an otherwise",
                       "Make it a rule of its own");
            file_.expectEnd(lines_[line_].tokens, 1);
            ++line_;
            otherwise = statements();
        }
        if (body.code.empty() && (!otherwise || otherwise->code.empty()) && !file_.failed())
            report(Severity::Error, tokens[0], "the rule does nothing", "Indent what it does below it");
        // The rules of an assembly are checked on its own screen, but nothing happens there.
        if (!file_.failed() && !(use_ && use_->alone))
            place(rule, tokens[0].line, condition, body, otherwise);
    }

    void place(gorse_rule rule, int line, const std::optional<Compiled>& condition, const Compiled& body,
               const std::optional<Compiled>& otherwise) {
        CompiledRules& out = pool_.out();
        const size_t more =
            body.code.size() + (otherwise ? otherwise->code.size() : 0) + (condition ? condition->code.size() : 0) + 3;
        if (out.code.size() + more > kMaxCode || out.rules.size() >= kMaxRules) {
            Token at;
            at.line = line;
            const bool tooMany = out.rules.size() >= kMaxRules;
            file_.setSilent(false);
            report(Severity::Error, at,
                   tooMany ? "there are more than " + std::to_string(kMaxRules) + " rules" : tooMuchCode(), kLessCode);
            return;
        }
        if (condition)
            rule.condition = pool_.place(*condition);
        if (!body.code.empty())
            rule.body = pool_.place(body);
        if (otherwise && !otherwise->code.empty())
            rule.otherwise = pool_.place(*otherwise);
        if (rule.event == GORSE_EVENT_EVERY)
            rule.memory = static_cast<uint16_t>(out.timers++);
        if (rule.event == GORSE_EVENT_WHEN || rule.event == GORSE_EVENT_IDLE)
            rule.memory = static_cast<uint16_t>(out.whens++);
        out.rules.push_back(rule);
        const int last = line_ > 0 ? lines_[line_ - 1].tokens[0].line : line;
        out.sources.push_back({file_.name(), line, last, file_.leadsTo()});
    }

    Compiled statements() {
        Compiled body;
        while (line_ < lines_.size() && lines_[line_].indented)
            statement(lines_[line_++].tokens, body);
        statements_.endBody();
        return body;
    }

    void statement(const std::vector<Token>& tokens, Compiled& body) {
        const bool silent = file_.isSilent();
        const auto lines = statementsForCopies(pool_.names(), inUse(tokens), series_, pool_.copiedLinesLeft() + 2);
        std::set<std::string> done;
        for (size_t i = 0; i < lines.size(); ++i) {
            if (i > 0 && !mayCopy(tokens[0]))
                break;
            const std::vector<Token> line = lineWithInputs(pool_.names(), lines[i]);
            // Copies of a use on several screens share its inputs.
            if (lines.size() > 1 && !done.insert(inWords(line)).second)
                continue;
            statements_.statement(line, body);
            file_.setSilent(true);
        }
        file_.setSilent(silent);
    }

    static std::string inWords(const std::vector<Token>& line) {
        std::string out;
        for (const Token& each : line)
            out += each.text + (each.type == TokenType::Text ? "\"" : " ");
        return out;
    }

    RulePool& pool_;
    RuleFileContext file_;
    HeaderCompiler headers_;
    StatementCompiler statements_;
    const Screen* screen_ = nullptr;    // of the use
    const AssemblyUse* use_ = nullptr;  // that the rules are compiled for; null for those of no assembly
    bool told_ = false;                 // mistakes are reported for another use
    std::optional<int> series_;         // that the present rule is compiled for
    std::vector<TokenLine> lines_;
    size_t line_ = 0;
};

}  // namespace

namespace {

// A file with the name of an assembly has its rules, which hold for each of its uses.
void compileFile(RulePool& pool, const RuleFile& file) {
    bool any = false;
    const auto forUses = [&](bool alone) {
        for (const ScreenRef& screen : pool.names().document().screens) {
            if (!screen->uses)
                continue;
            for (const AssemblyUse& use : *screen->uses)
                if (use.assembly == file.name && use.alone == alone) {
                    FileCompiler(pool, file, *screen, use, any).run();
                    any = true;
                }
        }
    };
    forUses(true);
    forUses(false);
    if (!any)
        FileCompiler(pool, file).run();
}

}  // namespace

std::string tooMuchCode() { return "the rules need more than " + std::to_string(kMaxCode) + " bytes"; }

CompiledRules compileRules(const ProjectNames& names, const std::vector<RuleFile>& files) {
    CompiledRules out;
    RulePool pool(names, out);
    for (const Variable& each : names.variables()->outputs)
        (void)pool.hook({hookOf(each), {valueTypeOf(each)}, {0}});
    out.mentioned = mentionedProperties(files);
    compileExpressions(pool);
    for (const RuleFile& file : files)
        compileFile(pool, file);
    pool.finish();
    out.named = std::make_shared<const NamedWidgets>(names.named());
    out.readsNamedValues = names.timesAsked() != 0;
    return out;
}

}  // namespace gorsefinch
