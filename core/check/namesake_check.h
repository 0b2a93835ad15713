// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <unordered_map>

#include "core/base/problem_codes.h"
#include "core/document/box.h"
#include "core/document/document.h"

namespace gorsefinch {

inline constexpr int kNearlyThere = 3;  // pixels

// The box in which widgets of this name and kind lie on most of the screens that have one, of several such boxes that
// on the first of these screens; nothing if fewer than two have one.
std::optional<Box> usualBox(const Document& document, std::string_view name, Kind kind);

// Reports widgets that lie 1 to kNearlyThere pixels from where their namesakes lie on most screens, or whose size
// differs by as much. Keeps its results from one document to the next, so that an edit costs only what it changes.
class NamesakeCheck {
  public:
    const std::shared_ptr<const Problems>& check(const Document& document);

  private:
    using Key = std::pair<std::string, Kind>;
    struct KeyHash {
        size_t operator()(const Key& key) const {
            return std::hash<std::string>()(key.first) * 31 + static_cast<size_t>(key.second);
        }
    };
    struct Place {
        const Screen* screen;
        Box box;
    };

    void add(const Screen& screen, std::vector<Key>& touched);
    void remove(const Screen& screen, std::vector<Key>& touched);
    void judge(const Key& key);

    std::vector<ScreenRef> screens_;
    std::unordered_map<const Screen*, size_t> order_;
    std::unordered_map<Key, std::vector<Place>, KeyHash> places_;
    std::map<Key, Problems> found_;
    std::shared_ptr<const Problems> problems_ = std::make_shared<Problems>();
};

}  // namespace gorsefinch
