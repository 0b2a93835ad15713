// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/ghost_popup.h"

#include <QComboBox>
#include <QFormLayout>
#include <QSlider>

#include "app/session/session.h"

namespace gorsefinch::app {

namespace {

constexpr int kStartStrength = 50;  // percent

}  // namespace

GhostPopup::GhostPopup(Session& session, QWidget* parent)
    : QFrame(parent, Qt::Popup),
      session_(session),
      screen_(new QComboBox(this)),
      strength_(new QSlider(Qt::Horizontal, this)) {
    setObjectName("ghost_popup");
    setFrameShape(QFrame::StyledPanel);
    setAutoFillBackground(true);
    auto* form = new QFormLayout(this);
    form->setContentsMargins(14, 12, 14, 12);
    form->setHorizontalSpacing(12);
    screen_->setObjectName("ghost_screen");
    screen_->setMinimumWidth(160);
    strength_->setObjectName("ghost_strength");
    strength_->setRange(0, 100);
    strength_->setValue(kStartStrength);
    strength_->setToolTip(tr("From this screen alone to the other one alone"));
    form->addRow(tr("Compare with"), screen_);
    form->addRow(tr("Strength"), strength_);
    connect(screen_, &QComboBox::activated, this, &GhostPopup::report);
    connect(strength_, &QSlider::valueChanged, this, &GhostPopup::report);
}

void GhostPopup::report() { Q_EMIT changed(screen_->currentData().toString(), strength_->value()); }

// The click that opened the popup toggled the button: report the current state again.
void GhostPopup::hideEvent(QHideEvent* event) {
    report();
    QFrame::hideEvent(event);
}

void GhostPopup::showBelow(const QWidget& button) {
    const QString chosen = screen_->currentData().toString();
    screen_->clear();
    screen_->addItem(tr("none"), QString());
    if (session_.isOpen())
        for (const ScreenRef& each : session_.document().screens)
            if (const QString name = QString::fromStdString(each->name); name != session_.selection().screenName())
                screen_->addItem(name, name);
    screen_->setCurrentIndex(std::max(screen_->findData(chosen), 0));
    report();
    adjustSize();
    move(button.mapToGlobal(QPoint(0, button.height() + 2)));
    show();
}

}  // namespace gorsefinch::app
