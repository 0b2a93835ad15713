// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/wrapping_row.h"

#include <QWidget>

namespace gorsefinch::app {

WrappingRow::WrappingRow(QWidget* parent, int gap) : QLayout(parent), gap_(gap) {}

WrappingRow::~WrappingRow() { qDeleteAll(items_); }

QLayoutItem* WrappingRow::takeAt(int index) {
    return index >= 0 && index < items_.size() ? items_.takeAt(index) : nullptr;
}

QSize WrappingRow::sizeHint() const {
    const QMargins m = contentsMargins();
    QSize out(m.left() + m.right() - gap_, 0);
    for (const QLayoutItem* each : items_) {
        if (each->isEmpty())
            continue;
        out.rwidth() += each->sizeHint().width() + gap_;
        out.setHeight(std::max(out.height(), each->sizeHint().height()));
    }
    return out + QSize(0, m.top() + m.bottom());
}

QSize WrappingRow::minimumSize() const {
    QSize out;
    for (const QLayoutItem* each : items_)
        if (!each->isEmpty())
            out = out.expandedTo(each->minimumSize());
    const QMargins m = contentsMargins();
    return out + QSize(m.left() + m.right(), m.top() + m.bottom());
}

void WrappingRow::setGeometry(const QRect& rect) {
    QLayout::setGeometry(rect);
    place(rect, true);
}

int WrappingRow::place(const QRect& rect, bool move) const {
    const QRect inside = rect.marginsRemoved(contentsMargins());
    QLayoutItem* last = nullptr;
    for (QLayoutItem* each : items_)
        if (!each->isEmpty())
            last = each;
    int x = inside.x(), y = inside.y(), height = 0;
    for (QLayoutItem* each : items_) {
        if (each->isEmpty())
            continue;
        const QSize size = each->sizeHint();
        if (x > inside.x() && x + size.width() > inside.x() + inside.width()) {
            x = inside.x();
            y += height + gap_;
            height = 0;
        }
        if (each == last)
            x = std::max(x, inside.x() + inside.width() - size.width());
        if (move)
            each->setGeometry({QPoint(x, y), size});
        x += size.width() + gap_;
        height = std::max(height, size.height());
    }
    return y + height - rect.y() + contentsMargins().bottom();
}

}  // namespace gorsefinch::app
