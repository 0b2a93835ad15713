// SPDX-License-Identifier: GPL-3.0-or-later
// The runtime's files that come with a kind are all that it needs: they have all that they include, and link without a
// linker that drops functions.
#include <QFileInfo>
#include <QMap>
#include <QProcess>
#include <QRegularExpression>
#include <QSet>
#include <QTemporaryDir>
#include <QtTest>

#include "core/edits/edit.h"
#include "core/emit/runtime_sources.h"
#include "core/scene/built_scene.h"
#include "tests/support/projects.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

class TestKindsAlone : public QObject {
    Q_OBJECT

    QTemporaryDir folder_;
    QMap<QString, QSet<QString>> defined_, used_;  // symbols of each source
    QMap<QString, QSet<QString>> included_;        // files that each includes

    QString run(const QString& program, const QStringList& arguments) {
        QProcess process;
        process.setWorkingDirectory(folder_.path());
        process.start(program, arguments);
        if (!process.waitForFinished(120000) || process.exitCode() != 0)
            qFatal("%s: %s", qPrintable(program), process.readAllStandardError().constData());
        return QString::fromUtf8(process.readAllStandardOutput());
    }

    // Symbols that the files of a project use, and files that they include, that none of them has or is.
    QString missingIn(const Document& document) {
        SceneBuilder builder;
        QSet<QString> has, wants;
        for (const std::string& each : neededSources(*builder.build(document))) {
            has += defined_.value(QString::fromStdString(each));
            wants += used_.value(QString::fromStdString(each)) + included_.value(QString::fromStdString(each));
            has << QString::fromStdString(each);
        }
        QStringList out((wants - has).values());
        out.sort();
        return out.join(' ');
    }

  private Q_SLOTS:
    void initTestCase() {
        QStringList arguments{"-std=c99", "-O0", "-c"};
        for (const RuntimeSource& each : runtimeSources()) {
            QFile file(folder_.filePath(QString::fromUtf8(each.name.data(), static_cast<qsizetype>(each.name.size()))));
            QVERIFY(file.open(QIODevice::WriteOnly));
            file.write(each.text.data(), static_cast<qint64>(each.text.size()));
            static const QRegularExpression include("#include \"(\\w+\\.h)\"");
            for (const QRegularExpressionMatch& found :
                 include.globalMatch(QString::fromUtf8(each.text.data(), static_cast<qsizetype>(each.text.size()))))
                included_[QFileInfo(file).fileName()] << found.captured(1);
            if (each.name.ends_with(".c"))
                arguments << file.fileName();
        }
        run("gcc", arguments);
        const QString symbols = run("sh", {"-c", "nm -A -g *.o"});
        for (const QString& line : symbols.split('\n', Qt::SkipEmptyParts)) {
            const QStringList words = line.simplified().split(' ');
            const QString source = words.front().section(".o:", 0, 0) + ".c", symbol = words.back();
            const QString type = words[words.size() - 2];
            if (symbol.startsWith("gorse_"))
                (type.endsWith('U') ? used_ : defined_)[source] << symbol;
        }
        QVERIFY(defined_.value("gorse_run.c").contains("gorse_begin"));
    }

    void eachKind_data() {
        QTest::addColumn<int>("kind");
        for (const KindInfo* each : kinds())
            QTest::newRow(each->key) << static_cast<int>(each->kind);
    }
    void eachKind() {
        QFETCH(int, kind);
        Document d = withVariable(makeDocument({"first"}), makeNumber("level", 0, 100, 0));
        const Widget alone = makeWidget("it", static_cast<Kind>(kind), 0, 0, 60, 40);
        QCOMPARE(missingIn(addWidgets(d, "first", {alone})), QString());
        // With what it can be bound to, and keys that reach it.
        Widget bound = alone;
        for (const char* each : {"value", "page", "open"})
            if (findIn(info(bound.kind).properties, each))
                bound.properties[each] = std::string("level");
        Panel panel = *d.panel;
        panel.knob = true;
        panel.keys = {"back"};
        QCOMPARE(missingIn(addWidgets(withPanel(d, panel), "first", {bound})), QString());
    }

    void changesOfScreens() {
        Document d = makeDocument({"first", "second"});
        d = addWidgets(d, "first", {makeWidget("on", Kind::Zone, 0, 0, 20, 20)});
        for (const char* each : {"go second", "go second, fade", "open second over", "animate first.on.x to 9 in 1 s"})
            QCOMPARE(missingIn(withRules(d, "main", std::string("on first.on.tap\n    ") + each + "\n")), QString());
    }
};

GORSEFINCH_TEST(TestKindsAlone, Nothing)
#include "tst_kinds_alone.moc"
