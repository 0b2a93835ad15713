// SPDX-License-Identifier: GPL-3.0-or-later
// A window of 1024 x 640: every station fits, nothing is cut at its edges.
#include <QAbstractScrollArea>
#include <QtTest>

#include "app/widgets/station.h"
#include "tests/support/operated_window.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace gorsefinch::app;

class TestSmallWindow : public QObject, support::OperatedWindow {
    Q_OBJECT

    static bool isScrolled(const QWidget* widget) {
        for (const QWidget* each = widget->parentWidget(); each; each = each->parentWidget())
            if (qobject_cast<const QAbstractScrollArea*>(each) || each->isWindow())
                return !each->isWindow();
        return false;
    }
    static QString nameOf(const QWidget* widget) {
        return QString("%1 %2").arg(widget->metaObject()->className(), widget->objectName());
    }

  private Q_SLOTS:
    void initTestCase() { prepare(); }
    void cleanup() { close(); }

    void everyStationFits_data() {
        QTest::addColumn<QString>("example");
        QTest::addColumn<int>("number");
        for (const char* example : {"kiln", "hive"})
            for (const int number : {1, 2, 3, 4, 5, 6, 8})
                QTest::addRow("%s %d", example, number) << example << number;
    }
    void everyStationFits() {
        QFETCH(QString, example);
        QFETCH(int, number);
        QVERIFY(open(qPrintable(example), number));
        window_->resize(1024, 640);
        QTest::qWait(30);
        QCOMPARE(window_->size(), QSize(1024, 640));
        QVERIFY2(
            window_->minimumSizeHint().width() <= 1024 && window_->minimumSizeHint().height() <= 640,
            qPrintable(
                QString("%1 x %2").arg(window_->minimumSizeHint().width()).arg(window_->minimumSizeHint().height())));
        for (const QWidget* each : window_->findChildren<QWidget*>()) {
            if (!each->isVisible() || each->isWindow() || isScrolled(each) || each->window() != window_)
                continue;
            const QRect own(each->mapTo(window_, QPoint(0, 0)), each->size());
            QVERIFY2(window_->rect().contains(own), qPrintable(nameOf(each) + " leaves the window"));
            const QWidget* outer = each->parentWidget();
            QVERIFY2(!outer || outer->rect().contains(each->geometry()) || each->size().isEmpty(),
                     qPrintable(nameOf(each) + " leaves " + nameOf(outer)));
            const QSize least = each->minimumSizeHint();
            QVERIFY2(each->width() >= std::min(least.width(), each->maximumWidth()) &&
                         each->height() >= std::min(least.height(), each->maximumHeight()),
                     qPrintable(nameOf(each) + " is cut"));
        }
    }

    void panesFoldAndComeBack() {
        QVERIFY(open("kiln", 5));
        window_->resize(1024, 640);
        QTest::qWait(30);
        const int before = canvas()->width();
        QTest::keyClick(canvas(), Qt::Key_BracketLeft);
        QTRY_VERIFY(canvas()->width() > before + 100);
        const int wider = canvas()->width();
        QTest::keyClick(canvas(), Qt::Key_BracketRight);
        QTRY_VERIFY(canvas()->width() > wider + 200);
        QTest::keyClick(canvas(), Qt::Key_BracketLeft);
        QTest::keyClick(canvas(), Qt::Key_BracketRight);
        QTRY_COMPARE(canvas()->width(), before);
    }
};

GORSEFINCH_TEST(TestSmallWindow, Windows)
#include "tst_small_window.moc"
