// SPDX-License-Identifier: GPL-3.0-or-later
// Pagers and drawers together with what else moves, in an edit, and in the editor.
#include <QtTest>
#include <random>

#include "core/document/arrange.h"
#include "core/document/shown_panes.h"
#include "core/sim/draw_screen.h"
#include "runtime/gorse_drawer.h"
#include "runtime/gorse_scroll.h"
#include "runtime/gorse_typing.h"
#include "tests/support/panes.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

class TestPanes : public QObject, support::OnTwin {
    Q_OBJECT

  private Q_SLOTS:
    // Whatever fingers do: pages end at pages, drawers at an end.
    void randomTouches() {
        std::mt19937 random(1500);
        const auto upTo = [&](int n) { return static_cast<int>(random() % static_cast<unsigned>(n)); };
        for (int round = 0; round < rounds(6); ++round) {
            Document d = round % 2 == 0 ? pagerDocument({{"endless", round % 4 == 0}}) : drawerDocument();
            begin(d);
            for (int i = 0; i < 300; ++i) {
                twin_->touch(upTo(140) - 10, upTo(110) - 10, upTo(3) != 0);
                twin_->step(twin_->now() + static_cast<uint32_t>(upTo(60)));
            }
            twin_->touch(0, 0, false);
            wait(1200);
            if (round % 2 == 0)
                QCOMPARE(slot("pager", "pan_x") % 100, 0);
            else
                QVERIFY(slot("drawer", "x") == 0 || slot("drawer", "x") == -60);
            QCOMPARE(gorse_step(twin_->run(), twin_->now()), GORSE_FOREVER);
        }
    }

    // All of them on one screen, lists and fields in them, and another screen over it: touches, turns, keys and what is
    // typed anywhere.
    void everythingTogether() {
        Document d = withPanelOf(makeDocument({"one", "alarm"}), PixelFormat::Rgb565, 0, 160, 120);
        d = gorsefinch::withVariable(d, makeNumber("shown", 0, 10, 0));
        d = gorsefinch::withVariable(d, makeNumber("total", 0, 10000, 10000));
        d = gorsefinch::withVariable(d, makeText("word", "Kiln", 12));
        const auto field = [](const char* name, int x, int y, int w, int depth) {
            return in(makeWidget(name, Kind::Field, x, y, w, 16,
                                 {{"value", std::string("word")}, {"max_length", int64_t{9}}, {"secret", depth == 1}}),
                      depth);
        };
        const auto list = [](const char* name, int x, int y, int w, int h, int depth) {
            return in(makeWidget(name, Kind::List, x, y, w, h,
                                 {{"asked", true}, {"count", std::string("total")}, {"item_height", int64_t{16}}}),
                      depth);
        };
        const auto key = [](const char* name, int x, int y, int depth) {
            return in(makeWidget(name, Kind::Button, x, y, 40, 18, {{"text", std::string()}}), depth);
        };
        d = addWidgets(
            d, "one",
            {key("alert", 2, 2, 0), makeWidget("pager", Kind::Pager, 4, 24, 100, 90, {{"page", std::string("shown")}}),
             in(makeWidget("first", Kind::Group, 0, 0, 5, 5), 1), list("names", 4, 4, 80, 70, 2),
             in(makeWidget("second", Kind::Group, 0, 0, 5, 5, {{"scroll", std::string("down")}}), 1),
             key("far", 10, 200, 2), field("deep", 10, 40, 60, 2), field("low", 108, 102, 46, 0),
             makeWidget("menu", Kind::Drawer, 90, 0, 70, 120, {{"edge", std::string("right")}}),
             list("items", 4, 10, 60, 60, 1), field("shaded", 4, 74, 60, 1), key("shut", 10, 96, 1)});
        d = addWidgets(d, "alarm",
                       {makeWidget("box", Kind::Rectangle, 20, 20, 120, 80, {{"fill", opaque(0x802020)}}),
                        key("known", 60, 60, 0)});
        d = withRules(d, "main",
                      "on alert.tap\n    open menu\n\non shut.tap\n    close menu\n    open alarm over\n\n"
                      "on known.tap\n    close\n\non far.tap\n    open alarm over\n\non key back\n    close menu\n");
        Panel panel = *d.panel;
        panel.knob = true;
        panel.keys = {"up", "down", "enter", "back"};
        d = withPanel(d, panel);
        begin(d);
        std::mt19937 random(100000);
        const auto upTo = [&](int n) { return static_cast<int>(random() % static_cast<unsigned>(n)); };
        bool down = false;
        int x = 0, y = 0, typing = 0;
        for (int i = 0; i < 4000 * rounds(1); ++i) {
            // Taps find keys and fields, which steps seldom do.
            if (!down && upTo(4) == 0)
                upTo(8) == 0 ? tap(130, 110) : tap(upTo(160), upTo(120));
            switch (upTo(9)) {
                case 4: (void)twin_->type(static_cast<uint32_t>(upTo(400))); break;
                case 0: down = !down; break;
                case 1: x = upTo(180) - 10, y = upTo(140) - 10; break;
                case 2: QVERIFY(twin_->turn(upTo(5) - 2)); break;
                case 3: QVERIFY(twin_->key(panel.keys[static_cast<size_t>(upTo(4))], upTo(2) == 0)); break;
                default: x += upTo(17) - 8, y += upTo(17) - 8;
            }
            twin_->touch(x, y, down);
            twin_->step(twin_->now() + static_cast<uint32_t>(upTo(40)));
            typing += twin_->isTyping() ? 1 : 0;
            if (i % 50 == 0)
                QVERIFY(isWhole());
        }
        QVERIFY2(typing > 100 && typing < 3900 * rounds(1), qPrintable(QString::number(typing)));
        twin_->touch(x, y, false);
        for (const std::string& each : panel.keys)
            QVERIFY(twin_->key(each, false));
        wait(4000, 40);
        // There is a way back, all that the keyboard moved has returned, and all has come to rest.
        (void)twin_->type(GORSE_TYPED_CANCEL);
        wait(400);
        QVERIFY(!twin_->isTyping());
        QCOMPARE(gorse_lift(twin_->run()), 0);
        if (screen() == "alarm")
            tap(70, 70);
        QCOMPARE(screen(), std::string("one"));
        tap(5, 110);
        wait(600);
        QCOMPARE(slot("pager", "pan_x") % 100, 0);
        QVERIFY(slot("menu", "x") == 90 || slot("menu", "x") == 160);
        for (const char* each : {"names", "items"})
            QVERIFY(slot(each, "pan_y") >= 0 && slot(each, "pan_y") <= 160000);
        QVERIFY(isWhole());
        QCOMPARE(gorse_step(twin_->run(), twin_->now()), GORSE_FOREVER);
    }

    // What pagers and drawers remember stays while something else is edited.
    void anEditKeepsThem() {
        Document d = pagerDocument({}, false);
        begin(d);
        swipe(90, 30, -20, 0, 8);
        wait(400);
        d = changeWidgets(d, "one", Names{"button2"}, [](Widget& widget) { widget.x = 4; });
        twin_->update(builder_.build(d));
        wait(400);
        QCOMPARE(slot("pager", "pan_x"), 100);
        d = drawerDocument();
        begin(d);
        tap(90, 20);
        wait(400);
        d = changeWidgets(d, "one", Names{"item"}, [](Widget& widget) { widget.x = 4; });
        twin_->update(builder_.build(d));
        wait(400);
        QCOMPARE(slot("drawer", "x"), 0);
        d = changeWidgets(d, "one", Names{"drawer"}, [](Widget& widget) { widget.w = 40; });
        twin_->update(builder_.build(d));
        wait(400);
        QCOMPARE(slot("drawer", "x"), -40);
    }

    void editorsShowWhatIsSelected() {
        Document d = pagerDocument();
        const Screen& screen = *d.screens.front();
        ShownPanes panes;
        showPanes(panes, screen, Names{"button2"});
        QVERIFY(panOfPages(screen.widgets, 0, panes) == (Offset{200, 0}));
        QVERIFY(isInSight(screen.widgets, 6, panes));
        QVERIFY(!isInSight(screen.widgets, 2, panes));
        const BuiltSceneRef scene = builder_.build(d);
        const Picture third = drawScreen(*scene, 0, nullptr, {}, &panes).picture();
        begin(d);
        QVERIFY(twin_->set("shown", "2"));
        wait(400);
        QVERIFY(third.pixels == twin_->memory().picture().pixels);
        // It stays when something else is selected.
        showPanes(panes, screen, Names{"pager"});
        QVERIFY(panOfPages(screen.widgets, 0, panes) == (Offset{200, 0}));
        d = drawerDocument();
        const auto& widgets = d.screens.front()->widgets;
        showPanes(panes, *d.screens.front(), Names{});
        QVERIFY(!isInSight(widgets, 2, panes));
        showPanes(panes, *d.screens.front(), Names{"item"});
        QVERIFY(isInSight(widgets, 2, panes));
        QVERIFY(drawScreen(*builder_.build(d), 0, nullptr, {}, &panes).picture().at(5, 5) !=
                drawScreen(*builder_.build(d), 0).picture().at(5, 5));
    }
};

GORSEFINCH_TEST(TestPanes, Nothing)
#include "tst_panes.moc"
