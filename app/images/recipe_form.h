// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include "app/widgets/form_page.h"
#include "core/document/recipe.h"

class QPushButton;

namespace gorsefinch::app {

class ImageEditor;
class Session;

// The recipe of the image that is worked on, step by step from top to bottom.
class RecipeForm : public FormPage {
    Q_OBJECT

  public:
    RecipeForm(Session& session, ImageEditor& editor, QWidget* parent = nullptr);
    // No more of the crop is to be drawn.
    void endCrop();

  Q_SIGNALS:
    void cropRequested(bool on);
    void aspectKept(bool kept);

  protected:
    void showEvent(QShowEvent* event) override;

  private:
    using Step = std::function<void(Recipe&)>;
    void makeCrop();
    void makeSize();
    void makeShape();
    void makeTone();
    void makeTransparency();
    void makeFormat();
    void makePalette();
    void makeReduction();
    void makeStorage();
    Slider slider(const QString& label, const QString& name, int min, int max, int rest, int Recipe::*member,
                  const QString& help);
    // A row that only some recipes need.
    void showWhen(QLabel* name, QWidget* field, const std::function<bool(const Recipe&)>& shown);
    void change(const Step& step, const QString& label, const QString& merge = {});
    void refresh();
    void showPalette();
    void editPalette(int entry);

    Session& session_;
    ImageEditor& editor_;
    std::vector<std::function<void(const Recipe&)>> fills_;
    std::vector<std::pair<QWidget*, std::function<bool(const Recipe&)>>> shownWhen_;
    QPushButton* crop_ = nullptr;
    QWidget* palette_ = nullptr;
    QLabel* enlarged_ = nullptr;
    QLabel* packed_ = nullptr;
    bool stale_ = false;  // the project changed while this was not visible
};

}  // namespace gorsefinch::app
