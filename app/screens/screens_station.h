// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QPoint>
#include <functional>
#include <optional>

#include "app/screens/cell_brush.h"
#include "app/widgets/station.h"
#include "core/edits/look_edits.h"

class QLabel;
class QSplitter;
class QStackedWidget;
class QToolButton;
class QVBoxLayout;

namespace gorsefinch::app {

class AlignCommands;
class Canvas;
class Exchange;
class FindDialog;
class Layers;
class LooksPane;
class Reel;
class ScreenMapView;
class Session;
class Sheet;
class Tray;

// Screens are laid out here: reel and layers, canvas and tray, twin and sheet.
class ScreensStation : public Station {
    Q_OBJECT

  public:
    explicit ScreensStation(Session& session, QWidget* parent = nullptr);
    ~ScreensStation() override;
    QString title() const override { return tr("Screens"); }
    QString figure() const override;
    QString help() const override { return tr("Lay out screens and widgets"); }
    int number() const override { return 5; }
    bool goTo(const Problem& problem) override;
    // Puts images on the screen that is edited, the first in the middle or at a point of the panel.
    void placeImages(const QStringList& names, std::optional<QPoint> at = {});

  Q_SIGNALS:
    void pointerMoved(const QString& text);
    void pressHinted(const QString& words);
    void ruleRequested(const QString& widget);
    void filesDropped(const QStringList& paths, const QPoint& panelPlace);
    void picturePasted(const QImage& picture, const QPoint& panelPlace);

  private:
    // Commands for widgets. Those of one group stand together in the menu.
    enum class EditGroup { Exchange, Choice, Groups, Depth, Locks };
    struct EditCommand {
        QAction* action;
        EditGroup group;
        bool needsSelection;
    };

    QWidget* makeLeft();
    QWidget* makeMiddle();
    QWidget* makeRight();
    // The buttons and keys of what the canvas shows ahead.
    void addTries(QToolButton* extremes, QToolButton* touch);
    QWidget* makeTools();
    void addCommands();
    void addEditCommands();
    void askKind(const QPoint& at);
    void contextMenu(const QPoint& at);

    void showMap(bool shown);
    void showLooks(bool shown);
    void takeUpStyle();
    void putStyleOn();
    void clearStyle();
    void cut();
    void deleteSelection();
    bool mayRemove(const std::vector<std::string>& names);
    void removeSelection(const QString& label);
    void selectWhere(const std::function<bool(const Widget&)>& suits);
    void selectAll();
    void selectSameKind();
    void selectSameLook();
    void selectOthers();
    void groupSelection();
    void makeBackingOfSelection();
    void makeAssemblyOfSelection();
    bool takeSelectionLoose();
    void stepSize(bool larger);
    void ungroupSelection();
    void raise();
    void lower();
    void toTop();
    void toBottom();
    void toggle(bool Widget::*flag, const QString& on, const QString& off);
    void setAll(bool Widget::*flag, const QString& label);
    void toggleLock();
    void toggleEye();
    void drawAll();
    void toggleStart();
    void renameSelection();
    void replaceSelection();
    void placeNamesakes();
    void joinSelection();
    void joinSelectionOrNone();
    void unlockAll();

    Session& session_;
    CellBrush brush_;
    Reel* reel_ = nullptr;
    ScreenMapView* map_ = nullptr;
    QStackedWidget* screens_ = nullptr;    // the reel or the map
    QStackedWidget* leftPages_ = nullptr;  // screens and layers, or the looks
    LooksPane* looks_ = nullptr;
    QToolButton* showLooks_ = nullptr;
    std::optional<TakenStyle> takenStyle_;
    QToolButton* mapShown_ = nullptr;
    QSplitter *splitter_ = nullptr, *leftParts_ = nullptr;
    Layers* layers_ = nullptr;
    Canvas* canvas_ = nullptr;
    AlignCommands* align_ = nullptr;
    Exchange* exchange_ = nullptr;
    FindDialog* find_ = nullptr;
    Tray* tray_ = nullptr;
    Sheet* sheet_ = nullptr;
    QLabel *zoom_ = nullptr, *layersFigure_ = nullptr;
    QToolButton* hand_ = nullptr;
    QVector<QToolButton*> folds_;  // of the left and the right pane
    QToolButton* focus_ = nullptr;
    QVector<EditCommand> editCommands_;
};

}  // namespace gorsefinch::app
