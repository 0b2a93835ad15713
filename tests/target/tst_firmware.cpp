// SPDX-License-Identifier: GPL-3.0-or-later
// Firmware written against generated code: the program of the docs, memory of the caller's, two interfaces in one
// program, hooks, and panels without touch.
#include <QRegularExpression>
#include <QtTest>

#include "core/edits/tree_edits.h"
#include "tests/support/hive_pages.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"
#include "tests/target/generated_programs.h"

using namespace gorsefinch;
using namespace support;
using namespace target;

namespace {

const char* const kFlush =
    "_flush(uint16_t x, uint16_t y, uint16_t w, uint16_t h, const uint8_t *bytes, uint32_t count) {\n"
    "    (void)x; (void)y; (void)w; (void)h; (void)bytes; (void)count;\n}\n";

}  // namespace

class TestFirmware : public QObject {
    Q_OBJECT

    QTemporaryDir dir_;
    Disk disk_;

    QString generated(const Document& d, const QString& name) {
        SceneBuilder builder;
        const QString to = dir_.filePath(name);
        return writeOutput(generateCode(*builder.build(d)), to.toStdString(), disk_) ? to : QString();
    }
    // Builds `text` with a generated folder and runs it; what was said if something failed.
    QString ran(const QString& folder, const QString& name, const QByteArray& text, const QStringList& more = {},
                QString* heard = nullptr) {
        const QString source = folder + "/main.c", program = folder + "/program";
        writeFile(source, text);
        const QString said = error("gcc", strictFlags("c99") + more + QStringList{"-I", folder} +
                                              generatedSources(folder, name) + QStringList{source, "-o", program});
        return said.isEmpty() ? error(program, {}, 20, heard) : said;
    }

  private Q_SLOTS:
    // The complete program of docs/generated-code.md, as it stands there.
    void theProgramOfTheDocsRuns() {
        const QString docs = QString::fromUtf8(readFile(SOURCE_DIR "/docs/generated-code.md"));
        const auto match =
            QRegularExpression("```c\n(.*?)```", QRegularExpression::DotMatchesEverythingOption).match(docs);
        QVERIFY(match.hasMatch());
        const QString folder = generated(openKiln(), "docs");
        QString heard;
        const QString said = ran(folder, "kiln", match.captured(1).toUtf8(), {}, &heard);
        QVERIFY2(said.isEmpty(), qPrintable(said));
        QVERIFY2(heard.contains("76800 pixels"), qPrintable(heard));
    }

    void memoryMayBeTheCallers() {
        const QString folder = generated(openKiln(), "memory");
        const QByteArray text = QByteArray(
            "#include \"kiln.h\"\n#include <string.h>\nstatic uint32_t memory[KILN_STATE_BYTES / 4u], "
            "line[KILN_BUFFER_MIN / 4u];\n"
            "static uint32_t sent;\nstatic const uint8_t *from;\n"
            "void kiln_flush(uint16_t x, uint16_t y, uint16_t w, uint16_t h, const uint8_t *bytes, uint32_t count) {\n"
            "    (void)x; (void)y; (void)w; (void)h;\n    from = bytes;\n    sent += count;\n}\n"
            "int main(void) {\n"
            "    if (kiln_begin_in(memory, sizeof memory - 4u, line, sizeof line) != GORSE_RESULT_STATE_TOO_SMALL) "
            "return 1;\n"
            "    if (kiln_begin_in(memory, sizeof memory, line, sizeof line - 1u) != GORSE_RESULT_BUFFER_TOO_SMALL) "
            "return 2;\n"
            "    if (kiln_begin_in((char *)memory + 1, sizeof memory, line, sizeof line) != GORSE_RESULT_NOT_ALIGNED) "
            "return 3;\n"
            "    if (kiln_begin_in(0, sizeof memory, line, sizeof line) != GORSE_RESULT_NULL) return 4;\n"
            "    if (kiln_set_target(5) != GORSE_RESULT_NOT_BEGUN || kiln_step(0) != GORSE_FOREVER) return 5;\n"
            "    if (kiln_begin_in(memory, sizeof memory, line, sizeof line) != GORSE_RESULT_OK) return 6;\n"
            "    (void)kiln_step(0);\n"
            "    if (from != (const uint8_t *)line || sent != 2ul * KILN_WIDTH * KILN_HEIGHT) return 7;\n"
            "    return kiln_set_target(5) == GORSE_RESULT_CLAMPED && kiln_get_target() == KILN_TARGET_MIN ? 0 : "
            "8;\n}\n");
        const QString said = ran(folder, "kiln", text);
        QVERIFY2(said.isEmpty(), qPrintable(said));
    }

    // Scales stand in names; constants are computed by the compiler, signs and halves included.
    void decimalsTellTheirScale() {
        Document d = withVariable(makeDocument(), makeNumber("heat", -10000, 10000, 0, 1));
        d = withVariable(d, makeNumber("volts", -2000000, 2000000, 0, 3));
        const QString folder = generated(d, "decimals");
        const QByteArray text = QByteArray("#include \"demo.h\"\nvoid demo") + kFlush +
                                "typedef char at_compile_time[DEMO_HEAT(62.5) == 625 && DEMO_HEAT(-0.3) == -3 && "
                                "DEMO_VOLTS(1.2345) == 1235 ? 1 : -1];\n"
                                "int main(void) {\n    if (demo_begin() != GORSE_RESULT_OK) return 1;\n"
                                "    if (demo_set_heat_tenths(DEMO_HEAT(62.5)) != GORSE_RESULT_OK) return 2;\n"
                                "    return demo_get_heat_tenths() == 625 && "
                                "demo_set_volts_thousandths(DEMO_VOLTS_MAX) == GORSE_RESULT_OK ? 0 : 3;\n}\n";
        QString said = ran(folder, "demo", text, {"-Wno-overlength-strings"});
        // ISO C99 has no constant expressions with floating point but for casts of literals, which compilers take.
        if (!said.isEmpty())
            said = ran(folder, "demo",
                       QByteArray(text).replace("typedef char at_compile_time", "/*").replace("? 1 : -1];", "*/"), {});
        QVERIFY2(said.isEmpty(), qPrintable(said));
    }

    void variablesHaveTheFunctionsThatTheirWriterAllows() {
        Variable panel = makeNumber("counted", 0, 9, 0), firmware = makeNumber("measured", 0, 9, 0),
                 both = makeNumber("target", 0, 9, 0);
        panel.writer = Writer::Panel, firmware.writer = Writer::Firmware;
        SceneBuilder builder;
        const GeneratedCode code = generateCode(
            *builder.build(withVariable(withVariable(withVariable(makeDocument(), panel), firmware), both)));
        const std::string& header = code.files.at("demo.h");
        const auto has = [&](const char* text) { return header.find(text) != std::string::npos; };
        QVERIFY(!has("demo_set_counted") && has("demo_get_counted") && has("demo_changed_counted"));
        QVERIFY(has("demo_set_measured") && has("demo_get_measured") && !has("demo_changed_measured"));
        QVERIFY(has("demo_set_target") && has("demo_get_target") && has("demo_changed_target"));
        QVERIFY(has("#define DEMO_TARGET_MIN 0\n#define DEMO_TARGET_MAX 9\n"));
    }

    // A setter for interrupts takes effect at the next step, and only its variable needs the latch.
    void settersForInterruptsAreLatched() {
        Variable pulses = makeNumber("pulses", 0, 1000, 0);
        pulses.fromInterrupt = true;
        const QString folder = generated(withVariable(makeDocument(), pulses), "latched");
        QVERIFY(QFile::exists(folder + "/gorse/gorse_latch.c"));
        QVERIFY(readFile(folder + "/demo.h").contains("May be called from one interrupt"));
        const QByteArray text =
            QByteArray("#include \"demo.h\"\n#include <signal.h>\nvoid demo") + kFlush +
            "static void interrupt(int number) {\n    (void)number;\n    (void)demo_set_pulses(700);\n}\n"
            "int main(void) {\n    if (demo_begin() != GORSE_RESULT_OK) return 1;\n    (void)demo_step(0);\n"
            "    (void)signal(SIGINT, interrupt);\n    if (demo_set_pulses(5000) != GORSE_RESULT_CLAMPED || "
            "demo_get_pulses() != 0) return 2;\n"
            "    (void)raise(SIGINT);\n    if (demo_get_pulses() != 0) return 3;\n    (void)demo_step(1);\n    return "
            "demo_get_pulses() == 700 ? 0 : 4;\n}\n";
        const QString said = ran(folder, "demo", text);
        QVERIFY2(said.isEmpty(), qPrintable(said));
        QVERIFY(!QFile::exists(generated(openKiln(), "plain") + "/gorse/gorse_latch.c"));
    }

    void aPanelWithoutTouchHasNone() {
        Document d = openKiln();
        Panel panel = *d.panel;
        panel.touch = false;
        const QString folder = generated(withPanel(d, panel), "untouched");
        QVERIFY(!readFile(folder + "/kiln.h").contains("kiln_touch") &&
                !readFile(folder + "/kiln_scene.c").contains("gorse_touch"));
        QVERIFY(!QFile::exists(folder + "/gorse/gorse_input.c"));
        // The twin behaves as the target does, and a script cannot touch it.
        SceneBuilder builder;
        Twin twin(builder.build(withPanel(d, panel)));
        twin.step(0);
        QVERIFY(!twin.touch(30, 200, true));
        const auto touched = runScript(twin, scriptOf("press 30 200\n"), "demo.script", [](int) {});
        QVERIFY(!touched && touched.error().text().find("line 1: the panel has no touch") != std::string::npos);
        const QString said =
            ran(folder, "kiln",
                QByteArray("#include \"kiln.h\"\nvoid kiln") + kFlush +
                    "int main(void) {\n    return kiln_begin() == GORSE_RESULT_OK && kiln_step(0) != 0u ? 0 : 1;\n}\n");
        QVERIFY2(said.isEmpty(), qPrintable(said));
    }

    // The firmware's functions for the panel's outputs are called as the twin says.
    void outputsReachTheFirmware() {
        Document d = withRules(makeDocument(), "main",
                               "every 300 ms\n    panel.invert = !panel.invert\n    panel.light = panel.light - 30\n"
                               "when panel.light < 30\n    sound 1 kHz, 40 ms, 0 Hz, 20 ms, 2 kHz, 40 ms\n");
        Panel panel = *d.panel;
        panel.outputs = {90, std::nullopt, 0, 1};
        panel.sound = true;
        d = withPanel(d, panel);
        SceneBuilder builder;
        Twin twin(builder.build(d));
        QString wanted;
        twin.onHook = [&](int hook, const std::vector<gorse_value>& values) {
            wanted += QString::number(twin.now()) + " " +
                      QString::fromStdString(twin.scene().rules->hooks[static_cast<size_t>(hook)].name);
            for (const gorse_value& each : values)
                wanted += " " + QString::number(each.number);
            wanted += "\n";
        };
        for (uint32_t ms = 0; ms <= 1000; ms += 10)
            twin.step(ms);
        QVERIFY2(wanted.contains("900 sound 1000 40\n") && wanted.contains("1000 sound 0 0\n"), qPrintable(wanted));
        const QString folder = generated(d, "outputs");
        const QByteArray text =
            QByteArray("#include \"demo.h\"\n#include <stdio.h>\nstatic unsigned now;\nvoid demo") + kFlush +
            "void demo_hook_panel_light(int32_t value) { printf(\"%u panel_light %d\\n\", now, (int)value); }\n"
            "void demo_hook_panel_invert(uint8_t value) { printf(\"%u panel_invert %d\\n\", now, value); }\n"
            "void demo_hook_panel_on(uint8_t value) { printf(\"%u panel_on %d\\n\", now, value); }\n"
            "void demo_hook_sound(int32_t hertz, int32_t ms) {\n    printf(\"%u sound %d %d\\n\", now, (int)hertz, "
            "(int)ms);\n}\n"
            "int main(void) {\n    if (demo_begin() != GORSE_RESULT_OK) return 1;\n"
            "    for (; now <= 1000u; now += 10u) (void)demo_step(now);\n    return 0;\n}\n";
        QString heard;
        const QString said = ran(folder, "demo", text, {}, &heard);
        QVERIFY2(said.isEmpty(), qPrintable(said));
        QCOMPARE(heard, wanted);
        const QByteArray header = readFile(folder + "/demo.h");
        QVERIFY(header.contains("/* panel.light, 0 to 100: called in the first step"));
        QVERIFY(!header.contains("panel_contrast"));
        QVERIFY(!QFile::exists(generated(makeDocument(), "silent") + "/gorse/gorse_motion_outputs.c"));
    }

    // Where hooks are required, the linker names the one that is missing; a library that stands behind supplies it.
    void requiredHooksMustBeWritten() {
        Document d = openKiln();
        Panel panel = *d.panel;
        panel.hooksRequired = true;
        const QString folder = generated(withPanel(d, panel), "required");
        const QByteArray text = QByteArray("#include \"kiln.h\"\nvoid kiln") + kFlush +
                                "void kiln_hook_stop(void) {}\nvoid kiln_hook_hold(uint8_t value_1) { (void)value_1; "
                                "}\nvoid kiln_hook_panel_light(int32_t value_1) { (void)value_1; }\nvoid "
                                "kiln_hook_sound(int32_t value_1, int32_t value_2) { (void)value_1; (void)value_2; "
                                "}\nvoid kiln_hook_check_pin(const char *value_1) { (void)value_1; }\nvoid "
                                "kiln_hook_choose(int32_t value_1) { (void)value_1; }\nint main(void) {\n    return "
                                "kiln_begin();\n}\n";
        QString said = ran(folder, "kiln", text);
        QVERIFY2(said.contains("kiln_hook_acknowledge"), qPrintable(said));
        writeFile(folder + "/hook.c",
                  "#include \"kiln.h\"\nvoid kiln_hook_acknowledge(int32_t value_1) { (void)value_1; }\n");
        said = error("gcc", {"-I", folder, "-c", folder + "/hook.c", "-o", folder + "/hook.o"});
        said += error("ar", {"rcs", folder + "/libhook.a", folder + "/hook.o"});
        QVERIFY2(said.isEmpty(), qPrintable(said));
        said = error("gcc", QStringList{"-I", folder} + generatedSources(folder, "kiln") +
                                QStringList{folder + "/main.c", folder + "/libhook.a", "-o", folder + "/program"});
        QVERIFY2(said.isEmpty(), qPrintable(said));
    }

    // Each as a library of its own: the runtime's files are the same in both, so the linker takes each once.
    void twoInterfacesShareOneRuntime() {
        // The one has all that files are exchanged for: groups that let something through and scroll, transitions.
        Document full = *groupWidgets(openKiln(), "status", Names{"hold_button", "stop_button"});
        full = changeWidgets(full, "status", Names{"group"}, [](Widget& group) {
            group.opacity = 200;
            group.properties["scroll"] = std::string("across");
        });
        Panel panel = *full.panel;
        panel.transition = "slide left";
        full = withPanel(full, panel);
        Document pages = openExample("hive");
        while (pages.screens.size() > 3)
            pages = removeScreen(pages, static_cast<int>(pages.screens.size()) - 1);
        const QString kiln = generated(full, "two_kiln"), hive = generated(withRules(pages, "main", ""), "two_hive");
        const auto library = [&](const QString& folder, const QString& name) {
            QString said;
            QStringList objects;
            for (const QString& source : generatedSources(folder, name)) {
                objects << folder + "/" + QFileInfo(source).baseName() + ".o";
                said += error("gcc", strictFlags("c99") << "-I" << folder << "-c" << source << "-o" << objects.last());
            }
            return said + error("ar", QStringList{"rcs", folder + "/lib" + name + ".a"} + objects);
        };
        QString said = library(kiln, "kiln") + library(hive, "hive");
        QVERIFY2(said.isEmpty(), qPrintable(said));
        // The pages of the hive have no controls and no round corners either: its files may not take the others' place.
        const QByteArray sum =
            "#include <stdio.h>\nstatic uint32_t sum;\nvoid kiln_flush(uint16_t x, uint16_t y, uint16_t w, uint16_t h, "
            "const uint8_t *bytes, uint32_t count) {\n    (void)w; (void)h;\n    sum += (uint32_t)x * 7u + y;\n"
            "    while (count-- != 0u) sum = sum * 31u + *bytes++;\n}\nstatic void operate(void) {\n"
            "    (void)kiln_step(10);\n    kiln_touch(60, 212, 1);\n    (void)kiln_step(20);\n    kiln_touch(60, 212, "
            "0);\n    (void)kiln_step(30);\n    printf(\"%u %d\", (unsigned)sum, kiln_get_holding());\n}\n";
        const QString one = dir_.filePath("one.c");
        writeFile(one, QByteArray("#include \"kiln.h\"\n") + sum +
                           "int main(void) {\n    if (kiln_begin() != GORSE_RESULT_OK) return 1;\n"
                           "    (void)kiln_set_kiln_temp(900);\n    (void)kiln_step(0);\n    operate();\n    return "
                           "0;\n}\n");
        QString alone;
        said = error("gcc", {"-I", kiln, one, kiln + "/libkiln.a", "-o", dir_.filePath("one")});
        said += error(dir_.filePath("one"), {}, 20, &alone);
        QVERIFY2(said.isEmpty() && alone.endsWith(" 1"), qPrintable(said + alone));
        const QString source = dir_.filePath("two.c");
        writeFile(
            source,
            QByteArray("#include \"kiln.h\"\n#include \"hive.h\"\n") + sum + "void hive" + kFlush +
                "int main(void) {\n    if (kiln_begin() != GORSE_RESULT_OK || hive_begin() != "
                "GORSE_RESULT_OK) return 1;\n"
                "    (void)kiln_set_kiln_temp(900);\n    (void)hive_set_humidity(40);\n    "
                "(void)kiln_step(0);\n    (void)hive_step(0);\n"
                "    operate();\n    return kiln_get_kiln_temp() == 900 && hive_get_humidity() == 40 ? 0 : 2;\n}\n");
        for (const QStringList& order : {QStringList{kiln + "/libkiln.a", hive + "/libhive.a"},
                                         QStringList{hive + "/libhive.a", kiln + "/libkiln.a"}}) {
            said = error("gcc",
                         QStringList{"-I", kiln, "-I", hive, source} + order + QStringList{"-o", dir_.filePath("two")});
            QVERIFY2(said.isEmpty(), qPrintable(said));
            QString both;
            said = error(dir_.filePath("two"), {}, 20, &both);
            QVERIFY2(said.isEmpty(), qPrintable(said));
            QCOMPARE(both, alone);
        }
    }
};

GORSEFINCH_TEST(TestFirmware, Nothing)
#include "tst_firmware.moc"
