// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

class QLabel;
class QListView;

namespace gorsefinch::app {

class FontEditor;
class GlyphModel;

// The glyphs that the font holds, each in its own pixels.
class GlyphTable : public QWidget {
    Q_OBJECT

  public:
    GlyphTable(FontEditor& editor, QWidget* parent = nullptr);

  private:
    void refresh();
    void follow();

    FontEditor& editor_;
    GlyphModel* model_;
    QListView* list_;
    QLabel* count_;
    bool refreshing_ = false;
};

}  // namespace gorsefinch::app
