// SPDX-License-Identifier: GPL-3.0-or-later
// Arrays: elements and what is said of all of them, in expressions, rules and texts, against loops written here; what
// is refused; what is computed when an element changes; files and edits.
#include <QtTest>
#include <bitset>
#include <numeric>
#include <random>

#include "core/sim/trace.h"
#include "core/sim/twin.h"
#include "runtime/gorse_internal.h"
#include "tests/support/built_scene.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kZones = 6;

Document arrayProject(const std::string& rules = {}) {
    Document d = makeDocument();
    d = withVariable(d, makeNumber("before", 0, 99, 7));
    d = withVariable(d, arrayOf(makeNumber("zone", -500, 500, 10, 1), kZones));
    d = withVariable(d, arrayOf(makeYesNo("door", false), 3));
    d = withVariable(d, makeNumber("at", 0, 20, 0));
    d = withVariable(d, makeNumber("limit", -500, 500, 0, 1));
    d = withVariable(d, makeNumber("found", -100000, 100000, 0, 1));
    d = withVariable(d, makeNumber("number", -1000, 1000, 0));
    d = withVariable(d, makeYesNo("holds", false));
    return withRules(d, "main", rules);
}

// The words of the first mistake in an expression that a rule gives a variable, "" for none.
std::string mistakeIn(const std::string& statement) {
    SceneBuilder builder;
    for (const Problem& each : builder.build(arrayProject("on start\n    " + statement + "\n"))->problems)
        if (each.severity == Severity::Error)
            return each.reason;
    return {};
}

bool compares(const std::string& sign, int a, int b) {
    return sign == "<"    ? a < b
           : sign == "<=" ? a <= b
           : sign == ">"  ? a > b
           : sign == ">=" ? a >= b
           : sign == "==" ? a == b
                          : a != b;
}

// A twin whose rule keeps `variable` at an expression.
struct Kept {
    SceneBuilder builder;
    Twin twin;

    Kept(const std::string& variable, const std::string& expression)
        : twin(builtWithoutErrors(builder, arrayProject("every 10 ms\n    " + variable + " = " + expression + "\n"))) {
        twin.step(0);
    }
    std::string now(const std::string& variable) {
        twin.step(twin.now() + 10);
        return twin.get(variable);
    }
};

// How often expressions were computed since the last call.
int computedBy(Twin& twin) {
    const auto trace = twin.takeTrace();
    return static_cast<int>(std::count_if(trace.begin(), trace.end(),
                                          [](const TraceEntry& each) { return each.what == GORSE_TRACE_FOLLOWED; }));
}

}  // namespace

class TestArrays : public QObject {
    Q_OBJECT

    std::mt19937 random_{20261130};
    int any(int min, int max) { return std::uniform_int_distribution<int>(min, max)(random_); }

    std::vector<int> giveZones(Twin& twin) {
        std::vector<int> zones(kZones);
        for (int i = 0; i < kZones; ++i) {
            zones[static_cast<size_t>(i)] = any(0, 9) == 0 ? any(-500, 500) : any(-3, 3);
            if (!twin.set("zone[" + std::to_string(i) + "]", decimalText(zones[static_cast<size_t>(i)], 1)))
                qFatal("an element can't be set");
        }
        return zones;
    }

  private Q_SLOTS:
    void comparisonsOfAll_data() {
        QTest::addColumn<QString>("sign");
        for (const char* sign : {"<", "<=", ">", ">=", "==", "!="})
            QTest::newRow(sign) << sign;
    }

    void comparisonsOfAll() {
        QFETCH(QString, sign);
        const std::string s = sign.toStdString();
        Kept some("holds", "any zone " + s + " limit"), every("holds", "all zone " + s + " limit && yes"),
            how("number", "count zone " + s + " limit");
        for (int i = 0; i < rounds(60); ++i) {
            const auto before = random_;
            int limit = 0;
            std::vector<int> zones;
            for (Twin* twin : {&some.twin, &every.twin, &how.twin}) {
                random_ = before;
                zones = giveZones(*twin);
                limit = any(-3, 3);
                QVERIFY(twin->set("limit", decimalText(limit, 1)));
            }
            const auto count =
                std::count_if(zones.begin(), zones.end(), [&](int zone) { return compares(s, zone, limit); });
            QCOMPARE(some.now("holds"), std::string(count > 0 ? "yes" : "no"));
            QCOMPARE(every.now("holds"), std::string(count == kZones ? "yes" : "no"));
            QCOMPARE(how.now("number"), std::to_string(count));
        }
    }

    void sumsAndExtremes() {
        Kept sum("found", "sum zone + 0.5"), min("found", "min zone"), max("found", "max zone - min zone");
        for (int i = 0; i < rounds(60); ++i) {
            const auto before = random_;
            std::vector<int> zones;
            for (Twin* twin : {&sum.twin, &min.twin, &max.twin}) {
                random_ = before;
                zones = giveZones(*twin);
            }
            const auto [least, most] = std::minmax_element(zones.begin(), zones.end());
            QCOMPARE(sum.now("found"), decimalText(std::accumulate(zones.begin(), zones.end(), 5), 1));
            QCOMPARE(min.now("found"), decimalText(*least, 1));
            QCOMPARE(max.now("found"), decimalText(*most - *least, 1));
        }
    }

    void yesAndNo() {
        Kept some("holds", "any door"), every("holds", "all door == yes"), how("number", "count door");
        for (int bits = 0; bits < 8; ++bits) {
            for (Twin* twin : {&some.twin, &every.twin, &how.twin})
                for (int i = 0; i < 3; ++i)
                    QVERIFY(twin->set("door[" + std::to_string(i) + "]", (bits >> i & 1) != 0 ? "yes" : "no"));
            QCOMPARE(some.now("holds"), std::string(bits != 0 ? "yes" : "no"));
            QCOMPARE(every.now("holds"), std::string(bits == 7 ? "yes" : "no"));
            QCOMPARE(how.now("number"), std::to_string(std::bitset<3>(static_cast<unsigned>(bits)).count()));
        }
    }

    // An index that the array lacks reads 0 and sets nothing; the trace says so. Neighbours stay.
    void indexesThatAreComputed() {
        Kept read("found", "zone[at]");
        const std::vector<int> zones = giveZones(read.twin);
        for (int at = 0; at <= 20; ++at) {
            QVERIFY(read.twin.set("at", std::to_string(at)));
            (void)read.twin.takeTrace();
            QCOMPARE(read.now("found"), decimalText(at < kZones ? zones[static_cast<size_t>(at)] : 0, 1));
            const auto trace = read.twin.takeTrace();
            const auto outside = std::find_if(trace.begin(), trace.end(),
                                              [](const TraceEntry& each) { return each.what == GORSE_TRACE_ELEMENT; });
            QCOMPARE(outside != trace.end(), at >= kZones);
            if (outside != trace.end())
                QVERIFY(traceLine(read.twin.scene(), *outside).ends_with("zone has no element " + std::to_string(at)));
        }
        SceneBuilder builder;
        Twin twin(builtWithoutErrors(builder, arrayProject("every 10 ms\n    zone[at * 2 - 1] = limit\n")));
        twin.step(0);
        QVERIFY(twin.set("limit", "4.5"));
        for (const int at : {0, 1, 3, 4, 20}) {
            QVERIFY(twin.set("at", std::to_string(at)));
            twin.step(twin.now() + 10);
        }
        QCOMPARE(twin.get("zone"), std::string("1.0, 4.5, 1.0, 1.0, 1.0, 4.5"));
        QCOMPARE(twin.get("before"), std::string("7"));
        QCOMPARE(twin.get("door"), std::string("no, no, no"));
    }

    void oneStatementForAll() {
        SceneBuilder builder;
        Twin twin(builtWithoutErrors(builder, arrayProject("on start\n    zone = 80.0\n    door = yes\n")));
        twin.step(0);
        QCOMPARE(twin.get("zone"), std::string("50.0, 50.0, 50.0, 50.0, 50.0, 50.0"));  // clamped
        QCOMPARE(twin.get("door"), std::string("yes, yes, yes"));
        QCOMPARE(twin.get("at"), std::string("0"));
    }

    void mistakes_data() {
        QTest::addColumn<QString>("statement");
        QTest::addColumn<QString>("reason");
        const auto row = [](const char* statement, const char* reason) {
            QTest::newRow(statement) << statement << reason;
        };
        row("found = zone", "zone is an array");
        row("found = zone[6]", "zone goes from 0 to 5");
        row("found = zone[-1]", "zone goes from 0 to 5");
        row("found = zone[holds]", "a number is needed");
        row("found = zone[1", "] is missing");
        row("found = at[0]", "at is no array");
        row("at[0] = 1", "at is no array");
        row("zone[6] = 1", "zone goes from 0 to 5");
        row("zone[0] = yes", "it takes a number");
        row("door[0] = 1", "it takes yes or no");
        row("zone[0 = 1", "does not belong here");
        row("zone[0] 1", "does not belong here");
        row("found = sum door", "sum needs numbers");
        row("found = sum zone[1]", "sum is about all elements");
        row("holds = any zone", "a comparison belongs here");
        row("holds = any zone == yes", "a number is needed");
        row("holds = any door > 1", "a number is needed");
        row("holds = any zone > 1.25", "more decimals than zone");
        row("holds = any at > 1", "there is no variable \"any\"");
        row("found = zone[zone[zone[", "a value is missing");
    }

    void mistakes() {
        QFETCH(QString, statement);
        QFETCH(QString, reason);
        const QString said = QString::fromStdString(mistakeIn(statement.toStdString()));
        QVERIFY2(said.contains(reason), qPrintable(said));
    }

    // A variable may be called as one of the words: they mean arrays only before an array's name.
    void wordsThatAreNames() {
        Document d = arrayProject("on start\n    found = count + sum - min zone\n");
        d = withVariable(d, makeNumber("count", 0, 100, 40));
        d = withVariable(d, makeNumber("sum", 0, 100, 2));
        SceneBuilder builder;
        Twin twin(builtWithoutErrors(builder, d));
        twin.step(0);
        QCOMPARE(twin.get("found"), std::string("41.0"));
        const auto renamed = renameVariable(d, "sum", "total");
        QVERIFY(renamed);
        QCOMPARE((*renamed->rules)[0].text, std::string("on start\n    found = count + total - min zone\n"));
        const auto other = renameVariable(*renamed, "zone", "oven");
        QCOMPARE((*other->rules)[0].text, std::string("on start\n    found = count + total - min oven\n"));
    }

    // What reads one element is computed for that one; what reads by an index or reads all, for any.
    void onlyWhatDependsIsComputed() {
        Document d = arrayProject();
        const auto box = [](const char* name, const char* expression) {
            Widget out = makeWidget(name, Kind::Rectangle, 0, 0, 9, 9);
            out.expressions["x"] = expression;
            return out;
        };
        d = addWidgets(
            d, "first",
            {box("one", "zone[2]"), box("other", "zone[at]"), box("all", "max zone"),
             makeWidget("words", Kind::Text, 0, 20, 100, 16, {{"text", std::string("{zone[3]} {sum zone}")}})});
        SceneBuilder builder;
        Twin twin(builtWithoutErrors(builder, d));
        twin.step(0);
        (void)twin.takeTrace();
        const auto computedAfter = [&](const char* name, const char* value) {
            if (!twin.set(name, value))
                qFatal("%s", name);
            twin.step(twin.now() + 10);
            return computedBy(twin);
        };
        QCOMPARE(computedAfter("zone[2]", "5"), 3);
        QCOMPARE(computedAfter("zone[4]", "6"), 2);
        QCOMPARE(computedAfter("zone[4]", "6"), 0);
        QCOMPARE(computedAfter("at", "4"), 1);
        QCOMPARE(computedAfter("before", "8"), 0);
        twin.takeFlushed();
        QCOMPARE(computedAfter("zone[3]", "9"), 2);
        QVERIFY(!twin.takeFlushed().empty());
    }

    void valuesAsTheyAreWritten() {
        SceneBuilder builder;
        Twin twin(builder.build(arrayProject()));
        QVERIFY(twin.set("zone", "1, 2.5 ,-3"));
        QCOMPARE(twin.get("zone"), std::string("1.0, 2.5, -3.0, 1.0, 1.0, 1.0"));
        QCOMPARE(twin.get("zone[1]"), std::string("2.5"));
        QCOMPARE(twin.get("zone[6]"), std::string());
        for (const auto& [name, value] : {std::pair("zone[6]", "1"),
                                          {"zone[-1]", "1"},
                                          {"zone", "1,2,3,4,5,6,7"},
                                          {"zone", "1, x"},
                                          {"at[0]", "1"},
                                          {"zone[]", "1"},
                                          {"zone[1", "1"}}) {
            const auto set = twin.set(name, value);
            QVERIFY2(!set && !set.error().remedy.empty(), name);
        }
        QCOMPARE(twin.get("zone"), std::string("1.0, 2.5, -3.0, 1.0, 1.0, 1.0"));
    }

    // Elements that both have keep their values through an edit, also as the array gets others before it.
    void editsKeepElements() {
        SceneBuilder builder;
        Document d = arrayProject();
        Twin twin(builder.build(d));
        twin.step(0);
        QVERIFY(twin.set("zone", "3, 4, 5, 6, 7, 8"));
        d = withVariable(d, arrayOf(makeNumber("zone", -500, 500, 10, 1), 4));
        d = withVariable(d, arrayOf(makeYesNo("door", false), 200));
        twin.update(builder.build(d));
        QCOMPARE(twin.get("zone"), std::string("3.0, 4.0, 5.0, 6.0"));
        d = removeVariable(d, "before");
        d = withVariable(d, arrayOf(makeNumber("zone", -500, 500, 20, 1), 5));
        twin.update(builder.build(d));
        QCOMPARE(twin.get("zone"), std::string("3.0, 4.0, 5.0, 6.0, 2.0"));
    }

    void files() {
        const Document d = arrayProject("on start\n    zone[1] = sum zone\n");
        const ReadProject read = readFiles(toFiles(d));
        QVERIFY(read.document && read.problems.empty());
        QVERIFY(*read.document->variables == *d.variables);
        ProjectFiles files = toFiles(d);
        const auto withCount = [&](const char* count) {
            std::string text(files.at("gorsefinch.json").text());
            const size_t at = text.find("\"count\": 6");
            text.replace(at, 10, "\"count\": " + std::string(count));
            ProjectFiles other = files;
            other["gorsefinch.json"] = SharedBytes(text);
            return readFiles(other);
        };
        for (const char* count : {"0", "-1", "257", "1e9", "\"x\"", "[]"}) {
            const ReadProject wrong = withCount(count);
            QVERIFY2(wrong.document && tells(wrong.problems, "count"), count);
            QCOMPARE(wrong.document->variable("zone")->count, 1);
        }
    }

    // The numbers of all variables are limited, in files and by edits.
    void manyLargeArrays() {
        Document d = makeDocument();
        auto all = std::make_shared<std::vector<Variable>>();
        for (int i = 0; i < 60; ++i)
            all->push_back(arrayOf(makeNumber("a" + std::to_string(i), 0, 9, 0), kMaxElements));
        const Document before = d;
        d.variables = all;
        QVERIFY(exceededLimit(before, d));
        const ReadProject read = readFiles(toFiles(d));
        QVERIFY(read.document && tells(read.problems, "numbers together"));
        size_t numbers = 0;
        for (const Variable& each : *read.document->variables)
            numbers += numbersOf(each);
        QVERIFY(numbers <= kMaxNumbers);
        SceneBuilder builder;
        Twin twin(builder.build(*read.document));
        twin.step(0);
        QVERIFY(twin.set("a3[255]", "4"));
        QCOMPARE(twin.get("a3[255]"), std::string("4"));
    }

    void aValueThatIsAnArray() {
        SceneBuilder builder;
        const Document d = addWidgets(arrayProject(), "first",
                                      {makeWidget("dial", Kind::Ring, 0, 0, 40, 40, {{"value", std::string("zone")}})});
        QVERIFY(tells(builder.build(d)->problems, "\"zone\" is an array"));
    }
};

GORSEFINCH_TEST(TestArrays, Nothing)
#include "tst_arrays.moc"
