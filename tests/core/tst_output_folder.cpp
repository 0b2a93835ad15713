// SPDX-License-Identifier: GPL-3.0-or-later
// Generated files on the disk: what may be replaced, what is never touched, and what is left when writing fails halfway.
#include <QtTest>

#include "core/emit/output_folder.h"
#include "tests/support/projects.h"

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
bool isWhole(const FaultyFiles& files, const GeneratedCode& code) {
    return std::all_of(code.files.begin(), code.files.end(), [&](const auto& file) {
        const auto there = files.held.find("/out/" + file.first);
        return there != files.held.end() && there->second == file.second;
    });
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
        FaultyFiles files;
        QVERIFY(writeOutput(one_, "/out", files).has_value());
        QVERIFY(isWhole(files, one_));
        files.changes = 0;
        const auto again = writeOutput(one_, "/out", files);
        QVERIFY(again.has_value());
        QCOMPARE(again->toWrite(), 0);
        QCOMPARE(files.changes, 0);
    }

    void onlyWhatChangedIsWritten() {
        FaultyFiles files;
        QVERIFY(writeOutput(one_, "/out", files).has_value());
        const OutputPlan plan = planOutput(two_, "/out", files);
        for (const PlannedFile& each : plan.files) {
            const bool differs = one_.files.count(each.path) == 0 || two_.files.count(each.path) == 0 || one_.files.at(each.path) != two_.files.at(each.path);
            if (each.state != FileState::Yours)
                QVERIFY2((each.state != FileState::Same) == differs, each.path.c_str());
        }
        QVERIFY(writeOutput(two_, "/out", files).has_value());
        QVERIFY(isWhole(files, two_));
    }

    // A full disk or a lost one at each change in turn, once or from then on: every generated file is whole, the former or
    // the new one; and the next generation, even of yet another interface, goes through.
    void writingMayFailAnywhere_data() {
        QTest::addColumn<bool>("stays");
        QTest::newRow("once") << false;
        QTest::newRow("for good") << true;
    }

    void writingMayFailAnywhere() {
        QFETCH(bool, stays);
        FaultyFiles before;
        QVERIFY(writeOutput(one_, "/out", before).has_value());
        before.held["/out/notes.txt"] = "mine";
        int failures = 0;
        for (int at = 1;; ++at) {
            FaultyFiles files = before;
            files.changes = 0;
            files.failAt = at;
            files.stays = stays;
            const bool done = writeOutput(two_, "/out", files).has_value();
            for (const auto& [path, text] : two_.files)
                if (path != "MANIFEST.json") {
                    const std::string& there = files.held["/out/" + path];
                    const auto former = one_.files.find(path);
                    QVERIFY2(there == text || (former != one_.files.end() && there == former->second) || (former == one_.files.end() && there.empty()), path.c_str());
                    if (there.empty())
                        files.held.erase("/out/" + path);
                }
            files.failAt = 0;
            const auto next = writeOutput(three_, "/out", files);
            QVERIFY2(next.has_value(), next ? "" : next.error().text().c_str());
            QVERIFY(isWhole(files, three_));
            QCOMPARE(files.held["/out/notes.txt"], std::string("mine"));
            QVERIFY(planOutput(three_, "/out", files).toWrite() == 0);
            if (done)
                break;
            ++failures;
        }
        QVERIFY(failures >= 4);
    }

    // What was edited by hand stays, even where generation was cut short before.
    void editedFilesStopGeneration() {
        FaultyFiles files;
        QVERIFY(writeOutput(one_, "/out", files).has_value());
        files.changes = 0;
        files.failAt = 4;
        (void)writeOutput(two_, "/out", files);
        files.failAt = 0;
        files.held["/out/demo_fonts.c"] += "/* mine */\n";
        const auto before = files.held;
        const auto refused = writeOutput(three_, "/out", files);
        QVERIFY(!refused.has_value());
        QVERIFY(refused.error().text().find("demo_fonts.c") != std::string::npos);
        QVERIFY(files.held == before);
        QVERIFY(writeOutput(three_, "/out", files, true).has_value());
        QVERIFY(isWhole(files, three_));
    }

    void filesOfOthersStopGeneration() {
        FaultyFiles files;
        files.held["/out/demo_scene.c"] = "int main(void) { return 0; }\n";
        QCOMPARE(stateIn(planOutput(one_, "/out", files), "demo_scene.c"), FileState::Foreign);
        QVERIFY(!writeOutput(one_, "/out", files).has_value());
        QCOMPARE(files.held.size(), size_t{1});
    }

    void theUsersPortIsNeverTouched() {
        FaultyFiles files;
        files.held["/out/demo_port.c"] = "/* all mine */\n";
        QVERIFY(writeOutput(one_, "/out", files, true).has_value());
        QVERIFY(writeOutput(two_, "/out", files, true).has_value());
        QCOMPARE(files.held["/out/demo_port.c"], std::string("/* all mine */\n"));
    }

    // A record that someone tampered with can't make generation remove or replace what it never wrote.
    void strangeRecordsAreNotBelieved_data() {
        QTest::addColumn<QByteArray>("record");
        QTest::newRow("no JSON") << QByteArray("{ \"files\": ");
        QTest::newRow("another shape") << QByteArray("[1, 2]");
        QTest::newRow("files are no list") << QByteArray("{\"files\": 7}");
        QTest::newRow("numbers for hashes") << QByteArray("{\"files\": {\"notes.txt\": 5, \"demo.h\": [1, null, {}]}}");
        QTest::newRow("paths that lead out") << QByteArray("{\"files\": {\"../secret\": \"x\", \"/etc/passwd\": \"x\", \"gorse/../../secret\": \"x\"}}");
        QTest::newRow("what is not ours") << QByteArray("{\"files\": {\"notes.txt\": \"0000\"}}");
    }

    void strangeRecordsAreNotBelieved() {
        QFETCH(QByteArray, record);
        FaultyFiles files;
        files.held["/out/MANIFEST.json"] = record.toStdString();
        files.held["/out/notes.txt"] = "mine";
        files.held["/secret"] = "also mine";
        for (const PlannedFile& each : planOutput(one_, "/out", files).files)
            QVERIFY2(each.state != FileState::Gone && each.path.find("..") == std::string::npos, each.path.c_str());
        (void)writeOutput(one_, "/out", files, true);
        QCOMPARE(files.held["/out/notes.txt"], std::string("mine"));
        QCOMPARE(files.held["/secret"], std::string("also mine"));
    }
};

QTEST_APPLESS_MAIN(TestOutputFolder)
#include "tst_output_folder.moc"
