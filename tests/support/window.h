// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <QTimer>
#include <QApplication>
#include <QDir>
#include <QDirIterator>
#include <QLineEdit>
#include <QMessageBox>
#include <QMimeData>
#include <QMouseEvent>
#include <QSettings>
#include <QTemporaryDir>
#include <QtTest>
#include <memory>

#include "app/frame/main_window.h"
#include "app/session/session.h"
#include "app/theme/theme.h"

// Files dropped on a widget, as from a file manager.
inline void drop(QWidget* on, const QStringList& paths) {
    QMimeData data;
    QList<QUrl> urls;
    for (const QString& path : paths)
        urls << QUrl::fromLocalFile(path);
    data.setUrls(urls);
    QDragEnterEvent enter(on->rect().center(), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(on, &enter);
    QVERIFY(enter.isAccepted());
    QDropEvent event(on->rect().center(), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(on, &event);
}

// A drag that rests over a widget, and then is let go there; whether the widget takes it.
inline bool dragOver(QWidget* on, const QMimeData& data, const QPoint& at) {
    QDragEnterEvent enter(at, Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(on, &enter);
    if (!enter.isAccepted())
        return false;
    QDragMoveEvent move(at, Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(on, &move);
    return true;
}
inline void dropAt(QWidget* on, const QMimeData& data, const QPoint& at) {
    QVERIFY(dragOver(on, data, at));
    QDropEvent event(at, Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(on, &event);
}

// The window on a copy of an example, driven by mouse and keys.
namespace support {

// Hands the dialog, menu or popup that comes up next to `then`, however long that takes; up to 10 s.
inline void onNextDialog(std::function<void(QWidget* dialog)> then, int attempts = 1000) {
    QTimer::singleShot(10, qApp, [then = std::move(then), attempts] {
        QWidget* const popup = QApplication::activePopupWidget();
        QWidget* const shown = popup ? popup : QApplication::activeModalWidget();
        // A moment later, as a person would: the focus settles after it is shown.
        if (shown && shown->isVisible())
            QTimer::singleShot(100, shown, [then, shown] { then(shown); });
        else if (attempts > 0)
            onNextDialog(then, attempts - 1);
        else
            QFAIL("no dialog came up");
    });
}

// Agrees with the question that comes up next, such as whether to delete all the same; up to 10 s.
inline void agreeWithNextQuestion(int attempts = 1000) {
    QTimer::singleShot(10, qApp, [attempts] {
        auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget());
        if (!box || !box->isVisible()) {
            if (attempts == 0)
                QFAIL("no question came up");
            agreeWithNextQuestion(attempts - 1);
            return;
        }
        const auto buttons = box->buttons();
        for (QAbstractButton* each : buttons)
            if (box->buttonRole(each) == QMessageBox::DestructiveRole) {
                QTest::mouseClick(each, Qt::LeftButton);
                return;
            }
    });
}

class OpenWindow {
  public:
    // A copy of the example, opened. Empty folder and null window if that failed.
    explicit OpenWindow(const char* example) {
        QSettings().clear();
        const QString from = QString(SOURCE_DIR "/examples/") + example;
        QDirIterator all(from, QDir::Files, QDirIterator::Subdirectories);
        while (all.hasNext()) {
            const QString file = all.next();
            const QString to = folder() + file.mid(from.size());
            QDir().mkpath(QFileInfo(to).path());
            QFile::copy(file, to);
            QFile::setPermissions(to, QFile::ReadOwner | QFile::WriteOwner);
        }
        window.resize(1280, 780);
        window.show();
        opened = window.openProject(folder());
        (void)QTest::qWaitForWindowExposed(&window);
        window.activateWindow();
        (void)QTest::qWaitForWindowActive(&window);
        session.runner().step();
        session.runner().run(false);
    }
    ~OpenWindow() {
        if (session.isOpen())
            session.discardChanges();
    }

    QString folder() const { return dir.filePath("project"); }
    QString path(const QString& file) const { return dir.filePath(file); }
    template <typename T>
    T* find(const char* name) {
        return window.findChild<T*>(name);
    }
    void station(int digit) { QTest::keyClick(&window, static_cast<Qt::Key>(Qt::Key_0 + digit), Qt::AltModifier); }
    static void retype(QLineEdit* field, const QString& text, bool enter = true) {
        QVERIFY(field);
        field->setFocus();
        field->selectAll();
        QTest::keyClicks(field, text);
        if (enter)
            QTest::keyClick(field, Qt::Key_Return);
    }
    // A drag in small steps, as a hand makes it.
    static void drag(QWidget* on, const QPoint& from, const QPoint& to,
                     Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
        QTest::mousePress(on, Qt::LeftButton, modifiers, from);
        for (int i = 1; i <= 8; ++i) {
            const QPoint here = from + (to - from) * i / 8;
            QMouseEvent move(QEvent::MouseMove, here, on->mapToGlobal(here), Qt::NoButton, Qt::LeftButton, modifiers);
            QApplication::sendEvent(on, &move);
        }
        QTest::mouseRelease(on, Qt::LeftButton, modifiers, to);
    }

    QTemporaryDir dir;
    gorsefinch::app::Session session;
    gorsefinch::app::MainWindow window{session};
    bool opened = false;
};

// What tests of the window begin and end with: each works on an example of its own.
class OnWindow {
  protected:
    // Once, before all: settings apart from the user's, and one appearance.
    static void prepare() {
        QStandardPaths::setTestModeEnabled(true);
        QSettings().clear();
        gorsefinch::app::Theme::apply(*qApp, gorsefinch::app::Appearance::Light);
    }
    // Opens an example, at a station if one is told; false if that failed.
    bool open(const char* example, int station = 0) {
        open_ = std::make_unique<OpenWindow>(example);
        session_ = &open_->session;
        window_ = &open_->window;
        if (open_->opened && station > 0)
            open_->station(station);
        return open_->opened;
    }
    void close() { open_.reset(); }
    // After a dialog has gone.
    void activate() {
        window_->activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(window_));
    }

    template <typename T>
    T* find(const char* name) {
        return window_->findChild<T*>(name);
    }
    void station(int digit) { open_->station(digit); }
    static void retype(QLineEdit* field, const QString& text, bool enter = true) {
        OpenWindow::retype(field, text, enter);
    }
    // A widget as the document has it; an empty one if there is none.
    gorsefinch::Widget widget(const char* screen, const char* name) const {
        const gorsefinch::ScreenRef on = session_->document().screen(screen);
        const int at = widgetIndex(*on, name);
        return at < 0 ? gorsefinch::Widget{} : *on->widgets[static_cast<size_t>(at)];
    }

    std::unique_ptr<OpenWindow> open_;
    gorsefinch::app::Session* session_ = nullptr;
    gorsefinch::app::MainWindow* window_ = nullptr;
};

}  // namespace support
