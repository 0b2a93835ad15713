// SPDX-License-Identifier: GPL-3.0-or-later
// Generated code as files: deterministic, clean under every compiler, never over a hand-written line, and at the
// costs that are told.
#include <QTemporaryDir>
#include <QtTest>

#include "core/emit/costs.h"
#include "core/emit/runtime_sources.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"
#include "tests/target/target_build.h"

using namespace gorsefinch;
using namespace support;
using namespace target;

class TestGeneratedCode : public QObject {
    Q_OBJECT

    QTemporaryDir folder_;
    Disk disk_;

    QString generated(const Document& d, const QString& name, GeneratedCode* out = nullptr) {
        SceneBuilder builder;
        const GeneratedCode code = generateCode(*builder.build(d));
        if (out)
            *out = code;
        const QString to = folder_.filePath(name);
        return writeOutput(code, to.toStdString(), disk_) ? to : QString();
    }

    // Compiles only if the compiler gives every record the size that the costs tell.
    QString sizesError(const QString& compiler, const QStringList& flags, int wordBits) {
        QByteArray source = "#include \"runtime/gorse_scene.h\"\n";
        for (const RecordInfo* each : runtimeRecords())
            source += "typedef char right_" + QByteArray(each->structure) + "[sizeof(" + each->structure +
                      ") == " + QByteArray::number(recordBytes(*each, wordBits)) + " ? 1 : -1];\n";
        const QString file = folder_.filePath("sizes.c");
        writeFile(file, source);
        return error(compiler, QStringList(flags)
                                   << "-I" << SOURCE_DIR << "-c" << file << "-o" << folder_.filePath("sizes.o"));
    }

  private Q_SLOTS:
    void theSameDocumentGivesTheSameBytes() {
        SceneBuilder a, b;
        const Document d = openKiln();
        // One builder has worked on other things before.
        (void)b.build(*gorsefinch::setProperty(d, "status", Names{"step_text"}, "size", int64_t{33}));
        const GeneratedCode one = generateCode(*a.build(d)), two = generateCode(*b.build(d));
        QCOMPARE(one.files.size(), two.files.size());
        for (const auto& [path, text] : one.files)
            QVERIFY2(two.files.at(path) == text, path.c_str());
    }

    // Comments keep the characters of units and notes, but none that end the comment or turn its direction.
    void commentsKeepTheirCharacters() {
        Document d = withVariable(makeDocument(), makeNumber("heat", 0, 9, 0));
        auto variables = *d.variables;
        variables.back().unit = "°C";
        variables.back().note = "ends */ here \u202e\xff or\nnot";
        d.variables = std::make_shared<const std::vector<Variable>>(variables);
        GeneratedCode code;
        QVERIFY(!generated(d, "comments", &code).isEmpty());
        const std::string& header = code.files.at(d.name + ".h");
        QVERIFY(header.find("0 to 9 °C. ") != std::string::npos);
        QVERIFY(header.find("ends .. here .. or.not */") != std::string::npos);
    }

    void unchangedFilesAreNotRewritten() {
        const QString to = generated(openKiln(), "same");
        QVERIFY(!to.isEmpty());
        QMap<QString, QDateTime> before;
        for (const QString& file : QDir(to).entryList(QDir::Files))
            before[file] = QFileInfo(to + "/" + file).lastModified();
        QTest::qWait(30);
        const Document d = *gorsefinch::setProperty(openKiln(), "status", Names{"step_text"}, "x", int64_t{3});
        QVERIFY(!generated(d, "same").isEmpty());
        for (const QString& file : before.keys()) {
            const bool should = file == "kiln_scene.c" || file == "MANIFEST.json";
            QVERIFY2((QFileInfo(to + "/" + file).lastModified() != before[file]) == should, qPrintable(file));
        }
    }

    void handWrittenLinesAreSafe() {
        const QString to = generated(openKiln(), "hand");
        writeFile(to + "/kiln_port.c", "/* mine */\n");
        writeFile(to + "/notes.txt", "mine");
        QVERIFY(!generated(withRules(openKiln(), "main", ""), "hand").isEmpty());
        QCOMPARE(readFile(to + "/kiln_port.c"), QByteArray("/* mine */\n"));
        QCOMPARE(readFile(to + "/notes.txt"), QByteArray("mine"));
        const QByteArray scene = readFile(to + "/kiln_scene.c") + "/* edited */\n";
        writeFile(to + "/kiln_scene.c", scene);
        QVERIFY(generated(openKiln(), "hand").isEmpty());
        QCOMPARE(readFile(to + "/kiln_scene.c"), scene);
        // A file of the same name that was never generated is not ours either.
        QDir().mkpath(folder_.filePath("foreign"));
        writeFile(folder_.filePath("foreign/kiln.h"), "int mine;\n");
        QVERIFY(generated(openKiln(), "foreign").isEmpty());
        QCOMPARE(QDir(folder_.filePath("foreign")).entryList(QDir::Files), QStringList{"kiln.h"});
    }

    void aManifestCannotReachOutside() {
        const QString to = generated(openKiln(), "reach");
        writeFile(folder_.filePath("victim.txt"), "mine");
        QByteArray manifest = readFile(to + "/MANIFEST.json");
        manifest.replace("\"files\": {", "\"files\": {\n    \"../victim.txt\": \"x\",");
        writeFile(to + "/MANIFEST.json", manifest);
        QVERIFY(!generated(openKiln(), "reach").isEmpty());
        QCOMPARE(readFile(folder_.filePath("victim.txt")), QByteArray("mine"));
        // Nor does a folder that is a link.
        QDir().mkpath(folder_.filePath("elsewhere"));
        QDir().mkpath(folder_.filePath("linked"));
        QVERIFY(QFile::link(folder_.filePath("elsewhere"), folder_.filePath("linked/gorse")));
        QVERIFY(generated(openKiln(), "linked").isEmpty());
        QVERIFY(QDir(folder_.filePath("elsewhere")).isEmpty());
    }

    void whatIsNoLongerNeededGoes() {
        const QString to = generated(openKiln(), "gone");
        QVERIFY(QFileInfo::exists(to + "/gorse/gorse_kind_image.c"));
        Document d = openKiln();
        d = removeWidgets(d, "status", Names{"pot_image"});
        d = removeWidgets(d, "alarm", Names{"pot_image"});
        QVERIFY(!generated(d, "gone").isEmpty());
        QVERIFY(!QFileInfo::exists(to + "/gorse/gorse_kind_image.c"));
        QVERIFY(QFileInfo::exists(to + "/gorse/gorse_kind_text.c"));
    }

    void clashingNamesAreProblems() {
        Document d = makeDocument({"a", "a_b"});
        d = addWidgets(d, "a", {makeWidget("b_c", Kind::Rectangle, 0, 0, 1, 1)});
        d = addWidgets(d, "a_b", {makeWidget("c", Kind::Rectangle, 0, 0, 1, 1)});
        GeneratedCode code;
        QVERIFY(generated(d, "clash", &code).isEmpty() || code.files.empty());
        QVERIFY(std::any_of(code.problems.begin(), code.problems.end(), [](const Problem& p) {
            return p.reason.find("demo_a_b_c") != std::string::npos && !p.remedy.empty();
        }));
        for (const char* name : {"while", "9a", "größe"}) {
            Document other = openKiln();
            Screen screen = *other.screens[0];
            screen.name = name;
            SceneBuilder builder;
            const GeneratedCode refused = generateCode(*builder.build(withScreen(other, 0, screen)));
            QVERIFY2(refused.files.empty() && hasErrors(refused.problems), name);
        }
    }

    void everyCompilerIsContent() {
        const QString to = generated(openKiln(), "clean");
        const QStringList sources = generatedSources(to, "kiln") << to + "/kiln_port.c";
        for (const Toolchain& tools : {hostGcc(), hostClang(), cortexM3()})
            for (const QString& source : sources) {
                const QString said = error(
                    tools.compiler, tools.flags + QStringList{"-I", to, "-c", source, "-o", folder_.filePath("x.o")});
                QVERIFY2(said.isEmpty(), qPrintable(said));
            }
        writeFile(folder_.filePath("main.cpp"),
                  "#include \"kiln.h\"\nint main() { kiln_begin(); kiln_set_kiln_temp(5); kiln_set_firing(1); "
                  "kiln_set_programme_name(\"x\"); kiln_step(0); return kiln_get_target() == KILN_SCREENS; }\n");
        QString said = error("g++", {"-std=c++11", "-Wall", "-Wextra", "-Wpedantic", "-Werror", "-I", to, "-c",
                                     folder_.filePath("main.cpp"), "-o", folder_.filePath("main.o")});
        QVERIFY2(said.isEmpty(), qPrintable(said));
        // The hooks that nobody wrote link to empty ones.
        said = error("g++", QStringList{folder_.filePath("main.o"), "-I", to, "-o", folder_.filePath("linked_main")} +
                                QStringList{"-x", "c"} + sources);
        QVERIFY2(said.isEmpty(), qPrintable(said));
    }

    // A pointer into program memory that is passed as a plain one is a hard error here, not a silent bug.
    void programMemoryIsKeptApart() {
        Document d = openKiln();
        Panel panel = *d.panel;
        panel.format = PixelFormat::Page1;
        panel.wordBits = 8;
        panel.turn = 90;
        d = withPanel(d, panel);
        // The alarm's words are longer than an 8-bit target takes.
        d = *gorsefinch::setProperty(d, "alarm", Names{"words_text"}, "text", std::string("{kiln_temp} above {limit}"));
        const QString to = generated(d, "rom");
        QVERIFY(!to.isEmpty());
        for (const QString& source : generatedSources(to, "kiln")) {
            QString said = error("clang", {"-std=c99", "-fsyntax-only", "-DGORSE_ROM=__flash", "-DGORSE_SEPARATE_ROM=1",
                                           "-D__flash=__attribute__((address_space(1)))", "-I", to, source});
            QVERIFY2(said.isEmpty(), qPrintable(said));
            said = error("avr-gcc",
                         {"-std=gnu99", "-Os", "-mmcu=avr5", "-Wall", "-Wextra", "-Wconversion", "-Wshadow", "-Werror",
                          "-Werror=addr-space-convert", "-I", to, "-c", source, "-o", folder_.filePath("x.o")});
            QVERIFY2(said.isEmpty(), qPrintable(said));
        }
    }

    void recordsHaveTheToldSizes() {
        const QString arm = sizesError("arm-none-eabi-gcc", {"-std=c99", "-mcpu=cortex-m0plus", "-mthumb"}, 32);
        QVERIFY2(arm.isEmpty(), qPrintable(arm));
        const QString avr = sizesError("avr-gcc", {"-std=gnu99", "-mmcu=avr5"}, 8);
        QVERIFY2(avr.isEmpty(), qPrintable(avr));
    }

    // What the costs say of constants comes close to what the compiler makes of them.
    void costsAreNearTheTruth() {
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(openKiln());
        const QString to = generated(openKiln(), "costs");
        long measured = 0;
        for (const char* part : {"kiln_scene", "kiln_images", "kiln_fonts"}) {
            const QString object = folder_.filePath(QString(part) + ".o");
            QString said = error("arm-none-eabi-gcc", {"-std=c99", "-Os", "-mcpu=cortex-m0plus", "-mthumb", "-I", to,
                                                       "-c", to + "/" + part + ".c", "-o", object});
            QVERIFY2(said.isEmpty(), qPrintable(said));
            QVERIFY(error("arm-none-eabi-size", {object}, 10, &said).isEmpty());
            measured += said.split('\n').value(1).simplified().section(' ', 0, 0).toLong();
        }
        const Costs costs = costsOf(*scene);
        const long told = costs.total().flash - costs.runtime.flash;
        QVERIFY2(std::abs(told - measured) < measured / 20,
                 qPrintable(QString("told %1, measured %2").arg(told).arg(measured)));
    }

    void neededSourcesLeaveOutWhatIsNotUsed() {
        SceneBuilder builder;
        const auto sources = neededSources(*builder.build(openKiln()));
        const auto has = [&](const char* name) {
            return std::find(sources.begin(), sources.end(), name) != sources.end();
        };
        QVERIFY(has("gorse_format_rgb565.c") && has("gorse_kind_button.c") && has("gorse_paint.c"));
        QVERIFY(!has("gorse_format_page1.c") && !has("gorse_turn_pages.c") && !has("gorse_turn_pixels.c"));
    }
};

GORSEFINCH_TEST(TestGeneratedCode, Nothing)
#include "tst_generated_code.moc"
