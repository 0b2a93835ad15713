// SPDX-License-Identifier: GPL-3.0-or-later
// Each property of each kind at its bounds, beyond them and of wrong types: in files, rules and expressions. What fits
// is taken without a word, what does not is an error that names it, and the interface runs on either way.
#include <QtTest>

#include "core/base/json.h"
#include "core/rules/property_value.h"
#include "core/sim/twin.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Document withIt(Kind kind) {
    Document d = withPanelOf(makeDocument(), PixelFormat::Rgb565, 0, 60, 50);
    d = withVariable(d, makeNumber("level", 0, 100, 40));
    d = withVariable(d, makeYesNo("open", true));
    d = withClock(d, Clock{});
    Widget widget = makeWidget("it", kind, 3, 2, 40, 36);
    if (info(kind).sample)
        info(kind).sample(widget, false);
    return addWidgets(d, "first", {widget});
}

// Reads the project with a property as a file holds it.
ReadProject readWith(const Document& document, const char* key, const Json& value) {
    ProjectFiles files = toFiles(document);
    Json screen = Json::parse(std::string(files.at("screens/first.json").text()));
    screen["widgets"][0][key] = value;
    files["screens/first.json"] = SharedBytes(screen.dump());
    return readFiles(files);
}

bool named(const Problems& problems, const std::string& key) {
    return std::any_of(problems.begin(), problems.end(),
                       [&](const Problem& each) { return each.text().find(key) != std::string::npos; });
}

// Draws what was read, whatever it is.
void run(const Document& document) {
    SceneBuilder builder;
    Twin twin(builder.build(document));
    for (uint32_t ms = 0; ms < 90; ms += 30)
        twin.step(ms);
    QVERIFY(!twin.memory().bytes().empty());
}

// The errors of a rule that sets a property, or of an expression that it follows.
Problems errorsOf(const Document& document) {
    SceneBuilder builder;
    Problems out;
    for (const Problem& each : builder.build(document)->problems)
        if (each.severity == Severity::Error)
            out.push_back(each);
    run(document);
    return out;
}

// What fits and what does not, as files have it.
struct Values {
    std::vector<Json> good, bad;
};

Values valuesOf(const PropertyInfo& property) {
    const Json array = Json::array({1, 2}), object = Json{{"a", 1}}, none = nullptr;
    switch (property.type) {
        case PropertyType::Whole:
            return {{property.min, property.max},
                    {int64_t{property.min} - 1, int64_t{property.max} + 1, 1e30, "4 x", true, array, object, none}};
        case PropertyType::YesNo: return {{true, false}, {1, "yes", array, object, none}};
        case PropertyType::Colour:
            return {{"#102030", "#10203040", "none"}, {"#12", "#GGGGGG", "#red", 5, true, array, object, none}};
        case PropertyType::Choice:
            return {{property.choices.front(), property.choices.back()},
                    {"nothing of these", "", 1, true, array, object, none}};
        case PropertyType::Edges:
            return {{"none", "right", "left top right bottom"},
                    {"", " ", "left  top", "left left", "nothing of these", 1, true, array, object, none}};
        case PropertyType::Points: {
            const Json point = Json::array({3, -4}), far = Json::array({kMaxPoint + 1, 0});
            Json least = Json::array(), most = Json::array(), few = Json::array(), many = Json::array();
            for (int i = 0; i <= property.max; ++i) {
                if (i < property.min)
                    least.push_back(point);
                if (i + 1 < property.min)
                    few.push_back(point);
                if (i < property.max)
                    most.push_back(point);
                many.push_back(point);
            }
            Json wide = least;
            wide[0] = far;
            return {{least, most}, {few, many, wide, "0 0", 1, true, object, none, Json::array({Json::array({1})})}};
        }
        case PropertyType::Zones: {
            const Json zone{{"from", "1"}, {"to", "2"}, {"colour", "#102030"}};
            Json most = Json::array(), many = Json::array();
            for (int i = 0; i <= property.max; ++i) {
                if (i < property.max)
                    most.push_back(zone);
                many.push_back(zone);
            }
            return {{Json::array(), most}, {many, "x", 1, true, object, none, Json::array({1})}};
        }
        case PropertyType::Cells: return {{Json::array({"1 2", "0 255"})}, {1, true, object, none, Json::array({1})}};
        default: return {{"", "Words"}, {1, true, array, object, none}};
    }
}

// What a rule can write, and what is refused.
std::pair<std::vector<std::string>, std::vector<std::string>> wordsFor(const PropertyInfo& property) {
    switch (valueTypeOf(property)) {
        case ValueType::YesNo: return {{"yes", "open && no"}, {"1", "\"yes\"", "#102030"}};
        case ValueType::Colour: return {{"#102030", "open ? none : #10203040"}, {"1", "yes", "\"red\""}};
        case ValueType::Text: return {{"\"\"", "open ? \"a\" : \"{level}\""}, {"1", "yes", "#102030"}};
        case ValueType::Choice: {
            const std::string first = "\"" + std::string(property.choices.front()) + "\"";
            return {{first, "open ? " + first + " : \"" + property.choices.back() + "\""},
                    {"\"nothing of these\"", "0", "yes", "#102030"}};
        }
        default:
            return {{std::to_string(property.min), std::to_string(property.max)},
                    {std::to_string(int64_t{property.min} - 1), std::to_string(int64_t{property.max} + 1), "yes",
                     "\"1\"", "#102030"}};
    }
}

}  // namespace

class TestPropertyBounds : public QObject {
    Q_OBJECT

    static void addRows(bool inRules) {
        QTest::addColumn<int>("kind");
        QTest::addColumn<QString>("key");
        for (const KindInfo* kind : kinds())
            for (const auto& list : {placeProperties(), styleProperties(), kind->properties})
                for (const PropertyInfo& each : list)
                    if (!inRules || (each.inRules && kind->group != KindGroup::Own))
                        QTest::addRow("%s.%s", kind->key, each.key)
                            << static_cast<int>(kind->kind) << QString(each.key);
    }

  private Q_SLOTS:
    void inFiles_data() { addRows(false); }

    void inFiles() {
        QFETCH(int, kind);
        QFETCH(QString, key);
        const std::string name = key.toStdString();
        const Document d = withIt(static_cast<Kind>(kind));
        const PropertyInfo& property = *findProperty(static_cast<Kind>(kind), name);
        const Values values = valuesOf(property);
        for (const Json& each : values.good) {
            const ReadProject read = readWith(d, name.c_str(), each);
            QVERIFY2(read.document && read.problems.empty(),
                     read.problems.empty() ? "" : read.problems.front().text().c_str());
            run(*read.document);
            // It is written as it was read.
            const ReadProject again = readFiles(toFiles(*read.document));
            QVERIFY(again.document && toFiles(*again.document) == toFiles(*read.document));
        }
        for (const Json& each : values.bad) {
            const ReadProject read = readWith(d, name.c_str(), each);
            QVERIFY(read.document);
            QVERIFY2(named(read.problems, name), each.dump().c_str());
            QVERIFY(tells(read.problems, ""));
            run(*read.document);
        }
    }

    void inRulesAndExpressions_data() { addRows(true); }

    void inRulesAndExpressions() {
        QFETCH(int, kind);
        QFETCH(QString, key);
        const std::string name = key.toStdString();
        const Document d = withIt(static_cast<Kind>(kind));
        const PropertyInfo& property = *findProperty(static_cast<Kind>(kind), name);
        const auto ruled = [&](const std::string& words) {
            return withRules(d, "main", "on start\n    it." + name + " = " + words + "\n");
        };
        const auto followed = [&](const std::string& words) {
            return *setExpression(d, "first", Names{"it"}, name, words);
        };
        const auto [good, bad] = wordsFor(property);
        for (const std::string& words : good) {
            const Problems rule = errorsOf(ruled(words)), expression = errorsOf(followed(words));
            QVERIFY2(rule.empty(), rule.empty() ? "" : rule.front().text().c_str());
            QVERIFY2(expression.empty(), expression.empty() ? "" : expression.front().text().c_str());
        }
        for (const std::string& words : bad) {
            QVERIFY2(tells(errorsOf(ruled(words)), "it"), words.c_str());
            QVERIFY2(tells(errorsOf(followed(words)), "it." + name), words.c_str());
        }
        // A value that is computed can leave the bounds: the twin runs on.
        if (valueTypeOf(property) == ValueType::Number)
            for (const char* words : {"(level - 50) * 700000", "level * level * level * level * level"}) {
                run(ruled(words));
                run(followed(words));
            }
    }
};

GORSEFINCH_TEST(TestPropertyBounds, Nothing)
#include "tst_property_bounds.moc"
