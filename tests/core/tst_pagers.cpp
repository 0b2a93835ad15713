// SPDX-License-Identifier: GPL-3.0-or-later
// Pagers: by finger, variable and knob.
#include <QtTest>

#include "tests/support/panes.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

class TestPagers : public QObject, support::OnTwin {
    Q_OBJECT

  private Q_SLOTS:
    void pagesAreAsLargeAsTheirPager() {
        const Document d = pagerDocument({{"direction", std::string("down")}});
        const auto& widgets = d.screens.front()->widgets;
        for (int i = 0; i < 3; ++i) {
            const Widget& page = *widgets[static_cast<size_t>(1 + 2 * i)];
            QCOMPARE(std::tuple(page.x, page.y, page.w, page.h), std::tuple(0, 60 * i, 100, 60));
        }
        const Document narrow = changeWidgets(d, "one", Names{"pager"}, [](Widget& w) { setBox(w, 10, 10, 50, 30); });
        const Widget& page = *narrow.screens.front()->widgets[5];
        QCOMPARE(std::tuple(page.x, page.y, page.w, page.h), std::tuple(0, 60, 50, 30));
    }

    void aFingerTurnsPages() {
        for (const bool bound : {true, false}) {
            begin(pagerDocument({}, bound));
            // More than half of the way, slowly.
            swipe(90, 30, -60, 0, 60);
            QVERIFY(slot("pager", "pan_x") > 40 && slot("pager", "pan_x") < 60);
            wait(400);
            QCOMPARE(slot("pager", "pan_x"), 100);
            QCOMPARE(twin_->get("changes"), std::string("1"));
            QCOMPARE(twin_->get("shown"), std::string(bound ? "1" : "0"));
            // Less than half, slowly: back.
            swipe(90, 30, -40, 0, 60);
            wait(400);
            QCOMPARE(slot("pager", "pan_x"), 100);
            // Less than half, fast: on.
            swipe(60, 30, -20, 0, 8);
            wait(400);
            QCOMPARE(slot("pager", "pan_x"), 200);
            // Beyond the last it comes back.
            swipe(60, 30, -40, 0, 8);
            wait(400);
            QCOMPARE(slot("pager", "pan_x"), 200);
            tap(60, 40);
            QCOMPARE(twin_->get("taps"), std::string("100"));
            swipe(60, 40, 40, 0, 8);
            wait(400);
            QCOMPARE(slot("pager", "pan_x"), 100);
            // What became a swipe was no tap.
            QCOMPARE(twin_->get("taps"), std::string("100"));
            tap(60, 40);
            QCOMPARE(twin_->get("taps"), std::string("110"));
        }
    }

    void itsVariableTurnsThem() {
        begin(pagerDocument({{"slide", int64_t{200}}}));
        QVERIFY(twin_->set("shown", "2"));
        std::vector<int> way{0};
        for (int i = 0; i < 20; ++i) {
            wait(16);
            QVERIFY(slot("pager", "pan_x") >= way.back());
            way.push_back(slot("pager", "pan_x"));
        }
        QVERIFY(way[4] > 50 && way[4] < 200);
        QCOMPARE(way.back(), 200);
        QCOMPARE(twin_->get("changes"), std::string("0"));
        // What is beyond them shows the last one.
        QVERIFY(twin_->set("shown", "9"));
        wait(300);
        QCOMPARE(slot("pager", "pan_x"), 200);
        // The finger that has it wins.
        swipe(50, 30, 40, 0, 60, false);
        QVERIFY(twin_->set("shown", "0"));
        wait(300);
        QCOMPARE(slot("pager", "pan_x"), 168);
        twin_->touch(90, 30, false);
        wait(400);
        QCOMPARE(slot("pager", "pan_x"), 200);
        QCOMPARE(twin_->get("shown"), std::string("2"));
    }

    // Behind the last one is the first, without a jump of what is seen.
    void endlessOnesGoRound() {
        begin(pagerDocument({{"endless", true}, {"dots", false}}));
        const auto first = picture();
        swipe(60, 30, 20, 0, 8);
        wait(400);
        QCOMPARE(twin_->get("shown"), std::string("2"));
        QCOMPARE(slot("pager", "pan_x"), 200);
        const auto last = picture();
        QVERIFY(first != last);
        swipe(60, 30, -20, 0, 8, false);
        // The first page comes in from the right: its colour is on the right edge.
        QCOMPARE(twin_->memory().picture().at(108, 12), twin_->memory().picture().at(109, 68));
        twin_->touch(40, 30, false);
        wait(400);
        QCOMPARE(twin_->get("shown"), std::string("0"));
        QCOMPARE(slot("pager", "pan_x"), 0);
        QVERIFY(picture() == first);
        // The short way by variable, too.
        QVERIFY(twin_->set("shown", "2"));
        wait(100);
        QVERIFY(slot("pager", "pan_x") < 0);
        wait(400);
        QVERIFY(picture() == last);
    }

    // A page that goes is left out.
    void hiddenPagesLeaveTheirPlace() {
        Document d = pagerDocument();
        d = withRules(d, "main", "when taps > 0\n    hide page1\notherwise\n    show page1\n");
        begin(d);
        QVERIFY(twin_->set("taps", "1"));
        QVERIFY(twin_->set("shown", "2"));
        wait(400);
        QCOMPARE(slot("pager", "pan_x"), 100);
        QVERIFY(twin_->set("shown", "1"));
        wait(400);
        tap(60, 40);
        QCOMPARE(slot("page2", "x"), 100);
        QCOMPARE(slot("pager", "pan_x"), 100);
    }

    void theKnobTurnsThem() {
        Document d = pagerDocument();
        Panel panel = *d.panel;
        panel.touch = false;
        panel.knob = true;
        d = withPanel(d, panel);
        begin(d);
        // The focus goes from page to page.
        QVERIFY(twin_->turn(1));
        wait(400);
        QCOMPARE(twin_->get("shown"), std::string("1"));
        QCOMPARE(slot("pager", "pan_x"), 100);
        QVERIFY(twin_->turn(1));
        wait(400);
        QCOMPARE(slot("pager", "pan_x"), 200);
        QVERIFY(twin_->turn(-2));
        wait(600);
        QCOMPARE(slot("pager", "pan_x"), 0);
        // Where it reaches nothing, pages turn.
        d = removeWidgets(d, "one", Names{"button0", "button1", "button2"});
        d = withRules(d, "main", "");
        begin(d);
        QVERIFY(twin_->turn(1));
        wait(400);
        QCOMPARE(slot("pager", "pan_x"), 100);
        QVERIFY(twin_->turn(-1));
        wait(400);
        QCOMPARE(slot("pager", "pan_x"), 0);
    }

    // By place, but page by page, whatever the pages are.
    void theFocusGoesFromPageToPage() {
        const auto key = [](const char* name, int x, int y, int depth) {
            return in(makeWidget(name, Kind::Button, x, y, 20, 10, {{"text", std::string()}}), depth);
        };
        Document d = withPanelOf(makeDocument({"one"}), PixelFormat::Rgb565, 0, 120, 96);
        d = addWidgets(
            d, "one",
            {key("last", 10, 84, 0), key("first", 10, 2, 0), makeWidget("pager", Kind::Pager, 10, 20, 100, 60),
             in(makeWidget("a", Kind::Group, 0, 0, 5, 5), 1), key("a2", 10, 40, 2), key("a1", 10, 10, 2),
             key("b", 0, 0, 1), in(makeWidget("c", Kind::Pager, 0, 0, 5, 5), 1), key("c1", 0, 0, 2),
             key("c2", 0, 0, 2)});
        Panel panel = *d.panel;
        panel.knob = true;
        begin(withPanel(d, panel));
        std::string order;
        const ScreenPart& part = *twin_->scene().parts.front();
        for (const uint16_t each : part.focusOrder)
            order += part.source->widgets[each]->name + " ";
        QCOMPARE(order, std::string("first a1 a2 b c1 c2 last "));
    }

    void onlyThePagerIsDrawnAnew() {
        begin(pagerDocument());
        QVERIFY(twin_->set("shown", "1"));
        for (int i = 0; i < 20; ++i) {
            wait(16);
            for (const Flushed& each : twin_->takeFlushed())
                QVERIFY(each.x >= 10 && each.y >= 10 && each.x + each.w <= 110 && each.y + each.h <= 70);
        }
    }
};

GORSEFINCH_TEST(TestPagers, Nothing)
#include "tst_pagers.moc"
