// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/session.h"

#include <algorithm>

#include "core/emit/generate.h"

namespace gorsefinch::app {

namespace {

constexpr int kTick = 16;            // ms: one frame of a usual display
constexpr int kJournalDelay = 1500;  // ms after the last edit

Change difference(const Document& a, const Document& b) {
    Change change;
    change.panel = a.panel != b.panel || a.name != b.name;
    change.variables = a.variables != b.variables;
    change.looks = a.looks != b.looks;
    change.assets = a.images != b.images || a.faces != b.faces || a.usualRecipe != b.usualRecipe;
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
    journalTimer_.setSingleShot(true);
    journalTimer_.setInterval(kJournalDelay);
    connect(&journalTimer_, &QTimer::timeout, this, &Session::keepJournal);
    clock_.start();
}

Session::~Session() { waitForJournal(); }

QString Session::folder() const { return folder_ ? QString::fromStdString(folder_->path().string()) : QString(); }

Result<void> Session::open(const QString& path) {
    waitForJournal();
    // What is still to be kept belongs to the project that is left, not to the one that comes.
    journalTimer_.stop();
    auto folder = std::make_unique<ProjectFolder>(files_, path.toStdString());
    ReadProject project = folder->open();
    if (!project.document) {
        const Problem& problem = project.problems.front();
        return failure(problem.file, problem.place, problem.reason, problem.remedy);
    }
    const auto kept = folder->keepUnsaved(*project.document);
    folder_ = std::move(folder);
    openProblems_ = std::move(project.problems);
    adopt(std::move(*project.document));
    offerRecovery();
    if (!kept)
        tell(QString::fromStdString(kept.error().text()));
    return {};
}

Result<void> Session::create(const Document& document, const QString& path) {
    auto folder = std::make_unique<ProjectFolder>(files_, path.toStdString());
    if (files_.exists(folder->path() / kMainFile))
        return failure(path.toStdString(), "", "there is a project already", "Choose another folder");
    if (auto saved = folder->save(document); !saved)
        return saved;
    return open(path);
}

void Session::adopt(Document document) {
    history_ = std::make_unique<History>(std::move(document));
    history_->markSaved();
    builder_ = SceneBuilder();
    twin_.reset();
    screen_ = QString::fromStdString(this->document().screens.front()->name);
    selection_.clear();
    twinTime_ = 0;
    refresh(this->document(), true);
    runTwin(true);
}

Result<void> Session::save() {
    waitForJournal();
    journalTimer_.stop();
    auto saved = folder_->save(document());
    if (saved) {
        history_->markSaved();
        openProblems_.clear();
        Q_EMIT savedChanged();
    }
    return saved;
}

Result<void> Session::saveAs(const QString& path) {
    waitForJournal();
    auto folder = std::make_unique<ProjectFolder>(files_, path.toStdString());
    if (files_.exists(folder->path() / kMainFile))
        return failure(path.toStdString(), "", "there is a project already", "Choose another folder");
    if (auto saved = folder->save(document()); !saved)
        return saved;
    folder_->dropJournal();
    folder_ = std::move(folder);
    (void)folder_->open();
    history_->markSaved();
    Q_EMIT savedChanged();
    return {};
}

void Session::edit(const Document& next, const QString& label, const QString& merge) {
    if (stepping_)
        return;
    const Document before = document();
    history_->push(next, label.toStdString(), merge.toStdString());
    refresh(before, false);
    journalTimer_.start();
}

bool Session::edit(const Result<Document>& next, const QString& label, const QString& merge) {
    if (!next) {
        tell(QString::fromStdString(next.error().text()));
        return false;
    }
    edit(*next, label, merge);
    return !stepping_;
}

bool Session::addWidgets(const Document& document, std::vector<Widget> widgets, const QString& label) {
    if (widgets.empty())
        return false;
    Names added;
    const Document next = gorsefinch::addWidgets(document, screen_.toStdString(), std::move(widgets), &added);
    if (added.empty()) {
        tell(tr("A screen holds at most %1 widgets.").arg(kMostWidgets));
        return false;
    }
    edit(next, label);
    select(added);
    return true;
}

void Session::undo() {
    if (isOpen() && history_->canUndo())
        step([this] { history_->undo(); });
}

void Session::redo() {
    if (isOpen() && history_->canRedo())
        step([this] { history_->redo(); });
}

// A field that is open meanwhile may give its value on as it goes: taken as an edit, it would end what can be redone.
void Session::step(const std::function<void()>& move) {
    const Document before = document();
    stepping_ = true;
    move();
    refresh(before, false);
    stepping_ = false;
    journalTimer_.start();
}

void Session::rebuild() {
    scene_ = builder_.build(document());
    if (twin_)
        twin_->update(scene_);
    else
        twin_ = std::make_unique<Twin>(scene_);
    problems_ = openProblems_;
    problems_.insert(problems_.end(), scene_->problems.begin(), scene_->problems.end());
    const Problems more = generationProblems(*scene_);
    problems_.insert(problems_.end(), more.begin(), more.end());
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

void Session::waitForJournal() {
    if (journal_.valid())
        journal_.wait();
}

// A document is a value: it is written in another thread while the user edits the next one.
void Session::keepJournal() {
    waitForJournal();
    if (history_->isSaved()) {
        folder_->dropJournal();
        return;
    }
    journal_ = std::async(std::launch::async, [folder = folder_.get(), now = document()] {
        (void)folder->writeJournal(now);
    });
}

void Session::offerRecovery() {
    recovery_ = folder_->latestUnsaved();
    if (recovery_)
        Q_EMIT recoveryFound();
}

// What is restored stays on disk until the journal holds it.
void Session::restoreRecovery() {
    if (!recovery_)
        return;
    const ProjectFolder::Unsaved restored = *std::exchange(recovery_, std::nullopt);
    edit(restored.document, tr("Restore unsaved work"));
    keepJournal();
    waitForJournal();
    folder_->dropUnsaved(restored.file);
    offerRecovery();
}

void Session::dropRecovery() {
    if (!recovery_)
        return;
    folder_->dropUnsaved(std::exchange(recovery_, std::nullopt)->file);
    offerRecovery();
}

void Session::discardChanges() {
    waitForJournal();
    journalTimer_.stop();
    folder_->dropJournal();
}

}  // namespace gorsefinch::app
