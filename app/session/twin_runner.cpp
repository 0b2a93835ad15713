// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/twin_runner.h"

#include <QDateTime>
#include <algorithm>

#include "core/document/panel_outputs.h"
#include "core/rules/clock_fields.h"

namespace gorsefinch::app {

namespace {

constexpr int kTick = 16;          // ms: one frame of a common display
constexpr qint64 kLongest = 1000;  // ms that one tick passes at most, after the computer was asleep

}  // namespace

TwinRunner::TwinRunner() {
    ticker_.setInterval(kTick);
    ticker_.setTimerType(Qt::PreciseTimer);
    connect(&ticker_, &QTimer::timeout, this, &TwinRunner::step);
    connect(this, &TwinRunner::stepped, this, &TwinRunner::noteSet);
    clock_.start();
}

void TwinRunner::update(const BuiltSceneRef& scene) {
    const bool hadClock = twin_ && twin_->scene().document.clock;
    if (twin_)
        twin_->update(scene);
    else
        twin_ = std::make_unique<Twin>(scene);
    past_.clear();
    aside_.reset();
    twin_->onHook = [this](int hook, const std::vector<gorse_value>& values) { takeHook(hook, values); };
    if (!twin_->isSounding())
        silence();
    if (!hadClock)
        setClock();
}

void TwinRunner::lookAt(const BuiltSceneRef& scene) {
    std::optional<Aside> aside = aside_ ? std::move(aside_) : Aside{twin_->moment(), std::move(past_)};
    update(scene);
    aside_ = std::move(aside);
}

void TwinRunner::goBack(const BuiltSceneRef& scene) {
    std::optional<Aside> aside = std::move(aside_);
    update(scene);
    if (!aside)
        return;
    twin_->become(aside->moment);
    (void)twin_->takeFlushed();
    past_ = std::move(aside->past);
    time_ = twin_->now();
}

// What firmware does that has the time from somewhere.
void TwinRunner::setClock() {
    if (twin_->scene().document.clock)
        (void)twin_->set(kClockName, QDateTime::currentDateTime().toString("yyyy-MM-dd HH:mm:ss").toStdString());
}

void TwinRunner::noteSet() {
    const size_t before = std::exchange(shownSet_, twin_ ? twin_->shownSet() : 0);
    if (before != shownSet_)
        Q_EMIT setShown();
}

void TwinRunner::takeHook(int hook, const std::vector<gorse_value>& values) {
    if (twin_->scene().rules->hooks[static_cast<size_t>(hook)].name != kSoundHook ||
        !twin_->scene().document.panel->sound)
        return;
    hertz_ = values.front().number;
    sound_.play(isRunning() ? hertz_ : 0);
}

void TwinRunner::silence() {
    hertz_ = 0;
    sound_.play(0);
}

void TwinRunner::reset() {
    silence();
    twin_.reset();
    past_.clear();
    aside_.reset();
    time_ = 0;
}

void TwinRunner::run(bool run) {
    lastTick_ = clock_.elapsed();
    if (run)
        ticker_.start();
    else
        ticker_.stop();
    sound_.play(run ? hertz_ : 0);
    Q_EMIT stepped();
}

void TwinRunner::restart() {
    silence();
    twin_->restart();
    past_.clear();
    setClock();
    step();
}

void TwinRunner::touch(const QPoint& at, bool down) {
    if (!twin_->touch(at.x(), at.y(), down) && down)
        Q_EMIT refused(tr("This panel has no touch, as the station Panel says."));
    else if (down && !fingerDown_)
        noteTouch(at);
    fingerDown_ = down;
    step();
}

void TwinRunner::noteTouch(const QPoint& at) {
    constexpr size_t kMost = 200;
    const auto screen = static_cast<size_t>(twin_->screen());
    touches_.push_back({twin_->scene().document.screens[screen]->name, at});
    if (touches_.size() > kMost)
        touches_.pop_front();
}

bool TwinRunner::turn(int steps) {
    const bool turned = twin_->turn(steps);
    step();
    return turned;
}

bool TwinRunner::type(uint32_t code) {
    const bool typed = twin_->type(code);
    step();
    return typed;
}

bool TwinRunner::key(const std::string& name, bool down) {
    const bool known = twin_->key(name, down);
    step();
    return known;
}

Result<void> TwinRunner::setValue(const std::string& variable, const std::string& value) {
    Result<void> set = twin_->set(variable, value);
    step();
    Q_EMIT valueSet();
    return set;
}

void TwinRunner::step() {
    if (!twin_)
        return;
    const qint64 now = clock_.elapsed();
    if (ticker_.isActive())
        time_ += std::min(now - lastTick_, kLongest);
    lastTick_ = now;
    twin_->step(static_cast<uint32_t>(time_));
    (void)twin_->takeFlushed();
    (void)twin_->takeTrace();
    past_.add(twin_->moment());
    Q_EMIT stepped();
}

void TwinRunner::showPast(uint32_t ms) {
    const TwinMoment* moment = twin_ ? past_.at(ms) : nullptr;
    if (!moment)
        return;
    if (isRunning())
        run(false);
    silence();
    twin_->become(*moment);
    (void)twin_->takeFlushed();
    time_ = twin_->now();
    Q_EMIT stepped();
}

}  // namespace gorsefinch::app
