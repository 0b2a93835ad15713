// SPDX-License-Identifier: GPL-3.0-or-later
// What shows a value round a middle: rings, gauges and lamps. Where they reach for each value, that what is drawn over
// what was there is what one drawn from nothing shows, and how little is drawn.
#include <QtTest>
#include <cmath>
#include <random>

#include "core/edits/edit.h"
#include "core/scene/font_reasons.h"
#include "core/sim/draw_screen.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kDialSide = 100;

Document withDial(Kind kind, int w, int h, PropertyMap properties, PixelFormat format = PixelFormat::Grey8) {
    Document document = withPanelOf(makeDocument(), format, 0, kDialSide, kDialSide);
    document = withVariable(document, makeNumber("level", 0, 100, 0));
    for (const auto& [key, value] :
         PropertyMap{{"fill", opaque(0x404040)}, {"colour", opaque(0xFFFFFF)}, {"value", std::string("level")}})
        properties.emplace(key, value);
    return addWidgets(document, "first", {makeWidget("dial", kind, 10, 10, w, h, std::move(properties))});
}

void showLevel(Twin& twin, int level, uint32_t after = 10) {
    QVERIFY(twin.set("level", std::to_string(level)));
    twin.step(twin.now() + after);
}

int shade(const Twin& twin, double x, double y) {
    return static_cast<int>(
        twin.memory().picture().at(static_cast<int>(std::floor(x)), static_cast<int>(std::floor(y))) & 255);
}

// The shade of a ring of 80 pixels whose thickness is 12, at an angle in degrees.
int onRing(const Twin& twin, double degrees) {
    const double angle = degrees * 3.14159265 / 180;
    return shade(twin, 50 + 34 * std::sin(angle), 50 - 34 * std::cos(angle));
}

int flushedArea(Twin& twin) {
    int sum = 0;
    for (const Flushed& each : twin.takeFlushed())
        sum += each.w * each.h;
    return sum;
}

std::string problemOf(const Document& document) {
    SceneBuilder builder;
    const BuiltSceneRef scene = builder.build(document);
    return scene->problems.list().empty() ? "" : scene->problems.front().reason;
}

}  // namespace

class TestDials : public QObject {
    Q_OBJECT

    SceneBuilder builder_;

  private Q_SLOTS:
    void aRingReachesItsValue() {
        Twin twin(builder_.build(
            withDial(Kind::Ring, 80, 80,
                     {{"thickness", int64_t{12}}, {"from_angle", int64_t{225}}, {"to_angle", int64_t{135}}})));
        twin.step(0);
        for (const int level : {0, 10, 25, 50, 99, 100}) {
            showLevel(twin, level);
            for (int part = 2; part < 100; part += 5)
                if (std::abs(part - level) > 2)
                    QCOMPARE(onRing(twin, 225 + 2.7 * part), part < level ? 255 : 0x40);
            QCOMPARE(onRing(twin, 180), 0);
        }
    }

    void aRingGrowsFromItsOrigin() {
        Twin twin(
            builder_.build(withDial(Kind::Ring, 80, 80, {{"thickness", int64_t{12}}, {"origin", std::string("50")}})));
        twin.step(0);
        for (const int level : {0, 30, 50, 80, 100}) {
            showLevel(twin, level);
            for (int part = 3; part < 100; part += 5)
                if (std::abs(part - level) > 2 && std::abs(part - 50) > 2)
                    QCOMPARE(onRing(twin, 3.6 * part), (part < level) == (part > 50) ? 255 : 0x40);
        }
    }

    void partsOfARing() {
        Twin twin(builder_.build(withDial(
            Kind::Ring, 80, 80, {{"thickness", int64_t{12}}, {"parts", int64_t{10}}, {"part_gap", int64_t{6}}})));
        twin.step(0);
        showLevel(twin, 30);
        for (int part = 0; part < 10; ++part) {
            QCOMPARE(onRing(twin, 36 * part + 13), part < 3 ? 255 : 0x40);
            QCOMPARE(onRing(twin, 36 * part + 31), 0);
        }
    }

    void roundEndsReachBeyondTheAngle() {
        for (const bool round : {false, true}) {
            Twin twin(builder_.build(withDial(Kind::Ring, 80, 80,
                                              {{"thickness", int64_t{12}},
                                               {"to_angle", int64_t{180}},
                                               {"ends", std::string(round ? "round" : "flat")}})));
            twin.step(0);
            QCOMPARE(shade(twin, 46, 16), round ? 0x40 : 0);
            QCOMPARE(shade(twin, 46, 84), round ? 0x40 : 0);
            QCOMPARE(shade(twin, 41, 16), 0);
            QCOMPARE(shade(twin, 53, 16), 0x40);
        }
    }

    // Whatever was shown before, the panel shows what one drawn from nothing does.
    void leaveNoTrace_data() {
        QTest::addColumn<int>("kind");
        for (const Kind kind : {Kind::Ring, Kind::Gauge, Kind::Lamp})
            QTest::newRow(info(kind).key) << static_cast<int>(kind);
    }
    void leaveNoTrace() {
        QFETCH(int, kind);
        std::mt19937 random(5);
        const auto any = [&](int from, int to) { return std::uniform_int_distribution<int>(from, to)(random); };
        for (int round = 0; round < 50; ++round) {
            PropertyMap properties{{"thickness", int64_t{any(1, 30)}},
                                   {"from_angle", int64_t{any(0, 360)}},
                                   {"to_angle", int64_t{any(0, 360)}},
                                   {"border", opaque(0x909090)},
                                   {"border_width", int64_t{any(0, 3)}}};
            if (static_cast<Kind>(kind) == Kind::Gauge)
                for (const char* key : {"pivot_x", "pivot_y", "needle_width", "needle_tail", "hub"})
                    properties[key] = int64_t{any(0, 50)};
            if (static_cast<Kind>(kind) == Kind::Gauge && any(0, 1) != 0)
                properties["settle"] = int64_t{any(1, 300)};
            if (static_cast<Kind>(kind) == Kind::Ring) {
                properties["parts"] = int64_t{any(0, 1) != 0 ? 1 : any(2, 30)};
                properties["ends"] = std::string(any(0, 1) != 0 ? "round" : "flat");
                properties["origin"] = std::to_string(any(0, 100));
            }
            if (static_cast<Kind>(kind) == Kind::Lamp)
                properties["blink"] = int64_t{any(0, 1) * any(1, 50)};
            if (static_cast<Kind>(kind) != Kind::Ring && any(0, 1) != 0)
                properties["zones"] = ZoneList{{"10", "50", opaque(0x303030)}, {"40", "", opaque(0xC0C0C0)}};
            const BuiltSceneRef scene =
                builder_.build(withDial(static_cast<Kind>(kind), any(1, 80), any(1, 80), properties));
            Twin twin(scene);
            twin.step(0);
            for (int i = 0; i < 12; ++i) {
                showLevel(twin, any(0, 100), static_cast<uint32_t>(any(1, 100)));
                const std::vector<uint8_t> shown = twin.memory().bytes();
                gorse_redraw(twin.run());
                twin.step(twin.now());
                QVERIFY2(shown == twin.memory().bytes(), qPrintable(QString("%1 %2").arg(round).arg(i)));
            }
        }
    }

    // A small change of a ring flushes little more than the piece that changed; a needle four boxes at both places.
    void onlyWhatChangesIsDrawn() {
        Twin ring(builder_.build(withDial(Kind::Ring, 80, 80, {{"thickness", int64_t{12}}})));
        ring.step(0);
        showLevel(ring, 50);
        (void)ring.takeFlushed();
        showLevel(ring, 51);
        QVERIFY(flushedArea(ring) <= 16 * 6);
        Twin gauge(builder_.build(withDial(Kind::Gauge, 80, 80, {{"pivot_x", int64_t{40}}, {"pivot_y", int64_t{40}}})));
        gauge.step(0);
        for (int level = 1; level < 100; level += 7) {
            showLevel(gauge, level);
            (void)gauge.takeFlushed();
            showLevel(gauge, level + 1);
            const int area = flushedArea(gauge);
            // The needle is 7 pixels wide and 50 long: two of them slanted, each in four boxes.
            QVERIFY2(area > 0 && area < 2000, qPrintable(QString::number(area)));
        }
    }

    void aNeedleSettles() {
        const PropertyMap properties{{"pivot_x", int64_t{40}},
                                     {"pivot_y", int64_t{40}},
                                     {"from_angle", int64_t{270}},
                                     {"to_angle", int64_t{90}},
                                     {"settle", int64_t{200}}};
        const BuiltSceneRef scene = builder_.build(withDial(Kind::Gauge, 80, 80, properties));
        Twin slow(scene), late(scene);
        slow.step(0);
        late.step(0);
        QVERIFY(slow.set("level", "100"));
        QVERIFY(late.set("level", "100"));
        std::set<std::vector<uint8_t>> pictures;
        for (uint32_t now = 10; now <= 260; now += 10) {
            slow.step(now);
            pictures.insert(slow.memory().bytes());
        }
        QVERIFY(pictures.size() > 10);
        late.step(10);
        QVERIFY(slow.memory().bytes() != late.memory().bytes());
        late.step(5000);
        QCOMPARE(late.memory().bytes(), slow.memory().bytes());
        // It has come there and stays.
        (void)slow.takeFlushed();
        slow.step(900);
        QCOMPARE(flushedArea(slow), 0);
        // Without a time it jumps.
        PropertyMap jumping = properties;
        jumping.erase("settle");
        Twin quick(builder_.build(withDial(Kind::Gauge, 80, 80, jumping)));
        quick.step(0);
        showLevel(quick, 100);
        QCOMPARE(quick.memory().bytes(), slow.memory().bytes());
    }

    void lampsFollowTheirZones() {
        Twin plain(builder_.build(withDial(Kind::Lamp, 20, 20, {})));
        plain.step(0);
        QCOMPARE(shade(plain, 20, 22), 0x40);
        showLevel(plain, 3);
        QCOMPARE(shade(plain, 20, 22), 255);
        Twin zoned(builder_.build(withDial(
            Kind::Lamp, 20, 20, {{"zones", ZoneList{{"10", "20", opaque(0x606060)}, {"20", "", opaque(0x909090)}}}})));
        zoned.step(0);
        for (const auto& [level, expected] :
             {std::pair(0, 0x40), {9, 0x40}, {10, 0x60}, {20, 0x60}, {21, 0x90}, {100, 0x90}, {5, 0x40}}) {
            showLevel(zoned, level);
            QCOMPARE(shade(zoned, 20, 22), expected);
        }
    }

    void lampsBlinkTogether() {
        Twin twin(builder_.build(withDial(Kind::Lamp, 20, 20, {{"blink", int64_t{100}}})));
        twin.step(0);
        showLevel(twin, 1, 10);
        for (uint32_t now = 20; now < 600; now += 10) {
            twin.step(now);
            QCOMPARE(shade(twin, 20, 22), now / 100 % 2 == 0 ? 255 : 0x40);
        }
        // One that is off has nothing to do.
        showLevel(twin, 0);
        (void)twin.takeFlushed();
        twin.step(twin.now() + 1000);
        QCOMPARE(flushedArea(twin), 0);
    }

    // Labels are drawn in the look's font, which holds their characters and says why.
    void labelsBringTheirCharacters() {
        const auto shown = [&](const PropertyMap& more) {
            PropertyMap properties{{"value", std::string("kiln_temp")},
                                   {"size", int64_t{23}},
                                   {"font", std::string("regular")},
                                   {"pivot_x", int64_t{80}},
                                   {"pivot_y", int64_t{80}},
                                   {"colour", opaque(0xFFFFFF)}};
            for (const auto& [key, value] : more)
                properties[key] = value;
            Document d = addScreen(openKiln(), -1, "dial");
            return builder_.build(addWidgets(d, "dial", {makeWidget("dial", Kind::Gauge, 0, 0, 160, 160, properties)}));
        };
        const auto drawn = [](const BuiltSceneRef& scene) { return drawScreen(*scene, 0).bytes(); };
        const auto fontOf = [](const BuiltSceneRef& scene) {
            const auto at = std::find_if(scene->fonts.begin(), scene->fonts.end(),
                                         [](const FontRef& font) { return font->key().size == 23; });
            return at == scene->fonts.end() ? nullptr : *at;
        };
        const BuiltSceneRef with = shown({}), without = shown({{"labels", false}});
        QVERIFY(fontOf(with) && !fontOf(without));
        QVERIFY(drawn(with) != drawn(without));
        QVERIFY(drawn(with) != drawn(shown({{"label_decimals", int64_t{1}}})));
        const auto reasons = fontReasons(*with, *fontOf(with));
        QCOMPARE(reasons.size(), size_t{1});
        QCOMPARE(reasons[0].widget, std::string("dial"));
        QCOMPARE(reasons[0].detail, std::string("labels"));
        QVERIFY(reasons[0].characters.count(U'7') == 1);
    }

    void mistakesAreReported() {
        QCOMPARE(problemOf(withDial(Kind::Gauge, 80, 80, {{"labels", false}})), std::string());
        QCOMPARE(problemOf(withDial(Kind::Gauge, 80, 80, {})), std::string("there is no face for its text"));
        QCOMPARE(problemOf(withDial(Kind::Lamp, 20, 20, {{"zones", ZoneList{{"20", "10", Colour{}}}}})),
                 std::string("zone 1 ends before it begins"));
        QCOMPARE(problemOf(withDial(Kind::Lamp, 20, 20, {{"zones", ZoneList{{"warm", "", Colour{}}}}})),
                 std::string("\"warm\" is not a number"));
        QCOMPARE(problemOf(withDial(Kind::Gauge, 80, 80, {{"value", std::string("nothing")}, {"labels", false}})),
                 std::string("there is no variable \"nothing\""));
    }
};

GORSEFINCH_TEST(TestDials, Nothing)
#include "tst_dials.moc"
