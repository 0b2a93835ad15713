// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QFrame>
#include <QPixmap>
#include <vector>

class QLineEdit;
class QListView;
class QSortFilterProxyModel;
class QStandardItemModel;

namespace gorsefinch::app {

// One thing that can be picked.
struct Sample {
    QString text;
    QString detail = {};   // quiet, at the right
    QPixmap picture = {};  // at the left; null for none
};

// A popup with a list of samples. Typing filters it, Up and Down move, Enter or a click picks, Escape closes. Deletes
// itself when it closes.
class SamplePicker : public QFrame {
    Q_OBJECT

  public:
    // `current` is marked at first; -1 for none.
    SamplePicker(const std::vector<Sample>& samples, int current, QWidget* parent);
    // Below a widget, or above it where there is no room.
    void openBeside(const QWidget& widget);

  Q_SIGNALS:
    // The mark moved, by keys or under the pointer: the number of the sample.
    void highlighted(int sample);
    void picked(int sample);
    // It was closed without a choice.
    void dismissed();

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
    void hideEvent(QHideEvent* event) override;

  private:
    void filter(const QString& words);
    void mark(int row);
    void pick();
    int marked() const;

    QLineEdit* filter_;
    QListView* list_;
    QStandardItemModel* model_;
    QSortFilterProxyModel* shown_;
    bool isPicked_ = false;
};

}  // namespace gorsefinch::app
