// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QtTest>
#include <functional>
#include <vector>

#include "tests/support/built_scene.h"
#include "tests/support/operated.h"

namespace support {

// Runs an interface beside one that has the same made by hand: both show the same bytes after each step, which is done
// to both and changes something.
inline void compareByHand(const Document& given, const Document& byHand,
                          const std::vector<std::function<void(Hand&)>>& steps) {
    SceneBuilder builder, other;
    (void)builtWithoutErrors(builder, given);
    (void)builtWithoutErrors(other, byHand);
    Hand one(given), two(byHand);
    QVERIFY(one.bytes() == two.bytes());
    for (size_t i = 0; i < steps.size(); ++i) {
        const auto before = one.bytes();
        steps[i](one);
        steps[i](two);
        QVERIFY2(one.bytes() == two.bytes(), qPrintable(QString("step %1").arg(i)));
        QVERIFY2(one.bytes() != before, qPrintable(QString("step %1 changes nothing").arg(i)));
        QVERIFY(one.isWhole());
        QCOMPARE(one["count"], two["count"]);
    }
}

}  // namespace support
