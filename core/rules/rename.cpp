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

void collectInLine(const TokenLine& line, std::string_view rules, const RuleRename& rename,
                   std::vector<Replacement>& all) {
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

bool renameInExpressions(Widget& widget, const RuleRename& rename) {
    bool any = false;
    for (auto& [key, text] : widget.expressions) {
        std::string fresh = renamedExpression(text, rename);
        any = any || fresh != text;
        text = std::move(fresh);
    }
    return any;
}

void renameInExpressions(Document& document, const RuleRename& rename) {
    for (ScreenRef& screen : document.screens) {
        std::shared_ptr<Screen> next;
        for (size_t i = 0; i < screen->widgets.size(); ++i) {
            if (screen->widgets[i]->expressions.empty())
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

std::string expressionOfCopies(std::string_view expression, const WidgetCopies& copies) {
    std::vector<Replacement> all;
    collectInExpression(expression, copies, all);
    return replaced(expression, std::move(all));
}

std::string textOfCopies(std::string_view text, const WidgetCopies& copies) {
    std::vector<Replacement> all;
    collectInText(text, 0, copies, all);
    return replaced(text, std::move(all));
}

std::string renamedRules(std::string_view rules, const RuleRename& rename) {
    std::vector<Replacement> all;
    for (const TokenLine& line : splitRules(rules))
        collectInLine(line, rules, rename, all);
    return replaced(rules, std::move(all));
}

std::string renamedExpression(std::string_view expression, const RuleRename& rename) {
    std::vector<Replacement> all;
    collectInExpression(expression, rename, all);
    return replaced(expression, std::move(all));
}

std::string renamedText(std::string_view text, const RuleRename& rename) {
    std::vector<Replacement> all;
    collectInText(text, 0, rename, all);
    return replaced(text, std::move(all));
}

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
