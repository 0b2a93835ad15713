// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QElapsedTimer>
#include <QObject>
#include <QString>
#include <QStringList>
#include <QTimer>
#include <functional>
#include <memory>

#include "app/session/project_store.h"
#include "core/document/history.h"
#include "core/edits/edit.h"
#include "core/emit/scene_report.h"
#include "core/sim/twin.h"

namespace gorsefinch::app {

// What an edit changed, so that a view can leave alone what it doesn't show.
struct Change {
    bool opened = false;  // another project
    bool panel = false, variables = false, looks = false, assets = false, rules = false;
    bool screenList = false;  // order, number or names of screens
    bool screens = false;     // any screen's content
};

// The open project: its documents, the scene built from them, the twin that runs it, and what is selected. Views read
// from here and edit through here; they don't know each other.
class Session : public QObject {
    Q_OBJECT

  public:
    explicit Session(QObject* parent = nullptr);
    ~Session() override;

    // Opens a project's folder. An error if nothing can be opened; what is merely damaged is listed by problems().
    Result<void> open(const QString& folder);
    // Makes a project in a folder and opens it.
    Result<void> create(const Document& document, const QString& folder);
    Result<void> save();
    Result<void> saveAs(const QString& folder);
    bool isOpen() const { return history_ != nullptr; }
    // The project's folder: the right to write in it, and changes of other programs.
    ProjectStore& store() { return store_; }
    const ProjectStore& store() const { return store_; }
    // False while the project is open read-only: edits are refused with a notice.
    bool mayEdit() const { return store_.mayWrite(); }
    // Takes the project from the process that has it.
    Result<void> takeOver();

    // Reads the project on disk and merges it with this one, to be reviewed. An error if it cannot be read; keepOurs()
    // then lets the next save overwrite it.
    struct Review {
        Document theirs;
        Merge merge;
    };
    Result<Review> reviewOutside();
    // Applies the merge that was reviewed, as one edit. From then on save() may overwrite what was reviewed, but
    // nothing that changed later.
    Result<void> applyReviewed(const std::map<std::string, MergeSide>& choices);
    void keepOurs();
    QString folder() const;

    const Document& document() const { return history_->now(); }
    const BuiltSceneRef& scene() const { return scene_; }
    Twin& twin() { return *twin_; }
    ImageBakery& images() { return builder_.images(); }
    // A font that the interface uses; null if nothing uses it. Valid until the next edit.
    const BakedFont* font(const FontKey& key) const { return builder_.font(key); }
    const Problems& problems() const { return problems_; }
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
    void undo();
    void redo();

    // What a crash left unsaved. It waits, whatever else is edited and saved, until the user restores or drops it; then
    // the next earlier one is offered, if there is one.
    bool hasRecovery() const { return recovery_.has_value(); }
    void restoreRecovery();
    void dropRecovery();
    // Forgets the changes that are not saved, as the user leaves the project.
    void discardChanges();

    // The screen that is edited, and the selected widgets on it.
    QString screenName() const { return screen_; }
    int screenIndex() const { return isOpen() ? document().screenIndex(screen_.toStdString()) : -1; }
    ScreenRef screen() const { return document().screen(screen_.toStdString()); }
    const Names& selection() const { return selection_; }
    std::vector<WidgetRef> selectedWidgets() const;
    void showScreen(const QString& name);
    void select(const Names& names);

    bool isTwinRunning() const { return ticker_.isActive(); }
    void runTwin(bool run);
    void restartTwin();
    // A finger at a pixel of the twin's interface, and a step. Shows an error if its panel has no touch.
    void touchTwin(const QPoint& at, bool down);
    // One step of the twin now, for what must show at once.
    void stepTwin();

    // A line at the window's foot: what was refused, or what was done well.
    void showError(const QString& error) { Q_EMIT noticed(error, false); }
    void showDone(const QString& done) { Q_EMIT noticed(done, true); }

  Q_SIGNALS:
    void changed(const gorsefinch::app::Change& change);
    void selectionChanged();
    void twinStepped();
    void savedChanged();
    void noticed(const QString& notice, bool well);
    void recoveryFound();

  private:
    void adopt(Document document);
    void step(const std::function<void()>& move);
    void refresh(const Document& before, bool opened);
    void rebuild();
    void keepSelection();
    void offerRecovery();
    void lookOutside(bool atOnce);
    void followOutside();
    std::optional<QString> refusal(const Document& next) const;

    ProjectStore store_;
    std::unique_ptr<History> history_;
    Document base_;  // the project as it was last read from or written to disk
    std::optional<ProjectFolder::Theirs> reviewed_;
    SceneBuilder builder_;
    BuiltSceneRef scene_;
    SceneReporter reporter_;
    Costs costs_;
    std::unique_ptr<Twin> twin_;
    Problems openProblems_, problems_;
    std::optional<ProjectFolder::Unsaved> recovery_;
    QString screen_;
    Names selection_;
    QTimer ticker_, outsideTimer_;
    QElapsedTimer clock_;
    qint64 twinTime_ = 0, lastTick_ = 0;
    bool stepping_ = false;  // an undo or a redo is being announced
};

}  // namespace gorsefinch::app
