// SPDX-License-Identifier: GPL-3.0-or-later
// A project on disk: the same bytes again, every kind of damage told, nothing lost when a save fails.
#include <QDir>
#include <QTemporaryDir>
#include <QtTest>

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

// A whole project with the given text as its main file's tail.
ProjectFiles mainWith(const std::string& keys) {
    return {{"gorsefinch.json", "{\"gorsefinch\": 1, \"name\": \"demo\", \"screens\": [\"first\"]" + keys + "}"},
            {"screens/first.json", "{\"name\": \"first\", \"background\": \"#000000\", \"widgets\": []}"}};
}

bool tells(const ReadProject& project, const char* place, const char* reason) {
    return std::any_of(project.problems.begin(), project.problems.end(), [&](const Problem& p) {
        return p.place.find(place) != std::string::npos && p.reason.find(reason) != std::string::npos &&
               !p.file.empty() && !p.remedy.empty();
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
        for (const char* example : {"kiln", "hive", "enlarger", "aquifer"})
            for (const auto& [path, bytes] : toFiles(openExample(example))) {
                QFile file(QString::fromStdString(examplePath(example) + "/" + path));
                QVERIFY2(file.open(QIODevice::ReadOnly), path.c_str());
                QVERIFY2(file.readAll().toStdString() == bytes, path.c_str());
            }
    }

    // Every property of every kind survives, each with a value that is not its default.
    void everyPropertyIsKept() {
        Document d = makeDocument();
        for (const KindInfo* each : kinds()) {
            const KindInfo& kind = *each;
            Widget w = makeWidget(std::string(kind.key) + "_1", kind.kind, 1, 2, 3, 4);
            w.visible = false;
            w.locked = true;
            w.anchors = "right bottom";
            for (const auto& list : {kind.properties, styleProperties()})
                for (const PropertyInfo& p : list) {
                    PropertyValue value = p.fallback;
                    if (p.type == PropertyType::Whole)
                        value = int64_t{p.min + 1};
                    else if (p.type == PropertyType::YesNo)
                        value = !std::get<bool>(p.fallback);
                    else if (p.type == PropertyType::Colour)
                        value = Colour{0x80123456};
                    else if (p.type == PropertyType::Choice)
                        value = std::string(p.choices.back());
                    else if (p.type == PropertyType::Edges)
                        value = std::string("right");
                    else if (p.type == PropertyType::Zones)
                        value = ZoneList{{"", "-1.5", Colour{0x80123456}}, {"\"\n", "", opaque(0)}};
                    else if (p.type == PropertyType::Cells)
                        value = CellMap{{0, 1, 255}, {}, {0, 0, 7}};
                    else if (p.type == PropertyType::Points)
                        value = PointList{{-kMaxPoint, 3}, {kMaxPoint, -4}, {0, 0}, {5, 7}};
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
            QCOMPARE(b.anchors, std::string("right bottom"));
            QCOMPARE(b.locked, true);
        }
    }

    void variablesAndPanelAreKept() {
        Document d = makeDocument();
        Variable v = makeNumber("level", -125, 9990, 37, 2);
        v.unit = "%";
        v.writer = Writer::Both;
        v.kept = true;
        v.fromInterrupt = true;
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
        p.touch = false;
        p.hooksRequired = true;
        d = withPanel(d, p);
        const ReadProject read = readFiles(toFiles(d));
        QVERIFY(read.problems.empty());
        QCOMPARE(*read.document->variables == *d.variables, true);
        const Panel& q = *read.document->panel;
        QCOMPARE(q.turn, 270);
        QVERIFY(!q.touch && q.hooksRequired);
        QCOMPARE(q.format, PixelFormat::Rgb888);
        QVERIFY(q.mirrorX && q.mirrorY && q.invert && q.swapRedBlue && q.wordBits == 8 && q.columnOffset == 3 &&
                q.rowOffset == 5);
    }

    void unknownKeysAreKept() {
        ProjectFiles files =
            mainWith(", \"panel\": {\"width\": 64, \"height\": 64, \"glow\": {\"a\": [1, 2]}}, \"later\": true");
        files["screens/first.json"] =
            "{\"name\": \"first\", \"widgets\": [{\"name\": \"t\", \"kind\": \"text\", \"spin\": 3.5}], \"mood\": "
            "null}";
        const ReadProject read = readFiles(files);
        QVERIFY(read.document && read.problems.empty());
        const ProjectFiles again = toFiles(*read.document);
        const QString main =
            QString::fromStdString(std::string(again.at("gorsefinch.json").text())).simplified().remove(' ');
        QVERIFY(main.contains("\"glow\":{\"a\":[1,2]}") && main.contains("\"later\":true"));
        const QString screen =
            QString::fromStdString(std::string(again.at("screens/first.json").text())).simplified().remove(' ');
        QVERIFY(screen.contains("\"spin\":3.5") && screen.contains("\"mood\":null"));
    }

    // An unknown word is reported with the known ones.
    void unknownWordsListTheKnownOnes() {
        ProjectFiles files = mainWith(", \"panel\": {\"width\": 64, \"height\": 64, \"format\": \"rgb7\"}");
        files["screens/first.json"] =
            "{\"name\": \"first\", \"widgets\": [{\"name\": \"t\", \"kind\": \"text\", \"align\": \"justified\"}]}";
        const ReadProject read = readFiles(files);
        const auto suggests = [&](const char* words) {
            return std::any_of(read.problems.begin(), read.problems.end(),
                               [&](const Problem& each) { return each.remedy.find(words) != std::string::npos; });
        };
        QVERIFY(suggests("rgb565") && suggests("page1") && suggests("left, middle, right"));
    }

    void everyTruncationIsAnError() {
        const ProjectFiles whole = toFiles(openKiln());
        for (const char* name : {"gorsefinch.json", "screens/status.json"}) {
            const std::string text(whole.at(name).text());
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
            SharedBytes& file = files[i % 2 == 0 ? "gorsefinch.json" : "screens/programme.json"];
            std::string text(file.text());
            for (int k = 0; k < 1 + i % 4; ++k)
                text[static_cast<size_t>(std::rand()) % text.size()] =
                    static_cast<char>("{}[]\",:0x-e9~\n"[std::rand() % 14]);
            file = text;
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
        QTest::newRow("screen of 0x0") << ", \"panel\": {\"width\": 0, \"height\": 0}"
                                       << "panel.width"
                                       << "goes from 8";
        QTest::newRow("screen of 100,000") << ", \"panel\": {\"width\": 100000, \"height\": 100000}"
                                           << "panel.height"
                                           << "to 4096";
        QTest::newRow("wrong type") << ", \"panel\": {\"width\": \"wide\"}"
                                    << "panel.width"
                                    << "wrong type";
        QTest::newRow("list for an object") << ", \"panel\": []"
                                            << "panel"
                                            << "object";
        QTest::newRow("text for a list") << ", \"looks\": \"x\""
                                         << "looks"
                                         << "list";
        QTest::newRow("unknown format") << ", \"panel\": {\"format\": \"rgb7\"}"
                                        << "panel.format"
                                        << "not known";
        QTest::newRow("mask as panel") << ", \"panel\": {\"format\": \"a8\"}"
                                       << "panel.format"
                                       << "not known";
        QTest::newRow("odd turn") << ", \"panel\": {\"turn\": 45}"
                                  << "panel.turn"
                                  << "90";
        QTest::newRow("path with ..") << ", \"images\": [{\"name\": \"a\", \"file\": \"../../etc/passwd\"}]"
                                      << "images[0].file"
                                      << "not a file name";
        QTest::newRow("absolute path") << ", \"fonts\": [{\"name\": \"a\", \"file\": \"/etc/passwd\"}]"
                                       << "fonts[0].file"
                                       << "not a file name";
        QTest::newRow("name twice") << ", \"variables\": [{\"name\": \"a\"}, {\"name\": \"a\"}]"
                                    << "variables[1].name"
                                    << "twice";
        QTest::newRow("keyword") << ", \"variables\": [{\"name\": \"int\"}]"
                                 << "variables[0].name"
                                 << "keyword";
        QTest::newRow("start outside") << ", \"variables\": [{\"name\": \"a\", \"min\": 0, \"max\": 5, \"start\": 9}]"
                                       << "variables[0].start"
                                       << "outside";
        QTest::newRow("range the wrong way") << ", \"variables\": [{\"name\": \"a\", \"min\": 5, \"max\": 0}]"
                                             << "variables[0].min"
                                             << "above";
        QTest::newRow("number too large")
            << ", \"variables\": [{\"name\": \"a\", \"type\": \"decimal\", \"decimals\": 6, \"max\": 99999}]"
            << "max"
            << "32 bits";
        QTest::newRow("colour") << ", \"looks\": [{\"name\": \"a\", \"fill\": \"#redish\"}]"
                                << "looks[0].fill"
                                << "no colour";
        QTest::newRow("screen with a path") << ", \"rules\": [\"../x\"]"
                                            << "rules[0]"
                                            << "letters";
    }

    void badInput() {
        QFETCH(QString, keys);
        QFETCH(QString, place);
        QFETCH(QString, reason);
        const ReadProject read = readFiles(mainWith(keys.toStdString()));
        QVERIFY(read.document.has_value());
        QVERIFY2(tells(read, qPrintable(place), qPrintable(reason)),
                 read.problems.empty() ? "no problem" : read.problems[0].text().c_str());
    }

    // Files from before the keys had their present names are read, and saved with those.
    void earlierKeysAreRead() {
        const ReadProject read = readFiles(mainWith(
            ", \"variables\": [{\"name\": \"a\", \"least\": 2, \"most\": 5, \"start\": 3}], \"usual_recipe\": "
            "{\"turn\": 90}, "
            "\"fonts\": [{\"name\": \"f\", \"file\": \"f.ttf\", \"usual\": {\"hinting\": \"usual\", \"bits\": 2}}]"));
        QVERIFY(read.document.has_value());
        const Document& d = *read.document;
        QCOMPARE((*d.variables)[0].min, 2);
        QCOMPARE((*d.variables)[0].max, 5);
        QCOMPARE(d.defaultRecipe->turn, 90);
        QCOMPARE((*d.faces)[0].defaults.bits, 2);
        QVERIFY((*d.faces)[0].defaults.hinting == Hinting::Default);
        const std::string text(toFiles(d).at(kMainFile).text());
        for (const char* earlier : {"least", "most", "usual"})
            QVERIFY2(text.find(earlier) == std::string::npos, text.c_str());
        for (const char* key : {"\"min\": 2", "\"max\": 5", "default_recipe", "defaults"})
            QVERIFY2(text.find(key) != std::string::npos, key);
    }

    void hopelessFiles() {
        for (const char* text : {"", "not json", "[]", "{\"name\": \"x\"}", "{\"gorsefinch\": \"one\"}"}) {
            const ReadProject read = readFiles({{"gorsefinch.json", text}});
            QVERIFY2(!read.document && !read.problems.empty() && !read.problems[0].file.empty() &&
                         !read.problems[0].remedy.empty(),
                     text);
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
        MemoryDisk faulty = diskWith(files);
        ProjectFolder project(faulty, folder);
        const ReadProject read = project.open();
        QVERIFY(read.document && read.document->screens.size() == openKiln().screens.size() - 1);
        QVERIFY(project.save(withRules(*read.document, "main", "// x\n")));
        QCOMPARE(faulty.get("/p/screens/alarm.json"), std::string("{ broken"));
        QVERIFY(faulty.get("/p/gorsefinch.json").find("\"alarm\"") != std::string::npos);
    }

    void damagedFilesAreKeptBesideBeforeTheyAreReplaced() {
        ProjectFiles files = toFiles(openKiln());
        std::string damaged(files["screens/alarm.json"].text());
        damaged.replace(damaged.find("\"wrap\": true"), 12, "\"wrap\": 7   ");
        files["screens/alarm.json"] = damaged;
        MemoryDisk faulty = diskWith(files);
        ProjectFolder project(faulty, folder);
        const ReadProject read = project.open();
        QVERIFY(tells(read, "wrap", "wrong type"));
        QVERIFY(project.save(*read.document));
        QCOMPARE(faulty.get("/p/screens/alarm.json.broken"), damaged);
    }

    void savingWritesOnlyWhatChangedAndInsideTheFolder() {
        MemoryDisk faulty = diskWith(toFiles(openKiln()));
        ProjectFolder project(faulty, folder);
        const ReadProject read = project.open();
        const auto stampsOf = [&] {
            std::map<std::string, FileStamp> out;
            for (const auto& [path, bytes] : faulty.held(false))
                out[path] = *Folder::open(faulty, std::filesystem::path(path).parent_path())
                                 ->stampOf(std::filesystem::path(path).filename());
            return out;
        };
        const auto before = stampsOf();
        QVERIFY(project.save(*read.document));
        QVERIFY2(stampsOf() == before, "nothing changed: nothing is written");
        QVERIFY(project.save(withRules(*read.document, "main", "// y\n")));
        auto after = stampsOf();
        QVERIFY(after.at("/p/rules/main.rules") != before.at("/p/rules/main.rules"));
        after["/p/rules/main.rules"] = before.at("/p/rules/main.rules");
        QVERIFY(after == before);
        for (const auto& [path, bytes] : faulty.held())
            QVERIFY2(path.starts_with("/p/") && path.find("..") == std::string::npos &&
                         path.find("part-") == std::string::npos,
                     path.c_str());
    }

    // A project from elsewhere may hold links: nothing is written through them.
    void linksAreNotFollowedOutOfTheFolder() {
        QTemporaryDir dir, outside;
        Disk disk;
        QVERIFY(QFile::link(outside.path(), dir.filePath("screens")));
        const auto saved = ProjectFolder(disk, dir.path().toStdString()).save(makeDocument());
        QVERIFY(!saved);
        QVERIFY(saved.error().file.find("screens") != std::string::npos);
        QVERIFY(QDir(outside.path()).isEmpty());
        QVERIFY(!QFile::exists(dir.filePath("gorsefinch.json")));
    }
};

GORSEFINCH_TEST(TestProjectFiles, Nothing)
#include "tst_project_files.moc"
