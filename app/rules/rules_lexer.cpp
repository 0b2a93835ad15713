// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/rules/rules_lexer.h"

#include <algorithm>

#include "app/theme/theme.h"
#include "core/rules/lexer.h"
#include "core/rules/rule_words.h"

namespace gorsefinch::app {

RulesLexer::RulesLexer(QObject* parent) : QsciLexerCustom(parent) { takeTheme(); }

void RulesLexer::takeTheme() {
    const QColor paper = Theme::colour(Role::Field);
    setDefaultPaper(paper);
    setDefaultColor(Theme::colour(Role::Text));
    QFont font = Theme::figures();
    font.setPointSizeF(10);  // the editor knows only points
    setDefaultFont(font);
    for (int style = Plain; style <= Wrong; ++style) {
        setPaper(paper, style);
        setFont(font, style);
        setColor(Theme::colour(Role::Text), style);
    }
    font.setBold(true);
    setFont(font, Keyword);
    setColor(Theme::colour(Role::Bound), Name);
    setColor(Theme::colour(Role::Well), Number);
    setColor(Theme::colour(Role::Well), Text);
    setColor(Theme::colour(Role::Well), Colour);
    setColor(Theme::colour(Role::QuietText), Comment);
    setColor(Theme::colour(Role::Error), Wrong);
}

QString RulesLexer::description(int style) const {
    static const char* const names[] = {"plain", "keyword", "name", "number", "text", "colour", "comment", "wrong"};
    return style >= Plain && style <= Wrong ? QString(names[style]) : QString();
}

// Lines are short and rules few: all of it is styled again each time, which keeps it right.
void RulesLexer::styleText(int, int) {
    static const std::vector<std::string> keywords = ruleKeywords();
    const std::string text = editor()->text().toStdString();
    startStyling(0);
    size_t done = 0;
    const auto plainUpTo = [&](size_t end) {
        // Blanks and comments are between words.
        const size_t comment = text.substr(done, end - done).find("//");
        if (comment != std::string::npos) {
            setStyling(static_cast<int>(comment), Plain);
            setStyling(static_cast<int>(end - done - comment), Comment);
        } else {
            setStyling(static_cast<int>(end - done), Plain);
        }
        done = end;
    };
    for (const TokenLine& line : splitRules(text))
        for (const Token& token : line.tokens) {
            if (token.type == TokenType::End)
                continue;
            plainUpTo(token.begin);
            const bool keyword = token.type == TokenType::Name &&
                                 std::find(keywords.begin(), keywords.end(), token.text) != keywords.end();
            const Style style = keyword                           ? Keyword
                                : token.type == TokenType::Name   ? Name
                                : token.type == TokenType::Number ? Number
                                : token.type == TokenType::Text   ? Text
                                : token.type == TokenType::Colour ? Colour
                                : token.type == TokenType::Bad    ? Wrong
                                                                  : Plain;
            setStyling(static_cast<int>(token.end - token.begin), style);
            done = token.end;
        }
    plainUpTo(text.size());
}

}  // namespace gorsefinch::app
