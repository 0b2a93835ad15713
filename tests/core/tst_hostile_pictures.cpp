// SPDX-License-Identifier: GPL-3.0-or-later
// Thousands of damaged pictures of each kind: an error or a picture, never a crash, never gigabytes.
#include <sys/resource.h>

#include <QBuffer>
#include <QElapsedTimer>
#include <QImage>
#include <QLoggingCategory>
#include <QtTest>

#include "core/image/picture.h"
#include "core/image/runs.h"
#include "tests/support/gif.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kMutations = 3000;

std::string saved(const char* format) {
    QImage image(24, 18, QImage::Format_ARGB32);
    for (int y = 0; y < 18; ++y)
        for (int x = 0; x < 24; ++x)
            image.setPixel(x, y, qRgba(x * 10, y * 13, x * y % 256, 255 - x * 4));
    QByteArray data;
    QBuffer buffer(&data);
    buffer.open(QIODevice::WriteOnly);
    image.save(&buffer, format);
    return data.toStdString();
}

std::string animation() {
    GifWriter gif(12, 9, {0x000000, 0xff0000, 0x00ff00});
    for (int f = 0; f < 3; ++f)
        gif.add({f, f, 6, 5, std::vector<uint8_t>(30, static_cast<uint8_t>(f)), 4, f, 0});
    return gif.finish();
}

class Random {
  public:
    explicit Random(uint32_t seed) : state_(seed) {}
    uint32_t operator()(uint32_t below) {
        state_ = state_ * 1664525u + 1013904223u;
        return (state_ >> 8) % below;
    }

  private:
    uint32_t state_;
};

std::string damaged(std::string bytes, Random& random) {
    for (uint32_t n = 1 + random(4); n-- > 0 && !bytes.empty();) {
        const size_t at = random(static_cast<uint32_t>(bytes.size()));
        switch (random(5)) {
            case 0: bytes[at] = static_cast<char>(random(256)); break;
            case 1: bytes[at] = static_cast<char>(random(2) != 0 ? 0xff : 0x00); break;
            case 2: bytes.erase(at, 1 + random(8)); break;
            case 3: bytes.insert(at, std::string(1 + random(8), static_cast<char>(random(256)))); break;
            default: bytes.resize(at); break;
        }
    }
    return bytes;
}

long peakMegabytes() {
    rusage usage{};
    getrusage(RUSAGE_SELF, &usage);
    return usage.ru_maxrss / 1024;
}

}  // namespace

class TestHostilePictures : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void initTestCase() { QLoggingCategory::setFilterRules("*=false"); }

    void damagedFiles_data() {
        QTest::addColumn<QByteArray>("whole");
        for (const char* format : {"png", "jpg", "bmp", "ppm", "pgm", "pbm", "xbm", "webp"})
            QTest::newRow(format) << QByteArray::fromStdString(saved(format));
        QTest::newRow("gif") << QByteArray::fromStdString(animation());
        QTest::newRow("svg") << QByteArray(
            "<svg xmlns='http://www.w3.org/2000/svg' width='20' height='10'><g transform='scale(2)'>"
            "<path d='M1 1 L9 2 C3 4 5 6 7 8 Z' fill='#f00' stroke-width='2'/><circle cx='4' cy='4' r='3'/></g></svg>");
    }

    void damagedFiles() {
        QFETCH(QByteArray, whole);
        QVERIFY(!whole.isEmpty());
        QVERIFY(decodeOriginal(whole.toStdString(), "whole").has_value());
        const long before = peakMegabytes();
        Random random(static_cast<uint32_t>(whole.size()));
        int pictures = 0;
        for (int i = 0; i < kMutations; ++i) {
            const auto original = decodeOriginal(damaged(whole.toStdString(), random), "images/damaged");
            if (original) {
                ++pictures;
                int64_t pixels = 0;
                for (const Picture& each : original->frames) {
                    QCOMPARE(each.pixels.size(), static_cast<size_t>(each.width) * static_cast<size_t>(each.height));
                    pixels += static_cast<int64_t>(each.pixels.size());
                }
                QVERIFY(pixels <= kMaxPixels && !original->frames.empty() &&
                        original->ms.size() == original->frames.size());
            } else {
                QVERIFY(original.error().file == "images/damaged" && !original.error().remedy.empty());
            }
        }
        QVERIFY(pictures < kMutations);
        QVERIFY2(peakMegabytes() - before < 1500, qPrintable(QString("%1 MB").arg(peakMegabytes() - before)));
    }

    void damagedRuns() {
        std::vector<uint8_t> plain(40 * 12);
        for (size_t i = 0; i < plain.size(); ++i)
            plain[i] = static_cast<uint8_t>(i / 7);
        const RunBytes packed = packedByRuns(plain, 40, 1, 8);
        Random random(9);
        for (int i = 0; i < kMutations; ++i) {
            RunBytes broken = packed;
            const std::string bytes = damaged(std::string(broken.bytes.begin(), broken.bytes.end()), random);
            broken.bytes.assign(bytes.begin(), bytes.end());
            const auto back = unpackedRuns(broken, 40, 1, 12);
            QVERIFY(!back || back->size() == plain.size());
        }
    }
};

GORSEFINCH_TEST(TestHostilePictures, EventLoop)
#include "tst_hostile_pictures.moc"
