// SPDX-License-Identifier: GPL-3.0-or-later
// The Images station driven as a user drives it: recipe, ladder, crop, frames and the list.
#include <QComboBox>
#include <QListWidget>
#include <QPushButton>
#include <QSlider>
#include <QToolButton>
#include <QtTest>

#include "app/images/images_model.h"
#include "app/images/picture_view.h"
#include "app/screens/canvas.h"
#include "app/widgets/fields.h"
#include "core/image/ladder.h"
#include "tests/support/gif.h"
#include "tests/support/images_window.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace gorsefinch::app;
using namespace support;

namespace {

// Four frames of a dot that wanders, 16x12, on clear ground.
QByteArray dotGif() {
    GifWriter gif(16, 12, {0x000000, 0xe3b505});
    for (int f = 0; f < 4; ++f) {
        std::vector<uint8_t> pixels(16 * 12, 0);
        for (int y = 2; y < 8; ++y)
            for (int x = 0; x < 4; ++x)
                pixels[static_cast<size_t>(y) * 16 + static_cast<size_t>(f * 4 + x)] = 1;
        gif.add({0, 0, 16, 12, pixels, 10, 2, 0});
    }
    return QByteArray::fromStdString(gif.finish());
}

}  // namespace

class TestImagesStation : public QObject, support::OnImages {
    Q_OBJECT

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() { QVERIFY(open("kiln", 2)); }
    void cleanup() { close(); }

    // The whole way: a GIF is dropped, made smaller, takes a rung of the ladder, goes onto a screen and plays in the
    // twin.
    void aGifBecomesFramesOnTheTwin() {
        bring("dot.gif", dotGif());
        QVERIFY(image("dot"));
        auto* frames = open_->find<QListWidget>("frames");
        QTRY_COMPARE(frames->count(), 4);
        OpenWindow::retype(open_->find<NumberField>("recipe_width"), "32");
        QTRY_COMPARE(image("dot")->recipe.width, 32);
        auto* ladder = open_->find<QListWidget>("ladder");
        QTRY_VERIFY(ladder->count() > 15);
        QListWidgetItem* rung = nullptr;
        for (int i = 0; i < ladder->count(); ++i)
            if (ladder->item(i)->toolTip().startsWith("grey4"))
                rung = ladder->item(i);
        QVERIFY(rung);
        ladder->scrollToItem(rung);
        QTest::mouseClick(ladder->viewport(), Qt::LeftButton, {}, ladder->visualItemRect(rung).center());
        QTRY_VERIFY(image("dot")->recipe.format == PixelFormat::Grey4);
        // Onto the screen with the tray's shortcut.
        open_->station(5);
        auto* canvas = open_->find<Canvas>("canvas");
        canvas->setFocus();
        const size_t before = session().selection().screen()->widgets.size();
        canvas->insert(Kind::Frames, QRect(200, 10, 0, 0));
        QCOMPARE(session().selection().screen()->widgets.size(), before + 1);
        // The first image that moves stands in; the sheet gives it ours.
        QVERIFY(session().selection().screen()->widgets.back()->properties.at("image") ==
                PropertyValue(std::string("flame")));
        choose(open_->window.findChild<QWidget*>("sheet_page")->findChild<QComboBox*>("image"), "dot");
        QVERIFY(session().selection().screen()->widgets.back()->properties.at("image") ==
                PropertyValue(std::string("dot")));
        // Nothing else moves: the first screen has come, and no time is counted.
        QVERIFY(session().runner().setValue("firing", "no"));
        session().runner().twin().step(session().runner().twin().now() + 420);
        const Picture first = session().runner().twin().memory().picture();
        session().runner().twin().step(session().runner().twin().now() + 100);
        const Picture second = session().runner().twin().memory().picture();
        QVERIFY(first.pixels != second.pixels);
        session().runner().twin().step(session().runner().twin().now() + 300);
        QVERIFY(session().runner().twin().memory().picture().pixels == first.pixels);
        session().undo();
        session().undo();
        QCOMPARE(session().selection().screen()->widgets.size(), before);
    }

    void slidersJoinIntoOneStep() {
        bringPhoto("cups.png");
        auto* slider = open_->find<QSlider>("brightness");
        slider->setFocus();
        for (int i = 0; i < 5; ++i)
            QTest::keyClick(slider, Qt::Key_Right);
        QCOMPARE(image("cups")->recipe.brightness, 5);
        session().undo();
        QCOMPARE(image("cups")->recipe.brightness, 0);
        QCOMPARE(slider->value(), 0);
    }

    void cropIsDrawnOnThePicture() {
        bringPhoto("cups.png", 200, 100);
        auto* view = open_->find<PictureView>("picture_view");
        QTest::mouseClick(open_->find<QPushButton>("crop"), Qt::LeftButton);
        QCOMPARE(view->mode(), PictureView::Mode::Crop);
        const QPoint middle = view->rect().center();
        OpenWindow::drag(view, middle - QPoint(60, 40), middle + QPoint(60, 40));
        const Recipe& recipe = image("cups")->recipe;
        QVERIFY(recipe.cropWidth > 10 && recipe.cropHeight > 10 && recipe.cropWidth < 190);
        QVERIFY(std::abs(recipe.cropX + recipe.cropWidth / 2 - 100) <= 2 &&
                std::abs(recipe.cropY + recipe.cropHeight / 2 - 50) <= 2);
        const int width = recipe.cropWidth;
        // All of it is dragged: it moves and keeps its size.
        OpenWindow::drag(view, middle, middle + QPoint(20, 10));
        QCOMPARE(image("cups")->recipe.cropWidth, width);
        QVERIFY(image("cups")->recipe.cropX > recipe.cropX || image("cups")->recipe.cropX > 0);
        QTest::mouseClick(open_->find<QPushButton>("crop"), Qt::LeftButton);
        QCOMPARE(view->mode(), PictureView::Mode::Split);
        // Return ends it too, and the view is as it was before.
        QTest::mouseClick(open_->find<QToolButton>("view_beside"), Qt::LeftButton);
        for (const Qt::Key key : {Qt::Key_Return, Qt::Key_Escape}) {
            QTest::mouseClick(open_->find<QPushButton>("crop"), Qt::LeftButton);
            QCOMPARE(view->mode(), PictureView::Mode::Crop);
            QTest::keyClick(view, key);
            QCOMPARE(view->mode(), PictureView::Mode::Beside);
            QVERIFY(!open_->find<QPushButton>("crop")->isChecked());
        }
    }

    void framesAreDroppedAndRetimed() {
        bring("dot.gif", dotGif());
        auto* frames = open_->find<QListWidget>("frames");
        QTRY_COMPARE(frames->count(), 4);
        frames->setCurrentRow(1);
        frames->setFocus();
        QTest::keyClick(frames, Qt::Key_Delete);
        QTRY_COMPARE(frames->count(), 3);
        QCOMPARE(image("dot")->recipe.frames, (std::vector<FrameUse>{{0, 100}, {2, 100}, {3, 100}}));
        frames->setCurrentRow(2);
        OpenWindow::retype(open_->find<NumberField>("frame_time"), "250");
        QTRY_COMPARE(image("dot")->recipe.frames[2].ms, 250);
        // It plays as the panel would.
        auto* view = open_->find<PictureView>("picture_view");
        QTest::mouseClick(open_->find<QToolButton>("play_frames"), Qt::LeftButton);
        QVERIFY(view->isPlaying());
        const int at = view->frame();
        QTRY_VERIFY(view->frame() != at);
    }

    void palettesAreMadeAndShared() {
        bringPhoto("cups.png");
        choose(open_->find<QComboBox>("format"), "index4");
        OpenWindow::retype(open_->find<NumberField>("colours"), "5");
        QTRY_COMPARE(image("cups")->recipe.colours, 5);
        const auto baked = session().images().bake(session().document(), *image("cups"));
        QCOMPARE((*baked)->palette.size(), size_t{5});
        bringPhoto("jug.png", 60, 60);
        choose(open_->find<QComboBox>("format"), "index4");
        choose(open_->find<QComboBox>("palette_source"), "that of cups");
        QCOMPARE(image("jug")->recipe.paletteImage, std::string("cups"));
        QCOMPARE((*session().images().bake(session().document(), *image("jug")))->palette, (*baked)->palette);
    }

    void recipesAreCopied() {
        bringPhoto("cups.png");
        choose(open_->find<QComboBox>("reduction"), "Atkinson");
        list()->setFocus();
        QTest::keyClick(list(), Qt::Key_C, Qt::ControlModifier);
        bringPhoto("jug.png");
        QVERIFY(image("jug")->recipe.reduction == Reduction::Nearest);
        list()->setFocus();
        QTest::keyClick(list(), Qt::Key_V, Qt::ControlModifier);
        QVERIFY(image("jug")->recipe.reduction == Reduction::Atkinson);
    }

    void theListIsFoundSortedRenamedAndDeleted() {
        bringPhoto("cups.png", 40, 40);
        bringPhoto("jug.png", 90, 90);
        QCOMPARE(list()->model()->rowCount(), 6);
        QTest::keyClicks(open_->find<QLineEdit>("find_image"), "ju");
        QCOMPARE(list()->model()->rowCount(), 1);
        open_->find<QLineEdit>("find_image")->clear();
        choose(open_->find<QComboBox>("image_order"), "size");
        QTRY_COMPARE(list()->model()->index(0, 0).data(ImagesModel::Name).toString(), QString("jug"));
        choose(open_->find<QComboBox>("image_order"), "use");
        QCOMPARE(list()->model()->index(0, 0).data(ImagesModel::Name).toString(), QString("pot"));
        // A rename follows through to the widget that shows it.
        list()->setCurrentIndex(list()->model()->index(0, 0));
        list()->setFocus();
        QTest::keyClick(list(), Qt::Key_F2);
        auto* editor = list()->findChild<QLineEdit*>();
        QVERIFY(editor);
        OpenWindow::retype(editor, "vase");
        QTRY_VERIFY(image("vase") && !image("pot"));
        bool found = false;
        for (const ScreenRef& screen : session().document().screens)
            for (const WidgetRef& widget : screen->widgets)
                if (const auto shown = widget->properties.find("image"); shown != widget->properties.end())
                    found = found || shown->second == PropertyValue(std::string("vase"));
        QVERIFY(found);
        choose(open_->find<QComboBox>("image_order"), "size");
        list()->setCurrentIndex(list()->model()->index(0, 0));
        QTest::keyClick(list(), Qt::Key_Delete);
        QVERIFY(!image("jug"));
        session().undo();
        QVERIFY(image("jug"));
    }

    // A large picture is made off the window's thread; of several wishes the newest is the one that is taken.
    void largePicturesFollowTheNewestWish() {
        bringPhoto("wall.png", 3000, 2000);
        for (const char* width : {"280", "290", "300"})
            OpenWindow::retype(open_->find<NumberField>("recipe_width"), width);
        QVERIFY2(image("wall")->recipe.width != 300, "the window does not wait for it");
        QTRY_COMPARE_WITH_TIMEOUT(image("wall")->recipe.width, 300, 20000);
        const auto known = session().images().known(session().document(), *image("wall"));
        QVERIFY(known && known->width == 300);
    }

    // While it is made, the view says what is done and how far it is; Escape gives it up and nothing changes.
    void largePicturesTellTheirProgressAndAreCancelled() {
        bringPhoto("wall.png", 3600, 2400);
        auto* view = open_->find<PictureView>("picture_view");
        QSignalSpy told(view, &PictureView::progressShown);
        QTRY_VERIFY_WITH_TIMEOUT(session().images().known(session().document(), *image("wall")), 20000);
        QVERIFY(!told.isEmpty());
        double before = 0;
        for (const auto& each : told) {
            QVERIFY(each[0].toString().contains("%"));
            QVERIFY(each[1].toDouble() >= before && each[1].toDouble() <= 1);
            before = each[1].toDouble();
        }
        // On a busy machine the last steps may be over before they are told.
        QVERIFY(before > 0);
        const int width = image("wall")->recipe.width;
        OpenWindow::retype(open_->find<NumberField>("recipe_width"), "1800");
        view->setFocus();
        QTest::keyClick(view, Qt::Key_Escape);
        QTest::qWait(300);
        QCOMPARE(image("wall")->recipe.width, width);
    }
};

GORSEFINCH_TEST(TestImagesStation, Windows)
#include "tst_images_station.moc"
