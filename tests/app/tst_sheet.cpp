// SPDX-License-Identifier: GPL-3.0-or-later
// The sheet sets every property that the table of kinds tells, for one widget and for several, and undo takes it back.
#include <QAbstractButton>
#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QScrollArea>
#include <QToolButton>
#include <QtTest>

#include "app/screens/canvas.h"
#include "app/widgets/fields.h"
#include "app/widgets/zones_field.h"
#include "core/edits/image_edits.h"
#include "tests/support/test_case.h"
#include "tests/support/window.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestSheet : public QObject, support::OnWindow {
    Q_OBJECT

    // A field of the page that is shown now; the former page may still be on its way out.
    template <typename T>
    T* field(const char* name) {
        return find<QScrollArea>("sheet")->widget()->findChild<T*>(name);
    }

    void put(std::vector<Widget> widgets) {
        Names names;
        const Document next = addWidgets(session_->document(), "alarm", std::move(widgets), &names);
        session_->selection().showScreen("alarm");
        session_->edit(next, "Test");
        session_->selection().select(names);
    }

    static Widget made(const std::string& name, Kind kind) {
        Widget widget;
        widget.name = name;
        widget.kind = kind;
        widget.w = 60;
        widget.h = 30;
        return widget;
    }

    PropertyValue now(const char* name, const char* key) {
        return effectiveValue(session_->document(), widget("alarm", name), key);
    }

    // Chooses an entry by its keys, as somebody without a mouse does.
    static void chooseNext(QComboBox* box) {
        box->setFocus();
        const int before = box->currentIndex();
        QTest::keyClick(box, before + 2 < box->count() ? Qt::Key_Down : Qt::Key_Up);
    }

    // Gives a property another value through its field; false if there is no such field.
    bool change(const PropertyInfo& property) {
        switch (property.type) {
            case PropertyType::Whole: {
                if (property.entryOf) {
                    auto* box = field<QComboBox>(property.key);
                    if (box)
                        chooseNext(box);
                    return box;
                }
                auto* number = field<NumberField>(property.key);
                if (number)
                    retype(number, QString::number(property.min +
                                                   (number->text() == QString::number(property.min + 3) ? 4 : 3)));
                return number;
            }
            case PropertyType::YesNo: {
                auto* box = field<QCheckBox>(property.key);
                if (box)
                    QTest::mouseClick(box, Qt::LeftButton, {}, QPoint(8, box->height() / 2));
                return box;
            }
            case PropertyType::Colour: {
                auto* colour = field<ColourField>(property.key);
                if (colour)
                    retype(colour->findChild<QLineEdit*>(), "#12AB34");
                return colour;
            }
            case PropertyType::Choice: {
                auto* choice = field<ChoiceField>(property.key);
                if (!choice)
                    return false;
                for (auto* each : choice->findChildren<QAbstractButton*>())
                    if (!each->isChecked()) {
                        QTest::mouseClick(each, Qt::LeftButton);
                        return true;
                    }
                return false;
            }
            case PropertyType::Edges: {
                auto* edge = field<QAbstractButton>("anchor_right");
                if (edge)
                    QTest::mouseClick(edge, Qt::LeftButton);
                return edge;
            }
            case PropertyType::Zones: {
                auto* zones = field<ZonesField>(property.key);
                if (zones)
                    QTest::mouseClick(zones->findChild<QPushButton*>("add_zone"), Qt::LeftButton);
                return zones;
            }
            case PropertyType::Cells: {
                auto* paint = field<QWidget>(property.key)->findChild<QPushButton*>("paint_cells");
                auto* canvas = window_->findChild<Canvas*>();
                QTest::mouseClick(paint, Qt::LeftButton);
                const Widget& map = *session_->selection().widgets().front();
                const QPointF at = canvas->fromPanel(QPointF(map.x + map.w / 2.0, map.y + map.h / 2.0));
                QTest::mouseClick(canvas, Qt::LeftButton, {}, at.toPoint());
                QTest::mouseClick(paint, Qt::LeftButton);
                return true;
            }
            case PropertyType::Points: {
                auto* points = field<QLineEdit>(property.key);
                if (points)
                    retype(points, "1,2 30,4  -5,20");
                return points;
            }
            case PropertyType::Text:
            case PropertyType::Words:
            case PropertyType::Decimal: {
                if (auto* lines = property.asLines ? field<QPlainTextEdit>(property.key) : nullptr) {
                    QTest::keyClicks(lines, "7");
                    return true;
                }
                auto* text = field<QLineEdit>(property.key);
                if (text)
                    retype(text, std::string_view(property.key) == "text" ? "Tap \\nhere" : "7");
                return text;
            }
            default: {
                auto* box = field<QComboBox>(property.key);
                if (box)
                    chooseNext(box);
                return box;
            }
        }
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void init() { QVERIFY(open("kiln")); }
    void cleanup() { close(); }

    void everyPropertyOfEveryKind_data() {
        QTest::addColumn<int>("number");
        for (size_t i = 0; i < kinds().size(); ++i)
            if (kinds()[i]->group != KindGroup::Own)
                QTest::newRow(kinds()[i]->key) << static_cast<int>(i);
    }

    void everyPropertyOfEveryKind() {
        QFETCH(int, number);
        const KindInfo& kind = *kinds()[static_cast<size_t>(number)];
        Panel panel = *session_->document().panel;
        panel.knob = true;  // else nothing has a focus
        session_->edit(withPanel(session_->document(), panel), "Knob");
        Widget probe = made("probe", kind.kind);
        if (kind.has(kHasCells))
            probe.properties["image"] = std::string("flame");
        if (findProperty(kind.kind, "palette_entry")) {
            probe.properties["image"] = std::string("flame");
            Recipe recipe = session_->document().image("flame")->recipe;
            recipe.format = PixelFormat::Index4;
            session_->edit(withRecipe(session_->document(), "flame", recipe), "Index");
        }
        put({probe});
        const Document before = session_->document();
        std::vector<const PropertyInfo*> all;
        for (const auto properties : {kind.properties, styleProperties(), placeProperties()})
            for (const PropertyInfo& each : properties)
                all.push_back(&each);
        for (const PropertyInfo* each : all) {
            if (each->needs != 0 && !kind.has(each->needs)) {
                QVERIFY2(!change(*each), each->key);
                continue;
            }
            const PropertyValue was = now("probe", each->key);
            QVERIFY2(change(*each), each->key);
            QVERIFY2(now("probe", each->key) != was, each->key);
            QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
            QVERIFY2(now("probe", each->key) == was, each->key);
            QCOMPARE(session_->document().screens.size(), before.screens.size());
        }
        // After all this the document is the one it began with.
        QVERIFY(session_->document().screen("alarm")->widgets.back()->properties ==
                before.screen("alarm")->widgets.back()->properties);
    }

    // One after the other is chosen, each has all its fields on the page that is shown.
    void thePageFollowsTheSelection() {
        put({made("first", Kind::Text), made("second", Kind::Button), made("third", Kind::Image)});
        for (const char* name : {"first", "second", "third", "second"}) {
            session_->selection().select({name});
            QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
            QVERIFY(field<QLineEdit>("name"));
            QCOMPARE(field<QLineEdit>("name")->text(), QString(name));
            for (const char* side : {"x", "y", "w", "h"})
                QVERIFY2(field<NumberField>(side) && field<NumberField>(side)->isVisible(), side);
            find<Canvas>("canvas")->setFocus();
            QTest::keyClick(find<Canvas>("canvas"), Qt::Key_F2);
            QVERIFY(field<QLineEdit>("name")->hasFocus());
        }
        session_->selection().select({});
        QCOMPARE(field<QLineEdit>("name")->text(), QString("alarm"));
        session_->selection().select({"first", "second"});
        QVERIFY(!field<QLineEdit>("name"));
        QVERIFY(field<NumberField>("x"));
    }

    // What stands half typed in a field is not given to what is chosen next.
    void halfTypedValuesStayWithTheirWidget() {
        put({made("first", Kind::Rectangle), made("second", Kind::Rectangle)});
        session_->selection().select({"first"});
        retype(field<NumberField>("w"), "33", false);
        retype(field<ColourField>("fill")->findChild<QLineEdit*>(), "#445566", false);
        session_->selection().select({"second"});
        QCOMPARE(widget("alarm", "first").w, 33);
        QCOMPARE(widget("alarm", "second").w, 60);
        QCOMPARE(widget("alarm", "second").properties.count("fill"), size_t{0});
    }

    void severalAreSetAtOnce() {
        Widget first = made("first", Kind::Text), second = made("second", Kind::Button);
        first.properties["radius"] = int64_t{2};
        second.properties["radius"] = int64_t{9};
        put({first, second});
        // Different values leave the field empty.
        QCOMPARE(field<NumberField>("radius")->text(), QString());
        retype(field<NumberField>("radius"), "5");
        QCOMPARE(now("first", "radius"), PropertyValue(int64_t{5}));
        QCOMPARE(now("second", "radius"), PropertyValue(int64_t{5}));
        retype(field<NumberField>("x"), "40");
        QCOMPARE(widget("alarm", "first").x, 40);
        QCOMPARE(widget("alarm", "second").x, 40);
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QTest::keyClick(window_, Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(now("first", "radius"), PropertyValue(int64_t{2}));
        QCOMPARE(now("second", "radius"), PropertyValue(int64_t{9}));
    }

    void itsOwnValueGoesBackToTheLooks() {
        session_->selection().showScreen("status");
        session_->selection().select({"hold_button"});
        const Widget before = widget("status", "hold_button");
        QVERIFY(!before.look.empty());
        auto* radius = field<NumberField>("radius");
        const QString looks = radius->text();
        retype(radius, "11");
        QCOMPARE(widget("status", "hold_button").properties.count("radius"), size_t{1});
        auto* reset = radius->parentWidget()->findChild<QToolButton*>();
        QVERIFY(reset->isVisible());
        QTest::mouseClick(reset, Qt::LeftButton);
        QCOMPARE(widget("status", "hold_button").properties.count("radius"), size_t{0});
        QCOMPARE(field<NumberField>("radius")->text(), looks);
        QVERIFY(!field<NumberField>("radius")->parentWidget()->findChild<QToolButton*>()->isVisible());
    }

    void valuesThatDoNotFitAreMarkedAndKeptOut() {
        put({made("probe", Kind::Rectangle)});
        auto* width = field<NumberField>("w");
        for (const char* wrong : {"0", "5000", "ten", "3/0", "1+", "99999999999999999999", ""}) {
            retype(width, wrong);
            QCOMPARE(widget("alarm", "probe").w, 60);
        }
        QTest::keyClick(width, Qt::Key_Escape);
        QCOMPARE(width->text(), QString("60"));
        retype(field<ColourField>("fill")->findChild<QLineEdit*>(), "#12");
        QCOMPARE(widget("alarm", "probe").properties.count("fill"), size_t{0});
        // By the arrow keys one at a time, with Shift ten.
        width->setFocus();
        QTest::keyClick(width, Qt::Key_Up);
        QTest::keyClick(width, Qt::Key_Up, Qt::ShiftModifier);
        QTest::keyClick(width, Qt::Key_Down);
        QCOMPARE(widget("alarm", "probe").w, 70);
    }

    void namesFollowTheirRules() {
        put({made("probe", Kind::Button)});
        for (const char* wrong : {"", "7up", "two words", "while", "title_text"}) {
            retype(field<QLineEdit>("name"), wrong);
            QCOMPARE(session_->selection().names(), Names{"probe"});
            QCOMPARE(field<QLineEdit>("name")->text(), QString("probe"));
        }
        retype(field<QLineEdit>("name"), "start_button");
        QCOMPARE(session_->selection().names(), Names{"start_button"});
    }

    // Only what rules say of this widget, not of one with a longer name, nor of another screen's.
    void rulesThatSpeakOfIt() {
        session_->edit(withRules(session_->document(), "main",
                                 "on probe_button.tap\n    hide probe_button\n\non status.hold_button.tap\n    show "
                                 "alarm.button  // yes\n\non alarm.enter\n    button.x = 3\n"),
                       "Test");
        put({made("button", Kind::Button), made("probe_button", Kind::Button)});
        session_->selection().select({"button"});
        QCOMPARE(field<QLabel>("mentions")->text(), QString("show alarm.button  // yes\nbutton.x = 3"));
        session_->selection().select({"probe_button"});
        QCOMPARE(field<QLabel>("mentions")->text(), QString("on probe_button.tap\nhide probe_button"));
        session_->selection().select({"title_text"});
        QCOMPARE(field<QLabel>("mentions")->text(), QString("none mentions it"));
    }

    void theWheelChangesNothing() {
        put({made("probe", Kind::Button)});
        const Widget before = widget("alarm", "probe");
        for (const char* key : {"look", "image", "font"}) {
            auto* box = field<QComboBox>(key);
            box->setFocus();
            const QPoint middle = box->rect().center();
            QWheelEvent wheel(middle, box->mapToGlobal(middle), QPoint(), QPoint(0, -120), Qt::NoButton, Qt::NoModifier,
                              Qt::NoScrollPhase, false);
            QApplication::sendEvent(box, &wheel);
            // Not taken here, so it goes on to the page.
            QVERIFY2(!wheel.isAccepted(), key);
        }
        QCOMPARE(widget("alarm", "probe").look, before.look);
        QVERIFY(widget("alarm", "probe").properties == before.properties);
    }

    void newNamesAreOffered() {
        put({made("probe", Kind::Frames)});
        const int before = field<QComboBox>("variable")->count();
        Variable variable;
        variable.name = "pressure";
        session_->edit(withVariable(session_->document(), variable), "Test");
        QCOMPARE(field<QComboBox>("variable")->count(), before + 1);
        QVERIFY(field<QComboBox>("variable")->findText("pressure") > 0);
    }

    void nothingChosenShowsTheScreen() {
        session_->selection().showScreen("alarm");
        session_->selection().select({});
        retype(field<QLineEdit>("name"), "siren");
        QCOMPARE(session_->selection().screenName(), QString("siren"));
        retype(field<ColourField>("background")->findChild<QLineEdit*>(), "#102030");
        QCOMPARE(session_->selection().screen()->background, opaque(0x102030));
        retype(field<QLineEdit>("name"), "status");
        QCOMPARE(session_->selection().screenName(), QString("siren"));
    }

    void aRuleIsBegunForItsTap() {
        put({made("siren_button", Kind::Button)});
        QTest::mouseClick(field<QPushButton>("add_rule"), Qt::LeftButton);
        QVERIFY(session_->document().rules->front().text.find("on siren_button.tap") != std::string::npos ||
                session_->document().rules->front().text.find("on alarm.siren_button.tap") != std::string::npos);
    }
};

GORSEFINCH_TEST(TestSheet, Windows)
#include "tst_sheet.moc"
