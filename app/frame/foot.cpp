// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/frame/foot.h"

#include <QDialog>
#include <QHBoxLayout>
#include <QListWidget>
#include <QPainter>
#include <QTimer>
#include <QVBoxLayout>
#include <algorithm>

#include "app/frame/problems_dialog.h"
#include "app/session/session.h"
#include "app/theme/theme.h"

namespace gorsefinch::app {

Foot::Foot(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    setFixedHeight(24);
    setAttribute(Qt::WA_OpaquePaintEvent);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(12, 0, 12, 0);
    row->setSpacing(16);
    const auto figure = [&](const char* name) {
        auto* label = new QLabel(this);
        label->setObjectName(name);
        label->setFont(Theme::figures());
        row->addWidget(label);
        return label;
    };
    pointer_ = figure("pointer");
    selection_ = figure("selection");
    problems_ = new QPushButton(this);
    problems_->setObjectName("problems");
    problems_->setFlat(true);
    problems_->setFont(Theme::figures());
    problems_->setCursor(Qt::PointingHandCursor);
    problems_->setToolTip(tr("Show what is wrong or risky (F8)"));
    problems_->setShortcut(Qt::Key_F8);
    row->addWidget(problems_);
    notice_ = figure("notice");
    press_ = new QLabel(this);
    press_->setObjectName("press");
    press_->setProperty("quiet", true);
    press_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    row->addWidget(press_, 1);
    undo_ = figure("undo");
    undo_->setProperty("quiet", true);
    connect(problems_, &QPushButton::clicked, this, &Foot::showProblems);
    connect(&session, &Session::problemsChanged, this, &Foot::refresh);
}

void Foot::setPress(const QString& words) {
    const QString shown = press_->fontMetrics().elidedText(words, Qt::ElideRight, press_->width());
    if (press_->text() != shown)
        press_->setText(shown);
    press_->setToolTip(shown == words ? QString() : words);
}

void Foot::showNotice(const QString& notice, bool well) {
    notice_->setText(notice);
    notice_->setStyleSheet(QString("color: %1").arg(Theme::colour(well ? Role::Well : Role::Error).name()));
    QTimer::singleShot(8000, notice_, [this, notice] {
        if (notice_->text() == notice)
            notice_->clear();
    });
}

void Foot::refresh() {
    problems_->setVisible(session_.isOpen());
    if (!session_.isOpen())
        return;
    const auto selected = session_.selection().widgets();
    QString text;
    if (selected.size() == 1) {
        const Widget& w = *selected.front();
        text = QString("%1 %2,%3 %4x%5").arg(info(w.kind).key).arg(w.x).arg(w.y).arg(w.w).arg(w.h);
        if (w.depth != 0)
            text += tr(" in %1").arg(QString::fromStdString(session_.selection().container()));
    } else if (selected.size() > 1) {
        text = tr("%1 widgets").arg(selected.size());
    }
    selection_->setText(text);
    const SharedProblems& all = session_.problems();
    const auto notes = static_cast<int>(
        std::count_if(all.begin(), all.end(), [](const Problem& each) { return each.severity == Severity::Note; }));
    const int count = static_cast<int>(all.size()) - notes;
    QString words = count == 0 ? tr("no problems") : count == 1 ? tr("1 problem") : tr("%1 problems").arg(count);
    if (notes > 0)
        words += notes == 1 ? tr(", 1 note") : tr(", %1 notes").arg(notes);
    problems_->setText(words);
    const QColor colour = Theme::colour(count == 0 ? Role::QuietText : Role::Error);
    const QString style = QString(
                              "QPushButton { border: none; padding: 0; background: transparent; color: %1; }"
                              "QPushButton:focus { text-decoration: underline; }")
                              .arg(colour.name());
    if (problems_->styleSheet() != style)
        problems_->setStyleSheet(style);
    const QString label = QString::fromStdString(session_.history().undoLabel());
    undo_->setText(label.isEmpty() ? QString() : tr("Ctrl+Z  ") + label);
}

void Foot::showProblems() {
    ProblemsDialog dialog(session_, window());
    connect(&dialog, &ProblemsDialog::chosen, this, &Foot::problemChosen);
    dialog.exec();
}

void Foot::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.fillRect(rect(), Theme::colour(Role::Surface));
    painter.fillRect(QRect(0, 0, width(), 1), Theme::colour(Role::StrongLine));
}

}  // namespace gorsefinch::app
