// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/screens_station.h"

#include <QAction>
#include <QHBoxLayout>
#include <QLabel>
#include <QScrollArea>
#include <QSettings>
#include <QShortcut>
#include <QSplitter>
#include <QStackedWidget>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/screens/align_bar.h"
#include "app/screens/backing_links.h"
#include "app/screens/align_commands.h"
#include "app/screens/canvas.h"
#include "app/screens/exchange.h"
#include "app/screens/find_dialog.h"
#include "app/screens/ghost_popup.h"
#include "app/screens/kind_picker.h"
#include "app/screens/layers.h"
#include "app/screens/layout_popup.h"
#include "app/screens/looks_pane.h"
#include "app/screens/reel.h"
#include "app/screens/screen_map_view.h"
#include "app/screens/sheet.h"
#include "app/screens/tray.h"
#include "app/screens/twin_view.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/wrapping_row.h"
#include "core/document/panel_keys.h"
#include "core/emit/costs.h"

namespace gorsefinch::app {

namespace {

constexpr int kListWidth = 207, kLooksWidth = 292, kMapWidth = 424, kListHeight = 310, kMapHeight = 410;  // px

// Gives the first part of a splitter a size, at the cost of the second.
void giveSize(QSplitter* splitter, int first) {
    QList<int> sizes = splitter->sizes();
    sizes[1] += sizes[0] - first;
    sizes[0] = first;
    splitter->setSizes(sizes);
}

QFrame* line(QWidget* parent) {
    auto* made = new QFrame(parent);
    made->setProperty("rule", true);
    return made;
}

QWidget* headed(const QString& title, QWidget* right, QWidget* parent) {
    auto* head = new QWidget(parent);
    auto* row = new QHBoxLayout(head);
    row->setContentsMargins(12, 6, 8, 2);
    auto* label = new QLabel(title, head);
    label->setProperty("heading", true);
    row->addWidget(label);
    row->addStretch(1);
    row->addWidget(right);
    return head;
}

}  // namespace

ScreensStation::ScreensStation(Session& session, QWidget* parent) : Station(parent), session_(session) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    splitter_ = new QSplitter(this);
    splitter_->setObjectName("screens_splitter");
    splitter_->setHandleWidth(1);
    leftPages_ = new QStackedWidget(splitter_);
    leftPages_->setMinimumWidth(190);
    leftPages_->addWidget(makeLeft());
    looks_ = new LooksPane(session, leftPages_);
    leftPages_->addWidget(looks_);
    splitter_->addWidget(leftPages_);
    splitter_->addWidget(makeMiddle());
    splitter_->addWidget(makeRight());
    splitter_->setStretchFactor(1, 1);
    splitter_->setSizes({kListWidth, 728, 344});
    splitter_->setChildrenCollapsible(false);
    row->addWidget(splitter_);
    for (QToolButton* each : std::as_const(folds_))
        each->setChecked(!QSettings().value(each->objectName()).toBool());
    setFocusProxy(canvas_);
    addCommands();
    connect(canvas_, &Canvas::pointerMoved, this, &ScreensStation::pointerMoved);
    connect(canvas_, &Canvas::pressHinted, this, &ScreensStation::pressHinted);
    connect(map_, &ScreenMapView::pressHinted, this, &ScreensStation::pressHinted);
    connect(canvas_, &Canvas::filesDropped, this, &ScreensStation::filesDropped);
    connect(canvas_, &Canvas::insertRequested, this, &ScreensStation::askKind);
    connect(canvas_, &Canvas::renameRequested, this, &ScreensStation::renameSelection);
    connect(canvas_, &Canvas::armedChanged, this, [this] { tray_->setArmed(canvas_->armed()); });
    connect(tray_, &Tray::useChosen, canvas_, [this](const QString& assembly) {
        const Panel& panel = *session_.document().panel;
        canvas_->insertUse(assembly.toStdString(), QPoint(panel.width / 4, panel.height / 4));
    });
    connect(tray_, &Tray::chosen, canvas_, [this](Kind kind) { canvas_->arm(kind); });
    connect(sheet_, &Sheet::ruleRequested, this, &ScreensStation::ruleRequested);
    const auto count = [this] {
        if (session_.isOpen())
            layersFigure_->setText(QString::number(session_.selection().screen()->widgets.size()));
    };
    connect(&session, &Session::changed, this, count);
    connect(&session, &Session::changed, this, [this](const Change& change) {
        if (change.panel || change.opened)
            focus_->setVisible(hasKeys(*session_.document().panel));
    });
    connect(&session.selection(), &Selection::changed, this, count);
}

QWidget* ScreensStation::makeLeft() {
    auto* left = new QWidget(this);
    auto* column = new QVBoxLayout(left);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    auto* buttons = new QWidget(left);
    auto* buttonRow = new QHBoxLayout(buttons);
    buttonRow->setContentsMargins(0, 0, 0, 0);
    buttonRow->setSpacing(2);
    mapShown_ = new QToolButton(buttons);
    mapShown_->setIcon(Theme::icon("map"));
    mapShown_->setObjectName("show_map");
    mapShown_->setCheckable(true);
    mapShown_->setToolTip(tr("A map of which screen leads to which (Ctrl+M)"));
    auto* find = new QToolButton(buttons);
    find->setIcon(Theme::icon("find"));
    find->setObjectName("find_widgets");
    find->setToolTip(tr("Find widgets on all screens (Ctrl+F)"));
    connect(find, &QToolButton::clicked, this, [this] { find_->begin(); });
    auto* add = new QToolButton(buttons);
    add->setIcon(Theme::icon("plus"));
    add->setObjectName("add_screen");
    add->setToolTip(tr("New screen (Ctrl+N)"));
    buttonRow->addWidget(find);
    buttonRow->addWidget(mapShown_);
    buttonRow->addWidget(add);
    column->addWidget(headed(tr("Screens"), buttons, left));
    leftParts_ = new QSplitter(Qt::Vertical, left);
    QSplitter* parts = leftParts_;
    parts->setObjectName("reel_splitter");
    parts->setHandleWidth(1);
    parts->setChildrenCollapsible(false);
    screens_ = new QStackedWidget(parts);
    reel_ = new Reel(session_, screens_);
    map_ = new ScreenMapView(session_, *reel_->model());
    auto* mapArea = new QScrollArea(screens_);
    mapArea->setFrameShape(QFrame::NoFrame);
    mapArea->setWidgetResizable(true);
    mapArea->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    mapArea->setWidget(map_);
    screens_->addWidget(reel_);
    screens_->addWidget(mapArea);
    connect(add, &QToolButton::clicked, reel_, &Reel::addScreen);
    connect(mapShown_, &QToolButton::clicked, this, &ScreensStation::showMap);
    if (QSettings().value("screen_map").toBool()) {
        mapShown_->setChecked(true);
        screens_->setCurrentIndex(1);
    }
    auto* lower = new QWidget(parts);
    auto* lowerColumn = new QVBoxLayout(lower);
    lowerColumn->setContentsMargins(0, 0, 0, 0);
    lowerColumn->setSpacing(0);
    layersFigure_ = new QLabel(lower);
    layersFigure_->setFont(Theme::figures());
    layersFigure_->setProperty("quiet", true);
    layersFigure_->setContentsMargins(0, 0, 4, 0);
    lowerColumn->addWidget(headed(tr("Layers"), layersFigure_, lower));
    layers_ = new Layers(session_, lower);
    lowerColumn->addWidget(new BackingLinks(session_, &Screen::above, lower));
    lowerColumn->addWidget(layers_);
    lowerColumn->addWidget(new BackingLinks(session_, &Screen::below, lower));
    parts->addWidget(screens_);
    parts->addWidget(lower);
    parts->setSizes({kListHeight, 380});
    column->addWidget(parts);
    return left;
}

// They need more room than the layers.
void ScreensStation::showLooks(bool shown) {
    showLooks_->setChecked(shown);
    if ((leftPages_->currentIndex() == 1) == shown)
        return;
    leftPages_->setCurrentIndex(shown ? 1 : 0);
    const bool map = screens_->currentIndex() == 1;
    giveSize(splitter_, shown ? std::max(splitter_->sizes()[0], kLooksWidth) : map ? kMapWidth : kListWidth);
    if (shown) {
        folds_.front()->setChecked(true);
        looks_->followSelection();
    }
}

// The map is wider and higher than the list.
void ScreensStation::showMap(bool shown) {
    mapShown_->setChecked(shown);
    if ((screens_->currentIndex() == 1) == shown)
        return;
    screens_->setCurrentIndex(shown ? 1 : 0);
    giveSize(splitter_, shown ? std::max(splitter_->sizes()[0], kMapWidth) : kListWidth);
    giveSize(leftParts_, shown ? std::max(leftParts_->sizes()[0], kMapHeight) : kListHeight);
    if (shown)
        map_->setFocus();
}

// Kept with the widths, which are kept when the window closes.
ScreensStation::~ScreensStation() { QSettings().setValue("screen_map", screens_->currentIndex() == 1); }

void ScreensStation::addTries(QToolButton* extremes, QToolButton* touch) {
    const auto key = [this](const char* name, const QString& words, Qt::Key keys, QToolButton* button) {
        auto* action = new QAction(words, this);
        action->setObjectName(name);
        action->setShortcut(keys);
        action->setShortcutContext(Qt::WidgetShortcut);
        canvas_->addAction(action);
        connect(action, &QAction::triggered, button, &QToolButton::click);
    };
    key("next_extreme", tr("Next extreme values"), Qt::Key_X, extremes);
    key("toggle_touch", tr("Touch targets"), Qt::Key_T, touch);
    connect(extremes, &QToolButton::clicked, canvas_, &Canvas::showNextExtreme);
    connect(touch, &QToolButton::clicked, canvas_, &Canvas::setTouchShown);
    connect(canvas_, &Canvas::triedChanged, this, [this, extremes, touch] {
        extremes->setChecked(canvas_->showsExtreme());
        touch->setChecked(canvas_->showsTouch());
    });
}

QWidget* ScreensStation::makeTools() {
    auto* tools = new QWidget(this);
    auto* row = new WrappingRow(tools, 2);
    row->setContentsMargins(10, 3, 10, 3);
    const auto toggle = [&](const char* icon, const char* name, const QString& help, bool on) {
        auto* button = new QToolButton(tools);
        button->setIcon(Theme::icon(icon));
        button->setObjectName(name);
        button->setCheckable(true);
        button->setChecked(on);
        button->setToolTip(help);
        row->addWidget(button);
        return button;
    };
    const auto fold = [&](const char* icon, const char* name, const QString& help, const QKeySequence& keys, int pane) {
        auto* button = toggle(icon, name, help, true);
        auto* action = new QAction(help.section(" (", 0, 0), this);
        action->setShortcut(keys);
        action->setShortcutContext(Qt::WidgetShortcut);
        canvas_->addAction(action);
        connect(action, &QAction::triggered, button, &QToolButton::toggle);
        connect(button, &QToolButton::toggled, this,
                [this, pane](bool on) { splitter_->widget(pane)->setVisible(on); });
        connect(button, &QToolButton::toggled, this, [name](bool on) { QSettings().setValue(name, !on); });
        return button;
    };
    folds_.append(fold("pane_left", "fold_left", tr("Screens and layers at the left ([)"), Qt::Key_BracketLeft, 0));
    auto* guides =
        toggle("guides", "use_guides",
               tr("Guides while dragging: edges, middles, baselines, equal gaps (Ctrl leaves them out)"), true);
    auto* zones = toggle("zones", "show_zones", tr("Show what takes a touch"), true);
    hand_ = toggle("hand", "operate", tr("Operate the interface on the canvas (hold H, or Shift+H to stay)"), false);
    focus_ = toggle("focus", "show_focus",
                    tr("The order in which the knob and the keys reach widgets: drag its numbers"), false);
    showLooks_ = toggle("looks", "show_looks", tr("Looks: colours, borders and fonts by name (Y)"), false);
    connect(showLooks_, &QToolButton::toggled, this, &ScreensStation::showLooks);
    addTries(
        toggle("extremes", "show_extremes",
               tr("Extremes: the lowest, highest, shortest, longest and stale values in turn, and what is cut (X)"),
               false),
        toggle("finger", "show_touch",
               tr("Touch: the targets with their size, small and covered ones, and where the twin was touched (T)"),
               false));
    auto* brush =
        toggle("brush", "style_brush",
               tr("Brush: takes up what the selected widget looks like, and each click puts it on another"), false);
    connect(brush, &QToolButton::clicked, this, [this, brush](bool on) {
        if (on)
            takeUpStyle();
        canvas_->setStyleBrush(on ? takenStyle_ : std::nullopt);
        brush->setChecked(canvas_->hasStyleBrush());
    });
    connect(canvas_, &Canvas::styleBrushEnded, brush, [brush] { brush->setChecked(false); });
    auto* aids = new QToolButton(tools);
    aids->setIcon(Theme::icon("grid"));
    aids->setObjectName("layout_aids");
    aids->setToolTip(tr("Grid, margin and guide lines (G)"));
    row->addWidget(aids);
    auto* ghost = new QToolButton(tools);
    ghost->setIcon(Theme::icon("ghost"));
    ghost->setObjectName("show_ghost");
    ghost->setCheckable(true);
    ghost->setToolTip(tr("Another screen faintly over this one, to compare them"));
    row->addWidget(ghost);
    auto* ghostPopup = new GhostPopup(session_, this);
    connect(ghost, &QToolButton::clicked, this, [ghostPopup, ghost] { ghostPopup->showBelow(*ghost); });
    connect(ghostPopup, &GhostPopup::changed, this, [this, ghost](const QString& screen, int percent) {
        canvas_->setGhost(screen, percent);
        ghost->setChecked(!screen.isEmpty());
    });
    auto* popup = new LayoutPopup(session_, this);
    auto* showAids = new QAction(tr("Grid, margin and guide lines"), this);
    showAids->setShortcut(Qt::Key_G);
    showAids->setShortcutContext(Qt::WidgetShortcut);
    canvas_->addAction(showAids);
    connect(showAids, &QAction::triggered, aids, &QToolButton::click);
    connect(aids, &QToolButton::clicked, this, [popup, aids] { popup->showBelow(*aids); });
    connect(focus_, &QToolButton::toggled, canvas_, &Canvas::setFocusShown);
    connect(guides, &QToolButton::toggled, canvas_, &Canvas::setGuidesUsed);
    connect(zones, &QToolButton::toggled, canvas_, &Canvas::setZonesShown);
    connect(hand_, &QToolButton::clicked, canvas_, &Canvas::setOperating);
    connect(canvas_, &Canvas::operatingChanged, hand_, &QToolButton::setChecked);
    row->addWidget(new AlignBar(session_, *align_, tools));
    auto* zoomPart = new QWidget(tools);
    zoomPart->setMinimumHeight(26);
    auto* zoomRow = new QHBoxLayout(zoomPart);
    zoomRow->setContentsMargins(4, 0, 0, 0);
    zoom_ = new QLabel(zoomPart);
    zoom_->setFont(Theme::figures());
    zoom_->setToolTip(tr("Zoom: Ctrl+wheel, Ctrl++ and Ctrl+-, Ctrl+0 fits"));
    zoomRow->addWidget(zoom_);
    folds_.append(fold("pane_right", "fold_right", tr("Twin and sheet at the right (])"), Qt::Key_BracketRight, 2));
    zoomRow->addWidget(folds_.back());
    row->addWidget(zoomPart);
    connect(canvas_, &Canvas::zoomChanged, this, [this](int zoom) { zoom_->setText(QString("%1x").arg(zoom)); });
    return tools;
}

QWidget* ScreensStation::makeMiddle() {
    auto* middle = new QWidget(this);
    auto* column = new QVBoxLayout(middle);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    canvas_ = new Canvas(session_, brush_, middle);
    tray_ = new Tray(session_, middle);
    align_ = new AlignCommands(session_, this);
    exchange_ = new Exchange(session_, *canvas_);
    find_ = new FindDialog(session_, this);
    connect(exchange_, &Exchange::picturePasted, this, &ScreensStation::picturePasted);
    column->addWidget(makeTools());
    column->addWidget(line(middle));
    column->addWidget(canvas_, 1);
    column->addWidget(line(middle));
    column->addWidget(tray_);
    canvas_->setContextMenuPolicy(Qt::CustomContextMenu);
    connect(canvas_, &QWidget::customContextMenuRequested, this, &ScreensStation::contextMenu);
    return middle;
}

QWidget* ScreensStation::makeRight() {
    auto* right = new QWidget(this);
    right->setMinimumWidth(300);
    auto* column = new QVBoxLayout(right);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    sheet_ = new Sheet(session_, brush_, right);
    column->addWidget(new TwinView(session_, right));
    column->addWidget(line(right));
    column->addWidget(sheet_, 1);
    return right;
}

QString ScreensStation::figure() const {
    const Costs& costs = session_.costs();
    long bytes = 0;
    for (const auto& [name, cost] : costs.screens)
        bytes += cost.flash;
    return QString("%1 · %2 KB").arg(costs.screens.size()).arg(static_cast<double>(bytes) / 1024, 0, 'f', 1);
}

bool ScreensStation::goTo(const Problem& problem) {
    if (problem.screen.empty())
        return false;
    session_.selection().showScreen(QString::fromStdString(problem.screen));
    if (!problem.widget.empty())
        session_.selection().select({problem.widget});
    canvas_->setFocus();
    return true;
}

void ScreensStation::placeImages(const QStringList& names, std::optional<QPoint> at) {
    const Panel& panel = *session_.document().panel;
    canvas_->placeImages(names, at.value_or(QPoint(panel.width / 2, panel.height / 2)));
}

void ScreensStation::askKind(const QPoint& at) {
    KindPicker picker(session_, canvas_);
    picker.move(canvas_->mapToGlobal(canvas_->fromPanel(at).toPoint()));
    if (const auto kind = picker.choose())
        canvas_->insert(*kind, QRect(at, QSize(0, 0)));
}

}  // namespace gorsefinch::app
