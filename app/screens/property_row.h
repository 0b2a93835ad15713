// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QLineEdit>
#include <QToolButton>
#include <QWidget>
#include <functional>
#include <optional>

class QCompleter;
class QStringListModel;

namespace gorsefinch::app {

// A row of the sheet for one property: its field, or the expression that it follows with what that gives now. The
// button behind them begins an expression or goes back to a plain value. "=" in the field begins one too.
class PropertyRow : public QWidget {
    Q_OBJECT

  public:
    // Takes over the field. Without one it shows only while there is an expression.
    PropertyRow(QWidget* field, bool takesExpression, QWidget* parent = nullptr);
    // The label before the row, which hides with it.
    void setCaption(QLabel* caption);
    // The names that can follow what is written before the cursor.
    void setNames(std::function<QStringList(const QString& before)> names) { names_ = std::move(names); }

    // Shows an expression, "" for several different ones; nothing: the field.
    void setExpression(const std::optional<QString>& expression);
    // What it gives now, or what is wrong in it.
    void setResult(const QString& now, const QString& problem);
    // The field's value is the widget's own, which the button can reset.
    void setOwn(bool own);
    bool isFollowing() const { return edit_ && !edit_->isHidden(); }
    bool isWrong() const { return wrong_; }

    // "=" in a field elsewhere begins an expression, too.
    void listenTo(QWidget* field) { field->installEventFilter(this); }
    // Variables can be dropped on it.
    void takeVariables() { setAcceptDrops(true); }
    // Shows an empty expression to be written.
    void beginExpression();

  Q_SIGNALS:
    void expressionChosen(const QString& expression);
    void plainWanted();
    void resetWanted();
    // A variable of the project was dropped on the row, see takeVariables().
    void variableDropped(const QString& name);

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    void enterEvent(QEnterEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dragLeaveEvent(QDragLeaveEvent* event) override;
    void dropEvent(QDropEvent* event) override;
    void paintEvent(QPaintEvent* event) override;

  private:
    bool dragOnField(QEvent* event);
    void makeEdit();
    void commit();
    void giveUp();
    void complete();
    void insert(const QString& name);
    void showParts(bool following);
    void showButton();
    void press();

    QWidget* field_;
    QLabel* caption_ = nullptr;
    QLineEdit* edit_ = nullptr;
    QLabel* result_ = nullptr;
    QToolButton* button_;
    QCompleter* completer_ = nullptr;
    QStringListModel* offered_ = nullptr;
    std::function<QStringList(const QString&)> names_;
    std::optional<QString> shown_;
    bool takesExpression_, own_ = false, hovered_ = false;
    bool wrong_ = false;     // the expression has a mistake
    bool dropping_ = false;  // a variable is held over it
    bool begun_ = false;     // an expression is written that there was none of
};

}  // namespace gorsefinch::app
