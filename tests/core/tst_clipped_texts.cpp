// SPDX-License-Identifier: GPL-3.0-or-later
// Texts and numbers whose longest value does not fit their widget are reported, and those that fit are not.
#include <QtTest>

#include "core/scene/built_scene.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Document withOneOf(Kind kind, int width, PropertyMap properties) {
    properties.emplace("size", int64_t{20});
    Document document = withVariable(openKiln(), makeNumber("weight", -500, 99999, 0, 1));
    return addWidgets(document, "alarm", {makeWidget("probe", kind, 0, 0, width, 30, std::move(properties))});
}

std::string reported(SceneBuilder& builder, const Document& document) {
    const BuiltSceneRef scene = builder.build(document);
    for (const Problem& each : scene->problems.list())
        if (each.widget == "probe")
            return each.text();
    return "";
}

// The smallest width for which nothing is reported.
int enough(Kind kind, const PropertyMap& properties) {
    SceneBuilder builder;
    int narrow = 0, wide = 400;
    while (wide - narrow > 1) {
        const int middle = (narrow + wide) / 2;
        (reported(builder, withOneOf(kind, middle, properties)).empty() ? wide : narrow) = middle;
    }
    return wide;
}

}  // namespace

class TestClippedTexts : public QObject {
    Q_OBJECT

    SceneBuilder builder_;

  private Q_SLOTS:
    void theExamplesHaveRoom() {
        for (const char* example : {"kiln", "hive", "enlarger", "aquifer"}) {
            const BuiltSceneRef scene = builder_.build(openExample(example));
            QVERIFY2(scene->problems.empty(), scene->problems.empty() ? "" : scene->problems.front().text().c_str());
        }
    }

    void textsWithValues() {
        const std::string problem =
            reported(builder_, withOneOf(Kind::Text, 40, {{"text", std::string("{weight} kg")}}));
        QVERIFY2(problem.find("its longest text, \"") != std::string::npos &&
                     problem.find(" kg\", is ") != std::string::npos &&
                     problem.find("room for 40") != std::string::npos,
                 problem.c_str());
        QCOMPARE(reported(builder_, withOneOf(Kind::Text, 300, {{"text", std::string("{weight} kg")}})), std::string());
        // Padding and border take their part.
        const int plain = enough(Kind::Text, {{"text", std::string("{weight}")}});
        QCOMPARE(enough(Kind::Text,
                        {{"text", std::string("{weight}")}, {"padding", int64_t{3}}, {"border_width", int64_t{2}}}),
                 plain + 10);
    }

    void whatBreaksItsLinesOrNeverChangesIsLeftAlone() {
        QCOMPARE(reported(builder_, withOneOf(Kind::Text, 20, {{"text", std::string("{weight} kg")}, {"wrap", true}})),
                 std::string());
        QCOMPARE(reported(builder_, withOneOf(Kind::Text, 20, {{"text", std::string("words alone")}})), std::string());
    }

    void numbersWithTheirUnit() {
        const PropertyMap value{{"value", std::string("weight")}};
        PropertyMap unit = value;
        unit["unit"] = std::string("kg");
        PropertyMap coarse = value;
        coarse["decimals"] = std::string("0");
        const int plain = enough(Kind::Readout, value);
        QVERIFY(plain > 50 && plain < 200);
        QVERIFY(enough(Kind::Readout, unit) > plain + 15);
        QVERIFY(enough(Kind::Readout, coarse) < plain - 8);
        PropertyMap words = value;
        words["above"] = std::string("out of its range");
        QVERIFY(enough(Kind::Readout, words) > plain + 20);
        PropertyMap narrow = value;
        narrow["max"] = std::string("9.9");
        narrow["min"] = std::string("0");
        QVERIFY(enough(Kind::Readout, narrow) < plain - 20);
    }

    // A digit that is wider than those of the extremes counts: 11 is as wide as 88.
    void theWidestDigitsCount() {
        const auto room = [&](int32_t max) {
            int width = 1;
            Document document = withOneOf(Kind::Readout, width, {{"value", std::string("weight")}});
            document = withVariable(document, makeNumber("weight", 0, max, 0));
            SceneBuilder builder;
            while (!reported(builder, document).empty())
                document =
                    changeWidgets(document, "alarm", Names{"probe"}, [&](Widget& widget) { widget.w = ++width; });
            return width;
        };
        QCOMPARE(room(11), room(88));
    }

    void textsThatRulesAndExpressionsSet() {
        Document document = withOneOf(Kind::Text, 60, {{"text", std::string("Off")}});
        QCOMPARE(reported(builder_, document), std::string());
        document = *setExpression(document, "alarm", Names{"probe"}, "text", "holding ? \"On\" : \"Off for ever\"");
        QVERIFY(reported(builder_, document).find("Off for ever") != std::string::npos);
    }
};

GORSEFINCH_TEST(TestClippedTexts, Nothing)
#include "tst_clipped_texts.moc"
