// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/newest_job.h"

namespace gorsefinch::app {

NewestJob::NewestJob(QObject* parent) : QObject(parent), thread_([this] { run(); }) {}

NewestJob::~NewestJob() {
    {
        const std::lock_guard lock(mutex_);
        ending_ = true;
        stale_ = true;
        waiting_.reset();
    }
    wake_.notify_one();
    thread_.join();
}

void NewestJob::request(Work work) {
    {
        const std::lock_guard lock(mutex_);
        waiting_ = std::move(work);
        ++ticket_;
        stale_ = true;
    }
    wake_.notify_one();
    setBusy(true);
}

void NewestJob::cancel() {
    {
        const std::lock_guard lock(mutex_);
        waiting_.reset();
        ++ticket_;
        stale_ = true;
    }
    setBusy(false);
}

void NewestJob::run() {
    for (;;) {
        Work work;
        quint64 ticket = 0;
        {
            std::unique_lock lock(mutex_);
            wake_.wait(lock, [this] { return ending_ || waiting_; });
            if (ending_)
                return;
            work = std::move(*waiting_);
            waiting_.reset();
            ticket = ticket_;
            stale_ = false;
        }
        reported_ = -1;
        const Finish finish = work(stale_);
        QMetaObject::invokeMethod(
            this, [this, ticket, finish] { finished(ticket, finish); }, Qt::QueuedConnection);
    }
}

void NewestJob::report(int step, int percent) {
    const int both = step * 1000 + percent;
    if (both == reported_ || stale_)
        return;
    reported_ = both;
    QMetaObject::invokeMethod(
        this,
        [this, step, percent] {
            if (busy_)
                Q_EMIT progressed(step, percent);
        },
        Qt::QueuedConnection);
}

void NewestJob::finished(quint64 ticket, const Finish& finish) {
    {
        const std::lock_guard lock(mutex_);
        if (ticket != ticket_)
            return;
    }
    setBusy(false);
    if (finish)
        finish();
}

void NewestJob::setBusy(bool busy) {
    if (busy_ == busy)
        return;
    busy_ = busy;
    Q_EMIT busyChanged(busy);
}

}  // namespace gorsefinch::app
