// SPDX-License-Identifier: GPL-3.0-or-later
// The runtime's options at their lowest, default and highest: each builds without a warning and gives the core's
// frames; outside its range it stops the build with a sentence that names it.
#include <QtTest>

#include "tests/support/projects.h"
#include "tests/support/test_case.h"
#include "tests/target/generated_programs.h"

using namespace gorsefinch;
using namespace support;
using namespace target;

namespace {

struct OptionRange {
    const char* name;
    int lowest, normal, highest;
    bool sameFrames;  // fewer rounds, missed runs and screens that `back` knows show later, or never
};

constexpr OptionRange kOptions[] = {
    {"GORSE_DIRTY", 2, 8, 32, true},    {"GORSE_CHUNK", 16, 128, 128, true}, {"GORSE_STACK", 4, 12, 32, true},
    {"GORSE_HISTORY", 1, 8, 32, false}, {"GORSE_ROUNDS", 1, 8, 255, false},  {"GORSE_CATCH_UP", 1, 60, 255, false},
    {"GORSE_CHECKS", 0, 0, 1, true},    {"GORSE_FAST", 0, 1, 1, true},
};

}  // namespace

class TestOptions : public QObject {
    Q_OBJECT

    GeneratedPrograms programs_;
    SceneBuilder builder_;
    BuiltSceneRef scene_;
    std::vector<ScriptStep> steps_;
    QString folder_;
    QByteArray frames_;

    Toolchain withOption(const QString& define) const {
        Toolchain tools = hostGcc();
        tools.name += define.mid(2);
        tools.flags << "-O0";
        if (!define.isEmpty())
            tools.flags << define;
        return tools;
    }
    QString compiled(const QString& define, const char* file) const {
        return error("gcc", strictFlags("c99") << define << "-I" << folder_ << "-fsyntax-only" << folder_ + file);
    }

  private Q_SLOTS:
    void initTestCase() {
        scene_ = builder_.build(openKiln());
        steps_ = *parseScript(readFile(SOURCE_DIR "/examples/kiln/demo.script").toStdString(), "demo.script");
        folder_ = programs_.prepare(scene_, steps_, "options");
        QVERIFY(!folder_.isEmpty());
        frames_ = expectedFrames(scene_, steps_);
    }

    void framesAreTheSame_data() {
        QTest::addColumn<QString>("define");
        QTest::addColumn<bool>("same");
        QTest::newRow("defaults") << QString() << true;
        for (const OptionRange& each : kOptions)
            for (const int value : {each.lowest, each.highest})
                if (value != each.normal)
                    QTest::addRow("%s=%d", each.name, value)
                        << QString("-D%1=%2").arg(each.name).arg(value) << (each.sameFrames || value > each.normal);
    }
    void framesAreTheSame() {
        QFETCH(QString, define);
        QFETCH(bool, same);
        const QString said =
            programs_.run(withOption(define), folder_, scene_->document, {{scene_->bufferBytes(), frames_}});
        // Others must run to the end too.
        if (!same)
            QVERIFY2(said.isEmpty() || said.contains(QString("frames differ (%1 and %1 bytes)").arg(frames_.size())),
                     qPrintable(said));
        else
            QVERIFY2(said.isEmpty(), qPrintable(said));
    }

    void outsideTheRangeTheBuildStops_data() {
        QTest::addColumn<QString>("name");
        QTest::addColumn<int>("value");
        for (const OptionRange& each : kOptions) {
            if (QByteArray(each.name) != "GORSE_CHECKS") {
                QTest::addRow("%s too low", each.name) << QString(each.name) << each.lowest - 1;
                QTest::addRow("%s too high", each.name) << QString(each.name) << each.highest + 1;
            }
        }
        QTest::addRow("GORSE_TRACE") << "GORSE_TRACE" << 2;
        QTest::addRow("KILN_BUFFER_BYTES") << "KILN_BUFFER_BYTES" << 639;
    }
    void outsideTheRangeTheBuildStops() {
        QFETCH(QString, name);
        QFETCH(int, value);
        const QString said = compiled(QString("-D%1=%2").arg(name).arg(value), "/kiln_port.c");
        QVERIFY2(said.contains("#error \"" + name + " must be"), qPrintable(said));
    }

    // What suffices for the runtime may be too little for an interface.
    void anInterfaceThatNeedsMoreSaysSo() {
        Document d = withVariable(makeDocument(), makeNumber("n", 0, 9, 0));
        d = withRules(d, "main", "on start\n    n = n + (n + (n + (n + (n + n))))\n");
        SceneBuilder builder;
        const QString folder = programs_.prepare(builder.build(d), {}, "deep");
        const QString scene = folder + "/demo_scene.c";
        QString said = error("gcc", strictFlags("c99") << "-DGORSE_STACK=5"
                                                       << "-I" << folder << "-fsyntax-only" << scene);
        QVERIFY2(said.contains("GORSE_STACK must be at least 6 for this interface"), qPrintable(said));
        said = error("gcc", strictFlags("c99") << "-DGORSE_STACK=6"
                                               << "-I" << folder << "-fsyntax-only" << scene);
        QVERIFY2(said.isEmpty(), qPrintable(said));
    }

    // A trace function of the firmware is called.
    void traceReachesTheFirmware() {
        const QString source = folder_ + "/listener.c";
        writeFile(
            source,
            "#include \"kiln.h\"\n#include \"gorse/gorse.h\"\n#include <stdio.h>\n"
            "void kiln_flush(uint16_t x, uint16_t y, uint16_t w, uint16_t h, const uint8_t *bytes, uint32_t count) {\n"
            "    (void)x; (void)y; (void)w; (void)h; (void)bytes; (void)count;\n}\n"
            "void kiln_trace(uint8_t what, uint16_t a, int32_t b) {\n"
            "    if (what == GORSE_TRACE_CLAMPED)\n        printf(\"%d %ld\\n\", (int)a, (long)b);\n}\n"
            "int main(void) {\n    if (kiln_begin() != GORSE_RESULT_OK)\n        return 1;\n    kiln_step(0);\n"
            "    return kiln_set_kiln_temp(99999) == GORSE_RESULT_CLAMPED ? 0 : 2;\n}\n");
        const QString program = folder_ + "/listener";
        QString said = error("gcc", strictFlags("c99") << "-DGORSE_TRACE=1"
                                                       << "-I" << folder_ << generatedSources(folder_, "kiln") << source
                                                       << "-o" << program);
        QVERIFY2(said.isEmpty(), qPrintable(said));
        QString heard;
        said = error(program, {}, 20, &heard);
        QVERIFY2(said.isEmpty(), qPrintable(said));
        QCOMPARE(heard, QString("0 1320\n"));
    }
};

GORSEFINCH_TEST(TestOptions, Nothing)
#include "tst_options.moc"
