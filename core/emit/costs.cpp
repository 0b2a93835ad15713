// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/costs.h"

#include <algorithm>
#include <set>

#include "core/emit/runtime_sources.h"
#include "core/emit/scene_writer.h"

namespace gorsefinch {

namespace {

constexpr RecordSizes sizes[] = {
    {"gorse_rectangle", 24, 20},   {"gorse_label", 32, 26},        {"gorse_picture", 32, 26},
    {"gorse_button", 40, 32},      {"gorse_look", 24, 20},         {"gorse_look_state", 8, 3},
    {"gorse_font", 28, 18},        {"gorse_glyph", 8, 8},          {"gorse_range", 8, 8},
    {"gorse_kern", 6, 6},          {"gorse_image", 24, 16},        {"gorse_screen", 24, 18},
    {"gorse_slot", 8, 8},          {"gorse_binding", 4, 4},        {"gorse_number_variable", 12, 12},
    {"gorse_text_variable", 8, 6}, {"gorse_rule", 20, 20},         {"gorse_scene", 88, 68},
    {"gorse_panel", 36, 28},       {"gorse_frames", 40, 32},
    {"gorse_animation", 12, 8},    {"gorse_image_source", 32, 20},
};

// Code bytes of the runtime's files at -Os, measured: Cortex-M0+ and an 8-bit controller.
struct SourceSize {
    std::string_view name;
    int word32, word8;
};
constexpr SourceSize sourceSizes[] = {
#include "core/emit/source_sizes.inc"
};

int pointerBytes(int wordBits) { return wordBits == 8 ? 2 : 4; }

Cost screenCost(const BuiltScene& scene, const ScreenPart& part, std::set<const gorse_look*>& looks) {
    const int bits = scene.document.panel->wordBits;
    Cost cost;
    cost.flash = recordSize("gorse_screen", bits);
    for (size_t i = 0; i < part.widgets.size(); ++i) {
        cost.flash += widgetFlash(part, i, bits) + pointerBytes(bits);
        const gorse_look* look = part.widgets[i]->look;
        if (looks.insert(look).second)
            cost.flash += recordSize("gorse_look", bits) * (1 + look->state_count) +
                          recordSize("gorse_look_state", bits) * look->state_count;
    }
    cost.flash += static_cast<long>(part.slots.size()) * recordSize("gorse_slot", bits);
    cost.flash += static_cast<long>(part.bindings.size()) * recordSize("gorse_binding", bits);
    cost.ram = part.memoryBytes + 4 * static_cast<long>(part.slots.size());
    return cost;
}

// What an image takes of the code's memory; what lives outside leaves its records there.
long imageFlash(const ImageUse& use, int bits) {
    const BakedImage& image = *use.image;
    const auto frames = static_cast<long>(use.allFrames ? image.frames.size() : 1);
    long bytes = static_cast<long>(image.paletteBytes.size());
    for (long i = 0; i < frames; ++i) {
        const BakedFrame& frame = image.frames[static_cast<size_t>(i)];
        bytes += static_cast<long>((frame.pixelGroups.size() + frame.maskGroups.size()) * 4) + recordSize("gorse_image", bits) +
                 (frame.record.source ? recordSize("gorse_image_source", bits) : 0);
        if (!image.outside)
            bytes += static_cast<long>(frame.pixels.size() + frame.mask.size());
    }
    if (use.allFrames)
        bytes += recordSize("gorse_animation", bits) + frames * (pointerBytes(bits) + 2);
    return bytes;
}

}  // namespace

std::span<const RecordSizes> recordSizes() { return sizes; }

int recordSize(std::string_view structure, int wordBits) {
    for (const RecordSizes& each : sizes)
        if (structure == each.structure)
            return wordBits == 8 ? each.word8 : each.word32;
    return 0;
}

long widgetFlash(const ScreenPart& part, size_t widget, int wordBits) {
    const KindInfo& kind = info(part.source->widgets[widget]->kind);
    long bytes = recordSize(kind.structure, wordBits);
    if (kind.hasText)
        for (const CompiledText& text : part.texts)
            if (part.records[widget].label.text == text.bytes.data())
                bytes += static_cast<long>(text.bytes.size());
    return bytes;
}

long stackEstimate(int wordBits) { return wordBits == 8 ? 420 : 760; }

Cost Costs::total() const {
    Cost sum;
    for (const auto* list : {&screens, &images, &fonts})
        for (const auto& [name, cost] : *list)
            sum.flash += cost.flash;
    sum.flash += rules.flash + variables.flash + runtime.flash;
    sum.ram = state + buffer;
    return sum;
}

Costs costsOf(const BuiltScene& scene) {
    const int bits = scene.document.panel->wordBits;
    Costs out;
    std::set<const gorse_look*> looks;
    for (const auto& part : scene.parts)
        out.screens.emplace_back(part->source->name, screenCost(scene, *part, looks));
    for (const ImageUse& use : scene.images)
        out.images.emplace_back(use.name, Cost{imageFlash(use, bits), 0});
    for (const BakedFont* font : scene.fonts)
        out.fonts.emplace_back(font->key().face + " " + std::to_string(font->key().size),
                               Cost{static_cast<long>(font->bytes()), 0});
    const CompiledRules& rules = *scene.rules;
    out.rules.flash = static_cast<long>(rules.code.size()) +
                      static_cast<long>(rules.rules.size()) * recordSize("gorse_rule", bits);
    for (const CompiledText& text : rules.strings)
        out.rules.flash += static_cast<long>(text.bytes.size()) + pointerBytes(bits);
    out.rules.ram = 4L * rules.timers + rules.whens;
    out.variables.flash = static_cast<long>(scene.numbers.size()) * recordSize("gorse_number_variable", bits) +
                          static_cast<long>(scene.texts.size()) * recordSize("gorse_text_variable", bits);
    out.variables.ram = 4L * static_cast<long>(scene.numbers.size()) + (scene.scene.screen_at - scene.scene.texts_at);
    for (const std::string& name : neededSources(scene))
        for (const SourceSize& each : sourceSizes)
            if (each.name == name)
                out.runtime.flash += bits == 8 ? each.word8 : each.word32;
    out.runtime.flash += recordSize("gorse_scene", bits) + recordSize("gorse_panel", bits);
    out.state = scene.stateBytes(bits == 8 ? 4 : 8);
    out.buffer = scene.bufferBytes();
    out.stack = stackEstimate(bits);
    return out;
}

}  // namespace gorsefinch
