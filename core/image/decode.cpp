// SPDX-License-Identifier: GPL-3.0-or-later
// The one place where pictures are decoded and encoded, by Qt's image plugins.
#include <QBuffer>
#include <QByteArray>
#include <QGuiApplication>
#include <QImage>
#include <QImageReader>
#include <QImageWriter>
#include <algorithm>
#include <cmath>

#include "core/document/recipe.h"
#include "core/image/completeness.h"
#include "core/image/drawing.h"
#include "core/image/levels.h"
#include "core/image/picture.h"

namespace gorsefinch {

bool Picture::hasAlpha() const {
    for (const uint32_t pixel : pixels)
        if (pixel >> 24 != 255)
            return true;
    return false;
}

Picture makePicture(int width, int height, uint32_t argb) {
    return {width, height, std::vector<uint32_t>(static_cast<size_t>(width) * static_cast<size_t>(height), argb)};
}

namespace {

constexpr const char* kPictureRemedy = "Export it again as PNG, JPEG, BMP, GIF or SVG";

bool isKnown(const QByteArray& format) {
    static const QList<QByteArray> known{"png", "jpeg", "bmp", "gif", "webp", "svg", "pbm", "pgm", "ppm", "xbm"};
    return known.contains(format);
}

Error tooLarge(const std::string& file, const QSize& size) {
    return {file, "", "it has " + std::to_string(size.width()) + "x" + std::to_string(size.height()) + " pixels",
            "The maximum is 64 megapixels; make it smaller first"};
}

// Takes the image over, which saves a copy of its pixels.
Picture pictureOf(QImage given) {
    const QImage image = std::move(given).convertToFormat(QImage::Format_ARGB32);
    Picture picture = makePicture(image.width(), image.height());
    for (int y = 0; y < picture.height; ++y) {
        const auto* row = reinterpret_cast<const uint32_t*>(image.constScanLine(y));
        std::copy(row, row + picture.width, picture.pixels.begin() + static_cast<std::ptrdiff_t>(y) * picture.width);
    }
    return picture;
}

// A frame without a time of its own is shown as long as viewers commonly show it.
int frameTime(int declared) { return declared <= 10 ? 100 : std::min(declared, 60000); }

// Tells how much of it was read; once that is to be cancelled, nothing more is.
class WatchedBuffer : public QBuffer {
  public:
    WatchedBuffer(QByteArray* data, const OnProgress& progress) : QBuffer(data), progress_(progress) {}
    bool isGivenUp() const { return givenUp_; }

  protected:
    qint64 readData(char* to, qint64 max) override {
        // A reader looks at the beginning more than once.
        farthest_ = std::max(farthest_, pos());
        givenUp_ =
            givenUp_ || !report(progress_, Step::Decode,
                                static_cast<double>(farthest_) / static_cast<double>(std::max<qint64>(size(), 1)));
        return givenUp_ ? -1 : QBuffer::readData(to, max);
    }

  private:
    const OnProgress progress_;
    qint64 farthest_ = 0;
    bool givenUp_ = false;
};

class Decoder {
  public:
    Decoder(std::string_view bytes, const std::string& file, const OnProgress& progress)
        : file_(file),
          data_(QByteArray::fromRawData(bytes.data(), static_cast<qsizetype>(bytes.size()))),
          buffer_(&data_, progress) {
        buffer_.open(QIODevice::ReadOnly);
        format_ = QImageReader::imageFormat(&buffer_);
        if (format_ == "svgz")
            format_.clear();
    }

    Result<Original> run(double drawingScale, int maxFrames) {
        if (!isKnown(format_))
            return failure(file_, "", "this is not a picture of a known format", kPictureRemedy);
        if (isCut())
            return failure(file_, "", "the picture is cut off", kPictureRemedy);
        if (format_ == "svg")
            if (auto refused = refusedDrawing())
                return tl::unexpected(std::move(*refused));
        QImageReader reader(&buffer_, format_);
        reader.setAutoTransform(true);
        QSize size = sizeBy(reader);
        if (tooMany(size))
            return tl::unexpected(tooLarge(file_, size));
        Original out;
        out.drawing = format_ == "svg";
        if (out.drawing) {
            size = drawnSize(size, drawingScale);
            reader.setScaledSize(size);
        }
        QImageReader::setAllocationLimit(320);  // MB, a little above kMaxPixels
        return readFrames(reader, maxFrames, std::move(out));
    }

    QSize declared() {
        // The toolkit measures a drawing by walking through it, which never ends in some that are refused.
        if (isCut() || (format_ == "svg" && refusedDrawing()))
            return {};
        QImageReader reader(&buffer_, format_);
        return sizeBy(reader);
    }

  private:
    bool isCut() const {
        return isCutOff({data_.constData(), static_cast<size_t>(data_.size())}, format_.toStdString());
    }

    // Returns why a drawing cannot be drawn safely, or nothing.
    std::optional<Error> refusedDrawing() const {
        const auto needs = inspectDrawing(data_.toStdString(), file_);
        if (!needs)
            return needs.error();
        // Without an application object the toolkit aborts the program when it lays out text.
        if (needs->fonts && !qobject_cast<QGuiApplication*>(QCoreApplication::instance()))
            return Error{file_, "", "it has text, and no fonts are available to draw it",
                         "Convert its text to paths and export it again"};
        return std::nullopt;
    }

    QSize sizeBy(const QImageReader& reader) const {
        const QSize size = reader.size();
        const auto declared =
            declaredSize({data_.constData(), static_cast<size_t>(data_.size())}, format_.toStdString());
        return declared ? size.expandedTo(QSize(static_cast<int>(declared->first), static_cast<int>(declared->second)))
                        : size;
    }

    static bool tooMany(const QSize& size) {
        return size.isValid() && int64_t{size.width()} * size.height() > kMaxPixels;
    }

    static QSize drawnSize(const QSize& declared, double scale) {
        const QSize size = declared.isEmpty() ? QSize(256, 256) : declared;
        const double max = std::sqrt(static_cast<double>(kMaxPixels) / 4 / (double{1} * size.width() * size.height()));
        const double by = std::clamp(scale, 0.001, std::max(max, 0.001));
        return {std::max(1, static_cast<int>(std::lround(size.width() * by))),
                std::max(1, static_cast<int>(std::lround(size.height() * by)))};
    }

    Result<Original> readFrames(QImageReader& reader, int maxFrames, Original out) {
        QImage image;
        int64_t pixels = 0;
        while (static_cast<int>(out.frames.size()) < maxFrames && reader.read(&image) && !image.isNull()) {
            pixels += int64_t{image.width()} * image.height();
            if (pixels > kMaxPixels)
                return out.frames.empty() ? Result<Original>(tl::unexpected(tooLarge(file_, image.size())))
                                          : failure(file_, "", "its frames have more than 64 megapixels together",
                                                    "Make it smaller or shorter first");
            if (!out.frames.empty() && (image.width() != out.width() || image.height() != out.height()))
                break;
            out.frames.push_back(pictureOf(std::exchange(image, {})));
            out.ms.push_back(reader.supportsAnimation() ? frameTime(reader.nextImageDelay()) : 0);
            if (!reader.supportsAnimation())
                break;
        }
        if (buffer_.isGivenUp())
            return failure(file_, "", "reading was cancelled", "Import it again");
        if (out.frames.empty())
            return failure(file_, "", "the picture is broken or cut off (" + reader.errorString().toStdString() + ")",
                           kPictureRemedy);
        if (out.frames.size() == 1)
            out.ms[0] = 0;
        return out;
    }

    const std::string file_;
    QByteArray data_;
    WatchedBuffer buffer_;
    QByteArray format_;
};

}  // namespace

Result<Original> decodeOriginal(std::string_view bytes, const std::string& file, double drawingScale,
                                const OnProgress& progress) {
    return Decoder(bytes, file, progress).run(drawingScale, kMaxFrames);
}

int64_t declaredPixels(std::string_view bytes) {
    const QSize size = Decoder(bytes, {}, {}).declared();
    return size.isValid() ? int64_t{size.width()} * size.height() : 0;
}

Result<Picture> decodePicture(std::string_view bytes, const std::string& file) {
    auto original = Decoder(bytes, file, {}).run(1, 1);
    if (!original)
        return tl::unexpected(original.error());
    return std::move(original->frames[0]);
}

std::string encodePng(const Picture& picture) {
    const QImage image(reinterpret_cast<const uchar*>(picture.pixels.data()), picture.width, picture.height,
                       picture.width * 4, QImage::Format_ARGB32);
    QByteArray data;
    QBuffer buffer(&data);
    buffer.open(QIODevice::WriteOnly);
    QImageWriter writer(&buffer, "png");
    writer.write(picture.hasAlpha() ? image : image.convertToFormat(QImage::Format_RGB32));
    return data.toStdString();
}

namespace {

QImage monoImage(const Picture& picture) {
    QImage image(picture.width, picture.height, QImage::Format_Mono);
    image.setColorTable({qRgb(0, 0, 0), qRgb(255, 255, 255)});
    image.fill(0);
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x)
            if (greyOf(picture.at(x, y)) >= 128)
                image.setPixel(x, y, 1);
    return image;
}

QImage greyImage(const Picture& picture) {
    QImage image(picture.width, picture.height, QImage::Format_Grayscale8);
    for (int y = 0; y < picture.height; ++y)
        for (int x = 0; x < picture.width; ++x)
            image.scanLine(y)[x] = static_cast<uchar>(greyOf(picture.at(x, y)));
    return image;
}

}  // namespace

std::optional<std::string> encodePicture(const Picture& given, const std::string& format, const std::string& name) {
    if (format != "bmp" && format != "pgm" && format != "pbm" && format != "xbm")
        return std::nullopt;
    Picture picture = given;
    for (uint32_t& pixel : picture.pixels) {
        const uint32_t alpha = pixel >> 24;
        const auto over = [&](int shift) { return ((pixel >> shift & 255) * alpha + 127) / 255 << shift; };
        pixel = 0xff000000u | over(16) | over(8) | over(0);
    }
    QImage image = format == "pgm"   ? greyImage(picture)
                   : format == "bmp" ? QImage(reinterpret_cast<const uchar*>(picture.pixels.data()), picture.width,
                                              picture.height, picture.width * 4, QImage::Format_RGB32)
                                           .convertToFormat(QImage::Format_RGB888)
                                     : monoImage(picture);
    QByteArray data;
    QBuffer buffer(&data);
    buffer.open(QIODevice::WriteOnly);
    QImageWriter writer(&buffer, QByteArray::fromStdString(format));
    if (format == "xbm")
        image.setText("Title", QString::fromStdString(name));
    if (!writer.write(image))
        return std::nullopt;
    return data.toStdString();
}

}  // namespace gorsefinch
