// SPDX-License-Identifier: GPL-3.0-or-later
// Maps of tiles are painted on the canvas, with the tools and cells of the sheet.
#include <QAbstractButton>
#include <QLabel>
#include <QLineEdit>
#include <QScrollArea>
#include <QtTest>

#include "app/screens/canvas.h"
#include "core/edits/image_edits.h"
#include "core/emit/export_image.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"
#include "tests/support/window.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestCellPainting : public QObject, support::OnWindow {
    Q_OBJECT

    static constexpr int kX = 40, kY = 30, kSide = 8;

    Canvas* canvas() { return find<Canvas>("canvas"); }
    QPoint middleOf(int column, int row) {
        return canvas()->fromPanel(QPointF(kX + (column + 0.5) * kSide, kY + (row + 0.5) * kSide)).toPoint();
    }
    void press(const char* name) {
        auto* button = find<QScrollArea>("sheet")->widget()->findChild<QAbstractButton*>(name);
        QVERIFY(button);
        QTest::mouseClick(button, Qt::LeftButton);
    }
    // The third of the sheet's cells shows the second frame.
    void choose(int cell) {
        auto* choice = find<QScrollArea>("sheet")->widget()->findChild<QWidget*>("cell_choice");
        QVERIFY(choice);
        choice->setFocus();
        QTest::keyClick(choice, Qt::Key_Up);
        QTest::keyClick(choice, Qt::Key_Left);
        QTest::keyClick(choice, Qt::Key_Left);
        for (int i = 0; i < cell; ++i)
            QTest::keyClick(choice, Qt::Key_Right);
    }
    std::vector<std::string> rows() {
        std::vector<std::string> out;
        const PropertyValue cells = effectiveValue(session_->document(), widget("alarm", "map"), "cells");
        for (const auto& row : std::get<CellMap>(cells))
            out.push_back(toText(row));
        return out;
    }
    using Rows = std::vector<std::string>;
    void undo() { QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier); }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() {
        QVERIFY(open("kiln", 5));
        Picture sheet = makePicture(2 * kSide, kSide);
        for (int y = 0; y < kSide; ++y)
            for (int x = 0; x < 2 * kSide; ++x)
                sheet.at(x, y) = x < kSide ? 0xff3366aa : 0xffaa6633;
        Document next = addImage(session_->document(), "ground.png",
                                 std::make_shared<const FileContents>(encodePng(sheet)), nullptr);
        Recipe recipe = next.image("ground")->recipe;
        recipe.columns = 2;
        next = withRecipe(next, "ground", recipe);
        Names names;
        next = addWidgets(next, "alarm",
                          {support::makeWidget("map", Kind::Tiles, kX, kY, 6 * kSide, 4 * kSide,
                                               {{"image", std::string("ground")},
                                                {"columns", int64_t{6}},
                                                {"rows", int64_t{4}},
                                                {"padding", int64_t{0}}})},
                          &names);
        session_->selection().showScreen("alarm");
        session_->edit(next, "Test");
        session_->selection().select(names);
    }
    void cleanup() { close(); }

    void thePenDrawsALineAsOneStep() {
        press("paint_cells");
        support::OpenWindow::drag(canvas(), middleOf(0, 0), middleOf(3, 0));
        QCOMPARE(rows(), Rows{"1 1 1 1"});
        undo();
        QCOMPARE(rows(), Rows{});
    }

    void theOtherTools() {
        choose(2);
        press("cell_box");
        support::OpenWindow::drag(canvas(), middleOf(1, 1), middleOf(3, 2));
        QCOMPARE(rows(), (Rows{"", "0 2 2 2", "0 2 2 2"}));
        choose(1);
        press("cell_fill");
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, middleOf(2, 2));
        QCOMPARE(rows(), (Rows{"", "0 1 1 1", "0 1 1 1"}));
        // What is picked is painted next; the pick is no edit.
        choose(2);
        press("cell_pick");
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, middleOf(1, 1));
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, middleOf(0, 0));
        QCOMPARE(rows(), (Rows{"1", "0 1 1 1", "0 1 1 1"}));
        QTest::mouseClick(canvas(), Qt::LeftButton, Qt::AltModifier, middleOf(5, 3));
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, middleOf(0, 0));
        QCOMPARE(rows(), (Rows{"", "0 1 1 1", "0 1 1 1"}));
    }

    // Cells outside the map and presses beside it change nothing of it; a press beside it selects.
    void besideTheMap() {
        press("paint_cells");
        support::OpenWindow::drag(canvas(), middleOf(4, 3), middleOf(9, 3));
        QCOMPARE(rows(), (Rows{"", "", "", "0 0 0 0 1 1"}));
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, canvas()->fromPanel(QPointF(5, 200)).toPoint());
        QVERIFY(session_->selection().names().empty());
        session_->selection().select({"map"});
        support::OpenWindow::drag(canvas(), middleOf(0, 0), middleOf(1, 0));
        QCOMPARE(rows().size(), size_t{4});
        QVERIFY(widget("alarm", "map").x > kX);
    }

    void theKeysPaint() {
        QTest::mouseDClick(canvas(), Qt::LeftButton, {}, middleOf(0, 0));
        canvas()->setFocus();
        for (const int key : {Qt::Key_Right, Qt::Key_Down, Qt::Key_Space, Qt::Key_Right, Qt::Key_Return})
            QTest::keyClick(canvas(), Qt::Key(key));
        QCOMPARE(rows(), (Rows{"", "0 1 1"}));
        QTest::keyClick(canvas(), Qt::Key_Escape);
        QTest::keyClick(canvas(), Qt::Key_Right);
        QCOMPARE(widget("alarm", "map").x, kX + 1);
        QCOMPARE(rows(), (Rows{"", "0 1 1"}));
    }

    // A new map has as many cells as fill the box that is drawn for it.
    void aNewMapFillsItsBox() {
        session_->selection().select({"map"});
        QTest::keyClick(canvas(), Qt::Key_Delete);
        canvas()->arm(Kind::Tiles);
        support::OpenWindow::drag(canvas(), canvas()->fromPanel(QPointF(10, 10)).toPoint(),
                                  canvas()->fromPanel(QPointF(110, 58)).toPoint());
        const Widget made = *session_->selection().widgets().front();
        const Image* image = session_->document().image(std::get<std::string>(made.properties.at("image")));
        const auto baked = session_->images().bake(session_->document(), *image);
        QVERIFY(baked.has_value());
        const int64_t across = (made.w + (*baked)->width - 1) / (*baked)->width;
        QCOMPARE(std::get<int64_t>(made.properties.at("columns")), across);
    }

    // Without an image there is nothing to paint with, which the sheet says.
    void withoutAnImageTheSheetSaysWhatToDo() {
        auto* choice = find<QScrollArea>("sheet")->widget()->findChild<QWidget*>("cell_choice");
        auto* hint = find<QScrollArea>("sheet")->widget()->findChild<QLabel*>("cell_hint");
        QVERIFY(!choice->isHidden() && hint->isHidden());
        session_->edit(gorsefinch::setProperty(session_->document(), "alarm", Names{"map"}, "image", std::string()),
                       "Test");
        QVERIFY(choice->isHidden() && !hint->isHidden());
        QVERIFY(!find<QScrollArea>("sheet")->widget()->findChild<QAbstractButton*>("paint_cells")->isEnabled());
    }

    // A cell that another map had does not go on being painted where there is none.
    void anotherMapHasFewerCells() {
        choose(2);
        Document next = session_->document();
        Recipe recipe = next.image("ground")->recipe;
        recipe.columns = 1;
        session_->edit(withRecipe(next, "ground", recipe), "Test");
        press("cell_pen");
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, middleOf(0, 0));
        QCOMPARE(rows(), Rows{"1"});
    }
};

GORSEFINCH_TEST(TestCellPainting, Windows)
#include "tst_cell_painting.moc"
