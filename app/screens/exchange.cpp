// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/exchange.h"

#include <QApplication>
#include <QClipboard>
#include <QMimeData>

#include "app/screens/canvas.h"
#include "app/screens/clipboard.h"
#include "app/screens/screens_dialog.h"
#include "app/session/session.h"
#include "app/widgets/drag_formats.h"
#include "app/widgets/frame_picture.h"
#include "core/document/widget_tree.h"
#include "core/sim/draw_screen.h"

namespace gorsefinch::app {

namespace {

constexpr int kAside = 8;  // pixels that a copy steps aside on its own screen

}  // namespace

Exchange::Exchange(Session& session, Canvas& canvas) : QObject(&canvas), session_(session), canvas_(canvas) {}

std::vector<WidgetRef> Exchange::selectedBranches() const {
    const auto& widgets = session_.selection().screen()->widgets;
    std::vector<WidgetRef> out = branchesOf(widgets, session_.selection().names());
    for (WidgetRef& each : out) {
        const auto at = static_cast<size_t>(widgetIndex(*session_.selection().screen(), each->name));
        if (each->depth != 0 || widgets[at]->depth == 0)
            continue;
        const Offset place = placeOnPanel(widgets, at);
        auto placed = std::make_shared<Widget>(*each);
        setBox(*placed, place.x, place.y, placed->w, placed->h);
        each = placed;
    }
    return out;
}

void Exchange::copy() {
    const std::vector<WidgetRef> ordered = selectedBranches();  // by depth, so that a paste keeps it
    if (ordered.empty())
        return;
    auto* copied = new QMimeData;
    copied->setData(kWidgetsMime, widgetsToBytes(ordered));
    QApplication::clipboard()->setMimeData(copied);
}

void Exchange::copyPicture() {
    const QImage picture = toImage(drawScreen(*session_.scene(), session_.selection().screenIndex(),
                                              &session_.runner().twin(), {}, &session_.selection().panes()));
    const QRect box = canvas_.selectionBox() & picture.rect();
    QApplication::clipboard()->setImage(box.isEmpty() ? picture : picture.copy(box));
    const QSize size = box.isEmpty() ? picture.size() : box.size();
    session_.showDone(tr("Copied a picture of %1 x %2 pixels.").arg(size.width()).arg(size.height()));
}

std::optional<std::vector<Widget>> Exchange::copied() const {
    const QMimeData* copied = QApplication::clipboard()->mimeData();
    if (!copied || !copied->hasFormat(kWidgetsMime))
        return std::nullopt;
    auto widgets = widgetsFromBytes(copied->data(kWidgetsMime));
    if (widgets)
        return std::move(*widgets);
    session_.showError(QString::fromStdString(widgets.error().text()));
    return std::nullopt;
}

void Exchange::add(std::vector<Widget> widgets, const QPoint& by, const QString& label) {
    for (Widget& each : widgets)
        if (each.depth == 0)
            setBox(each, each.x + by.x(), each.y + by.y(), each.w, each.h);
    session_.addWidgets(session_.document(), std::move(widgets), label);
}

void Exchange::paste() {
    const QMimeData* data = QApplication::clipboard()->mimeData();
    if (data && !data->hasFormat(kWidgetsMime) && data->hasImage()) {
        if (const auto picture = qvariant_cast<QImage>(data->imageData()); !picture.isNull())
            Q_EMIT picturePasted(picture, canvas_.pointer());
        return;
    }
    auto widgets = copied();
    if (!widgets)
        return;
    // On another screen the position stays the same, so that equal things are at equal positions.
    const ScreenRef screen = session_.selection().screen();
    const bool here = std::any_of(widgets->begin(), widgets->end(), [&](const Widget& each) {
        const int at = each.depth == 0 ? widgetIndex(*screen, each.name) : -1;
        return at >= 0 && placeOnPanel(screen->widgets, static_cast<size_t>(at)) == Offset{each.x, each.y};
    });
    add(std::move(*widgets), here ? QPoint(kAside, kAside) : QPoint(), tr("Paste"));
}

void Exchange::pasteInPlace() {
    if (auto widgets = copied())
        add(std::move(*widgets), {}, tr("Paste in place"));
}

void Exchange::pasteAtPointer() {
    auto widgets = copied();
    if (!widgets)
        return;
    QPoint corner(kMaxPanelSide, kMaxPanelSide);
    for (const Widget& each : *widgets)
        if (each.depth == 0)
            corner = {std::min(corner.x(), each.x), std::min(corner.y(), each.y)};
    add(std::move(*widgets), canvas_.pointer() - corner, tr("Paste at the pointer"));
}

void Exchange::pasteOnScreens() {
    const auto widgets = copied();
    if (!widgets) {
        session_.showError(tr("Copy widgets first."));
        return;
    }
    auto* dialog = new ScreensDialog(session_.document(), tr("Paste on screens"), tr("Paste"), &canvas_);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    connect(dialog, &ScreensDialog::chosen, this, [this, widgets](const QStringList& screens) {
        Document next = session_.document();
        int full = 0;
        for (const QString& each : screens) {
            Names added;
            next = addWidgets(next, each.toStdString(), *widgets, &added);
            full += added.empty() ? 1 : 0;
        }
        session_.edit(next, tr("Paste on %1 screens").arg(screens.size()));
        if (full > 0)
            session_.showError(tr("A screen holds at most %1 widgets: %2 had no room.").arg(kMaxWidgets).arg(full));
    });
    dialog->open();
}

void Exchange::duplicate() {
    std::vector<Widget> copies;
    const QPoint by = canvas_.copyStep();
    std::optional<QPoint> from;
    for (const WidgetRef& each : selectedBranches()) {
        copies.push_back(*each);
        if (each->depth != 0)
            continue;
        from = from.value_or(QPoint(each->x, each->y));
        setBox(copies.back(), each->x + by.x(), each->y + by.y(), each->w, each->h);
    }
    if (session_.addWidgets(session_.document(), std::move(copies), tr("Duplicate")))
        canvas_.rememberCopy(session_.selection().names(), *from);
}

}  // namespace gorsefinch::app
