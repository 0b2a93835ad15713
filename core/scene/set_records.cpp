// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/scene/set_records.h"

#include <algorithm>
#include <cstring>

namespace gorsefinch {

namespace {

template <typename Arrays>
const auto* arrayAt(const Arrays& arrays, const void* at) {
    const auto found = std::find_if(arrays.begin(), arrays.end(), [&](const auto& each) { return each.data() == at; });
    return found == arrays.end() ? nullptr : &*found;
}

const CompiledText* textAt(const ScreenPart& part, const void* at) {
    const auto found = std::find_if(part.texts.begin(), part.texts.end(),
                                    [&](const CompiledText& each) { return each.bytes.data() == at; });
    return found == part.texts.end() ? nullptr : &*found;
}

template <typename Arrays>
bool sameArray(const Arrays& a, const void* x, const Arrays& b, const void* y) {
    const auto *one = arrayAt(a, x), *other = arrayAt(b, y);
    return one && other && *one == *other;
}

// What two pointers of records of the same kind lead to.
bool sameTarget(const FieldInfo& field, const ScreenPart& a, const void* x, const ScreenPart& b, const void* y) {
    if (x == y)
        return true;
    switch (field.type) {
        case FieldType::Text: {
            const CompiledText *one = textAt(a, x), *other = textAt(b, y);
            return one && other && one->bytes == other->bytes;
        }
        case FieldType::Numbers: return sameArray(a.numbers, x, b.numbers, y);
        case FieldType::Shorts: return sameArray(a.shorts, x, b.shorts, y);
        case FieldType::Cells: return sameArray(a.bytes, x, b.bytes, y);
        default: return false;
    }
}

// The record without its pointers, which are listed.
gorse_record withoutPointers(const RecordInfo& record, const gorse_record& from, std::vector<const void*>& pointers,
                             std::vector<const FieldInfo*>& fields) {
    gorse_record out = from;
    forEachPointer(record, &from, [&](const FieldInfo& field, const void* to) {
        pointers.push_back(to);
        fields.push_back(&field);
        std::memset(reinterpret_cast<std::byte*>(&out) + field.offset, 0, sizeof to);
    });
    return out;
}

bool isSameRecord(const ScreenPart& a, const ScreenPart& b, size_t widget) {
    const KindInfo& kind = info(a.source->widgets[widget]->kind);
    const RecordInfo& record = kind.recordOf(a.records[widget]);
    if (&record != &kind.recordOf(b.records[widget]))
        return false;
    std::vector<const void*> x, y;
    std::vector<const FieldInfo*> fields, others;
    const gorse_record one = withoutPointers(record, a.records[widget], x, fields);
    const gorse_record other = withoutPointers(record, b.records[widget], y, others);
    if (std::memcmp(&one, &other, sizeof one) != 0 || fields != others)
        return false;
    for (size_t i = 0; i < fields.size(); ++i)
        if (!sameTarget(*fields[i], a, x[i], b, y[i]))
            return false;
    return true;
}

long arrayBytes(const ScreenPart& part, const RecordInfo& record, const gorse_record& bytes) {
    long sum = 0;
    forEachPointer(record, &bytes, [&](const FieldInfo& field, const void* to) {
        const auto add = [&](const auto& arrays) {
            if (const auto* found = arrayAt(arrays, to))
                sum += static_cast<long>(found->size() * sizeof found->front());
        };
        if (field.type == FieldType::Numbers)
            add(part.numbers);
        if (field.type == FieldType::Shorts)
            add(part.shorts);
        if (field.type == FieldType::Cells)
            add(part.bytes);
    });
    return sum;
}

}  // namespace

std::shared_ptr<const OwnRecords> ownRecords(const ScreenPart& first, const ScreenPart& other) {
    auto out = std::make_shared<OwnRecords>();
    for (size_t i = 0; i < other.records.size(); ++i) {
        if (isSameRecord(first, other, i))
            continue;
        out->widgets.push_back(static_cast<uint32_t>(i));
        const RecordInfo& record = info(other.source->widgets[i]->kind).recordOf(other.records[i]);
        const long arrays = arrayBytes(other, record, other.records[i]);
        out->flash8 += recordBytes(record, 8) + arrays;
        out->flash32 += recordBytes(record, 32) + arrays;
    }
    for (size_t i = 0; i < other.slots.size(); ++i)
        out->slots = out->slots || other.slots[i].initial != first.slots[i].initial;
    if (out->slots) {
        out->flash8 += static_cast<long>(other.slots.size()) * recordBytes(slotRecord, 8);
        out->flash32 += static_cast<long>(other.slots.size()) * recordBytes(slotRecord, 32);
    }
    return out;
}

}  // namespace gorsefinch
