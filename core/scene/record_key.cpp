// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/record_key.h"

#include <algorithm>
#include <cstring>

namespace gorsefinch {

namespace {

template <typename T>
void append(std::string& key, const T* from, size_t count) {
    const size_t bytes = count * sizeof(T);
    key += std::to_string(bytes) + ":";
    key.append(reinterpret_cast<const char*>(from), bytes);
}

template <typename Arrays>
bool appendArray(std::string& key, const Arrays& arrays, const void* at) {
    const auto found = std::find_if(arrays.begin(), arrays.end(), [&](const auto& each) { return each.data() == at; });
    if (found != arrays.end())
        append(key, found->data(), found->size());
    return found != arrays.end();
}

bool appendText(std::string& key, const ScreenPart& part, const void* at) {
    const auto found = std::find_if(part.texts.begin(), part.texts.end(),
                                    [&](const CompiledText& each) { return each.bytes.data() == at; });
    if (found != part.texts.end())
        append(key, found->bytes.data(), found->bytes.size());
    return found != part.texts.end();
}

// Appends what a pointer refers to, or the address if the part does not own it.
void appendTarget(std::string& key, const ScreenPart& part, const FieldInfo& field, const void* to) {
    const bool known = (field.type == FieldType::Text && appendText(key, part, to)) ||
                       (field.type == FieldType::Numbers && appendArray(key, part.numbers, to)) ||
                       (field.type == FieldType::Shorts && appendArray(key, part.shorts, to)) ||
                       (field.type == FieldType::Cells && appendArray(key, part.bytes, to));
    if (!known)
        append(key, &to, 1);
}

}  // namespace

std::string recordKey(const ScreenPart& part, size_t widget) {
    const RecordInfo& record = info(part.source->widgets[widget]->kind).recordOf(part.records[widget]);
    gorse_record plain = part.records[widget];
    std::string targets;
    forEachPointer(record, &part.records[widget], [&](const FieldInfo& field, const void* to) {
        appendTarget(targets, part, field, to);
        std::memset(reinterpret_cast<std::byte*>(&plain) + field.offset, 0, sizeof to);
    });
    std::string key = record.structure;
    // The firmware tells lists apart by their names.
    if (const Widget& list = *part.source->widgets[widget]; list.kind == Kind::List)
        key += " " + (list.copyOf ? list.copyOf->widget : list.name);
    append(key, &plain, 1);
    return key + targets;
}

bool sharesRecord(const Widget& widget) { return widget.copyOf && !info(widget.kind).keeps; }

}  // namespace gorsefinch
