// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>
#include <string>

class QLabel;
class QSlider;
class QToolButton;

namespace gorsefinch::app {

class Session;

// Tries values of a variable in the twin: a slider over a range, with clicks for its ends and its middle.
class TrialSlider : public QWidget {
    Q_OBJECT

  public:
    explicit TrialSlider(Session& session, QWidget* parent = nullptr);
    // A variable that is a number; without one ("" or a text) nothing can be tried. The range is in its unit, as a user
    // writes it; an empty end is the variable's.
    void setVariable(const std::string& name, const std::string& min, const std::string& max);

  private:
    void tryValue(int value);
    void showValue();
    int atPosition(int position) const;

    Session& session_;
    QSlider* slider_;
    QLabel* now_;
    QToolButton *min_, *middle_, *max_;
    std::string variable_;
    int decimals_ = 0;
    int from_ = 0, to_ = 0;  // in steps of 10^-decimals
};

}  // namespace gorsefinch::app
