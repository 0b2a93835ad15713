// SPDX-License-Identifier: GPL-3.0-or-later
// Expressions made at random, as the rules' compiler and the runtime work them out, against sums done here on the tree
// that each was written from.
#include <QtTest>
#include <random>

#include "core/sim/twin.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

// The values that expressions speak of.
struct Values {
    int32_t a = 0, b = 0, c = 0;
    bool p = false, q = false;
};

// An expression as a tree; `level` as C binds, the loosest first.
struct Node {
    std::string op;  // of a leaf its words
    int level = 12;
    std::vector<Node> parts;

    std::string text() const {
        if (parts.empty())
            return op;
        if (op == "?")
            return inside(parts[0], 1) + " ? " + inside(parts[1], 0) + " : " + inside(parts[2], 0);
        if (parts.size() == 1)
            return op + inside(parts[0], 12);
        return inside(parts[0], level) + " " + op + " " + inside(parts[1], level + 1);
    }

    int32_t value(const Values& v) const {
        if (parts.empty())
            return leaf(v);
        const int32_t x = parts[0].value(v);
        if (op == "?")
            return parts[x != 0 ? 1 : 2].value(v);
        if (op == "&&")
            return x != 0 && parts[1].value(v) != 0;
        if (op == "||")
            return x != 0 || parts[1].value(v) != 0;
        if (parts.size() == 1)
            return op == "!" ? x == 0 : op == "~" ? ~x : wrapped(-int64_t{x});
        return both(x, parts[1].value(v));
    }

  private:
    static std::string inside(const Node& part, int min) {
        return part.level < min ? "(" + part.text() + ")" : part.text();
    }
    static int32_t wrapped(int64_t value) {
        return static_cast<int32_t>(static_cast<uint32_t>(static_cast<uint64_t>(value)));
    }

    int32_t leaf(const Values& v) const {
        if (op == "a" || op == "b" || op == "c")
            return op == "a" ? v.a : op == "b" ? v.b : v.c;
        if (op == "p" || op == "q")
            return op == "p" ? v.p : v.q;
        if (op == "yes" || op == "no")
            return op == "yes";
        return static_cast<int32_t>(std::stol(op));
    }

    int32_t both(int32_t x, int32_t y) const {
        const int64_t left = x, right = y;
        if (op == "+")
            return wrapped(left + right);
        if (op == "-")
            return wrapped(left - right);
        if (op == "*")
            return wrapped(left * right);
        if (op == "/")
            return y == 0 ? 0 : wrapped(left / right);
        if (op == "%")
            return y == 0 ? 0 : wrapped(left % right);
        if (op == "&" || op == "|" || op == "^")
            return op == "&" ? x & y : op == "|" ? x | y : x ^ y;
        if (op == "<<")
            return wrapped(static_cast<int64_t>(static_cast<uint64_t>(static_cast<uint32_t>(x)) << (y & 31)));
        if (op == ">>")
            return static_cast<int32_t>(left >> (y & 31));
        if (op == "==" || op == "!=")
            return (x == y) == (op == "==");
        return op == "<" ? x < y : op == "<=" ? x <= y : op == ">" ? x > y : x >= y;
    }
};

class Maker {
  public:
    explicit Maker(unsigned seed) : random_(seed) {}

    Node number(int depth) {
        if (depth == 0 || of(6) == 0)
            return of(3) == 0 ? Node{std::to_string(of(4) == 0 ? of(100000) : of(12)), 12, {}}
                              : Node{std::string(1, static_cast<char>('a' + of(3))), 12, {}};
        switch (of(8)) {
            case 0: return {"-", 11, {number(depth - 1)}};
            case 1: return {"~", 11, {number(depth - 1)}};
            case 2: return {"?", 0, {yesNo(depth - 1), number(depth - 1), number(depth - 1)}};
            default: break;
        }
        static const std::pair<const char*, int> ops[] = {{"+", 9}, {"-", 9}, {"*", 10}, {"/", 10}, {"%", 10},
                                                          {"&", 5}, {"|", 3}, {"^", 4},  {"<<", 8}, {">>", 8}};
        const auto [op, level] = ops[of(10)];
        return {op, level, {number(depth - 1), number(depth - 1)}};
    }

    Node yesNo(int depth) {
        if (depth == 0 || of(6) == 0)
            return of(5) == 0 ? Node{of(2) == 0 ? "yes" : "no", 12, {}} : Node{of(2) == 0 ? "p" : "q", 12, {}};
        if (of(5) == 0)
            return {"!", 11, {yesNo(depth - 1)}};
        if (of(2) == 0) {
            const bool isAnd = of(2) == 0;
            return {isAnd ? "&&" : "||", isAnd ? 2 : 1, {yesNo(depth - 1), yesNo(depth - 1)}};
        }
        static const std::pair<const char*, int> ops[] = {{"==", 6}, {"!=", 6}, {"<", 7},
                                                          {"<=", 7}, {">", 7},  {">=", 7}};
        const auto [op, level] = ops[of(6)];
        return {op, level, {number(depth - 1), number(depth - 1)}};
    }

    Values values() {
        const auto any = [&] { return static_cast<int32_t>(random_() % 4001) - 2000; };
        return {any(), of(5) == 0 ? 0 : any(), static_cast<int32_t>(random_() % 40), of(2) == 0, of(2) == 0};
    }

  private:
    unsigned of(unsigned count) { return static_cast<unsigned>(random_() % count); }
    std::mt19937 random_;
};

// Works an expression out every 10 ms.
Document withExpression(const std::string& target, const std::string& expression) {
    Document d = makeDocument();
    for (const char* name : {"a", "b", "c"})
        d = withVariable(d, makeNumber(name, -2000, 2000, 0));
    d = withVariable(d,
                     makeNumber("result", std::numeric_limits<int32_t>::min(), std::numeric_limits<int32_t>::max(), 0));
    for (const char* name : {"p", "q", "answer"})
        d = withVariable(d, makeYesNo(name, false));
    return withRules(d, "main", "every 10 ms\n    " + target + " = " + expression + "\n");
}

}  // namespace

class TestExpressions : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void theSameAsDoneByHand_data() {
        QTest::addColumn<bool>("number");
        QTest::newRow("numbers") << true;
        QTest::newRow("yes and no") << false;
    }

    void theSameAsDoneByHand() {
        QFETCH(bool, number);
        Maker make(number ? 11 : 12);
        int done = 0, refused = 0;
        for (int round = 0, end = support::rounds(400); round < end; ++round) {
            const Node tree = number ? make.number(1 + round % 5) : make.yesNo(1 + round % 5);
            SceneBuilder builder;
            const BuiltSceneRef scene = builder.build(withExpression(number ? "result" : "answer", tree.text()));
            if (hasErrors(scene->problems)) {
                // Only what is too deep for the stack may be refused.
                QVERIFY2(scene->problems.front().reason.find("too deep") != std::string::npos,
                         (tree.text() + ": " + scene->problems.front().reason).c_str());
                ++refused;
                continue;
            }
            Twin twin(scene);
            for (uint32_t time = 0; time < 60; time += 10) {
                const Values v = make.values();
                for (const auto& [name, value] : {std::pair{"a", v.a}, {"b", v.b}, {"c", v.c}})
                    QVERIFY(twin.set(name, std::to_string(value)));
                QVERIFY(twin.set("p", v.p ? "yes" : "no"));
                QVERIFY(twin.set("q", v.q ? "yes" : "no"));
                twin.step(time);
                if (time == 0)
                    continue;  // timers begin to run
                const std::string expected = number ? std::to_string(tree.value(v)) : tree.value(v) != 0 ? "yes" : "no";
                const std::string got = twin.get(number ? "result" : "answer");
                QVERIFY2(got == expected, qPrintable(QString("%1 with a %2, b %3, c %4, p %5, q %6: %7, not %8")
                                                         .arg(tree.text().c_str())
                                                         .arg(v.a)
                                                         .arg(v.b)
                                                         .arg(v.c)
                                                         .arg(v.p)
                                                         .arg(v.q)
                                                         .arg(got.c_str(), expected.c_str())));
                ++done;
            }
        }
        QVERIFY(done > 1500);
        QVERIFY(refused < 80);
    }

    // Spaces and brackets that change nothing change nothing.
    void spacesAndBracketsDoNotMatter() {
        Maker make(13);
        for (int round = 0, end = support::rounds(60); round < end; ++round) {
            const std::string text = make.number(3).text();
            std::string tight;
            for (size_t i = 0; i < text.size(); ++i)
                // Two signs side by side would be another operation.
                if (text[i] != ' ' ||
                    (tight.back() != '<' && tight.back() != '>' && i + 1 < text.size() && text[i + 1] == '-'))
                    tight += text[i];
            const auto codeOf = [](const std::string& expression) {
                SceneBuilder builder;
                const BuiltSceneRef scene = builder.build(withExpression("result", expression));
                return hasErrors(scene->problems) ? std::vector<uint8_t>{} : scene->rules->code;
            };
            QVERIFY2(codeOf(tight) == codeOf(text), (tight + " and " + text).c_str());
            QVERIFY2(codeOf("((" + text + "))") == codeOf(text), text.c_str());
        }
    }
};

GORSEFINCH_TEST(TestExpressions, Nothing)
#include "tst_expressions.moc"
