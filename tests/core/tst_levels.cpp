// SPDX-License-Identifier: GPL-3.0-or-later
// Screens over others, and screens that keep what their widgets remember.
#include <QtTest>
#include <random>

#include "core/rules/rename.h"
#include "core/sim/draw_screen.h"
#include "runtime/gorse_scroll.h"
#include "tests/support/on_twin.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

const char* const kRules =
    "on one.alert.tap\n    open alarm over\n\n"
    "on one.onward.tap\n    go two\n\n"
    "on two.home.tap\n    back\n\n"
    "on alarm.done.tap\n    close\n\n"
    "on alarm.more.tap\n    open help over\n\n"
    "on alarm.away.tap\n    go two\n\n"
    "on help.back_button.tap\n    back\n\n"
    "on one.enter\n    entered = entered + 1\n\n"
    "on alarm.enter\n    opened = opened + 1\n\n"
    "on alarm.leave\n    closed = closed + 1\n";

Widget key(const char* name, int x, int y, uint32_t colour) {
    return makeWidget(name, Kind::Button, x, y, 30, 16, {{"fill", opaque(colour)}, {"text", std::string()}});
}

Document levelsDocument(PixelFormat format = PixelFormat::Rgb565, bool keeps = false) {
    Document d = withPanelOf(makeDocument({"one", "two", "alarm", "help"}), format, 0, 120, 96);
    for (const char* each : {"entered", "opened", "closed", "level", "outside"})
        d = withVariable(d, makeNumber(each, 0, 100, 0));
    d = addWidgets(d, "one",
                   {key("alert", 4, 4, 0x406080), key("onward", 40, 4, 0x804020),
                    makeWidget("bar", Kind::Progress, 4, 70, 100, 10,
                               {{"value", std::string("level")}, {"colour", opaque(0xff8000)}}),
                    makeWidget("list", Kind::List, 4, 24, 60, 40,
                               {{"items", std::string("a\nb\nc\nd\ne\nf")}, {"item_height", int64_t{20}}})});
    d = addWidgets(d, "two", {key("home", 4, 4, 0x208040)});
    d = addWidgets(d, "alarm",
                   {makeWidget("box", Kind::Rectangle, 20, 30, 80, 40, {{"fill", opaque(0x902020)}}),
                    key("done", 30, 40, 0xe0e0e0), key("more", 64, 40, 0x8080e0), key("away", 30, 58, 0x80e080)});
    d = addWidgets(d, "help",
                   {makeWidget("box", Kind::Rectangle, 40, 10, 60, 60, {{"fill", opaque(0x2020a0)}}),
                    key("back_button", 50, 40, 0xf0f0f0)});
    if (keeps) {
        Screen one = *d.screens.front();
        one.keeps = true;
        d = withScreen(d, 0, one);
    }
    return withRules(d, "main", kRules);
}

}  // namespace

class TestLevels : public QObject, support::OnTwin {
    Q_OBJECT

    void chooseThird() {
        swipe(20, 60, 0, -36);
        wait(1500);
        tap(20, 30);
    }

  private Q_SLOTS:
    void aScreenComesOverAnother() {
        begin(levelsDocument());
        const auto plain = picture();
        tap(10, 10);
        QCOMPARE(screen(), std::string("alarm"));
        QCOMPARE(number("opened"), 1);
        const Picture over = twin_->memory().picture();
        // Its box, beside it what lies below in the shade.
        QCOMPARE(over.at(25, 35) >> 19 & 0x1f, 0x90u >> 3);
        const uint32_t below = over.at(10, 10), before = drawScreen(twin_->scene(), 0).picture().at(10, 10);
        QVERIFY((below & 0xff) < (before & 0xff) && (below & 0xff) > 0x20);
        // What lies below takes no touch.
        tap(50, 10);
        QCOMPARE(screen(), std::string("alarm"));
        tap(40, 45);
        QCOMPARE(screen(), std::string("one"));
        QCOMPARE(number("closed"), 1);
        QVERIFY(picture() == plain);
    }

    // What lies below goes on, and is where it was when it is uncovered.
    void whatLiesBelowGoesOn() {
        begin(levelsDocument());
        chooseThird();
        const int pan = slot("list", "pan_y");
        QVERIFY(pan > 0);
        const auto plain = picture();
        tap(10, 10);
        (void)twin_->takeFlushed();
        const auto covered = picture();
        QVERIFY(twin_->set("level", "80"));
        wait(32);
        QVERIFY(picture() != covered);
        // Only the bar is drawn anew.
        for (const Flushed& each : twin_->takeFlushed())
            QVERIFY(each.y >= 70 && each.y + each.h <= 80);
        QVERIFY(twin_->set("level", "0"));
        wait(32);
        QVERIFY(picture() == covered);
        tap(40, 45);
        QVERIFY(picture() == plain);
        QCOMPARE(slot("list", "pan_y"), pan);
    }

    void severalLieOverOneAnother() {
        begin(levelsDocument());
        const auto plain = picture();
        tap(10, 10);
        const auto alarm = picture();
        tap(70, 45);
        QCOMPARE(screen(), std::string("help"));
        QVERIFY(isWhole());
        tap(60, 45);
        QCOMPARE(screen(), std::string("alarm"));
        QVERIFY(picture() == alarm);
        tap(40, 45);
        QVERIFY(picture() == plain);
    }

    // Another screen takes the place of all of them; back leads to the lowest.
    void goingOnLeavesAll() {
        begin(levelsDocument());
        const auto plain = picture();
        tap(10, 10);
        tap(40, 62);
        QCOMPARE(screen(), std::string("two"));
        QCOMPARE(twin_->memory().picture().at(100, 90), twin_->memory().picture().at(60, 50));
        tap(10, 10);
        QCOMPARE(screen(), std::string("one"));
        QVERIFY(picture() == plain);
    }

    void screensKeepOrForget() {
        for (const bool keeps : {false, true}) {
            begin(levelsDocument(PixelFormat::Rgb565, keeps));
            chooseThird();
            const auto chosen = picture();
            tap(50, 10);
            QCOMPARE(screen(), std::string("two"));
            tap(10, 10);
            QCOMPARE(screen(), std::string("one"));
            QCOMPARE(picture() == chosen, keeps);
        }
        // Texts say what is now.
        Document d = levelsDocument(PixelFormat::Rgb565, true);
        d = addWidgets(d, "one", {makeWidget("words", Kind::Text, 70, 30, 40, 16, {{"text", std::string("{level}")}})});
        begin(d);
        tap(50, 10);
        QVERIFY(twin_->set("level", "42"));
        wait(16);
        tap(10, 10);
        const gorse_widget& words = twin_->scene().parts.front()->records.back().widget;
        QCOMPARE(std::string(gorse_screen_memory(twin_->run()) + words.memory), std::string("42"));
        // The memory of one is what the other costs.
        const BuiltSceneRef forgets = builder_.build(levelsDocument());
        const BuiltSceneRef kept = builder_.build(levelsDocument(PixelFormat::Rgb565, true));
        QVERIFY(gorse_state_bytes(&kept->scene) > gorse_state_bytes(&forgets->scene));
    }

    // An edit while one is open: it stays, and closes.
    void anEditKeepsThemOpen() {
        begin(levelsDocument());
        tap(10, 10);
        tap(70, 45);
        const auto open = picture();
        Document d = levelsDocument();
        d = changeWidgets(d, "two", Names{"home"}, [](Widget& widget) { widget.x = 60; });
        twin_->update(builder_.build(d));
        twin_->step(twin_->now());
        QCOMPARE(screen(), std::string("help"));
        QVERIFY(picture() == open);
        tap(60, 45);
        tap(40, 45);
        QCOMPARE(screen(), std::string("one"));
        // One without rules that open any.
        tap(10, 10);
        twin_->update(builder_.build(withRules(d, "main", "on alarm.done.tap\n    close\n")));
        wait(32);
        QCOMPARE(screen(), std::string("alarm"));
        tap(40, 45);
        QCOMPARE(screen(), std::string("one"));
    }

    void mistakesAreTold() {
        Document d = levelsDocument();
        d = withRules(d, "main", std::string(kRules) + "\non two.leave\n    go alarm\n");
        QVERIFY(tells(builder_.build(d)->problems, "opened over others, and gone to"));
        d = withRules(d, "main", "on two.home.tap\n    open one over\n");
        QVERIFY(tells(builder_.build(d)->problems, "the first screen is opened over others"));
        d = withRules(d, "main", "on two.home.tap\n    open nowhere over\n");
        QVERIFY(tells(builder_.build(d)->rules->problems, "there is no screen"));
    }

    void otherNamesFollow() {
        const Document d = *renameScreen(levelsDocument(), "alarm", "warning");
        QVERIFY(d.rules->front().text.find("open warning over") != std::string::npos);
        QVERIFY(builder_.build(d)->rules->problems.empty());
    }

    // Taps anywhere, on each format: nothing is left behind, and what is shown is whole.
    void randomTaps() {
        for (const PixelFormat format : {PixelFormat::Rgb565, PixelFormat::Page1, PixelFormat::Grey4}) {
            std::mt19937 random(9);
            const auto upTo = [&](int n) { return static_cast<int>(random() % static_cast<unsigned>(n)); };
            begin(levelsDocument(format, true));
            for (int i = 0; i < 150 * rounds(1); ++i) {
                const bool aimed = upTo(2) == 0;
                static const int aims[][2] = {{10, 10}, {50, 10}, {40, 45}, {70, 45}, {40, 62}, {60, 45}, {20, 40}};
                const auto& aim = aims[upTo(7)];
                tap(aimed ? aim[0] : upTo(120), aimed ? aim[1] : upTo(96));
                if (upTo(4) == 0)
                    QVERIFY(twin_->set("level", std::to_string(upTo(100))));
                wait(upTo(40));
                wait(16);
                QVERIFY(isWhole());
            }
            // There is always a way back.
            for (int i = 0; i < 12 && screen() != "one"; ++i)
                screen() == "two" ? tap(10, 10) : screen() == "help" ? tap(60, 45) : tap(40, 45);
            QCOMPARE(screen(), std::string("one"));
        }
    }
};

GORSEFINCH_TEST(TestLevels, Nothing)
#include "tst_levels.moc"
