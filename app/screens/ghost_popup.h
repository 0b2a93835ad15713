// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QFrame>

class QComboBox;
class QSlider;

namespace gorsefinch::app {

class Session;

// Chooses the screen that shows over the edited one, and how strongly.
class GhostPopup : public QFrame {
    Q_OBJECT

  public:
    explicit GhostPopup(Session& session, QWidget* parent = nullptr);
    void showBelow(const QWidget& button);

  Q_SIGNALS:
    // "" for no screen; 0 to 100 percent.
    void changed(const QString& screen, int percent);

  protected:
    void hideEvent(QHideEvent* event) override;

  private:
    void report();

    Session& session_;
    QComboBox* screen_;
    QSlider* strength_;
};

}  // namespace gorsefinch::app
