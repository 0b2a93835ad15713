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
    connect(&session, &Session::recoveryFound, recovery_, &QWidget::show);
    connect(&session.store(), &ProjectStore::rightsChanged, this, &ProjectBars::refreshRights);
    connect(&session.store(), &ProjectStore::outsideChanged, this, &ProjectBars::refreshOutside);
}

void ProjectBars::makeRecovery() {
    recovery_ = new NoticeBar("recovery", this);
    recovery_->setText(tr("Gorsefinch ended last time before this project was saved. What was not saved is still there."));
    recovery_->addButton("restore", tr("Restore it"), tr("Takes the place of what you see; Ctrl+Z brings that back"), [this] {
        recovery_->hide();
        session_.restoreRecovery();
    });
    recovery_->addButton("drop_recovery", tr("Drop it"), tr("Deletes it for good. Until then it waits, whatever you edit and save"), [this] {
        recovery_->hide();
        session_.dropRecovery();
    });
}

void ProjectBars::makeLook() {
    look_ = new NoticeBar("look_only", this);
    look_->addButton("look_save_as", tr("Save as…"), tr("Saves what you see into another folder, which is yours then (Ctrl+Shift+S)"), [this] { Q_EMIT saveAsAsked(); });
    look_->addButton("take_over", tr("Take over…"), tr("Makes this window the one that edits and saves the project; you are asked first"), [this] { takeOver(); });
}

void ProjectBars::makeOutside() {
    outside_ = new NoticeBar("outside_changes", this);
    outside_->addButton("review_outside", tr("Review…"), tr("Shows what changed here and there, and merges it"), [this] { reviewOutside(); });
}

void ProjectBars::reset() {
    for (NoticeBar* each : {recovery_, look_, outside_})
        each->hide();
}

void ProjectBars::refreshRights() {
    const ProjectStore& store = session_.store();
    look_->setVisible(store.isOpen() && !store.mayWrite());
    if (store.wasTakenOver())
        look_->setText(tr("This project was taken over: %1. Changes since then can't be saved here.").arg(store.whyLook()));
    else
        look_->setText(tr("Opened read-only: %1. You see what is saved there; nothing can be edited here.").arg(store.whyLook()));
    if (!store.mayWrite())
        recovery_->hide();
}

void ProjectBars::refreshOutside() {
    const QStringList& files = session_.store().outsideChanges();
    outside_->setVisible(!files.isEmpty() && session_.store().mayWrite());
    if (files.isEmpty())
        return;
    const QString shown = files.mid(0, 3).join(", ");
    outside_->setText(files.size() > 3 ? tr("Another program changed %1 and %2 in this project's folder.").arg(shown, counted(files.size() - 3, tr("more file"), tr("more files")))
                                       : tr("Another program changed %1 in this project's folder.").arg(shown));
}

bool ProjectBars::reviewOutside() {
    const auto merge = session_.outsideMerge();
    if (!merge) {
        QMessageBox box(QMessageBox::NoIcon, tr("The project on disk can't be read"),
                        tr("%1\n\nIf you keep what is here, saving replaces what is on disk; a file that could not be read stays beside it as NAME.broken.").arg(fromStd(merge.error().text())),
                        QMessageBox::Cancel, this);
        auto* keep = box.addButton(tr("Keep what is here"), QMessageBox::AcceptRole);
        keep->setObjectName("keep_ours");
        box.exec();
        if (box.clickedButton() != keep)
            return false;
        session_.ignoreOutside();
        return true;
    }
    MergeDialog dialog(*merge, this);
    if (dialog.exec() != QDialog::Accepted)
        return false;
    if (const auto taken = session_.takeOutside(dialog.choices()); !taken) {
        session_.tell(fromStd(taken.error().text()));
        return false;
    }
    session_.tellWell(tr("Merged what changed outside; Ctrl+Z brings back what was here"));
    return true;
}

void ProjectBars::takeOver() {
    QMessageBox box(QMessageBox::NoIcon, tr("Take the project over?"),
                    tr("Now %1. If you take it over, it can't be saved there any more; changes that are not saved yet stay in that window.").arg(session_.store().whyLook()),
                    QMessageBox::Cancel, this);
    auto* take = box.addButton(tr("Take over"), QMessageBox::AcceptRole);
    take->setObjectName("confirm_take_over");
    box.exec();
    if (box.clickedButton() != take)
        return;
    if (const auto taken = session_.takeOver(); !taken)
        session_.tell(fromStd(taken.error().text()));
}

}  // namespace gorsefinch::app
