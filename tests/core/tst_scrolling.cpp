// SPDX-License-Identifier: GPL-3.0-or-later
// Groups whose content a finger moves.
#include <QtTest>
#include <random>

#include "core/sim/twin.h"
#include "runtime/gorse_internal.h"
#include "runtime/gorse_scroll.h"
#include "tests/support/on_twin.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

// A list of 20 buttons of 20 px in a window of 60 px at 20, 16: it can be panned by 338 px.
Document listDocument(const std::string& scroll = "down") {
    Document d = withPanelOf(makeDocument({"one"}), PixelFormat::Rgb565, 0, 120, 96);
    d = withVariable(d, makeNumber("taps", 0, 1000, 0));
    d = withVariable(d, makeNumber("scrolls", 0, 10000, 0));
    std::vector<Widget> widgets{makeWidget("list", Kind::Group, 20, 16, 80, 60, {{"scroll", scroll}})};
    for (int i = 0; i < 20; ++i) {
        widgets.push_back(makeWidget("row" + std::to_string(i), Kind::Button, 0, 20 * i, 76, 18,
                                     {{"fill", opaque(0x203040u + 0x0a0500u * static_cast<uint32_t>(i))}}));
        widgets.back().depth = 1;
    }
    d = addWidgets(d, "one", widgets);
    std::string rules = "on list.scroll\n    scrolls = scrolls + 1\n\n";
    for (int i = 0; i < 20; ++i)
        rules += "on row" + std::to_string(i) + ".tap\n    taps = taps + " + std::to_string(i + 1) + "\n\n";
    return withRules(d, "main", rules);
}

}  // namespace

class TestScrolling : public QObject, support::OnTwin {
    Q_OBJECT

    int pan(const char* key = "pan_y", const char* group = "list") { return slotNow(*twin_, group, key); }

    // The finger stays down.
    void drag(int x, int y, int dx, int dy) { swipe(x, y, dx, dy, 16, false); }

  private Q_SLOTS:
    void aPressBecomesAScroll() {
        begin(listDocument());
        for (const auto& [way, expected, taps] :
             {std::tuple(5, 0, "2"), std::tuple(-5, 0, "4"), std::tuple(-6, 0, "4")}) {
            twin_->touch(50, 45, true);
            twin_->touch(50, 45 + way, true);
            QCOMPARE(pan(), expected);
            twin_->touch(50, 45 + way, false);
            wait(1000);
            QCOMPARE(twin_->get("taps"), std::string(taps));
        }
        // From where it became one on, it follows the finger.
        drag(50, 60, 0, -6);
        twin_->touch(50, 34, true);
        QCOMPARE(pan(), 20);
        twin_->touch(50, 44, true);
        QCOMPARE(pan(), 10);
        wait(400);
        twin_->touch(50, 44, false);
        wait(600);
        QCOMPARE(pan(), 10);
        QVERIFY(std::stoi(twin_->get("scrolls")) >= 2);
        // A tap is of what lies there now.
        twin_->touch(50, 26, true);
        twin_->touch(50, 26, false);
        wait(16);
        QCOMPARE(twin_->get("taps"), std::string("6"));
    }

    // 0.8 mm of the glass, where its size is known.
    void theWayToAScrollIsOneOfTheGlass() {
        const auto scrollsAfter = [&](int width, int millimetres) {
            Document d = listDocument();
            Panel panel = *d.panel;
            panel.width = width;
            panel.widthMm = millimetres;
            begin(withPanel(d, panel));
            twin_->touch(50, 70, true);
            for (int way = 1; way < 60; ++way) {
                twin_->touch(50, 70 - way, true);
                if (gorse_scroller_of(twin_->run())->doing == GORSE_SCROLLER_HELD)
                    return way;
            }
            return 0;
        };
        QCOMPARE(scrollsAfter(120, 0), 6);
        QCOMPARE(scrollsAfter(320, 49), 5);
        QCOMPARE(scrollsAfter(800, 61), 10);
        QCOMPARE(scrollsAfter(120, 16), 6);
        QCOMPARE(scrollsAfter(120, 1000), 2);
        QCOMPARE(scrollsAfter(4096, 1), 0);
    }

    void onlyTheContainerIsSent() {
        begin(listDocument());
        drag(50, 60, 0, -30);
        twin_->touch(50, 30, false);
        wait(2000);
        long pixels = 0;
        const auto flushed = twin_->takeFlushed();
        QVERIFY(!flushed.empty());
        for (const Flushed& each : flushed) {
            QVERIFY(each.x >= 20 && each.y >= 16 && each.x + each.w <= 100 && each.y + each.h <= 76);
            pixels += long{each.w} * each.h;
        }
        QVERIFY(pixels >= 80L * 60L * 5);
    }

    void itGoesOnAndStops() {
        begin(listDocument());
        drag(50, 70, 0, -48);
        const int held = pan();
        QCOMPARE(held, 40);
        twin_->touch(50, 22, false);
        wait(160);
        const int later = pan();
        QVERIFY(later > held + 20);
        // A finger stops it, and gives no tap.
        twin_->touch(50, 40, true);
        const int stopped = pan();
        wait(100);
        twin_->touch(50, 40, false);
        wait(2000);
        QCOMPARE(pan(), stopped);
        QCOMPARE(twin_->get("taps"), std::string("0"));
        QVERIFY(gorse_step(twin_->run(), twin_->now() + 1) > 1000);
    }

    // However often it is looked at.
    void itsWayDependsOnTimeAlone() {
        std::vector<int> ends;
        for (const int step : {1, 7, 16, 50, 400}) {
            begin(listDocument());
            drag(50, 70, 0, -48);
            twin_->touch(50, 22, false);
            wait(2800, step);
            ends.push_back(pan());
        }
        QCOMPARE(ends, std::vector<int>(ends.size(), ends.front()));
        QVERIFY(ends.front() > 100 && ends.front() <= 340);
    }

    void itsEndsAreSoft() {
        begin(listDocument());
        drag(50, 30, 0, 46);
        QCOMPARE(pan(), -19);
        twin_->touch(50, 76, false);
        wait(1000);
        QCOMPARE(pan(), 0);
        for (int i = 0; i < 14; ++i) {
            drag(50, 74, 0, -52);
            twin_->touch(50, 22, false);
            wait(64);
        }
        wait(3000);
        QCOMPARE(pan(), 338);
    }

    // Moved across, a group that scrolls down leaves the finger to one around it.
    void theWayChoosesTheContainer() {
        Document d = withPanelOf(makeDocument({"one"}), PixelFormat::Rgb565, 0, 120, 96);
        std::vector<Widget> widgets{
            makeWidget("outer", Kind::Group, 0, 0, 120, 96, {{"scroll", std::string("across")}}),
            makeWidget("inner", Kind::Group, 10, 10, 80, 60, {{"scroll", std::string("down")}}),
            makeWidget("high", Kind::Rectangle, 0, 0, 40, 300), makeWidget("wide", Kind::Rectangle, 0, 70, 300, 20)};
        widgets[1].depth = 1;
        widgets[2].depth = 2;
        widgets[3].depth = 1;
        begin(addWidgets(d, "one", widgets));
        drag(40, 50, 0, -26);
        QCOMPARE(pan("pan_y", "inner"), 18);
        QCOMPARE(pan("pan_x", "outer"), 0);
        twin_->touch(40, 24, false);
        wait(3000);
        const int before = pan("pan_y", "inner");
        drag(40, 50, -26, 0);
        QCOMPARE(pan("pan_x", "outer"), 18);
        QCOMPARE(pan("pan_y", "inner"), before);
    }

    void aSliderKeepsItsFinger() {
        Document d = withVariable(listDocument(), makeNumber("level", 0, 100, 50));
        Widget slider = makeWidget("slider", Kind::Slider, 4, 2, 20, 50,
                                   {{"value", std::string("level")}, {"direction", std::string("up")}});
        begin(addWidgets(d, "one", {slider}, nullptr, "list"));
        drag(34, 40, 0, -20);
        QCOMPARE(pan(), 0);
        QVERIFY(twin_->get("level") != "50");
    }

    void theFocusIsBroughtIntoSight() {
        Document d = listDocument();
        Panel panel = *d.panel;
        panel.knob = true;
        begin(withPanel(d, panel));
        for (int i = 0; i < 19; ++i)
            twin_->turn(1);
        QCOMPARE(pan(), 19 * 20 + 18 - 60);
        for (int i = 0; i < 17; ++i)
            twin_->turn(-1);
        QCOMPARE(pan(), 40);
    }

    // Whatever fingers do, in the end it stands in its range, nothing is pressed, and what is shown is what is drawn
    // anew.
    void randomFingers() {
        std::mt19937 random(5);
        const auto upTo = [&](int end) { return static_cast<int>(random() % static_cast<uint32_t>(end)); };
        begin(listDocument("both"));
        for (int round = 0, end = rounds(60); round < end; ++round) {
            for (int i = 0; i < 40; ++i) {
                twin_->touch(upTo(130) - 5, upTo(110) - 5, upTo(4) != 0);
                if (upTo(3) == 0)
                    wait(upTo(300), 1 + upTo(40));
            }
            twin_->touch(0, 0, false);
            wait(6000, 50);
            QVERIFY(pan() >= 0 && pan() <= 338);
            QCOMPARE(pan("pan_x"), 0);
            QCOMPARE(gorse_head_of(twin_->run())->pressed, static_cast<uint16_t>(GORSE_NONE));
            const auto shown = twin_->memory().bytes();
            gorse_redraw(twin_->run());
            wait(16);
            QVERIFY(twin_->memory().bytes() == shown);
        }
    }

    // Edits of what scrolls keep the pan by name.
    void editsKeepIt() {
        Document d = listDocument();
        begin(d);
        drag(50, 60, 0, -26);
        twin_->touch(50, 34, false);
        wait(3000);
        const int before = pan();
        QVERIFY(before >= 20);
        const Names row{"row3"};
        d = changeWidgets(d, "one", row, [](Widget& widget) { widget.x = 3; });
        twin_->update(builder_.build(d));
        QCOMPARE(pan(), before);
    }
};

GORSEFINCH_TEST(TestScrolling, Nothing)
#include "tst_scrolling.moc"
