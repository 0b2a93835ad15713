// SPDX-License-Identifier: GPL-3.0-or-later
// Texts that are too long for their box: those that end in dots look like the longest beginning that leaves room for
// them, written out.
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

    void aValueThatChangesIsRedrawn() {
        Document document =
            withTexts({words("{kiln_temp} degrees in the kiln", 100, {{"overflow", std::string("dots")}})});
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        // Dots are what the user chose, so the text is not reported as too long.
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
