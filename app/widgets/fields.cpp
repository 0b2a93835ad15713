// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/fields.h"

#include <QButtonGroup>
#include <QCompleter>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QPainter>
#include <QPushButton>
#include <QStyle>
#include <QToolTip>
#include <algorithm>
#include <cmath>

#include "app/theme/theme.h"
#include "app/widgets/from_std.h"
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

void NumberField::setNumber(std::optional<int> number, const std::string& name) {
    shown_ = number;
    name_ = name;
    if (hasFocus() && isModified())
        return;
    setText(!name.empty() ? fromStd(name) : number ? QString::number(*number) : QString());
    showMixed();
    mark(false);
}

// A narrow field shows an ellipsis instead of the word.
void NumberField::showMixed() {
    const QString word = tr("mixed");
    const bool fits = fontMetrics().horizontalAdvance(word) + textMargins().right() + 16 <= width();
    setPlaceholderText(shown_ ? QString() : fits ? word : QString("\u2026"));
}

void NumberField::setOffered(const std::vector<OfferedSize>& offered) {
    const auto same = [](const OfferedSize& a, const OfferedSize& b) { return a.name == b.name && a.size == b.size; };
    if (std::equal(offered.begin(), offered.end(), offered_.begin(), offered_.end(), same))
        return;
    offered_ = offered;
    QStringList names;
    for (const OfferedSize& each : offered)
        names << fromStd(each.name);
    setCompleter(names.isEmpty() ? nullptr : new QCompleter(names, this));
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
    const std::string words = text().trimmed().toStdString();
    for (const OfferedSize& each : offered_)
        if (each.name == words) {
            setModified(false);
            mark(false);
            if (words != name_)
                Q_EMIT nameChosen(words);
            return;
        }
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
    if (same && shown_ == numbers.front() && name_.empty())
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
        setNumber(shown_, name_);
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
