// SPDX-License-Identifier: GPL-3.0-or-later
// Variables from and to C headers.
#include <QtTest>
#include <limits>
#include <random>

#include "core/edits/variable_header.h"
#include "core/emit/export_variables.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

ReadVariables readHeader(const std::string& text, std::span<const Variable> known = {}) {
    const auto read = variablesFromHeader(text, "values.h", known);
    if (!read)
        qFatal("%s", read.error().text().c_str());
    return *read;
}

const Variable& named(const ReadVariables& read, const char* name) {
    for (const Variable& each : read.variables)
        if (each.name == name)
            return each;
    qFatal("there is no %s", name);
}

}  // namespace

class TestVariableHeader : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void membersOfEveryType() {
        const ReadVariables read = readHeader(R"(
            #pragma once
            #define NAME_BYTES 12
            typedef struct {
                uint8_t level; // of the tank, in %
                int16_t
                    oil_temp;              /* tenths of a degree */
                /** Switched by the
                 *  door contact. */
                bool door;
                unsigned int pump : 1, speed : 3;
                float flow;
                char label[NAME_BYTES];
                const volatile unsigned long total;
                char sign;
            } pump_values;
            void pump_init(struct pump_values *values);
        )");
        QVERIFY(read.problems.empty());
        QCOMPARE(read.variables.size(), size_t{9});
        QCOMPARE(named(read, "level").max, 255);
        QCOMPARE(named(read, "level").note, std::string("of the tank, in %"));
        QCOMPARE(named(read, "oil_temp").min, -32768);
        QCOMPARE(named(read, "oil_temp").note, std::string("tenths of a degree"));
        QVERIFY(named(read, "door").type == VariableType::YesNo);
        QCOMPARE(named(read, "door").note, std::string("Switched by the door contact."));
        QVERIFY(named(read, "pump").type == VariableType::YesNo);
        QCOMPARE(named(read, "speed").max, 7);
        QVERIFY(named(read, "flow").type == VariableType::Decimal);
        QVERIFY(named(read, "label").type == VariableType::Text);
        QCOMPARE(named(read, "label").length, 11);
        QCOMPARE(named(read, "total").max, 2147483647);
        QCOMPARE(named(read, "sign").min, -128);
    }

    void enumsAndMacros() {
        const ReadVariables read = readHeader(R"(
            enum mode { OFF, HEAT, HOLD = 5, COOL };
            typedef enum { LOW = -1, HIGH } side;
            enum alone { ONE = 1, TWO };
            #define KILN_TEMP_MIN 20
            #define KILN_TEMP_MAX (1320)   /* of the bricks */
            #define Kiln_Temp_Start 0x14u
            #define KILN_RATE_DECIMALS 1
            #define KILN_RATE_UNIT "°C/h"
            #define CALL(x) x
            struct kiln { enum mode now; side where; int temp; int32_t rate; };
        )");
        QVERIFY(read.problems.empty());
        QCOMPARE(named(read, "now").min, 0);
        QCOMPARE(named(read, "now").max, 6);
        QCOMPARE(named(read, "now").note, std::string("0 OFF, 1 HEAT, 5 HOLD, 6 COOL"));
        QCOMPARE(named(read, "where").min, -1);
        QCOMPARE(named(read, "alone").max, 2);
        QCOMPARE(named(read, "temp").min, 20);
        QCOMPARE(named(read, "temp").max, 1320);
        QCOMPARE(named(read, "temp").start, 20);
        QVERIFY(named(read, "rate").type == VariableType::Decimal);
        QCOMPARE(named(read, "rate").unit, std::string("°C/h"));
        QCOMPARE(read.variables.size(), size_t{5});
    }

    // Numbers beyond all ranges are the nearest ends.
    void numbersBeyondAnyRange() {
        const ReadVariables read = readHeader(
            "enum far { NEAR, AWAY = 33333333333333333333333333333333333333 3, BELOW = -1e99 };\n"
            "#define LEVEL_MAX 1e60\nstruct s { enum far place; int level; };");
        QCOMPARE(named(read, "place").min, std::numeric_limits<int32_t>::min());
        QCOMPARE(named(read, "place").max, std::numeric_limits<int32_t>::max());
        QCOMPARE(named(read, "place").note, std::string("0 NEAR, 2147483647 AWAY, -2147483648 BELOW"));
        QCOMPARE(named(read, "level").max, std::numeric_limits<int32_t>::max());
    }

    void whatCantBeAVariableIsReported() {
        const ReadVariables read = readHeader(
            "struct a {\n  int *p;\n  int many[400];\n  struct { int x; } inside;\n  void (*call)(int);\n  other_t o;\n"
            "  int fine;\n  uint8_t fine;\n};\n");
        QCOMPARE(read.variables.size(), size_t{1});
        QCOMPARE(read.problems.size(), size_t{6});
        for (size_t i = 0; i < 5; ++i)
            QCOMPARE(read.problems[i].place, "line " + std::to_string(i + 2));
        QVERIFY(read.problems[4].reason.find("other_t") != std::string::npos);
        for (const char* empty : {"", "int main(void) { return 0; }", "struct a;", "enum b"})
            QVERIFY2(!variablesFromHeader(empty, "values.h"), empty);
        QVERIFY(!variablesFromHeader(std::string(kMaxCsv + 1, ' '), "values.h"));
    }

    void whatCCantSayStays() {
        Variable known = makeNumber("level", 0, 80, 40);
        known.unit = "cm";
        known.writer = Writer::Panel;
        known.kept = true;
        const ReadVariables read = readHeader("struct a { uint8_t level; };", std::vector{known});
        QCOMPARE(read.variables[0].unit, std::string("cm"));
        QVERIFY(read.variables[0].writer == Writer::Panel && read.variables[0].kept);
        QCOMPARE(read.variables[0].max, 255);
        QCOMPARE(read.variables[0].start, 40);
    }

    void whatIsWrittenIsReadBack() {
        std::vector<Variable> variables = *openKiln().variables;
        for (const char* example : {"hive", "enlarger"}) {
            const Document other = openExample(example);
            for (const Variable& each : *other.variables)
                if (std::none_of(variables.begin(), variables.end(), [&](auto& v) { return v.name == each.name; }))
                    variables.push_back(each);
        }
        variables.push_back(makeNumber("all_bits", std::numeric_limits<int32_t>::min(), 2147483647, -7));
        variables.back().note = "ends */ with **// marks /* of comments";
        ReadVariables read = readHeader(variablesToHeader("all", variables), variables);
        QVERIFY(read.problems.empty());
        QCOMPARE(read.variables.size(), variables.size());
        variables.back().note = "ends * with ** / marks / of comments";
        for (size_t i = 0; i < variables.size(); ++i)
            QVERIFY2(read.variables[i] == variables[i], variables[i].name.c_str());
        // Into a project that has none of them, ranges, types, units and notes come across.
        read = readHeader(variablesToHeader("all", variables));
        for (size_t i = 0; i < variables.size(); ++i) {
            QCOMPARE(read.variables[i].min,
                     variables[i].type == VariableType::Text ? Variable().min : variables[i].min);
            QVERIFY(read.variables[i].type == variables[i].type);
            QCOMPARE(read.variables[i].unit, variables[i].unit);
            QCOMPARE(read.variables[i].note, variables[i].note);
        }
    }

    // Anything that begins like a header ends with a result.
    void brokenOnesEnd() {
        const std::string whole = variablesToHeader("kiln", *openKiln().variables) + "enum e { A, B = -3 };\n";
        std::mt19937 random(2);
        for (int i = 0; i < rounds(400); ++i) {
            std::string text = whole.substr(0, random() % whole.size());
            for (int changes = 0; changes < 6 && !text.empty(); ++changes)
                text[random() % text.size()] = "{};,:[]*/\"'\\#\n("[random() % 16];
            (void)variablesFromHeader(text, "values.h");
        }
    }
};

GORSEFINCH_TEST(TestVariableHeader, Nothing)
#include "tst_variable_header.moc"
