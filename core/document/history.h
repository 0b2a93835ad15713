// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "core/document/document.h"

namespace gorsefinch {

// All documents of a session in order. Documents share what they have in common, so the list has no limit.
class History {
  public:
    explicit History(Document first);

    const Document& now() const { return steps_[at_].document; }

    // Makes `next` the present one and forgets what was undone. Successive edits with the same `merge` key (a drag,
    // a spin of a number) become one step; "" never merges.
    void push(Document next, std::string label, std::string merge = {});
    // The next push begins a step of its own, whatever its key.
    void endMerging() { steps_[at_].merge.clear(); }

    bool canUndo() const { return at_ > 0; }
    bool canRedo() const { return at_ + 1 < steps_.size(); }
    void undo();
    void redo();
    // What undo would take back, and redo would do again; "" if nothing.
    std::string undoLabel() const;
    std::string redoLabel() const;

    void markSaved() {
        saved_ = at_;
        endMerging();
    }
    bool isSaved() const { return saved_ == at_; }

  private:
    struct Step {
        Document document;
        std::string label, merge;
    };
    static constexpr size_t kNever = static_cast<size_t>(-1);
    std::vector<Step> steps_;
    size_t at_ = 0, saved_ = 0;
};

}  // namespace gorsefinch
