// SPDX-License-Identifier: GPL-3.0-or-later
// The stack that generated code takes: no frame of the runtime is large, the measured tables are those of the present
// sources, and no call on a target takes more than the figure of the project.
#include <QtTest>

#include "core/emit/costs.h"
#include "core/emit/stack_depth.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"
#include "tests/support/every_image.h"
#include "tests/target/generated_programs.h"
#include "tests/target/kiln_script.h"

using namespace gorsefinch;
using namespace support;
using namespace target;

namespace {

// Compiles for a Cortex-M; all of them run on the emulated one.
Toolchain cortex(const char* core) {
    Toolchain tools = cortexM3();
    tools.name = core;
    tools.flags =
        QStringList{"-std=c99", "-Os", QString("-mcpu=") + core, "-mthumb", "-ffunction-sections", "-fdata-sections"};
    return tools;
}

}  // namespace

class TestStack : public QObject {
    Q_OBJECT

    GeneratedPrograms programs_;
    QTemporaryDir measured_;

    // Bytes that the deepest call of a script took on an emulated controller; an error otherwise.
    QString deepest(const QString& folder, const QString& name, const char* core, long& bytes) const {
        const Toolchain tools = cortex(core);
        const QString program = folder + "/stack_" + core, out = program + ".txt";
        const QStringList flags = tools.flags + QStringList{"-I", folder, "-I", driverDir()};
        QStringList linked;
        QString said = programs_.compile(
            tools, flags, generatedSources(folder, name) + tools.sources + QStringList{driverDir() + "stack_driver.c"},
            folder + "/" + core, linked);
        if (said.isEmpty())
            said = error(tools.compiler, tools.flags + linked + tools.linkFlags + QStringList{"-o", program});
        if (said.isEmpty())
            said = error("qemu-system-arm",
                         {"-M", "mps2-an385", "-nographic", "-monitor", "none", "-serial", "none",
                          "-semihosting-config", "enable=on,target=native,arg=program,arg=" + out, "-kernel", program});
        bytes = readFile(out).trimmed().toLong();
        return said;
    }

  private Q_SLOTS:
    void initTestCase() {
        const QString said = error("bash", {SOURCE_DIR "/core/emit/measure_sources.sh", measured_.path()});
        QVERIFY2(said.isEmpty(), qPrintable(said));
    }

    void theTablesAreMeasuredFromTheSources_data() {
        QTest::addColumn<QString>("file");
        QTest::newRow("sizes") << "source_sizes.inc";
        QTest::newRow("frames") << "stack_frames.inc";
    }
    void theTablesAreMeasuredFromTheSources() {
        QFETCH(QString, file);
        QVERIFY2(readFile(measured_.filePath(file)) == readFile(SOURCE_DIR "/core/emit/" + file),
                 "run core/emit/measure_sources.sh");
    }

    void noFrameIsLarge() {
        static const QRegularExpression row("\"(\\w+)\", (\\d+), (\\d+),");
        auto rows = row.globalMatch(QString::fromUtf8(readFile(measured_.filePath("stack_frames.inc"))));
        int count = 0;
        for (; rows.hasNext(); ++count) {
            const auto each = rows.next();
            QVERIFY2(each.captured(2).toInt() <= 200, qPrintable(each.captured(0)));
            QVERIFY2(each.captured(3).toInt() <= 96, qPrintable(each.captured(0)));
        }
        QVERIFY(count > 150);
    }

    void noCallTakesMoreThanTheFigure_data() {
        QTest::addColumn<Document>("document");
        QTest::addColumn<QByteArray>("script");
        const auto demo = [](const char* name) {
            return readFile(QString(SOURCE_DIR "/examples/%1/demo.script").arg(name));
        };
        QTest::newRow("kiln") << openExample("kiln") << QByteArray(kilnScript);
        QTest::newRow("hive") << openExample("hive") << demo("hive");
        QTest::newRow("enlarger") << openExample("enlarger") << demo("enlarger");
        QTest::newRow("aquifer") << openExample("aquifer") << demo("aquifer");
        QTest::newRow("images_of_every_way") << withEveryImage() << QByteArray(everyImageScript);
        for (const PixelFormat format : {PixelFormat::Page1, PixelFormat::Index4, PixelFormat::Argb8888})
            QTest::addRow("kiln_%s", info(format).key)
                << withPanelOf(openExample("kiln"), format) << QByteArray(kilnScript);
        Document texts = withVariable(makeDocument(), makeNumber("n", 0, 9, 0));
        Variable word;
        word.name = "word";
        word.type = VariableType::Text;
        word.length = 40;
        word.writer = Writer::Both;
        texts = withVariable(withVariable(texts, word), makeNumber("m", 0, 1000, 3));
        texts = withRules(texts, "main",
                          "when n > 2\n    word = \"of {n} and {m / (n + 1):mm:ss}\"\n    call note(word)\n    "
                          "call note(\"it is {word} by {m - (n * (m + (n - 1)))}\")\n");
        QTest::newRow("texts_in_rules") << texts << QByteArray("set n 4\nset n 1\nset n 7\n");
    }
    void noCallTakesMoreThanTheFigure() {
        QFETCH(Document, document);
        QFETCH(QByteArray, script);
        Panel panel = *document.panel;
        panel.wordBits = 32;
        document = withPanel(document, panel);
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        QVERIFY2(!hasErrors(scene->problems), scene->problems.empty() ? "" : scene->problems.front().text().c_str());
        const QString folder = programs_.prepare(scene, scriptOf(script.constData()), QTest::currentDataTag());
        QVERIFY(!folder.isEmpty());
        const long figure = costsOf(*scene).stack;
        for (const char* core : {"cortex-m0plus", "cortex-m3"}) {
            long bytes = 0;
            const QString said = deepest(folder, QString::fromStdString(document.name), core, bytes);
            QVERIFY2(said.isEmpty(), qPrintable(said));
            qInfo("%s: %ld of %ld bytes", core, bytes, figure);
            QVERIFY(bytes > figure / 3);
            QVERIFY(bytes <= figure);
        }
    }
};

GORSEFINCH_TEST(TestStack, Nothing)
#include "tst_stack.moc"
