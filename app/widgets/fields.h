// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QLineEdit>
#include <QToolButton>
#include <QWidget>
#include <optional>

#include "core/kinds/value.h"

class QButtonGroup;

namespace gorsefinch::app {

// The value of a sum such as "320-24", "w/2" or "(10+4)*3"; x, y, w, h stand for the box's own sides. Nothing if it
// can't be read.
struct BoxValues {
    double x = 0, y = 0, w = 0, h = 0;
};
std::optional<int> sumValue(const QString& text, const BoxValues& box = {});

// A field for a whole number that takes sums, with its unit at the right end. Up and Down change it by 1, with Shift
// by 10. A value that doesn't fit is marked, not given on, and the range shown below the field.
class NumberField : public QLineEdit {
    Q_OBJECT

  public:
    NumberField(int min, int max, const QString& unit, QWidget* parent = nullptr);
    void setBox(const BoxValues& box) { box_ = box; }
    // Shows a number; nothing (several different ones) leaves it empty.
    void setNumber(std::optional<int> number);

  Q_SIGNALS:
    void numberChosen(int number);

  protected:
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;

  private:
    void commit();
    void mark(bool wrong);

    int min_, max_;
    QString unit_;
    QString help_;  // the tooltip while the value fits
    BoxValues box_;
    std::optional<int> shown_;
};

// A swatch and its code; the swatch opens a chooser.
class ColourField : public QWidget {
    Q_OBJECT

  public:
    explicit ColourField(QWidget* parent = nullptr);
    void setColour(std::optional<Colour> colour);

  Q_SIGNALS:
    void colourChosen(gorsefinch::Colour colour);
    void chosenLive(gorsefinch::Colour colour);

  private:
    void commitCode();
    void choose();
    void showSwatch();

    QToolButton* swatch_;
    QLineEdit* code_;
    std::optional<Colour> colour_;
};

// A few words side by side, one of them chosen.
class ChoiceField : public QWidget {
    Q_OBJECT

  public:
    ChoiceField(const QStringList& choices, QWidget* parent = nullptr);
    void setChosen(const QString& choice);

  Q_SIGNALS:
    void chosen(const QString& choice);

  private:
    QButtonGroup* group_;
    QStringList choices_;
};

// The four edges side by side, any of them chosen.
class EdgesField : public QWidget {
    Q_OBJECT

  public:
    explicit EdgesField(QWidget* parent = nullptr);
    // Bits of Edge; nothing where several widgets have different ones.
    void setEdges(std::optional<unsigned> edges);

  Q_SIGNALS:
    void edgesChosen(unsigned edges);

  private:
    QButtonGroup* group_;
};

}  // namespace gorsefinch::app
