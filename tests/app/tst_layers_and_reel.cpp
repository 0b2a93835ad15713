// SPDX-License-Identifier: GPL-3.0-or-later
// The widgets of a screen by depth, and the screens in order, driven as a user drives them.
#include <QListView>
#include <QMenu>
#include <QTimer>
#include <QtTest>
#include <set>

#include "core/edits/assembly_edits.h"
#include "app/screens/canvas.h"
#include "app/screens/layers.h"
#include "app/screens/reel.h"
#include "tests/support/test_case.h"
#include "tests/support/window.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestLayersAndReel : public QObject, support::OnWindow {
    Q_OBJECT

    QListView* layers() { return find<QListView>("layers"); }
    QListView* reel() { return find<QListView>("reel"); }
    Canvas* canvas() { return find<Canvas>("canvas"); }

    static QPoint inRow(QListView* list, int row, int x) {
        return list->visualRect(list->model()->index(row, 0)).topLeft() + QPoint(x, 11);
    }
    void clickLayer(int row, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
        QTest::mouseClick(layers()->viewport(), Qt::LeftButton, modifiers, inRow(layers(), row, 90));
    }
    QStringList names(QListView* list) {
        QStringList out;
        for (int row = 0; row < list->model()->rowCount(); ++row)
            out << list->model()->index(row, 0).data().toString();
        return out;
    }
    QStringList screens() {
        QStringList out;
        for (const ScreenRef& each : session_->document().screens)
            out << QString::fromStdString(each->name);
        return out;
    }
    QStringList topFirst() {
        QStringList out;
        for (const WidgetRef& each : session_->selection().screen()->widgets)
            out.prepend(QString::fromStdString(each->name));
        return out;
    }
    // A row carried to before another, as the view's own drag does it.
    void carry(QListView* list, int row, int before) {
        const std::unique_ptr<QMimeData> data(list->model()->mimeData({list->model()->index(row, 0)}));
        list->model()->dropMimeData(data.get(), Qt::MoveAction, before, 0, {});
    }
    void typeInto(QListView* list, const QString& text) {
        auto* field = list->viewport()->findChild<QLineEdit*>();
        QVERIFY(field);
        field->selectAll();
        QTest::keyClicks(field, text);
        QTest::keyClick(field, Qt::Key_Return);
        // The list takes it when the key has been dealt with.
        QTRY_VERIFY(!list->viewport()->findChild<QLineEdit*>());
    }
    void undo() { QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier); }
    // The menu under the pointer opens, its entry is chosen.
    void choose(QWidget* on, const QPoint& at, const QString& entry) {
        bool found = false;
        QTimer::singleShot(0, [&] {
            auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
            QVERIFY(menu);
            for (QAction* each : menu->actions())
                if (each->text().section('\t', 0, 0) == entry && each->isEnabled()) {
                    found = true;
                    QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(each).center());
                }
            menu->close();
        });
        QContextMenuEvent event(QContextMenuEvent::Mouse, at, on->mapToGlobal(at));
        QApplication::sendEvent(on, &event);
        QVERIFY2(found, qPrintable(entry));
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() {
        QVERIFY(open("kiln"));
        // Four screens are enough.
        QString rules = QString::fromStdString(session_->document().rules->front().text);
        rules.remove("on course.settings_button.tap\n    open lock over\n")
            .remove("on settings.back_button.tap\n    back\n");
        rules.truncate(rules.indexOf("// The settings are for"));
        std::vector<std::string> stages;
        for (int i = 1; i <= 6; ++i)
            stages.push_back("stage_" + std::to_string(i));
        Document four = *takeLoose(session_->document(), "programme", stages);
        while (four.screens.size() > 4)
            four = removeScreen(four, static_cast<int>(four.screens.size()) - 1);
        session_->edit(withRules(four, "main", rules.toStdString()), "Test");
        canvas()->setFocus();
    }
    void cleanup() { close(); }

    void theTopmostStandsFirst() {
        QCOMPARE(names(layers()), topFirst());
        session_->selection().showScreen("alarm");
        QCOMPARE(names(layers()), topFirst());
        QVERIFY(!names(layers()).isEmpty());
    }

    void severalAreChosenAtOnce() {
        const QStringList all = topFirst();
        clickLayer(0);
        clickLayer(2, Qt::ShiftModifier);
        QCOMPARE(session_->selection().names().size(), size_t{3});
        clickLayer(1, Qt::ControlModifier);
        const std::set<std::string> chosen(session_->selection().names().begin(), session_->selection().names().end());
        QCOMPARE(chosen, (std::set<std::string>{all[0].toStdString(), all[2].toStdString()}));
        // What is chosen on the canvas is chosen here.
        session_->selection().select({all[3].toStdString()});
        QCOMPARE(layers()->selectionModel()->selectedIndexes().size(), 1);
        QCOMPARE(layers()->currentIndex().row(), 3);
    }

    void aRowIsCarriedToAnotherDepth() {
        const QStringList before = topFirst();
        QStringList wanted = before;
        wanted.move(3, 0);
        carry(layers(), 3, 0);
        QCOMPARE(topFirst(), wanted);
        QCOMPARE(names(layers()), wanted);
        // Behind its own place, and on itself, nothing moves.
        carry(layers(), 2, 2);
        carry(layers(), 2, 3);
        QCOMPARE(topFirst(), wanted);
        wanted.move(0, static_cast<int>(wanted.size()) - 1);
        carry(layers(), 0, -1);
        QCOMPARE(topFirst(), wanted);
        undo();
        undo();
        QCOMPARE(topFirst(), before);
        QMimeData strange;
        strange.setText("status");
        QVERIFY(!layers()->model()->dropMimeData(&strange, Qt::MoveAction, 0, 0, {}));
        QCOMPARE(topFirst(), before);
    }

    void depthByKeys() {
        const QStringList before = topFirst();
        session_->selection().select({before[2].toStdString()});
        QStringList wanted = before;
        QTest::keyClick(canvas(), Qt::Key_PageUp);
        wanted.swapItemsAt(1, 2);
        QCOMPARE(topFirst(), wanted);
        QTest::keyClick(canvas(), Qt::Key_PageDown);
        QCOMPARE(topFirst(), before);
        QTest::keyClick(canvas(), Qt::Key_PageDown, Qt::ShiftModifier);
        wanted = before;
        wanted.move(2, static_cast<int>(wanted.size()) - 1);
        QCOMPARE(topFirst(), wanted);
    }

    void namesAreWrittenInTheRow() {
        clickLayer(0);
        const QString before = topFirst()[0];
        layers()->setFocus();
        layers()->edit(layers()->currentIndex());
        typeInto(layers(), "renamed_here");
        QCOMPARE(topFirst()[0], QString("renamed_here"));
        QCOMPARE(session_->selection().names(), Names{"renamed_here"});
        layers()->edit(layers()->currentIndex());
        typeInto(layers(), topFirst()[1]);
        QCOMPARE(topFirst()[0], QString("renamed_here"));
        undo();
        QCOMPARE(topFirst()[0], before);
    }

    // What stands in an open field counts when the project is saved, and when the window goes.
    void aNameBeingWrittenIsSaved() {
        clickLayer(0);
        layers()->edit(layers()->currentIndex());
        auto* field = layers()->viewport()->findChild<QLineEdit*>();
        QVERIFY(field);
        field->selectAll();
        QTest::keyClicks(field, "written_late");
        QTest::keyClick(window_, Qt::Key_S, Qt::ControlModifier);
        QCOMPARE(topFirst()[0], QString("written_late"));
        QVERIFY(session_->history().isSaved());
        clickLayer(1);
        layers()->edit(layers()->currentIndex());
    }

    // A field that an undo closes gives nothing on: what can be redone stays.
    void undoEndsWhatIsBeingWritten() {
        const QStringList before = topFirst();
        session_->selection().select({before[0].toStdString()});
        QTest::keyClick(canvas(), Qt::Key_D, Qt::ControlModifier);
        const QStringList after = topFirst();
        layers()->edit(layers()->model()->index(1, 0));
        auto* field = layers()->viewport()->findChild<QLineEdit*>();
        QVERIFY(field);
        QTest::keyClicks(field, "half_written");
        session_->undo();
        QTRY_VERIFY(!layers()->viewport()->findChild<QLineEdit*>());
        QCOMPARE(topFirst(), before);
        QVERIFY(session_->history().canRedo());
        session_->redo();
        QCOMPARE(topFirst(), after);
    }

    void lockedWidgetsSurviveCutAndDelete() {
        clickLayer(0);
        const QStringList before = topFirst();
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_L);
        session_->selection().select({before[0].toStdString(), before[1].toStdString()});
        QTest::keyClick(canvas(), Qt::Key_X, Qt::ControlModifier);
        QStringList wanted = before;
        wanted.removeAt(1);
        QCOMPARE(topFirst(), wanted);
        session_->selection().select({before[0].toStdString()});
        QTest::keyClick(canvas(), Qt::Key_Delete);
        QCOMPARE(topFirst(), wanted);
        // What was cut comes back in front, the locked one under another name.
        QTest::keyClick(canvas(), Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(topFirst().size(), before.size() + 1);
        QVERIFY(topFirst().contains(before[1]));
        QTest::keyClick(canvas(), Qt::Key_L, Qt::ShiftModifier);
        for (const WidgetRef& each : session_->selection().screen()->widgets)
            QVERIFY(!each->locked);
    }

    void everyWidgetIsChosenAndGoes() {
        // The header is locked and stays.
        QTest::keyClick(canvas(), Qt::Key_A, Qt::ControlModifier);
        QCOMPARE(session_->selection().names().size() + 1, session_->selection().screen()->widgets.size());
        support::agreeWithNextQuestion();
        QTest::keyClick(canvas(), Qt::Key_Delete);
        window_->activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(window_));
        QCOMPARE(layers()->model()->rowCount(), 1);
        QVERIFY(session_->selection().names().empty());
        undo();
        QVERIFY(layers()->model()->rowCount() > 5);
    }

    void theMenuOfTheCanvas() {
        session_->selection().select({topFirst()[0].toStdString()});
        const int before = static_cast<int>(topFirst().size());
        choose(canvas(), canvas()->rect().center(), "Duplicate");
        QCOMPARE(topFirst().size(), before + 1);
        choose(canvas(), canvas()->rect().center(), "Select all");
        QCOMPARE(session_->selection().names().size(), size_t(before));
        choose(canvas(), canvas()->rect().center(), "To the bottom");
        support::agreeWithNextQuestion();
        choose(canvas(), canvas()->rect().center(), "Delete");
        QCOMPARE(topFirst().size(), 1);
    }

    void screensAreCarried() {
        QCOMPARE(screens(), (QStringList{"status", "programme", "alarm", "course"}));
        carry(reel(), 2, 0);
        QCOMPARE(screens(), (QStringList{"alarm", "status", "programme", "course"}));
        QCOMPARE(session_->selection().screenName(), QString("status"));
        carry(reel(), 0, -1);
        QCOMPARE(screens(), (QStringList{"status", "programme", "course", "alarm"}));
        carry(reel(), 3, 2);
        QCOMPARE(screens(), (QStringList{"status", "programme", "alarm", "course"}));
        carry(reel(), 1, 2);
        QCOMPARE(screens(), (QStringList{"status", "programme", "alarm", "course"}));
        QMimeData strange;
        strange.setData("application/x-gorsefinch-screen", "900");
        (void)reel()->model()->dropMimeData(&strange, Qt::MoveAction, 0, 0, {});
        QCOMPARE(screens(), (QStringList{"status", "programme", "alarm", "course"}));
    }

    void screensAreRenamedInTheReel() {
        QTest::mouseClick(reel()->viewport(), Qt::LeftButton, {}, inRow(reel(), 1, 130));
        QCOMPARE(session_->selection().screenName(), QString("programme"));
        reel()->setFocus();
        QTest::keyClick(reel(), Qt::Key_F2);
        typeInto(reel(), "steps");
        QCOMPARE(session_->selection().screenName(), QString("steps"));
        QVERIFY(session_->document().rules->front().text.find("go steps") != std::string::npos);
        QVERIFY(session_->document().rules->front().text.find("go programme") == std::string::npos);
        // The keys still mean the screens.
        QVERIFY(reel()->hasFocus());
        QTest::keyClick(reel(), Qt::Key_F2);
        typeInto(reel(), "status");
        QCOMPARE(screens(), (QStringList{"status", "steps", "alarm", "course"}));
    }

    // A copy of a screen has widgets of the same names; the rules go on meaning those of the first.
    void aDuplicateLeavesTheRulesWhole() {
        reel()->setFocus();
        QTest::keyClick(reel(), Qt::Key_D, Qt::ControlModifier);
        QCOMPARE(screens(), (QStringList{"status", "status_2", "programme", "alarm", "course"}));
        QCOMPARE(session_->selection().screenName(), QString("status_2"));
        QVERIFY(!hasErrors(session_->problems()));
        QVERIFY(session_->document().rules->front().text.find("on status.") != std::string::npos);
        undo();
        QCOMPARE(screens(), (QStringList{"status", "programme", "alarm", "course"}));
    }

    void theMenuOfTheReel() {
        const QPoint second = inRow(reel(), 1, 130);
        QTest::mouseClick(reel()->viewport(), Qt::LeftButton, {}, second);
        choose(reel()->viewport(), second, "New screen");
        QCOMPARE(screens(), (QStringList{"status", "programme", "screen", "alarm", "course"}));
        choose(reel()->viewport(), second, "Down");
        QCOMPARE(screens(), (QStringList{"status", "programme", "alarm", "screen", "course"}));
        choose(reel()->viewport(), second, "Up");
        choose(reel()->viewport(), second, "Delete");
        QCOMPARE(screens(), (QStringList{"status", "programme", "alarm", "course"}));
    }

    void theLastScreenStays() {
        reel()->setFocus();
        for (int i = 0; i < 5; ++i)
            QTest::keyClick(reel(), Qt::Key_Delete);
        QCOMPARE(screens().size(), 1);
        QCOMPARE(reel()->model()->rowCount(), 1);
        for (int i = 0; i < 3; ++i)
            undo();
        QCOMPARE(screens(), (QStringList{"status", "programme", "alarm", "course"}));
    }

    // A thumbnail follows its screen after a short delay.
    void thumbnailsFollow() {
        const auto picture = [this](int row) {
            return reel()->model()->index(row, 0).data(ReelModel::ThumbnailRole).value<QPixmap>().toImage();
        };
        const QImage first = picture(0), second = picture(1);
        QVERIFY(!first.isNull());
        session_->selection().select({"title_text"});
        QTest::keyClick(canvas(), Qt::Key_A, Qt::ControlModifier);
        support::agreeWithNextQuestion();
        QTest::keyClick(canvas(), Qt::Key_Delete);
        window_->activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(window_));
        QTRY_VERIFY(picture(0) != first);
        QCOMPARE(picture(1), second);
        undo();
        QTRY_COMPARE(picture(0), first);
    }
};

GORSEFINCH_TEST(TestLayersAndReel, Windows)
#include "tst_layers_and_reel.moc"
