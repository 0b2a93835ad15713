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

constexpr int kLargeStep = 10;  // of keys and wheel with Shift

}  // namespace

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
    showMixed();
    mark(false);
}

// A narrow field shows an ellipsis instead of the word.
void NumberField::showMixed() {
    const QString word = tr("mixed");
    const bool fits = fontMetrics().horizontalAdvance(word) + textMargins().right() + 16 <= width();
    setPlaceholderText(shown_ ? QString() : fits ? word : QString("\u2026"));
}

void NumberField::resizeEvent(QResizeEvent* event) {
    QLineEdit::resizeEvent(event);
    showMixed();
}

void NumberField::mark(bool wrong) {
    if (property("wrong").toBool() == wrong)
        return;
    const QString help = toolTip();
    setToolTip(
        wrong ? tr("A whole number from %1 to %2, or a sum such as 320-24, w/2, panel.w/3 or +4").arg(min_).arg(max_)
              : help_);
    help_ = help;
    setProperty("wrong", wrong);
    style()->unpolish(this);
    style()->polish(this);
}

void NumberField::commit() {
    if (!isModified() || text().isEmpty())
        return;
    std::vector<int> numbers;
    for (const SumValues& each : each_)
        if (const auto value = valueOfSum(text().toStdString(), each); value && *value >= min_ && *value <= max_)
            numbers.push_back(*value);
    const bool fits = numbers.size() == each_.size();
    mark(!fits);
    if (!fits) {
        QToolTip::showText(mapToGlobal(QPoint(0, height())), toolTip(), this);
        return;
    }
    setModified(false);
    give(numbers);
}

// One number where they are the same.
void NumberField::give(const std::vector<int>& numbers) {
    const bool same = std::equal(numbers.begin() + 1, numbers.end(), numbers.begin());
    if (same && shown_ == numbers.front())
        setNumber(shown_);
    else if (same)
        Q_EMIT numberChosen(numbers.front());
    else
        Q_EMIT numbersChosen(numbers);
}

void NumberField::step(int by) {
    std::vector<int> numbers;
    for (const SumValues& each : each_)
        numbers.push_back(
            std::clamp((each_.size() == 1 && shown_ ? *shown_ : static_cast<int>(each.own)) + by, min_, max_));
    setModified(false);
    give(numbers);
}

void NumberField::keyPressEvent(QKeyEvent* event) {
    const int direction = event->key() == Qt::Key_Up ? 1 : event->key() == Qt::Key_Down ? -1 : 0;
    if (direction != 0) {
        step(direction * (event->modifiers() & Qt::ShiftModifier ? kLargeStep : 1));
    } else if (event->key() == Qt::Key_Escape && isModified()) {
        setModified(false);
        setNumber(shown_);
    } else {
        QLineEdit::keyPressEvent(event);
    }
}

// Over a field that is not edited it scrolls the page.
void NumberField::wheelEvent(QWheelEvent* event) {
    const int direction = event->angleDelta().y() > 0 ? 1 : event->angleDelta().y() < 0 ? -1 : 0;
    if (!hasFocus() || direction == 0) {
        event->ignore();
        return;
    }
    step(direction * (event->modifiers() & Qt::ShiftModifier ? kLargeStep : 1));
    event->accept();
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
