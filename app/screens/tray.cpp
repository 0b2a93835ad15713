// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/tray.h"

#include <QAbstractButton>
#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QScrollArea>
#include <QScrollBar>
#include <QToolButton>
#include <QVBoxLayout>
#include <QWheelEvent>
#include <algorithm>

#include "app/screens/sample_panel.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/frame_picture.h"
#include "core/document/new_widget.h"
#include "core/edits/assembly_edits.h"
#include "core/edits/image_edits.h"
#include "core/sim/draw_screen.h"

namespace gorsefinch::app {

namespace {

constexpr QSize kSample(62, 46);
constexpr int kSettle = 120;  // ms

// What a project without images shows for one: a hill under the sun.
constexpr const char* kPicture =
    R"(<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 48 32"><rect width="48" height="32" fill="#2b3436"/>)"
    R"(<circle cx="34" cy="10" r="5" fill="#e3b505"/><path d="M0 32V22L14 10 26 22 33 17 48 28V32Z" fill="#7fa287"/></svg>)";

// What any project shows as a map: ground, and a path on it.
constexpr const char* kCells =
    R"(<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 12"><rect width="24" height="12" fill="#4f7b58"/>)"
    R"(<path d="M2 3H5M7 8H10" stroke="#7fa287" stroke-width="1.5"/><rect x="12" width="12" height="12" fill="#e3b505"/></svg>)";

std::string withPicture(Document& sample, const char* picture, int width, int height, int columns) {
    std::string name;
    sample = addImage(sample, "sample.svg", FileContents::mapped(picture), &name);
    Recipe recipe = sample.image(name)->recipe;
    recipe.width = width;
    recipe.height = height;
    recipe.columns = columns;
    sample = withRecipe(sample, name, recipe);
    return name;
}

// The first image of the project, or one of the above; its name.
std::string sampleImage(Document& sample, const KindInfo& kind) {
    if (kind.has(kHasCells))
        return withPicture(sample, kCells, 12, 12, 2);
    std::string name = startImage(sample, kind.kind);
    if (name.empty() && requiredImage(kind))
        name = withPicture(sample, kPicture, 48, 32, 1);
    return name;
}

// The variable that samples of what shows the course of a value show, from 0 to 100.
constexpr const char* kCourse = "course";

// Records a firing: up, a step, up, and slowly down.
void recordCourse(Twin& twin) {
    const gorse_widget_trend& trend = BuiltScene::trendOf(twin.scene().keepers.front());
    for (int i = 0; i < trend.samples; ++i) {
        const int at = i * 100 / trend.samples;
        const int value = at < 25 ? 8 + at * 2 : at < 45 ? 58 : at < 65 ? 58 + (at - 45) * 3 / 2 : 88 - (at - 65) * 2;
        twin.set(kCourse, std::to_string(value));
        twin.step(static_cast<uint32_t>(i) * 1000);
    }
}

// A project with the same panel format, looks, faces and images, and one screen with one widget.
Document sampleDocument(const Document& from, Kind kind, const QSize& size) {
    Document sample = from;
    sample.panel = std::make_shared<const Panel>(samplePanel(*from.panel, size.width(), size.height()));
    sample.rules = std::make_shared<std::vector<RuleFile>>();
    // Hands then show a time at which all can be seen.
    sample.clock = nullptr;
    Widget widget;
    widget.name = "sample";
    widget.kind = kind;
    widget.x = 4;
    widget.y = 8;
    widget.w = size.width() - 8;
    widget.h = size.height() - 16;
    widget.look = startLook(from, kind);
    if (info(kind).sample)
        info(kind).sample(widget, info(from.panel->format).isOneBit());
    standOut(sample, widget, backgroundOf(from, *from.screens.front()));
    if (info(kind).has(kRecords)) {
        Variable course;
        course.name = kCourse;
        course.type = VariableType::Whole;
        course.max = 100;
        sample.variables = std::make_shared<const std::vector<Variable>>(std::vector{course});
        widget.properties["value"] = course.name;
    }
    if (const std::string image = sampleImage(sample, info(kind)); !image.empty())
        widget.properties[requiredImage(info(kind))->key] = image;
    Screen screen;
    screen.name = "sample";
    screen.background = backgroundOf(from, *from.screens.front());
    const std::vector<Widget> content = sampleContent(widget);
    screen.widgets.push_back(std::make_shared<const Widget>(std::move(widget)));
    for (const Widget& each : content)
        screen.widgets.push_back(std::make_shared<const Widget>(each));
    sample.screens = {std::make_shared<const Screen>(std::move(screen))};
    return sample;
}

}  // namespace

QPixmap samplePicture(Session& session, Kind kind, const QSize& size) {
    SceneBuilder builder;
    const BuiltSceneRef scene = builder.build(sampleDocument(session.document(), kind, size));
    const ShownPanes open{{}, {scene->document.screens.front()->widgets.front()->name}};
    if (scene->scene.recorder_count == 0)
        return QPixmap::fromImage(toImage(drawScreen(*scene, 0, nullptr, {}, &open)));
    Twin twin(scene);
    recordCourse(twin);
    return QPixmap::fromImage(toImage(twin.memory()));
}

// A use as large as its sample.
QPixmap assemblyPicture(Session& session, const std::string& name, const QSize& size) {
    Document sample = session.document();
    sample.panel = std::make_shared<const Panel>(samplePanel(*sample.panel, size.width(), size.height()));
    sample.rules = std::make_shared<std::vector<RuleFile>>();
    std::erase_if(sample.screens, [](const ScreenRef& each) { return !each->assembly; });
    Screen screen;
    screen.name = "sample";
    screen.background = backgroundOf(session.document(), *session.document().screens.front());
    Widget use = newUse(sample, screen, name, 0, 0);
    use.w = size.width();
    use.h = size.height();
    screen.widgets.push_back(std::make_shared<const Widget>(std::move(use)));
    sample.screens.insert(sample.screens.begin(), std::make_shared<const Screen>(std::move(screen)));
    return QPixmap::fromImage(toImage(drawScreen(*SceneBuilder().build(sample), 0)));
}

class Tray::Sample : public QAbstractButton {
  public:
    Sample(const QString& name, const QString& help, QWidget* parent) : QAbstractButton(parent), name_(name) {
        setObjectName("tray_" + name);
        setFixedSize(kSample.width() + 4, kSample.height() + 22);
        setCursor(Qt::PointingHandCursor);
        setFocusPolicy(Qt::TabFocus);
        setToolTip(help);
        setAccessibleName(name);
    }
    void setPicture(const QPixmap& picture) {
        picture_ = picture;
        update();
    }

  protected:
    void paintEvent(QPaintEvent*) override {
        QPainter painter(this);
        const QRect frame(1, 1, kSample.width() + 2, kSample.height() + 2);
        if (!picture_.isNull()) {
            painter.drawPixmap(frame.topLeft() + QPoint(1, 1), picture_);
        } else {
            painter.fillRect(frame, Theme::colour(Role::Window));
        }
        const bool strong = isChecked() || underMouse() || hasFocus();
        painter.setPen(QPen(Theme::colour(strong ? Role::Accent : Role::StrongLine), isChecked() ? 2 : 1));
        painter.drawRect(frame.adjusted(0, 0, -1, -1));
        painter.setFont(Theme::text());
        painter.setPen(Theme::colour(Role::Text));
        painter.drawText(QRect(0, kSample.height() + 4, width(), 18), Qt::AlignCenter,
                         painter.fontMetrics().elidedText(name_, Qt::ElideRight, width()));
    }

  private:
    QString name_;
    QPixmap picture_;
};

Tray::Tray(Session& session, QWidget* parent) : QWidget(parent), session_(session), strip_(new QScrollArea(this)) {
    setFixedHeight(kHeight);
    auto* all = new QWidget;
    auto* groups = new QHBoxLayout(all);
    groups->setContentsMargins(6, 4, 6, 4);
    groups->setSpacing(14);
    for (const KindGroup group :
         {KindGroup::Words, KindGroup::Controls, KindGroup::Indicators, KindGroup::Shapes, KindGroup::Containers})
        groups->addWidget(makeGroup(group));
    own_ = makeGroup(KindGroup::Own);
    groups->addWidget(own_);
    groups->addStretch(1);
    strip_->setObjectName("tray_strip");
    strip_->setFrameShape(QFrame::NoFrame);
    strip_->setWidgetResizable(true);
    strip_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    strip_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    strip_->setFocusPolicy(Qt::NoFocus);
    strip_->setWidget(all);
    strip_->viewport()->installEventFilter(this);
    before_ = makeArrow("tray_before", "\u2039", tr("Kinds before these"), -1);
    behind_ = makeArrow("tray_behind", "\u203a", tr("More kinds"), 1);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(2, 0, 2, 0);
    row->setSpacing(0);
    row->addWidget(before_);
    row->addWidget(strip_, 1);
    row->addWidget(behind_);
    connect(strip_->horizontalScrollBar(), &QScrollBar::valueChanged, this, &Tray::showArrows);
    connect(strip_->horizontalScrollBar(), &QScrollBar::rangeChanged, this, &Tray::showArrows);
    connect(&session, &Session::changed, this, [this](const Change& change) {
        if (change.opened)
            refresh();
        else if (change.looks || change.panel || change.assets)
            stale_.start();
        if (!change.opened && change.screens)
            showAssemblies();
    });
    // After a moment without such edits: a colour that is dragged changes a look many times a second.
    stale_.setSingleShot(true);
    stale_.setInterval(kSettle);
    connect(&stale_, &QTimer::timeout, this, &Tray::refresh);
}

QWidget* Tray::makeGroup(KindGroup group) {
    auto* box = new QWidget;
    auto* column = new QVBoxLayout(box);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(2);
    auto* heading = new QLabel(tr(nameOf(group)), box);
    heading->setProperty("quiet", true);
    heading->setFont(Theme::text(10));
    column->addWidget(heading);
    auto* row = new QHBoxLayout;
    row->setSpacing(4);
    for (const KindInfo* kind : kinds()) {
        if (kind->group != group || group == KindGroup::Own)
            continue;
        auto* sample = new Sample(
            kind->key,
            tr("%1: %2. Click, then draw its box on the canvas; or press A there.").arg(kind->key, kind->help), box);
        sample->setCheckable(true);
        sample->installEventFilter(this);
        connect(sample, &QAbstractButton::clicked, this, [this, which = kind->kind] { Q_EMIT chosen(which); });
        samples_.insert(static_cast<int>(kind->kind), sample);
        row->addWidget(sample);
    }
    column->addLayout(row);
    return box;
}

// Scrolls by most of what is seen.
QToolButton* Tray::makeArrow(const char* name, const QString& sign, const QString& help, int way) {
    auto* arrow = new QToolButton(this);
    arrow->setObjectName(name);
    arrow->setText(sign);
    arrow->setFont(Theme::text(18));
    arrow->setToolTip(help);
    arrow->setFixedSize(22, kHeight - 14);
    arrow->setFocusPolicy(Qt::NoFocus);
    QSizePolicy keep = arrow->sizePolicy();
    keep.setRetainSizeWhenHidden(true);
    arrow->setSizePolicy(keep);
    connect(arrow, &QToolButton::clicked, this, [this, way] {
        QScrollBar* bar = strip_->horizontalScrollBar();
        bar->setValue(bar->value() + way * strip_->viewport()->width() * 3 / 4);
    });
    return arrow;
}

void Tray::showArrows() {
    const QScrollBar* bar = strip_->horizontalScrollBar();
    before_->setVisible(bar->value() > bar->minimum());
    behind_->setVisible(bar->value() < bar->maximum());
}

void Tray::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    showArrows();
}

bool Tray::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::Wheel && watched == strip_->viewport()) {
        const QPoint turned = static_cast<QWheelEvent*>(event)->angleDelta();
        QScrollBar* bar = strip_->horizontalScrollBar();
        bar->setValue(bar->value() - (turned.x() != 0 ? turned.x() : turned.y()));
        return true;
    }
    // A sample that is reached by the keyboard comes into sight.
    if (event->type() == QEvent::FocusIn)
        strip_->ensureWidgetVisible(static_cast<QWidget*>(watched), 30, 0);
    return QWidget::eventFilter(watched, event);
}

void Tray::refresh() {
    if (!session_.isOpen())
        return;
    for (auto it = samples_.begin(); it != samples_.end(); ++it)
        it.value()->setPicture(samplePicture(session_, static_cast<Kind>(it.key()), kSample));
    shown_.clear();
    showAssemblies();
}

// A sample for each assembly, whose picture is made anew when that changes.
void Tray::showAssemblies() {
    std::vector<ScreenRef> now;
    for (const ScreenRef& each : session_.document().screens)
        if (each->assembly)
            now.push_back(each);
    if (now == shown_ && own_->isVisibleTo(this) == !now.empty())
        return;
    shown_ = std::move(now);
    qDeleteAll(own_->findChildren<QAbstractButton*>());
    auto* row = qobject_cast<QBoxLayout*>(own_->layout()->itemAt(1)->layout());
    for (const ScreenRef& each : shown_) {
        const QString name = QString::fromStdString(each->name);
        auto* sample =
            new Sample(name, tr("%1: an assembly of this project. Click to insert a use of it.").arg(name), own_);
        sample->installEventFilter(this);
        sample->setPicture(assemblyPicture(session_, each->name, kSample));
        connect(sample, &QAbstractButton::clicked, this, [this, name] { Q_EMIT useChosen(name); });
        row->addWidget(sample);
        sample->show();
    }
    own_->setVisible(!shown_.empty());
}

void Tray::setArmed(std::optional<Kind> kind) {
    for (auto it = samples_.begin(); it != samples_.end(); ++it)
        it.value()->setChecked(kind && static_cast<int>(*kind) == it.key());
}

}  // namespace gorsefinch::app
