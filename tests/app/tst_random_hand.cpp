// SPDX-License-Identifier: GPL-3.0-or-later
// A hand that clicks, drags and types anywhere: nothing falls over, and undo takes all of it back.
#include <QAbstractButton>
#include <QMenu>
#include <QTimer>
#include <QtTest>
#include <random>

#include "core/project/project_text.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"
#include "tests/support/window.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestRandomHand : public QObject, support::OnWindow {
    Q_OBJECT

    static constexpr int kSteps = 350;
    std::mt19937 random_;
    QStringList done_;  // the last steps, told when something is wrong

    int upTo(int end) { return static_cast<int>(random_() % static_cast<uint32_t>(std::max(end, 1))); }
    QPoint in(const QWidget* widget) { return {upTo(widget->width()), upTo(widget->height())}; }

    // Dialogs and menus block until somebody closes them.
    static void closeWhatWaits() {
        if (QWidget* popup = QApplication::activePopupWidget())
            popup->close();
        else if (QWidget* dialog = QApplication::activeModalWidget())
            QTest::keyClick(dialog, Qt::Key_Escape);
    }

    QWidget* anything() {
        QList<QWidget*> all;
        const QList<QWidget*> children = window_->findChildren<QWidget*>();
        for (QWidget* each : children)
            if (each->isVisible() && each->isEnabled() && each->width() > 2 && each->height() > 2)
                all << each;
        return all[upTo(static_cast<int>(all.size()))];
    }

    Qt::KeyboardModifiers modifiers() {
        const int which = upTo(10);
        return which == 0 ? Qt::ShiftModifier : which == 1 ? Qt::ControlModifier : Qt::NoModifier;
    }

    void useMouse() {
        QWidget* on = anything();
        const QPoint at = in(on);
        done_ << QString("%1 %2 at %3,%4").arg(on->metaObject()->className(), on->objectName()).arg(at.x()).arg(at.y());
        switch (upTo(8)) {
            case 0: QTest::mouseDClick(on, Qt::LeftButton, modifiers(), at); break;
            case 1: dragAbout(on, at); break;
            case 2: {
                QContextMenuEvent menu(QContextMenuEvent::Mouse, at, on->mapToGlobal(at));
                QApplication::sendEvent(on, &menu);
                break;
            }
            case 3: {
                QWheelEvent wheel(at, on->mapToGlobal(at), {}, {0, upTo(2) != 0 ? 120 : -120}, Qt::NoButton,
                                  modifiers(), Qt::NoScrollPhase, false);
                QApplication::sendEvent(on, &wheel);
                break;
            }
            default: QTest::mouseClick(on, Qt::LeftButton, modifiers(), at); break;
        }
    }

    void dragAbout(QWidget* on, const QPoint& from) { support::OpenWindow::drag(on, from, in(on), modifiers()); }

    void useKeys() {
        struct Stroke {
            Qt::Key key;
            Qt::KeyboardModifiers with;
        };
        static const Stroke strokes[] = {{Qt::Key_Z, Qt::ControlModifier},
                                         {Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier},
                                         {Qt::Key_C, Qt::ControlModifier},
                                         {Qt::Key_X, Qt::ControlModifier},
                                         {Qt::Key_V, Qt::ControlModifier},
                                         {Qt::Key_D, Qt::ControlModifier},
                                         {Qt::Key_A, Qt::ControlModifier},
                                         {Qt::Key_Delete, {}},
                                         {Qt::Key_Backspace, {}},
                                         {Qt::Key_F2, {}},
                                         {Qt::Key_Escape, {}},
                                         {Qt::Key_Return, {}},
                                         {Qt::Key_Tab, {}},
                                         {Qt::Key_Backtab, Qt::ShiftModifier},
                                         {Qt::Key_Left, {}},
                                         {Qt::Key_Right, Qt::ShiftModifier},
                                         {Qt::Key_Up, {}},
                                         {Qt::Key_Down, {}},
                                         {Qt::Key_PageUp, {}},
                                         {Qt::Key_PageDown, Qt::ShiftModifier},
                                         {Qt::Key_L, {}},
                                         {Qt::Key_A, {}},
                                         {Qt::Key_H, {}},
                                         {Qt::Key_Space, {}},
                                         {Qt::Key_Home, {}},
                                         {Qt::Key_Up, Qt::AltModifier},
                                         {Qt::Key_Plus, Qt::ControlModifier},
                                         {Qt::Key_0, Qt::ControlModifier},
                                         {Qt::Key_S, Qt::ControlModifier},
                                         {Qt::Key_P, Qt::ControlModifier}};
        QWidget* on = QApplication::focusWidget() ? QApplication::focusWidget() : window_;
        const int which = upTo(10);
        if (which == 0) {
            done_ << "station";
            station(1 + upTo(8));
        } else if (which < 3) {
            static const char* const words[] = {"12",      "-5",  "w/2", "kiln_temp", "{level}",
                                                "#FF8800", "x y", "0",   "Tap"};
            const char* word = words[upTo(9)];
            done_ << QString("type %1 on %2").arg(word, on->metaObject()->className());
            QTest::keyClicks(on, word);
        } else {
            const Stroke& stroke = strokes[upTo(static_cast<int>(std::size(strokes)))];
            done_ << QString("key %1 on %2")
                         .arg(QKeySequence(stroke.with | stroke.key).toString(), on->metaObject()->className());
            QTest::keyClick(on, stroke.key, stroke.with);
        }
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }

    void anywhere_data() {
        QTest::addColumn<QString>("example");
        QTest::addColumn<int>("seed");
        for (const char* example : {"kiln", "hive", "enlarger", "aquifer"})
            for (int seed = 1; seed <= support::rounds(2); ++seed)
                QTest::addRow("%s %d", example, seed) << QString(example) << seed;
    }

    void anywhere() {
        QFETCH(QString, example);
        QFETCH(int, seed);
        QVERIFY(open(qPrintable(example)));
        random_.seed(static_cast<uint32_t>(seed));
        // A folder that is typed somewhere lies here.
        QDir::setCurrent(open_->folder());
        QTimer closer;
        connect(&closer, &QTimer::timeout, this, &TestRandomHand::closeWhatWaits);
        closer.start(20);
        const ProjectFiles before = toFiles(session_->document());
        for (int i = 0; i < kSteps; ++i) {
            upTo(3) == 0 ? useKeys() : useMouse();
            QCoreApplication::processEvents();
            if (done_.size() > 6)
                done_.removeFirst();
            QVERIFY2(session_->isOpen(), qPrintable(done_.join("; ")));
        }
        window_->setFocus();
        const ProjectFiles after = toFiles(session_->document());
        // The hand may have undone something last: that is not done again.
        int undone = 0;
        for (; session_->history().canUndo(); ++undone)
            session_->undo();
        QVERIFY(toFiles(session_->document()) == before);
        for (; undone > 0; --undone)
            session_->redo();
        QVERIFY(toFiles(session_->document()) == after);
        close();
    }
};

GORSEFINCH_TEST(TestRandomHand, Windows)
#include "tst_random_hand.moc"
