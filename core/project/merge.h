// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <string>
#include <vector>

#include "core/project/document.h"

namespace gorsefinch {

enum class MergeSide { Ours, Theirs };

// One thing of a project that another program changed: a screen, a variable, the panel, the order of the screens …
struct MergeItem {
    enum class What { Name, Panel, Variable, Look, Image, Face, RecipeDefaults, Rules, Screen, Order, Other };
    What what = What::Other;
    std::string name;       // "" where there is only one; for Order, what is ordered: "screens", "variables" …
    std::string ours;       // what happened to it here, as one word: "unchanged", "changed", "added", "removed"
    std::string theirs;     // and there
    bool conflict = false;  // both sides changed it, and differently
    // As keys of a choice.
    std::string key() const;
};

// A merge of two documents that began as one.
struct Merge {
    Document document;
    std::vector<MergeItem> items;  // all that differs from `base` on their side
    bool hasConflicts() const;
};

// What both sides did since `base`: each thing is taken from the side that changed it. Where both did, `choices` tells by
// MergeItem::key() which side's is taken; without a choice, ours. What could not be read on their side counts as unchanged.
Merge mergeDocuments(const Document& base, const Document& ours, const Document& theirs, const std::map<std::string, MergeSide>& choices = {});

}  // namespace gorsefinch
