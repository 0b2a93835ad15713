// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/baked_image.h"

#include <algorithm>

#include "core/image/bake.h"
#include "core/image/make_palette.h"
#include "core/image/runs.h"
#include "core/image/tone.h"

namespace gorsefinch {

namespace {

constexpr size_t kResultsKept = 4;                // of each image, so that undo and redo find them
constexpr size_t kShapesKept = 8;                 // of all images
constexpr size_t kPixelsKept = size_t{64} << 20;  // of decoded originals

// The same bytes, cell by cell of the sheet.
bool sameSource(const Image& a, const Image& b) {
    return a.original == b.original && a.more == b.more && a.recipe.columns == b.recipe.columns &&
           a.recipe.rows == b.recipe.rows;
}

// A drawing is made as large as the result needs it, so its size counts too.
bool sameDrawing(const Image& a, const Image& b) {
    return static_cast<const RecipeShape&>(a.recipe) == static_cast<const RecipeShape&>(b.recipe);
}

bool sameShape(const Image& a, const Image& b) {
    return sameSource(a, b) && sameDrawing(a, b) && a.recipe.frames == b.recipe.frames;
}

bool sameLender(const Image& a, const Image& b) { return a.name == b.name && sameSource(a, b) && a.recipe == b.recipe; }

bool same(const ImageBakery::Surroundings& a, const ImageBakery::Surroundings& b) {
    return a.panel == b.panel && a.panelPalette == b.panelPalette &&
           std::equal(a.lenders.begin(), a.lenders.end(), b.lenders.begin(), b.lenders.end(), sameLender);
}

bool isIndexed(const Image& image, const Panel& panel) {
    return !image.recipe.maskOnly && info(imageFormat(image, panel)).hasPalette();
}

PaletteSource sourceOf(const Image& image) {
    // Without a format of its own an image has the panel's pixels.
    return image.recipe.format ? image.recipe.paletteSource : PaletteSource::Panel;
}

ImageBakery::Surroundings surroundingsOf(const Document& document, const Image& image) {
    ImageBakery::Surroundings out;
    out.panel = document.panel->format;
    out.panelPalette = panelPalette(*document.panel);
    const Image* at = &image;
    while (at && isIndexed(*at, *document.panel) && sourceOf(*at) == PaletteSource::Image && out.lenders.size() < 8) {
        at = document.image(at->recipe.paletteImage);
        if (at)
            out.lenders.push_back(*at);
    }
    return out;
}

std::string fileOf(const Image& image) { return "images/" + image.file; }

tl::unexpected<Error> givenUp(const Image& image) {
    return failure(fileOf(image), "", "the work was cancelled", "Choose it again");
}

// How much larger than it says a drawing must be made for the recipe's size.
double drawingScale(const Image& image, const Original& original) {
    return enlargement(image.recipe, original.width() / std::max(image.recipe.columns, 1),
                       original.height() / std::max(image.recipe.rows, 1));
}

Result<Original> decodeAll(const Image& image, double scale, const OnProgress& progress) {
    const auto files = static_cast<double>(image.more.size() + 1);
    double before = 0;
    const OnProgress ofFile = [&](Step step, double done) { return report(progress, step, (before + done) / files); };
    if (!image.original)
        return failure(fileOf(image), "", "the original is missing", "Put the file back or choose another");
    auto first = decodeOriginal(*image.original, fileOf(image), scale, ofFile);
    image.original->unload();
    if (!first)
        return first;
    Original out = std::move(*first);
    int64_t pixels = static_cast<int64_t>(out.frames.size()) * out.width() * out.height();
    for (const MoreOriginal& each : image.more) {
        const std::string file = "images/" + each.file;
        if (!each.original)
            return failure(file, "", "the original is missing", "Put the file back or take the frame out");
        ++before;
        auto next = decodeOriginal(*each.original, file, scale, ofFile);
        each.original->unload();
        if (!next)
            return next;
        Picture& frame = next->frames[0];
        if (frame.width != out.width() || frame.height != out.height())
            return failure(file, "",
                           "it has " + std::to_string(frame.width) + "x" + std::to_string(frame.height) +
                               " pixels, the first of the series " + std::to_string(out.width()) + "x" +
                               std::to_string(out.height()),
                           "Import pictures of one size as a series");
        pixels += static_cast<int64_t>(frame.pixels.size());
        if (pixels > kMaxPixels)
            return failure(file, "", "the series has more than 64 megapixels together",
                           "Make it smaller or shorter first");
        out.frames.push_back(std::move(frame));
        out.ms.push_back(100);
        out.ms[0] = std::max(out.ms[0], 100);
    }
    return out;
}

}  // namespace

PixelFormat imageFormat(const Image& image, const Panel& panel) { return image.recipe.format.value_or(panel.format); }

size_t BakedImage::bytes(bool all) const {
    size_t sum = paletteBytes.size();
    for (const BakedFrame& frame : frames) {
        sum += frame.bytes();
        if (!all)
            break;
    }
    return sum;
}

std::optional<TurningPoint> BakedImage::hub() const {
    std::call_once(hubIsKnown_, [this] { hub_ = findHub(picture(0)); });
    return hub_;
}

Picture BakedImage::picture(size_t number) const {
    const BakedFrame& frame = frames[number];
    const auto plane = [&](const std::vector<uint8_t>& bytes, const std::vector<uint32_t>& groups, PixelFormat of) {
        if (groups.empty())
            return unpacked(bytes, of, width, height, palette);
        const auto plain = unpackedRuns({bytes, groups}, of, width, height);
        return unpacked(*plain, of, width, height, palette);
    };
    Picture out =
        frame.pixels.empty() ? makePicture(width, height, 0xffffffffu) : plane(frame.pixels, frame.pixelGroups, format);
    if (maskBits == 0)
        return out;
    const Picture mask = plane(frame.mask, frame.maskGroups, maskOfBits(maskBits));
    for (size_t i = 0; i < out.pixels.size(); ++i)
        out.pixels[i] = (out.pixels[i] & 0xffffff) | (mask.pixels[i] & 0xff000000u);
    return out;
}

// The copy's records point into the copy. Pixels and masks lie in outside memory, so no record points to them.
BakedImageRef placedOutside(const BakedImage& image, uint32_t address) {
    auto out = std::make_shared<BakedImage>();
    out->width = image.width;
    out->height = image.height;
    out->format = image.format;
    out->maskBits = image.maskBits;
    out->outside = true;
    out->palette = image.palette;
    out->paletteBytes = image.paletteBytes;
    out->times = image.times;
    out->plainBytes = image.plainBytes;
    out->animation = image.animation;
    for (const BakedFrame& from : image.frames) {
        BakedFrame& frame = out->frames.emplace_back(from);
        frame.source.palette = out->paletteBytes.empty() ? nullptr : out->paletteBytes.data();
        frame.source.pixel_groups = frame.pixelGroups.empty() ? nullptr : frame.pixelGroups.data();
        frame.source.mask_groups = frame.maskGroups.empty() ? nullptr : frame.maskGroups.data();
        frame.source.pixel_address = address;
        address += static_cast<uint32_t>(frame.pixels.size());
        frame.source.mask_address = address;
        address += static_cast<uint32_t>(frame.mask.size());
        frame.record.source = &frame.source;
        out->frameRecords.push_back(&frame.record);
    }
    out->animation.frames = out->frameRecords.data();
    out->animation.times = out->times.data();
    return out;
}

Result<OriginalRef> decodeFrames(const Image& image, const OnProgress& progress) {
    auto original = decodeAll(image, 1, progress);
    if (original && original->drawing)
        if (const double scale = drawingScale(image, *original); scale != 1.0)
            original = decodeAll(image, scale, progress);
    if (!original)
        return tl::unexpected(original.error());
    const Recipe& recipe = image.recipe;
    if (recipe.columns * recipe.rows > 1) {
        Original cells;
        cells.drawing = original->drawing;
        for (const Picture& frame : original->frames)
            for (Picture& cell : sheetCells(frame, recipe.columns, recipe.rows)) {
                cells.frames.push_back(std::move(cell));
                cells.ms.push_back(100);
            }
        original = std::move(cells);
    }
    return std::make_shared<const Original>(std::move(*original));
}

Result<OriginalRef> ImageBakery::original(const Image& image) {
    if (OriginalRef known = knownOriginal(image))
        return known;
    auto original = decodeFrames(image, progress_);
    if (original)
        adoptOriginal(image, *original);
    return original;
}

OriginalRef ImageBakery::knownOriginal(const Image& image) const {
    for (const Decoded& each : decoded_)
        if (sameSource(each.image, image) && (!each.original->drawing || sameDrawing(each.image, image)))
            return each.original;
    return nullptr;
}

void ImageBakery::adoptOriginal(const Image& image, OriginalRef original) {
    decoded_.push_front({image, std::move(original)});
    size_t pixels = 0, kept = 0;
    for (; kept < decoded_.size(); ++kept) {
        const Original& each = *decoded_[kept].original;
        pixels += each.frames.size() * each.frames.front().pixels.size();
        if (kept > 0 && pixels > kPixelsKept)
            break;
    }
    decoded_.resize(kept);
}

Result<std::shared_ptr<const std::vector<Picture>>> ImageBakery::shapedFrames(const Image& image) {
    for (const Shaped& each : shaped_)
        if (sameShape(each.image, image))
            return each.frames;
    const auto from = original(image);
    if (!from)
        return tl::unexpected(from.error());
    const Original& all = **from;
    RecipeShape shape = image.recipe;
    if (all.drawing) {
        // The crop is given in the drawing's own units; what was drawn is that much larger.
        const auto plain = decodeOriginal(*image.original, fileOf(image));
        const double by = plain ? static_cast<double>(all.width()) * std::max(shape.columns, 1) / plain->width() : 1;
        for (int* each : {&shape.cropX, &shape.cropY, &shape.cropWidth, &shape.cropHeight})
            *each = static_cast<int>(*each * by + 0.5);
    }
    if (!image.recipe.width && !image.recipe.height) {
        const PixelBox box = croppedBox(shape, all.width(), all.height());
        if (box.width > kMaxResultSide || box.height > kMaxResultSide)
            return failure(fileOf(image), "recipe",
                           "the result would be larger than " + std::to_string(kMaxResultSide) + " pixels",
                           "Set its size");
    }
    std::vector<FrameUse> uses = image.recipe.frames;
    if (uses.empty())
        for (size_t i = 0; i < all.frames.size(); ++i)
            uses.push_back({static_cast<int>(i), 0});
    std::vector<const Picture*> frames;
    for (const FrameUse& use : uses)
        frames.push_back(&all.frames[std::min(static_cast<size_t>(std::max(use.source, 0)), all.frames.size() - 1)]);
    if (!report(progress_, Step::Shape, 0))
        return givenUp(image);
    auto out = std::make_shared<const std::vector<Picture>>(shaped(frames, shape, 2 * kMaxPixels));
    if (out->empty())
        return failure(fileOf(image), "recipe", "its frames have more than 128 megapixels together",
                       "Make it smaller, or take frames out");
    shaped_.push_front({image, out});
    if (shaped_.size() > kShapesKept)
        shaped_.pop_back();
    return out;
}

Result<std::vector<Colour>> ImageBakery::palette(const Document& document, const Image& image) {
    return paletteOf(document, image, 0);
}

Result<std::vector<Colour>> ImageBakery::paletteOf(const Document& document, const Image& image, int depth) {
    if (!isIndexed(image, *document.panel))
        return std::vector<Colour>();
    const PixelFormat format = imageFormat(image, *document.panel);
    const int room = 1 << info(format).bits;
    std::vector<Colour> out;
    switch (sourceOf(image)) {
        case PaletteSource::Panel: out = panelPalette(*document.panel); break;
        case PaletteSource::Own: out = image.recipe.palette; break;
        case PaletteSource::Image: {
            const Image* lender = document.image(image.recipe.paletteImage);
            if (!lender || depth >= 8 || !isIndexed(*lender, *document.panel))
                return failure(fileOf(image), "recipe",
                               "there is no image \"" + image.recipe.paletteImage + "\" with a palette to share",
                               "Choose another image for the palette");
            return paletteOf(document, *lender, depth + 1);
        }
        case PaletteSource::Picture: {
            const auto frames = shapedFrames(image);
            if (!frames)
                return tl::unexpected(frames.error());
            std::vector<Picture> all;
            for (const Picture& each : **frames)
                all.push_back(toned(each, image.recipe));
            std::vector<const Picture*> pointers;
            for (const Picture& each : all)
                pointers.push_back(&each);
            out = makePalette(pointers, image.recipe.colours == 0 ? room : std::min(image.recipe.colours, room));
            break;
        }
    }
    if (out.empty())
        out = defaultPalette(format);
    out.resize(std::min(out.size(), static_cast<size_t>(room)));
    return out;
}

BakedImageRef ImageBakery::known(const Document& document, const Image& image) const {
    const auto entries = baked_.find(image.original);
    if (entries == baked_.end())
        return nullptr;
    const Surroundings around = surroundingsOf(document, image);
    for (const Entry& entry : entries->second)
        if (sameSource(entry.image, image) && entry.image.recipe == image.recipe && same(entry.surroundings, around))
            return entry.baked;
    return nullptr;
}

void ImageBakery::adopt(const Document& document, const Image& image, BakedImageRef baked) {
    auto& entries = baked_[image.original];
    entries.push_front({image, surroundingsOf(document, image), std::move(baked)});
    size_t kept = 0;
    std::erase_if(entries, [&](const Entry& each) { return each.image.name == image.name && ++kept > kResultsKept; });
}

// Of results that somebody besides holds.
size_t ImageBakery::bytesInUse() const {
    size_t sum = 0;
    for (const auto& [key, entries] : baked_)
        for (const Entry& each : entries)
            sum += each.baked.use_count() > 1 ? each.baked->bytes() : 0;
    return sum;
}

Result<BakedImageRef> ImageBakery::bake(const Document& document, const Image& image) {
    if (BakedImageRef found = known(document, image))
        return found;
    if (bytesInUse() > kMaxBakedBytes)
        return failure(fileOf(image), "",
                       "the images in use take more than " + std::to_string(kMaxBakedBytes >> 20) + " MB",
                       "Make some smaller, or take some out");
    const auto frames = shapedFrames(image);
    if (!frames)
        return tl::unexpected(frames.error());
    BakeTarget target;
    target.panel = document.panel->format;
    target.panelPalette = panelPalette(*document.panel);
    target.format = imageFormat(image, *document.panel);
    if (!report(progress_, Step::Reduce, 0))
        return givenUp(image);
    const auto colours = palette(document, image);
    if (!colours)
        return tl::unexpected(colours.error());
    target.palette = *colours;
    std::vector<int> ms;
    if (image.recipe.frames.empty())
        ms = (*original(image))->ms;
    for (const FrameUse& use : image.recipe.frames)
        ms.push_back(use.ms);
    BakedImageRef baked = bakeFrames(image.recipe, **frames, ms, target, progress_);
    if (!baked)
        return givenUp(image);
    adopt(document, image, baked);
    return baked;
}

}  // namespace gorsefinch
