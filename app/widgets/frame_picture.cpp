// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/frame_picture.h"

namespace gorsefinch::app {

QImage toImage(const Picture& picture) {
    return QImage(reinterpret_cast<const uchar*>(picture.pixels.data()), picture.width, picture.height,
                  picture.width * 4, QImage::Format_ARGB32)
        .copy();
}

QImage toImage(const PanelMemory& memory) {
    // The panel's 16-bit words and 24-bit triples are formats of the toolkit too: nothing is converted by hand.
    const int w = memory.width(), h = memory.height();
    if (memory.format() == PixelFormat::Rgb565 || memory.format() == PixelFormat::Rgb888) {
        const bool words = memory.format() == PixelFormat::Rgb565;
        const int bytes = words ? 2 : 3;
        return QImage(memory.bytes().data(), w, h, w * bytes, words ? QImage::Format_RGB16 : QImage::Format_RGB888)
            .convertToFormat(QImage::Format_RGB32);
    }
    return toImage(memory.picture());
}

}  // namespace gorsefinch::app
