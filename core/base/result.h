// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <tl/expected.hpp>

namespace gorsefinch {

// Why something could not be done, in the three parts that a user needs. Every part is plain UTF-8; empty parts are
// left out of text().
struct Error {
    std::string file;    // which file, as the user named it
    std::string place;   // where in it: "line 3, column 8", "panel.width", "widget title"
    std::string reason;  // what is wrong
    std::string remedy;  // the way out
    int code = 0;        // of the system, where a call to it failed: ENOENT …

    std::string text() const;
};

template <typename T>
using Result = tl::expected<T, Error>;

inline tl::unexpected<Error> failure(std::string file, std::string place, std::string reason, std::string remedy = {}) {
    return tl::unexpected<Error>(Error{std::move(file), std::move(place), std::move(reason), std::move(remedy)});
}

}  // namespace gorsefinch
