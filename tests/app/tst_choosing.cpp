// SPDX-License-Identifier: GPL-3.0-or-later
// What the pointer and the keys choose on the canvas: what lies beneath, thin lines, all of a kind; what is locked, off
// the canvas or hidden at the start; names by a pattern; pasting.
#include <QClipboard>
#include <QLabel>
#include <QListWidget>
#include <QMenu>
#include <QPushButton>
#include <QtTest>

#include "app/screens/layers.h"
#include "app/screens/rename_dialog.h"
#include "app/screens/screens_dialog.h"
#include "app/widgets/frame_picture.h"
#include "core/sim/draw_screen.h"
#include "tests/support/operated_window.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestChoosing : public QObject, support::OperatedWindow {
    Q_OBJECT

    void key(int key, Qt::KeyboardModifiers keys = Qt::NoModifier) {
        QTest::keyClick(canvas(), static_cast<Qt::Key>(key), keys);
    }
    QColor seen(int x, int y) { return canvas()->grab().toImage().pixelColor(at(x, y) + QPoint(1, 1)); }
    QStringList namesOn(const char* screen) const {
        QStringList out;
        for (const WidgetRef& each : session_->document().screen(screen)->widgets)
            out << QString::fromStdString(each->name);
        return out;
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }

    void init() {
        QVERIFY(open("kiln", 5));
        begin({support::makeWidget("ground", Kind::Rectangle, 10, 10, 200, 150, {{"fill", opaque(0x204060)}}),
               support::makeWidget("card", Kind::Disc, 30, 30, 100, 80, {{"fill", opaque(0x602040)}}),
               support::makeWidget("top", Kind::Rectangle, 50, 50, 40, 30, {{"fill", opaque(0x206040)}}),
               support::makeWidget("hair", Kind::Rectangle, 20, 180, 200, 1, {{"fill", opaque(0xffffff)}}),
               support::makeWidget("slope", Kind::Line, 220, 10, 90, 150,
                                   {{"points", PointList{{0, 0}, {89, 149}}}, {"thickness", int64_t{1}}})});
        canvas()->setFocus();
    }

    void cleanup() { close(); }

    void altClickStepsDown() {
        click(60, 60);
        QCOMPARE(selected(), std::string("top"));
        click(60, 60, Qt::AltModifier);
        QCOMPARE(selected(), std::string("card"));
        click(60, 60, Qt::AltModifier);
        QCOMPARE(selected(), std::string("ground"));
        click(60, 60, Qt::AltModifier);
        QCOMPARE(selected(), std::string("top"));
        // From nothing: the one below the topmost.
        key(Qt::Key_Escape);
        click(60, 60, Qt::AltModifier);
        QCOMPARE(selected(), std::string("card"));
        // Alone, it is chosen; nothing moved or was copied.
        click(15, 150, Qt::AltModifier);
        QCOMPARE(selected(), std::string("ground"));
        click(15, 150, Qt::AltModifier);
        QCOMPARE(selected(), std::string("ground"));
        QCOMPARE(namesOn("alarm").size(), 5);
        QVERIFY(!session_->history().canUndo() || box("ground") == QRect(10, 10, 200, 150));
    }

    // What was chosen beneath others is what a drag with Alt copies.
    void altDragsWhatIsChosenBeneath() {
        click(60, 60);
        click(60, 60, Qt::AltModifier);
        support::OpenWindow::drag(canvas(), at(60, 60), at(160, 140), Qt::AltModifier);
        QCOMPARE(selected(), std::string("card_2"));
    }

    void aLongPressListsThem() {
        QTest::mousePress(canvas(), Qt::LeftButton, {}, at(60, 60));
        QMenu* menu = nullptr;
        QTRY_VERIFY((menu = qobject_cast<QMenu*>(QApplication::activePopupWidget())) != nullptr);
        QCOMPARE(menu->objectName(), QString("stack"));
        QCOMPARE(menu->actions().size(), 3);
        QVERIFY(menu->actions()[0]->isChecked());
        QTest::mouseClick(menu, Qt::LeftButton, {}, menu->actionGeometry(menu->actions()[2]).center());
        QTRY_COMPARE(selected(), std::string("ground"));
        QTest::mouseRelease(canvas(), Qt::LeftButton, {}, at(60, 60));
        QCOMPARE(selected(), std::string("ground"));
        QCOMPARE(box("ground"), QRect(10, 10, 200, 150));
    }

    void thinLinesAreHitBesideThem() {
        canvas()->setZoom(1);
        for (const int beside : {-3, -1, 0, 2, 3}) {
            key(Qt::Key_Escape);
            click(100, 180 + beside);
            QCOMPARE(selected(), std::string("hair"));
        }
        key(Qt::Key_Escape);
        click(100, 185);
        QCOMPARE(selected(), std::string());
        // Of a line its stroke, not its box.
        click(265, 86);
        QCOMPARE(selected(), std::string("slope"));
        click(300, 20);
        QCOMPARE(selected(), std::string());
        click(231, 32);
        QCOMPARE(selected(), std::string("slope"));
    }

    void tabWalks() {
        key(Qt::Key_Tab);
        QCOMPARE(selected(), std::string("ground"));
        key(Qt::Key_Tab);
        QCOMPARE(selected(), std::string("card"));
        key(Qt::Key_Backtab, Qt::ShiftModifier);
        QCOMPARE(selected(), std::string("ground"));
        session_->selection().select({"slope"});
        key(Qt::Key_Tab);
        QVERIFY(!canvas()->hasFocus());
    }

    void sameKindSameLookAndTheOthers() {
        click(60, 60);
        key(Qt::Key_K);
        QCOMPARE(selected(), std::string("ground top hair"));
        key(Qt::Key_I);
        QCOMPARE(selected(), std::string("card slope"));
        session_->edit(
            changeWidgets(session_->document(), "alarm", Names{"card", "top"}, [](Widget& w) { w.look = "button"; }),
            "Test");
        session_->selection().select({"top"});
        key(Qt::Key_K, Qt::ShiftModifier);
        QCOMPARE(selected(), std::string("card top"));
    }

    // Canvas and layers show each of the three differently.
    void lockedOffTheCanvasAndHiddenAtTheStart() {
        const QColor shown = seen(60, 60);
        click(60, 60);
        key(Qt::Key_E);
        QVERIFY(onAlarm("top").offCanvas && onAlarm("top").visible);
        QVERIFY(seen(60, 60) != shown);
        const QColor beneath = seen(60, 60);
        key(Qt::Key_Escape);
        click(60, 60);
        QCOMPARE(selected(), std::string("card"));
        // The interface itself shows it.
        const QImage twin = toImage(session_->runner().twin().memory());
        QVERIFY(twin.pixelColor(60, 60).green() > twin.pixelColor(60, 60).red());
        auto* layers = find<Layers>("layers");
        const auto row = [&](const char* name) {
            for (int i = 0; i < layers->model()->rowCount(); ++i)
                if (layers->model()->index(i, 0).data().toString() == name)
                    return layers->model()->index(i, 0);
            return QModelIndex();
        };
        QVERIFY(!row("top").data(LayersModel::OnCanvasRole).toBool());
        key(Qt::Key_E, Qt::ShiftModifier);
        QVERIFY(!onAlarm("top").offCanvas);
        QCOMPARE(seen(60, 60), shown);
        // Hidden at the start: faintly there, and it can be chosen.
        session_->selection().select({"top"});
        key(Qt::Key_V);
        QVERIFY(!onAlarm("top").visible);
        key(Qt::Key_Escape);
        const QColor faint = seen(60, 60);
        QVERIFY(faint != shown && faint != beneath);
        click(60, 60);
        QCOMPARE(selected(), std::string("top"));
        QVERIFY(!row("top").data(LayersModel::VisibleRole).toBool());
        key(Qt::Key_V);
        key(Qt::Key_L);
        key(Qt::Key_Escape);
        QCOMPARE(seen(60, 60), shown);
        click(60, 60);
        QCOMPARE(selected(), std::string("card"));
        // The eye of a row.
        QTest::mouseClick(layers->viewport(), Qt::LeftButton, {},
                          layers->visualRect(row("card")).topLeft() + QPoint(18, 10));
        QVERIFY(onAlarm("card").offCanvas);
        undo();
        QVERIFY(!onAlarm("card").offCanvas);
    }

    void namesShowWhileTheKeyIsHeld() {
        const QImage before = canvas()->grab().toImage();
        QTest::keyPress(canvas(), Qt::Key_N);
        QVERIFY(canvas()->grab().toImage() != before);
        QTest::keyRelease(canvas(), Qt::Key_N);
        QCOMPARE(canvas()->grab().toImage(), before);
    }

    void severalAreRenamedByAPattern() {
        session_->selection().select({"card", "ground"});
        key(Qt::Key_F2);
        auto* dialog = window_->findChild<RenameDialog*>();
        QVERIFY(dialog);
        auto* pattern = dialog->findChild<QLineEdit*>("pattern");
        QCOMPARE(dialog->findChild<QListWidget*>("names")->item(0)->text(), QString("ground  \u2192  ground_1"));
        support::OpenWindow::retype(pattern, "top", false);
        QVERIFY(dialog->findChild<QLabel*>("wrong")->text().contains("taken"));
        support::OpenWindow::retype(pattern, "part_##");
        QCOMPARE(namesOn("alarm").mid(0, 2), (QStringList{"part_01", "part_02"}));
        QCOMPARE(selected(), std::string("part_01 part_02"));
        undo();
        QCOMPARE(namesOn("alarm").mid(0, 2), (QStringList{"ground", "card"}));
    }

    void pastesInPlaceAtThePointerAndOnScreens() {
        session_->selection().select({"top", "hair"});
        key(Qt::Key_C, Qt::ControlModifier);
        key(Qt::Key_V, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(box("top_2"), QRect(50, 50, 40, 30));
        moveTo(at(100, 100));
        key(Qt::Key_V, Qt::ControlModifier | Qt::AltModifier);
        QCOMPARE(box("top_3").topLeft(), QPoint(130, 100));
        QCOMPARE(box("hair_3").topLeft(), QPoint(100, 230));
        QAction* onScreens = nullptr;
        for (QAction* each : canvas()->actions())
            if (each->objectName() == "paste_on_screens")
                onScreens = each;
        QVERIFY(onScreens);
        onScreens->trigger();
        auto* dialog = window_->findChild<ScreensDialog*>();
        QVERIFY(dialog);
        auto* take = dialog->findChild<QPushButton*>("take");
        QVERIFY(!take->isEnabled());
        auto* list = dialog->findChild<QListWidget*>("screens");
        for (int i = 0; i < list->count(); ++i)
            if (list->item(i)->text() == "status" || list->item(i)->text() == "lock")
                list->item(i)->setCheckState(Qt::Checked);
        QTest::mouseClick(take, Qt::LeftButton);
        for (const char* screen : {"status", "lock"})
            QCOMPARE(namesOn(screen).mid(namesOn(screen).size() - 2), (QStringList{"top", "hair"}));
        QVERIFY(!namesOn("course").contains("hair"));
        undo();
        QVERIFY(!namesOn("status").contains("hair") && !namesOn("lock").contains("hair"));
    }

    void picturesGoToTheClipboardAndComeFromIt() {
        session_->selection().select({"top"});
        key(Qt::Key_C, Qt::ControlModifier | Qt::ShiftModifier);
        QImage copied = QApplication::clipboard()->image();
        QCOMPARE(copied.size(), QSize(40, 30));
        session_->selection().select({});
        key(Qt::Key_C, Qt::ControlModifier | Qt::ShiftModifier);
        copied = QApplication::clipboard()->image();
        QCOMPARE(copied.size(), QSize(320, 240));
        QCOMPARE(copied.convertToFormat(QImage::Format_RGB32),
                 toImage(drawScreen(*session_->scene(), session_->selection().screenIndex()))
                     .convertToFormat(QImage::Format_RGB32));
        QImage picture(24, 18, QImage::Format_RGB32);
        picture.fill(Qt::red);
        QApplication::clipboard()->setImage(picture);
        moveTo(at(260, 200));
        const size_t images = session_->document().images->size();
        key(Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(session_->document().images->size(), images + 1);
        QCOMPARE(session_->selection().widgets().size(), size_t{1});
        const Widget& shown = *session_->selection().widgets().front();
        QVERIFY(shown.kind == Kind::Image);
        QCOMPARE(boxOf(shown), QRect(260 - 12, 200 - 9, 24, 18));
    }
};

GORSEFINCH_TEST(TestChoosing, Windows)
#include "tst_choosing.moc"
