// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QCryptographicHash>
#include <QTemporaryDir>

#include "core/document/pixel_format.h"
#include "tests/target/target_build.h"

namespace target {

inline std::vector<ScriptStep> scriptOf(const char* text) { return *parseScript(text, "script"); }

// Generates code for projects, compiles it, runs it, and compares what its panel held with what was expected.
class GeneratedPrograms {
  public:
    // Generates into a fresh folder and puts the driver's script beside it.
    QString prepare(const BuiltSceneRef& scene, const std::vector<ScriptStep>& steps, const QString& name) {
        QString to = folder_.filePath(name);
        Disk disk;
        const GeneratedCode code = generateCode(*scene);
        if (hasErrors(code.problems))
            return {};
        const auto written = writeOutput(code, to.toStdString(), disk);
        if (!written)
            return {};
        writeFile(to + "/script.h", QByteArray::fromStdString(driverScript(*scene, steps).value()));
        return to;
    }

    // Compiles what doesn't depend on the buffer once, the scene for each buffer, and runs.
    QString run(const Toolchain& tools, const QString& folder, const Document& document,
                const QList<QPair<long, QByteArray>>& expected) {
        const QString name = QString::fromStdString(document.name);
        const Panel& p = *document.panel;
        const bool sideways = p.turn % 180 != 0;
        const QStringList common =
            tools.flags +
            QStringList{"-I",
                        folder,
                        "-I",
                        driverDir(),
                        QString("-DPANEL_COLUMNS=%1").arg((sideways ? p.height : p.width) + p.columnOffset),
                        QString("-DPANEL_ROWS=%1").arg((sideways ? p.width : p.height) + p.rowOffset)};
        const QString objects = folder + "/" + tools.name;
        QStringList linked;
        QStringList sources = generatedSources(folder, name) + tools.sources;
        sources << driverDir() + "driver.c";
        sources.removeIf([](const QString& source) { return source.endsWith("_scene.c"); });
        if (QString said = compile(tools, common, sources, objects, linked); !said.isEmpty())
            return said;
        for (const auto& [bytes, frames] : expected) {
            const QString program = objects + QString("/program_%1").arg(bytes);
            QStringList arguments =
                common + QStringList{QString("-D%1_BUFFER_BYTES=%2u").arg(name.toUpper()).arg(bytes)};
            arguments << folder + "/" + name + "_scene.c" << linked << tools.linkFlags << "-o" << program;
            if (QString said = error(tools.compiler, arguments); !said.isEmpty())
                return said;
            const QString out = program + ".frames";
            QString said =
                tools.emulated
                    ? error("qemu-system-arm", {"-M", "mps2-an385", "-nographic", "-monitor", "none", "-serial", "none",
                                                "-semihosting-config", "enable=on,target=native,arg=program,arg=" + out,
                                                "-kernel", program})
                    : error(program, {out});
            if (!said.isEmpty())
                return said;
            const QByteArray got = readFile(out);
            if (got != frames)
                return QString("%1, buffer of %2 bytes: frames differ (%3 and %4 bytes)")
                    .arg(tools.name)
                    .arg(bytes)
                    .arg(got.size())
                    .arg(frames.size());
        }
        return {};
    }

    // Compiles sources that are not compiled yet into a folder. Returns an error, or "" and adds the objects.
    QString compile(const Toolchain& tools, const QStringList& flags, const QStringList& sources,
                    const QString& objects, QStringList& linked) const {
        QDir().mkpath(objects);
        for (const QString& source : sources) {
            const QString object = objectOf(tools, source, objects);
            if (!QFile::exists(object))
                if (QString said = error(tools.compiler, flags + QStringList{"-c", source, "-o", object});
                    !said.isEmpty())
                    return said;
            linked << object;
        }
        return {};
    }

  private:
    QTemporaryDir folder_;

    // Where a source's object lies. The runtime's files are the same in every project: one object each serves them all.
    QString objectOf(const Toolchain& tools, const QString& source, const QString& objects) const {
        const QString name = QFileInfo(source).baseName();
        if (!source.contains("/gorse/"))
            return objects + "/" + name + ".o";
        const QByteArray hash = QCryptographicHash::hash(readFile(source), QCryptographicHash::Sha1).toHex();
        return folder_.filePath(tools.name + "_" + name + "_" + hash + ".o");
    }
};

}  // namespace target
