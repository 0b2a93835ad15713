// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QHash>
#include <QPixmap>
#include <QWidget>
#include <optional>

#include "core/kinds/kinds.h"

class QLabel;

namespace gorsefinch::app {

class Session;

// Samples of each kind, drawn by the runtime in the project's own looks and pixel format.
class Tray : public QWidget {
    Q_OBJECT

  public:
    explicit Tray(Session& session, QWidget* parent = nullptr);
    void setArmed(std::optional<Kind> kind);
    QSize sizeHint() const override { return {400, 92}; }

  Q_SIGNALS:
    void chosen(gorsefinch::Kind kind);

  protected:
    void resizeEvent(QResizeEvent* event) override;

  private:
    class Sample;
    void refresh();

    Session& session_;
    QHash<int, Sample*> samples_;
    QLabel* hint_;
};

// A picture of a kind as it would look in this project, so large.
QPixmap samplePicture(Session& session, Kind kind, const QSize& size);

}  // namespace gorsefinch::app
