// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <memory>
#include <string>
#include <vector>

#include "core/base/problem.h"
#include "core/document/document.h"
#include "core/font/baked_font.h"

namespace gorsefinch {

// A style with everything resolved, as the runtime's looks are made of.
struct ResolvedStyle {
    Colour fill, border, text;
    FontKey font;  // no face: no text is drawn
    int borderWidth = 0, radius = 0, padding = 0;
    friend auto operator<=>(const ResolvedStyle&, const ResolvedStyle&) = default;
};

struct ResolvedLook {
    ResolvedStyle normal;
    // By the runtime's state bits; more of them come before fewer.
    std::vector<std::pair<uint8_t, ResolvedStyle>> states;
    friend auto operator<=>(const ResolvedLook&, const ResolvedLook&) = default;
};

// The looks that a widget has in its states and several of them at a time: its own properties over its look's over the
// defaults. `never`: bits of states that it is never in.
ResolvedLook resolveLook(const Document& document, const Widget& widget, uint8_t never);

// All fonts and looks in use. Addresses of records stay valid as long as this.
class LookPool {
  public:
    // The runtime's look; equal ones are shared.
    const gorse_look* look(const ResolvedLook& resolved);
    // The font, opened when first requested; null without a face, or when it can't be opened: then error() says why.
    BakedFont* font(const Document& document, const FontKey& key);
    const Error* error(const FontKey& key) const;
    // Takes over other settings of the named faces; fonts and looks stay where they are.
    void adoptFaces(const Document& document, const std::set<std::string>& changed);
    // Forgets fonts and looks; what was given out becomes invalid. For when faces come or go, or the panel changes.
    void clear();

    std::vector<BakedFont*> fonts();

  private:
    struct Entry {
        gorse_look look{};
        std::vector<gorse_look_state> states;
        std::vector<std::unique_ptr<gorse_look>> others;
    };
    void fill(gorse_look& look, const ResolvedStyle& style);

    std::map<ResolvedLook, std::unique_ptr<Entry>> looks_;
    std::map<FontKey, std::unique_ptr<BakedFont>> fonts_;
    std::map<FontKey, Error> errors_;  // of fonts that could not be opened
};

}  // namespace gorsefinch
