// SPDX-License-Identifier: GPL-3.0-or-later
// The command line as a script uses it: exit codes, files, messages.
#include <QDir>
#include <QFile>
#include <QImage>
#include <QProcess>
#include <QTemporaryDir>
#include <QtTest>
#include <bit>

#include "tests/support/projects.h"
#include "tests/support/test_case.h"

class TestCommandLine : public QObject {
    Q_OBJECT

    QTemporaryDir dir_;
    QString kiln_ = SOURCE_DIR "/examples/kiln";
    QString out_, err_;

    // Runs the program in the temporary folder and gives its exit code.
    int run(const QStringList& words) {
        QProcess process;
        process.setWorkingDirectory(dir_.path());
        process.start(BINARY_DIR "/cli/gorsefinch-cli", words);
        process.waitForFinished(60000);
        out_ = QString::fromUtf8(process.readAllStandardOutput());
        err_ = QString::fromUtf8(process.readAllStandardError());
        return process.exitStatus() == QProcess::NormalExit ? process.exitCode() : -1;
    }
    QByteArray bytes(const QString& name) {
        QFile file(dir_.filePath(name));
        return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
    }
    void write(const QString& name, const QByteArray& text) {
        QFile file(dir_.filePath(name));
        QVERIFY(file.open(QIODevice::WriteOnly));
        file.write(text);
    }

  private Q_SLOTS:
    void wrongUsageIsTwo() {
        QCOMPARE(run({}), 2);
        QCOMPARE(run({"paint"}), 2);
        QCOMPARE(run({"render", kiln_}), 2);
        QCOMPARE(run({"render", kiln_, "-o", "x.gif"}), 2);
        QCOMPARE(run({"image", "a.png", "-o", "a.c", "--format", "rgb7"}), 2);
        QCOMPARE(run({"new", "huge", "here"}), 2);
        QVERIFY(err_.contains("mono-128x64"));
        for (const char* command : {"new", "check", "render", "generate", "run", "image", "font"}) {
            QCOMPARE(run({command, "--help"}), 0);
            QVERIFY2(out_.size() > 100, command);
        }
    }

    void refusalIsOneAndNamesTheFile() {
        QCOMPARE(run({"check", dir_.filePath("nowhere")}), 1);
        QVERIFY(out_.contains("nowhere"));
        QCOMPARE(run({"render", dir_.filePath("nowhere"), "-o", "x.png"}), 1);
        QVERIFY(err_.contains("nowhere") && err_.contains("no such folder") && !err_.contains("nowhere/nowhere"));
        // The message contains a relative folder once, and nothing of the toolkit is printed.
        QVERIFY(QDir(dir_.path()).mkdir("bare"));
        QCOMPARE(run({"check", "../" + QFileInfo(dir_.path()).fileName() + "/bare"}), 1);
        QCOMPARE(out_.count("bare"), 1);
        QVERIFY(out_.contains("bare/gorsefinch.json") && out_.contains("Open a folder with a project"));
        QVERIFY(err_.isEmpty());
        QVERIFY(
            QDir(dir_.filePath("bare")).entryList(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot).isEmpty());
        QCOMPARE(run({"render", kiln_, "--screen", "cellar", "-o", "x.png"}), 1);
        QVERIFY(err_.contains("cellar"));
        QVERIFY(!QFile::exists(dir_.filePath("x.png")));
    }

    void aNewProjectChecksAndGenerates() {
        QCOMPARE(run({"new", "mono-128x64", "hive"}), 0);
        QCOMPARE(run({"check", "hive"}), 0);
        QCOMPARE(run({"new", "mono-128x64", "hive"}), 1);
        QCOMPARE(run({"generate", "hive", "-o", "code", "--dry-run"}), 0);
        QVERIFY(!QFile::exists(dir_.filePath("code")));
        QCOMPARE(run({"generate", "hive", "-o", "code"}), 0);
        QVERIFY(out_.contains("compile: avr-gcc") && QFile::exists(dir_.filePath("code/hive_scene.c")));
    }

    void checkInJson() {
        QCOMPARE(run({"check", kiln_, "--json"}), 0);
        QCOMPARE(out_.trimmed(), QString("[]"));
        QCOMPARE(run({"new", "colour-240x240", "broken"}), 0);
        write("broken/rules/main.rules", "on nothing.tap\n    back\n");
        QCOMPARE(run({"check", "broken", "--json"}), 1);
        QVERIFY(out_.contains("\"line\": 1") && out_.contains("\"column\": 4"));
        QCOMPARE(run({"generate", "broken", "-o", "broken_code"}), 1);
        QVERIFY(!QFile::exists(dir_.filePath("broken_code")));
    }

    void renderedBytesAreThePanels() {
        QCOMPARE(run({"render", kiln_, "--screen", "alarm", "--set", "kiln_temp=1200", "-o", "a.bin"}), 0);
        QCOMPARE(bytes("a.bin").size(), 320 * 240 * 2);
        QCOMPARE(run({"render", kiln_, "--screen", "alarm", "--set", "kiln_temp=1200", "-o", "a.png"}), 0);
        const QImage image(dir_.filePath("a.png"));
        QCOMPARE(image.size(), QSize(320, 240));
        const QByteArray raw = bytes("a.bin");
        const auto word = static_cast<uint32_t>(static_cast<uint8_t>(raw[0]) | static_cast<uint8_t>(raw[1]) << 8);
        QCOMPARE(word >> 11, static_cast<uint32_t>((qRed(image.pixel(0, 0)) * 31 + 127) / 255));
        QCOMPARE(run({"render", kiln_, "--set", "kiln_temp=warm", "-o", "b.png"}), 1);
        QCOMPARE(run({"render", kiln_, "--set", "kiln_temp", "-o", "b.png"}), 1);
        QVERIFY(!QFile::exists(dir_.filePath("b.png")));
    }

    void timePassesBeforeAPicture() {
        QCOMPARE(run({"render", kiln_, "-o", "zero.bin"}), 0);
        QCOMPARE(run({"render", kiln_, "--at", "3000", "-o", "later.bin"}), 0);
        QVERIFY(bytes("zero.bin") != bytes("later.bin"));
    }

    void aScriptLeavesFramesAndATrace() {
        write("s.script", "tap 160 212\nset kiln_temp 1200\nwait 100\n");
        QCOMPARE(
            run({"run", kiln_, "--script", "s.script", "--frames", "frames", "--trace", "trace.txt", "--until", "500"}),
            0);
        QVERIFY(out_.contains("screen alarm") && out_.contains("kiln_temp=1200"));
        QCOMPARE(QDir(dir_.filePath("frames")).entryList({"*.png"}).size(), 6);
        const QString trace = QString::fromUtf8(bytes("trace.txt"));
        QVERIFY2(trace.contains("screen programme") && trace.contains("kiln_temp = 1200") &&
                     trace.contains("main.rules, line 3 runs"),
                 qPrintable(trace));
        write("bad.script", "tap here\n");
        QCOMPARE(run({"run", kiln_, "--script", "bad.script"}), 1);
        QVERIFY(err_.contains("bad.script") && err_.contains("line 1"));
    }

    void picturesAreConverted() {
        QImage image(2, 1, QImage::Format_RGB32);
        image.setPixel(0, 0, qRgb(255, 0, 0));
        image.setPixel(1, 0, qRgb(0, 0, 255));
        QVERIFY(image.save(dir_.filePath("two dots.png")));
        QCOMPARE(run({"image", "two dots.png", "-o", "two.bin", "--format", "rgb565-be"}), 0);
        QCOMPARE(bytes("two.bin"), QByteArray("\xf8\x00\x00\x1f", 4));
        QCOMPARE(run({"image", "two dots.png", "-o", "two.h", "--format", "rgb888"}), 0);
        QVERIFY(bytes("two.h").contains("const uint8_t two_dots[TWO_DOTS_BYTES]") &&
                bytes("two.h").contains("#define TWO_DOTS_BYTES 6") &&
                bytes("two.h").contains("#define TWO_DOTS_WIDTH 2"));
        QCOMPARE(run({"image", "two dots.png", "-o", "big.bin", "--format", "page1", "--size", "16x16", "--fit",
                      "stretch", "--dither", "floyd-steinberg"}),
                 0);
        QCOMPARE(bytes("big.bin").size(), 32);
        QCOMPARE(run({"image", "two dots.png", "-o", "x.bin", "--format", "page1", "--size", "0x9"}), 2);
        QCOMPARE(run({"image", "two dots.png", "-o", "x.bin", "--format", "page1", "--name", "for"}), 2);
        write("cut.png", bytes("two dots.png").left(40));
        QCOMPARE(run({"image", "cut.png", "-o", "x.bin", "--format", "page1"}), 1);
        QVERIFY(err_.contains("cut.png") && !QFile::exists(dir_.filePath("x.bin")));
    }

    void aSourceComesWithItsHeader() {
        QImage image(3, 2, QImage::Format_RGB32);
        image.fill(Qt::white);
        QVERIFY(image.save(dir_.filePath("white.png")));
        QCOMPARE(run({"image", "white.png", "-o", "white.c", "-o", "white.h", "-o", "white.pbm", "--format", "row1"}),
                 0);
        QVERIFY(bytes("white.c").contains("const uint8_t white[WHITE_BYTES] = {"));
        QVERIFY(bytes("white.h").contains("extern const uint8_t white[WHITE_BYTES];") &&
                !bytes("white.h").contains("= {"));
        QVERIFY(bytes("white.pbm").startsWith("P4"));
        QCOMPARE(run({"image", "white.png", "-o", "other.c", "-o", "other.h", "--format", "row1", "--storage",
                      "static const"}),
                 2);
        QVERIFY(!QFile::exists(dir_.filePath("other.c")));
        QCOMPARE(run({"image", "white.png", "white.pbm", "-o", "{name}.bin", "-o", "one.h", "--format", "row1"}), 2);
    }

    void manyPicturesTakeAPattern() {
        for (const char* name : {"ant1.png", "ant10.png", "ant2.png"}) {
            QImage image(4, 4, QImage::Format_RGB32);
            image.fill(QString(name).contains("10") ? Qt::white : Qt::black);
            QVERIFY(image.save(dir_.filePath(name)));
        }
        QCOMPARE(run({"image", "ant*.png", "-o", "{name}.bin", "--format", "row1"}), 0);
        QCOMPARE(bytes("ant10.bin"), QByteArray("\xf0\xf0\xf0\xf0", 4));
        QCOMPARE(bytes("ant2.bin"), QByteArray(4, 0));
        QCOMPARE(run({"image", "ant*.png", "-o", "one.bin", "--format", "row1"}), 2);
        QVERIFY(err_.contains("{name}") && !QFile::exists(dir_.filePath("one.bin")));
        // As frames, in the order that a person expects: the white one, number 10, is the last.
        QCOMPARE(run({"image", "ant*.png", "-o", "ants.c", "--frames", "--name", "ants", "--format", "row1",
                      "--storage", "static const"}),
                 0);
        const QString c = QString::fromUtf8(bytes("ants.c"));
        QVERIFY2(
            c.contains("#define ANTS_FRAMES 3") && c.contains("static const uint8_t ants[ANTS_FRAMES][ANTS_BYTES]"),
            qPrintable(c));
        QVERIFY(c.indexOf("0xf0") > c.lastIndexOf("0x00, 0x00, 0x00, 0x00"));
        QCOMPARE(run({"image", "none*.png", "-o", "{name}.bin", "--format", "row1"}), 1);
        QVERIFY(err_.contains("none*.png"));
    }

    void picturesAreReducedAsTold() {
        QImage ramp(64, 8, QImage::Format_RGB32);
        for (int x = 0; x < 64; ++x)
            for (int y = 0; y < 8; ++y)
                ramp.setPixel(x, y, qRgb(x * 4, x * 4, x * 4));
        QVERIFY(ramp.save(dir_.filePath("ramp.png")));
        const auto lit = [&](const QStringList& more) {
            if (run(QStringList{"image", "ramp.png", "-o", "ramp.bin", "--format", "row1"} + more) != 0)
                return -1;
            int count = 0;
            for (const char byte : bytes("ramp.bin"))
                count += std::popcount(static_cast<uint8_t>(byte));
            return count;
        };
        QCOMPARE(lit({"--threshold", "64"}), 48 * 8);
        QCOMPARE(lit({"--threshold", "0"}), 64 * 8);
        QCOMPARE(lit({"--invert"}), 32 * 8);
        for (const char* dither : {"bayer4", "bayer8", "blue-noise", "floyd-steinberg", "atkinson"})
            QVERIFY2(std::abs(lit({"--dither", dither}) - 252) < 12, dither);
        QCOMPARE(run({"image", "ramp.png", "-o", "few.c", "--format", "index8", "--colours", "5"}), 0);
        QVERIFY(bytes("few.c").contains("#define RAMP_COLOURS 5"));
        QCOMPARE(run({"image", "ramp.png", "-o", "x.c", "--format", "index8", "--colours", "1"}), 2);
        QCOMPARE(run({"image", "ramp.png", "-o", "x.c", "--format", "row1", "--dither", "magic"}), 2);
        QCOMPARE(run({"image", "ramp.png", "-o", "x.c", "--format", "tv"}), 2);
        QVERIFY(err_.contains("argb8888"));
    }

    void facesAreConverted() {
        const QString face = kiln_ + "/fonts/B612-Regular.otf";
        QCOMPARE(run({"font", face, "--size", "16", "--bits", "1", "--chars", "012", "--range", "A-C", "-o", "f.c"}),
                 0);
        QVERIFY(bytes("f.c").contains("7 glyphs"));
        QCOMPARE(run({"font", face, "--size", "24", "--bits", "4", "-o", "f.png"}), 0);
        QVERIFY(QImage(dir_.filePath("f.png")).width() > 100);
        QCOMPARE(run({"font", face, "--size", "16", "--bits", "3", "-o", "f.c"}), 2);
        QCOMPARE(run({"font", face, "--size", "16", "--bits", "1", "--range", "Z-A", "-o", "f.c"}), 2);
        write("none.ttf", "hello");
        QCOMPARE(run({"font", "none.ttf", "--size", "16", "--bits", "1", "-o", "g.c"}), 1);
        QVERIFY(err_.contains("none.ttf") && !QFile::exists(dir_.filePath("g.c")));
    }

    void bitmapFontsAreWrittenAndRead() {
        const QString face = kiln_ + "/fonts/B612-Regular.otf";
        QCOMPARE(run({"font", face, "--size", "13", "--bits", "1", "--block", "Basic Latin", "--chars", "ä€", "-o",
                      "f.bdf"}),
                 0);
        const QByteArray bdf = bytes("f.bdf");
        QVERIFY(bdf.startsWith("STARTFONT 2.1\n") && bdf.contains("\nCHARS 97\n") &&
                bdf.contains("STARTCHAR U+20AC\nENCODING 8364\n"));
        // Read again whole and written, it is the same font.
        QCOMPARE(run({"font", "f.bdf", "--size", "13", "--bits", "1", "--all", "-o", "g.bdf"}), 0);
        const auto glyphs = [](const QByteArray& text) { return text.mid(text.indexOf("STARTCHAR")); };
        QCOMPARE(glyphs(bytes("g.bdf")), glyphs(bdf));
        QCOMPARE(run({"font", "f.bdf", "--size", "13", "--bits", "1", "--chars", "Ж", "-o", "g.bdf"}), 0);
        QVERIFY(err_.contains("U+0416"));
        QCOMPARE(run({"font", face, "--size", "13", "--bits", "1", "--block", "Klingon", "-o", "g.bdf"}), 2);
        QVERIFY(err_.contains("Klingon") && err_.contains("Latin-1 Supplement"));
        QCOMPARE(run({"font", face, "--size", "13", "--bits", "1", "--hinting", "strong", "-o", "g.bdf"}), 2);
        QCOMPARE(run({"font", face, "--size", "13", "--bits", "1", "-o", "g.ttf"}), 2);
    }

    void fontsTakeTheirSettings() {
        const QString face = kiln_ + "/fonts/B612-Regular.otf";
        write("menu.txt", "Größe\nZurück\n");
        QCOMPARE(run({"font", face, "--size", "10", "--bits", "1", "--text-file", "menu.txt", "--measure", "capitals",
                      "--letter-distance", "2", "-o", "m.bdf"}),
                 0);
        QVERIFY(bytes("m.bdf").contains("CAP_HEIGHT 10\n") && bytes("m.bdf").contains("STARTCHAR U+00DF"));
        const auto size = [&](const QString& packing) {
            if (run({"font", face, "--size", "60", "--bits", "4", "--range", "0-9", "--even-digits", "--packing",
                     packing, "-o", "p.c"}) != 0)
                return -1LL;
            return static_cast<long long>(bytes("p.c").size());
        };
        const long long plain = size("plain");
        QVERIFY(bytes("p.c").contains("_bits, gorse_read_glyph_nibbles, "));
        const long long runs = size("runs");
        QVERIFY(runs < plain / 2);
        QCOMPARE(size("smallest"), runs);
        QVERIFY(bytes("p.c").contains("gorse_read_glyph_runs"));
        QCOMPARE(run({"font", face, "--size", "10", "--bits", "1", "--text-file", "none.txt", "-o", "x.bdf"}), 1);
        QVERIFY(err_.contains("none.txt"));
    }

    // A screen is drawn when it is asked for by name, though the rules go elsewhere at the start.
    void aNamedScreenIsDrawn() {
        const QString hive = QString(SOURCE_DIR) + "/examples/hive";
        QSet<QByteArray> all;
        for (const char* screen : {"weight", "climate", "view"}) {
            QCOMPARE(run({"render", hive, "--screen", screen, "-o", "screen.bin"}), 0);
            QCOMPARE(bytes("screen.bin").size(), 1024);
            all.insert(bytes("screen.bin"));
        }
        QCOMPARE(all.size(), 3);
        QCOMPARE(run({"render", hive, "--set", "page=1", "-o", "knob.bin"}), 0);
        QCOMPARE(run({"render", hive, "--screen", "climate", "-o", "screen.bin"}), 0);
        QCOMPARE(bytes("knob.bin"), bytes("screen.bin"));
    }
};

GORSEFINCH_TEST(TestCommandLine, Nothing)
#include "tst_command_line.moc"
