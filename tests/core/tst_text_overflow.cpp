// SPDX-License-Identifier: GPL-3.0-or-later
// Texts that are too long for their box: those that end in dots look like the longest beginning that leaves room for
// them, written out; those that shrink like the same text in the largest of the project's sizes that has room.
#include <QtTest>

#include "core/edits/edit.h"
#include "core/sim/twin.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

// The kiln's panel and faces with one screen.
Document withTexts(std::vector<Widget> widgets) {
    static const Document document = addScreen(openKiln(), -1, "words");
    return addWidgets(document, "words", std::move(widgets));
}

Widget words(const std::string& text, int w, PropertyMap properties = {}) {
    properties["text"] = text;
    properties["font"] = std::string("regular");
    properties["size"] = int64_t{16};
    properties["colour"] = opaque(0xFFFFFF);
    return makeWidget("words", Kind::Text, 20, 20, w, 50, std::move(properties));
}

// One builder, which keeps what the documents have in common.
Picture shown(const Document& document, long bytes = 0) {
    static SceneBuilder builder;
    Twin twin(builder.build(document), Twin::View::Upright, bytes);
    twin.go(0);
    twin.step(0);
    return twin.memory().picture();
}

// The rightmost column that is lit, or -1.
int lastLit(const Picture& picture) {
    const uint32_t ground = picture.at(0, 0);
    for (int x = picture.width - 1; x >= 0; --x)
        for (int y = 0; y < picture.height; ++y)
            if (picture.at(x, y) != ground)
                return x;
    return -1;
}

}  // namespace

class TestTextOverflow : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void dotsStandBehindWhatFits() {
        const std::string all = "Wait for the AVATAR To cool";
        const PropertyMap dots{{"overflow", std::string("dots")}};
        for (int w = 12; w <= 240; w += 17) {
            const Picture picture = shown(withTexts({words(all, w, dots)}));
            QCOMPARE(shown(withTexts({words(all, w, dots)}), 320 * 2 * 3).pixels, picture.pixels);
            int same = 0;
            for (size_t n = 0; n <= all.size(); ++n) {
                const std::string cut = n == all.size() ? all : all.substr(0, n) + "...";
                same += shown(withTexts({words(cut, w)})).pixels == picture.pixels ? 1 : 0;
            }
            QVERIFY2(same >= 1, qPrintable(QString::number(w)));
            QVERIFY(lastLit(picture) < 20 + std::max(w, 18));
        }
    }

    // Not one character more has room.
    void asMuchAsFitsIsShown() {
        const std::string all = "Elapsed since the start";
        int before = -1;
        for (int w = 30; w <= 150; ++w) {
            const Picture picture = shown(withTexts({words(all, w, {{"overflow", std::string("dots")}})}));
            const int last = lastLit(picture);
            QVERIFY2(last >= before - 3, qPrintable(QString("%1: %2 after %3").arg(w).arg(last).arg(before)));
            // A character and the dots' own room at most are left.
            QVERIFY2(last + 16 >= 20 + w || shown(withTexts({words(all, w)})).pixels == picture.pixels,
                     qPrintable(QString("%1: %2").arg(w).arg(last)));
            before = last;
        }
    }

    void eachLineHasItsOwn() {
        const PropertyMap dots{{"overflow", std::string("dots")}};
        const Picture picture = shown(withTexts({words("short\nmuch longer than that", 90, dots)}));
        const Picture cut = shown(withTexts({words("short\nmuch lon...", 90)}));
        const Picture longer = shown(withTexts({words("short\nmuch long...", 90)}));
        QVERIFY(picture.pixels == cut.pixels || picture.pixels == longer.pixels);
        QVERIFY(shown(withTexts({words("short\nlines", 90, dots)})).pixels ==
                shown(withTexts({words("short\nlines", 90)})).pixels);
    }

    // The kiln's texts in that face have 12, 14, 16 and 20 pixels; those below 16 are tried.
    void aSmallerSizeIsTaken() {
        const std::string all = "Wait for the kiln to cool";
        const PropertyMap shrink{{"overflow", std::string("shrink")}};
        std::set<int> sizes;
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(withTexts({words(all, 100)}));
        for (const FontRef& font : scene->fonts)
            if (font->key().face == "regular" && font->key().size <= 16)
                sizes.insert(font->key().size);
        QVERIFY(sizes.size() >= 3);
        const std::vector<int> tried(std::prev(sizes.end(), 3), sizes.end());
        std::set<int> taken;
        for (int w = 60; w <= 240; w += 4) {
            const Picture picture = shown(withTexts({words(all, w, shrink)}));
            QCOMPARE(shown(withTexts({words(all, w, shrink)}), 320 * 2 * 3).pixels, picture.pixels);
            // The largest in which its end is seen in a box without an end is the one.
            int size = tried.front();
            for (const int each : tried) {
                Widget wide = words(all, 290);
                wide.properties["size"] = int64_t{each};
                if (lastLit(shown(withTexts({wide}))) < 20 + w - 1)
                    size = each;
            }
            Widget same = words(all, w);
            same.properties["size"] = int64_t{size};
            QVERIFY2(shown(withTexts({same})).pixels == picture.pixels, qPrintable(QString::number(w)));
            taken.insert(size);
        }
        QCOMPARE(taken.size(), tried.size());
    }

    // Sizes that come and go elsewhere in the project are taken and left.
    void sizesAreThoseOfTheProject() {
        Document document = addScreen(makeDocument(), -1, "words");
        document = withPanelOf(document, PixelFormat::Grey8, 0, 320, 100);
        Disk disk;
        std::string face;
        document = addFace(document, "face.otf",
                           std::make_shared<const FileContents>(
                               *readFile(disk, examplePath("kiln/fonts/B612-Regular.otf"), kMaxFaceFile)),
                           &face);
        const auto text = [&](const char* name, int y, int w, int size, const char* overflow) {
            return makeWidget(name, Kind::Text, 10, y, w, 30,
                              {{"text", std::string("Bisque is done")},
                               {"font", face},
                               {"size", int64_t{size}},
                               {"colour", opaque(0xFFFFFF)},
                               {"overflow", std::string(overflow)}});
        };
        document = addWidgets(document, "words", {text("shrinks", 10, 70, 24, "shrink")});
        const Document alone = document;
        const Document cut = changeWidgets(document, "words", Names{"shrinks"},
                                           [](Widget& widget) { widget.properties["overflow"] = std::string("cut"); });
        SceneBuilder builder;
        const auto frame = [&](const Document& shownNow) {
            Twin twin(builder.build(shownNow), Twin::View::Upright);
            twin.go(1);
            twin.step(0);
            Picture all = twin.memory().picture();
            all.pixels.resize(static_cast<size_t>(320) * 45);  // without the other text
            return all.pixels;
        };
        QCOMPARE(frame(alone), frame(cut));
        const Document withSmall = addWidgets(alone, "first", {text("small", 60, 200, 9, "cut")});
        const Document small = changeWidgets(cut, "words", Names{"shrinks"},
                                             [](Widget& widget) { widget.properties["size"] = int64_t{9}; });
        QCOMPARE(frame(withSmall), frame(small));
        QCOMPARE(frame(alone), frame(cut));
        // Too long even so: reported with the width that it has then.
        const Document tooLong = changeWidgets(withVariable(withSmall, makeNumber("level", 0, 9, 0)), "words",
                                               Names{"shrinks"}, [](Widget& widget) {
                                                   widget.w = 20;
                                                   widget.properties["text"] = std::string("level {level}");
                                               });
        const BuiltSceneRef scene = builder.build(tooLong);
        QVERIFY(std::any_of(scene->problems.begin(), scene->problems.end(), [](const Problem& each) {
            return each.widget == "shrinks" && each.reason.find("there is room for 20") != std::string::npos;
        }));
    }

    void aValueThatChangesIsRedrawn_data() {
        QTest::addColumn<QString>("overflow");
        QTest::newRow("dots") << "dots";
        QTest::newRow("shrink") << "shrink";
    }
    void aValueThatChangesIsRedrawn() {
        QFETCH(QString, overflow);
        Document document =
            withTexts({words("{kiln_temp} degrees in the kiln", 200, {{"overflow", overflow.toStdString()}})});
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        // Dots are what the user chose, and a smaller size has room: the text is not reported as too long.
        for (const Problem& each : scene->problems)
            QVERIFY(each.widget != "words");
        Twin twin(scene);
        twin.go(0);
        uint32_t now = 0;
        for (const char* value : {"1043", "7", "888", "12"}) {
            QVERIFY(twin.set("kiln_temp", value).has_value());
            twin.step(now += 10);
            const Picture picture = twin.memory().picture();
            gorse_redraw(twin.run());
            twin.step(now);
            QCOMPARE(twin.memory().picture().pixels, picture.pixels);
        }
    }
};

GORSEFINCH_TEST(TestTextOverflow, Nothing)
#include "tst_text_overflow.moc"
