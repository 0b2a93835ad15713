// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/check/budget_check.h"

#include "core/base/problem_codes.h"
#include "core/project/project_text.h"

namespace gorsefinch {

Problems budgetProblems(const Panel& panel, const Costs& costs) {
    Problems out;
    const Cost total = costs.total();
    const auto add = [&](const char* what, int64_t used, int64_t budget) {
        if (used <= budget)
            return;
        Problem p;
        p.severity = Severity::Warning;
        p.file = kMainFile;
        p.place = std::string("panel, ") + what;
        p.reason = "the interface needs " + std::to_string(used) + " bytes; the budget is " + std::to_string(budget);
        p.remedy = "Reduce images, fonts or screens, or raise the budget at the station Panel";
        p.code = kOverBudget;
        out.push_back(std::move(p));
    };
    add("flash", total.flash, panel.flashBytes);
    add("RAM", total.ram, panel.ramBytes);
    return out;
}

}  // namespace gorsefinch
