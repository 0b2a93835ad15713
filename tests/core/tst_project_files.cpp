// SPDX-License-Identifier: GPL-3.0-or-later
// A project on disk: the same bytes again, every kind of damage told, nothing lost when a save fails.
#include <QDir>
#include <QTemporaryDir>
#include <QtTest>

#include "tests/support/projects.h"

using namespace gorsefinch;
using namespace support;

namespace {

const char* const folder = "/p";

FaultyFiles disk(const ProjectFiles& files) {
    FaultyFiles out;
    for (const auto& [path, bytes] : files)
        out.held[std::string(folder) + "/" + path] = bytes;
    return out;
}

ReadProject readFiles(const ProjectFiles& files) {
    return fromFiles([&](const std::string& path) -> Result<std::string> {
        const auto found = files.find(path);
        if (found == files.end())
            return failure(path, "", "there is no such file");
        return found->second;
    });
}

// A whole project with the given text as its main file's tail.
ProjectFiles mainWith(const std::string& keys) {
    return {{"gorsefinch.json", "{\"gorsefinch\": 1, \"name\": \"demo\", \"screens\": [\"first\"]" + keys + "}"},
            {"screens/first.json", "{\"name\": \"first\", \"background\": \"#000000\", \"widgets\": []}"}};
}

bool tells(const ReadProject& project, const char* place, const char* reason) {
    return std::any_of(project.problems.begin(), project.problems.end(), [&](const Problem& p) {
        return p.place.find(place) != std::string::npos && p.reason.find(reason) != std::string::npos && !p.file.empty() && !p.remedy.empty();
    });
}

}  // namespace

class TestProjectFiles : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void savedLoadedAndSavedAgainIsTheSame() {
        const ProjectFiles once = toFiles(openKiln());
        const ReadProject read = readFiles(once);
        QVERIFY(read.document.has_value());
        QVERIFY2(read.problems.empty(), read.problems.empty() ? "" : read.problems[0].text().c_str());
        const ProjectFiles twice = toFiles(*read.document);
        QCOMPARE(twice.size(), once.size());
        for (const auto& [path, bytes] : once)
            QVERIFY2(twice.at(path) == bytes, path.c_str());
    }

    void theExampleOnDiskIsAsItWouldBeSaved() {
        for (const char* example : {"kiln", "hive", "enlarger"})
            for (const auto& [path, bytes] : toFiles(openExample(example))) {
                QFile file(QString::fromStdString(examplePath(example) + "/" + path));
                QVERIFY2(file.open(QIODevice::ReadOnly), path.c_str());
                QVERIFY2(file.readAll().toStdString() == bytes, path.c_str());
            }
    }

    // Every property of every kind survives, each with a value that is not its default.
    void everyPropertyIsKept() {
        Document d = makeDocument();
        for (const KindInfo& kind : kinds()) {
            Widget w = makeWidget(kind.key, kind.kind, 1, 2, 3, 4);
            w.visible = false;
            w.locked = true;
            for (const auto& list : {kind.properties, styleProperties()})
                for (const PropertyInfo& p : list) {
                    PropertyValue value = p.fallback;
                    if (p.type == PropertyType::Whole)
                        value = int64_t{p.least + 1};
                    else if (p.type == PropertyType::YesNo)
                        value = !std::get<bool>(p.fallback);
                    else if (p.type == PropertyType::Colour)
                        value = Colour{0x80123456};
                    else if (p.type == PropertyType::Choice)
                        value = std::string(p.choices.back());
                    else
                        value = std::string("näme \"with\" \\ and\nline");
                    w.properties[p.key] = value;
                }
            d = addWidgets(d, "first", {w});
        }
        const ReadProject read = readFiles(toFiles(d));
        QVERIFY2(read.problems.empty(), read.problems.empty() ? "" : read.problems[0].text().c_str());
        for (size_t i = 0; i < kinds().size(); ++i) {
            const Widget &a = *d.screens[0]->widgets[i], &b = *read.document->screens[0]->widgets[i];
            QCOMPARE(b.properties == a.properties, true);
            QCOMPARE(b.kind, a.kind);
            QCOMPARE(b.visible, false);
            QCOMPARE(b.locked, true);
        }
    }

    void variablesAndPanelAreKept() {
        Document d = makeDocument();
        Variable v = makeNumber("level", -125, 9990, 37, 2);
        v.unit = "%";
        v.writer = Writer::Both;
        v.kept = true;
        v.note = "a note";
        d = withVariable(d, v);
        d = withVariable(d, makeYesNo("on_air", true));
        d = withVariable(d, makeText("title", "Größe", 20));
        Panel p;
        p.width = 240;
        p.format = PixelFormat::Rgb888;
        p.turn = 270;
        p.mirrorX = p.mirrorY = p.invert = p.swapRedBlue = true;
        p.columnOffset = 3;
        p.rowOffset = 5;
        p.wordBits = 8;
        d = withPanel(d, p);
        const ReadProject read = readFiles(toFiles(d));
        QVERIFY(read.problems.empty());
        QCOMPARE(*read.document->variables == *d.variables, true);
        const Panel& q = *read.document->panel;
        QCOMPARE(q.turn, 270);
        QCOMPARE(q.format, PixelFormat::Rgb888);
        QVERIFY(q.mirrorX && q.mirrorY && q.invert && q.swapRedBlue && q.wordBits == 8 && q.columnOffset == 3 && q.rowOffset == 5);
    }

    void unknownKeysAreKept() {
        ProjectFiles files = mainWith(", \"panel\": {\"width\": 64, \"height\": 64, \"glow\": {\"a\": [1, 2]}}, \"later\": true");
        files["screens/first.json"] = "{\"name\": \"first\", \"widgets\": [{\"name\": \"t\", \"kind\": \"text\", \"spin\": 3.5}], \"mood\": null}";
        const ReadProject read = readFiles(files);
        QVERIFY(read.document && read.problems.empty());
        const ProjectFiles again = toFiles(*read.document);
        const QString main = QString::fromStdString(again.at("gorsefinch.json")).simplified().remove(' ');
        QVERIFY(main.contains("\"glow\":{\"a\":[1,2]}") && main.contains("\"later\":true"));
        const QString screen = QString::fromStdString(again.at("screens/first.json")).simplified().remove(' ');
        QVERIFY(screen.contains("\"spin\":3.5") && screen.contains("\"mood\":null"));
    }

    void everyTruncationIsAnError() {
        const ProjectFiles whole = toFiles(openKiln());
        for (const char* name : {"gorsefinch.json", "screens/status.json"}) {
            const std::string& text = whole.at(name);
            for (size_t length = 0; length + 2 < text.size(); ++length) {
                ProjectFiles files = whole;
                files[name] = text.substr(0, length);
                const ReadProject read = readFiles(files);
                QVERIFY2(!read.problems.empty(), qPrintable(QString("%1 cut at %2").arg(name).arg(length)));
                QCOMPARE(read.document.has_value(), std::string(name) != "gorsefinch.json");
            }
        }
    }

    // Random damage anywhere: never a crash, always a usable document or a reason.
    void mutations() {
        const ProjectFiles whole = toFiles(openKiln());
        std::srand(7);
        for (int i = 0; i < 1500; ++i) {
            ProjectFiles files = whole;
            std::string& text = files[i % 2 == 0 ? "gorsefinch.json" : "screens/programme.json"];
            for (int k = 0; k < 1 + i % 4; ++k)
                text[static_cast<size_t>(std::rand()) % text.size()] = static_cast<char>("{}[]\",:0x-e9~\n"[std::rand() % 14]);
            const ReadProject read = readFiles(files);
            QVERIFY(read.document.has_value() || !read.problems.empty());
            if (read.document)
                (void)toFiles(*read.document);
        }
    }

    void badInput_data() {
        QTest::addColumn<QString>("keys");
        QTest::addColumn<QString>("place");
        QTest::addColumn<QString>("reason");
        QTest::newRow("screen of 0x0") << ", \"panel\": {\"width\": 0, \"height\": 0}" << "panel.width" << "goes from 8";
        QTest::newRow("screen of 100,000") << ", \"panel\": {\"width\": 100000, \"height\": 100000}" << "panel.height" << "to 4096";
        QTest::newRow("wrong type") << ", \"panel\": {\"width\": \"wide\"}" << "panel.width" << "wrong type";
        QTest::newRow("list for an object") << ", \"panel\": []" << "panel" << "object";
        QTest::newRow("text for a list") << ", \"looks\": \"x\"" << "looks" << "list";
        QTest::newRow("unknown format") << ", \"panel\": {\"format\": \"rgb7\"}" << "panel.format" << "not known";
        QTest::newRow("mask as panel") << ", \"panel\": {\"format\": \"a8\"}" << "panel.format" << "not known";
        QTest::newRow("odd turn") << ", \"panel\": {\"turn\": 45}" << "panel.turn" << "90";
        QTest::newRow("path with ..") << ", \"images\": [{\"name\": \"a\", \"file\": \"../../etc/passwd\"}]" << "images[0].file" << "not a file name";
        QTest::newRow("absolute path") << ", \"fonts\": [{\"name\": \"a\", \"file\": \"/etc/passwd\"}]" << "fonts[0].file" << "not a file name";
        QTest::newRow("name twice") << ", \"variables\": [{\"name\": \"a\"}, {\"name\": \"a\"}]" << "variables[1].name" << "twice";
        QTest::newRow("keyword") << ", \"variables\": [{\"name\": \"int\"}]" << "variables[0].name" << "keyword";
        QTest::newRow("start outside") << ", \"variables\": [{\"name\": \"a\", \"least\": 0, \"most\": 5, \"start\": 9}]" << "variables[0].start" << "outside";
        QTest::newRow("range the wrong way") << ", \"variables\": [{\"name\": \"a\", \"least\": 5, \"most\": 0}]" << "variables[0].least" << "above";
        QTest::newRow("number too large") << ", \"variables\": [{\"name\": \"a\", \"type\": \"decimal\", \"decimals\": 6, \"most\": 99999}]" << "most" << "32 bits";
        QTest::newRow("colour") << ", \"looks\": [{\"name\": \"a\", \"fill\": \"redish\"}]" << "looks[0].fill" << "no colour";
        QTest::newRow("screen with a path") << ", \"rules\": [\"../x\"]" << "rules[0]" << "letters";
    }

    void badInput() {
        QFETCH(QString, keys);
        QFETCH(QString, place);
        QFETCH(QString, reason);
        const ReadProject read = readFiles(mainWith(keys.toStdString()));
        QVERIFY(read.document.has_value());
        QVERIFY2(tells(read, qPrintable(place), qPrintable(reason)), read.problems.empty() ? "no problem" : read.problems[0].text().c_str());
    }

    void hopelessFiles() {
        for (const char* text : {"", "not json", "[]", "{\"name\": \"x\"}", "{\"gorsefinch\": \"one\"}"}) {
            const ReadProject read = readFiles({{"gorsefinch.json", text}});
            QVERIFY2(!read.document && read.problems.size() >= 1 && !read.problems[0].file.empty() && !read.problems[0].remedy.empty(), text);
        }
        std::string deep(100000, '[');
        QVERIFY(!readFiles({{"gorsefinch.json", deep}}).document);
    }

    void newerVersionsAreRefused() {
        const ReadProject read = readFiles({{"gorsefinch.json", "{\"gorsefinch\": 2, \"name\": \"x\"}"}});
        QVERIFY(!read.document);
        QVERIFY(QString::fromStdString(read.problems[0].text()).contains("newer"));
    }

    void brokenScreensKeepTheirFiles() {
        ProjectFiles files = toFiles(openKiln());
        files["screens/alarm.json"] = "{ broken";
        FaultyFiles faulty = disk(files);
        ProjectFolder project(faulty, folder);
        const ReadProject read = project.open();
        QVERIFY(read.document && read.document->screens.size() == 2);
        QVERIFY(project.save(withRules(*read.document, "main", "// x\n")));
        QCOMPARE(faulty.held["/p/screens/alarm.json"], std::string("{ broken"));
        QVERIFY(faulty.held["/p/gorsefinch.json"].find("\"alarm\"") != std::string::npos);
    }

    void damagedFilesAreKeptBesideBeforeTheyAreReplaced() {
        ProjectFiles files = toFiles(openKiln());
        std::string& screen = files["screens/alarm.json"];
        screen.replace(screen.find("\"wrap\": true"), 12, "\"wrap\": 7   ");
        const std::string damaged = screen;
        FaultyFiles faulty = disk(files);
        ProjectFolder project(faulty, folder);
        const ReadProject read = project.open();
        QVERIFY(tells(read, "wrap", "wrong type"));
        QVERIFY(project.save(*read.document));
        QCOMPARE(faulty.held["/p/screens/alarm.json.broken"], damaged);
    }

    // Each change that saving makes to the disk fails in turn, once or for good; what is opened then is whole.
    void interruptedSaves_data() {
        QTest::addColumn<bool>("stays");
        QTest::newRow("one fault") << false;
        QTest::newRow("killed there") << true;
    }

    void interruptedSaves() {
        QFETCH(bool, stays);
        const Document before = openKiln();
        Document after = addScreen(removeScreen(before, 2), 0, "fresh");
        after = withRules(after, "main", "// other\n");
        const ProjectFiles oldFiles = toFiles(before), newFiles = toFiles(after);
        int faults = 0;
        for (int failAt = 1;; ++failAt) {
            FaultyFiles faulty = disk(oldFiles);
            ProjectFolder project(faulty, folder);
            QVERIFY(project.open().document.has_value());
            faulty.failAt = faulty.changes + failAt;
            faulty.stays = stays;
            const auto saved = project.save(after);
            const bool failed = faulty.changes >= faulty.failAt;
            faulty.failAt = 0;
            const ReadProject read = ProjectFolder(faulty, folder).open();
            QVERIFY2(read.document && read.problems.empty(), qPrintable(QString("fault %1").arg(failAt)));
            const ProjectFiles now = toFiles(*read.document);
            QVERIFY2(now == oldFiles || now == newFiles, qPrintable(QString("fault %1: a mixture").arg(failAt)));
            // Before the point of no return the old project must be the one that is left.
            const bool recorded = faulty.changes > 0 && now == newFiles;
            QVERIFY(saved.has_value() == false || now == newFiles);
            QVERIFY(recorded || now == oldFiles);
            if (!failed) {
                QVERIFY(saved.has_value());
                QCOMPARE(now == newFiles, true);
                break;
            }
            ++faults;
        }
        QVERIFY(faults >= 8);
    }

    void savingWritesOnlyWhatChangedAndInsideTheFolder() {
        FaultyFiles faulty = disk(toFiles(openKiln()));
        ProjectFolder project(faulty, folder);
        const ReadProject read = project.open();
        const int before = faulty.changes;
        QVERIFY(project.save(*read.document));
        QVERIFY2(faulty.changes - before <= 1, "nothing changed: only the journal may be removed");
        QVERIFY(project.save(withRules(*read.document, "main", "// y\n")));
        for (const auto& [path, bytes] : faulty.held)
            QVERIFY2(path.starts_with("/p/") && path.find("..") == std::string::npos, path.c_str());
    }

    // A project from elsewhere may hold links: nothing is written through them.
    void linksAreNotFollowedOutOfTheFolder() {
        QTemporaryDir dir, outside;
        Files files;
        QVERIFY(QFile::link(outside.path(), dir.filePath("screens")));
        const auto saved = ProjectFolder(files, dir.path().toStdString()).save(makeDocument());
        QVERIFY(!saved);
        QVERIFY(saved.error().file.find("screens") != std::string::npos);
        QVERIFY(QDir(outside.path()).isEmpty());
        QVERIFY(!QFile::exists(dir.filePath("gorsefinch.json")));
        QVERIFY(QFile::remove(dir.filePath("screens")));
        QVERIFY(QFile::link(outside.filePath("victim"), dir.filePath("gorsefinch.json.new")));
        QVERIFY(!ProjectFolder(files, dir.path().toStdString()).save(makeDocument()));
        QVERIFY(QDir(outside.path()).isEmpty());
    }

    void theJournalBringsBackUnsavedWork() {
        QTemporaryDir dir;
        Files files;
        const std::string path = dir.path().toStdString();
        ProjectFolder project(files, path);
        const Document first = makeDocument();
        QVERIFY(project.save(first));
        const Document second = addWidgets(first, "first", {makeWidget("kept", Kind::Text, 1, 2, 3, 4)});
        QVERIFY(project.writeJournal(second));
        ProjectFolder again(files, path);
        QCOMPARE(again.open().document->screens[0]->widgets.size(), size_t{0});
        const auto restored = again.journal();
        QVERIFY(restored && restored->screens[0]->widgets.size() == 1);
        QVERIFY(again.save(*restored));
        QVERIFY(!again.journal());
    }

    // Unsaved work of two crashes waits, latest first, whatever is edited and saved meanwhile.
    void unsavedWorkWaitsUntilItIsDropped() {
        QTemporaryDir dir;
        Files files;
        const std::string path = dir.path().toStdString();
        const Document saved = makeDocument();
        const auto with = [](const Document& on, const char* name) { return addWidgets(on, "first", {makeWidget(name, Kind::Text, 1, 2, 3, 4)}); };
        const auto firstWidget = [](const Document& in) { return in.screens[0]->widgets.front()->name; };
        {
            ProjectFolder project(files, path);
            QVERIFY(project.save(saved));
            QVERIFY(project.writeJournal(with(saved, "before_first_crash")));
        }
        {
            ProjectFolder project(files, path);
            const Document opened = *project.open().document;
            QVERIFY(project.keepUnsaved(opened));
            QVERIFY(!project.journal());
            QCOMPARE(firstWidget(project.latestUnsaved()->document), std::string("before_first_crash"));
            QVERIFY(project.save(with(opened, "saved_since")));
            QVERIFY(project.writeJournal(with(opened, "before_second_crash")));
        }
        ProjectFolder project(files, path);
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
        FaultyFiles faulty = disk(toFiles(makeDocument()));
        ProjectFolder project(faulty, folder);
        const Document saved = *project.open().document;
        QVERIFY(project.writeJournal(addWidgets(saved, "first", {makeWidget("kept", Kind::Text, 1, 2, 3, 4)})));
        faulty.failAt = faulty.changes + 1;
        QVERIFY(!project.keepUnsaved(saved));
        QVERIFY(project.journal());
        QVERIFY(!project.latestUnsaved());
        faulty.failAt = 0;
        QVERIFY(project.keepUnsaved(*project.journal()));
        QVERIFY(!project.journal());
        QVERIFY(!project.latestUnsaved());
    }

    void aBrokenJournalIsIgnored() {
        QTemporaryDir dir;
        Files files;
        ProjectFolder project(files, dir.path().toStdString());
        QVERIFY(project.save(makeDocument()));
        QFile journal(dir.filePath(".gorsefinch-journal"));
        QVERIFY(journal.open(QIODevice::WriteOnly));
        journal.write("\xbf\xff garbage");
        journal.close();
        QVERIFY(!project.journal());
    }
};

QTEST_APPLESS_MAIN(TestProjectFiles)
#include "tst_project_files.moc"
