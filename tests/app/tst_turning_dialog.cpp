// SPDX-License-Identifier: GPL-3.0-or-later
// The point that a needle's picture turns round: found, dragged, written, tried, and set as one step.
#include <QDialog>
#include <QDialogButtonBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QScrollArea>
#include <QSlider>
#include <QToolButton>
#include <QtTest>

#include "app/screens/pivot_view.h"
#include "tests/support/test_case.h"
#include "tests/support/window.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestTurningDialog : public QObject, support::OnWindow {
    Q_OBJECT

    // Opens the dialog of the kiln's gauge and works it.
    void inDialog(const std::function<void(QWidget*)>& work) {
        support::onNextDialog(work);
        QTest::mouseClick(find<QScrollArea>("sheet")->widget()->findChild<QPushButton*>("turning_point"),
                          Qt::LeftButton);
        QTRY_VERIFY(!window_->findChild<QDialog*>("turning_dialog"));
    }
    static void press(QWidget* dialog, QDialogButtonBox::StandardButton which) {
        QTest::mouseClick(dialog->findChild<QDialogButtonBox*>()->button(which), Qt::LeftButton);
    }
    std::string value(const char* key) {
        return std::get<std::string>(effectiveValue(session_->document(), widget("course", "kiln_gauge"), key));
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() {
        QVERIFY(open("kiln", 5));
        session_->selection().showScreen("course");
        session_->selection().select({"kiln_gauge"});
    }
    void cleanup() { close(); }

    void theFoundPointIsProposed() {
        inDialog([&](QWidget* dialog) {
            auto* view = dialog->findChild<PivotView*>("pivot_view");
            const TurningPoint found = view->point();
            QVERIFY(dialog->findChild<QPushButton*>("use_found")->isEnabled());
            QTest::mousePress(view, Qt::LeftButton, {}, view->onWidget({2, 3}).toPoint());
            QTest::mouseRelease(view, Qt::LeftButton);
            QCOMPARE(view->point(), (TurningPoint{2, 3}));
            QTest::mouseClick(dialog->findChild<QPushButton*>("use_found"), Qt::LeftButton);
            QCOMPARE(view->point(), found);
            press(dialog, QDialogButtonBox::Ok);
        });
        // Nothing is written: it is found in another picture, too.
        QCOMPARE(value("needle_pivot_x"), std::string());
    }

    void draggedAndSetAsOneStep() {
        inDialog([&](QWidget* dialog) {
            auto* view = dialog->findChild<PivotView*>("pivot_view");
            QTest::mousePress(view, Qt::LeftButton, {}, view->onWidget({4, 20}).toPoint());
            QTest::mouseMove(view, view->onWidget({3, 22.5}).toPoint());
            QTest::mouseRelease(view, Qt::LeftButton, {}, view->onWidget({3, 22.5}).toPoint());
            QTest::keyClick(view, Qt::Key_Right);
            QTest::keyClick(view, Qt::Key_Down, Qt::AltModifier);
            press(dialog, QDialogButtonBox::Ok);
        });
        QCOMPARE(value("needle_pivot_x"), std::string("3.5"));
        QVERIFY(value("needle_pivot_y").starts_with("22.6"));
        // The window has to come back first.
        window_->activateWindow();
        QTRY_VERIFY(window_->isActiveWindow());
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(value("needle_pivot_x"), std::string());
        QCOMPARE(value("needle_pivot_y"), std::string());
    }

    void writtenAndRefused() {
        inDialog([&](QWidget* dialog) {
            auto* x = dialog->findChild<QLineEdit*>("turning_x");
            auto* view = dialog->findChild<PivotView*>("pivot_view");
            for (const auto& [text, at] : {std::pair("5.25", 5.25), {"five", 5.25}, {"99999999", 5.25}, {"-3", -3.0}}) {
                retype(x, text);
                QCOMPARE(view->point().x, at);
            }
            press(dialog, QDialogButtonBox::Cancel);
        });
        QCOMPARE(value("needle_pivot_x"), std::string());
    }

    // The test turn shows what the runtime draws at each angle: a point beside the hub sweeps another area.
    void theTestTurnTurns() {
        inDialog([&](QWidget* dialog) {
            auto* test = dialog->findChild<QLabel*>("test_turn");
            auto* angle = dialog->findChild<QSlider*>("test_angle");
            const int before = angle->value();
            QTRY_VERIFY(angle->value() != before);
            QTest::mouseClick(dialog->findChild<QToolButton*>("test_turns"), Qt::LeftButton);
            const auto shown = [&](int at) {
                angle->setValue(at);
                return test->pixmap().toImage();
            };
            const QImage up = shown(0), right = shown(90);
            QVERIFY(up != right);
            QCOMPARE(shown(0), up);
            retype(dialog->findChild<QLineEdit*>("turning_y"), "10");
            QVERIFY(shown(0) != up);
            press(dialog, QDialogButtonBox::Cancel);
        });
    }

    void withoutAnImageThereIsNothingToTurn() {
        Document next = *gorsefinch::setProperty(session_->document(), "course", Names{"kiln_gauge"}, "needle_image",
                                                 std::string());
        session_->edit(next, "Test");
        QVERIFY(!find<QScrollArea>("sheet")->widget()->findChild<QPushButton*>("turning_point")->isEnabled());
    }
};

GORSEFINCH_TEST(TestTurningDialog, Windows)
#include "tst_turning_dialog.moc"
