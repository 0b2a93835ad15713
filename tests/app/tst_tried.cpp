// SPDX-License-Identifier: GPL-3.0-or-later
// What the canvas shows ahead: extreme values, and touch targets.
#include <QLabel>
#include <QPushButton>
#include <QSlider>
#include <QToolButton>
#include <QtTest>

#include "app/screens/real_size.h"
#include "core/sim/extremes.h"
#include "tests/support/operated_window.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestTried : public QObject, support::OperatedWindow {
    Q_OBJECT

    void key(Qt::Key key) {
        canvas()->setFocus();
        QTest::keyClick(canvas(), key);
    }
    // The panel's pixels on the canvas.
    QImage panel() {
        const QPoint from = at(0, 0);
        const Panel& p = *session_->document().panel;
        return canvas()->grab(QRect(from, at(p.width, p.height))).toImage();
    }
    bool hasColour(const QImage& image, Role role) {
        const QRgb wanted = Theme::colour(role).rgb();
        for (int y = 0; y < image.height(); ++y)
            for (int x = 0; x < image.width(); ++x)
                if (image.pixel(x, y) == wanted)
                    return true;
        return false;
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() {
        QVERIFY(open("kiln", 5));
        begin({support::makeWidget("name", Kind::Text, 20, 40, 60, 24,
                                   {{"text", std::string("{programme_name}")}, {"size", int64_t{16}}}),
               support::makeWidget("push", Kind::Button, 20, 100, 60, 30)});
    }
    void cleanup() { close(); }

    void extremesComeInTurn() {
        auto* button = find<QToolButton>("show_extremes");
        const QImage before = panel();
        QVERIFY(!button->isChecked());
        int different = 0;
        for (size_t i = 0; i < kExtremes.size(); ++i) {
            key(Qt::Key_X);
            QVERIFY(canvas()->showsExtreme() && button->isChecked());
            different += panel() != before;
        }
        QVERIFY2(different >= 4, "the name is empty, or as long as it gets");
        key(Qt::Key_X);
        QVERIFY(!canvas()->showsExtreme() && !button->isChecked());
        QVERIFY(panel() == before);
        QTest::mouseClick(button, Qt::LeftButton);
        QVERIFY(canvas()->showsExtreme());
        key(Qt::Key_Escape);
        QVERIFY(!canvas()->showsExtreme());
        QVERIFY(panel() == before);
    }

    void whatIsCutIsMarkedThereAndThen() {
        for (int i = 0; i < 4; ++i)
            key(Qt::Key_X);
        QVERIFY2(hasColour(panel(), Role::Error), "the longest name has no room");
        // An edit is tried at once, without leaving.
        session_->edit(*gorsefinch::setProperty(session_->document(), "alarm", Names{"name"}, "w", int64_t{290}),
                       "Test");
        QVERIFY(canvas()->showsExtreme());
        QVERIFY(!hasColour(panel(), Role::Error));
        // What the twin does goes on beside it.
        QCOMPARE(valueOf("programme_name"), std::string("Bisque 04"));
    }

    void theTwinIsAsLargeAsThePanel() {
        Panel panel = *session_->document().panel;
        panel.widthMm = 80;
        session_->edit(withPanel(session_->document(), panel), "Test");
        QTest::keyClick(window_, Qt::Key_L, Qt::ControlModifier);
        QTRY_VERIFY(window_->findChild<RealSizeWindow*>("real_size_window"));
        auto* real = window_->findChild<RealSizeWindow*>("real_size_window");
        QVERIFY(real->isVisible());
        auto* shown = real->findChild<TwinPanel*>("real_size");
        const auto width = [&] { return shown->width(); };
        QCOMPARE(width(), static_cast<int>(std::lround(80 * real->density())));
        QVERIFY(!real->findChild<CardOutline*>()->isVisible());
        // A card is held to the screen; the size is kept.
        QTest::mouseClick(real->findChild<QPushButton*>("measure_card"), Qt::LeftButton);
        auto* slider = real->findChild<QSlider*>("card_slider");
        QVERIFY(slider->isVisible());
        slider->setValue(500);
        QCOMPARE(real->density(), 5.0);
        QCOMPARE(width(), 400);
        QCOMPARE(real->findChild<CardOutline*>()->sizeHint().width(), 430);
        QTest::mouseClick(real->findChild<QPushButton*>("measure_card"), Qt::LeftButton);
        QVERIFY(!slider->isVisible());
        QVERIFY(real->findChild<QLabel*>("real_size_words")->text().contains("as measured with a card"));
        QCOMPARE(RealSizeWindow(*session_).density(), 5.0);
        // It is operated as the twin is: a pixel of the panel takes 1.25 of the desktop.
        QTest::mouseClick(shown, Qt::LeftButton, {}, QPoint(50, 140));
        QCOMPARE(session_->runner().touches().back().at, QPoint(40, 112));
        // Where nobody knows the width a pixel is a pixel.
        panel.widthMm = 0;
        session_->edit(withPanel(session_->document(), panel), "Test");
        QCOMPARE(width(), panel.width);
        real->close();
    }

    void sizesStepByKeys() {
        const auto size = [this] {
            return std::get<int64_t>(effectiveValue(session_->document(), onAlarm("name"), "size"));
        };
        session_->selection().select({"name"});
        canvas()->setFocus();
        const int64_t before = size();
        QTest::keyClick(canvas(), Qt::Key_Period, Qt::ControlModifier);
        const int64_t larger = size();
        QVERIFY2(larger > before && larger < 40, "the next one that the project uses");
        QTest::keyClick(canvas(), Qt::Key_Comma, Qt::ControlModifier);
        QVERIFY(size() < larger);
        // Beyond the largest, a little more each time; never beyond what fonts can be.
        for (int i = 0; i < 110; ++i)
            QTest::keyClick(canvas(), Qt::Key_Period, Qt::ControlModifier);
        QCOMPARE(size(), int64_t{kMaxFontSize});
        for (int i = 0; i < 110; ++i)
            undo();
        for (int i = 0; i < 110; ++i)
            QTest::keyClick(canvas(), Qt::Key_Comma, Qt::ControlModifier);
        QCOMPARE(size(), int64_t{kMinFontSize});
    }

    void targetsShowWithTheirSize() {
        const QImage before = panel();
        key(Qt::Key_T);
        QVERIFY(canvas()->showsTouch() && find<QToolButton>("show_touch")->isChecked());
        QVERIFY(panel() != before);
        // Where a finger came down.
        const QImage untouched = panel();
        QTest::mouseClick(twin(), Qt::LeftButton, {}, onTwin(200, 180));
        QCOMPARE(session_->runner().touches().size(), size_t{1});
        QCOMPARE(session_->runner().touches()[0].screen, std::string("alarm"));
        canvas()->update();
        QVERIFY(panel() != untouched);
        QTest::mousePress(twin(), Qt::LeftButton, {}, onTwin(100, 150));
        QTest::mouseMove(twin(), onTwin(120, 150));
        QTest::mouseRelease(twin(), Qt::LeftButton, {}, onTwin(120, 150));
        QVERIFY2(session_->runner().touches().size() == 2, "one for each time that it comes down");
        key(Qt::Key_Escape);
        QVERIFY(!canvas()->showsTouch());
        QVERIFY(panel() == before);
    }
};

GORSEFINCH_TEST(TestTried, Windows)
#include "tst_tried.moc"
