// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/frame_picture.h"

#include <cstring>

namespace gorsefinch::app {

QImage toImage(const PanelMemory& memory) {
    // The panel's 16-bit words and 24-bit triples are formats of the toolkit too: nothing is converted by hand.
    const int w = memory.width(), h = memory.height();
    if (memory.format() == PixelFormat::Rgb565 || memory.format() == PixelFormat::Rgb888) {
        const bool words = memory.format() == PixelFormat::Rgb565;
        const int bytes = words ? 2 : 3;
        return QImage(memory.bytes().data(), w, h, w * bytes, words ? QImage::Format_RGB16 : QImage::Format_RGB888)
            .convertToFormat(QImage::Format_RGB32);
    }
    const Picture picture = memory.picture();
    QImage image(w, h, QImage::Format_RGB32);
    for (int y = 0; y < h; ++y)
        std::memcpy(image.scanLine(y), &picture.pixels[static_cast<size_t>(y) * static_cast<size_t>(w)],
                    static_cast<size_t>(w) * 4);
    return image;
}

}  // namespace gorsefinch::app
