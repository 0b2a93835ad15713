// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

class QLabel;
class QListWidget;
class QToolButton;

namespace gorsefinch::app {

class ImageEditor;
class NumberField;
class PictureView;

// The frames of an animation in the order in which they play: dragged to another position, dropped with Del, each with
// its time.
class FrameStrip : public QWidget {
    Q_OBJECT

  public:
    FrameStrip(ImageEditor& editor, PictureView& view, QWidget* parent = nullptr);

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    void refresh();
    void takeOrder();
    void dropSelected();
    void setTime(int ms);

    ImageEditor& editor_;
    PictureView& view_;
    QListWidget* list_;
    QToolButton* play_;
    NumberField* time_;
    QLabel* sum_;
};

}  // namespace gorsefinch::app
