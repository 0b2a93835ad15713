// SPDX-License-Identifier: GPL-3.0-or-later
// Inputs beyond the limits: rules, JSON, faces, pictures and recipes. Each error contains the limit, and accepted
// inputs take linear time.
#include <sys/resource.h>

#include <QElapsedTimer>
#include <QTemporaryDir>
#include <QtTest>

#include "core/base/files.h"
#include "core/base/json.h"
#include "core/document/names.h"
#include "core/edits/image_edits.h"
#include "core/font/baked_font.h"
#include "core/font/face_facts.h"
#include "core/image/baked_image.h"
#include "core/project/project_folder.h"
#include "core/scene/built_scene.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

CompiledRules compiled(const std::string& text) {
    const Document d =
        withRules(withVariable(addWidgets(makeDocument(), "first", {makeWidget("words", Kind::Text, 0, 0, 40, 20)}),
                               makeNumber("level", 0, 100, 0)),
                  "main", text);
    return compileRules(ProjectNames(d), *d.rules);
}

// How many times longer twice the input takes, the best of some tries.
double growth(const std::function<void(int size)>& work, int size) {
    double best = 1e9;
    for (int attempt = 0; attempt < 5; ++attempt) {
        QElapsedTimer clock;
        clock.start();
        work(size);
        const double one = static_cast<double>(clock.nsecsElapsed());
        clock.restart();
        work(size * 4);
        best = std::min(best, static_cast<double>(clock.nsecsElapsed()) / one);
    }
    return best;
}

std::string repeated(const std::string& piece, int times) {
    std::string out;
    for (int i = 0; i < times; ++i)
        out += piece;
    return out;
}

std::string bdf(const std::string& glyph) {
    return "STARTFONT 2.1\nFONT -a-b-c-d-e--8-80-72-72-p-50-iso10646-1\nSIZE 8 72 72\nFONTBOUNDINGBOX 8 8 0 "
           "0\nSTARTPROPERTIES 2\nFONT_ASCENT 8\nFONT_DESCENT 0\nENDPROPERTIES\nCHARS 1\n"
           "STARTCHAR A\nENCODING 65\nSWIDTH 500 0\nDWIDTH 8 0\n" +
           glyph + "ENDCHAR\nENDFONT\n";
}

}  // namespace

class TestInputBounds : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void anExpressionHasALimitOfTerms() {
        QVERIFY(compiled("on start\n    level = 1" + repeated(" + 1", 999) + "\n").problems.empty());
        const auto beyond = compiled("on start\n    level = 1" + repeated(" + 1", 1000) + "\n").problems;
        QVERIFY(hasErrors(beyond) && tells(beyond, "1000"));
        QElapsedTimer clock;
        clock.start();
        QVERIFY(hasErrors(compiled("on start\n    level = 1" + repeated(" + 1", 100000) + "\n").problems));
        QVERIFY2(clock.elapsed() < 1000, qPrintable(QString::number(clock.elapsed())));
    }

    void hooksTextsAndPropertiesHaveLimits() {
        const auto lines = [](const std::function<std::string(int)>& line, int count) {
            std::string out = "on start\n";
            for (int i = 0; i < count; ++i)
                out += "    " + line(i) + "\n";
            return out;
        };
        const auto hook = [](int i) { return "call hook_" + std::to_string(i) + "()"; };
        const auto text = [](int i) { return "words.text = \"text " + std::to_string(i) + "\""; };
        QVERIFY(compiled(lines(hook, 1000)).problems.empty());
        QVERIFY(tells(compiled(lines(hook, 1001)).problems, "1000 hooks"));
        QVERIFY(tells(compiled(lines(text, 10001)).problems, "10000 texts"));
        QElapsedTimer clock;
        clock.start();
        QVERIFY(hasErrors(compiled(lines(hook, 40000)).problems));
        QVERIFY(hasErrors(compiled(lines(text, 20000)).problems));
        QVERIFY2(clock.elapsed() < 4000, qPrintable(QString::number(clock.elapsed())));
        // More mistakes than anybody reads.
        QVERIFY(compiled(lines([](int) { return "nothing"; }, 50000)).problems.size() <= 1000);
    }

    void hooksTakeFourValues() {
        QVERIFY(compiled("on start\n    call burn(1, 2, 3, \"x\")\n").problems.empty());
        QVERIFY(tells(compiled("on start\n    call burn(1" + repeated(", 2", 40) + ")\n").problems, "four values"));
    }

    void codeBeyondItsPlacesIsTold() {
        const auto rules = compiled("on start\n" + repeated("    level = 1000 + 2000 * 3000\n", 6000));
        QVERIFY(tells(rules.problems, "65000 bytes"));
        QVERIFY(rules.code.size() <= 65000);
    }

    void codeOfAnimationsBeyondItsPlacesIsTold() {
        std::string value = "level";
        for (int i = 0; i < 60; ++i)
            value += " + level * 1000";
        const std::string ends = "    animate words.x from " + value + " to " + value + " in 1 s\n";
        const std::string then =
            "    animate words.x to 1 in 1 s\n" + repeated("    then level = " + value + "\n", 100);
        for (const std::string& lines : {ends, then}) {
            const auto few = compiled("on start\n" + lines);
            QVERIFY(!hasErrors(few.problems));
            QVERIFY(few.code.size() > 600);
            const auto many = compiled("on start\n" + repeated(lines, 200));
            QVERIFY(tells(many.problems, "65000 bytes"));
            QVERIFY(many.code.size() <= 65000);
        }
    }

    // More properties follow expressions than there is room for, some of them as a row places their widgets: told once.
    void propertiesBeyondTheirPlacesAreTold() {
        Document d = withVariable(makeDocument({"s0", "s1", "s2", "s3", "s4", "s5"}), makeYesNo("seen", true));
        for (const ScreenRef& screen : std::vector<ScreenRef>(d.screens)) {
            std::vector<Widget> all{makeWidget("row", Kind::Group, 0, 0, 200, 40, {{"flow", std::string("row")}})};
            for (int i = 0; i < 1999; ++i) {
                all.push_back(makeWidget("w" + std::to_string(i), Kind::Rectangle, 0, 0, 4, 4));
                all.back().depth = 1;
                all.back().expressions["visible"] = "seen";
            }
            d = addWidgets(d, screen->name, all);
        }
        const CompiledRules rules = compileRules(ProjectNames(d), *d.rules);
        QVERIFY(tells(rules.problems, "10000 properties"));
        QCOMPARE(rules.slots.size(), size_t{10000});
    }

    // What shares the room of a row follows one long expression, not one each.
    void longRowsStaySmall() {
        Document d = withVariable(makeDocument({"first"}), makeYesNo("seen", true));
        std::vector<Widget> all{makeWidget("row", Kind::Group, 0, 0, 4000, 40, {{"flow", std::string("row")}})};
        for (int i = 0; i < 600; ++i) {
            all.push_back(makeWidget("w" + std::to_string(i), Kind::Rectangle, 0, 0, 4, 4));
            all.back().depth = 1;
            all.back().anchors = "left right";
        }
        all[1].expressions["visible"] = "seen";
        d = addWidgets(d, "first", all);
        const CompiledRules rules = compileRules(ProjectNames(d), *d.rules);
        QVERIFY2(!hasErrors(rules.problems), rules.problems.empty() ? "" : rules.problems.front().text().c_str());
        QVERIFY2(rules.code.size() < 30000, qPrintable(QString::number(rules.code.size())));
    }

    void equalNamesTakeNoLongerThanOthers() {
        const auto work = [](int count) {
            std::vector<Widget> many(static_cast<size_t>(count), makeWidget("same", Kind::Rectangle, 0, 0, 4, 4));
            QCOMPARE(addWidgets(makeDocument(), "first", many).screens[0]->widgets.size(), static_cast<size_t>(count));
        };
        QVERIFY2(growth(work, 500) < 8, "four times as many take sixteen times as long");
        NameSet names;
        for (const char* expected : {"fire", "fire_2", "fire_3"})
            QCOMPARE(names.unique("fire"), std::string(expected));
        names.insert("fire_4");
        QCOMPARE(names.unique("fire_2"), std::string("fire_5"));
        QCOMPARE(names.unique("other"), std::string("other"));
    }

    void jsonHasLimits_data() {
        QTest::addColumn<QByteArray>("text");
        QTest::addColumn<QString>("limit");
        QTest::newRow("depth of lists") << QByteArray(100000, '[') << "60";
        QTest::newRow("depth of objects") << QByteArray("{\"a\":").repeated(100000) << "60";
        QByteArray keys = "{";
        for (int i = 0; i < 200000; ++i)
            keys += (i == 0 ? "\"" : ",\"") + QByteArray::number(i) + "\":0";
        QTest::newRow("keys") << keys + "}"
                              << "1000";
        QTest::newRow("values") << "[" + QByteArray("0,").repeated(2000000) + "0]"
                                << "1000000";
        QTest::newRow("bytes") << "\"" + QByteArray((16 << 20) + 1, 'x') + "\"" << QString::number(16 << 20);
    }

    void jsonHasLimits() {
        QFETCH(QByteArray, text);
        QFETCH(QString, limit);
        QElapsedTimer clock;
        clock.start();
        const auto json = parseJson("any.json", text.toStdString());
        QVERIFY(!json && json.error().file == "any.json");
        QVERIFY2(QString::fromStdString(json.error().text()).contains(limit), json.error().text().c_str());
        QVERIFY(clock.elapsed() < 2000);
    }

    // A glyph with a box and no bitmap, and other things that a face may say.
    void strangeGlyphs_data() {
        QTest::addColumn<QByteArray>("glyph");
        QTest::newRow("a box without a bitmap") << QByteArray("BBX 8 8 0 0\n");
        QTest::newRow("an empty bitmap") << QByteArray("BBX 8 8 0 0\nBITMAP\n");
        QTest::newRow("rows too short") << QByteArray("BBX 64 2 0 0\nBITMAP\nFF\nFF\n");
        QTest::newRow("far away") << QByteArray("BBX 8 8 32767 -32768\nBITMAP\nFF\n");
        QTest::newRow("a huge box") << QByteArray("BBX 65535 65535 0 0\nBITMAP\nFF\n");
        QTest::newRow("a negative box") << QByteArray("BBX -8 -8 0 0\nBITMAP\nFF\n");
    }

    void strangeGlyphs() {
        QFETCH(QByteArray, glyph);
        for (const int size : {8, 40, 200}) {
            FaceRequest request;
            request.size = size;
            request.bits = 1;
            const auto face =
                openFace(std::make_shared<const FileContents>(bdf(glyph.toStdString())), "fonts/any.bdf", request);
            if (!face)
                continue;
            const GlyphBitmap got = (*face)->glyph(U'A');
            QCOMPARE(got.coverage.size(), static_cast<size_t>(got.width) * static_cast<size_t>(got.height));
            QVERIFY(got.width <= 255 && got.height <= 255);
        }
    }

    void otherKindsOfFacesAreRefused() {
        for (const char* bytes : {"wOFF", "wOF2", "%!PS-AdobeFont", "", "\x1f\x8b", "MZ"}) {
            const auto facts = faceFacts(
                std::make_shared<const FileContents>(std::string(bytes) + std::string(100, 'x')), "fonts/any");
            QVERIFY2(!facts && facts.error().file == "fonts/any" && !facts.error().remedy.empty(), bytes);
        }
    }

    // Originals are held once, however many images name them or files hold them.
    void originalsAreShared() {
        const std::string picture = "P2 1 1 255 7\n" + std::string(1 << 20, ' ');
        std::string images;
        for (int i = 0; i < 3900; ++i)
            images += std::string(i == 0 ? "" : ",") + "{\"name\": \"i" + std::to_string(i) + "\", \"file\": \"" +
                      (i % 2 == 0 ? "one" : "two") + ".pgm\"}";
        int reads = 0;
        const ReadProject read = fromFiles([&](const std::string& path, size_t) -> Result<SharedBytes> {
            if (path == "gorsefinch.json")
                return SharedBytes("{\"gorsefinch\": 1, \"name\": \"p\", \"images\": [" + images + "]}");
            ++reads;
            return SharedBytes(picture);
        });
        QVERIFY(read.document);
        QCOMPARE(reads, 2);
        std::set<const FileContents*> held;
        for (const Image& each : *read.document->images)
            held.insert(each.original.get());
        QCOMPARE(held.size(), size_t{1});
    }

    // Large ones are mapped, so that the system can reclaim their memory; nothing that happens to their files affects
    // them.
    void largeOriginalsAreMapped() {
        QTemporaryDir dir;
        const std::filesystem::path folder = dir.path().toStdString();
        const std::string picture = "P2 1 1 255 7\n" + std::string(1 << 20, ' ');
        Disk disk;
        Document first = addImage(makeDocument(), "one.pgm", std::make_shared<const FileContents>(picture));
        first = addImage(first, "two.pgm", std::make_shared<const FileContents>(picture));
        first = addImage(first, "dot.pgm", std::make_shared<const FileContents>("P2 1 1 255 9\n"));
        QVERIFY(ProjectFolder(disk, folder).save(first));
        ProjectFolder owner(disk, folder);
        QVERIFY(owner.own());
        const ReadProject read = owner.open();
        QVERIFY(read.document && read.document->images->size() == 3);
        const Bytes one = read.document->images->at(0).original, two = read.document->images->at(1).original;
        QVERIFY(one->isMapped() && one == two && !read.document->images->at(2).original->isMapped());
        QVERIFY(owner.open().document->images->at(0).original == one);

        QFile cut(dir.filePath("images/one.pgm"));
        QVERIFY(cut.resize(0));
        QVERIFY(QFile::remove(dir.filePath("images/two.pgm")));
        one->unload();
        QVERIFY(one->text() == picture);
        const auto refused = owner.save(*read.document);
        QVERIFY(!refused && refused.error().code == kChangedOutside);
        owner.markSeen(owner.readTheirs());
        QVERIFY(owner.save(*read.document));
        for (const char* name : {"images/one.pgm", "images/two.pgm"})
            QCOMPARE(readFile(disk, folder / name, kMaxPictureFile).value_or(""), picture);
    }

    // Without a place for the unnamed file they stay in memory.
    void mappingCanFail() {
        const std::string large(FileContents::kMinMapped, 'x');
        rlimit before{};
        QCOMPARE(getrlimit(RLIMIT_NOFILE, &before), 0);
        rlimit none = before;
        none.rlim_cur = 0;
        QCOMPARE(setrlimit(RLIMIT_NOFILE, &none), 0);
        const Bytes bytes = FileContents::mapped(large);
        QCOMPARE(setrlimit(RLIMIT_NOFILE, &before), 0);
        QVERIFY(!bytes->isMapped() && bytes->text() == large);
        QVERIFY(FileContents::mapped(large)->isMapped());
    }

    void originalsHaveABudget() {
        std::string images;
        for (int i = 0; i < 9; ++i)
            images += std::string(i == 0 ? "" : ",") + "{\"name\": \"i" + std::to_string(i) + "\", \"file\": \"" +
                      std::to_string(i) + ".pgm\"}";
        const ReadProject read = fromFiles([&](const std::string& path, size_t maxBytes) -> Result<SharedBytes> {
            if (path == "gorsefinch.json")
                return SharedBytes("{\"gorsefinch\": 1, \"name\": \"p\", \"images\": [" + images + "]}");
            // 60 MB each, were there room.
            if (maxBytes < (size_t{60} << 20))
                return failure(path, "", "too large");
            return SharedBytes(path + std::string(size_t{60} << 20, ' '));
        });
        QVERIFY(read.document);
        QVERIFY(tells(read.problems, "512 MB"));
        QVERIFY(read.document->images->at(7).original && !read.document->images->at(8).original);
    }

    // A recipe that makes gigabytes of a small picture.
    void recipesHaveABudget() {
        Image image;
        image.name = "dot";
        image.file = "dot.pgm";
        image.original = std::make_shared<const FileContents>("P2 2 2 255 7 7 7 7\n");
        image.recipe.width = image.recipe.height = kMaxResultSide;
        for (int i = 0; i < 1000; ++i)
            image.recipe.frames.push_back({0, 100});
        ImageBakery bakery;
        const auto baked = bakery.bake(makeDocument(), image);
        QVERIFY(!baked && baked.error().text().find("megapixels") != std::string::npos);
        image.recipe.frames.resize(2);
        image.recipe.width = image.recipe.height = 64;
        QVERIFY(bakery.bake(makeDocument(), image).has_value());
    }
};

GORSEFINCH_TEST(TestInputBounds, Nothing)
#include "tst_input_bounds.moc"
