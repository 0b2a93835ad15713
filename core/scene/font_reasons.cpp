// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/font_reasons.h"

#include "core/rules/expression.h"

namespace gorsefinch {

namespace {

class ReasonFinder {
  public:
    ReasonFinder(const BuiltScene& scene, const BakedFont& font) : scene_(scene), font_(font), names_(scene.document) {}

    std::vector<FontReason> run() {
        for (const auto& part : scene_.parts)
            for (const FontNeed& need : part->needs)
                if (need.font == font_.key())
                    addWidget(*part, need);
        const auto& entries = font_.settings().holds;
        for (size_t i = 0; i < entries.size(); ++i) {
            const HeldCharacters& each = entries[i];
            FontReason reason;
            reason.what = FontReason::What::Held;
            reason.detail = each.from == HeldCharacters::From::Text ? each.characters : each.name;
            reason.characters = charactersOf(each);
            reason.entry = i;
            out_.push_back(std::move(reason));
        }
        return std::move(out_);
    }

  private:
    void add(FontReason::What what, const ScreenPart& part, size_t widget, const std::string& detail,
             const std::string& text) {
        FontReason reason;
        reason.what = what;
        reason.screen = part.source->name;
        reason.widget = part.source->widgets[widget]->name;
        reason.detail = detail;
        reason.characters = compileText(text, names_).characters;
        if (!reason.characters.empty())
            out_.push_back(std::move(reason));
    }

    void addWidget(const ScreenPart& part, const FontNeed& need) {
        const size_t number = need.widget;
        const Widget& widget = *part.source->widgets[number];
        for (const PropertyInfo& property : info(widget.kind).properties)
            if (property.type == PropertyType::Text)
                addText(part, number, std::get<std::string>(effectiveValue(scene_.document, widget, property.key)));
        for (const SlotInfo& slot : part.slotInfos)
            if (slot.widget == static_cast<int>(number) && slot.property->type == PropertyType::Text)
                addRuleTexts(part, number, slot);
        if (info(widget.kind).has(kHasLabels)) {
            FontReason reason;
            reason.what = FontReason::What::Value;
            reason.screen = part.source->name;
            reason.widget = widget.name;
            reason.detail = "labels";
            reason.characters = need.characters;
            out_.push_back(std::move(reason));
        }
    }

    void addText(const ScreenPart& part, size_t number, const std::string& text) {
        std::string words;
        std::vector<std::string> values;
        for (const TextPiece& piece : splitText(text).pieces) {
            if (piece.inset)
                values.push_back("{" + piece.text + "}");
            else
                words += piece.text;
        }
        if (!words.empty())
            add(FontReason::What::Words, part, number, words, plainText(words));
        for (const std::string& value : values)
            add(FontReason::What::Value, part, number, value, value);
    }

    void addRuleTexts(const ScreenPart& part, size_t number, const SlotInfo& slot) {
        FontReason reason;
        reason.what = FontReason::What::Rule;
        reason.screen = part.source->name;
        reason.widget = part.source->widgets[number]->name;
        for (const int each : slot.strings) {
            const CompiledText& given = scene_.rules->strings[static_cast<size_t>(each)];
            reason.detail += (reason.detail.empty() ? "" : ", ") + given.longestShown;
            reason.characters.insert(given.characters.begin(), given.characters.end());
        }
        if (!reason.characters.empty())
            out_.push_back(std::move(reason));
    }

    const BuiltScene& scene_;
    const BakedFont& font_;
    ProjectNames names_;
    std::vector<FontReason> out_;
};

}  // namespace

std::vector<FontReason> fontReasons(const BuiltScene& scene, const BakedFont& font) {
    return ReasonFinder(scene, font).run();
}

}  // namespace gorsefinch
