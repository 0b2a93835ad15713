// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/guide_edits.h"

#include <algorithm>

namespace gorsefinch {

namespace {

void tidy(std::vector<int>& places, int last) {
    std::erase_if(places, [&](int each) { return each < 0 || each > last; });
    std::sort(places.begin(), places.end());
    places.erase(std::unique(places.begin(), places.end()), places.end());
    places.resize(std::min(places.size(), kMaxGuideLines));
}

}  // namespace

GuideLines tidyLines(GuideLines lines, const Panel& panel) {
    tidy(lines.upright, panel.width);
    tidy(lines.level, panel.height);
    return lines;
}

Document withAids(const Document& document, const LayoutAids& aids) {
    if (aids == *document.aids)
        return document;
    Document next = document;
    next.aids = std::make_shared<const LayoutAids>(aids);
    return next;
}

GuideLines linesOf(const Document& document, std::string_view screen) {
    if (screen.empty())
        return document.aids->lines;
    const ScreenRef on = document.screen(screen);
    return on ? on->lines : GuideLines{};
}

Document withLines(const Document& document, std::string_view screen, GuideLines lines) {
    lines = tidyLines(std::move(lines), *document.panel);
    if (screen.empty()) {
        LayoutAids aids = *document.aids;
        aids.lines = std::move(lines);
        return withAids(document, aids);
    }
    const int number = document.screenIndex(screen);
    if (number < 0 || document.screens[static_cast<size_t>(number)]->lines == lines)
        return document;
    Screen next = *document.screens[static_cast<size_t>(number)];
    next.lines = std::move(lines);
    return withScreen(document, number, std::move(next));
}

Document withLine(const Document& document, const GuideLine& line) {
    GuideLines lines = linesOf(document, line.screen);
    (line.upright ? lines.upright : lines.level).push_back(line.at);
    return withLines(document, line.screen, std::move(lines));
}

Document withoutLine(const Document& document, const GuideLine& line) {
    GuideLines lines = linesOf(document, line.screen);
    std::erase(line.upright ? lines.upright : lines.level, line.at);
    return withLines(document, line.screen, std::move(lines));
}

}  // namespace gorsefinch
