// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/result.h"

namespace gorsefinch {

std::string Error::text() const {
    std::string out = file;
    if (!place.empty())
        out += (out.empty() ? "" : ": ") + place;
    if (!reason.empty())
        out += (out.empty() ? "" : ": ") + reason;
    if (!remedy.empty())
        out += ". " + remedy;
    return out;
}

}  // namespace gorsefinch
