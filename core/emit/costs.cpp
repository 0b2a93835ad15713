// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/costs.h"

#include <algorithm>
#include <cassert>
#include <unordered_set>

#include "core/emit/runtime_sources.h"
#include "core/emit/scene_writer.h"
#include "core/emit/stack_depth.h"
#include "core/scene/record_key.h"
#include "runtime/gorse_internal.h"

namespace gorsefinch {

namespace {

// Code bytes of the runtime's files at -Os, measured: Cortex-M0+ and an 8-bit controller.
struct SourceSize {
    std::string_view name;
    int word32, word8;
};
constexpr SourceSize sourceSizes[] = {
#include "core/emit/source_sizes.inc"
};

int pointerBytes(int wordBits) { return wordBits == 8 ? 2 : 4; }

// Bytes of records that each of many images has.
struct ImageRecords {
    long image, source, animation, pointer;
};

ImageRecords imageRecords(int bits) {
    return {recordBytes(imageRecord, bits), recordBytes(imageSourceRecord, bits), recordBytes(animationRecord, bits),
            pointerBytes(bits)};
}

// What an image takes of the code's memory; what lives outside leaves its records there.
long imageFlash(const ImageUse& use, const ImageRecords& records) {
    const BakedImage& image = *use.image;
    const auto frames = static_cast<long>(use.frameCount());
    long bytes = static_cast<long>(image.paletteBytes.size());
    for (long i = 0; i < frames; ++i) {
        const BakedFrame& frame = image.frames[static_cast<size_t>(i)];
        bytes += static_cast<long>((frame.pixelGroups.size() + frame.maskGroups.size()) * 4) + records.image +
                 (frame.record.source ? records.source : 0);
        if (!image.outside)
            bytes += static_cast<long>(frame.pixels.size() + frame.mask.size());
    }
    if (use.allFrames)
        bytes += records.animation + frames * (records.pointer + 2);
    return bytes;
}

// What a further set of colours costs, of each screen: its records, where they differ, and how they are listed.
void addSet(const BuiltScene& scene, const ColourSet& set, std::unordered_set<const gorse_look*>& looks, Costs& out) {
    const int bits = scene.document.panel->wordBits;
    for (size_t i = 0; i < set.parts.size(); ++i) {
        long& flash = out.screens[i].second.flash;
        flash += recordBytes(screenRecord, bits);
        if (!set.own[i])
            continue;
        flash += static_cast<long>(set.parts[i]->records.size()) * pointerBytes(bits) +
                 (bits == 8 ? set.own[i]->flash8 : set.own[i]->flash32);
        for (const LookUse& use : set.parts[i]->looks)
            if (looks.insert(use.look).second)
                flash +=
                    recordBytes(lookRecord, bits) * (1 + use.states) + recordBytes(lookStateRecord, bits) * use.states;
    }
    out.runtime.flash += recordBytes(sceneRecord, bits) + pointerBytes(bits) +
                         static_cast<long>(set.keepers.size()) * recordBytes(keeperRecord, bits);
}

}  // namespace

long widgetFlash(const ScreenPart& part, size_t widget, int wordBits) {
    const RecordInfo& record = info(part.source->widgets[widget]->kind).recordOf(part.records[widget]);
    long bytes = recordBytes(record, wordBits);
    forEachPointer(record, &part.records[widget], [&](const FieldInfo& field, const void* to) {
        if (field.type == FieldType::Text)
            for (const CompiledText& text : part.texts)
                if (to == text.bytes.data())
                    bytes += static_cast<long>(text.bytes.size());
        if (field.type == FieldType::Numbers)
            for (const std::vector<int32_t>& numbers : part.numbers)
                if (to == numbers.data())
                    bytes += 4 * static_cast<long>(numbers.size());
        if (field.type == FieldType::Shorts)
            for (const std::vector<int16_t>& numbers : part.shorts)
                if (to == numbers.data())
                    bytes += 2 * static_cast<long>(numbers.size());
        if (field.type == FieldType::Cells)
            for (const std::vector<uint8_t>& cells : part.bytes)
                if (to == cells.data())
                    bytes += static_cast<long>(cells.size());
    });
    return bytes;
}

ScreenCost screenCost(const BuiltScene& scene, const ScreenPart& part) {
    const int bits = scene.document.panel->wordBits;
    ScreenCost cost;
    cost.own.flash = recordBytes(screenRecord, bits);
    for (size_t i = 0; i < part.records.size(); ++i)
        if (sharesRecord(*part.source->widgets[i])) {
            cost.shared.emplace_back(recordKey(part, i), widgetFlash(part, i, bits));
            cost.own.flash += pointerBytes(bits);
        } else {
            cost.own.flash += widgetFlash(part, i, bits) + pointerBytes(bits);
        }
    for (const LookUse& use : part.looks)
        cost.looks.emplace_back(use.look, recordBytes(lookRecord, bits) * (1 + use.states) +
                                              recordBytes(lookStateRecord, bits) * use.states);
    cost.own.flash += static_cast<long>(part.slots.size()) * recordBytes(slotRecord, bits);
    cost.own.flash += static_cast<long>(part.bindings.size()) * recordBytes(bindingRecord, bits);
    cost.own.ram = part.memoryBytes + 4 * static_cast<long>(part.slots.size());
    for (const Keeping& each : part.keeping)
        if (each.what.always) {
            cost.own.flash += recordBytes(keeperRecord, bits);
            cost.own.ram += each.what.bytes;
        }
    return cost;
}

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
    ScreenCost last;
    return costsOf(scene, [&](const std::shared_ptr<const ScreenPart>& part) -> const ScreenCost& {
        return last = screenCost(scene, *part);
    });
}

Costs costsOf(const BuiltScene& scene, const ScreenCosts& costOf) {
    const int bits = scene.document.panel->wordBits;
    Costs out;
    std::unordered_set<const gorse_look*> looks;
    std::unordered_set<std::string> shared;
    out.screens.reserve(scene.parts.size());
    for (const auto& part : scene.parts) {
        const ScreenCost& each = costOf(part);
        Cost cost = each.own;
        for (const auto& [look, flash] : each.looks)
            if (looks.insert(look).second)
                cost.flash += flash;
        for (const auto& [key, flash] : each.shared)
            if (shared.insert(key).second)
                cost.flash += flash;
        out.screens.emplace_back(part->source->name, cost);
    }
    for (const ColourSet& set : scene.otherSets)
        addSet(scene, set, looks, out);
    out.images.reserve(scene.images.size());
    const ImageRecords records = imageRecords(bits);
    for (const ImageUse& use : scene.images)
        out.images.emplace_back(use.name, Cost{imageFlash(use, records), 0});
    for (const FontRef& font : scene.fonts)
        out.fonts.emplace_back(font->key().face + " " + std::to_string(font->key().size),
                               Cost{static_cast<long>(font->bytes()), 0});
    const CompiledRules& rules = *scene.rules;
    out.rules.flash = static_cast<long>(rules.code.size()) +
                      static_cast<long>(rules.rules.size()) * recordBytes(ruleRecord, bits) +
                      static_cast<long>(rules.follows.size()) * recordBytes(followRecord, bits);
    for (const CompiledText& text : rules.strings)
        out.rules.flash += static_cast<long>(text.bytes.size()) + pointerBytes(bits);
    out.rules.flash += static_cast<long>(rules.tones.size()) * recordBytes(toneRecord, bits);
    out.rules.ram = 4L * rules.timers + rules.whens + (rules.tones.empty() ? 0 : long{sizeof(gorse_sound)});
    for (const auto& [screen, widget] : rules.cellsSet)
        for (const Keeping& each : scene.parts[static_cast<size_t>(screen)]->keeping)
            if (each.widget == widget && !each.what.always) {
                out.rules.flash += recordBytes(keeperRecord, bits);
                out.rules.ram += each.what.bytes;
            }
    out.variables.flash = static_cast<long>(scene.numbers.size()) * recordBytes(numberVariableRecord, bits) +
                          static_cast<long>(scene.texts.size()) * recordBytes(textVariableRecord, bits);
    out.variables.ram = 4L * static_cast<long>(scene.numbers.size()) + (scene.scene.screen_at - scene.scene.texts_at);
    if (scene.scene.outputs)
        out.variables.flash += recordBytes(outputsRecord, bits) +
                               static_cast<long>(scene.outputList.size()) * recordBytes(outputRecord, bits);
    out.variables.ram += static_cast<long>(scene.outputList.size());
    const std::vector<std::string> sources = neededSources(scene);
    for (const std::string& name : sources)
        for (const SourceSize& each : sourceSizes)
            if (each.name == name)
                out.runtime.flash += bits == 8 ? each.word8 : each.word32;
    out.runtime.flash += recordBytes(sceneRecord, bits) + recordBytes(panelRecord, bits);
    if (scene.scene.themes)
        out.runtime.flash += recordBytes(themesRecord, bits) + pointerBytes(bits);
    assert(out.runtime.flash > 0);  // the table of sizes knows the sources
    out.state = scene.stateBytes(bits == 8 ? 4 : 8);
    out.buffer = scene.bufferBytes();
    out.stack = stackDepth(sources, bits);
    return out;
}

}  // namespace gorsefinch
