// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/widgets/station.h"

class QLabel;
class QTimer;
class QsciScintilla;

namespace gorsefinch::app {

class RulesLexer;
class Session;

// The text of the rules, with completion, mistakes under the line, and how often each rule has run in the twin.
class RulesStation : public Station {
    Q_OBJECT

  public:
    explicit RulesStation(Session& session, QWidget* parent = nullptr);
    QString title() const override { return tr("Rules"); }
    QString figure() const override;
    QString help() const override { return tr("What happens when"); }
    int number() const override { return 6; }
    bool goTo(const Problem& problem) override;
    // Writes the beginning of a rule for a widget's tap at the end, and puts the cursor into it.
    void addTapRule(const QString& widget);

  protected:
    void showEvent(QShowEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    void makeEditor();
    void takeTheme();
    void edited();
    void showText();
    void refresh();
    void showProblems();
    void showRuns();
    void complete();
    QStringList completionsFor(const QString& before) const;
    QString ruleFile() const;
    size_t ruleCount() const;

    Session& session_;
    QsciScintilla* editor_;
    RulesLexer* lexer_;
    QLabel* summary_;
    bool filling_ = false;
    std::vector<int> shownRuns_;
};

}  // namespace gorsefinch::app
