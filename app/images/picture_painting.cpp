// SPDX-License-Identifier: GPL-3.0-or-later
// How the picture view looks: original and result, the crop, and the words over them.
#include <QPainter>

#include "app/images/image_editor.h"
#include "app/images/picture_view.h"
#include "app/session/session.h"
#include "app/theme/theme.h"

namespace gorsefinch::app {

void PictureView::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.fillRect(rect(), Theme::colour(Role::Around));
    if (!editor_.image()) {
        painter.setPen(Theme::colour(Role::Surface));
        painter.drawText(rect(), Qt::AlignCenter, tr("Import a picture, and see here what the panel will show of it"));
    } else if (!editor_.error().isEmpty()) {
        painter.setPen(Theme::colour(Role::Surface));
        painter.drawText(rect().adjusted(40, 0, -40, 0), Qt::AlignCenter | Qt::TextWordWrap, editor_.error());
    } else if (!result_.isNull()) {
        if (mode_ == Mode::Crop)
            paintCrop(painter);
        else if (mode_ == Mode::Beside)
            paintBeside(painter);
        else
            paintSplit(painter);
    }
    if (editor_.isBusy())
        paintProgress(painter);
    if (hasFocus()) {
        painter.setPen(Theme::colour(Role::Accent));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(rect().adjusted(0, 0, -1, -1));
    }
}

// What is being done, over a bar of how far it is.
void PictureView::paintProgress(QPainter& painter) const {
    const QString doing = editor_.progress().isEmpty() ? tr("working …") : editor_.progress();
    paintTag(painter, {width() / 2, 8}, tr("%1   Esc cancels").arg(doing), Qt::AlignTop | Qt::AlignHCenter, true);
    const QRect bar(width() / 2 - 100, 34, 200, 4);
    painter.fillRect(bar, QColor(29, 35, 32, 235));
    painter.fillRect(QRect(bar.topLeft(), QSize(static_cast<int>(bar.width() * editor_.done()), bar.height())),
                     Theme::colour(Role::Accent));
}

void PictureView::paintGround(QPainter& painter, const QRect& picture) const {
    const QColor ground =
        QColor::fromRgb(backgroundOf(session_.document(), *session_.document().screens.front()).argb | 0xff000000u);
    if (!onPanel_) {
        painter.fillRect(picture, ground);
        return;
    }
    const Panel& panel = *session_.document().panel;
    QRect glass(QPoint(), QSize(panel.width, panel.height) * zoom_);
    glass.moveCenter(picture.center());
    painter.fillRect(glass, ground);
    painter.setPen(Theme::colour(Role::Text));
    painter.drawRect(glass.adjusted(-1, -1, 0, 0));
}

void PictureView::paintGrid(QPainter& painter, const QRect& picture) const {
    if (!gridShown_ || zoom_ < 5)
        return;
    painter.setPen(QColor(128, 128, 128, 90));
    for (int x = 1; x < result_.width(); ++x)
        painter.drawLine(picture.left() + x * zoom_, picture.top(), picture.left() + x * zoom_, picture.bottom());
    for (int y = 1; y < result_.height(); ++y)
        painter.drawLine(picture.left(), picture.top() + y * zoom_, picture.right(), picture.top() + y * zoom_);
}

void PictureView::paintTag(QPainter& painter, const QPoint& corner, const QString& words, Qt::Alignment where,
                           bool warn) const {
    if (words.isEmpty())
        return;
    painter.setFont(Theme::figures());
    QRect box =
        painter.fontMetrics().boundingRect(QRect(0, 0, width(), 40), Qt::AlignLeft, words).adjusted(-8, -4, 8, 4);
    box.moveTopLeft(corner);
    if (where & Qt::AlignRight)
        box.moveRight(corner.x());
    if (where & Qt::AlignHCenter)
        box.moveLeft(corner.x() - box.width() / 2);
    if (where & Qt::AlignBottom)
        box.moveBottom(corner.y());
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(Qt::NoPen);
    painter.setBrush(warn ? QColor("#6e3515") : QColor(29, 35, 32, 235));
    painter.drawRoundedRect(box, 3, 3);
    painter.setRenderHint(QPainter::Antialiasing, false);
    painter.setPen(QColor("#f2eee4"));
    painter.drawText(box, Qt::AlignCenter, words);
}

QString PictureView::sourceWords() const {
    const OriginalRef& original = editor_.original();
    if (!original)
        return {};
    return tr("original %1x%2").arg(original->width()).arg(original->height()) +
           (original->drawing ? tr(" drawing") : QString());
}

QString PictureView::resultWords() const {
    const BakedImage& baked = *editor_.baked();
    QString words = QString("%1x%2").arg(baked.width).arg(baked.height);
    if (baked.frames.front().record.format)
        words += QString(" ") + info(baked.format).key;
    if (baked.frames.size() > 1)
        words += tr("  frame %1/%2").arg(frame_ + 1).arg(baked.frames.size());
    return words + QString(" · %1 B").arg(baked.bytes());
}

// Position, the colour before and after, and the number in the packed bytes.
QString PictureView::pointerWords() const {
    const Places at = places();
    const QRect& over = at.result.contains(pointer_) ? at.result : at.source;
    if (!over.contains(pointer_) || result_.isNull())
        return tr("%1x").arg(zoom_);
    const int x = (pointer_.x() - over.left()) / zoom_, y = (pointer_.y() - over.top()) / zoom_;
    const auto name = [](QRgb pixel) {
        return qAlpha(pixel) == 0 ? QString("clear")
                                  : QColor(pixel).name().toUpper() +
                                        (qAlpha(pixel) == 255 ? QString() : QString(" a%1").arg(qAlpha(pixel)));
    };
    QString words = tr("%1x  x %2 y %3").arg(zoom_).arg(x).arg(y);
    if (!source_.isNull())
        words += "  " + name(source_.pixel(
                            std::min((x * 2 + 1) * source_.width() / (2 * result_.width()), source_.width() - 1),
                            std::min((y * 2 + 1) * source_.height() / (2 * result_.height()), source_.height() - 1)));
    const QRgb pixel = result_.pixel(x, y);
    words += QString::fromUtf8(" → ") + name(pixel);
    const BakedImage& baked = *editor_.baked();
    if (baked.frames.front().record.format && info(baked.format).bits <= 16) {
        const auto bytes = rowForm(Colour{pixel | 0xff000000u}, baked.format, baked.palette);
        uint32_t number = 0;
        for (size_t i = bytes.size(); i-- > 0;)
            number = number << 8 | bytes[baked.format == PixelFormat::Rgb565Be ? bytes.size() - 1 - i : i];
        words += bytes.size() == 1 ? QString("  %1").arg(number) : QString("  0x%1").arg(number, 4, 16, QChar('0'));
    }
    return words;
}

void PictureView::paintTags(QPainter& painter) const {
    paintTag(painter, {8, 8}, sourceWords(), Qt::AlignLeft);
    paintTag(painter, {width() - 8, 8}, resultWords(), Qt::AlignRight);
    paintTag(painter, {8, height() - 8}, pointerWords(), Qt::AlignLeft | Qt::AlignBottom);
}

void PictureView::paintSplit(QPainter& painter) {
    const QRect at = places().result;
    const int line = at.left() + static_cast<int>(at.width() * line_);
    paintGround(painter, at);
    painter.setClipRect(QRect(at.left(), at.top(), line - at.left(), at.height()));
    painter.drawImage(at, source_);
    painter.setClipRect(QRect(line, at.top(), at.right() + 1 - line, at.height()));
    painter.drawImage(at, result_);
    paintGrid(painter, at);
    painter.setClipping(false);
    painter.fillRect(QRect(line - 1, at.top(), 2, at.height()), Theme::colour(Role::Accent));
    const QPoint knob(line, at.center().y());
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(Qt::NoPen);
    painter.setBrush(Theme::colour(Role::Accent));
    painter.drawEllipse(knob, 10, 10);
    painter.setPen(QPen(QColor("#1d2320"), 1.5));
    painter.drawPolyline(QPolygon({knob + QPoint(-3, -3), knob + QPoint(-6, 0), knob + QPoint(-3, 3)}));
    painter.drawPolyline(QPolygon({knob + QPoint(3, -3), knob + QPoint(6, 0), knob + QPoint(3, 3)}));
    painter.drawLine(knob + QPoint(-6, 0), knob + QPoint(6, 0));
    painter.setRenderHint(QPainter::Antialiasing, false);
    paintTags(painter);
}

void PictureView::paintBeside(QPainter& painter) {
    const Places at = places();
    paintGround(painter, at.source);
    painter.drawImage(at.source, source_);
    paintGround(painter, at.result);
    painter.drawImage(at.result, result_);
    paintGrid(painter, at.result);
    paintTags(painter);
}

void PictureView::paintCrop(QPainter& painter) {
    if (whole_.isNull())
        return;
    const QRectF whole = wholeOriginal(), kept = cropOnWidget();
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    painter.drawImage(whole, whole_);
    painter.setRenderHint(QPainter::SmoothPixmapTransform, false);
    QRegion out = QRegion(whole.toAlignedRect()) - QRegion(kept.toAlignedRect());
    painter.setClipRegion(out);
    painter.fillRect(whole, QColor(20, 24, 22, 150));
    painter.setClipping(false);
    painter.setPen(QPen(Theme::colour(Role::Accent), 2));
    painter.drawRect(kept);
    paintTag(painter, {8, 8}, sourceWords(), Qt::AlignLeft);
    paintTag(painter, {width() - 8, 8},
             tr("kept: %1, %2  %3x%4").arg(crop_.x).arg(crop_.y).arg(crop_.width).arg(crop_.height), Qt::AlignRight);
    paintTag(painter, {8, height() - 8}, tr("drag a box, its edges, or all of it; Return when done"),
             Qt::AlignLeft | Qt::AlignBottom);
}

}  // namespace gorsefinch::app
