// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/base/problem.h"
#include "core/kinds/value.h"
#include "runtime/gorse_scene.h"

namespace gorsefinch {

// A number of the project's variables, or one that is computed.
struct NumberVariable {
    uint16_t number;   // or GORSE_VALUE_IN_SLOT and a slot
    int32_t min, max;  // in steps of 10^-decimals
    int decimals;
    bool panelWrites = true;  // false: only the firmware does
};

// What a kind needs to complete the record of a widget, after the fields with a property were set.
class RecordBuilder {
  public:
    virtual ~RecordBuilder() = default;

    virtual gorse_record& record() = 0;
    // A property as the user sees it: the widget's own value, else its look's, else the default. The key must be one of
    // the kind's.
    virtual PropertyValue value(std::string_view key) const = 0;
    std::string text(std::string_view key) const { return std::get<std::string>(value(key)); }
    // True if the widget has a value of its own for the property.
    virtual bool isSet(std::string_view key) const = 0;
    // True if rules or an expression change the property while the interface runs.
    virtual bool changes(std::string_view key) const = 0;
    // False if a property is an image whose pixels are packed or in outside memory.
    virtual bool isStoredPlainly(std::string_view key) const = 0;
    // The size of the image that a property names, and where it turns as a needle; nothing without an image.
    struct NeedleImage {
        int width = 0, height = 0;
        double hubX = 0, hubY = 0;
    };
    virtual std::optional<NeedleImage> needleImage(std::string_view key) const = 0;
    // The variable of that name. If there is none, or it is a text, nothing, after reporting a problem.
    virtual std::optional<NumberVariable> number(const std::string& variable) = 0;
    // A value of a number variable, as the user writes it: a number, yes or no, the name of a choice. Nothing if there
    // is no such variable, or it has no such value.
    virtual std::optional<int32_t> valueInWords(const std::string& variable, const std::string& words) const = 0;
    // The names of a choice variable's values, in their order; nothing for another variable.
    virtual std::vector<std::string> namesOf(const std::string& variable) const = 0;
    // The number of a field of the project's clock, such as "hour", which the widget shows; nothing, after reporting a
    // problem, if it has no clock.
    virtual std::optional<uint16_t> clockNumber(std::string_view field) = 0;
    // The text variable of that name: its number among the texts. Nothing, after reporting a problem, if there is none
    // or it is no text.
    virtual std::optional<uint16_t> textVariable(const std::string& variable) = 0;
    // The number of the keyboard that comes by itself for a field that takes `allowed`; GORSE_NONE if none does.
    virtual uint16_t keyboardFor(const std::string& allowed) const = 0;
    // What the expression of a property gives that is a value; nothing if it has none, or a wrong one.
    virtual std::optional<NumberVariable> computedValue(std::string_view key) = 0;
    // Keeps numbers as long as the record; for fields of the type Numbers. Must not be empty.
    virtual const int32_t* keep(std::vector<int32_t> numbers) = 0;
    // The same for fields of the type Shorts.
    virtual const int16_t* keepShorts(std::vector<int16_t> numbers) = 0;
    // The same for fields of the type Cells. Each has an address of its own.
    virtual const uint8_t* keepBytes(std::vector<uint8_t> bytes) = 0;
    // Texts as they are, one behind the other, each closed by a 0, kept as long as the record; for fields of the type
    // Text.
    virtual const uint8_t* keepWords(const std::vector<std::string>& words) = 0;
    // The kind uses so many bytes of the scene's scratch.
    virtual void useScratch(int bytes) = 0;
    // What a text property says, for a widget that says it instead of its text at times: a number of the scene's
    // strings.
    virtual uint16_t otherText(std::string_view key) = 0;
    // The widget writes the characters of this UTF-8 text in its look's font.
    virtual void write(std::string_view text) = 0;
    // Those of these characters that the look's face has.
    virtual std::string inFace(std::string_view text) const = 0;
    // The longest of the texts that the widget can show on one line in its look's font, with what is behind it; `taken`
    // pixels of the box are for something else.
    virtual void canShow(std::string_view text, std::string_view unit, int taken = 0) = 0;
    // The look's face at another size; for fields of the type Font. `drop`: pixels from the top of a line of the look's
    // font to that of one in this font on the same baseline.
    struct OtherFont {
        const gorse_font* font = nullptr;
        int drop = 0;
    };
    // The widget writes the characters of this UTF-8 text at that size. Null for the font if there is no face, which is
    // reported, or nothing is written.
    virtual OtherFont writeIn(int size, std::string_view text) = 0;
    // The look's face in the next smaller sizes that the project uses, at most so many, the largest first: for fields
    // of the type Font. All that the widget writes in its look's font up to now is written in these, too.
    virtual std::vector<const gorse_font*> smallerFonts(size_t most) = 0;
    virtual void report(Severity severity, const std::string& reason, const std::string& remedy) = 0;
};

}  // namespace gorsefinch
