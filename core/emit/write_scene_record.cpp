// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/c_record.h"
#include "core/emit/c_text.h"
#include "core/emit/runtime_sources.h"
#include "core/emit/runtime_symbols.h"
#include "core/emit/scene_writer.h"

namespace gorsefinch {

namespace {

std::string digits(long long value) { return std::to_string(value); }

// The panel, and the scene in each set of colours.
class SceneRecordWriter {
  public:
    explicit SceneRecordWriter(const BuiltScene& scene) : s_(scene), doc_(scene.document), name_(scene.document.name) {}

    std::string run() {
        panel();
        const gorse_scene& s = s_.scene;
        if (s.themes)
            line("extern const GORSE_ROM gorse_themes " + name_ + "_themes;\n");
        for (size_t set = 0; set < s_.setCount(); ++set)
            sceneIn(setSuffix(doc_, set));
        if (s.themes)
            themes();
        line("#if GORSE_STACK < " + digits(s_.stackDepth()) + "\n#error \"GORSE_STACK must be at least " +
             digits(s_.stackDepth()) +
             " for this interface: raise it where it is defined, or leave it out for the default\"\n#endif\n");
        return std::move(out_);
    }

  private:
    void line(const std::string& text) { out_ += text + "\n"; }

    void panel() {
        const Panel& panel = *doc_.panel;
        const std::string turn = s_.panel.turn ? turnOf(panel.format).symbol.symbol : "0";
        const gorse_panel& p = s_.panel;
        if (p.palette) {
            out_ += "static const GORSE_ROM gorse_colour " + name_ + "_palette[] = {";
            for (uint16_t i = 0; i < p.palette_count; ++i)
                out_ += (i % 6 == 0 ? "\n    " : " ") + colourLiteral({p.palette[i]}) + ",";
            out_ += "\n};\n";
        }
        std::string numbers;
        for (const int each :
             {int{p.width}, int{p.height}, int{p.column_offset}, int{p.row_offset}, int{p.palette_count},
              int{p.quarter_turns}, int{p.flags}, int{p.unit_x}, int{p.unit_y}, int{p.phase_x}, int{p.phase_y}})
            numbers += ", " + digits(each);
        line("static const GORSE_ROM gorse_panel " + name_ + "_panel = {&" + info(panel.format).panelSymbol.symbol +
             ", " + paintSymbol(p) + ", " + turn + ", " + (p.palette ? name_ + "_palette" : "0") + ", " +
             std::to_string(p.min_buffer_bytes) + "u" + numbers + "};\n");
    }

    void themes() {
        std::string list;
        for (size_t set = 0; set < s_.setCount(); ++set)
            list += (set == 0 ? "&" : ", &") + name_ + "_scene" + setSuffix(doc_, set);
        line("static const GORSE_ROM gorse_scene *const GORSE_ROM " + name_ + "_in_sets[] = {" + list + "};");
        line("const GORSE_ROM gorse_themes " + name_ + "_themes = {" + name_ + "_in_sets, " + digits(s_.themes.number) +
             ", " + digits(s_.themes.count) + "};\n");
    }

    void sceneIn(const std::string& suffix) {
        const gorse_scene& s = s_.scene;
        const auto table = [&](int count, const char* what) { return count ? name_ + "_" + what : std::string("0"); };
        line("static const GORSE_ROM gorse_scene " + name_ + "_scene" + suffix + " = {");
        line("    &" + name_ + "_panel, " + name_ + "_screens" + suffix + ", " + table(s.number_count, "numbers") +
             ", " + table(s.text_count, "texts") + ", " + table(s.rule_count, "rules") + ", " +
             table(static_cast<int>(s_.rules->code.size()), "code") + ", " + table(s.string_count, "strings") + ", " +
             std::string(extendedCodeSymbol(s)) + ", " + (s.forms ? "gorse_extended_forms" : "0") + ", " +
             motionSymbol(s.motion) + ", " + table(s.follow_count, "follows") + ",");
        line("    " + digits(s.screen_count) + ", " + digits(s.number_count) + ", " + digits(s.text_count) + ", " +
             digits(s.rule_count) + ", " + digits(s.slot_count) + ", " + digits(s.timer_count) + ", " +
             digits(s.when_count) + ", " + digits(s.string_count) + ", " + digits(s.first_screen) + ", " +
             digits(s.follow_count) + ", " + digits(s.scratch_bytes) + ", " + digits(s.rules_read) + ", " +
             digits(s.hearer_count) + ",");
        std::string places;
        for (const uint32_t each :
             {s.slots_at, s.timers_at, s.changed_at, s.whens_at, s.scratch_at, s.texts_at, s.screen_at, s.end})
            places += (places.empty() ? "    " : ", ") + std::to_string(each) + "u";
        line(places + ",");
        line("    " + table(static_cast<int>(s_.motions.size()), "motions") + ", " +
             (s_.keepers.empty() ? "0" : name_ + "_keepers" + suffix) + ", " + std::to_string(s.keepers_at) + "u, " +
             std::to_string(s.clock_at) + "u, " + digits(s.recorder_count) + ", " + digits(s.clock) + ", " +
             digits(s.clock_by_minutes) + ", 0, " + digits(s.map_count) + ", " +
             (s.controls ? "&" + name_ + "_controls" : "0") + ", " + (s.outputs ? "&" + name_ + "_outputs" : "0") +
             ", " + (s.containers ? "&" + name_ + "_containers" : "0") + ", " +
             (s.transitions ? "&" + name_ + "_transitions" : "0") + ", " + (s.glides ? "&" + name_ + "_glides" : "0") +
             ", " + (s.themes ? "&" + name_ + "_themes" : "0") + "};\n");
    }

    const BuiltScene& s_;
    const Document& doc_;
    const std::string& name_;
    std::string out_;
};

}  // namespace

std::string setSuffix(const Document& document, size_t set) {
    return set == 0 ? std::string() : "__" + document.named->sets[set];
}

std::string writeSceneRecord(const BuiltScene& scene) { return SceneRecordWriter(scene).run(); }

}  // namespace gorsefinch
