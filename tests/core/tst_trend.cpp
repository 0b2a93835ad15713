// SPDX-License-Identifier: GPL-3.0-or-later
// Trends: what they record and when, how courses are drawn, and how little a new sample redraws.
#include <QtTest>
#include <cmath>
#include <optional>
#include <random>

#include "core/edits/edit.h"
#include "core/emit/costs.h"
#include "core/emit/generate.h"
#include "core/sim/draw_screen.h"
#include "runtime/gorse_internal.h"
#include "tests/support/built_scene.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr uint32_t kInk = 0xffffffff, kGround = 0xff000000;

Document panelOf(int w, int h, PixelFormat format = PixelFormat::Argb8888) {
    Document document = withPanelOf(makeDocument({"first", "second"}), format, 0, w, h);
    document = withVariable(document, makeNumber("level", 0, 100, 0));
    return withVariable(document, makeNumber("heat", 0, 1000, 500, 1));
}

Widget trendOf(int w, int h, PropertyMap properties = {}) {
    properties.insert({{"value", std::string("level")},
                       {"colour", Colour{kInk}},
                       {"grid_x", int64_t{1}},
                       {"grid_y", int64_t{1}},
                       {"interval", int64_t{100}}});
    return makeWidget("course", Kind::Trend, 0, 0, w, h, std::move(properties));
}

// The stored samples of a value, the oldest first.
std::vector<int> recorded(Twin& twin, int value = 0) {
    const gorse_keeper& recorder = twin.scene().keepers.front();
    gorse_recording* recording = gorse_recording_of(twin.run(), &recorder);
    const int samples = gorse_trend_of(&recorder)->samples;
    std::vector<int> out;
    for (int i = 0; i < recording->count; ++i) {
        const int at = (recording->next + samples - recording->count + i) % samples;
        out.push_back(gorse_samples_of(recording)[value * samples + at]);
    }
    return out;
}

std::vector<int> levels(Twin& twin, int value = 0) {
    std::vector<int> out;
    for (const int sample : recorded(twin, value))
        out.push_back(static_cast<int>(std::lround(sample * 100.0 / GORSE_SAMPLE_MAX)));
    return out;
}

void set(Twin& twin, const char* variable, int value) { QVERIFY(twin.set(variable, std::to_string(value))); }

void step(Twin& twin, uint32_t ms) { twin.step(twin.now() + ms); }

struct Place {
    double x, y;
};

// How large a pen of eight corners has to be that goes from a to b and covers a point: its half.
double distance(const Place& from, const Place& a, const Place& b) {
    double best = 1e9;
    for (int i = 0; i <= 64; ++i) {
        const double t = i / 64.0, x = std::abs(a.x + (b.x - a.x) * t - from.x),
                     y = std::abs(a.y + (b.y - a.y) * t - from.y);
        best = std::min(best, std::max({x, y, (x + y) / std::sqrt(2.0)}));
    }
    return best;
}

// How much of each pixel the stroke covers, from 16 x 16 places of each.
std::vector<double> reference(int w, int h, const std::vector<Place>& course, double thickness) {
    std::vector<double> out;
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) {
            int inside = 0;
            for (int place = 0; place < 256; ++place) {
                const int down = place / 16;
                const Place at{x + (place % 16 + 0.5) / 16, y + (down + 0.5) / 16};
                for (size_t i = 0; i + 1 < course.size(); ++i)
                    if (course[i].x - at.x < thickness && at.x - course[i + 1].x < thickness &&
                        distance(at, course[i], course[i + 1]) <= thickness / 2) {
                        ++inside;
                        break;
                    }
            }
            out.push_back(inside / 256.0);
        }
    return out;
}

}  // namespace

class TestTrend : public QObject {
    Q_OBJECT

    SceneBuilder builder_;

    BuiltSceneRef built(const Document& document) { return builtWithoutErrors(builder_, document); }
    BuiltSceneRef withTrend(const Widget& trend, const Document& document) {
        return built(addWidgets(document, "first", {trend}));
    }

  private Q_SLOTS:
    void samplesComeAtTheirTimes() {
        Twin twin(withTrend(trendOf(40, 20, {{"samples", int64_t{5}}}), panelOf(40, 20)));
        twin.step(7);
        QCOMPARE(levels(twin), std::vector<int>({0}));
        set(twin, "level", 10);
        step(twin, 99);
        QCOMPARE(levels(twin), std::vector<int>({0}));
        step(twin, 1);
        QCOMPARE(levels(twin), std::vector<int>({0, 10}));
        set(twin, "level", 20);
        // A late step makes up for those that were missed; the next one is in time again.
        step(twin, 250);
        QCOMPARE(levels(twin), std::vector<int>({0, 10, 20, 20}));
        set(twin, "level", 30);
        step(twin, 50);
        QCOMPARE(levels(twin), std::vector<int>({0, 10, 20, 20, 30}));
        set(twin, "level", 100);
        step(twin, 100);
        QCOMPARE(levels(twin), std::vector<int>({10, 20, 20, 30, 100}));
        step(twin, 100000);
        QCOMPARE(levels(twin), std::vector<int>({100, 100, 100, 100, 100}));
    }

    void theStepSaysWhenTheNextIsDue() {
        Twin twin(withTrend(trendOf(40, 20), panelOf(40, 20)));
        QCOMPARE(gorse_step(twin.run(), 0), 100u);
        QCOMPARE(gorse_step(twin.run(), 30), 70u);
        QCOMPARE(gorse_step(twin.run(), 130), 70u);
    }

    void valuesAreRecordedWhileAnotherScreenIsShown() {
        Twin twin(withTrend(trendOf(40, 20, {{"value_2", std::string("heat")}}), panelOf(40, 20)));
        twin.step(0);
        twin.go(1);
        for (int i = 1; i <= 3; ++i) {
            set(twin, "level", i * 10);
            step(twin, 100);
        }
        QCOMPARE(twin.screen(), 1);
        QCOMPARE(levels(twin), std::vector<int>({0, 10, 20, 30}));
        // heat counts from 0.0 to 100.0, the range of the first value
        QCOMPARE(levels(twin, 1), std::vector<int>({50, 50, 50, 50}));
    }

    void anExpressionIsRecordedToo() {
        Widget trend = trendOf(40, 20, {{"min", std::string("0")}, {"max", std::string("100")}});
        trend.properties.erase("value");
        trend.expressions["value"] = "level / 2";
        trend.expressions["value_2"] = "heat + level";
        Twin twin(withTrend(trend, panelOf(40, 20)));
        twin.step(0);
        twin.go(1);
        set(twin, "level", 40);
        step(twin, 100);
        QCOMPARE(levels(twin), std::vector<int>({0, 20}));
        QCOMPARE(levels(twin, 1), std::vector<int>({50, 90}));
    }

    void rulesAndFirmwareSample() {
        Document document = panelOf(40, 20);
        document = addWidgets(document, "first", {trendOf(40, 20, {{"interval", int64_t{0}}})});
        document.rules = std::make_shared<std::vector<RuleFile>>(
            std::vector<RuleFile>{{"main", "every 1 s\n    level = level + 1\n    sample first.course\n"}});
        Twin twin(built(document));
        twin.step(0);
        QVERIFY(levels(twin).empty());
        twin.go(1);
        step(twin, 1000);
        step(twin, 1000);
        QCOMPARE(levels(twin), std::vector<int>({1, 2}));
        QCOMPARE(gorse_sample(twin.run(), 0), GORSE_RESULT_OK);
        QCOMPARE(gorse_sample(twin.run(), 1), GORSE_RESULT_UNKNOWN);
        QCOMPARE(levels(twin), std::vector<int>({1, 2, 2}));
        const GeneratedCode code = generateCode(twin.scene());
        QVERIFY(code.files.at("demo.h").find("gorse_result demo_sample_first_course(void);") != std::string::npos);
    }

    void whatRecordsNothingIsRefused() {
        Document document = addWidgets(panelOf(40, 20), "first", {makeWidget("box", Kind::Rectangle, 0, 0, 4, 4)});
        document.rules = std::make_shared<std::vector<RuleFile>>(
            std::vector<RuleFile>{{"main", "on start\n    sample first.box\n"}});
        QVERIFY(tells(builder_.build(document)->problems.list(), "a rectangle records nothing"));
    }

    void theStrokeIsAsItsGeometrySays() {
        std::mt19937 random(5);
        const auto upTo = [&](int end) { return static_cast<int>(random() % static_cast<unsigned>(end)); };
        double sum = 0, worst = 0;
        int edges = 0;
        for (int round = 0; round < rounds(15); ++round) {
            const int w = 24 + upTo(20), h = 16 + upTo(30), samples = 2 + upTo(60), thickness = 1 + upTo(4);
            Twin twin(withTrend(trendOf(w, h, {{"samples", int64_t{samples}}, {"thickness", int64_t{thickness}}}),
                                panelOf(w, h)));
            std::vector<Place> course;
            int level = upTo(101);
            for (int i = 0; i < samples; ++i) {
                level = std::clamp(level + upTo(41) - 20, 0, 100);
                set(twin, "level", level);
                twin.step(static_cast<uint32_t>(i) * 100);
                course.push_back(
                    {0.5 + (w - 1.0) * i / (samples - 1.0), h - thickness / 2.0 - (h - thickness) * level / 100.0});
            }
            const Picture shown = twin.memory().picture();
            const std::vector<double> wanted = reference(w, h, course, thickness);
            for (int y = 0; y < h; ++y)
                for (int x = 0; x < w; ++x) {
                    const double is = (shown.at(x, y) & 0xff) / 255.0;
                    const double should =
                        wanted[static_cast<size_t>(y) * static_cast<size_t>(w) + static_cast<size_t>(x)];
                    if ((should <= 0.01 && is <= 0.01) || (should >= 0.99 && is >= 0.99))
                        continue;
                    ++edges;
                    sum += std::abs(is - should);
                    worst = std::max(worst, std::abs(is - should));
                }
        }
        qInfo("edge pixels %d: mean %.2f %%, worst %.1f %%", edges, 100 * sum / edges, 100 * worst);
        // Edges that are nearly upright are drawn to an eighth of a pixel.
        QVERIFY(sum / edges < 0.015);
        QVERIFY(worst < 0.1);
    }

    // On 1 bit a course is one row in each column, or as many as it goes up or down in it, and has no gap.
    void onOneBitItIsThinAndClosed() {
        std::mt19937 random(8);
        const auto upTo = [&](int end) { return static_cast<int>(random() % static_cast<unsigned>(end)); };
        for (int round = 0; round < rounds(60); ++round) {
            const int w = 16 + upTo(60), h = 12 + upTo(40), samples = 2 + upTo(w);
            Twin twin(withTrend(trendOf(w, h, {{"samples", int64_t{samples}}}), panelOf(w, h, PixelFormat::Row1)));
            int level = upTo(101);
            for (int i = 0; i < samples; ++i) {
                level = std::clamp(level + upTo(61) - 30, 0, 100);
                set(twin, "level", level);
                twin.step(static_cast<uint32_t>(i) * 100);
            }
            const Picture shown = twin.memory().picture();
            std::optional<std::pair<int, int>> before;
            int pixels = 0, ways = 0;
            for (int x = 0; x < w; ++x) {
                std::pair<int, int> rows{h, -1};
                for (int y = 0; y < h; ++y)
                    if (shown.at(x, y) == kInk) {
                        rows = {std::min(rows.first, y), std::max(rows.second, y)};
                        ++pixels;
                    }
                QVERIFY(rows.first <= rows.second);
                if (before) {
                    QVERIFY(rows.first <= before->second + 1 && before->first <= rows.second + 1);
                    ways += std::max(1, rows.second - rows.first + 1);
                }
                before = rows;
            }
            // No holes within a column.
            QVERIFY(pixels <= ways + h);
            QVERIFY(pixels >= w);
        }
    }

    void anAreaIsFilledWithAQuarterOfTheColour() {
        Twin twin(withTrend(trendOf(40, 21, {{"samples", int64_t{2}}, {"area", true}}), panelOf(40, 21)));
        set(twin, "level", 50);
        twin.step(0);
        step(twin, 100);
        const Picture shown = twin.memory().picture();
        QCOMPARE(shown.at(20, 2), kGround);
        QCOMPARE(shown.at(20, 10), kInk);
        QCOMPARE(shown.at(20, 15) & 0xff, 0x3fu);
        QCOMPARE(shown.at(0, 19), shown.at(20, 15));
    }

    void aFittedRangeHasItsSamplesAtTheEdges() {
        Twin twin(withTrend(trendOf(3, 20, {{"samples", int64_t{3}}, {"fit", true}}), panelOf(3, 20)));
        const auto row = [&](int x) {
            int y = 0;
            while (y < 20 && twin.memory().picture().at(x, y) == kGround)
                ++y;
            return y;
        };
        set(twin, "level", 40);
        twin.step(0);
        QCOMPARE(row(2), 9);  // all are the same: in the middle
        set(twin, "level", 42);
        step(twin, 100);
        set(twin, "level", 41);
        step(twin, 100);
        QCOMPARE(row(1), 0);
        QVERIFY((twin.memory().picture().at(0, 19) & 0xff) > 0xc0);
        set(twin, "level", 41);
        step(twin, 300);
        QCOMPARE(row(1), 9);
    }

    // A new sample in its place redraws its columns, and those where the gap has come to.
    void aSweepRedrawsLittle() {
        const Document document = panelOf(200, 50);
        Twin twin(withTrend(trendOf(200, 50, {{"samples", int64_t{200}}, {"run", std::string("sweep")}}), document));
        std::mt19937 random(3);
        for (int i = 0; i < 450; ++i) {
            set(twin, "level", static_cast<int>(random() % 101));
            twin.step(static_cast<uint32_t>(i) * 100);
            int pixels = 0;
            for (const Flushed& each : twin.takeFlushed())
                pixels += each.w * each.h;
            QVERIFY2(i % 200 == 199 || pixels <= (i == 0 ? 200 : 8) * 50,
                     qPrintable(QString("%1: %2 pixels").arg(i).arg(pixels)));
            const Picture shown = twin.memory().picture();
            gorse_redraw(twin.run());
            step(twin, 0);
            QVERIFY2(shown.pixels == twin.memory().picture().pixels, qPrintable(QString::number(i)));
            twin.takeFlushed();
        }
    }

    void anEditKeepsWhatWasRecorded() {
        Document document = addWidgets(panelOf(40, 20), "first", {trendOf(40, 20, {{"samples", int64_t{5}}})});
        Twin twin(built(document));
        for (int i = 0; i < 7; ++i) {
            set(twin, "level", i * 10);
            twin.step(static_cast<uint32_t>(i) * 100);
        }
        const auto with = [&](const char* key, const PropertyValue& value) {
            document = *gorsefinch::setProperty(document, "first", Names{"course"}, key, value);
            twin.update(built(document));
        };
        with("samples", int64_t{3});
        QCOMPARE(levels(twin), std::vector<int>({40, 50, 60}));
        with("samples", int64_t{6});
        set(twin, "level", 70);
        step(twin, 100);
        QCOMPARE(levels(twin), std::vector<int>({40, 50, 60, 70}));
        // Another screen's pictures show what the twin has recorded, too.
        const PanelMemory shown = drawScreen(twin.scene(), 0, &twin);
        QVERIFY(shown.bytes() == twin.memory().bytes());
        with("value_2", std::string("heat"));
        QCOMPARE(levels(twin), std::vector<int>({40, 50, 60, 70}));
        with("max", std::string("80"));
        QVERIFY(recorded(twin).size() < 2);
    }

    void costsCountTheRecording() {
        const Document document = panelOf(40, 20);
        const Costs without = costsOf(*built(document));
        const Costs with = costsOf(*withTrend(trendOf(40, 20, {{"samples", int64_t{100}}}), document));
        QCOMPARE(with.state - without.state, 200L + static_cast<long>(sizeof(gorse_recording)));
        QCOMPARE(with.screens.front().second.ram, 200L + static_cast<long>(sizeof(gorse_recording)));
    }
};

GORSEFINCH_TEST(TestTrend, Nothing)
#include "tst_trend.moc"
