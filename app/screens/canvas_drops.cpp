// SPDX-License-Identifier: GPL-3.0-or-later
// What is dragged onto the canvas: images and variables of the project, and pictures from outside.
#include <QDragEnterEvent>
#include <QMenu>
#include <QMimeData>
#include <QPainter>

#include "app/screens/canvas.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/drag_formats.h"
#include "app/widgets/station.h"
#include "core/document/new_widget.h"
#include "core/edits/variable_widgets.h"

namespace gorsefinch::app {

namespace {

constexpr int kStep = 8;  // pixels between several that are dropped together

QStringList namesOf(const QMimeData& data, const char* format) {
    return data.hasFormat(format) ? QString::fromUtf8(data.data(format)).split('\n', Qt::SkipEmptyParts)
                                  : QStringList();
}

QStringList imagesOf(const QMimeData& data) { return namesOf(data, kImagesMime); }
QStringList variablesOf(const QMimeData& data) { return namesOf(data, kVariablesMime); }

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

// One at a time, each below the one before it.
void Canvas::placeVariables(const QStringList& names, Kind kind, const QPoint& middle) {
    const Document& document = session_.document();
    Screen screen = *session_.selection().screen();
    std::vector<Widget> widgets;
    QPoint at = middle;
    for (const QString& name : names) {
        const Variable* variable = document.variable(name.toStdString());
        if (!variable)
            continue;
        const std::vector<Kind> suitable = kindsFor(*variable);
        const bool suits = std::find(suitable.begin(), suitable.end(), kind) != suitable.end();
        for (Widget& each : widgetsFor(document, screen, *variable, suits ? kind : suitable.front(), at.x(), at.y())) {
            screen.widgets.push_back(std::make_shared<const Widget>(each));
            at.setY(std::max(at.y(), each.y + each.h / 2));
            widgets.push_back(std::move(each));
        }
        at.ry() += widgets.back().h + 3 * kStep;
    }
    if (session_.addWidgets(document, std::move(widgets), tr("Show %1").arg(names.join(", "))))
        setFocus();
}

// Asks for the kind, those that suit the first variable.
void Canvas::offerKinds(const QStringList& names, const QPoint& at) {
    const Variable* first = session_.document().variable(names.front().toStdString());
    if (!first)
        return;
    auto* menu = new QMenu(this);
    menu->setObjectName("variable_kinds");
    menu->setAttribute(Qt::WA_DeleteOnClose);
    for (const Kind kind : kindsFor(*first))
        menu->addAction(tr("Show %1 as %2").arg(names.join(", "), info(kind).key),
                        [this, names, kind, at] { placeVariables(names, kind, at); });
    menu->setActiveAction(menu->actions().constFirst());
    menu->popup(mapToGlobal(fromPanel(at).toPoint()));
}

void Canvas::dragEnterEvent(QDragEnterEvent* event) {
    const QMimeData& dragged = *event->mimeData();
    if (session_.isOpen() &&
        (!imagesOf(dragged).isEmpty() || !variablesOf(dragged).isEmpty() || !filesOf(dragged).isEmpty()))
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
    else if (const QStringList variables = variablesOf(*event->mimeData()); !variables.isEmpty())
        offerKinds(variables, at);
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
