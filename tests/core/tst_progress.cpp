// SPDX-License-Identifier: GPL-3.0-or-later
// Long work on a picture reports its progress, and can be cancelled at every step.
#include <QtTest>
#include <random>

#include "core/edits/image_edits.h"
#include "core/image/baked_image.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

// Grain, so that the file is long enough to be read in parts.
Picture grain(int width, int height) {
    std::mt19937 random(2);
    Picture out = makePicture(width, height);
    for (uint32_t& pixel : out.pixels)
        pixel = 0xff000000u | (random() & 0xffffff);
    return out;
}

struct Told {
    Step step;
    double done;
};

}  // namespace

class TestProgress : public QObject {
    Q_OBJECT

    std::string file_;
    Document document_;
    Image image_;

  private Q_SLOTS:
    void initTestCase() {
        file_ = encodePng(grain(400, 300));
        document_ = addImage(makeDocument(), "grain.png", std::make_shared<const FileContents>(file_));
        image_ = document_.images->front();
        image_.recipe.width = 60;
    }

    void readingIsFollowed() {
        std::vector<double> told;
        QVERIFY(decodeOriginal(file_, "grain.png", 1, [&](Step step, double done) {
            told.push_back(done);
            return step == Step::Decode;
        }));
        QVERIFY(told.size() > 10);
        QVERIFY(std::is_sorted(told.begin(), told.end()));
        QVERIFY(told.front() < 0.1 && told.back() > 0.9 && told.back() <= 1);
    }

    void readingCanBeGivenUpAnywhere() {
        for (const int after : {0, 1, 5, 20}) {
            int heard = 0;
            const auto original = decodeOriginal(file_, "grain.png", 1, [&](Step, double) { return heard++ < after; });
            QVERIFY(!original);
            QVERIFY2(original.error().text().find("cancelled") != std::string::npos, original.error().text().c_str());
        }
    }

    void bakingTellsItsSteps() {
        std::vector<Told> told;
        ImageBakery bakery;
        bakery.watch([&](Step step, double done) {
            told.push_back({step, done});
            return true;
        });
        QVERIFY(bakery.bake(document_, image_));
        QVERIFY(std::is_sorted(told.begin(), told.end(), [](const Told& a, const Told& b) {
            return static_cast<int>(a.step) < static_cast<int>(b.step);
        }));
        for (const Step step : {Step::Decode, Step::Shape, Step::Reduce})
            QVERIFY(std::any_of(told.begin(), told.end(), [&](const Told& each) { return each.step == step; }));
        // What is known already is not made again.
        told.clear();
        QVERIFY(bakery.bake(document_, image_));
        QVERIFY(told.empty());
    }

    void bakingCanBeGivenUpAtEachStep() {
        for (const Step at : {Step::Decode, Step::Shape, Step::Reduce}) {
            ImageBakery bakery;
            bakery.watch([&](Step step, double) { return step != at; });
            const auto baked = bakery.bake(document_, image_);
            QVERIFY(!baked);
            QCOMPARE(baked.error().file, std::string("images/grain.png"));
            // Nothing half made is kept.
            QVERIFY(!bakery.known(document_, image_));
            bakery.watch({});
            const auto whole = bakery.bake(document_, image_);
            QVERIFY(whole && (*whole)->width == 60);
        }
    }

    // A series counts file by file.
    void aSeriesIsFollowedThroughAllFiles() {
        Image series = image_;
        for (int i = 0; i < 3; ++i)
            series.more.push_back({"grain" + std::to_string(i) + ".png", image_.original});
        double last = 0, max = 0;
        int back = 0;
        QVERIFY(decodeFrames(series, [&](Step, double done) {
            back += done < last ? 1 : 0;
            last = done;
            max = std::max(max, done);
            return true;
        }));
        QCOMPARE(back, 0);
        QVERIFY(max > 0.95 && max <= 1);
    }

    void pixelsAreToldWithoutReading() {
        QCOMPARE(declaredPixels(file_), int64_t{400} * 300);
        QCOMPARE(declaredPixels("no picture"), int64_t{0});
        QCOMPARE(declaredPixels(""), int64_t{0});
        // A PNG whose chunk claims more bytes than there are is cut off: nothing is read from it.
        Disk disk;
        for (const char* name : {"chunk_of_gigabytes", "chunk_of_gigabytes_in_the_size"}) {
            const auto cut = readFile(disk, std::string(SOURCE_DIR "/tests/fuzz/findings/png/") + name + ".png", 10000);
            QVERIFY(cut && !cut->empty());
            QCOMPARE(declaredPixels(*cut), int64_t{0});
        }
        QCOMPARE(declaredPixels("P5 30 20 255\n"), int64_t{600});
    }
};

GORSEFINCH_TEST(TestProgress, Windows)
#include "tst_progress.moc"
