// SPDX-License-Identifier: GPL-3.0-or-later
// What the runtime sends to the panel: only what changed, the same whatever the buffer, and the shapes as they should
// be.
#include <QtTest>
#include <cmath>
#include <random>

#include "core/image/reduce.h"
#include "core/sim/draw_screen.h"
#include "core/sim/script.h"
#include "runtime/gorse_draw.h"
#include "runtime/gorse_internal.h"
#include "runtime/gorse_text.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Document kilnAs(PixelFormat format) { return withPanelOf(openKiln(), format); }

// A screen of one widget on black, 64 x 64, drawn whole.
Picture drawn(Widget widget, PixelFormat format = PixelFormat::Rgb888) {
    Document d = makeDocument();
    d = addWidgets(withPanelOf(d, format, 0, 64, 64), "first", {std::move(widget)});
    SceneBuilder builder;
    return drawScreen(*builder.build(d), 0).picture();
}

// Exact share of a pixel inside a circle, by sampling 32 x 32 points.
double shareInside(double cx, double cy, double r, int x, int y) {
    int inside = 0;
    for (int i = 0; i < 32; ++i)
        for (int j = 0; j < 32; ++j)
            inside += std::hypot(x + (i + 0.5) / 32 - cx, y + (j + 0.5) / 32 - cy) <= r;
    return inside / 1024.0;
}

}  // namespace

class TestDrawing : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void formats_data() {
        QTest::addColumn<int>("format");
        for (const PixelFormatInfo& each : pixelFormats())
            if (each.panel)
                QTest::newRow(each.key) << static_cast<int>(each.format);
    }
    void onlyWhatWasFlushedDiffers_data() { formats_data(); }

    // Random touches and values: pixels outside the flushed rectangles stay, and drawing everything anew gives the
    // very same memory.
    void onlyWhatWasFlushedDiffers() {
        QFETCH(int, format);
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(kilnAs(static_cast<PixelFormat>(format)));
        Twin twin(scene);
        twin.step(0);
        std::mt19937 random(5);
        for (int i = 0; i < 300; ++i) {
            const Picture before = twin.memory().picture();
            (void)twin.takeFlushed();
            const auto value = static_cast<int>(random() % 1400);
            switch (random() % 5) {
                case 0: (void)twin.set("kiln_temp", std::to_string(value)); break;
                case 1: (void)twin.set("heating", std::to_string(value % 100)); break;
                case 2: (void)twin.set("programme_name", std::string(static_cast<size_t>(value % 14), 'W')); break;
                default: twin.touch(value % 320, static_cast<int>(random() % 240), i % 3 != 0); break;
            }
            twin.step(twin.now() + static_cast<uint32_t>(random() % 700));
            const Picture after = twin.memory().picture();
            std::vector<char> flushed(after.pixels.size());
            for (const Flushed& f : twin.takeFlushed())
                for (int y = f.y; y < f.y + f.h; ++y)
                    std::fill_n(flushed.begin() + y * 320 + f.x, f.w, char{1});
            int outside = 0;
            for (size_t p = 0; p < after.pixels.size(); ++p)
                outside += !flushed[p] && before.pixels[p] != after.pixels[p];
            QVERIFY2(outside == 0,
                     qPrintable(QString("step %1: %2 pixels changed that were not flushed").arg(i).arg(outside)));
            gorse_redraw(twin.run());
            gorse_paint(twin.run());
            QVERIFY2(twin.memory().picture().pixels == after.pixels, qPrintable(QString("step %1").arg(i)));
        }
    }

    void aChangedDigitFlushesItsOwnBoxOnly() {
        SceneBuilder builder;
        Twin twin(builder.build(openKiln()));
        // Until the first screen has come.
        for (uint32_t ms = 0; ms <= 600; ms += 100)
            twin.step(ms);
        (void)twin.takeFlushed();
        QVERIFY(twin.set("kiln_temp", "1044").has_value());
        twin.step(610);
        int pixels = 0;
        for (const Flushed& f : twin.takeFlushed())
            pixels += f.w * f.h;
        QVERIFY2(pixels > 400 && pixels < 36 * 46, qPrintable(QString::number(pixels)));
    }

    void nothingIsFlushedWhenNothingChanges() {
        SceneBuilder builder;
        Document d = withRules(openKiln(), "main", "");
        Twin twin(builder.build(d));
        twin.step(0);
        (void)twin.takeFlushed();
        for (uint32_t ms = 10; ms < 3000; ms += 10)
            twin.step(ms);
        QVERIFY(twin.set("kiln_temp", "1043").has_value());
        twin.step(3000);
        QCOMPARE(twin.takeFlushed().size(), size_t{0});
    }

    void rectangleByHand() {
        const Picture p =
            drawn(makeWidget("r", Kind::Rectangle, 10, 12, 20, 8,
                             {{"fill", opaque(0x102030)}, {"border", opaque(0xff0000)}, {"border_width", int64_t{2}}}));
        for (int y = 0; y < 64; ++y)
            for (int x = 0; x < 64; ++x) {
                const bool box = x >= 10 && x < 30 && y >= 12 && y < 20;
                const bool inner = x >= 12 && x < 28 && y >= 14 && y < 18;
                QCOMPARE(p.at(x, y), inner ? 0xff102030u : box ? 0xffff0000u : 0xff000000u);
            }
    }

    void translucentFillMixes() {
        const Picture p = drawn(makeWidget("r", Kind::Rectangle, 0, 0, 64, 64, {{"fill", Colour{0x80ffffff}}}));
        QCOMPARE(p.at(5, 5), 0xff808080u);
    }

    void cornersAreSmooth_data() {
        QTest::addColumn<int>("radius");
        for (const int radius : {1, 2, 5, 9, 16, 32})
            QTest::addRow("radius %d", radius) << radius;
    }

    // Against exact areas: on average within 2% of full coverage, nowhere off by more than 12%.
    void cornersAreSmooth() {
        QFETCH(int, radius);
        const Picture p = drawn(
            makeWidget("r", Kind::Rectangle, 0, 0, 64, 64, {{"fill", opaque(0xffffff)}, {"radius", int64_t{radius}}}));
        double sum = 0, worst = 0;
        for (int y = 0; y < radius; ++y)
            for (int x = 0; x < radius; ++x) {
                const double exact = shareInside(radius, radius, radius, x, y);
                const double error = std::abs((p.at(x, y) & 255) / 255.0 - exact);
                sum += error;
                worst = std::max(worst, error);
                QCOMPARE(p.at(63 - x, y), p.at(x, y));
                QCOMPARE(p.at(x, 63 - y), p.at(x, y));
            }
        QVERIFY2(sum / (radius * radius) < 0.02 || radius < 3, qPrintable(QString::number(sum / (radius * radius))));
        QVERIFY2(worst < 0.12, qPrintable(QString::number(worst)));
    }

    void radiusAboveHalfIsHeld() {
        const Picture p = drawn(
            makeWidget("r", Kind::Rectangle, 4, 4, 20, 10, {{"fill", opaque(0xffffff)}, {"radius", int64_t{200}}}));
        QCOMPARE(p.at(14, 4), 0xffffffffu);
        QVERIFY((p.at(4, 4) & 255) < 60);
    }

    void mixingOf16BitPixelsIsExactAtItsEnds() {
        const Document d = makeDocument();
        for (const uint32_t over : {0xffffffu, 0x00ff00u, 0x123456u}) {
            const Picture p =
                drawn(makeWidget("r", Kind::Rectangle, 0, 0, 8, 8, {{"fill", opaque(over)}}), PixelFormat::Rgb565);
            QCOMPARE(p.at(1, 1), reduce(makePicture(1, 1, 0xff000000u | over), {}).wide.at(0, 0));
        }
    }

    void widgetsBeyondThePanelAreClipped() {
        const Picture p = drawn(
            makeWidget("r", Kind::Rectangle, -10, -10, 20, 20, {{"fill", opaque(0xffffff)}, {"radius", int64_t{8}}}));
        QCOMPARE(p.at(0, 0), 0xffffffffu);
        QCOMPARE(p.at(12, 12), 0xff000000u);
        (void)drawn(makeWidget("r", Kind::Rectangle, 4000, 4000, 4096, 4096, {{"fill", opaque(0xffffff)}}));
        (void)drawn(makeWidget("r", Kind::Rectangle, -4096, -4096, 4096, 4096, {{"fill", opaque(0xffffff)}}));
    }

    void textIsAlignedAndClipped() {
        Document d = openKiln();
        Widget w = makeWidget("t", Kind::Text, 10, 10, 100, 40,
                              {{"text", std::string("Ag")}, {"font", std::string("regular")}});
        const auto extent = [&](const char* align, const char* place) {
            w.properties["align"] = std::string(align);
            w.properties["place"] = std::string(place);
            Document one = d;
            Screen screen;
            screen.name = "s";
            screen.widgets = {std::make_shared<const Widget>(w)};
            one.screens = {std::make_shared<const Screen>(screen)};
            one = withRules(one, "main", "");
            SceneBuilder builder;
            const Picture p = drawScreen(*builder.build(one), 0).picture();
            QRect box;
            for (int y = 0; y < 240; ++y)
                for (int x = 0; x < 320; ++x)
                    if (p.at(x, y) != 0xff000000u)
                        box |= QRect(x, y, 1, 1);
            return box;
        };
        const QRect left = extent("left", "top"), right = extent("right", "bottom"),
                    middle = extent("middle", "middle");
        QVERIFY(left.left() >= 10 && left.left() <= 12);
        QVERIFY(right.right() >= 106 && right.right() <= 109);
        QVERIFY(std::abs(middle.center().x() - 60) <= 2 && std::abs(middle.center().y() - 30) <= 3);
        QCOMPARE(left.size(), right.size());
        w.w = 8;
        QVERIFY(extent("left", "top").right() < 18);
    }

    void brokenUtf8ShowsTheMissingBox() {
        const char* const texts[] = {"\xff", "\xc3", "\xe2\x82", "\xf0\x9f\x98", "\x80", "a\xc0\x80z"};
        for (const char* text : texts) {
            const gorse_text_source source = gorse_plain_text(text);
            uint16_t at = 0;
            int guard = 0;
            bool broken = false;
            for (uint32_t code; guard < 10 && (code = gorse_next_character(source, &at)) != 0; ++guard)
                broken = broken || code == 0xfffd;
            QVERIFY2(broken && guard < 10, text);
        }
    }

    void dirtyListJoinsWhatIsCheap() {
        SceneBuilder builder;
        Twin twin(builder.build(openKiln()));
        twin.step(0);
        gorse* g = twin.run();
        const auto mark = [g](const gorse_rect& area) { gorse_dirty(g, &area); };
        mark({0, 0, 10, 10});
        mark({10, 0, 20, 10});
        QCOMPARE(int{gorse_head_of(g)->dirty_count}, 1);
        mark({200, 200, 210, 210});
        QCOMPARE(int{gorse_head_of(g)->dirty_count}, 2);
        for (int16_t i = 0; i < 40; ++i)
            mark({static_cast<int16_t>(i * 8), static_cast<int16_t>(i % 2 * 100), static_cast<int16_t>(i * 8 + 2),
                  static_cast<int16_t>(i % 2 * 100 + 2)});
        QVERIFY(gorse_head_of(g)->dirty_count <= GORSE_DIRTY);
        mark({5, 5, 5, 9});
        mark({400, 400, 500, 500});
        gorse_redraw(g);
        QCOMPARE(int{gorse_head_of(g)->dirty_count}, 1);
    }

    void beginRefusesWhatCannotWork() {
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(openKiln());
        gorse g{};
        std::vector<uint32_t> state(2000), buffer(2000);
        gorse_port port{};
        const auto begin = [&](uint32_t stateBytes, void* at, uint32_t bytes) {
            return gorse_begin(&g, &scene->scene, &port, state.data(), stateBytes, at, bytes);
        };
        QCOMPARE(int{begin(8000, buffer.data(), 8000)}, int{GORSE_RESULT_NULL});
        port.flush = [](void*, uint16_t, uint16_t, uint16_t, uint16_t, const uint8_t*, uint32_t) {};
        QCOMPARE(int{begin(100, buffer.data(), 8000)}, int{GORSE_RESULT_STATE_TOO_SMALL});
        QCOMPARE(int{begin(8000, buffer.data(), 639)}, int{GORSE_RESULT_BUFFER_TOO_SMALL});
        QCOMPARE(int{begin(8000, reinterpret_cast<char*>(buffer.data()) + 1, 8000)}, int{GORSE_RESULT_NOT_ALIGNED});
        QCOMPARE(int{begin(8000, buffer.data(), 640)}, int{GORSE_RESULT_OK});
        QVERIFY(static_cast<long>(gorse_state_bytes(&scene->scene)) == scene->stateBytes(GORSE_DIRTY));
    }

    void longTextsAreCutAtACharactersEdge() {
        SceneBuilder builder;
        Document d = withVariable(makeDocument(), makeText("title", "", 7));
        Twin twin(builder.build(d));
        twin.step(0);
        QVERIFY(twin.set("title", "äöüäöü").has_value());
        QCOMPARE(twin.get("title"), std::string("äöü"));
    }
};

GORSEFINCH_TEST(TestDrawing, Nothing)
#include "tst_drawing.moc"
