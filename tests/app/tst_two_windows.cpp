// SPDX-License-Identifier: GPL-3.0-or-later
// Two windows, or another program, on one project: who edits and who looks, what changes outside, and what is kept
// against a crash meanwhile.
#include <QComboBox>
#include <QLabel>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QTableWidget>

#include "app/screens/canvas.h"
#include "core/base/files.h"
#include "core/project/journal_text.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"
#include "tests/support/window.h"

using namespace gorsefinch;
using namespace gorsefinch::app;
using namespace support;

namespace {

// Presses a button of the next dialog, as soon as it comes up.
void answer(const char* button) {
    onNextDialog([button](QWidget* dialog) {
        auto* found = dialog->findChild<QPushButton*>(button);
        QVERIFY2(found, button);
        QTest::mouseClick(found, Qt::LeftButton);
    });
}

QByteArray bytesOf(const QString& path) {
    QFile file(path);
    return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
}

void write(const QString& path, const QByteArray& bytes) {
    QFile file(path);
    QVERIFY(file.open(QIODevice::WriteOnly));
    file.write(bytes);
}

}  // namespace

class TestTwoWindows : public QObject, public OnWindow {
    Q_OBJECT

    QString folder() const { return open_->folder(); }
    QWidget* bar(MainWindow& window, const char* name) { return window.findChild<QWidget*>(name); }
    void move(Session& session, int x) {
        session.edit(changeWidgets(session.document(), "status", std::vector<std::string>{"hold_button"},
                                   [&](Widget& w) { w.x = x; }),
                     "Move");
    }
    static int placeIn(const Session& session) {
        const ScreenRef status = session.document().screen("status");
        return status->widgets[static_cast<size_t>(widgetIndex(*status, "hold_button"))]->x;
    }
    // As an editor of text would, in place.
    void replaceIn(const char* file, const QByteArray& from, const QByteArray& to) {
        QByteArray text = bytesOf(folder() + "/" + file);
        QVERIFY(text.contains(from));
        write(folder() + "/" + file, text.replace(from, to));
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() { QVERIFY(open("kiln")); }
    void cleanup() { close(); }

    void theSecondWindowLooks() {
        Session second;
        MainWindow other(second);
        other.resize(1280, 780);
        other.show();
        QVERIFY(other.openProject(folder()));
        QVERIFY(session_->mayEdit() && !second.mayEdit());
        QVERIFY(!bar(*window_, "look_only")->isVisible());
        QVERIFY(bar(other, "look_only")->isVisible());
        QVERIFY(bar(other, "look_only")
                    ->findChild<QLabel*>()
                    ->text()
                    .contains(QString::number(QCoreApplication::applicationPid())));
        // An edit there is refused with a notice, and the first window's journal is not taken for a crash's.
        const int before = placeIn(second);
        auto* canvas = other.findChild<Canvas*>();
        canvas->setFocus();
        second.selection().select({"hold_button"});
        QTest::keyClick(canvas, Qt::Key_Right);
        QCOMPARE(placeIn(second), before);
        QVERIFY(other.findChild<QLabel*>("notice")->text().contains("read-only"));
        move(*session_, before + 5);
        QTRY_VERIFY(QFile::exists(folder() + "/.gorsefinch-journal"));
        QVERIFY(!bar(other, "recovery")->isVisible() && !second.project().hasRecovery());
        const auto refused = second.save();
        QVERIFY(!refused && refused.error().text().find("take it over") != std::string::npos);
        // What the first one saves is seen there.
        QVERIFY(session_->save().has_value());
        QTRY_COMPARE_WITH_TIMEOUT(placeIn(second), before + 5, 8000);
        QVERIFY(second.history().isSaved());
    }

    void takingOver() {
        Session second;
        MainWindow other(second);
        other.resize(1280, 780);
        other.show();
        QVERIFY(other.openProject(folder()));
        move(*session_, 30);
        answer("confirm_take_over");
        QTest::mouseClick(bar(other, "look_only")->findChild<QPushButton*>("take_over"), Qt::LeftButton);
        QVERIFY(second.mayEdit());
        QVERIFY(!bar(other, "look_only")->isVisible());
        move(second, 40);
        QVERIFY(second.save().has_value());
        // The first window notices, still shows its work, and overwrites nothing.
        QTRY_VERIFY_WITH_TIMEOUT(!session_->mayEdit(), 8000);
        QVERIFY(bar(*window_, "look_only")->isVisible());
        QVERIFY(bar(*window_, "look_only")->findChild<QLabel*>()->text().contains("taken over"));
        QCOMPARE(placeIn(*session_), 30);
        QVERIFY(!session_->save());
        QVERIFY(bytesOf(folder() + "/screens/status.json").contains("\"x\": 40"));
        // Its work goes elsewhere.
        QVERIFY(session_->saveAs(open_->path("copy")).has_value());
        QVERIFY(session_->mayEdit() && !bar(*window_, "look_only")->isVisible());
        QVERIFY(bytesOf(open_->path("copy/screens/status.json")).contains("\"x\": 30"));
    }

    // The window that is taken over from may hang or be on a host that is gone: its unsaved work is offered.
    void takingOverKeepsUnsavedWork() {
        move(*session_, 30);
        QTRY_VERIFY(QFile::exists(folder() + "/.gorsefinch-journal"));
        Session second;
        MainWindow other(second);
        other.resize(1280, 780);
        other.show();
        QVERIFY(other.openProject(folder()));
        const int saved = placeIn(second);
        other.activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(&other));
        answer("confirm_take_over");
        QTest::keyClick(&other, Qt::Key_T, Qt::AltModifier);
        QTRY_VERIFY(second.mayEdit() && bar(other, "recovery")->isVisible());
        move(second, 40);
        QTest::qWait(1500);
        QVERIFY(second.save().has_value());
        QTest::mouseClick(bar(other, "recovery")->findChild<QPushButton*>("restore"), Qt::LeftButton);
        QCOMPARE(placeIn(second), 30);
        QVERIFY(saved != 30 && !second.project().hasRecovery());
    }

    // Restored work that cannot be edited in, or not be kept, stays on disk.
    void workThatCannotBeRestoredStays() {
        move(*session_, 30);
        QTRY_VERIFY(QFile::exists(folder() + "/.gorsefinch-journal"));
        Session second;
        QVERIFY(second.open(folder()).has_value() && second.takeOver().has_value() && second.project().hasRecovery());
        QVERIFY(QDir(folder()).mkdir(".gorsefinch-journal"));
        second.restoreRecovery();
        QCOMPARE(placeIn(second), 30);
        QVERIFY(QFile::exists(folder() + "/.gorsefinch-unsaved-001"));
    }

    void aWindowThatClosesLetsGo() {
        close();
        QVERIFY(open("kiln"));
        QVERIFY(QFile::exists(folder() + "/.gorsefinch-lock"));
        QVERIFY(window_->openProject(folder()));
        QVERIFY2(session_->mayEdit(), "opened again by the same window");
        QVERIFY(session_->saveAs(open_->path("copy")).has_value());
        QVERIFY(!QFile::exists(folder() + "/.gorsefinch-lock"));
        Session second;
        QVERIFY(second.open(folder()).has_value() && second.mayEdit());
    }

    void changesOutsideAreMergedWhereTheyTouchOtherThings() {
        move(*session_, 50);
        replaceIn("screens/alarm.json", "\"background\": \"", "\"background\": \"#123456\", \"was\": \"");
        write(folder() + "/rules/main.rules", "// from an editor\n" + bytesOf(folder() + "/rules/main.rules"));
        QTRY_VERIFY_WITH_TIMEOUT(bar(*window_, "outside_changes")->isVisible(), 8000);
        QVERIFY(bar(*window_, "outside_changes")->findChild<QLabel*>()->text().contains("screens/alarm.json"));
        answer("merge");
        QTest::mouseClick(find<QPushButton>("review_outside"), Qt::LeftButton);
        QVERIFY(!bar(*window_, "outside_changes")->isVisible());
        QCOMPARE(placeIn(*session_), 50);
        QVERIFY(session_->document().screen("alarm")->background == opaque(0x123456));
        QVERIFY((*session_->document().rules)[0].text.find("from an editor") != std::string::npos);
        QVERIFY(session_->save().has_value());
        QVERIFY(bytesOf(folder() + "/rules/main.rules").contains("from an editor"));
        QVERIFY(bytesOf(folder() + "/screens/status.json").contains("\"x\": 50"));
        session_->undo();
        session_->undo();
        QVERIFY((*session_->document().rules)[0].text.find("from an editor") == std::string::npos);
    }

    void theSameThingIsChosen_data() {
        QTest::addColumn<int>("side");
        QTest::addColumn<int>("x");
        QTest::newRow("ours") << 0 << 50;
        QTest::newRow("theirs") << 1 << 77;
    }

    void theSameThingIsChosen() {
        QFETCH(int, side);
        QFETCH(int, x);
        const QByteArray was = "\"x\": " + QByteArray::number(placeIn(*session_));
        replaceIn("screens/status.json", "\"name\": \"hold_button\",\n      \"kind\": \"button\",\n      " + was,
                  "\"name\": \"hold_button\",\n      \"kind\": \"button\",\n      \"x\": 77");
        move(*session_, 50);
        // Saving before the change was noticed shows the dialog first.
        bool requested = false;
        QTimer::singleShot(0, this, [&] {
            auto* table = QApplication::activeModalWidget()->findChild<QTableWidget*>("merge_items");
            QVERIFY(table && table->rowCount() == 1);
            auto* ours = QApplication::activeModalWidget()->findChild<QLabel*>("merge_ours");
            auto* theirs = QApplication::activeModalWidget()->findChild<QLabel*>("merge_theirs");
            QVERIFY(ours->isVisible() && ours->pixmap().toImage() != theirs->pixmap().toImage());
            QCOMPARE(table->item(0, 1)->text(), QString("changed"));
            auto* field = qobject_cast<QComboBox*>(table->cellWidget(0, 3));
            QVERIFY(field);
            field->setFocus();
            if (side == 1)
                QTest::keyClick(field, Qt::Key_Down);
            requested = true;
            answer("merge");
        });
        QTest::keyClick(window_, Qt::Key_S, Qt::ControlModifier);
        QVERIFY(requested);
        QCOMPARE(placeIn(*session_), x);
        QVERIFY(session_->history().isSaved());
        Session second;
        QVERIFY(second.open(folder()).has_value());
        QCOMPARE(placeIn(second), x);
    }

    // What changes while the review is open was not reviewed: the next save asks again.
    void changesDuringTheReview() {
        move(*session_, 50);
        write(folder() + "/rules/main.rules", "// first\n");
        int requested = 0;
        QTimer::singleShot(0, this, [&] {
            auto* text = QApplication::activeModalWidget()->findChild<QPlainTextEdit*>("merge_text");
            QVERIFY(text && text->toPlainText().contains("+ // first"));
            write(folder() + "/rules/main.rules", "// second\n");
            ++requested;
            // The save that follows finds the second change.
            QTimer::singleShot(0, this, [&] {
                QTimer::singleShot(0, this, [&] {
                    ++requested;
                    QTest::keyClick(QApplication::activeModalWidget(), Qt::Key_Return);
                });
                QTest::mouseClick(QApplication::activeModalWidget()->findChild<QPushButton*>("merge"), Qt::LeftButton);
            });
        });
        QTest::keyClick(window_, Qt::Key_S, Qt::ControlModifier);
        QCOMPARE(requested, 2);
        QVERIFY(!session_->history().isSaved());
        QCOMPARE(bytesOf(folder() + "/rules/main.rules"), QByteArray("// second\n"));
        QCOMPARE((*session_->document().rules)[0].text, std::string("// first\n"));
        window_->activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(window_));
        answer("merge");
        QTest::keyClick(window_, Qt::Key_S, Qt::ControlModifier);
        QVERIFY(session_->history().isSaved());
        QCOMPARE((*session_->document().rules)[0].text, std::string("// second\n"));
    }

    void aConflictThatIsLeftOverwritesNothing() {
        write(folder() + "/rules/main.rules", "// theirs\n" + bytesOf(folder() + "/rules/main.rules"));
        station(6);
        session_->edit(withRules(session_->document(), "main", "// ours\n"), "Rules");
        QTimer::singleShot(0, this, [&] {
            QTest::keyClick(QApplication::activeModalWidget(), Qt::Key_Escape);
            QTimer::singleShot(0, this, [&] { QTest::keyClick(QApplication::activeModalWidget(), Qt::Key_Return); });
        });
        QTest::keyClick(window_, Qt::Key_S, Qt::ControlModifier);
        QVERIFY(!session_->history().isSaved());
        QVERIFY(bytesOf(folder() + "/rules/main.rules").contains("// theirs"));
    }

    // The project on disk can't be read any more: what is here is kept on request, what is there beside it.
    void whatCannotBeReadOutside() {
        move(*session_, 50);
        write(folder() + "/gorsefinch.json", "<<<<<<< ours");
        answer("keep_ours");
        QTest::keyClick(window_, Qt::Key_S, Qt::ControlModifier);
        QVERIFY(session_->history().isSaved());
        QCOMPARE(bytesOf(folder() + "/gorsefinch.json.broken"), QByteArray("<<<<<<< ours"));
        Session second;
        QVERIFY(second.open(folder()).has_value());
        QCOMPARE(placeIn(second), 50);
    }

    // The whole folder goes away under the window: the next save brings it back.
    void theFolderGoesAway() {
        QVERIFY(QDir(folder()).removeRecursively());
        QTest::qWait(3000);
        QVERIFY(session_->mayEdit());
        move(*session_, 50);
        QTest::keyClick(window_, Qt::Key_S, Qt::ControlModifier);
        QVERIFY(session_->history().isSaved());
        for (const auto& [path, bytes] : toFiles(session_->document()))
            QVERIFY2(bytesOf(folder() + "/" + QString::fromStdString(path)).toStdString() == bytes.text(),
                     path.c_str());
        Session second;
        QVERIFY(second.open(folder()).has_value());
        QVERIFY2(!second.mayEdit(), "the first window has it still");
    }

    // Pictures that others change are taken up by themselves, and are no conflict.
    void changedPicturesAreNoConflict() {
        QImage image(4, 4, QImage::Format_RGB32);
        image.fill(Qt::red);
        QVERIFY(image.save(folder() + "/images/pot.png"));
        QTRY_VERIFY_WITH_TIMEOUT(
            session_->document().image("pot")->original->text() == bytesOf(folder() + "/images/pot.png").toStdString(),
            8000);
        QTest::qWait(5000);
        QVERIFY(!bar(*window_, "outside_changes")->isVisible());
        QVERIFY(session_->save().has_value());
    }

    // During continuous editing a kill would never lose more than two seconds.
    void editingWithoutAPauseIsKept() {
        QElapsedTimer clock;
        clock.start();
        std::map<int, qint64> madeAt;
        qint64 oldest = 0;
        int x = 0;
        // Several rounds of the journal, however fast the machine is.
        while (x < 120 || clock.elapsed() < 4000) {
            move(*session_, ++x);
            madeAt[x] = clock.elapsed();
            QTest::qWait(25);
            const auto journal = readJournalText("journal", bytesOf(folder() + "/.gorsefinch-journal").toStdString());
            int kept = 0;
            if (journal && journal->count("screens/status.json") != 0) {
                const std::string text(journal->at("screens/status.json").text());
                const size_t at = text.find("\"x\": ", text.find("\"hold_button\""));
                kept = std::atoi(text.c_str() + at + 5);
            }
            // The first edit that a kill now would lose.
            if (const auto lost = madeAt.upper_bound(kept); lost != madeAt.end())
                oldest = std::max(oldest, clock.elapsed() - lost->second);
        }
        QVERIFY2(oldest <= 2000, qPrintable(QString("%1 ms of work could be lost").arg(oldest)));
    }

    void aJournalThatCannotBeWrittenIsToldOnce() {
        QSignalSpy told(session_, &Session::noticed);
        QVERIFY(QDir(folder()).mkdir(".gorsefinch-journal"));
        for (int i = 1; i < 60; ++i) {
            move(*session_, i);
            QTest::qWait(50);
        }
        int count = 0;
        for (const auto& each : told)
            count += each.front().toString().contains("kept against a crash");
        QCOMPARE(count, 1);
    }

    void anUnreadableJournalIsToldAndKept() {
        const QString copy = open_->path("crashed");
        QVERIFY(session_->saveAs(copy).has_value());
        close();
        QVERIFY(open("kiln"));
        QVERIFY(session_->saveAs(open_->path("crashed")).has_value());
        session_->discardChanges();
        write(open_->path("crashed/.gorsefinch-journal"), QByteArray(400000, static_cast<char>(0x81)));
        QVERIFY(window_->openProject(open_->path("crashed")));
        QVERIFY(QFile::exists(open_->path("crashed/.gorsefinch-unreadable-1")));
        QVERIFY(std::any_of(session_->problems().begin(), session_->problems().end(),
                            [](const Problem& each) { return each.file.find("journal") != std::string::npos; }));
    }

    void limitsHoldInTheWindowToo() {
        QSignalSpy told(session_, &Session::noticed);
        Document many = session_->document();
        many.variables = std::make_shared<std::vector<Variable>>(kMaxListed + 1, makeNumber("v", 0, 9, 0));
        session_->edit(many, "Too many");
        QVERIFY(session_->document().variables->size() < 100);
        QVERIFY(told.count() > 0 && told.last().front().toString().contains("4000"));
    }
};

GORSEFINCH_TEST(TestTwoWindows, Windows)
#include "tst_two_windows.moc"
