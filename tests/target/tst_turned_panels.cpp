// SPDX-License-Identifier: GPL-3.0-or-later
// Panels that are turned, mirrored, inverted, exchanged and offset: their memory holds what the upright panel holds,
// moved as the setting says, and the emulated target agrees.
#include <QtTest>

#include "tests/support/projects.h"
#include "tests/support/test_case.h"
#include "tests/target/generated_programs.h"
#include "tests/target/kiln_script.h"

using namespace gorsefinch;
using namespace support;
using namespace target;

class TestTurnedPanels : public QObject {
    Q_OBJECT

    GeneratedPrograms programs_;

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
    void turned_data() {
        QTest::addColumn<QString>("format");
        QTest::addColumn<int>("turn");
        QTest::addColumn<bool>("mirrorX");
        QTest::addColumn<bool>("mirrorY");
        for (const char* format : {"page1", "row1", "row1-lsb", "grey2", "grey4", "index4", "grey8", "rgb565",
                                   "rgb565-be", "rgb888", "argb8888"})
            for (const int turn : {0, 90, 180, 270})
                for (const int mirror : {0, 1, 2})
                    QTest::addRow("%s %d mirror %d", format, turn, mirror)
                        << QString(format) << turn << (mirror == 1) << (mirror == 2);
    }

    void turned() {
        QFETCH(QString, format);
        QFETCH(int, turn);
        QFETCH(bool, mirrorX);
        QFETCH(bool, mirrorY);
        const PixelFormatInfo& pixels = *pixelFormatByKey(format.toStdString());
        Document document = withPanelOf(openExample("kiln"), pixels.format);
        QCOMPARE(wronglyTurned(document, turn, mirrorX, mirrorY), 0);
        // Sides that end inside a byte of packed rows or a page, whichever way they are turned.
        Panel panel = *document.panel;
        panel.width = 123;
        panel.height = 237;
        QCOMPARE(wronglyTurned(withPanel(document, panel), turn, mirrorX, mirrorY), 0);
    }

    // A byte of the panel's memory is the least that can be sent.
    void offsetsInsideAByteAreRefused_data() {
        QTest::addColumn<QString>("format");
        QTest::addColumn<int>("column");
        QTest::addColumn<int>("row");
        QTest::addColumn<QString>("place");
        QTest::newRow("rows of pages") << "page1" << 3 << 12 << "panel.row_offset";
        QTest::newRow("columns of bits") << "row1" << 4 << 3 << "panel.column_offset";
        QTest::newRow("columns of half bytes") << "grey4" << 1 << 1 << "panel.column_offset";
        QTest::newRow("whole pages") << "page1" << 3 << 16 << "";
        QTest::newRow("whole bytes") << "grey4" << 2 << 1 << "";
        QTest::newRow("words") << "rgb565" << 1 << 1 << "";
    }

    void offsetsInsideAByteAreRefused() {
        QFETCH(QString, format);
        QFETCH(int, column);
        QFETCH(int, row);
        QFETCH(QString, place);
        Document document = withPanelOf(makeDocument(), pixelFormatByKey(format.toStdString())->format);
        Panel panel = *document.panel;
        panel.columnOffset = column;
        panel.rowOffset = row;
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(withPanel(document, panel));
        QCOMPARE(hasErrors(scene->problems), !place.isEmpty());
        if (place.isEmpty())
            return;
        QCOMPARE(QString::fromStdString(scene->problems.front().place), place);
        QVERIFY(!scene->problems.front().remedy.empty());
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
        const QString folder = programs_.prepare(scene, steps, "turned");
        const QByteArray frames = expectedFrames(scene, steps, 5000);
        for (const Toolchain& tools : {hostGcc(), cortexM3()}) {
            const QString said = programs_.run(tools, folder, document, {{5000, frames}});
            QVERIFY2(said.isEmpty(), qPrintable(said));
        }
    }
};

GORSEFINCH_TEST(TestTurnedPanels, Nothing)
#include "tst_turned_panels.moc"
