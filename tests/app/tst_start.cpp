// SPDX-License-Identifier: GPL-3.0-or-later
// Starting, leaving and coming back: what is asked, what is kept, where the next start begins.
#include <QLabel>
#include <QListWidget>
#include <QMenu>
#include <QMessageBox>
#include <QPushButton>
#include <QSplitter>
#include <QStackedWidget>
#include <QTreeWidget>

#include "app/screens/canvas.h"
#include "app/theme/theme.h"
#include "tests/support/test_case.h"
#include "tests/support/window.h"

using namespace gorsefinch;
using namespace gorsefinch::app;
using support::OpenWindow;

namespace {

// Presses a button of the next question; gives the question's words.
void answer(QMessageBox::StandardButton button, QString* words = nullptr) {
    support::onNextDialog([button, words](QWidget* dialog) {
        auto* box = qobject_cast<QMessageBox*>(dialog);
        QVERIFY(box);
        if (words)
            *words = box->text();
        QTest::mouseClick(box->button(button), Qt::LeftButton);
    });
}

}  // namespace

class TestStart : public QObject, support::OnWindow {
    Q_OBJECT

    void move() {
        session_->edit(changeWidgets(session_->document(), "status", std::vector<std::string>{"hold_button"},
                                     [](Widget& w) { w.x += 3; }),
                       "Move");
        QVERIFY(!session_->history().isSaved());
    }
    int placeOnDisk() {
        Disk disk;
        const auto read = ProjectFolder(disk, open_->folder().toStdString()).open();
        const ScreenRef status = read.document->screen("status");
        return status->widgets[static_cast<size_t>(widgetIndex(*status, "hold_button"))]->x;
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() { QVERIFY(open("kiln")); }
    void cleanup() { close(); }

    void theNextStartBeginsWhereTheLastEnded() {
        window_->resize(1180, 720);
        auto* splitter = find<QSplitter>("screens_splitter");
        QList<int> sizes = splitter->sizes();
        sizes[0] += 40;
        sizes[1] -= 40;
        splitter->setSizes(sizes);
        const QList<int> kept = splitter->sizes();
        open_->station(6);
        QVERIFY(window_->close());
        Session second;
        MainWindow other(second);
        other.show();
        QCOMPARE(other.size(), QSize(1180, 720));
        QVERIFY(other.openProject(open_->folder()));
        QVERIFY(other.findChild<QWidget*>("rules_text")->isVisible());
        other.activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(&other));
        QTest::keyClick(&other, Qt::Key_5, Qt::AltModifier);
        QTRY_COMPARE(other.findChild<QSplitter*>("screens_splitter")->sizes(), kept);
        // A second project of the same start comes up at its screens.
        QTest::keyClick(&other, Qt::Key_6, Qt::AltModifier);
        QVERIFY(other.openProject(open_->folder()));
        QVERIFY(other.findChild<QWidget*>("canvas")->isVisible());
    }

    void leavingAsksForUnsavedWork() {
        const int before = placeOnDisk();
        move();
        QString words;
        answer(QMessageBox::Cancel, &words);
        QVERIFY(!window_->close());
        QVERIFY(words.contains("kiln"));
        QVERIFY(window_->isVisible());
        QCOMPARE(placeOnDisk(), before);
        answer(QMessageBox::Save);
        QVERIFY(window_->close());
        QCOMPARE(placeOnDisk(), before + 3);
        // Nothing is asked when all is saved.
        window_->show();
        QVERIFY(window_->close());
    }

    void discardedWorkStaysAway() {
        const int before = placeOnDisk();
        move();
        QTRY_VERIFY_WITH_TIMEOUT(QFileInfo::exists(open_->folder() + "/.gorsefinch-journal"), 5000);
        answer(QMessageBox::Discard);
        QVERIFY(window_->close());
        QCOMPARE(placeOnDisk(), before);
        Session second;
        MainWindow other(second);
        other.show();
        QVERIFY(other.openProject(open_->folder()));
        QVERIFY(!other.findChild<QWidget*>("recovery")->isVisible());
    }

    void openedProjectsAreOffered() {
        QTest::keyClick(window_, Qt::Key_N, Qt::ControlModifier | Qt::ShiftModifier);
        auto* recent = find<QListWidget>("recent");
        QCOMPARE(recent->count(), 1);
        QVERIFY(recent->item(0)->text().contains(open_->folder()));
        // One that is gone is not.
        const QString gone = open_->path("gone");
        QDir().mkpath(gone);
        QFile::copy(open_->folder() + "/gorsefinch.json", gone + "/gorsefinch.json");
        QSettings().setValue("recent", QStringList{gone, open_->folder()});
        QTest::keyClick(window_, Qt::Key_N, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(recent->count(), 2);
        QVERIFY(QDir(gone).removeRecursively());
        QTest::keyClick(window_, Qt::Key_N, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(recent->count(), 1);
        recent->setFocus();
        recent->setCurrentRow(0);
        QTest::keyClick(recent, Qt::Key_Return);
        QVERIFY(find<QWidget>("canvas")->isVisible());
    }

    void aNewWindowOffersANewProject() {
        Session second;
        MainWindow other(second);
        other.show();
        other.showStart();
        auto* page = other.findChild<QWidget*>("start_page");
        QVERIFY(page->isVisible());
        // Without a project there is no station to go to, nothing to save, nothing to undo.
        for (const Qt::Key key : {Qt::Key_1, Qt::Key_5, Qt::Key_8})
            QTest::keyClick(&other, key, Qt::AltModifier);
        QTest::keyClick(&other, Qt::Key_S, Qt::ControlModifier);
        QVERIFY(page->isVisible());
        QVERIFY(!second.isOpen());
    }

    void aFolderThatHoldsSomethingIsRefused() {
        QTest::keyClick(window_, Qt::Key_N, Qt::ControlModifier | Qt::ShiftModifier);
        OpenWindow::retype(find<QLineEdit>("new_name"), "other", false);
        OpenWindow::retype(find<QLineEdit>("new_folder"), open_->folder(), false);
        const QByteArray before = [&] {
            QFile file(open_->folder() + "/gorsefinch.json");
            return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
        }();
        QTest::mouseClick(find<QPushButton>("create"), Qt::LeftButton);
        QVERIFY(find<QWidget>("start_page")->isVisible());
        QFile file(open_->folder() + "/gorsefinch.json");
        QVERIFY(file.open(QIODevice::ReadOnly));
        QCOMPARE(file.readAll(), before);
    }

    void lightAndDarkAreChosenInTheMenu() {
        const auto ground = [&] { return window_->grab().toImage().pixelColor(300, 780 / 2).lightness(); };
        open_->station(4);
        const int light = ground();
        const auto choose = [&](const QString& name) {
            support::onNextDialog([name](QWidget* popup) {
                auto* menu = qobject_cast<QMenu*>(popup);
                QVERIFY(menu);
                for (QMenu* part : menu->findChildren<QMenu*>())
                    for (QAction* action : part->actions())
                        if (action->text() == name)
                            action->trigger();
                menu->close();
            });
            QTest::keyClick(window_, Qt::Key_P, Qt::AltModifier);
        };
        choose("Dark");
        QTRY_VERIFY(ground() < light - 80);
        QCOMPARE(QSettings().value("appearance").toInt(), static_cast<int>(Appearance::Dark));
        choose("Light");
        QTRY_COMPARE(ground(), light);
    }

    void commandsAreFoundByTheirNames() {
        open_->station(5);
        int shown = 0, all = 0;
        support::onNextDialog([&](QWidget* dialog) {
            auto* list = dialog->findChild<QTreeWidget*>();
            all = list->topLevelItemCount();
            QTest::keyClicks(dialog->findChild<QLineEdit*>(), "dupl");
            for (int i = 0; i < all; ++i)
                shown += !list->topLevelItem(i)->isHidden();
            QTest::keyClick(dialog, Qt::Key_Escape);
        });
        QTest::keyClick(window_, Qt::Key_F1);
        QVERIFY(all > 30);
        QVERIFY(shown >= 1 && shown < 4);
    }
};

GORSEFINCH_TEST(TestStart, Windows)
#include "tst_start.moc"
