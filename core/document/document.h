// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <memory>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "core/base/shared_bytes.h"
#include "core/document/assembly.h"
#include "core/document/font_settings.h"
#include "core/document/layout_aids.h"
#include "core/document/meant_so.h"
#include "core/document/named_values.h"
#include "core/document/recipe.h"
#include "core/document/variable.h"
#include "core/kinds/key_rows.h"
#include "core/kinds/kinds.h"

namespace gorsefinch {

// Limits that keep hostile projects small.
inline constexpr int kMinPanelSide = 8;
inline constexpr int kMaxPanelSide = 4096;
inline constexpr int kMaxPanelMm = 1000;
inline constexpr size_t kMaxSeries = 1000;  // files of one image
inline constexpr size_t kMaxTextBytes = 4000;
inline constexpr size_t kMaxWidgets = 2000;  // of one screen
inline constexpr size_t kMaxBackings = 16;   // screens below another, and above it
inline constexpr size_t kMaxListed = 4000;   // screens, variables, looks, images, fonts, files of rules: of each
// Bytes of all originals together, each counted once, and of a file of rules.
inline constexpr size_t kMaxOriginals = size_t{512} << 20, kMaxRulesFile = size_t{1} << 20;
inline constexpr int kFormatVersion = 1;

// The display hardware. Width and height are those of the interface as the user sees it, before it is turned.
inline constexpr int kMinHoldMs = 100, kMaxHoldMs = 10000;
inline constexpr size_t kMaxKeys = 64;
inline constexpr size_t kPanelOutputs = 4;  // see panel_outputs.h

struct Panel {
    int width = 320, height = 240;  // pixels
    int widthMm = 0;                // mm of the width; 0: unknown
    bool round = false;             // the glass shows the ellipse inside them
    PixelFormat format = PixelFormat::Rgb565;
    std::vector<Colour> palette;  // of an indexed format; empty: the default one
    int turn = 0;                 // clockwise degrees: 0, 90, 180, 270
    bool mirrorX = false, mirrorY = false;
    bool invert = false;
    bool swapRedBlue = false;
    int columnOffset = 0, rowOffset = 0;                    // pixels in the panel's memory
    int stripLines = 16;                                    // lines that the draw buffer holds
    int wordBits = 32;                                      // the controller's: 8 or 32
    int64_t flashBytes = 256 * 1024, ramBytes = 20 * 1024;  // budget
    bool touch = true;                                      // it can be touched
    bool touchMapped = false;                               // firmware filters and maps what it measures of a touch
    int holdMs = 600;                                       // after which a press is a hold
    bool knob = false;                                      // with a push
    std::vector<std::string> keys;                          // by their names, without the knob's push
    bool focusWraps = false;                                // from the last widget to the first
    std::string transition;  // of screens that follow one another without one of their own, as in rules; "": a cut
    std::string keyboard = kDefaultLayout;  // the letters of keyboards that come by themselves; or kNoKeyboard
    // The start values of the outputs that it has, in the order of panelOutputs().
    std::array<std::optional<int>, kPanelOutputs> outputs;
    bool sound = false;  // it can play tones
    UnknownKeys unknownOutputs;
    bool hooksRequired = false;  // firmware without one of the hooks does not link
    UnknownKeys unknown;
};

// The date and time that the interface shows and rules use: its fields are numbers such as clock.hour.
struct Clock {
    std::array<std::string, 7> days{"Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"};
    std::array<std::string, 12> months{"Jan", "Feb", "Mar", "Apr", "May", "Jun",
                                       "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"};
    UnknownKeys unknown;
    friend bool operator==(const Clock&, const Clock&) = default;
};
inline constexpr size_t kMaxClockName = 18;  // bytes of a name: an inset has room for 12

struct Look {
    std::string name;
    std::string basedOn;  // the look whose values hold where this one sets none; "" for none
    PropertyMap style;
    std::map<std::string, PropertyMap, std::less<>> states;  // by state: what is different
    UnknownKeys unknown;
    friend bool operator==(const Look&, const Look&) = default;
};

// A file that an image is made of beside its first.
struct MoreOriginal {
    std::string file;  // in images/
    Bytes original;    // null if the file could not be read
    friend bool operator==(const MoreOriginal&, const MoreOriginal&) = default;
};

struct Image {
    std::string name;
    std::string file;                // in images/
    Bytes original;                  // null if the file could not be read
    std::vector<MoreOriginal> more;  // the other files of a numbered series, each a frame
    Recipe recipe;
    UnknownKeys unknown;
};

struct Face {
    std::string name;
    std::string file;             // in fonts/
    Bytes original;               // null if the file could not be read
    std::string variant;          // of a variable face or a collection, by its name; "" for the first
    FontSettings defaults;        // of sizes without settings of their own
    std::vector<FontSize> sizes;  // those that have some, or were made by hand
    UnknownKeys unknown;
    friend bool operator==(const Face&, const Face&) = default;

    // Null if the size has no settings of its own.
    const FontSize* ownSize(int size) const;
    const FontSettings& settings(int size) const;
};

inline constexpr int kDefaultShade = 120;

struct Screen {
    std::string name;
    Colour background = opaque(0x000000);
    std::string ground;         // the project's colour that it has as its background instead; "" for none
    bool keeps = false;         // what its widgets remember stays when it is left
    int shade = kDefaultShade;  // how dark what lies below is where it is opened over another, 0 to 255
    GuideLines lines;           // where its widgets are laid out by
    // Screens whose widgets show on it too, below its own and above them, the lowest first. One that the project lacks
    // shows nothing.
    std::vector<std::string> below, above;
    std::vector<WidgetRef> widgets;  // the lowest first
    // Not null: it draws an assembly, within this box from its top left, and is never shown itself. Those come behind
    // all other screens.
    std::shared_ptr<const Assembly> assembly;
    std::shared_ptr<const std::vector<AssemblyUse>> uses;  // of an expanded document, if it has some
    UnknownKeys unknown;
};

using ScreenRef = std::shared_ptr<const Screen>;

struct RuleFile {
    std::string name;
    std::string text;
};

template <typename T>
using Shared = std::shared_ptr<const T>;

// The whole project as a value. An edit makes a new one that shares all it did not touch, so "what changed" is a
// comparison of pointers.
struct Document {
    std::string name;
    Shared<Panel> panel = std::make_shared<Panel>();
    Shared<std::vector<Variable>> variables = std::make_shared<std::vector<Variable>>();
    Shared<Clock> clock;  // null: none
    Shared<LayoutAids> aids = std::make_shared<LayoutAids>();
    Shared<std::vector<MeantSo>> meantSo = std::make_shared<std::vector<MeantSo>>();
    Shared<NamedValues> named = std::make_shared<NamedValues>();
    Shared<std::vector<Look>> looks = std::make_shared<std::vector<Look>>();
    Shared<std::vector<Image>> images = std::make_shared<std::vector<Image>>();
    Shared<Recipe> defaultRecipe = std::make_shared<Recipe>();  // of images that are imported
    Shared<std::vector<Face>> faces = std::make_shared<std::vector<Face>>();
    Shared<std::vector<RuleFile>> rules = std::make_shared<std::vector<RuleFile>>();
    std::vector<ScreenRef> screens;
    Shared<std::vector<std::string>> unreadScreens = std::make_shared<std::vector<std::string>>();
    Shared<UnknownKeys> unknown = std::make_shared<UnknownKeys>();

    // Each null, or -1, if there is none of that name.
    const Variable* variable(std::string_view wanted) const;
    const Look* look(std::string_view wanted) const;
    const Image* image(std::string_view wanted) const;
    const Face* face(std::string_view wanted) const;
    int screenIndex(std::string_view wanted) const;
    ScreenRef screen(std::string_view wanted) const;
};

// Null if no assembly has the name.
ScreenRef assemblyScreen(const Document& document, std::string_view name);
// How many of the screens are none that draw assemblies.
size_t shownScreens(const Document& document);

// How many screens show the widgets of the named one below or above their own.
size_t backedScreens(const Document& document, std::string_view screen);
// True if at least one does.
bool isBacking(const Document& document, std::string_view screen);

// Returns a sentence if `next` exceeds a limit of projects and `before` does not exceed it as much. A project beyond
// the limits could be saved but not opened again.
std::optional<std::string> exceededLimit(const Document& before, const Document& next);

// Each -1 if there is none of that name.
int widgetIndex(const Screen& screen, std::string_view name);

// The colours of an indexed panel; empty for others.
std::vector<Colour> panelPalette(const Panel& panel);

// A screen's background in the shown set of colours.
Colour backgroundOf(const Document& document, const Screen& screen);

// A property of a widget as the user sees it: what it has of its own, else its look's, else the default, with names of
// colours and sizes replaced by their values. The key must be one that the kind has.
PropertyValue effectiveValue(const Document& document, const Widget& widget, std::string_view key);
// The same with names as they are.
PropertyValue effectiveSetting(const Document& document, const Widget& widget, std::string_view key);
// A look and those that it is based on, the nearest first; empty for null. A circle ends where it closes.
std::vector<const Look*> lookAndBases(const Document& document, const Look* look);
// What a look, or the nearest that it is based on, sets for a state ("" for all states); null if none does.
const PropertyValue* lookSetting(std::span<const Look* const> looks, std::string_view state, std::string_view key);
// A style property of a look in a state ("" for none): what is set for the state, else for all states, else the
// default, with names replaced by their values. No look gives the defaults.
PropertyValue lookValue(const Document& document, std::span<const Look* const> looks, std::string_view state,
                        std::string_view key);

}  // namespace gorsefinch
