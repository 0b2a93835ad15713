// SPDX-License-Identifier: GPL-3.0-or-later
// A full frame of the kiln's status screen by the runtime, beside the toolkit's raster painter drawing the same scene
// into 16-bit pixels. Frames of the two take turns; medians count.
#include <benchmark/benchmark.h>

#include <QFontDatabase>
#include <QImage>
#include <QPainter>

#include "bench/interleaved.h"
#include "bench/kiln.h"
#include "core/project/project_folder.h"
#include "core/sim/twin.h"
#include "runtime/gorse_internal.h"

using namespace gorsefinch;

namespace {

// What the painter needs to draw one widget, prepared outside the timed part, as a program would.
struct PainterWidget {
    QRectF box;
    bool hasFill = false;
    QColor fill, ink;
    int radius = 0;
    QString text;
    QFont font;
    int flags = 0;
    QImage image;
    double share = 0;                       // of a bar or ring that is lit
    int parts = 0, gap = 0, thickness = 0;  // of a ring; px
};

QFont fontFor(const Document& d, const std::string& face, int size) {
    static std::map<std::string, QString> families;
    const Face* found = d.face(face);
    auto& family = families[face];
    if (family.isEmpty()) {
        const int id =
            QFontDatabase::addApplicationFontFromData(QByteArray::fromStdString(std::string(found->original->text())));
        family = QFontDatabase::applicationFontFamilies(id).value(0);
    }
    QFont font(family);
    font.setBold(face == "bold");
    font.setPixelSize(size);
    return font;
}

std::vector<PainterWidget> painterScene(const Document& d, const Screen& screen, const Twin& twin) {
    std::vector<PainterWidget> out;
    for (const WidgetRef& ref : screen.widgets) {
        const Widget& w = *ref;
        if (!w.visible)
            continue;
        const auto value = [&](const char* key) { return effectiveValue(d, w, key); };
        PainterWidget p;
        p.box = QRectF(w.x, w.y, w.w, w.h);
        const Colour fill = std::get<Colour>(value("fill"));
        p.hasFill = fill.argb >> 24 != 0;
        p.fill = QColor::fromRgba(fill.argb);
        p.ink = QColor::fromRgba(std::get<Colour>(value("colour")).argb);
        p.radius = static_cast<int>(std::get<int64_t>(value("radius")));
        if (info(w.kind).has(kHasText)) {
            // The words as the twin shows them now.
            const ProjectNames names(d);
            for (const TextPiece& piece : splitText(std::get<std::string>(value("text"))).pieces)
                p.text += QString::fromStdString(piece.inset ? twin.get(piece.text.substr(0, piece.text.find(':')))
                                                             : piece.text);
            p.font =
                fontFor(d, std::get<std::string>(value("font")), static_cast<int>(std::get<int64_t>(value("size"))));
            const std::string align = std::get<std::string>(value("align"));
            p.flags = Qt::AlignVCenter | (align == "right"    ? Qt::AlignRight
                                          : align == "middle" ? Qt::AlignHCenter
                                                              : Qt::AlignLeft);
        }
        if (w.kind == Kind::Image)
            p.image = QImage::fromData(QByteArray::fromStdString(std::string(d.images->front().original->text())))
                          .scaled(w.w, w.h)
                          .convertToFormat(QImage::Format_ARGB32_Premultiplied);
        if (w.kind == Kind::Progress || w.kind == Kind::Ring) {
            const std::string variable = std::get<std::string>(value("value"));
            const Variable& shown = *d.variable(variable);
            const double range = shown.max - shown.min;
            const ProjectNames names(d);
            const int32_t now =
                gorse_number(const_cast<Twin&>(twin).run(), static_cast<uint16_t>(names.variable(variable)->number));
            p.share = (now - shown.min) / range;
        }
        if (w.kind == Kind::Ring) {
            p.hasFill = false;
            p.parts = static_cast<int>(std::get<int64_t>(value("parts")));
            p.gap = static_cast<int>(std::get<int64_t>(value("part_gap")));
            p.thickness = static_cast<int>(std::get<int64_t>(value("thickness")));
        }
        out.push_back(std::move(p));
    }
    return out;
}

// The parts of a ring, from the top on.
void paintRing(QPainter& painter, const PainterWidget& w) {
    const double half = w.thickness / 2.0;
    const QRectF middle = w.box.adjusted(half, half, -half, -half);
    const double gap = w.gap / (middle.width() / 2) * 180 / 3.14159265, part = 360.0 / w.parts;
    painter.setRenderHint(QPainter::Antialiasing, true);
    painter.setBrush(Qt::NoBrush);
    for (int i = 0; i < w.parts; ++i) {
        painter.setPen(QPen(i < w.share * w.parts ? w.ink : w.fill, w.thickness, Qt::SolidLine, Qt::FlatCap));
        painter.drawArc(middle, static_cast<int>((90 - i * part) * 16), static_cast<int>(-(part - gap) * 16));
    }
    painter.setRenderHint(QPainter::Antialiasing, false);
}

// The lit part of a bar with round ends.
void paintBar(QPainter& painter, const PainterWidget& w) {
    painter.save();
    painter.setClipRect(QRectF(w.box.left(), w.box.top(), w.box.width() * w.share, w.box.height()));
    painter.setRenderHint(QPainter::Antialiasing, true);
    painter.setPen(Qt::NoPen);
    painter.setBrush(w.ink);
    painter.drawRoundedRect(w.box, w.radius, w.radius);
    painter.restore();
}

void paint(QImage& image, const QColor& background, const std::vector<PainterWidget>& scene) {
    QPainter painter(&image);
    painter.fillRect(image.rect(), background);
    for (const PainterWidget& w : scene) {
        if (w.hasFill && w.radius > 0) {
            painter.setRenderHint(QPainter::Antialiasing, true);
            painter.setPen(Qt::NoPen);
            painter.setBrush(w.fill);
            painter.drawRoundedRect(w.box, w.radius, w.radius);
            painter.setRenderHint(QPainter::Antialiasing, false);
        } else if (w.hasFill) {
            painter.fillRect(w.box, w.fill);
        }
        if (w.parts > 0)
            paintRing(painter, w);
        else if (w.share > 0)
            paintBar(painter, w);
        if (!w.image.isNull())
            painter.drawImage(w.box.topLeft(), w.image);
        if (!w.text.isEmpty()) {
            painter.setFont(w.font);
            painter.setPen(w.ink);
            painter.drawText(w.box, w.flags, w.text);
        }
    }
}

// Both draw into memory of their own, and nothing is sent on.
void sendNothing(void*, uint16_t, uint16_t, uint16_t, uint16_t, const uint8_t* bytes, uint32_t) {
    benchmark::DoNotOptimize(bytes);
}

void statusFrame(benchmark::State& state) {
    const Document d = bench::openKiln();
    SceneBuilder builder;
    const auto lines = static_cast<size_t>(state.range(0));
    const BuiltSceneRef scene = builder.build(d);
    Twin twin(scene);
    twin.step(0);
    std::vector<uint32_t> memory(gorse_state_bytes(&scene->scene) / 4), buffer(160 * lines);
    const gorse_port port{sendNothing, nullptr, nullptr, nullptr, nullptr, nullptr};
    gorse run{};
    gorse_begin(&run, &scene->scene, &port, memory.data(), static_cast<uint32_t>(memory.size() * 4), buffer.data(),
                static_cast<uint32_t>(buffer.size() * 4));
    gorse_step(&run, 0);
    QImage image(320, 240, QImage::Format_RGB16);
    const auto painted = painterScene(d, *d.screens[0], twin);
    const QColor background = QColor::fromRgba(d.screens[0]->background.argb);
    bench::Stopwatch ours, theirs;
    for (auto _ : state) {
        ours.time([&] {
            gorse_redraw(&run);
            gorse_paint(&run);
        });
        theirs.time([&] { paint(image, background, painted); });
    }
    state.counters["runtime_us"] = ours.median();
    state.counters["painter_us"] = theirs.median();
    state.counters["times_faster"] = theirs.median() / ours.median();
}
BENCHMARK(statusFrame)
    ->Arg(240)
    ->Arg(16)
    ->Arg(8)
    ->Arg(1)
    ->ArgName("strip_lines")
    ->Iterations(4000)
    ->Unit(benchmark::kMicrosecond);

}  // namespace
