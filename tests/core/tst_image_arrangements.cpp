// SPDX-License-Identifier: GPL-3.0-or-later
// Images that are mirrored, tiled, stretched and turned: against the same picture arranged before it is imported, and
// against 16 x 16 places in each pixel.
#include <QtTest>
#include <cmath>
#include <numbers>
#include <random>

#include "core/edits/edit.h"
#include "core/edits/image_edits.h"
#include "core/emit/export_image.h"
#include "core/sim/twin.h"
#include "tests/support/panel_picture.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/stored_ways.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kPanelWidth = 64, kPanelHeight = 48;

// Colours all over, clear in the middle and partly so at a corner.
Picture tessera(int w, int h) {
    Picture p = makePicture(w, h);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) {
            const bool hole = std::abs(x - w / 3) < 2 && std::abs(y - h / 2) < 3;
            const uint32_t alpha = hole ? 0 : x + y < 5 ? 0x80 : 0xff;
            p.at(x, y) = alpha << 24 | static_cast<uint32_t>(x * 17 % 256 << 16 | y * 23 % 256 << 8 | x * y % 256);
        }
    return p;
}

using Place = std::function<std::pair<int, int>(int x, int y)>;

Picture rearranged(const Picture& from, int w, int h, const Place& place) {
    Picture out = makePicture(w, h);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) {
            const auto [u, v] = place(x, y);
            out.at(x, y) = from.at(u, v);
        }
    return out;
}

Document withPicture(const Picture& picture, PixelFormat panel, const std::function<void(Recipe&)>& change,
                     std::vector<Widget> widgets) {
    Document document = withPanelOf(makeDocument(), panel, 0, kPanelWidth, kPanelHeight);
    document = addImage(document, "tessera.png", std::make_shared<const FileContents>(encodePng(picture)), nullptr);
    auto images = std::make_shared<std::vector<Image>>(*document.images);
    change(images->front().recipe);
    document.images = images;
    return addWidgets(document, "first", std::move(widgets));
}

Widget pictureAt(const std::string& name, int x, int y, int w, int h, PropertyMap properties = {}) {
    properties["image"] = std::string("tessera");
    properties["colour"] = opaque(0xE0B040);
    return makeWidget(name, Kind::Image, x, y, w, h, std::move(properties));
}

// True if the first document shows what the second does, with a whole frame and in strips of every height.
bool showSame(const Document& one, const Document& other) {
    const Picture expected = panelPicture(other);
    if (expected.pixels.empty())
        return false;
    for (const long bytes : {0L, 4L * kPanelWidth, 36L * kPanelWidth})
        if (panelPicture(one, bytes).pixels != expected.pixels)
            return false;
    return true;
}

// A white image without anything else, turned on black: what a place of the panel sees of it.
struct TurnedBox {
    int x, y, w, h;  // of the image before it is turned
    int pivotX, pivotY, turn;
    double cosine = std::cos(turn * std::numbers::pi / 180), sine = std::sin(turn * std::numbers::pi / 180);

    bool covers(double atX, double atY) const {
        const double dx = atX - pivotX, dy = atY - pivotY;
        const double u = pivotX + dx * cosine + dy * sine, v = pivotY - dx * sine + dy * cosine;
        return u >= x && u < x + w && v >= y && v < y + h;
    }
};

}  // namespace

class TestImageArrangements : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void mirroredIsDrawnMirrored() {
        const Picture picture = tessera(37, 21);
        const std::pair<const char*, Picture> ways[] = {
            {"left-right", rearranged(picture, 37, 21, [](int x, int y) { return std::pair(36 - x, y); })},
            {"top-bottom", rearranged(picture, 37, 21, [](int x, int y) { return std::pair(x, 20 - y); })}};
        forEveryWay([&](PixelFormat panel, const Stored& stored) {
            for (const auto& [mirror, mirrored] : ways) {
                const Document one =
                    withPicture(picture, panel, stored.change,
                                {pictureAt("it", 40, 5, 40, 30,
                                           {{"mirror", std::string(mirror)}, {"align", std::string("left")}})});
                const Document other = withPicture(mirrored, panel, stored.change,
                                                   {pictureAt("it", 40, 5, 40, 30, {{"align", std::string("left")}})});
                QVERIFY2(showSame(one, other), (info(panel).key + std::string(" ") + stored.name + mirror).c_str());
            }
        });
    }

    void tilesFillTheBox() {
        const Picture picture = tessera(13, 9);
        forEveryWay([&](PixelFormat panel, const Stored& stored) {
            const Document one =
                withPicture(picture, panel, stored.change,
                            {pictureAt("it", 0, 0, kPanelWidth, kPanelHeight,
                                       {{"repeat", std::string("tile")}, {"place", std::string("top")}})});
            std::vector<Widget> widgets;
            const int left = (kPanelWidth - 13) / 2;
            for (int y = 0; y < kPanelHeight; y += 9)
                for (int x = left % 13 - 13; x < kPanelWidth; x += 13)
                    widgets.push_back(pictureAt("it" + std::to_string(widgets.size()), x, y, 13, 9));
            QVERIFY2(showSame(one, withPicture(picture, panel, stored.change, widgets)), stored.name);
        });
    }

    void stretchedKeepsItsSlices() {
        const Picture picture = tessera(20, 16);
        struct Stretch {
            int w, h, slice;
        };
        for (const Stretch& to : {Stretch{50, 40, 0}, Stretch{50, 40, 4}, Stretch{50, 40, 7}, Stretch{11, 9, 3},
                                  Stretch{1, 1, 3}, Stretch{64, 10, 9}}) {
            const int w = to.w, h = to.h, slice = to.slice;
            const auto source = [&](int at, int size, int from) {
                const int kept = std::min({slice, 20 / 2, 16 / 2, w / 2, h / 2});
                if (at < kept)
                    return at;
                if (at >= size - kept)
                    return at - size + from;
                return kept + (2 * (at - kept) + 1) * (from - 2 * kept) / (2 * (size - 2 * kept));
            };
            const Picture stretched =
                rearranged(picture, w, h, [&](int x, int y) { return std::pair(source(x, w, 20), source(y, h, 16)); });
            forEveryWay([&](PixelFormat panel, const Stored& stored) {
                const Document one = withPicture(
                    picture, panel, stored.change,
                    {pictureAt("it", 5, 3, w, h, {{"repeat", std::string("stretch")}, {"slice", int64_t{slice}}})});
                const Document other = withPicture(stretched, panel, stored.change, {pictureAt("it", 5, 3, w, h)});
                QVERIFY2(showSame(one, other), (info(panel).key + std::string(" ") + stored.name).c_str());
            });
        }
    }

    void turnedCoversItsArea() {
        std::mt19937 random(7);
        const auto any = [&](int from, int to) { return std::uniform_int_distribution<int>(from, to)(random); };
        double sum = 0, worst = 0;
        int edges = 0, bad = 0;
        for (int round = 0; round < rounds(150); ++round) {
            const int w = any(3, 30), h = any(3, 30), turn = any(-400, 400), pivotX = any(10, 54), pivotY = any(10, 38);
            const TurnedBox box{(kPanelWidth - w) / 2, (kPanelHeight - h) / 2, w, h, pivotX, pivotY, turn};
            const Document document =
                withPicture(makePicture(box.w, box.h, 0xffffffffu), PixelFormat::Grey8, [](Recipe&) {},
                            {pictureAt("it", 0, 0, kPanelWidth, kPanelHeight,
                                       {{"turn", int64_t{box.turn}},
                                        {"pivot_x", int64_t{box.pivotX}},
                                        {"pivot_y", int64_t{box.pivotY}}})});
            const Picture picture = panelPicture(document);
            QCOMPARE(panelPicture(document, kPanelWidth).pixels, picture.pixels);
            for (int y = 0; y < kPanelHeight; ++y)
                for (int x = 0; x < kPanelWidth; ++x) {
                    int count = 0;
                    for (int i = 0; i < 16; ++i)
                        for (int k = 0; k < 16; ++k)
                            count += box.covers(x + (i + 0.5) / 16, y + (k + 0.5) / 16) ? 1 : 0;
                    const double error = std::abs((picture.at(x, y) & 255) / 255.0 - count / 256.0);
                    worst = std::max(worst, error);
                    bad += error > 0.08 ? 1 : 0;
                    if (count > 0 && count < 256) {
                        sum += error;
                        ++edges;
                    }
                }
        }
        qInfo("mean %.4f, worst %.4f, %d of %d beyond 8%%", sum / edges, worst, bad, edges);
        QVERIFY(sum / edges <= 0.02);
        QVERIFY(bad * 20000 <= edges);
        QVERIFY(worst <= 0.09);
    }

    // By quarters it is the same picture with its pixels elsewhere.
    void turnedByQuartersIsExact() {
        const Picture picture = tessera(24, 24);
        const Place quarters[] = {
            [](int x, int y) { return std::pair(x, y); }, [](int x, int y) { return std::pair(y, 23 - x); },
            [](int x, int y) { return std::pair(23 - x, 23 - y); }, [](int x, int y) { return std::pair(23 - y, x); }};
        for (const PixelFormat panel : {PixelFormat::Rgb565, PixelFormat::Page1, PixelFormat::Row1, PixelFormat::Grey4,
                                        PixelFormat::Index8, PixelFormat::Rgb888, PixelFormat::Argb8888})
            for (const Stored& way : everyWay())
                for (int quarter = 1; quarter < 4; ++quarter) {
                    const auto how = [&](Recipe& recipe) {
                        way.change(recipe);
                        recipe.outside = false;
                        recipe.packing = Packing::Plain;
                    };
                    const Document one = withPicture(
                        picture, panel, how, {pictureAt("it", 20, 12, 24, 24, {{"turn", int64_t{90 * quarter}}})});
                    const Document other = withPicture(rearranged(picture, 24, 24, quarters[quarter]), panel, how,
                                                       {pictureAt("it", 20, 12, 24, 24)});
                    QVERIFY2(showSame(one, other), (info(panel).key + std::string(" ") + way.name).c_str());
                }
    }

    void singlePixelsOfPackedImagesAreNotRead() {
        for (const Stored& way : everyWay()) {
            Recipe recipe;
            way.change(recipe);
            const bool packed = recipe.outside || recipe.packing == Packing::Runs;
            const Document document = withPicture(tessera(40, 20), PixelFormat::Rgb565, way.change,
                                                  {pictureAt("it", 5, 5, 40, 30, {{"turn", int64_t{30}}})});
            SceneBuilder builder;
            const BuiltSceneRef scene = builder.build(document);
            QCOMPARE(hasErrors(scene->problems), packed);
            // It is shown as if it were not turned.
            Twin twin(scene);
            twin.step(0);
            if (packed)
                QVERIFY(twin.memory().picture().pixels ==
                        panelPicture(withPicture(tessera(40, 20), PixelFormat::Rgb565, way.change,
                                                 {pictureAt("it", 5, 5, 40, 30)}))
                            .pixels);
            if (packed)
                QVERIFY(scene->problems.front().reason.find("\"tessera\" is packed") != std::string::npos);
        }
    }

    // What is drawn after each change is what is drawn from nothing.
    void rulesTurnIt() {
        Document document = withPicture(tessera(30, 8), PixelFormat::Rgb565, [](Recipe&) {},
                                        {pictureAt("it", 10, 4, 40, 40, {{"pivot_x", int64_t{5}}})});
        document = withRules(document, "main", "every 10 ms\n    it.turn = it.turn + 7\n");
        SceneBuilder builder;
        Twin twin(builder.build(document));
        std::set<std::vector<uint32_t>> seen;
        for (uint32_t now = 0; now <= 600; now += 10) {
            twin.step(now);
            seen.insert(twin.memory().picture().pixels);
            const Document still = withPicture(
                tessera(30, 8), PixelFormat::Rgb565, [](Recipe&) {},
                {pictureAt("it", 10, 4, 40, 40, {{"pivot_x", int64_t{5}}, {"turn", int64_t{now / 10 * 7}}})});
            QCOMPARE(twin.memory().picture().pixels, panelPicture(still).pixels);
        }
        QVERIFY(seen.size() > 50);
    }
};

GORSEFINCH_TEST(TestImageArrangements, Nothing)
#include "tst_image_arrangements.moc"
