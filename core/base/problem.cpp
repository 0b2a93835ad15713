// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/problem.h"

#include <algorithm>

#include "core/base/result.h"

namespace gorsefinch {

std::string Problem::text() const { return Error{file, place, reason, remedy}.text(); }

void SharedProblems::add(std::shared_ptr<const Problems> list) {
    if (!list->empty())
        lists_.push_back(std::move(list));
}

void SharedProblems::add(const SharedProblems& others) {
    lists_.insert(lists_.end(), others.lists_.begin(), others.lists_.end());
}

size_t SharedProblems::size() const {
    size_t sum = 0;
    for (const auto& list : lists_)
        sum += list->size();
    return sum;
}

namespace {

bool isError(const Problem& problem) { return problem.severity == Severity::Error; }

}  // namespace

bool hasErrors(const Problems& problems) { return std::any_of(problems.begin(), problems.end(), isError); }
bool hasErrors(const SharedProblems& problems) { return std::any_of(problems.begin(), problems.end(), isError); }

}  // namespace gorsefinch
