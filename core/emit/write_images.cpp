// SPDX-License-Identifier: GPL-3.0-or-later
// Images as C.
#include "core/emit/c_text.h"
#include "core/emit/runtime_sources.h"
#include "core/emit/scene_writer.h"

namespace gorsefinch {

namespace {

std::string groupArray(const std::string& name, const std::vector<uint32_t>& groups) {
    std::string out = "static const GORSE_ROM uint32_t " + name + "[] = {";
    for (size_t i = 0; i < groups.size(); ++i)
        out += (i % 10 == 0 ? "\n    " : " ") + longLiteral(groups[i]) + ",";
    return out + "\n};\n";
}

class ImageWriter {
  public:
    ImageWriter(const Document& document, const ImageUse& use) : document_(document), use_(use), image_(*use.image) {}

    std::string run() {
        const size_t frames = use_.frameCount();
        out_ += "\n/* " + use_.name + ": " + std::to_string(image_.width) + "x" + std::to_string(image_.height) + " " +
                info(image_.format).key + (frames > 1 ? ", " + std::to_string(frames) + " frames" : "") + ", " +
                std::to_string(image_.bytes(use_.allFrames)) + " bytes */\n";
        const std::string first = imageSymbol(document_, use_.name);
        if (!image_.paletteBytes.empty())
            out_ += byteArray("static ", first + "_palette", image_.paletteBytes);
        for (size_t i = 0; i < frames; ++i)
            writeFrame(image_.frames[i], imageSymbol(document_, use_.name, i), first + "_palette");
        if (use_.allFrames)
            writeAnimation(first, frames);
        return out_;
    }

  private:
    void writeFrame(const BakedFrame& frame, const std::string& name, const std::string& palette) {
        if (!image_.outside && !frame.pixels.empty())
            out_ += byteArray("static ", name + "_pixels", frame.pixels);
        if (!image_.outside && !frame.mask.empty())
            out_ += byteArray("static ", name + "_mask", frame.mask);
        if (!frame.pixelGroups.empty())
            out_ += groupArray(name + "_pixel_groups", frame.pixelGroups);
        if (!frame.maskGroups.empty())
            out_ += groupArray(name + "_mask_groups", frame.maskGroups);
        if (frame.record.source)
            out_ += "static const GORSE_ROM gorse_image_source " + name + "_source = {gorse_draw_stored_image, " +
                    (frame.source.reader ? std::string("&") + readerOf(image_).symbol : "0") + ", " +
                    (frame.source.convert ? info(image_.format).convertSymbol.symbol : "0") + ", " +
                    (frame.source.palette ? palette : "0") + ", " +
                    (frame.pixelGroups.empty() ? "0" : name + "_pixel_groups") + ", " +
                    (frame.maskGroups.empty() ? "0" : name + "_mask_groups") + ", " +
                    longLiteral(frame.source.pixel_address) + ", " + longLiteral(frame.source.mask_address) + "};\n";
        out_ += "extern const GORSE_ROM gorse_image " + name + ";\n";
        out_ += "const GORSE_ROM gorse_image " + name + " = {" +
                (frame.record.format ? std::string("&") + info(image_.format).imageSymbol.symbol : "0") + ", " +
                (frame.record.pixels ? name + "_pixels" : "0") + ", " + (frame.record.mask ? name + "_mask" : "0") +
                ", " + (frame.record.source ? "&" + name + "_source" : "0") + ", " + std::to_string(image_.width) +
                ", " + std::to_string(image_.height) + ", " + std::to_string(image_.maskBits) + ", {0, 0, 0}};\n";
    }

    void writeAnimation(const std::string& name, size_t frames) {
        out_ += "static const GORSE_ROM gorse_image *const GORSE_ROM " + name + "_list[] = {\n";
        for (size_t i = 0; i < frames; ++i)
            out_ += "    &" + imageSymbol(document_, use_.name, i) + ",\n";
        out_ += "};\nstatic const GORSE_ROM uint16_t " + name + "_times[] = {";
        for (size_t i = 0; i < frames; ++i)
            out_ += (i % 12 == 0 ? "\n    " : " ") + std::to_string(image_.times[i]) + ",";
        out_ += "\n};\nextern const GORSE_ROM gorse_animation " + name + "_frames;\n";
        out_ += "const GORSE_ROM gorse_animation " + name + "_frames = {" + name + "_list, " + name + "_times, " +
                std::to_string(frames) + ", 0};\n";
    }

    const Document& document_;
    const ImageUse& use_;
    const BakedImage& image_;
    std::string out_;
};

}  // namespace

std::string writeImages(const BuiltScene& scene) {
    std::string out =
        fileHead("The images of the interface, packed for its panel.") + "#include \"gorse/gorse_scene.h\"\n";
    // A file with nothing in it is no valid C.
    if (scene.images.empty())
        return out + "\ntypedef int " + scene.document.name + "_has_no_images;\n";
    for (const ImageUse& use : scene.images)
        out += ImageWriter(scene.document, use).run();
    return out;
}

}  // namespace gorsefinch
