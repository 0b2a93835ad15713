// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <vector>

#include "core/assemblies/assemblies.h"
#include "core/scene/expand.h"
#include "core/scene/scene_tables.h"
#include "core/scene/set_records.h"

namespace gorsefinch {

// A scene's screens in one of the sets of colours behind the first. Those that look the same in it are the first's.
struct ColourSet {
    std::vector<std::shared_ptr<const ScreenPart>> parts;
    std::vector<std::shared_ptr<const ScreenTables>> tables;
    std::vector<std::shared_ptr<const OwnRecords>> own;  // null for those that are the first's
    std::vector<gorse_screen> screens;
    std::vector<gorse_keeper> keepers;  // of its own records, by which kinds find them
    gorse_scene scene{}, upright{};
};

// A document as the runtime's tables in memory: what the canvas, the twin and the generator work from. A value: it
// stays as it is, whatever is built after it.
struct BuiltScene {
    Document document;                                        // expanded: see expand.h
    Document given;                                           // as it is edited; its screens have the same numbers
    std::vector<std::shared_ptr<const ScreenPart>> parts;     // one a screen
    std::vector<std::shared_ptr<const ScreenTables>> tables;  // of each part
    std::shared_ptr<const CompiledRules> rules;
    std::vector<const uint8_t*> strings;  // of rules, then those that slots of screens begin with
    std::vector<gorse_number_variable> numbers;
    std::vector<gorse_text_variable> texts;
    std::deque<CompiledText> startTexts;
    std::vector<gorse_screen> screens;
    std::deque<ColourSet> otherSets;                        // of a project with several sets of colours
    std::vector<const gorse_scene*> inSets, uprightInSets;  // the scenes of all sets
    gorse_themes themes{}, uprightThemes{};                 // of a scene with several
    std::vector<gorse_keeper> keepers;                      // as gorse_scene says, each by screen, then widget
    std::vector<const gorse_motion*> motions;               // see gorse_scene
    std::vector<gorse_margin> margins;                      // by screen, then widget
    std::vector<uint16_t> focusOrder, focusStarts;          // see gorse_controls
    gorse_controls controls{};                              // of a scene with controls
    std::vector<const uint16_t*> holders;                   // see gorse_containers
    gorse_containers containers{};                          // of a scene with some
    std::vector<gorse_transition> transitionList;           // the project's first
    std::vector<uint16_t> keeps, keptBytes;                 // see gorse_transitions
    uint32_t keptTotal = 0;                                 // bytes that screens keep
    gorse_transitions transitions{};                        // of a scene with some
    gorse_glides glides{};                                  // of a scene with some
    std::vector<gorse_output> outputList;                   // of the panel
    gorse_outputs outputs{};                                // of a scene with some, or with sounds
    gorse_panel panel{};
    gorse_panel uprightPanel{};  // without turn, mirror, inversion and offsets: for looking at
    gorse_scene scene{};
    gorse_scene upright{};
    std::vector<ImageUse> images;       // those in use, by name
    std::vector<uint8_t> outside;       // what of them lives in outside memory, from address 0 on
    std::vector<gorse_colour> palette;  // of an indexed panel
    std::vector<FontRef> fonts;         // those in use, by face and size
    SharedProblems problems;            // of screens, texts, images, fonts and rules

    // True if it has screens that draw assemblies, which are not generated.
    bool showsAssemblies() const { return !document.screens.empty() && document.screens.back()->assembly; }
    // Returns the index of one of a screen's own widgets on the expanded screen; -1 if there is none of that name.
    int drawnNumber(int screen, const Widget& own) const;
    // True for names that expansion made, as no user can: of copies, parts of uses, and variables for inputs.
    bool isMade(const std::string& screen, const Widget& widget) const;
    bool isMade(const Variable& variable) const { return isMadeName(variable.name) && !given.variable(variable.name); }
    size_t setCount() const { return otherSets.size() + 1; }
    // Those of a set.
    const std::vector<std::shared_ptr<const ScreenPart>>& partsIn(size_t set) const;
    const std::vector<std::shared_ptr<const ScreenTables>>& tablesIn(size_t set) const;
    const std::vector<gorse_screen>& screensIn(size_t set) const;
    const gorse_scene& uprightIn(size_t set) const;
    // The parts of all sets, those that several share once.
    std::vector<std::shared_ptr<const ScreenPart>> allParts() const;

    static bool isMadeName(std::string_view name) { return name.find("__") != std::string_view::npos; }

    // What the keeper of a trend records.
    static const gorse_widget_trend& trendOf(const gorse_keeper& recorder) {
        return *reinterpret_cast<const gorse_widget_trend*>(recorder.of);
    }
    // True if the firmware has a function for what the keeper keeps.
    static bool isSetByFirmware(const gorse_keeper& map) {
        return reinterpret_cast<const gorse_widget_tiles*>(map.of)->set_by_firmware != 0;
    }
    // Bytes that the state takes with a dirty list of `dirty` rectangles.
    long stateBytes(int dirty) const;
    // Values that the deepest expression of rules and texts puts on the runtime's stack, at least its lowest size.
    int stackDepth() const;
    // Bytes of the draw buffer as the panel's settings give it.
    long bufferBytes() const;
};

using BuiltSceneRef = std::shared_ptr<const BuiltScene>;

// Builds scenes, and remembers the parts so that an edit costs only what it touches.
class SceneBuilder {
  public:
    // Without `keepAssemblies` the screens that draw assemblies, which come last, are left out: what is generated.
    explicit SceneBuilder(bool keepAssemblies = true) : assembler_(keepAssemblies) {}
    BuiltSceneRef build(const Document& given);
    ImageBakery& images() { return images_; }
    // A font of the present scene; null if nothing uses it.
    FontRef font(const FontKey& key) const;

  private:
    struct Changes {
        bool all = false;
        std::set<std::string> variables, looks, images;
        std::set<std::string> named;  // colours and sizes
        std::set<std::string> faces;  // other settings; faces that come, go or are other files change all
    };
    Changes changesFrom(const Document& document) const;
    std::shared_ptr<const CompiledRules> rulesOf(const Document& document, const ProjectNames& names) const;
    bool isCurrent(const ScreenPart& part, const PartContext& context, const Changes& changes) const;
    using Parts = std::vector<std::shared_ptr<const ScreenPart>>;
    std::shared_ptr<const ScreenPart> findPart(const Parts& before, const ScreenRef& screen, size_t at) const;
    SceneLinks bakeFonts(BuiltScene& scene);
    FontRef versionOf(BakedFont& font);
    void placeImages(BuiltScene& scene, SceneLinks& links);
    std::vector<PartContext> contextsOf(const BuiltScene& scene, const ProjectNames& names);
    void buildParts(BuiltScene& scene, const ProjectNames& names, const Changes& changes);
    void buildSets(BuiltScene& scene, const std::vector<PartContext>& contexts, const Changes& changes);
    void shrinkTexts(const Document& document, Parts& parts, const Parts& before,
                     const std::vector<PartContext>& contexts);
    void releaseParts(const BuiltScene& before, const BuiltScene& now);
    void releaseCharacters(const Document& document, const ScreenPart& part);

    // A font as the latest scene has it, and what it lacked then.
    struct FontVersion {
        FontRef font;
        std::set<char32_t> missing;
    };
    // An image in outside memory as the latest scene has it.
    struct PlacedImage {
        BakedImageRef image, placed;
        uint32_t address = 0;
    };

    Assembler assembler_;
    Expander expander_;
    LookPool looks_;
    std::set<FontKey> fonts_;  // that looks of the latest scene with texts that shrink have
    ImageBakery images_;
    SceneLinker linker_;
    std::map<const BakedFont*, FontVersion> versions_;
    std::map<const BakedImage*, PlacedImage> placed_;
    std::shared_ptr<const ProjectNames::VariableIndex> variables_;
    std::shared_ptr<BuiltScene> last_;
};

}  // namespace gorsefinch
