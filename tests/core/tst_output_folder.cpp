// SPDX-License-Identifier: GPL-3.0-or-later
// Generated files on the disk: what may be replaced, what is never touched, and what is left when writing fails
// halfway.
#include <QtTest>

#include "core/emit/hook_check.h"
#include "core/emit/output_folder.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Document projectSaying(const std::string& words) {
    Document d = withVariable(makeDocument(), makeNumber("count", 0, 9, 0));
    return addWidgets(d, "first", {makeWidget("go_button", Kind::Button, 0, 0, 40, 20, {{"text", words}})});
}

GeneratedCode codeSaying(const std::string& words) {
    SceneBuilder builder;
    return generateCode(*builder.build(projectSaying(words)));
}

FileState stateIn(const OutputPlan& plan, const std::string& path) {
    for (const PlannedFile& each : plan.files)
        if (each.path == path)
            return each.state;
    return FileState::Same;
}

// All generated files are there as they should be.
bool isWhole(const MemoryDisk& files, const GeneratedCode& code) {
    return std::all_of(code.files.begin(), code.files.end(),
                       [&](const auto& file) { return files.get("/out/" + file.first) == file.second; });
}

}  // namespace

class TestOutputFolder : public QObject {
    Q_OBJECT

    GeneratedCode one_, two_, three_;

  private Q_SLOTS:
    void initTestCase() {
        one_ = codeSaying("Go");
        two_ = codeSaying("Start");
        three_ = codeSaying("Onwards");
        QVERIFY(one_.files.at("demo_scene.c") != two_.files.at("demo_scene.c"));
    }

    void nothingChangedIsNotWritten() {
        MemoryDisk files;
        QVERIFY(writeOutput(one_, "/out", files).has_value());
        QVERIFY(isWhole(files, one_));
        const auto before = files.held();
        FileStamp stamp, later;
        const auto stampOfHeader = [&](FileStamp& out) {
            return Folder::open(files, "/out")->stampOf("demo.h").value_or(out);
        };
        stamp = stampOfHeader(stamp);
        const auto again = writeOutput(one_, "/out", files);
        QVERIFY(again.has_value());
        QCOMPARE(again->toWrite(), 0);
        QVERIFY(files.held() == before);
        QVERIFY(stampOfHeader(later) == stamp);
    }

    void onlyWhatChangedIsWritten() {
        MemoryDisk files;
        QVERIFY(writeOutput(one_, "/out", files).has_value());
        const OutputPlan plan = planOutput(two_, "/out", files);
        for (const PlannedFile& each : plan.files) {
            const bool differs = one_.files.count(each.path) == 0 || two_.files.count(each.path) == 0 ||
                                 one_.files.at(each.path) != two_.files.at(each.path);
            if (each.state != FileState::Yours)
                QVERIFY2((each.state != FileState::Same) == differs, each.path.c_str());
        }
        QVERIFY(writeOutput(two_, "/out", files).has_value());
        QVERIFY(isWhole(files, two_));
    }

    // What was edited by hand stays, even where generation was cut short before.
    void editedFilesStopGeneration() {
        MemoryDisk files;
        QVERIFY(writeOutput(one_, "/out", files).has_value());
        // The second file that is replaced is the last.
        files.fault = MemoryDisk::Fault::Killed;
        int renamed = 0;
        files.beforeCall = [&](int call) {
            if (files.get("/out/demo_scene.c") != one_.files.at("demo_scene.c") && renamed++ == 0)
                files.failAt = call;
        };
        (void)writeOutput(two_, "/out", files);
        files.beforeCall = {};
        files.failAt = 0;
        QVERIFY(renamed > 0);
        files.put("/out/demo_fonts.c", files.get("/out/demo_fonts.c") + "/* mine */\n");
        const auto before = files.held(false);
        const auto refused = writeOutput(three_, "/out", files);
        QVERIFY(!refused.has_value());
        QVERIFY(refused.error().text().find("demo_fonts.c") != std::string::npos);
        QVERIFY(files.held(false) == before);
        QVERIFY(writeOutput(three_, "/out", files, true).has_value());
        QVERIFY(isWhole(files, three_));
    }

    void filesOfOthersStopGeneration() {
        MemoryDisk files;
        files.put("/out/demo_scene.c", "int main(void) { return 0; }\n");
        QCOMPARE(stateIn(planOutput(one_, "/out", files), "demo_scene.c"), FileState::Foreign);
        QVERIFY(!writeOutput(one_, "/out", files).has_value());
        QCOMPARE(files.held().size(), size_t{1});
    }

    void theUsersPortIsNeverTouched() {
        MemoryDisk files;
        files.put("/out/demo_port.c", "/* all mine */\n");
        QVERIFY(writeOutput(one_, "/out", files, true).has_value());
        QVERIFY(writeOutput(two_, "/out", files, true).has_value());
        QCOMPARE(files.get("/out/demo_port.c"), std::string("/* all mine */\n"));
    }

    // A record that someone tampered with can't make generation remove or replace what it never wrote.
    void strangeRecordsAreNotBelieved_data() {
        QTest::addColumn<QByteArray>("record");
        QTest::newRow("no JSON") << QByteArray("{ \"files\": ");
        QTest::newRow("another shape") << QByteArray("[1, 2]");
        QTest::newRow("files are no list") << QByteArray("{\"files\": 7}");
        QTest::newRow("numbers for hashes") << QByteArray("{\"files\": {\"notes.txt\": 5, \"demo.h\": [1, null, {}]}}");
        QTest::newRow("paths that lead out")
            << QByteArray("{\"files\": {\"../secret\": \"x\", \"/etc/passwd\": \"x\", \"gorse/../../secret\": \"x\"}}");
        QTest::newRow("what is not ours") << QByteArray("{\"files\": {\"notes.txt\": \"0000\"}}");
    }

    void strangeRecordsAreNotBelieved() {
        QFETCH(QByteArray, record);
        MemoryDisk files;
        files.put("/out/MANIFEST.json", record.toStdString());
        files.put("/out/notes.txt", "mine");
        files.put("/secret", "also mine");
        for (const PlannedFile& each : planOutput(one_, "/out", files).files)
            QVERIFY2(each.state != FileState::Gone && each.path.find("..") == std::string::npos, each.path.c_str());
        (void)writeOutput(one_, "/out", files, true);
        QCOMPARE(files.get("/out/notes.txt"), std::string("mine"));
        QCOMPARE(files.get("/secret"), std::string("also mine"));
    }

    // Hooks are renamed in the rules while the user's file stays: both ends are named.
    void hooksAreComparedWithTheUsersFile_data() {
        QTest::addColumn<QString>("text");
        QTest::addColumn<QStringList>("missing");
        QTest::addColumn<QStringList>("stale");
        const QStringList all{"kiln_hook_panel_light", "kiln_hook_stop",  "kiln_hook_hold",
                              "kiln_hook_acknowledge", "kiln_hook_sound", "kiln_hook_check_pin",
                              "kiln_hook_choose"};
        QTest::newRow("nothing") << "" << all << QStringList();
        QTest::newRow("declared only") << "void kiln_hook_stop(void);" << all << QStringList();
        QTest::newRow("called only") << "int f(void) { kiln_hook_stop(); if (kiln_hook_hold(1)) { } return 0; }" << all
                                     << QStringList();
        QTest::newRow("in comments and texts")
            << "// void kiln_hook_stop(void) {}\n/* void kiln_hook_hold(uint8_t v) {} */ const char *t = \"\\\" void "
               "kiln_hook_acknowledge(int32_t v) {}\";"
            << all << QStringList();
        QTest::newRow("renamed")
            << "void kiln_hook_halt(void)\n{\n}\nvoid kiln_hook_hold(uint8_t value_1) { (void)value_1; }\nvoid "
               "kiln_hook_acknowledge(\n    int32_t /* which */ value_1) {}\n"
            << QStringList{"kiln_hook_panel_light", "kiln_hook_stop", "kiln_hook_sound", "kiln_hook_check_pin",
                           "kiln_hook_choose"}
            << QStringList{"kiln_hook_halt"};
        QTest::newRow("part of another name") << "void my_kiln_hook_stop(void) {}" << all << QStringList();
        QTest::newRow("cut off") << "void kiln_hook_stop(void" << all << QStringList();
        QTest::newRow("open literal") << "char c = '" << all << QStringList();
    }
    void hooksAreComparedWithTheUsersFile() {
        QFETCH(QString, text);
        SceneBuilder builder;
        const HookCheck check = checkHooks(generateCode(*builder.build(openKiln())), text.toStdString());
        const auto names = [](const std::vector<std::string>& list) {
            QStringList out;
            for (const std::string& each : list)
                out << QString::fromStdString(each);
            return out;
        };
        QTEST(names(check.missing), "missing");
        QTEST(names(check.stale), "stale");
    }

    void hookProblemsNameTheRemedy() {
        QTemporaryDir dir;
        Disk disk;
        SceneBuilder builder;
        const GeneratedCode code = generateCode(*builder.build(openKiln()));
        QVERIFY(hookProblems(code, dir.path().toStdString(), disk).empty());
        QVERIFY(writeOutput(code, dir.path().toStdString(), disk).has_value());
        QVERIFY(hookProblems(code, dir.path().toStdString(), disk).empty());
        Document renamed = openKiln();
        auto rules = *renamed.rules;
        for (RuleFile& each : rules)
            for (size_t at; (at = each.text.find("call stop(")) != std::string::npos;)
                each.text.replace(at, 10, "call halt(");
        renamed.rules = std::make_shared<std::vector<RuleFile>>(rules);
        const Problems problems = hookProblems(generateCode(*builder.build(renamed)), dir.path().toStdString(), disk);
        QCOMPARE(problems.size(), size_t{2});
        QCOMPARE(QString::fromStdString(problems[0].text()),
                 QString("kiln_port.c: no rule calls kiln_hook_stop. Rename it to kiln_hook_halt if that is the hook's "
                         "new name"));
        QVERIFY(problems[1].severity == Severity::Warning);
    }
};

GORSEFINCH_TEST(TestOutputFolder, Nothing)
#include "tst_output_folder.moc"
