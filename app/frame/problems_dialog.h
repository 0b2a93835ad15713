// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>

#include "core/check/fixes.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QListWidget;
class QPushButton;

namespace gorsefinch::app {

class Session;

// Lists the problems of the project, filtered and in groups. Goes to the chosen one, applies its fix if there is one,
// and marks it as meant so.
class ProblemsDialog : public QDialog {
    Q_OBJECT

  public:
    explicit ProblemsDialog(Session& session, QWidget* parent = nullptr);

  Q_SIGNALS:
    void chosen(const gorsefinch::Problem& problem);

  private:
    enum class Group { Severity, Screen, Kind };

    QWidget* makeFilters();
    QWidget* makeButtons();
    void refresh();
    void fillKinds(const Problems& all);
    void addHeading(const QString& words);
    bool isWanted(const Problem& problem) const;
    QString groupOf(const Problem& problem) const;
    QString wordsOf(const Problem& problem) const;
    // That of the current row; null without one.
    const Problem* current() const;
    std::optional<Fix> currentFix() const;
    void showActions();
    void fix();
    void mark();

    Session& session_;
    Problems problems_;  // those that are listed, in their order
    QLineEdit* filter_;
    QComboBox *kind_, *group_;
    QCheckBox* meant_;
    QListWidget* list_;
    QLabel *none_, *hint_;
    QPushButton *fix_, *mark_;
};

}  // namespace gorsefinch::app
