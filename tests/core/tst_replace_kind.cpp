// SPDX-License-Identifier: GPL-3.0-or-later
// A widget that is made another kind keeps what both have, and any kind can become any other.
#include <QtTest>

#include "core/edits/replace_kind.h"
#include "core/image/levels.h"
#include "core/kinds/kinds.h"
#include "core/scene/built_scene.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

class TestReplaceKind : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void aBarBecomesARing() {
        Document d = withVariable(makeDocument(), makeNumber("level", 0, 50, 10));
        d = addWidgets(d, "first",
                       {makeWidget("heat", Kind::Progress, 10, 20, 60, 40,
                                   {{"value", std::string("level")},
                                    {"max", std::string("40")},
                                    {"parts", int64_t{7}},
                                    {"direction", std::string("up")},
                                    {"colour", opaque(0x123456)},
                                    {"padding", int64_t{3}}}),
                        makeWidget("other", Kind::Progress, 0, 0, 9, 9)});
        const std::vector<std::string> names{"heat"};
        const Document ring = replaceKind(d, "first", names, Kind::Ring);
        const Widget& w = *ring.screens[0]->widgets[0];
        QCOMPARE(w.kind, Kind::Ring);
        QCOMPARE(w.name, std::string("heat"));
        QCOMPARE((std::array{w.x, w.y, w.w, w.h}), (std::array{10, 20, 60, 40}));
        QCOMPARE(std::get<std::string>(w.properties.at("value")), std::string("level"));
        QCOMPARE(std::get<std::string>(w.properties.at("max")), std::string("40"));
        QCOMPARE(std::get<int64_t>(w.properties.at("parts")), int64_t{7});
        QCOMPARE(std::get<Colour>(w.properties.at("colour")), opaque(0x123456));
        QCOMPARE(w.properties.count("direction"), size_t{0});
        QCOMPARE(w.properties.count("padding"), size_t{0});
        // What only a ring has is as in a new one.
        QCOMPARE(std::get<int64_t>(w.properties.at("thickness")), int64_t{5});
        QCOMPARE(ring.screens[0]->widgets[1]->kind, Kind::Progress);
    }

    // Choices and numbers with the same key but another range are left out where they do not fit.
    void everyKindBecomesEveryOther() {
        for (const KindInfo* from : kinds())
            for (const KindInfo* to : kinds()) {
                Widget widget = makeWidget("w", from->kind, 5, 5, 40, 30);
                for (const PropertyInfo& each : from->properties)
                    if (each.type == PropertyType::Whole)
                        widget.properties[each.key] = int64_t{each.max};
                    else if (each.type == PropertyType::Choice)
                        widget.properties[each.key] = std::string(each.choices.back());
                Document d = addWidgets(makeDocument(), "first", {widget});
                d = replaceKind(d, "first", std::vector<std::string>{"w"}, to->kind);
                const Widget& made = *d.screens[0]->widgets[0];
                QCOMPARE(made.kind, to->kind);
                for (const auto& [key, value] : made.properties) {
                    const PropertyInfo* property = findProperty(to->kind, key);
                    QVERIFY2(property && fits(*property, value), key.c_str());
                }
                SceneBuilder builder;
                QVERIFY(builder.build(d) != nullptr);
            }
    }

    // On a light screen a readout has a dark ink, whatever it was before.
    void theNewKindStandsOut() {
        Document d = addWidgets(makeDocument(), "first", {makeWidget("w", Kind::Image, 0, 0, 40, 20)});
        Screen screen = *d.screens[0];
        screen.background = opaque(0xF1EADB);
        d = replaceKind(withScreen(d, 0, screen), "first", std::vector<std::string>{"w"}, Kind::Readout);
        const Widget& made = *d.screens[0]->widgets[0];
        QVERIFY(greyOf(std::get<Colour>(effectiveValue(d, made, "colour")).argb) < 100);
        QVERIFY(greyOf(std::get<Colour>(effectiveValue(d, made, "unit_colour")).argb) < 180);
    }
};

GORSEFINCH_TEST(TestReplaceKind, Nothing)
#include "tst_replace_kind.moc"
