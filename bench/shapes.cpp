// SPDX-License-Identifier: GPL-3.0-or-later
// A whole draw of one widget of each kind that draws shapes, by the runtime, beside the toolkit's raster painter
// drawing the same shape into 16-bit pixels. The two take turns; medians count.
#include <benchmark/benchmark.h>

#include <QImage>
#include <QPainter>
#include <QPainterPath>
#include <QPixmap>
#include <cmath>
#include <functional>

#include "bench/interleaved.h"
#include "core/edits/edit.h"
#include "core/edits/image_edits.h"
#include "core/emit/export_image.h"
#include "core/scene/built_scene.h"
#include "runtime/gorse_internal.h"

using namespace gorsefinch;

namespace {

constexpr int kBox = 160, kLeft = 80, kTop = 40;
constexpr QRectF kBoxRect(kLeft, kTop, kBox, kBox);

struct ShapeCase {
    const char* name;
    Kind kind;
    PropertyMap properties;
    std::function<void(QPainter&)> paint;
};

QColor ink(uint32_t rgb) { return QColor::fromRgb(rgb); }

void fillPath(QPainter& painter, const QPainterPath& path, uint32_t rgb) {
    painter.setPen(Qt::NoPen);
    painter.setBrush(ink(rgb));
    painter.drawPath(path);
}

// What lies between two circles from one angle on, in degrees as the toolkit counts them.
QPainterPath ringPath(const QRectF& outer, double thickness, double start, double sweep) {
    const QRectF inner = outer.adjusted(thickness, thickness, -thickness, -thickness);
    QPainterPath path;
    path.arcMoveTo(outer, start);
    path.arcTo(outer, start, sweep);
    path.arcTo(inner, start + sweep, -sweep);
    path.closeSubpath();
    return path;
}

// A value over time, 0 to 1: two swings of different length.
double courseAt(int sample) { return 0.5 + 0.3 * std::sin(sample / 20.0) + 0.15 * std::sin(sample / 3.0); }

// Fills what trends have recorded.
void fillRecordings(gorse& run) {
    for (uint16_t i = 0; i < run.scene->recorder_count; ++i) {
        const gorse_keeper& recorder = run.scene->keepers[i];
        gorse_recording* recording = gorse_recording_of(&run, &recorder);
        recording->count = gorse_trend_of(&recorder)->samples;
        for (int sample = 0; sample < recording->count; ++sample)
            gorse_samples_of(recording)[(recording->next + sample) % recording->count] =
                static_cast<uint16_t>(courseAt(sample) * GORSE_SAMPLE_MAX);
    }
}

// A picture of 120 x 120 colours, with rounded corners.
const Picture& plaque() {
    static const Picture made = [] {
        Picture p = makePicture(120, 120);
        for (int y = 0; y < 120; ++y)
            for (int x = 0; x < 120; ++x) {
                const double dx = std::max({10 - x, x - 109, 0}), dy = std::max({10 - y, y - 109, 0});
                const auto level = [](int value) { return static_cast<uint32_t>(value % 256); };
                if (std::hypot(dx, dy) < 10)
                    p.at(x, y) = 0xff000000u | level(x * 2) << 16 | level(y * 2) << 8 | level(x * y / 40);
            }
        return p;
    }();
    return made;
}

QImage plaqueImage() {
    const auto* bytes = reinterpret_cast<const uchar*>(plaque().pixels.data());
    return QImage(bytes, 120, 120, QImage::Format_ARGB32).convertToFormat(QImage::Format_ARGB32_Premultiplied);
}

std::vector<ShapeCase> shapeCases() {
    std::vector<ShapeCase> out;
    out.push_back(
        {"image", Kind::Image, {{"image", std::string("plaque")}}, [image = plaqueImage()](QPainter& painter) {
             painter.drawImage(kBoxRect.topLeft() + QPointF(20, 20), image);
         }});
    out.push_back({"turned_image",
                   Kind::Image,
                   {{"image", std::string("plaque")}, {"turn", int64_t{30}}},
                   [image = plaqueImage()](QPainter& painter) {
                       painter.setRenderHint(QPainter::SmoothPixmapTransform, true);
                       painter.translate(kBoxRect.center());
                       painter.rotate(30);
                       painter.drawImage(QPointF(-60, -60), image);
                   }});
    out.push_back({"tiled_image",
                   Kind::Image,
                   {{"image", std::string("plaque")}, {"repeat", std::string("tile")}},
                   [](QPainter& painter) {
                       static const QPixmap pixmap = QPixmap::fromImage(plaqueImage());
                       painter.drawTiledPixmap(kBoxRect, pixmap, QPointF(100, 100));
                   }});
    out.push_back({"stretched_image",
                   Kind::Image,
                   {{"image", std::string("plaque")}, {"repeat", std::string("stretch")}},
                   [image = plaqueImage()](QPainter& painter) { painter.drawImage(kBoxRect, image); }});
    out.push_back({"mirrored_image",
                   Kind::Image,
                   {{"image", std::string("plaque")}, {"mirror", std::string("left-right")}},
                   [image = plaqueImage()](QPainter& painter) {
                       painter.translate(kBoxRect.center());
                       painter.scale(-1, 1);
                       painter.drawImage(QPointF(-60, -60), image);
                   }});
    const PointList zigzag{{8, 120}, {50, 30}, {90, 100}, {150, 20}};
    out.push_back({"line",
                   Kind::Line,
                   {{"points", zigzag}, {"thickness", int64_t{4}}, {"ends", std::string("round")}},
                   [zigzag](QPainter& painter) {
                       QPolygonF polyline;
                       for (const Point& each : zigzag)
                           polyline << QPointF(kLeft + each.x, kTop + each.y);
                       painter.setPen(QPen(ink(0xE0712A), 4, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
                       painter.setBrush(Qt::NoBrush);
                       painter.drawPolyline(polyline);
                   }});
    out.back().properties["colour"] = opaque(0xE0712A);
    const PointList star{{80, 4}, {100, 60}, {156, 60}, {110, 96}, {128, 154}, {80, 118}, {32, 154}, {50, 96}, {4, 60}};
    out.push_back({"polygon", Kind::Polygon, {{"points", star}, {"fill", opaque(0x4F7B58)}}, [star](QPainter& painter) {
                       QPolygonF polygon;
                       for (const Point& each : star)
                           polygon << QPointF(kLeft + each.x, kTop + each.y);
                       painter.setPen(Qt::NoPen);
                       painter.setBrush(ink(0x4F7B58));
                       painter.drawPolygon(polygon, Qt::WindingFill);
                   }});
    out.push_back({"disc", Kind::Disc, {{"fill", opaque(0x4F7B58)}}, [](QPainter& painter) {
                       painter.setPen(Qt::NoPen);
                       painter.setBrush(ink(0x4F7B58));
                       painter.drawEllipse(kBoxRect);
                   }});
    out.push_back(
        {"sector",
         Kind::Disc,
         {{"fill", opaque(0x4F7B58)}, {"hole", int64_t{60}}, {"from_angle", int64_t{225}}, {"to_angle", int64_t{135}}},
         [](QPainter& painter) { fillPath(painter, ringPath(kBoxRect, 32, 225, -270), 0x4F7B58); }});
    out.push_back(
        {"rectangle", Kind::Rectangle, {{"fill", opaque(0x2B3436)}, {"radius", int64_t{12}}}, [](QPainter& painter) {
             painter.setPen(Qt::NoPen);
             painter.setBrush(ink(0x2B3436));
             painter.drawRoundedRect(kBoxRect, 12, 12);
         }});
    out.push_back({"ring",
                   Kind::Ring,
                   {{"fill", opaque(0x2B3436)},
                    {"colour", opaque(0xE0712A)},
                    {"thickness", int64_t{16}},
                    {"from_angle", int64_t{225}},
                    {"to_angle", int64_t{135}},
                    {"min", std::string("-62")},
                    {"max", std::string("38")}},
                   [](QPainter& painter) {
                       fillPath(painter, ringPath(kBoxRect, 16, 225, -270), 0x2B3436);
                       fillPath(painter, ringPath(kBoxRect, 16, 225, -270 * 0.62), 0xE0712A);
                   }});
    out.push_back({"gauge",
                   Kind::Gauge,
                   {{"colour", opaque(0xD7DBD6)},
                    {"pivot_x", int64_t{80}},
                    {"pivot_y", int64_t{80}},
                    {"labels", false},
                    {"zones", ZoneList{{"", "60", opaque(0x4F7B58)}, {"60", "", opaque(0xB4532A)}}}},
                   [](QPainter& painter) {
                       fillPath(painter, ringPath(kBoxRect, 3, 225, -162), 0x4F7B58);
                       fillPath(painter, ringPath(kBoxRect, 3, 63, -108), 0xB4532A);
                       for (int i = 0; i <= 20; ++i) {
                           const double angle = (225 + 13.5 * i) * 3.14159265 / 180;
                           const QPointF way(std::sin(angle), -std::cos(angle));
                           painter.setPen(QPen(ink(0xD7DBD6), i % 5 == 0 ? 2 : 1, Qt::SolidLine, Qt::FlatCap));
                           painter.drawLine(kBoxRect.center() + way * 74,
                                            kBoxRect.center() + way * (i % 5 == 0 ? 66 : 70));
                       }
                       const QPointF way(std::sin(225 * 3.14159265 / 180), -std::cos(225 * 3.14159265 / 180));
                       const QPointF side(-way.y(), way.x());
                       painter.setPen(Qt::NoPen);
                       painter.setBrush(ink(0xF2EEE4));
                       const QPointF middle = kBoxRect.center();
                       painter.drawPolygon(
                           QPolygonF({middle + way * 70, middle + side * 3.5, middle - way * 12, middle - side * 3.5}));
                       painter.setBrush(ink(0xE0712A));
                       painter.drawEllipse(middle, 4, 4);
                   }});
    out.push_back(
        {"clock", Kind::Clock, {{"colour", opaque(0xD7DBD6)}, {"hand_width", int64_t{8}}}, [](QPainter& painter) {
             const QPointF middle = kBoxRect.center();
             const auto way = [](double degrees) {
                 return QPointF(std::sin(degrees * 3.14159265 / 180), -std::cos(degrees * 3.14159265 / 180));
             };
             painter.setPen(QPen(ink(0xD7DBD6), 2, Qt::SolidLine, Qt::FlatCap));
             for (int i = 0; i < 12; ++i)
                 painter.drawLine(middle + way(i * 30) * 80, middle + way(i * 30) * 70);
             painter.setPen(Qt::NoPen);
             const auto hand = [&](double degrees, double length, double half, uint32_t rgb) {
                 painter.setBrush(ink(rgb));
                 painter.drawPolygon(QPolygonF({middle + way(degrees) * length, middle + way(degrees + 90) * half,
                                                middle - way(degrees) * 10, middle - way(degrees + 90) * half}));
             };
             hand(304, 45, 4, 0xD7DBD6);
             hand(54, 65, 3, 0xD7DBD6);
             hand(216, 70, 1, 0xE0712A);
             painter.drawEllipse(middle, 4.5, 4.5);
         }});
    out.push_back({"progress",
                   Kind::Progress,
                   {{"fill", opaque(0x0E1110)},
                    {"colour", opaque(0xE0712A)},
                    {"radius", int64_t{3}},
                    {"padding", int64_t{2}},
                    {"min", std::string("-62")},
                    {"max", std::string("38")}},
                   [](QPainter& painter) {
                       painter.setPen(Qt::NoPen);
                       painter.setBrush(ink(0x0E1110));
                       painter.drawRoundedRect(kBoxRect, 3, 3);
                       painter.setBrush(ink(0xE0712A));
                       painter.drawRoundedRect(kBoxRect.adjusted(2, 2, -60, -2), 1, 1);
                   }});
    out.push_back({"trend",
                   Kind::Trend,
                   {{"fill", opaque(0x0E1110)},
                    {"colour", opaque(0xE0712A)},
                    {"samples", int64_t{kBox}},
                    {"thickness", int64_t{2}},
                    {"min", std::string("0")},
                    {"max", std::string("100")},
                    {"grid_x", int64_t{1}},
                    {"grid_y", int64_t{1}}},
                   [](QPainter& painter) {
                       painter.fillRect(kBoxRect, ink(0x0E1110));
                       QPolygonF course;
                       for (int i = 0; i < kBox; ++i)
                           course << QPointF(kLeft + i + 0.5, kTop + kBox - 1 - courseAt(i) * (kBox - 2));
                       painter.setPen(QPen(ink(0xE0712A), 2, Qt::SolidLine, Qt::FlatCap, Qt::RoundJoin));
                       painter.setBrush(Qt::NoBrush);
                       painter.drawPolyline(course);
                   }});
    out.push_back({"lamp",
                   Kind::Lamp,
                   {{"fill", opaque(0x2B3436)}, {"border", opaque(0x0E1110)}, {"border_width", int64_t{2}}},
                   [](QPainter& painter) {
                       painter.setPen(QPen(ink(0x0E1110), 2));
                       painter.setBrush(ink(0x2B3436));
                       painter.drawEllipse(kBoxRect.adjusted(1, 1, -1, -1));
                   }});
    return out;
}

void sendShapes(void*, uint16_t, uint16_t, uint16_t, uint16_t, const uint8_t* bytes, uint32_t) {
    benchmark::DoNotOptimize(bytes);
}

// Draws the widget's box, whole.
void wholeDraw(benchmark::State& state, const ShapeCase& shape) {
    Document document;
    Screen screen;
    screen.name = "first";
    document.screens.push_back(std::make_shared<const Screen>(screen));
    Widget widget;
    widget.name = "shape";
    widget.kind = shape.kind;
    widget.x = kLeft;
    widget.y = kTop;
    widget.w = widget.h = kBox;
    widget.properties = shape.properties;
    if (shape.kind == Kind::Image)
        document = addImage(document, "plaque.png", std::make_shared<const FileContents>(encodePng(plaque())), nullptr);
    document = addWidgets(document, "first", {widget});
    SceneBuilder builder;
    const BuiltSceneRef scene = builder.build(document);
    std::vector<uint32_t> memory(gorse_state_bytes(&scene->scene) / 4), buffer(320 * 240 / 2);
    const gorse_port port{sendShapes, nullptr, nullptr, nullptr, nullptr, nullptr};
    gorse run{};
    gorse_begin(&run, &scene->scene, &port, memory.data(), static_cast<uint32_t>(memory.size() * 4), buffer.data(),
                static_cast<uint32_t>(buffer.size() * 4));
    gorse_step(&run, 0);
    fillRecordings(run);
    QImage image(320, 240, QImage::Format_RGB16);
    bench::Stopwatch ours, theirs;
    for (auto _ : state) {
        ours.time([&] {
            gorse_dirty_number(&run, 0);
            gorse_paint(&run);
        });
        theirs.time([&] {
            QPainter painter(&image);
            painter.fillRect(kBoxRect, Qt::black);
            painter.setRenderHint(QPainter::Antialiasing, true);
            shape.paint(painter);
        });
    }
    state.counters["runtime_us"] = ours.median();
    state.counters["painter_us"] = theirs.median();
    state.counters["times_faster"] = theirs.median() / ours.median();
}

[[maybe_unused]] const bool registered = [] {
    for (const ShapeCase& each : shapeCases())
        benchmark::RegisterBenchmark((std::string("wholeDraw/") + each.name).c_str(), wholeDraw, each)
            ->Iterations(2000)
            ->Unit(benchmark::kMicrosecond);
    return true;
}();

}  // namespace
