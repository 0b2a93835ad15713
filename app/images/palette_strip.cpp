// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/images/palette_strip.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>

#include "app/theme/theme.h"

namespace gorsefinch::app {

namespace {
constexpr int kAcross = 16;
}

PaletteStrip::PaletteStrip(QWidget* parent) : QWidget(parent) {
    setFocusPolicy(Qt::StrongFocus);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
}

void PaletteStrip::setColours(std::vector<Colour> colours) {
    colours_ = std::move(colours);
    current_ = std::min(current_, std::max(0, static_cast<int>(colours_.size()) - 1));
    updateGeometry();
    update();
}

int PaletteStrip::rows() const { return std::max(1, (static_cast<int>(colours_.size()) + kAcross - 1) / kAcross); }

QSize PaletteStrip::sizeHint() const { return {160, rows() == 1 ? 22 : rows() * 10 + 2}; }

QRect PaletteStrip::cell(int entry) const {
    const int across = std::min(static_cast<int>(colours_.size()), kAcross), tall = height() / rows();
    const int column = entry % kAcross, x0 = width() * column / across, x1 = width() * (column + 1) / across;
    return {x0, entry / kAcross * tall, x1 - x0, tall};
}

void PaletteStrip::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    for (int i = 0; i < static_cast<int>(colours_.size()); ++i)
        painter.fillRect(cell(i).adjusted(0, 0, -1, -1), QColor::fromRgb(colours_[static_cast<size_t>(i)].argb));
    if (hasFocus() && !colours_.empty()) {
        painter.setPen(QPen(Theme::colour(Role::Accent), 2));
        painter.drawRect(cell(current_).adjusted(1, 1, -2, -2));
    }
}

void PaletteStrip::mousePressEvent(QMouseEvent* event) {
    for (int i = 0; i < static_cast<int>(colours_.size()); ++i)
        if (cell(i).contains(event->pos())) {
            current_ = i;
            Q_EMIT colourClicked(i);
            return;
        }
}

void PaletteStrip::keyPressEvent(QKeyEvent* event) {
    const int last = static_cast<int>(colours_.size()) - 1;
    const int step = event->key() == Qt::Key_Left    ? -1
                     : event->key() == Qt::Key_Right ? 1
                     : event->key() == Qt::Key_Up    ? -kAcross
                     : event->key() == Qt::Key_Down  ? kAcross
                                                     : 0;
    if (step != 0 && last >= 0) {
        current_ = std::clamp(current_ + step, 0, last);
        update();
    } else if ((event->key() == Qt::Key_Return || event->key() == Qt::Key_Space) && last >= 0) {
        Q_EMIT colourClicked(current_);
    } else {
        QWidget::keyPressEvent(event);
    }
}

bool PaletteStrip::event(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        for (int i = 0; i < static_cast<int>(colours_.size()); ++i)
            if (cell(i).contains(help->pos()))
                QToolTip::showText(help->globalPos(),
                                   tr("%1: %2. Click to change it")
                                       .arg(i)
                                       .arg(QString::fromStdString(toText(colours_[static_cast<size_t>(i)]))),
                                   this);
        return true;
    }
    return QWidget::event(event);
}

}  // namespace gorsefinch::app
