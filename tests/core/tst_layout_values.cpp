// SPDX-License-Identifier: GPL-3.0-or-later
// Sums in number fields, names by a pattern, and layout aids in files.
#include <QtTest>

#include "core/edits/guide_edits.h"
#include "core/edits/rename_pattern.h"
#include "core/edits/sum.h"
#include "core/project/merge.h"
#include "core/project/project_text.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

std::string textOf(const ProjectFiles& files, const std::string& path) { return std::string(files.at(path).text()); }

Document stopAndGo() {
    Document d = makeDocument();
    return addWidgets(
        d, "first",
        {makeWidget("stop", Kind::Rectangle, 120, 12, 40, 20), makeWidget("go", Kind::Rectangle, 10, 10, 40, 20),
         makeWidget("wait", Kind::Rectangle, 10, 60, 40, 20), makeWidget("other", Kind::Rectangle, 10, 90, 40, 20)});
}

}  // namespace

class TestLayoutValues : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void sums_data() {
        QTest::addColumn<QString>("text");
        QTest::addColumn<int>("value");
        QTest::newRow("number") << "12" << 12;
        QTest::newRow("difference") << "320-24" << 296;
        QTest::newRow("products first") << "(10+4)*3-2/2" << 41;
        QTest::newRow("sides") << "x + y*2 + w/2 - h" << 10 + 40 + 15 - 40;
        QTest::newRow("panel") << "panel.w - w" << 290;
        QTest::newRow("panel's height") << "panel.h/3" << 80;
        QTest::newRow("on") << "+4" << 11;
        QTest::newRow("twice") << "*2" << 14;
        QTest::newRow("half, rounded") << "/2" << 4;
        QTest::newRow("on by a sum") << "+ w / 3" << 17;
        QTest::newRow("negative") << "-4" << -4;
        QTest::newRow("twice negative") << "--4" << 4;
        QTest::newRow("decimals") << "1.5*3" << 5;
    }
    void sums() {
        QFETCH(QString, text);
        QFETCH(int, value);
        QCOMPARE(valueOfSum(text.toStdString(), {10, 20, 30, 40, 320, 240, 7}), std::optional(value));
    }

    void whatIsNoSum() {
        for (const char* text : {"", " ", "4+", "a", "o", "o+1", "1/0", "0/0", "(1", "1)", "1..2", "panel", "panel.x",
                                 "1 e 9", "9999999", "x y", "+", "%"})
            QVERIFY2(!valueOfSum(text), text);
        QVERIFY(!valueOfSum(std::string(5000, '(')));
        QVERIFY(!valueOfSum(std::string(5000, '-') + "1"));
        QCOMPARE(valueOfSum(std::string(40, '(') + "3" + std::string(40, ')')), std::optional(3));
    }

    void namesByAPattern() {
        const Document d = stopAndGo();
        const Names chosen{"stop", "wait", "go"};
        // In the order in which they are read: go and stop in one row, wait below.
        const PatternNames named = namesByPattern(*d.screens[0], chosen, "*_button_##", 9);
        QCOMPARE(named.before, (Names{"go", "stop", "wait"}));
        QCOMPARE(named.now, (Names{"go_button_09", "stop_button_10", "wait_button_11"}));
        const auto next = renameByPattern(d, "first", chosen, "key_#", 1);
        QVERIFY(next.has_value());
        QCOMPARE(next->screens[0]->widgets[0]->name, std::string("key_2"));
        QCOMPARE(next->screens[0]->widgets[1]->name, std::string("key_1"));
        QCOMPARE(next->screens[0]->widgets[2]->name, std::string("key_3"));
        for (const char* wrong : {"same", "other", "#", "", "a-#", "int", "*_"})
            QVERIFY2(!renameByPattern(d, "first", chosen, wrong, 1), wrong);
        // Names may go round among them.
        const auto round = renameByPattern(*next, "first", Names{"key_1", "key_2", "key_3"}, "key_#", 2);
        QVERIFY(round.has_value());
        QCOMPARE(round->screens[0]->widgets[2]->name, std::string("key_4"));
        QCOMPARE(round->screens[0]->widgets[1]->name, std::string("key_2"));
    }

    void rulesFollowAPattern() {
        Document d = withRules(stopAndGo(), "main", "on start\n    go.visible = no\n    stop.x = wait.x\n");
        const auto next = renameByPattern(d, "first", Names{"go", "stop", "wait"}, "*_box", 1);
        QVERIFY(next.has_value());
        QCOMPARE(next->rules->front().text,
                 std::string("on start\n    go_box.visible = no\n    stop_box.x = wait_box.x\n"));
    }

    void aidsAreKeptInFiles() {
        Document d = stopAndGo();
        LayoutAids aids;
        aids.grid = {12, 3, 5, 6, true, true, {}};
        aids.margin = 9;
        aids.lines.level = {44, 100};
        d = withAids(d, aids);
        d = withLine(d, {"first", true, 160});
        d = changeWidgets(d, "first", Names{"go"}, [](Widget& w) { w.offCanvas = true; });
        const ReadProject back = readFiles(toFiles(d));
        QVERIFY(back.document && back.problems.empty());
        QVERIFY(*back.document->aids == aids);
        QVERIFY(back.document->screens[0]->lines == d.screens[0]->lines);
        QVERIFY(back.document->screens[0]->widgets[1]->offCanvas);
        QCOMPARE(textOf(toFiles(*back.document), "gorsefinch.json"), textOf(toFiles(d), "gorsefinch.json"));
        // As in a new project: nothing is written.
        QVERIFY(textOf(toFiles(stopAndGo()), "gorsefinch.json").find("layout") == std::string::npos);
    }

    void wrongAidsAreProblems() {
        ProjectFiles files = toFiles(stopAndGo());
        std::string main = textOf(files, "gorsefinch.json");
        main.replace(
            main.find("\"looks\""), 7,
            "\"layout\": {\"grid\": {\"step\": 1, \"strength\": \"x\", \"glow\": 3}, \"margin\": -1, \"lines\": "
            "{\"upright\": [5, \"a\", -3, 9999999999], \"level\": 7, \"bent\": [1]}, \"more\": 1}, \"looks\"");
        files["gorsefinch.json"] = SharedBytes(main);
        const ReadProject back = readFiles(files);
        QVERIFY(back.document);
        QCOMPARE(back.problems.size(), size_t{5});
        QCOMPARE(back.document->aids->grid.step, Grid().step);
        QCOMPARE(back.document->aids->margin, 0);
        QCOMPARE(back.document->aids->lines.upright, std::vector<int>{5});
        const std::string again = textOf(toFiles(*back.document), "gorsefinch.json");
        for (const char* kept : {"glow", "bent", "more"})
            QVERIFY2(again.find(kept) != std::string::npos, kept);
    }

    void aidsAreMerged() {
        const Document base = stopAndGo();
        LayoutAids aids;
        aids.margin = 4;
        const Document theirs = withAids(base, aids);
        const Merge merge = mergeDocuments(base, withLine(base, {"first", true, 8}), theirs);
        QVERIFY(!merge.hasConflicts());
        QCOMPARE(merge.document.aids->margin, 4);
        QCOMPARE(merge.document.screens[0]->lines.upright, std::vector<int>{8});
        aids.margin = 5;
        const Merge both = mergeDocuments(base, withAids(base, aids), theirs);
        QVERIFY(both.hasConflicts());
        QVERIFY(mergeText(theirs, both.items.front()).find("4") != std::string::npos);
    }
};

GORSEFINCH_TEST(TestLayoutValues, Nothing)
#include "tst_layout_values.moc"
