// SPDX-License-Identifier: GPL-3.0-or-later
// The stations beside Screens and Images, and what the window does with projects, driven as a user drives them.
#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QListWidget>
#include <QMessageBox>
#include <QPushButton>
#include <QTableView>
#include <QTimer>
#include <QtTest>

#include "app/rules/scintilla.h"
#include "app/screens/canvas.h"
#include "app/theme/theme.h"
#include "app/variables/variables_model.h"
#include "app/widgets/fields.h"
#include "core/edits/presets.h"
#include "tests/support/test_case.h"
#include "tests/support/window.h"
#include "tests/target/target_build.h"

using namespace gorsefinch;
using namespace gorsefinch::app;
using support::OpenWindow;

class TestStations : public QObject, support::OnWindow {
    Q_OBJECT

    QString project() const { return open_->folder(); }
    Canvas* canvas() { return window_->findChild<Canvas*>("canvas"); }
    QPoint at(int x, int y) { return canvas()->fromPanel(QPointF(x + 0.5, y + 0.5)).toPoint(); }
    void press(QWidget* on, int key) { QTest::keyClick(on, static_cast<Qt::Key>(key)); }

  private Q_SLOTS:
    void initTestCase() { prepare(); }

    void init() {
        QVERIFY(open("kiln"));
        canvas()->setFocus();
    }
    void cleanup() { close(); }

    void variablesAreEditedInTheTable() {
        station(4);
        auto* table = find<QTableView>("variables");
        QVERIFY(table->isVisible());
        QCOMPARE(table->model()->rowCount(), 19);
        QTest::mouseClick(find<QPushButton>("add_variable"), Qt::LeftButton);
        auto* name = table->viewport()->findChild<QLineEdit*>();
        QVERIFY(name);
        name->selectAll();
        QTest::keyClicks(name, "pressure");
        QTest::keyClick(name, Qt::Key_Return);
        QTRY_VERIFY(session_->document().variable("pressure"));
        QVERIFY(table->model()->setData(table->model()->index(19, VariablesModel::Max), "250", Qt::EditRole));
        QCOMPARE(session_->document().variable("pressure")->max, 250);
        QVERIFY(!table->model()->setData(table->model()->index(19, VariablesModel::Min), "300", Qt::EditRole));
        QVERIFY(table->model()->setData(table->model()->index(0, VariablesModel::Name), "heat", Qt::EditRole));
        QCOMPARE(std::get<std::string>(widget("status", "kiln_temp_text").properties.at("text")),
                 std::string("{heat}"));
        QVERIFY(table->model()->setData(table->model()->index(0, VariablesModel::Now), "777", Qt::EditRole));
        QCOMPARE(session_->runner().twin().get("heat"), std::string("777"));
    }

    void mistakesInRulesShowUnderTheLine() {
        station(6);
        auto* editor = find<QsciScintilla>("rules_text");
        editor->setFocus();
        editor->setCursorPosition(3, 4);
        QTest::keyClicks(editor->viewport(), "xx");
        QTRY_VERIFY(editor->annotation(3).contains("xxgo"));
        QVERIFY(find<QPushButton>("problems")->text().contains("1 problem"));
        QTest::keyClick(editor, Qt::Key_Z, Qt::ControlModifier);
        QTRY_VERIFY(editor->annotation(3).isEmpty());
        QVERIFY(editor->text().contains("    go programme"));
    }

    void completionOffersWhatFits() {
        station(6);
        auto* editor = find<QsciScintilla>("rules_text");
        editor->setFocus();
        editor->setCursorPosition(editor->lines() - 1, 0);
        QTest::keyClicks(editor->viewport(), "on stop_button.");
        QTRY_VERIFY(editor->isListActive());
        QTest::keyClicks(editor->viewport(), "ta");
        QTest::keyClick(editor->viewport(), Qt::Key_Return);
        QVERIFY(editor->text().endsWith("on stop_button.tap"));
    }

    void thePanelTurns() {
        station(1);
        // No question with another size.
        auto* layout = find<QComboBox>("panel_resizing");
        layout->setFocus();
        QTest::keyClick(layout, Qt::Key_Down);
        retype(find<QLineEdit>("panel_width"), "300+4");
        QCOMPARE(session_->document().panel->width, 304);
        auto* turn = find<QComboBox>("panel_turn");
        turn->setFocus();
        QTest::keyClick(turn, Qt::Key_Down);
        QCOMPARE(session_->document().panel->turn, 90);
        auto* format = find<QComboBox>("panel_format");
        format->setFocus();
        QTest::keyClick(format, Qt::Key_Home);
        QTRY_COMPARE(session_->document().panel->format, PixelFormat::Page1);
        retype(find<QLineEdit>("panel_height"), "1");
        QCOMPARE(session_->document().panel->height, 240);
    }

    // What a round panel hides is covered in the twin, and the shape is saved.
    void thePanelIsRound() {
        auto* twin = find<QWidget>("twin");
        QVERIFY(twin);
        station(5);
        const QRgb before = twin->grab().toImage().pixel(twin->width() / 2, twin->height() / 2);
        station(1);
        auto* round = find<QCheckBox>("panel_round");
        QTest::mouseClick(round, Qt::LeftButton, Qt::NoModifier, QPoint(8, round->height() / 2));
        QVERIFY(session_->document().panel->round);
        QVERIFY(toFiles(session_->document()).at("gorsefinch.json").text().find("\"shape\": \"round\"") !=
                std::string::npos);
        station(5);
        const QImage shown = twin->grab().toImage();
        QCOMPARE(shown.pixel(twin->width() / 2, twin->height() / 2), before);
        QCOMPARE(QColor(shown.pixel(6, 6)), Theme::colour(Role::Window));
    }

    void codeIsGeneratedAndCompiles() {
        station(8);
        const QString out = open_->path("out folder");
        retype(find<QLineEdit>("output_folder"), out);
        QTest::mouseClick(find<QPushButton>("generate"), Qt::LeftButton);
        QTRY_VERIFY_WITH_TIMEOUT(QFileInfo::exists(out + "/kiln_scene.c"), 20000);
        QTRY_VERIFY_WITH_TIMEOUT(find<QLabel>("code_status")->text().contains("Everything is written"), 20000);
        const QString command = find<QLabel>("compile_command")->text();
        const QString said = target::error("sh", {"-c", "cd " + open_->dir.path() + " && " + command});
        QVERIFY2(said.isEmpty(), qPrintable(said));
        // A hand-written line in a generated file stops the next generation; the user's own file stays as it is.
        QFile port(out + "/kiln_port.c");
        QVERIFY(port.open(QIODevice::Append));
        port.write("/* mine */\n");
        port.close();
        QFile scene(out + "/kiln_scene.c");
        QVERIFY(scene.open(QIODevice::Append));
        scene.write("/* edited */\n");
        scene.close();
        const QByteArray edited = target::readFile(out + "/kiln_scene.c");
        station(5);
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(50, 210));
        press(canvas(), Qt::Key_Right);
        station(8);
        QTest::mouseClick(find<QPushButton>("generate"), Qt::LeftButton);
        QTRY_VERIFY_WITH_TIMEOUT(find<QLabel>("notice")->text().contains("edited by hand"), 20000);
        QCOMPARE(target::readFile(out + "/kiln_scene.c"), edited);
        QVERIFY(target::readFile(out + "/kiln_port.c").endsWith("/* mine */\n"));
    }

    // The project's folder as a crash right now would leave it.
    QString afterCrash() {
        QString to = open_->path("crashed");
        for (QDirIterator all(project(), QDir::Files | QDir::Hidden, QDirIterator::Subdirectories); all.hasNext();) {
            const QString file = all.next(), copy = to + file.mid(project().size());
            QDir().mkpath(QFileInfo(copy).path());
            QFile::copy(file, copy);
        }
        return to;
    }

    void savingAndRecovery() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(50, 210));
        press(canvas(), Qt::Key_Right);
        QVERIFY(!session_->history().isSaved());
        QTest::keyClick(window_, Qt::Key_S, Qt::ControlModifier);
        QVERIFY(session_->history().isSaved());
        press(canvas(), Qt::Key_Right);
        QTRY_VERIFY_WITH_TIMEOUT(QFileInfo::exists(project() + "/.gorsefinch-journal"), 5000);
        // The next start finds what the crash left.
        const QString left = afterCrash();
        Session second;
        MainWindow other(second);
        other.show();
        QVERIFY(other.openProject(left));
        QVERIFY(other.findChild<QWidget*>("recovery")->isVisible());
        QTest::mouseClick(other.findChild<QPushButton*>("restore"), Qt::LeftButton);
        const ScreenRef status = second.document().screen("status");
        QCOMPARE(status->widgets[static_cast<size_t>(widgetIndex(*status, "hold_button"))]->x, 12);
        QVERIFY(second.save().has_value());
        QVERIFY(!QFileInfo::exists(left + "/.gorsefinch-journal"));
        QVERIFY(!second.project().hasRecovery());
    }

    // The bar is left alone: editing and saving go on, and what a crash left is offered again at the next start.
    void recoveryWaitsWhileWorkGoesOn() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(50, 210));
        press(canvas(), Qt::Key_Right);
        QTRY_VERIFY_WITH_TIMEOUT(QFileInfo::exists(project() + "/.gorsefinch-journal"), 5000);
        const auto placeIn = [](const Session& session) {
            const ScreenRef status = session.document().screen("status");
            return status->widgets[static_cast<size_t>(widgetIndex(*status, "hold_button"))]->x;
        };
        const int moved = placeIn(*session_);
        const QString left = afterCrash();
        {
            Session second;
            MainWindow other(second);
            other.show();
            QVERIFY(other.openProject(left));
            QVERIFY(other.findChild<QWidget*>("recovery")->isVisible());
            second.edit(changeWidgets(second.document(), "status", std::vector<std::string>{"hold_button"},
                                      [](Widget& w) { w.x = 40; }),
                        "Move");
            QTRY_VERIFY_WITH_TIMEOUT(QFileInfo::exists(left + "/.gorsefinch-journal"), 5000);
            QVERIFY(second.save().has_value());
        }
        Session third;
        MainWindow other(third);
        other.show();
        QVERIFY(other.openProject(left));
        QCOMPARE(placeIn(third), 40);
        QVERIFY(other.findChild<QWidget*>("recovery")->isVisible());
        QTest::mouseClick(other.findChild<QPushButton*>("restore"), Qt::LeftButton);
        QCOMPARE(placeIn(third), moved);
        QVERIFY(!other.findChild<QWidget*>("recovery")->isVisible());
        third.undo();
        QCOMPARE(placeIn(third), 40);
    }

    void aNewProjectFromAPreset() {
        QTest::keyClick(window_, Qt::Key_N, Qt::ControlModifier | Qt::ShiftModifier);
        auto* page = find<QWidget>("start_page");
        QVERIFY(page->isVisible());
        auto* presets = find<QListWidget>("presets");
        presets->setFocus();
        QTest::keyClick(presets, Qt::Key_End);
        retype(find<QLineEdit>("new_name"), "9lives", false);
        retype(find<QLineEdit>("new_folder"), open_->path("hive"), false);
        QTest::mouseClick(find<QPushButton>("create"), Qt::LeftButton);
        QVERIFY(page->isVisible());
        retype(find<QLineEdit>("new_name"), "hive", false);
        QTest::mouseClick(find<QPushButton>("create"), Qt::LeftButton);
        QCOMPARE(session_->document().name, std::string("hive"));
        QCOMPARE(session_->document().panel->width, 128);
        QVERIFY(QFileInfo::exists(open_->path("hive/gorsefinch.json")));
        QVERIFY(canvas()->isVisible());
    }

    void aBrokenProjectIsTold() {
        QVERIFY(target::writeFile(open_->path("project/gorsefinch.json"), "{ \"gorsefinch\": 1, "));
        QString said;
        support::onNextDialog([&said](QWidget* dialog) {
            if (auto* box = qobject_cast<QMessageBox*>(dialog)) {
                said = box->text();
                box->accept();
            }
        });
        QVERIFY(!window_->openProject(project()));
        QVERIFY2(said.contains("gorsefinch.json") && said.contains("line 1"), qPrintable(said));
    }

    // Whatever a station shows, nothing lies beyond the edge of a desktop of 1280 x 800.
    void theWindowFitsASmallDesktop() {
        const auto fits = [&](const QString& when) {
            for (const int each : {1, 2, 3, 4, 5, 6, 8}) {
                station(each);
                QCoreApplication::sendPostedEvents();
                const QSize min = window_->minimumSizeHint();
                QVERIFY2(min.width() <= 1280 && min.height() <= 740,
                         qPrintable(
                             QString("%1, station %2: %3x%4").arg(when).arg(each).arg(min.width()).arg(min.height())));
            }
        };
        fits("kiln");
        QVERIFY(session_->save().has_value());
        QVERIFY(session_->create(*newProject(*presetByKey("mono-128x64"), "bare", nullptr, ""), open_->path("bare"))
                    .has_value());
        fits("a bare project");
    }

    void everyControlSaysWhatItDoes() {
        QStringList bare;
        for (const int each : {1, 2, 4, 5, 6, 8}) {
            station(each);
            for (const QAbstractButton* button : window_->findChildren<QAbstractButton*>())
                if (button->isVisible() && button->toolTip().isEmpty() && button->text().isEmpty())
                    bare << QString("%1: %2%3").arg(each).arg(button->objectName(), button->metaObject()->className());
        }
        QVERIFY2(bare.isEmpty(), qPrintable(bare.join(", ")));
    }
};

GORSEFINCH_TEST(TestStations, Windows)
#include "tst_stations.moc"
