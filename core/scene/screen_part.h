// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <deque>
#include <map>
#include <set>
#include <span>
#include <string>
#include <vector>

#include "core/image/baked_image.h"
#include "core/rules/rule_compiler.h"
#include "core/scene/look_pool.h"

namespace gorsefinch {

// A font's characters that a widget needs; given back when the part goes.
struct FontNeed {
    FontKey font;
    size_t widget;
    std::set<char32_t> characters;
};

// An image that something shows: under which name, and whether all its frames or the first alone.
struct ImageUse {
    std::string name;
    BakedImageRef image;
    bool allFrames = false;

    // Those that are shown.
    size_t frameCount() const { return allFrames ? image->frames.size() : 1; }
};

// A text that a widget can show, as long as it gets, and the unit behind it.
struct LongestText {
    size_t widget;
    std::string text, unit;
    int taken = 0;  // pixels of its box that are for something else
};

// A look that widgets have: the builder's, the same for equal ones, and how many states it has.
struct LookUse {
    const gorse_look* look;
    int states;
};

// A widget that can keep something whichever screen is shown.
struct Keeping {
    int widget = 0;
    Keeps what;
};

// What the texts of all variables, and those of a screen, may take of the state: offsets in it have 16 bits.
inline constexpr size_t kMaxStateTexts = 65000;
// Bytes of the longest text with insets, its closing zero included: gorse_widget.capacity.
inline constexpr int kMaxShownText = 255;

// The runtime's tables of one screen, built from the document's screen, and what they depended on. Immutable once
// built, so that it serves as long as nothing it depends on changes.
struct ScreenPart {
    ScreenRef given;   // the document's screen
    size_t set = 0;    // of colours, that it was built in
    ScreenRef source;  // the same, with the keyboards that come by themselves behind its widgets
    // One a widget, the lowest first. Looks in them are the builder's, images where they were baked: ScreenTables
    // has them as a scene shows them.
    std::vector<gorse_record> records;
    std::vector<LookUse> looks;
    std::vector<gorse_slot> slots;
    std::vector<SlotInfo> slotInfos;
    std::deque<CompiledText> slotTexts;  // that slots begin with
    int firstString = 0;                 // the number of the first of them among the scene's strings
    std::vector<gorse_binding> bindings;
    std::deque<CompiledText> texts;
    std::vector<uint16_t> holders;  // see gorse_containers; empty without containers
    bool scrolls = false;           // a finger moves what some of them hold
    int fadingContainers = 0;       // most, one in another, that let something through
    bool fades = false;             // some widgets let something through
    bool recolours = false;         // some exchange a colour of their image's palette
    bool needsExtended = false, needsElements = false, needsForms = false;  // any of its texts does
    int stackDepth = 0;                        // values that the deepest inset puts on the stack
    bool moves = false;                        // any of its widgets does something by itself
    bool needsControls = false;                // input of its widgets is more than presses
    std::vector<gorse_margin> margins;         // of its widgets, without the number of the screen
    std::vector<uint16_t> focusOrder;          // widgets that the knob and the keys reach
    std::deque<std::vector<int32_t>> numbers;  // that records point to
    std::deque<std::vector<int16_t>> shorts;
    std::deque<std::vector<uint8_t>> bytes;
    std::vector<const RuntimeKind*> kinds;  // that draw its widgets, each once
    std::vector<FontNeed> needs;
    std::vector<LongestText> longest;  // of those that change and are not broken into lines
    std::vector<size_t> withFonts;     // widgets whose records point to fonts, beside that of their look
    std::vector<ImageUse> images;
    std::vector<Keeping> keeping;
    int memoryBytes = 0;  // of its texts' buffers
    int typedBytes = 0;   // of the longest text that is typed on it, its closing zero included
    int longestText = 0;  // bytes of the longest text that changes, its closing zero included
    std::set<std::string> usedVariables, usedLooks, usedImages;
    std::set<std::string> usedNames;  // of colours and sizes that its widgets have themselves
    bool readsNamedValues = false;    // in texts and expressions
    std::set<FontKey> usedFonts;
    std::set<FontKey> ownFonts;  // those of its widgets' looks
    // Of texts that shrink: from which font and to how many smaller ones, and those that the project has.
    std::map<std::pair<FontKey, size_t>, std::vector<FontKey>> shrinks;
    Problems problems;
};

// The fonts of the same face in smaller sizes, at most so many, the largest first.
std::vector<FontKey> smallerSizes(const std::set<FontKey>& fonts, const FontKey& than, size_t most);

// What a part is built from beside its screen.
struct PartContext {
    const Document& document;
    const ProjectNames& names;
    const CompiledRules& rules;
    std::span<const SlotInfo> slots;  // of this screen
    int firstString = 0;              // see ScreenPart
    const std::set<FontKey>& fonts;   // that looks of the whole project have
    LookPool& looks;
    ImageBakery& images;
};

std::shared_ptr<const ScreenPart> buildScreenPart(const ScreenRef& screen, const PartContext& context);

}  // namespace gorsefinch
