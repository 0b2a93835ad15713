// SPDX-License-Identifier: GPL-3.0-or-later
// Two programs on one project, the second at every point of what the first does: never mixed, never silent. And
// processes that really run side by side.
#include <sys/wait.h>
#include <unistd.h>

#include <QProcess>
#include <QTemporaryDir>
#include <QtTest>

#include "core/base/files.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr const char* kFolder = "/p";

Document withNumber(const Document& document, const char* name) {
    return withVariable(document, makeNumber(name, 0, 9, 0));
}

// The steps of a program that edits, and their results.
struct Outcome {
    bool owned = false, saved = false;
};
Outcome openEditAndSave(Disk& disk, const char* variable, bool keepsLock = false,
                        std::unique_ptr<ProjectFolder>* kept = nullptr) {
    auto project = std::make_unique<ProjectFolder>(disk, kFolder);
    Outcome out;
    const auto owner = project->own();
    out.owned = owner && !*owner;
    const ReadProject read = project->open();
    if (out.owned && read.document)
        out.saved = project->save(withNumber(*read.document, variable)).has_value();
    if (keepsLock)
        *kept = std::move(project);
    return out;
}

QByteArray bytesOf(const QString& path) {
    QFile file(path);
    return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
}

}  // namespace

class TestTwoPrograms : public QObject {
    Q_OBJECT

    MemoryDisk start_;

  private Q_SLOTS:
    void initTestCase() { putProject(start_, toFiles(makeDocument({"first", "second"})), kFolder); }

    // The second opens, edits and saves at each call of the first, and ends or stays.
    void bothSave_data() {
        QTest::addColumn<bool>("stays");
        QTest::newRow("the second ends") << false;
        QTest::newRow("the second stays") << true;
    }

    void bothSave() {
        QFETCH(bool, stays);
        int bothSaved = 0, refused = 0;
        for (int at = 1;; ++at) {
            MemoryDisk disk = start_;
            Outcome second;
            bool ran = false;
            std::unique_ptr<ProjectFolder> kept;
            const int from = disk.calls;
            disk.beforeCall = [&](int call) {
                if (ran || call < from + at)
                    return;
                ran = true;
                second = openEditAndSave(disk, "theirs", stays, &kept);
            };
            const Outcome first = openEditAndSave(disk, "ours");
            disk.beforeCall = {};
            kept.reset();
            const ReadProject read = ProjectFolder(disk, kFolder).open();
            QVERIFY2(read.document && read.problems.empty(), qPrintable(QString("call %1").arg(at)));
            // Saves that were reported are on disk.
            QVERIFY2(!first.saved || read.document->variable("ours"),
                     qPrintable(QString("call %1: ours is lost").arg(at)));
            QVERIFY2(!second.saved || read.document->variable("theirs"),
                     qPrintable(QString("call %1: theirs is lost").arg(at)));
            QVERIFY(first.saved || second.saved || !ran);
            bothSaved += first.saved && second.saved;
            refused += first.saved != second.saved;
            if (!ran)
                break;
        }
        QVERIFY(refused > 20);
        QVERIFY(stays || bothSaved > 0);
    }

    // Who only reads sees the project before or after a save, at each of its calls.
    void readingWhileAnotherSaves() {
        const Document before = *ProjectFolder(start_, kFolder).open().document;
        Document after = addScreen(removeScreen(withNumber(before, "ours"), 1), 0, "fresh");
        after.name = "renamed";
        const auto oldFiles = toFiles(before), newFiles = toFiles(after);
        int old = 0, fresh = 0;
        MemoryDisk disk = start_;
        ProjectFolder project(disk, kFolder);
        QVERIFY(!*project.own());
        (void)project.open();
        bool inside = false;
        disk.beforeCall = [&](int call) {
            if (std::exchange(inside, true))
                return;
            const ReadProject read = ProjectFolder(disk, kFolder).open();
            QVERIFY2(read.document && read.problems.empty(), qPrintable(QString("call %1").arg(call)));
            const auto now = toFiles(*read.document);
            QVERIFY2(now == oldFiles || now == newFiles, "a mixture");
            (now == oldFiles ? old : fresh) += 1;
            inside = false;
        };
        QVERIFY(project.save(after));
        disk.beforeCall = {};
        QVERIFY(old > 10 && fresh > 10);
    }

    // A program that knows nothing of locks writes a file at each call of a save: what it wrote stays, or is kept
    // beside.
    void anEditorWritesMeanwhile() {
        const bool exchanges = true;
        const std::string theirs = "// from an editor\n";
        int told = 0, kept = 0;
        MemoryDisk start = start_;
        start.put("/p/gorsefinch.json",
                  std::string(toFiles(withRules(makeDocument({"first", "second"}), "main", "// old\n"))
                                  .at("gorsefinch.json")
                                  .text()));
        start.put("/p/rules/main.rules", "// old\n");
        for (int at = 1;; ++at) {
            MemoryDisk disk = start;
            ProjectFolder project(disk, kFolder);
            QVERIFY(!*project.own());
            const Document ours = withRules(*project.open().document, "main", "// ours\n");
            bool ran = false;
            const int from = disk.calls;
            disk.beforeCall = [&](int call) {
                if (std::exchange(ran, ran || call >= from + at) || call < from + at)
                    return;
                disk.put("/p/rules/main.rules", theirs);
            };
            const auto saved = project.save(ours);
            disk.beforeCall = {};
            told += !saved;
            // Wherever it struck, both versions are there.
            const bool inPlace = disk.get("/p/rules/main.rules") == theirs,
                       beside = disk.get("/p/rules/main.rules.theirs-1") == theirs;
            QVERIFY2(!ran || inPlace || beside, qPrintable(QString("call %1: theirs is lost").arg(at)));
            QVERIFY2(!beside || !project.takeNotices().empty(), "kept without a word");
            kept += beside;
            if (!ran)
                break;
        }
        QVERIFY(told >= 3 && (!exchanges || kept >= 3));
    }

    void theLockTellsWhoHasIt() {
        MemoryDisk disk = start_;
        ProjectFolder first(disk, kFolder), second(disk, kFolder);
        QVERIFY(!*first.own());
        const auto owner = second.own();
        QVERIFY(owner && *owner && (*owner)->process == getpid() && !(*owner)->host.empty() &&
                !(*owner)->since.empty());
        QVERIFY(first.isOwned() && !second.isOwned());
        // Taken over, the first one finds out and can't save.
        (void)first.open();
        QVERIFY(!*second.own(true));
        QVERIFY(!first.isOwned() && second.isOwned());
        const auto refused = first.save(withNumber(*second.open().document, "late"));
        QVERIFY(!refused && refused.error().text().find("taken over") != std::string::npos);
        QVERIFY(!first.writeJournal(makeDocument()));
        QVERIFY(second.save(withNumber(*second.open().document, "fine")));
        second.disown();
        QVERIFY(!disk.has("/p/.gorsefinch-lock"));
        QVERIFY(!*first.own());
    }

    void aLockOfAnotherHostIsHeldAndOneOfACrashIsNot() {
        MemoryDisk disk = start_;
        disk.put("/p/.gorsefinch-lock",
                 R"({"gorsefinch_lock": 1, "host": "elsewhere", "process": 17, "since": "2026-01-02 03:04"})");
        ProjectFolder project(disk, kFolder);
        const auto owner = project.own();
        QVERIFY(owner && *owner);
        QCOMPARE((*owner)->text(), std::string("process 17 on elsewhere (since 2026-01-02 03:04 UTC)"));
        QVERIFY(!*project.own(true));
        project.disown();
        for (const char* left : {"", "garbage", "{\"gorsefinch_lock\": 1}", "[[[[[[[["}) {
            disk.put("/p/.gorsefinch-lock", left);
            QVERIFY2(!*project.own(), left);
            project.disown();
        }
    }

    // Real processes, all at once.
    void processesGenerateIntoOneFolder() {
        QTemporaryDir dir;
        const QString out = dir.filePath("out");
        std::vector<std::unique_ptr<QProcess>> all;
        for (int i = 0; i < 8; ++i) {
            all.push_back(std::make_unique<QProcess>());
            all.back()->start(BINARY_DIR "/cli/gorsefinch-cli", {"generate", SOURCE_DIR "/examples/hive", "-o", out});
        }
        for (const auto& each : all) {
            QVERIFY(each->waitForFinished(60000));
            QVERIFY2(each->exitCode() == 0, each->readAllStandardError());
        }
        QProcess again;
        again.start(BINARY_DIR "/cli/gorsefinch-cli", {"generate", SOURCE_DIR "/examples/hive", "-o", out});
        QVERIFY(again.waitForFinished(60000));
        QVERIFY(again.readAllStandardOutput().contains("wrote 0 of"));
        QVERIFY(!QFile::exists(out + "/.gorsefinch-lock"));
    }

    // One saves a hundred times while others check and generate.
    void processesReadWhileAnotherSaves() {
        QTemporaryDir dir;
        const std::string path = dir.filePath("project").toStdString();
        Disk disk;
        ProjectFolder project(disk, path);
        const Document one = openExample("hive");
        Document two = addScreen(removeScreen(one, 1), 0, "fresh");
        two = withRules(two, "main", "on start\n    go fresh\n");
        QVERIFY(project.save(one));
        QVERIFY(!*project.own());
        std::vector<std::unique_ptr<QProcess>> readers;
        int failures = 0, reads = 0;
        QElapsedTimer clock;
        clock.start();
        while (clock.elapsed() < 4000 || (reads <= 5 && clock.elapsed() < 60000)) {
            QVERIFY(project.save(reads % 2 == 0 ? two : one));
            while (readers.size() < 2) {
                readers.push_back(std::make_unique<QProcess>());
                readers.back()->start(BINARY_DIR "/cli/gorsefinch-cli", {"generate", QString::fromStdString(path),
                                                                         "--dry-run", "-o", dir.filePath("none")});
            }
            std::erase_if(readers, [&](const auto& each) {
                each->waitForFinished(10);
                if (each->state() != QProcess::NotRunning)
                    return false;
                failures += each->exitCode() != 0;
                ++reads;
                return true;
            });
        }
        for (const auto& each : readers)
            each->waitForFinished(60000);
        QVERIFY(reads > 5);
        QCOMPARE(failures, 0);
        QVERIFY(!bytesOf(dir.filePath("project/gorsefinch.json")).isEmpty());
    }

    // A kill leaves a lock that is taken without asking.
    void aKilledProcessLeavesNothingThatStops() {
        QTemporaryDir dir;
        const std::string path = dir.filePath("project").toStdString();
        Disk disk;
        QVERIFY(ProjectFolder(disk, path).save(makeDocument()));
        const pid_t child = fork();
        if (child == 0) {
            auto* project = new ProjectFolder(*new Disk, path);
            (void)project->own();
            _exit(project->isOwned() ? 7 : 8);
        }
        int status = 0;
        QCOMPARE(waitpid(child, &status, 0), child);
        QCOMPARE(WEXITSTATUS(status), 7);
        QVERIFY(QFile::exists(dir.filePath("project/.gorsefinch-lock")));
        ProjectFolder project(disk, path);
        QVERIFY(!*project.own());
    }
};

GORSEFINCH_TEST(TestTwoPrograms, EventLoop)
#include "tst_two_programs.moc"
