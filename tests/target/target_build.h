// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDir>
#include <QFile>
#include <QProcess>
#include <QString>
#include <QStringList>

#include "core/emit/output_folder.h"
#include "core/sim/script.h"

// Compiles generated code with a driver that runs a script and gives out the panel's memory after every step.
namespace target {

using namespace gorsefinch;

// One way to compile and run. `run` gets the program and the file to write frames to.
struct Toolchain {
    QString name;
    QString compiler;
    QStringList flags;      // of every source
    QStringList linkFlags;
    QStringList sources;    // beside the generated ones and the driver
    bool emulated;
};

inline QString testDir() { return QStringLiteral(SOURCE_DIR "/tests/target/"); }

inline QStringList strictFlags(const char* standard) {
    return {QString("-std=%1").arg(standard), "-Wall", "-Wextra", "-Wpedantic", "-Wconversion", "-Wshadow", "-Werror"};
}

inline Toolchain hostGcc() { return {"gcc", "gcc", strictFlags("c99") << "-O2", {}, {}, false}; }
inline Toolchain hostClang() { return {"clang", "clang", strictFlags("c99") << "-O2", {}, {}, false}; }
inline Toolchain cortexM3() {
    return {"cortex-m3", "arm-none-eabi-gcc",
            strictFlags("c99") << "-Os" << "-mcpu=cortex-m3" << "-mthumb" << "-ffunction-sections" << "-fdata-sections",
            {"--specs=rdimon.specs", "-T", testDir() + "cortex_m3.ld", "-Wl,--gc-sections"},
            {testDir() + "cortex_m3_start.c"}, true};
}

// Runs a command; the text is what it said if it failed, else empty.
inline QString trouble(const QString& program, const QStringList& arguments, int seconds = 120, QString* said = nullptr) {
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

// C lines that make the variable calls of a script's steps, and the table of the others.
inline QByteArray driverScript(const Document& document, const std::vector<ScriptStep>& steps) {
    const ProjectNames names(document);
    QByteArray out = "#include \"" + QByteArray::fromStdString(document.name) + ".h\"\n";
    out += "#define PROJECT(name) " + QByteArray::fromStdString(document.name) + "_##name\n";
    out += "static void set_variable(int step) {\n    switch (step) {\n";
    for (size_t i = 0; i < steps.size(); ++i) {
        if (steps[i].what != ScriptStep::What::Set)
            continue;
        const Variable& v = *names.variable(steps[i].name)->variable;
        QByteArray value = QByteArray::fromStdString(steps[i].value);
        if (v.type == VariableType::Text)
            value = "\"" + value + "\"";
        else if (v.type == VariableType::YesNo)
            value = value == "yes" ? "1" : "0";
        else
            value = QByteArray::number(*decimalFromText(steps[i].value, v.decimals));
        out += "    case " + QByteArray::number(static_cast<int>(i)) + ": PROJECT(set_" + QByteArray::fromStdString(v.name) +
               ")(" + value + "); break;\n";
    }
    out += "    default: break;\n    }\n}\n";
    out += "static const struct { unsigned char what; short x, y; unsigned short ms; } steps[] = {\n";
    for (const ScriptStep& step : steps) {
        const int what = step.what == ScriptStep::What::Wait  ? 0
                         : step.what == ScriptStep::What::Set ? 1
                         : step.what == ScriptStep::What::Release ? 2 : 3;
        out += "    {" + QByteArray::number(what) + ", " + QByteArray::number(step.x) + ", " + QByteArray::number(step.y) +
               ", " + QByteArray::number(stepDuration(step)) + "},\n";
    }
    out += "};\n#define STEPS " + QByteArray::number(static_cast<qsizetype>(steps.size())) + "\n";
    return out;
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
    for (const char* part : {"_scene.c", "_images.c", "_fonts.c"})
        out << folder + "/" + name + part;
    return out;
}

// All frames that the core's twin gives for a script, one behind the other.
inline QByteArray expectedFrames(const BuiltSceneRef& scene, const std::vector<ScriptStep>& steps, long bufferBytes = 0) {
    Twin twin(scene, Twin::View::Panel, bufferBytes);
    QByteArray out;
    const auto done = runScript(twin, steps, "script", [&](int) {
        const auto& bytes = twin.memory().bytes();
        out.append(reinterpret_cast<const char*>(bytes.data()), static_cast<qsizetype>(bytes.size()));
    });
    return done ? out : QByteArray();
}

}  // namespace target
