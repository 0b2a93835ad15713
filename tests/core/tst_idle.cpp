// SPDX-License-Identifier: GPL-3.0-or-later
// Rules of the time without input.
#include <QtTest>

#include "core/sim/twin.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Document idleDocument(const std::string& rules) {
    Document d = withPanelOf(makeDocument({"one", "two"}), PixelFormat::Rgb565, 0, 60, 40);
    Panel panel = *d.panel;
    panel.knob = true;
    panel.keys = {"menu"};
    panel.outputs[0] = 80;
    d = withPanel(d, panel);
    d = withVariable(d, makeYesNo("busy", false));
    return withRules(d, "main", "on start\n    go two\n\n" + rules);
}

}  // namespace

class TestIdle : public QObject {
    Q_OBJECT

    SceneBuilder builder_;

  private Q_SLOTS:
    void itRunsOnceAndWakes() {
        const Document d =
            idleDocument("on idle 60 s\n    panel.light = 10\n    go one\notherwise\n    panel.light = 80\n");
        const std::function<void(Twin&)> inputs[] = {[](Twin& twin) {
                                                         twin.touch(5, 5, true);
                                                         twin.touch(5, 5, false);
                                                     },
                                                     [](Twin& twin) { twin.turn(1); },
                                                     [](Twin& twin) {
                                                         twin.key("menu", true);
                                                         twin.key("menu", false);
                                                     }};
        for (const auto& input : inputs) {
            Twin twin(builder_.build(d));
            QVERIFY(twin.scene().rules->problems.empty());
            twin.step(0);
            twin.step(50000);
            input(twin);
            twin.step(109999);
            QCOMPARE(twin.get("panel.light"), std::string("80"));
            QCOMPARE(twin.screen(), 1);
            twin.step(110000);
            QCOMPARE(twin.get("panel.light"), std::string("10"));
            QCOMPARE(twin.screen(), 0);
            twin.go(1);
            twin.step(500000);
            QCOMPARE(twin.screen(), 1);
            input(twin);
            twin.step(500010);
            QCOMPARE(twin.get("panel.light"), std::string("80"));
            twin.step(559999);
            QCOMPARE(twin.get("panel.light"), std::string("80"));
            twin.step(560000);
            QCOMPARE(twin.get("panel.light"), std::string("10"));
        }
    }

    // A finger that stays down is input, and a condition delays it.
    void whatKeepsItFromRunning() {
        Twin twin(
            builder_.build(idleDocument("on idle 10 s while !busy\n    go one\n\non idle 300 ms\n    busy = yes\n")));
        twin.step(0);
        twin.touch(5, 5, true);
        twin.step(60000);
        QCOMPARE(twin.get("busy"), std::string("no"));
        twin.touch(5, 5, false);
        twin.step(60200);
        QCOMPARE(twin.get("busy"), std::string("no"));
        twin.step(60300);
        QCOMPARE(twin.get("busy"), std::string("yes"));
        twin.step(90000);
        QCOMPARE(twin.screen(), 1);
        QVERIFY(twin.set("busy", "no"));
        twin.step(90010);
        twin.step(90020);
        QCOMPARE(twin.screen(), 0);
    }

    void mistakesAreTold() {
        QVERIFY(tells(builder_.build(idleDocument("on idle\n    go one\n"))->rules->problems, "a time belongs here"));
        QVERIFY(
            tells(builder_.build(idleDocument("on one.enter\n    go two\notherwise\n    go one\n"))->rules->problems,
                  "only a when and on idle"));
    }
};

GORSEFINCH_TEST(TestIdle, Nothing)
#include "tst_idle.moc"
