// SPDX-License-Identifier: GPL-3.0-or-later
// Controls in the window: operated on the twin and on the canvas by mouse, wheel and keys; the panel's keys and
// outputs.
#include <QComboBox>
#include <QLineEdit>
#include <QScrollArea>
#include <QSlider>
#include <QtTest>

#include "app/widgets/fields.h"
#include "core/edits/focus_edits.h"
#include "tests/support/test_case.h"
#include "tests/support/operated_window.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestOperating : public QObject, support::OperatedWindow {
    Q_OBJECT

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() { QVERIFY(open("kiln", 5)); }
    void cleanup() { close(); }

    void aSliderIsDraggedOnTheTwin() {
        addVariable(support::makeNumber("dim_level", 0, 100, 0));
        put({support::makeWidget("dim", Kind::Slider, 20, 20, 210, 24,
                                 {{"value", std::string("dim_level")}, {"grip", int64_t{10}}})});
        support::OpenWindow::drag(twin(), onTwin(25, 30), onTwin(125, 30));
        QCOMPARE(valueOf("dim_level"), std::string("50"));
        // The slider to try a value drives it too.
        session_->selection().select({"dim"});
        auto* trial = find<QScrollArea>("sheet")->widget()->findChild<QSlider*>();
        QVERIFY(trial);
        trial->setFocus();
        QTest::keyClick(trial, Qt::Key_Home);
        QTRY_COMPARE(valueOf("dim_level"), std::string("0"));
    }

    void thePanelsOutputsAreSeenAndHeard() {
        Panel plain = *session_->document().panel;
        plain.outputs = {};
        plain.sound = false;
        session_->edit(withPanel(session_->document(), plain), "Test");
        station(1);
        for (const char* each : {"output_light", "output_invert", "output_sound"}) {
            auto* box = find<QCheckBox>(each);
            find<QScrollArea>("panel_form")->ensureWidgetVisible(box);
            QTest::mouseClick(box, Qt::LeftButton, Qt::NoModifier, QPoint(8, box->height() / 2));
        }
        const std::optional<int> none;
        QCOMPARE(session_->document().panel->outputs, (std::array<std::optional<int>, 4>{100, none, 0, none}));
        QVERIFY(find<NumberField>("output_light_start")->isVisible());
        QVERIFY(!find<NumberField>("output_contrast_start")->isVisible());
        support::OpenWindow::retype(find<NumberField>("output_light_start"), "60");
        QCOMPARE(session_->document().panel->outputs[0], std::optional(60));
        station(5);
        session_->edit(withRules(session_->document(), "tones",
                                 "on beep.press\n    sound 2000 Hz, 60 s\n    panel.light = 100\n"
                                 "on beep.release\n    panel.invert = yes\n"),
                       "Test");
        put({support::makeWidget("beep", Kind::Button, 10, 10, 60, 30)});
        const auto pixel = [this](int x, int y) { return twin()->grab().toImage().pixel(onTwin(x, y)); };
        const QRgb dim = pixel(200, 5);
        QTest::mousePress(twin(), Qt::LeftButton, Qt::NoModifier, onTwin(20, 20));
        const QRgb bright = pixel(200, 5);
        QVERIFY2(qRed(bright) > qRed(dim) + 10, qPrintable(QString("%1 and %2").arg(dim, 0, 16).arg(bright, 0, 16)));
        session_->runner().run(true);
        TonePlayer& sound = session_->runner().sound();
        QCOMPARE(sound.hertz(), 2000);
        // An edit that leaves the sounds alone does not end it.
        addVariable(support::makeNumber("more", 0, 9, 0));
        QCOMPARE(sound.hertz(), 2000);
        auto* tone = find<QLabel>("twin_tone");
        QVERIFY(tone->isVisible());
        QCOMPARE(tone->text(), QString("2000 Hz"));
        QTest::mouseRelease(twin(), Qt::LeftButton, Qt::NoModifier, onTwin(20, 20));
        QCOMPARE(qRed(pixel(200, 5)), 255 - qRed(bright));
        // Silent while the twin is halted; muted where tests run, as long as nobody asks for it.
        auto* pause = find<QToolButton>("twin_pause");
        QTest::mouseClick(pause, Qt::LeftButton);
        QCOMPARE(sound.hertz(), 0);
        QVERIFY(!tone->isVisible());
        QTest::mouseClick(pause, Qt::LeftButton);
        QCOMPARE(sound.hertz(), 2000);
        QVERIFY(sound.isMuted());
        auto* mute = find<QToolButton>("twin_mute");
        QTest::mouseClick(mute, Qt::LeftButton);
        QVERIFY(!sound.isMuted());
        QVERIFY(!QSettings().value("muted").toBool());
        QTest::mouseClick(mute, Qt::LeftButton);
        QVERIFY(sound.isMuted());
        session_->runner().restart();
        QCOMPARE(sound.hertz(), 0);
    }

    // The bar below the twin leads back through its last seconds, and it goes on from there.
    void theTimeBarLeadsBack() {
        addVariable(support::makeNumber("ticks", 0, 10000, 0));
        session_->edit(withRules(session_->document(), "more", "every 50 ms\n    ticks = ticks + 1\n"), "Test");
        put({support::makeWidget("bar", Kind::Progress, 10, 10, 200, 40,
                                 {{"value", std::string("ticks")}, {"max", std::string("60")}})});
        auto* bar = find<QSlider>("twin_time");
        auto* ago = find<QLabel>("twin_ago");
        const auto ticks = [this] { return std::stoi(valueOf("ticks")); };
        session_->runner().run(true);
        QTRY_VERIFY(ticks() >= 20);
        QCOMPARE(ago->text(), QString("now"));
        session_->runner().run(false);
        const int last = ticks();
        const QImage shown = twin()->grab().toImage();
        bar->setFocus();
        QTest::keyClick(bar, Qt::Key_Home);
        QVERIFY(ticks() <= 2);
        QVERIFY(twin()->grab().toImage() != shown);
        QVERIFY2(ago->text().startsWith("-"), qPrintable(ago->text()));
        QTest::keyClick(bar, Qt::Key_End);
        QCOMPARE(ticks(), last);
        QCOMPARE(twin()->grab().toImage(), shown);
        QTest::keyClick(bar, Qt::Key_PageDown);
        const int earlier = ticks();
        QVERIFY2(earlier < last && ago->text().startsWith("-1."), qPrintable(ago->text()));
        // A press there begins another course of things.
        session_->runner().run(true);
        QTRY_VERIFY(ticks() > earlier);
        QVERIFY(ticks() < last);
        QCOMPARE(ago->text(), QString("now"));
        // A drag halts it.
        QTRY_VERIFY(session_->runner().past().last() - session_->runner().past().first() > 800);
        const int before = static_cast<int>(session_->runner().past().last());
        support::OpenWindow::drag(bar, {bar->width() - 8, bar->height() / 2}, {4, bar->height() / 2});
        QVERIFY(!session_->runner().isRunning());
        QVERIFY(static_cast<int>(session_->runner().twin().now()) < before - 500);
        // An edit begins anew.
        addVariable(support::makeNumber("more_ticks", 0, 9, 0));
        QCOMPARE(ago->text(), QString("now"));
    }

    void aToneIsASquareWave() {
        std::vector<int16_t> samples(480);
        double phase = 0;
        fillWithTone(samples, 1000, 48000, phase);
        int edges = 0;
        for (size_t i = 1; i < samples.size(); ++i)
            edges += samples[i] != samples[i - 1];
        QVERIFY(edges >= 19 && edges <= 20);  // ten periods of 48 samples
        QVERIFY(std::abs(std::count(samples.begin(), samples.end(), samples[0]) - 240) <= 1);
        QVERIFY(std::abs(phase - std::round(phase)) < 1e-6);
        fillWithTone(samples, 0, 48000, phase);
        QCOMPARE(std::count(samples.begin(), samples.end(), int16_t{0}), 480);
    }

    void theWheelAndKeysOperateTheTwin() {
        giveKeys();
        addVariable(support::makeYesNo("fan_runs", false));
        addVariable(support::makeNumber("dim_level", 0, 100, 0));
        put({support::makeWidget("fan", Kind::Switch, 10, 40, 50, 24, {{"value", std::string("fan_runs")}}),
             support::makeWidget("dim", Kind::Slider, 80, 40, 100, 24,
                                 {{"value", std::string("dim_level")}, {"step", std::string("10")}})});
        for (const WidgetRef& each : session_->document().screen("alarm")->widgets)
            if (each->name != "fan" && each->name != "dim")
                session_->edit(
                    gorsefinch::setProperty(session_->document(), "alarm", std::vector<std::string>{each->name},
                                            "focus", std::string(kNeverFocused)),
                    "Test");
        session_->runner().step();
        QTest::mouseClick(twin(), Qt::MiddleButton, Qt::NoModifier, twin()->rect().center());
        QCOMPARE(valueOf("fan_runs"), std::string("yes"));
        turnWheel(twin(), 1);
        QTest::mouseClick(twin(), Qt::MiddleButton, Qt::NoModifier, twin()->rect().center());
        turnWheel(twin(), 3);
        QCOMPARE(valueOf("dim_level"), std::string("30"));
        twin()->setFocus();
        QTest::keyClick(twin(), Qt::Key_Up);
        QCOMPARE(valueOf("dim_level"), std::string("20"));
        QTest::keyClick(twin(), Qt::Key_Backspace);
        QTest::keyClick(twin(), Qt::Key_Up);
        QTest::keyClick(twin(), Qt::Key_Return);
        QCOMPARE(valueOf("fan_runs"), std::string("no"));
    }

    void aKeyIsLetGoWithTheKeyboard() {
        giveKeys();
        addVariable(support::makeYesNo("held", false));
        put({support::makeWidget("run", Kind::Button, 10, 40, 50, 24,
                                 {{"value", std::string("held")}, {"acts", std::string("momentary")}})});
        session_->edit(passOver(session_->document(), "alarm", "understood_button", true), "Test");
        session_->runner().step();
        twin()->setFocus();
        QTest::keyPress(twin(), Qt::Key_Return);
        QCOMPARE(valueOf("held"), std::string("yes"));
        canvas()->setFocus();
        QCOMPARE(valueOf("held"), std::string("no"));
        QTest::keyRelease(canvas(), Qt::Key_Return);
        QTest::keyPress(canvas(), Qt::Key_H);
        QTest::keyPress(canvas(), Qt::Key_Return);
        QCOMPARE(valueOf("held"), std::string("yes"));
        QTest::keyRelease(canvas(), Qt::Key_H);
        QCOMPARE(valueOf("held"), std::string("no"));
    }

    void theCanvasIsOperatedInPlace() {
        giveKeys();
        addVariable(support::makeNumber("presses", 0, 100, 0));
        session_->edit(withRules(session_->document(), "more",
                                 "on key menu\n    presses = presses + 1\non knob right\n"
                                 "    presses = presses + 10\n"),
                       "Test");
        session_->runner().step();
        canvas()->setFocus();
        QTest::keyPress(canvas(), Qt::Key_H);
        QVERIFY(canvas()->isOperating());
        QTest::keyClick(canvas(), Qt::Key_M);
        turnWheel(canvas(), 2);
        QCOMPARE(valueOf("presses"), std::string("11"));
        QTest::keyRelease(canvas(), Qt::Key_H);
        QVERIFY(!canvas()->isOperating());
        // Else the wheel moves the view, and letters are commands.
        turnWheel(canvas(), 2);
        QTest::keyClick(canvas(), Qt::Key_M);
        QCOMPARE(valueOf("presses"), std::string("11"));
    }

    void keysAreCheckedWhereTheyAreTyped() {
        station(1);
        auto* keys = find<QLineEdit>("keys");
        support::OpenWindow::retype(keys, "up, up");
        QVERIFY(find<QLabel>("notice")->text().contains("two keys are called up"));
        QCOMPARE(keys->text(), QString());
        support::OpenWindow::retype(keys, "menu");
        QCOMPARE(session_->document().panel->keys, std::vector<std::string>{"menu"});
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(session_->document().panel->keys.empty());
        auto* hold = find<NumberField>("hold_ms");
        support::OpenWindow::retype(hold, "900");
        QCOMPARE(session_->document().panel->holdMs, 900);
    }

    // Else nothing could be set by the control that it is made for.
    void aControlsNewVariableIsWrittenByThePanel() {
        put({support::makeWidget("dim", Kind::Slider, 20, 20, 100, 24)});
        session_->selection().select({"dim"});
        auto* value = find<QScrollArea>("sheet")->widget()->findChild<QComboBox*>("value");
        QVERIFY(value);
        support::onNextDialog([](QWidget* dialog) {
            auto* line = dialog->findChild<QLineEdit*>("line");
            QTest::keyClicks(line, "brightness 0 to 100");
            QTest::keyClick(line, Qt::Key_Return);
        });
        value->setCurrentIndex(value->count() - 1);
        Q_EMIT value->activated(value->count() - 1);
        QTRY_VERIFY(session_->document().variable("brightness"));
        QVERIFY(session_->document().variable("brightness")->writer == Writer::Both);
        for (const Problem& each : session_->scene()->problems)
            QVERIFY2(each.widget != "dim", each.text().c_str());
    }
};

GORSEFINCH_TEST(TestOperating, Windows)
#include "tst_operating.moc"
