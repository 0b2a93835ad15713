// SPDX-License-Identifier: GPL-3.0-or-later
// Interfaces that nobody would draw, generated, compiled, and run: the same bytes as in the core after every step.
#include <QtTest>

#include "tests/support/random_project.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"
#include "tests/target/generated_programs.h"

using namespace gorsefinch;
using namespace support;
using namespace target;

class TestRandomInterfaces : public QObject {
    Q_OBJECT

    GeneratedPrograms programs_;

  private Q_SLOTS:
    void sameBytes_data() {
        QTest::addColumn<int>("seed");
        QTest::addColumn<bool>("emulated");
        for (int seed = 101; seed < 101 + support::rounds(12); ++seed)
            QTest::addRow("%d", seed) << seed << (seed % 4 == 0);
    }

    void sameBytes() {
        QFETCH(int, seed);
        QFETCH(bool, emulated);
        RandomProject made(static_cast<uint32_t>(seed));
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(made.document());
        QVERIFY(!hasErrors(scene->problems));
        const auto steps = scriptOf(made.script(20).c_str());
        const QString folder = programs_.prepare(scene, steps, QString("random_%1").arg(seed));
        QVERIFY(!folder.isEmpty());
        const long bytes = scene->scene.panel->min_buffer_bytes + 512;
        const QString said = programs_.run(emulated ? cortexM3() : hostGcc(), folder, made.document(),
                                           {{bytes, expectedFrames(scene, steps, bytes)}});
        QVERIFY2(said.isEmpty(), qPrintable(said));
    }
};

GORSEFINCH_TEST(TestRandomInterfaces, Nothing)
#include "tst_random_interfaces.moc"
