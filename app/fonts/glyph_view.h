// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "core/font/face_file.h"

class QLabel;
class QPushButton;

namespace gorsefinch::app {

class FontEditor;
class Session;

// One glyph large: its pixels on a grid, the baseline, the pen's way, and what it takes. With one bit a pixel a click
// or the space bar sets a pixel by hand.
class GlyphView : public QWidget {
    Q_OBJECT

  public:
    GlyphView(Session& session, FontEditor& editor, QWidget* parent = nullptr);

  private:
    class Pixels;
    void refresh();
    void setPixel(int x, int y, bool on);

    Session& session_;
    FontEditor& editor_;
    Pixels* pixels_;
    QLabel* name_;
    QLabel* measures_;
    QLabel* why_;
    QPushButton* back_;
};

}  // namespace gorsefinch::app
