// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/tone_player.h"

#include <alsa/asoundlib.h>

#include <QGuiApplication>
#include <QSettings>
#include <algorithm>
#include <cmath>
#include <vector>

namespace gorsefinch::app {

namespace {

constexpr int kRate = 48000;        // samples a second
constexpr int kBuffered = 60000;    // µs that the device buffers
constexpr int kFillEvery = 10;      // ms
constexpr int kSilentFills = 100;   // until the device is given back
constexpr double kLoudness = 4000;  // of 32767: a buzzer is shrill

// The library writes what it misses to the terminal, which a program with a window does not use.
void ignoreError(const char*, int, const char*, int, const char*, ...) {}

}  // namespace

void fillWithTone(std::span<int16_t> samples, int hertz, int samplesPerSecond, double& phase) {
    for (int16_t& each : samples) {
        each = static_cast<int16_t>(hertz == 0 ? 0 : phase < 0.5 ? kLoudness : -kLoudness);
        phase = std::fmod(phase + static_cast<double>(hertz) / samplesPerSecond, 1);
    }
}

// The sound device, opened.
struct TonePlayer::Device {
    explicit Device(snd_pcm_t* opened) : pcm(opened) {}
    Device(const Device&) = delete;
    Device& operator=(const Device&) = delete;
    ~Device() { snd_pcm_close(pcm); }

    snd_pcm_t* const pcm;
};

TonePlayer::TonePlayer() : muted_(QSettings().value("muted", QGuiApplication::platformName() == "offscreen").toBool()) {
    filler_.setInterval(kFillEvery);
    filler_.setTimerType(Qt::PreciseTimer);
    connect(&filler_, &QTimer::timeout, this, &TonePlayer::fill);
}

TonePlayer::~TonePlayer() = default;

void TonePlayer::play(int hertz) {
    if (hertz == hertz_)
        return;
    hertz_ = hertz;
    follow();
}

void TonePlayer::setMuted(bool muted) {
    muted_ = muted;
    QSettings().setValue("muted", muted);
    follow();
}

void TonePlayer::follow() {
    if (isHeard() && !device_)
        open();
    if (device_)
        fill();
    Q_EMIT changed();
}

void TonePlayer::open() {
    snd_lib_error_set_handler(ignoreError);
    snd_pcm_t* device = nullptr;
    if (snd_pcm_open(&device, "default", SND_PCM_STREAM_PLAYBACK, SND_PCM_NONBLOCK) < 0)
        return;
    device_ = std::make_unique<Device>(device);
    if (snd_pcm_set_params(device, SND_PCM_FORMAT_S16, SND_PCM_ACCESS_RW_INTERLEAVED, 1, kRate, 1, kBuffered) < 0)
        device_.reset();
    else
        filler_.start();
}

// Keeps the device's buffer full, and gives the device back after a while of silence.
void TonePlayer::fill() {
    silentFills_ = isHeard() ? 0 : silentFills_ + 1;
    const snd_pcm_sframes_t room = snd_pcm_avail_update(device_->pcm);
    const bool works = room >= 0 || snd_pcm_recover(device_->pcm, static_cast<int>(room), 1) >= 0;
    if (!works || silentFills_ > kSilentFills) {
        filler_.stop();
        device_.reset();
        return;
    }
    std::vector<int16_t> samples(static_cast<size_t>(std::max<snd_pcm_sframes_t>(room, 0)));
    fillWithTone(samples, isHeard() ? hertz_ : 0, kRate, phase_);
    const snd_pcm_sframes_t written = snd_pcm_writei(device_->pcm, samples.data(), samples.size());
    if (written < 0)
        (void)snd_pcm_recover(device_->pcm, static_cast<int>(written), 1);
}

}  // namespace gorsefinch::app
