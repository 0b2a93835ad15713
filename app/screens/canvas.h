// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <QTimer>
#include <QWidget>
#include <functional>
#include <optional>

#include "app/screens/cell_brush.h"
#include "app/screens/cell_pictures.h"
#include "app/screens/box_rect.h"
#include "app/screens/ruler_lines.h"
#include "app/session/panel_input.h"
#include "core/check/touch_targets.h"
#include "core/edits/handles.h"
#include "core/edits/look_edits.h"
#include "core/edits/paint_cells.h"
#include "core/edits/snap.h"
#include "core/kinds/kinds.h"
#include "core/sim/extremes.h"

class QMenu;

namespace gorsefinch::app {

class Session;

// Pixels of a ruler's breadth.
inline constexpr int kRuler = 18;

// The screen that is edited, at whole-number zoom: the runtime's own picture, rulers, the selection's brackets, guides.
// The pointer edits; while it operates, it is the twin's finger instead.
class Canvas : public QWidget {
    Q_OBJECT

  public:
    // The brush, which must outlive the canvas, paints the cells of a selected map while it is down.
    Canvas(Session& session, CellBrush& brush, QWidget* parent = nullptr);

    int zoom() const { return zoom_; }
    void setZoom(int zoom);
    void fit();
    // The next press draws the box of a new widget of this kind; nothing goes back to selecting.
    void arm(std::optional<Kind> kind);
    std::optional<Kind> armed() const { return armed_; }
    void setOperating(bool operating);
    bool isOperating() const { return operating_; }
    void setZonesShown(bool shown);
    // The turns of the focus are shown as numbers that can be dragged, in place of selecting.
    void setFocusShown(bool shown);
    bool setsFocus() const;
    // Each click on a widget puts this look on it, until Escape.
    void setStyleBrush(const std::optional<TakenStyle>& style);
    bool hasStyleBrush() const { return styleBrush_.has_value(); }
    // Another screen is drawn over the edited one, so strongly: 0 to 100 percent; "" for none.
    void setGhost(const QString& screen, int percent);
    void setGuidesUsed(bool used) { guidesUsed_ = used; }

    // A point of the canvas in pixels of the panel, and back.
    QPoint toPanel(const QPointF& at) const;
    QPointF fromPanel(const QPointF& at) const;
    // Shows the screen with values at the ends of what they can be, and marks what is cut; nothing ends that.
    void showExtreme(std::optional<Extreme> extreme);
    // The first of them, the next one, and behind the last one none.
    void showNextExtreme();
    bool showsExtreme() const { return extreme_.has_value(); }
    // What a finger can operate, with its size.
    void setTouchShown(bool shown);
    bool showsTouch() const { return touchShown_; }
    // Around the selected widgets, in pixels of the panel; empty without any.
    QRect selectionBox() const;
    // The last position of the pointer on the panel.
    QPoint pointer() const { return pointer_; }
    // Inserts a widget of a kind in a box (or of its default size there), selects it, and gives its name.
    // `way`: from where to where the box was drawn, which a line follows.
    void insert(Kind kind, const QRect& box, const std::optional<QLine>& way = {});
    // Inserts a use of an assembly with its top left at a point, and selects it.
    void insertUse(const std::string& assembly, const QPoint& at);
    // Inserts widgets that show these images at their own size, the first with its middle at a point, and selects them.
    void placeImages(const QStringList& names, const QPoint& middle);
    // Shows variables as widgets of the kind, or of the first that suits, around a pixel of the panel and below it.
    void placeVariables(const QStringList& names, Kind kind, const QPoint& middle);

    // Copies were made of what begins at a pixel of the panel: the next ones go as far from them as these were moved.
    void rememberCopy(const Names& copies, const QPoint& from);
    // Pixels from the selected widgets to the next copies of them.
    QPoint copyStep() const;
    // Entries for all that lies under a pixel of the panel, the topmost first, which select it.
    void addStackTo(QMenu& menu, const QPoint& at);

  Q_SIGNALS:
    void pointerMoved(const QString& text);
    // What a press at the pointer would do; "" where nothing takes it.
    void pressHinted(const QString& words);
    void zoomChanged(int zoom);
    // Extremes or touch targets are shown, or no longer.
    void triedChanged();
    void armedChanged();
    void styleBrushEnded();
    void operatingChanged(bool operating);
    void insertRequested(const QPoint& panelPlace);
    void renameRequested();
    void filesDropped(const QStringList& paths, const QPoint& panelPlace);

  protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    bool event(QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void keyReleaseEvent(QKeyEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;
    bool focusNextPrevChild(bool next) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dragMoveEvent(QDragMoveEvent* event) override;
    void dragLeaveEvent(QDragLeaveEvent* event) override;
    void dropEvent(QDropEvent* event) override;

  private:
    enum class Gesture { None, Move, Resize, Band, Draw, Pan, Drag, Paint, Focus };

    QRect panelRect() const;
    QRect bandRect() const;
    QPointF aboveThePanel() const;
    void drawRulers(QPainter& painter) const;
    void drawPanel(QPainter& painter);
    void drawHiddenAndZones(QPainter& painter) const;
    void drawClosed(QPainter& painter) const;
    void drawSelection(QPainter& painter) const;
    void drawGuides(QPainter& painter) const;
    void drawGap(QPainter& painter, const GapMark& gap) const;
    void drawGrid(QPainter& painter) const;
    void drawPreviewed(QPainter& painter) const;
    void drawNames(QPainter& painter) const;
    void drawFaint(QPainter& painter, const QRect& box) const;
    void drawLastMark(QPainter& painter, const QRect& box) const;
    void drawDrop(QPainter& painter) const;
    void drawBracket(QPainter& painter, const QRect& box) const;
    void offerKinds(const QStringList& names, const QPoint& at);
    // The widget's box, in panel pixels, as expressions place it and its containers now.
    QRect boxNow(const Widget& widget) const;
    // The same of a widget by its number and that of its container, for who looks at many.
    QRect boxNow(size_t number, int container) const;
    // Where the boxes of what a container holds begin to count, the screen's own for -1; and what is seen of them.
    QPoint originNow(int container) const;
    QRect seenNow(int container) const;
    bool isOpenAt(size_t number, const QPoint& at) const;
    // The widget that the pointer chooses at a point of the panel, in the entered container; null if there is none.
    WidgetRef widgetAt(const QPoint& at) const;
    // The number of the topmost widget of any container whose box, made larger by a margin, holds a point and that
    // suits; -1 if there is none.
    int topmostAt(const QPoint& at, const std::function<bool(size_t)>& suits, int margin = 0) const;
    // The selected widgets that are not locked, without what selected containers hold.
    std::vector<WidgetRef> movable() const;
    bool enterAt(const QPoint& at);
    // How to go into a group under the pointer, or out of the one that is entered; "" where there is none.
    QString groupHint(const QPoint& at) const;
    // Goes out of the entered container if a point is beside it.
    void leaveBeside(const QPoint& at);
    // Where what is dragged goes if it is dropped at a point: nothing if it stays where it is, "" for the screen.
    std::optional<std::string> containerAt(const QPoint& at) const;
    void drawContainer(QPainter& painter) const;
    // The number of the container that places all that is dragged, or moved by keys; -1 if none does.
    int flowOfMoved() const;
    // The turn in a container of what would be dropped at a point; behind all others in one that places nothing.
    int turnAt(std::string_view container, const QPoint& at) const;
    // Gives what is dragged within its container another turn.
    void dragInFlow(int container, const QPoint& at);
    bool turnByKey(const QKeyEvent& event);
    void drawFlowed(QPainter& painter) const;
    // What can be chosen at a point in the entered container, the topmost first.
    std::vector<WidgetRef> stackAt(const QPoint& at) const;
    // Pixels of the panel beside something thin that still hit it.
    int hitReach() const;
    bool isHit(size_t number, int container, const QPoint& at) const;
    void chooseBeneath(const QPoint& at);
    bool putStyleAt(const QPoint& at);
    bool offerStack(const QPoint& at);
    void prepareSnapping();
    bool snaps(Qt::KeyboardModifiers modifiers) const;
    // Around all that is moved, as it was when the gesture began.
    QRect startBox() const;
    int handleAt(const QPointF& at) const;
    // The selected widget, if it is the only one and not locked.
    WidgetRef editedWidget() const;
    // What is dragged beside the box: points and angles of the selected widget.
    std::optional<DragHandle> ownHandleAt(const QPointF& at) const;
    BoxPlace placeInBox(const Widget& widget, const QPointF& at) const;
    bool pressHandle(const QPointF& at, Qt::KeyboardModifiers modifiers);
    bool addPointAt(const QPointF& at);
    void dragHandle(const QPointF& at, Qt::KeyboardModifiers modifiers);
    void drawHandles(QPainter& painter) const;
    void setOwn(const PropertyValues& values, const QString& what, const QString& joins);
    // The selected map of tiles while the brush is down.
    struct PaintedMap {
        WidgetRef widget;
        MapSize size;
        QSize cell;     // pixels of the panel
        QPoint origin;  // of the first cell
    };
    std::optional<PaintedMap> paintedMap() const;
    CellPlace cellAtPointer(const PaintedMap& map, const QPointF& at) const;
    bool pressCells(const QPointF& at, Qt::KeyboardModifiers modifiers);
    void dragCells(const QPointF& at);
    void paintTo(const PaintedMap& map, CellPlace to);
    void setCells(const PaintedMap& map, const CellMap& cells);
    void finishCells();
    bool paintByKey(QKeyEvent* event);
    // So many cells from one on, on the canvas.
    QRectF placeOfCells(const PaintedMap& map, CellPlace first, MapSize size) const;
    void drawCells(QPainter& painter);
    void drawMap(QPainter& painter, const PaintedMap& map);
    void drawCellFrames(QPainter& painter, const PaintedMap& map) const;
    // The screen as it is shown; null if it has neither series nor backing screens.
    const Screen* expandedScreen() const;
    // The boxes, in panel pixels, of the others of a series.
    std::vector<QRect> othersOf(const Widget& widget) const;
    // The series of which another one than the first lies at a point; null for none.
    WidgetRef seriesAt(const QPoint& at) const;
    std::shared_ptr<const CopyOf> backingAt(const QPoint& at) const;
    QString backingHint(const QPoint& at) const;
    bool goToBackingAt(const QPoint& at);
    bool goToAssemblyAt(const QPoint& at);
    void drawAssemblyBox(QPainter& painter) const;
    void drawOthers(QPainter& painter) const;
    const Twin& shownValues();
    // Finds what is cut, and what can be touched, on the screen as it is shown.
    void tryScreen();
    QRectF onCanvas(const QRect& box) const;
    void drawExtremes(QPainter& painter) const;
    void drawTouch(QPainter& painter) const;
    std::vector<std::string> focusNames() const;
    QRectF badgeOf(const Widget& widget) const;
    WidgetRef focusableAt(const QPointF& at) const;
    bool pressFocus(const QPointF& at);
    void finishFocus(const QPointF& at);
    bool passOverAt(const QPointF& at);
    void drawFocus(QPainter& painter) const;
    QString pressHint(const QPoint& at) const;
    void pressSelect(const QPoint& at, Qt::KeyboardModifiers modifiers);
    void beginGesture(Gesture gesture, const QPoint& at);
    void dragMove(const QPoint& at, Qt::KeyboardModifiers modifiers);
    WidgetRef joinedAt(const QPoint& at) const;
    void finishMove();
    void moveBy(const QPoint& by);
    void copyTo(const QPoint& by);
    void dragResize(const QPoint& at, Qt::KeyboardModifiers modifiers);
    QRect resizedBox(const QPoint& at, Qt::KeyboardModifiers modifiers);
    void resizeTo(const QRect& box);
    bool typeNumber(const QKeyEvent& event);
    void applyTyped();
    void finishGesture(Qt::KeyboardModifiers modifiers);
    void cancelGesture();
    void finishBand(Qt::KeyboardModifiers modifiers);
    void finishDraw();
    bool moveByKey(QKeyEvent* event);
    void touchTwin(const QPointF& at, bool down);
    bool typesIntoTwin() const;
    bool endsOperating(const QKeyEvent& event) const;
    void refreshPicture();

    Session& session_;
    PanelInput input_;
    CellBrush& brush_;
    int zoom_ = 2;
    bool fitted_ = true;
    QPoint offset_;  // of the panel from the middle
    std::optional<TakenStyle> styleBrush_;
    QString ghostScreen_;
    int ghostPercent_ = 0;
    QImage ghost_;
    QImage picture_, faint_;  // the second with what is hidden when the interface starts; null without any
    QPoint pointer_, start_, dragged_;
    Gesture gesture_ = Gesture::None;
    int handle_ = 0;
    std::optional<DragHandle> dragging_;
    std::optional<Kind> armed_;
    bool operating_ = false, lockedOperating_ = false, zonesShown_ = true, guidesUsed_ = true;
    struct StartBox {
        std::string name;
        QRect box;
        WidgetRef widget;
    };
    std::vector<StartBox> startBoxes_;
    Document startDocument_;  // of the gesture
    QString gestureKey_;
    int gestureCount_ = 0;
    RulerLines lines_;
    SnapScene snapScene_;  // of the gesture
    Snapped snapped_;
    std::optional<int> startBaseline_;
    QString typed_;         // numbers, while something is dragged
    bool copying_ = false;  // copies are dragged, and what is selected stays
    Names copies_;
    struct {
        Names copies;
        QPoint from;
    } copied_;
    QTimer hold_;           // of a press that does not move
    bool beneath_ = false;  // a click chooses what lies beneath
    bool namesShown_ = false;
    std::optional<QRect> drop_;  // on the panel: where what is dragged in would lie
    std::optional<std::string> clickedInSelection_;
    CellPictures cellPictures_;
    CellMap cellsBefore_;  // the gesture
    CellPlace paintedFrom_, paintedLast_;
    std::optional<CellPlace> hoveredCell_;
    bool picking_ = false;
    std::optional<std::string> into_;  // the container that dragged widgets go into if they are dropped now
    WidgetRef joined_;                 // what a dragged widget is joined with if it is dropped now
    std::optional<Extreme> extreme_;
    struct {
        BuiltSceneRef scene;
        Extreme extreme = Extreme::Lowest;
        std::unique_ptr<Twin> twin;
    } extremes_;  // the values of the one that is shown
    std::vector<CutText> cuts_;
    bool touchShown_ = false;
    std::vector<TouchTarget> targets_;
    bool focusShown_ = false;
    std::string focusDragged_;  // the widget whose number is dragged, and where that is
    QPointF focusAt_;
};

}  // namespace gorsefinch::app
