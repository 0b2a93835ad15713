// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/screen_part.h"

#include <algorithm>
#include <cassert>
#include <cstring>

#include "core/rules/clock_fields.h"
#include "core/document/panel_keys.h"
#include "core/document/widget_tree.h"
#include "core/scene/focus_order.h"
#include "core/scene/keyboards.h"
#include "core/scene/named_uses.h"
#include "core/scene/part_fonts.h"
#include "core/scene/part_images.h"
#include "core/scene/part_texts.h"

namespace gorsefinch {

namespace {

uint8_t choiceNumber(const PropertyInfo& property, const PropertyValue& value) {
    const auto& chosen = std::get<std::string>(value);
    const auto at = std::find(property.choices.begin(), property.choices.end(), chosen);
    return static_cast<uint8_t>(at == property.choices.end() ? 0 : at - property.choices.begin());
}

// Bytes of what is typed into fields without a variable.
constexpr int kLeastTyped = 33;

class PartBuilder {
  public:
    PartBuilder(const ScreenRef& screen, const PartContext& context)
        : context_(context),
          part_(std::make_shared<ScreenPart>()),
          images_(context, *part_),
          fonts_(context, *part_),
          texts_(context, *part_, fonts_) {
        part_->given = screen;
        part_->set = context.document.named->shown;
        part_->source = withKeyboards(context.document, screen);
        asked_ = context.names.timesAsked();
        if (part_->source != screen)
            part_->usedLooks.insert(info(Kind::Keyboard).looks.begin(), info(Kind::Keyboard).looks.end());
        part_->slotInfos.assign(context.slots.begin(), context.slots.end());
        part_->firstString = context.firstString;
    }

    std::shared_ptr<const ScreenPart> run() {
        holdWidgets();
        for (size_t i = 0; i < part_->source->widgets.size(); ++i)
            addWidget(static_cast<int>(i), *part_->source->widgets[i]);
        fonts_.finish();
        part_->readsNamedValues = context_.names.timesAsked() != asked_;
        if (hasKeys(*context_.document.panel))
            part_->focusOrder = focusOrder(*part_);
        std::sort(part_->bindings.begin(), part_->bindings.end(), [](const auto& a, const auto& b) {
            return std::pair(a.widget, a.variable) < std::pair(b.widget, b.variable);
        });
        return part_;
    }

  private:
    void problem(Severity severity, const Widget& widget, const std::string& reason, const std::string& remedy) {
        reportIn(*part_, widget, severity, reason, remedy);
    }

    void addWidget(int number, const Widget& widget) {
        const KindInfo& kind = info(widget.kind);
        part_->records.emplace_back();
        gorse_record& record = part_->records.back();
        record.widget.memory = GORSE_NONE;
        record.widget.kind = kind.runtime.kind;
        record.widget.look = fonts_.takeLook(number, widget, statesNeverIn(number, widget));
        texts_.begin(number, widget);
        noteNames(widget);
        RecordFiller filler(*this, number, widget, record);
        for (const RecordInfo* each = kind.record; each; each = each->base)
            for (const FieldInfo& field : each->fields)
                if (*field.property != 0)
                    if (const PropertyInfo* property = findProperty(widget.kind, field.property))
                        fill(filler, field, *property);
        if (kind.complete)
            kind.complete(filler);
        texts_.finish(record.label);
        noteControls(number, widget, record.widget);
        if (kind.has(kIsTyped | kTypes))
            part_->typedBytes = std::max(part_->typedBytes, kLeastTyped);
        part_->recolours = part_->recolours || asWrapped(record.widget.kind);
        if (isReached(widget))
            record.widget.kind = wrappedKind(record.widget.kind, gorse_draw_focusable);
        part_->scrolls = part_->scrolls || scrollOf(widget) != 0;
        if (kind.has(kHolds)) {
            record.group.scroll = scrollOf(widget);
            // What scrolls shows in its box only.
            if (record.group.scroll != 0)
                record.group.clip = GORSE_CLIP_BOX;
        }
        if (kind.has(kHolds))
            record.group.end = static_cast<uint16_t>(endOf(part_->source->widgets, static_cast<size_t>(number)));
        if (canFade(number)) {
            part_->fades = true;
            if (!kind.has(kHolds))
                record.widget.kind = wrappedKind(record.widget.kind, gorse_draw_faded);
        }
        takeMemory(widget, record.widget, kind.stateOf(record).bytes);
        part_->moves = part_->moves || record.widget.kind->tick || record.widget.kind->command;
        if (widget.kind == Kind::Drawer && (widget.expressions.count("x") + widget.expressions.count("y")) != 0)
            problem(Severity::Warning, widget, "a drawer moves itself: an expression on its place has no effect",
                    "Take the expressions off x and y");
        const RuntimeKind& runtime = kind.of(record);
        if (std::find(part_->kinds.begin(), part_->kinds.end(), &runtime) == part_->kinds.end())
            part_->kinds.push_back(&runtime);
        if (kind.keeps)
            part_->keeping.push_back({number, kind.keeps(record)});
        addSlots(number, widget, record.widget);
    }

    // What the kind of a widget needs.
    class RecordFiller : public RecordBuilder {
      public:
        RecordFiller(PartBuilder& part, int number, const Widget& widget, gorse_record& record)
            : part_(part), number_(number), widget_(widget), record_(record) {}

        gorse_record& record() override { return record_; }
        PropertyValue value(std::string_view key) const override { return part_.value(widget_, key); }
        bool isSet(std::string_view key) const override {
            return ownValue(widget_, *findProperty(widget_.kind, key)).has_value();
        }
        bool changes(std::string_view key) const override { return part_.changes(number_, key); }
        bool isStoredPlainly(std::string_view key) const override { return part_.images_.isStoredPlainly(text(key)); }
        std::optional<NeedleImage> needleImage(std::string_view key) const override {
            return part_.images_.needle(text(key));
        }
        std::optional<NumberVariable> number(const std::string& variable) override {
            return part_.number(widget_, variable);
        }
        std::optional<uint16_t> clockNumber(std::string_view field) override {
            return part_.clockNumber(widget_, field);
        }
        std::optional<NumberVariable> computedValue(std::string_view key) override {
            return part_.computedValue(number_, key);
        }
        const int32_t* keep(std::vector<int32_t> numbers) override {
            return part_.part_->numbers.emplace_back(std::move(numbers)).data();
        }
        const int16_t* keepShorts(std::vector<int16_t> numbers) override {
            return part_.part_->shorts.emplace_back(std::move(numbers)).data();
        }
        const uint8_t* keepBytes(std::vector<uint8_t> bytes) override {
            return part_.part_->bytes.emplace_back(std::move(bytes)).data();
        }
        void canShow(std::string_view text, std::string_view unit, int taken) override {
            part_.part_->longest.push_back({static_cast<size_t>(number_), std::string(text), std::string(unit), taken});
        }
        uint16_t otherText(std::string_view key) override { return part_.texts_.addOther(key); }
        std::optional<int32_t> valueInWords(const std::string& variable, const std::string& words) const override {
            const auto found = part_.context_.names.variable(variable);
            return found && !found->variable->isText() ? valueFromWords(*found->variable, words) : std::nullopt;
        }
        std::vector<std::string> namesOf(const std::string& variable) const override {
            const auto found = part_.context_.names.variable(variable);
            return found ? found->variable->choices : std::vector<std::string>();
        }
        const uint8_t* keepWords(const std::vector<std::string>& words) override {
            return part_.texts_.keepWords(words);
        }
        std::optional<uint16_t> textVariable(const std::string& variable) override {
            return part_.textVariable(widget_, variable);
        }
        uint16_t keyboardFor(const std::string& allowed) const override {
            return gorsefinch::keyboardFor(part_.context_.document, *part_.part_->source, allowed);
        }
        std::string inFace(std::string_view text) const override { return part_.fonts_.inFace(text); }
        void useScratch(int bytes) override { part_.part_->longestText = std::max(part_.part_->longestText, bytes); }
        void write(std::string_view text) override { part_.fonts_.write(text); }
        OtherFont writeIn(int size, std::string_view text) override { return part_.fonts_.writeIn(size, text); }
        std::vector<const gorse_font*> smallerFonts(size_t most) override { return part_.fonts_.smallerFonts(most); }
        void report(Severity severity, const std::string& reason, const std::string& remedy) override {
            part_.problem(severity, widget_, reason, remedy);
        }

        int index() const { return number_; }
        const Widget& widget() const { return widget_; }

      private:
        PartBuilder& part_;
        const int number_;
        const Widget& widget_;
        gorse_record& record_;
    };

    // Sets the field that holds a property, of one that the kind has.
    void fill(RecordFiller& filler, const FieldInfo& field, const PropertyInfo& property) {
        const Widget& widget = filler.widget();
        auto* const to = reinterpret_cast<std::byte*>(&filler.record()) + field.offset;
        const auto store = [&](const auto& given) { std::memcpy(to, &given, sizeof given); };
        switch (field.type) {
            case FieldType::Text: store(texts_.add(property)); break;
            case FieldType::Image: {
                const BakedImageRef baked = bakedImage(widget, property, false);
                store(baked ? baked->record() : nullptr);
                break;
            }
            case FieldType::Animation: {
                const BakedImageRef baked = bakedImage(widget, property, true);
                store(baked ? &baked->animation : nullptr);
                break;
            }
            case FieldType::Variable: {
                const std::string name = filler.text(property.key);
                const auto found = name.empty() ? std::nullopt : number(widget, name);
                store(found ? found->number : static_cast<uint16_t>(GORSE_NONE));
                break;
            }
            default: {
                const int32_t number = numberOf(property, value(widget, property.key));
                assert(field.bytes == 4 || std::abs(number) < 1 << (8 * field.bytes));
                std::memcpy(to, &number, field.bytes);  // the low bytes come first on the desktop
                break;
            }
        }
    }

    static int32_t numberOf(const PropertyInfo& property, const PropertyValue& value) {
        switch (property.type) {
            case PropertyType::YesNo: return std::get<bool>(value) ? 1 : 0;
            case PropertyType::Colour: return static_cast<int32_t>(std::get<Colour>(value).argb);
            case PropertyType::Choice: return choiceNumber(property, value);
            default: return static_cast<int32_t>(std::get<int64_t>(value));
        }
    }

    PropertyValue value(const Widget& widget, std::string_view key) const {
        return effectiveValue(context_.document, widget, key);
    }

    // The colours and sizes that it has by their names.
    void noteNames(const Widget& widget) {
        const NamedValues& named = *context_.document.named;
        for (const auto& each : widget.properties)
            forEachName(each.second, [&](const std::string& name) {
                part_->usedNames.insert(name);
                const bool isSize = findProperty(widget.kind, each.first)->type == PropertyType::Whole;
                if (isSize ? named.size(name) != nullptr : named.colour(name) != nullptr)
                    return;
                const Problem p = missingName({}, {}, isSize ? "size" : "colour", name);
                problem(Severity::Error, widget, p.reason, p.remedy);
            });
    }

    bool canFade(int number) const {
        return part_->source->widgets[static_cast<size_t>(number)]->opacity != Widget().opacity ||
               changes(number, "opacity");
    }

    // Which containers hold which widgets.
    void holdWidgets() {
        const auto& widgets = part_->source->widgets;
        if (std::none_of(widgets.begin(), widgets.end(),
                         [](const WidgetRef& each) { return info(each->kind).has(kHolds); }))
            return;
        part_->needsControls = true;
        std::vector<int> fading;  // of each, itself included
        for (const int holder : containersOf(widgets)) {
            const size_t number = part_->holders.size();
            part_->holders.push_back(static_cast<uint16_t>(holder < 0 ? int{GORSE_NONE} : holder));
            const bool fades = info(widgets[number]->kind).has(kHolds) && canFade(static_cast<int>(number));
            fading.push_back((holder < 0 ? 0 : fading[static_cast<size_t>(holder)]) + (fades ? 1 : 0));
            part_->fadingContainers = std::max(part_->fadingContainers, fading.back());
        }
    }

    // It and all that hold it are enabled, whatever happens.
    bool isAlwaysEnabled(int number) const {
        for (; number >= 0; number = containerOf(part_->source->widgets, static_cast<size_t>(number)))
            if (!part_->source->widgets[static_cast<size_t>(number)]->enabled || changes(number, "enabled"))
                return false;
        return true;
    }

    // States that the widget is never in, as bits.
    uint8_t statesNeverIn(int number, const Widget& widget) const {
        const bool enabled = isAlwaysEnabled(number);
        const bool off = info(widget.kind).canBeOn && !info(widget.kind).canBeOn(widget);
        return static_cast<uint8_t>((enabled ? GORSE_STATE_DISABLED : 0) | (off ? GORSE_STATE_ON : 0) |
                                    (isReached(widget) ? 0 : GORSE_STATE_FOCUSED));
    }

    // The knob and the keys can be on it.
    bool isReached(const Widget& widget) const {
        return hasKeys(*context_.document.panel) && info(widget.kind).has(kIsTouched) && widget.focus != kNeverFocused;
    }

    // What of the widget needs more than presses.
    void noteControls(int number, const Widget& widget, const gorse_widget& base) {
        const bool isTouched = info(widget.kind).has(kIsTouched);
        if (isTouched && widget.touchMargin != 0)
            part_->margins.push_back({0, static_cast<uint16_t>(number), static_cast<uint8_t>(widget.touchMargin), 0});
        part_->needsControls = part_->needsControls || (base.kind->flags & GORSE_KIND_CONTROL) != 0 ||
                               !widget.enabled || changes(number, "enabled") || !part_->margins.empty();
    }

    // Room in the screen's part of the state for the widget's text and, behind it, what its kind remembers. What
    // finds none shares the first bytes, so that the rest can be looked at.
    void takeMemory(const Widget& widget, gorse_widget& base, uint16_t stateBytes) {
        const int bytes = base.capacity + stateBytes;
        if (bytes == 0)
            return;
        if (static_cast<size_t>(part_->memoryBytes) + static_cast<size_t>(bytes) > kMaxStateTexts) {
            problem(Severity::Error, widget,
                    "the screen's texts need more than " + std::to_string(kMaxStateTexts) + " bytes",
                    "Divide the screen");
            base.memory = 0;
            return;
        }
        base.memory = static_cast<uint16_t>(part_->memoryBytes);
        part_->memoryBytes += bytes;
    }

    // Null without an image, or after reporting a problem.
    BakedImageRef bakedImage(const Widget& widget, const PropertyInfo& property, bool allFrames) {
        const std::string name = std::get<std::string>(value(widget, property.key));
        if (name.empty()) {
            if (property.required)
                problem(Severity::Warning, widget, "it has no image", "Choose one in the sheet");
            return nullptr;
        }
        const auto baked = images_.use(name, allFrames);
        if (baked)
            return *baked;
        const Error& error = baked.error();
        problem(Severity::Error, widget, error.file.empty() ? error.reason : error.file + ": " + error.reason,
                error.remedy);
        return nullptr;
    }

    bool changes(int number, std::string_view key) const {
        return std::any_of(context_.slots.begin(), context_.slots.end(),
                           [&](const SlotInfo& slot) { return slot.widget == number && key == slot.property->key; });
    }

    std::optional<NumberVariable> number(const Widget& widget, const std::string& name) {
        const auto found = context_.names.variable(name);
        if (!found || found->variable->isText()) {
            problem(Severity::Error, widget,
                    found ? "\"" + name + "\" is a text" : "there is no variable \"" + name + "\"",
                    "Choose a variable that is a number");
            return std::nullopt;
        }
        if (found->variable->isArray()) {
            problem(Severity::Error, widget, "\"" + name + "\" is an array",
                    "Write = " + name + "[0], or = sum " + name + ", min or max");
            return std::nullopt;
        }
        const Variable& variable = *found->variable;
        part_->usedVariables.insert(name);
        return NumberVariable{static_cast<uint16_t>(found->number), variable.min, variable.max, variable.decimals,
                              variable.writer != Writer::Firmware};
    }

    std::optional<uint16_t> textVariable(const Widget& widget, const std::string& name) {
        const auto found = context_.names.variable(name);
        if (!found || !found->variable->isText()) {
            problem(Severity::Error, widget,
                    found ? "\"" + name + "\" is no text" : "there is no variable \"" + name + "\"",
                    "Choose a variable that is a text");
            return std::nullopt;
        }
        if (found->variable->writer == Writer::Firmware)
            problem(Severity::Warning, widget, "only the firmware writes " + name + ", as its settings say",
                    "Let the panel or both write it at the station Variables");
        part_->usedVariables.insert(name);
        part_->typedBytes = std::max(part_->typedBytes, found->variable->length + 1);
        return static_cast<uint16_t>(found->number);
    }

    std::optional<uint16_t> clockNumber(const Widget& widget, std::string_view field) {
        if (!context_.document.clock) {
            problem(Severity::Error, widget, "the project has no clock", "Give it one at the station Variables");
            return std::nullopt;
        }
        const auto found = number(widget, clockField(field)->name);
        return found ? std::optional(found->number) : std::nullopt;
    }

    // The slot of a value of the widget, if an expression gives it.
    std::optional<NumberVariable> computedValue(int number, std::string_view key) const {
        for (size_t i = 0; i < context_.slots.size(); ++i)
            if (const SlotInfo& slot = context_.slots[i];
                slot.widget == number && slot.shown && key == slot.property->key)
                return NumberVariable{static_cast<uint16_t>(GORSE_VALUE_IN_SLOT + i), slot.shown->min, slot.shown->max,
                                      slot.shown->decimals};
        return std::nullopt;
    }

    void addSlots(int number, const Widget& widget, gorse_widget& base) {
        base.first_slot = static_cast<uint8_t>(part_->slots.size());
        for (const SlotInfo& info : context_.slots) {
            if (info.widget != number)
                continue;
            gorse_slot slot{};
            slot.widget = static_cast<uint16_t>(number);
            if (!info.property->isValue) {
                const SlotField field = slotField(widget.kind, *info.property);
                slot.offset = static_cast<uint8_t>(field.field->offset);
                slot.size = static_cast<uint8_t>(field.size() | (field.inLook ? GORSE_SLOT_LOOK : 0));
                slot.initial = initialValue(widget, *info.property);
                ++base.slot_count;
            }
            part_->slots.push_back(slot);
        }
        if (part_->slots.size() > 255)
            problem(Severity::Error, widget, "rules and expressions change more than 255 properties of this screen",
                    "Divide the screen");
    }

    // What the kind lacks is what a pager or a drawer sets by itself.
    int32_t initialValue(const Widget& widget, const PropertyInfo& property) {
        if (!findProperty(widget.kind, property.key))
            return std::string_view(property.key) == "clip" ? int{GORSE_CLIP_BOX} : 0;
        PropertyValue from = value(widget, property.key);
        // What an expression gives is the same in all sets of colours, and so is what it begins with.
        if (property.type == PropertyType::Colour && widget.expressions.count(property.key) != 0)
            from = property.fallback;
        if (property.type != PropertyType::Text)
            return numberOf(property, from);
        return texts_.addString(std::get<std::string>(from));
    }

    const PartContext& context_;
    std::shared_ptr<ScreenPart> part_;
    PartImages images_;
    PartFonts fonts_;
    PartTexts texts_;
    int asked_ = 0;  // how often named values were looked up before
};

}  // namespace

std::shared_ptr<const ScreenPart> buildScreenPart(const ScreenRef& screen, const PartContext& context) {
    return PartBuilder(screen, context).run();
}

}  // namespace gorsefinch
