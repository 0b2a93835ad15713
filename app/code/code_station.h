// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QStandardItemModel>

#include "app/widgets/newest_job.h"
#include "app/widgets/station.h"
#include "core/emit/hook_check.h"
#include "core/emit/output_folder.h"

class QLabel;
class QLineEdit;
class QPlainTextEdit;
class QPushButton;
class QTableView;
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
    // True until what is shown belongs to the project as it is.
    bool isPlanning() const { return job_.isBusy(); }
    bool goTo(const Problem& problem) override { return problem.place.starts_with("the generated"); }

  protected:
    void showEvent(QShowEvent* event) override;

  private:
    QWidget* makeTop();
    QWidget* makeFiles();
    QWidget* makeCosts();
    // What generation would do to the folder.
    struct Planned {
        GeneratedCode code;
        OutputPlan plan;
        Problems hookProblems;
    };
    void refresh();
    void plan();
    void adopt(Planned planned);
    void fillStatus();
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
    Planned planned_;
    bool stale_ = true;  // there were edits while the station was hidden
    bool generateWhenPlanned_ = false;
    std::shared_ptr<SceneBuilder> builder_ = std::make_shared<SceneBuilder>();  // used by the job alone
    NewestJob job_;                                                             // the last, as it ends first
};

}  // namespace gorsefinch::app
