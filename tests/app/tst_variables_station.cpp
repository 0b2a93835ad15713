// SPDX-License-Identifier: GPL-3.0-or-later
// The table of variables, worked by keys: every column, what is refused, what follows from a change.
#include <QCheckBox>
#include <QComboBox>
#include <QFileDialog>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPushButton>
#include <QTableView>

#include "app/theme/theme.h"
#include "app/variables/clock_dialog.h"
#include "app/variables/variables_model.h"
#include "tests/support/test_case.h"
#include "tests/support/window.h"

using namespace gorsefinch;
using namespace gorsefinch::app;
using support::OpenWindow;

class TestVariablesStation : public QObject, support::OnWindow {
    Q_OBJECT

    QTableView* table_ = nullptr;

    int row(const std::string& name) {
        const auto& all = *session_->document().variables;
        for (size_t i = 0; i < all.size(); ++i)
            if (all[i].name == name)
                return static_cast<int>(i);
        return -1;
    }
    const Variable& variable(const std::string& name) { return *session_->document().variable(name); }
    QString shown(const std::string& name, int column) {
        return table_->model()->index(row(name), column).data().toString();
    }
    // Types into a cell as a user does: the first key opens it.
    void type(const std::string& name, int column, const QString& words) {
        table_->setFocus();
        table_->setCurrentIndex(table_->model()->index(row(name), column));
        QTest::keyClick(table_, Qt::Key_F2);
        auto* editor = table_->viewport()->findChild<QLineEdit*>();
        QVERIFY2(editor, qPrintable(QString("column %1 of %2").arg(column).arg(name.c_str())));
        editor->setText(words);  // keys give no characters beyond the first plane
        QTest::keyClick(editor, Qt::Key_Return);
        QTRY_VERIFY(!table_->viewport()->findChild<QLineEdit*>());
    }
    // Presses a button, and gives its dialog a file.
    void choose(const char* button, const QString& path) {
        support::onNextDialog([path](QWidget* dialog) {
            auto* name = dialog->findChild<QLineEdit*>("fileNameEdit");
            QVERIFY(name);
            name->setText(path);
            QTest::keyClick(name, Qt::Key_Return);
        });
        QTest::mouseClick(open_->find<QPushButton>(button), Qt::LeftButton);
    }
    static QByteArray read(const QString& path) {
        QFile file(path);
        return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
    }
    static void write(const QString& path, const QByteArray& bytes) {
        QFile file(path);
        QVERIFY(file.open(QIODevice::WriteOnly | QIODevice::Truncate));
        file.write(bytes);
    }
    QString notice() { return open_->find<QLabel>("notice")->text(); }
    void add(const char* name) {
        QTest::mouseClick(open_->find<QPushButton>("add_variable"), Qt::LeftButton);
        auto* editor = table_->viewport()->findChild<QLineEdit*>();
        QVERIFY(editor);
        editor->selectAll();
        QTest::keyClicks(editor, name);
        QTest::keyClick(editor, Qt::Key_Return);
        QTRY_VERIFY(row(name) >= 0);
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() {
        QVERIFY(open("kiln", 4));
        table_ = open_->find<QTableView>("variables");
        QVERIFY(table_->isVisible());
    }
    void cleanup() { close(); }

    void aRangeIsKeptWhole() {
        add("depth");
        type("depth", VariablesModel::Max, "20");
        type("depth", VariablesModel::Min, "-20");
        type("depth", VariablesModel::Start, "15");
        QCOMPARE(variable("depth").min, -20);
        QCOMPARE(variable("depth").start, 15);
        // A range that leaves the start value behind takes it along.
        type("depth", VariablesModel::Max, "10");
        QCOMPARE(variable("depth").start, 10);
        for (const auto& [column, words] : {std::pair{VariablesModel::Max, "-30"},
                                            {VariablesModel::Min, "11"},
                                            {VariablesModel::Start, "11"},
                                            {VariablesModel::Start, "ten"},
                                            {VariablesModel::Max, "99999999999"}}) {
            const Variable before = variable("depth");
            type("depth", column, words);
            QVERIFY2(variable("depth") == before, words);
            QVERIFY(!notice().isEmpty());
        }
        // The twin holds the range at once.
        type("depth", VariablesModel::Now, "500");
        QCOMPARE(session_->runner().twin().get("depth"), std::string("10"));
    }

    void decimalsMoveThePoint() {
        add("weight");
        QVERIFY(table_->model()->setData(table_->model()->index(row("weight"), VariablesModel::Type), "decimal",
                                         Qt::EditRole));
        QCOMPARE(shown("weight", VariablesModel::Max), QString("100.0"));
        type("weight", VariablesModel::Start, "12.5");
        type("weight", VariablesModel::Digits, "3");
        QCOMPARE(shown("weight", VariablesModel::Start), QString("12.500"));
        QCOMPARE(variable("weight").start, 12500);
        type("weight", VariablesModel::Digits, "7");
        QCOMPARE(variable("weight").decimals, 3);
        QVERIFY(notice().contains("0 to 6"));
        QVERIFY(table_->model()->setData(table_->model()->index(row("weight"), VariablesModel::Type), "whole",
                                         Qt::EditRole));
        QCOMPARE(variable("weight").max, 100);
        QCOMPARE(shown("weight", VariablesModel::Digits), QString());
    }

    void chooseType(const char* name, const char* type) {
        const QModelIndex at = table_->model()->index(row(name), VariablesModel::Type);
        QVERIFY(table_->model()->setData(at, type, Qt::EditRole));
    }

    // Names are edited in their cell; rules follow one that is replaced, in the same step of undo.
    void choicesHaveNames() {
        add("mode");
        chooseType("mode", "choice");
        QCOMPARE(shown("mode", VariablesModel::Names), QString("off, on"));
        type("mode", VariablesModel::Names, "idle, warming up ,hold");
        QCOMPARE(shown("mode", VariablesModel::Names), QString("idle, warming up, hold"));
        type("mode", VariablesModel::Start, "hold");
        QCOMPARE(variable("mode").start, 2);
        session_->edit(withRules(session_->document(), "more", "when mode == \"hold\"\n    mode = \"idle\"\n"),
                       "Rules");
        type("mode", VariablesModel::Names, "idle, warming up, still");
        QCOMPARE(session_->document().rules->back().text, std::string("when mode == \"still\"\n    mode = \"idle\"\n"));
        QCOMPARE(shown("mode", VariablesModel::Start), QString("still"));
        session_->undo();
        QCOMPARE(session_->document().rules->back().text, std::string("when mode == \"hold\"\n    mode = \"idle\"\n"));
        QCOMPARE(shown("mode", VariablesModel::Names), QString("idle, warming up, hold"));
        for (const char* wrong : {"", "a, a", "a, {b}"}) {
            type("mode", VariablesModel::Names, wrong);
            QCOMPARE(shown("mode", VariablesModel::Names), QString("idle, warming up, hold"));
            QVERIFY(!notice().isEmpty());
        }
        type("mode", VariablesModel::Start, "cold");
        QCOMPARE(shown("mode", VariablesModel::Start), QString("hold"));
        QVERIFY(notice().contains("one of idle, warming up, hold"));
        type("mode", VariablesModel::Now, "warming up");
        QCOMPARE(shown("mode", VariablesModel::Now), QString("warming up"));
        QVERIFY(
            !(table_->model()->flags(table_->model()->index(row("mode"), VariablesModel::Min)) & Qt::ItemIsEditable));
    }

    void arraysHaveElements() {
        add("zone");
        QCOMPARE(shown("zone", VariablesModel::Elements), QString());
        type("zone", VariablesModel::Elements, "4");
        QCOMPARE(variable("zone").count, 4);
        type("zone", VariablesModel::Now, "3, 4");
        QCOMPARE(shown("zone", VariablesModel::Now), QString("3, 4, 0, 0"));
        for (const char* wrong : {"0", "257", "x"}) {
            type("zone", VariablesModel::Elements, wrong);
            QCOMPARE(variable("zone").count, 4);
            QVERIFY(notice().contains("2 to 256"));
        }
        const QModelIndex interrupt = table_->model()->index(row("zone"), VariablesModel::Interrupt);
        QVERIFY(!(table_->model()->flags(interrupt) & Qt::ItemIsUserCheckable));
        type("zone", VariablesModel::Elements, "");
        QCOMPARE(variable("zone").count, 1);
        QCOMPARE(shown("zone", VariablesModel::Now), QString("3"));
        // There are no arrays of texts.
        type("zone", VariablesModel::Elements, "3");
        chooseType("zone", "text");
        QCOMPARE(variable("zone").count, 1);
        const QModelIndex elements = table_->model()->index(row("zone"), VariablesModel::Elements);
        QVERIFY(!(table_->model()->flags(elements) & Qt::ItemIsEditable));
    }

    void textsEndBetweenCharacters() {
        add("title");
        QVERIFY(
            table_->model()->setData(table_->model()->index(row("title"), VariablesModel::Type), "text", Qt::EditRole));
        type("title", VariablesModel::Digits, "7");
        type("title", VariablesModel::Start, QString("glühen"));
        QCOMPARE(variable("title").startText, std::string("glühen"));
        type("title", VariablesModel::Start, QString("Höhenöfen"));
        QCOMPARE(variable("title").startText, std::string("Höhen"));  // the ö would need bytes 7 and 8
        type("title", VariablesModel::Digits, "2");
        QCOMPARE(variable("title").startText, std::string("H"));
        type("title", VariablesModel::Digits, "0");
        QCOMPARE(variable("title").length, 2);
        // Numbers have no length, texts no range.
        QVERIFY(
            !(table_->model()->flags(table_->model()->index(row("title"), VariablesModel::Min)) & Qt::ItemIsEditable));
        QVERIFY(session_->save().has_value());
        Disk disk;
        const auto read = ProjectFolder(disk, open_->folder().toStdString()).open();
        QCOMPARE(read.document->variable("title")->startText, std::string("H"));
    }

    void whatItIsNotIsRefused() {
        const Document before = session_->document();
        for (const auto& [column, words] :
             {std::pair{VariablesModel::Type, "complex"}, {VariablesModel::WrittenBy, "nobody"}})
            QVERIFY(!table_->model()->setData(table_->model()->index(0, column), words, Qt::EditRole));
        QVERIFY(notice().contains("firmware"));
        type("kiln_temp", VariablesModel::Name, "target");
        QVERIFY(row("kiln_temp") >= 0);
        type("kiln_temp", VariablesModel::Name, "while");
        QVERIFY(row("kiln_temp") >= 0);
        QVERIFY(before.variables == session_->document().variables);
    }

    // Texts, and what only the panel writes, can't be set from an interrupt.
    void interruptIsOfferedWhereItCanBe() {
        add("level");
        const auto interrupt = [this] { return table_->model()->index(row("level"), VariablesModel::Interrupt); };
        QVERIFY(table_->model()->setData(interrupt(), Qt::Checked, Qt::CheckStateRole));
        QVERIFY(variable("level").fromInterrupt);
        QVERIFY(interrupt().flags().testFlag(Qt::ItemIsUserCheckable));
        QVERIFY(table_->model()->setData(table_->model()->index(row("level"), VariablesModel::WrittenBy), "panel",
                                         Qt::EditRole));
        QVERIFY(!interrupt().flags().testFlag(Qt::ItemIsUserCheckable) &&
                !interrupt().data(Qt::CheckStateRole).isValid());
        QVERIFY(!table_->model()->setData(interrupt(), Qt::Unchecked, Qt::CheckStateRole));
    }

    void eachColumnIsOneStepOfUndo() {
        const int steps = 4;
        add("level");
        type("level", VariablesModel::Unit, "mm");
        type("level", VariablesModel::Note, "from the float");
        QVERIFY(table_->model()->setData(table_->model()->index(row("level"), VariablesModel::WrittenBy), "panel",
                                         Qt::EditRole));
        const QModelIndex kept = table_->model()->index(row("level"), VariablesModel::Kept);
        QVERIFY(table_->model()->setData(kept, Qt::Checked, Qt::CheckStateRole));
        QCOMPARE(variable("level").unit, std::string("mm"));
        QCOMPARE(variable("level").note, std::string("from the float"));
        QCOMPARE(variable("level").writer, Writer::Panel);
        QVERIFY(variable("level").kept);
        for (int i = 0; i < steps; ++i)
            QTest::keyClick(&open_->window, Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(variable("level").unit.empty() && !variable("level").kept);
        QTest::keyClick(&open_->window, Qt::Key_Y, Qt::ControlModifier);
        QCOMPARE(variable("level").unit, std::string("mm"));
    }

    // Each place that uses a variable is listed, and a double click leads there.
    void usesAreListedAndLeadThere() {
        table_->setCurrentIndex(table_->model()->index(row("kiln_temp"), VariablesModel::Name));
        auto* uses = open_->find<QListWidget>("uses");
        const auto rowWith = [&](const char* words) {
            for (int i = 0; i < uses->count(); ++i)
                if (uses->item(i)->text().contains(words))
                    return i;
            return -1;
        };
        QCOMPARE(QString::number(uses->count()), shown("kiln_temp", VariablesModel::Used));
        const int gauge = rowWith("kiln_gauge.value"), rule = rowWith("when kiln_temp > limit");
        QVERIFY(gauge >= 0 && rule >= 0 && rowWith("kiln_temp_text.text") >= 0);
        const auto doubleClick = [&](int at) {
            uses->scrollToItem(uses->item(at));
            const QPoint place = uses->visualItemRect(uses->item(at)).center();
            QTest::mouseClick(uses->viewport(), Qt::LeftButton, {}, place);
            QTest::mouseDClick(uses->viewport(), Qt::LeftButton, {}, place);
        };
        doubleClick(gauge);
        QCOMPARE(session_->selection().screenName(), QString("course"));
        QCOMPARE(session_->selection().names(), Names{"kiln_gauge"});
        QVERIFY(open_->find<QWidget>("canvas")->isVisible());
        station(4);
        doubleClick(rule);
        QVERIFY(!open_->find<QWidget>("canvas")->isVisible());
        // An edit elsewhere changes the list.
        station(4);
        session_->edit(withRules(session_->document(), "main", ""), "Test");
        QCOMPARE(rowWith("when kiln_temp > limit"), -1);
        QCOMPARE(QString::number(uses->count()), shown("kiln_temp", VariablesModel::Used));
    }

    void unusedOnesAreSelectedAndDeleted() {
        QTest::mouseClick(open_->find<QPushButton>("select_unused"), Qt::LeftButton);
        QVERIFY(notice().contains("Every variable is used"));
        add("idle");
        add("spare");
        QTest::mouseClick(open_->find<QPushButton>("select_unused"), Qt::LeftButton);
        QTest::mouseClick(open_->find<QPushButton>("remove_variable"), Qt::LeftButton);
        QVERIFY(row("idle") < 0 && row("spare") < 0 && row("kiln_temp") >= 0);
    }

    void usesAreCountedAndTold() {
        QVERIFY(shown("kiln_temp", VariablesModel::Used).toInt() >= 2);
        add("idle");
        QCOMPARE(shown("idle", VariablesModel::Used), QString("0"));
        const QModelIndex used = table_->model()->index(row("idle"), VariablesModel::Used);
        QCOMPARE(used.data(Qt::ForegroundRole).value<QColor>(), Theme::colour(Role::Error));
        // What is deleted while it is used is a problem that leads here.
        table_->setFocus();
        table_->setCurrentIndex(table_->model()->index(row("kiln_temp"), 0));
        QTest::mouseClick(open_->find<QPushButton>("remove_variable"), Qt::LeftButton);
        QCOMPARE(row("kiln_temp"), -1);
        QVERIFY(hasErrors(session_->problems()));
        QTest::keyClick(&open_->window, Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(!hasErrors(session_->problems()));
        QVERIFY(row("kiln_temp") >= 0);
    }

    void theValueInTheTwinMovesWithIt() {
        QVERIFY(session_->runner().twin().set("kiln_temp", "321"));
        session_->runner().step();
        QCOMPARE(shown("kiln_temp", VariablesModel::Now), QString("321"));
        const Document before = session_->document();
        type("kiln_temp", VariablesModel::Now, "654");
        QCOMPARE(session_->runner().twin().get("kiln_temp"), std::string("654"));
        QVERIFY(before.variables == session_->document().variables);
        type("kiln_temp", VariablesModel::Now, "warm");
        QCOMPARE(session_->runner().twin().get("kiln_temp"), std::string("654"));
        QVERIFY(!notice().isEmpty());
    }

    // Written, changed outside and read again: this is one edit, and lines that can't be used are reported.
    void tablesAreExchanged() {
        const QString path = open_->path("variables.csv");
        choose("export_variables", path);
        QByteArray table = read(path);
        QVERIFY(table.startsWith("name,type,decimals,min,max"));
        QVERIFY(table.contains("\nkiln_temp,whole,,0,1320,1043,,,,°C,firmware"));
        table.replace("kiln_temp,whole,,0,1320,", "kiln_temp,whole,,0,1400,");
        table += "fan,yes/no,,,,yes\n7up,whole\n";
        write(path, table);
        const auto before = session_->document().variables;
        choose("import_variables", path);
        QCOMPARE(variable("kiln_temp").max, 1400);
        QCOMPARE(variable("fan").start, 1);
        QVERIFY2(notice().contains("line 22") && notice().contains("7up"), qPrintable(notice()));
        open_->window.activateWindow();
        QTRY_VERIFY(open_->window.isActiveWindow());
        QTest::keyClick(&open_->window, Qt::Key_Z, Qt::ControlModifier);
        QVERIFY(*session_->document().variables == *before);
    }

    // Who chooses headers in the dialog gets one, whatever name it proposed.
    void theKindThatIsChosenIsWritten() {
        const QString folder = open_->path(QString());
        support::onNextDialog([folder](QWidget* dialog) {
            auto* files = qobject_cast<QFileDialog*>(dialog);
            QVERIFY(files);
            files->setDirectory(folder);
            auto* kinds = dialog->findChild<QComboBox*>("fileTypeCombo");
            QVERIFY(kinds);
            kinds->setFocus();
            QTest::keyClick(kinds, Qt::Key_Down);
            auto* name = dialog->findChild<QLineEdit*>("fileNameEdit");
            QCOMPARE(name->text(), QString("variables.h"));
            name->setFocus();
            QTest::keyClick(name, Qt::Key_Return);
        });
        QTest::mouseClick(open_->find<QPushButton>("export_variables"), Qt::LeftButton);
        QVERIFY(read(open_->path("variables.h")).contains("typedef struct kiln_values {"));
    }

    void headersAreExchanged() {
        const QString path = open_->path("values.h");
        choose("export_variables", path);
        QByteArray header = read(path);
        QVERIFY(header.contains("uint16_t kiln_temp; /* measured by the thermocouple */"));
        header.replace("#define KILN_TEMP_MAX 1320", "#define KILN_TEMP_MAX 1250");
        header.replace("} kiln_values;", "    bool fan; // of the vent\n    void *port;\n} kiln_values;");
        write(path, header);
        choose("import_variables", path);
        QCOMPARE(variable("kiln_temp").max, 1250);
        QCOMPARE(variable("kiln_temp").unit, std::string("°C"));
        QVERIFY(variable("fan").type == VariableType::YesNo);
        QCOMPARE(variable("fan").note, std::string("of the vent"));
        QCOMPARE(variable("programme_name").length, 14);
        QVERIFY2(notice().contains("pointers are not variables"), qPrintable(notice()));
    }

    void theClockIsGivenAndTakenAway() {
        const auto dialog = [&] {
            QTest::mouseClick(open_->find<QPushButton>("edit_clock"), Qt::LeftButton);
            auto* found = open_->window.findChild<ClockDialog*>();
            return found;
        };
        const auto takeOver = [](ClockDialog* of) {
            for (auto* button : of->findChildren<QPushButton*>())
                if (button->isDefault())
                    QTest::mouseClick(button, Qt::LeftButton);
        };
        ClockDialog* asked = dialog();
        QVERIFY(asked && !asked->clock());
        auto* days = asked->findChild<QLineEdit*>("days");
        QVERIFY(!days->isEnabled());
        QTest::mouseClick(asked->findChild<QCheckBox*>("has_clock"), Qt::LeftButton, {}, QPoint(8, 8));
        QVERIFY(days->isEnabled());
        days->selectAll();
        QTest::keyClicks(days, "Mo, Di, Mi, Do, Fr, Sa");
        takeOver(asked);
        QVERIFY(asked->isVisible());  // six days are refused
        QVERIFY(asked->findChild<QLabel*>("told")->text().contains("Seven"));
        QTest::keyClicks(days, ", So");
        takeOver(asked);
        QVERIFY(session_->document().clock);
        QCOMPARE(session_->document().clock->days[6], std::string("So"));
        // The twin has the time of this computer.
        QCOMPARE(session_->runner().twin().get("clock.year"), std::to_string(QDate::currentDate().year()));
        QTRY_VERIFY(!open_->window.findChild<ClockDialog*>());
        asked = dialog();
        QTest::mouseClick(asked->findChild<QCheckBox*>("has_clock"), Qt::LeftButton, {}, QPoint(8, 8));
        takeOver(asked);
        QVERIFY(!session_->document().clock);
        session_->undo();
        QCOMPARE(session_->document().clock->days[6], std::string("So"));
        session_->undo();
        QVERIFY(!session_->document().clock);
    }
};

GORSEFINCH_TEST(TestVariablesStation, Windows)
#include "tst_variables_station.moc"
