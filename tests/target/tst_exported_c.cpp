// SPDX-License-Identifier: GPL-3.0-or-later
// Images exported as C are compiled by strict compilers, in C and in C++, and hold the packed bytes.
#include <QTemporaryDir>
#include <QtTest>

#include "core/emit/export_image.h"
#include "tests/support/gif.h"
#include "tests/support/test_case.h"
#include "tests/target/target_build.h"

using namespace gorsefinch;
using namespace support;
using namespace target;

namespace {

Image madeOf(const std::string& name, std::string bytes, const std::string& file) {
    Image image;
    image.name = name;
    image.file = file;
    image.original = std::make_shared<const FileContents>(std::move(bytes));
    return image;
}

Picture slope() {
    Picture p = makePicture(13, 11);
    for (int y = 0; y < p.height; ++y)
        for (int x = 0; x < p.width; ++x)
            p.at(x, y) = static_cast<uint32_t>(y > 7 ? 0x60 : 0xff) << 24 |
                         static_cast<uint32_t>(x * 19 << 16 | y * 22 << 8 | x * y);
    return p;
}

std::string blinking() {
    GifWriter gif(2, 3, {0x000000, 0xffffff});
    gif.add({0, 0, 2, 3, {1, 0, 0, 1, 1, 0}, 5, 1, -1});
    gif.add({0, 0, 2, 3, {0, 1, 1, 0, 1, 1}, 20, 1, -1});
    return gif.finish();
}

std::string keyName(const PixelFormatInfo& format) {
    std::string key = format.key;
    std::replace(key.begin(), key.end(), '-', '_');
    return key;
}

}  // namespace

class TestExportedC : public QObject {
    Q_OBJECT

    QTemporaryDir dir_;
    ImageBakery bakery_;

    QString path(const QString& file) { return dir_.filePath(file); }
    QString compiled(const QString& compiler, const QStringList& flags, const QString& source) {
        return error(compiler, flags + QStringList{"-I", dir_.path(), "-c", path(source), "-o", path(source + ".o")});
    }

    // What a program that is linked with a source prints.
    QByteArray printed(const QString& source, const QByteArray& includes, const QByteArray& statements, QString& said) {
        writeFile(path("main.c"),
                  "#include <stdio.h>\n" + includes + "int main(void) {\n" + statements + "    return 0;\n}\n");
        QStringList sources{path("main.c")};
        if (!source.isEmpty())
            sources << path(source);
        said = error("gcc", strictFlags("c99") << "-I" << dir_.path() << sources << "-o" << path("main"));
        if (!said.isEmpty())
            return {};
        QProcess process;
        process.start(path("main"), QStringList());
        process.waitForFinished();
        return process.readAllStandardOutput();
    }

    static QByteArray writes(const QByteArray& array) {
        return "    fwrite(" + array + ", 1, sizeof " + array + ", stdout);\n";
    }

  private Q_SLOTS:
    void everyFormat_data() {
        QTest::addColumn<QString>("key");
        for (const PixelFormatInfo& each : pixelFormats())
            QTest::newRow(each.key) << each.key;
    }

    void everyFormat() {
        QFETCH(QString, key);
        const PixelFormatInfo& format = *pixelFormatByKey(key.toStdString());
        const std::string name = "slope_" + keyName(format);
        const auto baked =
            bakeForExport(Document{}, madeOf(name, encodePng(slope()), "slope.png"), format.format, bakery_);
        QVERIFY(baked);
        const std::string endings[] = {".c", ".h", ".bin"};
        const auto files = exportFiles(**baked, {name, "const", "uint8_t"}, endings);
        QVERIFY(files);
        for (const ExportedFile& each : *files)
            QVERIFY(writeFile(path(QString::fromStdString(name + each.ending)), QByteArray::fromStdString(each.bytes)));
        const QString source = QString::fromStdString(name) + ".c";
        for (const char* compiler : {"gcc", "clang"})
            QVERIFY2(compiled(compiler, strictFlags("c99"), source).isEmpty(), compiler);
        QCOMPARE(compiled("avr-gcc", {"-mmcu=avr5", "-std=gnu99", "-Wall", "-Werror"}, source), QString());

        QString said;
        const QByteArray c = QByteArray::fromStdString(name);
        const bool masked = (*files)[1].bytes.find("_MASK_BYTES") != std::string::npos;
        const QByteArray out = printed(source, "#include \"" + c + ".h\"\n",
                                       writes(c) + (masked ? writes(c + "_mask") : QByteArray()), said);
        QVERIFY2(said.isEmpty(), qPrintable(said));
        QCOMPARE(out, QByteArray::fromStdString((*files)[2].bytes));

        // The header serves C++ too.
        writeFile(path("use.cpp"), "#include \"" + c + ".h\"\nint first() { return " + c + "[0]; }\n");
        QCOMPARE(compiled("g++", {"-std=c++17", "-Wall", "-Wextra", "-Wpedantic", "-Werror"}, "use.cpp"), QString());
    }

    void framesAndTheirTimes() {
        const auto baked =
            bakeForExport(Document{}, madeOf("blink", blinking(), "blink.gif"), PixelFormat::Row1, bakery_);
        QVERIFY(baked);
        const std::string endings[] = {".c", ".h"};
        const auto files = exportFiles(**baked, {"blink", "const", "unsigned char"}, endings);
        QVERIFY(files);
        for (const ExportedFile& each : *files)
            writeFile(path(QString::fromStdString("blink" + each.ending)), QByteArray::fromStdString(each.bytes));
        QString said;
        const QByteArray out = printed("blink.c", "#include \"blink.h\"\n",
                                       "    int i;\n    for (i = 0; i < BLINK_FRAMES; i++)\n        printf(\"%d ms %d "
                                       "%d %d of %dx%d\\n\", blink_times[i], blink[i][0], "
                                       "blink[i][1], blink[i][BLINK_BYTES - 1], BLINK_WIDTH, BLINK_HEIGHT);\n",
                                       said);
        QVERIFY2(said.isEmpty(), qPrintable(said));
        QCOMPARE(out, QByteArray("50 ms 128 64 128 of 2x3\n200 ms 64 128 192 of 2x3\n"));
    }

    // A header alone defines its arrays, and may be included wherever they are static.
    void aHeaderAlone() {
        const auto baked =
            bakeForExport(Document{}, madeOf("alone", encodePng(slope()), "alone.png"), PixelFormat::Rgb565Be, bakery_);
        QVERIFY(baked);
        const std::string endings[] = {".h", ".bin"};
        const auto files = exportFiles(**baked, {"alone", "static const", "uint16_t"}, endings);
        QVERIFY(files);
        writeFile(path("alone.h"), QByteArray::fromStdString((*files)[0].bytes));
        QString said;
        const QByteArray out = printed({}, "#include \"alone.h\"\n#include \"alone.h\"\n",
                                       "    unsigned i;\n    (void)alone_mask;\n    for (i = 0; i < ALONE_BYTES / 2; "
                                       "i++)\n        printf(\"%c%c\", alone[i] >> 8, alone[i] & 255);\n",
                                       said);
        QVERIFY2(said.isEmpty(), qPrintable(said));
        QCOMPARE(out, QByteArray::fromStdString((*files)[1].bytes.substr(0, static_cast<size_t>(out.size()))));
        QCOMPARE(out.size(), 13 * 11 * 2);
    }

    void whatCannotBeIsRefused() {
        const auto baked =
            bakeForExport(Document{}, madeOf("no", encodePng(slope()), "no.png"), PixelFormat::Grey4, bakery_);
        QVERIFY(baked);
        const std::string both[] = {".c", ".h"}, odd[] = {".c", ".exe"};
        QVERIFY(!exportFiles(**baked, {"no", "static const", "uint8_t"}, both));
        QVERIFY(!exportFiles(**baked, {"no", "const", "uint16_t"}, both));
        QVERIFY(!exportFiles(**baked, {"for", "const", "uint8_t"}, both));
        QVERIFY(!exportFiles(**baked, {"no", "const", "uint8_t; int x"}, both));
        QVERIFY(!exportFiles(**baked, {"no", "const", "uint8_t"}, odd));
    }
};

GORSEFINCH_TEST(TestExportedC, Nothing)
#include "tst_exported_c.moc"
