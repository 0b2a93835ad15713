// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/rules/scintilla.h"

namespace gorsefinch::app {

// Colours a text of rules by the words that the compiler itself sees.
class RulesLexer : public QsciLexerCustom {
    Q_OBJECT

  public:
    enum Style { Plain, Keyword, Name, Number, Text, Colour, Comment, Wrong };

    explicit RulesLexer(QObject* parent = nullptr);
    const char* language() const override { return "rules"; }
    QString description(int style) const override;
    void styleText(int start, int end) override;
    void takeTheme();
};

}  // namespace gorsefinch::app
