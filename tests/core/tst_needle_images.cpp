// SPDX-License-Identifier: GPL-3.0-or-later
// Gauges whose needle or face is an image: where a needle's hub is found, what it covers against the same needle drawn
// from places in its picture, and what is redrawn while it turns.
#include <QtTest>
#include <cmath>
#include <numbers>

#include "core/edits/edit.h"
#include "core/edits/image_edits.h"
#include "core/emit/export_image.h"
#include "core/image/hub.h"
#include "core/sim/twin.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kDialSide = 120;

// A blade of some width up from a round hub, white.
struct NeedlePicture {
    int width, height;
    double hubX, hubY, radius, half, tip;

    bool covers(double x, double y) const {
        const bool onBlade = std::abs(x - hubX) <= half && y >= tip && y <= hubY;
        return onBlade || std::hypot(x - hubX, y - hubY) <= radius;
    }
    // Opaque where the middle of a pixel is covered.
    Picture picture() const {
        Picture out = makePicture(width, height);
        for (int y = 0; y < height; ++y)
            for (int x = 0; x < width; ++x)
                out.at(x, y) = covers(x + 0.5, y + 0.5) ? 0xffffffffu : 0;
        return out;
    }
};

Document withNeedle(const NeedlePicture& needle, PropertyMap properties = {}) {
    Document document = withPanelOf(makeDocument(), PixelFormat::Grey8, 0, kDialSide, kDialSide);
    document =
        addImage(document, "hand.png", std::make_shared<const FileContents>(encodePng(needle.picture())), nullptr);
    document = withVariable(document, makeNumber("level", 0, 100, 0));
    for (const auto& [key, value] : PropertyMap{{"value", std::string("level")},
                                                {"needle_image", std::string("hand")},
                                                {"labels", false},
                                                {"ticks", int64_t{0}}})
        properties.emplace(key, value);
    return addWidgets(document, "first",
                      {makeWidget("dial", Kind::Gauge, 0, 0, kDialSide, kDialSide, std::move(properties))});
}

int levelAt(const Picture& picture, int x, int y) { return static_cast<int>(picture.at(x, y) & 255); }

}  // namespace

class TestNeedleImages : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void hubsAreFound_data() {
        QTest::addColumn<double>("x");
        QTest::addColumn<double>("y");
        QTest::addColumn<double>("radius");
        for (const double x : {8.0, 8.5, 9.0})
            for (const double y : {40.0, 40.5})
                for (const double radius : {4.0, 4.5, 6.0, 7.5})
                    QTest::addRow("%g %g %g", x, y, radius) << x << y << radius;
    }
    void hubsAreFound() {
        QFETCH(double, x);
        QFETCH(double, y);
        QFETCH(double, radius);
        for (const double half : {1.0, 1.5, 2.0}) {
            const NeedlePicture needle{18, 50, x, y, radius, half, 2};
            const auto found = findHub(needle.picture());
            QVERIFY(found);
            QVERIFY2(std::abs(found->x - x) <= 0.5 && std::abs(found->y - y) <= 0.5,
                     qPrintable(QString("%1 %2").arg(found->x).arg(found->y)));
        }
    }

    void picturesWithoutHub() {
        QVERIFY(!findHub(makePicture(9, 7)));
        QCOMPARE(findHub(makePicture(9, 9, 0xff000000u)), std::optional(TurningPoint{4.5, 4.5}));
        QCOMPARE(findHub(makePicture(8, 8, 0xff000000u)), std::optional(TurningPoint{4, 4}));
        QCOMPARE(findHub(makePicture(1, 1, 0xff000000u)), std::optional(TurningPoint{0.5, 0.5}));
    }

    // Round the hub's middle it covers what the picture's pixels do, turned.
    void turnsRoundItsHub() {
        const NeedlePicture needle{13, 56, 6.5, 49.5, 5, 1.5, 1};
        const Picture hand = needle.picture();
        const Document document = withNeedle(needle);
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        QVERIFY(scene->problems.empty());
        Twin twin(scene);
        double sum = 0;
        int edges = 0;
        for (const int level : {0, 13, 50, 61, 87, 100}) {
            QVERIFY(twin.set("level", std::to_string(level)).has_value());
            twin.step(0);
            const Picture shown = twin.memory().picture();
            const double angle = (225 + 2.7 * level) * std::numbers::pi / 180;
            const auto isLit = [&](double x, double y) {
                const double dx = x - 60, dy = y - 60;
                const double u = 6.5 + dx * std::cos(angle) + dy * std::sin(angle);
                const double v = 49.5 - dx * std::sin(angle) + dy * std::cos(angle);
                return u >= 0 && u < 13 && v >= 0 && v < 56 && hand.at(static_cast<int>(u), static_cast<int>(v)) != 0;
            };
            for (int y = 0; y < kDialSide; ++y)
                for (int x = 0; x < kDialSide; ++x) {
                    int count = 0;
                    for (int i = 0; i < 8; ++i)
                        for (int k = 0; k < 8; ++k)
                            count += isLit(x + (i + 0.5) / 8, y + (k + 0.5) / 8) ? 1 : 0;
                    const double error = std::abs(levelAt(shown, x, y) / 255.0 - count / 64.0);
                    QVERIFY2(error < 0.16, qPrintable(QString("%1: %2 %3 %4").arg(level).arg(x).arg(y).arg(error)));
                    if (count > 0 && count < 64)
                        sum += error, ++edges;
                }
        }
        QVERIFY2(sum / edges < 0.03, qPrintable(QString::number(sum / edges)));
    }

    void itsPivotCanBeSet() {
        const NeedlePicture needle{13, 56, 6.5, 49.5, 5, 1.5, 1};
        SceneBuilder builder;
        const auto face = [&](PropertyMap properties) {
            const BuiltSceneRef scene = builder.build(withNeedle(needle, std::move(properties)));
            const auto* gauge = reinterpret_cast<const gorse_widget_gauge*>(scene->scene.screens[0].widgets[0]);
            return std::pair(gauge->face[GORSE_GAUGE_NEEDLE_PIVOT_X], gauge->face[GORSE_GAUGE_NEEDLE_PIVOT_Y]);
        };
        QCOMPARE(face({}), std::pair(int16_t{104}, int16_t{792}));
        QCOMPARE(face({{"needle_pivot_x", std::string("4")}, {"needle_pivot_y", std::string("30.5")}}),
                 std::pair(int16_t{64}, int16_t{488}));
        // Beyond the image it is at its edge.
        QCOMPARE(face({{"needle_pivot_x", std::string("-4")}, {"needle_pivot_y", std::string("300")}}),
                 std::pair(int16_t{0}, int16_t{896}));
    }

    // A frame after any change is one that is drawn from nothing, and the needle's box is not redrawn as a whole.
    void whatItLeavesIsRedrawn() {
        const NeedlePicture needle{13, 56, 6.5, 49.5, 5, 1.5, 1};
        const Document document = withNeedle(needle, {{"settle", int64_t{200}}, {"fill", opaque(0x303030)}});
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        Twin twin(scene);
        twin.step(0);
        for (uint32_t now = 20; now <= 2000; now += 20) {
            QVERIFY(twin.set("level", std::to_string(now / 200 * 37 % 101)).has_value());
            twin.step(now);
            const Picture shown = twin.memory().picture();
            gorse_redraw(twin.run());
            twin.step(now);
            QCOMPARE(twin.memory().picture().pixels, shown.pixels);
        }
        Twin slow(scene);
        QVERIFY(slow.set("level", "50").has_value());
        slow.step(0);
        slow.step(1000);
        (void)slow.takeFlushed();
        QVERIFY(slow.set("level", "52").has_value());
        slow.step(1010);
        slow.step(2000);
        long area = 0;
        for (const Flushed& each : slow.takeFlushed())
            area += long{each.w} * each.h;
        QVERIFY2(area > 0 && area < 13 * 56 * 5, qPrintable(QString::number(area)));
    }

    // A needle that can't be read pixel by pixel is drawn instead.
    void packedNeedlesAreReported() {
        for (const bool outside : {false, true}) {
            Document document = withNeedle({13, 56, 6.5, 49.5, 5, 1.5, 1});
            auto images = std::make_shared<std::vector<Image>>(*document.images);
            images->front().recipe.packing = outside ? Packing::Plain : Packing::Runs;
            images->front().recipe.outside = outside;
            document.images = images;
            SceneBuilder builder;
            const BuiltSceneRef scene = builder.build(document);
            QVERIFY(hasErrors(scene->problems));
            QCOMPARE(scene->problems.front().reason,
                     std::string("the image \"hand\" is packed or lives outside: its pixels can't be turned"));
            Twin twin(scene);
            twin.step(0);
            QVERIFY(twin.memory().picture().pixels != makePicture(kDialSide, kDialSide, 0xff000000u).pixels);
        }
    }

    void facesLieBehindTheScale() {
        Document document = withNeedle({13, 56, 6.5, 49.5, 5, 1.5, 1}, {{"image", std::string("plate")}});
        document =
            addImage(document, "plate.png",
                     std::make_shared<const FileContents>(encodePng(makePicture(100, 80, 0xff404040u))), nullptr);
        SceneBuilder builder;
        Twin twin(builder.build(document));
        twin.step(0);
        const Picture shown = twin.memory().picture();
        QCOMPARE(levelAt(shown, 9, 60), 0);
        QCOMPARE(levelAt(shown, 10, 22), 0x40);
        QCOMPARE(levelAt(shown, 109, 99), 0x40);
        QCOMPARE(levelAt(shown, 60, 60), 255);
    }
};

GORSEFINCH_TEST(TestNeedleImages, Nothing)
#include "tst_needle_images.moc"
