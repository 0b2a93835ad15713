// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>

class QLabel;
class QPushButton;
class QSlider;

namespace gorsefinch::app {

class Session;
class TwinPanel;

// The outline of a card of the size that bank cards have, as large as the monitor is taken to show it.
class CardOutline : public QWidget {
    Q_OBJECT

  public:
    using QWidget::QWidget;
    // Pixels of the desktop a mm.
    void setDensity(double density);
    QSize sizeHint() const override;

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    double density_ = 0;
};

// The running twin as large as the panel is, where its width in mm is known. How many pixels of the desktop a mm takes
// is measured once for each monitor, by a card that is held to the screen; until then it is what the monitor reports.
class RealSizeWindow : public QDialog {
    Q_OBJECT

  public:
    explicit RealSizeWindow(Session& session, QWidget* parent = nullptr);
    // Pixels of the desktop a mm, on the monitor that the window is on.
    double density() const;
    // Those of the desktop for one of the panel's.
    double scale() const;

  private:
    QString key() const;
    bool isMeasured() const;
    void measure(bool shown);
    void refresh();

    Session& session_;
    TwinPanel* panel_;
    QLabel* words_;
    QPushButton* measure_;
    QWidget* measuring_;
    CardOutline* card_;
    QSlider* slider_;
};

}  // namespace gorsefinch::app
