// SPDX-License-Identifier: GPL-3.0-or-later
// Parts of the window that compute: differences, the clipboard, the colours' contrast.
#include <QApplication>
#include <QDirIterator>
#include <QtTest>
#include <cmath>
#include <random>

#include "app/screens/clipboard.h"
#include "app/theme/theme.h"
#include "app/widgets/line_difference.h"
#include "core/document/names.h"
#include "core/kinds/kinds.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace gorsefinch::app;
using namespace support;

namespace {

// Relative luminance and contrast of the Web Content Accessibility Guidelines 2.1.
double luminance(const QColor& c) {
    const auto linear = [](double v) { return v <= 0.03928 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4); };
    return 0.2126 * linear(c.redF()) + 0.7152 * linear(c.greenF()) + 0.0722 * linear(c.blueF());
}

double contrast(const QColor& a, const QColor& b) {
    const double x = luminance(a), y = luminance(b);
    return (std::max(x, y) + 0.05) / (std::min(x, y) + 0.05);
}

QString joined(const QVector<DifferenceLine>& lines) {
    QString out;
    for (const DifferenceLine& line : lines)
        out += QString(line.what == DifferenceLine::Same   ? " "
                       : line.what == DifferenceLine::Gone ? "-"
                                                           : "+") +
               line.text + "\n";
    return out;
}

}  // namespace

class TestParts : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void differencesOfLines() {
        QCOMPARE(joined(lineDifference("a\nb\nc", "a\nx\nc")), QString(" a\n-b\n+x\n c\n"));
        QCOMPARE(joined(lineDifference("a\nb", "a\nb")), QString(" a\n b\n"));
        QCOMPARE(joined(lineDifference("a\nc", "a\nb\nc")), QString(" a\n+b\n c\n"));
        QCOMPARE(joined(lineDifference("", "a")), QString("-\n+a\n"));
        // What stays and what is new give the new text, whatever changed.
        const QString before = "1\n2\n3\n4\n5\n6", after = "0\n1\n3\n5\n4\n6\n7";
        QStringList kept, old;
        for (const DifferenceLine& line : lineDifference(before, after)) {
            if (line.what != DifferenceLine::Gone)
                kept << line.text;
            if (line.what != DifferenceLine::New)
                old << line.text;
        }
        QCOMPARE(kept.join('\n'), after);
        QCOMPARE(old.join('\n'), before);
    }

    void widgetsThroughTheClipboard() {
        std::vector<WidgetRef> widgets;
        for (const char* name : {"one", "two"})
            widgets.push_back(std::make_shared<const Widget>(makeWidget(
                name, Kind::Button, 3, 4, 50, 20, {{"text", std::string("Größe \"5\"")}, {"fill", opaque(0x123456)}})));
        const auto back = widgetsFromBytes(widgetsToBytes(widgets));
        QVERIFY(back.has_value());
        QCOMPARE(back->size(), size_t{2});
        QCOMPARE((*back)[1].name, std::string("two"));
        QCOMPARE((*back)[0].properties == widgets[0]->properties, true);
        for (const QByteArray& wrong :
             {QByteArray("{"), QByteArray(""), QByteArray("[]"), QByteArray(5 * 1024 * 1024, ' ')})
            QVERIFY(!widgetsFromBytes(wrong));
        const auto some = widgetsFromBytes(
            "{\"widgets\": [{\"name\": \"a\", \"kind\": \"engine\"}, {\"name\": \"b\", \"kind\": \"text\", \"w\": "
            "99999}]}");
        QVERIFY(some && some->size() == 1 && some->front().w == 10);
    }

    // Whatever another program puts there: an error, or widgets that a screen can hold.
    void anyClipboardIsReadOrRefused() {
        std::vector<WidgetRef> widgets;
        for (const Kind kind : {Kind::Button, Kind::Text, Kind::Rectangle, Kind::Image, Kind::Frames})
            widgets.push_back(std::make_shared<const Widget>(
                makeWidget("one", kind, 3, 4, 50, 20,
                           {{"text", std::string("a\nb {c}")}, {"fill", opaque(0x123456)}, {"radius", int64_t{5}}})));
        const QByteArray whole = widgetsToBytes(widgets);
        std::mt19937 random(41);
        int read = 0;
        for (int round = 0, end = support::rounds(4000); round < end; ++round) {
            QByteArray bytes = whole;
            for (auto changes = 1 + random() % 4; changes > 0; --changes) {
                const auto at = static_cast<qsizetype>(random() % static_cast<unsigned>(bytes.size()));
                switch (random() % 4) {
                    case 0: bytes[at] = static_cast<char>(random()); break;
                    case 1: bytes.remove(at, static_cast<qsizetype>(random() % 9)); break;
                    case 2: bytes.insert(at, bytes.mid(at, static_cast<qsizetype>(random() % 40))); break;
                    default: bytes[at] = "0123456789-\"{}[],:eE"[random() % 20]; break;
                }
                if (bytes.isEmpty())
                    break;
            }
            const auto back = widgetsFromBytes(bytes);
            if (!back) {
                QVERIFY(!back.error().text().empty());
                continue;
            }
            ++read;
            for (const Widget& each : *back) {
                QVERIFY(each.w >= 1 && each.h >= 1 && each.w <= 4096 && each.h <= 4096);
                QVERIFY(!nameError(each.name));
                for (const auto& [key, value] : each.properties)
                    if (const PropertyInfo* property = findProperty(each.kind, key))
                        QVERIFY2(fits(*property, value), key.c_str());
            }
        }
        QVERIFY(read > 50);
    }

    void contrastIsEnough_data() {
        QTest::addColumn<bool>("dark");
        QTest::newRow("light") << false;
        QTest::newRow("dark") << true;
    }

    void contrastIsEnough() {
        QFETCH(bool, dark);
        Theme::apply(*qApp, dark ? Appearance::Dark : Appearance::Light);
        QCOMPARE(Theme::isDark(), dark);
        const auto check = [](Role text, Role ground) {
            const double found = contrast(Theme::colour(text), Theme::colour(ground));
            QVERIFY2(
                found >= 4.5,
                qPrintable(
                    QString("role %1 on %2: %3").arg(static_cast<int>(text)).arg(static_cast<int>(ground)).arg(found)));
        };
        for (const Role ground : {Role::Window, Role::Surface, Role::Field}) {
            for (const Role text : {Role::Text, Role::QuietText, Role::Well, Role::Bound, Role::Error})
                check(text, ground);
        }
        check(Role::Text, Role::AccentSoft);
        check(Role::Bound, Role::BoundGround);
        check(Role::Error, Role::ErrorGround);
    }

    void everyIconDraws() {
        QDirIterator icons(":/icons");
        int count = 0;
        while (icons.hasNext()) {
            const QString name = QFileInfo(icons.next()).baseName();
            const QImage image = Theme::pixmap(name, Qt::black).toImage();
            int drawn = 0;
            for (int y = 0; y < image.height(); ++y)
                for (int x = 0; x < image.width(); ++x)
                    drawn += qAlpha(image.pixel(x, y)) > 100;
            QVERIFY2(drawn > 5, qPrintable(name));
            ++count;
        }
        QVERIFY(count >= 14);
    }
};

GORSEFINCH_TEST(TestParts, Windows)
#include "tst_parts.moc"
