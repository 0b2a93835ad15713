// SPDX-License-Identifier: GPL-3.0-or-later
// The first promise: the core's scene and generated code on every compiler and target give the same panel memory,
// byte for byte, after every step of the same script.
#include <QtTest>

#include "tests/support/projects.h"
#include "tests/support/test_case.h"
#include "tests/support/every_control.h"
#include "tests/support/every_image.h"
#include "tests/target/generated_programs.h"
#include "tests/target/kiln_script.h"

using namespace gorsefinch;
using namespace support;
using namespace target;

class TestSamePixels : public QObject {
    Q_OBJECT

    GeneratedPrograms programs_;

  private Q_SLOTS:
    void kiln_data() {
        QTest::addColumn<QString>("format");
        for (const PixelFormatInfo& each : pixelFormats())
            if (each.panel)
                QTest::newRow(each.key) << QString(each.key);
    }

    void kiln() {
        QFETCH(QString, format);
        const Document document = withPanelOf(openExample("kiln"), pixelFormatByKey(format.toStdString())->format);
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        QVERIFY2(!hasErrors(scene->problems), scene->problems.empty() ? "" : scene->problems.front().text().c_str());
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
        const QString folder = programs_.prepare(scene, steps, "kiln_" + format);
        QVERIFY(!folder.isEmpty());
        for (const Toolchain& tools : {hostGcc(), hostClang(), cortexM3()}) {
            const QString said = programs_.run(tools, folder, document, expected);
            QVERIFY2(said.isEmpty(), qPrintable(said));
        }
    }

    // The other demos in their own panel's format, with every strip that their drivers can hold.
    void otherDemos_data() {
        QTest::addColumn<QString>("name");
        QTest::newRow("hive") << "hive";
        QTest::newRow("enlarger") << "enlarger";
        QTest::newRow("aquifer") << "aquifer";
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
        QVERIFY(std::any_of(scene->fonts.begin(), scene->fonts.end(),
                            [](const FontRef& font) { return font->isPacked(); }));
        const auto steps = scriptOf(readFile(QString(SOURCE_DIR "/examples/%1/demo.script").arg(name)).constData());
        const long min = static_cast<long>(scene->panel.min_buffer_bytes);
        const QByteArray full = expectedFrames(scene, steps);
        const qsizetype frame = static_cast<qsizetype>(packedBytes(panel.format, panel.width, panel.height));
        QSet<QByteArray> different;
        for (qsizetype i = 0; i < full.size(); i += frame)
            different.insert(full.mid(i, frame));
        QVERIFY(different.size() >= 8);
        const QString folder = programs_.prepare(scene, steps, name);
        QList<QPair<long, QByteArray>> expected{{min, full}, {min * 8, full}, {static_cast<long>(frame), full}};
        for (const auto& [bytes, frames] : expected)
            QCOMPARE(expectedFrames(scene, steps, bytes), full);
        for (const Toolchain& tools : {hostGcc(), hostClang(), cortexM3()}) {
            const QString said = programs_.run(tools, folder, document, expected);
            QVERIFY2(said.isEmpty(), qPrintable(said));
        }
    }

    void controlsInEveryState_data() {
        QTest::addColumn<QString>("format");
        for (const char* each : {"rgb565", "page1", "grey4"})
            QTest::newRow(each) << each;
    }

    void controlsInEveryState() {
        QFETCH(QString, format);
        const Document document = withEveryControl(pixelFormatByKey(format.toStdString())->format);
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        QVERIFY2(!hasErrors(scene->problems), scene->problems.empty() ? "" : scene->problems.front().text().c_str());
        const auto steps = scriptOf(everyControlScript().c_str());
        const QByteArray full = expectedFrames(scene, steps);
        const auto frame = static_cast<qsizetype>(packedBytes(document.panel->format, 208, 128));
        QSet<QByteArray> different;
        for (qsizetype i = 0; i < full.size(); i += frame)
            different.insert(full.mid(i, frame));
        QVERIFY2(different.size() >= 80, qPrintable(QString::number(different.size())));
        const QString folder = programs_.prepare(scene, steps, "controls_" + format);
        const long min = static_cast<long>(scene->panel.min_buffer_bytes);
        QCOMPARE(expectedFrames(scene, steps, min), full);
        for (const Toolchain& tools : {hostGcc(), hostClang(), cortexM3()}) {
            const QString said = programs_.run(tools, folder, document, {{min, full}, {min * 16, full}});
            QVERIFY2(said.isEmpty(), qPrintable(said));
        }
    }

    // Frames by time and by a variable, a rule on their end, images packed by runs, of other formats, with palettes,
    // and in outside memory.
    void imagesOfEveryWay() {
        const Document document = withEveryImage();
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        QVERIFY2(!hasErrors(scene->problems), scene->problems.empty() ? "" : scene->problems.front().text().c_str());
        QVERIFY(!scene->outside.empty());
        const auto steps = scriptOf(everyImageScript);
        const QByteArray full = expectedFrames(scene, steps);
        QSet<QByteArray> different;
        for (qsizetype i = 0; i < full.size(); i += 320 * 240 * 2)
            different.insert(full.mid(i, 320 * 240 * 2));
        QVERIFY(different.size() >= 7);
        const QString folder = programs_.prepare(scene, steps, "pictures");
        for (const long bytes : {640L, 320L * 16 * 2})
            QCOMPARE(expectedFrames(scene, steps, bytes), full);
        for (const Toolchain& tools : {hostGcc(), hostClang(), cortexM3()}) {
            const QString said = programs_.run(tools, folder, document, {{640, full}, {320L * 240 * 2, full}});
            QVERIFY2(said.isEmpty(), qPrintable(said));
        }
    }
};

GORSEFINCH_TEST(TestSamePixels, Nothing)
#include "tst_same_pixels.moc"
