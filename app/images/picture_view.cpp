// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/images/picture_view.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QWheelEvent>
#include <cmath>

#include "app/images/image_editor.h"
#include "app/session/session.h"
#include "app/widgets/frame_picture.h"

namespace gorsefinch::app {

namespace {

constexpr int kMax = 32;     // zoom
constexpr int kMargin = 14;  // around the picture
constexpr int kGap = 16;     // between source and result side by side

}  // namespace

PictureView::PictureView(Session& session, ImageEditor& editor, QWidget* parent)
    : QWidget(parent), session_(session), editor_(editor) {
    setObjectName("picture_view");
    setMouseTracking(true);
    setFocusPolicy(Qt::StrongFocus);
    setMinimumSize(320, 220);
    setToolTip({});
    connect(&editor, &ImageEditor::currentChanged, this, [this] {
        frame_ = 0;
        zoomIsFit_ = true;
        pan_ = {};
        setPlaying(false);
    });
    connect(&editor, &ImageEditor::shown, this, &PictureView::takeShown);
    connect(&editor, &ImageEditor::busyChanged, this, [this] { update(); });
    connect(&editor, &ImageEditor::progressed, this, [this] {
        Q_EMIT progressShown(editor_.progress(), editor_.done());
        update();
    });
    connect(&player_, &QTimer::timeout, this, &PictureView::nextFrame);
}

// The original's frame that the shown one is made of.
const Picture& PictureView::sourceFrame(const Original& original) const {
    const auto& uses = editor_.recipe().frames;
    const int number = uses.empty() ? frame_ : uses[std::min(static_cast<size_t>(frame_), uses.size() - 1)].source;
    return original.frames[std::min(static_cast<size_t>(std::max(number, 0)), original.frames.size() - 1)];
}

void PictureView::takeShown() {
    result_ = {};
    whole_ = {};
    if (const BakedImageRef& baked = editor_.baked()) {
        frame_ = std::min(frame_, static_cast<int>(baked->frames.size()) - 1);
        result_ = toImage(baked->picture(static_cast<size_t>(frame_)));
    }
    if (const OriginalRef& original = editor_.original()) {
        whole_ = toImage(sourceFrame(*original));
        crop_ = croppedBox(editor_.recipe(), whole_.width(), whole_.height());
    }
    if (zoomIsFit_)
        zoomToFit();
    makeSource();
    update();
}

// How many of the original's pixels make one of the result's, along the side where it is more.
double PictureView::pixelsOfOriginal() const {
    double w = crop_.width, h = crop_.height;
    if (editor_.recipe().turn % 180 != 0)
        std::swap(w, h);
    return std::max(w / result_.width(), h / result_.height());
}

// The source as the recipe's shape has it, at the size it has on the widget, so that it can be compared.
void PictureView::makeSource() {
    source_ = {};
    const OriginalRef& original = editor_.original();
    if (!original || result_.isNull() || whole_.isNull())
        return;
    RecipeShape shape = editor_.recipe();
    shape.columns = shape.rows = 1;
    const double max = 2.0 * std::max(width(), height()) / std::max(result_.width(), result_.height());
    double by = std::clamp(static_cast<double>(zoom_), 1.0, std::max(1.0, max));
    // Not more pixels than it has: they show as the squares that they are.
    if (!original->drawing)
        by = std::min(by, pixelsOfOriginal());
    shape.width = std::clamp(static_cast<int>(std::lround(result_.width() * by)), 1, kMaxResultSide);
    shape.height = std::clamp(static_cast<int>(std::lround(result_.height() * by)), 1, kMaxResultSide);
    if (original->drawing)
        shape.cropWidth = 0;
    source_ = toImage(shaped(sourceFrame(*original), shape));
}

void PictureView::endCrop() {
    if (mode_ == Mode::Crop)
        setMode(beforeCrop_);
}

void PictureView::setMode(Mode mode) {
    if (mode == Mode::Crop && mode_ != Mode::Crop)
        beforeCrop_ = mode_;
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
    if (!editor_.baked())
        return;
    frame_ = std::clamp(frame, 0, static_cast<int>(editor_.baked()->frames.size()) - 1);
    takeShown();
    Q_EMIT frameShown(frame_);
}

void PictureView::setPlaying(bool playing) {
    const bool can = playing && editor_.baked() && editor_.baked()->frames.size() > 1;
    if (can == player_.isActive())
        return;
    if (can)
        player_.start(editor_.baked()->times[static_cast<size_t>(frame_)]);
    else
        player_.stop();
    Q_EMIT playingChanged(can);
}

void PictureView::nextFrame() {
    if (!editor_.baked() || editor_.baked()->frames.size() < 2) {
        setPlaying(false);
        return;
    }
    setFrame((frame_ + 1) % static_cast<int>(editor_.baked()->frames.size()));
    player_.setInterval(editor_.baked()->times[static_cast<size_t>(frame_)]);
}

void PictureView::zoomToFit() {
    zoomIsFit_ = true;
    pan_ = {};
    if (result_.isNull())
        return;
    const Panel& panel = *session_.document().panel;
    const QSize one = onPanel_ ? QSize(panel.width, panel.height).expandedTo(result_.size()) : result_.size();
    const int across = mode_ == Mode::Beside ? (width() - 2 * kMargin - kGap) / 2 : width() - 2 * kMargin;
    zoom_ = std::clamp(std::min(across / one.width(), (height() - 2 * kMargin) / one.height()), 1, kMax);
    makeSource();
    update();
}

void PictureView::zoomBy(int steps) {
    zoomIsFit_ = false;
    zoom_ = std::clamp(zoom_ + steps, 1, kMax);
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

QRectF PictureView::wholeOriginal() const {
    const QSizeF size =
        QSizeF(whole_.size()).scaled(QSizeF(width() - 2 * kMargin, height() - 2 * kMargin), Qt::KeepAspectRatio);
    return QRectF(QPointF((width() - size.width()) / 2, (height() - size.height()) / 2), size);
}

QRectF PictureView::cropOnWidget() const {
    const QRectF whole = wholeOriginal();
    const double by = whole.width() / whole_.width();
    return {whole.left() + crop_.x * by, whole.top() + crop_.y * by, crop_.width * by, crop_.height * by};
}

void PictureView::mousePressEvent(QMouseEvent* event) {
    setFocus();
    dragFrom_ = event->pos();
    panFrom_ = pan_;
    if (mode_ == Mode::Crop && !whole_.isNull() && event->button() == Qt::LeftButton) {
        const QRectF kept = cropOnWidget();
        const QPointF p = event->position();
        const bool inside = kept.adjusted(-6, -6, 6, 6).contains(p);
        cropEdges_ =
            !inside ? 0
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
    const bool onLine =
        mode_ == Mode::Split && std::abs(event->pos().x() - line) < 12 && event->button() == Qt::LeftButton;
    drag_ = onLine ? Drag::Line : Drag::Pan;
}

// The crop while an edge, all of it, or a new box is dragged; clamped to the picture, and to the panel's aspect if
// wanted.
void PictureView::moveCrop(const QPointF& to) {
    const QRectF whole = wholeOriginal();
    const double by = whole.width() / whole_.width();
    const auto px = [&](double v, double start, int max) {
        return std::clamp(static_cast<int>(std::lround((v - start) / by)), 0, max);
    };
    const int x = px(to.x(), whole.left(), whole_.width()), y = px(to.y(), whole.top(), whole_.height());
    const int fromX = px(dragFrom_.x(), whole.left(), whole_.width()),
              fromY = px(dragFrom_.y(), whole.top(), whole_.height());
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
    if (aspectKept_ && x1 > x0) {
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
        case Qt::Key_Return:
        case Qt::Key_Enter:
        case Qt::Key_Escape:
            if (mode_ == Mode::Crop)
                Q_EMIT cropFinished();
            else if (event->key() == Qt::Key_Escape)
                editor_.cancel();
            break;
        default: QWidget::keyPressEvent(event); return;
    }
    update();
}

}  // namespace gorsefinch::app
