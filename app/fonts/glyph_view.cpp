// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fonts/glyph_view.h"

#include <QKeyEvent>
#include <QLabel>
#include <QMouseEvent>
#include <QPainter>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/fonts/font_editor.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/counted.h"
#include "app/widgets/from_std.h"
#include "core/base/characters.h"
#include "core/edits/font_edits.h"
#include "core/font/hand_glyph.h"
#include "core/font/unicode_blocks.h"
#include "core/image/levels.h"
#include "core/scene/font_reasons.h"

namespace gorsefinch::app {

namespace {

// May break after dots and underscores.
QString breakable(QString name) {
    const QString chance = QString(QChar(0x200b));
    return name.replace('.', '.' + chance).replace('_', '_' + chance);
}

}  // namespace

// The pixels. Places are counted from the pen to the right and from the baseline up.
class GlyphView::Pixels : public QWidget {
  public:
    Pixels(GlyphView& view) : QWidget(&view), view_(view) {
        setObjectName("glyph_pixels");
        setFocusPolicy(Qt::StrongFocus);
        setMinimumSize(150, 120);
    }

    void show(const GlyphBitmap& glyph, int ascent, int descent, bool editable, int bits) {
        glyph_ = glyph;
        bits_ = bits;
        editable_ = editable;
        const int margin = editable ? 2 : 1;
        left_ = std::min(glyph.left, 0) - margin;
        right_ = std::max({glyph.left + glyph.width, glyph.advance, 1}) + margin;
        top_ = std::max(ascent, glyph.rise) + 1;
        bottom_ = -std::max(descent, glyph.height - glyph.rise) - 1;
        setCursor(editable ? Qt::CrossCursor : Qt::ArrowCursor);
        cursor_.setX(std::clamp(cursor_.x(), left_, right_ - 1));
        cursor_.setY(std::clamp(cursor_.y(), bottom_, top_ - 1));
        update();
    }
    void clear() {
        right_ = left_;
        update();
    }

  protected:
    int cell() const {
        return right_ > left_
                   ? std::clamp(std::min((width() - 16) / (right_ - left_), (height() - 16) / (top_ - bottom_)), 1, 28)
                   : 1;
    }
    QPoint origin() const {
        const int each = cell();
        return {(width() - (right_ - left_) * each) / 2 - left_ * each,
                (height() - (top_ - bottom_) * each) / 2 + top_ * each};
    }
    QRect at(int x, int y) const {
        const int each = cell();
        return {origin().x() + x * each, origin().y() - (y + 1) * each, each, each};
    }
    QPoint placeAt(const QPoint& point) const {
        const int each = cell();
        const auto below = [each](int v) { return v >= 0 ? v / each : -((-v + each - 1) / each); };
        return {below(point.x() - origin().x()), -below(point.y() - origin().y()) - 1};
    }
    uint32_t valueAt(int x, int y) const {
        const int column = x - glyph_.left, row = glyph_.rise - 1 - y;
        return column < 0 || row < 0 || column >= glyph_.width || row >= glyph_.height
                   ? 0
                   : valueOf(levelOf(glyph_.coverage[static_cast<size_t>(row) * static_cast<size_t>(glyph_.width) +
                                                     static_cast<size_t>(column)],
                                     bits_),
                             bits_);
    }

    void paintEvent(QPaintEvent*) override {
        QPainter painter(this);
        painter.fillRect(rect(), Theme::colour(Role::Field));
        if (right_ <= left_)
            return;
        const QColor ink = Theme::colour(Role::Text);
        for (int y = bottom_; y < top_; ++y)
            for (int x = left_; x < right_; ++x)
                if (const uint32_t value = valueAt(x, y); value != 0)
                    painter.fillRect(at(x, y), QColor(ink.red(), ink.green(), ink.blue(), static_cast<int>(value)));
        const QRect whole = at(left_, top_ - 1).united(at(right_ - 1, bottom_));
        if (cell() >= 5) {
            painter.setPen(Theme::colour(Role::Line));
            for (int x = left_; x <= right_; ++x)
                painter.drawLine(at(x, 0).left(), whole.top(), at(x, 0).left(), whole.bottom() + 1);
            for (int y = bottom_; y <= top_; ++y)
                painter.drawLine(whole.left(), at(0, y).bottom() + 1, whole.right() + 1, at(0, y).bottom() + 1);
        }
        // The box of the bitmap, the baseline, where the pen is and goes.
        painter.setPen(QPen(Theme::colour(Role::QuietText), 1, Qt::DotLine));
        if (glyph_.width > 0)
            painter.drawRect(at(glyph_.left, glyph_.rise - 1)
                                 .united(at(glyph_.left + glyph_.width - 1, glyph_.rise - glyph_.height))
                                 .adjusted(0, 0, 0, 0));
        painter.setPen(QPen(Theme::colour(Role::Accent), 2));
        painter.drawLine(whole.left(), origin().y(), whole.right(), origin().y());
        painter.setPen(QPen(Theme::colour(Role::Bound), 2));
        painter.drawLine(origin().x(), whole.top(), origin().x(), whole.bottom());
        painter.drawLine(origin().x() + glyph_.advance * cell(), whole.top(), origin().x() + glyph_.advance * cell(),
                         whole.bottom());
        if (editable_ && hasFocus()) {
            painter.setPen(QPen(Theme::colour(Role::Accent), 2));
            painter.drawRect(at(cursor_.x(), cursor_.y()));
        }
    }
    void mousePressEvent(QMouseEvent* event) override {
        setFocus();
        const QPoint place = placeAt(event->pos());
        if (!editable_ || event->button() != Qt::LeftButton)
            return;
        cursor_ = place;
        setting_ = valueAt(place.x(), place.y()) == 0;
        view_.setPixel(place.x(), place.y(), setting_);
    }
    void mouseMoveEvent(QMouseEvent* event) override {
        const QPoint place = placeAt(event->pos());
        if (!editable_ || !(event->buttons() & Qt::LeftButton) || place == cursor_)
            return;
        cursor_ = place;
        view_.setPixel(place.x(), place.y(), setting_);
    }
    void mouseReleaseEvent(QMouseEvent*) override { view_.session_.endGesture(); }
    void keyPressEvent(QKeyEvent* event) override {
        QPoint to = cursor_;
        switch (event->key()) {
            case Qt::Key_Left: to.rx() -= 1; break;
            case Qt::Key_Right: to.rx() += 1; break;
            case Qt::Key_Up: to.ry() += 1; break;
            case Qt::Key_Down: to.ry() -= 1; break;
            case Qt::Key_Space:
                if (editable_) {
                    view_.setPixel(cursor_.x(), cursor_.y(), valueAt(cursor_.x(), cursor_.y()) == 0);
                    view_.session_.endGesture();
                }
                return;
            default: QWidget::keyPressEvent(event); return;
        }
        cursor_ = {std::clamp(to.x(), left_, right_ - 1), std::clamp(to.y(), bottom_, top_ - 1)};
        update();
    }
    void focusInEvent(QFocusEvent*) override { update(); }
    void focusOutEvent(QFocusEvent*) override { update(); }

  private:
    GlyphView& view_;
    GlyphBitmap glyph_;
    int left_ = 0, right_ = 0, top_ = 1, bottom_ = 0;
    int bits_ = 1;
    bool editable_ = false, setting_ = true;
    QPoint cursor_{0, 0};
};

GlyphView::GlyphView(Session& session, FontEditor& editor, QWidget* parent)
    : QWidget(parent),
      session_(session),
      editor_(editor),
      pixels_(new Pixels(*this)),
      name_(new QLabel(this)),
      measures_(new QLabel(this)),
      why_(new QLabel(this)),
      back_(new QPushButton(tr("As the face has it"), this)) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    row->addWidget(pixels_, 1);
    auto* words = new QWidget(this);
    words->setFixedWidth(176);
    auto* column = new QVBoxLayout(words);
    column->setContentsMargins(12, 8, 12, 8);
    column->setSpacing(6);
    for (QLabel* each : {name_, measures_, why_}) {
        each->setWordWrap(true);
        each->setTextInteractionFlags(Qt::TextSelectableByMouse);
        column->addWidget(each);
    }
    measures_->setFont(Theme::figures());
    why_->setProperty("quiet", true);
    back_->setObjectName("glyph_as_face");
    back_->setToolTip(tr("Forget the pixels that were set by hand"));
    column->addWidget(back_);
    column->addStretch(1);
    row->addWidget(words);
    connect(back_, &QPushButton::clicked, this, [this] {
        session_.edit(withHandGlyph(session_.document(), editor_.shownKey(), editor_.character(), std::nullopt),
                      tr("Glyph as the face has it"));
    });
    connect(&editor, &FontEditor::shown, this, &GlyphView::refresh);
    connect(&editor, &FontEditor::characterChanged, this, &GlyphView::refresh);
}

void GlyphView::setPixel(int x, int y, bool on) {
    const BakedFont* font = editor_.font();
    if (!font || font->bits() != 1)
        return;
    GlyphBitmap now = font->bitmap(editor_.character());
    now.advance -= font->settings().letter;
    session_.edit(withHandGlyph(session_.document(), editor_.shownKey(), editor_.character(), withPixel(now, x, y, on)),
                  tr("Set a glyph's pixel"), "glyph pixels");
}

void GlyphView::refresh() {
    const BakedFont* font = editor_.font();
    const char32_t c = editor_.character();
    if (!font || c == 0 || font->held().count(c) == 0) {
        pixels_->clear();
        const bool missing = font && font->missing().count(c) != 0;
        name_->setText(missing ? fromStd(characterCode(c)) + "\n" + fromStd(characterName(c)).toLower() : QString());
        measures_->clear();
        why_->setText(missing ? tr("Needed, but no face of this font has it. Give the font a fallback face, or "
                                   "change the words.")
                              : tr("A glyph shows here once one is chosen."));
        back_->hide();
        return;
    }
    const GlyphBitmap glyph = font->bitmap(c);
    pixels_->show(glyph, font->ascent(), font->lineHeight() - font->ascent(), font->bits() == 1, font->bits());
    name_->setText(QString("<b>%1</b>&nbsp; %2<br>%3")
                       .arg(QString::fromUcs4(&c, 1).toHtmlEscaped(), fromStd(characterCode(c)),
                            fromStd(characterName(c)).toLower().toHtmlEscaped()));
    const int number = font->glyphOf(c);
    measures_->setText(tr("box     %1x%2\nleft    %3\nrise    %4\nadvance %5\nbytes   %6")
                           .arg(glyph.width)
                           .arg(glyph.height)
                           .arg(glyph.left)
                           .arg(glyph.rise)
                           .arg(glyph.advance)
                           .arg(font->glyphBytes(number) + 8));
    QStringList reasons;
    int more = 0;
    for (const FontReason& each : fontReasons(*session_.scene(), *font))
        if (each.characters.count(c) != 0) {
            const QString words = each.what == FontReason::What::Held
                                      ? tr("held besides")
                                      : breakable(fromStd(each.screen + "." + each.widget));
            if (reasons.contains(words))
                continue;
            if (reasons.size() < 4)
                reasons << words;
            else
                ++more;
        }
    why_->setText((reasons.isEmpty()
                       ? QString()
                       : tr("for ") + reasons.join(", ") + (more > 0 ? tr(" and %1 more").arg(more) : QString())) +
                  (font->isByHand(c)   ? tr("\nset by hand")
                   : font->bits() == 1 ? tr("\nclick a pixel to set it")
                                       : QString()));
    back_->setVisible(font->isByHand(c));
}

}  // namespace gorsefinch::app
