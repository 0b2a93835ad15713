// SPDX-License-Identifier: GPL-3.0-or-later
// The first promise: the core's scene and generated code on every compiler and target give the same panel memory,
// byte for byte, after every step of the same script.
#include <QTemporaryDir>
#include <QtTest>

#include "tests/support/projects.h"
#include "core/project/image_edits.h"
#include "core/project/presets.h"
#include "core/project/project_folder.h"
#include "tests/target/target_build.h"

using namespace gorsefinch;
using namespace support;
using namespace target;

namespace {

const char* const kilnScript = R"(
tap 160 212          # to the programme
press 285 212        # +5, held
release 285 212
tap 172 212          # -5
tap 60 212           # back
set kiln_temp 1044
set programme_name Glaze 7
set heating 12.5
press 60 212
move 150 150         # slid off
release 150 150
tap 60 212           # hold
wait 2500            # elapsed stands still
tap 60 212           # go on
wait 3000
set kiln_temp 1200   # alarm
tap 160 206          # understood
set kiln_temp 700
set heating 0
)";

std::vector<ScriptStep> scriptOf(const char* text) { return *parseScript(text, "script"); }

Document withFormat(const Document& document, PixelFormat format) {
    Panel panel = *document.panel;
    panel.format = format;
    return withPanel(document, panel);
}

// What an 8-bit controller with 2 KB RAM can hold: a value, a picture, buttons, two screens, rules.
Document smallProject() {
    std::string faceFile = "B612-Regular.otf";
    Files files;
    const auto face = files.read(SOURCE_DIR "/examples/kiln/fonts/B612-Regular.otf");
    Document document = *newProject(*presetByKey("mono-128x64"), "scale", std::make_shared<const std::string>(*face), faceFile);
    Panel panel = *document.panel;
    panel.stripLines = 8;
    document = withPanel(document, panel);
    Variable weight;
    weight.name = "weight";
    weight.type = VariableType::Decimal;
    weight.decimals = 1;
    weight.least = -50;
    weight.most = 1500;
    weight.start = 427;
    document = withVariable(document, weight);
    const auto picture = files.read(SOURCE_DIR "/examples/kiln/images/pot.png");
    document = addImage(document, "pot.png", std::make_shared<const std::string>(*picture), nullptr);
    auto images = *document.images;
    images[0].recipe.width = 24;
    images[0].recipe.height = 24;
    images[0].recipe.reduction = Reduction::FloydSteinberg;
    document.images = std::make_shared<std::vector<Image>>(images);
    document = addScreen(document, 0, "info");
    const auto widget = [](const char* name, Kind kind, int x, int y, int w, int h, const char* look, PropertyMap values) {
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
                           widget("frame", Kind::Rectangle, 0, 30, 60, 33, "", {{"border", opaque(0xffffff)}, {"border_width", int64_t{2}}, {"radius", int64_t{9}}}),
                           widget("more_button", Kind::Button, 66, 44, 60, 18, "button", {{"text", S("More")}})});
    document = addWidgets(document, "info",
                          {widget("words_text", Kind::Text, 0, 0, 128, 40, "plain", {{"text", S("Honey since spring: {weight} kg")}, {"wrap", true}}),
                           widget("back_button", Kind::Button, 2, 44, 60, 18, "button", {{"text", S("Back")}})});
    return withRules(document, "main", "on more_button.tap\n    go info\n\non back_button.tap\n    back\n\n"
                                       "when weight > 100\n    hide frame\notherwise\n    show frame\n");
}

const char* const smallScript = R"(
set weight 42.8
press 90 52
release 90 52
set weight -1.5
tap 20 52
set weight 120.0
set weight 3.0
)";

// The panel's memory after each step, put together from what the 8-bit driver sent.
QByteArray framesFromFlushes(const QByteArray& sent, const PanelMemory& empty) {
    PanelMemory memory = empty;
    QByteArray out;
    for (qsizetype i = 0; i < sent.size();) {
        const auto byte = [&](qsizetype at) { return static_cast<int>(static_cast<uint8_t>(sent[at])); };
        if (byte(i) == 255) {
            out.append(reinterpret_cast<const char*>(memory.bytes().data()), static_cast<qsizetype>(memory.bytes().size()));
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

class TestSamePixels : public QObject {
    Q_OBJECT

    QTemporaryDir folder_;

    // Generates into a fresh folder and puts the driver's script beside it.
    QString prepare(const BuiltSceneRef& scene, const std::vector<ScriptStep>& steps, const QString& name) {
        const QString to = folder_.filePath(name);
        Files files;
        const GeneratedCode code = generateCode(*scene);
        const auto written = writeOutput(code, to.toStdString(), files);
        if (!written)
            return {};
        writeFile(to + "/script.h", QByteArray::fromStdString(driverScript(*scene, steps)));
        return to;
    }

    // Compiles what doesn't depend on the buffer once, the scene for each buffer, and runs.
    QString runAll(const Toolchain& tools, const QString& folder, const Document& document,
                   const QList<QPair<long, QByteArray>>& expected) {
        const QString name = QString::fromStdString(document.name);
        const Panel& p = *document.panel;
        const bool sideways = p.turn % 180 != 0;
        const QStringList common = tools.flags + QStringList{
            "-I", folder, "-I", testDir(),
            QString("-DPANEL_COLUMNS=%1").arg((sideways ? p.height : p.width) + p.columnOffset),
            QString("-DPANEL_ROWS=%1").arg((sideways ? p.width : p.height) + p.rowOffset)};
        const QString objects = folder + "/" + tools.name;
        QDir().mkpath(objects);
        QStringList linked;
        QStringList sources = generatedSources(folder, name) + tools.sources;
        sources << testDir() + "driver.c";
        for (const QString& source : std::as_const(sources)) {
            if (source.endsWith("_scene.c"))
                continue;
            const QString object = objects + "/" + QFileInfo(source).baseName() + ".o";
            if (const QString said = trouble(tools.compiler, common + QStringList{"-c", source, "-o", object}); !said.isEmpty())
                return said;
            linked << object;
        }
        for (const auto& [bytes, frames] : expected) {
            const QString program = objects + QString("/program_%1").arg(bytes);
            QStringList arguments = common + QStringList{QString("-D%1_BUFFER_BYTES=%2u").arg(name.toUpper()).arg(bytes)};
            arguments << folder + "/" + name + "_scene.c" << linked << tools.linkFlags << "-o" << program;
            if (const QString said = trouble(tools.compiler, arguments); !said.isEmpty())
                return said;
            const QString out = program + ".frames";
            const QString said = tools.emulated
                ? trouble("qemu-system-arm", {"-M", "mps2-an385", "-nographic", "-monitor", "none", "-serial", "none",
                                              "-semihosting-config", "enable=on,target=native,arg=program,arg=" + out, "-kernel", program})
                : trouble(program, {out});
            if (!said.isEmpty())
                return said;
            const QByteArray got = readFile(out);
            if (got != frames)
                return QString("%1, buffer of %2 bytes: frames differ (%3 and %4 bytes)").arg(tools.name).arg(bytes).arg(got.size()).arg(frames.size());
        }
        return {};
    }

    // How many pixels of a turned panel's memory are not where the upright panel's belong.
    int wronglyTurned(Document document, int turn, bool mirrorX, bool mirrorY) {
        SceneBuilder plainBuilder;
        const BuiltSceneRef plainScene = plainBuilder.build(document);
        Panel panel = *document.panel;
        panel.turn = turn;
        panel.mirrorX = mirrorX;
        panel.mirrorY = mirrorY;
        panel.columnOffset = info(panel.format).bits < 8 ? 8 : 3;
        panel.rowOffset = 8;
        document = withPanel(document, panel);
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        Twin plain(plainScene, Twin::View::Panel), twin(scene, Twin::View::Panel, 1700);
        for (Twin* each : {&plain, &twin}) {
            each->step(0);
            each->touch(60, 212, true);
            each->step(10);
            (void)each->set("kiln_temp", "998");
            each->step(20);
        }
        const Picture from = plain.memory().picture(), to = twin.memory().picture();
        const int pw = panel.width, ph = panel.height;
        const int w = turn % 180 == 0 ? pw : ph, h = turn % 180 == 0 ? ph : pw;
        if (to.width != w + panel.columnOffset || to.height != h + 8)
            return -1;
        int wrong = 0;
        for (int y = 0; y < ph; ++y)
            for (int x = 0; x < pw; ++x) {
                int px = turn == 0 ? x : turn == 90 ? ph - 1 - y : turn == 180 ? pw - 1 - x : y;
                int py = turn == 0 ? y : turn == 90 ? x : turn == 180 ? ph - 1 - y : pw - 1 - x;
                px = mirrorX ? w - 1 - px : px;
                py = mirrorY ? h - 1 - py : py;
                wrong += from.at(x, y) != to.at(px + panel.columnOffset, py + 8);
            }
        return wrong;
    }

  private Q_SLOTS:
    void kiln_data() {
        QTest::addColumn<QString>("format");
        for (const PixelFormatInfo& each : pixelFormats())
            if (each.panel)
                QTest::newRow(each.key) << QString(each.key);
    }

    void kiln() {
        QFETCH(QString, format);
        const Document document = withFormat(openExample("kiln"), pixelFormatByKey(format.toStdString())->format);
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        QVERIFY2(!hasErrors(scene->problems), scene->problems.empty() ? "" : scene->problems[0].text().c_str());
        const auto steps = scriptOf(kilnScript);
        const PixelFormatInfo& pixels = info(document.panel->format);
        const QByteArray full = expectedFrames(scene, steps);
        const qsizetype frame = packedBytes(document.panel->format, 320, 240);
        QCOMPARE(full.size(), frame * static_cast<qsizetype>(steps.size() + 1));
        // The script must show all three screens: its frames differ.
        QSet<QByteArray> different;
        for (qsizetype i = 0; i < full.size(); i += frame)
            different.insert(full.mid(i, frame));
        QVERIFY(different.size() >= 12);
        QList<QPair<long, QByteArray>> expected;
        for (const int lines : {1, 8, 16, 240}) {
            const long bytes = packedBytes(pixels.format, 320, lines);
            QCOMPARE(expectedFrames(scene, steps, bytes), full);
            if (expected.isEmpty() || expected.last().first != bytes)
                expected.append({bytes, full});
        }
        const QString folder = prepare(scene, steps, "kiln_" + format);
        QVERIFY(!folder.isEmpty());
        for (const Toolchain& tools : {hostGcc(), hostClang(), cortexM3()}) {
            const QString said = runAll(tools, folder, document, expected);
            QVERIFY2(said.isEmpty(), qPrintable(said));
        }
    }

    // Panels that are turned, mirrored, inverted, exchanged and offset: their memory holds what the upright panel
    // holds, moved as the setting says, and the emulated target agrees.
    // The other demos in their own panel's format, with every strip that their drivers can hold.
    void otherDemos_data() {
        QTest::addColumn<QString>("name");
        QTest::newRow("hive") << "hive";
        QTest::newRow("enlarger") << "enlarger";
    }

    void otherDemos() {
        QFETCH(QString, name);
        const std::string project = name.toStdString();
        Document document = openExample(project.c_str());
        // The drivers of this test run on controllers of 32 bits.
        Panel panel = *document.panel;
        panel.wordBits = 32;
        document = withPanel(document, panel);
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        QVERIFY(scene->problems.empty());
        QVERIFY(std::any_of(scene->fonts.begin(), scene->fonts.end(), [](const BakedFont* font) { return font->isPacked(); }));
        const auto steps = scriptOf(readFile(QString(SOURCE_DIR "/examples/%1/demo.script").arg(name)).constData());
        const long least = static_cast<long>(packedRowBytes(panel.format, panel.width));  // of a page: 8 lines
        const QByteArray full = expectedFrames(scene, steps);
        const qsizetype frame = static_cast<qsizetype>(packedBytes(panel.format, panel.width, panel.height));
        QSet<QByteArray> different;
        for (qsizetype i = 0; i < full.size(); i += frame)
            different.insert(full.mid(i, frame));
        QVERIFY(different.size() >= 8);
        const QString folder = prepare(scene, steps, name);
        QList<QPair<long, QByteArray>> expected{{least, full}, {least * 8, full}, {static_cast<long>(frame), full}};
        for (const auto& [bytes, frames] : expected)
            QCOMPARE(expectedFrames(scene, steps, bytes), full);
        for (const Toolchain& tools : {hostGcc(), hostClang(), cortexM3()}) {
            const QString said = runAll(tools, folder, document, expected);
            QVERIFY2(said.isEmpty(), qPrintable(said));
        }
    }

    void turned_data() {
        QTest::addColumn<QString>("format");
        QTest::addColumn<int>("turn");
        QTest::addColumn<bool>("mirrorX");
        QTest::addColumn<bool>("mirrorY");
        for (const char* format : {"page1", "row1", "row1-lsb", "grey2", "grey4", "index4", "grey8", "rgb565", "rgb565-be", "rgb888", "argb8888"})
            for (const int turn : {0, 90, 180, 270})
                for (const int mirror : {0, 1, 2})
                    QTest::addRow("%s %d mirror %d", format, turn, mirror) << QString(format) << turn << (mirror == 1) << (mirror == 2);
    }

    void turned() {
        QFETCH(QString, format);
        QFETCH(int, turn);
        QFETCH(bool, mirrorX);
        QFETCH(bool, mirrorY);
        const PixelFormatInfo& pixels = *pixelFormatByKey(format.toStdString());
        Document document = withFormat(openExample("kiln"), pixels.format);
        QCOMPARE(wronglyTurned(document, turn, mirrorX, mirrorY), 0);
        // Sides that end inside a byte of packed rows, whichever way they are turned.
        if (pixels.layout != PixelLayout::Rows && pixels.layout != PixelLayout::RowsLowFirst)
            return;
        Panel panel = *document.panel;
        panel.width = 123;
        panel.height = 237;
        QCOMPARE(wronglyTurned(withPanel(document, panel), turn, mirrorX, mirrorY), 0);
    }

    void turnedOnTheTarget() {
        Document document = openExample("kiln");
        Panel panel = *document.panel;
        panel.turn = 90;
        panel.mirrorY = true;
        panel.invert = true;
        panel.swapRedBlue = true;
        panel.columnOffset = 2;
        panel.rowOffset = 1;
        document = withPanel(document, panel);
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        const auto steps = scriptOf(kilnScript);
        const QString folder = prepare(scene, steps, "turned");
        const QByteArray frames = expectedFrames(scene, steps, 5000);
        for (const Toolchain& tools : {hostGcc(), cortexM3()}) {
            const QString said = runAll(tools, folder, document, {{5000, frames}});
            QVERIFY2(said.isEmpty(), qPrintable(said));
        }
    }

    // Frames by time and by a variable, a rule on their end, images packed by runs, of other formats, with palettes,
    // and in outside memory.
    void imagesOfEveryWay() {
        Document document = openExample("kiln");
        const auto again = [&](const char* name, const std::function<void(Recipe&)>& change) {
            Image image = *document.image("glaze");
            image.name = name;
            image.recipe = {};
            image.recipe.width = 60;
            change(image.recipe);
            document = addImages(document, {image});
        };
        again("packed", [](Recipe& r) { r.packing = Packing::Runs; });
        again("grey", [](Recipe& r) { r.format = PixelFormat::Grey4, r.packing = Packing::Runs, r.reduction = Reduction::BlueNoise; });
        again("far", [](Recipe& r) { r.outside = true, r.format = PixelFormat::Rgb332; });
        again("far_packed", [](Recipe& r) { r.outside = true, r.packing = Packing::Runs, r.format = PixelFormat::Index2, r.keyed = true, r.key = opaque(0x3b5560), r.keyTolerance = 60; });
        Image flame = *document.image("flame");
        flame.name = "far_flame";
        flame.recipe.outside = true;
        flame.recipe.format.reset();
        document = addImages(document, {flame});
        document = addScreen(document, 2, "pictures");
        std::vector<Widget> widgets;
        int at = 0;
        const auto place = [&](const char* name, Kind kind, const char* image, PropertyMap more = {}) {
            Widget widget;
            widget.name = name;
            widget.kind = kind;
            widget.x = 5 + at % 4 * 76, widget.y = 3 + at / 4 * 90, widget.w = 70, widget.h = 80;
            widget.properties = std::move(more);
            widget.properties["image"] = std::string(image);
            widgets.push_back(widget);
            ++at;
        };
        using S = std::string;
        for (const char* name : {"packed", "grey", "far", "far_packed"})
            place((S(name) + "_image").c_str(), Kind::Image, name);
        place("loop", Kind::Frames, "flame");
        place("once", Kind::Frames, "far_flame", {{"play", S("once")}});
        place("fro", Kind::Frames, "flame", {{"play", S("to and fro")}, {"starts", false}});
        place("reading", Kind::Frames, "flame", {{"variable", S("kiln_temp")}, {"from", S("0")}, {"to", S("1300")}});
        document = addWidgets(document, "pictures", widgets);
        document = withRules(document, "main", "on start\n    go pictures\n\non once.done\n    play fro\n\nwhen kiln_temp > 900\n    stop loop\notherwise\n    play loop\n");
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        QVERIFY2(!hasErrors(scene->problems), scene->problems.empty() ? "" : scene->problems[0].text().c_str());
        QVERIFY(!scene->outside.empty());
        const auto steps = scriptOf("wait 90\nset kiln_temp 400\nwait 200\nset kiln_temp 950\nwait 400\nset kiln_temp 1300\nwait 90\nset kiln_temp 20\nwait 90\n");
        const QByteArray full = expectedFrames(scene, steps);
        QSet<QByteArray> different;
        for (qsizetype i = 0; i < full.size(); i += 320 * 240 * 2)
            different.insert(full.mid(i, 320 * 240 * 2));
        QVERIFY(different.size() >= 7);
        const QString folder = prepare(scene, steps, "pictures");
        for (const long bytes : {640L, 320L * 16 * 2})
            QCOMPARE(expectedFrames(scene, steps, bytes), full);
        for (const Toolchain& tools : {hostGcc(), hostClang(), cortexM3()}) {
            const QString said = runAll(tools, folder, document, {{640, full}, {320L * 240 * 2, full}});
            QVERIFY2(said.isEmpty(), qPrintable(said));
        }
    }

    // On a controller of 8 bits with 32 KB flash and 2 KB RAM.
    void on8Bits_data() {
        QTest::addColumn<Document>("document");
        QTest::addColumn<QByteArray>("script");
        QTest::newRow("small") << smallProject() << QByteArray(smallScript);
        QTest::newRow("hive") << openExample("hive") << readFile(SOURCE_DIR "/examples/hive/demo.script");
    }

    void on8Bits() {
        QFETCH(Document, document);
        QFETCH(QByteArray, script);
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        QVERIFY2(!hasErrors(scene->problems), scene->problems.empty() ? "" : scene->problems[0].text().c_str());
        const auto steps = scriptOf(script.constData());
        const QString name = QString::fromStdString(document.name), folder = prepare(scene, steps, name + "8");
        QVERIFY(!folder.isEmpty());
        const QByteArray expected = expectedFrames(scene, steps);
        const QString said = runAll(hostGcc(), folder, document, {{128, expected}, {1024, expected}});
        QVERIFY2(said.isEmpty(), qPrintable(said));

        const QString program = folder + "/" + name + ".elf";
        QStringList arguments{"-std=gnu99", "-Os", "-mmcu=avr5", "-Wall", "-Wextra", "-Wconversion", "-Wshadow", "-Werror",
                              "-Werror=addr-space-convert", "-ffunction-sections", "-fdata-sections", "-Wl,--gc-sections",
                              "-mcall-prologues", "-mrelax", "-flto", "-I", folder};
        arguments << generatedSources(folder, name) << testDir() + "avr_driver.c" << testDir() + "avr_start.S"
                  << "-nostartfiles" << "-Wl,--defsym=__DATA_REGION_ORIGIN__=0x800100" << "-o" << program;
        const QString compiled = trouble("avr-gcc", arguments);
        QVERIFY2(compiled.isEmpty(), qPrintable(compiled));
        QString size;
        (void)trouble("avr-size", {program}, 10, &size);
        qInfo().noquote() << "8-bit:" << size.split('\n').value(1).simplified();
        QString told;
        const QString ran = trouble(BINARY_DIR "/tests/avr_runner", {program, folder + "/flushes.bin"}, 120, &told);
        QVERIFY2(ran.isEmpty(), qPrintable(ran));
        qInfo().noquote() << told.simplified();
        const PanelMemory empty(PixelFormat::Page1, 128, 64);
        QCOMPARE(framesFromFlushes(readFile(folder + "/flushes.bin"), empty), expected);
    }
};

QTEST_APPLESS_MAIN(TestSamePixels)
#include "tst_same_pixels.moc"
