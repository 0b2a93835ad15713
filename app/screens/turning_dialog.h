// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <memory>
#include <optional>

#include "core/image/hub.h"
#include "core/kinds/kinds.h"
#include "core/sim/twin.h"

class QLabel;
class QLineEdit;
class QSlider;
class QTimer;
class QToolButton;

namespace gorsefinch::app {

class PivotView;
class Session;

// Sets the point that a picture of a widget turns round: dragged on the enlarged picture, written, or found; a test
// turn beside it shows whether it wobbles. `image` is a property with pivotKeys. Its result is an edit of the session.
class TurningDialog : public QDialog {
    Q_OBJECT

  public:
    TurningDialog(Session& session, const Widget& widget, const PropertyInfo& image, QWidget* parent = nullptr);

    // Why there is nothing to turn; "" if there is.
    static QString obstacle(Session& session, const Widget& widget, const PropertyInfo& image);

  protected:
    void accept() override;
    void keyPressEvent(QKeyEvent* event) override;

  private:
    QWidget* makeRight();
    void takeWritten();
    void useFound();
    void show(TurningPoint point);
    void buildTest();
    void drawTest();
    bool isFound() const { return found_ && point_ == *found_; }

    Session& session_;
    Widget widget_;
    const PropertyInfo& image_;
    std::optional<TurningPoint> found_;
    TurningPoint point_;
    PivotView* view_ = nullptr;
    QLineEdit *x_ = nullptr, *y_ = nullptr;
    QLabel* test_ = nullptr;
    QSlider* angle_ = nullptr;
    QToolButton* turns_ = nullptr;
    QTimer* timer_ = nullptr;
    SceneBuilder builder_;
    std::unique_ptr<Twin> twin_;
};

}  // namespace gorsefinch::app
