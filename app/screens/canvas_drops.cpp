// SPDX-License-Identifier: GPL-3.0-or-later
// What is dragged onto the canvas: images of the project, and pictures from outside.
#include <QDragEnterEvent>
#include <QMimeData>
#include <QPainter>

#include "app/screens/canvas.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/drag_formats.h"
#include "app/widgets/station.h"
#include "core/document/new_widget.h"

namespace gorsefinch::app {

namespace {

constexpr int kStep = 8;  // pixels between several that are dropped together

QStringList imagesOf(const QMimeData& data) {
    return data.hasFormat(kImagesMime) ? QString::fromUtf8(data.data(kImagesMime)).split('\n', Qt::SkipEmptyParts)
                                       : QStringList();
}

}  // namespace

void Canvas::placeImages(const QStringList& names, const QPoint& middle) {
    const Document& document = session_.document();
    std::vector<Widget> widgets;
    QPoint at = middle;
    for (const QString& name : names) {
        const Image* image = document.image(name.toStdString());
        if (!image)
            continue;
        const auto baked = session_.images().bake(document, *image);
        if (!baked) {
            session_.showError(QString::fromStdString(baked.error().text()));
            continue;
        }
        widgets.push_back(imageWidget(document, *session_.selection().screen(), image->name, (*baked)->width,
                                      (*baked)->height, at.x(), at.y(), (*baked)->frames.size() > 1));
        at += QPoint(kStep, kStep);
    }
    if (session_.addWidgets(document, std::move(widgets), tr("Put %1 on the screen").arg(names.join(", "))))
        setFocus();
}

void Canvas::dragEnterEvent(QDragEnterEvent* event) {
    if (session_.isOpen() && (!imagesOf(*event->mimeData()).isEmpty() || !filesOf(*event->mimeData()).isEmpty()))
        event->acceptProposedAction();
}

// An image of the project shows the place that it would take.
void Canvas::dragMoveEvent(QDragMoveEvent* event) {
    event->acceptProposedAction();
    const QPoint at = toPanel(event->position());
    QSize size(1, 1);
    if (const QStringList names = imagesOf(*event->mimeData()); !names.isEmpty())
        if (const Image* image = session_.document().image(names.front().toStdString()))
            if (const auto known = session_.images().known(session_.document(), *image))
                size = {known->width, known->height};
    drop_ = QRect(at - QPoint(size.width() / 2, size.height() / 2), size);
    update();
}

void Canvas::dragLeaveEvent(QDragLeaveEvent*) {
    drop_.reset();
    update();
}

void Canvas::dropEvent(QDropEvent* event) {
    drop_.reset();
    update();
    event->acceptProposedAction();
    const QPoint at = toPanel(event->position());
    if (const QStringList names = imagesOf(*event->mimeData()); !names.isEmpty())
        placeImages(names, at);
    else if (const QStringList paths = filesOf(*event->mimeData()); !paths.isEmpty())
        Q_EMIT filesDropped(paths, at);
}

void Canvas::drawDrop(QPainter& painter) const {
    if (!drop_)
        return;
    painter.setPen(QPen(Theme::colour(Role::Accent), 2));
    painter.drawRect(QRectF(fromPanel(drop_->topLeft()), QSizeF(drop_->size()) * zoom_));
}

}  // namespace gorsefinch::app
