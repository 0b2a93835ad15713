// SPDX-License-Identifier: GPL-3.0-or-later
// Widgets that let what is below them through: as much as their opacity says, whatever the draw buffer holds, in every
// format, on turned panels, and by rules.
#include <QtTest>

#include "core/sim/twin.h"
#include "runtime/gorse_internal.h"
#include "tests/support/built_scene.h"
#include "tests/support/panel_picture.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kWidth = 56, kHeight = 40, kX = 5, kY = 3, kBoxWidth = 43, kBoxHeight = 33;

// A ground of stripes, with a widget over it if there is one.
Document striped(PixelFormat format, int turn, const Widget* over) {
    Document d = withPanelOf(makeDocument(), format, turn, kWidth, kHeight);
    d = withVariable(d, makeNumber("level", 0, 300, 128));
    std::vector<Widget> widgets;
    for (int i = 0; i < kWidth; i += 8)
        widgets.push_back(makeWidget("stripe_" + std::to_string(i), Kind::Rectangle, i, 0, 4, kHeight,
                                     {{"fill", opaque(i % 16 == 0 ? 0xF0E040 : 0xFFFFFF)}}));
    if (over)
        widgets.push_back(*over);
    return addWidgets(d, "first", widgets);
}

Widget boxOf(int opacity) {
    Widget out = makeWidget("box", Kind::Button, kX, kY, kBoxWidth, kBoxHeight,
                            {{"fill", opaque(0x2040A0)},
                             {"border", opaque(0xE0E0E0)},
                             {"border_width", int64_t{3}},
                             {"radius", int64_t{6}},
                             {"text", std::string()}});
    out.opacity = opacity;
    return out;
}

bool isInside(int x, int y) { return x >= kX && x < kX + kBoxWidth && y >= kY && y < kY + kBoxHeight; }

// The largest step between two levels of a channel; 0 where pixels do not mix.
int stepOf(PixelFormat format) {
    switch (format) {
        case PixelFormat::Rgb565:
        case PixelFormat::Rgb565Be: return 9;
        case PixelFormat::Grey2:
        case PixelFormat::Rgb332: return 86;
        case PixelFormat::Grey4: return 17;
        case PixelFormat::Grey8:
        case PixelFormat::Rgb888:
        case PixelFormat::Argb8888: return 1;
        case PixelFormat::Index8: return 52;  // its palette's steps
        default: return 0;
    }
}

// So many of 16 pixels of a pattern are the widget's.
int partOf16(int opacity) {
    int part = 0;
    for (int i = 0; i < 16; ++i)
        part += i * 16 + 8 < opacity;
    return part;
}

}  // namespace

class TestOpacity : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void asMuchAsItSays_data() {
        QTest::addColumn<int>("format");
        for (const PixelFormatInfo& each : pixelFormats())
            if (each.panel)
                QTest::newRow(each.key) << static_cast<int>(each.format);
    }

    void asMuchAsItSays() {
        QFETCH(int, format);
        const auto as = static_cast<PixelFormat>(format);
        const Widget whole = boxOf(255);
        const Picture below = panelPicture(striped(as, 0, nullptr)), above = panelPicture(striped(as, 0, &whole));
        for (const int opacity : {0, 1, 40, 128, 200, 254}) {
            const Widget faded = boxOf(opacity);
            const Picture mixed = panelPicture(striped(as, 0, &faded));
            QVERIFY(!mixed.pixels.empty());
            int fromAbove = 0, differing = 0;
            for (int y = 0; y < kHeight; ++y)
                for (int x = 0; x < kWidth; ++x) {
                    const uint32_t a = above.at(x, y), b = below.at(x, y), m = mixed.at(x, y);
                    if (!isInside(x, y)) {
                        QCOMPARE(m, b);
                    } else if (stepOf(as) == 0) {
                        QVERIFY(m == a || m == b);
                        differing += a != b;
                        fromAbove += a != b && m == a;
                    } else {
                        for (const int shift : {0, 8, 16}) {
                            const auto channel = [&](uint32_t argb) { return static_cast<int>(argb >> shift & 255); };
                            const int wanted = (channel(a) * opacity + channel(b) * (255 - opacity) + 127) / 255;
                            QVERIFY2(
                                std::abs(channel(m) - wanted) <= stepOf(as),
                                qPrintable(QString("%1, %2: %3, wanted %4").arg(x).arg(y).arg(channel(m)).arg(wanted)));
                        }
                    }
                }
            if (stepOf(as) == 0)
                QVERIFY(std::abs(16.0 * fromAbove / differing - partOf16(opacity)) < 1.2);
        }
    }

    void whateverTheBufferHolds_data() {
        QTest::addColumn<int>("format");
        QTest::addColumn<int>("turn");
        for (const PixelFormatInfo& each : pixelFormats())
            if (each.panel)
                for (const int turn : {0, 90, 180, 270})
                    QTest::addRow("%s, turned by %d", each.key, turn) << static_cast<int>(each.format) << turn;
    }

    void whateverTheBufferHolds() {
        QFETCH(int, format);
        QFETCH(int, turn);
        const Widget faded = boxOf(150);
        const Document d = striped(static_cast<PixelFormat>(format), turn, &faded);
        SceneBuilder builder;
        const BuiltSceneRef scene = builtWithoutErrors(builder, d);
        const Picture whole = panelPicture(d, 100000);
        for (const long more : {0L, 16L, 48L, 200L, 1000L}) {
            Twin twin(scene, Twin::View::Panel, static_cast<long>(scene->panel.min_buffer_bytes) + more);
            twin.step(0);
            QVERIFY(twin.memory().picture().pixels == whole.pixels);
        }
    }

    // What a widget of any kind draws whole is what it draws without an opacity that can change.
    void everyKindDrawsWhole() {
        for (const KindInfo* kind : kinds()) {
            if (kind->kind == Kind::Clock)
                continue;  // needs a clock
            Widget plain = makeWidget("it", kind->kind, 2, 1, 50, 36);
            if (kind->sample)
                kind->sample(plain, false);
            Widget followed = plain;
            followed.expressions["opacity"] = "level > 0 ? 255 : 0";
            const Document a = striped(PixelFormat::Rgb565, 0, &plain), b = striped(PixelFormat::Rgb565, 0, &followed);
            SceneBuilder builder;
            Twin first(builder.build(a)), second(builder.build(b));
            for (Twin* each : {&first, &second})
                each->step(0);
            QVERIFY2(first.memory().picture().pixels == second.memory().picture().pixels, kind->key);
            QVERIFY(second.set("level", "0"));
            second.step(10);
            const Document none = striped(PixelFormat::Rgb565, 0, nullptr);
            QVERIFY2(second.memory().picture().pixels == panelPicture(none).pixels, kind->key);
        }
    }

    // A change redraws the box, and nothing else; what shows then is what shows when it begins so.
    void rulesChangeIt() {
        const Widget box = boxOf(255);
        Document d = withRules(striped(PixelFormat::Rgb565, 0, &box), "main",
                               "when level > 200\n    box.opacity = level\notherwise\n    box.opacity = 60\n");
        SceneBuilder builder;
        Twin twin(builtWithoutErrors(builder, d));
        twin.step(0);
        const Widget faded = boxOf(60), more = boxOf(220);
        QVERIFY(twin.memory().picture().pixels == panelPicture(striped(PixelFormat::Rgb565, 0, &faded)).pixels);
        twin.takeFlushed();
        QVERIFY(twin.set("level", "220"));
        twin.step(10);
        QVERIFY(twin.memory().picture().pixels == panelPicture(striped(PixelFormat::Rgb565, 0, &more)).pixels);
        int flushed = 0;
        for (const Flushed& each : twin.takeFlushed())
            flushed += each.w * each.h;
        QCOMPARE(flushed, kBoxWidth * kBoxHeight);
    }

    void filesAndTheRoomThatItNeeds() {
        const Widget faded = boxOf(150), whole = boxOf(255);
        const Document d = striped(PixelFormat::Rgb565, 0, &faded);
        const ReadProject read = readFiles(toFiles(d));
        QVERIFY(read.document && read.problems.empty());
        QCOMPARE(read.document->screens[0]->widgets.back()->opacity, 150);
        QVERIFY(toFiles(*read.document) == toFiles(d));
        const auto text = [](const Document& document) {
            return std::string(toFiles(document).at("screens/first.json").text());
        };
        QVERIFY(text(striped(PixelFormat::Rgb565, 0, &whole)).find("opacity") == std::string::npos);
        for (const char* wrong : {"256", "-1", "\"x\"", "true", "1.5", "1e40"}) {
            ProjectFiles files = toFiles(d);
            std::string screen = text(d);
            screen.replace(screen.find("\"opacity\": 150"), 14, "\"opacity\": " + std::string(wrong));
            files["screens/first.json"] = SharedBytes(screen);
            QVERIFY2(tells(readFiles(files).problems, "opacity"), wrong);
        }
        // A buffer of one line is made as large as it must be.
        Panel panel = *d.panel;
        panel.stripLines = 1;
        SceneBuilder builder;
        const BuiltSceneRef scene = builtWithoutErrors(builder, withPanel(d, panel));
        QCOMPARE(scene->bufferBytes(), 4L * kWidth * 2);
        QCOMPARE(builtWithoutErrors(builder, withPanel(striped(PixelFormat::Rgb565, 0, &whole), panel))->bufferBytes(),
                 long{kWidth * 2});
    }
};

GORSEFINCH_TEST(TestOpacity, Nothing)
#include "tst_opacity.moc"
