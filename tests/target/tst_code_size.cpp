// SPDX-License-Identifier: GPL-3.0-or-later
// Generated interfaces stay within the sizes that the product promises: 8 KB of code for the smallest on a Cortex-M0+,
// 24 KB for the pages of the hive demo on an 8-bit controller, 64 KB for all of it.
#include <QtTest>

#include "tests/support/test_case.h"
#include "tests/target/target_build.h"

using namespace target;

class TestCodeSize : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void codeStaysWithinItsSize() {
        QString told;
        const QString said = error("bash", {SOURCE_DIR "/bench/code_size.sh", BINARY_DIR}, 120, &told);
        QVERIFY2(said.isEmpty(), qPrintable(said));
        static const QRegularExpression runtime("kettle: runtime (\\d+) bytes of code");
        const int kettle = runtime.match(told).captured(1).toInt();
        QVERIFY2(kettle > 0 && kettle <= 8 * 1024, qPrintable(told));
        for (const auto& [what, most] : {std::pair("hive_pages", 24), {"hive", 64}}) {
            const QRegularExpression program(QString("8-bit, %1: .*\\n\\s*(\\d+)\\s+(\\d+)").arg(what));
            const auto hive = program.match(told);
            const int flash = hive.captured(1).toInt() + hive.captured(2).toInt();
            QVERIFY2(hive.hasMatch() && flash > 0 && flash <= most * 1024, qPrintable(told));
        }
    }
};

GORSEFINCH_TEST(TestCodeSize, Nothing)
#include "tst_code_size.moc"
