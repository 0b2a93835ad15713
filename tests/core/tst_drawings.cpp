// SPDX-License-Identifier: GPL-3.0-or-later
// Drawings (SVG) load nothing but themselves and draw no more than is said; those with text need fonts, and without an
// application object are refused instead of ending the program.
#include <QBuffer>
#include <QImage>
#include <QTemporaryDir>
#include <QtTest>

#include "core/image/drawing.h"
#include "core/image/picture.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;

namespace {

std::string svg(const std::string& inside) {
    return "<svg xmlns='http://www.w3.org/2000/svg' xmlns:xlink='http://www.w3.org/1999/xlink' width='20' "
           "height='10'>" +
           inside + "</svg>";
}

std::string dot() {
    QImage image(3, 2, QImage::Format_RGB32);
    image.fill(Qt::red);
    QByteArray data;
    QBuffer buffer(&data);
    buffer.open(QIODevice::WriteOnly);
    image.save(&buffer, "png");
    return data.toBase64().toStdString();
}

// Draws `what` 10^11 times.
std::string tensOfUses(const std::string& what) {
    std::string out = "<defs><g id='a0'>" + what + "</g>";
    for (int i = 1; i < 12; ++i) {
        out += "<g id='a" + std::to_string(i) + "'>";
        for (int k = 0; k < 10; ++k)
            out += "<use xlink:href='#a" + std::to_string(i - 1) + "'/>";
        out += "</g>";
    }
    return out + "</defs><use xlink:href='#a11'/>";
}

}  // namespace

class TestDrawings : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void refused_data() {
        QTest::addColumn<QByteArray>("bytes");
        QTest::addColumn<QString>("reason");
        const auto row = [](const char* name, const std::string& inside, const char* reason) {
            QTest::newRow(name) << QByteArray::fromStdString(svg(inside)) << reason;
        };
        row("a file by its path", "<image width='9' height='9' xlink:href='/etc/passwd'/>", "another file");
        row("a file beside it", "<image width='9' height='9' href='secret.png'/>", "another file");
        row("an address", "<image width='9' height='9' href='https://nowhere.invalid/a.png'/>", "another file");
        row("a use of a file", "<use xlink:href='other.svg#part'/>", "another file");
        row("data that is a path", "<image width='9' height='9' href='data:image/png;base64,../../secret.png'/>",
            "no PNG");
        row("a name that begins with data", "<image width='9' height='9' href='data.png'/>", "another file");
        row("a drawing in a drawing",
            "<image width='9' height='9' href='data:image/svg+xml;base64," +
                QByteArray(svg("").c_str()).toBase64().toStdString() + "'/>",
            "no PNG");
        row("a picture that is cut off",
            "<image width='9' height='9' href='data:image/png;base64," + dot().substr(0, dot().size() - 24) + "'/>",
            "cut off");
        std::string broken = dot();
        broken[broken.size() - 30] = broken[broken.size() - 30] == 'A' ? 'B' : 'A';
        row("a broken picture", "<image width='9' height='9' href='data:image/png;base64," + broken + "'/>", "broken");
        QTest::newRow("a style sheet")
            << QByteArray("<?xml version='1.0'?><?xml-stylesheet type='text/css' href='/etc/passwd'?>") +
                   QByteArray::fromStdString(svg(""))
            << "style";
        std::string deep;
        for (int i = 0; i < 5000; ++i)
            deep += "<g>";
        row("nesting without an end", deep, "nested");
        row("ten uses of ten uses", tensOfUses("<rect width='1' height='1'/>"), "elements");
        QTest::newRow("ten uses of ten uses of nothing, without a size")
            << QByteArray::fromStdString(
                   "<svg xmlns='http://www.w3.org/2000/svg' "
                   "xmlns:xlink='http://www.w3.org/1999/xlink'>" +
                   tensOfUses("") + "</svg>")
            << "elements";
        row("a part in itself", "<g id='a'><use xlink:href='#b'/></g><g id='b'><use xlink:href='#a'/></g>",
            "contains itself");
        QTest::newRow("broken XML") << QByteArray("<svg xmlns='http://www.w3.org/2000/svg'><g></svg>") << "XML";
    }

    void refused() {
        QFETCH(QByteArray, bytes);
        QFETCH(QString, reason);
        QTemporaryDir dir;
        // Were it looked for where the program stands, it would be found.
        QImage image(9, 9, QImage::Format_RGB32);
        image.fill(Qt::green);
        QVERIFY(image.save(dir.filePath("secret.png")) && image.save(dir.filePath("data.png")));
        const QString before = QDir::currentPath();
        QDir::setCurrent(dir.path());
        QElapsedTimer clock;
        clock.start();
        const auto decoded = decodePicture(bytes.toStdString(), "images/any.svg");
        const int64_t declared = declaredPixels(bytes.toStdString());
        QDir::setCurrent(before);
        QCOMPARE(declared, int64_t{0});
        QVERIFY2(clock.elapsed() < 5000, "it takes no longer than others");
        QVERIFY2(!decoded, "it was drawn");
        QVERIFY2(QString::fromStdString(decoded.error().reason).contains(reason), decoded.error().reason.c_str());
        QVERIFY(decoded.error().file == "images/any.svg" && !decoded.error().remedy.empty());
    }

    void whatIsInItselfIsDrawn() {
        const auto picture = decodePicture(
            svg("<defs><rect id='r' width='20' height='10' fill='#0000ff'/></defs><use xlink:href='#r'/>"
                "<image x='0' y='0' width='6' height='4' xlink:href='data:image/png;base64," +
                dot() +
                "'/>"
                "<a xlink:href='https://nowhere.invalid'><rect x='10' width='3' height='3' fill='#00ff00'/></a>"),
            "any.svg");
        QVERIFY2(picture.has_value(), picture ? "" : picture.error().text().c_str());
        QCOMPARE(picture->at(1, 1), 0xffff0000u);
        QCOMPARE(picture->at(18, 8), 0xff0000ffu);
        QCOMPARE(picture->at(11, 1), 0xff00ff00u);
    }

    // This test has no application object for a window.
    void textWithoutFontsIsRefused() {
        QVERIFY(inspectDrawing(svg("<text y='9'>A</text>"), "any.svg")->fonts);
        QVERIFY(!inspectDrawing(svg("<rect width='1' height='1'/>"), "any.svg")->fonts);
        const auto picture = decodePicture(svg("<text y='9'>A</text>"), "any.svg");
        QVERIFY(!picture && picture.error().reason.find("fonts") != std::string::npos);
    }
};

GORSEFINCH_TEST(TestDrawings, Nothing)
#include "tst_drawings.moc"
