// SPDX-License-Identifier: GPL-3.0-or-later
// What holds for every interface, tried on ones that nobody would draw.
#include <QtTest>

#include "core/project/project_text.h"
#include "core/sim/twin.h"
#include "runtime/gorse_internal.h"
#include "tests/support/random_project.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kProjects = 40, kSteps = 25;

// What a panel held after each step of a script.
std::vector<std::vector<uint8_t>> framesOf(
    Twin& twin, const std::vector<ScriptStep>& steps, const std::function<void()>& after = [] {}) {
    std::vector<std::vector<uint8_t>> out;
    const auto done = runScript(twin, steps, "script", [&](int) {
        out.push_back(twin.memory().bytes());
        after();
    });
    return done ? out : std::vector<std::vector<uint8_t>>();
}

// The first step at which two runs differ; -1 for none.
int firstDifference(const std::vector<std::vector<uint8_t>>& a, const std::vector<std::vector<uint8_t>>& b) {
    if (a.size() != b.size())
        return 0;
    for (size_t i = 0; i < a.size(); ++i)
        if (a[i] != b[i])
            return static_cast<int>(i);
    return -1;
}

}  // namespace

class TestRandomProjects : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void everything_data() {
        QTest::addColumn<int>("seed");
        for (int seed = 1; seed <= support::rounds(kProjects); ++seed)
            QTest::addRow("%d", seed) << seed;
    }

    void everything() {
        QFETCH(int, seed);
        RandomProject made(static_cast<uint32_t>(seed));
        const Document& document = made.document();
        SceneBuilder builder;
        const BuiltSceneRef scene = builder.build(document);
        for (const Problem& each : scene->problems)
            QVERIFY2(each.severity != Severity::Error, each.text().c_str());
        const auto steps = parseScript(made.script(kSteps), "script");
        QVERIFY(steps);

        // However few lines the draw buffer holds, the pixels are the same.
        Twin whole(scene, Twin::View::Panel, 1 << 20);
        const auto frames = framesOf(whole, *steps);
        QVERIFY(frames.size() > size_t(kSteps));
        Twin strips(scene, Twin::View::Panel);
        QCOMPARE(firstDifference(framesOf(strips, *steps), frames), -1);
        Twin line(scene, Twin::View::Panel, scene->scene.panel->min_buffer_bytes);
        QCOMPARE(firstDifference(framesOf(line, *steps), frames), -1);

        // What is drawn after a change is what is drawn from nothing. Another step would let rules run that wait for
        // it.
        Twin again(scene, Twin::View::Panel);
        int step = 0;
        std::vector<std::vector<uint8_t>> anew;
        (void)framesOf(again, *steps, [&] {
            gorse_redraw(again.run());
            gorse_paint(again.run());
            anew.push_back(again.memory().bytes());
            ++step;
        });
        QCOMPARE(firstDifference(anew, frames), -1);

        // Saved and read again, it is the same project and draws the same.
        const ProjectFiles saved = toFiles(document);
        const ReadProject read = fromFiles([&](const std::string& path, size_t) -> Result<SharedBytes> {
            const auto found = saved.find(path);
            return found == saved.end() ? failure(path, "", "there is no such file")
                                        : Result<std::string>(found->second);
        });
        QVERIFY(read.document && read.problems.empty());
        QVERIFY(toFiles(*read.document) == saved);
        SceneBuilder second;
        Twin reopened(second.build(*read.document), Twin::View::Panel);
        QCOMPARE(firstDifference(framesOf(reopened, *steps), frames), -1);
    }
};

GORSEFINCH_TEST(TestRandomProjects, Nothing)
#include "tst_random_projects.moc"
