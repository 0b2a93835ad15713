// SPDX-License-Identifier: GPL-3.0-or-later
// Pagers, drawers and screens over others in the station Screens.
#include <QAbstractButton>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QScrollArea>
#include <QtTest>

#include "core/document/widget_tree.h"
#include "core/sim/draw_screen.h"
#include "tests/support/operated_window.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestPanesView : public QObject, support::OperatedWindow {
    Q_OBJECT

    std::vector<std::string> names() const {
        std::vector<std::string> out;
        for (const WidgetRef& each : session_->document().screen("alarm")->widgets)
            out.push_back(each->name);
        return out;
    }
    const Widget& widget(const std::string& name) const {
        const ScreenRef screen = session_->document().screen("alarm");
        return *screen->widgets[static_cast<size_t>(widgetIndex(*screen, name))];
    }
    std::string selected() const {
        return session_->selection().names().size() == 1 ? session_->selection().names().front() : std::string();
    }
    QPoint at(int x, int y) { return canvas()->fromPanel(QPointF(x, y)).toPoint(); }
    void click(int x, int y) { QTest::mouseClick(canvas(), Qt::LeftButton, Qt::NoModifier, at(x, y)); }
    template <typename T>
    T* inSheet(const char* name) {
        return find<QScrollArea>("sheet")->widget()->findChild<T*>(name);
    }
    void press(const char* name) { QTest::mouseClick(inSheet<QAbstractButton>(name), Qt::LeftButton); }
    // Drags a box of a kind onto the canvas.
    void draw(const char* kind, const QRect& box) {
        QTest::mouseClick(find<QAbstractButton>((std::string("tray_") + kind).c_str()), Qt::LeftButton);
        QTest::mousePress(canvas(), Qt::LeftButton, Qt::NoModifier, at(box.left(), box.top()));
        for (int i = 1; i <= 4; ++i) {
            const QPoint to = at(box.left() + box.width() * i / 4, box.top() + box.height() * i / 4);
            QMouseEvent event(QEvent::MouseMove, to, canvas()->mapToGlobal(to), Qt::NoButton, Qt::LeftButton,
                              Qt::NoModifier);
            QApplication::sendEvent(canvas(), &event);
        }
        QTest::mouseRelease(canvas(), Qt::LeftButton, Qt::NoModifier,
                            at(box.left() + box.width(), box.top() + box.height()));
    }

  private Q_SLOTS:
    void init() {
        QVERIFY(open("kiln", 5));
        while (!session_->document().screen("alarm")->widgets.empty())
            QVERIFY(session_->edit(
                Result<Document>(removeWidgets(session_->document(), "alarm",
                                               Names{session_->document().screen("alarm")->widgets.front()->name})),
                "clear"));
        session_->selection().showScreen("alarm");
    }

    void cleanup() { close(); }

    // A new pager has two pages; the sheet turns them and adds some.
    void pagesAreTurnedAndAdded() {
        draw("pager", QRect(40, 40, 160, 100));
        QCOMPARE(names(), (std::vector<std::string>{"pager", "page", "page_2"}));
        QCOMPARE(std::pair(widget("page_2").x, widget("page_2").w), std::pair(widget("pager").w, widget("pager").w));
        QCOMPARE(inSheet<QLabel>("page_shown")->text(), QString("1 of 2"));
        press("page_next");
        QCOMPARE(selected(), std::string("page_2"));
        QCOMPARE(inSheet<QLabel>("page_shown")->text(), QString("2 of 2"));
        QVERIFY(!inSheet<QAbstractButton>("page_next")->isEnabled());
        // It is placed by its pager.
        for (const char* each : {"x", "y", "w", "h"})
            QVERIFY(!inSheet<QLineEdit>(each)->isEnabled());
        press("page_add");
        QCOMPARE(names().size(), size_t{4});
        QCOMPARE(inSheet<QLabel>("page_shown")->text(), QString("3 of 3"));
        QVERIFY(isInSight(session_->document().screen("alarm")->widgets, 3, session_->selection().panes()));
        session_->undo();
        QCOMPARE(names().size(), size_t{3});
        // What is dropped lies on the page that is shown, and another page hides it.
        session_->selection().enter("page_2");
        draw("rectangle", QRect(60, 60, 40, 30));
        QCOMPARE(widget("box").depth, 2);
        QCOMPARE(std::pair(widget("box").x, widget("box").y), std::pair(20, 20));
        const Picture second = drawScreen(*session_->scene(), session_->selection().screenIndex(), nullptr, {},
                                          &session_->selection().panes())
                                   .picture();
        session_->selection().select({"page"});
        const Picture first = drawScreen(*session_->scene(), session_->selection().screenIndex(), nullptr, {},
                                         &session_->selection().panes())
                                  .picture();
        QVERIFY(first.at(70, 70) != second.at(70, 70));
    }

    // A drawer is closed while nothing in it is selected: then its outline selects it.
    void aDrawerOpensWhenItIsSelected() {
        draw("rectangle", QRect(20, 60, 80, 60));
        draw("drawer", QRect(0, 0, 140, 239));
        QCOMPARE(selected(), std::string("drawer"));
        QCOMPARE(session_->selection().panes().open.count("drawer"), size_t{1});
        session_->selection().select({});
        QCOMPARE(session_->selection().panes().open.count("drawer"), size_t{0});
        click(60, 90);
        QCOMPARE(selected(), std::string("box"));
        click(138, 200);
        QCOMPARE(selected(), std::string("drawer"));
        // The rest lies below it now.
        click(60, 90);
        QCOMPARE(selected(), std::string("drawer"));
    }

    // What a screen keeps stands beside the memory that it takes; a shade where it is opened over others.
    void theScreenSaysWhatItKeeps() {
        auto* keeps = inSheet<QComboBox>("keeps");
        QVERIFY(keeps->itemText(0).startsWith("forgets: shares "));
        QCOMPARE(keeps->itemText(1), QString("keeps: 0 B more"));
        QVERIFY(!inSheet<QLineEdit>("shade"));
        keeps->setCurrentIndex(1);
        Q_EMIT keeps->activated(1);
        QVERIFY(session_->document().screen("alarm")->keeps);
        session_->undo();
        QVERIFY(!session_->document().screen("alarm")->keeps);
    }
};

GORSEFINCH_TEST(TestPanesView, Windows)
#include "tst_panes_view.moc"
