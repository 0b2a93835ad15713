// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <QTimer>
#include <functional>
#include <memory>

#include "app/session/saved_project.h"
#include "app/session/selection.h"
#include "app/session/twin_runner.h"
#include "core/check/project_check.h"
#include "core/document/history.h"
#include "core/emit/scene_report.h"

namespace gorsefinch::app {

// What an edit changed, so that a view can leave alone what it doesn't show.
struct Change {
    bool opened = false;  // another project
    bool panel = false, variables = false, looks = false, assets = false, rules = false;
    bool screenList = false;  // order, number or names of screens
    bool screens = false;     // any screen's content
};

// The document that is edited, its history, and the scene built from it. Beside it are what is selected, the twin
// that runs the scene, and the project on disk. Views read from here and edit through here; they don't know each other.
class Session : public QObject {
    Q_OBJECT

  public:
    explicit Session(QObject* parent = nullptr);
    ~Session() override;

    Selection& selection() { return selection_; }
    const Selection& selection() const { return selection_; }
    TwinRunner& runner() { return runner_; }
    const TwinRunner& runner() const { return runner_; }
    SavedProject& project() { return project_; }
    const SavedProject& project() const { return project_; }

    // Opens a project's folder. An error if nothing can be opened; what is merely damaged is listed by problems().
    Result<void> open(const QString& folder);
    // Makes a project in a folder and opens it.
    Result<void> create(const Document& document, const QString& folder);
    Result<void> save();
    Result<void> saveAs(const QString& folder);
    bool isOpen() const { return history_ != nullptr; }
    // False while the project is open read-only: edits are refused with a notice.
    bool mayEdit() const { return project_.store().mayWrite(); }
    // Takes the project from the process that has it.
    Result<void> takeOver();
    // Applies the merge with the project on disk that was reviewed, as one edit.
    Result<void> applyReviewed(const std::map<std::string, MergeSide>& choices);
    // Makes what a crash left unsaved the present document.
    void restoreRecovery();
    // Forgets the changes that are not saved, as the user leaves the project.
    void discardChanges() { project_.store().forgetUnsaved(); }

    const Document& document() const { return history_->now(); }
    const BuiltSceneRef& scene() const { return scene_; }
    // What canvas and twin show: the scene, or that of a preview.
    const BuiltSceneRef& shownScene() const { return previewed_ ? previewed_ : scene_; }
    ImageBakery& images() { return builder_.images(); }
    // A font that the interface uses; null if nothing uses it.
    FontRef font(const FontKey& key) const { return builder_.font(key); }
    // Without those that are meant so. Those of screens come a little after an edit, with problemsChanged().
    const SharedProblems& problems() const { return problems_; }
    const Problems& problemsMeantSo() const { return meantSo_; }
    // What the project costs on its target.
    const Costs& costs() const { return costs_; }
    const History& history() const { return *history_; }

    // Makes an edit the present. `merge` joins successive edits of one gesture.
    void edit(const Document& next, const QString& label, const QString& merge = {});
    // The same for an edit that may be refused, which is shown as a notice.
    bool edit(const Result<Document>& next, const QString& label, const QString& merge = {});
    // Adds widgets to the screen that is edited, of a document that may have changed already, and selects them. False,
    // and an error shown, if the screen has no room for them.
    bool addWidgets(const Document& document, std::vector<Widget> widgets, const QString& label);
    void endGesture() { history_->endMerging(); }
    // Shows on the canvas and in the twin what an edit would give, until the next edit or endPreview(). The document
    // stays as it is. What would be refused is not shown.
    void preview(const Document& next);
    void endPreview();
    bool isPreviewing() const { return previewed_ != nullptr; }
    void undo();
    void redo();

    // A line at the window's foot: what was refused, or what was done well.
    void showError(const QString& error) { Q_EMIT noticed(error, false); }
    void showDone(const QString& done) { Q_EMIT noticed(done, true); }

  Q_SIGNALS:
    void changed(const gorsefinch::app::Change& change);
    void previewChanged();
    // Checks that take their time have found others.
    void problemsChanged();
    void savedChanged();
    void noticed(const QString& notice, bool well);

  private:
    void adopt(Document document);
    void step(const std::function<void()>& move);
    void refresh(const Document& before, bool opened);
    void rebuild();
    void goOnChecking();
    void gatherProblems();
    void lookOutside(bool atOnce);
    std::optional<QString> refusal(const Document& next) const;

    SavedProject project_;
    std::unique_ptr<History> history_;
    SceneBuilder builder_;
    SceneBuilder targetBuilder_{false};  // for the costs of a project with assemblies
    BuiltSceneRef scene_, previewed_;
    SceneReporter reporter_;
    ProjectCheck check_;
    QTimer checkTimer_;
    SharedProblems found_;  // with the document itself, before its checks
    Costs costs_;
    SharedProblems problems_;
    Problems meantSo_;
    TwinRunner runner_;
    Selection selection_{*this};
    bool stepping_ = false;  // an undo or a redo is being announced
};

}  // namespace gorsefinch::app
