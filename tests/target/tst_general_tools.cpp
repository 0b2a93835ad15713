// SPDX-License-Identifier: GPL-3.0-or-later
// What is written here is read by the general tools of the distribution as the same picture, and theirs is read here.
#include <QImage>
#include <QProcess>
#include <QTemporaryDir>
#include <QtTest>

#include "core/emit/export_image.h"
#include "core/image/reduce.h"
#include "tests/support/test_case.h"
#include "tests/target/target_build.h"

using namespace gorsefinch;
using namespace target;

namespace {

Picture sample(int w = 29, int h = 17) {
    Picture p = makePicture(w, h);
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x)
            p.at(x, y) = 0xff000000u | static_cast<uint32_t>((x * 9 % 256) << 16 | (y * 15 % 256) << 8 | (x * y % 256));
    return p;
}

// The greys or colours that another program sees, as 8-bit RGB.
QByteArray seen(const QString& program, const QStringList& arguments) {
    QProcess process;
    process.start(program, arguments);
    if (!process.waitForFinished(60000) || process.exitCode() != 0)
        return {};
    return process.readAllStandardOutput();
}

QByteArray bytesOf(const Picture& p) {
    QByteArray out;
    for (const uint32_t pixel : p.pixels)
        for (const int shift : {16, 8, 0})
            out += static_cast<char>(pixel >> shift & 255);
    return out;
}

}  // namespace

class TestGeneralTools : public QObject {
    Q_OBJECT

    QTemporaryDir dir_;

    QString written(PixelFormat format, const char* ending) {
        Image image;
        image.name = "sample";
        image.file = "sample.png";
        image.original = std::make_shared<const FileContents>(encodePng(sample()));
        ImageBakery bakery;
        const auto baked = bakeForExport(Document{}, image, format, bakery);
        const auto bytes =
            baked ? exportImage(**baked, {"sample", "const", "uint8_t"}, ending) : tl::unexpected(baked.error());
        const QString path = dir_.filePath(QString("out") + ending);
        return bytes && writeFile(path, QByteArray::fromStdString(*bytes)) ? path : QString();
    }

  private Q_SLOTS:
    void ours_data() {
        QTest::addColumn<int>("format");
        QTest::addColumn<QString>("ending");
        QTest::newRow("png") << static_cast<int>(PixelFormat::Rgb888) << ".png";
        QTest::newRow("png of few colours") << static_cast<int>(PixelFormat::Index4) << ".png";
        QTest::newRow("bmp") << static_cast<int>(PixelFormat::Rgb565) << ".bmp";
        QTest::newRow("pgm") << static_cast<int>(PixelFormat::Grey4) << ".pgm";
        QTest::newRow("pbm") << static_cast<int>(PixelFormat::Row1) << ".pbm";
        QTest::newRow("xbm") << static_cast<int>(PixelFormat::Page1) << ".xbm";
    }

    void ours() {
        QFETCH(int, format);
        QFETCH(QString, ending);
        const auto pixels = static_cast<PixelFormat>(format);
        const QString path = written(pixels, qPrintable(ending));
        QVERIFY(!path.isEmpty());
        Image image;
        image.original = std::make_shared<const FileContents>(encodePng(sample()));
        ImageBakery bakery;
        const QByteArray expected = bytesOf((*bakeForExport(Document{}, image, pixels, bakery))->picture(0));
        QCOMPARE(seen("convert", {path, "-depth", "8", "rgb:-"}), expected);
        // A second opinion on the formats that the other tool set reads.
        if (ending == ".pbm" || ending == ".pgm" || ending == ".xbm" || ending == ".bmp") {
            const QString reader = ending == ".xbm" ? "xbmtopbm" : ending == ".bmp" ? "bmptopnm" : "cat";
            const QImage theirs = QImage::fromData(seen("sh", {"-c", QString("%1 '%2' | pnmtopng").arg(reader, path)}));
            QVERIFY2(!theirs.isNull(), qPrintable(ending));
            int wrong = 0;
            for (int y = 0; y < 17; ++y)
                for (int x = 0; x < 29; ++x)
                    wrong += static_cast<uchar>(expected[(y * 29 + x) * 3]) != qRed(theirs.pixel(x, y));
            QCOMPARE(wrong, 0);
        }
    }

    void theirs_data() {
        QTest::addColumn<QString>("ending");
        for (const char* ending : {".png", ".bmp", ".ppm", ".pgm", ".pbm", ".xbm", ".gif"})
            QTest::newRow(ending) << ending;
    }

    void theirs() {
        QFETCH(QString, ending);
        const QString source = dir_.filePath("source.png"), path = dir_.filePath("theirs" + ending);
        QVERIFY(writeFile(source, QByteArray::fromStdString(encodePng(sample()))));
        QCOMPARE(QProcess::execute("convert", {source, path}), 0);
        const auto original = decodeOriginal(readFile(path).toStdString(), "theirs");
        QVERIFY2(original.has_value(), original ? "" : original.error().text().c_str());
        QCOMPARE(bytesOf(original->frames[0]), seen("convert", {path, "-depth", "8", "rgb:-"}));
    }
};

GORSEFINCH_TEST(TestGeneralTools, EventLoop)
#include "tst_general_tools.moc"
