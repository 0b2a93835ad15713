// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/meant_edits.h"

#include <algorithm>

#include "core/base/characters.h"

namespace gorsefinch {

Result<Document> withMeantSo(const Document& document, const Problem& problem, std::string reason) {
    if (problem.code.empty() || problem.severity == Severity::Error)
        return failure("", problem.place, "this can't be meant so", "Mend it");
    auto all = std::make_shared<std::vector<MeantSo>>(*document.meantSo);
    reason = cutText(reason, kMaxReason);
    const auto known =
        std::find_if(all->begin(), all->end(), [&](const MeantSo& each) { return each.isAbout(problem); });
    if (known != all->end())
        known->reason = std::move(reason);
    else
        all->push_back({problem.code,
                        problem.screen,
                        problem.widget.empty() ? problem.place : problem.widget,
                        std::move(reason),
                        {}});
    Document next = document;
    next.meantSo = std::move(all);
    return next;
}

Document withoutMeantSo(const Document& document, const Problem& problem) {
    auto all = std::make_shared<std::vector<MeantSo>>(*document.meantSo);
    if (std::erase_if(*all, [&](const MeantSo& each) { return each.isAbout(problem); }) == 0)
        return document;
    Document next = document;
    next.meantSo = std::move(all);
    return next;
}

void renameInMeantSo(Document& document, std::string_view screen, std::string_view widget, std::string_view to) {
    const auto concerns = [&](const MeantSo& each) {
        return each.screen == screen && (widget.empty() || each.of == widget);
    };
    if (std::none_of(document.meantSo->begin(), document.meantSo->end(), concerns))
        return;
    auto all = std::make_shared<std::vector<MeantSo>>(*document.meantSo);
    for (MeantSo& each : *all)
        if (concerns(each))
            (widget.empty() ? each.screen : each.of) = to;
    document.meantSo = std::move(all);
}

}  // namespace gorsefinch
