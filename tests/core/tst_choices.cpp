// SPDX-License-Identifier: GPL-3.0-or-later
// Variables that are a choice of names: in rules, expressions and texts, files and tables, and as names change.
#include <QtTest>

#include "core/edits/variable_csv.h"
#include "core/edits/variable_header.h"
#include "core/edits/variable_line.h"
#include "core/emit/export_variables.h"
#include "core/emit/scene_writer.h"
#include "core/sim/twin.h"
#include "runtime/gorse_internal.h"
#include "tests/support/built_scene.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

const char* const kRules = R"(on start
    number = mode == "warming up" ? 1 : 2
    mode = number == 2 ? "hold" : "idle"
    other = mode

when mode != "idle" && title != "idle"
    title = "idle"

when any slot == "idle"
    slot[1] = "hold"
)";

Document choiceProject(const std::string& rules = {}) {
    Document d = makeDocument();
    d = withVariable(d, makeChoice("mode", {"idle", "warming up", "hold"}));
    d = withVariable(d, makeChoice("other", {"idle", "warming up", "hold"}));
    d = withVariable(d, makeChoice("side", {"left", "right"}, 1));
    d = withVariable(d, makeNumber("number", 0, 99, 0));
    d = withVariable(d, makeText("title", "x"));
    d = withVariable(d, arrayOf(makeChoice("slot", {"idle", "warming up", "hold"}, 2), 3));
    d = addWidgets(d, "first",
                   {makeWidget("words", Kind::Text, 0, 0, 200, 20,
                               {{"text", std::string("{mode}, {slot[2]}, {mode == \"idle\" ? 1 : 2}")}})});
    return withRules(d, "main", rules);
}

std::string textShown(Twin& twin) {
    const gorse* run = twin.run();
    return gorse_screen_memory(run) + run->scene->screens[0].widgets[0]->memory;
}

std::string firstMistake(const std::string& statement) {
    SceneBuilder builder;
    for (const Problem& each : builder.build(choiceProject("on start\n    " + statement + "\n"))->problems)
        if (each.severity == Severity::Error)
            return each.reason;
    return {};
}

}  // namespace

class TestChoices : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void rules() {
        SceneBuilder builder;
        Twin twin(builtWithoutErrors(builder, choiceProject(kRules)));
        twin.step(0);
        QCOMPARE(twin.get("number"), std::string("2"));
        QCOMPARE(twin.get("mode"), std::string("hold"));
        QCOMPARE(twin.get("other"), std::string("hold"));
        QCOMPARE(twin.get("title"), std::string("idle"));
        QCOMPARE(textShown(twin), std::string("hold, hold, 2"));
        QVERIFY(twin.set("slot[0]", "idle"));
        QVERIFY(twin.set("mode", "warming up"));
        twin.step(10);
        QCOMPARE(twin.get("slot"), std::string("idle, hold, hold"));
        QCOMPARE(textShown(twin), std::string("warming up, hold, 2"));
        const auto wrong = twin.set("mode", "cold");
        QVERIFY(!wrong && wrong.error().remedy == "Write one of idle, warming up, hold");
    }

    void mistakes_data() {
        QTest::addColumn<QString>("statement");
        QTest::addColumn<QString>("reason");
        const auto row = [](const char* statement, const char* reason) {
            QTest::newRow(statement) << statement << reason;
        };
        row("mode = \"cold\"", "it takes a choice, this is a text");
        row("mode = 1", "it takes a choice, this is a number");
        row("mode = hold", "there is no variable \"hold\"");
        row("mode = side", "these are different choices");
        row("mode = \"left\"", "it takes a choice, this is a text");
        row("number = mode", "it takes a number, this is a choice");
        row("number = mode == side ? 1 : 2", "these are different choices");
        row("number = mode == 1 ? 1 : 2", "a choice is needed");
        row("number = mode > \"idle\" ? 1 : 2", "a number is needed");
        row("number = mode + 1", "a number is needed");
        row("slot[0] = \"cold\"", "it takes a choice, this is a text");
        row("number = any slot == \"left\" ? 1 : 2", "a choice is needed");
    }

    void mistakes() {
        QFETCH(QString, statement);
        QFETCH(QString, reason);
        const QString said = QString::fromStdString(firstMistake(statement.toStdString()));
        QVERIFY2(said.contains(reason), qPrintable(said));
    }

    // A name without its quotes is the likeliest mistake.
    void theRemedyNamesTheWords() {
        for (const char* statement : {"mode = hold", "number = mode == hold ? 1 : 2", "number = count slot == hold"}) {
            SceneBuilder builder;
            const auto problems =
                builder.build(choiceProject("on start\n    " + std::string(statement) + "\n"))->problems;
            QVERIFY2(tells(problems, "Write \"idle\", \"warming up\" or \"hold\" in quotes"), statement);
        }
    }

    void namesThatCantBe_data() {
        QTest::addColumn<QStringList>("names");
        QTest::newRow("none") << QStringList{};
        QTest::newRow("empty") << QStringList{"a", ""};
        QTest::newRow("twice") << QStringList{"a", "b", "a"};
        QTest::newRow("quote") << QStringList{"a\"b"};
        QTest::newRow("brace") << QStringList{"{a}"};
        QTest::newRow("comma") << QStringList{"a,b"};
        QTest::newRow("line") << QStringList{"a\nb"};
        QTest::newRow("blanks") << QStringList{" a"};
        QTest::newRow("long") << QStringList{QString(41, 'a')};
        QTest::newRow("long together") << QStringList{QString(40, 'a'), QString(40, 'b'), QString(40, 'c'),
                                                      QString(40, 'd'), QString(40, 'e'), QString(40, 'f')};
    }

    void namesThatCantBe() {
        QFETCH(QStringList, names);
        std::vector<std::string> all;
        for (const QString& each : names)
            all.push_back(each.toStdString());
        QVERIFY(choicesError(all));
        const Document d = choiceProject();
        const auto refused = withChoices(d, "mode", all);
        QVERIFY(!refused && !refused.error().remedy.empty());
        ProjectFiles files = toFiles(d);
        auto main = QJsonDocument::fromJson(QByteArray::fromStdString(std::string(files.at("gorsefinch.json").text())))
                        .object();
        QJsonArray variables = main["variables"].toArray();
        QJsonObject mode = variables[0].toObject();
        mode["choices"] = QJsonArray::fromStringList(names);
        variables[0] = mode;
        main["variables"] = variables;
        files["gorsefinch.json"] = SharedBytes(QJsonDocument(main).toJson().toStdString());
        const ReadProject read = readFiles(files);
        QVERIFY(read.document && tells(read.problems, "choices"));
        QVERIFY(!choicesError(read.document->variable("mode")->choices));
    }

    void files() {
        Document d = choiceProject(kRules);
        d = withVariable(d, makeChoice("state", {"a", "b\u00e9"}, 1));
        const ReadProject read = readFiles(toFiles(d));
        QVERIFY(read.document && read.problems.empty());
        QVERIFY(*read.document->variables == *d.variables);
    }

    // A key that meant nothing for the type that a variable had does not come back over what it means now.
    void keysOfOtherTypes() {
        ProjectFiles files = toFiles(choiceProject());
        std::string main(files.at("gorsefinch.json").text());
        const std::string whole = "\"name\": \"number\",";
        main.insert(main.find(whole) + whole.size(), "\"choices\": [\"old\", \"older\"],");
        files["gorsefinch.json"] = SharedBytes(main);
        const ReadProject read = readFiles(files);
        QVERIFY(read.document);
        Variable number = *read.document->variable("number");
        number.type = VariableType::Choice;
        setChoices(number, {"new", "newer"});
        const ReadProject again = readFiles(toFiles(withVariable(*read.document, number)));
        QVERIFY(again.document);
        QCOMPARE(again.document->variable("number")->choices, number.choices);
    }

    void tablesAndHeaders() {
        const std::vector<Variable> all = *choiceProject().variables;
        const auto table = variablesFromCsv(variablesToCsv(all), "t.csv");
        QVERIFY(table && table->problems.empty());
        QVERIFY(table->variables == all);
        const auto header = variablesFromHeader(variablesToHeader("demo", all), "t.h", all);
        QVERIFY(header && header->problems.empty());
        QCOMPARE(header->variables.size(), all.size());
        for (size_t i = 0; i < all.size(); ++i) {
            QCOMPARE(header->variables[i].name, all[i].name);
            QVERIFY(header->variables[i].choices == all[i].choices);
            QCOMPARE(header->variables[i].count, all[i].count);
            QCOMPARE(header->variables[i].start, all[i].start);
        }
        const auto wrong = variablesFromCsv(
            "name,type,choices,start\na,choice,x|y,z\nb,choice,x|x,x\nc,choice,,\nd,choice,p|q,q\n", "t");
        QVERIFY(wrong);
        QCOMPARE(wrong->problems.size(), size_t{3});
        QCOMPARE(wrong->variables.size(), size_t{1});
        QCOMPARE(wrong->variables[0].start, 1);
    }

    void oneLine() {
        const auto mode = variableFromLine("mode choice idle, warming up, hold");
        QVERIFY(mode && mode->type == VariableType::Choice);
        QCOMPARE(mode->choices.size(), size_t{3});
        QCOMPARE(mode->choices[1], std::string("warming up"));
        QCOMPARE(variableInWords(*mode), std::string("idle, warming up, hold"));
        const auto zones = variableFromLine("zone[8] 0.0 to 100.0 °C");
        QVERIFY(zones && zones->count == 8 && zones->decimals == 1 && zones->name == "zone");
        QCOMPARE(variableInWords(*zones), std::string("8 of: decimal, 0.0 to 100.0 °C"));
        for (const char* wrong :
             {"mode choice", "mode choice a, a", "t[3] text 5", "z[0] 0 to 1", "z[257] 0 to 1", "z[ 0 to 1"})
            QVERIFY2(!variableFromLine(wrong), wrong);
    }

    // A name that is replaced is followed in rules and texts; one that only moves keeps its meaning.
    void changedNames() {
        Document d = choiceProject(kRules);
        const auto next = withChoices(d, "mode", {"off", "warming up", "hold"});
        QVERIFY(next);
        QCOMPARE(next->variable("mode")->choices[0], std::string("off"));
        const std::string rules = (*next->rules)[0].text;
        QVERIFY(rules.find("mode = number == 2 ? \"hold\" : \"off\"") != std::string::npos);
        QVERIFY(rules.find("when mode != \"off\" && title != \"idle\"\n    title = \"idle\"") != std::string::npos);
        QVERIFY(rules.find("any slot == \"idle\"") != std::string::npos);
        QCOMPARE(std::get<std::string>(next->screens[0]->widgets[0]->properties.at("text")),
                 std::string("{mode}, {slot[2]}, {mode == \"off\" ? 1 : 2}"));
        const auto slots = withChoices(d, "slot", {"idle", "warming up", "still"});
        QVERIFY(slots);
        QVERIFY((*slots->rules)[0].text.find("slot[1] = \"still\"") != std::string::npos);
        QVERIFY((*slots->rules)[0].text.find("? \"hold\"") != std::string::npos);
        // The start value and the twin's value keep their names.
        const auto moved = withChoices(d, "slot", {"hold", "idle", "warming up", "more"});
        QVERIFY(moved);
        QCOMPARE(moved->variable("slot")->start, 0);
        QCOMPARE((*moved->rules)[0].text, (*d.rules)[0].text);
        SceneBuilder builder;
        Twin twin(builder.build(choiceProject()));
        twin.step(0);
        QVERIFY(twin.set("slot", "idle, warming up, hold"));
        twin.update(builder.build(withoutRules(*moved)));
        QCOMPARE(twin.get("slot"), std::string("idle, warming up, hold"));
    }

    static Document withoutRules(const Document& document) { return withRules(document, "main", ""); }

    // Constants of the generated header differ even where names do not differ in C's letters.
    void constants() {
        Document d = makeDocument();
        d = withVariable(d, makeChoice("mode", {"warm-up", "warm up", "\u00e9\u00e8", "3 bar", "hold"}));
        SceneBuilder builder;
        const std::string header = headerOf(*builtWithoutErrors(builder, d));
        for (const char* each : {"typedef enum demo_mode {", "DEMO_MODE_WARM_UP = 0,", "DEMO_MODE_VALUE_1 = 1,",
                                 "DEMO_MODE_VALUE_2 = 2,", "DEMO_MODE_3_BAR = 3,", "DEMO_MODE_HOLD = 4 /* hold */",
                                 "} demo_mode;", "gorse_result demo_set_mode(demo_mode value);",
                                 "demo_mode demo_get_mode(void);", "uint8_t demo_changed_mode(void);"})
            QVERIFY2(header.find(each) != std::string::npos, each);
        QVERIFY(header.find("MODE_MAX") == std::string::npos);
    }

    static std::string headerOf(const BuiltScene& scene) { return writeHeader(scene); }
};

GORSEFINCH_TEST(TestChoices, Nothing)
#include "tst_choices.moc"
