// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/part_texts.h"

#include <algorithm>

#include "core/rules/lexer.h"

namespace gorsefinch {

void PartTexts::begin(int number, const Widget& widget) {
    number_ = number;
    widget_ = &widget;
    shown_.clear();
    changes_ = false;
}

// What a text of the widget needs beside its bytes.
void PartTexts::note(const PropertyInfo& property, const CompiledText& text) {
    part_.needsExtended = part_.needsExtended || text.needsExtended;
    part_.needsElements = part_.needsElements || text.needsElements;
    part_.stackDepth = std::max(part_.stackDepth, text.stackDepth);
    part_.needsForms = part_.needsForms || text.needsForms;
    for (const Problem& each : text.problems)
        reportIn(part_, *widget_, each.severity,
                 std::string(property.key) + ", column " + std::to_string(each.column) + ": " + each.reason,
                 each.remedy);
    addShown(text);
    changes_ = changes_ || text.hasInsets;
}

void PartTexts::addShown(const CompiledText& text) {
    shown_.push_back(&text);
    fonts_.needCharacters(text.characters);
}

const uint8_t* PartTexts::add(const PropertyInfo& property) {
    part_.texts.push_back(compileText(std::get<std::string>(value(property.key)), context_.names));
    const CompiledText& text = part_.texts.back();
    note(property, text);
    for (const SlotInfo& slot : context_.slots)
        if (slot.widget == number_ && slot.property == &property) {
            changes_ = true;
            for (const int each : slot.strings)
                addShown(context_.rules.strings[static_cast<size_t>(each)]);
        }
    return text.bytes.data();
}

uint16_t PartTexts::addOther(std::string_view key) {
    const int number = addString(std::get<std::string>(value(key)));
    note(*findProperty(widget_->kind, key), part_.slotTexts.back());
    return static_cast<uint16_t>(number);
}

const uint8_t* PartTexts::keepWords(const std::vector<std::string>& words) {
    CompiledText all;
    for (const std::string& each : words) {
        const CompiledText text = compileText(plainText(each), context_.names);
        all.bytes.insert(all.bytes.end(), text.bytes.begin(), text.bytes.end());
    }
    part_.texts.push_back(std::move(all));
    return part_.texts.back().bytes.data();
}

int PartTexts::addString(const std::string& words) {
    part_.slotTexts.push_back(compileText(words, context_.names));
    return part_.firstString + static_cast<int>(part_.slotTexts.size()) - 1;
}

void PartTexts::finish(gorse_widget_text& label) {
    if (!changes_)
        return;
    addBuffer(label);
    if (isMeantWhole())
        for (const CompiledText* each : shown_)
            part_.longest.push_back({static_cast<size_t>(number_), each->longestShown, {}});
}

// Its text is meant to be seen whole: it is not broken into lines, has the box to itself, does not end in dots or roll.
bool PartTexts::isMeantWhole() const {
    const auto isSet = [&](const char* key) {
        const PropertyInfo* property = findIn(info(widget_->kind).properties, key);
        return property && value(key) != property->fallback;
    };
    const PropertyInfo* overflow = findIn(info(widget_->kind).properties, "overflow");
    const bool shrinks = overflow && value(overflow->key) == PropertyValue(std::string("shrink"));
    return widget_->kind != Kind::List && !isSet("wrap") && !isSet("image") && (shrinks || !isSet("overflow"));
}

void PartTexts::addBuffer(gorse_widget_text& label) {
    int longest = 0;
    std::set<int> variables;
    for (const CompiledText* each : shown_) {
        longest = std::max(longest, each->longest);
        variables.insert(each->variables.begin(), each->variables.end());
    }
    if (longest + 1 > kMaxShownText)
        reportIn(part_, *widget_, Severity::Error,
                 "its text can get " + std::to_string(longest) + " bytes long; at most " +
                     std::to_string(kMaxShownText - 1) + " are possible",
                 "Shorten the words or narrow the variables' ranges");
    label.widget.capacity = static_cast<uint8_t>(std::min(longest + 1, kMaxShownText));
    part_.longestText = std::max(part_.longestText, int{label.widget.capacity});
    for (const int variable : variables) {
        part_.bindings.push_back({static_cast<uint16_t>(variable), static_cast<uint16_t>(number_)});
        part_.usedVariables.insert(context_.names.variableOf(variable).name);
    }
}

}  // namespace gorsefinch
