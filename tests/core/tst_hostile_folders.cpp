// SPDX-License-Identifier: GPL-3.0-or-later
// Project folders made to harm whoever opens them: links that lead out, forged records, pipes. Nothing outside changes,
// nothing is read there, and nothing waits.
#include <sys/stat.h>

#include <QTemporaryDir>
#include <QtTest>

#include "core/base/file_writer.h"
#include "core/base/hash.h"
#include "core/edits/image_edits.h"
#include "core/emit/output_folder.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

void write(const QString& path, const QByteArray& bytes) {
    QDir().mkpath(QFileInfo(path).path());
    QFile file(path);
    QVERIFY(file.open(QIODevice::WriteOnly));
    file.write(bytes);
}

QByteArray bytesOf(const QString& path) {
    QFile file(path);
    return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray("(not there)");
}

// All below a folder, each with what it holds.
std::map<QString, QByteArray> all(const QString& folder) {
    std::map<QString, QByteArray> out;
    for (QDirIterator at(folder, QDir::AllEntries | QDir::Hidden | QDir::System | QDir::NoDotAndDotDot,
                         QDirIterator::Subdirectories);
         at.hasNext();) {
        const QFileInfo info(at.next());
        out[info.filePath().mid(folder.size())] = info.isSymLink() ? info.symLinkTarget().toUtf8()
                                                  : info.isFile()  ? bytesOf(info.filePath())
                                                                   : QByteArray("folder");
    }
    return out;
}

}  // namespace

class TestHostileFolders : public QObject {
    Q_OBJECT

    std::unique_ptr<QTemporaryDir> dir_;
    Disk disk_;
    QString at(const char* path) const { return dir_->filePath(path); }
    std::string project() const { return at("project").toStdString(); }

    // What the program does with a folder that someone hands over.
    void useTheProject() {
        {
            ProjectFolder looks(disk_, project());
            const ReadProject read = looks.open();
            if (read.document)
                (void)looks.changedOutside(*read.document);
            (void)looks.imageFiles();
        }
        ProjectFolder owns(disk_, project());
        (void)owns.own();
        const ReadProject read = owns.open();
        if (!read.document)
            return;
        (void)owns.keepUnsaved(*read.document);
        (void)owns.latestUnsaved();
        (void)owns.writeJournal(withVariable(*read.document, makeNumber("fresh_one", 0, 9, 0)));
        (void)owns.save(withVariable(*read.document, makeNumber("fresh_one", 0, 9, 0)));
        (void)owns.save(addImage(*read.document, "thesis.txt", std::make_shared<const FileContents>("P2 1 1 255 7\n")));
    }

  private Q_SLOTS:
    void init() {
        dir_ = std::make_unique<QTemporaryDir>();
        QVERIFY(ProjectFolder(disk_, project()).save(withRules(makeDocument(), "main", "// rules\n")));
        write(at("victim/thesis.txt"), "years of work");
        write(at("victim/a.txt"), "a");
        write(at("victim/a.txt.new"), "evil");
    }

    void aForgedRecordAndALinkedFolder() {
        QVERIFY(QFile::link("../victim", at("project/images")));
        write(at("project/.gorsefinch-save"), R"({"renamed":["images/a.txt"],"removed":["images/thesis.txt"]})");
        const auto before = all(at("victim"));
        useTheProject();
        QVERIFY(all(at("victim")) == before);
    }

    // A record in the program's own form, with its check sum, but for another project, or for files that are not there.
    void forgedRecordsInOurForm_data() {
        QTest::addColumn<QString>("what");
        for (const char* what : {"another project", "a part that is not there", "other bytes", "removes through a link",
                                 "moves through a link", "removes what holds something else"})
            QTest::newRow(what) << QString(what);
    }

    void forgedRecordsInOurForm() {
        QFETCH(QString, what);
        const std::string part = kSavePart + std::string(32, 'a');
        SaveRecord record;
        record.project = record.formerProject = "demo";
        record.moves = {{"rules/main.rules", part, sha256("evil"), sha256("// rules\n")}};
        write(at("project/rules/") + QString::fromStdString(part), "evil");
        bool taken = false;
        if (what == "another project") {
            record.project = record.formerProject = "other";
        } else if (what == "a part that is not there") {
            QFile::remove(at("project/rules/") + QString::fromStdString(part));
        } else if (what == "other bytes") {
            record.moves[0].sha256 = sha256("harmless");
        } else if (what == "removes through a link") {
            QVERIFY(QFile::link("../victim", at("project/images")));
            record.removals = {{"images/thesis.txt", kSavePart + std::string(32, 'b'), sha256("years of work")}};
            taken = true;
        } else if (what == "moves through a link") {
            QVERIFY(QFile::link("../victim", at("project/fonts")));
            write(at("victim/") + QString::fromStdString(part), "evil");
            record.moves = {{"fonts/thesis.txt", part, sha256("evil"), ""}};
        } else {
            write(at("project/images/thesis.txt"), "mine");
            record.removals = {{"images/thesis.txt", kSavePart + std::string(32, 'b'), sha256("something else")}};
            taken = true;
        }
        write(at("project/.gorsefinch-save"), QByteArray::fromStdString(saveRecordText(record)));
        const auto victim = all(at("victim"));
        ProjectFolder owns(disk_, project());
        QVERIFY(!*owns.own());
        const ReadProject read = owns.open();
        QVERIFY(read.document);
        QCOMPARE(bytesOf(at("project/rules/main.rules")), QByteArray(taken ? "evil" : "// rules\n"));
        QVERIFY2(read.problems.empty() == taken, "a refused record must be reported");
        QVERIFY(taken ||
                bytesOf(at("project/.gorsefinch-refused-1")) == QByteArray::fromStdString(saveRecordText(record)));
        QVERIFY(what != "removes what holds something else" || bytesOf(at("project/images/thesis.txt")) == "mine");
        QVERIFY(all(at("victim")) == victim);
    }

    // Looking at a project writes nothing at all.
    void lookingWritesNothing() {
        write(at("project/.gorsefinch-save"), "{}");
        write(at("project/.gorsefinch-journal"), "x");
        write(at("project/.gorsefinch-unsaved-001"), "x");
        const auto before = all(at("project"));
        ProjectFolder looks(disk_, project());
        QVERIFY(looks.open().document);
        QVERIFY(looks.holdsProject());
        (void)looks.latestUnsaved();
        QVERIFY(all(at("project")) == before);
    }

    void linksForFiles_data() {
        QTest::addColumn<QString>("file");
        for (const char* file : {"gorsefinch.json", "screens/first.json", "rules/main.rules", ".gorsefinch-journal",
                                 ".gorsefinch-unsaved-001", ".gorsefinch-save", ".gorsefinch-lock"})
            QTest::newRow(file) << QString(file);
    }

    void linksForFiles() {
        QFETCH(QString, file);
        QFile::remove(at("project/") + file);
        QVERIFY(QFile::link(at("victim/thesis.txt"), at("project/") + file));
        const auto before = all(at("victim"));
        useTheProject();
        QVERIFY(all(at("victim")) == before);
        const ReadProject read = ProjectFolder(disk_, project()).open();
        for (const Problem& each : read.problems)
            QVERIFY(each.text().find("years") == std::string::npos);
        if (read.document)
            for (const auto& [path, bytes] : toFiles(*read.document))
                QVERIFY2(bytes.text().find("years of work") == std::string::npos, "what lies outside came in");
    }

    void linksForFolders() {
        for (const char* folder : {"screens", "rules", "images", "fonts"}) {
            init();
            QVERIFY(QDir(at("project/") + folder).removeRecursively());
            QVERIFY(QFile::link("../victim", at("project/") + folder));
            const auto before = all(at("victim"));
            useTheProject();
            QVERIFY2(all(at("victim")) == before, folder);
            ProjectFolder owns(disk_, project());
            QVERIFY(QString(folder) != "images" || owns.imageFiles().empty());
            QVERIFY(!owns.readProjectFile(std::string(folder) + "/thesis.txt", 1000));
        }
    }

    // An image of the project that is a link to a private picture is not read.
    void picturesThatAreLinks() {
        write(at("victim/private.pgm"), "P2 1 1 255 7\n");
        const Document with =
            addImage(makeDocument(), "dot.pgm", std::make_shared<const FileContents>("P2 1 1 255 9\n"));
        QVERIFY(ProjectFolder(disk_, project()).save(with) || true);
        QVERIFY(QDir(at("project")).removeRecursively());
        QVERIFY(ProjectFolder(disk_, project()).save(with));
        QVERIFY(QFile::remove(at("project/images/dot.pgm")));
        QVERIFY(QFile::link(at("victim/private.pgm"), at("project/images/dot.pgm")));
        const ReadProject read = ProjectFolder(disk_, project()).open();
        QVERIFY(read.document && !read.document->images->front().original);
        QVERIFY(read.problems.front().reason.find("link") != std::string::npos);
        QVERIFY(!ProjectFolder(disk_, project()).readProjectFile("images/dot.pgm", 1000));
    }

    // Pipes hang whoever opens them; nothing here does.
    void pipes_data() {
        QTest::addColumn<QString>("file");
        for (const char* file :
             {"gorsefinch.json", "screens/first.json", "rules/main.rules", "images/thesis.txt", ".gorsefinch-journal",
              ".gorsefinch-save", ".gorsefinch-lock", "gorsefinch.json.new", "rules/main.rules.new"})
            QTest::newRow(file) << QString(file);
    }

    void pipes() {
        QFETCH(QString, file);
        const QString path = at("project/") + file;
        QFile::remove(path);
        QDir().mkpath(QFileInfo(path).path());
        QCOMPARE(mkfifo(path.toLocal8Bit().constData(), 0644), 0);
        useTheProject();
        // Those of the program's own names are set aside.
        if (file.startsWith('.'))
            return;
        struct stat status {};
        QCOMPARE(lstat(path.toLocal8Bit().constData(), &status), 0);
    }

    void inputsThatArePipesOrFolders() {
        const QString pipe = at("pipe.png");
        QCOMPARE(mkfifo(pipe.toLocal8Bit().constData(), 0644), 0);
        for (const QString& path : {pipe, at("victim"), QString("/dev/zero"), QString("/dev/stdin"), at("missing")}) {
            const auto read = readFile(disk_, path.toStdString(), 1000);
            QVERIFY2(!read && read.error().file == path.toStdString() && !read.error().remedy.empty(),
                     qPrintable(path));
            const auto written = replaceFile(disk_, path.toStdString(), "x");
            QVERIFY2(written.has_value() == (path == at("missing")), qPrintable(path));
        }
        QVERIFY(!FileWriter::open(disk_, pipe.toStdString()));
        // A link that the user named is followed for reading, and never replaced.
        QVERIFY(QFile::link(at("victim/thesis.txt"), at("link.txt")));
        QCOMPARE(*readFile(disk_, at("link.txt").toStdString(), 1000), std::string("years of work"));
        QVERIFY(!readFile(disk_, at("link.txt").toStdString(), 5));
        QVERIFY(!replaceFile(disk_, at("link.txt").toStdString(), "x"));
        QCOMPARE(bytesOf(at("victim/thesis.txt")), QByteArray("years of work"));
    }

    // NAME.new is a name that a user may have.
    void theUsersOwnNamesStay() {
        write(at("project/rules/main.rules.new"), "mine");
        write(at("project/gorsefinch.json.new"), "mine");
        write(at("project/screens/first.json.new"), "mine");
        useTheProject();
        for (const char* file :
             {"project/rules/main.rules.new", "project/gorsefinch.json.new", "project/screens/first.json.new"})
            QCOMPARE(bytesOf(at(file)), QByteArray("mine"));
        write(at("out/demo.h.new"), "mine");
        SceneBuilder builder;
        QVERIFY(writeOutput(generateCode(*builder.build(makeDocument())), at("out").toStdString(), disk_).has_value());
        QCOMPARE(bytesOf(at("out/demo.h.new")), QByteArray("mine"));
    }

    void outputFoldersWithLinks() {
        SceneBuilder builder;
        const GeneratedCode code = generateCode(*builder.build(makeDocument()));
        QVERIFY(QDir().mkpath(at("out")));
        QVERIFY(QFile::link("../victim", at("out/gorse")));
        const auto before = all(at("victim"));
        for (const bool overwrite : {false, true}) {
            const auto written = writeOutput(code, at("out").toStdString(), disk_, overwrite);
            QVERIFY(!written && written.error().text().find("gorse") != std::string::npos);
        }
        QVERIFY(QFile::remove(at("out/gorse")));
        QVERIFY(QFile::link(at("victim/thesis.txt"), at("out/demo.h")));
        for (const bool overwrite : {false, true})
            QVERIFY(!writeOutput(code, at("out").toStdString(), disk_, overwrite).has_value());
        QVERIFY(all(at("victim")) == before);
        QVERIFY(!readOutput(at("out").toStdString(), "demo.h", disk_));
    }

    // Files that are deleted while the project is open are written by the next save.
    void filesThatWentAwayComeBack() {
        Document with = addImage(makeDocument({"first", "second"}), "dot.pgm",
                                 std::make_shared<const FileContents>("P2 1 1 255 9\n"));
        with = withRules(with, "main", "// rules\n");
        QVERIFY(QDir(at("project")).removeRecursively());
        ProjectFolder owns(disk_, project());
        QVERIFY(owns.save(with));
        QVERIFY(!*owns.own());
        const Document opened = *owns.open().document;
        const auto saved = all(at("project"));
        for (const char* gone : {"images/dot.pgm", "rules", "screens", "gorsefinch.json", ""}) {
            const QString path = at("project/") + gone;
            QVERIFY(QFileInfo(path).isDir() ? QDir(path).removeRecursively() : QFile::remove(path));
            const auto again = owns.save(opened);
            QVERIFY2(again.has_value(), again ? "" : again.error().text().c_str());
            auto now = all(at("project"));
            for (const auto& [file, bytes] : saved)
                QVERIFY2(file.contains("lock") || now[file] == bytes,
                         qPrintable(QString("%1 after %2").arg(file, gone)));
        }
        // An error if it can't be written: there is a file of the folder's name.
        QVERIFY(QDir(at("project")).removeRecursively());
        write(at("project"), "in the way");
        const auto refused = owns.save(opened);
        QVERIFY(!refused && refused.error().text().find("project") != std::string::npos);
    }

    // A file is written again within one tick of the file system's clock, with the same size: the change is still
    // noticed.
    void changesWithinATickAreNoticed() {
        for (int i = 0; i < 40; ++i) {
            write(at("project/rules/main.rules"), "// rules 1\n");
            ProjectFolder owns(disk_, project());
            const Document read = *owns.open().document;
            QFile file(at("project/rules/main.rules"));
            QVERIFY(file.open(QIODevice::ReadWrite));
            file.write("// rules 2\n");
            file.close();
            QCOMPARE(owns.changedOutside(read), std::vector<std::string>{"rules/main.rules"});
            const auto saved = owns.save(withRules(read, "main", "// ours\n"));
            QVERIFY(!saved && saved.error().code == kChangedOutside);
        }
    }

    // Generated code may go into the project's own folder while a window has it open.
    void generatingIntoTheProject() {
        ProjectFolder owns(disk_, project());
        QVERIFY(!*owns.own());
        SceneBuilder builder;
        QElapsedTimer clock;
        clock.start();
        const auto written = writeOutput(generateCode(*builder.build(*owns.open().document)), project(), disk_);
        QVERIFY2(written.has_value(), written ? "" : written.error().text().c_str());
        QVERIFY(clock.elapsed() < 3000 && owns.isOwned());
        QVERIFY(!QFile::exists(at("project/.gorsefinch-generation-lock")));
    }

    void permissionsStay() {
        QVERIFY(QFile::setPermissions(at("project/rules/main.rules"), QFile::ReadOwner | QFile::WriteOwner));
        ProjectFolder owns(disk_, project());
        QVERIFY(owns.save(withRules(*owns.open().document, "main", "// secret\n")));
        QCOMPARE(QFileInfo(at("project/rules/main.rules")).permissions() & (QFile::ReadGroup | QFile::ReadOther),
                 QFile::Permissions());
    }
};

GORSEFINCH_TEST(TestHostileFolders, EventLoop)
#include "tst_hostile_folders.moc"
