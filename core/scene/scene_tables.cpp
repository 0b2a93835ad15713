// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/scene_tables.h"

#include <algorithm>
#include <cstring>

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
    std::memcpy(reinterpret_cast<std::byte*>(&record) + field.offset, &to, sizeof to);
}

}  // namespace

// Forgets the looks whose fonts differ in the next scene, and returns them.
std::set<const gorse_look*> SceneLinker::forgetLooks(const SceneLinks& next) {
    std::set<const gorse_look*> out;
    const auto fonts = changedKeys(links_.fonts, next.fonts);
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
    const std::set<const gorse_look*> looks = forgetLooks(links);
    const std::set<const BakedImage*> images = changedKeys(links_.images, links.images);
    links_ = std::move(links);
    if (!looks.empty() || !images.empty())
        std::erase_if(parts_, [&](const auto& each) {
            const ScreenPart& part = *each.second.part;
            return std::any_of(part.looks.begin(), part.looks.end(),
                               [&](const LookUse& use) { return looks.count(use.look) != 0; }) ||
                   std::any_of(part.images.begin(), part.images.end(),
                               [&](const ImageUse& use) { return images.count(use.image.get()) != 0; });
        });
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

std::shared_ptr<const ScreenTables> SceneLinker::tablesOf(const ScreenPart& part) {
    auto out = std::make_shared<ScreenTables>();
    out->records = part.records;
    std::vector<std::pair<const gorse_look*, const gorse_look*>> looks;
    for (const LookUse& use : part.looks) {
        const auto& linked = linkedLook(use.look);
        looks.emplace_back(use.look, &linked->look);
        out->kept.push_back(linked);
    }
    std::map<const void*, const void*> moved;  // pointers to images and animations
    for (const ImageUse& use : part.images)
        if (const auto placed = links_.images.find(use.image.get()); placed != links_.images.end()) {
            moved[use.image->record()] = placed->second->record();
            moved[&use.image->animation] = &placed->second->animation;
            out->kept.push_back(placed->second);
        }
    out->widgets.reserve(out->records.size());
    for (size_t i = 0; i < out->records.size(); ++i) {
        gorse_record& record = out->records[i];
        for (const auto& [from, to] : looks)
            if (record.widget.look == from) {
                record.widget.look = to;
                break;
            }
        if (!moved.empty())
            forEachPointer(*info(part.source->widgets[i]->kind).record, &part.records[i],
                           [&](const FieldInfo& field, const void* to) {
                               if (const auto other = moved.find(to); other != moved.end())
                                   storePointer(record, field, other->second);
                           });
        out->widgets.push_back(&record.widget);
    }
    return out;
}

std::shared_ptr<const ScreenTables> SceneLinker::link(const std::shared_ptr<const ScreenPart>& part) {
    Linked& linked = parts_[part.get()];
    if (!linked.part)
        linked = {part, tablesOf(*part), true};
    linked.used = true;
    return linked.tables;
}

}  // namespace gorsefinch
