// SPDX-License-Identifier: GPL-3.0-or-later
// The clock: how it runs on, what texts, rules and expressions make of it, and what carries it.
#include <QtTest>
#include <random>

#include "core/edits/edit.h"
#include "core/emit/generate.h"
#include "core/emit/scene_report.h"
#include "core/project/project_text.h"
#include "core/rules/clock_fields.h"
#include "core/rules/completion.h"
#include "core/sim/date_text.h"
#include "core/sim/twin.h"
#include "runtime/gorse_internal.h"
#include "tests/support/built_scene.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

Document withTexts(const std::vector<std::string>& texts, const std::optional<Clock>& clock = Clock{}) {
    Document document = withPanelOf(makeDocument({"first", "second"}), PixelFormat::Row1, 0, 128, 64);
    document = withVariable(document, makeNumber("count", 0, 1000, 0));
    document = withVariable(document, makeText("title", "Hive"));
    document = withClock(document, clock);
    int number = 0;
    for (const std::string& text : texts)
        document =
            addWidgets(document, "first",
                       {makeWidget("t" + std::to_string(number++), Kind::Text, 0, 0, 128, 10, {{"text", text}})});
    return document;
}

std::string shown(Twin& twin, int widget = 0) {
    const gorse* run = twin.run();
    return gorse_screen_memory(run) + run->scene->screens[0].widgets[widget]->memory;
}

int field(Twin& twin, int which) {
    return gorse_number(twin.run(), static_cast<uint16_t>(twin.scene().scene.clock + which));
}

QDateTime dateOf(Twin& twin) {
    return {QDate(field(twin, GORSE_CLOCK_YEAR), field(twin, GORSE_CLOCK_MONTH), field(twin, GORSE_CLOCK_DAY)),
            QTime(field(twin, GORSE_CLOCK_HOUR), field(twin, GORSE_CLOCK_MINUTE), field(twin, GORSE_CLOCK_SECOND)),
            Qt::UTC};
}

void setTo(Twin& twin, const QDateTime& date) {
    const auto done = twin.set("clock", date.toString("yyyy-MM-dd HH:mm:ss").toStdString());
    QVERIFY2(done, qPrintable(date.toString()));
}

QDateTime anyDate(std::mt19937& random) {
    const QDateTime first(QDate(2000, 1, 1), QTime(0, 0), Qt::UTC), last(QDate(2099, 12, 31), QTime(23, 59), Qt::UTC);
    return first.addSecs(std::uniform_int_distribution<qint64>(0, first.secsTo(last))(random));
}

}  // namespace

class TestClock : public QObject {
    Q_OBJECT

    SceneBuilder builder_;

    BuiltSceneRef built(const Document& document) { return builtWithoutErrors(builder_, document); }

  private Q_SLOTS:
    void itRunsOnAsACalendarDoes() {
        std::mt19937 random(11);
        Twin twin(built(withTexts({"{clock:HH:mm:ss}"})));
        twin.step(0);
        QCOMPARE(dateOf(twin), QDateTime(QDate(2000, 1, 1), QTime(0, 0), Qt::UTC));
        for (int i = 0; i < rounds(3000); ++i) {
            const QDateTime date = anyDate(random);
            setTo(twin, date);
            twin.step(twin.now() + static_cast<uint32_t>(random() % 3000));
            QCOMPARE(dateOf(twin), date);
            QCOMPARE(field(twin, GORSE_CLOCK_WEEKDAY), date.date().dayOfWeek());
            const auto ms = static_cast<uint32_t>(random() % (i % 3 == 0 ? 400000000 : i % 3 == 1 ? 100000 : 3000));
            twin.step(twin.now() + ms);
            const QDateTime then = date.addSecs(ms / 1000);
            if (then.date().year() > 2099)
                continue;
            QCOMPARE(dateOf(twin), then);
            QCOMPARE(field(twin, GORSE_CLOCK_WEEKDAY), then.date().dayOfWeek());
        }
    }

    void stepsOfAnyLengthAddUp() {
        Twin twin(built(withTexts({"{clock:HH:mm:ss}"})));
        twin.step(5);
        setTo(twin, QDateTime(QDate(2024, 2, 28), QTime(23, 59, 58), Qt::UTC));
        uint32_t now = 6;
        twin.step(now);
        for (int i = 0; i < 300; ++i)
            twin.step(now += 7);
        QCOMPARE(shown(twin), std::string("00:00:00"));
        QCOMPARE(dateOf(twin).date(), QDate(2024, 2, 29));
        twin.step(now += 86400000 - 2100 % 1000);
        QCOMPARE(dateOf(twin), QDateTime(QDate(2024, 2, 29), QTime(23, 59, 59), Qt::UTC).addSecs(1));
    }

    void whatIsNoDateIsRefused() {
        Twin twin(built(withTexts({"{clock:HH:mm}"})));
        twin.step(0);
        setTo(twin, QDateTime(QDate(2026, 11, 30), QTime(14, 5), Qt::UTC));
        for (const char* wrong :
             {"2026-02-29 10:00", "1999-12-31 10:00", "2100-01-01 10:00", "2026-13-01 10:00", "2026-04-31 10:00",
              "2026-11-30 24:00", "2026-11-30 10:60", "2026-11-30", "noon", "2026-11-30 10:00 x", ""})
            QVERIFY2(!twin.set("clock", wrong), wrong);
        QVERIFY(twin.set("clock", "2024-02-29 10:00"));
        gorse none{};
        QCOMPARE(gorse_set_clock(&none, 2026, 1, 1, 0, 0, 0), GORSE_RESULT_NOT_BEGUN);
    }

    void textsShowItInManyForms() {
        const std::vector<std::pair<const char*, const char*>> forms{{"HH:mm:ss", "HH:mm:ss"},
                                                                     {"H.m.s", "H.m.s"},
                                                                     {"h:mm a", "h:mm ap"},
                                                                     {"hh a", "hh ap"},
                                                                     {"ddd d MMM yyyy", "ddd d MMM yyyy"},
                                                                     {"dd/MM/yy", "dd/MM/yy"},
                                                                     {"M-d", "M-d"}};
        std::vector<std::string> texts;
        for (const auto& [ours, other] : forms)
            texts.push_back(std::string("{clock:") + ours + "}");
        Twin twin(built(withTexts(texts)));
        twin.step(0);
        std::mt19937 random(4);
        for (int i = 0; i < rounds(500); ++i) {
            const QDateTime date = anyDate(random);
            setTo(twin, date);
            twin.step(twin.now() + 1);
            for (size_t f = 0; f < forms.size(); ++f)
                QCOMPARE(shown(twin, static_cast<int>(f)), QLocale::c().toString(date, forms[f].second).toStdString());
        }
    }

    void namesAreTheProjects() {
        Clock clock;
        clock.days = {"Mo", "Di", "Mi", "Do", "Fr", "Sa", "So"};
        clock.months[2] = "März";
        Twin twin(built(withTexts({"{clock:ddd d. MMM}"}, clock)));
        twin.step(0);
        setTo(twin, QDateTime(QDate(2026, 3, 1), QTime(0, 0), Qt::UTC));
        twin.step(1);
        QCOMPARE(shown(twin), std::string("So 1. März"));
        // The longest of them has room.
        QVERIFY(twin.scene().screens[0].widgets[0]->capacity > std::string("So 31. März").size());
    }

    void rulesAndExpressionsReadIt() {
        Document document = withTexts({"{count} {clock.hour * 60 + clock.minute}"});
        Widget bar = makeWidget("hand", Kind::Progress, 0, 20, 60, 4, {{"value", std::string("clock.second")}});
        bar.expressions["y"] = "20 + clock.weekday";
        document = addWidgets(document, "first", {bar});
        document.rules = std::make_shared<std::vector<RuleFile>>(std::vector<RuleFile>{
            {"main", "when clock.minute == 0 && clock.second == 0\n    count = count + clock.hour\n"}});
        Twin twin(built(document));
        twin.step(0);
        setTo(twin, QDateTime(QDate(2026, 11, 30), QTime(6, 59, 59), Qt::UTC));
        twin.step(1);
        QCOMPARE(twin.get("count"), std::string("0"));
        twin.step(1001);
        QCOMPARE(twin.get("count"), std::string("7"));
        QCOMPARE(shown(twin), std::string("7 420"));
        QCOMPARE(twin.get("clock.hour"), std::string("7"));
    }

    void itAsksForAStepWhenSomethingChanges() {
        Twin seconds(built(withTexts({"{clock:HH:mm:ss}"})));
        Twin minutes(built(withTexts({"{clock:HH:mm}"})));
        for (Twin* twin : {&seconds, &minutes}) {
            twin->step(0);
            setTo(*twin, QDateTime(QDate(2026, 11, 30), QTime(6, 59, 40), Qt::UTC));
            twin->step(100);
        }
        QCOMPARE(gorse_step(seconds.run(), 350), 750u);
        QCOMPARE(gorse_step(minutes.run(), 350), 19750u);
        QCOMPARE(gorse_step(minutes.run(), 20100), 60000u);
        QCOMPARE(shown(minutes), std::string("07:00"));
    }

    void mistakesAreNamed() {
        const auto says = [&](const Document& document, const char* words) {
            return tells(builder_.build(document)->problems.list(), words);
        };
        QVERIFY(says(withTexts({"{clock:HH:mm}"}, std::nullopt), "the project has no clock"));
        QVERIFY(says(withTexts({"{clock.hour}"}, std::nullopt), "only variables are possible here"));
        for (const char* form : {"{clock:}", "{clock:HHH}", "{clock:hh:mm z}", "{clock:yyy}"})
            QVERIFY2(says(withTexts({form}), "this form of date or time is not known"), form);
        QVERIFY(says(withTexts({"{clock.century}"}), "only variables are possible here"));
        Document document = withTexts({});
        document.rules =
            std::make_shared<std::vector<RuleFile>>(std::vector<RuleFile>{{"main", "on start\n    clock.hour = 5\n"}});
        QVERIFY(says(document, "only the firmware sets the clock"));
    }

    // Without a clock its name is free; with one, its setter has the same name in C.
    void aVariableOfItsName() {
        const auto withOne = [](const std::optional<Clock>& clock) {
            return withVariable(withTexts({"{clock:000}"}, clock), makeNumber("clock", 0, 999, 7));
        };
        Twin twin(built(withOne(std::nullopt)));
        twin.step(0);
        QCOMPARE(shown(twin), std::string("007"));
        SceneReporter reporter;
        QVERIFY(!hasErrors(reporter.report(twin.scene()).problems));
        const auto clash = reporter.report(*builder_.build(withOne(Clock{}))).problems;
        QVERIFY(std::any_of(clash.begin(), clash.end(), [](const Problem& each) {
            return each.text().find("demo_set_clock") != std::string::npos;
        }));
    }

    void filesAndEditsCarryIt() {
        Clock clock;
        clock.days[0] = "Montag";
        const Document document = withTexts({"{clock:ddd}"}, clock);
        ProjectFiles files = toFiles(document);
        const auto read = [&] {
            return fromFiles([&](const std::string& path, size_t) -> Result<SharedBytes> {
                const auto found = files.find(path);
                return found == files.end() ? failure(path, "", "there is no such file")
                                            : Result<std::string>(found->second);
            });
        };
        QVERIFY(*read().document->clock == clock);
        std::string main(files.at("gorsefinch.json").text());
        const size_t at = main.find("\"Montag\",");
        main.erase(at, 9);
        files["gorsefinch.json"] = main;
        const ReadProject wrong = read();
        QVERIFY(tells(wrong.problems, "it is no list of 7 names"));
        QVERIFY(wrong.document->clock);

        // Edits leave the time as it is; one that takes the clock away and one that gives it begin anew.
        Twin twin(built(document));
        twin.step(0);
        setTo(twin, QDateTime(QDate(2026, 11, 30), QTime(6, 59, 40), Qt::UTC));
        twin.step(300);
        Document next = withVariable(document, makeNumber("more", 0, 9, 3));
        twin.update(built(next));
        twin.step(1300);
        QCOMPARE(dateOf(twin), QDateTime(QDate(2026, 11, 30), QTime(6, 59, 41), Qt::UTC));
        QCOMPARE(twin.get("more"), std::string("3"));
        QCOMPARE(twin.get("title"), std::string("Hive"));
        twin.update(builder_.build(withClock(next, std::nullopt)));
        twin.step(2300);
        QCOMPARE(twin.get("clock.hour"), std::string());
        QCOMPARE(twin.get("title"), std::string("Hive"));
        twin.update(built(next));
        twin.step(2400);
        QCOMPARE(twin.get("clock.year"), std::string("2000"));
    }

    void generatedCodeSetsIt() {
        const GeneratedCode code = generateCode(*built(withTexts({"{clock:ddd HH:mm}"})));
        QVERIFY(code.files.at("demo.h").find("gorse_result demo_set_clock(uint16_t year, uint8_t month, uint8_t day, "
                                             "uint8_t hour, uint8_t minute, uint8_t second);") != std::string::npos);
        QVERIFY(code.files.count("gorse/gorse_motion_clock.c") == 1);
        const GeneratedCode without = generateCode(*built(withTexts({"{count}"}, std::nullopt)));
        QVERIFY(without.files.at("demo.h").find("clock") == std::string::npos);
        QVERIFY(without.files.count("gorse/gorse_motion_clock.c") == 0);
    }

    void namesAreCompleted() {
        const Document document = withTexts({});
        const auto names = namesInExpression(document, "clo");
        QVERIFY(std::find(names.begin(), names.end(), "clock") != names.end());
        const auto fields = namesInExpression(document, "1 + clock.");
        QCOMPARE(fields.size(), clockVariables().size());
        QCOMPARE(fields[2], std::string("hour"));
    }
};

GORSEFINCH_TEST(TestClock, Nothing)
#include "tst_clock.moc"
