// SPDX-License-Identifier: GPL-3.0-or-later
// The list of areas to draw: whatever is marked in whatever order, all of it is drawn, in few rectangles and not much
// more than it.
#include <QtTest>
#include <random>
#include <vector>

#include "core/sim/twin.h"
#include "runtime/gorse_internal.h"
#include "tests/support/projects.h"
#include "tests/support/rounds.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kWidth = 160, kHeight = 96;

// Which pixels an area holds.
class Plane {
  public:
    void add(const gorse_rect& area) {
        for (int y = std::max<int>(area.y0, 0); y < std::min<int>(area.y1, kHeight); ++y)
            for (int x = std::max<int>(area.x0, 0); x < std::min<int>(area.x1, kWidth); ++x)
                held_[static_cast<size_t>(y) * kWidth + static_cast<size_t>(x)] = true;
    }
    bool covers(const Plane& other) const {
        for (size_t i = 0; i < held_.size(); ++i)
            if (other.held_[i] && !held_[i])
                return false;
        return true;
    }
    long count() const { return std::count(held_.begin(), held_.end(), true); }

  private:
    std::vector<bool> held_ = std::vector<bool>(static_cast<size_t>(kWidth) * kHeight, false);
};

Document panelOf(PixelFormat format, int turn) { return withPanelOf(makeDocument(), format, turn, kWidth, kHeight); }

}  // namespace

class TestDirtyList : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void everythingMarkedIsKept_data() {
        QTest::addColumn<int>("format");
        QTest::addColumn<int>("turn");
        for (const PixelFormat format :
             {PixelFormat::Rgb565, PixelFormat::Page1, PixelFormat::Row1, PixelFormat::Grey4})
            for (const int turn : {0, 90, 180})
                QTest::addRow("%s %d", info(format).key, turn) << static_cast<int>(format) << turn;
    }

    // Random areas, some empty, some beyond the panel.
    void everythingMarkedIsKept() {
        QFETCH(int, format);
        QFETCH(int, turn);
        SceneBuilder builder;
        Twin twin(builder.build(panelOf(static_cast<PixelFormat>(format), turn)), Twin::View::Panel);
        twin.step(0);
        gorse* g = twin.run();
        const gorse_panel& panel = *g->scene->panel;
        std::mt19937 random(7);
        const auto number = [&](int min, int max) {
            return static_cast<gorse_coord>(std::uniform_int_distribution<int>(min, max)(random));
        };
        for (int round = 0, end = support::rounds(300); round < end; ++round) {
            gorse_head* head = gorse_head_of(g);
            head->dirty_count = 0;
            Plane wanted;
            for (int i = number(1, 24); i > 0; --i) {
                gorse_rect area{number(-20, kWidth), number(-20, kHeight), 0, 0};
                area.x1 = area.x0 + number(-2, 40);
                area.y1 = area.y0 + number(-2, 30);
                if (area.x1 > area.x0 && area.y1 > area.y0)
                    wanted.add(area);
                gorse_dirty(g, &area);
                QVERIFY(head->dirty_count <= GORSE_DIRTY);
            }
            Plane kept;
            for (uint8_t i = 0; i < head->dirty_count; ++i) {
                gorse_rect area;
                gorse_dirty_area(head, i, &area);
                QVERIFY(area.x0 >= 0 && area.y0 >= 0 && area.x1 <= kWidth && area.y1 <= kHeight &&
                        gorse_is_empty(&area) == 0);
                // What is sent begins and ends at whole bytes of the panel's memory, but for its edges.
                QVERIFY(area.x0 == 0 || (area.x0 - panel.phase_x) % panel.unit_x == 0);
                QVERIFY(area.y0 == 0 || (area.y0 - panel.phase_y) % panel.unit_y == 0);
                QVERIFY(area.x1 == kWidth || (area.x1 - panel.phase_x) % panel.unit_x == 0);
                QVERIFY(area.y1 == kHeight || (area.y1 - panel.phase_y) % panel.unit_y == 0);
                kept.add(area);
            }
            QVERIFY2(kept.covers(wanted), qPrintable(QString("round %1").arg(round)));
        }
    }

    // What is sent beyond the exact union, for the ways in which interfaces change.
    void littleMoreIsSentThanWasMarked_data() {
        QTest::addColumn<QString>("way");
        QTest::addColumn<double>("max");
        QTest::newRow("scattered") << "scattered" << 1.25;
        QTest::newRow("a column of readouts") << "column" << 1.1;
        QTest::newRow("a thing that moves") << "moving" << 1.2;
        // Half more than the list holds: which are joined matters.
        QTest::newRow("anywhere") << "anywhere" << 1.85;
    }

    void littleMoreIsSentThanWasMarked() {
        QFETCH(QString, way);
        QFETCH(double, max);
        SceneBuilder builder;
        Twin twin(builder.build(panelOf(PixelFormat::Rgb565, 0)));
        twin.step(0);
        gorse* g = twin.run();
        std::mt19937 random(11);
        const auto number = [&](int min, int up) {
            return static_cast<gorse_coord>(std::uniform_int_distribution<int>(min, up)(random));
        };
        long sent = 0, exact = 0;
        for (int round = 0, end = support::rounds(200); round < end; ++round) {
            gorse_head* head = gorse_head_of(g);
            head->dirty_count = 0;
            Plane wanted;
            const auto mark = [&](int x, int y, int w, int h) {
                const gorse_rect area{x, y, x + w, y + h};
                wanted.add(area);
                gorse_dirty(g, &area);
            };
            const int x = number(0, 90), y = number(0, 60);
            if (way == "scattered")
                for (int i = 0; i < 9; ++i)
                    mark(i % 3 * 52 + number(0, 10), i / 3 * 32 + number(0, 6), 24, 14);
            else if (way == "anywhere")
                for (int i = 0; i < 12; ++i)
                    mark(number(0, kWidth - 12), number(0, kHeight - 10), number(4, 12), number(4, 10));
            else if (way == "column")
                for (int i = 0; i < 6; ++i)
                    mark(90 + number(0, 3), i * 16, 40, 12);
            else
                for (const int by : {0, 3})
                    mark(x + by, y, 30, 20);
            for (uint8_t i = 0; i < head->dirty_count; ++i) {
                gorse_rect area;
                gorse_dirty_area(head, i, &area);
                sent += long{area.x1 - area.x0} * (area.y1 - area.y0);
            }
            exact += wanted.count();
        }
        const double ratio = static_cast<double>(sent) / static_cast<double>(exact);
        QVERIFY2(ratio >= 1 && ratio <= max, qPrintable(QString::number(ratio)));
    }
};

GORSEFINCH_TEST(TestDirtyList, Nothing)
#include "tst_dirty_list.moc"
