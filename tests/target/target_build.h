// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDir>
#include <QFile>
#include <QProcess>
#include <QString>
#include <QStringList>

#include "core/emit/driver_script.h"
#include "core/emit/output_folder.h"
#include "core/sim/script.h"

// Compiles generated code with a driver that runs a script and gives out the panel's memory after every step.
namespace target {

using namespace gorsefinch;

// One way to compile and run. `run` gets the program and the file to write frames to.
struct Toolchain {
    QString name;
    QString compiler;
    QStringList flags;  // of every source
    QStringList linkFlags;
    QStringList sources;  // beside the generated ones and the driver
    bool emulated;
};

inline QString driverDir() { return QStringLiteral(SOURCE_DIR "/tests/target/drivers/"); }

inline QStringList strictFlags(const char* standard) {
    return {QString("-std=%1").arg(standard), "-Wall", "-Wextra", "-Wpedantic", "-Wconversion", "-Wshadow", "-Werror"};
}

inline Toolchain hostGcc() { return {"gcc", "gcc", strictFlags("c99") << "-O2", {}, {}, false}; }
inline Toolchain hostClang() { return {"clang", "clang", strictFlags("c99") << "-O2", {}, {}, false}; }
inline Toolchain cortexM3() {
    return {"cortex-m3",
            "arm-none-eabi-gcc",
            strictFlags("c99") << "-Os"
                               << "-mcpu=cortex-m3"
                               << "-mthumb"
                               << "-ffunction-sections"
                               << "-fdata-sections",
            {"--specs=rdimon.specs", "-T", driverDir() + "cortex_m3.ld", "-Wl,--gc-sections"},
            {driverDir() + "cortex_m3_start.c"},
            true};
}

// Runs a command; the text is what it said if it failed, else empty.
inline QString error(const QString& program, const QStringList& arguments, int seconds = 120, QString* said = nullptr) {
    QProcess process;
    process.setProcessChannelMode(QProcess::MergedChannels);
    process.start(program, arguments);
    if (!process.waitForStarted())
        return program + " could not be started: install it";
    if (!process.waitForFinished(seconds * 1000)) {
        process.kill();
        process.waitForFinished();
        return program + " took too long";
    }
    const QString text = QString::fromUtf8(process.readAll());
    if (said)
        *said = text;
    return process.exitCode() == 0 ? QString() : program + " " + arguments.join(' ') + "\n" + text;
}

inline bool writeFile(const QString& path, const QByteArray& bytes) {
    QFile file(path);
    return file.open(QIODevice::WriteOnly) && file.write(bytes) == bytes.size();
}

inline QByteArray readFile(const QString& path) {
    QFile file(path);
    return file.open(QIODevice::ReadOnly) ? file.readAll() : QByteArray();
}

// The generated sources of a folder, but for the port, which the driver stands in for.
inline QStringList generatedSources(const QString& folder, const QString& name) {
    QStringList out;
    for (const QString& file : QDir(folder + "/gorse").entryList({"*.c"}, QDir::Files, QDir::Name))
        out << folder + "/gorse/" + file;
    // A project without images or fonts has no such file.
    for (const char* part : {"_scene.c", "_images.c", "_fonts.c"})
        if (const QString source = folder + "/" + name + part; QFile::exists(source))
            out << source;
    return out;
}

// All frames that the core's twin gives for a script, one behind the other.
inline QByteArray expectedFrames(const BuiltSceneRef& scene, const std::vector<ScriptStep>& steps,
                                 long bufferBytes = 0) {
    Twin twin(scene, Twin::View::Panel, bufferBytes);
    QByteArray out;
    const auto done = runScript(twin, steps, "script", [&](int) {
        const auto& bytes = twin.memory().bytes();
        out.append(reinterpret_cast<const char*>(bytes.data()), static_cast<qsizetype>(bytes.size()));
    });
    return done ? out : QByteArray();
}

}  // namespace target
