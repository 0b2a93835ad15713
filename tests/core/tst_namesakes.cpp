// SPDX-License-Identifier: GPL-3.0-or-later
// Widgets of one name on several screens: placed the same, found where they lie slightly apart, and mended.
#include <QtTest>
#include <random>

#include "core/check/fixes.h"
#include "core/check/namesake_check.h"
#include "core/edits/namesakes.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Widget title(int x, int y, int w = 80, Kind kind = Kind::Rectangle) { return makeWidget("title", kind, x, y, w, 20); }

// Three screens with a title at these places.
Document titles(const std::vector<Widget>& each) {
    Document d = makeDocument({"one", "two", "three"});
    for (size_t i = 0; i < each.size(); ++i)
        d = addWidgets(d, d.screens[i]->name, {each[i]});
    return d;
}

QString words(const Problems& problems) {
    QStringList out;
    for (const Problem& each : problems)
        out << QString::fromStdString(each.text());
    return out.join('\n');
}

}  // namespace

class TestNamesakes : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void slightlyApartIsAProblem() {
        const Document d = titles({title(10, 10), title(13, 9), title(10, 10)});
        NamesakeCheck check;
        const auto problems = check.check(d);
        QCOMPARE(problems->size(), size_t{1});
        const Problem& problem = problems->front();
        QCOMPARE(problem.screen, std::string("two"));
        QCOMPARE(problem.widget, std::string("title"));
        QVERIFY2(problem.text().find("13,9 80x20") != std::string::npos &&
                     problem.text().find("10,10 80x20 on one") != std::string::npos,
                 problem.text().c_str());
        // Mended, it is gone.
        const auto fix = fixOf(*SceneBuilder().build(d), problem);
        QVERIFY(fix.has_value());
        QCOMPARE(fix->document.screens[1]->widgets[0]->x, 10);
        QCOMPARE(fix->document.screens[1]->widgets[0]->y, 10);
        QVERIFY(check.check(fix->document)->empty());
        QVERIFY(!fixOf(*SceneBuilder().build(fix->document), problem));
    }

    void whatIsMeantSoIsNone() {
        const auto isFine = [](const Document& d) { return NamesakeCheck().check(d)->empty(); };
        QVERIFY(isFine(titles({title(10, 10), title(10, 10), title(10, 10)})));
        QVERIFY(isFine(titles({title(10, 10), title(14, 10)})));                  // farther apart
        QVERIFY(isFine(titles({title(10, 10), title(12, 10, 90)})));              // another size
        QVERIFY(isFine(titles({title(10, 10), title(12, 10, 80, Kind::Disc)})));  // another kind
        QVERIFY(!isFine(titles({title(10, 10), title(10, 10, 82)})));             // slightly larger
        Document follows = titles({title(10, 10), title(12, 10)});
        follows = changeWidgets(follows, "two", Names{"title"}, [](Widget& w) { w.expressions["x"] = "12"; });
        QVERIFY(isFine(follows));
        // Without a problem of its own there is no fix.
        QVERIFY(!fixOf(*SceneBuilder().build(follows), Problem{}));
    }

    void withTwoTheFirstCounts() {
        const auto problems = NamesakeCheck().check(titles({title(10, 10), title(11, 10)}));
        QCOMPARE(problems->size(), size_t{1});
        QCOMPARE(problems->front().screen, std::string("two"));
    }

    void placesCountOnThePanel() {
        Document d = titles({title(50, 50), title(0, 0)});
        d = addWidgets(d, "two", {makeWidget("group", Kind::Group, 40, 40, 100, 100)});
        d = removeWidgets(d, "two", Names{"title"});
        d = addWidgets(d, "two", {title(11, 10)}, nullptr, "group");
        const auto problems = NamesakeCheck().check(d);
        QCOMPARE(problems->size(), size_t{1});
        const auto fix = fixOf(*SceneBuilder().build(d), problems->front());
        QCOMPARE(fix->document.screens[1]->widgets[1]->x, 10);
        const Document placed = placeNamesakes(d, "one", Names{"title"});
        QCOMPARE(placed.screens[1]->widgets[1]->x, 10);
        QCOMPARE(namesakesOf(d, "one", "title"), 1);
        QCOMPARE(namesakesOf(d, "two", "group"), 0);
        QCOMPARE(namesakesOf(d, "three", "title"), 0);
    }

    void namesakesAreMovedTogether() {
        Document d = titles({title(10, 10, 40), title(90, 90), title(200, 10)});
        d = changeWidgets(d, "three", Names{"title"}, [](Widget& w) { w.locked = true; });
        const Document next = placeNamesakes(d, "one", Names{"title", "nobody"});
        QCOMPARE(next.screens[1]->widgets[0]->x, 10);
        QCOMPARE(next.screens[1]->widgets[0]->w, 40);
        QCOMPARE(next.screens[2], d.screens[2]);
        QCOMPARE(next.screens[0], d.screens[0]);
        QCOMPARE(placeNamesakes(next, "one", Names{"title"}).screens, next.screens);
        QCOMPARE(placeNamesakes(d, "nowhere", Names{"title"}).screens, d.screens);
    }

    // One check that follows edit after edit finds what a fresh one finds.
    void followingIsAsLookingAnew() {
        std::mt19937 random(3);
        const auto draw = [&](int from, int to) { return std::uniform_int_distribution<int>(from, to)(random); };
        Document d = makeDocument({"s0", "s1", "s2", "s3"});
        NamesakeCheck follows;
        for (int i = 0; i < rounds(400); ++i) {
            const std::string screen =
                d.screens[static_cast<size_t>(draw(0, static_cast<int>(d.screens.size()) - 1))]->name;
            const std::string name(1, static_cast<char>('a' + draw(0, 5)));
            switch (draw(0, 6)) {
                case 0:
                    if (widgetIndex(*d.screen(screen), name) < 0)
                        d = addWidgets(d, screen, {makeWidget(name, Kind::Rectangle, draw(0, 9), draw(0, 4), 20, 10)});
                    break;
                case 1: d = removeWidgets(d, screen, Names{name}); break;
                case 2: d = moveScreen(d, draw(0, 2), draw(0, 2)); break;
                case 3: d = d.screens.size() < 6 ? duplicateScreen(d, 0) : removeScreen(d, 1); break;
                default: d = changeWidgets(d, screen, Names{name}, [&](Widget& w) { w.x = draw(0, 9); });
            }
            QCOMPARE(words(*follows.check(d)), words(*NamesakeCheck().check(d)));
        }
    }
};

GORSEFINCH_TEST(TestNamesakes, Nothing)
#include "tst_namesakes.moc"
