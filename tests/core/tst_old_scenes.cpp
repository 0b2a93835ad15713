// SPDX-License-Identifier: GPL-3.0-or-later
// A built scene is a value: it draws and generates the same after any number of later edits, and after its builder is
// gone.
#include <QtTest>

#include "core/edits/edit.h"
#include "core/edits/font_edits.h"
#include "core/edits/image_edits.h"
#include "core/emit/generate.h"
#include "core/sim/draw_screen.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"
#include "tests/support/every_image.h"

using namespace gorsefinch;
using namespace support;

namespace {

// Everything that a scene shows and generates.
struct Shown {
    std::vector<std::vector<uint8_t>> screens;
    std::map<std::string, std::string> files;
    friend bool operator==(const Shown&, const Shown&) = default;
};

Shown shown(const BuiltScene& scene) {
    Shown out;
    for (size_t i = 0; i < scene.document.screens.size(); ++i)
        out.screens.push_back(drawScreen(scene, static_cast<int>(i)).bytes());
    for (const auto& [path, text] : generateCode(scene).files)
        out.files[path] = text;
    return out;
}

using Edit = std::function<Document(const Document&)>;

Document withWords(const Document& d, const char* words) {
    return *setProperty(d, "alarm", Names{"title_text"}, "text", std::string(words));
}

Document withRecipe(const Document& d, const char* name, const std::function<void(Recipe&)>& change) {
    Image image = *d.image(name);
    change(image.recipe);
    return withImage(d, image);
}

Document withSettings(const Document& d, const std::function<void(FontSettings&)>& change) {
    Face face = d.faces->front();
    change(face.defaults);
    for (FontSize& each : face.sizes)
        change(each.settings);
    return withFace(d, face);
}

// Each changes what scenes share: glyphs, settings of fonts, looks, images and where they lie outside, faces.
const std::vector<Edit>& edits() {
    static const std::vector<Edit> all = {
        [](const Document& d) { return withWords(d, "Zebra ÄÖ %#"); },
        [](const Document& d) { return withWords(d, "x"); },
        [](const Document& d) { return withSettings(d, [](FontSettings& s) { s.gamma = 160; }); },
        [](const Document& d) { return withSettings(d, [](FontSettings& s) { s.letter = 3; }); },
        [](const Document& d) { return withRecipe(d, "far", [](Recipe& r) { r.width = 90; }); },
        [](const Document& d) { return withRecipe(d, "far_packed", [](Recipe& r) { r.outside = false; }); },
        [](const Document& d) {
            return *setProperty(d, "status", Names{"hold_button"}, "fill", PropertyValue(opaque(0x8800ff)));
        },
        [](const Document& d) { return removeWidgets(d, "pictures", Names{"far_image"}); },
        [](const Document& d) {
            std::string name;
            const Document next = addFace(d, "again.otf", d.faces->back().original, &name);
            return *setProperty(next, "alarm", Names{"title_text"}, "font", name);
        },
        [](const Document& d) { return withPanelOf(d, PixelFormat::Rgb332); },
    };
    return all;
}

}  // namespace

class TestOldScenes : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void aSceneStaysAsItIs() {
        auto builder = std::make_unique<SceneBuilder>();
        Document document = withEveryImage();
        std::vector<BuiltSceneRef> scenes{builder->build(document)};
        QVERIFY(!scenes[0]->outside.empty());
        std::vector<Shown> before{shown(*scenes[0])};
        QVERIFY(before[0].files.size() > 5);
        for (const Edit& edit : edits()) {
            document = edit(document);
            scenes.push_back(builder->build(document));
            before.push_back(shown(*scenes.back()));
            // Each edit changes something that is seen.
            QVERIFY2(!(before.back() == before[before.size() - 2]), qPrintable(QString::number(before.size() - 1)));
        }
        for (size_t i = 0; i < scenes.size(); ++i)
            QVERIFY2(shown(*scenes[i]) == before[i], qPrintable(QString("scene %1").arg(i)));
        builder.reset();
        for (size_t i = 0; i < scenes.size(); ++i)
            QVERIFY2(shown(*scenes[i]) == before[i], qPrintable(QString("scene %1 without its builder").arg(i)));
    }

    // What is built after other edits is what is built from nothing.
    void aSceneAfterEditsIsOneFromNothing() {
        SceneBuilder builder;
        Document document = withEveryImage();
        (void)builder.build(document);
        for (const Edit& edit : edits()) {
            document = edit(document);
            QVERIFY(shown(*builder.build(document)) == shown(*SceneBuilder().build(document)));
        }
    }
};

GORSEFINCH_TEST(TestOldScenes, Nothing)
#include "tst_old_scenes.moc"
