// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/assemblies/assemblies.h"

#include <algorithm>
#include <map>
#include <optional>

#include "core/rules/lexer.h"
#include "core/rules/rename.h"
#include "core/assemblies/assemble_screen.h"

namespace gorsefinch {

namespace {

bool isUse(const WidgetRef& widget) { return widget->kind == Kind::Assembly; }

// The inputs that rules assign a value: "tank.level =", and "level =" in the rules of an assembly.
InputSet inputsSetIn(const std::vector<RuleFile>& rules) {
    InputSet out;
    for (const RuleFile& file : rules)
        for (const TokenLine& line : splitRules(file.text))
            for (size_t i = 0; i + 1 < line.tokens.size(); ++i) {
                const auto& tokens = line.tokens;
                if (tokens[i].type != TokenType::Name || !tokens[i + 1].is("="))
                    continue;
                if (i >= 2 && tokens[i - 1].is("."))
                    out.emplace(tokens[i - 2].text, tokens[i].text);
                else
                    out.emplace(ofAllUses(file.name), tokens[i].text);
            }
    return out;
}

// All uses of a document whose screens list theirs, by the names of their groups.
class UsesByName {
  public:
    void add(const Screen& screen) {
        if (screen.uses)
            for (const AssemblyUse& each : *screen.uses)
                if (!each.alone)
                    all_[each.widget].emplace_back(screen.name, &each);
    }
    bool empty() const { return all_.empty(); }
    bool hasOf(const std::string& assembly) const {
        for (const auto& [widget, uses] : all_)
            for (const auto& [screen, use] : uses)
                if (use->assembly == assembly)
                    return true;
        return false;
    }

    // As InputOfUse wants it.
    std::optional<std::string> value(std::string_view screen, std::string_view widget, std::string_view input) const {
        const auto found = all_.find(widget);
        if (found == all_.end() || (screen.empty() && found->second.size() > 1))
            return std::nullopt;
        for (const auto& [on, use] : found->second)
            if (screen.empty() || on == screen) {
                const auto value = use->values.find(std::string(input));
                return value == use->values.end() ? std::nullopt : std::optional(value->second);
            }
        return std::nullopt;
    }

  private:
    std::map<std::string, std::vector<std::pair<std::string, const AssemblyUse*>>, std::less<>> all_;
};

// Puts values of inputs into what speaks of uses; false if nothing does.
bool speakOfUses(Widget& widget, const UsesByName& uses) {
    const InputOfUse value = [&](std::string_view screen, std::string_view name, std::string_view input) {
        return uses.value(screen, name, input);
    };
    bool any = false;
    const auto take = [&](std::string& text, std::string fresh) {
        any = any || fresh != text;
        text = std::move(fresh);
    };
    for (auto& [key, text] : widget.expressions)
        if (text.find('.') != std::string::npos)
            take(text, expressionWithUses(text, value));
    for (const PropertyInfo& each : info(widget.kind).properties)
        if (each.type == PropertyType::Text)
            if (const auto at = widget.properties.find(each.key); at != widget.properties.end())
                if (auto* text = std::get_if<std::string>(&at->second); text && text->find('{') != std::string::npos)
                    take(*text, textWithUses(*text, value));
    return any;
}

ScreenRef speakingOfUses(const ScreenRef& screen, const UsesByName& uses) {
    std::shared_ptr<Screen> next;
    for (size_t i = 0; i < screen->widgets.size(); ++i) {
        const Widget& widget = *screen->widgets[i];
        if (widget.expressions.empty() && widget.properties.empty())
            continue;
        Widget copy = widget;
        if (!speakOfUses(copy, uses))
            continue;
        if (!next)
            next = std::make_shared<Screen>(*screen);
        next->widgets[i] = std::make_shared<const Widget>(std::move(copy));
    }
    return next ? ScreenRef(next) : screen;
}

// Without those of assemblies that have no use.
Shared<std::vector<RuleFile>> rulesOfUsed(const Document& document, const UsesByName& uses) {
    auto out = std::make_shared<std::vector<RuleFile>>(*document.rules);
    std::erase_if(*out,
                  [&](const RuleFile& each) { return assemblyScreen(document, each.name) && !uses.hasOf(each.name); });
    return out;
}

bool hasAssemblies(const Document& document) {
    return std::any_of(document.screens.begin(), document.screens.end(), [](const ScreenRef& each) {
        return each->assembly || std::any_of(each->widgets.begin(), each->widgets.end(), isUse);
    });
}

}  // namespace

Assembler::Basis Assembler::basisOf(const Document& document) {
    if (rules_ != document.rules) {
        rules_ = document.rules;
        set_ = inputsSetIn(*document.rules);
    }
    Basis out{{}, {}, set_, document.named};
    for (const ScreenRef& screen : document.screens) {
        if (screen->assembly)
            out.assemblies.push_back(screen);
        for (const WidgetRef& each : screen->widgets)
            if (isUse(each))
                out.uses.push_back({screen->name, each->name, assemblyOf(*each), each->inputs});
    }
    return out;
}

Assembled Assembler::assemble(const Document& document) {
    if (!hasAssemblies(document)) {
        kept_.clear();
        return {document, {}};
    }
    Assembled out{document, {}};
    if (!keepAssemblies_)
        std::erase_if(out.document.screens, [](const ScreenRef& each) { return each->assembly != nullptr; });
    Basis basis = basisOf(document);
    const std::vector<Kept> before = basis == basis_ ? std::move(kept_) : std::vector<Kept>();
    basis_ = std::move(basis);
    kept_.clear();
    UsesByName uses;
    std::vector<bool> fresh;
    for (const ScreenRef& each : out.document.screens) {
        const auto known = std::find_if(before.begin(), before.end(), [&](const Kept& old) { return old.of == each; });
        fresh.push_back(known == before.end());
        if (!fresh.back()) {
            kept_.push_back(*known);
        } else if (!each->assembly && std::none_of(each->widgets.begin(), each->widgets.end(), isUse)) {
            kept_.push_back({each, each, {}, {}});
        } else {
            AssembledScreen made = assembleScreen(document, *each, basis_.set);
            kept_.push_back({each, std::make_shared<const Screen>(std::move(made.screen)), std::move(made.variables),
                             std::move(made.problems)});
        }
        uses.add(*kept_.back().screen);
    }
    std::vector<ScreenRef> listed;  // keeps what `uses` points to
    std::vector<Variable> variables;
    if (!keepAssemblies_)
        out.document.rules = rulesOfUsed(document, uses);
    for (size_t i = 0; i < kept_.size(); ++i) {
        Kept& each = kept_[i];
        listed.push_back(each.screen);
        if (fresh[i] && !uses.empty())
            each.screen = speakingOfUses(each.screen, uses);
        out.document.screens[i] = each.screen;
        out.problems.insert(out.problems.end(), each.problems.begin(), each.problems.end());
        variables.insert(variables.end(), each.variables.begin(), each.variables.end());
    }
    out.document.variables = extended(document.variables, std::move(variables), out.problems);
    return out;
}

Shared<std::vector<Variable>> Assembler::extended(const Shared<std::vector<Variable>>& given,
                                                  std::vector<Variable> more, Problems& problems) {
    size_t numbers = 0;
    for (const Variable& each : *given)
        numbers += numbersOf(each);
    const auto end = std::find_if(more.begin(), more.end(), [&](const Variable& each) {
        numbers += numbersOf(each);
        return numbers > kMaxNumbers;
    });
    if (end != more.end()) {
        Problem p;
        p.place = "variables";
        p.reason = "with the inputs of assemblies the variables have more than " + std::to_string(kMaxNumbers) +
                   " numbers together";
        p.remedy = "Let rules set fewer inputs";
        problems.push_back(std::move(p));
        more.erase(end, more.end());
    }
    if (more.empty())
        return given;
    if (given_ == given && more_ == more)
        return extended_;
    given_ = given;
    auto all = std::make_shared<std::vector<Variable>>(*given);
    all->insert(all->end(), more.begin(), more.end());
    more_ = std::move(more);
    return extended_ = all;
}

std::vector<std::string> partNames(const Document& document, const Widget& use) {
    std::vector<std::string> out;
    const auto add = [&](const auto& self, const Widget& of, const std::string& before, int nesting) -> void {
        const ScreenRef screen = assemblyScreen(document, assemblyOf(of));
        if (!screen || nesting == kMaxNesting)
            return;
        for (const WidgetRef& each : screen->widgets) {
            out.push_back(before + each->name);
            self(self, *each, out.back() + "__", nesting + 1);
        }
    };
    add(add, use, {}, 0);
    return out;
}

UsePlace usePlace(const Document& document, const std::string& screen, const std::string& widget) {
    UsePlace out;
    const ScreenRef on = document.screen(screen);
    if (!on || widgetIndex(*on, widget) >= 0)
        return out;
    ScreenRef in = on;
    std::string rest = widget;
    size_t from = 0;
    for (size_t at = rest.find("__"); in && at != std::string::npos; at = rest.find("__", from)) {
        const int use = widgetIndex(*in, rest.substr(0, at));
        from = at + 2;
        if (use < 0 || !isUse(in->widgets[static_cast<size_t>(use)]))
            continue;
        if (out.use.empty())
            out.use = rest.substr(0, at);
        out.assembly = assemblyOf(*in->widgets[static_cast<size_t>(use)]);
        out.part = rest = rest.substr(from);
        in = assemblyScreen(document, out.assembly);
        if (in && widgetIndex(*in, rest) >= 0)
            break;
        from = 0;
    }
    return out;
}

}  // namespace gorsefinch
