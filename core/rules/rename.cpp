// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/rename.h"

#include <algorithm>

#include "core/rules/references.h"

namespace gorsefinch {

namespace {

struct Replacement {
    size_t begin, end;
    std::string text;
};

std::string replaced(std::string_view text, std::vector<Replacement> all) {
    std::sort(all.begin(), all.end(), [](const auto& a, const auto& b) { return a.begin > b.begin; });
    std::string out(text);
    for (const Replacement& each : all)
        out.replace(each.begin, each.end - each.begin, each.text);
    return out;
}

bool isMeant(const Reference& reference, const Token& token, const RuleThing& thing) {
    if (reference.what != thing.what || token.text != thing.name || (reference.orScreen && thing.isScreenToo))
        return false;
    switch (reference.what) {
        case Reference::What::Widget: return reference.owner.empty() ? thing.isOnlyOne : reference.owner == thing.owner;
        case Reference::What::Choice: return reference.owner == thing.owner;
        default: return true;
    }
}

void collect(const std::vector<Token>& tokens, const std::vector<Reference>& references, const RuleRename& rename,
             std::vector<Replacement>& all) {
    for (const Reference& each : references) {
        const Token& token = tokens[each.token];
        if (!isMeant(each, token, rename.thing))
            continue;
        const bool isShort = each.what == Reference::What::Widget && each.owner.empty();
        all.push_back({token.begin, token.end, isShort ? rename.toShort : rename.to});
        if (!isShort && !rename.toOwner.empty() && each.what == Reference::What::Widget)
            all.push_back({tokens[each.token - 2].begin, tokens[each.token - 2].end, rename.toOwner});
    }
}

void collect(const std::vector<Token>& tokens, const std::vector<Reference>& references, const WidgetCopies& copies,
             std::vector<Replacement>& all) {
    for (const Reference& each : references) {
        const Token& token = tokens[each.token];
        const auto name = copies.names.find(token.text);
        if (each.what != Reference::What::Widget || name == copies.names.end())
            continue;
        if (each.owner.empty()) {
            all.push_back({token.begin, token.end, copies.to + "." + name->second});
        } else if (each.owner == copies.from) {
            const Token& owner = tokens[each.token - 2];
            all.push_back({owner.begin, owner.end, copies.to});
            all.push_back({token.begin, token.end, name->second});
        }
    }
}

void collect(const std::vector<Token>& tokens, const std::vector<Reference>& references, const InputTexts& inputs,
             std::vector<Replacement>& all) {
    for (const Reference& each : references)
        if (const auto value = inputs.values.find(tokens[each.token].text);
            each.what == Reference::What::Variable && value != inputs.values.end())
            all.push_back({tokens[each.token].begin, tokens[each.token].end, value->second});
}

void collect(const std::vector<Token>& tokens, const std::vector<Reference>& references, const InputOfUse& uses,
             std::vector<Replacement>& all) {
    for (const Reference& each : references) {
        const size_t input = each.token + 2;
        if (each.what != Reference::What::Widget || input >= tokens.size() || !tokens[each.token + 1].is("."))
            continue;
        if (const auto value = uses(each.owner, tokens[each.token].text, tokens[input].text))
            all.push_back({tokens[each.owner.empty() ? each.token : each.token - 2].begin, tokens[input].end, *value});
    }
}

// The insets of a text whose first character is at `offset`.
template <typename Rename>
void collectInText(std::string_view text, size_t offset, const Rename& rename, std::vector<Replacement>& all) {
    for (const TextPiece& piece : splitText(text).pieces) {
        if (!piece.inset)
            continue;
        const std::vector<Token> tokens = splitExpression(piece.text, 1, 1, offset + piece.begin);
        collect(tokens, referencesInExpression(tokens), rename, all);
    }
}

template <typename Rename>
void collectInLine(const TokenLine& line, std::string_view rules, const Rename& rename, std::vector<Replacement>& all) {
    collect(line.tokens, referencesInLine(line.tokens), rename, all);
    for (const Token& token : line.tokens)
        if (token.type == TokenType::Text)
            collectInText(rules.substr(token.begin + 1, token.end - token.begin - 2), token.begin + 1, rename, all);
}

// An expression, with the texts in it.
template <typename Rename>
void collectInExpression(std::string_view expression, const Rename& rename, std::vector<Replacement>& all) {
    const std::vector<Token> tokens = splitExpression(expression, 1, 1, 0);
    collect(tokens, referencesInExpression(tokens), rename, all);
    for (const Token& token : tokens)
        if (token.type == TokenType::Text)
            collectInText(expression.substr(token.begin + 1, token.end - token.begin - 2), token.begin + 1, rename,
                          all);
}

template <typename Rename>
std::string rewrittenExpression(std::string_view expression, const Rename& rename) {
    std::vector<Replacement> all;
    collectInExpression(expression, rename, all);
    return replaced(expression, std::move(all));
}

template <typename Rename>
std::string rewrittenRules(std::string_view rules, const Rename& rename) {
    std::vector<Replacement> all;
    for (const TokenLine& line : splitRules(rules))
        collectInLine(line, rules, rename, all);
    return replaced(rules, std::move(all));
}

template <typename Rename>
std::string rewrittenText(std::string_view text, const Rename& rename) {
    std::vector<Replacement> all;
    collectInText(text, 0, rename, all);
    return replaced(text, std::move(all));
}

bool renameInExpressions(Widget& widget, const RuleRename& rename) {
    bool any = false;
    for (auto& [key, text] : widget.expressions) {
        std::string fresh = renamedExpression(text, rename);
        any = any || fresh != text;
        text = std::move(fresh);
    }
    for (auto& [input, text] : widget.inputs) {
        const auto expression = expressionText(text);
        std::string fresh = expression ? "= " + renamedExpression(*expression, rename) : renamedText(text, rename);
        any = any || fresh != text;
        text = std::move(fresh);
    }
    return any;
}

void renameInExpressions(Document& document, const RuleRename& rename) {
    for (ScreenRef& screen : document.screens) {
        std::shared_ptr<Screen> next;
        for (size_t i = 0; i < screen->widgets.size(); ++i) {
            if (screen->widgets[i]->expressions.empty() && screen->widgets[i]->inputs.empty())
                continue;
            auto widget = std::make_shared<Widget>(*screen->widgets[i]);
            if (!renameInExpressions(*widget, rename))
                continue;
            if (!next)
                next = std::make_shared<Screen>(*screen);
            next->widgets[i] = widget;
        }
        if (next)
            screen = next;
    }
}

}  // namespace

void renameInRules(Document& document, const RuleRename& rename) {
    renameInExpressions(document, rename);
    auto next = std::make_shared<std::vector<RuleFile>>(*document.rules);
    bool any = false;
    for (RuleFile& file : *next) {
        std::string text = renamedRules(file.text, rename);
        any = any || text != file.text;
        file.text = std::move(text);
    }
    if (any)
        document.rules = next;
}

void renameInRulesOf(Document& document, std::string_view assembly, const RuleRename& rename) {
    const auto isMeant = [&](const std::string& name) {
        return assembly.empty() ? !assemblyScreen(document, name) : name == assembly;
    };
    Document part;
    auto files = std::make_shared<std::vector<RuleFile>>();
    for (const RuleFile& each : *document.rules)
        if (isMeant(each.name))
            files->push_back(each);
    part.rules = files;
    for (const ScreenRef& each : document.screens)
        if (isMeant(each->name))
            part.screens.push_back(each);
    renameInRules(part, rename);
    if (part.rules != files) {
        auto all = std::make_shared<std::vector<RuleFile>>(*document.rules);
        auto from = part.rules->begin();
        for (RuleFile& each : *all)
            if (isMeant(each.name))
                each = *from++;
        document.rules = all;
    }
    std::vector<ScreenRef> screens = document.screens;
    auto from = part.screens.begin();
    for (ScreenRef& each : screens)
        if (isMeant(each->name))
            each = *from++;
    document.screens = std::move(screens);
}

std::string expressionOfCopies(std::string_view expression, const WidgetCopies& copies) {
    return rewrittenExpression(expression, copies);
}

std::string textOfCopies(std::string_view text, const WidgetCopies& copies) { return rewrittenText(text, copies); }

std::string renamedRules(std::string_view rules, const RuleRename& rename) { return rewrittenRules(rules, rename); }

std::string rulesWithUses(std::string_view rules, const InputOfUse& uses) { return rewrittenRules(rules, uses); }

std::string renamedExpression(std::string_view expression, const RuleRename& rename) {
    return rewrittenExpression(expression, rename);
}

std::string renamedText(std::string_view text, const RuleRename& rename) { return rewrittenText(text, rename); }

std::string expressionWithInputs(std::string_view expression, const InputTexts& inputs) {
    return rewrittenExpression(expression, inputs);
}

std::string textWithInputs(std::string_view text, const InputTexts& inputs) {
    std::vector<Replacement> all;
    for (const TextPiece& piece : splitText(text).pieces) {
        if (!piece.inset)
            continue;
        const std::vector<Token> tokens = splitExpression(piece.text, 1, 1, piece.begin);
        const auto content = inputs.content.find(tokens[0].text);
        if (tokens.size() == 2 && tokens[0].type == TokenType::Name && content != inputs.content.end())
            all.push_back({piece.begin - 1, piece.begin + piece.text.size() + 1, content->second});
        else
            collect(tokens, referencesInExpression(tokens), inputs, all);
    }
    return replaced(text, std::move(all));
}

std::string expressionWithUses(std::string_view expression, const InputOfUse& uses) {
    return rewrittenExpression(expression, uses);
}

std::string textWithUses(std::string_view text, const InputOfUse& uses) { return rewrittenText(text, uses); }

std::vector<Mention> mentionsOf(const Document& document, const RuleThing& thing) {
    std::vector<Mention> out;
    for (const RuleFile& file : *document.rules)
        for (const TokenLine& line : splitRules(file.text)) {
            std::vector<Replacement> all;
            collectInLine(line, file.text, RuleRename{thing, {}}, all);
            const Token& first = line.tokens.front();
            if (!all.empty())
                out.push_back(
                    {{},
                     {},
                     {},
                     file.name,
                     first.line,
                     file.text.substr(first.begin, file.text.find_first_of("\r\n", first.begin) - first.begin)});
        }
    for (const ScreenRef& screen : document.screens)
        for (const WidgetRef& widget : screen->widgets)
            for (const auto& [key, text] : widget->expressions) {
                std::vector<Replacement> all;
                collectInExpression(text, RuleRename{thing, {}}, all);
                if (!all.empty())
                    out.push_back({screen->name, widget->name, key, {}, 0, widget->name + "." + key + " = " + text});
            }
    return out;
}

bool textMentions(std::string_view text, const RuleThing& thing) {
    std::vector<Replacement> all;
    collectInText(text, 0, RuleRename{thing, {}}, all);
    return !all.empty();
}

}  // namespace gorsefinch
