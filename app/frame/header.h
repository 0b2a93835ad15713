// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractButton>
#include <QTimer>
#include <QVector>
#include <QWidget>

class QHBoxLayout;

namespace gorsefinch::app {

class Session;
class Station;

// A flat cell of the header: a station's name over its figure, or the project's name over its folder.
class HeaderCell : public QAbstractButton {
    Q_OBJECT

  public:
    explicit HeaderCell(QWidget* parent = nullptr);
    void setLines(const QString& name, const QString& figure);
    void setMenuMark(bool mark) { menuMark_ = mark; }
    // px, where there is room.
    void setUsualWidth(int width) { usualWidth_ = width; }
    QSize sizeHint() const override;
    // Words that have no room are shortened.
    QSize minimumSizeHint() const override;

  protected:
    void paintEvent(QPaintEvent* event) override;
    // What is dragged over a station's cell for a moment opens the station, to be dropped there.
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dragLeaveEvent(QDragLeaveEvent* event) override;
    void dropEvent(QDropEvent* event) override;

  private:
    QTimer hover_;
    QString name_, figure_;
    int usualWidth_ = 94;
    bool menuMark_ = false;
};

// A thin meter of something against its budget, with both figures.
class BudgetMeter : public QWidget {
    Q_OBJECT

  public:
    BudgetMeter(const QString& name, QWidget* parent = nullptr);
    void setValue(qint64 used, qint64 budget);
    QSize sizeHint() const override { return {168, 20}; }

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    QString name_;
    qint64 used_ = -1, budget_ = -1;
};

// The window's head: project, stations, meters.
class Header : public QWidget {
    Q_OBJECT

  public:
    Header(Session& session, const QVector<Station*>& stations, QWidget* parent = nullptr);
    void refresh();
    void setCurrent(int station);
    HeaderCell* projectCell() { return project_; }

  Q_SIGNALS:
    void stationChosen(int station);

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    Session& session_;
    QVector<Station*> stations_;
    QVector<HeaderCell*> cells_;
    HeaderCell* project_;
    BudgetMeter *flash_, *ram_;
};

}  // namespace gorsefinch::app
