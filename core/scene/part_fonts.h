// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <set>
#include <string>
#include <string_view>

#include "core/scene/screen_part.h"

namespace gorsefinch {

// Adds a problem of a widget to the part.
void reportIn(ScreenPart& part, const Widget& widget, Severity severity, const std::string& reason,
              const std::string& remedy);

// The looks and fonts of a screen while it is built, one widget after the other.
class PartFonts {
  public:
    // Both must live as long as this.
    PartFonts(const PartContext& context, ScreenPart& part) : context_(context), part_(part) {}

    // Goes on to a widget, which must live until the next one. Returns its look; what is missing is
    // reported. `never`: see resolveLook.
    const gorse_look* takeLook(int number, const Widget& widget, uint8_t never);
    // The widget writes these characters in its look's font, in each of its states.
    void needCharacters(const std::set<char32_t>& characters);
    // The same for a text that the kind makes; a look without a face is reported.
    void write(std::string_view text);
    // See RecordBuilder.
    std::string inFace(std::string_view text) const;
    RecordBuilder::OtherFont writeIn(int size, std::string_view text);
    std::vector<const gorse_font*> smallerFonts(size_t most);
    // After the last widget.
    void finish();

  private:
    BakedFont* font(const FontKey& key);
    void report(Severity severity, const std::string& reason, const std::string& remedy);

    const PartContext& context_;
    ScreenPart& part_;
    const Widget* widget_ = nullptr;
    size_t number_ = 0;
    ResolvedLook look_;
    std::set<const gorse_look*> looks_;
    std::set<FontKey> reported_;  // fonts that can't be opened: one problem a screen is enough
};

}  // namespace gorsefinch
