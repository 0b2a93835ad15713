// SPDX-License-Identifier: GPL-3.0-or-later
// Generated code on a controller of 8 bits with 32 KB flash, for all of the hive 64 KB, and 2 KB RAM gives the same
// panel memory as the core.
#include <QtTest>

#include "core/edits/image_edits.h"
#include "core/edits/presets.h"
#include "core/emit/costs.h"
#include "tests/support/hive_pages.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"
#include "tests/target/generated_programs.h"

using namespace gorsefinch;
using namespace support;
using namespace target;

namespace {

// What an 8-bit controller with 2 KB RAM can hold: a value, a picture, buttons, two screens, rules.
Document smallProject() {
    std::string faceFile = "B612-Regular.otf";
    Disk disk;
    const auto face = readFile(disk, SOURCE_DIR "/examples/kiln/fonts/B612-Regular.otf", kMaxPictureFile);
    Document document =
        *newProject(*presetByKey("mono-128x64"), "scale", std::make_shared<const FileContents>(*face), faceFile);
    Panel panel = *document.panel;
    panel.stripLines = 8;
    document = withPanel(document, panel);
    Variable weight;
    weight.name = "weight";
    weight.type = VariableType::Decimal;
    weight.decimals = 1;
    weight.min = -50;
    weight.max = 1500;
    weight.start = 427;
    document = withVariable(document, weight);
    document = withVariable(document, arrayOf(makeNumber("frame_weight", 0, 99, 11, 1), 5));
    document = withVariable(document, makeChoice("season", {"spring", "summer", "winter rest"}));
    const auto picture = readFile(disk, SOURCE_DIR "/examples/kiln/images/pot.png", kMaxPictureFile);
    document = addImage(document, "pot.png", std::make_shared<const FileContents>(*picture), nullptr);
    auto images = *document.images;
    images[0].recipe.width = 24;
    images[0].recipe.height = 24;
    images[0].recipe.reduction = Reduction::FloydSteinberg;
    document.images = std::make_shared<std::vector<Image>>(images);
    document = addScreen(document, 0, "info");
    const auto widget = [](const char* name, Kind kind, int x, int y, int w, int h, const char* look,
                           PropertyMap values) {
        Widget out;
        out.name = name;
        out.kind = kind;
        out.x = x, out.y = y, out.w = w, out.h = h;
        out.look = look;
        out.properties = std::move(values);
        return out;
    };
    using S = std::string;
    document = addWidgets(document, "home",
                          {widget("weight_text", Kind::Text, 0, 2, 90, 22, "title", {{"text", S("{weight} kg")}}),
                           widget("pot_image", Kind::Image, 100, 1, 24, 24, "", {{"image", S("pot")}}),
                           widget("frame", Kind::Rectangle, 0, 30, 60, 33, "",
                                  {{"border", opaque(0xffffff)}, {"border_width", int64_t{2}}, {"radius", int64_t{9}}}),
                           widget("more_button", Kind::Button, 66, 44, 60, 18, "button", {{"text", S("More")}})});
    document =
        addWidgets(document, "info",
                   {widget("words_text", Kind::Text, 0, 0, 128, 40, "plain",
                           {{"text", S("Honey since {season}: {weight} kg, {sum frame_weight}")}, {"wrap", true}}),
                    widget("back_button", Kind::Button, 2, 44, 60, 18, "button", {{"text", S("Back")}})});
    return withRules(document, "main",
                     "on more_button.tap\n    go info\n\non back_button.tap\n    back\n\n"
                     "when weight > 100\n    hide frame\notherwise\n    show frame\n\n"
                     "when any frame_weight > 5.0\n    season = \"summer\"\n    frame_weight[weight / 10] = 0.5\n");
}

const char* const smallScript = R"(
set weight 42.8
press 90 52
release 90 52
set weight -1.5
set frame_weight[3] 6.4
set frame_weight 0.1, 2.2
set season winter rest
tap 20 52
set weight 120.0
set weight 3.0
)";

// The same on a panel with outputs, which a text shows.
Document outputsProject() {
    Document d = smallProject();
    Panel panel = *d.panel;
    panel.outputs = {80, std::nullopt, 0, std::nullopt};
    panel.sound = true;
    d = addWidgets(withPanel(d, panel), "home",
                   {makeWidget("light_text", Kind::Text, 62, 28, 64, 14,
                               {{"text", std::string("{weight} {panel.light}")}, {"look", std::string("plain")}})});
    std::vector<RuleFile> rules = *d.rules;
    rules.front().text +=
        "\nevery 150 ms\n    panel.light = panel.light - 7\n    panel.invert = !panel.invert\n"
        "    sound 2 kHz, 30 ms, 0 Hz, 20 ms, 1 kHz, 30 ms\n\nwhen panel.invert && panel.light < 40\n    show frame\n";
    d.rules = std::make_shared<const std::vector<RuleFile>>(std::move(rules));
    return d;
}

// Controls that a finger, a knob and keys operate.
Document controlsProject() {
    std::string faceFile = "B612-Regular.otf";
    Disk disk;
    const auto face = readFile(disk, SOURCE_DIR "/examples/kiln/fonts/B612-Regular.otf", kMaxPictureFile);
    Document d =
        *newProject(*presetByKey("mono-128x64"), "desk", std::make_shared<const FileContents>(*face), faceFile);
    Panel panel = *d.panel;
    panel.stripLines = 8;
    panel.touch = true;
    panel.knob = true;
    panel.keys = {"back", "light"};
    d = withPanel(d, panel);
    d = withVariable(d, makeYesNo("fan", false));
    d = withVariable(d, makeNumber("level", -500, 500, 25, 1));
    using S = std::string;
    const PropertyMap drawn{
        {"fill", opaque(0)},          {"colour", opaque(0xffffff)},      {"border", opaque(0xffffff)},
        {"border_width", int64_t{1}}, {"grip_colour", opaque(0xffffff)}, {"size", int64_t{10}}};
    const auto with = [&](PropertyMap more) {
        more.insert(drawn.begin(), drawn.end());
        return more;
    };
    d = addWidgets(
        d, "home",
        {makeWidget("fan_switch", Kind::Switch, 2, 2, 40, 14, with({{"value", S("fan")}, {"slide", int64_t{60}}})),
         makeWidget("dim", Kind::Slider, 48, 2, 78, 14, with({{"value", S("level")}, {"step", S("2.5")}})),
         makeWidget("warm", Kind::Stepper, 48, 20, 78, 14, with({{"value", S("level")}, {"step", S("0.5")}})),
         makeWidget("run", Kind::Button, 2, 38, 40, 20,
                    with({{"value", S("fan")}, {"acts", S("latching")}, {"text", S("Go")}, {"text_on", S("{level}")}})),
         makeWidget("pad", Kind::Zone, 48, 38, 78, 20)});
    return withRules(
        d, "main",
        "on key light\n    fan = !fan\n\non pad.hold\n    level = 0\n\non pad.swipe left\n    disable dim\n\n"
        "on knob right while fan\n    level = level + 0.1\n");
}

const char* const controlsScript = R"(
tap 10 8
wait 30
wait 40
turn 1
key push
turn 3
key back
press 60 8
move 100 8
set level 12.5
release 100 8
tap 120 26
press 52 26
wait 450
release 52 26
turn 1
tap 10 45
key light
press 60 45
wait 700
release 60 45
press 120 45
move 60 46
release 60 46
turn -2
)";

// The panel's memory after each step, put together from what the 8-bit driver sent.
QByteArray framesFromFlushes(const QByteArray& sent, const PanelMemory& empty) {
    PanelMemory memory = empty;
    QByteArray out;
    for (qsizetype i = 0; i < sent.size();) {
        const auto byte = [&](qsizetype at) { return static_cast<int>(static_cast<uint8_t>(sent[at])); };
        if (byte(i) == 255) {
            out.append(reinterpret_cast<const char*>(memory.bytes().data()),
                       static_cast<qsizetype>(memory.bytes().size()));
            ++i;
            continue;
        }
        const int w = byte(i + 2), h = byte(i + 3);
        if (i + 4 + w * (h / 8) > sent.size())
            return {};
        memory.take(byte(i), byte(i + 1), w, h, reinterpret_cast<const uint8_t*>(sent.constData() + i + 4));
        i += 4 + w * (h / 8);
    }
    return out;
}

}  // namespace

Q_DECLARE_METATYPE(gorsefinch::Document)

class Test8Bits : public QObject {
    Q_OBJECT

    GeneratedPrograms programs_;

  private Q_SLOTS:
    void on8Bits_data() {
        QTest::addColumn<Document>("document");
        QTest::addColumn<QByteArray>("script");
        QTest::addColumn<bool>("linkedWhole");
        const QByteArray hiveScript = readFile(SOURCE_DIR "/examples/hive/demo.script");
        QTest::newRow("small") << smallProject() << QByteArray(smallScript) << false;
        QTest::newRow("outputs") << outputsProject() << QByteArray(smallScript) + "wait 150\nwait 20\nwait 200\n"
                                 << false;
        QTest::newRow("controls") << controlsProject() << QByteArray(controlsScript) << false;
        // All of it has room in 64 KB only if it is optimised as a whole.
        QTest::newRow("hive_pages") << hivePages() << hiveScript.left(hiveScript.indexOf("# The menu")) << false;
        QTest::newRow("hive_optimised_when_linked") << openExample("hive") << hiveScript << true;
    }

    void on8Bits() {
        QFETCH(Document, document);
        QFETCH(QByteArray, script);
        QFETCH(bool, linkedWhole);
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        QVERIFY2(!hasErrors(scene->problems), scene->problems.empty() ? "" : scene->problems.front().text().c_str());
        const auto steps = scriptOf(script.constData());
        const QString name = QString::fromStdString(document.name),
                      folder = programs_.prepare(scene, steps, QTest::currentDataTag());
        QVERIFY(!folder.isEmpty());
        const QByteArray expected = expectedFrames(scene, steps);
        const QString said = programs_.run(hostGcc(), folder, document, {{128, expected}, {1024, expected}});
        QVERIFY2(said.isEmpty(), qPrintable(said));

        const QString program = folder + "/" + name + ".elf";
        QStringList arguments{"-std=gnu99",
                              "-Os",
                              "-mmcu=avr5",
                              "-Wall",
                              "-Wextra",
                              "-Wconversion",
                              "-Wshadow",
                              "-Werror",
                              "-Werror=addr-space-convert",
                              "-ffunction-sections",
                              "-fdata-sections",
                              "-Wl,--gc-sections",
                              "-mcall-prologues",
                              "-mrelax",
                              "-I",
                              folder};
        if (linkedWhole)
            arguments << "-flto";
        arguments << generatedSources(folder, name) << driverDir() + "avr_driver.c" << driverDir() + "avr_start.S"
                  << "-nostartfiles"
                  << "-Wl,--defsym=__DATA_REGION_ORIGIN__=0x800100"
                  << "-o" << program;
        const QString compiled = error("avr-gcc", arguments);
        QVERIFY2(compiled.isEmpty(), qPrintable(compiled));
        QString size;
        (void)error("avr-size", {program}, 10, &size);
        qInfo().noquote() << "8-bit:" << size.split('\n').value(1).simplified();
        QString told;
        const QString ran = error(BINARY_DIR "/tests/avr_runner", {program, folder + "/flushes.bin"}, 120, &told);
        QVERIFY2(ran.isEmpty(), qPrintable(ran));
        qInfo().noquote() << told.simplified() << "of" << costsOf(*scene).stack;
        // The driver's main and flush take some too.
        const long deepest = told.section("stack ", 1).section(' ', 0, 0).toLong();
        QVERIFY(deepest > 0 && (linkedWhole || deepest <= costsOf(*scene).stack + 32));
        const PanelMemory empty(PixelFormat::Page1, 128, 64);
        QCOMPARE(framesFromFlushes(readFile(folder + "/flushes.bin"), empty), expected);
    }
};

GORSEFINCH_TEST(Test8Bits, Nothing)
#include "tst_8_bits.moc"
