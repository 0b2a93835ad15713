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

#include "app/screens/canvas.h"
#include "app/screens/kind_picker.h"
#include "app/screens/layers.h"
#include "app/screens/reel.h"
#include "app/screens/screen_map_view.h"
#include "app/screens/sheet.h"
#include "app/screens/tray.h"
#include "app/screens/twin_view.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "core/document/panel_keys.h"
#include "core/emit/costs.h"

namespace gorsefinch::app {

namespace {

constexpr int kListWidth = 207, kMapWidth = 424, kListHeight = 310, kMapHeight = 410;  // px

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
    splitter_->addWidget(makeLeft());
    splitter_->addWidget(makeMiddle());
    splitter_->addWidget(makeRight());
    splitter_->setStretchFactor(1, 1);
    splitter_->setSizes({kListWidth, 728, 344});
    splitter_->setChildrenCollapsible(false);
    row->addWidget(splitter_);
    setFocusProxy(canvas_);
    addCommands();
    connect(canvas_, &Canvas::pointerMoved, this, &ScreensStation::pointerMoved);
    connect(canvas_, &Canvas::pressHinted, this, &ScreensStation::pressHinted);
    connect(map_, &ScreenMapView::pressHinted, this, &ScreensStation::pressHinted);
    connect(canvas_, &Canvas::filesDropped, this, &ScreensStation::filesDropped);
    connect(canvas_, &Canvas::insertRequested, this, &ScreensStation::askKind);
    connect(canvas_, &Canvas::renameRequested, this, &ScreensStation::renameSelection);
    connect(canvas_, &Canvas::armedChanged, this, [this] { tray_->setArmed(canvas_->armed()); });
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
    left->setMinimumWidth(190);
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
    auto* add = new QToolButton(buttons);
    add->setIcon(Theme::icon("plus"));
    add->setObjectName("add_screen");
    add->setToolTip(tr("New screen (Ctrl+N)"));
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
    lowerColumn->addWidget(layers_);
    parts->addWidget(screens_);
    parts->addWidget(lower);
    parts->setSizes({kListHeight, 380});
    column->addWidget(parts);
    return left;
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

QWidget* ScreensStation::makeTools() {
    auto* tools = new QWidget(this);
    auto* row = new QHBoxLayout(tools);
    row->setContentsMargins(10, 3, 10, 3);
    row->setSpacing(4);
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
    auto* guides =
        toggle("guides", "use_guides", tr("Guides to edges and middles while dragging (Alt leaves them out)"), true);
    auto* zones = toggle("zones", "show_zones", tr("Show what takes a touch"), true);
    hand_ = toggle("hand", "operate", tr("Operate the interface on the canvas (hold H, or Shift+H to stay)"), false);
    focus_ = toggle("focus", "show_focus",
                    tr("The order in which the knob and the keys reach widgets: drag its numbers"), false);
    connect(focus_, &QToolButton::toggled, canvas_, &Canvas::setFocusShown);
    connect(guides, &QToolButton::toggled, canvas_, &Canvas::setGuidesUsed);
    connect(zones, &QToolButton::toggled, canvas_, &Canvas::setZonesShown);
    connect(hand_, &QToolButton::clicked, canvas_, &Canvas::setOperating);
    connect(canvas_, &Canvas::operatingChanged, hand_, &QToolButton::setChecked);
    row->addStretch(1);
    zoom_ = new QLabel(tools);
    zoom_->setFont(Theme::figures());
    zoom_->setToolTip(tr("Zoom: Ctrl+wheel, Ctrl++ and Ctrl+-, Ctrl+0 fits"));
    row->addWidget(zoom_);
    auto* hint = new QLabel(tr("Ctrl wheel"), tools);
    hint->setProperty("quiet", true);
    hint->setFont(Theme::figures(10));
    row->addWidget(hint);
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
