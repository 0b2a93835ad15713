// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <map>

#include "core/project/merge.h"
#include "core/scene/built_scene.h"

class QComboBox;
class QLabel;
class QPlainTextEdit;
class QStackedWidget;
class QTableWidget;

namespace gorsefinch::app {

// Shows the changes of another program: each part of the project that changed, with the side that it is taken from, and
// for the selected one how it differs. Only parts that both sides changed have a choice.
class MergeDialog : public QDialog {
    Q_OBJECT

  public:
    MergeDialog(const Merge& merge, const Document& ours, const Document& theirs, QWidget* parent);
    std::map<std::string, MergeSide> choices() const;

  private:
    void makeTable();
    QWidget* makeDetails();
    void addItem(const MergeItem& item);
    void showItem(int row);
    void showScreens(const std::string& name);

    // A side's document, built when one of its screens is shown.
    struct Side {
        Document document;
        QLabel* picture = nullptr;
        SceneBuilder builder;
        BuiltSceneRef scene;
    };
    void showScreen(Side& side, const std::string& name);

    std::vector<MergeItem> items_;
    Side ours_, theirs_;
    QTableWidget* table_;
    QStackedWidget* details_ = nullptr;
    QPlainTextEdit* text_ = nullptr;
    std::map<std::string, QComboBox*> fields_;  // by the item's key
};

}  // namespace gorsefinch::app
