// SPDX-License-Identifier: GPL-3.0-or-later
// A disk that fails: every call of opening, saving, journaling, recovering, generating and exporting in turn, in each
// way that a disk can, and a loss of power at every point. Afterwards the project is the old or the new one, never a
// mixture, and what was reported is true.
#include <QtTest>

#include "core/base/file_writer.h"
#include "core/edits/image_edits.h"
#include "core/emit/output_folder.h"
#include "core/project/journal_text.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr const char* kFolder = "/p";
// Ways in which unsynced writes may be lost, at each point. The sanitizers look for other mistakes, and slow it down.
#if defined(__has_feature)
#if __has_feature(address_sanitizer)
#define WITH_SANITIZER
#endif
#endif
#ifdef WITH_SANITIZER
constexpr unsigned kPowerLosses = 1;
#else
constexpr unsigned kPowerLosses = 3;
#endif

using Fault = MemoryDisk::Fault;
// Returns whether it reports success.
using Job = std::function<bool(MemoryDisk& disk)>;
using Check = std::function<void(MemoryDisk& disk, bool reported, const char* where)>;

// Runs a job on copies of a disk, each with a fault at another call, until it gets through without meeting it. The disk
// is checked after each, and as a loss of power right then could leave it.
void failEverywhere(const MemoryDisk& start, Fault fault, const Job& job, const Check& check, int min,
                    unsigned powerLosses = kPowerLosses) {
    int faults = 0;
    for (int at = 1;; ++at) {
        MemoryDisk disk = start;
        disk.fault = fault;
        disk.failAt = disk.calls + at;
        const bool reported = job(disk);
        const bool met = disk.calls >= disk.failAt;
        disk.failAt = 0;
        const std::string where = "call " + std::to_string(at);
        for (unsigned seed = 0; seed < powerLosses; ++seed) {
            MemoryDisk later = disk.afterPowerLoss(static_cast<unsigned>(at) * 100 + seed);
            check(later, reported, (where + ", power lost").c_str());
            if (QTest::currentTestFailed())
                return;
        }
        check(disk, reported, where.c_str());
        if (QTest::currentTestFailed())
            return;
        if (!met) {
            QVERIFY2(reported, "without a fault it must get through");
            break;
        }
        ++faults;
    }
    QVERIFY2(faults >= min, qPrintable(QString("only %1 calls").arg(faults)));
}

constexpr int kNever = 1 << 30;

// Ends the fault; returns whether it happened.
bool endFault(MemoryDisk& disk) { return disk.calls >= std::exchange(disk.failAt, 0); }

void addFaults() {
    QTest::addColumn<int>("fault");
    QTest::newRow("error") << static_cast<int>(Fault::Error);
    QTest::newRow("short") << static_cast<int>(Fault::Short);
    QTest::newRow("full") << static_cast<int>(Fault::Full);
    QTest::newRow("killed") << static_cast<int>(Fault::Killed);
}

std::map<std::string, std::string> texts(const Document& document) {
    std::map<std::string, std::string> out;
    for (const auto& [path, bytes] : toFiles(document))
        out[path] = bytes.text();
    return out;
}

// A project that a program opened to write.
struct Owner {
    explicit Owner(MemoryDisk& disk) : project(disk, kFolder) {
        const auto other = project.own();
        read = project.open();
        isOpen = other && !*other && read.document;
        isWhole = isOpen && read.problems.empty();
    }
    ProjectFolder project;
    ReadProject read;
    bool isOpen = false, isWhole = false;  // whole: without a problem
};

GeneratedCode codeSaying(const std::string& words) {
    SceneBuilder builder;
    return generateCode(*builder.build(
        addWidgets(makeDocument(), "first", {makeWidget("go_button", Kind::Button, 0, 0, 40, 20, {{"text", words}})})));
}

}  // namespace

class TestDiskFaults : public QObject {
    Q_OBJECT

    // The project before and after an edit that changes, adds, removes and renames.
    Document before_, after_;
    std::map<std::string, std::string> oldTexts_, newTexts_;
    MemoryDisk start_;

    // The project on disk is one of the two, read-only and for the next owner, and the user's own files are unchanged.
    void checkProject(MemoryDisk& disk, bool mustBeNew, const char* where) const {
        QCOMPARE(disk.get("/p/notes.txt"), std::string("mine"));
        QCOMPARE(disk.get("/p/images/sketch.txt"), std::string("also mine"));
        for (const bool owns : {false, true}) {
            ProjectFolder project(disk, kFolder);
            if (owns)
                QVERIFY2(!*project.own(), where);
            const ReadProject read = project.open();
            QVERIFY2(
                read.document && read.problems.empty(),
                qPrintable(QString("%1: %2").arg(where, read.problems.empty() ? "" : read.problems[0].text().c_str())));
            const auto now = texts(*read.document);
            QVERIFY2(now == newTexts_ || (!mustBeNew && now == oldTexts_),
                     qPrintable(QString("%1: a mixture, or a reported save is missing").arg(where)));
            if (owns)
                QVERIFY2(!disk.has("/p/.gorsefinch-save"), where);
        }
        for (const auto& [path, bytes] : disk.held())
            QVERIFY2(path.find("save-part") == std::string::npos, where);
        // Whatever happened, saving goes on from here.
        ProjectFolder project(disk, kFolder);
        (void)project.open();
        QVERIFY2(project.save(after_).has_value(), where);
        QCOMPARE(disk.get("/p/rules/main.rules"), newTexts_.at("rules/main.rules"));
    }

    // The disk with unsaved work in the journal, and nobody who has the project.
    MemoryDisk withJournal(const Document& work) const {
        MemoryDisk disk = start_;
        ProjectFolder project(disk, kFolder);
        (void)project.own();
        (void)project.open();
        (void)project.writeJournal(work);
        project.disown();
        return disk;
    }

  private Q_SLOTS:
    void initTestCase() {
        before_ = withVariable(makeDocument({"first", "second", "third"}), makeNumber("level", 0, 9, 0));
        before_ = withRules(before_, "main", "// some\n");
        before_ = addImage(before_, "dot.pgm", std::make_shared<const FileContents>("P2 1 1 255 7\n"));
        after_ = addScreen(removeScreen(before_, 1), 0, "fresh");
        after_ = withRules(after_, "main", "// other\n");
        after_ = addImage(after_, "spot.pgm", std::make_shared<const FileContents>("P2 1 1 255 9\n"));
        after_.name = "renamed";
        oldTexts_ = texts(before_);
        newTexts_ = texts(after_);
        putProject(start_, toFiles(before_), kFolder);
        start_.put("/p/notes.txt", "mine");
        start_.put("/p/images/sketch.txt", "also mine");
    }

    void saving_data() { addFaults(); }
    void saving() {
        QFETCH(int, fault);
        MemoryDisk start = start_;
        // Some file systems can't exchange two names in one step.
        for (const bool exchange : {true, false}) {
            start.knowsExchange = exchange;
            failEverywhere(
                start, static_cast<Fault>(fault),
                [&](MemoryDisk& disk) {
                    Owner owner(disk);
                    return owner.isWhole && owner.project.save(after_).has_value();
                },
                [&](MemoryDisk& disk, bool reported, const char* where) { checkProject(disk, reported, where); }, 60);
        }
    }

    // A save fails after its record, then an undo and another save: each reports what is on disk.
    void savingAgainAfterAFault_data() { addFaults(); }
    void savingAgainAfterAFault() {
        QFETCH(int, fault);
        if (static_cast<Fault>(fault) == Fault::Killed)
            return;
        failEverywhere(
            start_, static_cast<Fault>(fault),
            [&](MemoryDisk& disk) {
                Owner owner(disk);
                if (!owner.isWhole)
                    return false;
                const bool first = owner.project.save(after_).has_value();
                const bool met = endFault(disk);
                const bool undone = owner.project.save(before_).has_value();
                const auto now = texts(*ProjectFolder(disk, kFolder).open().document);
                const bool isBefore = now == texts(before_);
                const bool again = owner.project.save(after_).has_value();
                disk.failAt = met ? 1 : kNever;
                return undone && isBefore && again && (first || met);
            },
            [&](MemoryDisk& disk, bool reported, const char* where) { checkProject(disk, reported, where); }, 60);
    }

    // Files that could not be read are neither overwritten nor deleted by the next save.
    void openingAndSavingOn_data() { addFaults(); }
    void openingAndSavingOn() {
        QFETCH(int, fault);
        failEverywhere(
            start_, static_cast<Fault>(fault),
            [&](MemoryDisk& disk) {
                Owner owner(disk);
                if (!owner.isOpen)
                    return false;
                const bool met = endFault(disk);
                const bool saved =
                    owner.project.save(withVariable(*owner.read.document, makeNumber("fresh_one", 0, 9, 0)))
                        .has_value();
                disk.failAt = met ? 1 : kNever;
                return saved && owner.isWhole;
            },
            [&](MemoryDisk& disk, bool, const char* where) {
                for (const auto& [path, text] : oldTexts_)
                    if (path != "gorsefinch.json")
                        QVERIFY2(disk.get("/p/" + path) == text,
                                 qPrintable(QString("%1: %2").arg(where, path.c_str())));
                const ReadProject read = ProjectFolder(disk, kFolder).open();
                QVERIFY2(read.document && read.problems.empty(), where);
                QVERIFY2(read.document->screens.size() == before_.screens.size() &&
                             read.document->images->size() == before_.images->size(),
                         where);
            },
            20);
    }

    void journaling_data() { addFaults(); }
    void journaling() {
        QFETCH(int, fault);
        const Document first = withVariable(before_, makeNumber("one", 0, 9, 0)),
                       second = withVariable(first, makeNumber("two", 0, 9, 0));
        failEverywhere(
            withJournal(first), static_cast<Fault>(fault),
            [&](MemoryDisk& disk) {
                Owner owner(disk);
                return owner.isWhole && owner.project.writeJournal(second).has_value();
            },
            [&](MemoryDisk& disk, bool reported, const char* where) {
                ProjectFolder project(disk, kFolder);
                QVERIFY(!*project.own());
                QCOMPARE(texts(*project.open().document), texts(before_));
                const auto journal = project.journal();
                QVERIFY2(journal && *journal, where);
                QVERIFY2((*journal)->variable("one") && (!reported || (*journal)->variable("two")), where);
            },
            30);
    }

    // Work of a crash is never lost, even if the user edits and saves after it could not be moved.
    void recovering_data() { addFaults(); }
    void recovering() {
        QFETCH(int, fault);
        const Document work = withVariable(before_, makeNumber("unsaved_one", 0, 9, 0)),
                       later = withVariable(before_, makeNumber("later_one", 0, 9, 0));
        failEverywhere(
            withJournal(work), static_cast<Fault>(fault),
            [&](MemoryDisk& disk) {
                Owner owner(disk);
                if (!owner.isOpen)
                    return false;
                const bool kept =
                    owner.project.keepUnsaved(*owner.read.document).has_value() && owner.project.latestUnsaved();
                const bool met = endFault(disk);
                if (static_cast<Fault>(fault) != Fault::Killed || !met) {
                    (void)owner.project.writeJournal(later);
                    if (owner.isWhole)
                        (void)owner.project.save(later);
                }
                disk.failAt = met ? 1 : kNever;
                return kept && owner.isWhole;
            },
            [&](MemoryDisk& disk, bool reported, const char* where) {
                Owner owner(disk);
                QVERIFY2(owner.isWhole, where);
                QVERIFY2(!reported || owner.project.latestUnsaved(), where);
                (void)owner.project.keepUnsaved(*owner.read.document);
                bool kept = false;
                while (const auto unsaved = owner.project.latestUnsaved()) {
                    kept = kept || unsaved->document.variable("unsaved_one");
                    owner.project.dropUnsaved(unsaved->file);
                }
                // A journal that could not be read was renamed.
                const auto aside = readJournalText("aside", disk.get("/p/.gorsefinch-unreadable-1"));
                QVERIFY2(kept || (aside && !aside->empty()), where);
            },
            40);
    }

    // The save was interrupted after its record, at each call, and now completing it fails as well.
    void completingASave_data() { addFaults(); }
    void completingASave() {
        QFETCH(int, fault);
        int interrupted = 0;
        for (int at = 1;; at += 6) {
            MemoryDisk cut = start_;
            Owner owner(cut);
            const int from = cut.calls;
            cut.fault = Fault::Killed;
            cut.failAt = from + at;
            (void)owner.project.save(after_);
            const bool met = endFault(cut);
            owner.project.disown();
            if (cut.has("/p/.gorsefinch-save")) {
                ++interrupted;
                failEverywhere(
                    cut, static_cast<Fault>(fault), [&](MemoryDisk& disk) { return Owner(disk).isWhole; },
                    [&](MemoryDisk& disk, bool, const char* where) { checkProject(disk, true, where); }, 20, 1);
                if (QTest::currentTestFailed())
                    return;
            }
            if (!met)
                break;
        }
        QVERIFY(interrupted >= 4);
    }

    void generating_data() { addFaults(); }
    void generating() {
        QFETCH(int, fault);
        const GeneratedCode one = codeSaying("Go"), two = codeSaying("Start"), three = codeSaying("Onwards");
        MemoryDisk start;
        start.putFolder("/out");
        QVERIFY(writeOutput(one, "/out", start).has_value());
        start.put("/out/notes.txt", "mine");
        const auto isWhole = [](const MemoryDisk& disk, const GeneratedCode& code) {
            return std::all_of(code.files.begin(), code.files.end(),
                               [&](const auto& file) { return disk.get("/out/" + file.first) == file.second; });
        };
        failEverywhere(
            start, static_cast<Fault>(fault),
            [&](MemoryDisk& disk) { return writeOutput(two, "/out", disk).has_value(); },
            [&](MemoryDisk& disk, bool reported, const char* where) {
                QVERIFY2(!reported || isWhole(disk, two), where);
                for (const auto& [path, text] : two.files)
                    if (path != "MANIFEST.json") {
                        const std::string there = disk.get("/out/" + path);
                        const auto former = one.files.find(path);
                        QVERIFY2(there == text || (former != one.files.end() ? there == former->second : there.empty()),
                                 qPrintable(QString("%1: %2").arg(where, path.c_str())));
                    }
                const auto next = writeOutput(three, "/out", disk);
                QVERIFY2(next.has_value(),
                         qPrintable(QString("%1: %2").arg(where, next ? "" : next.error().text().c_str())));
                QVERIFY2(isWhole(disk, three), where);
                QCOMPARE(disk.get("/out/notes.txt"), std::string("mine"));
                QCOMPARE(planOutput(three, "/out", disk).toWrite(), 0);
            },
            40);
    }

    void exporting_data() { addFaults(); }
    void exporting() {
        QFETCH(int, fault);
        MemoryDisk start;
        start.put("/out/picture.c", "the old one");
        start.put("/out/picture.c.new", "mine");
        const std::string fresh(100000, 'n');
        for (const bool piecewise : {false, true})
            failEverywhere(
                start, static_cast<Fault>(fault),
                [&](MemoryDisk& disk) {
                    if (!piecewise)
                        return replaceFile(disk, "/out/picture.c", fresh).has_value();
                    auto writer = FileWriter::open(disk, "/out/picture.c");
                    if (!writer)
                        return false;
                    for (int i = 0; i < 10; ++i)
                        writer->append(std::string(10000, 'n'));
                    return writer->finish().has_value();
                },
                [&](MemoryDisk& disk, bool reported, const char* where) {
                    const std::string now = disk.get("/out/picture.c");
                    QVERIFY2(now == fresh || (!reported && now == "the old one"), where);
                    QCOMPARE(disk.get("/out/picture.c.new"), std::string("mine"));
                },
                6);
    }
};

GORSEFINCH_TEST(TestDiskFaults, Nothing)
#include "tst_disk_faults.moc"
