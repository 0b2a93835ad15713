// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/screen_part.h"

#include <algorithm>

namespace gorsefinch {

namespace {

uint8_t choiceNumber(const PropertyInfo& property, const PropertyValue& value) {
    const auto& chosen = std::get<std::string>(value);
    const auto at = std::find(property.choices.begin(), property.choices.end(), chosen);
    return static_cast<uint8_t>(at == property.choices.end() ? 0 : at - property.choices.begin());
}

std::vector<ResolvedStyle*> stylesOf(ResolvedLook& look) {
    std::vector<ResolvedStyle*> out{&look.normal};
    for (auto& [bits, style] : look.states)
        out.push_back(&style);
    return out;
}

class PartBuilder {
  public:
    PartBuilder(const ScreenRef& screen, PartContext& context)
        : context_(context), part_(std::make_shared<ScreenPart>()) {
        part_->source = screen;
        part_->slotInfos = context.slots;
    }

    std::shared_ptr<const ScreenPart> run() {
        for (size_t i = 0; i < part_->source->widgets.size(); ++i)
            addWidget(static_cast<int>(i), *part_->source->widgets[i]);
        std::sort(part_->bindings.begin(), part_->bindings.end(), [](const auto& a, const auto& b) {
            return std::pair(a.widget, a.variable) < std::pair(b.widget, b.variable);
        });
        for (const FontNeed& need : part_->needs)
            need.font->need(need.characters, 1);
        return part_;
    }

  private:
    void problem(Severity severity, const Widget& widget, const std::string& reason, const std::string& remedy) {
        Problem p;
        p.severity = severity;
        p.file = "screens/" + part_->source->name + ".json";
        p.place = widget.name;
        p.reason = reason;
        p.remedy = remedy;
        p.screen = part_->source->name;
        p.widget = widget.name;
        part_->problems.push_back(std::move(p));
    }

    void addWidget(int number, const Widget& widget) {
        part_->records.emplace_back();
        gorse_record& record = part_->records.back();
        gorse_widget& base = record.widget;
        base.kind = info(widget.kind).runtime.kind;
        part_->moves = part_->moves || base.kind->tick || base.kind->command;
        base.x = static_cast<int16_t>(widget.x);
        base.y = static_cast<int16_t>(widget.y);
        base.w = static_cast<int16_t>(widget.w);
        base.h = static_cast<int16_t>(widget.h);
        base.visible = widget.visible ? 1 : 0;
        base.memory = GORSE_NONE;
        addLook(widget, base);
        switch (widget.kind) {
            case Kind::Text: addLabel(number, widget, record.label); break;
            case Kind::Button: addButton(number, widget, record.button); break;
            case Kind::Image: addPicture(widget, record.picture); break;
            case Kind::Frames: addFrames(widget, record.frames); break;
            case Kind::Rectangle: break;
        }
        addSlots(number, widget, base);
        part_->widgets.push_back(&base);
    }

    void addLook(const Widget& widget, gorse_widget& base) {
        if (!widget.look.empty()) {
            part_->usedLooks.insert(widget.look);
            if (!context_.document.look(widget.look))
                problem(Severity::Error, widget, "there is no look \"" + widget.look + "\"", "Choose another look");
        }
        look_ = resolveLook(context_.document, widget);
        // A look without text needs no font; kept apart, it never stands in for one that does.
        for (ResolvedStyle* style : stylesOf(look_)) {
            if (info(widget.kind).hasText)
                font(widget, style->font);
            else
                style->font = {};
        }
        base.look = context_.looks.look(look_);
    }

    BakedFont* font(const Widget& widget, const FontKey& key) {
        if (key.face.empty()) {
            problem(Severity::Warning, widget, "there is no face for its text", "Bring in a face");
            return nullptr;
        }
        if (!context_.document.face(key.face)) {
            problem(Severity::Error, widget, "there is no face \"" + key.face + "\"", "Choose another face");
            return nullptr;
        }
        BakedFont* made = context_.looks.font(context_.document, key);
        if (const Error* error = context_.looks.trouble(key); error && toldFonts_.insert(key).second)
            problem(Severity::Error, widget, error->file + ": " + error->reason, error->remedy);
        return made;
    }

    PropertyValue value(const Widget& widget, const char* key) const {
        return effectiveValue(context_.document, widget, key);
    }
    uint8_t choice(const Widget& widget, const char* key) const {
        return choiceNumber(*findProperty(widget.kind, key), value(widget, key));
    }

    // What a widget's text can be: its own and what rules give it.
    void addLabel(int number, const Widget& widget, gorse_label& label) {
        const std::string words = std::get<std::string>(value(widget, "text"));
        part_->texts.push_back(compileText(words, context_.names));
        const CompiledText& text = part_->texts.back();
        part_->needsMore = part_->needsMore || text.needsMore;
        part_->needsForms = part_->needsForms || text.needsForms;
        for (Problem each : text.problems) {
            problem(each.severity, widget, "text, column " + std::to_string(each.column) + ": " + each.reason,
                    each.remedy);
        }
        label.text = text.bytes.data();
        label.align = choice(widget, "align");
        label.place = findProperty(widget.kind, "place") ? choice(widget, "place") : static_cast<uint8_t>(GORSE_MIDDLE);
        label.wrap = findProperty(widget.kind, "wrap") && std::get<bool>(value(widget, "wrap")) ? 1 : 0;
        std::vector<const CompiledText*> all{&text};
        bool changes = text.hasInsets;
        for (const SlotInfo& slot : context_.slots)
            if (slot.widget == number && slot.property->type == PropertyType::Text) {
                changes = true;
                for (const int each : slot.strings)
                    all.push_back(&context_.rules.strings[static_cast<size_t>(each)]);
            }
        addCharacters(number, all);
        if (changes)
            addMemory(number, widget, label, all);
    }

    void addMemory(int number, const Widget& widget, gorse_label& label, const std::vector<const CompiledText*>& all) {
        int longest = 0;
        std::set<int> variables;
        for (const CompiledText* each : all) {
            longest = std::max(longest, each->longest);
            variables.insert(each->variables.begin(), each->variables.end());
        }
        const int most = context_.document.panel->wordBits == 8 ? 48 : 255;
        if (longest + 1 > most)
            problem(Severity::Error, widget,
                    "its text can get " + std::to_string(longest) + " bytes long; the target holds " +
                        std::to_string(most - 1),
                    "Shorten the words or narrow the variables' ranges");
        label.widget.capacity = static_cast<uint8_t>(std::min(longest + 1, most));
        takeMemory(widget, label.widget);
        for (const int variable : variables)
            part_->bindings.push_back({static_cast<uint16_t>(variable), static_cast<uint16_t>(number)});
        for (const Variable& each : *context_.document.variables)
            if (variables.count(context_.names.variable(each.name)->binding) != 0)
                part_->usedVariables.insert(each.name);
    }

    // A place in the screen's part of the state. What finds none shares the first bytes, so that the rest can be looked at.
    void takeMemory(const Widget& widget, gorse_widget& base) {
        if (static_cast<size_t>(part_->memoryBytes) + base.capacity > kMostStateTexts) {
            problem(Severity::Error, widget, "the screen's texts need more than " + std::to_string(kMostStateTexts) + " bytes", "Divide the screen");
            base.memory = 0;
            return;
        }
        base.memory = static_cast<uint16_t>(part_->memoryBytes);
        part_->memoryBytes += base.capacity;
    }

    void addCharacters(int number, const std::vector<const CompiledText*>& all) {
        std::set<char32_t> characters;
        for (const CompiledText* each : all)
            characters.insert(each->characters.begin(), each->characters.end());
        if (characters.empty())
            return;
        std::set<BakedFont*> done;
        for (const ResolvedStyle* style : stylesOf(look_))
            if (BakedFont* font = context_.looks.font(context_.document, style->font);
                font && done.insert(font).second) {
                part_->needs.push_back({font, static_cast<size_t>(number), characters});
                part_->usedFonts.insert(font);
            }
    }

    // Null without an image, or when there is trouble, which is told.
    BakedImageRef bakedImage(const Widget& widget, bool allFrames) {
        const std::string name = std::get<std::string>(value(widget, "image"));
        if (name.empty())
            return nullptr;
        part_->usedImages.insert(name);
        const Image* image = context_.document.image(name);
        if (!image) {
            problem(Severity::Error, widget, "there is no image \"" + name + "\"", "Choose another image");
            return nullptr;
        }
        if (!image->recipe.paletteImage.empty())
            part_->usedImages.insert(image->recipe.paletteImage);
        const auto baked = context_.images.bake(context_.document, *image);
        if (!baked) {
            problem(Severity::Error, widget, baked.error().file + ": " + baked.error().reason, baked.error().remedy);
            return nullptr;
        }
        part_->images.push_back({name, *baked, allFrames});
        return *baked;
    }

    const gorse_image* image(const Widget& widget) {
        const BakedImageRef baked = bakedImage(widget, false);
        return baked ? baked->record() : nullptr;
    }

    void addFrames(const Widget& widget, gorse_frames& frames) {
        const BakedImageRef baked = bakedImage(widget, true);
        if (!baked && std::get<std::string>(value(widget, "image")).empty())
            problem(Severity::Warning, widget, "it has no image", "Choose one in the sheet");
        frames.animation = baked ? &baked->animation : nullptr;
        frames.align = choice(widget, "align");
        frames.place = choice(widget, "place");
        frames.play = choice(widget, "play");
        frames.starts = std::get<bool>(value(widget, "starts")) ? 1 : 0;
        frames.variable = GORSE_NONE;
        frames.widget.capacity = sizeof(gorse_frames_state);
        takeMemory(widget, frames.widget);
        const std::string variable = std::get<std::string>(value(widget, "variable"));
        if (baked && !variable.empty())
            followVariable(widget, variable, static_cast<int64_t>(baked->frames.size()), frames);
    }

    // Cuts the range into as many equal parts as there are frames.
    void followVariable(const Widget& widget, const std::string& name, int64_t count, gorse_frames& frames) {
        const Variable* variable = context_.document.variable(name);
        if (!variable || variable->type == VariableType::Text) {
            problem(Severity::Error, widget, variable ? "\"" + name + "\" is a text" : "there is no variable \"" + name + "\"",
                    "Choose a variable that is a number");
            return;
        }
        part_->usedVariables.insert(name);
        const auto bound = [&](const char* key, int32_t otherwise) -> int64_t {
            const std::string words = std::get<std::string>(value(widget, key));
            const auto number = decimalFromText(words, variable->decimals);
            if (!words.empty() && !number)
                problem(Severity::Error, widget, "\"" + words + "\" is not a number", "Write a value of " + name);
            return number.value_or(otherwise);
        };
        const int64_t from = bound("from", variable->least), to = bound("to", variable->most);
        if (from >= to)
            problem(Severity::Error, widget, "the last frame's value must be above the first's", "Correct First at or Last at");
        part_->steps.emplace_back();
        for (int64_t i = 1; i < count; ++i)
            part_->steps.back().push_back(static_cast<int32_t>(from + ((to - from + 1) * i + count - 1) / count));
        if (part_->steps.back().empty())
            part_->steps.back().push_back(0);
        frames.steps = part_->steps.back().data();
        frames.variable = static_cast<uint16_t>(context_.names.variable(name)->number);
    }

    void addPicture(const Widget& widget, gorse_picture& picture) {
        picture.image = image(widget);
        picture.align = choice(widget, "align");
        picture.place = choice(widget, "place");
        if (!picture.image && std::get<std::string>(value(widget, "image")).empty())
            problem(Severity::Warning, widget, "it has no image", "Choose one in the sheet");
    }

    void addButton(int number, const Widget& widget, gorse_button& button) {
        addLabel(number, widget, button.label);
        button.image = image(widget);
        if (button.image)
            button.label.widget.kind = info(widget.kind).withImage->kind;
        button.image_side = choice(widget, "image_side");
        button.gap = static_cast<uint8_t>(std::get<int64_t>(value(widget, "gap")));
    }

    void addSlots(int number, const Widget& widget, gorse_widget& base) {
        base.first_slot = static_cast<uint8_t>(part_->slots.size());
        for (const SlotInfo& info : context_.slots) {
            if (info.widget != number)
                continue;
            const RuntimeField& field = info.property->field;
            gorse_slot slot{};
            slot.widget = static_cast<uint16_t>(number);
            slot.offset = static_cast<uint8_t>(field.offset);
            slot.size = static_cast<uint8_t>(field.bytes | (field.home == FieldHome::Look ? GORSE_SLOT_LOOK : 0));
            slot.initial = initialValue(widget, *info.property);
            part_->slots.push_back(slot);
        }
        base.slot_count = static_cast<uint8_t>(part_->slots.size() - base.first_slot);
        if (part_->slots.size() > 255)
            problem(Severity::Error, widget, "rules change more than 255 properties of this screen",
                    "Divide the screen");
    }

    int32_t initialValue(const Widget& widget, const PropertyInfo& property) {
        const PropertyValue from = value(widget, property.key);
        switch (property.type) {
            case PropertyType::YesNo: return std::get<bool>(from);
            case PropertyType::Colour: return static_cast<int32_t>(std::get<Colour>(from).argb);
            case PropertyType::Text: return context_.string(std::get<std::string>(from));
            default: return static_cast<int32_t>(std::get<int64_t>(from));
        }
    }

    PartContext& context_;
    std::shared_ptr<ScreenPart> part_;
    std::set<FontKey> toldFonts_;  // that can't be opened: one problem a screen is enough
    ResolvedLook look_;
};

}  // namespace

std::shared_ptr<const ScreenPart> buildScreenPart(const ScreenRef& screen, PartContext context) {
    return PartBuilder(screen, context).run();
}

}  // namespace gorsefinch
