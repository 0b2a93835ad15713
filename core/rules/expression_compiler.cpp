// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/widget_tree.h"
#include "core/rules/expression_compiler.h"

#include <algorithm>
#include <cassert>

#include "core/base/problem_codes.h"
#include "core/rules/lexer.h"
#include "core/rules/property_value.h"

namespace gorsefinch {

namespace {

// One property that follows an expression.
struct Followed {
    const Screen* screen;
    const Widget* widget;
    const PropertyInfo* property;
    ProjectNames::WidgetPlace place;
    int slot = 0;
    Compiled value;
    std::set<int> reads;  // slots

    std::string name() const { return widget->name + "." + property->key; }
};

Problem problemAt(const Followed& at, Severity severity, const std::string& reason, const std::string& remedy) {
    Problem p;
    p.severity = severity;
    p.screen = at.screen->name;
    p.widget = at.widget->name;
    p.file = "screens/" + p.screen + ".json";
    p.place = at.name();
    p.reason = reason;
    p.remedy = remedy;
    return p;
}

// Reads one expression.
class FollowedReader {
  public:
    // Warnings are left out where nobody wrote the expression.
    FollowedReader(RulePool& pool, Followed& to, bool written) : pool_(pool), to_(to), written_(written) {
        scope_.names = &pool.names();
        scope_.slot = [this](const auto& place, const auto& property, const Token& at) {
            const int number = numberOr(pool_.slot(place, property), at, "properties of widgets", kMaxSlots);
            to_.reads.insert(number);
            return number;
        };
        scope_.string = [this](const std::string& words, const Token& at) { return string(words, at); };
        scope_.report = [this](Severity severity, const Token& at, const std::string& reason,
                               const std::string& remedy) { report(severity, at, reason, remedy); };
        scope_.settled = [this](const Token& at, const std::string& reason, const std::string& remedy) {
            report(Severity::Warning, at, reason, remedy, kNeverHappens);
        };
    }

    // False after a mistake, which is reported.
    bool read(const std::string& text) {
        const std::vector<Token> tokens = splitExpression(text, 1, 1, 0);
        ExpressionParser parser(scope_, tokens, 0, to_.property->choices);
        auto value = parser.parse();
        if (!value)
            return false;
        if (const Token& next = tokens[parser.position()]; next.type != TokenType::End)
            report(Severity::Error, next, "this does not belong here", "Put an operator before it, or remove it");
        fitToProperty(*value, *to_.property, tokens.front(), scope_.report);
        to_.value = std::move(*value);
        return !failed_;
    }

  private:
    void report(Severity severity, const Token& at, const std::string& reason, const std::string& remedy,
                const char* code = "") {
        failed_ = failed_ || severity == Severity::Error;
        if (!written_ && severity != Severity::Error)
            return;
        Problem problem = problemAt(
            to_, severity,
            "column " + std::to_string(at.column) + ": " + (at.type == TokenType::Bad ? at.text : reason), remedy);
        problem.column = at.column;
        problem.code = code;
        pool_.out().problems.push_back(std::move(problem));
    }

    int numberOr(std::optional<int> number, const Token& at, const char* what, size_t most) {
        if (!number)
            report(Severity::Error, at, "the project uses more than " + std::to_string(most) + " " + what,
                   "Remove some");
        return number.value_or(0);
    }

    int string(const std::string& words, const Token& at) {
        const auto number = pool_.string(words);
        if (number)
            for (const Problem& each : pool_.out().strings[static_cast<size_t>(*number)].problems)
                report(each.severity, at, each.reason, each.remedy);
        return numberOr(number, at, "texts", kMaxStrings);
    }

    RulePool& pool_;
    Followed& to_;
    ExpressionScope scope_;
    bool written_;
    bool failed_ = false;
};

// Puts what follows others behind them.
class FollowedOrder {
  public:
    explicit FollowedOrder(const std::vector<Followed>& all) : all_(all), state_(all.size(), State::New) {
        for (size_t i = 0; i < all.size(); ++i)
            bySlot_[all[i].slot] = i;
    }

    // Positions in the order; those in circles, and what follows them, are not among them.
    std::vector<size_t> run(Problems& problems) {
        for (size_t i = 0; i < all_.size(); ++i)
            visit(i, problems);
        return std::move(order_);
    }

  private:
    enum class State { New, Open, Good, Bad };

    // What is being visited, and the next of what it reads.
    struct Step {
        size_t at;
        std::set<int>::const_iterator next;
        bool good = true;
    };

    // Everything that `at` follows, then itself. Chains can be as long as there are expressions, so it does not
    // recurse.
    void visit(size_t at, Problems& problems) {
        if (state_[at] != State::New)
            return;
        open(at);
        while (!path_.empty()) {
            Step& step = path_.back();
            if (step.next == all_[step.at].reads.end()) {
                close();
                continue;
            }
            const auto found = bySlot_.find(*step.next++);
            if (found == bySlot_.end())
                continue;
            const size_t to = found->second;
            if (state_[to] == State::New) {
                open(to);
            } else {
                if (state_[to] == State::Open)
                    reportCircle(to, problems);
                step.good = step.good && state_[to] == State::Good;
            }
        }
    }

    void open(size_t at) {
        state_[at] = State::Open;
        path_.push_back({at, all_[at].reads.begin()});
    }

    void close() {
        const Step done = path_.back();
        path_.pop_back();
        state_[done.at] = done.good ? State::Good : State::Bad;
        if (done.good)
            order_.push_back(done.at);
        if (!path_.empty())
            path_.back().good = path_.back().good && done.good;
    }

    void reportCircle(size_t at, Problems& problems) const {
        const auto begin = std::find_if(path_.begin(), path_.end(), [&](const Step& step) { return step.at == at; });
        std::string circle = all_[at].name();
        for (auto each = begin; each != path_.end(); ++each)
            circle += " follows " + all_[each + 1 == path_.end() ? at : (each + 1)->at].name();
        for (auto each = begin; each != path_.end(); ++each)
            problems.push_back(problemAt(all_[each->at], Severity::Error, "it depends on itself: " + circle,
                                         "Give one of them a value of its own"));
    }

    const std::vector<Followed>& all_;
    std::map<int, size_t> bySlot_;
    std::vector<State> state_;
    std::vector<Step> path_;
    std::vector<size_t> order_;
};

// Once for all of them.
void reportTooManySlots(RulePool& pool, const Screen& screen, const Widget& widget) {
    Problem p;
    p.screen = screen.name;
    p.widget = widget.name;
    p.file = "screens/" + p.screen + ".json";
    p.place = p.widget;
    p.reason = "more than " + std::to_string(kMaxSlots) + " properties of widgets change";
    p.remedy = "Scroll fewer groups, or let rules and expressions change fewer properties";
    Problems& all = pool.out().problems;
    if (all.empty() || all.back().reason != p.reason)
        all.push_back(std::move(p));
}

void readExpression(RulePool& pool, const Screen& screen, const Widget& widget, const std::string& key,
                    const std::string& text, bool written, std::vector<Followed>& all) {
    // Looked up by name, so that the rules are compiled anew where the widget becomes another.
    const auto place = pool.names().widget(screen.name, widget.name);
    assert(place);
    const PropertyInfo* property = findProperty(widget.kind, key);
    if (!property || !property->takesExpression())
        return;
    Followed each{&screen, &widget, property, *place, 0, {}, {}};
    if (!FollowedReader(pool, each, written).read(text))
        return;
    const auto slot = pool.slot(*place, *property);
    if (!slot) {
        reportTooManySlots(pool, screen, widget);
        return;
    }
    each.slot = *slot;
    all.push_back(std::move(each));
}

void readScreen(RulePool& pool, const Screen& screen, std::vector<Followed>& all) {
    for (const WidgetRef& widget : screen.widgets)
        for (const auto& [key, text] : widget->expressions)
            readExpression(pool, screen, *widget, key, text, true, all);
    std::vector<ArrangedExpression> arranged =
        arrangedExpressions(screen, pool.out().mentioned, *pool.names().document().named);
    for (const ArrangedExpression& each : arranged) {
        const auto at = static_cast<size_t>(widgetIndex(screen, each.widget));
        readExpression(pool, screen, *screen.widgets[at], each.key, each.text, false, all);
    }
    if (!arranged.empty())
        pool.out().arranged.emplace(screen.name, std::move(arranged));
}

// Tells the slot what the expression gives it.
void describe(const Followed& each, SlotInfo& slot) {
    const Compiled& value = each.value;
    slot.strings.insert(slot.strings.end(), value.strings.begin(), value.strings.end());
    if (each.property->isValue)
        slot.shown = ShownRange{value.scale, static_cast<int32_t>(value.min), static_cast<int32_t>(value.max)};
}

// What a finger moves changes without rules and expressions.
void addScrolled(RulePool& pool, const Screen& screen, const Widget& widget) {
    const uint8_t ways = scrollOf(widget);
    if (ways == 0)
        return;
    const auto place = pool.names().widget(screen.name, widget.name);
    assert(place);
    const bool isDrawer = (ways & GORSE_SCROLL_DRAWER) != 0;
    std::vector<const char*> keys;
    if ((ways & GORSE_SCROLL_ACROSS) != 0)
        keys.push_back(isDrawer ? "x" : "pan_x");
    if ((ways & GORSE_SCROLL_DOWN) != 0)
        keys.push_back(isDrawer ? "y" : "pan_y");
    if (isDrawer)
        keys.push_back("clip");
    for (const char* key : keys)
        if (!pool.slot(*place, *findProperty(Kind::Group, key)))
            reportTooManySlots(pool, screen, widget);
}

}  // namespace

void compileExpressions(RulePool& pool) {
    std::vector<Followed> all;
    for (const ScreenRef& screen : pool.names().document().screens)
        for (const WidgetRef& widget : screen->widgets)
            addScrolled(pool, *screen, *widget);
    for (const ScreenRef& screen : pool.names().document().screens)
        readScreen(pool, *screen, all);
    CompiledRules& out = pool.out();
    for (const size_t at : FollowedOrder(all).run(out.problems)) {
        const Followed& each = all[at];
        if (out.code.size() + each.value.code.size() + 1 > kMaxCode) {
            out.problems.push_back(problemAt(
                each, Severity::Error,
                "the expressions and rules need more than " + std::to_string(kMaxCode) + " bytes", "Remove some"));
            continue;
        }
        describe(each, out.slots[static_cast<size_t>(each.slot)]);
        out.stackDepth = std::max(out.stackDepth, each.value.depth);
        pool.follow({pool.place(each.value), each.slot, each.property->isValue ? -1 : each.place.screen,
                     each.value.variables, each.reads});
    }
}

}  // namespace gorsefinch
