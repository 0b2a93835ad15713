// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/real_size.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QPushButton>
#include <QScreen>
#include <QSettings>
#include <QSlider>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "app/screens/twin_view.h"
#include "app/session/session.h"
#include "app/theme/theme.h"

namespace gorsefinch::app {

namespace {

constexpr double kCardWidth = 85.60, kCardHeight = 53.98, kCardCorner = 3.18;  // mm: ISO/IEC 7810 ID-1
constexpr double kMmInInch = 25.4;
constexpr double kLeastDensity = 2, kMostDensity = 12;  // pixels a mm
constexpr double kSteps = 100;                          // of the slider in one of these

}  // namespace

void CardOutline::setDensity(double density) {
    density_ = density;
    updateGeometry();
    update();
}

QSize CardOutline::sizeHint() const {
    return {static_cast<int>(std::ceil(kCardWidth * density_)) + 2,
            static_cast<int>(std::ceil(kCardHeight * density_)) + 2};
}

void CardOutline::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.setRenderHint(QPainter::Antialiasing);
    const QRectF card((width() - kCardWidth * density_) / 2, 1, kCardWidth * density_, kCardHeight * density_);
    painter.setPen(QPen(Theme::colour(Role::Accent), 2));
    painter.setBrush(Theme::colour(Role::Field));
    painter.drawRoundedRect(card, kCardCorner * density_, kCardCorner * density_);
    painter.setPen(Theme::colour(Role::QuietText));
    painter.setFont(Theme::text());
    painter.drawText(card.adjusted(16, 16, -16, -16), Qt::AlignCenter | Qt::TextWordWrap,
                     tr("Hold a bank card here and move the slider until this is as large"));
}

RealSizeWindow::RealSizeWindow(Session& session, QWidget* parent)
    : QDialog(parent),
      session_(session),
      panel_(new TwinPanel(session, this)),
      words_(new QLabel(this)),
      measure_(new QPushButton(tr("Measure with a card"), this)),
      measuring_(new QWidget(this)),
      card_(new CardOutline(measuring_)),
      slider_(new QSlider(Qt::Horizontal, measuring_)) {
    setObjectName("real_size_window");
    setWindowTitle(tr("As large as the panel"));
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(16, 16, 16, 12);
    column->setSpacing(12);
    panel_->setObjectName("real_size");
    column->addWidget(panel_, 0, Qt::AlignCenter);
    auto* inside = new QVBoxLayout(measuring_);
    inside->setContentsMargins(0, 0, 0, 0);
    inside->addWidget(card_, 0, Qt::AlignCenter);
    slider_->setObjectName("card_slider");
    slider_->setRange(static_cast<int>(kLeastDensity * kSteps), static_cast<int>(kMostDensity * kSteps));
    slider_->setToolTip(tr("How large a card is on this monitor; arrow keys change it a little"));
    slider_->setAccessibleName(slider_->toolTip());
    inside->addWidget(slider_);
    column->addWidget(measuring_);
    words_->setObjectName("real_size_words");
    words_->setProperty("quiet", true);
    words_->setWordWrap(true);
    measure_->setObjectName("measure_card");
    measure_->setCheckable(true);
    measure_->setAutoDefault(false);
    measure_->setToolTip(tr("Once for each monitor: it is kept"));
    auto* foot = new QHBoxLayout;
    foot->addWidget(words_, 1);
    foot->addWidget(measure_, 0, Qt::AlignBottom);
    column->addLayout(foot);
    connect(measure_, &QPushButton::toggled, this, &RealSizeWindow::measure);
    connect(slider_, &QSlider::valueChanged, this, [this](int steps) {
        if (measure_->isChecked())
            QSettings().setValue(key(), steps / kSteps);
        refresh();
    });
    connect(&session, &Session::changed, this, &RealSizeWindow::refresh);
    measure(false);
}

QString RealSizeWindow::key() const { return "monitors/" + screen()->name() + "/pixels_a_mm"; }

bool RealSizeWindow::isMeasured() const { return QSettings().contains(key()); }

double RealSizeWindow::density() const {
    const double measured = QSettings().value(key()).toDouble();
    const double reported = screen()->physicalDotsPerInch() / kMmInInch;
    return std::clamp(measured > 0 ? measured : reported, kLeastDensity, kMostDensity);
}

double RealSizeWindow::scale() const {
    const Panel& panel = *session_.document().panel;
    return panel.widthMm > 0 ? density() * panel.widthMm / panel.width : 1;
}

void RealSizeWindow::measure(bool shown) {
    measuring_->setVisible(shown);
    measure_->setText(shown ? tr("Done") : tr("Measure with a card"));
    if (shown) {
        slider_->setValue(static_cast<int>(std::lround(density() * kSteps)));
        slider_->setFocus();
    }
    refresh();
}

void RealSizeWindow::refresh() {
    if (!session_.isOpen())
        return;
    const Panel& panel = *session_.document().panel;
    panel_->setExactScale(scale());
    card_->setDensity(density());
    const QString monitor =
        isMeasured() ? tr("as measured with a card") : tr("as the monitor reports; a card measures it");
    words_->setText(
        panel.widthMm > 0
            ? tr("%1 mm wide at %2 pixels a mm, %3.").arg(panel.widthMm).arg(density(), 0, 'f', 2).arg(monitor)
            : tr("Pixel by pixel: the station Panel can tell how many mm the panel is wide."));
    adjustSize();
}

}  // namespace gorsefinch::app
