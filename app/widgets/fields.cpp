// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/fields.h"

#include <QButtonGroup>
#include <QColorDialog>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QPainter>
#include <QPushButton>
#include <QStyle>
#include <QToolTip>
#include <algorithm>
#include <cmath>

#include "app/theme/theme.h"
#include "core/kinds/edges.h"

namespace gorsefinch::app {

namespace {

// sum := product {+- product}; product := part {*/ part}; part := number | x y w h | ( sum ) | - part
class SumReader {
  public:
    SumReader(const QString& text, const BoxValues& box) : text_(text.simplified().remove(' ')), box_(box) {}

    std::optional<int> run() {
        const double value = sum(0);
        if (!fine_ || at_ != text_.size() || text_.isEmpty() || !std::isfinite(value) || std::abs(value) > 1e6)
            return std::nullopt;
        return static_cast<int>(std::lround(value));
    }

  private:
    bool take(char c) {
        if (at_ >= text_.size() || text_[at_] != QLatin1Char(c))
            return false;
        ++at_;
        return true;
    }
    double sum(int depth) {
        double value = product(depth);
        for (;;) {
            if (take('+'))
                value += product(depth);
            else if (take('-'))
                value -= product(depth);
            else
                return value;
        }
    }
    double product(int depth) {
        double value = part(depth);
        for (;;) {
            if (take('*'))
                value *= part(depth);
            else if (take('/'))
                value /= part(depth);
            else
                return value;
        }
    }
    double part(int depth) {
        if (depth > 50)
            fine_ = false;
        if (!fine_)
            return 0;
        if (take('-'))
            return -part(depth + 1);
        if (take('(')) {
            const double value = sum(depth + 1);
            fine_ = fine_ && take(')');
            return value;
        }
        if (take('x'))
            return box_.x;
        if (take('y'))
            return box_.y;
        if (take('w'))
            return box_.w;
        if (take('h'))
            return box_.h;
        const qsizetype from = at_;
        while (at_ < text_.size() && (text_[at_].isDigit() || text_[at_] == '.'))
            ++at_;
        bool number = false;
        const double value = text_.mid(from, at_ - from).toDouble(&number);
        fine_ = fine_ && number;
        return value;
    }

    QString text_;
    BoxValues box_;
    qsizetype at_ = 0;
    bool fine_ = true;
};

}  // namespace

std::optional<int> sumValue(const QString& text, const BoxValues& box) { return SumReader(text, box).run(); }

NumberField::NumberField(int min, int max, const QString& unit, QWidget* parent)
    : QLineEdit(parent), min_(min), max_(max), unit_(unit) {
    setFont(Theme::figures());
    const int room = unit.isEmpty() ? 4 : QFontMetrics(Theme::figures(10)).horizontalAdvance(unit) + 8;
    setTextMargins(0, 0, room, 0);
    setMinimumWidth(44);
    connect(this, &QLineEdit::returnPressed, this, &NumberField::commit);
}

void NumberField::setNumber(std::optional<int> number) {
    shown_ = number;
    if (hasFocus() && isModified())
        return;
    setText(number ? QString::number(*number) : QString());
    setPlaceholderText(number ? QString() : tr("mixed"));
    mark(false);
}

void NumberField::mark(bool wrong) {
    if (property("wrong").toBool() == wrong)
        return;
    const QString help = toolTip();
    setToolTip(wrong ? tr("A whole number from %1 to %2, or a sum such as 320-24").arg(min_).arg(max_) : help_);
    help_ = help;
    setProperty("wrong", wrong);
    style()->unpolish(this);
    style()->polish(this);
}

void NumberField::commit() {
    if (!isModified() || text().isEmpty())
        return;
    const std::optional<int> value = sumValue(text(), box_);
    const bool fits = value && *value >= min_ && *value <= max_;
    mark(!fits);
    if (!fits) {
        QToolTip::showText(mapToGlobal(QPoint(0, height())), toolTip(), this);
        return;
    }
    setModified(false);
    if (shown_ == value)
        setNumber(value);
    else
        Q_EMIT numberChosen(*value);
}

void NumberField::keyPressEvent(QKeyEvent* event) {
    const int direction = event->key() == Qt::Key_Up ? 1 : event->key() == Qt::Key_Down ? -1 : 0;
    if (direction != 0 && shown_) {
        const int step = event->modifiers() & Qt::ShiftModifier ? 10 : 1;
        setModified(false);
        Q_EMIT numberChosen(std::clamp(*shown_ + direction * step, min_, max_));
    } else if (event->key() == Qt::Key_Escape && isModified()) {
        setModified(false);
        setNumber(shown_);
    } else {
        QLineEdit::keyPressEvent(event);
    }
}

void NumberField::focusOutEvent(QFocusEvent* event) {
    commit();
    QLineEdit::focusOutEvent(event);
}

void NumberField::paintEvent(QPaintEvent* event) {
    QLineEdit::paintEvent(event);
    if (unit_.isEmpty())
        return;
    QPainter painter(this);
    painter.setFont(Theme::figures(10));
    painter.setPen(Theme::colour(Role::QuietText));
    painter.drawText(rect().adjusted(0, 0, -7, 0), Qt::AlignRight | Qt::AlignVCenter, unit_);
}

ColourField::ColourField(QWidget* parent)
    : QWidget(parent), swatch_(new QToolButton(this)), code_(new QLineEdit(this)) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(4);
    swatch_->setToolTip(tr("Choose a colour"));
    swatch_->setFixedSize(26, 24);
    code_->setFont(Theme::figures());
    code_->setToolTip(tr("#RRGGBB, #RRGGBBAA or none"));
    row->addWidget(swatch_);
    row->addWidget(code_, 1);
    setFocusProxy(code_);
    connect(swatch_, &QToolButton::clicked, this, &ColourField::choose);
    connect(code_, &QLineEdit::editingFinished, this, &ColourField::commitCode);
}

void ColourField::setColour(std::optional<Colour> colour) {
    colour_ = colour;
    showSwatch();
    if (!(code_->hasFocus() && code_->isModified()))
        code_->setText(colour ? QString::fromStdString(toText(*colour)) : QString());
    code_->setPlaceholderText(colour ? QString() : tr("mixed"));
}

void ColourField::showSwatch() {
    QPixmap picture(18, 16);
    QPainter painter(&picture);
    painter.fillRect(picture.rect(), Qt::white);
    painter.fillRect(QRect(0, 0, 9, 8), QColor("#c4c8c2"));
    painter.fillRect(QRect(9, 8, 9, 8), QColor("#c4c8c2"));
    if (colour_)
        painter.fillRect(picture.rect(), QColor::fromRgba(colour_->argb));
    painter.setPen(QColor("#7a827d"));
    painter.drawRect(picture.rect().adjusted(0, 0, -1, -1));
    painter.end();
    swatch_->setIcon(picture);
    swatch_->setIconSize(picture.size());
}

void ColourField::commitCode() {
    if (!code_->isModified())
        return;
    code_->setModified(false);
    QString text = code_->text().trimmed();
    if (text.size() == 6 && !text.startsWith('#'))
        text.prepend('#');
    const auto colour = colourFromText(text.toStdString());
    code_->setProperty("wrong", !colour);
    code_->style()->unpolish(code_);
    code_->style()->polish(code_);
    if (colour && colour != colour_)
        Q_EMIT colourChosen(*colour);
}

void ColourField::choose() {
    QColorDialog dialog(QColor::fromRgba(colour_ ? colour_->argb : 0xffffffffu), this);
    dialog.setOption(QColorDialog::ShowAlphaChannel);
    dialog.setOption(QColorDialog::DontUseNativeDialog);
    const std::optional<Colour> before = colour_;
    connect(&dialog, &QColorDialog::currentColorChanged, this,
            [this](const QColor& c) { Q_EMIT chosenLive(Colour{c.rgba()}); });
    if (dialog.exec() == QDialog::Accepted)
        Q_EMIT colourChosen(Colour{dialog.currentColor().rgba()});
    else if (before)
        Q_EMIT chosenLive(*before);
}

ChoiceField::ChoiceField(const QStringList& choices, QWidget* parent)
    : QWidget(parent), group_(new QButtonGroup(this)), choices_(choices) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    for (qsizetype i = 0; i < choices.size(); ++i) {
        auto* button = new QPushButton(choices[i], this);
        button->setCheckable(true);
        button->setStyleSheet("padding: 0 4px; min-height: 22px; border-radius: 0;");
        group_->addButton(button, static_cast<int>(i));
        row->addWidget(button, 1);
    }
    connect(group_, &QButtonGroup::idClicked, this, [this](int id) { Q_EMIT chosen(choices_[id]); });
}

EdgesField::EdgesField(QWidget* parent) : QWidget(parent), group_(new QButtonGroup(this)) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    group_->setExclusive(false);
    for (size_t i = 0; i < kEdgeWords.size(); ++i) {
        auto* button = new QPushButton(kEdgeWords[i], this);
        button->setObjectName(QString("anchor_%1").arg(kEdgeWords[i]));
        button->setCheckable(true);
        button->setStyleSheet("padding: 0 2px; min-height: 22px; border-radius: 0;");
        group_->addButton(button, static_cast<int>(i));
        row->addWidget(button, 1);
    }
    connect(group_, &QButtonGroup::idClicked, this, [this] {
        unsigned edges = 0;
        for (QAbstractButton* each : group_->buttons())
            edges |= each->isChecked() ? 1u << group_->id(each) : 0u;
        Q_EMIT edgesChosen(edges);
    });
}

void EdgesField::setEdges(std::optional<unsigned> edges) {
    for (QAbstractButton* each : group_->buttons())
        each->setChecked((edges.value_or(0) & (1u << group_->id(each))) != 0);
}

void ChoiceField::setChosen(const QString& choice) {
    const auto at = static_cast<int>(choices_.indexOf(choice));
    group_->setExclusive(at >= 0);
    for (QAbstractButton* button : group_->buttons())
        button->setChecked(group_->id(button) == at);
    group_->setExclusive(true);
}

}  // namespace gorsefinch::app
