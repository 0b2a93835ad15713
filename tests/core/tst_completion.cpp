// SPDX-License-Identifier: GPL-3.0-or-later
// What the rules and the fields with expressions offer while somebody writes.
#include <QtTest>

#include "core/rules/completion.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Document completionProject() {
    Document d = makeDocument({"one", "two"});
    Variable mode;
    mode.name = "mode";
    mode.type = VariableType::Choice;
    mode.choices = {"idle", "hold on", "done"};
    d = withVariable(d, mode);
    mode.name = "modes";
    mode.count = 3;
    d = withVariable(d, mode);
    d = withVariable(d, makeNumber("level", 0, 100, 5));
    d = addWidgets(d, "one",
                   {makeWidget("go_button", Kind::Button, 0, 0, 9, 9), makeWidget("words", Kind::Text, 0, 0, 9, 9),
                    makeWidget("bee", Kind::Frames, 0, 0, 9, 9), makeWidget("dim", Kind::Slider, 0, 0, 9, 9),
                    makeWidget("list", Kind::Group, 0, 0, 9, 9, {{"scroll", std::string("down")}})});
    return d;
}

std::string joined(std::vector<std::string> names) {
    std::sort(names.begin(), names.end());
    std::string out;
    for (const std::string& each : names)
        out += (out.empty() ? "" : " ") + each;
    return out;
}

bool has(const std::vector<std::string>& names, const std::string& name) {
    return std::find(names.begin(), names.end(), name) != names.end();
}

}  // namespace

class TestCompletion : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void wordsEndWhereTheyBegan() {
        for (const auto& [before, word] : {std::pair("", ""),
                                           {"lev", "lev"},
                                           {"a + lev", "lev"},
                                           {"words.te", "te"},
                                           {"mode = \"", ""},
                                           {"mode = \"hold o", "hold o"},
                                           {"words.text = \"{lev", "lev"},
                                           {"words.text = \"{level} an", "{level} an"},
                                           {"words.text = \"a\" + lev", "lev"},
                                           {"words.text = \"\\\"x", "\\\"x"}})
            QCOMPARE(QString::fromStdString(std::string(wordAtEnd(before))), QString(word));
    }

    void choicesInQuotes() {
        const Document d = completionProject();
        const std::string all = "done hold on idle";
        for (const char* before :
             {"mode = \"", "mode == \"ho", "    mode=\"", "when mode != \"", "modes[2] = \"", "modes[level + 1] == \"i",
              "level > 3 && mode == \"", "x = mode == \"idle\" || mode == \""})
            QCOMPARE(QString::fromStdString(joined(namesInExpression(d, before))), QString::fromStdString(all));
        QVERIFY(has(namesInStatement(d, "words.align = \""), "middle"));
        for (const char* before : {"level = \"", "words.text = \"", "\"", "nothing == \"", "call \"", "= \"", "] = \"",
                                   "words.nothing = \""})
            QVERIFY2(namesInExpression(d, before).empty(), before);
        // In braces an expression stands.
        QVERIFY(has(namesInExpression(d, "words.text = \"{"), "level"));
        QVERIFY(has(namesInExpression(d, "words.text = \"now {go_button."), "x"));
        QVERIFY(namesInExpression(d, "words.text = \"{level} and ").empty());
        QVERIFY(has(namesInExpression(d, "words.text = \"a\" + "), "level"));
    }

    void eventsOfEachKind() {
        const Document d = completionProject();
        QCOMPARE(joined(namesInEvent(d, "on go_button.")),
                 std::string("blur change focus hold press release repeat swipe tap"));
        QCOMPARE(joined(namesInEvent(d, "on one.go_button.ta")), joined(namesInEvent(d, "on go_button.")));
        QCOMPARE(joined(namesInEvent(d, "on words.")), std::string());
        QCOMPARE(joined(namesInEvent(d, "on bee.")), std::string("done"));
        QVERIFY(has(namesInEvent(d, "on dim."), "change") && has(namesInEvent(d, "on dim."), "done"));
        QCOMPARE(joined(namesInEvent(d, "on list.")), std::string("scroll"));
        const auto screen = namesInEvent(d, "on one.");
        for (const char* each : {"enter", "leave", "swipe", "go_button", "list"})
            QVERIFY2(has(screen, each), each);
        QVERIFY(has(namesInEvent(d, "on go"), "go_button") && has(namesInEvent(d, "on "), "one"));
    }
};

GORSEFINCH_TEST(TestCompletion, Nothing)
#include "tst_completion.moc"
