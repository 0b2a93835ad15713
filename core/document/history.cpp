// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/history.h"

#include <cassert>

namespace gorsefinch {

History::History(Document first) { steps_.push_back({std::move(first), {}, {}}); }

void History::push(Document next, std::string label, std::string merge) {
    if (saved_ != kNever && saved_ > at_)
        saved_ = kNever;
    steps_.erase(steps_.begin() + static_cast<std::ptrdiff_t>(at_) + 1, steps_.end());
    assert(steps_.size() == at_ + 1);
    const bool joins = !merge.empty() && merge == steps_[at_].merge && at_ > 0 && saved_ != at_;
    if (joins) {
        steps_[at_].document = std::move(next);
        return;
    }
    steps_.push_back({std::move(next), std::move(label), std::move(merge)});
    ++at_;
}

void History::undo() {
    if (canUndo())
        --at_;
    endMerging();
}

void History::redo() {
    if (canRedo())
        ++at_;
    endMerging();
}

std::string History::undoLabel() const { return canUndo() ? steps_[at_].label : std::string(); }
std::string History::redoLabel() const { return canRedo() ? steps_[at_ + 1].label : std::string(); }

}  // namespace gorsefinch
