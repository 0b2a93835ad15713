// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/frame/project_bars.h"

#include <QMessageBox>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/frame/merge_dialog.h"
#include "app/frame/notice_bar.h"
#include "app/session/session.h"
#include "app/widgets/counted.h"
#include "app/widgets/from_std.h"

namespace gorsefinch::app {

ProjectBars::ProjectBars(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    makeRecovery();
    makeLook();
    makeOutside();
    for (NoticeBar* each : {recovery_, look_, outside_})
        column->addWidget(each);
    connect(&session.project(), &SavedProject::recoveryFound, recovery_, &QWidget::show);
    connect(&session.project().store(), &ProjectStore::accessChanged, this, &ProjectBars::refreshAccess);
    connect(&session.project().store(), &ProjectStore::outsideChanged, this, &ProjectBars::refreshOutside);
}

void ProjectBars::makeRecovery() {
    recovery_ = new NoticeBar("recovery", this);
    recovery_->setText(
        tr("Gorsefinch ended last time before this project was saved. What was not saved is still there."));
    recovery_->addButton("restore", tr("R&estore it"), tr("Replaces what you see; Ctrl+Z undoes it (Alt+E)"), [this] {
        recovery_->hide();
        session_.restoreRecovery();
    });
    recovery_->addButton("drop_recovery", tr("Drop it"),
                         tr("Deletes it for good. Until then it waits, whatever you edit and save"), [this] {
                             recovery_->hide();
                             session_.project().dropRecovery();
                         });
}

void ProjectBars::makeLook() {
    look_ = new NoticeBar("look_only", this);
    look_->addButton("look_save_as", tr("Save as…"),
                     tr("Saves what you see into another folder, and opens that (Ctrl+Shift+S)"),
                     [this] { Q_EMIT saveAsRequested(); });
    takeOver_ =
        look_->addButton("take_over", tr("&Take over…"),
                         tr("Makes this window the one that edits and saves the project; you are asked first (Alt+T)"),
                         [this] { takeOver(); });
}

void ProjectBars::makeOutside() {
    outside_ = new NoticeBar("outside_changes", this);
    outside_->addButton("review_outside", tr("&Review…"),
                        tr("Shows what changed here and on disk, and merges it (Alt+R)"), [this] { reviewOutside(); });
}

void ProjectBars::reset() {
    for (NoticeBar* each : {recovery_, look_, outside_})
        each->hide();
}

void ProjectBars::refreshAccess() {
    const ProjectStore& store = session_.project().store();
    look_->setVisible(store.isOpen() && !store.mayWrite());
    takeOver_->setVisible(store.access() != ProjectStore::Access::NotWritable);
    if (store.access() == ProjectStore::Access::TakenOver)
        look_->setText(
            tr("This project was taken over: %1. Changes since then can't be saved here.").arg(store.reason()));
    else if (store.access() == ProjectStore::Access::NotWritable)
        look_->setText(tr("Opened read-only: %1. Save it into another folder to edit it.").arg(store.reason()));
    else
        look_->setText(tr("Opened read-only: %1. It follows what is saved there; nothing can be edited here.")
                           .arg(store.reason()));
    if (!store.mayWrite())
        recovery_->hide();
}

void ProjectBars::refreshOutside() {
    const QStringList& files = session_.project().store().outsideChanges();
    outside_->setVisible(!files.isEmpty() && session_.project().store().mayWrite());
    if (files.isEmpty())
        return;
    const QString shown = files.mid(0, 3).join(", ");
    outside_->setText(files.size() > 3 ? tr("Another program changed %1 and %2 in this project's folder.")
                                             .arg(shown, counted(files.size() - 3, tr("more file"), tr("more files")))
                                       : tr("Another program changed %1 in this project's folder.").arg(shown));
}

bool ProjectBars::reviewOutside() {
    const auto review = session_.project().review(session_.document());
    if (!review)
        return keepOurs(fromStd(review.error().text()));
    MergeDialog dialog(review->merge, session_.document(), review->theirs, this);
    if (dialog.exec() != QDialog::Accepted)
        return false;
    if (const auto merged = session_.applyReviewed(dialog.choices()); !merged) {
        session_.showError(fromStd(merged.error().text()));
        return false;
    }
    session_.showDone(tr("Merged the changes of another program; Ctrl+Z brings back the former version"));
    return true;
}

bool ProjectBars::keepOurs(const QString& reason) {
    QMessageBox box(QMessageBox::NoIcon, tr("The project on disk can't be read"),
                    tr("%1\n\nIf you keep your version, saving overwrites the one on disk. A file that could not be "
                       "read is kept as NAME.broken.")
                        .arg(reason),
                    QMessageBox::Cancel, this);
    auto* keep = box.addButton(tr("Keep my version"), QMessageBox::AcceptRole);
    keep->setObjectName("keep_ours");
    box.exec();
    if (box.clickedButton() != keep)
        return false;
    session_.project().keepOurs();
    return true;
}

void ProjectBars::takeOver() {
    QMessageBox box(QMessageBox::NoIcon, tr("Take the project over?"),
                    tr("Now %1. If you take it over, it can't be saved there any more; changes that are not saved yet "
                       "stay in that window.")
                        .arg(session_.project().store().reason()),
                    QMessageBox::Cancel, this);
    auto* take = box.addButton(tr("Take over"), QMessageBox::AcceptRole);
    take->setObjectName("confirm_take_over");
    box.exec();
    if (box.clickedButton() != take)
        return;
    if (const auto taken = session_.takeOver(); !taken)
        session_.showError(fromStd(taken.error().text()));
}

}  // namespace gorsefinch::app
