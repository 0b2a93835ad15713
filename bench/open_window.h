// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <benchmark/benchmark.h>

#include <QApplication>
#include <QElapsedTimer>
#include <QListView>
#include <QStandardPaths>
#include <QTemporaryDir>

#include "app/frame/main_window.h"
#include "app/session/session.h"
#include "app/theme/theme.h"

namespace bench {

// A window on a project, with nothing left to be made in the background.
class OpenWindow {
  public:
    explicit OpenWindow(const gorsefinch::Document& document) {
        QStandardPaths::setTestModeEnabled(true);
        gorsefinch::app::Theme::apply(*qApp, gorsefinch::app::Appearance::Light);
        window_.resize(1280, 780);
        if (!session_.create(document, dir_.filePath("project")))
            return;
        window_.openProject(dir_.filePath("project"));
        window_.show();
        session_.runner().step();
        session_.runner().run(false);
        settle(4000);
    }
    ~OpenWindow() { session_.project().dropRecovery(); }

    static void settle(int ms) {
        QElapsedTimer clock;
        clock.start();
        while (clock.elapsed() < ms)
            QApplication::processEvents(QEventLoop::AllEvents, 20);
    }
    // To the station's pixels, drawn whole.
    void show(int station) {
        window_.showStation(station);
        QApplication::processEvents();
        benchmark::DoNotOptimize(window_.grab().toImage().constBits());
    }
    void leave() {
        window_.showStation(0);
        QApplication::processEvents();
    }
    gorsefinch::app::Session& session() { return session_; }
    template <typename T>
    T* find(const char* name) {
        return window_.findChild<T*>(name);
    }
    QListView* list(const char* name) { return window_.findChild<QListView*>(name); }

  private:
    QTemporaryDir dir_;
    gorsefinch::app::Session session_;
    gorsefinch::app::MainWindow window_{session_};
};

}  // namespace bench
