// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/named_choices.h"

#include "app/session/session.h"

namespace gorsefinch::app {

size_t shownSet(const Session& session) {
    return std::min(session.runner().twin().shownSet(), session.document().named->setCount() - 1);
}

std::vector<OfferedColour> offeredColours(const Session& session) {
    std::vector<OfferedColour> out;
    const size_t set = shownSet(session);
    for (const NamedColour& each : session.document().named->colours)
        out.push_back({each.name, each.inSets[std::min(set, each.inSets.size() - 1)]});
    return out;
}

std::vector<OfferedSize> offeredSizes(const Session& session) {
    std::vector<OfferedSize> out;
    for (const NamedSize& each : session.document().named->sizes)
        out.push_back({each.name, each.size});
    return out;
}

}  // namespace gorsefinch::app
