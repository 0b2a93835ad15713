// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

class QComboBox;
class QLabel;
class QLineEdit;
class QListView;
class QSortFilterProxyModel;
class QStackedWidget;

namespace gorsefinch::app {

class ImageEditor;
class ImagesModel;
class Session;

// The project's images at the left: found by typing, sorted, with what they take.
class ImageList : public QWidget {
    Q_OBJECT

  public:
    ImageList(Session& session, ImageEditor& editor, QWidget* parent = nullptr);
    QStringList selectedNames() const;
    void select(const QStringList& names);
    void rename();
    ImagesModel& model() { return *model_; }

  Q_SIGNALS:
    void importRequested();
    void removeRequested();
    void menuRequested(const QPoint& at);

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    void showTotals();
    void follow();

    Session& session_;
    ImageEditor& editor_;
    ImagesModel* model_;
    QSortFilterProxyModel* sorted_;
    QLabel* count_;
    QLabel* totals_;
    QLabel* unused_;
    QLineEdit* filter_;
    QComboBox* order_;
    QListView* list_;
    QStackedWidget* pages_;
};

}  // namespace gorsefinch::app
