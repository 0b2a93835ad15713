// SPDX-License-Identifier: GPL-3.0-or-later
// The rules language: what is refused and where, and what runs, as the twin shows it.
#include <QtTest>

#include "core/sim/script.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Document ruleProject(const std::string& rules) {
    Document d = makeDocument({"status", "menu"});
    d = withVariable(d, makeNumber("count", -1000, 1000, 0));
    d = withVariable(d, makeNumber("level", 0, 1000, 125, 1));
    d = withVariable(d, makeNumber("fine", -100000, 100000, 0, 3));
    d = withVariable(d, makeNumber("big", -2000000000, 2000000000, 0));
    d = withVariable(d, makeYesNo("armed", false));
    d = withVariable(d, makeText("title", "Bisque", 20));
    d = addWidgets(d, "status",
                   {makeWidget("start_button", Kind::Button, 0, 0, 40, 20),
                    makeWidget("words", Kind::Text, 0, 30, 100, 20, {{"text", std::string("{count}")}}),
                    makeWidget("both", Kind::Button, 50, 0, 40, 20)});
    d = addWidgets(
        d, "menu",
        {makeWidget("back_button", Kind::Button, 0, 0, 40, 20), makeWidget("both", Kind::Button, 50, 0, 40, 20)});
    return withRules(d, "main", rules);
}

// Runs an assignment once and gives the variable.
std::string evaluated(const std::string& variable, const std::string& expression) {
    SceneBuilder builder;
    const BuiltSceneRef scene = builder.build(ruleProject("on start\n    " + variable + " = " + expression + "\n"));
    if (hasErrors(scene->problems))
        return "refused: " + scene->problems.front().reason;
    Twin twin(scene);
    twin.step(0);
    return twin.get(variable);
}

void tap(Twin& twin, int x, int y) {
    twin.touch(x, y, true);
    twin.touch(x, y, false);
    twin.step(twin.now() + 10);
}

}  // namespace

class TestRules : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void expressions_data() {
        QTest::addColumn<QString>("variable");
        QTest::addColumn<QString>("expression");
        QTest::addColumn<QString>("value");
        const auto add = [](const char* variable, const char* expression, const char* value) {
            QTest::addRow("%s = %s", variable, expression) << variable << expression << value;
        };
        add("count", "2 + 3 * 4", "14");
        add("count", "(2 + 3) * 4", "20");
        add("count", "-7 / 2", "-3");
        add("count", "-7 % 3", "-1");
        add("count", "7 / 0", "0");
        add("count", "1 << 4 | 3", "19");
        add("count", "~5 & 15", "10");
        add("count", "6 ^ 3", "5");
        add("count", "-16 >> 2", "-4");
        add("count", "armed ? 1 : 2", "2");
        add("count", "level", "13");   // 12.5 rounds away from zero, with a warning
        add("count", "5000", "1000");  // clamped to the range
        add("level", "level * 2", "25.0");
        add("level", "level * 0.5", "6.3");  // 6.25 rounded to one decimal
        add("level", "level / 4", "3.1");    // 12.5 / 4 = 3.125 cut to the left side's decimals
        add("level", "3", "3.0");
        add("fine", "level + 0.125", "12.625");
        add("fine", "1.5 - level", "-11.000");
        add("armed", "level > 12.4", "yes");
        add("armed", "level >= 12.5 && level <= 12.5", "yes");
        add("armed", "level != 12.5 || count == 1", "no");
        add("armed", "!(count == 0)", "no");
        add("armed", "title == \"Bisque\"", "yes");
        add("armed", "title != \"Glaze\"", "yes");
        add("armed", "count != 0 && 10 / count > 2", "no");
        add("big", "2000000000 + 2000000000", "-294967296");
        add("title", "\"Glaze {count}\"", "Glaze 0");
        add("title", "armed ? \"on\" : title", "Bisque");
    }

    void expressions() {
        QFETCH(QString, variable);
        QFETCH(QString, expression);
        QFETCH(QString, value);
        QCOMPARE(QString::fromStdString(evaluated(variable.toStdString(), expression.toStdString())), value);
    }

    void mistakes_data() {
        QTest::addColumn<QString>("rules");
        QTest::addColumn<int>("line");
        QTest::addColumn<int>("column");
        QTest::addColumn<QString>("reason");
        const auto add = [](const char* name, const char* rules, int line, int column, const char* reason) {
            QTest::newRow(name) << rules << line << column << reason;
        };
        add("no such header", "if armed\n    back\n", 1, 1, "begins with on, every or when");
        add("indented first", "    back\n", 1, 5, "belongs to no rule");
        add("no body", "on start\n", 1, 1, "does nothing");
        add("unknown widget", "on fire.tap\n    back\n", 1, 4, "no widget \"fire\"");
        add("ambiguous widget", "on both.tap\n    back\n", 1, 4, "several screens");
        add("unknown event", "on start_button.tip\n    back\n", 1, 17, "no event \"tip\"");
        add("text takes no touch", "on words.tap\n    back\n", 1, 4, "takes no touch");
        add("unknown screen", "on start\n    go nowhere\n", 2, 8, "no screen \"nowhere\"");
        add("unknown variable", "on start\n    cuont = 1\n", 2, 5, "no variable \"cuont\"");
        add("unknown in expression", "on start\n    count = 1 + cuont\n", 2, 17, "no variable \"cuont\"");
        add("type", "on start\n    armed = 1\n", 2, 11, "takes yes or no");
        add("text to number", "on start\n    count = \"x\"\n", 2, 11, "takes a number");
        add("condition", "when count\n    back\n", 1, 6, "yes or no");
        add("missing value", "on start\n    count = \n", 2, 13, "value");
        add("missing bracket", "on start\n    count = (1 + 2\n", 2, 19, "closing )");
        add("open text", "on start\n    title = \"x\n", 2, 13, "closing \"");
        add("strange sign", "on start\n    count = 1 $ 2\n", 2, 15, "no meaning");
        add("more behind", "on start\n    back now\n", 2, 10, "does not belong");
        add("otherwise of on", "on start\n    back\notherwise\n    back\n", 3, 1, "only a when");
        add("property", "on start\n    words.font = \"x\"\n", 2, 11, "can't set \"font\"");
        add("property range", "on start\n    words.w = 0\n", 2, 13, "goes from 1");
        add("no time", "every armed\n    back\n", 1, 7, "a time belongs");
        add("zero time", "every 0 ms\n    back\n", 1, 7, "1 ms");
        add("hook keyword", "on start\n    call for()\n", 2, 10, "keyword");
        add("hook twice", "on start\n    call ring(1)\n    call ring(armed)\n", 3, 10, "other values");
        add("large number", "on start\n    count = 99999999999\n", 2, 13, "32 bits");
        add("inset in words", "on start\n    words.text = \"{nope}\"\n", 2, 20, "no variable");
    }

    void mistakes() {
        QFETCH(QString, rules);
        QFETCH(int, line);
        QFETCH(int, column);
        QFETCH(QString, reason);
        SceneBuilder builder;
        const BuiltSceneRef scene =
            builder.build(ruleProject(rules.toStdString() + "\non menu.enter\n    count = 7\n"));
        const auto& problems = scene->rules->problems;
        QVERIFY(!problems.empty());
        const Problem& p = problems.front();
        QVERIFY2(QString::fromStdString(p.reason).contains(reason), p.reason.c_str());
        QCOMPARE(p.line, line);
        QCOMPARE(p.column, column);
        QCOMPARE(p.file, std::string("rules/main.rules"));
        QVERIFY2(!p.remedy.empty(), p.reason.c_str());
        // The other rule still runs.
        Twin twin(scene);
        twin.step(0);
        twin.go(1);
        twin.step(10);
        QCOMPARE(twin.get("count"), std::string("7"));
    }

    void warnings() {
        const auto warns = [](const char* rules, const char* words) {
            SceneBuilder builder;
            Document d = ruleProject(rules);
            Variable degrees = makeNumber("heat", 0, 1000, 0);
            degrees.unit = "°C";
            Variable seconds = makeNumber("elapsed", 0, 1000, 0);
            seconds.unit = "s";
            const BuiltSceneRef scene = builder.build(withVariable(withVariable(d, degrees), seconds));
            const Problems& all = scene->rules->problems;
            return !hasErrors(all) && std::any_of(all.begin(), all.end(), [&](const Problem& p) {
                return p.severity == Severity::Warning && p.reason.find(words) != std::string::npos;
            });
        };
        QVERIFY(warns("on start\n    big = big * 2\n", "32 bits"));
        QVERIFY(warns("on start\n    count = level\n", "decimals get lost"));
        QVERIFY(warns("on start\n    armed = heat > elapsed\n", "mixed units"));
        QVERIFY(warns("on start\n    count = 4 / 0\n", "division by zero"));
        QVERIFY(warns("on start\n    count = 5000\n", "outside the range"));
        QVERIFY(!warns("on start\n    heat = heat + 1\n", ""));
        // Conditions that are settled whatever happens. `count` goes from -1000 to 1000, `level` from 0 to 100.0.
        const auto when = [&](const std::string& condition, const char* words) {
            return warns(("when " + condition + "\n    armed = yes\n").c_str(), words);
        };
        for (const char* each : {"count > 1000", "count < -1000", "count == 1001", "level < 0", "level >= 100.1",
                                 "level * 2 > 200", "count + level > 1100", "armed && count < -2000"})
            QVERIFY2(when(each, "it never holds"), each);
        for (const char* each : {"count <= 1000", "count >= -1000", "count != 1001", "level >= 0", "level < 100.1"})
            QVERIFY2(when(each, "it always holds"), each);
        for (const char* each : {"count > 999", "count == 1000", "level <= 0", "level > 99.9", "level == 100.0",
                                 "count > level", "words.x > 5000", "1 == 2", "big * 4 == 1"})
            QVERIFY2(!when(each, " holds: "), each);
    }

    void tapsPressesAndReleases() {
        SceneBuilder builder;
        Twin twin(
            builder.build(ruleProject("on start_button.press\n    count = count + 1\n\non start_button.release\n    "
                                      "count = count + 10\n\non start_button.tap\n    count = count + 100\n")));
        twin.step(0);
        twin.touch(5, 5, true);
        QCOMPARE(twin.get("count"), std::string("1"));
        twin.touch(5, 5, false);
        QCOMPARE(twin.get("count"), std::string("111"));
        twin.touch(5, 5, true);
        twin.touch(300, 200, true);
        twin.touch(300, 200, false);
        QCOMPARE(twin.get("count"), std::string("122"));
    }

    void screensAndBack() {
        SceneBuilder builder;
        Twin twin(
            builder.build(ruleProject("on start_button.tap\n    go menu\n\non back_button.tap\n    back\n\non "
                                      "menu.enter\n    count = count + 1\n\non menu.leave\n    armed = yes\n")));
        twin.step(0);
        tap(twin, 5, 5);
        QCOMPARE(twin.screen(), 1);
        QCOMPARE(twin.get("count"), std::string("1"));
        tap(twin, 5, 5);
        QCOMPARE(twin.screen(), 0);
        QCOMPARE(twin.get("armed"), std::string("yes"));
        tap(twin, 55, 5);
        QCOMPARE(twin.screen(), 0);
    }

    void whenRunsOnceAtStartAndAtEachTurn() {
        SceneBuilder builder;
        Twin twin(
            builder.build(ruleProject("when level > 20\n    count = count + 1\notherwise\n    count = count + 100\n")));
        twin.step(0);
        QCOMPARE(twin.get("count"), std::string("100"));
        for (const char* value : {"21", "22", "30", "5", "6"}) {
            QVERIFY(twin.set("level", value).has_value());
            twin.step(twin.now() + 10);
        }
        QCOMPARE(twin.get("count"), std::string("201"));
    }

    void timersKeepTheirPace() {
        SceneBuilder builder;
        Twin twin(builder.build(ruleProject("every 100 ms while !armed\n    count = count + 1\n")));
        twin.step(1000);
        twin.step(1099);
        QCOMPARE(twin.get("count"), std::string("0"));
        twin.step(1100);
        QCOMPARE(twin.get("count"), std::string("1"));
        twin.step(1390);
        QCOMPARE(twin.get("count"), std::string("3"));
        QVERIFY(twin.set("armed", "yes").has_value());
        twin.step(1700);
        QCOMPARE(twin.get("count"), std::string("3"));
    }

    void timersSurviveTheWrapOfTheClock() {
        SceneBuilder builder;
        Twin twin(builder.build(ruleProject("every 100 ms\n    count = count + 1\n")));
        twin.step(4294967290u);
        twin.step(94);  // 100 ms later
        QCOMPARE(twin.get("count"), std::string("1"));
    }

    void rulesThatFeedThemselvesEnd() {
        SceneBuilder builder;
        Twin twin(builder.build(
            ruleProject("when count % 2 == 0\n    count = count + 1\notherwise\n    count = count + 1\n")));
        twin.step(0);
        bool told = false;
        for (const TraceEntry& each : twin.takeTrace())
            told = told || each.what == GORSE_TRACE_ROUNDS;
        QVERIFY(told);
        QCOMPARE(twin.get("count"), std::string("8"));
    }

    void propertiesChange() {
        SceneBuilder builder;
        Twin twin(
            builder.build(ruleProject("on start_button.tap\n    words.text = \"Level {level}\"\n    words.fill = "
                                      "#FF0000\n    words.x = words.x + 10\n    hide start_button\n")));
        twin.step(0);
        const auto red = [&] { return twin.memory().picture().at(105, 32); };
        QCOMPARE(red(), 0xff000000u);
        tap(twin, 5, 5);
        QCOMPARE(red(), 0xffff0000u);
        QVERIFY(twin.takeFlushed().size() > 1);
        tap(twin, 5, 5);  // hidden: takes no touch
        QCOMPARE(twin.memory().picture().at(115, 32), 0xff000000u);
    }

    void hooksGetTheirValues() {
        SceneBuilder builder;
        Twin twin(builder.build(ruleProject("on start\n    call ring(level, armed, title)\n")));
        std::vector<int32_t> numbers;
        std::string text;
        twin.onHook = [&](int, std::vector<gorse_value> values) {
            for (const gorse_value& v : values)
                numbers.push_back(v.text ? -1 : v.number);
            text = values.back().text;
        };
        twin.step(0);
        QCOMPARE(numbers, (std::vector<int32_t>{125, 0, -1}));
        QCOMPARE(text, std::string("Bisque"));
    }

    // Of several changes of screen in one rule the last one counts, as one step of the history.
    void theLastGoWins_data() {
        QTest::addColumn<QString>("statements");
        QTest::addColumn<int>("ends");
        QTest::addColumn<int>("backTo");
        QTest::newRow("one") << "go b" << 1 << 0;
        QTest::newRow("there and here again") << "go b|go a" << 0 << 0;
        QTest::newRow("two") << "go b|go c" << 2 << 0;
        QTest::newRow("back without a history") << "go b|back" << 0 << 0;
        QTest::newRow("back, then elsewhere") << "back|go c" << 2 << 0;
    }
    void theLastGoWins() {
        QFETCH(QString, statements);
        QFETCH(int, ends);
        QFETCH(int, backTo);
        Document d = withVariable(makeDocument({"a", "b", "c"}), makeNumber("turn", 0, 9, 0));
        d = withRules(d, "main",
                      "when turn == 1\n    " + statements.replace("|", "\n    ").toStdString() +
                          "\n\nwhen turn == 2\n    back\n");
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(d);
        QVERIFY(!hasErrors(scene->problems));
        Twin twin(scene);
        twin.step(0);
        QVERIFY(twin.set("turn", "1"));
        twin.step(10);
        QCOMPARE(twin.screen(), ends);
        QVERIFY(twin.set("turn", "2"));
        twin.step(20);
        QCOMPARE(twin.screen(), backTo);
    }

    void textForms_data() {
        QTest::addColumn<QString>("text");
        QTest::addColumn<QString>("longest");
        QTest::newRow("plain") << "{count}"
                               << "-1000";
        QTest::newRow("decimal as it is") << "{level} kg"
                                          << "100.0 kg";
        QTest::newRow("fewer decimals") << "{fine:0.0}"
                                        << "-100.0";
        QTest::newRow("digits") << "{count:00000}"
                                << "-01000";
        QTest::newRow("step") << "{level:0.1}"
                              << "100.0";
        QTest::newRow("clock") << "{count:mm:ss}"
                               << "-16:40";
        QTest::newRow("hours") << "{big:h:mm:ss}"
                               << "-555555:33:20";
        QTest::newRow("yes or no") << "{armed}!"
                                   << "yes!";
        QTest::newRow("sum") << "{count + 1}"
                             << "-999";
        QTest::newRow("braces") << "{{{count}}}"
                                << "{-1000}";
    }

    void textForms() {
        QFETCH(QString, text);
        QFETCH(QString, longest);
        const Document d = ruleProject("");
        const ProjectNames names(d);
        const CompiledText compiled = compileText(text.toStdString(), names);
        QVERIFY2(compiled.problems.empty(), compiled.problems.empty() ? "" : compiled.problems[0].reason.c_str());
        QCOMPARE(QString::fromStdString(compiled.longestShown), longest);
        QCOMPARE(compiled.longest, static_cast<int>(longest.size()));
    }

    void wrongTexts() {
        const Document d = ruleProject("");
        const ProjectNames names(d);
        for (const char* text :
             {"{count", "count}", "{}", "{nope}", "{count:xx}", "{title:0}", "{count 1}", "{#FF0000}"}) {
            const CompiledText compiled = compileText(text, names);
            QVERIFY2(!compiled.problems.empty(), text);
            QVERIFY2(!compiled.hasInsets, text);
        }
    }

    // Any bytes as rules: mistakes, never a crash or an endless loop.
    void garbage() {
        std::srand(11);
        const std::string words[] = {"on ", "when ", "every ", "otherwise",    "\n",    "    ", "count", ".",
                                     "=",   "(",     ")",      "\"",           "{",     "}",    "1",     "0.5",
                                     "?",   ":",     "&&",     "#FF",          "title", "go ",  "menu",  "\xc3",
                                     "//",  "-",     "!",      "start_button", ".tap"};
        for (int i = 0; i < 600; ++i) {
            std::string text;
            for (int k = 0; k < 40; ++k)
                text += words[static_cast<size_t>(std::rand()) % std::size(words)];
            SceneBuilder builder;
            Twin twin(builder.build(ruleProject(text)));
            twin.step(0);
            twin.step(1000);
        }
        std::string deep = "on start\n    count = " + std::string(5000, '(') + "\n";
        SceneBuilder builder;
        QVERIFY(hasErrors(builder.build(ruleProject(deep))->problems));
    }

    void scripts() {
        const auto steps = parseScript("# a comment\ntap 3 4\nwait 50 # rest\nset title Two words\n", "s");
        QVERIFY(steps.has_value());
        QCOMPARE(steps->size(), size_t{4});
        QCOMPARE(steps->back().value, std::string("Two words"));
        for (const char* wrong : {"jump 1 2", "tap 1", "wait soon", "tap 1 2 3", "set x"}) {
            const auto refused = parseScript(std::string("wait 1\n") + wrong, "s");
            QVERIFY2(!refused, wrong);
            QCOMPARE(refused.error().place, std::string("line 2"));
        }
    }
};

GORSEFINCH_TEST(TestRules, Nothing)
#include "tst_rules.moc"
