// SPDX-License-Identifier: GPL-3.0-or-later
// Boxes that fit what they show or fill what holds them, and screens whose panel gets another size.
#include <QtTest>

#include "core/edits/align.h"
#include "core/edits/panel_size.h"
#include "core/scene/content_size.h"
#include "core/sim/draw_screen.h"
#include "tests/support/kiln_face.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

std::vector<int> boxOf(const Document& document, size_t number) {
    const Widget& w = *document.screens[0]->widgets[number];
    return {w.x, w.y, w.w, w.h};
}

std::optional<ContentSize> sizeOf(const Document& document, size_t widget) {
    SceneBuilder builder;
    return contentSizeOf(*builder.build(document), 0, widget);
}

Document withSize(const Document& document, int w, int h, PanelResize how) {
    Panel panel = *document.panel;
    panel.width = w;
    panel.height = h;
    return withPanelSize(document, panel, how);
}

}  // namespace

class TestSizes : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    // The text fits into its box to the pixel: no row or column less would do.
    void textsFitToThePixel() {
        for (const char* words : {"Wide", "two\nlines", "i"}) {
            Document d = withText(words);
            const auto size = sizeOf(d, 0);
            QVERIFY(size);
            d = changeWidgets(d, "first", Names{"words"}, [&](Widget& w) { setBox(w, 4, 4, size->w, size->h); });
            SceneBuilder builder;
            const Picture fitted = drawScreen(*builder.build(d), 0).picture();
            const Document roomy =
                changeWidgets(d, "first", Names{"words"}, [&](Widget& w) { setBox(w, 4, 4, 300, 200); });
            SceneBuilder other;
            const Picture whole = drawScreen(*other.build(roomy), 0).picture();
            int most = 0;
            for (int y = 0; y < 240; ++y)
                for (int x = 0; x < 320; ++x)
                    if ((whole.at(x, y) & 0xffffff) != 0)
                        most = std::max(most, x);
            QVERIFY2(most < 4 + size->w && most >= 4 + size->w - 4, words);
            QVERIFY((fitted.at(most, 4) & 0xff000000) == 0xff000000);
        }
    }

    void whatChangesCountsAtItsWidest() {
        Document d = withText("{level}");
        d = withVariable(d, makeNumber("level", 0, 1000, 5));
        const auto size = sizeOf(d, 0);
        const auto four = sizeOf(withText("0000"), 0);
        QVERIFY(size && four);
        QCOMPARE(*size, *four);
        // Broken into lines by the box: the box says how wide.
        d = changeWidgets(withText("some words"), "first", Names{"words"},
                          [](Widget& w) { w.properties["wrap"] = true; });
        QVERIFY(!sizeOf(d, 0));
    }

    void bordersPaddingImagesAndGroups() {
        Document d = withText("Wide");
        const auto bare = sizeOf(d, 0);
        d = changeWidgets(d, "first", Names{"words"}, [](Widget& w) {
            w.properties["padding"] = int64_t{5};
            w.properties["border_width"] = int64_t{2};
        });
        QCOMPARE(sizeOf(d, 0)->w, bare->w + 14);
        QCOMPARE(sizeOf(d, 0)->h, bare->h + 14);
        d = addWidgets(d, "first",
                       {makeWidget("group", Kind::Group, 0, 0, 10, 10), makeWidget("none", Kind::Group, 0, 0, 9, 9)});
        d = addWidgets(d, "first", {makeWidget("inner", Kind::Disc, 5, 6, 30, 20)}, nullptr, "group");
        QCOMPARE(*sizeOf(d, 1), (ContentSize{35, 26}));
        QVERIFY(!sizeOf(d, 2) && !sizeOf(d, 3));
    }

    void containersAreFilled() {
        Document d = makeDocument();
        d = addWidgets(
            d, "first",
            {makeWidget("group", Kind::Group, 100, 80, 60, 40), makeWidget("own", Kind::Disc, 5, 6, 30, 20)});
        d = addWidgets(d, "first", {makeWidget("inner", Kind::Disc, 5, 6, 30, 20)}, nullptr, "group");
        const Document filled = fillContainers(d, "first", Names{"inner", "own"});
        QCOMPARE(boxOf(filled, 1), (std::vector<int>{0, 0, 60, 40}));
        QCOMPARE(boxOf(filled, 2), (std::vector<int>{0, 0, 320, 240}));
        const Document placed = placeBoxes(d, "first", {{"inner", {110, 90, 120, 95}}, {"nobody", {}}});
        QCOMPARE(boxOf(placed, 1), (std::vector<int>{10, 10, 10, 5}));
    }

    void anotherPanelSize() {
        Document d = withText("words", 20);
        Widget right = makeWidget("right", Kind::Rectangle, 280, 10, 30, 20);
        right.anchors = "right top";
        d = addWidgets(
            d, "first",
            {right, makeWidget("line", Kind::Line, 0, 100, 101, 21, {{"points", PointList{{0, 0}, {100, 20}}}})});
        Look look;
        look.name = "card";
        look.style["size"] = int64_t{30};
        look.states["pressed"]["size"] = int64_t{32};
        d = withLook(d, look);
        const Document kept = withSize(d, 480, 272, PanelResize::Keep);
        QCOMPARE(kept.panel->width, 480);
        QCOMPARE(kept.screens, d.screens);
        const Document held = withSize(d, 480, 272, PanelResize::FollowEdges);
        QCOMPARE(boxOf(held, 1), (std::vector<int>{440, 10, 30, 20}));
        QCOMPARE(boxOf(held, 0), boxOf(d, 0));
        const Document scaled = withSize(d, 640, 360, PanelResize::Scale);
        QCOMPARE(boxOf(scaled, 1), (std::vector<int>{560, 15, 60, 30}));
        QCOMPARE(boxOf(scaled, 2), (std::vector<int>{0, 150, 202, 32}));
        QCOMPARE(std::get<PointList>(scaled.screens[0]->widgets[2]->properties.at("points")).back().x, 200);
        QCOMPARE(std::get<int64_t>(scaled.screens[0]->widgets[0]->properties.at("size")), int64_t{30});
        QCOMPARE(std::get<int64_t>(scaled.looks->front().style.at("size")), int64_t{45});
        QCOMPARE(std::get<int64_t>(scaled.looks->front().states.at("pressed").at("size")), int64_t{48});
        // The same size: nothing but the panel.
        QCOMPARE(withSize(d, 320, 240, PanelResize::Scale).screens, d.screens);
        // However small, there is something of everything.
        const Document tiny = withSize(d, 8, 8, PanelResize::Scale);
        for (const WidgetRef& each : tiny.screens[0]->widgets)
            QVERIFY(each->w >= 1 && each->h >= 1);
        QCOMPARE(std::get<int64_t>(tiny.screens[0]->widgets[0]->properties.at("size")), int64_t{kMinScaledText});
    }

    // What touches touches still.
    void scaledNeighboursStayNeighbours() {
        Document d = makeDocument();
        for (int i = 0; i < 16; ++i)
            d = addWidgets(d, "first", {makeWidget("w", Kind::Rectangle, i * 20, i * 15, 20, 15)});
        for (const int width : {100, 237, 333, 640, 799}) {
            const Document scaled = withSize(d, width, width * 3 / 4, PanelResize::Scale);
            const auto& widgets = scaled.screens[0]->widgets;
            for (size_t i = 1; i < widgets.size(); ++i) {
                QCOMPARE(widgets[i]->x, widgets[i - 1]->x + widgets[i - 1]->w);
                QCOMPARE(widgets[i]->y, widgets[i - 1]->y + widgets[i - 1]->h);
            }
        }
    }
};

GORSEFINCH_TEST(TestSizes, Nothing)
#include "tst_sizes.moc"
