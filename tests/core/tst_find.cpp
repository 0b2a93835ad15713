// SPDX-License-Identifier: GPL-3.0-or-later
// Widgets that are found on all screens, and what is replaced in them.
#include <QtTest>

#include "core/edits/find.h"
#include "tests/support/kiln_face.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Document twoScreens() {
    Document d = withKilnFace(makeDocument({"home", "menu"}));
    Look look;
    look.name = "warm_card";
    d = withLook(d, look);
    Widget title = makeWidget("title", Kind::Text, 0, 0, 90, 20, {{"text", std::string("Kiln {kiln_temp:0.1} °C")}});
    Widget back = makeWidget("back_button", Kind::Button, 0, 30, 90, 20, {{"text", std::string("Back\nhome")}});
    back.look = "warm_card";
    d = addWidgets(d, "home", {title, back});
    Widget bar = makeWidget("heat", Kind::Progress, 0, 0, 90, 20, {{"value", std::string("kiln_temp")}});
    Widget pot = makeWidget("pot", Kind::Image, 0, 30, 30, 30, {{"image", std::string("glazed_pot")}});
    pot.expressions["x"] = "kiln_temp / 10";
    return addWidgets(d, "menu", {bar, pot});
}

// "home.title text, ..."
QString found(const Document& document, const char* text, FindIn in) {
    QStringList out;
    for (const Found& each : findWidgets(document, text, in))
        out << QString::fromStdString(each.screen + "." + each.widget);
    return out.join(' ');
}

}  // namespace

class TestFind : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void eachWayFinds_data() {
        QTest::addColumn<QByteArray>("text");
        QTest::addColumn<int>("in");
        QTest::addColumn<QString>("widgets");
        const auto row = [](const char* name, const char* text, FindIn in, const char* widgets) {
            QTest::newRow(name) << QByteArray(text) << static_cast<int>(in) << QString(widgets);
        };
        row("name", "TITLE", FindIn::Name, "home.title");
        row("text", "back", FindIn::Text, "home.back_button");
        row("second line", "home", FindIn::Text, "home.back_button");
        row("kind", "progress", FindIn::Kind, "menu.heat");
        row("look", "card", FindIn::Look, "home.back_button");
        row("font", "b612", FindIn::Font, "home.title home.back_button");
        row("image", "pot", FindIn::Image, "menu.pot");
        row("variable", "kiln_temp", FindIn::Variable, "home.title menu.heat menu.pot");
        row("text is no variable", "Kiln ", FindIn::Variable, "");
        row("anything", "kiln", FindIn::Anything, "home.title menu.heat menu.pot");
        row("each once", "back", FindIn::Anything, "home.back_button");
        row("other letters as they are", "°C", FindIn::Text, "home.title");
        row("nothing", "zzz", FindIn::Anything, "");
        row("no text", "", FindIn::Anything, "");
    }
    void eachWayFinds() {
        QFETCH(QByteArray, text);
        QFETCH(int, in);
        QFETCH(QString, widgets);
        QCOMPARE(found(twoScreens(), text.constData(), static_cast<FindIn>(in)), widgets);
    }

    void itEndsAtTheMost() {
        QCOMPARE(findWidgets(twoScreens(), "t", FindIn::Name, 1).size(), size_t{1});
        QCOMPARE(findWidgets(twoScreens(), "t", FindIn::Name, 0).size(), size_t{0});
    }

    void wordsAreReplaced() {
        const Document d = twoScreens();
        const auto all = findWidgets(d, "k", FindIn::Text);
        const Document next = replaceText(d, all, "K", "ck");
        const auto textOf = [&](const Document& of, size_t at) {
            return std::get<std::string>(of.screens[0]->widgets[at]->properties.at("text"));
        };
        QCOMPARE(textOf(next, 0), std::string("ckiln {ckiln_temp:0.1} °C"));
        QCOMPARE(textOf(next, 1), std::string("Bacck\nhome"));
        QCOMPARE(next.screens[1], d.screens[1]);
        QCOMPARE(replaceText(d, all, "", "x").screens, d.screens);
        size_t tooLong = 0;
        const Document longer = replaceText(d, all, "k", std::string(kMaxTextBytes, 'x'), &tooLong);
        QCOMPARE(tooLong, size_t{2});
        QCOMPARE(textOf(longer, 0), textOf(d, 0));
    }

    void looksAreReplaced() {
        const Document d = twoScreens();
        const auto all = findWidgets(d, "t", FindIn::Name);
        const auto next = replaceLook(d, all, "warm_card");
        QVERIFY(next.has_value());
        QCOMPARE(next->screens[0]->widgets[0]->look, std::string("warm_card"));
        QCOMPARE(next->screens[1]->widgets[0]->look, std::string("warm_card"));
        QVERIFY(!replaceLook(d, all, "nobody"));
    }
};

GORSEFINCH_TEST(TestFind, Nothing)
#include "tst_find.moc"
