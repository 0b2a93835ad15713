// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

class QLabel;
class QListView;
class QStackedWidget;
class QToolButton;

namespace gorsefinch::app {

class FontEditor;
class FontsModel;
class Session;

// The faces and their sizes: what each costs, which is worked on.
class FontList : public QWidget {
    Q_OBJECT

  public:
    FontList(Session& session, FontEditor& editor, QWidget* parent = nullptr);
    void rename();
    FontsModel& model() { return *model_; }

  Q_SIGNALS:
    void importRequested(const QPoint& at);
    void sizeRequested();
    void removeRequested();
    void menuRequested(const QPoint& at);

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    void follow();
    void showTotals();

    Session& session_;
    FontEditor& editor_;
    FontsModel* model_;
    QLabel* count_;
    QLabel* totals_;
    QListView* list_;
    QStackedWidget* pages_;
    QToolButton* size_;
};

}  // namespace gorsefinch::app
