// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/scene_tables.h"

#include <algorithm>
#include <atomic>
#include <cassert>
#include <cstring>

#include "core/scene/clipped_texts.h"

namespace gorsefinch {

namespace {

// Keys whose values differ.
template <typename Key, typename Value>
std::set<Key> changedKeys(const std::map<Key, Value>& before, const std::map<Key, Value>& now) {
    std::set<Key> out;
    for (const auto& [key, value] : now)
        if (const auto old = before.find(key); old == before.end() || old->second != value)
            out.insert(key);
    for (const auto& [key, value] : before)
        if (now.count(key) == 0)
            out.insert(key);
    return out;
}

template <typename T>
void storePointer(gorse_record& record, const FieldInfo& field, const T* to) {
    assert(isPointer(field.type) && field.offset + sizeof to <= sizeof record);
    std::memcpy(reinterpret_cast<std::byte*>(&record) + field.offset, &to, sizeof to);
}

// For each of the part's looks: the numbers of the records that have it.
std::vector<std::vector<uint32_t>> recordsByLook(const ScreenPart& part) {
    std::vector<std::vector<uint32_t>> out(part.looks.size());
    for (size_t i = 0; i < part.records.size(); ++i) {
        const auto found = std::find_if(part.looks.begin(), part.looks.end(),
                                        [&](const LookUse& use) { return use.look == part.records[i].widget.look; });
        assert(found != part.looks.end());
        out[static_cast<size_t>(found - part.looks.begin())].push_back(static_cast<uint32_t>(i));
    }
    return out;
}

// Calls `visit` with the number of each widget whose record points to a font, the field and the font.
template <typename Visit>
void forEachFont(const ScreenPart& part, Visit visit) {
    for (const size_t i : part.withFonts)
        forEachPointer(info(part.source->widgets[i]->kind).recordOf(part.records[i]), &part.records[i],
                       [&](const FieldInfo& field, const void* to) {
                           if (field.type == FieldType::Font)
                               visit(i, field, static_cast<const gorse_font*>(to));
                       });
}

bool hasFontOf(const ScreenPart& part, const std::set<const gorse_font*>& fonts) {
    bool any = false;
    if (!fonts.empty())
        forEachFont(part,
                    [&](size_t, const FieldInfo&, const gorse_font* font) { any = any || fonts.count(font) != 0; });
    return any;
}

}  // namespace

// Forgets the looks that have one of these fonts, and returns them.
std::set<const gorse_look*> SceneLinker::forgetLooks(const std::set<const gorse_font*>& fonts) {
    std::set<const gorse_look*> out;
    if (fonts.empty())
        return out;
    for (const auto& [look, linked] : looks_) {
        bool changed = fonts.count(look->font) != 0;
        for (uint8_t i = 0; i < look->state_count; ++i)
            changed = changed || fonts.count(look->states[i].look->font) != 0;
        if (changed)
            out.insert(look);
    }
    for (const gorse_look* look : out)
        looks_.erase(look);
    return out;
}

void SceneLinker::begin(SceneLinks links) {
    const std::set<const gorse_font*> fonts = changedKeys(links_.fonts, links.fonts);
    const std::set<const gorse_look*> looks = forgetLooks(fonts);
    const std::set<const BakedImage*> images = changedKeys(links_.images, links.images);
    links_ = std::move(links);
    if (!fonts.empty() || !images.empty())
        for (auto& [part, linked] : parts_)
            linked.current = linked.current &&
                             std::none_of(part->looks.begin(), part->looks.end(),
                                          [&](const LookUse& use) { return looks.count(use.look) != 0; }) &&
                             !hasFontOf(*part, fonts) &&
                             std::none_of(part->images.begin(), part->images.end(),
                                          [&](const ImageUse& use) { return images.count(use.image.get()) != 0; });
    for (auto& [part, linked] : parts_)
        linked.used = false;
}

void SceneLinker::end() {
    std::erase_if(parts_, [](const auto& each) { return !each.second.used; });
}

void SceneLinker::clear() {
    links_ = {};
    looks_.clear();
    parts_.clear();
}

// Returns null for a font in which nothing is written.
const gorse_font* SceneLinker::linkedFont(const gorse_font* font, LinkedLook& of) const {
    const auto found = links_.fonts.find(font);
    if (found == links_.fonts.end())
        return nullptr;
    of.fonts.push_back(found->second);
    return found->second->record();
}

const std::shared_ptr<const SceneLinker::LinkedLook>& SceneLinker::linkedLook(const gorse_look* look) {
    std::shared_ptr<const LinkedLook>& known = looks_[look];
    if (known)
        return known;
    auto linked = std::make_shared<LinkedLook>();
    linked->look = *look;
    linked->look.font = linkedFont(look->font, *linked);
    linked->others.reserve(look->state_count);
    for (uint8_t i = 0; i < look->state_count; ++i) {
        gorse_look& other = linked->others.emplace_back(*look->states[i].look);
        other.font = linkedFont(other.font, *linked);
        linked->states.push_back({&other, look->states[i].when});
    }
    linked->look.states = linked->states.empty() ? nullptr : linked->states.data();
    return known = std::move(linked);
}

// Most looks are what they were: only the records of others are touched.
void SceneLinker::linkLooks(const Linked& linked, ScreenTables& tables) {
    for (size_t i = 0; i < linked.withLook.size(); ++i) {
        const auto& look = linkedLook(linked.part->looks[i].look);
        tables.kept.push_back(look);
        if (tables.looks[i] == &look->look)
            continue;
        tables.looks[i] = &look->look;
        for (const uint32_t record : linked.withLook[i])
            tables.records[record].widget.look = &look->look;
    }
}

bool SceneLinker::linkImages(const ScreenPart& part, ScreenTables& tables) const {
    std::map<const void*, const void*> moved;  // pointers to images and animations
    for (const ImageUse& use : part.images)
        if (const auto placed = links_.images.find(use.image.get()); placed != links_.images.end()) {
            moved[use.image->record()] = placed->second->record();
            moved[&use.image->animation] = &placed->second->animation;
            tables.kept.push_back(placed->second);
        }
    if (moved.empty())
        return false;
    for (size_t i = 0; i < part.records.size(); ++i)
        forEachPointer(info(part.source->widgets[i]->kind).recordOf(part.records[i]), &part.records[i],
                       [&](const FieldInfo& field, const void* to) {
                           if (const auto other = moved.find(to); other != moved.end())
                               storePointer(tables.records[i], field, other->second);
                       });
    return true;
}

void SceneLinker::linkFonts(const ScreenPart& part, ScreenTables& tables) const {
    forEachFont(part, [&](size_t widget, const FieldInfo& field, const gorse_font* font) {
        const auto found = links_.fonts.find(font);
        assert(found != links_.fonts.end());
        tables.kept.push_back(found->second);
        storePointer(tables.records[widget], field, found->second->record());
    });
}

// A new glyph links all parts anew. Their tables of the scene before the last serve again then, as copying all records
// takes most of the time.
void SceneLinker::linkAnew(Linked& linked) {
    const ScreenPart& part = *linked.part;
    std::shared_ptr<ScreenTables> tables = std::move(linked.former);
    if (tables && tables.use_count() == 1) {
        // Whoever else had it is done with it.
        std::atomic_thread_fence(std::memory_order_acquire);
        tables->kept.clear();
        assert(tables->records.size() == part.records.size());
    } else {
        tables = std::make_shared<ScreenTables>();
        tables->records = part.records;
        tables->looks.resize(part.looks.size());
        tables->kept.reserve(part.looks.size() + part.images.size());
        tables->widgets.reserve(part.records.size());
        for (const gorse_record& record : tables->records)
            tables->widgets.push_back(&record.widget);
    }
    linkLooks(linked, *tables);
    linkFonts(part, *tables);
    const bool movesImages = linkImages(part, *tables);
    linked.former = movesImages ? nullptr : std::move(linked.tables);
    linked.tables = std::move(tables);
    linked.current = true;
}

std::shared_ptr<const ScreenTables> SceneLinker::link(const std::shared_ptr<const ScreenPart>& part) {
    Linked& linked = parts_[part.get()];
    if (!linked.part) {
        linked.part = part;
        linked.withLook = recordsByLook(*part);
    }
    linked.used = true;
    if (!linked.current)
        linkAnew(linked);
    return linked.tables;
}

const std::shared_ptr<const Problems>& SceneLinker::clipped(const ScreenPart& part) {
    Linked& linked = parts_.at(&part);
    if (!linked.clipped)
        linked.clipped = std::make_shared<const Problems>(clippedTexts(part, *linked.tables));
    return linked.clipped;
}

void SceneLinker::forgetClipped() {
    for (auto& [part, linked] : parts_)
        linked.clipped.reset();
}

}  // namespace gorsefinch
