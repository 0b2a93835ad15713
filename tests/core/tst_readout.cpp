// SPDX-License-Identifier: GPL-3.0-or-later
// Numbers made to be read: how they are written, where their unit is, what is shown out of the range, and that only the
// digits that differ are drawn.
#include <QtTest>
#include <random>

#include "core/edits/edit.h"
#include "core/sim/twin.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kWidth = 160, kHeight = 48;
const PropertyMap kStyle{{"colour", opaque(0xFFFFFF)}, {"fill", opaque(0x000000)}, {"size", int64_t{20}}};

// A panel with one widget and the variable "level" of so many decimals.
Document withOne(const Kind kind, PropertyMap properties, int decimals = 0) {
    Document document = withPanelOf(makeDocument(), PixelFormat::Grey8, 0, kWidth, kHeight);
    Disk disk;
    document = addFace(
        document, "face.otf",
        std::make_shared<const FileContents>(*readFile(disk, examplePath("kiln/fonts/B612-Regular.otf"), kMaxFaceFile)),
        nullptr);
    document = withVariable(document, makeNumber("level", -2000000000, 2000000000, 0, decimals));
    properties.insert(kStyle.begin(), kStyle.end());
    return addWidgets(document, "first", {makeWidget("probe", kind, 4, 4, 150, 40, std::move(properties))});
}

Document readout(PropertyMap properties, int decimals = 0) {
    properties.emplace("value", std::string("level"));
    return withOne(Kind::Readout, std::move(properties), decimals);
}

std::vector<uint8_t> frameOf(const Document& document, const std::string& level = "0") {
    SceneBuilder builder;
    Twin twin(builder.build(document));
    if (!twin.set("level", level))
        qFatal("no such value");
    twin.step(0);
    return twin.memory().bytes();
}

// The frame of a text that says the same at the same place.
std::vector<uint8_t> written(const std::string& words, const std::string& align = "right") {
    return frameOf(withOne(Kind::Text, {{"text", words}, {"align", align}}));
}

int flushedPixels(Twin& twin) {
    int sum = 0;
    for (const Flushed& each : twin.takeFlushed())
        sum += each.w * each.h;
    return sum;
}

// The rows with ink between two columns, from the first to the last.
std::pair<int, int> rowsOfInk(const Document& document, int from, int to) {
    SceneBuilder builder;
    Twin twin(builder.build(document));
    twin.step(0);
    const Picture p = twin.memory().picture();
    std::pair rows(kHeight, -1);
    for (int y = 0; y < kHeight; ++y)
        for (int x = from; x < to; ++x)
            if ((p.at(x, y) & 255) > 100)
                rows = {std::min(rows.first, y), y};
    return rows;
}

}  // namespace

class TestReadout : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void numbers_data() {
        QTest::addColumn<int>("decimals");
        QTest::addColumn<QString>("level");
        QTest::addColumn<QStringList>("set");
        QTest::addColumn<QString>("shown");
        const auto row = [](int decimals, const char* level, const QStringList& set, const char* shown) {
            QTest::addRow("%s.%s", shown, qPrintable(set.join(',')))
                << decimals << QString(level) << set << QString(shown);
        };
        row(0, "0", {}, "0");
        row(0, "-7", {}, "-7");
        row(0, "2000000000", {}, "2000000000");
        row(0, "-2000000000", {"thousands=space"}, "-2 000 000 000");
        row(0, "1234", {"thousands=comma"}, "1,234");
        row(0, "123", {"thousands=comma"}, "123");
        row(1, "1234.5", {"thousands=apostrophe"}, "1'234.5");
        row(1, "17.4", {}, "17.4");
        row(1, "-0.4", {}, "-0.4");
        row(1, "17.4", {"decimals=0"}, "17");
        row(1, "17.5", {"decimals=0"}, "18");
        row(1, "-17.5", {"decimals=0"}, "-18");
        row(1, "-0.4", {"decimals=0"}, "0");
        row(3, "9.996", {"decimals=2"}, "10.00");
        row(1, "17.4", {"decimals=3"}, "17.400");
        row(0, "17", {"decimals=2"}, "17.00");
        row(0, "7", {"digits=4", "lead=zeros"}, "0007");
        row(0, "-7", {"digits=3", "lead=zeros"}, "-007");
        row(0, "7", {"digits=4", "lead=spaces"}, "   7");
        row(0, "7", {"digits=4"}, "7");
        row(0, "12345", {"digits=2", "lead=zeros"}, "12345");
        row(0, "7", {"digits=5", "lead=zeros", "thousands=comma"}, "00,007");
        row(0, "7", {"sign=always"}, "+7");
        row(0, "0", {"sign=always"}, "0");
        row(6, "0.000001", {}, "0.000001");
        row(6, "-1999.999999", {"decimals=6"}, "-1999.999999");
        row(6, "1999.5", {"decimals=0"}, "2000");
    }

    void numbers() {
        QFETCH(int, decimals);
        QFETCH(QString, level);
        QFETCH(QStringList, set);
        QFETCH(QString, shown);
        PropertyMap properties;
        for (const QString& each : set) {
            const std::string key = each.section('=', 0, 0).toStdString(), value = each.section('=', 1).toStdString();
            properties[key] = key == "digits" ? PropertyValue(int64_t{std::stoi(value)}) : PropertyValue(value);
        }
        for (const char* align : {"left", "middle", "right"}) {
            properties["align"] = std::string(align);
            QVERIFY2(frameOf(readout(properties, decimals), level.toStdString()) == written(shown.toStdString(), align),
                     align);
        }
    }

    void unitsAreOnTheSameLine() {
        // An H has the digits' height in this face or less, and ends where they end.
        for (const int size : {9, 14, 20, 32}) {
            const Document document = readout({{"unit", std::string("H")},
                                               {"unit_size", int64_t{size}},
                                               {"unit_gap", int64_t{20}},
                                               {"align", std::string("left")}});
            const auto number = rowsOfInk(document, 4, 18), unit = rowsOfInk(document, 34, 80);
            QVERIFY(unit.second >= 0);
            QVERIFY2(std::abs(number.second - unit.second) <= 1, qPrintable(QString::number(size)));
        }
    }

    void unitsStayBehindTheNumber() {
        const auto ink = [&](const char* align, const char* level) {
            SceneBuilder builder;
            Twin twin(builder.build(readout({{"unit", std::string("kPa")}, {"align", std::string(align)}})));
            if (!twin.set("level", level))
                qFatal("no such value");
            twin.step(0);
            const Picture p = twin.memory().picture();
            int first = kWidth, last = 0;
            for (int x = 0; x < kWidth; ++x)
                for (int y = 0; y < kHeight; ++y)
                    if ((p.at(x, y) & 255) > 100)
                        first = std::min(first, x), last = x;
            return std::pair(first, last);
        };
        QVERIFY(std::abs(ink("right", "5").second - ink("right", "88888").second) <= 1);
        QVERIFY(ink("left", "88888").second > ink("left", "5").second + 20);
        for (const char* level : {"5", "88888"}) {
            const auto [first, last] = ink("middle", level);
            QVERIFY(std::abs((first + last) / 2 - (4 + 75)) <= 2);
        }
    }

    void outOfTheRange() {
        const PropertyMap range{{"min", std::string("0")}, {"max", std::string("99")}};
        QVERIFY(frameOf(readout(range), "-5") == written("0"));
        QVERIFY(frameOf(readout(range), "120") == written("99"));
        PropertyMap words = range;
        words["below"] = std::string("Cold ä");
        words["above"] = std::string("Hot");
        words["unit"] = std::string("°C");
        QVERIFY(frameOf(readout(words), "-1") == written("Cold ä"));
        QVERIFY(frameOf(readout(words), "100") == written("Hot"));
        QVERIFY(frameOf(readout(words), "99") != written("99"));
    }

    void wrongIsAStateOfItsLook() {
        Look look;
        look.name = "number";
        look.style = kStyle;
        look.states["wrong"]["colour"] = opaque(0x808080);
        Document document = withLook(readout({{"max", std::string("50")}}), look);
        document = changeWidgets(document, "first", Names{"probe"}, [](Widget& widget) {
            widget.look = "number";
            for (const auto& [key, value] : kStyle)
                widget.properties.erase(key);
        });
        QVERIFY(frameOf(document, "50") == written("50"));
        QVERIFY(frameOf(document, "51") == frameOf(withOne(Kind::Text, {{"text", std::string("50")},
                                                                        {"align", std::string("right")},
                                                                        {"colour", opaque(0x808080)}})));
    }

    void onlyTheDigitsThatDifferAreDrawn() {
        SceneBuilder builder;
        Twin twin(builder.build(readout({{"unit", std::string("kPa")}})));
        QVERIFY(twin.set("level", "1011"));
        twin.step(0);
        (void)twin.takeFlushed();
        QVERIFY(twin.set("level", "1012"));
        twin.step(10);
        const int one = flushedPixels(twin);
        QVERIFY2(one > 0 && one <= 14 * 24, qPrintable(QString::number(one)));
        twin.step(20);
        QCOMPARE(flushedPixels(twin), 0);
    }

    // After any way, the frame is the one drawn from nothing.
    void randomValues() {
        std::mt19937 random(7);
        for (const char* align : {"left", "middle", "right"}) {
            const Document document = readout({{"unit", std::string("°C")},
                                               {"unit_size", int64_t{12}},
                                               {"align", std::string(align)},
                                               {"min", std::string("-999")},
                                               {"max", std::string("99999")},
                                               {"above", std::string("over")}},
                                              1);
            SceneBuilder builder;
            const BuiltSceneRef scene = builder.build(document);
            Twin twin(scene);
            twin.step(0);
            for (int i = 1; i < 150; ++i) {
                const int digits = static_cast<int>(random() % 6);
                const auto value = static_cast<int>(random() % static_cast<unsigned>(std::pow(10, digits + 1)));
                const std::string level = std::to_string(random() % 3 == 0 ? -value : value) + ".5";
                QVERIFY(twin.set("level", level));
                twin.step(static_cast<uint32_t>(10 * i));
                Twin fresh(scene);
                QVERIFY(fresh.set("level", level));
                fresh.step(0);
                QVERIFY2(twin.memory().bytes() == fresh.memory().bytes(), level.c_str());
            }
        }
    }

    void anySize() {
        for (const auto& [w, h] : {std::pair(1, 1), {2, 40}, {150, 1}, {9, 9}}) {
            Document document = readout({{"unit", std::string("mm")}, {"padding", int64_t{3}}});
            document = changeWidgets(document, "first", Names{"probe"}, [w = w, h = h](Widget& widget) {
                widget.w = w;
                widget.h = h;
            });
            SceneBuilder builder;
            Twin twin(builder.build(document));
            for (const char* level : {"0", "88888", "-3"}) {
                QVERIFY(twin.set("level", level));
                twin.step(twin.now() + 10);
            }
            const Picture p = twin.memory().picture();
            for (int y = 0; y < kHeight; ++y)
                for (int x = 0; x < kWidth; ++x)
                    if (x < 4 || y < 4 || x >= 4 + w || y >= 4 + h)
                        QCOMPARE(p.at(x, y) & 0xffffffu, 0u);
        }
    }

    // It looks wrong from so many ms without news on, until the firmware sets its variable, to whichever value.
    void staleWithoutNews() {
        const Colour red = opaque(0xFF0000);
        Document document = readout({{"stale_after", int64_t{500}}});
        Look look;
        look.name = "figure";
        look.states["wrong"]["fill"] = red;
        document = withLook(document, look);
        document = changeWidgets(document, "first", Names{"probe"}, [](Widget& widget) {
            widget.look = "figure";
            widget.properties.erase("fill");
        });
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        Twin twin(scene);
        const auto isRed = [](const Twin& of) { return (of.memory().picture().at(10, 10) & 255) > 20; };
        twin.step(7000);
        QVERIFY(!isRed(twin));
        // It asks for a step when it becomes stale.
        QCOMPARE(gorse_step(twin.run(), 7100), 400u);
        twin.step(7499);
        QVERIFY(!isRed(twin));
        twin.step(7500);
        QVERIFY(isRed(twin));
        QVERIFY(twin.set("level", "0"));  // the same value
        twin.step(7600);
        QVERIFY(!isRed(twin));
        twin.takeFlushed();
        twin.step(7900);
        QVERIFY(twin.takeFlushed().empty());
        // What a rule sets is no news of the firmware.
        gorse_set_number(twin.run(), 0, 5);
        twin.step(8105);
        QVERIFY(isRed(twin));
        // An edit keeps when there was news; a readout that comes new counts from then on.
        QVERIFY(twin.set("level", "7"));
        twin.step(8200);
        twin.update(builder.build(changeWidgets(document, "first", Names{"probe"}, [](Widget& w) { ++w.x; })));
        twin.step(8604);
        QVERIFY(!isRed(twin));
        twin.step(8605);
        QVERIFY(isRed(twin));
    }

    void onlyVariablesHaveNews() {
        Document document = withOne(Kind::Readout, {{"stale_after", int64_t{500}}});
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        QVERIFY(std::any_of(scene->problems.begin(), scene->problems.end(), [](const Problem& each) {
            return each.reason == "it is never stale, as its value is no variable";
        }));
        QCOMPARE(scene->scene.hearer_count, 0);
    }

    void wrongNumbersAreTold() {
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(readout({{"decimals", std::string("many")}}));
        QVERIFY(tells(scene->problems.list(), "\"many\" is not a number"));
    }
};

GORSEFINCH_TEST(TestReadout, Nothing)
#include "tst_readout.moc"
