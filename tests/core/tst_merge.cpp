// SPDX-License-Identifier: GPL-3.0-or-later
// Two sides change one project: each thing is taken from the side that changed it, and where both did, from the one
// chosen.
#include <QtTest>

#include "core/edits/image_edits.h"
#include "core/project/merge.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Bytes bytes(const char* text) { return std::make_shared<const FileContents>(text); }

Document base() {
    Document d = makeDocument({"first", "second", "third"});
    for (const char* name : {"a", "b", "c"})
        d = withVariable(d, makeNumber(name, 0, 9, 0));
    d = withRules(d, "main", "// main\n");
    d = withRules(d, "more", "// more\n");
    d = addImage(d, "dot.pgm", bytes("P2 1 1 255 7\n"));
    return addWidgets(d, "first", {makeWidget("box", Kind::Rectangle, 1, 2, 3, 4)});
}

Document moved(const Document& d, const char* screen, int x) {
    if (widgetIndex(*d.screen(screen), "box") < 0)
        return addWidgets(d, screen, {makeWidget("box", Kind::Rectangle, x, 2, 3, 4)});
    return changeWidgets(d, screen, std::vector<std::string>{"box"}, [&](Widget& w) { w.x = x; });
}

int boxIn(const Document& d, const char* screen) {
    const ScreenRef on = d.screen(screen);
    const int at = on ? widgetIndex(*on, "box") : -1;
    return at < 0 ? -1 : on->widgets[static_cast<size_t>(at)]->x;
}

bool tells(const Merge& merge, MergeItem::What what, const std::string& name, bool conflict) {
    return std::any_of(merge.items.begin(), merge.items.end(), [&](const MergeItem& each) {
        return each.what == what && each.name == name && each.conflict == conflict;
    });
}

std::vector<std::string> screensOf(const Document& d) {
    std::vector<std::string> out;
    for (const ScreenRef& each : d.screens)
        out.push_back(each->name);
    return out;
}

}  // namespace

class TestMerge : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void differentThingsGoTogether() {
        const Document from = base();
        Document ours = moved(from, "first", 50);
        ours = withVariable(ours, makeNumber("ours", 0, 9, 0));
        ours = withRules(ours, "main", "// ours\n");
        Document theirs = moved(from, "second", 60);
        theirs = withVariable(theirs, makeNumber("theirs", 0, 9, 0));
        theirs = withRules(theirs, "more", "// theirs\n");
        theirs = addImage(theirs, "spot.pgm", bytes("P2 1 1 255 9\n"));
        Panel panel = *theirs.panel;
        panel.width = 200;
        theirs = withPanel(theirs, panel);
        const Merge merge = mergeDocuments(from, ours, theirs);
        QVERIFY(!merge.hasConflicts());
        QCOMPARE(boxIn(merge.document, "first"), 50);
        QCOMPARE(boxIn(merge.document, "second"), 60);
        QVERIFY(merge.document.variable("ours") && merge.document.variable("theirs") && merge.document.variable("b"));
        QCOMPARE((*merge.document.rules)[0].text, std::string("// ours\n"));
        QCOMPARE((*merge.document.rules)[1].text, std::string("// theirs\n"));
        QVERIFY(merge.document.image("spot") && merge.document.image("dot"));
        QCOMPARE(merge.document.panel->width, 200);
        for (const auto& [what, name] :
             std::vector<std::pair<MergeItem::What, std::string>>{{MergeItem::What::Screen, "second"},
                                                                  {MergeItem::What::Variable, "theirs"},
                                                                  {MergeItem::What::Rules, "more"},
                                                                  {MergeItem::What::Image, "spot"},
                                                                  {MergeItem::What::Panel, ""}})
            QVERIFY2(tells(merge, what, name, false), name.c_str());
        QCOMPARE(merge.items.size(), size_t{5});
    }

    void theSameThingIsChosen() {
        const Document from = base();
        const Document ours = moved(from, "first", 50), theirs = moved(from, "first", 60);
        const Merge open = mergeDocuments(from, ours, theirs);
        QVERIFY(open.hasConflicts() && tells(open, MergeItem::What::Screen, "first", true));
        QCOMPARE(boxIn(open.document, "first"), 50);
        QCOMPARE(
            boxIn(mergeDocuments(from, ours, theirs, {{open.items[0].key(), MergeSide::Theirs}}).document, "first"),
            60);
        QCOMPARE(boxIn(mergeDocuments(from, ours, theirs, {{open.items[0].key(), MergeSide::Ours}}).document, "first"),
                 50);
        // The same change on both sides is none.
        QVERIFY(mergeDocuments(from, ours, ours).items.empty());
    }

    void removedHereAndChangedThere() {
        const Document from = base();
        const Document ours = removeScreen(from, 0), theirs = moved(from, "first", 60);
        const Merge merge = mergeDocuments(from, ours, theirs);
        QVERIFY(tells(merge, MergeItem::What::Screen, "first", true));
        QVERIFY(!merge.document.screen("first"));
        QCOMPARE(
            boxIn(mergeDocuments(from, ours, theirs, {{merge.items[0].key(), MergeSide::Theirs}}).document, "first"),
            60);
        const Merge gone = mergeDocuments(from, moved(from, "second", 7), removeScreen(from, 0));
        QVERIFY(!gone.hasConflicts() && !gone.document.screen("first") && boxIn(gone.document, "second") == 7);
    }

    // Each side removes what the other one keeps, and a project has at least one screen.
    void allScreensRemovedTogether() {
        const Document from = base();
        const Document ours = removeScreen(from, 0), theirs = removeScreen(removeScreen(from, 2), 1);
        const Merge merge = mergeDocuments(from, ours, theirs);
        QVERIFY(tells(merge, MergeItem::What::Screen, "second", true) &&
                tells(merge, MergeItem::What::Screen, "third", true));
        QCOMPARE(screensOf(merge.document), (std::vector<std::string>{"second", "third"}));
        std::map<std::string, MergeSide> choices{{merge.items[0].key(), MergeSide::Theirs}};
        QCOMPARE(screensOf(mergeDocuments(from, ours, theirs, choices).document), std::vector<std::string>{"third"});
        choices.emplace(merge.items[1].key(), MergeSide::Theirs);
        QCOMPARE(screensOf(mergeDocuments(from, ours, theirs, choices).document), std::vector<std::string>{"first"});
        QCOMPARE(screensOf(mergeDocuments(from, theirs, ours).document), std::vector<std::string>{"first"});
        // One that they changed may come back, and the others are still what was chosen for them.
        const Merge changed = mergeDocuments(from, ours, moved(theirs, "first", 60));
        QVERIFY(tells(changed, MergeItem::What::Screen, "first", true) && changed.items.size() == 3);
        QCOMPARE(screensOf(mergeDocuments(from, ours, moved(theirs, "first", 60),
                                          {{changed.items[0].key(), MergeSide::Theirs}})
                               .document),
                 (std::vector<std::string>{"second", "third", "first"}));
    }

    void orderAndNewOnes() {
        const Document from = base();
        Document ours = addScreen(from, 1, "fresh_ours");
        Document theirs = moveScreen(from, 2, 0);
        theirs = addScreen(theirs, 3, "fresh_theirs");
        const Merge merge = mergeDocuments(from, ours, theirs);
        QVERIFY(!merge.hasConflicts());
        QCOMPARE(screensOf(merge.document),
                 (std::vector<std::string>{"third", "first", "second", "fresh_ours", "fresh_theirs"}));
        QVERIFY(tells(merge, MergeItem::What::Order, "screens", false));
    }

    // Whole merges of random edits: each thing is somebody's, and merging the other way round gives the same things.
    void randomEdits() {
        std::srand(11);
        const auto edited = [](Document d, const char* tag) {
            for (int i = 0; i < 1 + std::rand() % 5; ++i)
                switch (std::rand() % 6) {
                    case 0:
                        d = moved(d, d.screens[static_cast<size_t>(std::rand()) % d.screens.size()]->name.c_str(),
                                  std::rand() % 100);
                        break;
                    case 1:
                        d = d.screens.size() > 1 ? removeScreen(d, std::rand() % static_cast<int>(d.screens.size()))
                                                 : d;
                        break;
                    case 2: d = addScreen(d, 0, std::string(tag) + "_screen"); break;
                    case 3:
                        d = withVariable(d, makeNumber(std::rand() % 2 == 0 ? "a" : tag, 0, 9 + std::rand() % 5, 0));
                        break;
                    case 4:
                        d = withRules(d, "main", std::string("// ") + tag + std::to_string(std::rand() % 3) + "\n");
                        break;
                    default: d = moveScreen(d, std::rand() % static_cast<int>(d.screens.size()), 0); break;
                }
            return d;
        };
        const Document from = base();
        for (int round = 0, end = support::rounds(300); round < end; ++round) {
            const Document ours = edited(from, "ours"), theirs = edited(from, "theirs");
            const Merge merge = mergeDocuments(from, ours, theirs);
            const auto files = toFiles(merge.document), oursFiles = toFiles(ours), theirsFiles = toFiles(theirs),
                       fromFiles = toFiles(from);
            for (const auto& [path, text] : files)
                if (path != "gorsefinch.json")
                    QVERIFY((oursFiles.count(path) != 0 && oursFiles.at(path) == text) ||
                            (theirsFiles.count(path) != 0 && theirsFiles.at(path) == text));
            // What one side alone changed is there as that side has it.
            for (const auto& [path, text] : theirsFiles)
                if (path != "gorsefinch.json" && oursFiles.count(path) != 0 && fromFiles.count(path) != 0 &&
                    oursFiles.at(path) == fromFiles.at(path))
                    QVERIFY(files.count(path) != 0 && files.at(path) == text);
            if (merge.hasConflicts())
                continue;
            auto one = screensOf(merge.document), other = screensOf(mergeDocuments(from, theirs, ours).document);
            std::sort(one.begin(), one.end());
            std::sort(other.begin(), other.end());
            QCOMPARE(one, other);
        }
    }

    // What could not be read there is not taken for removed.
    void unreadableThere() {
        const Document from = base();
        ProjectFiles files = toFiles(moved(from, "second", 60));
        files["screens/first.json"] = "<<<<<<< broken by a merge";
        files.erase("images/dot.pgm");
        const ReadProject theirs = fromFiles([&](const std::string& path, size_t) -> Result<SharedBytes> {
            const auto found = files.find(path);
            return found == files.end() ? Result<SharedBytes>(failure(path, "", "there is no such file"))
                                        : found->second;
        });
        QVERIFY(theirs.document && !theirs.problems.empty());
        const Merge merge = mergeDocuments(from, from, *theirs.document);
        QVERIFY(merge.document.screen("first") && boxIn(merge.document, "first") == 1);
        QCOMPARE(boxIn(merge.document, "second"), 60);
        QVERIFY(merge.document.image("dot")->original);
    }
};

GORSEFINCH_TEST(TestMerge, Nothing)
#include "tst_merge.moc"
