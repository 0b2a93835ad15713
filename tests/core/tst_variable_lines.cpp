// SPDX-License-Identifier: GPL-3.0-or-later
// Variables from one line, and the widgets that show one.
#include <QtTest>

#include "core/edits/variable_line.h"
#include "core/edits/variable_widgets.h"
#include "core/scene/built_scene.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

class TestVariableLines : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void linesAreRead() {
        for (const auto& [line, name, words] :
             {std::tuple("oil_temp 0.0 to 120.0 °C", "oil_temp", "decimal, 0.0 to 120.0 °C"),
              {"  count   0 to 99", "count", "whole, 0 to 99"},
              {"count 0..99 parts an hour", "count", "whole, 0 to 99 parts an hour"},
              {"cold -40..-5.25", "cold", "decimal, -40.00 to -5.25"},
              {"level", "level", "whole"},
              {"level decimal", "level", "decimal"},
              {"level decimal 0 to 5 m", "level", "decimal, 0.0 to 5.0 m"},
              {"level whole 3 to 5", "level", "whole, 3 to 5"},
              {"pump yes/no", "pump", "yes or no"},
              {"title text", "title", "text of at most 16 bytes"},
              {"title text 40", "title", "text of at most 40 bytes"},
              {"speed km/h", "speed", "whole km/h"}}) {
            const auto variable = variableFromLine(line);
            QVERIFY2(variable, line);
            QCOMPARE(variable->name, std::string(name));
            QCOMPARE(variableInWords(*variable), std::string(words));
            QVERIFY(variable->start >= variable->min && variable->start <= variable->max);
        }
    }

    void mistakesAreTold() {
        for (const char* line : {"", "   ", "7up", "while", "a 5 to 3", "a 0.1234567 to 2", "a whole 0.5 to 2",
                                 "a 1 to x", "a ..5", "pump yes/no bar", "title text 300", "a 0 to 99999999999"}) {
            const auto variable = variableFromLine(line);
            QVERIFY2(!variable, line);
            QVERIFY(!variable.error().reason.empty() && !variable.error().remedy.empty());
        }
    }

    void widgetsForEachKind() {
        for (const char* line : {"oil 0.0 to 9.9 bar", "pump yes/no", "title text 12"}) {
            const Variable variable = *variableFromLine(line);
            Document document = withVariable(openKiln(), variable);
            for (const Kind kind : kindsFor(variable))
                for (const int x : {0, 100, 319}) {
                    const Screen& screen = *document.screens[0];
                    const auto widgets = widgetsFor(document, screen, variable, kind, x, x / 2);
                    QVERIFY(!widgets.empty());
                    for (const Widget& each : widgets) {
                        QVERIFY(each.x >= 0 && each.y >= 0 && each.x + each.w <= 320 && each.y + each.h <= 240);
                        QVERIFY(widgetIndex(screen, each.name) < 0);
                    }
                    SceneBuilder builder;
                    Names added;
                    document = addWidgets(document, screen.name, widgets, &added);
                    QCOMPARE(added.front(), widgets.front().name);
                    const BuiltSceneRef scene = builder.build(document);
                    QVERIFY(!hasErrors(scene->problems));
                    QVERIFY(scene->parts[0]->usedVariables.count(variable.name) == 1);
                }
        }
    }
};

GORSEFINCH_TEST(TestVariableLines, Nothing)
#include "tst_variable_lines.moc"
