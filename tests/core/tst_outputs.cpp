// SPDX-License-Identifier: GPL-3.0-or-later
// What a panel has beside its picture: variables that reach it through hooks, and sounds.
#include <QtTest>

#include "core/document/panel_outputs.h"
#include "core/project/project_text.h"
#include "core/rules/completion.h"
#include "core/rules/rename.h"
#include "core/sim/seen_picture.h"
#include "tests/support/operated.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Document withOutputs(const Document& document, const std::array<std::optional<int>, kPanelOutputs>& outputs,
                     bool sound = true) {
    Panel panel = *document.panel;
    panel.outputs = outputs;
    panel.sound = sound;
    return withPanel(document, panel);
}

constexpr std::array<std::optional<int>, kPanelOutputs> kAllOutputs = {80, 40, 0, 1};

Widget dimmer() {
    return makeWidget("dimmer", Kind::Slider, 10, 100, 120, 30,
                      {{"value", std::string("panel.light")}, {"moves", std::string("to the finger")}});
}

Document outputsOfAll(const std::string& rules) {
    const Document d =
        withOutputs(controlsOf({button("press", 20, {}), button("other", 120, {}), dimmer()}), kAllOutputs);
    return rules.empty() ? d : withRules(d, "main", rules);
}

// What the firmware's functions were called with, such as "300 panel_light 80".
class Firmware {
  public:
    explicit Firmware(const Document& document) : twin(builder.build(document)) {
        twin.onHook = [this](int hook, const std::vector<gorse_value>& values) {
            std::string call =
                std::to_string(twin.now()) + " " + twin.scene().rules->hooks[static_cast<size_t>(hook)].name;
            for (const gorse_value& each : values)
                call += " " + std::to_string(each.number);
            calls << QString::fromStdString(call);
        };
    }
    // The calls of the steps from now until a time, as often as the runtime asks for one.
    QStringList until(uint32_t end) {
        calls.clear();
        for (;;) {
            twin.step(time_);
            const uint32_t wait = gorse_step(twin.run(), time_);
            if (wait >= end - time_)
                break;
            time_ += std::max(wait, 1u);
        }
        time_ = end;
        return calls;
    }
    QStringList step(uint32_t ms) {
        calls.clear();
        twin.step(time_ += ms);
        return calls;
    }

    SceneBuilder builder;
    Twin twin;
    QStringList calls;

  private:
    uint32_t time_ = 0;
};

QStringList reasons(const Document& document) {
    SceneBuilder builder;
    const BuiltSceneRef scene = builder.build(document);
    QStringList out;
    for (const Problem& each : scene->rules->problems)
        out << QString::fromStdString(each.reason + ": " + each.remedy);
    return out;
}

}  // namespace

class TestOutputs : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void eachIsHandedOnAtTheStartAndWhenItChanges() {
        Firmware firmware(outputsOfAll("on press.tap\n    panel.light = panel.light - 30\n    panel.invert = yes\n"));
        QCOMPARE(firmware.step(0),
                 QStringList({"0 panel_light 80", "0 panel_contrast 40", "0 panel_invert 0", "0 panel_on 1"}));
        QCOMPARE(firmware.step(500), QStringList());
        firmware.twin.touch(30, 30, true);
        firmware.twin.touch(30, 30, false);
        QCOMPARE(firmware.step(10), QStringList({"510 panel_light 50", "510 panel_invert 1"}));
        QCOMPARE(QString::fromStdString(firmware.twin.get("panel.light")), QString("50"));
    }

    void aValueThatComesBackWithinAStepIsNoChange() {
        Firmware firmware(outputsOfAll("on press.tap\n    panel.light = 10\n    panel.light = 80\n"));
        firmware.step(0);
        firmware.twin.touch(30, 30, true);
        firmware.twin.touch(30, 30, false);
        QCOMPARE(firmware.step(10), QStringList());
    }

    void onlyThoseOfThePanelAreThere() {
        Firmware firmware(withRules(withOutputs(controlsOf({}), {{std::nullopt, std::nullopt, std::nullopt, 1}}, false),
                                    "main", "every 1 s\n    panel.on = !panel.on\n"));
        QCOMPARE(firmware.step(0), QStringList({"0 panel_on 1"}));
        QCOMPARE(firmware.step(1000), QStringList({"1000 panel_on 0"}));
        SceneBuilder plain;
        const BuiltSceneRef without = plain.build(controlsOf({}));
        QVERIFY(!without->scene.outputs);
        QVERIFY(without->motions.empty());
    }

    // The three that the trade asks for, each one rule or none.
    void theWholePictureBlinks() {
        Firmware firmware(outputsOfAll("every 500 ms\n    panel.invert = !panel.invert\n"));
        firmware.step(0);
        QCOMPARE(firmware.step(500), QStringList({"500 panel_invert 1"}));
        QCOMPARE(firmware.step(500), QStringList({"1000 panel_invert 0"}));
    }

    void aSliderDims() {
        Firmware firmware(outputsOfAll({}));
        firmware.step(0);
        firmware.twin.touch(10, 115, true);
        QCOMPARE(firmware.step(20), QStringList({"20 panel_light 0"}));
        firmware.twin.touch(128, 115, true);
        QCOMPARE(firmware.step(20), QStringList({"40 panel_light 100"}));
        firmware.twin.touch(128, 115, false);
        QCOMPARE(firmware.step(20), QStringList());
        QCOMPARE(QString::fromStdString(firmware.twin.get("panel.light")), QString("100"));
    }

    void everyPressBeeps() {
        Firmware firmware(outputsOfAll("on press.press\n    sound 2000 Hz, 120 ms\n"));
        firmware.until(100);
        firmware.twin.touch(30, 30, true);
        QCOMPARE(firmware.until(1000), QStringList({"100 sound 2000 120", "220 sound 0 0"}));
        firmware.twin.touch(30, 30, false);
        QCOMPARE(firmware.until(1500), QStringList());
    }

    void tonesFollowOneAnother() {
        Firmware firmware(outputsOfAll("on press.press\n    sound 1.5 kHz, 100 ms, 0 Hz, 50 ms, 20 Hz, 1 s\n"));
        firmware.until(10);
        firmware.twin.touch(30, 30, true);
        QCOMPARE(firmware.until(5000),
                 QStringList({"10 sound 1500 100", "110 sound 0 50", "160 sound 20 1000", "1160 sound 0 0"}));
    }

    void aLateStepPlaysWhatIsDue() {
        Firmware firmware(outputsOfAll("on press.press\n    sound 100 Hz, 100 ms, 200 Hz, 100 ms, 300 Hz, 100 ms\n"));
        firmware.step(0);
        firmware.twin.touch(30, 30, true);
        QCOMPARE(firmware.step(10), QStringList({"10 sound 100 100"}));
        QCOMPARE(firmware.step(230), QStringList({"240 sound 300 70"}));
        QCOMPARE(firmware.step(1000), QStringList({"1240 sound 0 0"}));
        QCOMPARE(firmware.step(1000), QStringList());
    }

    void aNewSoundEndsTheOneBefore() {
        Firmware firmware(
            outputsOfAll("on press.press\n    sound 100 Hz, 1 s\n"
                         "on other.press\n    sound 100 Hz, 1 s\n    sound 500 Hz, 50 ms\n"));
        firmware.step(0);
        firmware.twin.touch(30, 30, true);
        firmware.twin.touch(30, 30, false);
        QCOMPARE(firmware.step(10), QStringList({"10 sound 100 1000"}));
        firmware.twin.touch(30, 30, true);
        QCOMPARE(firmware.step(10), QStringList({"20 sound 100 1000"}));  // from its beginning
        firmware.twin.touch(30, 30, false);
        firmware.twin.touch(130, 30, true);
        QCOMPARE(firmware.until(1000), QStringList({"20 sound 500 50", "70 sound 0 0"}));
    }

    void equalSoundsAreStoredOnce() {
        SceneBuilder builder;
        const BuiltSceneRef scene =
            builder.build(outputsOfAll("on press.press\n    sound 2 kHz, 120 ms\n"
                                       "on other.press\n    sound 2000 Hz, 0.12 s\n"));
        QCOMPARE(scene->rules->problems.size(), size_t{0});
        QCOMPARE(scene->rules->tones.size(), size_t{2});
    }

    void mistakesAreNamed_data() {
        QTest::addColumn<QString>("statement");
        QTest::addColumn<QString>("reason");
        const QString pitch = "a tone of 20 Hz to 20 kHz belongs here", time = "a time of 1 ms to 60 s belongs here";
        QTest::newRow("nothing") << "sound" << pitch;
        QTest::newRow("low") << "sound 19 Hz, 10 ms" << pitch;
        QTest::newRow("high") << "sound 20.001 kHz, 10 ms" << pitch;
        QTest::newRow("huge") << "sound 2000000000 kHz, 10 ms" << pitch;
        QTest::newRow("part") << "sound 100.5 Hz, 10 ms" << pitch;
        QTest::newRow("unit") << "sound 100, 10 ms" << pitch;
        QTest::newRow("no time") << "sound 100 Hz"
                                 << "a , and a time belong here";
        QTest::newRow("no length") << "sound 100 Hz, 0 ms" << time;
        QTest::newRow("long") << "sound 100 Hz, 61 s" << time;
        QTest::newRow("behind") << "sound 100 Hz, 1 s 3"
                                << "this does not belong here";
        QTest::newRow("open") << "sound 100 Hz, 1 s," << pitch;
        QTest::newRow("range") << "panel.light = 101"
                               << "the value lies outside the range of panel.light";
        QTest::newRow("type") << "panel.on = 1"
                              << "it takes yes or no, this is a number";
        QTest::newRow("output") << "panel.volume = 1"
                                << "the panel has no output volume";
        QTest::newRow("hook") << "call panel_light(3)"
                              << "the panel's outputs call the hook panel_light";
        QTest::newRow("sound's hook") << "call sound(3)"
                                      << "the panel's outputs call the hook sound";
    }

    void mistakesAreNamed() {
        QFETCH(QString, statement);
        QFETCH(QString, reason);
        const QStringList found = reasons(outputsOfAll("on press.press\n    " + statement.toStdString() + "\n"));
        QVERIFY2(found.size() == 1 && found.front().startsWith(reason), qPrintable(found.join("\n")));
    }

    void aPanelThatLacksThemSaysSo() {
        const Document d = controlsOf({button("press", 20, {})});
        const auto of = [&](const char* rule) { return reasons(withRules(d, "main", rule)); };
        QCOMPARE(
            of("on press.tap\n    panel.light = 3\n"),
            QStringList({"the panel has no output light: The station Panel lists the outputs that a panel can have"}));
        QCOMPARE(of("on press.tap\n    sound 100 Hz, 1 s\n"),
                 QStringList({"the panel has no sound: Give it one at the station Panel"}));
        QCOMPARE(
            of("when panel.on\n    count = 1\n"),
            QStringList({"the panel has no output on: The station Panel lists the outputs that a panel can have"}));
        QCOMPARE(of("on press.tap\n    call panel_light(3)\n    call sound(1)\n"), QStringList());
    }

    void aWidgetMayBeCalledPanel() {
        const Document d =
            controlsOf({makeWidget("panel", Kind::Rectangle, 0, 0, 10, 10, {{"fill", opaque(0x112233)}})},
                       "every 1 s\n    panel.visible = !panel.visible\n    panel.fill = #FF0000\n");
        QCOMPARE(reasons(d), QStringList());
        QCOMPARE(reasons(withOutputs(d, kAllOutputs)), QStringList());
    }

    void aScreenMayBeCalledPanel() {
        Document d = addWidgets(makeDocument({"panel"}), "panel", {button("press", 20, {})});
        const char* const rules = "when panel.press.x > 3\n    panel.press.visible = no\n";
        QCOMPARE(reasons(withRules(d, "main", rules)), QStringList());
        QCOMPARE(reasons(withOutputs(withRules(d, "main", rules), kAllOutputs)), QStringList());
    }

    void expressionsAndTextsReadThem() {
        Document d =
            outputsOfAll("on press.tap\n    panel.light = 7\nwhen panel.light < 10\n    count = panel.light * 2\n");
        d = addWidgets(d, "first",
                       {makeWidget("words", Kind::Text, 0, 60, 100, 20, {{"text", std::string("{panel.light} %")}})});
        Firmware firmware(d);
        firmware.step(0);
        firmware.twin.touch(30, 30, true);
        firmware.twin.touch(30, 30, false);
        firmware.step(10);
        QCOMPARE(QString::fromStdString(firmware.twin.get("count")), QString("14"));
        const std::vector<uint8_t> shown = firmware.twin.memory().bytes();
        gorse_redraw(firmware.twin.run());
        firmware.step(0);
        QVERIFY(firmware.twin.memory().bytes() == shown);
    }

    void theClockStandsBesideThem() {
        Document d = outputsOfAll("on press.tap\n    panel.light = clock.hour\n");
        d = withClock(d, Clock());
        Firmware firmware(d);
        QVERIFY(firmware.twin.set("clock", "2026-11-30 14:05:00"));
        QCOMPARE(firmware.step(0).front(), QString("0 panel_light 80"));
        firmware.twin.touch(30, 30, true);
        firmware.twin.touch(30, 30, false);
        QCOMPARE(firmware.step(10), QStringList({"10 panel_light 14"}));
        QCOMPARE(QString::fromStdString(firmware.twin.get("clock.minute")), QString("5"));
    }

    void anEditKeepsThem() {
        const Document d = outputsOfAll("on press.tap\n    panel.light = 7\n    panel.invert = yes\n");
        Firmware firmware(d);
        firmware.step(0);
        firmware.twin.touch(30, 30, true);
        firmware.twin.touch(30, 30, false);
        firmware.step(10);
        // One that goes, another start value, a variable before them.
        Document next = withVariable(withOutputs(d, {90, std::nullopt, 0, 1}), makeNumber("more", 0, 9, 3));
        firmware.twin.update(firmware.builder.build(next));
        QCOMPARE(QString::fromStdString(firmware.twin.get("panel.light")), QString("7"));
        QCOMPARE(QString::fromStdString(firmware.twin.get("panel.invert")), QString("yes"));
        QCOMPARE(QString::fromStdString(firmware.twin.get("panel.contrast")), QString());
        firmware.twin.update(firmware.builder.build(addWidgets(next, "first", {button("third", 200, {})})));
        QCOMPARE(QString::fromStdString(firmware.twin.get("panel.light")), QString("7"));
    }

    void anEditLetsASoundPlayOn() {
        const Document d = outputsOfAll("on press.press\n    sound 100 Hz, 1 s\n");
        Firmware firmware(d);
        firmware.step(0);
        firmware.twin.touch(30, 30, true);
        firmware.step(10);
        QVERIFY(firmware.twin.isSounding());
        const Document next =
            withVariable(addWidgets(d, "first", {button("third", 200, {})}), makeNumber("n", 0, 9, 0));
        firmware.twin.update(firmware.builder.build(next));
        QVERIFY(firmware.twin.isSounding());
        QCOMPARE(firmware.step(1000).back(), QString("1010 sound 0 0"));
        QVERIFY(!firmware.twin.isSounding());
        firmware.twin.touch(30, 30, false);
        firmware.twin.touch(30, 30, true);
        firmware.step(10);
        firmware.twin.update(firmware.builder.build(withRules(next, "main", "on press.press\n    sound 90 Hz, 1 s\n")));
        QVERIFY(!firmware.twin.isSounding());
    }

    void theFileKeepsThem() {
        Document d = outputsOfAll({});
        Panel panel = *d.panel;
        panel.outputs[1].reset();
        d = withPanel(d, panel);
        const ProjectFiles files = toFiles(d);
        const std::string main(files.at(kMainFile).text());
        QVERIFY(main.find("\"contrast\"") == std::string::npos);
        const auto read = [&](const std::string& from, const std::string& to) {
            std::string text = main;
            if (!from.empty())
                text.replace(text.find(from), from.size(), to);
            return fromFiles([&](const std::string& path, size_t) -> Result<SharedBytes> {
                const auto found = files.find(path);
                if (path == kMainFile)
                    return SharedBytes(text);
                return found != files.end() ? Result<SharedBytes>(found->second)
                                            : failure(path, "", "there is none", "");
            });
        };
        const ReadProject back = read("", "");
        QCOMPARE(back.problems.size(), size_t{0});
        QVERIFY(back.document->panel->outputs == panel.outputs);
        QVERIFY(back.document->panel->sound);
        // What is wrong is named, what is not known is kept.
        const ReadProject wrong = read("\"light\": 80", "\"light\": 800");
        QCOMPARE(wrong.problems.size(), size_t{1});
        QCOMPARE(QString::fromStdString(wrong.problems.front().place), QString("panel.outputs.light"));
        const ReadProject more = read("\"light\": 80", "\"light\": 80, \"fan\": 3");
        QVERIFY(toFiles(*more.document).at(kMainFile).text().find("\"fan\": 3") != std::string::npos);
    }

    void renamingLeavesThemAlone() {
        Document d = outputsOfAll("on press.tap\n    panel.light = level\n    sound 100 Hz, 1 s\n");
        d = withVariable(d, makeNumber("Hz", 0, 9, 0));
        const auto renamed = renameVariable(d, "Hz", "pitch");
        QVERIFY(renamed);
        QCOMPARE(QString::fromStdString(renamed->rules->front().text),
                 QString("on press.tap\n    panel.light = level\n    sound 100 Hz, 1 s\n"));
    }

    void completionOffersThem() {
        const Document d = outputsOfAll({});
        const auto offered = namesInStatement(d, "panel.");
        QCOMPARE(offered, std::vector<std::string>({"light", "contrast", "invert", "on"}));
        const auto names = namesInExpression(d, "pan");
        QVERIFY(std::find(names.begin(), names.end(), "panel") != names.end());
    }

    void whatIsSeenFollowsThem() {
        const auto level = [](const OutputState& outputs, uint32_t pixel) {
            Picture picture;
            picture.width = picture.height = 1;
            picture.pixels = {pixel};
            applyOutputs(picture, outputs);
            return picture.pixels.front();
        };
        QCOMPARE(level({}, 0xff123456), 0xff123456u);
        QCOMPARE(level({.inverted = true}, 0xff1000f0), 0xffefff0fu);
        QCOMPARE(level({.contrast = 0}, 0xff1000f0), 0xff808080u);
        QCOMPARE(level({.contrast = 100}, 0xff4080c0), 0xff0081ffu);
        QCOMPARE(level({.light = 50}, 0xff0064ff), 0xff0049bau);
        QCOMPARE(level({.light = 0}, 0xff0000ff), 0xff00001au);
        QCOMPARE(level({.on = false}, 0xffffffff), 0xff121212u);
        Firmware firmware(outputsOfAll({}));
        QCOMPARE(outputsOf(firmware.twin), (OutputState{.light = 80, .contrast = 40}));
    }
};

GORSEFINCH_TEST(TestOutputs, Nothing)
#include "tst_outputs.moc"
