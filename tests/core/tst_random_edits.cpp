// SPDX-License-Identifier: GPL-3.0-or-later
// Layout edits of all sorts in random order: each document can be saved and read again as it is, names stay unique, no
// look is based on itself, and undo and redo lead through the very same documents.
#include <QtTest>
#include <random>

#include "core/check/fixes.h"
#include "core/check/namesake_check.h"
#include "core/document/history.h"
#include "core/document/names.h"
#include "core/document/widget_tree.h"
#include "core/edits/align.h"
#include "core/edits/backing_edits.h"
#include "core/edits/find.h"
#include "core/edits/guide_edits.h"
#include "core/edits/look_edits.h"
#include "core/edits/named_edits.h"
#include "core/edits/namesakes.h"
#include "core/edits/panel_size.h"
#include "core/edits/rename_pattern.h"
#include "core/edits/tree_edits.h"
#include "core/project/project_text.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Document savedAndRead(const Document& document) {
    const ReadProject back = readFiles(toFiles(document));
    if (!back.document || !back.problems.empty())
        qFatal("%s", back.problems.empty() ? "unreadable" : back.problems.front().text().c_str());
    return *back.document;
}

std::string wholeText(const Document& document) {
    std::string out;
    for (const auto& [path, bytes] : toFiles(document))
        if (path.ends_with(".json") || path.ends_with(".rules"))
            out.append(path).append("\n").append(bytes.text());
    return out;
}

// Around the first byte in which they differ.
std::string difference(const std::string& a, const std::string& b) {
    const auto at = static_cast<size_t>(std::mismatch(a.begin(), a.end(), b.begin(), b.end()).first - a.begin());
    const size_t from = at < 60 ? 0 : at - 60;
    return "saved: " + a.substr(from, 160) + "\nread: " + b.substr(from, 160);
}

// One random edit after the other, as a hand makes them.
class LayoutHand {
  public:
    explicit LayoutHand(uint32_t seed) : random_(seed) {}

    Document edit(const Document& d) {
        const std::string screen =
            d.screens[static_cast<size_t>(draw(0, static_cast<int>(d.screens.size()) - 1))]->name;
        const Names names = some(*d.screen(screen));
        std::string made;
        Names freed;
        switch (draw(0, 20)) {
            case 0:
                return alignWidgets(d, screen, names, static_cast<Alignment>(draw(0, 5)),
                                    static_cast<AlignBy>(draw(0, 2)));
            case 1: return distributeWidgets(d, screen, names, static_cast<Distribution>(draw(0, 3)));
            case 2: return makeSameSize(d, screen, names, static_cast<SameSize>(draw(0, 2)));
            case 3: return tidyIntoGrid(d, screen, names);
            case 4: return swapPlaces(d, screen, names);
            case 5: return fillContainers(d, screen, names);
            case 6: return groupWidgets(d, screen, names, &made).value_or(d);
            case 7: return ungroupWidgets(d, screen, names, &freed);
            case 8: return pasted(d, screen, names);
            case 9: return draw(0, 2) == 0 ? removeWidgets(d, screen, names) : d;
            case 10:
                return renameByPattern(d, screen, names, draw(0, 1) != 0 ? "*_#" : "part_##", draw(1, 30)).value_or(d);
            case 11: return placeNamesakes(d, screen, names);
            case 12: return resized(d);
            case 13: return withLine(d, {draw(0, 1) != 0 ? screen : std::string(), draw(0, 1) != 0, draw(0, 200)});
            case 14: return looked(d, screen, names);
            case 15: return replaceText(d, findWidgets(d, "w", FindIn::Text), "w", draw(0, 1) != 0 ? "ww" : "v");
            case 16: return mended(d);
            case 17: return repeated(d, screen, names);
            case 18: return backed(d, screen, names);
            case 19: return named(d, screen, names);
            default:
                return changeWidgets(d, screen, names, [&](Widget& w) {
                    w.locked = draw(0, 4) == 0;
                    w.offCanvas = draw(0, 4) == 0;
                    setBox(w, draw(-20, 300), draw(-20, 200), draw(1, 120), draw(1, 90));
                });
        }
    }
    int draw(int from, int to) { return std::uniform_int_distribution<int>(from, to)(random_); }

  private:
    Names some(const Screen& screen) {
        Names out;
        for (const WidgetRef& each : screen.widgets)
            if (draw(0, 2) == 0)
                out.push_back(each->name);
        std::shuffle(out.begin(), out.end(), random_);
        out.resize(std::min<size_t>(out.size(), 6));
        return out;
    }
    Document pasted(const Document& d, const std::string& screen, const Names& names) {
        const auto& widgets = d.screen(screen)->widgets;
        if (widgets.size() > 40)
            return removeWidgets(d, screen, names);
        std::vector<Widget> copies;
        for (const WidgetRef& each : branchesOf(widgets, names))
            copies.push_back(*each);
        copies.push_back(
            makeWidget("extra", Kind::Text, draw(0, 200), draw(0, 200), 40, 20, {{"text", std::string("words")}}));
        return addWidgets(d, d.screens[static_cast<size_t>(draw(0, 1))]->name, std::move(copies));
    }
    Document resized(const Document& d) {
        Panel panel = *d.panel;
        panel.width = draw(60, 800);
        panel.height = draw(40, 480);
        return withPanelSize(d, panel, static_cast<PanelResize>(draw(0, 2)));
    }
    Document looked(const Document& d, const std::string& screen, const Names& names) {
        std::string made;
        const auto look = [&] {
            return (*d.looks)[static_cast<size_t>(draw(0, static_cast<int>(d.looks->size()) - 1))].name;
        };
        switch (d.looks->empty() ? 0 : draw(0, 5)) {
            case 0: return names.empty() || d.looks->size() > 12 ? d : lookFromWidget(d, screen, names.front(), &made);
            case 1: return baseLook(d, look(), look()).value_or(d);
            case 2:
                return setLookProperty(d, look(), draw(0, 1) != 0 ? "pressed" : "", "radius", int64_t{draw(0, 9)})
                    .value_or(d);
            case 3:
                return removeLook(
                    d, d.looks->size() > 6 && lookUses(d).count(d.looks->back().name) == 0 ? d.looks->back().name : "");
            case 4: return names.size() < 2 ? d : putStyle(d, screen, names, *takeStyle(d, screen, names.front()));
            default: return setProperty(d, screen, names, "look", look()).value_or(d);
        }
    }
    Document repeated(const Document& d, const std::string& screen, const Names& names) {
        const char* const sides[] = {"series_columns", "series_rows", "series_x"};
        const PropertyInfo& side = *findIn(placeProperties(), sides[draw(0, 2)]);
        return (side.number == &Widget::seriesX ? setProperty(d, screen, names, side.key, int64_t{draw(0, 50)})
                                                : setSeriesSide(d, screen, names, side, draw(1, 3)))
            .value_or(d);
    }
    Document backed(const Document& d, const std::string& screen, const Names& names) {
        const std::string other = d.screens.back()->name;
        switch (d.screens.size() > 6 ? 1 : draw(0, 3)) {
            case 0: {
                const std::string name =
                    uniqueName("backing", [&](std::string_view taken) { return isTaken(d, taken); });
                return makeBacking(d, screen, names, name, draw(0, 1) != 0, std::span(&other, 1)).value_or(d);
            }
            case 1: return d.screens.size() > 3 ? removeScreen(d, static_cast<int>(d.screens.size()) - 1) : d;
            case 2: return renameScreen(d, other, "screen_" + std::to_string(draw(0, 9))).value_or(d);
            default: {
                Screen next = *d.screen(screen);
                if (other != screen)
                    (draw(0, 1) != 0 ? next.below : next.above) = {other};
                return withScreen(d, d.screenIndex(screen), std::move(next));
            }
        }
    }
    Document named(const Document& d, const std::string& screen, const Names& names) {
        std::string made;
        const auto colour = [&] { return opaque(static_cast<uint32_t>(draw(0, 3)) * 0x404040); };
        if (d.named->colours.empty())
            return addNamedColour(d, "hue", colour(), &made);
        const std::string name =
            d.named->colours[static_cast<size_t>(draw(0, static_cast<int>(d.named->colours.size()) - 1))].name;
        switch (draw(0, 7)) {
            case 0: return d.named->colours.size() > 8 ? d : addNamedColour(d, "hue", colour(), &made);
            case 1: return setNamedColour(d, name, static_cast<size_t>(draw(0, 2)), colour());
            case 2: return renameNamedValue(d, name, "hue_" + std::to_string(draw(0, 20))).value_or(d);
            case 3: return removeNamedValue(d, name);
            case 4: return useNamedColour(d, name, colour());
            case 5: return addColourSet(d, nextSetName(*d.named)).value_or(d);
            case 6: return removeColourSet(d, static_cast<size_t>(draw(0, 2)));
            default: return setProperty(d, screen, names, "fill", ValueName{name}).value_or(d);
        }
    }
    Document mended(const Document& d) {
        const auto problems = NamesakeCheck().check(d);
        const auto fix = problems->empty() ? std::nullopt : fixOf(*SceneBuilder().build(d), problems->front());
        return fix ? fix->document : d;
    }

    std::mt19937 random_;
};

}  // namespace

class TestRandomEdits : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void inAnyOrder_data() {
        QTest::addColumn<int>("seed");
        for (int seed = 1; seed <= 3; ++seed)
            QTest::addRow("%d", seed) << seed;
    }
    void inAnyOrder() {
        QFETCH(int, seed);
        Document d = makeDocument({"one", "two", "three"});
        for (const char* screen : {"one", "two"})
            for (int i = 0; i < 8; ++i)
                d = addWidgets(d, screen,
                               {makeWidget("w" + std::to_string(i), i % 2 == 0 ? Kind::Text : Kind::Rectangle, i * 30,
                                           i * 20, 28, 18)});
        LayoutHand hand(static_cast<uint32_t>(seed));
        History history(d);
        Expander expander;
        std::vector<std::string> texts{wholeText(d)};
        for (int i = 0; i < rounds(400); ++i) {
            history.push(hand.edit(history.now()), "edit");
            const Document& now = history.now();
            texts.push_back(wholeText(now));
            const std::string again = wholeText(savedAndRead(now));
            QVERIFY2(again == texts.back(), difference(texts.back(), again).c_str());
            for (const ScreenRef& screen : now.screens) {
                std::set<std::string> names;
                for (const WidgetRef& each : screen->widgets)
                    QVERIFY2(names.insert(each->name).second, each->name.c_str());
                QVERIFY(deepest(screen->widgets) <= kMaxDepth);
            }
            // What is repeated has names of its own, and no mistake but a backing screen that has some itself.
            const Expanded expanded = expander.expand(now);
            for (const ScreenRef& screen : expanded.document.screens) {
                std::set<std::string> names;
                for (const WidgetRef& each : screen->widgets)
                    QVERIFY2(names.insert(each->name).second, each->name.c_str());
            }
            QVERIFY(Expander().expand(now).document.screens.size() == now.screens.size());
            for (const Look& each : *now.looks)
                QVERIFY(lookAndBases(now, &each).back()->basedOn.empty());
        }
        for (size_t i = texts.size(); i-- > 0; history.undo())
            QCOMPARE(wholeText(history.now()), texts[i]);
        for (size_t i = 0; i < texts.size(); ++i, history.redo())
            QCOMPARE(wholeText(history.now()), texts[i]);
    }
};

GORSEFINCH_TEST(TestRandomEdits, Nothing)
#include "tst_random_edits.moc"
