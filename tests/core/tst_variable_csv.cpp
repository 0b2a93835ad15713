// SPDX-License-Identifier: GPL-3.0-or-later
// Variables as comma-separated values: what is written is read again, and what a spreadsheet makes of it too.
#include <QtTest>
#include <random>

#include "core/edits/variable_csv.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

std::vector<Variable> read(const std::string& text) {
    const auto out = variablesFromCsv(text, "t.csv");
    if (!out)
        qFatal("%s", out.error().text().c_str());
    return out->variables;
}

}  // namespace

class TestVariableCsv : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void theExamplesComeBack() {
        for (const char* example : {"kiln", "hive", "enlarger", "aquifer"}) {
            const Document document = openExample(example);
            const std::vector<Variable> back = read(variablesToCsv(*document.variables));
            QVERIFY2(back == *document.variables, example);
            const MergedVariables merged = withVariables(document, back);
            QCOMPARE(merged.added + merged.changed, 0);
            QVERIFY(merged.document.variables == document.variables);
        }
    }

    void fieldsAreQuotedWhereTheyHaveTo() {
        Variable v = makeText("title", "a \"b\", c;\nd", 60);
        v.note = "  spaces, and \"\" quotes\r\n";
        v.unit = "";
        QVERIFY(read(variablesToCsv(std::vector{v})) == std::vector{v});
    }

    void spreadsheetsWriteTheirOwn() {
        // Another order, a column more, semicolons, a mark of the encoding, CRLF, an empty line.
        const auto v = read("\xEF\xBB\xBFtype;colour;name;max;min\r\ndecimal;red;oil;120.5;-3\r\n\r\nyes/no;;pump\r\n");
        QCOMPARE(v.size(), size_t{2});
        QCOMPARE(v[0].name, std::string("oil"));
        QCOMPARE(v[0].decimals, 1);
        QCOMPARE(v[0].min, -30);
        QCOMPARE(v[0].max, 1205);
        QVERIFY(v[1].type == VariableType::YesNo && v[1].max == 1);
        QCOMPARE(read("name\nlevel").size(), size_t{1});
    }

    void whatATableDoesNotHoldStays() {
        const Document document = openKiln();
        const Variable before = *document.variable("heating");
        const auto read = variablesFromCsv("name,max,note\nheating,80.5,\nfresh,9,new\n", "t.csv", *document.variables);
        QVERIFY(read && read->problems.empty());
        Variable expected = before;
        expected.max = 805;
        QVERIFY(read->variables[0] == expected);
        QCOMPARE(read->variables[1].max, 9);
        // Another type keeps what does not depend on it.
        const auto retyped = variablesFromCsv("name,type\nheating,yes/no\n", "t.csv", *document.variables);
        QVERIFY(retyped && retyped->variables[0].max == 1 && retyped->variables[0].unit == before.unit);
    }

    void linesThatCanNotBeUsedAreTold() {
        const auto out = variablesFromCsv(
            "name,type,decimals,min,max,start,length,writer\n"
            "good,whole,,0,10,5,,\n7up,whole,,,,,,\nb,float,,,,,,\nc,decimal,9,,,,,\nd,whole,,x,,,,\ne,whole,,9,1,,,\n"
            "f,whole,,0,10,11,,\ng,text,,,,long words,4,\nh,text,,,,,900,\ni,whole,,,,,,nobody\n",
            "t.csv");
        QVERIFY(out);
        QCOMPARE(out->variables.size(), size_t{1});
        QCOMPARE(out->problems.size(), size_t{9});
        for (size_t i = 0; i < 9; ++i) {
            QCOMPARE(out->problems[i].place, "line " + std::to_string(i + 3));
            QVERIFY(!out->problems[i].remedy.empty());
        }
    }

    void whatIsNoTableIsRefused() {
        for (const std::string& text :
             {std::string(), std::string("oil,pump\n1,2\n"), std::string("name\n\"open"), std::string("name\n\"a"),
              std::string(kMaxCsv + 1, 'x'), "name\n" + std::string(5000, 'a') + "\n",
              "name" + std::string(100, ',') + "\n"})
            QVERIFY2(!variablesFromCsv(text, "t.csv"), text.substr(0, 20).c_str());
        std::string many = "name\n";
        for (int i = 0; i < 5000; ++i)
            many += "v" + std::to_string(i) + "\n";
        QVERIFY(!variablesFromCsv(many, "t.csv"));
    }

    void theyAreMergedByName() {
        Document document = openKiln();
        Variable known = *document.variable("target");
        known.max = 1250;
        const std::vector<Variable> table{known, makeNumber("fresh", 0, 9, 1), makeNumber("status", 0, 9, 1),
                                          makeNumber("yes", 0, 1, 0)};
        const MergedVariables merged = withVariables(document, table);
        QCOMPARE(merged.added, 1);
        QCOMPARE(merged.changed, 1);
        QCOMPARE(merged.problems.size(), size_t{2});  // a screen's name, and a value's
        QCOMPARE(merged.document.variable("target")->max, 1250);
        QCOMPARE(merged.document.variables->size(), document.variables->size() + 1);
    }

    void randomBytesDoNoHarm() {
        std::mt19937 random(3);
        const std::string good = variablesToCsv(*openKiln().variables);
        for (int i = 0; i < support::rounds(400); ++i) {
            std::string text = good;
            for (int j = 0; j < 1 + static_cast<int>(random() % 12); ++j)
                text[random() % text.size()] = "\",;\n\r\0ax9"[random() % 9];
            if (const auto out = variablesFromCsv(text, "t.csv"))
                for (const Variable& each : out->variables)
                    QVERIFY(each.type == VariableType::Text || (each.min <= each.start && each.start <= each.max));
        }
    }
};

GORSEFINCH_TEST(TestVariableCsv, Nothing)
#include "tst_variable_csv.moc"
