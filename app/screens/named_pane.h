// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "core/kinds/value.h"

class QLabel;
class QTableView;
class QToolButton;

namespace gorsefinch::app {

class NamedModel;
class Session;

// The project's named colours and sizes, a column for each set of colours. The heading of a set shows it in the twin
// and on the canvas.
class NamedPane : public QWidget {
    Q_OBJECT

  public:
    explicit NamedPane(Session& session, QWidget* parent = nullptr);

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    QWidget* makeHead();
    void choose(const QString& name);
    void editName(const QString& name);
    void addColour();
    void addSize();
    void addSet();
    void remove();
    void useEverywhere();
    void showSet(int column);
    void showSetMenu(const QPoint& at);
    void renameSet(int column);
    void edit(const QModelIndex& index);
    void chooseColour(const QModelIndex& index);
    void refresh();

    Session& session_;
    NamedModel* model_;
    QTableView* table_;
    QString chosen_;
    QLabel* hint_ = nullptr;
    QToolButton *remove_ = nullptr, *use_ = nullptr, *set_ = nullptr;
};

}  // namespace gorsefinch::app
