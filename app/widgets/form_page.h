// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QScrollArea>

class QGridLayout;
class QLabel;
class QSlider;
class QStackedWidget;

namespace gorsefinch::app {

// A column of labelled fields beside a view, with a heading, and some words for when it has nothing to show.
class FormPage : public QScrollArea {
    Q_OBJECT

  public:
    FormPage(const QString& name, const QString& emptyWords, QWidget* parent = nullptr);

  protected:
    // The label is given back; `help` becomes the tooltip of both.
    QLabel* addRow(const QString& label, QWidget* field, const QString& help);
    // Without a label, over both columns or under the fields alone.
    void addWide(QWidget* widget);
    void addUnder(QWidget* widget);
    void rule();
    // Two fields in one row, equally wide.
    QWidget* pair(QWidget* left, QWidget* right);
    // A row with a slider and its number; a double click puts it back to `rest`. Fill it without a signal by set().
    struct Slider {
        QLabel* name;
        QWidget* field;
        QSlider* slide;
        QLabel* value;
        void set(int number) const;
    };
    Slider addSlider(const QString& label, const QString& name, int min, int max, int rest, const QString& help);
    // After the last row.
    void finish();
    void setShown(bool anything);

    QWidget* page_;
    QGridLayout* grid_;
    QLabel* heading_;
    QLabel* use_;

  private:
    QStackedWidget* pages_;
    int row_ = 0;
};

}  // namespace gorsefinch::app
