// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <atomic>
#include <condition_variable>
#include <functional>
#include <mutex>
#include <optional>
#include <thread>

namespace gorsefinch::app {

// Work off the window's thread, of which only the newest request counts: a new one replaces the one that waits and
// makes the one that runs stale.
class NewestJob : public QObject {
    Q_OBJECT

  public:
    // What is to be done in the window's thread when the work is finished.
    using Finish = std::function<void()>;
    // Runs in the other thread; may look at `stale` and give up.
    using Work = std::function<Finish(const std::atomic<bool>& stale)>;

    explicit NewestJob(QObject* parent = nullptr);
    ~NewestJob() override;

    void request(Work work);
    // Forgets what waits and what runs; its Finish is not called.
    void cancel();
    bool isBusy() const { return busy_; }

    // From the work itself: what it is at, and how much of that is done, in per cent.
    void report(int step, int percent);

  Q_SIGNALS:
    void busyChanged(bool busy);
    void progressed(int step, int percent);

  private:
    void run();
    void finished(quint64 ticket, const Finish& finish);
    void setBusy(bool busy);

    std::mutex mutex_;
    std::condition_variable wake_;
    std::optional<Work> waiting_;
    quint64 ticket_ = 0;  // of the newest request
    bool ending_ = false;
    bool busy_ = false;
    std::atomic<bool> stale_{false};
    int reported_ = -1;  // by the work alone
    std::thread thread_;
};

}  // namespace gorsefinch::app
