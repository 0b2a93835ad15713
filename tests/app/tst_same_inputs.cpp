// SPDX-License-Identifier: GPL-3.0-or-later
// Each kind of input through the window and through the command line: both take it, to the same bytes, or both refuse
// it in the same words.
#include <QLabel>
#include <QProcess>

#include "app/fonts/fonts_station.h"
#include "app/images/images_station.h"
#include "core/edits/image_edits.h"
#include "core/emit/export_image.h"
#include "core/font/face_facts.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"
#include "tests/support/window.h"

using namespace gorsefinch;
using namespace gorsefinch::app;
using namespace support;

namespace {

const QString kSeeds = SOURCE_DIR "/tests/fuzz/seeds/";

QByteArray bytesIn(const QString& path) {
    QFile file(path);
    return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
}

struct Ran {
    int code;
    QByteArray error;
};
Ran commandLine(const QStringList& words) {
    QProcess process;
    // As a machine without a display has it.
    QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
    for (const char* name : {"QT_QPA_PLATFORM", "DISPLAY", "WAYLAND_DISPLAY", "XDG_RUNTIME_DIR"})
        environment.remove(name);
    process.setProcessEnvironment(environment);
    process.start(BINARY_DIR "/cli/gorsefinch-cli", words);
    if (!process.waitForFinished(60000) || process.exitStatus() != QProcess::NormalExit)
        return {-1, "it crashed or hung: " + process.readAllStandardError()};
    return {process.exitCode(), process.readAllStandardError()};
}

}  // namespace

class TestSameInputs : public QObject, public OnWindow {
    Q_OBJECT

    QTemporaryDir dir_;

  private Q_SLOTS:
    void initTestCase() {
        prepare();
        QVERIFY(open("kiln", 2));
    }
    void cleanupTestCase() { close(); }

    void pictures_data() {
        QTest::addColumn<QString>("path");
        QTest::addColumn<bool>("good");
        for (const char* kind : {"png", "jpeg", "bmp", "gif", "webp", "svg", "pnm", "xbm"})
            for (const QFileInfo& each : QDir(kSeeds + kind).entryInfoList(QDir::Files))
                QTest::newRow(qPrintable(each.fileName())) << each.filePath() << true;
        const auto made = [&](const char* name, const QByteArray& bytes) {
            QFile file(dir_.filePath(name));
            QVERIFY(file.open(QIODevice::WriteOnly));
            file.write(bytes);
            QTest::newRow(name) << file.fileName() << false;
        };
        made("words.png", "this is no picture");
        made("cut.png", bytesIn(kSeeds + "png/rgb.png").left(60));
        made("outside.svg",
             "<svg xmlns='http://www.w3.org/2000/svg' width='9' height='9'><image width='9' height='9' "
             "href='/etc/passwd'/></svg>");
        made("empty.gif", "");
    }

    void pictures() {
        QFETCH(QString, path);
        QFETCH(bool, good);
        const QString out = dir_.filePath("out.bin");
        QFile::remove(out);
        const Ran ran = commandLine({"image", path, "-o", out, "--format", "rgb888", "--size", "12x10", "--fit",
                                     "stretch", "--background", "#102030"});
        QVERIFY2(ran.code == (good ? 0 : 1), ran.error);
        const size_t before = session_->document().images->size();
        drop(window_->findChild<ImagesStation*>(), {path});
        if (!good) {
            QCOMPARE(session_->document().images->size(), before);
            const QString told = find<QLabel>("notice")->text();
            QVERIFY2(!told.isEmpty() && QString::fromUtf8(ran.error).contains(told),
                     qPrintable(told + " / " + ran.error));
            return;
        }
        QCOMPARE(session_->document().images->size(), before + 1);
        Image image = session_->document().images->back();
        image.recipe = {};
        image.recipe.width = 12;
        image.recipe.height = 10;
        image.recipe.fit = Fit::Stretch;
        image.recipe.reduction = Reduction::Nearest;
        image.recipe.background = opaque(0x102030);
        const auto baked = bakeForExport(session_->document(), image, PixelFormat::Rgb888, session_->images());
        QVERIFY2(baked.has_value(), baked ? "" : baked.error().text().c_str());
        const auto bytes = exportImage(**baked, {}, ".bin");
        QVERIFY(bytes.has_value());
        QVERIFY2(bytesIn(out).toStdString() == *bytes, "the window and the command line see another picture");
    }

    void faces_data() {
        QTest::addColumn<QString>("path");
        QTest::addColumn<bool>("good");
        for (const char* kind : {"outlines", "pcf", "bdf"})
            for (const QFileInfo& each : QDir(kSeeds + kind).entryInfoList(QDir::Files))
                QTest::newRow(qPrintable(each.fileName())) << each.filePath() << true;
        QFile file(dir_.filePath("words.ttf"));
        QVERIFY(file.open(QIODevice::WriteOnly));
        file.write("this is no face");
        QTest::newRow("words.ttf") << file.fileName() << false;
    }

    void faces() {
        QFETCH(QString, path);
        QFETCH(bool, good);
        const QString out = dir_.filePath("out.bdf");
        QFile::remove(out);
        const Ran ran = commandLine({"font", path, "--size", "16", "--bits", "1", "--all", "-o", out});
        QVERIFY2(ran.code == (good ? 0 : 1), ran.error);
        station(3);
        const size_t before = session_->document().faces->size();
        drop(window_->findChild<FontsStation*>(), {path});
        QCOMPARE(session_->document().faces->size(), before + (good ? 1 : 0));
        if (!good)
            QVERIFY(QString::fromUtf8(ran.error).contains(find<QLabel>("notice")->text()));
        else
            QVERIFY(bytesIn(out).startsWith("STARTFONT 2.1"));
    }
};

GORSEFINCH_TEST(TestSameInputs, Windows)
#include "tst_same_inputs.moc"
