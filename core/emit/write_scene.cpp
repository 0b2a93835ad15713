// SPDX-License-Identifier: GPL-3.0-or-later
// The runtime's tables as C initialisers, read from the very structs that the desktop draws with.
#include <algorithm>
#include <set>

#include "core/emit/c_record.h"
#include "core/emit/c_text.h"
#include "core/emit/firmware_functions.h"
#include "core/emit/runtime_symbols.h"
#include "core/emit/runtime_sources.h"
#include "core/emit/scene_writer.h"
#include "core/kinds/wrapped_kinds.h"
#include "core/document/panel_outputs.h"
#include "core/rules/clock_fields.h"
#include "core/scene/record_key.h"

namespace gorsefinch {

std::string widgetSymbol(const Document& document, const Screen& screen, const Widget& widget) {
    return document.name + "_" + screen.name + "_" + widget.name;
}

namespace {

std::string num(long long value) { return std::to_string(value); }

class SceneWriter {
  public:
    explicit SceneWriter(const BuiltScene& scene) : s_(scene), doc_(scene.document), name_(scene.document.name) {}

    std::string run() {
        out_ = fileHead("The screens, rules and variables of the interface, and how it is run.");
        out_ += "#include \"" + name_ + ".h\"\n\n#include \"gorse/gorse_scene.h\"\n";
        if (std::any_of(doc_.variables->begin(), doc_.variables->end(), isLatched))
            out_ += "#include \"gorse/gorse_latch.h\"\n";
        if (fades(s_))
            out_ += "#include \"gorse/gorse_fade.h\"\n";
        if (hasWrappedKinds(s_))
            out_ += "#include \"gorse/gorse_wrapped.h\"\n";
        out_ += "\n";
        externs();
        collectTexts();
        collectLooks();
        for (size_t i = 0; i < s_.parts.size(); ++i)
            screen(i);
        for (size_t set = 1; set < s_.setCount(); ++set)
            screensIn(set);
        screens(0);
        variables();
        rules();
        out_ += writeControls(s_);
        out_ += writeContainers(s_);
        out_ += writeTransitions(s_);
        out_ += writeGlides(s_);
        for (size_t set = 0; set < s_.setCount(); ++set)
            keepers(set);
        out_ += writeOutputs(s_);
        motions();
        out_ += writeSceneRecord(s_);
        anchors();
        return std::move(out_) + writeRun(s_);
    }

  private:
    void line(const std::string& text) { out_ += text + "\n"; }

    void externs() {
        for (const FontRef& font : s_.fonts)
            line("extern const GORSE_ROM gorse_font " + fontSymbol(doc_, font->key()) + ";");
        for (const ImageUse& use : s_.images) {
            const std::string name = imageSymbol(doc_, use.name);
            imageNames_[use.image->record()] = name;
            line("extern const GORSE_ROM gorse_image " + name + ";");
            if (use.allFrames) {
                animationNames_[&use.image->animation] = name + "_frames";
                line("extern const GORSE_ROM gorse_animation " + name + "_frames;");
            }
        }
        for (const FontRef& font : s_.fonts)
            fontNames_[font->record()] = fontSymbol(doc_, font->key());
        line("");
    }

    // Equal texts are written once.
    void addText(const CompiledText& text) {
        std::string& name = textNames_[text.bytes];
        if (name.empty()) {
            name = name_ + "_text_" + num(static_cast<long long>(textNames_.size()));
            out_ += textArray(name, text.bytes);
        }
        textByAddress_[text.bytes.data()] = name;
    }

    void collectTexts() {
        for (const auto& part : s_.allParts())
            for (const CompiledText& text : part->texts)
                addText(text);
        for (const CompiledText& text : s_.rules->strings)
            addText(text);
        for (const auto& part : s_.parts)
            for (const CompiledText& text : part->slotTexts)
                addText(text);
        for (const CompiledText& text : s_.startTexts)
            addText(text);
        line("");
    }

    // What a pointer of a record is written as.
    std::string pointer(const FieldInfo& field, const void* to, const std::string& other = {}) const {
        switch (field.type) {
            case FieldType::Text: return textByAddress_.at(static_cast<const uint8_t*>(to));
            case FieldType::Look: return "&" + lookNames_.at(static_cast<const gorse_look*>(to));
            case FieldType::Kind: return "&" + kindNames_.at(static_cast<const gorse_kind*>(to));
            case FieldType::Image: return "&" + imageNames_.at(static_cast<const gorse_image*>(to));
            case FieldType::Animation: return "&" + animationNames_.at(static_cast<const gorse_animation*>(to));
            case FieldType::Font: {
                // A look's font is left out if nothing is written in it.
                const auto name = fontNames_.find(static_cast<const gorse_font*>(to));
                return name == fontNames_.end() ? "0" : "&" + name->second;
            }
            case FieldType::Numbers:
            case FieldType::Shorts:
            case FieldType::Cells: return numbersNames_.at(to);
            default: return other;
        }
    }

    // `other`: what a pointer to anything else is written as.
    std::string initialiser(const RecordInfo& record, const void* bytes, const std::string& other = {}) const {
        return recordInitialiser(record, bytes,
                                 [&](const FieldInfo& field, const void* to) { return pointer(field, to, other); });
    }

    void addLook(const gorse_look* look) {
        if (lookNames_.count(look) != 0)
            return;
        const std::string name = name_ + "_look_" + num(static_cast<long long>(lookNames_.size()) + 1);
        std::string list;
        for (int i = 0; i < look->state_count; ++i) {
            const std::string other = name + "_state_" + num(i + 1);
            line("static const GORSE_ROM gorse_look " + other + " = " + initialiser(lookRecord, look->states[i].look) +
                 ";");
            list += "{&" + other + ", " + num(look->states[i].when) + "}, ";
        }
        if (!list.empty())
            line("static const GORSE_ROM gorse_look_state " + name + "_states[] = {" + list.substr(0, list.size() - 2) +
                 "};");
        line("static const GORSE_ROM gorse_look " + name + " = " + initialiser(lookRecord, look, name + "_states") +
             ";");
        lookNames_[look] = name;
    }

    void collectLooks() {
        for (size_t set = 0; set < s_.setCount(); ++set)
            for (const auto& tables : s_.tablesIn(set))
                for (const gorse_widget* widget : tables->widgets)
                    addLook(widget->look);
        line("");
    }

    void screen(size_t at) {
        const ScreenPart& part = *s_.parts[at];
        const std::vector<gorse_record>& records = s_.tables[at]->records;
        const Screen& source = *part.source;
        const std::string prefix = name_ + "_screen_" + source.name;
        line("/* " + source.name + " */");
        std::string list;
        for (size_t i = 0; i < records.size(); ++i)
            list += widget(part, records[i], i, {});
        widgetList(prefix + "_widgets", list);
        slots(part, prefix + "_slots");
        if (!part.bindings.empty()) {
            out_ += "static const GORSE_ROM gorse_binding " + prefix + "_bindings[] = {";
            for (size_t i = 0; i < part.bindings.size(); ++i)
                out_ += (i != 0 ? ", " : "") + initialiser(bindingRecord, &part.bindings[i]);
            out_ += "};\n";
        }
        line("");
    }

    // The record of a widget, behind whose symbol `suffix` is put, unless it can have that of another. Returns its
    // entry in the screen's list.
    std::string widget(const ScreenPart& part, const gorse_record& bytes, size_t at, const std::string& suffix) {
        const Widget& source = *part.source->widgets[at];
        const KindInfo& kind = info(source.kind);
        const std::string symbol = widgetSymbol(doc_, *part.source, source) + suffix;
        if (sharesRecord(source)) {
            const auto [known, isNew] = shared_.emplace(suffix + recordKey(part, at), symbol);
            if (suffix.empty())
                sharedBy_[symbol] = known->second;
            if (!isNew)
                return entryOf(kind.recordOf(bytes), known->second);
        }
        const RuntimeKind& runtime = kind.of(bytes);
        const RecordInfo& record = kind.recordOf(bytes);
        kindNames_[runtime.kind] = runtime.symbol;
        addWrappedKind(bytes.widget.kind, record, runtime);
        numbers(part, record, bytes, symbol);
        line(std::string("static const GORSE_ROM ") + record.structure + " " + symbol + " = " +
             initialiser(record, &bytes, itemSymbol(doc_, listName(source))) + ";");
        return entryOf(record, symbol);
    }

    static std::string entryOf(const RecordInfo& record, const std::string& symbol) {
        return "    &" + headOf(record, symbol) + ",\n";
    }

    void widgetList(const std::string& name, const std::string& entries) {
        if (!entries.empty())
            out_ += "static const GORSE_ROM gorse_widget *const GORSE_ROM " + name + "[] = {\n" + entries + "};\n";
    }

    std::string suffixOf(size_t set) const { return setSuffix(doc_, set); }

    // The screens in one of the sets of colours behind the first, as far as they differ.
    void screensIn(size_t set) {
        const ColourSet& of = s_.otherSets[set - 1];
        const std::string suffix = suffixOf(set);
        line("/* The set " + doc_.named->sets[set] + " */");
        for (size_t at = 0; at < of.parts.size(); ++at) {
            if (!of.own[at])
                continue;
            const ScreenPart& part = *of.parts[at];
            const std::vector<gorse_record>& records = of.tables[at]->records;
            auto own = of.own[at]->widgets.begin();
            std::string list;
            for (size_t i = 0; i < records.size(); ++i) {
                const bool isOwn = own != of.own[at]->widgets.end() && *own == i;
                own += isOwn;
                const Widget& source = *part.source->widgets[i];
                const std::string symbol = widgetSymbol(doc_, *part.source, source);
                const auto other = sharedBy_.find(symbol);
                list += isOwn ? widget(part, records[i], i, suffix)
                              : entryOf(info(source.kind).recordOf(records[i]),
                                        other == sharedBy_.end() ? symbol : other->second);
            }
            const std::string prefix = name_ + "_screen_" + part.source->name;
            widgetList(prefix + "_widgets" + suffix, list);
            if (of.own[at]->slots)
                slots(part, prefix + "_slots" + suffix);
        }
        screens(set);
    }

    // Nothing for a kind that is not wrapped.
    void addWrappedKind(const gorse_kind* kind, const RecordInfo& record, const RuntimeKind& runtime) {
        const gorse_wrapped_kind* wrapped = asWrapped(kind);
        if (!wrapped || kindNames_.count(kind) != 0)
            return;
        const std::string name = name_ + "_kind_" + num(static_cast<long long>(kindNames_.size()));
        line(wrappedKindTable(name, *wrapped, record, runtime));
        kindNames_[kind] = name + ".kind";
    }

    // The arrays of numbers that a record points to.
    void numbers(const ScreenPart& part, const RecordInfo& record, const gorse_record& bytes,
                 const std::string& symbol) {
        forEachPointer(record, &bytes, [&](const FieldInfo& field, const void* to) {
            if (field.type == FieldType::Numbers)
                array(part.numbers, to, "int32_t", symbol + "_" + field.member);
            if (field.type == FieldType::Shorts)
                array(part.shorts, to, "int16_t", symbol + "_" + field.member);
            if (field.type == FieldType::Cells)
                array(part.bytes, to, "uint8_t", symbol + "_" + field.member);
        });
    }

    template <typename Arrays>
    void array(const Arrays& arrays, const void* at, const char* type, const std::string& name) {
        for (const auto& each : arrays)
            if (each.data() == at) {
                numbersNames_[at] = name;
                out_ += std::string("static const GORSE_ROM ") + type + " " + name + "[] = {";
                for (size_t i = 0; i < each.size(); ++i)
                    out_ += (i == 0 ? "" : ", ") + longLiteral(each[i]);
                out_ += "};\n";
            }
    }

    void slots(const ScreenPart& part, const std::string& name) {
        if (part.slots.empty())
            return;
        out_ += "static const GORSE_ROM gorse_slot " + name + "[] = {\n";
        for (size_t i = 0; i < part.slots.size(); ++i) {
            const gorse_slot& slot = part.slots[i];
            const std::string head = "    {" + longLiteral(slot.initial) + ", " + num(slot.widget) + ", ";
            if (part.slotInfos[i].property->isValue) {
                out_ += head + "0, 0},\n";
                continue;
            }
            // Slots are ordered by widget as the part built them, which is the order of slotInfos.
            const SlotField field = slotField(part.source->widgets[slot.widget]->kind, *part.slotInfos[i].property);
            const std::string offset =
                std::string("offsetof(") + field.record->structure + ", " + field.field->member + ")";
            out_ += head + offset + ", " + num(field.size()) + (field.inLook ? " | GORSE_SLOT_LOOK" : "") + "},\n";
        }
        out_ += "};\n";
    }

    void screens(size_t set) {
        const std::string suffix = suffixOf(set);
        out_ += "static const GORSE_ROM gorse_screen " + name_ + "_screens" + suffix + "[] = {\n";
        for (size_t i = 0; i < s_.screens.size(); ++i) {
            const gorse_screen& each = s_.screensIn(set)[i];
            const std::string prefix = name_ + "_screen_" + s_.parts[i]->source->name;
            const OwnRecords* own = set == 0 ? nullptr : s_.otherSets[set - 1].own[i].get();
            out_ += "    {" + colourLiteral({each.background}) + ", " +
                    (each.widget_count ? prefix + "_widgets" + (own ? suffix : "") : "0") + ", " +
                    (each.slot_count ? prefix + "_slots" + (own && own->slots ? suffix : "") : "0") + ", " +
                    (each.binding_count ? prefix + "_bindings" : "0") + ", " + num(each.widget_count) + ", " +
                    num(each.slot_count) + ", " + num(each.binding_count) + ", " + num(each.first_slot) + "},\n";
        }
        out_ += "};\n\n";
    }

    void variables() {
        if (!s_.numbers.empty()) {
            out_ += "static const GORSE_ROM gorse_number_variable " + name_ + "_numbers[] = {\n";
            size_t at = 0;
            for (const Variable& each : *doc_.variables)
                for (size_t i = 0; i < numbersOf(each); ++i) {
                    const gorse_number_variable& v = s_.numbers[at++];
                    out_ += "    " + initialiser(numberVariableRecord, &v) + ", /* " + each.name +
                            (each.isArray() ? "[" + num(static_cast<long long>(i)) + "]" : "") + " */\n";
                }
            const auto builtIn = [&](const Variable& each) {
                out_ += "    " + initialiser(numberVariableRecord, &s_.numbers[at++]) + ", /* " + each.name + " */\n";
            };
            if (doc_.clock)
                std::for_each(clockVariables().begin(), clockVariables().end(), builtIn);
            std::ranges::for_each(outputVariables(*doc_.panel), builtIn);
            if (const auto theme = themeVariable(*doc_.named))
                builtIn(*theme);
            out_ += "};\n";
        }
        if (!s_.texts.empty()) {
            out_ += "static const GORSE_ROM gorse_text_variable " + name_ + "_texts[] = {\n";
            for (const gorse_text_variable& v : s_.texts)
                out_ += "    " + initialiser(textVariableRecord, &v) + ",\n";
            out_ += "};\n";
        }
        if (!s_.strings.empty()) {
            out_ += "static const GORSE_ROM uint8_t *const GORSE_ROM " + name_ + "_strings[] = {\n";
            for (const uint8_t* each : s_.strings)
                out_ += "    " + textByAddress_.at(each) + ",\n";
            out_ += "};\n";
        }
        line("");
    }

    void rules() {
        if (!s_.rules->code.empty())
            out_ += byteArray("static ", name_ + "_code", s_.rules->code);
        follows();
        if (s_.rules->rules.empty())
            return;
        out_ += "static const GORSE_ROM gorse_rule " + name_ + "_rules[] = {\n";
        for (size_t i = 0; i < s_.rules->rules.size(); ++i) {
            const gorse_rule& r = s_.rules->rules[i];
            const RuleSource& from = s_.rules->sources[i];
            out_ +=
                "    " + initialiser(ruleRecord, &r) + ", /* " + from.file + ".rules, line " + num(from.line) + " */\n";
        }
        out_ += "};\n\n";
    }

    void motions() {
        if (s_.motions.empty())
            return;
        out_ += "static const GORSE_ROM gorse_motion *const GORSE_ROM " + name_ + "_motions[] = {";
        for (const gorse_motion* each : s_.motions)
            out_ += (each == s_.motions.front() ? "" : ", ") + std::string(motionSymbol(each));
        out_ += "};\n\n";
    }

    // A set of colours has a record of its own of the widget.
    bool isOwn(size_t set, size_t screen, uint32_t widget) const {
        const OwnRecords* own = set == 0 ? nullptr : s_.otherSets[set - 1].own[screen].get();
        return own && std::find(own->widgets.begin(), own->widgets.end(), widget) != own->widgets.end();
    }

    void keepers(size_t set) {
        if (s_.keepers.empty())
            return;
        out_ += "static const GORSE_ROM gorse_keeper " + name_ + "_keepers" + suffixOf(set) + "[] = {\n";
        for (const gorse_keeper& each : s_.keepers) {
            const Screen& screen = *s_.parts[each.screen]->source;
            const Widget& widget = *screen.widgets[each.widget];
            const RecordInfo& record = info(widget.kind).recordOf(s_.tables[each.screen]->records[each.widget]);
            const std::string symbol = widgetSymbol(doc_, screen, widget) +
                                       (isOwn(set, each.screen, each.widget) ? suffixOf(set) : std::string());
            out_ += "    {&" + headOf(record, symbol) + ", " + std::to_string(each.at) + "u, " + num(each.screen) +
                    ", " + num(each.widget) + "},\n";
        }
        out_ += "};\n\n";
    }

    // In a program with another interface, whose files the linker may come to first.
    void anchors() {
        const std::vector<std::string> sources = neededSources(s_);
        for (const auto& [source, anchor] :
             {std::pair("gorse_box.c", "rounds_boxes"), std::pair("gorse_container_widgets.c", "draws_held"),
              std::pair("gorse_container_place.c", "places_held"), std::pair("gorse_focus.c", "hears_keys")})
            if (std::find(sources.begin(), sources.end(), source) != sources.end())
                line("#if defined(__GNUC__)\n__attribute__((used)) static const GORSE_ROM uint8_t *const GORSE_ROM " +
                     name_ + "_" + anchor + " = &gorse_" + anchor + ";\n#endif\n");
    }

    void follows() {
        if (s_.rules->follows.empty())
            return;
        out_ += "static const GORSE_ROM gorse_follow " + name_ + "_follows[] = {\n";
        for (const gorse_follow& each : s_.rules->follows)
            out_ += "    " + initialiser(followRecord, &each) + ",\n";
        out_ += "};\n\n";
    }

    const BuiltScene& s_;
    const Document& doc_;
    const std::string& name_;
    std::string out_;
    std::map<const gorse_image*, std::string> imageNames_;
    std::map<const gorse_animation*, std::string> animationNames_;
    std::map<const void*, std::string> numbersNames_;
    std::map<std::string, std::string> shared_;    // symbols of records that several widgets have, by their keys
    std::map<std::string, std::string> sharedBy_;  // and by the symbols that they would have themselves
    std::map<const gorse_kind*, std::string> kindNames_;
    std::map<const gorse_font*, std::string> fontNames_;
    std::map<const gorse_look*, std::string> lookNames_;
    std::map<std::vector<uint8_t>, std::string> textNames_;
    std::map<const uint8_t*, std::string> textByAddress_;
};

}  // namespace

std::string writeScene(const BuiltScene& scene) { return SceneWriter(scene).run(); }

}  // namespace gorsefinch
