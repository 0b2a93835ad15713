// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <cstdint>
#include <cstring>
#include <span>

namespace gorsefinch {

// The type of a member of a runtime record, which gives its size on a target and how it is written in C.
enum class FieldType {
    U8,
    U16,
    U32,
    I8,
    I16,
    I32,
    Colour,    // 0xAARRGGBB
    Offset,    // 16 bits, or GORSE_NONE
    Variable,  // the number of a variable, 16 bits, or GORSE_NONE
    Text,      // pointers from here to Pointer
    Look,
    Kind,
    Image,
    Animation,
    Font,
    Numbers,   // an array of int32_t
    Shorts,    // an array of int16_t
    Cells,     // an array of uint8_t
    Function,  // of the firmware
    Pointer,   // to anything else
    Padding
};

// One member of a record. `property` is the key of the property that it holds, or "" if a kind's complete() or the
// builder of screens sets it.
struct FieldInfo {
    const char* member;
    uint16_t offset;  // on this machine
    uint16_t bytes;   // on this machine, all elements of an array
    FieldType type;
    const char* property = "";
};

// A struct of the runtime: the record that it begins with, if any, then all its members in order.
struct RecordInfo {
    const char* structure;
    size_t bytes;  // on this machine
    const RecordInfo* base;
    const char* baseMember;
    std::span<const FieldInfo> fields;
};

#define GORSEFINCH_FIELD(structure, member, type, ...)                   \
    ::gorsefinch::FieldInfo {                                            \
#member, offsetof(structure, member), sizeof(structure::member), \
            ::gorsefinch::FieldType::type __VA_OPT__(, ) __VA_ARGS__     \
    }

constexpr bool isPointer(FieldType type) { return type >= FieldType::Text && type <= FieldType::Pointer; }

// Bytes of one element, with pointers of `pointerBytes`.
constexpr size_t fieldBytes(FieldType type, size_t pointerBytes) {
    switch (type) {
        case FieldType::U8:
        case FieldType::I8:
        case FieldType::Padding: return 1;
        case FieldType::U16:
        case FieldType::I16:
        case FieldType::Offset:
        case FieldType::Variable: return 2;
        case FieldType::U32:
        case FieldType::I32:
        case FieldType::Colour: return 4;
        default: return pointerBytes;
    }
}

constexpr size_t fieldCount(const FieldInfo& field) { return field.bytes / fieldBytes(field.type, sizeof(void*)); }

// The size of a record as a C compiler lays it out, where members are aligned to their size, but to `maxAlign` at most.
// Sets `offsets`, if it isn't null, to those of the record's own fields.
constexpr size_t laidOut(const RecordInfo& record, size_t pointerBytes, size_t maxAlign, size_t* offsets = nullptr) {
    size_t at = record.base ? laidOut(*record.base, pointerBytes, maxAlign) : 0;
    size_t align = record.base && pointerBytes < maxAlign ? pointerBytes : record.base ? maxAlign : 1;
    for (size_t i = 0; i < record.fields.size(); ++i) {
        const FieldInfo& field = record.fields[i];
        const size_t bytes = fieldBytes(field.type, pointerBytes);
        const size_t to = bytes < maxAlign ? bytes : maxAlign;
        at = (at + to - 1) / to * to;
        if (offsets)
            offsets[i] = at;
        at += bytes * fieldCount(field);
        align = to > align ? to : align;
    }
    return (at + align - 1) / align * align;
}

// True if the fields lie where a compiler puts them on this machine and make up the whole struct.
constexpr bool isLaidOut(const RecordInfo& record) {
    size_t offsets[64] = {};
    if (record.fields.size() > 64 || laidOut(record, sizeof(void*), sizeof(void*), offsets) != record.bytes)
        return false;
    for (size_t i = 0; i < record.fields.size(); ++i)
        if (const FieldInfo& field = record.fields[i];
            offsets[i] != field.offset || field.bytes % fieldBytes(field.type, sizeof(void*)) != 0)
            return false;
    return true;
}

// The same, and without any gap on a target of 32 bits, where structs state their padding: no member can be missing.
constexpr bool isComplete(const RecordInfo& record) {
    size_t packed = record.base ? laidOut(*record.base, 4, 4) : 0;
    for (const FieldInfo& field : record.fields)
        packed += fieldBytes(field.type, 4) * fieldCount(field);
    return isLaidOut(record) && packed == laidOut(record, 4, 4);
}

// Calls `visit` with each field that is a pointer, of the record at `bytes` and those that it begins with, and where it
// points to, unless that is null.
template <typename Visit>
void forEachPointer(const RecordInfo& record, const void* bytes, Visit visit) {
    for (const RecordInfo* each = &record; each; each = each->base)
        for (const FieldInfo& field : each->fields)
            if (isPointer(field.type)) {
                const void* to = nullptr;
                std::memcpy(&to, static_cast<const std::byte*>(bytes) + field.offset, sizeof to);
                if (to)
                    visit(field, to);
            }
}

// Bytes of a record on a target of 8 or 32 bits.
constexpr int recordBytes(const RecordInfo& record, int wordBits) {
    return static_cast<int>(wordBits == 8 ? laidOut(record, 2, 1) : laidOut(record, 4, 4));
}

}  // namespace gorsefinch
