// SPDX-License-Identifier: GPL-3.0-or-later
// Widgets in containers, in containers: drawn in strips as a slow reference draws whole layers.
#include <QtTest>

#include "core/sim/twin.h"
#include "runtime/gorse_format_channels.h"
#include "tests/support/built_scene.h"
#include "tests/support/random_tree.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kTreeWidth = RandomTree::kWidth, kTreeHeight = RandomTree::kHeight;

struct Box {
    int x0 = 0, y0 = 0, x1 = kTreeWidth, y1 = kTreeHeight;
    bool holds(int x, int y) const { return x >= x0 && x < x1 && y >= y0 && y < y1; }
    Box cut(const Box& by) const {
        return {std::max(x0, by.x0), std::max(y0, by.y0), std::min(x1, by.x1), std::min(y1, by.y1)};
    }
};

// Red, green and blue of each pixel.
using Layer = std::vector<uint8_t>;

int wholeOf(const Widget& widget, const char* key) {
    const auto found = widget.properties.find(key);
    return found == widget.properties.end() ? 0 : static_cast<int>(std::get<int64_t>(found->second));
}

class Reference {
  public:
    explicit Reference(const Screen& screen) : widgets_(screen.widgets), layer_(size_t{3} * kTreeWidth * kTreeHeight) {
        fill({}, {}, screen.background);
        draw(0, widgets_.size(), {}, 0, 0);
    }

    const Layer& layer() const { return layer_; }

  private:
    void fill(const Box& box, const Box& clip, Colour colour) {
        for (int y = 0; y < kTreeHeight; ++y)
            for (int x = 0; x < kTreeWidth; ++x)
                if (box.holds(x, y) && clip.holds(x, y))
                    for (int i = 0; i < 3; ++i)
                        layer_[static_cast<size_t>((y * kTreeWidth + x) * 3 + i)] =
                            static_cast<uint8_t>(colour.argb >> (16 - 8 * i));
    }

    void box(const Widget& widget, const Box& at, const Box& clip) {
        const auto colour = [&](const char* key) {
            const auto found = widget.properties.find(key);
            return found == widget.properties.end() ? Colour{0} : std::get<Colour>(found->second);
        };
        // A box is never narrower than its borders.
        const int width = std::min(wholeOf(widget, "border_width"), std::min(widget.w, widget.h) / 2);
        if (width != 0 && colour("border").argb != 0)
            fill(at, clip, colour("border"));
        const bool framed = width != 0 && colour("border").argb != 0;
        const int inset = framed ? width : 0;
        const Box inner{at.x0 + inset, at.y0 + inset, at.x1 - inset, at.y1 - inset};
        if (colour("fill").argb != 0)
            fill(inner, clip, colour("fill"));
    }

    void draw(size_t begin, size_t end, const Box& clip, int x, int y) {
        for (size_t i = begin; i < end; i = endOf(widgets_, i)) {
            const Widget& widget = *widgets_[i];
            if (!widget.visible || widget.opacity == 0)
                continue;
            const Box at{x + widget.x, y + widget.y, x + widget.x + widget.w, y + widget.y + widget.h};
            const Layer before = layer_;
            box(widget, at, clip);
            if (widget.kind != Kind::Group)
                continue;
            const auto clips = widget.properties.find("clip");
            const bool cuts = clips != widget.properties.end() && std::get<bool>(clips->second);
            draw(i + 1, endOf(widgets_, i), cuts ? clip.cut(at) : clip, at.x0 - wholeOf(widget, "pan_x"),
                 at.y0 - wholeOf(widget, "pan_y"));
            for (size_t k = 0; k < layer_.size(); ++k)
                layer_[k] = gorse_mix_channel(layer_[k], before[k], static_cast<uint8_t>(255 - widget.opacity));
        }
    }

    const std::vector<WidgetRef>& widgets_;
    Layer layer_;
};

// Borders have fills of their own in the reference: only such that lie on one.
Document withFilledBorders(Document document) {
    Screen screen = *document.screens.front();
    for (WidgetRef& each : screen.widgets)
        if (each->properties.count("border") != 0 && each->properties.count("fill") == 0) {
            auto filled = std::make_shared<Widget>(*each);
            filled->properties.erase("border");
            filled->properties.erase("border_width");
            each = filled;
        }
    document.screens.front() = std::make_shared<const Screen>(screen);
    return document;
}

}  // namespace

class TestContainerTrees : public QObject {
    Q_OBJECT

    SceneBuilder builder_;

    std::vector<uint8_t> shown(const Document& document) { return shownBytes(builder_, document); }

  private Q_SLOTS:
    void likeWholeLayers() {
        for (int round = 0, end = rounds(400); round < end; ++round) {
            RandomTree tree(static_cast<uint32_t>(round));
            const Document document = withFilledBorders(tree.make(PixelFormat::Rgb888));
            const Reference expected(*document.screens.front());
            const auto drawn = shown(document);
            for (size_t i = 0; i < drawn.size(); ++i)
                if (drawn[i] != expected.layer()[i])
                    QFAIL(qPrintable(QString("tree %1: pixel %2,%3: %4 instead of %5")
                                         .arg(round)
                                         .arg(i / 3 % kTreeWidth)
                                         .arg(i / 3 / kTreeWidth)
                                         .arg(drawn[i])
                                         .arg(expected.layer()[i])));
        }
    }

    void stripsOfAnyHeightAreTheSame_data() {
        QTest::addColumn<int>("format");
        for (const PixelFormatInfo& each : pixelFormats())
            if (!each.isMask())
                QTest::newRow(each.key) << static_cast<int>(each.format);
    }

    void stripsOfAnyHeightAreTheSame() {
        QFETCH(int, format);
        for (int round = 0, end = rounds(12); round < end; ++round) {
            RandomTree tree(static_cast<uint32_t>(1000 + round));
            const Document document = tree.make(static_cast<PixelFormat>(format), 90 * (round % 4));
            std::vector<uint8_t> first;
            for (const int lines : {16, 24, 96}) {
                Panel panel = *document.panel;
                panel.stripLines = lines;
                const Document other = withPanel(document, panel);
                const BuiltSceneRef scene = builder_.build(other);
                // A line of each level must fit.
                if (other.panel->turn % 180 != 0 && scene->bufferBytes() < long{scene->panel.min_buffer_bytes})
                    continue;
                Twin twin(scene, Twin::View::Panel);
                twin.step(0);
                if (first.empty())
                    first = twin.memory().bytes();
                QVERIFY2(twin.memory().bytes() == first,
                         qPrintable(QString("tree %1 in strips of %2 lines").arg(round).arg(lines)));
            }
        }
    }

    // Whatever a rule changes of a container, what is drawn again is what is drawn anew.
    void changesAreDrawnAgain() {
        static const struct {
            const char *key, *value;
        } changes[] = {{"x", "7"},     {"y", "-5"},       {"w", "20"},     {"pan_x", "9"},
                       {"pan_y", "3"}, {"visible", "no"}, {"clip", "yes"}, {"opacity", "90"}};
        int tried = 0;
        for (int round = 0, end = rounds(60); round < end; ++round) {
            RandomTree tree(static_cast<uint32_t>(5000 + round));
            const Document plain = withVariable(tree.make(round % 2 == 0 ? PixelFormat::Rgb565 : PixelFormat::Page1),
                                                makeYesNo("changed", false));
            const auto& widgets = plain.screens.front()->widgets;
            for (size_t i = 0; i < widgets.size(); ++i) {
                if (widgets[i]->kind != Kind::Group)
                    continue;
                const auto& change = changes[static_cast<size_t>(tried++) % std::size(changes)];
                const Document document =
                    withRules(plain, "main",
                              "when changed\n    " + widgets[i]->name + "." + change.key + " = " + change.value + "\n");
                Twin twin(builder_.build(document));
                twin.step(0);
                QVERIFY(twin.set("changed", "yes"));
                twin.step(10);
                const auto again = twin.memory().bytes();
                gorse_redraw(twin.run());
                twin.step(20);
                QVERIFY2(twin.memory().bytes() == again,
                         qPrintable(QString("tree %1: %2.%3").arg(round).arg(widgets[i]->name.c_str(), change.key)));
            }
        }
        QVERIFY(tried > 50);
    }

    // A container that clips is all that is sent when what it holds moves.
    void aPanSendsTheContainerAlone() {
        Document document = withVariable(withPanelOf(makeDocument({"one"}), PixelFormat::Rgb565, 0, 120, 80),
                                         makeNumber("way", 0, 100, 0));
        Widget group = makeWidget("group", Kind::Group, 20, 16, 60, 40, {{"clip", true}});
        group.expressions["pan_y"] = "way";
        std::vector<Widget> widgets{group};
        for (int i = 0; i < 5; ++i) {
            widgets.push_back(makeWidget("line", Kind::Rectangle, 4, 20 * i, 90, 12, {{"fill", opaque(0xe0a040)}}));
            widgets.back().depth = 1;
        }
        document = addWidgets(document, "one", widgets);
        Twin twin(builder_.build(document));
        twin.step(0);
        (void)twin.takeFlushed();
        for (const char* way : {"1", "7", "60"}) {
            QVERIFY(twin.set("way", way));
            twin.step(twin.now() + 10);
            long pixels = 0;
            for (const Flushed& each : twin.takeFlushed()) {
                QVERIFY(each.x >= 20 && each.y >= 16 && each.x + each.w <= 80 && each.y + each.h <= 56);
                pixels += long{each.w} * each.h;
            }
            QCOMPARE(pixels, 60L * 40L);
        }
    }

    // What a container hides or disables takes no touch, and neither does what it clips away.
    void touchFollowsTheTree() {
        Document document = withPanelOf(makeDocument({"one"}), PixelFormat::Rgb565, 0, 120, 80);
        document = withVariable(document, makeNumber("taps", 0, 100, 0));
        Widget outer = makeWidget("outer", Kind::Group, 10, 10, 60, 30, {{"clip", true}, {"pan_x", int64_t{5}}});
        Widget inner = makeWidget("inner", Kind::Group, 20, 5, 60, 40);
        Widget button = makeWidget("button", Kind::Button, 10, 5, 40, 40);
        inner.depth = 1;
        button.depth = 2;
        document = addWidgets(document, "one", {outer, inner, button});
        document = withRules(document, "main",
                             "on button.tap\n    taps = taps + 1\n\nwhen taps == 2\n    hide outer\n\nwhen taps == "
                             "9\n    show outer\n    disable inner\n");
        Twin twin(builder_.build(document));
        twin.step(0);
        const auto tap = [&](int x, int y) {
            twin.touch(x, y, true);
            twin.touch(x, y, false);
            twin.step(twin.now() + 10);
            return twin.get("taps");
        };
        // The button begins at 10 - 5 + 20 + 10, 10 + 5 + 5 and ends with outer at 70, 40.
        QCOMPARE(tap(34, 25), std::string("0"));
        QCOMPARE(tap(35, 20), std::string("1"));
        QCOMPARE(tap(70, 25), std::string("1"));
        QCOMPARE(tap(69, 40), std::string("1"));
        QCOMPARE(tap(69, 39), std::string("2"));
        QCOMPARE(tap(50, 30), std::string("2"));
        QVERIFY(twin.set("taps", "9"));
        twin.step(twin.now() + 10);
        QCOMPARE(tap(50, 30), std::string("9"));
    }
};

GORSEFINCH_TEST(TestContainerTrees, Nothing)
#include "tst_container_trees.moc"
