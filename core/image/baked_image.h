// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <deque>
#include <map>
#include <memory>
#include <mutex>
#include <optional>
#include <vector>

#include "core/document/document.h"
#include "core/image/hub.h"
#include "core/image/pack.h"
#include "core/image/picture.h"
#include "core/image/shape.h"

namespace gorsefinch {

// One frame as the target holds it. The records point into it.
struct BakedFrame {
    std::vector<uint8_t> pixels;                    // packed; empty: a mask alone
    std::vector<uint8_t> mask;                      // empty: opaque
    std::vector<uint32_t> pixelGroups, maskGroups;  // packed by runs, else empty
    int ms = 0;                                     // shown for
    gorse_image_source source{};
    gorse_image record{};

    size_t bytes() const { return pixels.size() + mask.size() + (pixelGroups.size() + maskGroups.size()) * 4; }
};

// An image as the target holds it: packed frames, their palette and the runtime's records.
struct BakedImage {
    int width = 0, height = 0;
    PixelFormat format = PixelFormat::Rgb565;
    int maskBits = 0;                   // 0: opaque
    bool outside = false;               // in memory that the firmware reads
    std::vector<Colour> palette;        // of an indexed format
    std::vector<uint8_t> paletteBytes;  // what the runtime looks pixels up in, in the panel's row form; may be empty
    std::deque<BakedFrame> frames;      // at least one
    std::vector<const gorse_image*> frameRecords;
    std::vector<uint16_t> times;  // ms of each; of one that stands still, the longest
    gorse_animation animation{};
    size_t plainBytes = 0;  // of all frames, were they not packed by runs

    BakedImage() = default;
    BakedImage(const BakedImage&) = delete;  // its records point into it
    BakedImage& operator=(const BakedImage&) = delete;

    const gorse_image* record() const { return &frames.front().record; }
    bool packedByRuns() const { return !frames.front().pixelGroups.empty() || !frames.front().maskGroups.empty(); }
    // Of all frames, or of the first alone, with the palette.
    size_t bytes(bool all = true) const;
    // Where the first frame turns as a needle, see findHub().
    std::optional<TurningPoint> hub() const;
    // How the frame looks: its reduced colours, under its mask where it has one.
    Picture picture(size_t frame) const;

  private:
    mutable std::once_flag hubIsKnown_;
    mutable std::optional<TurningPoint> hub_;
};

// Maximum size of all images in use, as packed for the target.
inline constexpr size_t kMaxBakedBytes = size_t{256} << 20;

using BakedImageRef = std::shared_ptr<const BakedImage>;

// The same image with its frames from this address of outside memory on.
BakedImageRef placedOutside(const BakedImage& image, uint32_t address);
using OriginalRef = std::shared_ptr<const Original>;

// The frames that an image has before its recipe: those of its file or files, or the cells of its sheet.
Result<OriginalRef> decodeFrames(const Image& image, const OnProgress& progress = {});

// Applies recipes, and remembers the results by original, recipe and panel, so that nothing is computed twice.
// Not to be shared between threads.
class ImageBakery {
  public:
    // Receives the progress of what is made from now on.
    void watch(OnProgress progress) { progress_ = std::move(progress); }

    // The image for the document's panel; an error names the image's file, or states that the images in use
    // exceed kMaxBakedBytes.
    Result<BakedImageRef> bake(const Document& document, const Image& image);
    // The image as it was last baked, if nothing has changed since; null otherwise.
    BakedImageRef known(const Document& document, const Image& image) const;
    // Takes over what another bakery has made of the same.
    void adopt(const Document& document, const Image& image, BakedImageRef baked);
    // The frames before the recipe; the latest are kept.
    Result<OriginalRef> original(const Image& image);
    void adoptOriginal(const Image& image, OriginalRef original);
    // The frames before the recipe if they are still there; null otherwise.
    OriginalRef knownOriginal(const Image& image) const;
    // The frames in the recipe's shape, before tone and reduction; kept, so that later steps are quick to try.
    Result<std::shared_ptr<const std::vector<Picture>>> shapedFrames(const Image& image);
    // The palette that an indexed image has; empty for others.
    Result<std::vector<Colour>> palette(const Document& document, const Image& image);

    // What a result depends on beside the image itself.
    struct Surroundings {
        PixelFormat panel = PixelFormat::Rgb565;
        std::vector<Colour> panelPalette;
        std::vector<Image> lenders;  // whose palettes are shared
    };

  private:
    struct Entry {
        Image image;
        Surroundings surroundings;
        BakedImageRef baked;
    };
    struct Shaped {
        Image image;
        std::shared_ptr<const std::vector<Picture>> frames;
    };
    struct Decoded {
        Image image;
        OriginalRef original;
    };
    size_t bytesInUse() const;
    Result<std::vector<Colour>> paletteOf(const Document& document, const Image& image, int depth);

    OnProgress progress_;
    std::map<Bytes, std::deque<Entry>> baked_;  // by original, which many images may share; the latest first
    std::deque<Shaped> shaped_;                 // the latest first
    std::deque<Decoded> decoded_;
};

// The format that an image has on a panel: its recipe's, or the panel's.
PixelFormat imageFormat(const Image& image, const Panel& panel);

}  // namespace gorsefinch
