// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/session.h"

#include <QElapsedTimer>

#include "core/check/budget_check.h"
#include "core/document/widget_tree.h"

namespace gorsefinch::app {

namespace {

// ms: after the last edit, and at a time.
constexpr int kCheckPause = 150, kCheckSlice = 6;

Change difference(const Document& a, const Document& b) {
    Change change;
    change.panel = a.panel != b.panel || a.name != b.name;
    change.variables = a.variables != b.variables;
    change.looks = a.looks != b.looks || a.named != b.named;
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
    connect(&project_, &SavedProject::lookDue, this, [this] { lookOutside(false); });
    connect(&project_.store(), &ProjectStore::failed, this, &Session::showError);
    connect(&runner_, &TwinRunner::refused, this, &Session::showError);
    checkTimer_.setSingleShot(true);
    connect(&checkTimer_, &QTimer::timeout, this, &Session::goOnChecking);
}

Session::~Session() = default;

Result<void> Session::open(const QString& folder) {
    auto document = project_.open(folder);
    if (!document)
        return tl::unexpected(document.error());
    adopt(std::move(*document));
    project_.offerRecovery();
    return {};
}

Result<void> Session::create(const Document& document, const QString& folder) {
    if (auto created = project_.create(document, folder); !created)
        return created;
    return open(folder);
}

void Session::adopt(Document document) {
    history_ = std::make_unique<History>(std::move(document));
    history_->markSaved();
    builder_ = SceneBuilder();
    targetBuilder_ = SceneBuilder(false);
    check_ = ProjectCheck();
    reporter_ = SceneReporter();
    runner_.reset();
    selection_.reset();
    refresh(this->document(), true);
    runner_.run(true);
}

Result<void> Session::save() {
    lookOutside(true);
    auto saved = project_.save(document());
    if (saved) {
        history_->markSaved();
        Q_EMIT savedChanged();
    } else if (saved.error().code == kChangedOutside) {
        lookOutside(true);
    }
    return saved;
}

Result<void> Session::saveAs(const QString& folder) {
    if (auto saved = project_.saveAs(document(), folder); !saved)
        return saved;
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
    project_.store().keep(document(), history_->isSaved());
}

// Returns why an edit is refused, or nothing.
std::optional<QString> Session::refusal(const Document& next) const {
    if (!mayEdit())
        return tr("The project is open read-only: %1. Take it over, or save it into another folder, to edit it.")
            .arg(project_.store().reason());
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
    const int inside = selection_.containerIndex();
    const int depth = inside < 0 ? 0 : selection_.screen()->widgets[static_cast<size_t>(inside)]->depth + 1;
    if (std::any_of(widgets.begin(), widgets.end(),
                    [&](const Widget& each) { return each.depth + depth > kMaxDepth; })) {
        showError(tr("Groups lie at most %1 deep: take some of them apart.").arg(kMaxDepth));
        return false;
    }
    Names added;
    std::vector<bool> isOuter;  // not in another one of them
    for (const Widget& each : widgets)
        isOuter.push_back(each.depth == 0);
    const Offset origin = originIn(selection_.screen()->widgets, inside);
    for (Widget& each : widgets)
        if (each.depth == 0)
            setBox(each, each.x - origin.x, each.y - origin.y, each.w, each.h);
    const Document next = gorsefinch::addWidgets(document, selection_.screenName().toStdString(), std::move(widgets),
                                                 &added, inside < 0 ? "" : selection_.container());
    if (added.empty()) {
        showError(tr("A screen holds at most %1 widgets.").arg(kMaxWidgets));
        return false;
    }
    if (!edit(Result<Document>(next), label))
        return false;
    Names outer;
    for (size_t i = 0; i < added.size(); ++i)
        if (isOuter[i])
            outer.push_back(added[i]);
    selection_.select(outer);
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
    project_.store().keep(document(), history_->isSaved());
}

void Session::preview(const Document& next) {
    if (!isOpen() || stepping_ || refusal(next))
        return;
    previewed_ = builder_.build(next);
    runner_.lookAt(previewed_);
    Q_EMIT previewChanged();
    Q_EMIT runner_.stepped();
}

void Session::endPreview() {
    if (!previewed_)
        return;
    previewed_.reset();
    scene_ = builder_.build(document());
    runner_.goBack(scene_);
    Q_EMIT previewChanged();
    Q_EMIT runner_.stepped();
}

void Session::rebuild() {
    previewed_.reset();
    scene_ = builder_.build(document());
    runner_.update(scene_);
    SceneReport report = reporter_.report(scene_->showsAssemblies() ? *targetBuilder_.build(document()) : *scene_);
    costs_ = std::move(report.costs);
    found_ = {};
    found_.add(project_.problems());
    found_.add(scene_->problems);
    found_.add(std::move(report.problems));
    found_.add(budgetProblems(*document().panel, costs_));
    check_.follow(scene_);
    gatherProblems();
    checkTimer_.start(kCheckPause);
}

// The slow checks, a few milliseconds at a time while nothing else is to be done.
void Session::goOnChecking() {
    if (!isOpen())
        return;
    QElapsedTimer spent;
    spent.start();
    bool any = false, more = true;
    while (more && spent.elapsed() < kCheckSlice) {
        more = check_.checkNext(static_cast<size_t>(std::max(selection_.screenIndex(), 0)));
        any = any || more;
    }
    if (more)
        checkTimer_.start(0);
    if (!any)
        return;
    gatherProblems();
    Q_EMIT problemsChanged();
}

void Session::gatherProblems() {
    SharedProblems all = found_;
    all.add(check_.problems());
    meantSo_.clear();
    if (document().meantSo->empty()) {
        problems_ = std::move(all);
        return;
    }
    Problems open;
    for (const Problem& each : all)
        (meantSo(*document().meantSo, each) ? meantSo_ : open).push_back(each);
    problems_ = {};
    problems_.add(std::move(open));
}

void Session::refresh(const Document& before, bool opened) {
    Change change = difference(before, document());
    if (opened)
        change = {true, true, true, true, true, true, true, true};
    if (change.screenList)
        selection_.followScreen(before);
    rebuild();
    selection_.dropMissing();
    Q_EMIT changed(change);
    Q_EMIT savedChanged();
    Q_EMIT runner_.stepped();
}

Result<void> Session::takeOver() {
    if (auto taken = project_.takeOver(); !taken)
        return taken;
    lookOutside(true);
    return {};
}

void Session::lookOutside(bool atOnce) {
    if (!isOpen())
        return;
    auto followed = project_.lookOutside(document(), history_->isSaved(), atOnce);
    if (!followed)
        return;
    const Document before = document();
    history_ = std::make_unique<History>(std::move(*followed));
    history_->markSaved();
    refresh(before, false);
}

Result<void> Session::applyReviewed(const std::map<std::string, MergeSide>& choices) {
    const auto merged = project_.mergeReviewed(document(), choices);
    if (!merged)
        return tl::unexpected(merged.error());
    if (const auto refused = refusal(*merged))
        return failure(project_.folder().toStdString(), "", refused->toStdString(), "");
    project_.acceptReviewed();
    edit(*merged, tr("Merge changes from outside"));
    if (project_.isAsRead(document())) {
        history_->markSaved();
        project_.store().keep(document(), true);
        Q_EMIT savedChanged();
    }
    return {};
}

void Session::restoreRecovery() {
    if (!project_.hasRecovery())
        return;
    const Document restored = project_.recovery()->document;
    if (!edit(Result<Document>(restored), tr("Restore unsaved work")))
        return;
    if (const auto kept = project_.finishRecovery(document()); !kept)
        showError(QString::fromStdString(kept.error().text()));
}

}  // namespace gorsefinch::app
