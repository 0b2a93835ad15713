// SPDX-License-Identifier: GPL-3.0-or-later
// Screens that users can't leave, and the order of the focus.
#include <QtTest>

#include "core/edits/focus_edits.h"
#include "core/scene/press_words.h"
#include "core/scene/ways_out.h"
#include "tests/support/operated.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

// Two screens, each with two buttons.
Document twoScreens(const std::string& rules, bool touch = true) {
    Document d = controlsOf({button("open", 10, {}), button("help", 80, {})}, rules);
    d = addWidgets(d, "second", {button("close", 10, {}), button("more", 80, {})});
    Panel panel = *d.panel;
    panel.touch = touch;
    panel.knob = !touch;
    return withPanel(d, panel);
}

QString deadEnds(const Document& document) {
    SceneBuilder builder;
    QString out;
    for (const Problem& each : builder.build(document)->problems)
        if (each.reason.starts_with("rules lead to this screen"))
            out += QString::fromStdString(each.screen + ": " + each.reason + "\n");
    return out;
}

const char* const kTo = "on open.tap\n    go second\n";

Document focusOf(const std::vector<std::string>& turns) {
    std::vector<Widget> widgets;
    for (size_t i = 0; i < turns.size(); ++i) {
        widgets.push_back(button(std::string(1, static_cast<char>('a' + i)), 10 + 50 * static_cast<int>(i), {}));
        widgets.back().focus = turns[i];
    }
    return addWidgets(makeDocument({"only"}), "only", widgets);
}

QString turnsOf(const Document& document) {
    QString out;
    for (const WidgetRef& each : document.screens[0]->widgets)
        out += QString::fromStdString(each->name + (each->focus.empty() ? "" : "=" + each->focus) + " ");
    return out.trimmed();
}

}  // namespace

class TestWaysOut : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void aScreenWithoutAWayOutIsAProblem_data() {
        QTest::addColumn<QString>("rules");
        QTest::addColumn<bool>("touch");
        QTest::addColumn<bool>("isDeadEnd");
        const QString to(kTo);
        QTest::newRow("nothing leads there") << "on help.tap\n    count = 1\n" << true << false;
        QTest::newRow("nothing leads away") << to << true << true;
        QTest::newRow("back") << to + "on close.tap\n    back\n" << true << false;
        QTest::newRow("go") << to + "on second.close.hold\n    count = 1\n    go first\n" << true << false;
        QTest::newRow("on the other screen") << to + "on help.tap\n    back\n" << true << true;
        QTest::newRow("swipe") << to + "on second.swipe left\n    back\n" << true << false;
        QTest::newRow("the other's swipe") << to + "on first.swipe left\n    back\n" << true << true;
        QTest::newRow("time") << to + "every 10 s\n    go first\n" << true << false;
        QTest::newRow("condition") << to + "when count > 3\n    count = 0\notherwise\n    go first\n" << true << false;
        QTest::newRow("condition to itself") << "when count > 3\n    go second\n" << true << true;
        QTest::newRow("entering") << to + "on second.enter while lit\n    back\n" << true << false;
        QTest::newRow("knob nothing") << to << false << true;
        QTest::newRow("knob button") << to + "on close.tap\n    back\n" << false << false;
        QTest::newRow("knob swipe") << to + "on second.swipe left\n    back\n" << false << true;
        QTest::newRow("push") << to + "on key push\n    back\n" << false << false;
        QTest::newRow("turn") << to + "on knob left\n    back\n" << false << false;
    }

    void aScreenWithoutAWayOutIsAProblem() {
        QFETCH(QString, rules);
        QFETCH(bool, touch);
        QFETCH(bool, isDeadEnd);
        const QString found = deadEnds(twoScreens(rules.toStdString(), touch));
        QCOMPARE(found, !isDeadEnd ? QString()
                        : touch    ? "second: rules lead to this screen, and none leads away from it\n"
                                : "second: rules lead to this screen, and the focus reaches nothing that leads away\n");
    }

    void whatTheFocusPassesOverIsNoWayOut() {
        const Document d = twoScreens(std::string(kTo) + "on close.tap\n    back\n", false);
        QCOMPARE(deadEnds(passOver(d, "second", "close", true)),
                 "second: rules lead to this screen, and the focus reaches nothing that leads away\n");
        QCOMPARE(deadEnds(passOver(passOver(d, "second", "close", true), "second", "close", false)), QString());
    }

    void aFirmwareThatShowsWhatItWantsIsLeftAlone() {
        Document d = twoScreens(kTo);
        Panel panel = *d.panel;
        panel.touch = false;
        QCOMPARE(deadEnds(withPanel(d, panel)), QString());
    }

    void theOnlyWayOutIsKnown() {
        const auto only = [](const char* rules, std::vector<std::string> widgets) {
            SceneBuilder builder;
            return areOnlyWayOut(*builder.build(twoScreens(std::string(kTo) + rules)), 1, widgets);
        };
        QVERIFY(only("on close.tap\n    back\n", {"close"}));
        QVERIFY(only("on close.tap\n    back\n", {"more", "close"}));
        QVERIFY(!only("on close.tap\n    back\n", {"more"}));
        QVERIFY(!only("on close.tap\n    back\non more.tap\n    go first\n", {"close"}));
        QVERIFY(only("on close.tap\n    back\non close.hold\n    go first\non more.tap\n    go first\n",
                     {"close", "more"}));
        QVERIFY(!only("on close.tap\n    back\non second.swipe up\n    back\n", {"close"}));
        QVERIFY(only("on close.tap\n    back\nevery 1 s\n    go first\n", {"close"}));  // that is not the user
        QVERIFY(!only("on close.tap\n    go second\n", {"close"}));
        QVERIFY(!only("", {"close"}));
    }

    // A project of many screens reuses its rules: what was known of them must move with the widgets.
    void anEditElsewhereKeepsThem() {
        SceneBuilder builder;
        Document d = twoScreens(std::string(kTo) + "on close.tap\n    back\n");
        (void)builder.build(d);
        d = reorderWidgets(d, "second", std::vector<std::string>{"close"}, Depth::ToTop);
        const BuiltSceneRef scene = builder.build(d);
        QCOMPARE(waysOut(*scene, 1).widgets, std::vector<std::string>{"close"});
    }

    void aPressIsPutInWords() {
        using S = std::string;
        Document d = controlsOf({button("plain", 0, {}), button("held", 70, acting("momentary", "lit")),
                                 button("latch", 140, acting("latching", "lit")),
                                 button("one", 0, {{"acts", S("choice")}, {"value", S("mode")}, {"choice", S("mid")}}),
                                 makeWidget("fan", Kind::Switch, 0, 60, 40, 20, {{"value", S("lit")}}),
                                 makeWidget("dim", Kind::Slider, 0, 90, 90, 20, {{"value", S("level")}}),
                                 makeWidget("pad", Kind::Zone, 0, 120, 40, 20)},
                                "on first.latch.change\n    count = 1\n    go second\n\non pad.hold\n\n    back\n\n"
                                "on pad.swipe left\n    lit = no // off\n");
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(d);
        const char* const wanted[] = {"nothing",
                                      "lit is yes while it is held",
                                      "turns lit over; change: count = 1, go second",
                                      "sets mode to mid",
                                      "turns lit over",
                                      "sets level",
                                      "hold: back; swipe left: lit = no // off"};
        for (size_t i = 0; i < std::size(wanted); ++i)
            QCOMPARE(QString::fromStdString(pressWords(*scene, 0, i)), QString(wanted[i]));
    }

    void aNumberTakesAnothersTurn() {
        const std::vector<std::string> order = {"a", "b", "c", "d"};
        const Document d = focusOf({"", "", "", ""});
        const auto moved = [&](const char* widget, const char* to) {
            return turnsOf(moveInFocus(d, "only", order, widget, to));
        };
        QCOMPARE(moved("d", "b"), QString("a=1 b=3 c=4 d=2"));
        QCOMPARE(moved("a", "c"), QString("a=3 b=1 c=2 d=4"));
        QCOMPARE(moved("a", "d"), QString("a=4 b=1 c=2 d=3"));
        QCOMPARE(moved("a", "a"), QString("a b c d"));
        QCOMPARE(moved("a", "gone"), QString("a b c d"));
    }

    void onesThatArePassedOverStayOut() {
        Document d = focusOf({"", kNeverFocused, "7", ""});
        const std::vector<std::string> order = {"c", "a", "d"};
        QCOMPARE(turnsOf(moveInFocus(d, "only", order, "d", "c")), QString("a=3 b=never c=2 d=1"));
        QCOMPARE(turnsOf(moveInFocus(d, "only", order, "b", "a")), QString("a=3 b=2 c=1 d=4"));
        QCOMPARE(turnsOf(focusByPlace(d, "only")), QString("a b=never c d"));
        QCOMPARE(turnsOf(passOver(d, "only", "c", true)), QString("a b=never c=never d"));
        QCOMPARE(turnsOf(passOver(d, "only", "b", false)), QString("a b c=7 d"));
    }
};

GORSEFINCH_TEST(TestWaysOut, Nothing)
#include "tst_ways_out.moc"
