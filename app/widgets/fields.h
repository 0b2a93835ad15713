// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QLineEdit>
#include <QToolButton>
#include <QWidget>
#include <optional>
#include <vector>

#include "app/widgets/colour_field.h"
#include "core/edits/sum.h"
#include "core/kinds/value.h"

class QButtonGroup;

namespace gorsefinch::app {

// A size of the project, as a field offers it.
struct OfferedSize {
    std::string name;
    int size;
};

// A field for a whole number that takes sums, with its unit at the right end. Up and Down, and the wheel while it is
// edited, change it by 1, with Shift by 10. A value that doesn't fit is marked, not given on, and the range shown below
// the field.
class NumberField : public QLineEdit {
    Q_OBJECT

  public:
    NumberField(int min, int max, const QString& unit, QWidget* parent = nullptr);
    // The values that sums use, one entry for each selected thing; must not be empty. The default is one entry of
    // zeros.
    void setEach(std::vector<SumValues> each) { each_ = std::move(each); }
    // Shows a number, or the name that it has; nothing (several different ones) leaves it empty.
    void setNumber(std::optional<int> number, const std::string& name = {});
    // The project's sizes, which can be chosen by their names.
    void setOffered(const std::vector<OfferedSize>& offered);

  Q_SIGNALS:
    void numberChosen(int number);
    // Of several things different ones, in the order of setEach().
    void numbersChosen(const std::vector<int>& numbers);
    void nameChosen(const std::string& name);

  protected:
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

  private:
    void showMixed();
    void commit();
    void give(const std::vector<int>& numbers);
    void step(int by);
    void mark(bool wrong);

    int min_, max_;
    QString unit_;
    QString help_;  // the tooltip while the value fits
    std::vector<SumValues> each_{1};
    std::optional<int> shown_;
    std::string name_;  // that is shown
    std::vector<OfferedSize> offered_;
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
