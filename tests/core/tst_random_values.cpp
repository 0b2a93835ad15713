// SPDX-License-Identifier: GPL-3.0-or-later
// The demos with any values, touches and times, one after the other: what a change redraws leaves the frame that is
// drawn from nothing.
#include <QtTest>
#include <random>

#include "core/sim/twin.h"
#include "runtime/gorse_internal.h"
#include "tests/support/built_scene.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kValues = 600, kPerFrame = 7;

class Hand {
  public:
    explicit Hand(Twin& twin) : twin_(twin) {}

    void act() {
        const Document& document = twin_.scene().document;
        const auto& variables = *document.variables;
        switch (upTo(8)) {
            case 0: twin_.touch(upTo(document.panel->width), upTo(document.panel->height), maybe(50)); break;
            case 1: now_ += static_cast<uint32_t>(upTo(3000)); break;
            case 2:
                if (maybe(5))
                    twin_.go(upTo(static_cast<int>(document.screens.size())));
                break;
            default: set(variables[static_cast<size_t>(upTo(static_cast<int>(variables.size())))]); break;
        }
        now_ += static_cast<uint32_t>(upTo(maybe(70) ? 30 : 400));
        twin_.step(now_);
    }

  private:
    int upTo(int end) { return static_cast<int>(random_() % static_cast<uint32_t>(std::max(end, 1))); }
    bool maybe(int percent) { return upTo(100) < percent; }

    void set(const Variable& variable) {
        if (variable.isText()) {
            static const char* const words[] = {"", "x", "Bisque 04", "a longer text than most",
                                                "\xc3\xa9\xc3\xa8 \xe2\x82\xac"};
            QVERIFY(twin_.set(variable.name, words[upTo(5)]));
            return;
        }
        // The ends of the range, anything inside, and what lies outside it.
        const int64_t span = int64_t{variable.max} - variable.min;
        const int64_t inside = variable.min + static_cast<int64_t>(random_()) % (span + 1);
        const int64_t value = maybe(10)   ? variable.min
                              : maybe(10) ? variable.max
                              : maybe(5)  ? static_cast<int32_t>(random_())
                                          : inside;
        gorse_set_element(twin_.run(),
                          static_cast<uint16_t>(ProjectNames(twin_.scene().document).variable(variable.name)->number),
                          static_cast<uint16_t>(variable.count), static_cast<uint32_t>(upTo(variable.count)),
                          static_cast<int32_t>(value));
    }

    Twin& twin_;
    uint32_t now_ = 0;
    std::mt19937 random_{20261130};
};

}  // namespace

class TestRandomValues : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void frameByFrame_data() {
        QTest::addColumn<QString>("example");
        for (const char* each : {"kiln", "hive", "enlarger", "aquifer"})
            QTest::newRow(each) << each;
    }

    void frameByFrame() {
        QFETCH(QString, example);
        SceneBuilder builder;
        Twin twin(builtWithoutErrors(builder, openExample(qPrintable(example))), Twin::View::Panel);
        twin.step(0);
        Hand hand(twin);
        for (int i = 0; i < rounds(kValues); ++i) {
            hand.act();
            twin.takeFlushed();
            twin.takeTrace();
            if (i % kPerFrame != 0)
                continue;
            const std::vector<uint8_t> before(twin.memory().bytes().begin(), twin.memory().bytes().end());
            gorse_redraw(twin.run());
            gorse_paint(twin.run());
            QVERIFY2(std::ranges::equal(before, twin.memory().bytes()),
                     qPrintable(QString("after %1 values").arg(i + 1)));
        }
    }
};

GORSEFINCH_TEST(TestRandomValues, Nothing)
#include "tst_random_values.moc"
