// SPDX-License-Identifier: GPL-3.0-or-later
// The Fonts station driven as a user drives it: faces in, settings, glyphs, what is held and why, the ladder.
#include <QCheckBox>
#include <QComboBox>
#include <QDialog>
#include <QInputDialog>
#include <QLabel>
#include <QListView>
#include <QListWidget>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QSlider>
#include <QTableWidget>
#include <QTimer>
#include <QToolButton>
#include <QtTest>

#include "app/fonts/fonts_model.h"
#include "app/fonts/fonts_station.h"
#include "app/theme/theme.h"
#include "app/widgets/fields.h"
#include "core/font/bdf.h"
#include "tests/support/test_case.h"
#include "tests/support/window.h"

using namespace gorsefinch;
using namespace gorsefinch::app;
using namespace support;

class TestFontsStation : public QObject, support::OnWindow {
    Q_OBJECT

    Session& session() { return open_->session; }
    FontsStation* station() { return open_->window.findChild<FontsStation*>(); }
    QListView* list() { return open_->find<QListView>("fonts"); }
    const Face& face(const char* name) { return *session().document().face(name); }
    FontRef font(const char* name, int size) { return session().font({name, size}); }

    // Clicks the row of a face (size 0) or a size.
    void choose(const QString& name, int size) {
        for (int row = 0; row < list()->model()->rowCount(); ++row) {
            const QModelIndex at = list()->model()->index(row, 0);
            if (at.data(FontsModel::FaceName).toString() == name && at.data(FontsModel::Size).toInt() == size) {
                list()->scrollTo(at);
                QTest::mouseClick(list()->viewport(), Qt::LeftButton, Qt::NoModifier, list()->visualRect(at).center());
                QCOMPARE(list()->currentIndex(), at);
                return;
            }
        }
        QFAIL(qPrintable(QString("no row %1 %2").arg(name).arg(size)));
    }
    void press(const char* field, const QString& choice) {
        auto* choices = open_->find<ChoiceField>(field);
        for (QPushButton* each : choices->findChildren<QPushButton*>())
            if (each->text() == choice) {
                QTest::mouseClick(each, Qt::LeftButton);
                return;
            }
        QFAIL(qPrintable(choice));
    }
    // Runs when the next dialog is open.
    static void inDialog(const std::function<void(QDialog*)>& then) {
        QTimer::singleShot(0, qApp, [then] {
            QTRY_VERIFY(qobject_cast<QDialog*>(QApplication::activeModalWidget()));
            then(qobject_cast<QDialog*>(QApplication::activeModalWidget()));
        });
    }
    QModelIndex glyph(char32_t character) {
        auto* table = open_->find<QListView>("glyphs");
        for (int row = 0; row < table->model()->rowCount(); ++row)
            if (table->model()->index(row, 0).data(Qt::UserRole).toUInt() == character)
                return table->model()->index(row, 0);
        return {};
    }
    void chooseGlyph(char32_t character) {
        auto* table = open_->find<QListView>("glyphs");
        const QModelIndex at = glyph(character);
        QVERIFY(at.isValid());
        table->scrollTo(at);
        QTest::mouseClick(table->viewport(), Qt::LeftButton, Qt::NoModifier, table->visualRect(at).center());
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() {
        QVERIFY(open("kiln", 3));
        QVERIFY(station()->isVisible());
    }
    void cleanup() { close(); }

    void facesAndTheirSizesAreListed() {
        QStringList rows;
        for (int row = 0; row < list()->model()->rowCount(); ++row)
            rows << list()->model()->index(row, 0).data().toString();
        QCOMPARE(rows.filter("px").size(), static_cast<qsizetype>(session().scene()->fonts.size()));
        QVERIFY(rows.contains("regular") && rows.contains("bold") && rows.contains("54 px"));
        qint64 bytes = 0;
        for (const FontRef& each : session().scene()->fonts)
            bytes += static_cast<qint64>(each->bytes());
        QCOMPARE(station()->figure(),
                 QString("2 · %1 KB").arg(static_cast<double>(bytes) / 1024, 0, 'f', bytes < 10240 ? 1 : 0));
    }

    void settingsAreEditsOfTheChosenSize() {
        choose("regular", 20);
        const int before = font("regular", 20)->bitmap(U'1').advance;
        auto* even = open_->find<QCheckBox>("even_digits");
        const bool was = even->isChecked();
        QTest::mouseClick(even, Qt::LeftButton, Qt::NoModifier, QPoint(8, even->height() / 2));
        QCOMPARE(face("regular").settings(20).evenDigits, !was);
        QVERIFY(!face("regular").ownSize(15));
        OpenWindow::retype(open_->find<QLineEdit>("letter_distance"), "4");
        QCOMPARE(font("regular", 20)->bitmap(U'1').advance, font("regular", 20)->bitmap(U'8').advance);
        QVERIFY(font("regular", 20)->bitmap(U'1').advance >= before + 4);
        QTest::keyClick(&open_->window, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(face("regular").settings(20).letter, 0);
        QTest::mouseClick(open_->find<QPushButton>("use_defaults"), Qt::LeftButton);
        QVERIFY(!face("regular").ownSize(20));
    }

    void settingsOfTheFaceHoldForAllItsSizes() {
        choose("regular", 0);
        press("font_bits", "2");
        QCOMPARE(font("regular", 15)->bits(), 2);
        QCOMPARE(font("regular", 20)->bits(), 2);
        QCOMPARE(font("bold", 32)->bits(), 4);
    }

    void edgesSlide() {
        choose("bold", 32);
        auto* edges = open_->find<QSlider>("edges");
        edges->setFocus();
        QTest::keyClick(edges, Qt::Key_PageUp);
        QTest::keyClick(edges, Qt::Key_PageUp);
        QCOMPARE(face("bold").settings(32).gamma, 120);
        // One gesture is one step to undo.
        QTest::keyClick(&open_->window, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(face("bold").settings(32).gamma, 100);
    }

    void packingIsShownWithItsBytes() {
        choose("bold", 32);
        press("font_packing", "plain");
        const size_t plain = font("bold", 32)->bytes();
        press("font_packing", "smallest");
        QVERIFY(font("bold", 32)->isPacked());
        QVERIFY(font("bold", 32)->bytes() < plain);
    }

    void charactersAreHeldByTextAndBlock() {
        choose("bold", 32);
        QVERIFY(font("bold", 32)->held().count(U'é') == 0);
        inDialog([](QDialog* dialog) {
            dialog->findChild<QPlainTextEdit*>()->setPlainText("é ü");
            dialog->accept();
        });
        QTest::mouseClick(open_->find<QPushButton>("hold_text"), Qt::LeftButton);
        QVERIFY(font("bold", 32)->held().count(U'é') == 1 && glyph(U'é').isValid());
        inDialog([](QDialog* dialog) {
            QTest::keyClicks(dialog->findChild<QLineEdit*>("find_block"), "latin-1");
            QTest::keyClick(dialog->findChild<QLineEdit*>("find_block"), Qt::Key_Return);
        });
        QTest::mouseClick(open_->find<QPushButton>("hold_block"), Qt::LeftButton);
        QVERIFY(font("bold", 32)->held().count(U'þ') == 1);
        QCOMPARE(face("bold").settings(32).holds.size(), size_t{2});
        // Del takes an entry out again.
        auto* reasons = open_->find<QListWidget>("reasons");
        for (int i = 0; i < reasons->count(); ++i)
            if (reasons->item(i)->text().contains("block"))
                reasons->setCurrentRow(i);
        reasons->setFocus();
        QTest::keyClick(reasons, Qt::Key_Delete);
        QVERIFY(font("bold", 32)->held().count(U'þ') == 0);
        QVERIFY(font("bold", 32)->held().count(U'é') == 1);
    }

    void aReasonLeadsToItsWidget() {
        choose("bold", 54);
        auto* reasons = open_->find<QListWidget>("reasons");
        QVERIFY(reasons->item(0)->text().contains("kiln_temp"));
        reasons->setCurrentRow(0);
        reasons->setFocus();
        QTest::keyClick(reasons, Qt::Key_Return);
        QVERIFY(!station()->isVisible());
        QCOMPARE(session().selection().screenName(), QString("status"));
        QCOMPARE(session().selection().names().size(), size_t{1});
    }

    // A pixel is set by a click, shows in the code's glyph, stays through another setting, and goes back.
    void pixelsAreSetByHand() {
        choose("bold", 32);
        press("font_bits", "1");
        chooseGlyph(U'o');
        const GlyphBitmap before = font("bold", 32)->bitmap(U'o');
        auto* pixels = open_->find<QWidget>("glyph_pixels");
        QTest::mouseClick(pixels, Qt::LeftButton, Qt::NoModifier, pixels->rect().center());
        QVERIFY(font("bold", 32)->isByHand(U'o'));
        GlyphBitmap after = font("bold", 32)->bitmap(U'o');
        const auto lit = [](const GlyphBitmap& g) { return std::count(g.coverage.begin(), g.coverage.end(), 255); };
        QCOMPARE(std::abs(lit(after) - lit(before)), 1L);
        OpenWindow::retype(open_->find<QLineEdit>("line_distance"), "3");
        QCOMPARE(font("bold", 32)->bitmap(U'o').coverage, after.coverage);
        // By keys: the space bar at the cursor.
        pixels->setFocus();
        QTest::keyClick(pixels, Qt::Key_Up);
        QTest::keyClick(pixels, Qt::Key_Space);
        QCOMPARE(std::abs(lit(font("bold", 32)->bitmap(U'o')) - lit(after)), 1L);
        QTest::mouseClick(open_->find<QPushButton>("glyph_as_face"), Qt::LeftButton);
        QVERIFY(!font("bold", 32)->isByHand(U'o'));
        QCOMPARE(font("bold", 32)->bitmap(U'o').coverage, before.coverage);
    }

    void aRungOfTheLadderIsTaken() {
        choose("bold", 32);
        auto* table = open_->find<QTableWidget>("font_ladder");
        const auto rowOf = [&](const QString& words) {
            for (int row = 0; row < table->rowCount(); ++row)
                if (table->verticalHeaderItem(row) && table->verticalHeaderItem(row)->text() == words)
                    return row;
            return -1;
        };
        QTRY_VERIFY_WITH_TIMEOUT(rowOf("34 px") >= 0 && table->item(rowOf("34 px"), 3), 20000);
        const QTableWidgetItem* item = table->item(rowOf("34 px"), 1);
        table->scrollToItem(item);
        QTest::mouseClick(table->viewport(), Qt::LeftButton, Qt::NoModifier, table->visualItemRect(item).center());
        QVERIFY(!font("bold", 32));
        QVERIFY(font("bold", 34));
        QCOMPARE(font("bold", 34)->bits(), 2);
        QCOMPARE(list()->currentIndex().data(FontsModel::Size).toInt(), 34);
        QTest::keyClick(&open_->window, Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(font("bold", 32));
    }

    void facesComeInByDrop() {
        const QString bdf = open_->path("hand.bdf");
        QFile file(bdf);
        QVERIFY(file.open(QIODevice::WriteOnly));
        file.write(QByteArray::fromStdString(writeBdf(*font("bold", 32))));
        file.close();
        QFile noise(open_->path("noise.ttf"));
        QVERIFY(noise.open(QIODevice::WriteOnly));
        noise.write(QByteArray(3000, 'x'));
        noise.close();
        drop(station(), {open_->path("noise.ttf")});
        QCOMPARE(session().document().faces->size(), size_t{2});
        drop(station(), {bdf});
        QCOMPARE(session().document().faces->size(), size_t{3});
        QCOMPARE(list()->currentIndex().data(FontsModel::FaceName).toString(), QString("hand"));
        QVERIFY(session().save().has_value());
        QVERIFY(QFile::exists(open_->folder() + "/fonts/hand.bdf"));
    }

    void installedFacesAreCopied() {
        bool told = false, seen = false;
        inDialog([&](QDialog* dialog) {
            QTest::keyClicks(dialog->findChild<QLineEdit*>("find_installed"), "DejaVu Sans Mono Book");
            for (const QLabel* each : dialog->findChildren<QLabel*>()) {
                told = told || each->text().startsWith("Licence: ");
                seen = seen || each->pixmap().height() > 20;
            }
            dialog->accept();
        });
        QTest::keyClick(list(), Qt::Key_I, Qt::ControlModifier | Qt::ShiftModifier);
        QVERIFY(told && seen);
        const Face& brought = session().document().faces->back();
        QCOMPARE(brought.file, std::string("DejaVuSansMono.ttf"));
        QVERIFY(brought.original && brought.original->size() > 100000);
    }

    void aSizeIsMadeByHand() {
        choose("regular", 0);
        inDialog([](QDialog* dialog) {
            qobject_cast<QInputDialog*>(dialog)->setIntValue(27);
            dialog->accept();
        });
        QTest::mouseClick(open_->find<QToolButton>("add_size"), Qt::LeftButton);
        QVERIFY(face("regular").ownSize(27));
        QCOMPARE(list()->currentIndex().data(FontsModel::Size).toInt(), 27);
        QVERIFY(!list()->currentIndex().data(FontsModel::Used).toBool());
        // It is looked at, but not generated.
        QVERIFY(glyph(U'A').isValid());
        QVERIFY(!font("regular", 27));
        QTest::keyClick(list(), Qt::Key_Delete);
        QVERIFY(!face("regular").ownSize(27));
    }

    void aFaceIsRenamedAndDeleted() {
        choose("bold", 0);
        QTest::keyClick(list(), Qt::Key_F2);
        auto* editor = list()->findChild<QLineEdit*>();
        QVERIFY(editor);
        editor->setText("strong");
        QTest::keyClick(editor, Qt::Key_Return);
        QTRY_VERIFY(session().document().face("strong"));
        QVERIFY(session().font({"strong", 32}));
        QVERIFY(!hasErrors(session().problems()));
        choose("strong", 0);
        QTest::keyClick(list(), Qt::Key_Delete);
        QVERIFY(!session().document().face("strong"));
        QVERIFY(hasErrors(session().problems()));
        QTest::keyClick(&open_->window, Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(!hasErrors(session().problems()));
    }

    // A face goes to another project by way of the shelf, with the sizes that are in use.
    void theShelfServesAllProjects() {
        choose("bold", 54);
        QTest::keyClick(list(), Qt::Key_B, Qt::ControlModifier);
        QVERIFY(open("hive", 3));
        const size_t before = session().document().faces->size();
        inDialog([](QDialog* dialog) {
            auto* shelf = dialog->findChild<QListWidget*>("shelf");
            QVERIFY(shelf && shelf->count() >= 1);
            shelf->setCurrentRow(0);
            dialog->accept();
        });
        QTest::keyClick(list(), Qt::Key_B, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(session().document().faces->size(), before + 1);
        const Face& taken = session().document().faces->back();
        QVERIFY(taken.ownSize(54) && taken.settings(54).evenDigits && taken.ownSize(32));
        // Off the shelf again.
        inDialog([](QDialog* dialog) {
            QTest::mouseClick(dialog->findChild<QPushButton*>("off_shelf"), Qt::LeftButton);
            QCOMPARE(dialog->findChild<QListWidget*>("shelf")->count(), 0);
            dialog->reject();
        });
        open_->find<QAction>("take_face_from_shelf")->trigger();
    }

    // The specimen says what the user types, and a screenful of it differs from another's.
    void theSpecimenFollows() {
        choose("bold", 32);
        auto* page = open_->find<QWidget>("specimen");
        const QImage before = page->grab().toImage();
        OpenWindow::retype(open_->find<QLineEdit>("specimen_words"), "Moor", false);
        const QImage words = page->grab().toImage();
        QVERIFY(words != before);
        press("font_bits", "1");
        QVERIFY(page->grab().toImage() != words);
    }

    void aProjectWithoutFacesSaysWhatToDo() {
        Document bare = session().document();
        bare.faces = std::make_shared<std::vector<Face>>();
        session().edit(bare, "no faces");
        QVERIFY(open_->find<QPushButton>("import_first_face")->isVisible());
        QVERIFY(!list()->isVisible());
        QVERIFY(!open_->find<QListView>("glyphs")->isVisible() &&
                !open_->find<QTableWidget>("font_ladder")->isVisible());
    }
};

GORSEFINCH_TEST(TestFontsStation, Windows)
#include "tst_fonts_station.moc"
