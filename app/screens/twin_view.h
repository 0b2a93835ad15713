// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "app/session/panel_input.h"

class QHBoxLayout;
class QLabel;
class QSlider;
class QToolButton;

namespace gorsefinch::app {

class Session;

// The running copy's panel: shows its memory and hands it the mouse as a finger, and what else operates the panel.
class TwinPanel : public QWidget {
    Q_OBJECT

  public:
    explicit TwinPanel(Session& session, QWidget* parent = nullptr);
    bool hasHeightForWidth() const override { return true; }
    int heightForWidth(int width) const override;
    QSize sizeHint() const override;
    // So many pixels of the desktop for one of the panel, instead of as many as there is room for.
    void setExactScale(double scale);

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void keyReleaseEvent(QKeyEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;
    bool event(QEvent* event) override;

  private:
    QRect pictureRect() const;
    QSize exactSize() const;
    void touch(const QPointF& at, bool down);

    Session& session_;
    PanelInput input_;
    double exactScale_ = 0;  // 0: as large as there is room for
};

class RealSizeWindow;

// The twin with its clock, its screen and its controls.
class TwinView : public QWidget {
    Q_OBJECT

  public:
    explicit TwinView(Session& session, QWidget* parent = nullptr);

  private:
    void refresh();
    void refreshSound();
    QHBoxLayout* makeTimeBar();
    void showRealSize();
    void refreshTime();

    Session& session_;
    QLabel* clock_;
    TwinPanel* panel_;
    QSlider* time_ = nullptr;  // of the last 30 s
    QLabel* ago_ = nullptr;    // how long the shown time is past
    bool refreshing_ = false;
    QToolButton* pause_;
    QToolButton* mute_;
    QLabel* tone_;  // what the panel plays
    bool shownRunning_ = true;
    RealSizeWindow* realSize_ = nullptr;  // made when it is first wanted
};

}  // namespace gorsefinch::app
