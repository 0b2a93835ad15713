// SPDX-License-Identifier: GPL-3.0-or-later
// Fingers on a screen of overlapping buttons, against a plain model of what a press, a slide and a release mean.
#include <QtTest>
#include <random>

#include "core/sim/twin.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

struct Event {
    int what, widget;
    bool operator==(const Event&) const = default;
};

struct Box {
    int x, y, w, h;
    bool holds(int px, int py) const { return px >= x && px < x + w && py >= y && py < y + h; }
};

// Three buttons, each over a part of the one below; the topmost can be hidden; one beyond the panel's edge; a text that
// takes no press.
const std::vector<Box> boxes{
    {10, 10, 60, 40}, {40, 30, 60, 40}, {60, 20, 30, 30}, {140, 100, 60, 60}, {10, 10, 150, 20}};

Document buttons() {
    Document d = withPanelOf(makeDocument({"first", "second"}), PixelFormat::Grey8, 0, 160, 120);
    d = withVariable(d, makeYesNo("shown", true));
    std::vector<Widget> widgets;
    for (size_t i = 0; i < boxes.size(); ++i) {
        const Box& b = boxes[i];
        widgets.push_back(
            makeWidget("widget_" + std::to_string(i), i == 4 ? Kind::Text : Kind::Button, b.x, b.y, b.w, b.h));
    }
    d = addWidgets(d, "first", widgets);
    return withRules(d, "main", "when shown\n    show widget_2\notherwise\n    hide widget_2\n");
}

// What should be told of a finger.
class Model {
  public:
    bool shown = true;
    std::vector<Event> events;

    void touch(int x, int y, bool down) {
        if (down && !down_) {
            pressed_ = at(x, y);
            if (pressed_ >= 0)
                events.push_back({GORSE_EVENT_PRESS, pressed_});
        } else if (!down && down_ && pressed_ >= 0) {
            events.push_back({GORSE_EVENT_RELEASE, pressed_});
            if (boxes[static_cast<size_t>(pressed_)].holds(x, y))
                events.push_back({GORSE_EVENT_TAP, pressed_});
            pressed_ = -1;
        }
        down_ = down;
    }

  private:
    int at(int x, int y) const {
        for (int i = 3; i >= 0; --i)
            if ((i != 2 || shown) && boxes[static_cast<size_t>(i)].holds(x, y))
                return i;
        return -1;
    }
    bool down_ = false;
    int pressed_ = -1;
};

std::vector<Event> eventsOf(Twin& twin) {
    std::vector<Event> out;
    for (const TraceEntry& each : twin.takeTrace())
        if (each.what == GORSE_TRACE_EVENT &&
            (each.a == GORSE_EVENT_PRESS || each.a == GORSE_EVENT_RELEASE || each.a == GORSE_EVENT_TAP))
            out.push_back({each.a, each.b});
    return out;
}

}  // namespace

class TestTouch : public QObject {
    Q_OBJECT

    SceneBuilder builder_;

  private Q_SLOTS:
    void fingersAreUnderstood() {
        Twin twin(builder_.build(buttons()));
        twin.step(0);
        Model model;
        std::mt19937 random(21);
        bool down = false;
        uint32_t time = 0;
        for (int round = 0, end = support::rounds(6000); round < end; ++round) {
            if (random() % 40 == 0) {
                model.shown = !model.shown;
                QVERIFY(twin.set("shown", model.shown ? "yes" : "no"));
                twin.step(time += 5);
            }
            down = random() % 3 == 0 ? !down : down;
            const int x = static_cast<int>(random() % 240) - 40, y = static_cast<int>(random() % 180) - 30;
            twin.touch(x, y, down);
            model.touch(x, y, down);
            if (random() % 4 == 0)
                twin.step(time += 5);
            QCOMPARE(eventsOf(twin), std::exchange(model.events, {}));
        }
    }

    // Only what changed its look is drawn again: once when pressed, once when the finger slides off, and so on.
    void aSlideChangesTheLookAndBack() {
        Document d = openKiln();
        Twin twin(builder_.build(withRules(d, "main", "")), Twin::View::Upright);
        twin.step(0);
        const std::vector<uint8_t> before = twin.memory().bytes();
        (void)twin.takeFlushed();
        twin.touch(40, 212, true);
        twin.step(1);
        const auto pressed = twin.memory().bytes();
        QVERIFY(pressed != before);
        QCOMPARE(twin.takeFlushed().size(), size_t{1});
        twin.touch(42, 213, true);
        twin.step(2);
        QVERIFY(twin.takeFlushed().empty());
        twin.touch(300, 5, true);
        twin.step(3);
        QVERIFY(twin.memory().bytes() == before);
        QCOMPARE(twin.takeFlushed().size(), size_t{1});
        twin.touch(40, 212, true);
        twin.step(4);
        QVERIFY(twin.memory().bytes() == pressed);
        twin.touch(300, 5, true);
        twin.touch(300, 5, false);
        twin.step(5);
        QVERIFY(twin.memory().bytes() == before);
    }

    // A screen that changes under the finger lets it go: nothing of the new one is pressed until it comes down again.
    void aScreenThatChangesLetsGo() {
        Document d = buttons();
        d = addWidgets(d, "second", {makeWidget("other", Kind::Button, 0, 0, 160, 120)});
        d = withRules(d, "main", "on widget_0.press\n    go second\n\non other.press\n    back\n");
        Twin twin(builder_.build(d));
        twin.step(0);
        twin.touch(15, 45, true);
        QCOMPARE(eventsOf(twin), (std::vector<Event>{{GORSE_EVENT_PRESS, 0}}));
        twin.step(10);
        QCOMPARE(twin.screen(), 1);
        twin.touch(16, 45, true);
        twin.touch(16, 45, false);
        twin.step(20);
        QCOMPARE(eventsOf(twin), std::vector<Event>{});
        QCOMPARE(twin.screen(), 1);
        twin.touch(16, 45, true);
        twin.step(30);
        QCOMPARE(twin.screen(), 0);
    }

    // A button that hides while it is held still gets its release, so that what it began can end.
    void aHiddenButtonIsReleased() {
        Twin twin(builder_.build(buttons()));
        twin.step(0);
        twin.touch(75, 25, true);
        QVERIFY(twin.set("shown", "no"));
        twin.step(10);
        (void)eventsOf(twin);
        twin.touch(75, 25, false);
        QCOMPARE(eventsOf(twin), (std::vector<Event>{{GORSE_EVENT_RELEASE, 2}, {GORSE_EVENT_TAP, 2}}));
    }
};

GORSEFINCH_TEST(TestTouch, Nothing)
#include "tst_touch.moc"
