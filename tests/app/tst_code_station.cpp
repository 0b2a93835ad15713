// SPDX-License-Identifier: GPL-3.0-or-later
// The files that would be generated: their state, their text, what differs from what is there, what all costs.
#include <QHeaderView>
#include <QLabel>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QTableView>
#include <QTreeView>

#include "app/code/code_station.h"
#include "app/theme/theme.h"
#include "core/emit/costs.h"
#include "tests/support/test_case.h"
#include "tests/support/window.h"
#include "tests/target/target_build.h"

using namespace gorsefinch;
using namespace gorsefinch::app;
using support::OpenWindow;

class TestCodeStation : public QObject, support::OnWindow {
    Q_OBJECT

    QString out() const { return open_->path("out"); }
    // Waits until the station shows the project as it is.
    void settle() {
        QTRY_VERIFY_WITH_TIMEOUT(!find<QWidget>("code_splitter")->isVisible() || !station()->isPlanning(), 20000);
    }
    CodeStation* station() { return open_->window.findChild<CodeStation*>(); }
    QString status() {
        settle();
        return find<QLabel>("code_status")->text();
    }
    int row(const QString& file) {
        settle();
        const QAbstractItemModel* model = find<QTableView>("code_files")->model();
        for (int i = 0; i < model->rowCount(); ++i)
            if (model->index(i, 0).data().toString() == file)
                return i;
        return -1;
    }
    QString state(const QString& file) {
        return find<QTableView>("code_files")->model()->index(row(file), 1).data().toString();
    }
    QString text(const QString& file) {
        find<QTableView>("code_files")->setCurrentIndex(find<QTableView>("code_files")->model()->index(row(file), 0));
        return find<QPlainTextEdit>("code_text")->toPlainText();
    }
    void generate() {
        settle();
        QTest::mouseClick(find<QPushButton>("generate"), Qt::LeftButton);
        settle();
    }
    // Another word on the screen, then back here.
    void rename(const char* words) {
        session_->edit(changeWidgets(session_->document(), "status", std::vector<std::string>{"hold_button"},
                                     [&](Widget& w) { w.properties["text"] = std::string(words); }),
                       "Words");
        open_->station(5);
        open_->station(8);
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() {
        QVERIFY(open("kiln", 8));
        OpenWindow::retype(find<QLineEdit>("output_folder"), out());
    }
    void cleanup() { close(); }

    void filesGoFromNewToSame() {
        QVERIFY(row("kiln.h") >= 0 && row("gorse/gorse_run.c") >= 0);
        QCOMPARE(state("kiln_scene.c"), QString("new"));
        QVERIFY(status().contains("files to write"));
        QVERIFY(text("kiln.h").contains("kiln_begin"));
        generate();
        QCOMPARE(state("kiln_scene.c"), QString("same"));
        QCOMPARE(state("kiln_port.c"), QString("yours"));
        QVERIFY(find<QLabel>("notice")->text().contains("Wrote"));
        // What stands in the pane is what stands on the disk.
        QCOMPARE(text("kiln_scene.c").trimmed(),
                 QString::fromUtf8(target::readFile(out() + "/kiln_scene.c")).trimmed());
    }

    // Edits elsewhere cost nothing here; whoever generates at once after one gets what that edit made.
    void onlyWhatIsShownIsPlanned() {
        generate();
        QCOMPARE(station()->figure(), QString("all written"));
        open_->station(5);
        session_->edit(changeWidgets(session_->document(), "status", std::vector<std::string>{"hold_button"},
                                     [](Widget& w) { w.properties["text"] = std::string("Pause"); }),
                       "Words");
        QVERIFY(!station()->isPlanning());
        QCOMPARE(station()->figure(), QString("not checked"));
        open_->station(8);
        QVERIFY(station()->isPlanning());
        QTest::mouseClick(find<QPushButton>("generate"), Qt::LeftButton);
        settle();
        QTRY_COMPARE(station()->figure(), QString("all written"));
        QVERIFY(target::readFile(out() + "/kiln_scene.c").contains("Pause"));
    }

    // A generation that was requested while files are compared happens even if the station is left meanwhile.
    void generatingGoesOnWhenTheStationIsLeft() {
        settle();
        rename("Pause");
        QVERIFY(station()->isPlanning());
        QTest::mouseClick(find<QPushButton>("generate"), Qt::LeftButton);
        open_->station(5);
        QTRY_VERIFY_WITH_TIMEOUT(target::readFile(out() + "/kiln_scene.c").contains("Pause"), 20000);
    }

    void unchangedFilesAreNotWritten() {
        generate();
        const QDateTime long_ago = QDateTime::currentDateTime().addDays(-3);
        for (const QString& file : {out() + "/kiln_scene.c", out() + "/kiln_fonts.c", out() + "/gorse/gorse_run.c"}) {
            QFile f(file);
            QVERIFY(f.open(QIODevice::ReadWrite));
            QVERIFY(f.setFileTime(long_ago, QFileDevice::FileModificationTime));
        }
        rename("Pause");
        QCOMPARE(state("kiln_scene.c"), QString("changed"));
        generate();
        QVERIFY(QFileInfo(out() + "/kiln_scene.c").lastModified() > long_ago.addDays(2));
        QVERIFY(QFileInfo(out() + "/gorse/gorse_run.c").lastModified() < long_ago.addDays(1));
    }

    void differencesAreShown() {
        generate();
        rename("Pause");
        const QString shown = text("kiln_scene.c");
        QVERIFY2(shown.contains("Pause") && shown.contains("Hold"), qPrintable(shown.left(600)));
        bool gone = false, fresh = false;
        for (const QString& line : shown.split('\n')) {
            gone = gone || (line.startsWith("- ") && line.contains("Hold"));
            fresh = fresh || (line.startsWith("+ ") && line.contains("Pause"));
        }
        QVERIFY(gone && fresh);
        QVERIFY(!find<QPlainTextEdit>("code_text")->extraSelections().isEmpty());
        generate();
        QVERIFY(find<QPlainTextEdit>("code_text")->extraSelections().isEmpty());
    }

    void filesThatAreNoLongerNeededGo() {
        generate();
        QVERIFY(QFileInfo::exists(out() + "/gorse/gorse_kind_frames.c"));
        QVERIFY(target::writeFile(out() + "/gorse/my_notes.c", "/* mine */\n"));
        // Without the flame nothing moves.
        Document next = session_->document();
        for (const ScreenRef& screen : next.screens) {
            Names frames;
            for (const WidgetRef& each : screen->widgets)
                if (each->kind == Kind::Frames)
                    frames.push_back(each->name);
            if (!frames.empty())
                next = removeWidgets(next, screen->name, frames);
        }
        session_->edit(next, "Delete");
        open_->station(5);
        open_->station(8);
        QCOMPARE(state("gorse/gorse_kind_frames.c"), QString("no longer needed"));
        generate();
        QVERIFY(!QFileInfo::exists(out() + "/gorse/gorse_kind_frames.c"));
        QVERIFY(QFileInfo::exists(out() + "/gorse/my_notes.c"));
    }

    void theFolderIsRemembered() {
        generate();
        Session second;
        MainWindow other(second);
        other.show();
        QVERIFY(other.openProject(open_->folder()));
        QTest::keyClick(&other, Qt::Key_8, Qt::AltModifier);
        QCOMPARE(other.findChild<QLineEdit*>("output_folder")->text(), out());
        QTRY_VERIFY_WITH_TIMEOUT(other.findChild<QLabel*>("code_status")->text().contains("Everything is written"),
                                 20000);
    }

    void errorsKeepCodeBack() {
        session_->edit(withRules(session_->document(), "main", "on nothing.tap\n    go nowhere\n"), "Edit rules");
        open_->station(5);
        open_->station(8);
        settle();
        QVERIFY(!find<QPushButton>("generate")->isEnabled());
        QVERIFY(status().contains("Errors"));
        QVERIFY(find<QLabel>("compile_command")->text().isEmpty());
        generate();
        QVERIFY(!QFileInfo::exists(out()));
        session_->undo();
        open_->station(5);
        open_->station(8);
        settle();
        QVERIFY(find<QPushButton>("generate")->isEnabled());
    }

    void aFolderThatCannotBeIsTold() {
        QVERIFY(target::writeFile(open_->path("file"), "not a folder"));
        OpenWindow::retype(find<QLineEdit>("output_folder"), open_->path("file") + "/code");
        generate();
        QVERIFY2(find<QLabel>("notice")->text().contains("file"), qPrintable(find<QLabel>("notice")->text()));
        QCOMPARE(target::readFile(open_->path("file")), QByteArray("not a folder"));
    }

    // Each group's bytes are its parts' together, and the whole is what the header tells.
    void costsAddUp() {
        settle();
        const QAbstractItemModel* model = find<QTreeView>("code_costs")->model();
        const auto bytes = [&](const QModelIndex& index) {
            return index.data().toString().remove(QRegularExpression("[^0-9]")).toLong();
        };
        long flash = 0, ram = 0, groups = 0;
        for (int i = 0; i < model->rowCount(); ++i) {
            const QModelIndex head = model->index(i, 0);
            if (head.data().toString() == "Together") {
                QCOMPARE(bytes(model->index(i, 1)), flash);
                QCOMPARE(flash, session_->costs().total().flash);
                QVERIFY(bytes(model->index(i, 2)) >= ram);
                QVERIFY(groups >= 3);
                return;
            }
            long parts = 0;
            for (int j = 0; j < model->rowCount(head); ++j)
                parts += bytes(model->index(j, 1, head));
            if (model->rowCount(head) > 0) {
                QCOMPARE(bytes(model->index(i, 1)), parts);
                ++groups;
            }
            flash += bytes(model->index(i, 1));
            if (head.data().toString().startsWith("State") || head.data().toString().startsWith("Draw"))
                ram += bytes(model->index(i, 2));
        }
        QFAIL("no line tells the whole");
    }
};

GORSEFINCH_TEST(TestCodeStation, Windows)
#include "tst_code_station.moc"
