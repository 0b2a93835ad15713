// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QStandardItemModel>

#include "app/widgets/station.h"
#include "core/emit/hook_check.h"
#include "core/emit/output_folder.h"

class QLabel;
class QLineEdit;
class QPlainTextEdit;
class QPushButton;
class QTableView;
class QTimer;
class QTreeView;

namespace gorsefinch::app {

class Session;

// The files that generation would write, what each and everything costs, and how to compile them.
class CodeStation : public Station {
    Q_OBJECT

  public:
    explicit CodeStation(Session& session, QWidget* parent = nullptr);
    QString title() const override { return tr("Code"); }
    QString figure() const override;
    QString help() const override { return tr("Generate the display code, and what it costs"); }
    int number() const override { return 8; }
    bool goTo(const Problem& problem) override { return problem.place.starts_with("the generated"); }

  protected:
    void showEvent(QShowEvent* event) override;

  private:
    QWidget* makeTop();
    QWidget* makeFiles();
    QWidget* makeCosts();
    void refresh();
    void plan();
    void fillFiles();
    void fillCosts();
    void showFile();
    void generate();
    QString outputFolder() const;

    Session& session_;
    QLineEdit* folder_ = nullptr;
    QPushButton* generate_ = nullptr;
    QLabel *status_ = nullptr, *command_ = nullptr;
    QTableView* files_ = nullptr;
    QStandardItemModel* fileModel_ = nullptr;
    QPlainTextEdit* text_ = nullptr;
    QTreeView* costs_ = nullptr;
    QStandardItemModel* costModel_ = nullptr;
    Disk disk_;
    GeneratedCode code_;
    OutputPlan plan_;
    Problems hookProblems_;
    bool stale_ = true;
    QTimer* later_ = nullptr;  // counts what is to write once edits pause
};

}  // namespace gorsefinch::app
