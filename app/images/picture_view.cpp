// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/images/picture_view.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>

#include "app/images/image_desk.h"
#include "app/session/session.h"
#include "app/screens/frame_picture.h"
#include "app/theme/theme.h"

namespace gorsefinch::app {

namespace {

constexpr int kMost = 32;    // zoom
constexpr int kMargin = 14;  // around the picture
constexpr int kGap = 16;     // between source and result side by side

}  // namespace

PictureView::PictureView(Session& session, ImageDesk& desk, QWidget* parent) : QWidget(parent), session_(session), desk_(desk) {
    setObjectName("picture_view");
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    setMinimumSize(320, 220);
    setToolTip({});
    connect(&desk, &ImageDesk::currentChanged, this, [this] {
        frame_ = 0;
        zoomIsFit_ = true;
        pan_ = {};
        setPlaying(false);
    });
    connect(&desk, &ImageDesk::shown, this, &PictureView::takeShown);
    connect(&desk, &ImageDesk::busyChanged, this, [this] { update(); });
    connect(&player_, &QTimer::timeout, this, &PictureView::nextFrame);
}

// The original's frame that the shown one is made of.
const Picture& PictureView::sourceFrame(const Original& original) const {
    const auto& uses = desk_.recipe().frames;
    const int number = uses.empty() ? frame_ : uses[std::min(static_cast<size_t>(frame_), uses.size() - 1)].source;
    return original.frames[std::min(static_cast<size_t>(std::max(number, 0)), original.frames.size() - 1)];
}

void PictureView::takeShown() {
    result_ = {};
    whole_ = {};
    if (const BakedImageRef& baked = desk_.baked()) {
        frame_ = std::min(frame_, static_cast<int>(baked->frames.size()) - 1);
        result_ = toImage(baked->picture(static_cast<size_t>(frame_)));
    }
    if (const OriginalRef& original = desk_.original()) {
        whole_ = toImage(sourceFrame(*original));
        crop_ = croppedBox(desk_.recipe(), whole_.width(), whole_.height());
    }
    if (zoomIsFit_)
        zoomToFit();
    makeSource();
    update();
}

// The source as the recipe's shape has it, at the size it has on the widget, so that it can be compared.
void PictureView::makeSource() {
    source_ = {};
    const OriginalRef& original = desk_.original();
    if (!original || result_.isNull() || whole_.isNull())
        return;
    RecipeShape shape = desk_.recipe();
    shape.columns = shape.rows = 1;
    const double most = 2.0 * std::max(width(), height()) / std::max(result_.width(), result_.height());
    const double by = std::clamp(static_cast<double>(zoom_), 1.0, std::max(1.0, most));
    shape.width = std::min(static_cast<int>(result_.width() * by), kMostResultSide);
    shape.height = std::min(static_cast<int>(result_.height() * by), kMostResultSide);
    if (original->drawing)
        shape.cropWidth = 0;
    source_ = toImage(shaped(sourceFrame(*original), shape));
}

void PictureView::setMode(Mode mode) {
    mode_ = mode;
    if (zoomIsFit_)
        zoomToFit();
    update();
}

void PictureView::setGridShown(bool shown) {
    gridShown_ = shown;
    update();
}

void PictureView::setOnPanel(bool on) {
    onPanel_ = on;
    if (zoomIsFit_)
        zoomToFit();
    update();
}

void PictureView::setFrame(int frame) {
    if (!desk_.baked())
        return;
    frame_ = std::clamp(frame, 0, static_cast<int>(desk_.baked()->frames.size()) - 1);
    takeShown();
    Q_EMIT frameShown(frame_);
}

void PictureView::setPlaying(bool playing) {
    const bool can = playing && desk_.baked() && desk_.baked()->frames.size() > 1;
    if (can == player_.isActive())
        return;
    if (can)
        player_.start(desk_.baked()->times[static_cast<size_t>(frame_)]);
    else
        player_.stop();
    Q_EMIT playingChanged(can);
}

void PictureView::nextFrame() {
    if (!desk_.baked() || desk_.baked()->frames.size() < 2) {
        setPlaying(false);
        return;
    }
    setFrame((frame_ + 1) % static_cast<int>(desk_.baked()->frames.size()));
    player_.setInterval(desk_.baked()->times[static_cast<size_t>(frame_)]);
}

void PictureView::zoomToFit() {
    zoomIsFit_ = true;
    pan_ = {};
    if (result_.isNull())
        return;
    const Panel& panel = *session_.document().panel;
    const QSize one = onPanel_ ? QSize(panel.width, panel.height).expandedTo(result_.size()) : result_.size();
    const int across = mode_ == Mode::Beside ? (width() - 2 * kMargin - kGap) / 2 : width() - 2 * kMargin;
    zoom_ = std::clamp(std::min(across / one.width(), (height() - 2 * kMargin) / one.height()), 1, kMost);
    makeSource();
    update();
}

void PictureView::zoomBy(int steps) {
    zoomIsFit_ = false;
    zoom_ = std::clamp(zoom_ + steps, 1, kMost);
    makeSource();
    update();
}

PictureView::Places PictureView::places() const {
    const QSize size = result_.size() * zoom_;
    const QPoint middle = rect().center() + pan_;
    Places out;
    if (mode_ == Mode::Beside) {
        const Panel& panel = *session_.document().panel;
        const int apart = (onPanel_ ? std::max(size.width(), panel.width * zoom_) : size.width()) + kGap;
        out.source = QRect(QPoint(middle.x() - apart / 2 - size.width() / 2, middle.y() - size.height() / 2), size);
        out.result = out.source.translated(apart, 0);
    } else {
        out.result = out.source = QRect(QPoint(middle.x() - size.width() / 2, middle.y() - size.height() / 2), size);
    }
    return out;
}

void PictureView::resizeEvent(QResizeEvent*) {
    if (zoomIsFit_)
        zoomToFit();
}

void PictureView::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.fillRect(rect(), Theme::colour(Role::Around));
    if (!desk_.image()) {
        painter.setPen(Theme::colour(Role::Surface));
        painter.drawText(rect(), Qt::AlignCenter, tr("Bring in a picture, and see here what the panel will show of it"));
    } else if (!desk_.trouble().isEmpty()) {
        painter.setPen(Theme::colour(Role::Surface));
        painter.drawText(rect().adjusted(40, 0, -40, 0), Qt::AlignCenter | Qt::TextWordWrap, desk_.trouble());
    } else if (!result_.isNull()) {
        if (mode_ == Mode::Crop)
            paintCrop(painter);
        else if (mode_ == Mode::Beside)
            paintBeside(painter);
        else
            paintSplit(painter);
    }
    if (desk_.isBusy())
        paintTag(painter, {width() / 2, 8}, tr("working …  Esc cancels"), Qt::AlignTop | Qt::AlignHCenter, true);
    if (hasFocus()) {
        painter.setPen(Theme::colour(Role::Accent));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(rect().adjusted(0, 0, -1, -1));
    }
}

void PictureView::paintGround(QPainter& painter, const QRect& picture) const {
    const QColor ground = QColor::fromRgb(session_.document().screens.front()->background.argb | 0xff000000u);
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

void PictureView::paintTag(QPainter& painter, const QPoint& corner, const QString& words, Qt::Alignment where, bool warn) const {
    if (words.isEmpty())
        return;
    painter.setFont(Theme::figures());
    QRect box = painter.fontMetrics().boundingRect(QRect(0, 0, width(), 40), Qt::AlignLeft, words).adjusted(-8, -4, 8, 4);
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
    const OriginalRef& original = desk_.original();
    if (!original)
        return {};
    return tr("original %1x%2").arg(original->width()).arg(original->height()) + (original->drawing ? tr(" drawing") : QString());
}

QString PictureView::resultWords() const {
    const BakedImage& baked = *desk_.baked();
    QString words = QString("%1x%2").arg(baked.width).arg(baked.height);
    if (baked.frames.front().record.format)
        words += QString(" ") + info(baked.format).key;
    if (baked.frames.size() > 1)
        words += tr("  frame %1/%2").arg(frame_ + 1).arg(baked.frames.size());
    return words + QString(" · %1 B").arg(baked.bytes());
}

// Place, the colour before and after, and the number that stands in the packed bytes.
QString PictureView::pointerWords() const {
    const Places at = places();
    const QRect& over = at.result.contains(pointer_) ? at.result : at.source;
    if (!over.contains(pointer_) || result_.isNull())
        return tr("%1x").arg(zoom_);
    const int x = (pointer_.x() - over.left()) / zoom_, y = (pointer_.y() - over.top()) / zoom_;
    const auto name = [](QRgb pixel) { return qAlpha(pixel) == 0 ? QString("clear") : QColor(pixel).name().toUpper() + (qAlpha(pixel) == 255 ? QString() : QString(" a%1").arg(qAlpha(pixel))); };
    QString words = tr("%1x  x %2 y %3").arg(zoom_).arg(x).arg(y);
    if (!source_.isNull())
        words += "  " + name(source_.pixel(std::min((x * 2 + 1) * source_.width() / (2 * result_.width()), source_.width() - 1),
                                           std::min((y * 2 + 1) * source_.height() / (2 * result_.height()), source_.height() - 1)));
    const QRgb pixel = result_.pixel(x, y);
    words += QString::fromUtf8(" → ") + name(pixel);
    const BakedImage& baked = *desk_.baked();
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

QRectF PictureView::wholeOriginal() const {
    const QSizeF size = QSizeF(whole_.size()).scaled(QSizeF(width() - 2 * kMargin, height() - 2 * kMargin), Qt::KeepAspectRatio);
    return QRectF(QPointF((width() - size.width()) / 2, (height() - size.height()) / 2), size);
}

QRectF PictureView::cropOnWidget() const {
    const QRectF whole = wholeOriginal();
    const double by = whole.width() / whole_.width();
    return {whole.left() + crop_.x * by, whole.top() + crop_.y * by, crop_.width * by, crop_.height * by};
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
    paintTag(painter, {width() - 8, 8}, tr("kept: %1, %2  %3x%4").arg(crop_.x).arg(crop_.y).arg(crop_.width).arg(crop_.height), Qt::AlignRight);
    paintTag(painter, {8, height() - 8}, tr("drag a box, its edges, or all of it"), Qt::AlignLeft | Qt::AlignBottom);
}

void PictureView::mousePressEvent(QMouseEvent* event) {
    setFocus();
    dragFrom_ = event->pos();
    panFrom_ = pan_;
    if (mode_ == Mode::Crop && !whole_.isNull() && event->button() == Qt::LeftButton) {
        const QRectF kept = cropOnWidget();
        const QPointF p = event->position();
        const bool inside = kept.adjusted(-6, -6, 6, 6).contains(p);
        cropEdges_ = !inside ? 0
                             : (std::abs(p.x() - kept.left()) < 7 ? 1 : 0) | (std::abs(p.y() - kept.top()) < 7 ? 2 : 0) |
                                   (std::abs(p.x() - kept.right()) < 7 ? 4 : 0) | (std::abs(p.y() - kept.bottom()) < 7 ? 8 : 0);
        const bool isAll = crop_.width == whole_.width() && crop_.height == whole_.height();
        if (inside && cropEdges_ == 0 && !isAll)
            cropEdges_ = 16;
        cropFrom_ = crop_;
        drag_ = Drag::Crop;
        return;
    }
    const QRect at = places().result;
    const int line = at.left() + static_cast<int>(at.width() * line_);
    const bool onLine = mode_ == Mode::Split && std::abs(event->pos().x() - line) < 12 && event->button() == Qt::LeftButton;
    drag_ = onLine ? Drag::Line : Drag::Pan;
}

// The crop while an edge, all of it, or a new box is dragged; held to the picture, and to the panel's aspect if wanted.
void PictureView::moveCrop(const QPointF& to) {
    const QRectF whole = wholeOriginal();
    const double by = whole.width() / whole_.width();
    const auto px = [&](double v, double start, int most) { return std::clamp(static_cast<int>(std::lround((v - start) / by)), 0, most); };
    const int x = px(to.x(), whole.left(), whole_.width()), y = px(to.y(), whole.top(), whole_.height());
    const int fromX = px(dragFrom_.x(), whole.left(), whole_.width()), fromY = px(dragFrom_.y(), whole.top(), whole_.height());
    if (cropEdges_ == 16) {
        crop_.x = std::clamp(cropFrom_.x + x - fromX, 0, whole_.width() - crop_.width);
        crop_.y = std::clamp(cropFrom_.y + y - fromY, 0, whole_.height() - crop_.height);
        return;
    }
    int x0 = cropFrom_.x, y0 = cropFrom_.y, x1 = x0 + cropFrom_.width, y1 = y0 + cropFrom_.height;
    if (cropEdges_ == 0) {
        x0 = std::min(fromX, x), x1 = std::max(fromX, x), y0 = std::min(fromY, y), y1 = std::max(fromY, y);
    } else {
        x0 = cropEdges_ & 1 ? std::min(x, x1 - 1) : x0;
        y0 = cropEdges_ & 2 ? std::min(y, y1 - 1) : y0;
        x1 = cropEdges_ & 4 ? std::max(x, x0 + 1) : x1;
        y1 = cropEdges_ & 8 ? std::max(y, y0 + 1) : y1;
    }
    if (aspectHeld_ && x1 > x0) {
        const Panel& panel = *session_.document().panel;
        const int tall = std::max(1, (x1 - x0) * panel.height / panel.width);
        (cropEdges_ & 2 ? y0 : y1) = cropEdges_ & 2 ? std::max(0, y1 - tall) : std::min(whole_.height(), y0 + tall);
    }
    if (x1 > x0 && y1 > y0)
        crop_ = {x0, y0, x1 - x0, y1 - y0};
}

void PictureView::mouseMoveEvent(QMouseEvent* event) {
    pointer_ = event->pos();
    const QRect at = places().result;
    if (drag_ == Drag::Line && at.width() > 0)
        line_ = std::clamp(static_cast<double>(event->pos().x() - at.left()) / at.width(), 0.0, 1.0);
    if (drag_ == Drag::Pan)
        pan_ = panFrom_ + event->pos() - dragFrom_;
    if (drag_ == Drag::Crop)
        moveCrop(event->position());
    const int line = at.left() + static_cast<int>(at.width() * line_);
    const bool onLine = mode_ == Mode::Split && std::abs(event->pos().x() - line) < 12;
    setCursor(mode_ == Mode::Crop ? Qt::CrossCursor : onLine ? Qt::SplitHCursor : Qt::ArrowCursor);
    update();
}

void PictureView::mouseReleaseEvent(QMouseEvent*) {
    if (drag_ == Drag::Crop && !(crop_ == cropFrom_))
        Q_EMIT cropDrawn(crop_);
    drag_ = Drag::None;
}

void PictureView::leaveEvent(QEvent*) {
    pointer_ = {-1, -1};
    update();
}

void PictureView::wheelEvent(QWheelEvent* event) {
    if (event->modifiers() & Qt::ControlModifier)
        zoomBy(event->angleDelta().y() > 0 ? 1 : -1);
    else
        pan_ += QPoint(event->angleDelta().x(), event->angleDelta().y()) / 4;
    update();
}

void PictureView::keyPressEvent(QKeyEvent* event) {
    switch (event->key()) {
        case Qt::Key_Plus:
        case Qt::Key_Equal: zoomBy(1); break;
        case Qt::Key_Minus: zoomBy(-1); break;
        case Qt::Key_0: zoomToFit(); break;
        case Qt::Key_Left: line_ = std::max(0.0, line_ - 0.02); break;
        case Qt::Key_Right: line_ = std::min(1.0, line_ + 0.02); break;
        case Qt::Key_Space: setPlaying(!isPlaying()); break;
        case Qt::Key_Escape: desk_.cancel(); break;
        default: QWidget::keyPressEvent(event); return;
    }
    update();
}

}  // namespace gorsefinch::app
