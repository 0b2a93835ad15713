// SPDX-License-Identifier: GPL-3.0-or-later
// Every property that rules can set: set by a rule it looks as if the document had said so from the start, on every
// kind, and only what it changed is drawn again.
#include <QRect>
#include <QtTest>

#include "core/edits/image_edits.h"
#include "core/sim/twin.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

// One widget of each kind, over one another in part, so that what lies below matters too.
Document allKinds() {
    Document d = withClock(addScreen(openKiln(), 2, "kinds"), Clock{});
    const QRect boxes[] = {
        {20, 20, 120, 80}, {40, 130, 160, 60}, {60, 60, 150, 60}, {150, 40, 90, 90}, {180, 120, 100, 90}};
    for (size_t i = 0; i < kinds().size(); ++i) {
        const KindInfo& kind = *kinds()[i];
        const QRect& box = boxes[i % std::size(boxes)];
        PropertyMap values{{"fill", opaque(0x204060)}, {"border", opaque(0xc0c0c0)}, {"border_width", int64_t{2}},
                           {"radius", int64_t{6}},     {"padding", int64_t{3}},      {"font", std::string("regular")},
                           {"size", int64_t{17}}};
        if (kind.kind == Kind::Assembly)
            values[kOfKey] = std::string("stage");
        for (const PropertyInfo& each : kind.properties) {
            if (each.type == PropertyType::Text)
                values[each.key] = std::string("Warm {kiln_temp}");
            if (each.type == PropertyType::Image)
                values[each.key] = std::string(showsAllFrames(kind, each) ? "flame" : "pot");
        }
        d = addWidgets(
            d, "kinds",
            {makeWidget(std::string("a_") + kind.key, kind.kind, box.x(), box.y(), box.width(), box.height(), values)});
    }
    return d;
}

// What a property is set to, as rules write it and as the document holds it.
std::vector<std::pair<std::string, PropertyValue>> valuesOf(const PropertyInfo& property) {
    switch (property.type) {
        case PropertyType::YesNo: return {{"no", false}, {"yes", true}};
        case PropertyType::Colour: return {{"#E08040", opaque(0xe08040)}, {"none", Colour{0}}, {"#000000", opaque(0)}};
        case PropertyType::Text:
            return {{"\"Hold\"", std::string("Hold")},
                    {"\"\"", std::string()},
                    {"\"{target} °C\"", std::string("{target} °C")}};
        default: break;
    }
    std::vector<std::pair<std::string, PropertyValue>> out;
    for (const char* each : property.choices)
        out.emplace_back("\"" + std::string(each) + "\"", std::string(each));
    if (property.type == PropertyType::Choice)
        return out;
    for (const int value : {property.min, 7, 33, 150, property.max})
        if (value >= property.min && value <= property.max)
            out.emplace_back(std::to_string(value), int64_t{value});
    return out;
}

Document withValue(const Document& document, const std::string& widget, const std::string& property,
                   const PropertyValue& value) {
    return changeWidgets(document, "kinds", std::vector<std::string>{widget},
                         [&](Widget& w) { setOwnValue(w, *findProperty(w.kind, property), value); });
}

}  // namespace

class TestProperties : public QObject {
    Q_OBJECT

    Document plain_;
    // One for all, so that glyphs and pixels are made once.
    SceneBuilder builder_;

    std::vector<uint8_t> shown(const Document& document) {
        const BuiltSceneRef scene = builder_.build(document);
        if (hasErrors(scene->problems))
            return {};
        Twin twin(scene);
        twin.step(0);
        return twin.memory().bytes();
    }

  private Q_SLOTS:
    void initTestCase() {
        plain_ = allKinds();
        QVERIFY(plain_.image("flame") && plain_.image("pot") && plain_.face("regular"));
    }

    void aRuleSaysItLikeTheDocument_data() {
        QTest::addColumn<QString>("widget");
        QTest::addColumn<QString>("property");
        for (const KindInfo* kind : kinds())
            for (const auto& list : {placeProperties(), styleProperties(), kind->properties})
                for (const PropertyInfo& each : list)
                    if (each.inRules)
                        QTest::addRow("a_%s.%s", kind->key, each.key) << QString("a_") + kind->key << QString(each.key);
    }

    void aRuleSaysItLikeTheDocument() {
        QFETCH(QString, widget);
        QFETCH(QString, property);
        const std::string name = widget.toStdString(), key = property.toStdString();
        const ScreenRef screen = plain_.screen("kinds");
        const Kind kind = screen->widgets[static_cast<size_t>(widgetIndex(*screen, name))]->kind;
        for (const auto& [words, value] : valuesOf(*findProperty(kind, key))) {
            const std::string go = "on start\n    go kinds\n\n";
            const auto expected = shown(withRules(withValue(plain_, name, key, value), "main", go));
            QVERIFY2(!expected.empty(), words.c_str());
            const std::string set = "    " + name + "." + key + " = " + words + "\n";
            // Before its screen is shown, and while it is.
            QVERIFY2(shown(withRules(plain_, "main", "on start\n" + set + "    go kinds\n")) == expected,
                     words.c_str());
            const BuiltSceneRef scene = builder_.build(withRules(plain_, "main", go + "when kiln_temp == 7\n" + set));
            QVERIFY2(!hasErrors(scene->problems),
                     scene->problems.empty() ? "" : scene->problems.front().text().c_str());
            Twin twin(scene);
            twin.step(0);
            QVERIFY(twin.set("kiln_temp", "7"));
            twin.step(10);
            QVERIFY(twin.set("kiln_temp", "1043"));
            twin.step(20);
            QVERIFY2(twin.memory().bytes() == expected, (name + "." + key + " = " + words).c_str());
        }
    }

    // What a rule reads is what the document says, or what a rule set last.
    void aRuleReadsWhatItIs() {
        Document d = withVariable(plain_, makeNumber("width", -5000, 5000, 0));
        d = withVariable(d, makeYesNo("seen", false));
        Twin twin(builder_.build(
            withRules(d, "main",
                      "on start\n    width = a_button.w + a_text.padding\n    seen = a_frames.visible\n  "
                      "  a_button.w = a_button.w * 2\n    hide a_frames\n\n"
                      "when kiln_temp == 7\n    width = a_button.w\n    seen = a_frames.visible\n")));
        twin.step(0);
        const ScreenRef screen = plain_.screen("kinds");
        const int w = screen->widgets[static_cast<size_t>(widgetIndex(*screen, "a_button"))]->w;
        QCOMPARE(twin.get("width"), std::to_string(w + 3));
        QCOMPARE(twin.get("seen"), std::string("yes"));
        QVERIFY(twin.set("kiln_temp", "7"));
        twin.step(10);
        QCOMPARE(twin.get("width"), std::to_string(2 * w));
        QCOMPARE(twin.get("seen"), std::string("no"));
    }

    // A property of a screen that is not shown draws nothing.
    void otherScreensStayQuiet() {
        Twin twin(builder_.build(withRules(
            plain_, "main",
            "when kiln_temp == 7\n    a_rectangle.fill = #FF0000\n    a_text.text = \"x\"\n    a_button.x = 9\n")));
        twin.step(0);
        (void)twin.takeFlushed();
        // The status screen shows the value itself: only its text changes.
        QVERIFY(twin.set("kiln_temp", "7"));
        twin.step(10);
        const auto flushed = twin.takeFlushed();
        QVERIFY(!flushed.empty());
        for (const Flushed& each : flushed)
            QVERIFY2(each.h < 60,
                     qPrintable(QString("%1x%2 at %3,%4").arg(each.w).arg(each.h).arg(each.x).arg(each.y)));
    }
};

GORSEFINCH_TEST(TestProperties, Nothing)
#include "tst_properties.moc"
