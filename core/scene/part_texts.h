// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/scene/part_fonts.h"
#include "core/scene/screen_part.h"

namespace gorsefinch {

// The texts of a screen while it is built, one widget after the other.
class PartTexts {
  public:
    // All must live as long as this.
    PartTexts(const PartContext& context, ScreenPart& part, PartFonts& fonts)
        : context_(context), part_(part), fonts_(fonts) {}

    // Goes on to a widget, which must live until the next one.
    void begin(int number, const Widget& widget);
    // What the widget's text can be: its own and what rules give it. Returns its own, as the runtime takes it.
    const uint8_t* add(const PropertyInfo& property);
    // See RecordBuilder.
    uint16_t addOther(std::string_view key);
    const uint8_t* keepWords(const std::vector<std::string>& words);
    // Returns the text's number among the scene's strings.
    int addString(const std::string& words);
    // Gives the widget's text a buffer if it changes, once all that it can say is known.
    void finish(gorse_widget_text& label);

  private:
    PropertyValue value(std::string_view key) const { return effectiveValue(context_.document, *widget_, key); }
    void note(const PropertyInfo& property, const CompiledText& text);
    void addShown(const CompiledText& text);
    bool isMeantWhole() const;
    void addBuffer(gorse_widget_text& label);

    const PartContext& context_;
    ScreenPart& part_;
    PartFonts& fonts_;
    int number_ = 0;
    const Widget* widget_ = nullptr;
    std::vector<const CompiledText*> shown_;  // what the widget can say
    bool changes_ = false;
};

}  // namespace gorsefinch
