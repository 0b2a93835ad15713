// SPDX-License-Identifier: GPL-3.0-or-later
// How one screen follows another: both are shown while it lasts, moved or mixed, pixel by pixel.
#include <QtTest>
#include <random>

#include "core/sim/twin.h"
#include "runtime/gorse_internal.h"
#include "runtime/gorse_transition.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kWide = 64, kHigh = 48;

// Screen "one" with a text that a variable gives, "two" with a group; a tap leads from one to the other.
Document twoScreens(PixelFormat format, const std::string& transition, int stripLines = 16, int turn = 0) {
    Document d = withPanelOf(openKiln(), format, turn, kWide, kHigh);
    Panel panel = *d.panel;
    panel.stripLines = stripLines;
    panel.outputs = {};
    panel.sound = false;
    d = withPanel(d, panel);
    d.screens.clear();
    for (const char* name : {"one", "two"}) {
        Screen screen;
        screen.name = name;
        screen.background = opaque(std::string(name) == "one" ? 0x203040 : 0x806020);
        d.screens.push_back(std::make_shared<const Screen>(std::move(screen)));
    }
    d = withVariable(d, makeNumber("count", 0, 999, 7));
    d = addWidgets(
        d, "one",
        {makeWidget("stripe", Kind::Rectangle, 5, 9, 40, 12, {{"fill", opaque(0xf0f0f0)}}),
         makeWidget("words", Kind::Text, 0, 24, 60, 20,
                    {{"text", std::string("{count}")}, {"font", std::string("regular")}, {"size", int64_t{14}}}),
         makeWidget("onward", Kind::Button, 0, 0, 64, 48)});
    Widget group = makeWidget("group", Kind::Group, 20, 4, 30, 30, {{"clip", true}, {"fill", opaque(0x102080)}});
    group.opacity = 150;
    Widget held = makeWidget("held", Kind::Rectangle, 10, 10, 60, 60, {{"fill", opaque(0xe0e0a0)}});
    held.depth = 1;
    d = addWidgets(d, "two",
                   {makeWidget("bar", Kind::Rectangle, 15, 6, 40, 3, {{"fill", opaque(0xffffff)}}),
                    makeWidget("other_bar", Kind::Rectangle, 15, 13, 30, 6, {{"fill", opaque(0xffffff)}}), group, held,
                    makeWidget("home", Kind::Button, 0, 0, 64, 48)});
    return withRules(
        d, "main",
        "on one.onward.tap\n    go two, " + transition + "\n    count = count + 1\n\non two.home.tap\n    back\n");
}

}  // namespace

class TestTransitions : public QObject {
    Q_OBJECT

    SceneBuilder builder_;
    std::unique_ptr<Twin> twin_;

    void begin(const Document& document) {
        twin_ = std::make_unique<Twin>(builder_.build(document));
        twin_->step(0);
    }
    void tap() {
        twin_->touch(30, 20, true);
        twin_->touch(30, 20, false);
    }
    std::vector<Colour> pixels() const {
        std::vector<Colour> out;
        const Picture picture = twin_->memory().picture();
        for (int y = 0; y < kHigh; ++y)
            for (int x = 0; x < kWide; ++x)
                out.push_back(Colour{picture.at(x, y)});
        return out;
    }
    static size_t at(int x, int y) { return static_cast<size_t>(y * kWide + x); }

  private Q_SLOTS:
    void screensMove_data() {
        QTest::addColumn<QString>("words");
        QTest::addColumn<int>("format");
        for (const PixelFormat format :
             {PixelFormat::Rgb565, PixelFormat::Page1, PixelFormat::Grey4, PixelFormat::Rgb888})
            for (const char* how : {"slide", "cover", "uncover"})
                for (const char* way : {"left", "right", "up", "down"})
                    QTest::addRow("%s %s %s", info(format).key, how, way)
                        << QString("%1 %2").arg(how, way) << static_cast<int>(format);
    }

    // At each moment each pixel is that of one of both screens, moved. Backwards it is the same, the other way round.
    void screensMove() {
        QFETCH(QString, words);
        QFETCH(int, format);
        const QStringList parts = words.split(' ');
        const int dx = parts[1] == "left" ? -1 : parts[1] == "right" ? 1 : 0;
        const int dy = parts[1] == "up" ? -1 : parts[1] == "down" ? 1 : 0;
        begin(twoScreens(static_cast<PixelFormat>(format), words.toStdString() + " 400 ms, ease none"));
        const auto first = pixels();
        twin_->step(100);
        tap();
        // The change has been counted already, but the screen that is left is as it was.
        std::vector<std::vector<Colour>> frames;
        for (const uint32_t ms : {100, 120, 200, 300, 450, 499}) {
            twin_->step(ms);
            frames.push_back(pixels());
        }
        twin_->step(500);
        const auto second = pixels();
        QVERIFY(first != second);
        size_t frame = 0;
        for (const int passed : {0, 20, 100, 200, 350, 399}) {
            const int part = passed * 4096 / 400;
            const auto moved = [&](int size, int sign, bool follows) {
                return sign * (size * part / 4096 - (follows ? size : 0));
            };
            const bool firstMoves = parts[0] != "cover", secondMoves = parts[0] != "uncover";
            for (int y = 0; y < kHigh; ++y)
                for (int x = 0; x < kWide; ++x) {
                    const int ax = x - (firstMoves ? moved(kWide, dx, false) : 0);
                    const int ay = y - (firstMoves ? moved(kHigh, dy, false) : 0);
                    const int bx = x - (secondMoves ? moved(kWide, dx, true) : 0);
                    const int by = y - (secondMoves ? moved(kHigh, dy, true) : 0);
                    const bool inA = ax >= 0 && ax < kWide && ay >= 0 && ay < kHigh;
                    const bool inB = bx >= 0 && bx < kWide && by >= 0 && by < kHigh;
                    const bool showsA = parts[0] == "uncover" ? inA : !inB;
                    const Colour expected = showsA ? first[at(ax, ay)] : second[at(bx, by)];
                    QVERIFY2(frames[frame][at(x, y)] == expected,
                             qPrintable(QString("%1,%2 after %3 ms").arg(x).arg(y).arg(passed)));
                }
            ++frame;
        }
        // Back from the second one, where the first shows what has become of it.
        twin_->step(600);
        tap();
        twin_->step(600);
        QVERIFY(pixels() == second);
        twin_->step(800);
        const auto half = pixels();
        twin_->step(1000);
        const auto home = pixels();
        for (int y = 0; y < kHigh; ++y)
            for (int x = 0; x < kWide; ++x) {
                const int ax = x - (parts[0] != "cover" ? dx * kWide / 2 : 0),
                          ay = y - (parts[0] != "cover" ? dy * kHigh / 2 : 0);
                const int bx = x + (parts[0] != "uncover" ? dx * kWide / 2 : 0),
                          by = y + (parts[0] != "uncover" ? dy * kHigh / 2 : 0);
                const bool inA = ax >= 0 && ax < kWide && ay >= 0 && ay < kHigh;
                const bool inB = bx >= 0 && bx < kWide && by >= 0 && by < kHigh;
                QVERIFY(half[at(x, y)] ==
                        ((parts[0] == "uncover" ? inA : !inB) ? home[at(ax, ay)] : second[at(bx, by)]));
            }
    }

    void aFadeMixes() {
        begin(twoScreens(PixelFormat::Rgb888, "fade 256 ms"));
        const auto first = pixels();
        tap();
        twin_->step(0);
        QVERIFY(pixels() == first);
        twin_->step(64);
        const auto quarter = pixels();
        twin_->step(256);
        const auto second = pixels();
        for (size_t i = 0; i < first.size(); ++i)
            for (int shift = 0; shift < 24; shift += 8) {
                const int a = static_cast<int>(first[i].argb >> shift & 255),
                          b = static_cast<int>(second[i].argb >> shift & 255);
                const int now = static_cast<int>(quarter[i].argb >> shift & 255);
                QVERIFY(std::abs(now - (a * 192 + b * 64) / 256) <= 1);
            }
    }

    // On one bit by a pattern.
    void aFadeOnOneBitGrows() {
        Document d = twoScreens(PixelFormat::Page1, "fade 256 ms");
        begin(d);
        const auto first = pixels();
        tap();
        std::vector<long> likeSecond;
        std::vector<std::vector<Colour>> frames;
        for (const uint32_t ms : {0, 64, 128, 192, 256}) {
            twin_->step(ms);
            frames.push_back(pixels());
        }
        for (const auto& frame : frames) {
            long same = 0;
            for (size_t i = 0; i < frame.size(); ++i)
                same += frame[i] == frames.back()[i] && first[i] != frames.back()[i] ? 1 : 0;
            likeSecond.push_back(same);
        }
        QVERIFY(likeSecond[0] == 0);
        for (size_t i = 1; i < likeSecond.size(); ++i)
            QVERIFY(likeSecond[i] > likeSecond[i - 1]);
    }

    void stripsOfAnyHeightAreTheSame_data() {
        QTest::addColumn<QString>("words");
        for (const char* words : {"slide left", "slide up", "cover down", "uncover right", "fade"})
            QTest::newRow(words) << words;
    }

    void stripsOfAnyHeightAreTheSame() {
        QFETCH(QString, words);
        for (const PixelFormat format :
             {PixelFormat::Rgb565, PixelFormat::Page1, PixelFormat::Row1, PixelFormat::Index4})
            for (const int turn : {0, 90, 180}) {
                std::vector<uint8_t> frame;
                for (const int lines : {8, 16, 48}) {
                    const Document d = twoScreens(format, words.toStdString() + " 300 ms", lines, turn);
                    const BuiltSceneRef scene = builder_.build(d);
                    if (scene->bufferBytes() < long{scene->panel.min_buffer_bytes})
                        continue;
                    Twin twin(scene, Twin::View::Panel);
                    twin.step(0);
                    twin.touch(30, 20, true);
                    twin.touch(30, 20, false);
                    twin.step(0);
                    twin.step(130);
                    if (frame.empty())
                        frame = twin.memory().bytes();
                    QVERIFY2(
                        twin.memory().bytes() == frame,
                        qPrintable(QString("%1, turned by %2, %3 lines").arg(info(format).key).arg(turn).arg(lines)));
                }
            }
    }

    void touchWaits() {
        begin(twoScreens(PixelFormat::Rgb565, "slide left 300 ms"));
        tap();
        twin_->step(0);
        QCOMPARE(twin_->screen(), 1);
        twin_->step(100);
        tap();
        twin_->step(200);
        QCOMPARE(twin_->screen(), 1);
        twin_->step(300);
        tap();
        twin_->step(310);
        QCOMPARE(twin_->screen(), 0);
    }

    // One that another interrupts ends at once; in the end all is as if nothing had moved.
    void interruptionsEndWell() {
        std::mt19937 random(11);
        const auto upTo = [&](int end) { return static_cast<int>(random() % static_cast<uint32_t>(end)); };
        Document d = twoScreens(PixelFormat::Rgb565, "slide left 300 ms");
        d = withVariable(d, makeNumber("place", 0, 9, 0));
        std::string rules;
        const char* const ways[] = {
            "slide left 200 ms", "cover up 90 ms, ease both", "fade 150 ms", "cut", "uncover down 1 s, ease in",
            "slide right"};
        for (int i = 0; i < 6; ++i)
            rules += "when place == " + std::to_string(i) + "\n    " +
                     (i % 3 == 2   ? std::string("back")
                      : i % 2 == 0 ? "go two"
                                   : "go one") +
                     ", " + ways[i] + "\n\n";
        d = withRules(d, "main", rules + "when place == 6\n    back\n\nwhen place == 7\n    go one\n");
        Panel panel = *d.panel;
        panel.transition = "slide up 120 ms";
        begin(withPanel(d, panel));
        uint32_t now = 0;
        for (int round = 0, end = rounds(60); round < end; ++round) {
            for (int i = 0; i < 12; ++i) {
                QVERIFY(twin_->set("place", std::to_string(upTo(8))));
                twin_->touch(upTo(64), upTo(48), upTo(2) == 0);
                twin_->step(now += static_cast<uint32_t>(upTo(130)));
            }
            twin_->touch(0, 0, false);
            twin_->step(now += 1100);
            twin_->step(now += 20);
            QVERIFY(gorse_in_transition(twin_->run()) == 0);
            const auto shown = twin_->memory().bytes();
            gorse_redraw(twin_->run());
            twin_->step(now += 20);
            QVERIFY(twin_->memory().bytes() == shown);
            Twin other(builder_.build(twin_->scene().document));
            other.step(0);
            QVERIFY(other.set("count", twin_->get("count")));
            other.go(twin_->screen());
            other.step(10);
            other.step(2000);
            QVERIFY(other.memory().bytes() == shown);
        }
    }

    // Back plays what led to the screen, for as many as the history knows, however many there were.
    void backKnowsWhatLedThere() {
        Document d = withVariable(twoScreens(PixelFormat::Rgb565, "cut"), makeNumber("place", 0, 9, 0));
        d = withRules(d, "main",
                      "when place == 1\n    go two, slide left\n\nwhen place == 2\n    go one, fade\n\nwhen place == "
                      "3\n    back\n\nwhen place == 4\n    back, cover up\n");
        begin(d);
        uint32_t now = 0;
        const auto running = [&](const char* place) {
            (void)twin_->set("place", "0");
            twin_->step(now += 1000);
            (void)twin_->set("place", place);
            twin_->step(now += 10);
            const gorse_transition_state& state = *gorse_transition_state_of(twin_->run());
            return std::pair(int{state.runs}, int{state.back});
        };
        for (int i = 0; i < 6; ++i) {
            QCOMPARE(running("1"), std::pair(2, 0));
            QCOMPARE(running("2"), std::pair(3, 0));
        }
        QCOMPARE(running("3"), std::pair(3, 1));
        QCOMPARE(running("4"), std::pair(4, 0));
        for (int i = 0; i < 3; ++i) {
            QCOMPARE(running("3"), std::pair(3, 1));
            QCOMPARE(running("3"), std::pair(2, 1));
        }
        // The history knows no more.
        QCOMPARE(running("3"), std::pair(0, 1));
    }

    // An edit ends it, and begins none.
    void editsBeginNone() {
        const Document d = twoScreens(PixelFormat::Rgb565, "slide left 300 ms");
        begin(d);
        tap();
        twin_->step(0);
        twin_->step(100);
        twin_->update(builder_.build(changeWidgets(d, "two", Names{"held"}, [](Widget& widget) { widget.x = 3; })));
        twin_->step(110);
        const auto edited = twin_->memory().bytes();
        QVERIFY(gorse_in_transition(twin_->run()) == 0);
        twin_->step(1000);
        QVERIFY(twin_->memory().bytes() == edited);
        tap();
        twin_->step(1010);
        QVERIFY(gorse_in_transition(twin_->run()) != 0);
        QCOMPARE(twin_->screen(), 0);
    }

    void mistakesAreTold() {
        const auto problems = [&](const std::string& words) {
            return builder_.build(twoScreens(PixelFormat::Rgb565, words))->rules->problems;
        };
        QVERIFY(tells(problems("slip left"), "a transition belongs here"));
        QVERIFY(tells(problems("slide"), "a way belongs here"));
        QVERIFY(tells(problems("slide left 0 ms"), "a time of 1 ms to 10 s"));
        QVERIFY(tells(problems("slide left 11 s"), "a time of 1 ms to 10 s"));
        QVERIFY(tells(problems("fade 300 ms, ease up"), "in, out, both or none"));
        QVERIFY(!problems("fade 300 ms 7").empty());
        for (const char* words : {"cut", "fade", "fade 1.5 s, ease in", "slide down 250 ms", "cover up, ease both"})
            QVERIFY2(problems(words).empty(), words);
        Document d = twoScreens(PixelFormat::Rgb565, "cut");
        Panel panel = *d.panel;
        panel.transition = "slide sideways";
        QVERIFY(tells(builder_.build(withPanel(d, panel))->problems, "\"slide sideways\": a way belongs here"));
        // Without any, an interface has none of it.
        QVERIFY(!builder_.build(d)->scene.transitions);
    }
};

GORSEFINCH_TEST(TestTransitions, Nothing)
#include "tst_transitions.moc"
