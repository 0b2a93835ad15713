// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/session.h"

#include <algorithm>

#include "core/project/project_text.h"

namespace gorsefinch::app {

namespace {

constexpr int kTick = 16;           // ms: one frame of a common display
constexpr int kOutsideLook = 2000;  // ms between checks for changes of other programs

Change difference(const Document& a, const Document& b) {
    Change change;
    change.panel = a.panel != b.panel || a.name != b.name;
    change.variables = a.variables != b.variables;
    change.looks = a.looks != b.looks;
    change.assets = a.images != b.images || a.faces != b.faces || a.defaultRecipe != b.defaultRecipe;
    change.rules = a.rules != b.rules;
    change.screens = a.screens != b.screens;
    change.screenList = a.screens.size() != b.screens.size();
    for (size_t i = 0; i < a.screens.size() && !change.screenList; ++i)
        change.screenList = a.screens[i]->name != b.screens[i]->name;
    return change;
}

}  // namespace

Session::Session(QObject* parent) : QObject(parent) {
    ticker_.setInterval(kTick);
    ticker_.setTimerType(Qt::PreciseTimer);
    connect(&ticker_, &QTimer::timeout, this, &Session::stepTwin);
    outsideTimer_.setInterval(kOutsideLook);
    connect(&outsideTimer_, &QTimer::timeout, this, [this] { lookOutside(false); });
    connect(&store_, &ProjectStore::failed, this, &Session::showError);
    clock_.start();
}

Session::~Session() = default;

QString Session::folder() const { return QString::fromStdString(store_.path().string()); }

Result<void> Session::open(const QString& path) {
    auto project = store_.open(path.toStdString());
    if (!project)
        return tl::unexpected(project.error());
    openProblems_ = std::move(project->problems);
    adopt(std::move(*project->document));
    outsideTimer_.start();
    offerRecovery();
    return {};
}

Result<void> Session::create(const Document& document, const QString& path) {
    Disk& disk = store_.disk();
    ProjectFolder folder(disk, path.toStdString());
    if (folder.holdsProject())
        return failure(path.toStdString(), "", "there is a project already", "Choose another folder");
    if (auto saved = folder.save(document); !saved)
        return saved;
    return open(path);
}

void Session::adopt(Document document) {
    base_ = document;
    history_ = std::make_unique<History>(std::move(document));
    history_->markSaved();
    builder_ = SceneBuilder();
    reporter_ = SceneReporter();
    twin_.reset();
    screen_ = QString::fromStdString(this->document().screens.front()->name);
    selection_.clear();
    twinTime_ = 0;
    refresh(this->document(), true);
    runTwin(true);
}

Result<void> Session::save() {
    lookOutside(true);
    auto saved = store_.save(document());
    if (saved) {
        base_ = document();
        history_->markSaved();
        openProblems_.clear();
        Q_EMIT savedChanged();
    } else if (saved.error().code == kChangedOutside) {
        lookOutside(true);
    }
    return saved;
}

Result<void> Session::saveAs(const QString& path) {
    if (auto saved = store_.saveAs(document(), path.toStdString()); !saved)
        return saved;
    base_ = document();
    history_->markSaved();
    Q_EMIT savedChanged();
    return {};
}

void Session::edit(const Document& next, const QString& label, const QString& merge) {
    if (stepping_)
        return;
    if (const auto refused = refusal(next)) {
        showError(*refused);
        // Fields show the current values again.
        Q_EMIT changed({false, true, true, true, true, true, true, true});
        return;
    }
    const Document before = document();
    history_->push(next, label.toStdString(), merge.toStdString());
    refresh(before, false);
    store_.keep(document(), history_->isSaved());
}

// Returns why an edit is refused, or nothing.
std::optional<QString> Session::refusal(const Document& next) const {
    if (!mayEdit())
        return tr("The project is open read-only: %1. Take it over, or save it into another folder, to edit it.")
            .arg(store_.reason());
    if (const auto limit = exceededLimit(document(), next))
        return QString::fromStdString(*limit);
    return std::nullopt;
}

bool Session::edit(const Result<Document>& next, const QString& label, const QString& merge) {
    if (!next) {
        showError(QString::fromStdString(next.error().text()));
        return false;
    }
    if (stepping_ || refusal(*next)) {
        edit(*next, label, merge);
        return false;
    }
    edit(*next, label, merge);
    return true;
}

bool Session::addWidgets(const Document& document, std::vector<Widget> widgets, const QString& label) {
    if (widgets.empty())
        return false;
    Names added;
    const Document next = gorsefinch::addWidgets(document, screen_.toStdString(), std::move(widgets), &added);
    if (added.empty()) {
        showError(tr("A screen holds at most %1 widgets.").arg(kMaxWidgets));
        return false;
    }
    if (!edit(Result<Document>(next), label))
        return false;
    select(added);
    return true;
}

void Session::undo() {
    if (isOpen() && mayEdit() && history_->canUndo())
        step([this] { history_->undo(); });
}

void Session::redo() {
    if (isOpen() && mayEdit() && history_->canRedo())
        step([this] { history_->redo(); });
}

// A field that is open meanwhile may give its value on as it goes: taken as an edit, it would end what can be redone.
void Session::step(const std::function<void()>& move) {
    const Document before = document();
    stepping_ = true;
    move();
    refresh(before, false);
    stepping_ = false;
    store_.keep(document(), history_->isSaved());
}

void Session::rebuild() {
    scene_ = builder_.build(document());
    if (twin_)
        twin_->update(scene_);
    else
        twin_ = std::make_unique<Twin>(scene_);
    problems_ = openProblems_;
    problems_.insert(problems_.end(), scene_->problems.begin(), scene_->problems.end());
    SceneReport report = reporter_.report(*scene_);
    costs_ = std::move(report.costs);
    problems_.insert(problems_.end(), report.problems.begin(), report.problems.end());
}

void Session::refresh(const Document& before, bool opened) {
    Change change = difference(before, document());
    if (opened)
        change = {true, true, true, true, true, true, true, true};
    // A screen that was renamed is still the one that is edited.
    if (change.screenList && screenIndex() < 0) {
        const int at = before.screenIndex(screen_.toStdString());
        const auto last = static_cast<int>(document().screens.size()) - 1;
        screen_ = QString::fromStdString(document().screens[static_cast<size_t>(std::clamp(at, 0, last))]->name);
    }
    rebuild();
    keepSelection();
    Q_EMIT changed(change);
    Q_EMIT savedChanged();
    Q_EMIT twinStepped();
}

void Session::keepSelection() {
    const ScreenRef on = screen();
    const size_t before = selection_.size();
    std::erase_if(selection_, [&](const std::string& name) { return widgetIndex(*on, name) < 0; });
    if (selection_.size() != before)
        Q_EMIT selectionChanged();
}

std::vector<WidgetRef> Session::selectedWidgets() const {
    std::vector<WidgetRef> out;
    if (!isOpen())
        return out;
    const ScreenRef on = screen();
    for (const std::string& name : selection_)
        if (const int at = widgetIndex(*on, name); at >= 0)
            out.push_back(on->widgets[static_cast<size_t>(at)]);
    return out;
}

void Session::showScreen(const QString& name) {
    if (name == screen_ || document().screenIndex(name.toStdString()) < 0)
        return;
    screen_ = name;
    selection_.clear();
    Q_EMIT selectionChanged();
}

void Session::select(const Names& names) {
    if (names == selection_)
        return;
    history_->endMerging();
    selection_ = names;
    Q_EMIT selectionChanged();
}

void Session::runTwin(bool run) {
    lastTick_ = clock_.elapsed();
    if (run)
        ticker_.start();
    else
        ticker_.stop();
    Q_EMIT twinStepped();
}

void Session::restartTwin() {
    twin_->restart();
    stepTwin();
}

void Session::touchTwin(const QPoint& at, bool down) {
    if (!twin_->touch(at.x(), at.y(), down) && down)
        showError(tr("This panel has no touch, as the station Panel says."));
    stepTwin();
}

void Session::stepTwin() {
    if (!twin_)
        return;
    const qint64 now = clock_.elapsed();
    if (ticker_.isActive())
        twinTime_ += std::min<qint64>(now - lastTick_, 1000);
    lastTick_ = now;
    twin_->step(static_cast<uint32_t>(twinTime_));
    (void)twin_->takeFlushed();
    (void)twin_->takeTrace();
    Q_EMIT twinStepped();
}

Result<void> Session::takeOver() {
    if (auto taken = store_.takeOver(base_); !taken)
        return taken;
    offerRecovery();
    lookOutside(true);
    return {};
}

void Session::lookOutside(bool atOnce) {
    if (!isOpen())
        return;
    store_.checkOutside(document(), atOnce);
    followOutside();
}

// A read-only project without own changes follows what is saved elsewhere.
void Session::followOutside() {
    if (store_.mayWrite() || !history_->isSaved() || store_.outsideChanges().isEmpty())
        return;
    ProjectFolder::Theirs theirs = store_.readTheirs();
    if (!theirs.project.document)
        return;
    const Document before = document();
    base_ = *theirs.project.document;
    openProblems_ = theirs.project.problems;
    history_ = std::make_unique<History>(base_);
    history_->markSaved();
    store_.markSeen(theirs);
    refresh(before, false);
}

Result<Session::Review> Session::reviewOutside() {
    reviewed_ = store_.readTheirs();
    const ReadProject& project = reviewed_->project;
    if (!project.document) {
        const Problem& problem = project.problems.front();
        return failure(problem.file, problem.place, problem.reason, problem.remedy);
    }
    return Review{*project.document, mergeDocuments(base_, document(), *project.document)};
}

Result<void> Session::applyReviewed(const std::map<std::string, MergeSide>& choices) {
    const auto theirs = std::exchange(reviewed_, std::nullopt);
    if (!theirs || !theirs->project.document)
        return failure(folder().toStdString(), "", "there is nothing to merge", "Review the changes first");
    const Merge merge = mergeDocuments(base_, document(), *theirs->project.document, choices);
    if (const auto refused = refusal(merge.document))
        return failure(folder().toStdString(), "", refused->toStdString(), "");
    base_ = *theirs->project.document;
    store_.markSeen(*theirs);
    openProblems_ = theirs->project.problems;
    edit(merge.document, tr("Merge changes from outside"));
    if (toFiles(document()) == toFiles(base_)) {
        history_->markSaved();
        store_.keep(document(), true);
        Q_EMIT savedChanged();
    }
    return {};
}

void Session::keepOurs() {
    if (const auto theirs = std::exchange(reviewed_, std::nullopt))
        store_.markSeen(*theirs);
}

void Session::offerRecovery() {
    recovery_ = store_.mayWrite() ? store_.latestUnsaved() : std::nullopt;
    if (recovery_)
        Q_EMIT recoveryFound();
}

// Restored work stays on disk until the journal holds it.
void Session::restoreRecovery() {
    if (!recovery_)
        return;
    const ProjectFolder::Unsaved restored = *std::exchange(recovery_, std::nullopt);
    if (!edit(Result<Document>(restored.document), tr("Restore unsaved work")))
        return;
    if (const auto kept = store_.keepNow(document()); !kept) {
        showError(QString::fromStdString(kept.error().text()));
        return;
    }
    store_.dropUnsaved(restored.file);
    offerRecovery();
}

void Session::dropRecovery() {
    if (!recovery_)
        return;
    store_.dropUnsaved(std::exchange(recovery_, std::nullopt)->file);
    offerRecovery();
}

void Session::discardChanges() { store_.forgetUnsaved(); }

}  // namespace gorsefinch::app
