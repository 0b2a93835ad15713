// SPDX-License-Identifier: GPL-3.0-or-later
// The demos with any values, touches, turns, keys, screens and times, one after the other: what a change redraws leaves
// the frame that is drawn from nothing, and nothing stays pressed that nobody presses.
#include <QtTest>
#include <random>
#include <set>

#include "core/document/panel_keys.h"
#include "core/sim/twin.h"
#include "runtime/gorse_focus.h"
#include "tests/support/built_scene.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kValues = 600, kPerFrame = 7;

class Hand {
  public:
    explicit Hand(Twin& twin) : twin_(twin) {
        for (const ScreenRef& screen : twin.scene().document.screens)
            for (const WidgetRef& each : screen->widgets)
                if (each->kind == Kind::Button && textOf(*each, "acts") == "momentary" &&
                    !textOf(*each, "value").empty())
                    held_.insert(textOf(*each, "value"));
    }

    void act() {
        const Document& document = twin_.scene().document;
        const auto& variables = *document.variables;
        switch (upTo(12)) {
            case 0:
                finger_ = maybe(50);
                twin_.touch(upTo(document.panel->width), upTo(document.panel->height), finger_);
                break;
            case 8: tap(); break;
            case 9: twin_.turn(upTo(7) - 3); break;
            case 10:
            case 11: pressKey(*document.panel); break;
            case 1: now_ += static_cast<uint32_t>(upTo(3000)); break;
            case 2:
                if (maybe(5))
                    twin_.go(upTo(static_cast<int>(document.screens.size())));
                break;
            default: set(variables[static_cast<size_t>(upTo(static_cast<int>(variables.size())))]); break;
        }
        now_ += static_cast<uint32_t>(upTo(maybe(70) ? 30 : 400));
        twin_.step(now_);
    }

    // Nothing is pressed, nothing acts by itself, and the focus is where it can be left.
    void letGo() {
        for (const std::string& each : std::exchange(keys_, {}))
            twin_.key(each, false);
        if (std::exchange(finger_, false))
            twin_.touch(0, 0, false);
        twin_.step(now_ += 10);
        const gorse_head* head = gorse_head_of(twin_.run());
        QCOMPARE(head->pressed, uint16_t{GORSE_NONE});
        const BuiltScene& scene = twin_.scene();
        if (scene.scene.controls)
            QCOMPARE(gorse_finger_of(twin_.run())->falls_back, uint16_t{GORSE_NONE});
        for (const std::string& each : held_)
            QCOMPARE(twin_.get(each), std::string("no"));
        if (!scene.controls.focus_starts)
            return;
        const gorse_focus* focus = gorse_focus_of(twin_.run());
        const auto& order = scene.parts[head->screen]->focusOrder;
        QVERIFY(order.empty() || std::find(order.begin(), order.end(), focus->widget) != order.end());
        if (focus->entered != 0) {
            twin_.key("push", true);
            twin_.key("push", false);
            twin_.step(now_ += 10);
            QCOMPARE(gorse_focus_of(twin_.run())->entered, uint8_t{0});
        }
    }

  private:
    static std::string textOf(const Widget& widget, const char* key) {
        const auto found = widget.properties.find(key);
        return found != widget.properties.end() ? std::get<std::string>(found->second)
                                                : std::get<std::string>(findProperty(widget.kind, key)->fallback);
    }

    // On a widget that takes it, perhaps with a way before it is let go.
    void tap() {
        const Screen& screen = *twin_.scene().document.screens[static_cast<size_t>(twin_.screen())];
        std::vector<const Widget*> touched;
        for (const WidgetRef& each : screen.widgets)
            if (info(each->kind).has(kIsTouched))
                touched.push_back(each.get());
        if (touched.empty())
            return;
        const Widget& widget = *touched[static_cast<size_t>(upTo(static_cast<int>(touched.size())))];
        int x = widget.x + upTo(widget.w), y = widget.y + upTo(widget.h);
        finger_ = twin_.touch(x, y, true);
        for (int i = upTo(4); i > 0; --i) {
            twin_.step(now_ += static_cast<uint32_t>(upTo(maybe(80) ? 40 : 900)));
            twin_.touch(x += upTo(61) - 30, y += upTo(31) - 15, true);
        }
        if (maybe(70)) {
            twin_.touch(x, y, false);
            finger_ = false;
        }
    }

    void pressKey(const Panel& panel) {
        const std::vector<std::string> all = keysOf(panel);
        if (all.empty())
            return;
        const std::string key = all[static_cast<size_t>(upTo(static_cast<int>(all.size())))];
        const bool down = std::erase(keys_, key) == 0;
        twin_.key(key, down);
        if (down)
            keys_.push_back(key);
    }

    int upTo(int end) { return static_cast<int>(random_() % static_cast<uint32_t>(std::max(end, 1))); }
    bool maybe(int percent) { return upTo(100) < percent; }

    void set(const Variable& variable) {
        if (held_.count(variable.name) != 0)
            return;
        if (variable.isText()) {
            static const char* const words[] = {"", "x", "Bisque 04", "a longer text than most",
                                                "\xc3\xa9\xc3\xa8 \xe2\x82\xac"};
            QVERIFY(twin_.set(variable.name, words[upTo(5)]));
            return;
        }
        // The ends of the range, anything inside, and what lies outside it.
        const int64_t span = int64_t{variable.max} - variable.min;
        const int64_t inside = variable.min + static_cast<int64_t>(random_()) % (span + 1);
        const int64_t value = maybe(10)   ? variable.min
                              : maybe(10) ? variable.max
                              : maybe(5)  ? static_cast<int32_t>(random_())
                                          : inside;
        gorse_set_element(twin_.run(),
                          static_cast<uint16_t>(ProjectNames(twin_.scene().document).variable(variable.name)->number),
                          static_cast<uint16_t>(variable.count), static_cast<uint32_t>(upTo(variable.count)),
                          static_cast<int32_t>(value));
    }

    Twin& twin_;
    uint32_t now_ = 0;
    bool finger_ = false;
    std::vector<std::string> keys_;  // that are down
    std::set<std::string> held_;     // variables that are yes only while a button is held
    std::mt19937 random_{20261130};
};

}  // namespace

class TestRandomValues : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void frameByFrame_data() {
        QTest::addColumn<QString>("example");
        for (const char* each : {"kiln", "hive", "enlarger", "aquifer"})
            QTest::newRow(each) << each;
    }

    void frameByFrame() {
        QFETCH(QString, example);
        SceneBuilder builder;
        Twin twin(builtWithoutErrors(builder, openExample(qPrintable(example))), Twin::View::Panel);
        twin.step(0);
        Hand hand(twin);
        for (int i = 0; i < rounds(kValues); ++i) {
            hand.act();
            twin.takeFlushed();
            twin.takeTrace();
            if (i % kPerFrame != 0)
                continue;
            const std::vector<uint8_t> before(twin.memory().bytes().begin(), twin.memory().bytes().end());
            gorse_redraw(twin.run());
            gorse_paint(twin.run());
            QVERIFY2(std::ranges::equal(before, twin.memory().bytes()),
                     qPrintable(QString("after %1 values").arg(i + 1)));
            if (i % (kPerFrame * 3) == 0)
                hand.letGo();
            if (QTest::currentTestFailed())
                return;
        }
    }
};

GORSEFINCH_TEST(TestRandomValues, Nothing)
#include "tst_random_values.moc"
