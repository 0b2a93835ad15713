// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/property_row.h"

#include <QAbstractItemView>
#include <QCompleter>
#include <QDropEvent>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QMimeData>
#include <QPainter>
#include <QStringListModel>
#include <QStyle>
#include <QVBoxLayout>

#include "app/theme/theme.h"
#include "app/widgets/drag_formats.h"
#include "app/widgets/fields.h"
#include "app/widgets/from_std.h"
#include "core/kinds/value.h"
#include "core/rules/completion.h"

namespace gorsefinch::app {

namespace {

constexpr int kButtonWidth = 20;

// A field of words in which "=" can be one of them.
bool isWithinWords(const QObject* field) {
    const auto* line = qobject_cast<const QLineEdit*>(field);
    return line && !qobject_cast<const NumberField*>(field) && !qobject_cast<const ColourField*>(line->parent()) &&
           !line->text().isEmpty() && line->selectedText() != line->text();
}

}  // namespace

PropertyRow::PropertyRow(QWidget* field, bool takesExpression, QWidget* parent)
    : QWidget(parent), field_(field), button_(new QToolButton(this)), takesExpression_(takesExpression) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(1);
    auto* row = new QHBoxLayout;
    row->setSpacing(2);
    column->addLayout(row);
    if (field_)
        row->addWidget(field_, 1);
    button_->setIconSize({10, 10});
    button_->setFixedSize(kButtonWidth, 24);
    button_->setFocusPolicy(Qt::NoFocus);
    QSizePolicy keep = button_->sizePolicy();
    keep.setRetainSizeWhenHidden(true);
    button_->setSizePolicy(keep);
    row->addWidget(button_);
    connect(button_, &QToolButton::clicked, this, &PropertyRow::press);
    if (takesExpression_) {
        makeEdit();
        row->insertWidget(field_ ? 1 : 0, edit_, 1);
        column->addWidget(result_);
        if (field_) {
            field_->installEventFilter(this);
            for (QWidget* each : field_->findChildren<QWidget*>())
                each->installEventFilter(this);
        }
    }
    showParts(false);
}

void PropertyRow::setCaption(QLabel* caption) {
    caption_ = caption;
    // Beside the field, not between it and what is below.
    caption->setAlignment(Qt::AlignLeft | Qt::AlignTop);
    caption->setContentsMargins(0, 4, 0, 0);
    showParts(isFollowing());
}

void PropertyRow::makeEdit() {
    edit_ = new QLineEdit(this);
    edit_->setObjectName("expression");
    edit_->setProperty("bound", true);
    edit_->setFont(Theme::figures());
    edit_->setMaxLength(static_cast<int>(kMaxExpression));
    edit_->setTextMargins(14, 0, 0, 0);
    edit_->setToolTip(
        tr("Followed while the interface runs: variables, other widgets' properties, + - * / and "
           "condition ? value : other. Ctrl+Space completes names"));
    auto* sign = new QLabel("=", edit_);
    sign->setFont(Theme::figures());
    sign->move(7, 4);
    sign->setProperty("bound", true);
    edit_->installEventFilter(this);
    connect(edit_, &QLineEdit::editingFinished, this, &PropertyRow::commit);
    connect(edit_, &QLineEdit::textEdited, this, &PropertyRow::complete);
    result_ = new QLabel(this);
    result_->setObjectName("result");
    result_->setWordWrap(true);
    result_->setFont(Theme::figures(10));
    result_->setContentsMargins(7, 0, kButtonWidth + 2, 0);
    offered_ = new QStringListModel(this);
    completer_ = new QCompleter(offered_, this);
    completer_->setWidget(edit_);
    completer_->setCompletionMode(QCompleter::PopupCompletion);
    completer_->popup()->setProperty("names", true);
    completer_->popup()->setFont(Theme::figures());
    connect(completer_, QOverload<const QString&>::of(&QCompleter::activated), this, &PropertyRow::insert);
}

void PropertyRow::setExpression(const std::optional<QString>& expression) {
    if (!takesExpression_ || (edit_->hasFocus() && edit_->isModified()))
        return;
    shown_ = expression;
    if (expression) {
        edit_->setPlaceholderText(expression->isEmpty() ? tr("mixed") : QString());
        if (edit_->text() != *expression) {
            edit_->setText(*expression);
            edit_->setCursorPosition(0);
        }
    }
    showParts(expression || begun_);
}

void PropertyRow::setResult(const QString& now, const QString& problem) {
    if (!takesExpression_)
        return;
    wrong_ = !problem.isEmpty();
    const QString text = wrong_ ? problem : now.isEmpty() ? QString() : tr("now %1").arg(now);
    if (result_->text() != text)
        result_->setText(text);
    result_->setVisible(isFollowing() && !text.isEmpty());
    if (result_->property("error").toBool() != wrong_ || !result_->property("quiet").isValid()) {
        result_->setProperty("error", wrong_);
        result_->setProperty("quiet", !wrong_);
        edit_->setProperty("wrong", wrong_);
        for (QWidget* each : {static_cast<QWidget*>(result_), static_cast<QWidget*>(edit_)}) {
            each->style()->unpolish(each);
            each->style()->polish(each);
        }
    }
}

void PropertyRow::setOwn(bool own) {
    own_ = own;
    showButton();
}

void PropertyRow::beginExpression() {
    if (!takesExpression_ || isFollowing())
        return;
    edit_->clear();
    edit_->setPlaceholderText(tr("an expression"));
    begun_ = true;
    showParts(true);
    result_->hide();
    edit_->setFocus();
}

void PropertyRow::commit() {
    // Return chooses one of the names that are offered, before it reaches them.
    if (completer_->popup()->isVisible() && completer_->popup()->currentIndex().isValid())
        return;
    const QString text = edit_->text().trimmed();
    if (text.isEmpty()) {
        giveUp();
        return;
    }
    if (!edit_->isModified() && shown_)
        return;
    edit_->setModified(false);
    begun_ = false;
    Q_EMIT expressionChosen(text);
}

// Back to what the property is.
void PropertyRow::giveUp() {
    edit_->setModified(false);
    begun_ = false;
    edit_->setText(shown_.value_or(QString()));
    const bool focused = edit_->hasFocus();
    showParts(shown_.has_value());
    if (focused && field_ && !shown_)
        field_->setFocus();
}

// What is dragged over a field elsewhere whose row this is.
bool PropertyRow::dragOnField(QEvent* event) {
    const bool drops = event->type() == QEvent::Drop;
    if (!acceptDrops() || (!drops && event->type() != QEvent::DragEnter && event->type() != QEvent::DragMove))
        return false;
    auto* dragged = static_cast<QDropEvent*>(event);
    if (!dragged->mimeData()->hasFormat(kVariablesMime))
        return false;
    if (drops)
        dropEvent(dragged);
    dragged->acceptProposedAction();
    return true;
}

bool PropertyRow::eventFilter(QObject* watched, QEvent* event) {
    if (dragOnField(event))
        return true;
    if (event->type() != QEvent::KeyPress)
        return QWidget::eventFilter(watched, event);
    const auto* key = static_cast<QKeyEvent*>(event);
    if (watched != edit_) {
        if (key->text() != "=" || isWithinWords(watched))
            return false;
        beginExpression();
        return true;
    }
    // "==" writes the sign itself.
    if (auto* line = qobject_cast<QLineEdit*>(field_);
        line && key->text() == "=" && !shown_ && edit_->text().isEmpty()) {
        giveUp();
        line->setText("=");
        Q_EMIT line->textEdited(line->text());
        return true;
    }
    if (key->key() == Qt::Key_Escape && !completer_->popup()->isVisible()) {
        giveUp();
        return true;
    }
    if (key->key() == Qt::Key_Space && key->modifiers() == Qt::ControlModifier) {
        complete();
        return true;
    }
    return false;
}

// Offers the names that begin with the word before the cursor.
void PropertyRow::complete() {
    if (!names_)
        return;
    const QString before = edit_->text().left(edit_->cursorPosition());
    const std::string written = before.toStdString();
    const QString word = fromStd(std::string(wordAtEnd(written)));
    QStringList fitting;
    for (const QString& each : names_(before))
        if (each.startsWith(word) && each != word && !fitting.contains(each))
            fitting << each;
    if (fitting.isEmpty() || (word.isEmpty() && !before.endsWith('.') && !before.endsWith('"') && !before.isEmpty())) {
        completer_->popup()->hide();
        return;
    }
    offered_->setStringList(fitting);
    completer_->setCompletionPrefix(word);
    completer_->complete();
}

void PropertyRow::insert(const QString& name) {
    const int at = edit_->cursorPosition();
    const std::string before = edit_->text().left(at).toStdString();
    const auto word = static_cast<int>(wordAtEnd(before).size());
    QString text = edit_->text();
    text.replace(at - word, word, name);
    edit_->setText(text);
    edit_->setCursorPosition(at - word + static_cast<int>(name.size()));
    edit_->setModified(true);
}

void PropertyRow::enterEvent(QEnterEvent*) {
    hovered_ = true;
    showButton();
}

void PropertyRow::leaveEvent(QEvent*) {
    hovered_ = false;
    showButton();
}

void PropertyRow::showParts(bool following) {
    if (edit_) {
        edit_->setVisible(following);
        result_->setVisible(following && !result_->text().isEmpty());
    }
    if (field_)
        field_->setVisible(!following);
    else
        setVisible(following);
    if (caption_ && !field_)
        caption_->setVisible(following);
    showButton();
}

void PropertyRow::showButton() {
    const bool back = isFollowing() || own_;
    button_->setIcon(back ? Theme::icon("cross") : QIcon());
    button_->setText(back ? QString() : "=");
    button_->setToolTip(isFollowing() ? tr("Back to a plain value, the one of now")
                        : own_        ? tr("Overrides the look: click to reset it")
                                      : tr("Let it follow an expression (or type = in the field)"));
    button_->setVisible(back || (takesExpression_ && hovered_));
}

void PropertyRow::press() {
    if (isFollowing() && !shown_)
        giveUp();
    else if (isFollowing())
        Q_EMIT plainWanted();
    else if (own_)
        Q_EMIT resetWanted();
    else
        beginExpression();
}

void PropertyRow::dragEnterEvent(QDragEnterEvent* event) {
    if (!event->mimeData()->hasFormat(kVariablesMime))
        return;
    event->acceptProposedAction();
    dropping_ = true;
    update();
}

void PropertyRow::dragLeaveEvent(QDragLeaveEvent*) {
    dropping_ = false;
    update();
}

void PropertyRow::dropEvent(QDropEvent* event) {
    dropping_ = false;
    update();
    event->acceptProposedAction();
    const QString name = QString::fromUtf8(event->mimeData()->data(kVariablesMime)).section('\n', 0, 0);
    if (!name.isEmpty())
        Q_EMIT variableDropped(name);
}

void PropertyRow::paintEvent(QPaintEvent*) {
    if (dropping_)
        QPainter(this).fillRect(rect(), Theme::colour(Role::Accent));
}

}  // namespace gorsefinch::app
