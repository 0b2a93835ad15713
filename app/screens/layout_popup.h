// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QFrame>
#include <functional>

#include "core/edits/guide_edits.h"

class QCheckBox;
class QFormLayout;
class QLineEdit;

namespace gorsefinch::app {

class NumberField;
class Session;

// Sets what helps to lay out screens: the grid, the margin and the guide lines, by numbers.
class LayoutPopup : public QFrame {
    Q_OBJECT

  public:
    explicit LayoutPopup(Session& session, QWidget* parent = nullptr);
    // Below a button.
    void showBelow(const QWidget& button);

  private:
    QCheckBox* addCheck(QFormLayout& form, const char* name, const QString& text, const QString& help,
                        bool Grid::*flag);
    NumberField* addNumber(QFormLayout& form, const char* name, const QString& text, const QString& help, int min,
                           int max, const std::function<int&(LayoutAids&)>& of);
    QLineEdit* addLines(QFormLayout& form, const char* name, const QString& text, bool forAll, bool upright);
    void change(const std::function<void(LayoutAids&)>& change);
    void fill();

    Session& session_;
    std::vector<std::function<void()>> fills_;
};

}  // namespace gorsefinch::app
