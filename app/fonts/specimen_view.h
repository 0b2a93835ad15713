// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <QWidget>

#include "core/kinds/value.h"

class QLabel;
class QLineEdit;

namespace gorsefinch::app {

class ColourField;
class FontEditor;
class Session;

// A text in the chosen font as the panel shows it: drawn by the runtime, in the panel's pixels, whole times enlarged.
// Without a text of the user's own, the words that the interface shows in it.
class SpecimenView : public QWidget {
    Q_OBJECT

  public:
    SpecimenView(Session& session, FontEditor& editor, QWidget* parent = nullptr);
    void zoomBy(int steps);
    // The words that are shown, UTF-8.
    std::string text() const;
    Colour ink() const { return ink_; }
    Colour ground() const { return ground_; }

  Q_SIGNALS:
    void coloursChanged();

  private:
    class Page;
    void refresh();
    void takeColours();
    std::string interfaceWords() const;

    Session& session_;
    FontEditor& editor_;
    QLineEdit* words_;
    ColourField* inkField_;
    ColourField* groundField_;
    QLabel* zoomed_;
    Page* page_;
    Colour ink_ = opaque(0xffffff), ground_ = opaque(0x000000);
    int zoom_ = 2;
};

}  // namespace gorsefinch::app
