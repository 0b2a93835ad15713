// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QTimer>
#include <memory>
#include <span>

namespace gorsefinch::app {

// Fills samples with a square wave, as a buzzer makes it, that begins at `phase` (0 to 1) and moves it on. 0 Hz:
// silence.
void fillWithTone(std::span<int16_t> samples, int hertz, int samplesPerSecond, double& phase);

// Plays what the twin's panel sounds like on the computer's usual sound device. Without one it stays silent.
class TonePlayer : public QObject {
    Q_OBJECT

  public:
    // Muted as the user left it; at first also where there is no display.
    TonePlayer();
    ~TonePlayer() override;

    // Plays a tone until the next call; 0: none.
    void play(int hertz);
    // What plays, muted or not; 0: nothing.
    int hertz() const { return hertz_; }
    bool isMuted() const { return muted_; }
    void setMuted(bool muted);

  Q_SIGNALS:
    void changed();

  private:
    bool isHeard() const { return hertz_ != 0 && !muted_; }
    void follow();
    void open();
    void fill();

    struct Device;
    std::unique_ptr<Device> device_;
    QTimer filler_;
    int hertz_ = 0;
    int silentFills_ = 0;
    bool muted_ = false;
    double phase_ = 0;
};

}  // namespace gorsefinch::app
