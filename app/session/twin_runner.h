// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QElapsedTimer>
#include <QObject>
#include <QPoint>
#include <QTimer>
#include <deque>
#include <memory>
#include <optional>

#include "app/session/tone_player.h"
#include "core/sim/twin.h"

namespace gorsefinch::app {

// Runs the twin of the open project in real time.
class TwinRunner : public QObject {
    Q_OBJECT

  public:
    TwinRunner();

    // Null until the first scene.
    Twin& twin() { return *twin_; }
    const Twin& twin() const { return *twin_; }

    // Runs a new scene in the old one's state; after reset() from its start.
    void update(const BuiltSceneRef& scene);
    // Runs another scene for a moment, as update() does; goBack() then leaves the twin as it was before the first of
    // these, its past too. The scene must be the one that it ran then.
    void lookAt(const BuiltSceneRef& scene);
    void goBack(const BuiltSceneRef& scene);
    void reset();

    bool isRunning() const { return ticker_.isActive(); }
    void run(bool run);
    void restart();
    // A finger at a pixel of the twin's interface, and a step. Emits refused() if its panel has no touch.
    void touch(const QPoint& at, bool down);
    // The twin's knob and its keys, and a step. False if its panel has none such.
    bool turn(int steps);
    bool key(const std::string& name, bool down);
    // A hardware keyboard: a character, or GORSE_TYPED_.... False if no field is open for it.
    bool type(uint32_t code);
    // Sets a variable from what a user writes, and steps.
    Result<void> setValue(const std::string& variable, const std::string& value);
    // What its panel sounds like.
    TonePlayer& sound() { return sound_; }
    // One step now, for what must show at once.
    void step();
    // The last 30 s. showPast() halts the twin and makes it what it was at a time; from there it goes on.
    const TwinPast& past() const { return past_; }
    void showPast(uint32_t ms);
    // Where fingers came down lately, the oldest first.
    struct Touched {
        std::string screen;
        QPoint at;
    };
    const std::deque<Touched>& touches() const { return touches_; }

  Q_SIGNALS:
    // The twin's pixels or state may differ, or it runs or halts.
    void stepped();
    // Another set of the project's colours is shown.
    void setShown();
    // A variable was set by the user.
    void valueSet();
    void refused(const QString& reason);

  private:
    void noteSet();
    void noteTouch(const QPoint& at);
    void setClock();
    void silence();
    void takeHook(int hook, const std::vector<gorse_value>& values);
    std::unique_ptr<Twin> twin_;
    size_t shownSet_ = 0;  // of colours
    TwinPast past_;
    struct Aside {
        TwinMoment moment;
        TwinPast past;
    };
    std::optional<Aside> aside_;  // while another scene is looked at
    std::deque<Touched> touches_;
    bool fingerDown_ = false;
    QTimer ticker_;
    TonePlayer sound_;
    int hertz_ = 0;  // that the twin's panel plays, also while it is halted
    QElapsedTimer clock_;
    qint64 time_ = 0, lastTick_ = 0;  // ms: of the twin, of the clock
};

}  // namespace gorsefinch::app
