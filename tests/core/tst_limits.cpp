// SPDX-License-Identifier: GPL-3.0-or-later
// Projects larger than the tables' numbers can say: an error that tells the limit, nothing lost, nothing overrun.
#include <QtTest>

#include "core/project/project_text.h"
#include "core/sim/twin.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

// A project on a disk in memory whose second screen has so many widgets.
MemoryDisk withWidgets(size_t count) {
    MemoryDisk files;
    putProject(files, toFiles(makeDocument({"first", "second"})));
    std::string widgets;
    for (size_t i = 0; i < count; ++i)
        widgets += std::string(i == 0 ? "" : ",") + "{\"name\":\"w" + std::to_string(i) +
                   "\",\"kind\":\"rectangle\",\"w\":4,\"h\":4}";
    files.put("/p/screens/second.json", "{\"name\":\"second\",\"widgets\":[" + widgets + "]}");
    return files;
}

// Whatever the state holds, a few steps, touches and values leave what lies behind it alone; the sanitizers watch.
void runAround(const BuiltSceneRef& scene) {
    Twin twin(scene);
    for (uint32_t time = 0; time < 50; time += 10) {
        twin.step(time);
        twin.touch(static_cast<int>(time), 20, time % 20 == 0);
        for (const Variable& each : *scene->document.variables)
            (void)twin.set(each.name, each.type == VariableType::Text
                                          ? std::string(200, static_cast<char>('a' + time / 10))
                                          : "7");
    }
}

}  // namespace

class TestLimits : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void aScreenOfAllWidgetsIsRead() {
        MemoryDisk files = withWidgets(kMaxWidgets);
        const ReadProject read = ProjectFolder(files, "/p").open();
        QVERIFY(read.document);
        QCOMPARE(read.document->screen("second")->widgets.size(), kMaxWidgets);
    }

    void aScreenOfMoreStaysAsItIs() {
        MemoryDisk files = withWidgets(kMaxWidgets + 1);
        const std::string before = files.get("/p/screens/second.json");
        ProjectFolder folder(files, "/p");
        const ReadProject read = folder.open();
        QVERIFY(read.document);
        QVERIFY(!read.document->screen("second"));
        QVERIFY(tells(read.problems, std::to_string(kMaxWidgets)));
        QVERIFY(folder.save(withVariable(*read.document, makeNumber("fresh", 0, 9, 0))).has_value());
        QVERIFY(files.get("/p/screens/second.json") == before);
        QVERIFY(files.get("/p/gorsefinch.json").find("\"second\"") != std::string::npos);
    }

    void listsThatAreTooLongAreRefused_data() {
        QTest::addColumn<QString>("list");
        for (const char* list : {"variables", "looks", "images", "fonts", "screens", "rules"})
            QTest::newRow(list) << QString(list);
    }

    void listsThatAreTooLongAreRefused() {
        QFETCH(QString, list);
        MemoryDisk files;
        std::string entries = "{}";
        for (size_t i = 0; i < kMaxListed; ++i)
            entries += ",{}";
        files.put("/p/gorsefinch.json",
                  "{\"gorsefinch\": 1, \"name\": \"p\", \"" + list.toStdString() + "\": [" + entries + "]}");
        const ReadProject read = ProjectFolder(files, "/p").open();
        QVERIFY(!read.document);
        QVERIFY(tells(read.problems, std::to_string(kMaxListed)));
        QVERIFY(tells(read.problems, list.toStdString()));
    }

    void nothingIsAddedToAFullScreen() {
        std::vector<Widget> many;
        for (size_t i = 0; i < kMaxWidgets; ++i)
            many.push_back(makeWidget("w", Kind::Rectangle, 0, 0, 4, 4));
        Names added;
        const Document full = addWidgets(makeDocument(), "first", many, &added);
        QCOMPARE(added.size(), kMaxWidgets);
        Names more;
        const Document same = addWidgets(full, "first", {makeWidget("one", Kind::Rectangle, 0, 0, 4, 4)}, &more);
        QVERIFY(more.empty());
        QCOMPARE(same.screen("first")->widgets.size(), kMaxWidgets);
    }

    void textsOfVariablesHaveABound() {
        Document d = makeDocument();
        auto variables = *d.variables;
        for (int i = 0; i < 400; ++i)
            variables.push_back(makeText("text_" + std::to_string(i), "words", 200));
        d.variables = std::make_shared<std::vector<Variable>>(variables);
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(d);
        QVERIFY(tells(scene->problems, "65000"));
        runAround(scene);
        // As many as fit are no problem.
        variables.resize(300);
        d.variables = std::make_shared<std::vector<Variable>>(variables);
        QVERIFY(!hasErrors(builder.build(d)->problems));
    }

    void textsOfAScreenHaveABound() {
        Document d = withVariable(makeDocument(), makeText("title", "words", 200));
        std::vector<Widget> widgets;
        for (int i = 0; i < 400; ++i)
            widgets.push_back(makeWidget("w" + std::to_string(i), Kind::Text, i % 20, i / 20, 100, 20,
                                         {{"text", std::string("of {title}")}}));
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(addWidgets(d, "first", widgets));
        QVERIFY(tells(scene->problems, "65000"));
        runAround(scene);
        widgets.resize(300);
        QVERIFY(!hasErrors(builder.build(addWidgets(d, "first", widgets))->problems));
    }
};

GORSEFINCH_TEST(TestLimits, Nothing)
#include "tst_limits.moc"
