// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QTimer>
#include <QHash>
#include <QPixmap>
#include <QWidget>
#include <optional>

#include "core/document/document.h"

class QLabel;
class QScrollArea;
class QToolButton;

namespace gorsefinch::app {

class Session;

// Samples of each kind in groups, drawn by the runtime in the project's own looks and pixel format. Where there is no
// room for all, the wheel and arrows scroll them.
class Tray : public QWidget {
    Q_OBJECT

  public:
    explicit Tray(Session& session, QWidget* parent = nullptr);
    void setArmed(std::optional<Kind> kind);
    QSize sizeHint() const override { return {400, kHeight}; }

  Q_SIGNALS:
    void chosen(gorsefinch::Kind kind);
    // A use of this assembly is to be inserted.
    void useChosen(const QString& assembly);

  protected:
    void resizeEvent(QResizeEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    class Sample;
    static constexpr int kHeight = 96;

    QWidget* makeGroup(KindGroup group);
    QToolButton* makeArrow(const char* name, const QString& sign, const QString& help, int way);
    void refresh();
    void showAssemblies();
    void showArrows();

    Session& session_;
    QHash<int, Sample*> samples_;
    QWidget* own_ = nullptr;        // samples of the project's assemblies
    std::vector<ScreenRef> shown_;  // those that draw them
    QTimer stale_;                  // until the samples are drawn anew
    QScrollArea* strip_;
    QToolButton *before_, *behind_;
};

// A picture of a kind as it would look in this project, so large.
QPixmap samplePicture(Session& session, Kind kind, const QSize& size);

}  // namespace gorsefinch::app
