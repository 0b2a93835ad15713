// SPDX-License-Identifier: GPL-3.0-or-later
// Fields and keyboards: what is typed, and how the keyboard comes and what it would cover moves.
#include <QtTest>
#include <random>

#include "core/sim/script.h"
#include "tests/support/on_typing.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

class TestTyping : public QObject, support::OnTyping {
    Q_OBJECT

    void expect(const char* typed, int cursor = -1) {
        QCOMPARE(this->typed(), std::string(typed));
        if (cursor >= 0)
            QCOMPARE(int{typing().cursor}, cursor);
    }

  private Q_SLOTS:
    // Touched, it brings the keyboard; done takes over what was typed.
    void aTouchBringsTheKeyboard() {
        begin(typingDocument());
        QVERIFY(!isUp());
        tapWidget("name");
        QVERIFY(twin_->isTyping());
        wait(400);
        QVERIFY(isUp());
        QCOMPARE(top("keyboard"), 240 - 120);
        // It was not covered: nothing moves.
        QCOMPARE(lift(), 0);
        tapKeys("ab");
        QCOMPARE(twin_->get("name"), std::string("Kiln"));
        expect("Kilnab", 6);
        tapKey("{done}");
        QCOMPARE(twin_->get("name"), std::string("Kilnab"));
        wait(400);
        QVERIFY(!isUp());
        QVERIFY(isWhole());
        QCOMPARE(number("focused"), 1);
        QCOMPARE(number("blurred"), 1);
        QCOMPARE(number("dones"), 1);
        QCOMPARE(number("changes"), 1);
        QCOMPARE(number("cancels"), 0);
    }

    void cancelLeavesTheValue() {
        begin(typingDocument());
        tapWidget("name");
        wait(400);
        tapKeys("xyz");
        tapKey("{cancel}");
        wait(400);
        QCOMPARE(twin_->get("name"), std::string("Kiln"));
        QCOMPARE(number("cancels"), 1);
        QCOMPARE(number("dones"), 0);
        QCOMPARE(number("changes"), 0);
        QVERIFY(!isUp());
    }

    // What is covered moves up, as far as needed and no farther, and comes back to where it was.
    void whatIsCoveredMovesUp() {
        begin(typingDocument());
        const auto before = picture();
        tapWidget("low");
        wait(400);
        // The field reaches from 190 to 220; the keyboard begins at 120.
        QCOMPARE(lift(), 220 + 2 - 120);
        QCOMPARE(top("low"), 190 - lift());
        QVERIFY(isWhole());
        // Another field keeps it, and it moves again.
        tapWidget("pin");
        QVERIFY(twin_->isTyping());
        wait(400);
        QVERIFY(isUp());
        QCOMPARE(lift(), 0);
        tapKey("{cancel}");
        wait(400);
        QCOMPARE(lift(), 0);
        QCOMPARE(picture(), before);
    }

    // A touch beside both takes over what was typed, before what it presses.
    void aTouchElsewhereIsDone() {
        begin(typingDocument());
        tapWidget("name");
        wait(400);
        tapKeys("c");
        tapWidget("go");
        QCOMPARE(twin_->get("name"), std::string("Kilnc"));
        QCOMPARE(twin_->get("seen"), std::string("Kilnc"));
        QCOMPARE(number("dones"), 1);
        wait(400);
        QVERIFY(!isUp());
    }

    // The cursor goes where the finger is, and what is typed comes there.
    void aTouchMovesTheCursor() {
        begin(typingDocument());
        tapWidget("name");
        wait(400);
        tapAt("name", 2, 15);
        QCOMPARE(int{typing().cursor}, 0);
        tapKeys("o");
        expect("oKiln", 1);
        tapKey("{delete}");
        expect("Kiln", 0);
        tapKey("{delete}");
        expect("Kiln", 0);
    }

    // Held, delete repeats: at once, after half a second, then each 90 ms.
    void deleteRepeats() {
        begin(typingDocument());
        QVERIFY(twin_->set("name", "abcdefghijkl"));
        tapWidget("name");
        wait(400);
        tapAt("name", 138, 15);
        pressKey("{delete}");
        wait(32);
        expect("abcdefghijk");
        wait(700);
        const auto now = typed();
        QVERIFY2(now == "abcdefgh" || now == "abcdefg" || now == "abcdefghi", now.c_str());
        releaseKey("{delete}");
        wait(32);
        QCOMPARE(typed(), now);
    }

    void capitalsOnceAndLocked() {
        begin(typingDocument());
        QVERIFY(twin_->set("name", ""));
        tapWidget("name");
        wait(400);
        tapKey("{shift}");
        tapKeys("ab");
        expect("Ab");
        tapKey("{shift}");
        tapKey("{shift}");
        tapKeys("cd");
        expect("AbCD");
        tapKey("{shift}");
        tapKeys("e");
        expect("AbCDe");
    }

    // A letter that is held offers those with accents; the finger chooses one.
    void heldLettersOfferAccents() {
        begin(typingDocument());
        QVERIFY(twin_->set("name", ""));
        tapWidget("name");
        wait(400);
        pressKey("e");
        wait(700);
        QVERIFY(typing().offers > 3);
        releaseKey("e");
        wait(32);
        expect("è");
        pressKey("e");
        wait(700);
        const QRect key = keyRect("e");
        twin_->touch(key.center().x() + key.width(), key.center().y(), true);
        wait(32);
        twin_->touch(key.center().x() + key.width(), key.center().y(), false);
        wait(32);
        expect("èé");
        QVERIFY(isWhole());
    }

    void pagesOfKeys() {
        begin(typingDocument());
        QVERIFY(twin_->set("name", ""));
        tapWidget("name");
        wait(400);
        tapKey("{page}");
        tapKeys("7@");
        tapKey("{page}");
        tapKeys("a");
        tapKey("{space}");
        expect("7@a ");
    }

    void aSecretShowsSquares() {
        begin(typingDocument());
        tapWidget("pin");
        wait(400);
        tapKeys("12");
        expect("12");
        QCOMPARE(int{typing().shows}, 1);
        const auto shown = picture();
        wait(900);
        QCOMPARE(int{typing().shows}, 0);
        QVERIFY(picture() != shown);
        // Digits only, six of them at most.
        for (const char* each : {"3", "4", "5", "6", "7"})
            tapKeys(each);
        expect("123456");
        tapKey("{done}");
        QCOMPARE(twin_->get("checked"), std::string("123456"));
        // Two secrets as long look the same.
        wait(400);
        const auto one = picture();
        QVERIFY(twin_->set("pin", "654321"));
        wait(32);
        QCOMPARE(picture(), one);
    }

    // Live, the variable has each character at once.
    void liveFields() {
        begin(typingDocument());
        tapWidget("low");
        wait(400);
        tapKeys("a");
        QCOMPARE(twin_->get("note"), std::string("a"));
        tapKey("{newline}");
        tapKeys("b");
        QCOMPARE(twin_->get("note"), std::string("a\nb"));
    }

    // Wired by rules: it does not come by itself.
    void wiredByRules() {
        begin(typingDocument(
            "on name.focus\n    open hand\n\non name.blur\n    close hand\n", {{"keyboard", std::string("by rules")}},
            {makeWidget("hand", Kind::Keyboard, 0, 150, 320, 90, {{"layout", std::string("qwertz")}})}));
        tapWidget("name");
        wait(400);
        QVERIFY(isUp());
        QCOMPARE(top("hand"), 150);
        tapKey("{done}");
        wait(400);
        QVERIFY(!isUp());
        // The project's setting switches it off for all.
        Document d = typingDocument();
        Panel panel = *d.panel;
        panel.keyboard = kNoKeyboard;
        d.panel = std::make_shared<const Panel>(panel);
        begin(d);
        QCOMPARE(twin_->scene().parts.front()->records.size(), d.screens.front()->widgets.size());
        tapWidget("name");
        wait(400);
        QVERIFY(twin_->isTyping());
        QVERIFY(!isUp());
    }

    void aHardwareKeyboardTypes() {
        begin(typingDocument());
        QVERIFY(!twin_->type('a'));
        const auto script =
            parseScript("tap 60 25\nwait 300\ntype {left}{left}Ä b{delete}{right}!{done}\nwait 300\n", "script");
        QVERIFY(script);
        QVERIFY(runScript(*twin_, *script, "script", [](int) {}));
        QCOMPARE(twin_->get("name"), std::string("KiÄ l!n"));
        const auto closed = parseScript("type a\n", "script");
        const auto failed = runScript(*twin_, *closed, "script", [](int) {});
        QVERIFY(!failed);
        QVERIFY(failed.error().reason.find("no field") != std::string::npos);
    }

    // Those of the user's own serve the fields that take what they type; for others one comes by itself.
    void ownRows() {
        begin(typingDocument("", {},
                             {makeWidget("own", Kind::Keyboard, 0, 160, 320, 80,
                                         {{"layout", std::string("own")},
                                          {"rows", std::string("x yÿ {gap:2}\n{shift:1.5} {done:0.5}\n\n1")}})}));
        tapWidget("pin");
        wait(400);
        QCOMPARE(top("keyboard"), 120);
        tapKey("{cancel}");
        wait(300);
        tapWidget("name");
        wait(400);
        QCOMPARE(top("own"), 160);
        tapKeys("y");
        expect("Kilny");
    }

    // Rows that cannot be read are refused with a reason and a remedy.
    void rowsAreRead() {
        const auto keys = compileKeys("a {shift:1.5}\n\nb");
        QVERIFY(keys);
        QCOMPARE(keys->bytes,
                 (std::vector<uint8_t>{2, 'a', 0, 3, GORSE_TYPED_SHIFT, 0, GORSE_KEYS_ROW_ENDS, GORSE_KEYS_PAGE_ENDS, 2,
                                       'b', 0, GORSE_KEYS_ROW_ENDS, GORSE_KEYS_PAGE_ENDS, GORSE_KEYS_END}));
        QVERIFY(compileKeys("{ }"));
        for (const char* wrong :
             {"", " \n ", "{foo}", "{shift:0.3}", "{shift:99}", "{shift:x}", "a {b", "{shift:}", "a\tb"}) {
            const auto refused = compileKeys(wrong);
            QVERIFY2(!refused, wrong);
            QVERIFY(!refused.error().reason.empty() && !refused.error().remedy.empty());
        }
    }

    // A row of characters that the knob turns, on a panel of 128 x 64 px without touch.
    void aRowThatTurns() {
        begin(knobDocument());
        QVERIFY(twin_->key("push", true));
        wait(32);
        QVERIFY(twin_->key("push", false));
        wait(400);
        QVERIFY(isUp());
        QVERIFY(top("keyboard") > 30);
        // From "a" on: the third letter, then back to the first.
        twin_->turn(2);
        press();
        twin_->turn(-2);
        press();
        expect("ca");
        QVERIFY(isWhole());
        // Behind z come space, delete and shift; back from there to the letters.
        twin_->turn(28);
        press();
        twin_->turn(-28);
        press();
        expect("caA");
        QVERIFY(isWhole());
        twin_->turn(-2);
        wait(32);
        press();
        wait(400);
        QCOMPARE(twin_->get("name"), std::string("caA"));
        QVERIFY(!isUp());
        QVERIFY(!twin_->isTyping());
        // The key back leaves the value.
        press();
        wait(300);
        press();
        expect("caAa");
        QVERIFY(twin_->key("back", true));
        wait(400);
        QCOMPARE(twin_->get("name"), std::string("caA"));
        QVERIFY(!isUp());
    }

    // A hidden field, another screen: there is always a way back.
    void itEndsWithItsField() {
        begin(typingDocument("on go.hold\n    hide name\n"));
        tapWidget("name");
        wait(400);
        tapKeys("q");
        QVERIFY(twin_->set("shows_name", "no"));
        wait(400);
        QVERIFY(!twin_->isTyping());
        QVERIFY(!isUp());
        QCOMPARE(twin_->get("name"), std::string("Kiln"));
        QVERIFY(isWhole());
        begin(typingDocument());
        tapWidget("low");
        wait(400);
        twin_->go(1);
        wait(100);
        QVERIFY(!twin_->isTyping());
        QVERIFY(isWhole());
        twin_->go(0);
        wait(100);
        QVERIFY(!twin_->isTyping());
        QCOMPARE(lift(), 0);
        QVERIFY(isWhole());
    }

    // Typing against a text of characters.
    void againstAModel() {
        begin(typingDocument());
        std::mt19937 random(7);
        const auto any = [&](int n) { return std::uniform_int_distribution<int>(0, n - 1)(random); };
        const std::vector<std::u32string> inserted{U"a", U"Z", U"é", U"ß", U"€", U"漢", U"😀", U" ", U"-"};
        tapWidget("name");
        wait(400);
        std::u32string model = U"Kiln";
        size_t cursor = 4;
        typing().cursor = 4;
        for (int i = 0; i < rounds(3000); ++i) {
            switch (any(6)) {
                case 0:
                    twin_->type(GORSE_TYPED_DELETE);
                    if (cursor > 0)
                        model.erase(--cursor, 1);
                    break;
                case 1:
                    twin_->type(GORSE_TYPED_LEFT);
                    cursor -= cursor > 0 ? 1 : 0;
                    break;
                case 2:
                    twin_->type(GORSE_TYPED_RIGHT);
                    cursor += cursor < model.size() ? 1 : 0;
                    break;
                default: {
                    const std::u32string& each = inserted[static_cast<size_t>(any(static_cast<int>(inserted.size())))];
                    twin_->type(each.front());
                    std::u32string next = model;
                    next.insert(cursor, each);
                    if (next.size() <= 20 &&
                        QString::fromUcs4(next.data(), static_cast<qsizetype>(next.size())).toUtf8().size() <= 40) {
                        model = next;
                        ++cursor;
                    }
                }
            }
            const QByteArray text = QString::fromUcs4(model.data(), static_cast<qsizetype>(model.size())).toUtf8();
            QCOMPARE(QByteArray::fromStdString(typed()), text);
            const QByteArray before = QString::fromUcs4(model.data(), static_cast<qsizetype>(cursor)).toUtf8();
            QCOMPARE(int{typing().cursor}, static_cast<int>(before.size()));
            if (i % 50 == 0) {
                wait(16);
                QVERIFY(isWhole());
            }
        }
    }
};

GORSEFINCH_TEST(TestTyping, Nothing)
#include "tst_typing.moc"
