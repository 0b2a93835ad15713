// SPDX-License-Identifier: GPL-3.0-or-later
// The one place where pictures are decoded and encoded, by Qt's image plugins.
#include <QBuffer>
#include <QByteArray>
#include <QImage>
#include <QImageReader>
#include <QImageWriter>

#include "core/image/completeness.h"
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

Result<Picture> decodePicture(const std::string& bytes, const std::string& file) {
    constexpr const char* remedy = "Export it again as PNG, JPEG, BMP or GIF";
    QByteArray data = QByteArray::fromRawData(bytes.data(), static_cast<qsizetype>(bytes.size()));
    QBuffer buffer(&data);
    buffer.open(QIODevice::ReadOnly);
    const QByteArray format = QImageReader::imageFormat(&buffer);
    if (format != "png" && format != "jpeg" && format != "bmp" && format != "gif")
        return failure(file, "", "this is not a picture of a known format", remedy);
    if (isCutOff(bytes, format.toStdString()))
        return failure(file, "", "the picture is cut off", remedy);
    QImageReader reader(&buffer, format);
    reader.setAutoTransform(true);
    const QSize size = reader.size();
    if (size.isValid() && int64_t{size.width()} * size.height() > kMostPixels)
        return failure(file, "",
                       "it has " + std::to_string(size.width()) + "x" + std::to_string(size.height()) + " pixels",
                       "The most is 64 megapixels; make it smaller first");
    QImageReader::setAllocationLimit(1024);
    QImage image;
    if (!reader.read(&image) || image.isNull())
        return failure(file, "", "the picture is broken or cut off (" + reader.errorString().toStdString() + ")",
                       remedy);
    image = image.convertToFormat(QImage::Format_ARGB32);
    Picture picture = makePicture(image.width(), image.height());
    for (int y = 0; y < picture.height; ++y) {
        const auto* row = reinterpret_cast<const uint32_t*>(image.constScanLine(y));
        std::copy(row, row + picture.width, picture.pixels.begin() + static_cast<std::ptrdiff_t>(y) * picture.width);
    }
    return picture;
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

}  // namespace gorsefinch
