// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures: conversion, dither, scaling and a slider's step, each beside the toolkit's or the command-line image tool's
// way in the same run.
#include <benchmark/benchmark.h>

#include <QFile>
#include <QImage>
#include <QPainter>
#include <QProcess>
#include <QTemporaryDir>
#include <cmath>
#include <functional>
#include <memory>

#include "bench/interleaved.h"
#include "core/image/bake.h"
#include "core/image/ladder.h"
#include "core/image/make_palette.h"
#include "core/image/pack.h"
#include "core/image/reduce.h"
#include "core/image/scale.h"
#include "core/image/tone.h"
#include "core/sim/twin.h"

using namespace gorsefinch;

namespace {

constexpr int kWidth = 4000, kHeight = 3000;

// What a camera might give: broad shades, edges, some grain.
QImage photo(int w = kWidth, int h = kHeight) {
    QImage image(w, h, QImage::Format_RGB32);
    uint32_t random = 1;
    for (int y = 0; y < h; ++y) {
        auto* row = reinterpret_cast<QRgb*>(image.scanLine(y));
        for (int x = 0; x < w; ++x) {
            random = random * 1664525u + 1013904223u;
            const int grain = static_cast<int>(random >> 27) - 16;
            const auto shade = [&](double v) { return std::clamp(static_cast<int>(v) + grain, 0, 255); };
            const double wave = std::sin(x * 9.0 / w) * std::cos(y * 7.0 / h);
            row[x] = qRgb(shade(128 + 100 * wave), shade(x * 200.0 / w + 30 * wave),
                          shade(y * 200.0 / h + (x * 20 / w % 2) * 40));
        }
    }
    return image;
}

Picture pictureOf(const QImage& given) {
    const QImage image = given.convertToFormat(QImage::Format_ARGB32);
    Picture out = makePicture(image.width(), image.height());
    for (int y = 0; y < out.height; ++y)
        std::copy_n(reinterpret_cast<const uint32_t*>(image.constScanLine(y)), out.width,
                    out.pixels.begin() + static_cast<std::ptrdiff_t>(y) * out.width);
    return out;
}

void report(benchmark::State& state, bench::Stopwatch& ours, bench::Stopwatch& theirs) {
    state.counters["ours_ms"] = ours.median() / 1000;
    state.counters["peer_ms"] = theirs.median() / 1000;
    state.counters["times_faster"] = theirs.median() / ours.median();
}

// Ours and theirs on the same photo, turn by turn.
void beside(benchmark::State& state, const std::function<void(const Picture&)>& ours,
            const std::function<void(const QImage&)>& theirs) {
    const QImage image = photo();
    const Picture picture = pictureOf(image);
    bench::Stopwatch us, them;
    for (auto _ : state) {
        us.time([&] { ours(picture); });
        them.time([&] { theirs(image); });
    }
    report(state, us, them);
}

void ToRgb565(benchmark::State& state) {
    constexpr size_t bytes = size_t{2} * kWidth * kHeight;
    beside(
        state,
        [](const Picture& picture) {
            const auto room = std::make_unique_for_overwrite<uint8_t[]>(bytes);
            packInto({room.get(), bytes}, picture, PixelFormat::Rgb565);
            benchmark::DoNotOptimize(room[5]);
        },
        [](const QImage& image) { benchmark::DoNotOptimize(image.convertToFormat(QImage::Format_RGB16)); });
}

void ToOneBitFloydSteinberg(benchmark::State& state) {
    beside(
        state,
        [](const Picture& picture) {
            benchmark::DoNotOptimize(reduce(picture, {PixelFormat::Row1, Reduction::FloydSteinberg}).bytes());
        },
        [](const QImage& image) {
            benchmark::DoNotOptimize(image.convertToFormat(QImage::Format_Mono, Qt::MonoOnly | Qt::DiffuseDither));
        });
}

void ScaleDown(benchmark::State& state) {
    beside(
        state, [](const Picture& picture) { benchmark::DoNotOptimize(scaled(picture, 480, 360)); },
        [](const QImage& image) {
            benchmark::DoNotOptimize(image.scaled(480, 360, Qt::IgnoreAspectRatio, Qt::SmoothTransformation));
        });
}

Picture reducedTo16(const Picture& picture) {
    Reducing how{PixelFormat::Index4, Reduction::FloydSteinberg};
    const Picture* const one[] = {&picture};
    how.palette = makePalette(one, 16);
    return reduce(picture, how).picture();
}

// The tool's own time is that of the whole command less that of merely reading and writing the picture.
void SixteenColours(benchmark::State& state) {
    QTemporaryDir dir;
    const QImage theirs = photo();
    const Picture picture = pictureOf(theirs);
    theirs.save(dir.filePath("in.bmp"));
    const auto convert = [&](const QStringList& arguments) {
        QProcess::execute("convert",
                          QStringList{dir.filePath("in.bmp")} + arguments + QStringList{dir.filePath("out.bmp")});
    };
    bench::Stopwatch us, them, copying;
    for (auto _ : state) {
        us.time([&] { benchmark::DoNotOptimize(reducedTo16(picture)); });
        copying.time([&] { convert({}); });
        them.time([&] { convert({"-dither", "FloydSteinberg", "-colors", "16"}); });
    }
    state.counters["ours_ms"] = us.median() / 1000;
    state.counters["peer_ms"] = (them.median() - copying.median()) / 1000;
    state.counters["times_faster"] = (them.median() - copying.median()) / us.median();
}

// Six kinds of picture: photo, gradient, icon with alpha, line art, screenshot, noise.
QImage kind(int which) {
    QImage image(640, 480, QImage::Format_ARGB32);
    image.fill(which == 2 ? Qt::transparent : Qt::white);
    QPainter painter(&image);
    painter.setRenderHint(QPainter::Antialiasing);
    uint32_t random = 3;
    const auto next = [&] { return (random = random * 1664525u + 1013904223u) >> 8; };
    switch (which) {
        case 0: return photo(640, 480).convertToFormat(QImage::Format_ARGB32);
        case 1: {
            QLinearGradient shade(0, 0, 640, 480);
            shade.setColorAt(0, QColor("#1b2a49"));
            shade.setColorAt(0.5, QColor("#d9822b"));
            shade.setColorAt(1, QColor("#f4f1de"));
            painter.fillRect(image.rect(), shade);
            break;
        }
        case 2:
            for (int i = 0; i < 12; ++i) {
                painter.setBrush(QColor::fromHsv(i * 30, 200, 220, 180));
                painter.drawEllipse(QPointF(320 + 120 * std::cos(i), 240 + 120 * std::sin(i)), 90, 90);
            }
            break;
        case 3:
            for (int i = 0; i < 200; ++i)
                painter.drawLine(static_cast<int>(next() % 640), static_cast<int>(next() % 480),
                                 static_cast<int>(next() % 640), static_cast<int>(next() % 480));
            break;
        case 4:
            for (int i = 0; i < 60; ++i) {
                painter.fillRect(static_cast<int>(next() % 600), static_cast<int>(next() % 440),
                                 static_cast<int>(next() % 160), static_cast<int>(next() % 60),
                                 QColor::fromRgb(next() & 0xffffff));
                painter.drawText(static_cast<int>(next() % 600), static_cast<int>(next() % 440), "temperature 1043 C");
            }
            break;
        default:
            for (int y = 0; y < 480; ++y)
                for (int x = 0; x < 640; ++x)
                    image.setPixel(x, y, 0xff000000u | next());
    }
    return image;
}

void SixteenColoursQuality(benchmark::State& state) {
    QTemporaryDir dir;
    const char* const names[] = {"photo", "gradient", "icon", "lines", "screen", "noise"};
    for (auto _ : state)
        for (int which = 0; which < 6; ++which) {
            QImage image(kind(which));
            QImage ground(image.size(), QImage::Format_RGB32);
            ground.fill(QColor("#14181a"));
            QPainter(&ground).drawImage(0, 0, image);
            const Picture picture = pictureOf(ground);
            ground.save(dir.filePath("in.png"));
            QProcess::execute("convert", {dir.filePath("in.png"), "-dither", "FloydSteinberg", "-colors", "16",
                                          "PNG24:" + dir.filePath("out.png")});
            const double peer = psnrOf(picture, pictureOf(QImage(dir.filePath("out.png"))));
            state.counters[std::string(names[which]) + "_dB"] = psnrOf(picture, reducedTo16(picture));
            state.counters[std::string(names[which]) + "_peer"] = peer;
        }
}

// One step of a slider: a picture of 1024x1024 made anew for a result of 480x272, dithered. The shape is kept between
// the steps of tone, as the station keeps it.
void SliderStep(benchmark::State& state) {
    const Picture picture = pictureOf(photo(1024, 1024));
    const auto format = static_cast<PixelFormat>(state.range(0));
    RecipeShape shape;
    shape.width = 480;
    shape.height = 272;
    shape.fit = Fit::Cover;
    const Picture kept = shaped(picture, shape);
    Recipe recipe;
    recipe.reduction = static_cast<Reduction>(state.range(1));
    for (auto _ : state) {
        recipe.brightness = (recipe.brightness + 1) % 50;
        const Picture fit = toned(kept, recipe);
        Reducing how{format, recipe.reduction};
        if (info(format).hasPalette()) {
            const Picture* const one[] = {&fit};
            how.palette = makePalette(one, 1 << info(format).bits);
        }
        benchmark::DoNotOptimize(reduce(fit, how).bytes());
    }
    state.SetLabel(std::string(info(format).key) + " " + toKey(recipe.reduction));
}

// A screen that a picture fills, plain beside packed by runs.
void PackedPictures(benchmark::State& state) {
    QImage image(240, 180, QImage::Format_ARGB32);
    image.fill(state.range(0) != 0 ? Qt::transparent : QColor("#20303a"));
    QPainter painter(&image);
    painter.setRenderHint(QPainter::Antialiasing);
    for (int i = 0; i < 9; ++i) {
        painter.setPen(QPen(QColor::fromHsv(i * 40, 160, 230), 6));
        painter.drawArc(QRect(20 + i * 10, 10 + i * 9, 200 - i * 20, 160 - i * 18), i * 500, 4000);
    }
    painter.end();
    const auto sceneOf = [&](Packing packing, SceneBuilder& builder) {
        Document document;
        document.name = "bench";
        Image picture;
        picture.name = "dial";
        picture.file = "dial.png";
        picture.original = FileContents::mapped(encodePng(pictureOf(image)));
        picture.recipe.packing = packing;
        document.images = std::make_shared<const std::vector<Image>>(1, picture);
        Screen screen;
        screen.name = "first";
        Widget widget;
        widget.name = "dial_image";
        widget.kind = Kind::Image;
        widget.w = 320;
        widget.h = 240;
        widget.properties["image"] = std::string("dial");
        screen.widgets.push_back(std::make_shared<const Widget>(widget));
        document.screens.push_back(std::make_shared<const Screen>(screen));
        return builder.build(document);
    };
    SceneBuilder a, b;
    Twin plain(sceneOf(Packing::Plain, a), Twin::View::Panel), runs(sceneOf(Packing::Runs, b), Twin::View::Panel);
    plain.step(0);
    runs.step(0);
    bench::Stopwatch plainTime, runTime;
    for (auto _ : state) {
        for (auto* each : {&plain, &runs}) {
            gorse_redraw(each->run());
            (each == &plain ? plainTime : runTime).time([&] { each->step(1); });
            (void)each->takeFlushed();
        }
    }
    state.counters["plain_us"] = plainTime.median();
    state.counters["runs_us"] = runTime.median();
    state.counters["runs_speed"] = plainTime.median() / runTime.median();
    state.SetLabel(state.range(0) != 0 ? "with a mask" : "opaque");
}

BENCHMARK(ToRgb565)->Iterations(9)->Unit(benchmark::kMillisecond);
BENCHMARK(ToOneBitFloydSteinberg)->Iterations(7)->Unit(benchmark::kMillisecond);
BENCHMARK(ScaleDown)->Iterations(15)->Unit(benchmark::kMillisecond);
BENCHMARK(SixteenColours)->Iterations(2)->Unit(benchmark::kMillisecond);
BENCHMARK(SixteenColoursQuality)->Iterations(1)->Unit(benchmark::kMillisecond);
BENCHMARK(SliderStep)
    ->Args({static_cast<int>(PixelFormat::Rgb565), static_cast<int>(Reduction::FloydSteinberg)})
    ->Args({static_cast<int>(PixelFormat::Row1), static_cast<int>(Reduction::BlueNoise)})
    ->Args({static_cast<int>(PixelFormat::Index4), static_cast<int>(Reduction::FloydSteinberg)})
    ->Args({static_cast<int>(PixelFormat::Index4), static_cast<int>(Reduction::Bayer8)})
    ->Args({static_cast<int>(PixelFormat::Index8), static_cast<int>(Reduction::FloydSteinberg)})
    ->Unit(benchmark::kMillisecond);
BENCHMARK(PackedPictures)->Arg(0)->Arg(1)->Iterations(2000)->Unit(benchmark::kMicrosecond);

}  // namespace
