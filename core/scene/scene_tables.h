// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <memory>
#include <set>
#include <vector>

#include "core/scene/screen_part.h"

namespace gorsefinch {

// The records of a screen's widgets as one scene shows them: they point to the looks, fonts and images of that scene,
// which live as long as these. Immutable.
struct ScreenTables {
    std::vector<gorse_record> records;  // one a widget, the lowest first
    std::vector<const gorse_widget*> widgets;
    std::vector<const gorse_look*> looks;  // what each of the part's looks is linked to
    std::vector<std::shared_ptr<const void>> kept;
};

// What the records of parts point to in a scene, by what they point to in a part.
struct SceneLinks {
    std::map<const gorse_font*, FontRef> fonts;         // those in use
    std::map<const BakedImage*, BakedImageRef> images;  // those in outside memory
};

// Links parts for one scene after the other. What the next scene shows alike is taken over.
class SceneLinker {
  public:
    // Begins a scene.
    void begin(SceneLinks links);
    std::shared_ptr<const ScreenTables> link(const std::shared_ptr<const ScreenPart>& part);
    // Ends the scene: parts that it lacks are forgotten.
    void end();
    // The result of clippedTexts() for a part that was linked. It is computed once, as new glyphs do not change the
    // widths of others.
    const std::shared_ptr<const Problems>& clipped(const ScreenPart& part);
    // Measures all texts anew. For when the settings of fonts differ.
    void forgetClipped();
    // Forgets everything. For when the looks that parts point to are gone.
    void clear();

  private:
    struct LinkedLook {
        gorse_look look{};
        std::vector<gorse_look> others;
        std::vector<gorse_look_state> states;
        std::vector<FontRef> fonts;
    };
    struct Linked {
        std::shared_ptr<const ScreenPart> part;
        std::vector<std::vector<uint32_t>> withLook;  // for each of the part's looks: the records that have it
        std::shared_ptr<ScreenTables> tables;
        std::shared_ptr<ScreenTables> former;  // of an earlier scene: used again once no scene has it
        bool current = false;                  // tables points to what this scene has
        std::shared_ptr<const Problems> clipped;
        bool used = false;  // this scene has the part
    };

    std::set<const gorse_look*> forgetLooks(const std::set<const gorse_font*>& fonts);
    const std::shared_ptr<const LinkedLook>& linkedLook(const gorse_look* look);
    const gorse_font* linkedFont(const gorse_font* font, LinkedLook& of) const;
    void linkAnew(Linked& linked);
    void linkLooks(const Linked& linked, ScreenTables& tables);
    void linkFonts(const ScreenPart& part, ScreenTables& tables) const;
    bool linkImages(const ScreenPart& part, ScreenTables& tables) const;

    SceneLinks links_;
    std::map<const gorse_look*, std::shared_ptr<const LinkedLook>> looks_;
    std::map<const ScreenPart*, Linked> parts_;
};

}  // namespace gorsefinch
