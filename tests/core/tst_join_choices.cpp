// SPDX-License-Identifier: GPL-3.0-or-later
// Buttons and checkboxes that are made one of several.
#include <QtTest>

#include "core/edits/join_choices.h"
#include "core/scene/built_scene.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Document threeButtons() {
    Document d = makeDocument({"home"});
    std::vector<Widget> widgets;
    for (const char* each : {"Low heat", "Mid", "Mid"})
        widgets.push_back(makeWidget("b", Kind::Button, 0, 0, 40, 20, {{"text", std::string(each)}}));
    widgets.push_back(makeWidget("box", Kind::Checkbox, 0, 40, 40, 20));
    widgets.push_back(makeWidget("lamp", Kind::Lamp, 0, 80, 20, 20));
    return addWidgets(d, "home", widgets);
}

std::string wordOf(const Document& document, const std::string& widget, const char* key) {
    const Screen& screen = *document.screens[0];
    const auto& properties = screen.widgets[static_cast<size_t>(widgetIndex(screen, widget))]->properties;
    return properties.count(key) != 0 ? std::get<std::string>(properties.at(key)) : std::string();
}

Result<Document> join(const Document& document, std::vector<std::string> names) {
    return joinChoices(document, "home", names);
}

}  // namespace

class TestJoinChoices : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void theyGetAVariableWithTheirWords() {
        const auto joined = join(threeButtons(), {"b", "b_2", "b_3", "box", "lamp"});
        QVERIFY(joined);
        const Variable* variable = joined->variable("home_choice");
        QVERIFY(variable && variable->type == VariableType::Choice && variable->writer == Writer::Both);
        QCOMPARE(variable->choices, (std::vector<std::string>{"low_heat", "mid", "mid_2", "box"}));
        QCOMPARE(wordOf(*joined, "b_3", "choice"), std::string("mid_2"));
        QCOMPARE(wordOf(*joined, "box", "value"), std::string("home_choice"));
        QCOMPARE(wordOf(*joined, "box", "acts"), std::string("choice"));
        QVERIFY(wordOf(*joined, "lamp", "value").empty());
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(*joined);
        for (const Problem& each : scene->problems)
            QVERIFY2(each.severity != Severity::Error, each.text().c_str());
    }

    void noneOfThemMayBeChosen() {
        const auto orNone = [](const Document& d, std::vector<std::string> names) {
            return joinChoicesOrNone(d, "home", names);
        };
        const auto joined = orNone(threeButtons(), {"b", "b_2", "box"});
        QVERIFY(joined);
        QCOMPARE(joined->variable("home_choice")->choices,
                 (std::vector<std::string>{"none", "low_heat", "mid", "box"}));
        QCOMPARE(joined->variable("home_choice")->start, 0);
        QCOMPARE(wordOf(*joined, "b", "choice"), std::string("low_heat"));
        const auto clears = [](const Document& d, const char* widget) {
            const auto& all =
                d.screens[0]->widgets[static_cast<size_t>(widgetIndex(*d.screens[0], widget))]->properties;
            return all.count("may_clear") != 0 && std::get<bool>(all.at("may_clear"));
        };
        QVERIFY(clears(*joined, "b") && clears(*joined, "b_2") && !clears(*joined, "b_3") && !clears(*joined, "box"));
        SceneBuilder builder;
        for (const Problem& each : builder.build(*joined)->problems)
            QVERIFY2(each.reason.find("can't clear") == std::string::npos, each.text().c_str());
        // Those that exclude each other already get it; a value that nobody has serves.
        const auto before = join(threeButtons(), {"b", "b_2"});
        const auto after = orNone(*before, {"b", "b_2"});
        QVERIFY(after);
        QCOMPARE(after->variable("home_choice")->choices, (std::vector<std::string>{"none", "low_heat", "mid"}));
        QVERIFY(toFiles(*orNone(*after, {"b", "b_2"})) == toFiles(*after));
        // A number has to have a 0 that is free.
        Document d = withVariable(threeButtons(), makeNumber("speed", 0, 3, 1));
        d = changeWidgets(d, "home", std::vector<std::string>{"b_2"}, [](Widget& each) {
            each.properties["acts"] = std::string("choice");
            each.properties["value"] = std::string("speed");
            each.properties["choice"] = std::string("1");
        });
        const auto taken = orNone(d, {"b", "b_2"});
        QVERIFY(!taken && taken.error().text().find("none of them is chosen at 0") != std::string::npos);
    }

    void moreJoinLater() {
        const auto first = join(threeButtons(), {"b", "b_2"});
        QVERIFY(first);
        const auto second = join(*first, {"b_2", "b_3", "box"});
        QVERIFY(second);
        QCOMPARE(second->variables->size(), size_t(1));
        QCOMPARE(second->variables->front().choices, (std::vector<std::string>{"low_heat", "mid", "mid_2", "box"}));
        QCOMPARE(wordOf(*second, "b", "choice"), std::string("low_heat"));
        // Those that are joined already stay as they are.
        const auto again = join(*second, {"b", "b_2", "b_3", "box"});
        QVERIFY(again && toFiles(*again) == toFiles(*second));
    }

    void numbersGoOnFromThoseThatAreTaken() {
        Document d = withVariable(threeButtons(), makeNumber("speed", 1, 3, 1));
        d = changeWidgets(d, "home", std::vector<std::string>{"b_2"}, [](Widget& each) {
            each.properties["acts"] = std::string("choice");
            each.properties["value"] = std::string("speed");
            each.properties["choice"] = std::string("1");
        });
        const auto joined = join(d, {"b", "b_2", "b_3"});
        QVERIFY(joined);
        QCOMPARE(wordOf(*joined, "b", "choice"), std::string("2"));
        QCOMPARE(wordOf(*joined, "b_2", "choice"), std::string("1"));
        QCOMPARE(wordOf(*joined, "b_3", "choice"), std::string("3"));
        const auto full = join(*joined, {"b", "box"});
        QVERIFY(!full && full.error().text().find("no value left for box") != std::string::npos);
    }

    void oneAloneIsRefused() {
        for (const std::vector<std::string>& names :
             {std::vector<std::string>{"b"}, {"b", "lamp"}, {}, {"nothing", "b"}}) {
            const auto joined = join(threeButtons(), names);
            QVERIFY(!joined && !joined.error().remedy.empty());
        }
    }
};

GORSEFINCH_TEST(TestJoinChoices, Nothing)
#include "tst_join_choices.moc"
