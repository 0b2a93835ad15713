// SPDX-License-Identifier: GPL-3.0-or-later
// The panel's settings, each by mouse or keys: what the document, the panel's memory and the files then hold.
#include <QRadioButton>
#include <QDialogButtonBox>
#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QToolTip>

#include "app/theme/theme.h"
#include "core/sim/twin.h"
#include "tests/support/test_case.h"
#include "tests/support/window.h"

using namespace gorsefinch;
using namespace gorsefinch::app;
using support::OpenWindow;

class TestPanelStation : public QObject, support::OnWindow {
    Q_OBJECT

    const Panel& panel() { return *session_->document().panel; }
    Picture held() {
        Twin twin(session_->scene(), Twin::View::Panel);
        twin.step(0);
        return twin.memory().picture();
    }
    void tick(const char* name) {
        auto* box = open_->find<QCheckBox>(name);
        QVERIFY(box);
        QTest::mouseClick(box, Qt::LeftButton, Qt::NoModifier, QPoint(8, box->height() / 2));
    }
    void choose(const char* name, int key) {
        auto* box = open_->find<QComboBox>(name);
        QVERIFY(box);
        box->setFocus();
        QTest::keyClick(box, static_cast<Qt::Key>(key));
    }
    void type(const char* name, const char* words) { OpenWindow::retype(open_->find<QLineEdit>(name), words); }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() {
        QVERIFY(open("kiln", 1));
        // No question with another size.
        choose("panel_resizing", Qt::Key_Down);
        choose("panel_resizing", Qt::Key_Down);
    }
    void cleanup() { close(); }

    void mirrorsExchangeSides() {
        const Picture before = held();
        tick("mirror_x");
        QVERIFY(panel().mirrorX);
        const Picture across = held();
        tick("mirror_x");
        tick("mirror_y");
        const Picture down = held();
        for (int y = 0; y < 240; y += 7)
            for (int x = 0; x < 320; x += 7) {
                QCOMPARE(across.at(319 - x, y), before.at(x, y));
                QCOMPARE(down.at(x, 239 - y), before.at(x, y));
            }
    }

    void anotherSizeAsksOnceWhatBecomesOfTheLayout() {
        auto* way = open_->find<QComboBox>("panel_resizing");
        const auto box = [&] {
            const ScreenRef screen = session_->document().screen("status");
            const Widget& w = *screen->widgets[static_cast<size_t>(widgetIndex(*screen, "stop_button"))];
            return QRect(w.x, w.y, w.w, w.h);
        };
        const QRect before = box();
        for (int i = 0; i < 2; ++i)
            choose("panel_resizing", Qt::Key_Up);
        QCOMPARE(way->currentIndex(), 0);
        const auto answer = [](const QString& words, bool take) {
            support::onNextDialog([=](QWidget* shown) {
                for (auto* each : shown->findChildren<QRadioButton*>())
                    if (each->text() == words)
                        QTest::mouseClick(each, Qt::LeftButton, {}, QPoint(8, each->height() / 2));
                auto* buttons = shown->findChild<QDialogButtonBox*>();
                for (QAbstractButton* each : buttons->buttons())
                    if ((buttons->buttonRole(each) == QDialogButtonBox::AcceptRole) == take)
                        return QTest::mouseClick(each, Qt::LeftButton);
            });
        };
        answer("Scale", false);
        type("panel_width", "640");
        QCOMPARE(panel().width, 320);
        QCOMPARE(way->currentIndex(), 0);
        answer("Scale", true);
        type("panel_width", "640");
        QCOMPARE(panel().width, 640);
        QCOMPARE(box(), QRect(before.x() * 2, before.y(), before.width() * 2, before.height()));
        QCOMPARE(way->currentText(), QString("scales"));
        // Not asked again, and small steps end where one large one does.
        auto* width = open_->find<QLineEdit>("panel_width");
        width->setFocus();
        for (int i = 0; i < 12; ++i)
            QTest::keyClick(width, Qt::Key_Down, Qt::ShiftModifier);
        for (int i = 0; i < 12; ++i)
            QTest::keyClick(width, Qt::Key_Up, Qt::ShiftModifier);
        QCOMPARE(panel().width, 640);
        QCOMPARE(box(), QRect(before.x() * 2, before.y(), before.width() * 2, before.height()));
        activate();
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(panel().width, 320);
        QCOMPARE(box(), before);
        choose("panel_resizing", Qt::Key_Up);
        choose("panel_resizing", Qt::Key_Up);
        type("panel_height", "300");
        QCOMPARE(box(), before);
    }

    void coloursAreExchangedAndInverted() {
        const Picture before = held();
        tick("swap_red_blue");
        const Picture exchanged = held();
        tick("swap_red_blue");
        tick("invert");
        const Picture inverted = held();
        for (int i = 0; i < 320 * 240; i += 13) {
            const uint32_t was = before.pixels[static_cast<size_t>(i)], now = exchanged.pixels[static_cast<size_t>(i)];
            QCOMPARE(now >> 16 & 255, was & 255);
            QCOMPARE(now & 255, was >> 16 & 255);
            QCOMPARE(now >> 8 & 255, was >> 8 & 255);
            QCOMPARE(inverted.pixels[static_cast<size_t>(i)] & 0xffffff, ~was & 0xffffff);
        }
    }

    void offsetsMoveThePicture() {
        const Picture before = held();
        type("column_offset", "5");
        type("row_offset", "2+1");
        QCOMPARE(panel().columnOffset, 5);
        QCOMPARE(panel().rowOffset, 3);
        const Picture moved = held();
        QCOMPARE(moved.width, 325);
        QCOMPARE(moved.height, 243);
        for (int y = 0; y < 240; y += 11)
            for (int x = 0; x < 320; x += 11)
                QCOMPARE(moved.at(x + 5, y + 3), before.at(x, y));
    }

    void strangeNumbersAreRefused() {
        const Document before = session_->document();
        for (const auto& [field, words] : {std::pair{"panel_width", "0"},
                                           {"panel_width", "100000"},
                                           {"panel_height", "-5"},
                                           {"panel_height", "tall"},
                                           {"panel_width_mm", "1001"},
                                           {"strip_lines", "0"},
                                           {"column_offset", "-1"},
                                           {"project_name", "9 lives"},
                                           {"project_name", "int"}}) {
            type(field, words);
            QVERIFY2(session_->document().panel == before.panel && session_->document().name == before.name, words);
            // The field shows what holds, or that what it shows does not.
            const auto* shown = open_->find<QLineEdit>(field);
            QVERIFY2(shown->property("wrong").toBool() || shown->text() != QString(words), words);
        }
    }

    // A number outside tells the range below the field, until one fits again.
    void theRangeIsShown() {
        const auto* field = open_->find<QLineEdit>("panel_width");
        const QString help = field->toolTip();
        for (const char* words : {"100000", "wide"}) {
            type("panel_width", words);
            QVERIFY(QToolTip::isVisible());
            QVERIFY2(QToolTip::text().contains(QString("from %1 to %2").arg(kMinPanelSide).arg(kMaxPanelSide)), words);
            QCOMPARE(field->toolTip(), QToolTip::text());
        }
        type("panel_width", "300");
        QCOMPARE(panel().width, 300);
        QCOMPARE(field->toolTip(), help);
    }

    // The same pictures in fewer bits, and the budget that they take.
    void formatsChangeWhatIsHeld() {
        auto* box = open_->find<QComboBox>("panel_format");
        for (int i = 0; i < box->count(); ++i) {
            box->setFocus();
            box->setCurrentIndex(i == 0 ? 1 : i - 1);
            QTest::keyClick(box, i == 0 ? Qt::Key_Up : Qt::Key_Down);
            QTRY_COMPARE(QString(info(panel().format).key), box->currentText());
            Twin twin(session_->scene(), Twin::View::Panel);
            twin.step(0);
            QCOMPARE(static_cast<long>(twin.memory().bytes().size()), packedBytes(panel().format, 320, 240));
            QVERIFY2(!hasErrors(session_->problems()), qPrintable(box->currentText()));
        }
    }

    void theControllerIsDescribed() {
        type("flash_budget", "10");
        QCOMPARE(panel().flashBytes, int64_t{10 * 1024});
        type("strip_lines", "40");
        QCOMPARE(panel().stripLines, 40);
        QCOMPARE(session_->scene()->bufferBytes(), 320L * 2 * 40);
        choose("word_bits", Qt::Key_Down);
        QCOMPARE(panel().wordBits, 8);
    }

    void eachSettingIsOneStepAndIsSaved() {
        tick("mirror_y");
        type("panel_height", "200");
        type("panel_width_mm", "57");
        choose("panel_turn", Qt::Key_Down);
        QVERIFY(session_->save().has_value());
        Disk disk;
        const auto saved = ProjectFolder(disk, open_->folder().toStdString()).open();
        QCOMPARE(saved.document->panel->height, 200);
        QCOMPARE(saved.document->panel->turn, 90);
        QVERIFY(saved.document->panel->mirrorY);
        QCOMPARE(saved.document->panel->widthMm, 57);
        for (int i = 0; i < 4; ++i)
            QTest::keyClick(&open_->window, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(panel().height, 240);
        QCOMPARE(panel().widthMm, 0);
        QVERIFY(!panel().mirrorY);
        QCOMPARE(panel().turn, 0);
        QCOMPARE(open_->find<QLineEdit>("panel_height")->text().remove(QRegularExpression("[^0-9]")), QString("240"));
        QVERIFY(!open_->find<QCheckBox>("mirror_y")->isChecked());
    }

    // What was changed elsewhere shows when one comes back.
    void itIsUpToDateWhenItIsShown() {
        open_->station(5);
        Panel other = panel();
        other.width = 280;
        session_->edit(withPanel(session_->document(), other), "Change width");
        open_->station(1);
        QVERIFY(open_->find<QLineEdit>("panel_width")->text().contains("280"));
    }
};

GORSEFINCH_TEST(TestPanelStation, Windows)
#include "tst_panel_station.moc"
