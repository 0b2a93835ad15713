// SPDX-License-Identifier: GPL-3.0-or-later
// Drawers: by finger, rule, variable and keys.
#include <QtTest>

#include "runtime/gorse_focus.h"
#include "tests/support/panes.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

class TestDrawers : public QObject, support::OnTwin {
    Q_OBJECT

  private Q_SLOTS:
    void aDrawerOpensAndCloses() {
        begin(drawerDocument());
        const auto closed = picture();
        QCOMPARE(slot("drawer", "x"), -60);
        // What it holds is not there.
        tap(30, 50);
        QCOMPARE(twin_->get("inside"), std::string("0"));
        tap(90, 20);
        QVERIFY(slot("drawer", "x") > -60 && slot("drawer", "x") < 0);
        wait(400);
        QCOMPARE(slot("drawer", "x"), 0);
        QCOMPARE(twin_->get("events"), std::string("1"));
        // The rest is darker, and takes no touch: that closes it.
        QVERIFY(picture() != closed);
        tap(90, 20);
        QCOMPARE(twin_->get("outside"), std::string("1"));
        wait(400);
        QCOMPARE(slot("drawer", "x"), -60);
        QCOMPARE(twin_->get("events"), std::string("101"));
        QVERIFY(picture() == closed);
        tap(90, 20);
        wait(400);
        tap(30, 50);
        wait(400);
        QCOMPARE(twin_->get("inside"), std::string("1"));
        QCOMPARE(slot("drawer", "x"), -60);
        QVERIFY(picture() == closed);
    }

    void aFingerPullsItIn_data() {
        QTest::addColumn<QString>("edge");
        for (const char* each : {"left", "right"})
            QTest::newRow(each) << QString(each);
    }

    void aFingerPullsItIn() {
        QFETCH(QString, edge);
        const bool right = edge == "right";
        begin(drawerDocument({{"open", std::string("menu")}}, edge.toStdString()));
        const auto at = [&](int x) { return right ? 119 - x : x; };
        const int closed = right ? 120 : -60, opened = right ? 60 : 0, way = right ? -1 : 1;
        // Not from the middle.
        swipe(at(40), 80, way * 40, 0, 60);
        wait(400);
        QCOMPARE(slot("drawer", "x"), closed);
        swipe(at(5), 80, way * 40, 0, 60);
        wait(400);
        QCOMPARE(slot("drawer", "x"), opened);
        QCOMPARE(twin_->get("menu"), std::string("yes"));
        // A little way back, slowly: it stays.
        swipe(at(40), 80, -way * 20, 0, 60);
        wait(400);
        QCOMPARE(slot("drawer", "x"), opened);
        // Fast: it closes.
        swipe(at(40), 80, -way * 20, 0, 8);
        wait(400);
        QCOMPARE(slot("drawer", "x"), closed);
        QCOMPARE(twin_->get("menu"), std::string("no"));
        QVERIFY(twin_->set("menu", "yes"));
        wait(400);
        QCOMPARE(slot("drawer", "x"), opened);
        QCOMPARE(twin_->get("events"), std::string("102"));
    }

    void withoutAShadeTheRestIsOpen() {
        begin(drawerDocument({{"shade", int64_t{0}}, {"pull", int64_t{0}}}));
        swipe(5, 80, 40, 0, 60);
        wait(400);
        QCOMPARE(slot("drawer", "x"), -60);
        tap(90, 20);
        wait(400);
        tap(90, 20);
        wait(400);
        QCOMPARE(twin_->get("outside"), std::string("2"));
        QCOMPARE(slot("drawer", "x"), 0);
    }

    // The focus goes in and comes back; the key back closes it.
    void theKeysGoIn() {
        Document d = drawerDocument();
        d = addWidgets(d, "one", {makeWidget("other", Kind::Button, 80, 50, 30, 20, {{"text", std::string()}})});
        d = reorderWidgets(d, "one", Names{"drawer"}, Depth::ToTop);
        Panel panel = *d.panel;
        panel.keys = {"up", "down", "enter", "back"};
        d = withPanel(d, panel);
        begin(d);
        const auto focus = [&] {
            return twin_->scene().parts.front()->source->widgets[gorse_focus_of(twin_->run())->widget]->name;
        };
        const auto press = [&](const char* key) {
            QVERIFY(twin_->key(key, true));
            wait(16);
            QVERIFY(twin_->key(key, false));
            wait(400);
        };
        press("down");
        QCOMPARE(focus(), std::string("other"));
        press("up");
        QCOMPARE(focus(), std::string("opener"));
        press("enter");
        QCOMPARE(focus(), std::string("item"));
        press("down");
        QCOMPARE(focus(), std::string("item"));
        press("back");
        QCOMPARE(slot("drawer", "x"), -60);
        QCOMPARE(focus(), std::string("opener"));
    }

    // A frame is the same whatever was drawn before, on panels that cannot mix, too.
    void picturesAreWhole() {
        for (const PixelFormat format : {PixelFormat::Rgb565, PixelFormat::Page1, PixelFormat::Grey4}) {
            Document d = withPanelOf(drawerDocument(), format, 0, 120, 96);
            begin(d);
            tap(90, 20);
            for (int i = 0; i < 30; ++i) {
                wait(16);
                QVERIFY(isWhole());
            }
        }
    }
};

GORSEFINCH_TEST(TestDrawers, Nothing)
#include "tst_drawers.moc"
