// SPDX-License-Identifier: GPL-3.0-or-later
// Where a tap leads: read from the rules and written into them, in the place where somebody would write it.
#include <QtTest>

#include "core/edits/leads.h"
#include "core/scene/built_scene.h"
#include "tests/support/built_scene.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

// Each of the screens one and two has a button `more`; `next` is on the first only.
Document leadProject(const std::string& rules) {
    Document d = makeDocument({"one", "two", "three"});
    for (const char* screen : {"one", "two"})
        d = addWidgets(d, screen, {makeWidget("more", Kind::Button, 0, 0, 90, 40)});
    d = addWidgets(d, "one", {makeWidget("next", Kind::Button, 0, 60, 90, 40)});
    return withRules(d, "main", rules);
}

std::string after(const std::string& rules, const std::string& widget, const std::optional<Lead>& lead) {
    const auto next = withLead(leadProject(rules), "one", widget, lead);
    return next ? next->rules->front().text : "refused: " + next.error().reason;
}

}  // namespace

class TestLeads : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void isRead() {
        const auto lead = [](const std::string& rules, const char* widget = "next") {
            return leadOf(leadProject(rules), "one", widget);
        };
        QVERIFY(lead("on next.tap\n    go two\n") == (Lead{"two", ""}));
        QVERIFY(lead("on one.next.tap\n    call beep()\n    go two, slide left 200 ms // on\n") ==
                (Lead{"two", "slide left 200 ms"}));
        QVERIFY(lead("on next.tap\n    back\n") == (Lead{"", ""}));
        QVERIFY(lead("on next.tap\n    back, cover up") == (Lead{"", "cover up"}));
        QVERIFY(lead("on one.more.tap\n    go three\n", "more") == (Lead{"three", ""}));
        for (const char* rules :
             {"", "on next.press\n    go two\n", "on next.tap while yes\n    go two\n", "on more.tap\n    go two\n",
              "on two.more.tap\n    go two\n", "on next.tap\n    go = 1\n    back.x = 2\n",
              "// on next.tap\n//    go two\n", "on next.tap\n    call beep()\nwhen yes\n    go two\n"})
            QVERIFY2(!lead(rules) && !lead(rules, "more"), rules);
        // The second rule of the tap leads.
        QVERIFY(lead("on next.tap\n    call beep()\n\non next.tap\n    go two\n") == (Lead{"two", ""}));
    }

    void isWritten() {
        QCOMPARE(after("", "next", Lead{"two", ""}), std::string("on next.tap\n    go two\n"));
        QCOMPARE(after("on start\n    go two", "more", Lead{"three", "fade"}),
                 std::string("on start\n    go two\n\non one.more.tap\n    go three, fade\n"));
        QCOMPARE(after("on next.tap // here\n    call beep()\n\nwhen yes\n    back\n", "next", Lead{"", ""}),
                 std::string("on next.tap // here\n    call beep()\n    back\n\nwhen yes\n    back\n"));
        QCOMPARE(after("on next.tap\n\tgo two, fade // away\n    call beep()\n", "next", Lead{"three", ""}),
                 std::string("on next.tap\n\tgo three // away\n    call beep()\n"));
        QCOMPARE(after("on next.tap\n    back", "next", Lead{"two", "slide up 90 ms"}),
                 std::string("on next.tap\n    go two, slide up 90 ms"));
        QCOMPARE(after("", "next", Lead{"nowhere", ""}), std::string("refused: there is no such screen"));
        QVERIFY(after("", "next", Lead{"two", "slide sideways"}).starts_with("refused: "));
        QVERIFY(after("", "next", Lead{"two", "fade\n    back"}).starts_with("refused: "));
        // A screen and a widget that are not there leave all as it is.
        QCOMPARE(after("", "nothing", Lead{"two", ""}), std::string());
    }

    void isTakenAway() {
        QCOMPARE(after("on next.tap\n    call beep()\n    go two\n", "next", {}),
                 std::string("on next.tap\n    call beep()\n"));
        QCOMPARE(after("on start\n    go two\n\non next.tap\n    go two\n\nwhen yes\n    back\n", "next", {}),
                 std::string("on start\n    go two\n\nwhen yes\n    back\n"));
        QCOMPARE(after("on start\n    go two\n\non next.tap\n    go two\n", "next", {}),
                 std::string("on start\n    go two\n"));
        QCOMPARE(after("on next.press\n    go two\n", "next", {}), std::string("on next.press\n    go two\n"));
    }

    // Whatever was written is read again, without problems of the rules.
    void thereAndBack() {
        SceneBuilder builder;
        for (const char* rules : {"", "on start\n    go two", "on next.tap\n    call beep()\n",
                                  "on one.next.tap\n    go one, fade\n", "on next.tap while 1 > 0\n    back\n"})
            for (const char* widget : {"next", "more"})
                for (const Lead& lead :
                     {Lead{"two", ""}, Lead{"three", "cover left 1 s, ease both"}, Lead{"", "cut"}}) {
                    const Document d = *withLead(leadProject(rules), "one", widget, lead);
                    QVERIFY(leadOf(d, "one", widget) == lead);
                    const BuiltSceneRef scene = builtWithoutErrors(builder, d);
                    QVERIFY(scene->rules->problems.empty());
                    const Document none = *withLead(d, "one", widget, {});
                    QVERIFY(!leadOf(none, "one", widget));
                }
    }
};

GORSEFINCH_TEST(TestLeads, Nothing)
#include "tst_leads.moc"
