// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/text_size.h"

#include <algorithm>
#include <set>

namespace gorsefinch {

namespace {

constexpr const char* kSize = "size";

bool writes(const Widget& widget) {
    const PropertyInfo& size = styleProperty(kSize);
    return size.needs == 0 || info(widget.kind).has(size.needs);
}

int sizeOf(const Document& document, const Widget& widget) {
    return static_cast<int>(std::get<int64_t>(effectiveValue(document, widget, kSize)));
}

std::set<int> usedSizes(const Document& document) {
    std::set<int> out;
    for (const Look& look : *document.looks)
        for (const auto& [key, value] : look.style)
            if (const auto* size = std::get_if<int64_t>(&value); size && key == kSize)
                out.insert(static_cast<int>(*size));
    for (const ScreenRef& screen : document.screens)
        for (const WidgetRef& each : screen->widgets)
            if (writes(*each))
                out.insert(sizeOf(document, *each));
    return out;
}

}  // namespace

Document stepTextSize(const Document& document, std::string_view screen, std::span<const std::string> names,
                      bool larger) {
    const std::set<int> used = usedSizes(document);
    return changeWidgets(document, screen, names, [&](Widget& widget) {
        if (!writes(widget) || widget.expressions.count(kSize) != 0)
            return;
        const int now = sizeOf(document, widget);
        const auto above = used.upper_bound(now), from = used.lower_bound(now);
        const int next = larger ? (above == used.end() ? now + kSizeStep : *above)
                                : (from == used.begin() ? now - kSizeStep : *std::prev(from));
        widget.properties[kSize] = int64_t{std::clamp(next, kMinFontSize, kMaxFontSize)};
    });
}

}  // namespace gorsefinch
