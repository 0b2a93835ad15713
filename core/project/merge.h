// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <string>
#include <vector>

#include "core/document/document.h"

namespace gorsefinch {

enum class MergeSide { Ours, Theirs };

// One part of a project that another program changed: a screen, a variable, the panel, the order of the screens …
struct MergeItem {
    enum class What {
        Name,
        Panel,
        Clock,
        LayoutAids,
        NamedValues,
        MeantSo,
        Variable,
        Look,
        Image,
        Face,
        RecipeDefaults,
        Rules,
        Screen,
        Order,
        Other
    };
    What what = What::Other;
    std::string name;         // "" where there is only one; for Order, the list: "screens", "variables" …
    std::string ours;         // "unchanged", "changed", "added" or "removed" since the base
    std::string theirs;       // the same for their side
    bool conflict = false;    // both sides changed it, and differently; or without it the project has no screen left
    std::string key() const;  // identifies it in the choices of mergeDocuments()
};

// The merge of two documents with a common base.
struct Merge {
    Document document;
    std::vector<MergeItem> items;  // their changes
    bool hasConflicts() const;
};

// Merges the changes of both sides since `base`: each part is taken from the side that changed it. If both did,
// `choices` selects the side by MergeItem::key(); the default is ours. Parts that could not be read on their side count
// as unchanged.
Merge mergeDocuments(const Document& base, const Document& ours, const Document& theirs,
                     const std::map<std::string, MergeSide>& choices = {});

// The part in one of the documents as text, to be shown; "" if it does not exist there.
std::string mergeText(const Document& document, const MergeItem& item);

}  // namespace gorsefinch
