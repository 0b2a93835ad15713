// SPDX-License-Identifier: GPL-3.0-or-later
// The window driven as a user drives it: mouse, keys, and what they see.
#include <QAction>
#include <QApplication>
#include <QClipboard>
#include <QComboBox>
#include <QDir>
#include <QDirIterator>
#include <QLabel>
#include <QLineEdit>
#include <QListView>
#include <QListWidget>
#include <QMessageBox>
#include <QPushButton>
#include <QSettings>
#include <QTableView>
#include <QTemporaryDir>
#include <QTimer>
#include <QtTest>

#include "app/frame/main_window.h"
#include "app/rules/scintilla.h"
#include "app/screens/canvas.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/fields.h"
#include "tests/target/target_build.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestWindow : public QObject {
    Q_OBJECT

    std::unique_ptr<QTemporaryDir> dir_;
    std::unique_ptr<Session> session_;
    std::unique_ptr<MainWindow> window_;

    QString project() const { return dir_->filePath("kiln"); }
    Canvas* canvas() { return window_->findChild<Canvas*>("canvas"); }
    template <typename T>
    T* find(const char* name) {
        return window_->findChild<T*>(name);
    }
    template <typename T>
    T* inSheet(const char* name) {
        return window_->findChild<QWidget*>("sheet_page")->findChild<T*>(name);
    }
    Widget widget(const char* screen, const char* name) {
        const ScreenRef on = session_->document().screen(screen);
        const int at = widgetIndex(*on, name);
        return at < 0 ? Widget{} : *on->widgets[static_cast<size_t>(at)];
    }
    QPoint at(int x, int y) { return canvas()->fromPanel(QPointF(x + 0.5, y + 0.5)).toPoint(); }
    void press(QWidget* on, int key, Qt::KeyboardModifiers modifiers = Qt::NoModifier) { QTest::keyClick(on, static_cast<Qt::Key>(key), modifiers); }
    void station(int digit) { QTest::keyClick(window_.get(), static_cast<Qt::Key>(Qt::Key_0 + digit), Qt::AltModifier); }
    // A drag in small steps, as a hand makes it.
    void drag(const QPoint& from, const QPoint& to, Qt::KeyboardModifiers modifiers = Qt::NoModifier) {
        QTest::mousePress(canvas(), Qt::LeftButton, modifiers, from);
        for (int i = 1; i <= 8; ++i) {
            const QPoint here = from + (to - from) * i / 8;
            QMouseEvent move(QEvent::MouseMove, here, canvas()->mapToGlobal(here), Qt::NoButton, Qt::LeftButton, modifiers);
            QApplication::sendEvent(canvas(), &move);
        }
        QTest::mouseRelease(canvas(), Qt::LeftButton, modifiers, to);
    }
    void clickTwin(int x, int y) {
        auto* twin = find<QWidget>("twin");
        const double scale = std::min(twin->width() / 320.0, twin->height() / 240.0);
        const double used = scale >= 1 ? std::floor(scale) : scale;
        const QPoint corner((twin->width() - static_cast<int>(320 * used)) / 2, (twin->height() - static_cast<int>(240 * used)) / 2);
        QTest::mouseClick(twin, Qt::LeftButton, {}, corner + QPoint(static_cast<int>((x + 0.5) * used), static_cast<int>((y + 0.5) * used)));
    }
    void retype(QLineEdit* field, const QString& text, bool enter = true) {
        QVERIFY(field);
        field->setFocus();
        field->selectAll();
        QTest::keyClicks(field, text);
        if (enter)
            press(field, Qt::Key_Return);
    }

  private Q_SLOTS:
    void initTestCase() {
        QStandardPaths::setTestModeEnabled(true);
        QSettings().clear();
        Theme::apply(*qApp, Appearance::Light);
    }

    void init() {
        QSettings().clear();
        dir_ = std::make_unique<QTemporaryDir>();
        const QString from = SOURCE_DIR "/examples/kiln";
        QDirIterator all(from, QDir::Files, QDirIterator::Subdirectories);
        while (all.hasNext()) {
            const QString file = all.next();
            const QString to = project() + file.mid(from.size());
            QDir().mkpath(QFileInfo(to).path());
            QVERIFY(QFile::copy(file, to));
            QFile::setPermissions(to, QFile::ReadOwner | QFile::WriteOwner);
        }
        session_ = std::make_unique<Session>();
        window_ = std::make_unique<MainWindow>(*session_);
        window_->resize(1280, 780);
        window_->show();
        QVERIFY(window_->openProject(project()));
        QVERIFY(QTest::qWaitForWindowExposed(window_.get()));
        window_->activateWindow();
        session_->stepTwin();
        session_->runTwin(false);
        canvas()->setFocus();
    }

    void cleanup() {
        // What is not saved is meant to go.
        if (session_ && session_->isOpen())
            session_->dropRecovery();
        window_.reset();
        session_.reset();
        dir_.reset();
    }

    void clickSelectsAndShiftAdds() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(100, 70));
        QCOMPARE(session_->selection(), Names{"kiln_temp_text"});
        QTest::mouseClick(canvas(), Qt::LeftButton, Qt::ShiftModifier, at(50, 210));
        QCOMPARE(session_->selection(), (Names{"kiln_temp_text", "hold_button"}));
        QTest::mouseClick(canvas(), Qt::LeftButton, Qt::ShiftModifier, at(50, 210));
        QCOMPARE(session_->selection(), Names{"kiln_temp_text"});
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(198, 190));
        QCOMPARE(session_->selection(), Names{});
    }

    void aBandSelectsWhatItTouches() {
        drag(at(2, 190), at(318, 236));
        QCOMPARE(session_->selection(), (Names{"hold_button", "programme_button", "stop_button"}));
    }

    void lockedWidgetsAreLeftAlone() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(195, 5));
        QCOMPARE(session_->selection(), Names{});
    }

    void dragMovesTheTwinFollowsAndUndoTakesItBack() {
        const auto before = session_->twin().memory().bytes();
        drag(at(100, 164), at(113, 171), Qt::AltModifier);
        QCOMPARE(widget("status", "heating_text").x, 25);
        QCOMPARE(widget("status", "heating_text").y, 161);
        QVERIFY(session_->twin().memory().bytes() != before);
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(widget("status", "heating_text").x, 12);
        QCOMPARE(session_->twin().memory().bytes(), before);
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(widget("status", "heating_text").x, 25);
        QVERIFY(!session_->history().canRedo());
    }

    void guidesCatchEdges() {
        // The text's left edge comes within 3 pixels of the panel's: it lands on it.
        drag(at(100, 164), at(100 - 10, 164));
        QCOMPARE(widget("status", "heating_text").x, 0);
    }

    void resizeAtACorner() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(50, 210));
        drag(at(106, 230), at(100, 226), Qt::AltModifier);
        QCOMPARE(widget("status", "hold_button").w, 90);
        QCOMPARE(widget("status", "hold_button").h, 30);
        QCOMPARE(widget("status", "hold_button").x, 10);
    }

    void arrowsMoveByOneAndTen() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(50, 210));
        press(canvas(), Qt::Key_Right);
        press(canvas(), Qt::Key_Down, Qt::ShiftModifier);
        QCOMPARE(widget("status", "hold_button").x, 11);
        QCOMPARE(widget("status", "hold_button").y, 206);
        press(canvas(), Qt::Key_Left, Qt::ControlModifier);
        QCOMPARE(widget("status", "hold_button").w, 95);
    }

    void wordsAndColourInTheSheetShowAtOnce() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(30, 14));
        QCOMPARE(session_->selection(), Names{"programme_text"});
        const auto before = session_->twin().memory().bytes();
        retype(inSheet<QLineEdit>("text"), "Kiln 2", false);
        QCOMPARE(std::get<std::string>(widget("status", "programme_text").properties.at("text")), std::string("Kiln 2"));
        const auto words = session_->twin().memory().bytes();
        QVERIFY(words != before);
        auto* colour = inSheet<QWidget>("colour");
        retype(colour->findChild<QLineEdit*>(), "#FF8800");
        QCOMPARE(std::get<Colour>(widget("status", "programme_text").properties.at("colour")), opaque(0xff8800));
        QVERIFY(session_->twin().memory().bytes() != words);
        canvas()->setFocus();
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(session_->twin().memory().bytes(), before);
    }

    void fieldsTakeSums() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(50, 210));
        retype(inSheet<QLineEdit>("x"), "320-24-w");
        QCOMPARE(widget("status", "hold_button").x, 200);
        retype(inSheet<QLineEdit>("w"), "w/2 + 4");
        QCOMPARE(widget("status", "hold_button").w, 52);
        retype(inSheet<QLineEdit>("h"), "0");
        QCOMPARE(widget("status", "hold_button").h, 34);
        QVERIFY(inSheet<QLineEdit>("h")->property("wrong").toBool());
        QCOMPARE(sumValue("(10+4)*3-2/2"), std::optional(41));
        QVERIFY(!sumValue("4+") && !sumValue("a") && !sumValue("1/0") && !sumValue(""));
    }

    void renameKeepsNamesUnique() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(50, 210));
        press(canvas(), Qt::Key_F2);
        auto* name = inSheet<QLineEdit>("name");
        QVERIFY(name->hasFocus());
        retype(name, "wait_button");
        QVERIFY(widget("status", "wait_button").w == 96);
        QVERIFY(session_->document().rules->front().text.find("on wait_button.tap") != std::string::npos);
        retype(inSheet<QLineEdit>("name"), "stop_button");
        QVERIFY(widget("status", "wait_button").w == 96);
        retype(inSheet<QLineEdit>("name"), "while");
        QVERIFY(widget("status", "wait_button").w == 96);
        QVERIFY(find<QLabel>("notice")->text().contains("keyword"));
    }

    void pasteOnAnotherScreenKeepsNameAndPlace() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(50, 210));
        press(canvas(), Qt::Key_C, Qt::ControlModifier);
        auto* reel = find<QListView>("reel");
        QTest::mouseClick(reel->viewport(), Qt::LeftButton, {}, reel->visualRect(reel->model()->index(2, 0)).center());
        QCOMPARE(session_->screenName(), QString("alarm"));
        canvas()->setFocus();
        press(canvas(), Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(widget("alarm", "hold_button").x, 10);
        QCOMPARE(session_->selection(), Names{"hold_button"});
        press(canvas(), Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(widget("alarm", "hold_button_2").x, 18);
        press(canvas(), Qt::Key_D, Qt::ControlModifier);
        QCOMPARE(widget("alarm", "hold_button_3").x, 26);
        press(canvas(), Qt::Key_Delete);
        QCOMPARE(widget("alarm", "hold_button_3").name, std::string());
    }

    void aStrangeClipboardDoesNothing() {
        auto* data = new QMimeData;
        data->setData("application/x-gorsefinch-widgets", "{ broken");
        QApplication::clipboard()->setMimeData(data);
        const Document before = session_->document();
        press(canvas(), Qt::Key_V, Qt::ControlModifier);
        QCOMPARE(session_->document().screens, before.screens);
        QVERIFY(!find<QLabel>("notice")->text().isEmpty());
    }

    void depthByKeysAndLayers() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(50, 210));
        press(canvas(), Qt::Key_PageUp, Qt::ShiftModifier);
        QCOMPARE(session_->screen()->widgets.back()->name, std::string("hold_button"));
        auto* layers = find<QListView>("layers");
        QCOMPARE(layers->model()->index(0, 0).data().toString(), QString("hold_button"));
        QTest::mouseClick(layers->viewport(), Qt::LeftButton, {}, layers->visualRect(layers->model()->index(1, 0)).topLeft() + QPoint(90, 10));
        QCOMPARE(session_->selection(), Names{"stop_button"});
        const QPoint row = layers->visualRect(layers->model()->index(1, 0)).topLeft();
        QTest::mouseClick(layers->viewport(), Qt::LeftButton, {}, row + QPoint(18, 10));
        QVERIFY(!widget("status", "stop_button").visible);
        QTest::mouseClick(layers->viewport(), Qt::LeftButton, {}, row + QPoint(40, 10));
        QVERIFY(widget("status", "stop_button").locked);
        canvas()->setFocus();
        session_->select({"stop_button"});
        press(canvas(), Qt::Key_Delete);
        QCOMPARE(widget("status", "stop_button").name, std::string("stop_button"));
        press(canvas(), Qt::Key_L);
        QVERIFY(!widget("status", "stop_button").locked);
    }

    void aButtonFromTheTray() {
        QTest::mouseClick(find<QWidget>("tray_button"), Qt::LeftButton);
        drag(at(60, 120), at(130, 150));
        QCOMPARE(session_->selection(), Names{"button"});
        const Widget made = widget("status", "button");
        QCOMPARE(made.kind, Kind::Button);
        QCOMPARE(made.x, 60);
        QCOMPARE(made.y, 120);
        QVERIFY(std::abs(made.w - 71) <= 1 && std::abs(made.h - 31) <= 1);
        retype(inSheet<QLineEdit>("name"), "vent_button");
        QTest::mouseClick(inSheet<QPushButton>("add_rule"), Qt::LeftButton);
        auto* editor = find<QsciScintilla>("rules_text");
        QVERIFY(editor->isVisible());
        QVERIFY(editor->text().endsWith("on vent_button.tap\n    "));
        QTest::keyClicks(editor->viewport(), "go alarm");
        QTRY_VERIFY(session_->document().rules->front().text.ends_with("on vent_button.tap\n    go alarm"));
        QCOMPARE(session_->scene()->rules->rules.size(), size_t{12});
        station(5);
        session_->stepTwin();
        clickTwin(80, 135);
        session_->stepTwin();
        QCOMPARE(session_->twin().screen(), 2);
    }

    void insertByTypingAtThePointer() {
        QTest::mouseMove(canvas(), at(30, 120));
        QMouseEvent move(QEvent::MouseMove, at(30, 120), canvas()->mapToGlobal(at(30, 120)), Qt::NoButton, Qt::NoButton, Qt::NoModifier);
        QApplication::sendEvent(canvas(), &move);
        QTimer::singleShot(100, this, [] {
            QWidget* popup = QApplication::activePopupWidget();
            QVERIFY(popup);
            auto* letters = popup->findChild<QLineEdit*>();
            QTest::keyClicks(letters, "rec");
            QTest::keyClick(letters, Qt::Key_Return);
        });
        press(canvas(), Qt::Key_A);
        QCOMPARE(widget("status", "box").kind, Kind::Rectangle);
        QCOMPARE(widget("status", "box").x, 30);
        QCOMPARE(widget("status", "box").y, 120);
    }

    void theTwinIsOperatedWithTheMouse() {
        session_->stepTwin();
        clickTwin(160, 212);
        session_->stepTwin();
        QCOMPARE(session_->twin().screen(), 1);
        clickTwin(285, 212);
        QCOMPARE(session_->twin().get("target"), std::string("1065"));
        // An edit leaves it there.
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(50, 210));
        press(canvas(), Qt::Key_Right);
        QCOMPARE(session_->twin().screen(), 1);
        QCOMPARE(session_->twin().get("target"), std::string("1065"));
        clickTwin(60, 212);
        session_->stepTwin();
        QCOMPARE(session_->twin().screen(), 0);
    }

    void holdingHOperatesOnTheCanvas() {
        session_->stepTwin();
        QTest::keyPress(canvas(), Qt::Key_H);
        QVERIFY(canvas()->isOperating());
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(160, 212));
        session_->stepTwin();
        QCOMPARE(session_->twin().screen(), 1);
        QCOMPARE(session_->selection(), Names{});
        QTest::keyRelease(canvas(), Qt::Key_H);
        QVERIFY(!canvas()->isOperating());
    }

    void zoomIsInWholeNumbers() {
        const int before = canvas()->zoom();
        QTest::keyClick(canvas(), Qt::Key_Equal, Qt::ControlModifier);
        QCOMPARE(canvas()->zoom(), before + 1);
        QTest::keyClick(canvas(), Qt::Key_Minus, Qt::ControlModifier);
        QCOMPARE(canvas()->zoom(), before);
        const QPointF middle(canvas()->rect().center());
        QWheelEvent wheel(middle, canvas()->mapToGlobal(middle), {}, {0, 120}, Qt::NoButton, Qt::ControlModifier, Qt::NoScrollPhase, false);
        const QPoint under = canvas()->toPanel(middle);
        QApplication::sendEvent(canvas(), &wheel);
        QCOMPARE(canvas()->zoom(), before + 1);
        QVERIFY((canvas()->toPanel(middle) - under).manhattanLength() <= 1);
    }

    void screensInTheReel() {
        QTest::mouseClick(find<QWidget>("add_screen"), Qt::LeftButton);
        QCOMPARE(session_->document().screens.size(), size_t{4});
        QCOMPARE(session_->screenName(), QString("screen"));
        auto* reel = find<QListView>("reel");
        reel->setFocus();
        QTest::keyClick(reel, Qt::Key_Up, Qt::AltModifier);
        QCOMPARE(session_->document().screenIndex("screen"), 0);
        QTest::keyClick(reel, Qt::Key_D, Qt::ControlModifier);
        QCOMPARE(session_->document().screens.size(), size_t{5});
        QTest::keyClick(reel, Qt::Key_Delete);
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(session_->document().screens.size(), size_t{5});
    }

    void variablesAreEditedInTheTable() {
        station(4);
        auto* table = find<QTableView>("variables");
        QVERIFY(table->isVisible());
        QCOMPARE(table->model()->rowCount(), 10);
        QTest::mouseClick(find<QPushButton>("add_variable"), Qt::LeftButton);
        auto* name = table->viewport()->findChild<QLineEdit*>();
        QVERIFY(name);
        name->selectAll();
        QTest::keyClicks(name, "pressure");
        QTest::keyClick(name, Qt::Key_Return);
        QTRY_VERIFY(session_->document().variable("pressure"));
        QVERIFY(table->model()->setData(table->model()->index(10, 4), "250", Qt::EditRole));
        QCOMPARE(session_->document().variable("pressure")->most, 250);
        QVERIFY(!table->model()->setData(table->model()->index(10, 3), "300", Qt::EditRole));
        QVERIFY(table->model()->setData(table->model()->index(0, 0), "heat", Qt::EditRole));
        QCOMPARE(std::get<std::string>(widget("status", "kiln_temp_text").properties.at("text")), std::string("{heat}"));
        QVERIFY(table->model()->setData(table->model()->index(0, 9), "777", Qt::EditRole));
        QCOMPARE(session_->twin().get("heat"), std::string("777"));
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
        retype(find<QLineEdit>("panel_width"), "300+4");
        QCOMPARE(session_->document().panel->width, 304);
        auto* turn = find<QComboBox>("panel_turn");
        turn->setFocus();
        QTest::keyClick(turn, Qt::Key_Down);
        QCOMPARE(session_->document().panel->turn, 90);
        auto* format = find<QComboBox>("panel_format");
        format->setFocus();
        QTest::keyClicks(format, "page1");
        QTRY_COMPARE(session_->document().panel->format, PixelFormat::Page1);
        retype(find<QLineEdit>("panel_height"), "1");
        QCOMPARE(session_->document().panel->height, 240);
    }

    void codeIsGeneratedAndCompiles() {
        station(8);
        const QString out = dir_->filePath("out folder");
        retype(find<QLineEdit>("output_folder"), out);
        QTest::mouseClick(find<QPushButton>("generate"), Qt::LeftButton);
        QVERIFY(QFileInfo::exists(out + "/kiln_scene.c"));
        QVERIFY(find<QLabel>("code_status")->text().contains("Everything is written"));
        const QString command = find<QLabel>("compile_command")->text();
        const QString said = target::trouble("sh", {"-c", "cd " + dir_->path() + " && " + command});
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
        QCOMPARE(target::readFile(out + "/kiln_scene.c"), edited);
        QVERIFY(find<QLabel>("notice")->text().contains("edited by hand"));
        QVERIFY(target::readFile(out + "/kiln_port.c").endsWith("/* mine */\n"));
    }

    void savingAndRecovery() {
        QTest::mouseClick(canvas(), Qt::LeftButton, {}, at(50, 210));
        press(canvas(), Qt::Key_Right);
        QVERIFY(!session_->history().isSaved());
        QTest::keyClick(window_.get(), Qt::Key_S, Qt::ControlModifier);
        QVERIFY(session_->history().isSaved());
        press(canvas(), Qt::Key_Right);
        QTRY_VERIFY_WITH_TIMEOUT(QFileInfo::exists(project() + "/.gorsefinch-journal"), 5000);
        // The next start finds what the crash left.
        Session second;
        MainWindow other(second);
        other.show();
        QVERIFY(other.openProject(project()));
        QVERIFY(other.findChild<QWidget*>("recovery")->isVisible());
        QTest::mouseClick(other.findChild<QPushButton*>("restore"), Qt::LeftButton);
        const ScreenRef status = second.document().screen("status");
        QCOMPARE(status->widgets[static_cast<size_t>(widgetIndex(*status, "hold_button"))]->x, 12);
        QVERIFY(second.save().has_value());
        QVERIFY(!QFileInfo::exists(project() + "/.gorsefinch-journal"));
    }

    void aNewProjectFromAPreset() {
        QTest::keyClick(window_.get(), Qt::Key_N, Qt::ControlModifier | Qt::ShiftModifier);
        auto* page = find<QWidget>("start_page");
        QVERIFY(page->isVisible());
        auto* presets = find<QListWidget>("presets");
        presets->setFocus();
        QTest::keyClick(presets, Qt::Key_End);
        retype(find<QLineEdit>("new_name"), "9lives", false);
        retype(find<QLineEdit>("new_folder"), dir_->filePath("hive"), false);
        QTest::mouseClick(find<QPushButton>("create"), Qt::LeftButton);
        QVERIFY(page->isVisible());
        retype(find<QLineEdit>("new_name"), "hive", false);
        QTest::mouseClick(find<QPushButton>("create"), Qt::LeftButton);
        QCOMPARE(session_->document().name, std::string("hive"));
        QCOMPARE(session_->document().panel->width, 128);
        QVERIFY(QFileInfo::exists(dir_->filePath("hive/gorsefinch.json")));
        QVERIFY(canvas()->isVisible());
    }

    void aBrokenProjectIsTold() {
        QVERIFY(target::writeFile(dir_->filePath("kiln/gorsefinch.json"), "{ \"gorsefinch\": 1, "));
        QString said;
        QTimer::singleShot(200, this, [&said] {
            if (auto* box = qobject_cast<QMessageBox*>(QApplication::activeModalWidget())) {
                said = box->text();
                box->accept();
            }
        });
        QVERIFY(!window_->openProject(project()));
        QVERIFY2(said.contains("gorsefinch.json") && said.contains("line 1"), qPrintable(said));
    }

    void everyControlHasATooltip() {
        QStringList bare;
        for (const QAbstractButton* button : window_->findChildren<QAbstractButton*>())
            if (button->isVisible() && button->toolTip().isEmpty() && button->text().isEmpty())
                bare << button->objectName() + button->metaObject()->className();
        QVERIFY2(bare.isEmpty(), qPrintable(bare.join(", ")));
    }
};

int main(int count, char** words) {
    QApplication application(count, words);
    QApplication::setOrganizationName("gorsefinch-test");
    QApplication::setApplicationName("gorsefinch-test");
    TestWindow test;
    return QTest::qExec(&test, count, words);
}
#include "tst_window.moc"
