// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/bake.h"

#include <algorithm>

#include "core/image/runs.h"
#include "core/image/tone.h"

namespace gorsefinch {

namespace {

class Baker {
  public:
    Baker(const Recipe& recipe, const BakeTarget& target)
        : recipe_(recipe), target_(target), out_(std::make_shared<BakedImage>()) {}

    BakedImageRef run(const std::vector<Picture>& shaped, const std::vector<int>& ms, const OnProgress& progress) {
        out_->width = shaped.front().width;
        out_->height = shaped.front().height;
        out_->format = target_.format;
        out_->palette = target_.palette;
        out_->outside = recipe_.outside;
        for (size_t i = 0; i < shaped.size(); ++i) {
            if (!report(progress, Step::Reduce, static_cast<double>(i) / static_cast<double>(shaped.size())))
                return nullptr;
            addFrame(toned(shaped[i], recipe_), ms[i]);
        }
        pack();
        addPalette();
        for (BakedFrame& frame : out_->frames)
            fillRecord(frame);
        fillAnimation();
        return out_;
    }

  private:
    // Alpha in the pixels themselves needs no mask.
    bool alphaIsInside() const { return target_.format == PixelFormat::Argb8888 && !recipe_.maskOnly; }

    void addFrame(const Picture& toned, int ms) {
        out_->frames.emplace_back();
        BakedFrame& frame = out_->frames.back();
        frame.ms = ms;
        const bool alpha = toned.hasAlpha();
        hasInsideAlpha_ = hasInsideAlpha_ || (alpha && alphaIsInside());
        if (recipe_.maskOnly || (alpha && !alphaIsInside())) {
            out_->maskBits = info(target_.panel).isOneBit() ? 1 : recipe_.maskBits;
            frame.mask = packed(toned, maskOfBits(out_->maskBits));
        }
        if (recipe_.maskOnly)
            return;
        if (alphaIsInside())
            frame.pixels = packed(toned, target_.format);
        else
            frame.pixels = reducedFrame(toned, recipe_, target_.format, target_.palette).bytes();
    }

    // All frames of an image are packed alike, as their records share a reader.
    void pack() {
        for (BakedFrame& frame : out_->frames) {
            // One that is opaque among others that are not.
            if (out_->maskBits != 0 && frame.mask.empty())
                frame.mask = packed(makePicture(out_->width, out_->height, 0xffffffffu), maskOfBits(out_->maskBits));
            out_->plainBytes += frame.bytes();
        }
        if (recipe_.packing == Packing::Plain)
            return;
        std::deque<std::pair<RunBytes, RunBytes>> runs;
        size_t sum = 0;
        for (const BakedFrame& frame : out_->frames) {
            runs.emplace_back(packedByRuns(frame.pixels, out_->format, out_->width),
                              packedByRuns(frame.mask, maskOfBits(out_->maskBits), out_->width));
            sum += runs.back().first.size() + runs.back().second.size();
        }
        if (recipe_.packing == Packing::Smallest && sum >= out_->plainBytes)
            return;
        for (size_t i = 0; i < runs.size(); ++i) {
            BakedFrame& frame = out_->frames[i];
            frame.pixels = std::move(runs[i].first.bytes);
            frame.pixelGroups = std::move(runs[i].first.groups);
            frame.mask = std::move(runs[i].second.bytes);
            frame.maskGroups = std::move(runs[i].second.groups);
        }
    }

    bool isNative() const {
        return target_.format == target_.panel && !hasInsideAlpha_ &&
               (!info(target_.format).hasPalette() || target_.palette == target_.panelPalette);
    }

    void addPalette() {
        const PixelFormatInfo& f = info(target_.format);
        if (recipe_.maskOnly || isNative() || f.convert)
            return;
        for (uint32_t i = 0; i < (1u << f.bits); ++i) {
            const Colour colour = f.hasPalette() ? i < target_.palette.size() ? target_.palette[i] : opaque(0)
                                                 : opaque(valueOf(i, f.bits) * 0x010101u);
            if (f.hasPalette() && i >= target_.palette.size())
                break;
            const std::vector<uint8_t> bytes = rowForm(colour, target_.panel, target_.panelPalette);
            out_->paletteBytes.insert(out_->paletteBytes.end(), bytes.begin(), bytes.end());
        }
    }

    void fillRecord(BakedFrame& frame) {
        const PixelFormatInfo& f = info(target_.format);
        const bool runs = !frame.pixelGroups.empty() || !frame.maskGroups.empty();
        gorse_image_source& source = frame.source;
        source.draw = gorse_draw_stored_image;
        source.reader = out_->outside ? runs ? &gorse_reader_outside_runs : &gorse_reader_outside
                        : runs        ? &gorse_reader_runs
                                      : nullptr;
        if (!recipe_.maskOnly && !isNative())
            source.convert = f.convert ? f.convert : gorse_convert_palette;
        source.palette = out_->paletteBytes.empty() ? nullptr : out_->paletteBytes.data();
        source.pixel_groups = frame.pixelGroups.empty() ? nullptr : frame.pixelGroups.data();
        source.mask_groups = frame.maskGroups.empty() ? nullptr : frame.maskGroups.data();
        gorse_image& record = frame.record;
        record.format = recipe_.maskOnly ? nullptr : f.image;
        if (!out_->outside) {
            record.pixels = frame.pixels.empty() ? nullptr : frame.pixels.data();
            record.mask = frame.mask.empty() ? nullptr : frame.mask.data();
        }
        record.source = source.reader || source.convert ? &source : nullptr;
        record.width = static_cast<uint16_t>(out_->width);
        record.height = static_cast<uint16_t>(out_->height);
        record.mask_bits = static_cast<uint8_t>(out_->maskBits);
    }

    void fillAnimation() {
        for (const BakedFrame& frame : out_->frames) {
            out_->frameRecords.push_back(&frame.record);
            out_->times.push_back(static_cast<uint16_t>(frame.ms > 0 ? frame.ms : 60000));
        }
        out_->animation.frames = out_->frameRecords.data();
        out_->animation.times = out_->times.data();
        out_->animation.count = static_cast<uint16_t>(out_->frames.size());
    }

    const Recipe& recipe_;
    const BakeTarget& target_;
    std::shared_ptr<BakedImage> out_;
    bool hasInsideAlpha_ = false;
};

}  // namespace

Reduced reducedFrame(const Picture& toned, const Recipe& recipe, PixelFormat format,
                     const std::vector<Colour>& palette) {
    Reducing how;
    how.format = format;
    how.method = recipe.reduction;
    how.strength = recipe.strength;
    how.linear = recipe.linear;
    how.threshold = recipe.threshold;
    how.palette = palette;
    return reduce(toned, how);
}

BakedImageRef bakeFrames(const Recipe& recipe, const std::vector<Picture>& shaped, const std::vector<int>& ms,
                         const BakeTarget& target, const OnProgress& progress) {
    return Baker(recipe, target).run(shaped, ms, progress);
}

}  // namespace gorsefinch
