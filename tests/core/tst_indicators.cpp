// SPDX-License-Identifier: GPL-3.0-or-later
// What shows a value: how far it reaches for each value, that only what changes is drawn, and what is said of wrong
// ranges.
#include <QtTest>
#include <limits>
#include <random>

#include "core/edits/edit.h"
#include "core/edits/image_edits.h"
#include "core/emit/export_image.h"
#include "core/sim/draw_screen.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kWidth = 80, kHeight = 80;

// A white bar on black, without border and padding, that shows the variable "level", -20 to 60.
Document withProgress(int w, int h, PropertyMap properties) {
    Document document = withPanelOf(makeDocument(), PixelFormat::Grey8, 0, kWidth, kHeight);
    document = withVariable(document, makeNumber("level", -20, 60, -20));
    for (const auto& [key, value] :
         PropertyMap{{"fill", opaque(0x404040)}, {"colour", opaque(0xFFFFFF)}, {"value", std::string("level")}})
        properties.emplace(key, value);
    return addWidgets(document, "first", {makeWidget("bar", Kind::Progress, 10, 10, w, h, std::move(properties))});
}

// The lit columns, or rows, of the bar from its top left on.
std::string lit(const Twin& twin, int w, int h) {
    std::string out;
    const Picture p = twin.memory().picture();
    for (int i = 0; i < std::max(w, h); ++i)
        out += (p.at(w > h ? 10 + i : 10 + w / 2, w > h ? 10 + h / 2 : 10 + i) & 255) == 255 ? '#' : '.';
    return out;
}

std::string line(int before, int filled, int whole) {
    return std::string(static_cast<size_t>(before), '.') + std::string(static_cast<size_t>(filled), '#') +
           std::string(static_cast<size_t>(whole - before - filled), '.');
}

void show(Twin& twin, int level) {
    QVERIFY(twin.set("level", std::to_string(level)));
    twin.step(twin.now() + 10);
}

int flushedPixels(Twin& twin) {
    int sum = 0;
    for (const Flushed& each : twin.takeFlushed())
        sum += each.w * each.h;
    return sum;
}

std::string firstProblem(const Document& document) {
    SceneBuilder builder;
    const BuiltSceneRef scene = builder.build(document);
    return scene->problems.list().empty() ? "" : scene->problems.front().reason;
}

}  // namespace

class TestIndicators : public QObject {
    Q_OBJECT

    SceneBuilder builder_;

  private Q_SLOTS:
    void growsInEachDirection() {
        for (const char* direction : {"right", "up", "left", "down"}) {
            const bool across = direction == std::string("right") || direction == std::string("left");
            const bool fromEnd = direction == std::string("left") || direction == std::string("up");
            const int w = across ? 40 : 8, h = across ? 8 : 40;
            Twin twin(builder_.build(withProgress(w, h, {{"direction", std::string(direction)}})));
            twin.step(0);
            for (const auto& [level, filled] : {std::pair(-20, 0), {-19, 1}, {0, 10}, {20, 20}, {59, 40}, {60, 40}}) {
                show(twin, level);
                QCOMPARE(lit(twin, w, h), fromEnd ? line(40 - filled, filled, 40) : line(0, filled, 40));
            }
        }
    }

    void growsFromItsOrigin() {
        Twin twin(builder_.build(withProgress(40, 8, {{"origin", std::string("20")}})));
        twin.step(0);
        for (const auto& [level, from, filled] :
             {std::tuple(20, 20, 0), {60, 20, 20}, {40, 20, 10}, {0, 10, 10}, {-20, 0, 20}}) {
            show(twin, level);
            QCOMPARE(lit(twin, 40, 8), line(from, filled, 40));
        }
    }

    void partsAreWholeOnes() {
        Twin twin(builder_.build(withProgress(38, 8, {{"parts", int64_t{4}}, {"part_gap", int64_t{2}}})));
        twin.step(0);
        for (const auto& [level, shown] : {std::pair(-20, "......................................"),
                                           {-10, "########.............................."},
                                           {20, "########..########...................."},
                                           {50, "########..########..########..########"}}) {
            show(twin, level);
            QCOMPARE(lit(twin, 38, 8), std::string(shown));
        }
    }

    // What the value covers shows the ground, the rest the image as it is.
    void uncoversAnImage_data() {
        QTest::addColumn<QString>("direction");
        QTest::addColumn<int>("parts");
        for (const char* direction : {"right", "up", "left", "down"})
            for (const int parts : {0, 4})
                QTest::addRow("%s, %d parts", direction, parts) << QString(direction) << parts;
    }
    void uncoversAnImage() {
        QFETCH(QString, direction);
        QFETCH(int, parts);
        const PropertyMap way{{"direction", direction.toStdString()}, {"parts", int64_t{parts}}};
        PropertyMap pictured = way;
        pictured["image"] = std::string("checks");
        Picture checks = makePicture(40, 30);
        for (int y = 0; y < 30; ++y)
            for (int x = 0; x < 40; ++x)
                checks.at(x, y) = (x + y) % 3 == 0 ? 0xffffffffu : (x * y) % 5 == 0 ? 0u : 0xffa0a0a0u;
        const auto withChecks = [&](const Document& document) {
            return addImage(document, "checks.png", std::make_shared<const FileContents>(encodePng(checks)), nullptr);
        };
        Document image = withChecks(withPanelOf(makeDocument(), PixelFormat::Grey8, 0, kWidth, kHeight));
        image = addWidgets(image, "first",
                           {makeWidget("ground", Kind::Rectangle, 10, 10, 40, 30, {{"fill", opaque(0x404040)}}),
                            makeWidget("all", Kind::Image, 10, 10, 40, 30, {{"image", std::string("checks")}})});
        SceneBuilder builder;
        Twin whole(builder.build(image)), bar(builder.build(withProgress(40, 30, way)));
        Twin twin(builder.build(withChecks(withProgress(40, 30, pictured))));
        for (Twin* each : {&whole, &bar, &twin})
            each->step(0);
        for (int level = -20; level <= 60; level += 5) {
            show(bar, level);
            show(twin, level);
            const Picture all = whole.memory().picture(), lit = bar.memory().picture(), p = twin.memory().picture();
            for (int y = 0; y < kHeight; ++y)
                for (int x = 0; x < kWidth; ++x)
                    QCOMPARE(p.at(x, y), (lit.at(x, y) & 255) == 255 ? all.at(x, y) : lit.at(x, y));
            gorse_redraw(twin.run());
            twin.step(twin.now() + 1);
            QVERIFY(twin.memory().picture().pixels == p.pixels);
        }
    }

    void valuesOutsideTheRangeAreClamped() {
        Twin twin(builder_.build(withProgress(40, 8, {{"min", std::string("0")}, {"max", std::string("10")}})));
        twin.step(0);
        for (const auto& [level, filled] : {std::pair(-20, 0), {0, 0}, {5, 20}, {10, 40}, {60, 40}}) {
            show(twin, level);
            QCOMPARE(lit(twin, 40, 8), line(0, filled, 40));
        }
    }

    void theWidestRange() {
        Document document = withProgress(40, 8, {});
        constexpr int32_t min = std::numeric_limits<int32_t>::min(), max = std::numeric_limits<int32_t>::max();
        document = withVariable(document, makeNumber("level", min, max, 0));
        Twin twin(builder_.build(document));
        twin.step(0);
        for (const auto& [level, filled] : {std::pair(min, 0), {min / 2, 10}, {0, 20}, {max / 2, 30}, {max, 40}}) {
            show(twin, level);
            QCOMPARE(lit(twin, 40, 8), line(0, filled, 40));
        }
    }

    void onlyTheEndIsDrawn() {
        for (const char* direction : {"right", "up", "left", "down"}) {
            const bool across = direction == std::string("right") || direction == std::string("left");
            Twin twin(builder_.build(
                withProgress(across ? 40 : 8, across ? 8 : 40, {{"direction", std::string(direction)}})));
            twin.step(0);
            (void)twin.takeFlushed();
            for (const auto& [level, columns] : {std::pair(0, 10), {2, 1}, {-20, 11}, {60, 40}, {60, 0}}) {
                show(twin, level);
                QCOMPARE(flushedPixels(twin), columns * 8);
            }
        }
    }

    // Whatever was shown before, the panel shows what one drawn from nothing does.
    void leavesNoTrace() {
        std::mt19937 random(3);
        const auto any = [&](int from, int to) { return std::uniform_int_distribution<int>(from, to)(random); };
        for (int round = 0; round < 60; ++round) {
            const bool across = any(0, 1) != 0;
            PropertyMap properties{{"direction", std::string(across           ? any(0, 1) != 0 ? "right" : "left"
                                                             : any(0, 1) != 0 ? "up"
                                                                              : "down")},
                                   {"parts", int64_t{any(0, 1) != 0 ? 1 : any(2, 30)}},
                                   {"part_gap", int64_t{any(0, 5)}},
                                   {"origin", std::to_string(any(-20, 60))},
                                   {"padding", int64_t{any(0, 4)}},
                                   {"border_width", int64_t{any(0, 3)}},
                                   {"border", opaque(0x909090)},
                                   {"radius", int64_t{any(0, 9)}}};
            const Document document = withProgress(any(1, 60), any(1, 60), properties);
            const BuiltSceneRef scene = builder_.build(document);
            Twin twin(scene);
            twin.step(0);
            for (int i = 0; i < 12; ++i) {
                show(twin, any(-20, 60));
                QCOMPARE(twin.memory().bytes(), drawScreen(*scene, 0, &twin).bytes());
            }
        }
    }

    void withoutAVariableItShowsNought() {
        Twin twin(builder_.build(withProgress(40, 8, {{"value", std::string()}, {"min", std::string("-100")}})));
        twin.step(0);
        QCOMPARE(lit(twin, 40, 8), line(0, 20, 40));
    }

    void aHiddenOneMarksNothing() {
        Document document = withProgress(40, 8, {});
        document = changeWidgets(document, "first", std::vector<std::string>{"bar"},
                                 [](Widget& widget) { widget.visible = false; });
        Twin twin(builder_.build(document));
        twin.step(0);
        (void)twin.takeFlushed();
        show(twin, 40);
        QCOMPARE(flushedPixels(twin), 0);
    }

    // A bar that is moved while it shows something begins anew where the value is.
    void goesOnThroughAnEdit() {
        const Document document = withProgress(40, 8, {});
        Twin twin(builder_.build(document));
        twin.step(0);
        show(twin, 20);
        twin.update(builder_.build(withProgress(60, 8, {})));
        twin.step(twin.now() + 10);
        QCOMPARE(lit(twin, 60, 8), line(0, 30, 60));
        show(twin, 60);
        QCOMPARE(lit(twin, 60, 8), line(0, 60, 60));
    }

    void wrongRangesAreReported() {
        QCOMPARE(firstProblem(withProgress(40, 8, {})), std::string());
        QCOMPARE(firstProblem(withProgress(40, 8, {{"min", std::string("ten")}})),
                 std::string("\"ten\" is not a number"));
        QCOMPARE(firstProblem(withProgress(40, 8, {{"min", std::string("60")}})),
                 std::string("its maximum is not above its minimum"));
        QVERIFY(firstProblem(withProgress(40, 8, {{"value", std::string("nothing")}})).find("nothing") !=
                std::string::npos);
        // It can still be drawn.
        Twin twin(builder_.build(withProgress(40, 8, {{"min", std::string("2147483647")}})));
        twin.step(0);
        QCOMPARE(lit(twin, 40, 8), line(0, 0, 40));
    }
};

GORSEFINCH_TEST(TestIndicators, Nothing)
#include "tst_indicators.moc"
