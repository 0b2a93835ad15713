// SPDX-License-Identifier: GPL-3.0-or-later
// Images on their way in and out, driven as a user drives them: dropped, pasted, exported, shelved, put on a screen.
#include <QCheckBox>
#include <QClipboard>
#include <QComboBox>
#include <QDialog>
#include <QLabel>
#include <QListWidget>
#include <QMimeData>
#include <QPushButton>
#include <QTimer>
#include <QtTest>

#include "app/images/images_model.h"
#include "app/screens/canvas.h"
#include "core/edits/image_edits.h"
#include "tests/support/images_window.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace gorsefinch::app;
using namespace support;

class TestImageExchange : public QObject, support::OnImages {
    Q_OBJECT

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() { QVERIFY(open("kiln", 2)); }
    void cleanup() { close(); }

    void aSeriesIsAskedFor() {
        QStringList paths;
        for (const int number : {1, 2, 10}) {
            const QString path = open_->path(QString("ant%1.png").arg(number));
            QVERIFY(photo(8, 8).save(path));
            paths.prepend(path);
        }
        answer("as_animation");
        drop(station(), paths);
        QVERIFY(image("ant") && image("ant")->more.size() == 2);
        QCOMPARE(image("ant")->more[1].file, std::string("ant10.png"));
        session().undo();
        answer("as_pictures");
        drop(station(), paths);
        QVERIFY(image("ant1") && image("ant2") && image("ant10"));
    }

    void whatCannotBeReadIsTold() {
        QSignalSpy told(&session(), &Session::noticed);
        const size_t before = session().document().images->size();
        bring("broken.png", "not a picture");
        QCOMPARE(session().document().images->size(), before);
        QCOMPARE(told.count(), 1);
        QVERIFY(told[0][0].toString().contains("broken.png"));
    }

    // Larger than the panel: it comes in as large as the panel shows it whole. Smaller ones are left as they are.
    void largePicturesComeInAtThePanelsSize() {
        bringPhoto("wide.png", 800, 200);
        QCOMPARE(image("wide")->recipe.width, 320);
        QCOMPARE(image("wide")->recipe.height, 0);
        bringPhoto("tall.png", 300, 900);
        QCOMPARE(image("tall")->recipe.height, 240);
        bringPhoto("small.png", 64, 64);
        QCOMPARE(image("small")->recipe.width, 0);
    }

    void imagesAreExported() {
        const QModelIndexList found =
            list()->model()->match(list()->model()->index(0, 0), Qt::DisplayRole, "pot", 1, Qt::MatchExactly);
        QCOMPARE(found.size(), 1);
        list()->setCurrentIndex(found.front());
        list()->setFocus();
        const QString folder = open_->path("out");
        QVERIFY(QDir().mkpath(folder));
        QTimer::singleShot(0, this, [&] {
            QWidget* dialog = QApplication::activeModalWidget();
            QVERIFY(dialog);
            auto* to = dialog->findChild<QLineEdit*>("export_folder");
            auto* write = dialog->findChild<QPushButton*>("export_write");
            retype(to, folder + "/nowhere", false);
            QVERIFY(!write->isEnabled());
            retype(to, folder, false);
            auto* png = dialog->findChild<QCheckBox*>("export_png");
            QTest::mouseClick(png, Qt::LeftButton, {}, QPoint(8, png->height() / 2));
            dialog->findChild<QComboBox*>("export_element")->setCurrentText("uint16_t");
            QCOMPARE(dialog->findChild<QLabel*>("export_files")->text(), QString("pot.c  pot.h  pot.png"));
            // An error is shown in the dialog, which stays open.
            auto* storage = dialog->findChild<QLineEdit*>("export_storage");
            retype(storage, "static const", false);
            QTest::mouseClick(write, Qt::LeftButton);
            QVERIFY(dialog->isVisible() && !QFile::exists(folder + "/pot.c"));
            QVERIFY(dialog->findChild<QLabel*>("export_files")->text().contains("static"));
            retype(storage, "const", false);
            QCOMPARE(dialog->findChild<QLabel*>("export_files")->text(), QString("pot.c  pot.h  pot.png"));
            QTest::mouseClick(write, Qt::LeftButton);
        });
        QTest::keyClick(list(), Qt::Key_E, Qt::ControlModifier);
        QFile header(folder + "/pot.h"), source(folder + "/pot.c");
        QVERIFY(header.open(QIODevice::ReadOnly) && source.open(QIODevice::ReadOnly));
        QVERIFY(header.readAll().contains("extern const uint16_t pot[POT_BYTES / 2];"));
        QVERIFY(source.readAll().contains("const uint16_t pot[POT_BYTES / 2] = {"));
        QCOMPARE(QImage(folder + "/pot.png").size(), QSize(40, 40));
    }

    void picturesArePastedAndCopiedAsC() {
        QGuiApplication::clipboard()->setImage(photo(12, 10));
        list()->setFocus();
        QTest::keyClick(list(), Qt::Key_V, Qt::ControlModifier);
        QVERIFY(image("pasted"));
        QTest::keyClick(list(), Qt::Key_C, Qt::ControlModifier | Qt::ShiftModifier);
        const QString c = QGuiApplication::clipboard()->text();
        QVERIFY2(c.contains("#define PASTED_WIDTH 12") && c.contains("static const uint8_t pasted[PASTED_BYTES]"),
                 qPrintable(c.left(300)));
    }

    // An image is dragged over the station Screens, which opens, and is dropped on the canvas at its own size.
    void anImageIsDraggedOntoAScreen() {
        auto* model = open_->window.findChild<ImagesModel*>();
        const int row = model->rowOf("flame");
        QVERIFY(model->flags(model->index(row)) & Qt::ItemIsDragEnabled);
        const std::unique_ptr<QMimeData> dragged(model->mimeData({model->index(row)}));
        auto* cell = open_->find<QWidget>("station_screens");
        auto* canvas = open_->find<Canvas>("canvas");
        QVERIFY(dragOver(cell, *dragged, cell->rect().center()));
        QTRY_VERIFY(canvas->isVisible());
        const size_t before = session().selection().screen()->widgets.size();
        dropAt(canvas, *dragged, canvas->fromPanel(QPoint(160, 120)).toPoint());
        QCOMPARE(session().selection().screen()->widgets.size(), before + 1);
        const WidgetRef placed = session().selection().screen()->widgets.back();
        const auto known = session().images().known(session().document(), *image("flame"));
        QCOMPARE(placed->kind, Kind::Frames);
        QVERIFY(placed->properties.at("image") == PropertyValue(std::string("flame")));
        QCOMPARE(QSize(placed->w, placed->h), QSize(known->width, known->height));
        QCOMPARE(QPoint(placed->x + placed->w / 2, placed->y + placed->h / 2), QPoint(160, 120));
        QCOMPARE(session().selection().names(), Names{placed->name});
        session().undo();
        QCOMPARE(session().selection().screen()->widgets.size(), before);
    }

    // A picture from the file manager comes in and onto the screen in one move; the keyboard does it for known ones.
    void picturesAreDroppedAndPutOnAScreen() {
        open_->station(5);
        auto* canvas = open_->find<Canvas>("canvas");
        QVERIFY(photo(30, 20).save(open_->path("lid.png")));
        QMimeData files;
        files.setUrls({QUrl::fromLocalFile(open_->path("lid.png"))});
        dropAt(canvas, files, canvas->fromPanel(QPoint(2, 2)).toPoint());
        QVERIFY(image("lid"));
        const WidgetRef placed = session().selection().screen()->widgets.back();
        QCOMPARE(placed->kind, Kind::Image);
        QCOMPARE(QRect(placed->x, placed->y, placed->w, placed->h), QRect(0, 0, 30, 20));
        open_->station(2);
        list()->setFocus();
        QTest::keyClick(list(), Qt::Key_Return, Qt::ControlModifier);
        QVERIFY(canvas->isVisible());
        QVERIFY(session().selection().screen()->widgets.back()->properties.at("image") ==
                PropertyValue(std::string("lid")));
        QMimeData words;
        words.setText("no picture");
        QVERIFY(!dragOver(canvas, words, canvas->rect().center()));
    }

    // A picture and its recipe go to another project by way of the shelf.
    void theShelfKeepsPicturesWithTheirRecipes() {
        for (int row = 0; row < list()->model()->rowCount(); ++row)
            if (list()->model()->index(row, 0).data().toString() == "flame")
                list()->setCurrentIndex(list()->model()->index(row, 0));
        list()->setFocus();
        const Recipe recipe = image("flame")->recipe;
        QTest::keyClick(list(), Qt::Key_B, Qt::ControlModifier);
        QVERIFY(open("enlarger", 2));
        QTimer::singleShot(0, qApp, [] {
            QTRY_VERIFY(qobject_cast<QDialog*>(QApplication::activeModalWidget()));
            auto* dialog = qobject_cast<QDialog*>(QApplication::activeModalWidget());
            dialog->findChild<QListWidget*>("shelf")->setCurrentRow(0);
            dialog->accept();
        });
        QTest::keyClick(list(), Qt::Key_B, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(image("flame"));
        QVERIFY(image("flame")->recipe == recipe);
        QCOMPARE(list()->currentIndex().data().toString(), QString("flame"));
    }

    void filesInTheFolderAreTakenUp() {
        QVERIFY(photo(20, 10).save(open_->folder() + "/images/found.png"));
        QTRY_VERIFY_WITH_TIMEOUT(image("found"), 5000);
        // What was taken out of the project stays out, though its file is still there.
        list()->setFocus();
        list()->setCurrentIndex(list()->model()->index(0, 0));
        QVERIFY(session().save());
        session().edit(removeImages(session().document(), std::vector<std::string>{"found"}), "take out");
        const Bytes before = image("pot")->original;
        QVERIFY(photo(40, 40).save(open_->folder() + "/images/pot.png"));
        QTRY_VERIFY_WITH_TIMEOUT(image("pot")->original != before, 5000);
        QVERIFY(!image("found"));
    }
};

GORSEFINCH_TEST(TestImageExchange, Windows)
#include "tst_image_exchange.moc"
