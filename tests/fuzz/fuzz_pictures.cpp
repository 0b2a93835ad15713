// SPDX-License-Identifier: GPL-3.0-or-later
// Any bytes as an original: a picture within the limits, or an error that names the file and the way out.
#include <QGuiApplication>
#include <QLoggingCategory>

#include "core/image/picture.h"
#include "tests/fuzz/fuzz.h"

using namespace gorsefinch;

extern "C" int LLVMFuzzerInitialize(int*, char***) {
    static char name[] = "fuzz", platform[] = "-platform", offscreen[] = "offscreen";
    static char* words[] = {name, platform, offscreen, nullptr};
    static int count = 3;
    static const QGuiApplication toolkit(count, words);
    QLoggingCategory::setFilterRules("*=false");
    return 0;
}

extern "C" int LLVMFuzzerTestOneInput(const uint8_t* data, size_t size) {
    const std::string bytes = fuzz::text(data, size);
    // Pictures that say that they are large only cost time here.
    if (declaredPixels(bytes) > (1 << 20))
        return 0;
    const auto original = decodeOriginal(bytes, "images/any");
    if (!original) {
        fuzz::expect(!original.error().file.empty() && !original.error().reason.empty() &&
                     !original.error().remedy.empty());
        return 0;
    }
    fuzz::expect(!original->frames.empty() && original->frames.size() == original->ms.size());
    for (const Picture& each : original->frames)
        fuzz::expect(each.pixels.size() == static_cast<size_t>(each.width) * static_cast<size_t>(each.height) &&
                     each.width == original->width());
    return 0;
}
