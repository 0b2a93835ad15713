// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/frame_picture.h"

#include <memory>

namespace gorsefinch::app {

QImage toImage(const Picture& picture) {
    return QImage(reinterpret_cast<const uchar*>(picture.pixels.data()), picture.width, picture.height,
                  picture.width * 4, QImage::Format_ARGB32)
        .copy();
}

QImage toImage(const PanelMemory& memory) {
    auto picture = std::make_unique<Picture>(memory.picture());
    // Without alpha the toolkit copies where it would mix.
    const auto format = memory.format() == PixelFormat::Argb8888 ? QImage::Format_ARGB32 : QImage::Format_RGB32;
    const Picture& pixels = *picture;
    if (pixels.pixels.empty())
        return {};
    return QImage(
        reinterpret_cast<const uchar*>(pixels.pixels.data()), pixels.width, pixels.height, pixels.width * 4, format,
        [](void* kept) { delete static_cast<Picture*>(kept); }, picture.release());
}

}  // namespace gorsefinch::app
