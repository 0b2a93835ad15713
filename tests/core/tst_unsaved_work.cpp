// SPDX-License-Identifier: GPL-3.0-or-later
// The journal of unsaved work: brought back after a crash, kept until it is dropped, and never lost when it is damaged.
#include <QtTest>

#include "core/project/journal_text.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

const char* const folder = "/p";

MemoryDisk diskWith(const ProjectFiles& files) {
    MemoryDisk out;
    putProject(out, files, folder);
    return out;
}

}  // namespace

class TestUnsavedWork : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void theJournalBringsBackUnsavedWork() {
        QTemporaryDir dir;
        Disk disk;
        const std::string path = dir.path().toStdString();
        ProjectFolder project(disk, path);
        const Document first = makeDocument();
        QVERIFY(project.save(first));
        const Document second = addWidgets(first, "first", {makeWidget("kept", Kind::Text, 1, 2, 3, 4)});
        QVERIFY2(!project.writeJournal(second), "without the lock, nothing is kept");
        QVERIFY(!*project.own());
        QVERIFY(project.writeJournal(second));
        project.disown();
        ProjectFolder again(disk, path);
        QVERIFY(!*again.own());
        QCOMPARE(again.open().document->screens[0]->widgets.size(), size_t{0});
        const auto restored = *again.journal();
        QVERIFY(restored && restored->screens[0]->widgets.size() == 1);
        QVERIFY(again.save(*restored));
        QVERIFY(!*again.journal());
    }

    // Unsaved work of two crashes waits, latest first, whatever is edited and saved meanwhile.
    void unsavedWorkWaitsUntilItIsDropped() {
        QTemporaryDir dir;
        Disk disk;
        const std::string path = dir.path().toStdString();
        const Document saved = makeDocument();
        const auto with = [](const Document& on, const char* name) {
            return addWidgets(on, "first", {makeWidget(name, Kind::Text, 1, 2, 3, 4)});
        };
        const auto firstWidget = [](const Document& in) { return in.screens[0]->widgets.front()->name; };
        {
            ProjectFolder project(disk, path);
            QVERIFY(project.save(saved));
            QVERIFY(!*project.own());
            QVERIFY(project.writeJournal(with(saved, "before_first_crash")));
        }
        {
            ProjectFolder project(disk, path);
            QVERIFY(!*project.own());
            const Document opened = *project.open().document;
            QVERIFY(project.keepUnsaved(opened));
            QVERIFY(!*project.journal());
            QCOMPARE(firstWidget(project.latestUnsaved()->document), std::string("before_first_crash"));
            QVERIFY(project.save(with(opened, "saved_since")));
            QVERIFY(project.writeJournal(with(opened, "before_second_crash")));
        }
        ProjectFolder project(disk, path);
        const Document opened = *project.open().document;
        QCOMPARE(firstWidget(opened), std::string("saved_since"));
        QVERIFY(project.keepUnsaved(opened));
        const auto latest = project.latestUnsaved();
        QCOMPARE(firstWidget(latest->document), std::string("before_second_crash"));
        project.dropUnsaved(latest->file);
        const auto earlier = project.latestUnsaved();
        QCOMPARE(firstWidget(earlier->document), std::string("before_first_crash"));
        project.dropUnsaved("gorsefinch.json");  // what is not unsaved work stays
        QVERIFY(project.open().document);
        project.dropUnsaved(earlier->file);
        QVERIFY(!project.latestUnsaved());
    }

    // A journal that says what is saved is no unsaved work, and one that can't be kept stays where it is.
    void aJournalIsKeptOnlyIfItTellsSomething() {
        MemoryDisk faulty = diskWith(toFiles(makeDocument()));
        ProjectFolder project(faulty, folder);
        QVERIFY(!*project.own());
        const Document saved = *project.open().document;
        QVERIFY(project.writeJournal(addWidgets(saved, "first", {makeWidget("kept", Kind::Text, 1, 2, 3, 4)})));
        faulty.fault = MemoryDisk::Fault::Full;
        faulty.failAt = faulty.calls + 1;
        QVERIFY(!project.keepUnsaved(saved));
        faulty.failAt = 0;
        QVERIFY(*project.journal());
        QVERIFY(!project.latestUnsaved());
        QVERIFY(project.keepUnsaved(**project.journal()));
        QVERIFY(!*project.journal());
        QVERIFY(!project.latestUnsaved());
    }

    // A journal that cannot be read is reported and kept, even one of 400,000 nested lists.
    void aBrokenJournalIsKeptAndTold_data() {
        QTest::addColumn<QByteArray>("bytes");
        QTest::newRow("garbage") << QByteArray("\xbf\xff garbage");
        QTest::newRow("empty") << QByteArray();
        QTest::newRow("400,000 bytes 0x81") << QByteArray(400000, static_cast<char>(0x81));
        QTest::newRow("cut off") << QByteArray::fromStdString(journalText(toFiles(makeDocument()))).chopped(7);
        QByteArray flipped = QByteArray::fromStdString(journalText(toFiles(makeDocument())));
        flipped[flipped.size() - 20] = '#';
        QTest::newRow("one byte is another") << flipped;
    }

    void aBrokenJournalIsKeptAndTold() {
        QFETCH(QByteArray, bytes);
        MemoryDisk faulty = diskWith(toFiles(makeDocument()));
        faulty.put("/p/.gorsefinch-journal", bytes.toStdString());
        faulty.put("/p/.gorsefinch-unsaved-001", bytes.toStdString());
        ProjectFolder project(faulty, folder);
        QVERIFY(!*project.own());
        const ReadProject read = project.open();
        QVERIFY(read.document && read.problems.empty());
        const auto kept = project.keepUnsaved(*read.document);
        QVERIFY(!kept && !kept.error().file.empty() && !kept.error().remedy.empty());
        QCOMPARE(faulty.get("/p/.gorsefinch-unreadable-1"), bytes.toStdString());
        QVERIFY(!faulty.has("/p/.gorsefinch-journal"));
        QVERIFY(!project.latestUnsaved());
        QCOMPARE(faulty.get("/p/.gorsefinch-unsaved-001"), bytes.toStdString());
    }

    // Names with numbers beyond an int, or without a number, are not this program's.
    void strangeNumbersOfUnsavedWork() {
        MemoryDisk faulty = diskWith(toFiles(makeDocument()));
        for (const char* name : {"99999999999999999999", "", "-1", "1", "00x", "999999"})
            faulty.put(std::string("/p/.gorsefinch-unsaved-") + name, "mine");
        faulty.put("/p/.gorsefinch-unsaved-99999", "the last number");
        const auto before = faulty.held();
        ProjectFolder project(faulty, folder);
        QVERIFY(!*project.own());
        const Document saved = *project.open().document;
        QVERIFY(project.writeJournal(addWidgets(saved, "first", {makeWidget("kept", Kind::Text, 1, 2, 3, 4)})));
        QVERIFY(project.keepUnsaved(saved));
        QCOMPARE(project.latestUnsaved()->file, std::string(".gorsefinch-unsaved-001"));
        project.dropUnsaved(".gorsefinch-unsaved-001");
        project.dropUnsaved(".gorsefinch-unsaved-1");
        project.disown();
        QVERIFY(faulty.held() == before);
    }
};

GORSEFINCH_TEST(TestUnsavedWork, Nothing)
#include "tst_unsaved_work.moc"
