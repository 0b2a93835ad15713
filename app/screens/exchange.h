// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <QObject>
#include <QPoint>

#include "core/document/document.h"

namespace gorsefinch::app {

class Canvas;
class Session;

// What goes to the clipboard and comes from it: widgets, and pictures of them.
class Exchange : public QObject {
    Q_OBJECT

  public:
    Exchange(Session& session, Canvas& canvas);

    void copy();
    // The panel's pixels: of the selected widgets, or of the whole screen.
    void copyPicture();
    // Where the widgets were; on the screen that has them there, a step aside. A picture is taken into the project and
    // shown at the pointer.
    void paste();
    // Exactly where they were.
    void pasteInPlace();
    // With their corner at the top left at the pointer.
    void pasteAtPointer();
    // On several screens, which a dialog asks for.
    void pasteOnScreens();
    void duplicate();

  Q_SIGNALS:
    void picturePasted(const QImage& picture, const QPoint& panelPlace);

  private:
    // What the clipboard holds; nothing, and an error shown, if it can't be read.
    std::optional<std::vector<Widget>> copied() const;
    // The selected widgets with what they hold, where they are on the panel.
    std::vector<WidgetRef> selectedBranches() const;
    void add(std::vector<Widget> widgets, const QPoint& by, const QString& label);

    Session& session_;
    Canvas& canvas_;
};

}  // namespace gorsefinch::app
