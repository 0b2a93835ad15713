// SPDX-License-Identifier: GPL-3.0-or-later
// Lists: their items, which of them is chosen, and how they move.
#include <QtTest>
#include <random>

#include "core/sim/twin.h"
#include "runtime/gorse_focus.h"
#include "runtime/gorse_list.h"
#include "runtime/gorse_scroll.h"
#include "tests/support/on_twin.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kTop = 8, kHeight = 80, kItem = 20;

// A list at 10, 8 of 100 x 80 px, with items of 20 px.
Document listDocument(PropertyMap properties, const std::string& rules = {}, PixelFormat format = PixelFormat::Rgb565) {
    Document d = withPanelOf(makeDocument({"one", "two"}), format, 0, 120, 96);
    d = withVariable(d, makeNumber("chosen", 0, 20000, 0));
    d = withVariable(d, makeNumber("total", 0, 20000, 10000));
    d = withVariable(d, makeNumber("changes", 0, 1000, 0));
    d = withVariable(d, makeNumber("taps", 0, 1000, 0));
    d = withVariable(d, makeChoice("mode", {"dry", "bisque", "glaze", "hold"}));
    d = withVariable(d, makeText("title", "First one"));
    properties["item_height"] = int64_t{kItem};
    d = addWidgets(d, "one", {makeWidget("list", Kind::List, 10, kTop, 100, kHeight, properties)});
    return withRules(d, "main",
                     "on list.change\n    changes = changes + 1\n\non list.tap\n    taps = taps + 1\n\n" + rules);
}

PropertyMap asked() { return {{"asked", true}, {"count", std::string("total")}, {"value", std::string("chosen")}}; }

}  // namespace

class TestLists : public QObject, support::OnTwin {
    Q_OBJECT

    int pan() { return slot("list", "pan_y"); }
    void tap(int y) { OnTwin::tap(50, y); }
    void drag(int y, int by, int ms = 16) { swipe(50, y, 0, by, ms); }
    int items() const {
        const ScreenPart& part = *twin_->scene().parts.front();
        gorse_list_state state;
        std::memcpy(&state, gorse_widget_state(const_cast<Twin&>(*twin_).run(), &part.records.front().widget),
                    sizeof state);
        return state.count;
    }

  private Q_SLOTS:
    void aTapChooses() {
        begin(
            listDocument({{"items", std::string("dry\nbisque\nglaze\nhold\nlast")}, {"value", std::string("chosen")}}));
        QCOMPARE(items(), 5);
        tap(kTop + 50);
        QCOMPARE(number("chosen"), 2);
        QCOMPARE(number("changes"), 1);
        QCOMPARE(number("taps"), 1);
        tap(kTop + 50);
        QCOMPARE(number("changes"), 1);
        QCOMPARE(number("taps"), 2);
        // It can be moved by 20 px, and the last one comes into sight.
        drag(kTop + 70, -40);
        wait(900);
        QCOMPARE(pan(), 20);
        QCOMPARE(number("taps"), 2);
        tap(kTop + 75);
        QCOMPARE(number("chosen"), 4);
        // What the firmware chooses comes into sight.
        QVERIFY(twin_->set("chosen", "0"));
        wait(16);
        QCOMPARE(pan(), 0);
    }

    void withoutAVariableItKnowsItself() {
        begin(listDocument({{"items", std::string("a\nb\nc")}}));
        tap(kTop + 30);
        QCOMPARE(number("changes"), 1);
        tap(kTop + 30);
        QCOMPARE(number("changes"), 1);
        tap(kTop + 5);
        QCOMPARE(number("changes"), 2);
        // Below the last item is nothing to choose.
        tap(kTop + 70);
        QCOMPARE(number("changes"), 2);
    }

    void aChoiceHasItsNames() {
        begin(listDocument({{"value", std::string("mode")}}));
        QCOMPARE(items(), 4);
        tap(kTop + 45);
        QCOMPARE(twin_->get("mode"), std::string("glaze"));
    }

    // Lines of a text that shows values.
    void itemsFollowVariables() {
        begin(listDocument({{"items", std::string("{title}\nsecond {chosen}")}}));
        QCOMPARE(items(), 2);
        QVERIFY(twin_->set("title", "Other\nx"));
        wait(32);
        QCOMPARE(items(), 3);
    }

    // Ten thousand of them are asked for one by one, and only those in sight.
    void tenThousandAreAskedFor() {
        Document few = listDocument(asked());
        begin(few);
        const uint32_t bytes = gorse_state_bytes(&twin_->scene().scene);
        QVERIFY(twin_->set("total", "12"));
        wait(16);
        QCOMPARE(items(), 12);
        QVERIFY(twin_->set("total", "10000"));
        wait(16);
        QCOMPARE(items(), 10000);
        QCOMPARE(gorse_list_way(twin_->run(), 0), 10000 * kItem - kHeight);
        QVERIFY(twin_->set("chosen", "9999"));
        wait(16);
        QCOMPARE(pan(), 10000 * kItem - kHeight);
        tap(kTop + 10);
        QCOMPARE(number("chosen"), 9996);
        // What goes takes its place along.
        QVERIFY(twin_->set("total", "3"));
        wait(16);
        QCOMPARE(pan(), 0);
        QVERIFY(bytes < 600);
    }

    void itSnaps() {
        PropertyMap properties = asked();
        properties["snap"] = true;
        begin(listDocument(properties));
        for (const int by : {-30, -47, 21, -60, 12}) {
            drag(kTop + 40, by, 8);
            wait(3000);
            QCOMPARE(pan() % kItem, 0);
        }
    }

    void onlyTheListIsDrawnAnew() {
        begin(listDocument(asked()));
        drag(kTop + 70, -60);
        for (int i = 0; i < 60; ++i) {
            wait(16);
            for (const Flushed& each : twin_->takeFlushed())
                QVERIFY(each.x >= 10 && each.y >= kTop && each.x + each.w <= 110 && each.y + each.h <= kTop + kHeight);
        }
    }

    // Turns go from item to item, then on; a push is a tap of the one that is chosen.
    void theKnobGoesThroughIt() {
        Document d = listDocument({{"items", std::string("a\nb\nc\nd\ne\nf")}, {"value", std::string("chosen")}});
        d = addWidgets(d, "one", {makeWidget("after", Kind::Button, 0, 90, 20, 6, {{"text", std::string()}})});
        Panel panel = *d.panel;
        panel.knob = true;
        panel.touch = false;
        begin(withPanel(d, panel));
        const auto turn = [&](int steps) {
            QVERIFY(twin_->turn(steps));
            wait(16);
        };
        turn(4);
        QCOMPARE(number("chosen"), 4);
        QCOMPARE(pan(), kItem);
        turn(1);
        QCOMPARE(number("chosen"), 5);
        QCOMPARE(gorse_focus_of(twin_->run())->widget, uint16_t{0});
        turn(1);
        QCOMPARE(gorse_focus_of(twin_->run())->widget, uint16_t{1});
        turn(-1);
        QCOMPARE(gorse_focus_of(twin_->run())->widget, uint16_t{0});
        QCOMPARE(number("chosen"), 5);
        QVERIFY(twin_->key("push", true));
        wait(16);
        QVERIFY(twin_->key("push", false));
        wait(16);
        QCOMPARE(number("taps"), 1);
        QCOMPARE(number("chosen"), 5);
        turn(-9);
        QCOMPARE(number("chosen"), 0);
        QCOMPARE(pan(), 0);
    }

    // Against a model: which item lies where.
    void againstAModel() {
        std::mt19937 random(77);
        const auto upTo = [&](int n) { return static_cast<int>(random() % static_cast<unsigned>(n)); };
        begin(listDocument(asked(), {}, PixelFormat::Page1));
        int chosen = 0, total = 10000;
        for (int i = 0; i < 120 * rounds(1); ++i) {
            switch (upTo(4)) {
                case 0:
                    total = upTo(3) == 0 ? upTo(20) : upTo(20000);
                    QVERIFY(twin_->set("total", std::to_string(total)));
                    break;
                case 1:
                    chosen = upTo(total + 5);
                    QVERIFY(twin_->set("chosen", std::to_string(chosen)));
                    break;
                case 2: drag(kTop + upTo(kHeight), upTo(120) - 60, 1 + upTo(40)); break;
                default: {
                    wait(4000, 50);
                    const int y = upTo(kHeight), index = (pan() + y) / kItem;
                    tap(kTop + y);
                    if (index < total)
                        chosen = index;
                }
            }
            wait(upTo(3) * 16);
            QCOMPARE(number("chosen"), chosen);
        }
        wait(4000, 50);
        QVERIFY(pan() >= 0 && pan() <= std::max(0, total * kItem - kHeight));
        QCOMPARE(gorse_step(twin_->run(), twin_->now()), GORSE_FOREVER);
        QVERIFY(isWhole());
    }
};

GORSEFINCH_TEST(TestLists, Nothing)
#include "tst_lists.moc"
