// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QScrollArea>
#include <functional>

#include "core/project/recipe.h"

class QGridLayout;
class QLabel;
class QSlider;

namespace gorsefinch::app {

class ImageDesk;
class Session;

// The recipe of the image that is worked on, step by step from top to bottom.
class RecipeForm : public QScrollArea {
    Q_OBJECT

  public:
    RecipeForm(Session& session, ImageDesk& desk, QWidget* parent = nullptr);

  Q_SIGNALS:
    void cropAsked(bool on);
    void aspectHeld(bool held);

  private:
    using Step = std::function<void(Recipe&)>;
    void makeShape();
    void makeTone();
    void makeTransparency();
    void makeReduction();
    void makeStorage();
    void rule();
    QLabel* addRow(const QString& label, QWidget* field, const QString& help);
    void number(const QString& label, const QString& name, int least, int most, const QString& unit, int RecipeShape::*member, const QString& help);
    void slider(const QString& label, const QString& name, int least, int most, int rest, int Recipe::*member, const QString& help);
    void change(const Step& step, const QString& label, const QString& merge = {});
    void refresh();
    void showPalette();
    void editPalette(int entry);

    Session& session_;
    ImageDesk& desk_;
    QWidget* page_;
    class QStackedWidget* pages_ = nullptr;
    QGridLayout* grid_;
    int row_ = 0;
    std::vector<std::function<void(const Recipe&)>> fills_;
    std::vector<std::pair<QWidget*, std::function<bool(const Recipe&)>>> shownWhen_;
    QWidget* palette_ = nullptr;
    QLabel* heading_ = nullptr;
    QLabel* use_ = nullptr;
    QLabel* enlarged_ = nullptr;
    QLabel* packed_ = nullptr;
};

}  // namespace gorsefinch::app
