// SPDX-License-Identifier: GPL-3.0-or-later
// Groups on the canvas and in the layers: made, entered, left, filled by dragging, and taken apart.
#include <QAbstractButton>
#include <QLineEdit>
#include <QScrollArea>
#include <QtTest>

#include "app/screens/layers.h"
#include "core/document/widget_tree.h"
#include "tests/support/operated_window.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestGroups : public QObject, support::OperatedWindow {
    Q_OBJECT

    // "a(bc)": the widgets of the alarm screen, what a group holds in brackets.
    std::string tree() const {
        std::string out;
        int depth = 0;
        for (const WidgetRef& each : session_->document().screen("alarm")->widgets) {
            for (; depth < each->depth; ++depth)
                out += "(";
            for (; depth > each->depth; --depth)
                out += ")";
            out += (out.empty() || out.back() == '(' || out.back() == ')' ? "" : " ") + each->name;
        }
        return out + std::string(static_cast<size_t>(depth), ')');
    }
    // A field of the page that the sheet shows now.
    template <typename T>
    T* inSheet(const char* name) {
        return find<QScrollArea>("sheet")->widget()->findChild<T*>(name);
    }
    QAbstractButton* button(const char* field, const char* word) {
        for (auto* each : inSheet<QWidget>(field)->findChildren<QAbstractButton*>())
            if (each->text() == word)
                return each;
        return nullptr;
    }
  private Q_SLOTS:
    void initTestCase() { prepare(); }

    void init() {
        QVERIFY(open("kiln", 5));
        begin({support::makeWidget("a", Kind::Rectangle, 20, 20, 40, 30, {{"fill", opaque(0x204060)}}),
               support::makeWidget("b", Kind::Rectangle, 80, 30, 40, 30, {{"fill", opaque(0x602040)}}),
               support::makeWidget("c", Kind::Rectangle, 200, 30, 40, 30, {{"fill", opaque(0x206040)}})});
    }

    void cleanup() { close(); }

    void groupsAreMadeAndTakenApart() {
        const QImage before = canvas()->grab().toImage();
        click(30, 30);
        click(90, 40, Qt::ShiftModifier);
        QTest::keyClick(canvas(), Qt::Key_G, Qt::ControlModifier);
        QCOMPARE(tree(), std::string("group(a b)c"));
        QCOMPARE(selected(), std::string("group"));
        QCOMPARE(box("group"), QRect(20, 20, 100, 40));
        QCOMPARE(box("b"), QRect(60, 10, 40, 30));
        // It moves as one.
        support::OpenWindow::drag(canvas(), at(30, 30), at(33, 71));
        QCOMPARE(box("b"), QRect(60, 10, 40, 30));
        QVERIFY(box("group").y() > 50);
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(box("group"), QRect(20, 20, 100, 40));
        QTest::keyClick(canvas(), Qt::Key_G, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(tree(), std::string("a b c"));
        QCOMPARE(box("b"), QRect(80, 30, 40, 30));
        session_->selection().select({});
        QCOMPARE(canvas()->grab().toImage(), before);
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        session_->selection().select({"group"});
        QTest::keyClick(canvas(), Qt::Key_A, Qt::ShiftModifier);
        QVERIFY(find<QLabel>("notice")->text().contains("ungroup it first"));
        QCOMPARE(tree(), std::string("group(a b)c"));
        QTest::keyClick(canvas(), Qt::Key_G, Qt::ControlModifier | Qt::ShiftModifier);
        click(210, 40);
        QTest::keyClick(canvas(), Qt::Key_G, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(find<QLabel>("notice")->text().contains("Select a group"));
    }

    void aDoubleClickEntersAndEscapeLeaves() {
        session_->selection().select({"a", "b"});
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_G, Qt::ControlModifier);
        click(210, 40);
        QCOMPARE(selected(), std::string("c"));
        QTest::mouseDClick(canvas(), Qt::LeftButton, Qt::NoModifier, at(90, 40));
        QCOMPARE(selected(), std::string("b"));
        QCOMPARE(session_->selection().container(), std::string("group"));
        click(30, 30);
        QCOMPARE(selected(), std::string("a"));
        QTest::keyClick(canvas(), Qt::Key_Right);
        QCOMPARE(box("a").x(), 1);
        // What is inserted lies in it, where it was drawn.
        canvas()->insert(Kind::Rectangle, QRect(70, 24, 8, 8));
        QCOMPARE(tree(), std::string("group(a b box)c"));
        QCOMPARE(box("box"), QRect(50, 4, 8, 8));
        QTest::keyClick(canvas(), Qt::Key_Escape);
        QCOMPARE(selected(), std::string("group"));
        QCOMPARE(session_->selection().container(), std::string());
        QTest::keyClick(canvas(), Qt::Key_Escape);
        QCOMPARE(selected(), std::string());
        // A click beside it leaves it too.
        QTest::mouseDClick(canvas(), Qt::LeftButton, Qt::NoModifier, at(90, 40));
        click(210, 40);
        QCOMPARE(selected(), std::string("c"));
        // All of one container.
        QTest::mouseDClick(canvas(), Qt::LeftButton, Qt::NoModifier, at(90, 40));
        QTest::keyClick(canvas(), Qt::Key_A, Qt::ControlModifier);
        QCOMPARE(selected(), std::string("a b box"));
    }

    void widgetsAreDraggedInAndOut() {
        put({support::makeWidget("frame", Kind::Group, 20, 100, 120, 80,
                                 {{"fill", opaque(0x202020)}, {"clip", true}})});
        support::OpenWindow::drag(canvas(), at(220, 45), at(60, 130));
        QCOMPARE(tree(), std::string("a b frame(c)"));
        QVERIFY(std::abs(box("c").x() - (200 - 160 - 20)) <= 4 && std::abs(box("c").y() - (30 + 85 - 100)) <= 4);
        QCOMPARE(session_->selection().container(), std::string("frame"));
        // One step back.
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(tree(), std::string("a b c frame"));
        QCOMPARE(box("c"), QRect(200, 30, 40, 30));
        // Ctrl only moves.
        support::OpenWindow::drag(canvas(), at(220, 45), at(60, 130), Qt::ControlModifier);
        QCOMPARE(tree(), std::string("a b c frame"));
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        support::OpenWindow::drag(canvas(), at(220, 45), at(60, 130));
        support::OpenWindow::drag(canvas(), at(60, 130), at(230, 60));
        QCOMPARE(tree(), std::string("a b frame c"));
        QVERIFY(box("c").x() > 180);
    }

    void layersShowTheTree() {
        session_->selection().select({"a", "b"});
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_G, Qt::ControlModifier);
        auto* layers = find<Layers>("layers");
        const auto names = [&] {
            QStringList out;
            for (int row = 0; row < layers->model()->rowCount(); ++row)
                out << QString(layers->model()->index(row, 0).data(LayersModel::DepthRole).toInt(), '.') +
                           layers->model()->index(row, 0).data().toString();
            return out.join(' ');
        };
        QCOMPARE(names(), QString("c group .b .a"));
        const auto drop = [&](int from, int row, int onto) {
            QAbstractItemModel* model = layers->model();
            std::unique_ptr<QMimeData> data(model->mimeData({model->index(from, 0)}));
            model->dropMimeData(data.get(), Qt::MoveAction, row, 0, onto < 0 ? QModelIndex() : model->index(onto, 0));
        };
        drop(0, -1, 1);  // c onto the group
        QCOMPARE(tree(), std::string("group(a b c)"));
        QCOMPARE(box("c"), QRect(180, 10, 40, 30));
        QCOMPARE(names(), QString("group .c .b .a"));
        drop(3, 1, -1);  // a between the group and what it holds
        QCOMPARE(names(), QString("group .a .c .b"));
        drop(2, 0, -1);  // c above all
        QCOMPARE(names(), QString("c group .a .b"));
        drop(3, 1, -1);  // b between c and the group
        QCOMPARE(names(), QString("c b group .a"));
        drop(1, -1, -1);  // b beside all: to the bottom
        QCOMPARE(names(), QString("c group .a b"));
        drop(1, -1, 2);  // the group onto what it holds: nothing
        QCOMPARE(names(), QString("c group .a b"));
        // A row chooses a widget in its group.
        QTest::mouseClick(layers->viewport(), Qt::LeftButton, Qt::NoModifier,
                          layers->visualRect(layers->model()->index(2, 0)).center());
        QCOMPARE(selected(), std::string("a"));
        QCOMPARE(session_->selection().container(), std::string("group"));
    }

    void whatLiesTooDeepIsRefused() {
        for (int i = 0; i <= kMaxDepth; ++i) {
            session_->selection().select({i == 0 ? "a" : i == 1 ? "group" : "group_" + std::to_string(i)});
            canvas()->setFocus();
            QTest::keyClick(canvas(), Qt::Key_G, Qt::ControlModifier);
        }
        QVERIFY(find<QLabel>("notice")->text().contains("at most 8 deep"));
        QCOMPARE(deepest(session_->document().screen("alarm")->widgets), kMaxDepth);
        // The same by a paste.
        session_->selection().select({"group"});
        QTest::keyClick(canvas(), Qt::Key_C, Qt::ControlModifier);
        session_->selection().select({"a"});
        const std::string before = tree();
        QTest::keyClick(canvas(), Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(tree(), before);
        QVERIFY(find<QLabel>("notice")->text().contains("at most 8 deep"));
    }

    // What a group holds may be all that leads away from the screen.
    void theOnlyWayOutInAGroupIsAskedFor() {
        session_->selection().showScreen("settings");
        session_->selection().select({"back_button"});
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_G, Qt::ControlModifier);
        QString asked;
        support::onNextDialog([&](QWidget* dialog) {
            auto* box = qobject_cast<QMessageBox*>(dialog);
            asked = box ? box->text() : "another dialog";
            QTest::keyClick(dialog, Qt::Key_Escape);
        });
        QTest::keyClick(canvas(), Qt::Key_Delete);
        QVERIFY2(asked.contains("leads away"), qPrintable(asked));
        QVERIFY(widgetIndex(*session_->document().screen("settings"), "back_button") >= 0);
    }

    // A row places what it holds; dragging and the keys give that another turn.
    void whatFlowsGetsAnotherTurn() {
        session_->selection().select({"a", "b"});
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_G, Qt::ControlModifier);
        QTest::mouseClick(button("flow", "row"), Qt::LeftButton);
        retype(inSheet<QLineEdit>("gap"), "8");
        QCOMPARE(box("a"), QRect(0, 0, 40, 30));
        QCOMPARE(box("b"), QRect(48, 0, 40, 30));
        QTest::mouseDClick(canvas(), Qt::LeftButton, Qt::NoModifier, at(80, 40));
        QCOMPARE(selected(), std::string("b"));
        QVERIFY(!inSheet<QLineEdit>("x")->isEnabled() && !inSheet<QLineEdit>("y")->isEnabled());
        QVERIFY(inSheet<QLineEdit>("x")->toolTip().contains("group places it"));
        QVERIFY(inSheet<QLineEdit>("w")->isEnabled());
        support::OpenWindow::drag(canvas(), at(80, 35), at(24, 36));
        QCOMPARE(tree(), std::string("group(b a)c"));
        QCOMPARE(box("a"), QRect(48, 0, 40, 30));
        QTest::keyClick(canvas(), Qt::Key_Right);
        QCOMPARE(tree(), std::string("group(a b)c"));
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(tree(), std::string("group(b a)c"));
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(tree(), std::string("group(a b)c"));
        // What is dropped in takes the turn that it is dropped at.
        session_->selection().select({});
        session_->selection().enter({});
        support::OpenWindow::drag(canvas(), at(220, 45), at(58, 40));
        QCOMPARE(tree(), std::string("group(a c b)"));
        QCOMPARE(box("b"), QRect(96, 0, 40, 30));
        // Without the row its place can be set again.
        session_->selection().select({"group"});
        QTest::mouseClick(button("flow", "none"), Qt::LeftButton);
        session_->selection().select({"c"});
        QVERIFY(inSheet<QLineEdit>("x")->isEnabled());
    }

    // What expressions hide leaves its place on the canvas too; what rules hide shows there.
    void thePointerFindsWhatMovedUp() {
        session_->selection().select({"a", "b"});
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_G, Qt::ControlModifier);
        QTest::mouseClick(button("flow", "row"), Qt::LeftButton);
        QTest::mouseDClick(canvas(), Qt::LeftButton, Qt::NoModifier, at(30, 30));
        QCOMPARE(selected(), std::string("a"));
        const std::vector<std::string> hidden{"a"};
        addVariable(support::makeYesNo("a_shown", false));
        session_->edit(*setExpression(session_->document(), "alarm", hidden, "visible", "a_shown"), "Test");
        session_->runner().step();
        click(50, 30);
        QCOMPARE(selected(), std::string("b"));
        session_->edit(clearProperty(session_->document(), "alarm", hidden, "visible"), "Test");
        session_->edit(withRules(session_->document(), "more", "when !a_shown\n    hide a\notherwise\n    show a\n"),
                       "Test");
        session_->runner().step();
        click(50, 30);
        QCOMPARE(selected(), std::string("a"));
        click(70, 30);
        QCOMPARE(selected(), std::string("b"));
    }

    void whatIsAnchoredFollowsItsGroup() {
        session_->selection().select({"a", "b"});
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_G, Qt::ControlModifier);
        session_->selection().select({"b"});
        QTest::mouseClick(inSheet<QAbstractButton>("anchor_left"), Qt::LeftButton);
        QTest::mouseClick(inSheet<QAbstractButton>("anchor_right"), Qt::LeftButton);
        session_->selection().select({"a"});
        QTest::mouseClick(inSheet<QAbstractButton>("anchor_right"), Qt::LeftButton);
        QTest::mouseClick(inSheet<QAbstractButton>("anchor_bottom"), Qt::LeftButton);
        session_->selection().select({"group"});
        support::OpenWindow::drag(canvas(), at(119, 59), at(149, 79), Qt::ControlModifier);
        QCOMPARE(box("group"), QRect(20, 20, 130, 60));
        QCOMPARE(box("b"), QRect(90, 10, 40, 30));
        QCOMPARE(box("a"), QRect(0, 0, 70, 50));
        // However small it was meanwhile.
        const QPoint corner = at(149, 79);
        QTest::mousePress(canvas(), Qt::LeftButton, Qt::ControlModifier, corner);
        for (const QPoint& each : {at(40, 30), at(25, 24), at(60, 50), at(149, 79)})
            moveTo(each, Qt::ControlModifier);
        QTest::mouseRelease(canvas(), Qt::LeftButton, Qt::ControlModifier, corner);
        QCOMPARE(box("group"), QRect(20, 20, 130, 60));
        QCOMPARE(box("b"), QRect(90, 10, 40, 30));
        QCOMPARE(box("a"), QRect(0, 0, 70, 50));
    }

    void copiesBringWhatTheyHold() {
        session_->selection().select({"a", "b"});
        canvas()->setFocus();
        QTest::keyClick(canvas(), Qt::Key_G, Qt::ControlModifier);
        QTest::keyClick(canvas(), Qt::Key_D, Qt::ControlModifier);
        QCOMPARE(tree(), std::string("group(a b)c group_2(a_2 b_2)"));
        QCOMPARE(selected(), std::string("group_2"));
        QCOMPARE(box("group_2"), QRect(28, 28, 100, 40));
        QCOMPARE(box("b_2"), QRect(60, 10, 40, 30));
        // Out of a group, a copy stays where it is on the panel, beside the first.
        session_->selection().select({"b_2"});
        QTest::keyClick(canvas(), Qt::Key_C, Qt::ControlModifier);
        QTest::keyClick(canvas(), Qt::Key_Escape);
        session_->selection().enter("");
        QTest::keyClick(canvas(), Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(box("b_3"), QRect(28 + 60 + 8, 28 + 10 + 8, 40, 30));
        QTest::keyClick(canvas(), Qt::Key_Delete);
        session_->selection().select({"group_2"});
        QTest::keyClick(canvas(), Qt::Key_Delete);
        QCOMPARE(tree(), std::string("group(a b)c"));
    }
};

GORSEFINCH_TEST(TestGroups, Windows)
#include "tst_groups.moc"
