// SPDX-License-Identifier: GPL-3.0-or-later
// The rules' byte code against the same sums made here, and numbers and times as texts against the same words made
// here.
#include <QtTest>
#include <limits>
#include <random>
#include <vector>

#include "core/sim/twin.h"
#include "runtime/gorse_internal.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

int32_t wrapped(int64_t value) { return static_cast<int32_t>(static_cast<uint32_t>(static_cast<uint64_t>(value))); }

// What an operation returns, by plain arithmetic of twice the width.
int32_t reference(int op, int32_t a, int32_t b) {
    const int64_t x = a, y = b;
    switch (op) {
        case GORSE_OP_ADD: return wrapped(x + y);
        case GORSE_OP_SUBTRACT: return wrapped(x - y);
        case GORSE_OP_MULTIPLY: return wrapped(x * y);
        case GORSE_OP_DIVIDE: return b == 0 ? 0 : wrapped(x / y);
        case GORSE_OP_REMAINDER: return b == 0 ? 0 : wrapped(x % y);
        case GORSE_OP_ROUND_DIVIDE: {
            if (b == 0)
                return 0;
            const int64_t half = std::abs(y) / 2, size = std::abs(x), by = std::abs(y);
            const int64_t rounded = (size + (by % 2 == 0 ? half : half)) / by +
                                    ((size % by) * 2 >= by && (size + half) / by == size / by ? 1 : 0);
            return wrapped((x < 0) != (y < 0) ? -rounded : rounded);
        }
        case GORSE_OP_EQUAL: return a == b;
        case GORSE_OP_LESS: return a < b;
        case GORSE_OP_AND: return a & b;
        case GORSE_OP_OR: return a | b;
        case GORSE_OP_XOR: return a ^ b;
        case GORSE_OP_LEFT:
            return wrapped(static_cast<int64_t>(static_cast<uint64_t>(static_cast<uint32_t>(a)) << (b & 31)));
        default: return static_cast<int32_t>(x >> (b & 31));
    }
}

// A scene whose code may hold everything.
Document wholeProject() {
    Document d = withVariable(makeDocument(), makeNumber("count", -100, 100, 0));
    d = withVariable(d, makeText("title", "x", 30));
    return withRules(d, "main", "on start\n    count = count / 3 + 1\n    title = \"{count:m:ss}\"\n");
}

void addLong(std::vector<uint8_t>& code, int32_t value) {
    code.push_back(GORSE_OP_LONG);
    for (int shift = 0; shift < 32; shift += 8)
        code.push_back(static_cast<uint8_t>(static_cast<uint32_t>(value) >> shift));
}

}  // namespace

class TestByteCode : public QObject {
    Q_OBJECT

    SceneBuilder builder_;
    std::unique_ptr<Twin> twin_;

    int32_t run(const std::vector<uint8_t>& code) { return gorse_execute(twin_->run(), code.data(), 0); }
    int32_t of(int op, int32_t a, int32_t b) {
        std::vector<uint8_t> code;
        addLong(code, a);
        addLong(code, b);
        code.push_back(static_cast<uint8_t>(op));
        code.push_back(GORSE_OP_END);
        return run(code);
    }
    std::string shown(int form, int digits, int decimals, int scale, int32_t value, uint8_t capacity = 40) {
        std::vector<uint8_t> code;
        addLong(code, value);
        code.push_back(GORSE_OP_END);
        std::vector<uint8_t> text{GORSE_TEXT_INSET,
                                  static_cast<uint8_t>(form),
                                  static_cast<uint8_t>(digits),
                                  static_cast<uint8_t>(decimals),
                                  static_cast<uint8_t>(scale),
                                  static_cast<uint8_t>(code.size())};
        text.insert(text.end(), code.begin(), code.end());
        text.push_back(0);
        std::vector<char> out(256, 'x');
        gorse_expand(twin_->run(), text.data(), out.data(), capacity);
        return out.data();
    }

  private Q_SLOTS:
    void initTestCase() {
        const BuiltSceneRef scene = builder_.build(wholeProject());
        QVERIFY(scene->scene.extended == gorse_extended_code);
        QVERIFY(scene->scene.forms == gorse_extended_forms);
        twin_ = std::make_unique<Twin>(scene);
        twin_->step(0);
    }

    void sumsAreTheSame_data() {
        QTest::addColumn<int>("op");
        const std::pair<const char*, int> ops[] = {
            {"+", GORSE_OP_ADD},    {"-", GORSE_OP_SUBTRACT},  {"*", GORSE_OP_MULTIPLY},
            {"/", GORSE_OP_DIVIDE}, {"%", GORSE_OP_REMAINDER}, {"rounded /", GORSE_OP_ROUND_DIVIDE},
            {"==", GORSE_OP_EQUAL}, {"<", GORSE_OP_LESS},      {"&", GORSE_OP_AND},
            {"|", GORSE_OP_OR},     {"^", GORSE_OP_XOR},       {"<<", GORSE_OP_LEFT},
            {">>", GORSE_OP_RIGHT}};
        for (const auto& [name, op] : ops)
            QTest::newRow(name) << op;
    }

    void sumsAreTheSame() {
        QFETCH(int, op);
        constexpr int32_t min = std::numeric_limits<int32_t>::min(), max = std::numeric_limits<int32_t>::max();
        std::vector<int32_t> values{0,  1,    -1,    2,     -2,    3,   7,       -7,  31,     32,
                                    33, 1000, -1000, 65535, 65536, min, min + 1, max, max - 1};
        std::mt19937 random(5);
        for (int i = 0; i < 40; ++i)
            values.push_back(static_cast<int32_t>(random() >> (i % 30)));
        for (const int32_t a : values)
            for (const int32_t b : values)
                QVERIFY2(
                    of(op, a, b) == reference(op, a, b),
                    qPrintable(
                        QString("%1 and %2: %3, not %4").arg(a).arg(b).arg(of(op, a, b)).arg(reference(op, a, b))));
    }

    void constantsKeepTheirSign() {
        QCOMPARE(run({GORSE_OP_BYTE, 0x80, GORSE_OP_END}), -128);
        QCOMPARE(run({GORSE_OP_BYTE, 0x7f, GORSE_OP_END}), 127);
        QCOMPARE(run({GORSE_OP_SHORT, 0x00, 0x80, GORSE_OP_END}), -32768);
        QCOMPARE(run({GORSE_OP_SHORT, 0xff, 0x7f, GORSE_OP_END}), 32767);
        QCOMPARE(run({GORSE_OP_LONG, 0xfe, 0xff, 0xff, 0xff, GORSE_OP_END}), -2);
        QCOMPARE(run({GORSE_OP_END}), 0);
    }

    void bitsAreTurnedOver() { QCOMPARE(run({GORSE_OP_BYTE, 5, GORSE_OP_COMPLEMENT, GORSE_OP_END}), -6); }

    void jumpsLeadForward() {
        // 1 ? 10 : 20, and with 0.
        for (const uint8_t condition : {uint8_t{1}, uint8_t{0}}) {
            const std::vector<uint8_t> code{GORSE_OP_BYTE, condition, GORSE_OP_JUMP_IF_NOT, 5, 0,
                                            GORSE_OP_BYTE, 10,        GORSE_OP_JUMP,        2, 0,
                                            GORSE_OP_BYTE, 20,        GORSE_OP_END};
            QCOMPARE(run(code), condition != 0 ? 10 : 20);
        }
    }

    // Whole numbers, decimals that are rounded, decimals that are filled up.
    void numbersAsTexts_data() {
        QTest::addColumn<int>("digits");
        QTest::addColumn<int>("decimals");
        QTest::addColumn<int>("scale");
        QTest::addColumn<int>("value");
        QTest::addColumn<QString>("text");
        const auto add = [](int digits, int decimals, int scale, int value, const char* text) {
            QTest::addRow("%d.%d of %d / 10^%d", digits, decimals, value, scale)
                << digits << decimals << scale << value << QString(text);
        };
        add(1, 0, 0, 0, "0");
        add(1, 0, 0, 1043, "1043");
        add(1, 0, 0, -7, "-7");
        add(4, 0, 0, 42, "0042");
        add(4, 0, 0, -42, "-0042");
        add(1, 1, 1, 5, "0.5");
        add(1, 1, 1, -5, "-0.5");
        add(1, 2, 1, 5, "0.50");
        add(1, 3, 0, 12, "12.000");
        add(3, 1, 1, 25, "002.5");
        add(1, 1, 3, 1249, "1.2");
        add(1, 1, 3, 1250, "1.3");
        add(1, 1, 3, -1250, "-1.3");
        add(1, 0, 1, 5, "1");
        add(1, 0, 1, 4, "0");
        add(1, 0, 1, -4, "0");
        add(1, 0, 2, -51, "-1");
        add(1, 6, 6, 1, "0.000001");
        add(1, 0, 0, std::numeric_limits<int32_t>::max(), "2147483647");
        add(1, 0, 0, std::numeric_limits<int32_t>::min(), "-2147483648");
        add(1, 0, 6, std::numeric_limits<int32_t>::min(), "-2147");
        add(10, 6, 0, 1, "0000000001.000000");
    }

    void numbersAsTexts() {
        QFETCH(int, digits);
        QFETCH(int, decimals);
        QFETCH(int, scale);
        QFETCH(int, value);
        QFETCH(QString, text);
        QCOMPARE(QString::fromStdString(shown(GORSE_FORM_NUMBER, digits, decimals, scale, value)), text);
    }

    void timesAsTexts_data() {
        QTest::addColumn<int>("parts");
        QTest::addColumn<int>("min");
        QTest::addColumn<int>("scale");
        QTest::addColumn<int>("value");
        QTest::addColumn<QString>("text");
        const auto add = [](int parts, int min, int scale, int value, const char* text) {
            QTest::addRow("%d parts of %d", parts, value) << parts << min << scale << value << QString(text);
        };
        add(2, 1, 0, 0, "0:00");
        add(2, 1, 0, 59, "0:59");
        add(2, 2, 0, 61, "01:01");
        add(2, 1, 0, 3725, "62:05");
        add(3, 1, 0, 3725, "1:02:05");
        add(3, 2, 0, 3725, "01:02:05");
        add(3, 1, 0, 360000, "100:00:00");
        add(2, 1, 0, -61, "-1:01");
        add(2, 1, 1, 619, "1:01");
        add(2, 1, 1, -9, "0:00");
    }

    void timesAsTexts() {
        QFETCH(int, parts);
        QFETCH(int, min);
        QFETCH(int, scale);
        QFETCH(int, value);
        QFETCH(QString, text);
        QCOMPARE(QString::fromStdString(shown(GORSE_FORM_CLOCK, parts, min, scale, value)), text);
    }

    void yesAndNoAsTexts() {
        QCOMPARE(shown(GORSE_FORM_YES_NO, 0, 0, 0, 1), std::string("yes"));
        QCOMPARE(shown(GORSE_FORM_YES_NO, 0, 0, 0, 0), std::string("no"));
    }

    // Whatever the room, what is cut ends at a whole character and with a zero inside the room.
    void textsAreCutAtWholeCharacters() {
        const std::string words = "aä€😀z";
        for (uint8_t capacity = 1; capacity < 16; ++capacity) {
            std::vector<char> out(32, 'x');
            gorse_expand(twin_->run(), reinterpret_cast<const uint8_t*>(words.c_str()), out.data(), capacity);
            const std::string text = out.data();
            QVERIFY(text.size() < capacity && words.starts_with(text));
            const bool whole = text.size() == words.size() || (static_cast<uint8_t>(words[text.size()]) & 0xc0) != 0x80;
            QVERIFY2(whole, qPrintable(QString::number(capacity)));
            // No character that would have fitted is missing.
            size_t next = text.size() + 1;
            while (next < words.size() && (static_cast<uint8_t>(words[next]) & 0xc0) == 0x80)
                ++next;
            QVERIFY(text.size() == words.size() || next + 1 > capacity);
        }
        QCOMPARE(shown(GORSE_FORM_NUMBER, 1, 0, 0, 123456, 4), std::string("123"));
    }
};

GORSEFINCH_TEST(TestByteCode, Nothing)
#include "tst_byte_code.moc"
