// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/frame/header.h"

#include <QButtonGroup>
#include <QDir>
#include <QDragEnterEvent>
#include <QHBoxLayout>
#include <QPainter>
#include <algorithm>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/station.h"
#include "core/emit/costs.h"

namespace gorsefinch::app {

namespace {

constexpr int kHeight = 52, kProject = 208;  // px
constexpr int kHover = 450;                  // ms that a drag rests on a station before it opens

QString kilobytes(qint64 bytes) {
    const double kb = static_cast<double>(bytes) / 1024.0;
    return QString::number(kb, 'f', kb < 100 ? 1 : 0);
}

}  // namespace

HeaderCell::HeaderCell(QWidget* parent) : QAbstractButton(parent) {
    setFocusPolicy(Qt::TabFocus);
    setCursor(Qt::PointingHandCursor);
    hover_.setSingleShot(true);
    hover_.setInterval(kHover);
    connect(&hover_, &QTimer::timeout, this, &QAbstractButton::click);
}

void HeaderCell::dragEnterEvent(QDragEnterEvent* event) {
    event->acceptProposedAction();
    hover_.start();
}

void HeaderCell::dragLeaveEvent(QDragLeaveEvent*) { hover_.stop(); }

// Nothing can be laid down here.
void HeaderCell::dropEvent(QDropEvent* event) {
    hover_.stop();
    event->ignore();
}

void HeaderCell::setLines(const QString& name, const QString& figure) {
    if (name == name_ && figure == figure_)
        return;
    const QSize before = sizeHint();
    name_ = name;
    figure_ = figure;
    setAccessibleName(name + ", " + figure);
    if (sizeHint() != before)
        updateGeometry();
    update();
}

QSize HeaderCell::sizeHint() const {
    const int wide = std::max(QFontMetrics(Theme::text(12)).horizontalAdvance(name_),
                              QFontMetrics(Theme::figures()).horizontalAdvance(figure_));
    return {std::max(wide + 28, usualWidth_), kHeight};
}

QSize HeaderCell::minimumSizeHint() const {
    return {QFontMetrics(Theme::text(12, true)).horizontalAdvance(name_.left(9)) + 24, kHeight};
}

void HeaderCell::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    const QRect r = rect();
    if (isChecked())
        painter.fillRect(r, Theme::colour(Role::Window));
    else if (underMouse())
        painter.fillRect(r, Theme::colour(Role::Field));
    if (isChecked()) {
        painter.fillRect(QRect(r.left(), r.bottom() - 2, r.width(), 3), Theme::colour(Role::Accent));
        painter.fillRect(QRect(r.left(), r.top(), 1, r.height()), Theme::colour(Role::Line));
        painter.fillRect(QRect(r.right(), r.top(), 1, r.height()), Theme::colour(Role::Line));
    }
    const int room = r.width() - 24;
    painter.setFont(Theme::text(12, isChecked() || menuMark_));
    painter.setPen(Theme::colour(Role::Text));
    painter.drawText(12, 21, painter.fontMetrics().elidedText(name_, Qt::ElideMiddle, room));
    if (menuMark_)
        painter.drawPixmap(r.right() - 22, 11, Theme::pixmap("down", Theme::colour(Role::QuietText), 12));
    painter.setFont(Theme::figures());
    painter.setPen(Theme::colour(Role::QuietText));
    painter.drawText(12, 38, painter.fontMetrics().elidedText(figure_, Qt::ElideLeft, room));
    if (hasFocus()) {
        painter.setPen(QPen(Theme::colour(Role::Accent), 1));
        painter.drawRect(r.adjusted(2, 2, -3, -5));
    }
}

BudgetMeter::BudgetMeter(const QString& name, QWidget* parent) : QWidget(parent), name_(name) {
    setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
}

void BudgetMeter::setValue(qint64 used, qint64 budget) {
    if (used == used_ && budget == budget_)
        return;
    used_ = used;
    budget_ = budget;
    setToolTip(tr("%1: %2 of %3 bytes. The budget is set at the station Panel.").arg(name_).arg(used).arg(budget));
    update();
}

void BudgetMeter::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    const bool over = used_ > budget_;
    painter.setFont(Theme::figures());
    painter.setPen(Theme::colour(Role::QuietText));
    painter.drawText(QRect(0, 0, 40, 14), Qt::AlignLeft | Qt::AlignVCenter, name_);
    painter.setPen(Theme::colour(over ? Role::Error : Role::Text));
    const QString text = kilobytes(used_) + " / " + kilobytes(budget_) + " KB" + (over ? tr(" over") : QString());
    painter.drawText(QRect(40, 0, width() - 40, 14), Qt::AlignLeft | Qt::AlignVCenter, text);
    const QRect bar(40, 15, width() - 42, 4);
    painter.fillRect(bar, Theme::colour(Role::Line));
    const double share = budget_ > 0 ? std::min(1.0, static_cast<double>(used_) / static_cast<double>(budget_)) : 0;
    painter.fillRect(QRect(bar.topLeft(), QSize(static_cast<int>(bar.width() * share), 4)),
                     Theme::colour(over ? Role::Error : Role::Well));
}

Header::Header(Session& session, const QVector<Station*>& stations, QWidget* parent)
    : QWidget(parent), session_(session), stations_(stations) {
    setFixedHeight(kHeight);
    setAttribute(Qt::WA_OpaquePaintEvent);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 12, 0);
    row->setSpacing(0);
    project_ = new HeaderCell(this);
    project_->setMaximumWidth(kProject);
    project_->setUsualWidth(kProject);
    project_->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
    project_->setMenuMark(true);
    project_->setToolTip(tr("Project: new, open, save, appearance, commands (Alt+P)"));
    project_->setObjectName("project_cell");
    row->addWidget(project_);
    auto* group = new QButtonGroup(this);
    for (int i = 0; i < stations.size(); ++i) {
        auto* cell = new HeaderCell(this);
        cell->setCheckable(true);
        cell->setAcceptDrops(true);
        cell->setObjectName("station_" + stations[i]->title().toLower());
        cell->setToolTip(stations[i]->help() + QString(" (Alt+%1)").arg(stations[i]->number()));
        group->addButton(cell);
        connect(cell, &HeaderCell::clicked, this, [this, i] { Q_EMIT stationChosen(i); });
        cells_.append(cell);
        row->addWidget(cell);
    }
    row->addStretch(1);
    auto* meters = new QVBoxLayout;
    meters->setSpacing(4);
    flash_ = new BudgetMeter(tr("flash"), this);
    ram_ = new BudgetMeter(tr("RAM"), this);
    meters->addStretch(1);
    meters->addWidget(flash_);
    meters->addWidget(ram_);
    meters->addStretch(1);
    row->addLayout(meters);
}

void Header::refresh() {
    const bool open = session_.isOpen();
    for (QWidget* each : std::initializer_list<QWidget*>{flash_, ram_})
        each->setVisible(open);
    for (HeaderCell* cell : std::as_const(cells_))
        cell->setVisible(open);
    if (!open) {
        project_->setLines("Gorsefinch", tr("no project is open"));
        return;
    }
    const QString name = QString::fromStdString(session_.document().name);
    QString folder = session_.project().folder();
    if (folder.startsWith(QDir::homePath()))
        folder.replace(0, QDir::homePath().size(), "~");
    project_->setLines(name + (session_.history().isSaved() ? tr(" · saved") : tr(" · not saved")), folder);
    for (int i = 0; i < stations_.size(); ++i)
        cells_[i]->setLines(stations_[i]->title(), stations_[i]->figure());
    const Cost total = session_.costs().total();
    flash_->setValue(total.flash, session_.document().panel->flashBytes);
    ram_->setValue(total.ram, session_.document().panel->ramBytes);
}

void Header::setCurrent(int station) { cells_[station]->setChecked(true); }

void Header::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.fillRect(rect(), Theme::colour(Role::Surface));
    painter.fillRect(QRect(0, height() - 1, width(), 1), Theme::colour(Role::StrongLine));
    painter.fillRect(QRect(project_->geometry().right(), 0, 1, height()), Theme::colour(Role::StrongLine));
}

}  // namespace gorsefinch::app
