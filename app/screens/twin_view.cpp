// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/twin_view.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QMouseEvent>
#include <QPainter>
#include <QSlider>
#include <QToolButton>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "app/screens/real_size.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/frame_picture.h"
#include "app/widgets/panel_shape.h"
#include "core/document/panel_keys.h"
#include "core/sim/seen_picture.h"

namespace gorsefinch::app {

namespace {

constexpr int kFrame = 16;  // ms

}  // namespace

TwinPanel::TwinPanel(Session& session, QWidget* parent) : QWidget(parent), session_(session), input_(session.runner()) {
    setObjectName("twin");
    setAttribute(Qt::WA_OpaquePaintEvent);
    QSizePolicy policy(QSizePolicy::Preferred, QSizePolicy::Fixed);
    policy.setHeightForWidth(true);
    setSizePolicy(policy);
    setFocusPolicy(Qt::StrongFocus);
    setToolTip(
        tr("The interface, running. The mouse is the finger; its wheel turns the panel's knob and pushes it; arrow "
           "keys, Return and Backspace are its keys."));
    connect(&session.runner(), &TwinRunner::stepped, this, qOverload<>(&QWidget::update));
}

void TwinPanel::setExactScale(double scale) {
    exactScale_ = scale;
    setFixedSize(exactSize());
    update();
}

QSize TwinPanel::exactSize() const {
    const Panel& panel = *session_.document().panel;
    return {std::max(1, static_cast<int>(std::lround(panel.width * exactScale_))),
            std::max(1, static_cast<int>(std::lround(panel.height * exactScale_)))};
}

int TwinPanel::heightForWidth(int width) const {
    if (exactScale_ > 0)
        return exactSize().height();
    if (!session_.isOpen())
        return width * 3 / 4;
    const Panel& panel = *session_.document().panel;
    return std::min(width * panel.height / panel.width, 320);
}

QSize TwinPanel::sizeHint() const { return {320, heightForWidth(320)}; }

// Whole-number zoom where it fits, else as large as possible.
QRect TwinPanel::pictureRect() const {
    if (exactScale_ > 0)
        return {QPoint(0, 0), exactSize()};
    const Panel& panel = *session_.document().panel;
    double scale = std::min(static_cast<double>(width()) / panel.width, static_cast<double>(height()) / panel.height);
    if (scale >= 1)
        scale = static_cast<int>(scale);
    const QSize size(static_cast<int>(panel.width * scale), static_cast<int>(panel.height * scale));
    return {QPoint((width() - size.width()) / 2, (height() - size.height()) / 2), size};
}

void TwinPanel::paintEvent(QPaintEvent*) {
    QPainter painter(this);
    painter.fillRect(rect(), Theme::colour(Role::Window));
    if (!session_.isOpen())
        return;
    const QRect r = pictureRect();
    const Twin& twin = session_.runner().twin();
    const OutputState outputs = outputsOf(twin);
    Picture seen;
    if (outputs != OutputState()) {
        seen = twin.memory().picture();
        applyOutputs(seen, outputs);
    }
    const QImage image = seen.pixels.empty() ? toImage(twin.memory()) : toImage(seen);
    const bool whole = r.width() % std::max(image.width(), 1) == 0;
    painter.setRenderHint(QPainter::SmoothPixmapTransform, r.width() < image.width() || (exactScale_ > 0 && !whole));
    painter.drawImage(r, image);
    coverCorners(painter, *session_.document().panel, r, 0, Theme::colour(Role::Window));
    if (hasFocus() && hasKeys(*session_.document().panel)) {
        painter.setPen(QPen(Theme::colour(Role::Accent), 1));
        painter.setBrush(Qt::NoBrush);
        painter.drawRect(r.adjusted(0, 0, -1, -1));
    }
}

void TwinPanel::touch(const QPointF& at, bool down) {
    if (!session_.isOpen())
        return;
    const QRect r = pictureRect();
    const Panel& panel = *session_.document().panel;
    session_.runner().touch({static_cast<int>((at.x() - r.x()) * panel.width / r.width()),
                             static_cast<int>((at.y() - r.y()) * panel.height / r.height())},
                            down);
}

void TwinPanel::mousePressEvent(QMouseEvent* event) {
    if (!session_.isOpen() || input_.mouse(*event, true))
        return;
    if (event->button() == Qt::LeftButton && (session_.document().panel->touch || !hasKeys(*session_.document().panel)))
        touch(event->position(), true);
}

void TwinPanel::mouseMoveEvent(QMouseEvent* event) {
    if (session_.isOpen() && (event->buttons() & Qt::LeftButton) && session_.document().panel->touch)
        touch(event->position(), true);
}

void TwinPanel::mouseReleaseEvent(QMouseEvent* event) {
    if (!session_.isOpen() || input_.mouse(*event, false))
        return;
    if (event->button() == Qt::LeftButton)
        touch(event->position(), false);
}

void TwinPanel::wheelEvent(QWheelEvent* event) {
    if (!session_.isOpen() || !input_.wheel(*event))
        QWidget::wheelEvent(event);
}

void TwinPanel::keyPressEvent(QKeyEvent* event) {
    if (!session_.isOpen() || !input_.key(*event, true))
        QWidget::keyPressEvent(event);
}

void TwinPanel::keyReleaseEvent(QKeyEvent* event) {
    if (!session_.isOpen() || !input_.key(*event, false))
        QWidget::keyReleaseEvent(event);
}

void TwinPanel::focusOutEvent(QFocusEvent* event) {
    if (session_.isOpen())
        input_.releaseAll();
    QWidget::focusOutEvent(event);
}

// Single letters are shortcuts elsewhere in the window: here they are the panel's keys.
bool TwinPanel::event(QEvent* event) {
    if (event->type() == QEvent::ShortcutOverride && session_.isOpen() &&
        (hasKeys(*session_.document().panel) || session_.runner().twin().isTyping()))
        event->accept();
    return QWidget::event(event);
}

TwinView::TwinView(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(12, 8, 12, 6);
    column->setSpacing(6);
    auto* head = new QHBoxLayout;
    auto* title = new QLabel(tr("Twin"), this);
    title->setProperty("heading", true);
    clock_ = new QLabel(this);
    clock_->setFont(Theme::figures());
    clock_->setObjectName("twin_clock");
    head->addWidget(title);
    head->addStretch(1);
    head->addWidget(clock_);
    column->addLayout(head);
    panel_ = new TwinPanel(session, this);
    column->addWidget(panel_);
    column->addLayout(makeTimeBar());
    auto* tools = new QHBoxLayout;
    tools->setSpacing(4);
    const auto button = [&](const char* icon, const QString& help) {
        auto* made = new QToolButton(this);
        made->setIcon(Theme::icon(icon));
        made->setToolTip(help);
        tools->addWidget(made);
        return made;
    };
    auto* restart = button("restart", tr("Start the twin from the beginning (Ctrl+R)"));
    restart->setShortcut(Qt::CTRL | Qt::Key_R);
    restart->setObjectName("twin_restart");
    pause_ = button("pause", tr("Pause and resume (Ctrl+P)"));
    pause_->setShortcut(Qt::CTRL | Qt::Key_P);
    pause_->setObjectName("twin_pause");
    mute_ = button("sound", {});
    mute_->setObjectName("twin_mute");
    mute_->setCheckable(true);
    auto* real = button("real_size", tr("As large as the panel is, in a window of its own (Ctrl+L)"));
    real->setShortcut(Qt::CTRL | Qt::Key_L);
    real->setObjectName("real_size_button");
    connect(real, &QToolButton::clicked, this, &TwinView::showRealSize);
    tone_ = new QLabel(this);
    tone_->setObjectName("twin_tone");
    tone_->setFont(Theme::figures());
    tools->addWidget(tone_);
    tools->addStretch(1);
    auto* hint = new QLabel(tr("hold H to use the canvas"), this);
    hint->setProperty("quiet", true);
    tools->addWidget(hint);
    column->addLayout(tools);
    connect(restart, &QToolButton::clicked, &session.runner(), &TwinRunner::restart);
    connect(pause_, &QToolButton::clicked, &session,
            [&session] { session.runner().run(!session.runner().isRunning()); });
    connect(mute_, &QToolButton::clicked, &session.runner().sound(), &TonePlayer::setMuted);
    connect(&session.runner().sound(), &TonePlayer::changed, this, &TwinView::refreshSound);
    connect(&session.runner(), &TwinRunner::stepped, this, &TwinView::refresh);
    connect(&session, &Session::changed, this, [this](const Change& change) {
        if (change.panel || change.opened)
            refreshSound();
        if (change.panel)
            panel_->updateGeometry();
    });
}

void TwinView::showRealSize() {
    if (!session_.isOpen())
        return;
    if (!realSize_)
        realSize_ = new RealSizeWindow(session_, this);
    realSize_->show();
    realSize_->raise();
    realSize_->activateWindow();
}

QHBoxLayout* TwinView::makeTimeBar() {
    auto* row = new QHBoxLayout;
    row->setSpacing(8);
    time_ = new QSlider(Qt::Horizontal, this);
    time_->setObjectName("twin_time");
    time_->setAccessibleName(tr("Time of the twin"));
    time_->setToolTip(
        tr("The last %1 s: drag it, or use the arrow keys, to see the twin as it was then; play goes on from there")
            .arg(TwinPast::kReach / 1000));
    time_->setSingleStep(kFrame);
    time_->setPageStep(1000);
    ago_ = new QLabel(this);
    ago_->setObjectName("twin_ago");
    ago_->setFont(Theme::figures());
    ago_->setProperty("quiet", true);
    ago_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    ago_->setFixedWidth(QFontMetrics(Theme::figures()).horizontalAdvance("-30.0 s") + 4);
    row->addWidget(time_, 1);
    row->addWidget(ago_);
    connect(time_, &QSlider::valueChanged, &session_.runner(), [this](int ms) {
        if (!refreshing_)
            session_.runner().showPast(static_cast<uint32_t>(ms));
    });
    return row;
}

// While it is dragged its range stands still.
void TwinView::refreshTime() {
    const TwinPast& past = session_.runner().past();
    const uint32_t now = session_.runner().twin().now();
    refreshing_ = true;
    if (!time_->isSliderDown()) {
        time_->setRange(static_cast<int>(past.first()), static_cast<int>(past.last()));
        time_->setValue(static_cast<int>(now));
    }
    refreshing_ = false;
    time_->setEnabled(past.first() < past.last());
    const uint32_t ago = past.last() > now ? past.last() - now : 0;
    ago_->setText(ago == 0 ? tr("now") : QString("-%1.%2 s").arg(ago / 1000).arg(ago / 100 % 10));
}

void TwinView::refreshSound() {
    const TonePlayer& sound = session_.runner().sound();
    const bool hasSound = session_.isOpen() && session_.document().panel->sound;
    mute_->setVisible(hasSound);
    tone_->setVisible(hasSound && sound.hertz() != 0);
    mute_->setChecked(sound.isMuted());
    mute_->setIcon(Theme::icon(sound.isMuted() ? "sound_off" : "sound"));
    mute_->setToolTip(sound.isMuted() ? tr("The panel's sound is muted: hear it") : tr("Mute the panel's sound"));
    tone_->setText(tr("%1 Hz").arg(sound.hertz()));
}

void TwinView::refresh() {
    if (!session_.isOpen())
        return;
    const uint32_t ms = session_.runner().twin().now();
    const auto screen = static_cast<size_t>(session_.runner().twin().screen());
    const bool running = session_.runner().isRunning();
    refreshTime();
    const QString name = QString::fromStdString(session_.document().screens[screen]->name);
    clock_->setText(QString("%1 %2:%3.%4  %5")
                        .arg(running ? "▶" : "Ⅱ")
                        .arg(ms / 60000, 2, 10, QChar('0'))
                        .arg(ms / 1000 % 60, 2, 10, QChar('0'))
                        .arg(ms / 100 % 10)
                        .arg(name));
    const QString style = QString("color: %1").arg(Theme::colour(running ? Role::Well : Role::QuietText).name());
    if (clock_->styleSheet() != style)
        clock_->setStyleSheet(style);
    if (running != shownRunning_)
        pause_->setIcon(Theme::icon(running ? "pause" : "play"));
    shownRunning_ = running;
}

}  // namespace gorsefinch::app
