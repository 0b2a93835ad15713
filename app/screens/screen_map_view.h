// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractItemModel>
#include <QWidget>

#include "core/scene/screen_map.h"

namespace gorsefinch::app {

class Session;

// The screens as thumbnails, with an arrow for each step from one to another. A drag from a button on a thumbnail to
// another screen makes a step.
class ScreenMapView : public QWidget {
    Q_OBJECT

  public:
    // The thumbnails are those of a model like ReelModel, which must live as long.
    ScreenMapView(Session& session, QAbstractItemModel& thumbnails, QWidget* parent = nullptr);

    QSize sizeHint() const override;
    // The place of a screen's thumbnail, and of a widget on it, in pixels of this view; empty if there is none.
    QRect thumbnail(int screen) const;
    QRect widgetOn(int screen, int widget) const;

  Q_SIGNALS:
    // What a press at the pointer would do; "" where nothing takes it.
    void pressHinted(const QString& words);

  protected:
    bool event(QEvent* event) override;
    void paintEvent(QPaintEvent* event) override;
    void showEvent(QShowEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void leaveEvent(QEvent* event) override;

  private:
    // A screen and a widget of it; -1 for none.
    struct Spot {
        int screen = -1, widget = -1;
        friend bool operator==(const Spot&, const Spot&) = default;
    };

    void follow();
    Spot spotAt(const QPoint& at) const;
    QString wordsFor(const Spot& spot) const;
    void drawScreen(QPainter& painter, int screen) const;
    void drawCaption(QPainter& painter, int screen) const;
    void drawStep(QPainter& painter, const ScreenStep& step) const;
    void drawArrow(QPainter& painter, QPointF from, QPointF to, double bend, const QColor& colour) const;
    void makeStep(const Spot& from, int to);
    int beside(int screen, int across, int down) const;

    Session& session_;
    QAbstractItemModel& thumbnails_;
    std::vector<ScreenStep> steps_;
    std::vector<ScreenPlace> places_;
    std::vector<int> inRow_;  // how many screens
    int columns_ = 0;
    Spot hovered_, dragged_;
    QPoint pointer_;
    bool dragging_ = false;
};

}  // namespace gorsefinch::app
