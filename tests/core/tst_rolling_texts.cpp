// SPDX-License-Identifier: GPL-3.0-or-later
// Rolling texts: at each time the panel shows the same pixels as a text that does not roll, drawn at the current offset
// and clipped to the box.
#include <QtTest>

#include "core/edits/edit.h"
#include "core/sim/twin.h"
#include "runtime/gorse_text.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kBoxX = 30, kBoxY = 20, kBoxWidth = 90, kBoxHeight = 30, kGap = 20, kPause = 500, kSpeed = 50;
const std::string kLong = "The kiln cools and may not be opened";

Document withWords(const std::string& text, int x, int w, PropertyMap properties = {}) {
    static const Document document = addScreen(openKiln(), -1, "words");
    properties["text"] = text;
    properties["font"] = std::string("regular");
    properties["size"] = int64_t{16};
    properties["colour"] = opaque(0xFFFFFF);
    return addWidgets(document, "words",
                      {makeWidget("words", Kind::Text, x, kBoxY, w, kBoxHeight, std::move(properties))});
}

Document rolling(const std::string& text, const char* way, PropertyMap properties = {}) {
    properties.insert({{"overflow", std::string("roll")},
                       {"roll", std::string(way)},
                       {"roll_speed", int64_t{kSpeed}},
                       {"roll_gap", int64_t{kGap}},
                       {"roll_pause", int64_t{kPause}}});
    return withWords(text, kBoxX, kBoxWidth, std::move(properties));
}

class Shown {
  public:
    explicit Shown(const Document& document, long bytes = 0)
        : twin(builder.build(document), Twin::View::Upright, bytes) {
        twin.go(0);
        twin.step(0);
    }
    uint32_t step(uint32_t ms) { return gorse_step(twin.run(), ms); }
    Picture picture() const { return twin.memory().picture(); }
    // The same as drawn from nothing.
    bool isWhole(uint32_t now) {
        const Picture before = picture();
        gorse_redraw(twin.run());
        step(now);
        return before.pixels == picture().pixels;
    }
    int width(const std::string& text) const {
        const gorse_record& record = twin.scene().tables[0]->records[0];
        gorse_line line;
        (void)gorse_next_line(record.widget.look->font, gorse_plain_text(text.c_str()), 0, 0, 0, &line);
        return line.width;
    }

    SceneBuilder builder;
    Twin twin;
};

// The text lying still, moved to the left, where the box shows it.
Picture expected(const std::string& text, int shift, std::optional<int> second = {}) {
    const Picture one = Shown(withWords(text, kBoxX - shift, 600)).picture();
    Picture out = Shown(withWords("", kBoxX, kBoxWidth)).picture();
    const auto lay = [&](const Picture& from) {
        for (int y = 0; y < out.height; ++y)
            for (int x = kBoxX; x < kBoxX + kBoxWidth; ++x)
                if (from.at(x, y) != from.at(0, 0))
                    out.at(x, y) = from.at(x, y);
    };
    lay(one);
    if (second)
        lay(Shown(withWords(text, kBoxX - *second, 600)).picture());
    return out;
}

}  // namespace

class TestRollingTexts : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void rollsRound() {
        Shown shown(rolling(kLong, "round"));
        const int way = shown.width(kLong) + kGap;
        QVERIFY(way > kBoxWidth + kGap);
        for (const int moved : {0, 1, 7, 60, way - 30, way - 1}) {
            const auto at = static_cast<uint32_t>(moved == 0 ? 200 : kPause + moved * 1000 / kSpeed);
            shown.step(at);
            QCOMPARE(shown.picture().pixels == expected(kLong, moved, moved - way).pixels, true);
            QVERIFY(shown.isWhole(at));
        }
        // It comes in again, and stands still.
        const auto round = static_cast<uint32_t>(kPause + way * 1000 / kSpeed);
        shown.step(round + 10);
        QCOMPARE(shown.picture().pixels == expected(kLong, 0).pixels, true);
    }

    void rollsBackAndForth() {
        Shown shown(rolling(kLong, "bounce"));
        const int way = shown.width(kLong) - kBoxWidth, lasts = way * 1000 / kSpeed;
        for (const auto& [ms, moved] : {std::pair(0, 0),
                                        {kPause + 400, 20},
                                        {kPause + lasts, way},
                                        {2 * kPause + lasts - 1, way},
                                        {2 * kPause + lasts + 400, way - 20},
                                        {2 * (kPause + lasts), 0},
                                        {2 * (kPause + lasts) + kPause - 1, 0},
                                        {2 * (kPause + lasts) + kPause + 200, 10}}) {
            shown.step(static_cast<uint32_t>(ms));
            QVERIFY2(shown.picture().pixels == expected(kLong, moved).pixels, qPrintable(QString::number(ms)));
        }
    }

    // A step that comes late shows what many punctual ones do; each that is asked for moves something.
    void lateStepsShowTheSame() {
        for (const char* way : {"round", "bounce"}) {
            Shown punctual(rolling(kLong, way)), late(rolling(kLong, way));
            uint32_t now = 0, steps = 0;
            while (now < 20000) {
                const uint32_t wait = punctual.step(now);
                QVERIFY(wait > 0 && wait <= kPause);
                now += wait;
                ++steps;
            }
            punctual.step(now);
            late.step(now);
            QCOMPARE(late.picture().pixels == punctual.picture().pixels, true);
            QVERIFY(steps < 20000 * kSpeed / 1000 + 50);
        }
    }

    void inStripsOfAnyHeight() {
        for (const long bytes : {640L, 1920L, 4480L}) {
            Shown strips(rolling(kLong, "round"), bytes), whole(rolling(kLong, "round"));
            for (const uint32_t now : {900u, 3333u, 7000u}) {
                strips.step(now);
                whole.step(now);
                QCOMPARE(strips.picture().pixels == whole.picture().pixels, true);
            }
        }
    }

    void whatFitsLiesStill() {
        Shown shown(rolling("Cool", "round", {{"align", std::string("right")}}));
        // The project's own rules want a step, as they do without it.
        const uint32_t wait = Shown(withWords("Cool", kBoxX, kBoxWidth)).step(5000);
        QCOMPARE(shown.step(5000), wait);
        QCOMPARE(shown.picture().pixels ==
                     Shown(withWords("Cool", kBoxX, kBoxWidth, {{"align", std::string("right")}})).picture().pixels,
                 true);
        Shown empty(rolling("", "bounce"));
        QCOMPARE(empty.step(5000), wait);
        // In a box without room, or without speed to speak of, nothing goes wrong.
        Shown narrow(withWords(kLong, kBoxX, 1,
                               {{"overflow", std::string("roll")},
                                {"roll_speed", int64_t{255}},
                                {"roll_pause", int64_t{0}},
                                {"roll_gap", int64_t{0}}}));
        for (uint32_t now = 0; now < 3000; now += 37)
            narrow.step(now);
        narrow.step(3000);
        QVERIFY(narrow.isWhole(3000));
    }

    void anotherTextBeginsAnew() {
        Shown shown(rolling("{programme_name} is fired for {kiln_temp} degrees", "round"));
        uint32_t now = 0;
        const auto run = [&](uint32_t ms) {
            for (const uint32_t end = now + ms; now < end;) {
                const uint32_t wait = shown.step(now);
                now += std::clamp(wait, 1u, 20u);
            }
            shown.step(now);
        };
        run(2000);
        const Picture before = shown.picture();
        QVERIFY(shown.twin.set("programme_name", "Glaze").has_value());
        // The step that shows it asks for the next one, in which it begins.
        QCOMPARE(shown.step(++now), 0u);
        QVERIFY(shown.isWhole(now));
        shown.step(++now);
        const std::string text = "Glaze is fired for " + shown.twin.get("kiln_temp") + " degrees";
        QCOMPARE(shown.picture().pixels == expected(text, 0).pixels, true);
        const uint32_t begun = now;
        now = begun + kPause + 400;
        shown.step(now);
        QCOMPARE(shown.picture().pixels == expected(text, 20).pixels, true);
        QVERIFY(shown.isWhole(now));
        QVERIFY(shown.twin.set("programme_name", "Raku").has_value());
        run(3000);
        QVERIFY(shown.isWhole(now));
        QVERIFY(shown.picture().pixels != before.pixels);
    }

    // An edit of something else lets it roll on.
    void editsLetItRollOn() {
        const Document document = rolling(kLong, "round");
        Shown shown(document);
        shown.step(kPause + 1000);
        const Picture before = shown.picture();
        shown.twin.update(
            shown.builder.build(*gorsefinch::setProperty(document, "status", Names{"step_text"}, "x", int64_t{150})));
        shown.step(kPause + 1000);
        QCOMPARE(shown.picture().pixels == before.pixels, true);
        QCOMPARE(before.pixels == expected(kLong, 50).pixels, true);
        // The same text in another colour rolls on, too.
        shown.twin.update(shown.builder.build(
            *gorsefinch::setProperty(document, "words", Names{"words"}, "colour", opaque(0x00FF00))));
        shown.step(kPause + 1000);
        QVERIFY(shown.picture().pixels != before.pixels);
        QVERIFY(shown.isWhole(kPause + 1000));
    }

    // Only a text that rolls has the larger record, and the code.
    void onlyRollingTextsPayForIt() {
        SceneBuilder builder;
        const auto kindOf = [&](const Document& document) {
            return builder.build(document)->parts[0]->kinds.front()->symbol;
        };
        QCOMPARE(std::string(kindOf(withWords(kLong, 0, 50))), std::string("gorse_kind_text"));
        QCOMPARE(std::string(kindOf(rolling(kLong, "round"))), std::string("gorse_kind_text_roll"));
        QCOMPARE(std::string(kindOf(rolling(kLong, "round", {{"wrap", true}}))), std::string("gorse_kind_text"));
        const BuiltSceneRef still = builder.build(withWords(kLong, 0, 50));
        QCOMPARE(still->parts[0]->memoryBytes, 0);
    }
};

GORSEFINCH_TEST(TestRollingTexts, Nothing)
#include "tst_rolling_texts.moc"
