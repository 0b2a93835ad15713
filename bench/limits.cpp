// SPDX-License-Identifier: GPL-3.0-or-later
// Time and memory of the worst accepted inputs, each in a process of its own, beside the bounds of docs/limits.md.
#include <benchmark/benchmark.h>
#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>

#include <QBuffer>
#include <QDir>
#include <QFile>
#include <QImage>
#include <QStringList>
#include <QTemporaryDir>
#include <chrono>
#include <functional>

#include "core/base/files.h"
#include "core/edits/edit.h"
#include "core/edits/font_edits.h"
#include "core/font/baked_font.h"
#include "core/image/picture.h"
#include "core/project/project_text.h"
#include "core/scene/built_scene.h"
#include "core/sim/twin.h"

using namespace gorsefinch;

namespace {

struct Took {
    double ms = 0, megabytes = 0;
    bool accepted = false;
};

// Runs work in a forked child and returns the time and memory that it takes in addition to this process's.
Took inChild(const std::function<bool()>& work) {
    int ends[2];
    if (pipe(ends) != 0)
        return {};
    const pid_t child = fork();
    if (child == 0) {
        rusage before{}, after{};
        getrusage(RUSAGE_SELF, &before);
        const auto from = std::chrono::steady_clock::now();
        Took took;
        took.accepted = work();
        took.ms = std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - from).count();
        getrusage(RUSAGE_SELF, &after);
        took.megabytes = static_cast<double>(after.ru_maxrss - before.ru_maxrss) / 1024;
        _exit(write(ends[1], &took, sizeof took) == sizeof took ? 0 : 1);
    }
    Took took;
    const bool reported = read(ends[0], &took, sizeof took) == sizeof took;
    close(ends[0]);
    close(ends[1]);
    (void)waitpid(child, nullptr, 0);
    return reported ? took : Took{};
}

// Runs the command line and returns the time and memory of the whole process.
Took inCommandLine(const QStringList& words) {
    Took took;
    const auto from = std::chrono::steady_clock::now();
    const pid_t child = fork();
    if (child == 0) {
        std::vector<std::string> texts{BINARY_DIR "/cli/gorsefinch-cli"};
        for (const QString& each : words)
            texts.push_back(each.toStdString());
        std::vector<char*> pointers;
        for (std::string& each : texts)
            pointers.push_back(each.data());
        pointers.push_back(nullptr);
        execv(pointers.front(), pointers.data());
        _exit(127);
    }
    int status = 0;
    rusage usage{};
    (void)wait4(child, &status, 0, &usage);
    took.ms = std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - from).count();
    took.megabytes = static_cast<double>(usage.ru_maxrss) / 1024;
    took.accepted = WIFEXITED(status) && WEXITSTATUS(status) == 0;
    return took;
}

void report(benchmark::State& state, double boundMs, double boundMegabytes, const std::function<Took()>& run) {
    for (auto _ : state) {
        const Took took = run();
        state.SetIterationTime(took.ms / 1000);
        state.counters["MB"] = took.megabytes;
        state.counters["bound_MB"] = boundMegabytes;
        state.counters["bound_ms"] = boundMs;
        if (!took.accepted)
            state.SkipWithError("it was refused");
        else if (took.ms > boundMs || took.megabytes > boundMegabytes)
            state.SkipWithError("above the bound that is documented");
    }
}

void measure(benchmark::State& state, double boundMs, double boundMegabytes, const std::function<bool()>& work) {
    report(state, boundMs, boundMegabytes, [&] { return inChild(work); });
}

// A picture of 64 megapixels with some detail.
std::string largePicture(const char* format) {
    QImage image(8192, 8192, QImage::Format_RGB32);
    for (int y = 0; y < image.height(); ++y) {
        auto* row = reinterpret_cast<uint32_t*>(image.scanLine(y));
        for (int x = 0; x < image.width(); ++x)
            row[x] = 0xff000000u | static_cast<uint32_t>(x / 32 * 7 + y / 32 * 13) * 2654435761u >> 8;
    }
    QByteArray data;
    QBuffer buffer(&data);
    buffer.open(QIODevice::WriteOnly);
    image.save(&buffer, format, format == std::string("png") ? 90 : 80);
    return data.toStdString();
}

void decodes(benchmark::State& state, const char* format) {
    const std::string bytes = largePicture(format);
    measure(state, 5000, 700, [&] { return decodePicture(bytes, "large").has_value(); });
}

void LargestPng(benchmark::State& state) { decodes(state, "png"); }
void LargestJpeg(benchmark::State& state) { decodes(state, "jpg"); }
void LargestBmp(benchmark::State& state) { decodes(state, "bmp"); }
void LargestWebp(benchmark::State& state) {
    // Its encoder is slow: half the pixels.
    QImage image(8192, 4096, QImage::Format_RGB32);
    image.fill(Qt::red);
    QByteArray data;
    QBuffer buffer(&data);
    buffer.open(QIODevice::WriteOnly);
    image.save(&buffer, "webp", 80);
    const std::string bytes = data.toStdString();
    measure(state, 5000, 700, [&] { return decodePicture(bytes, "large").has_value(); });
}

void LargestDrawing(benchmark::State& state) {
    std::string svg = "<svg xmlns='http://www.w3.org/2000/svg' width='1000' height='1000'>";
    for (int i = 0; i < 99000; ++i)
        svg += "<circle cx='" + std::to_string(i % 1000) + "' cy='" + std::to_string(i / 100) + "' r='9' fill='#" +
               std::to_string(100 + i % 900) + "'/>";
    svg += "</svg>";
    // The toolkit cannot draw it in a forked child, which lacks the parent's threads.
    QTemporaryDir dir;
    QFile file(dir.filePath("large.svg"));
    if (file.open(QIODevice::WriteOnly))
        file.write(svg.data(), static_cast<qint64>(svg.size()));
    file.close();
    report(state, 15000, 300, [&] {
        return inCommandLine(
            {"image", file.fileName(), "-o", dir.filePath("large.bin"), "--format", "rgb565", "--size", "320x240"});
    });
}

void ProjectOfImagesOfOneFile(benchmark::State& state) {
    const std::string picture = "P2 1 1 255 7\n" + std::string(1 << 20, ' ');
    std::string images;
    for (size_t i = 0; i < kMaxListed; ++i)
        images += std::string(i == 0 ? "" : ",") + "{\"name\": \"i" + std::to_string(i) + "\", \"file\": \"one.pgm\"}";
    const std::string main = "{\"gorsefinch\": 1, \"name\": \"p\", \"images\": [" + images + "]}";
    measure(state, 2000, 100, [&] {
        const ReadProject read = fromFiles([&](const std::string& path, size_t) -> Result<SharedBytes> {
            return SharedBytes(path == kMainFile ? main : picture);
        });
        return read.document && toFiles(*read.document).size() == 3;
    });
}

// Originals up to the limit of all together, no two of them alike, opened and checked.
void ProjectOfLargeOriginals(benchmark::State& state) {
    constexpr int count = 500;
    QTemporaryDir dir;
    (void)QDir(dir.path()).mkdir("images");
    std::string images;
    for (int i = 0; i < count; ++i) {
        const std::string name = std::to_string(i);
        images += std::string(i == 0 ? "" : ",") + "{\"name\": \"i" + name + "\", \"file\": \"" + name + ".pgm\"}";
        QFile file(dir.filePath(QString("images/%1.pgm").arg(i)));
        if (file.open(QIODevice::WriteOnly)) {
            file.write("P5 1024 1024 255 ");
            file.write(QByteArray(1024 * 1024, static_cast<char>(i)) + QByteArray::number(i));
        }
    }
    Disk disk;
    const std::filesystem::path folder = dir.path().toStdString();
    (void)QDir(dir.path()).mkdir("screens");
    const bool written =
        replaceFile(disk, folder / "screens/first.json", "{\"widgets\": []}") &&
        replaceFile(disk, folder / kMainFile,
                    "{\"gorsefinch\": 1, \"name\": \"p\", \"screens\": [\"first\"], \"images\": [" + images + "]}");
    if (!written)
        return state.SkipWithError("the project could not be written");
    report(state, 30000, 200, [&] { return inCommandLine({"check", dir.path()}); });
}

// Screens up to the limit of all texts, each with the maximum number of widgets.
void ProjectOfAllTexts(benchmark::State& state) {
    std::string widgets;
    for (size_t i = 0; i < kMaxWidgets; ++i)
        widgets += std::string(i == 0 ? "" : ",") + "{\"name\":\"w" + std::to_string(i) +
                   "\",\"kind\":\"text\",\"x\":1,\"y\":2,\"w\":30,\"h\":9,\"text\":\"Words of the widget\"}";
    const std::string screen = "{\"widgets\":[" + widgets + "]}";
    std::string names;
    for (size_t i = 0; i < kMaxTexts / screen.size(); ++i)
        names += std::string(i == 0 ? "" : ",") + "\"s" + std::to_string(i) + "\"";
    const std::string main = "{\"gorsefinch\": 1, \"name\": \"p\", \"screens\": [" + names + "]}";
    measure(state, 30000, 600, [&] {
        const ReadProject read = fromFiles([&](const std::string& path, size_t) -> Result<SharedBytes> {
            return SharedBytes(path == kMainFile ? main : screen);
        });
        return read.document && read.document->screens.size() > 100;
    });
}

void LargestRules(benchmark::State& state) {
    std::string rules = "on start\n";
    while (rules.size() < kMaxRulesFile - 40)
        rules += "    level = level + 1 + 2 * level\n";
    Document d;
    d.name = "p";
    Variable v;
    v.name = "level";
    d = withVariable(d, v);
    Screen screen;
    screen.name = "first";
    d.screens.push_back(std::make_shared<const Screen>(screen));
    d = withRules(d, "main", rules);
    measure(state, 3000, 200, [&] {
        SceneBuilder builder;
        return builder.build(d) != nullptr;
    });
}

void LargestPanel(benchmark::State& state) {
    Document d;
    d.name = "p";
    Panel panel;
    panel.width = panel.height = kMaxPanelSide;
    panel.format = PixelFormat::Argb8888;
    d = withPanel(d, panel);
    Screen screen;
    screen.name = "first";
    d.screens.push_back(std::make_shared<const Screen>(screen));
    measure(state, 2000, 300, [&] {
        SceneBuilder builder;
        Twin twin(builder.build(d));
        twin.step(0);
        return twin.memory().bytes().size() > 1000;
    });
}

void FaceOfAllCharacters(benchmark::State& state) {
    std::string bdf =
        "STARTFONT 2.1\nFONT -a-b-c-d-e--16-160-72-72-p-80-iso10646-1\nSIZE 16 72 72\nFONTBOUNDINGBOX 16 16 0 "
        "0\nSTARTPROPERTIES 2\nFONT_ASCENT 16\nFONT_DESCENT 0\nENDPROPERTIES\nCHARS 60000\n";
    for (int i = 1; i <= 60000; ++i) {
        bdf += "STARTCHAR c" + std::to_string(i) + "\nENCODING " + std::to_string(i) +
               "\nSWIDTH 500 0\nDWIDTH 16 0\nBBX 16 16 0 0\nBITMAP\n";
        for (int row = 0; row < 16; ++row)
            bdf += "A5C3\n";
        bdf += "ENDCHAR\n";
    }
    bdf += "ENDFONT\n";
    Document d;
    std::string name;
    d = addFace(d, "all.bdf", FileContents::mapped(bdf), &name);
    measure(state, 20000, 500, [&] {
        const FontKey key{name, 16};
        auto source = fontSource(d, key, 1);
        if (!source)
            return false;
        std::set<char32_t> all;
        for (const char32_t each : source->faces.front()->characters())
            all.insert(each);
        BakedFont font(key, std::move(*source));
        font.need(all, 1);
        font.bake();
        return font.glyphCount() > 50000;
    });
}

BENCHMARK(LargestPng)->Iterations(1)->UseManualTime()->Unit(benchmark::kMillisecond);
BENCHMARK(LargestJpeg)->Iterations(1)->UseManualTime()->Unit(benchmark::kMillisecond);
BENCHMARK(LargestBmp)->Iterations(1)->UseManualTime()->Unit(benchmark::kMillisecond);
BENCHMARK(LargestWebp)->Iterations(1)->UseManualTime()->Unit(benchmark::kMillisecond);
BENCHMARK(LargestDrawing)->Iterations(1)->UseManualTime()->Unit(benchmark::kMillisecond);
BENCHMARK(ProjectOfImagesOfOneFile)->Iterations(1)->UseManualTime()->Unit(benchmark::kMillisecond);
BENCHMARK(ProjectOfLargeOriginals)->Iterations(1)->UseManualTime()->Unit(benchmark::kMillisecond);
BENCHMARK(ProjectOfAllTexts)->Iterations(1)->UseManualTime()->Unit(benchmark::kMillisecond);
BENCHMARK(LargestRules)->Iterations(1)->UseManualTime()->Unit(benchmark::kMillisecond);
BENCHMARK(LargestPanel)->Iterations(1)->UseManualTime()->Unit(benchmark::kMillisecond);
BENCHMARK(FaceOfAllCharacters)->Iterations(1)->UseManualTime()->Unit(benchmark::kMillisecond);

}  // namespace
