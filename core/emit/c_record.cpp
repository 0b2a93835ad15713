// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/c_record.h"

#include <cstring>

#include "core/emit/c_text.h"
#include "runtime/gorse_scene.h"

namespace gorsefinch {

namespace {

template <typename T>
T loaded(const std::byte* from) {
    T value;
    std::memcpy(&value, from, sizeof value);
    return value;
}

std::string element(const FieldInfo& field, const std::byte* from, const PointerName& nameOf) {
    switch (field.type) {
        case FieldType::U8: return std::to_string(loaded<uint8_t>(from));
        case FieldType::I8: return std::to_string(loaded<int8_t>(from));
        case FieldType::U16: return std::to_string(loaded<uint16_t>(from));
        case FieldType::I16: return std::to_string(loaded<int16_t>(from));
        case FieldType::U32: return std::to_string(loaded<uint32_t>(from)) + "UL";
        case FieldType::I32: return longLiteral(loaded<int32_t>(from));
        case FieldType::Colour: return colourLiteral({loaded<uint32_t>(from)});
        case FieldType::Padding: return "0";
        case FieldType::Offset:
        case FieldType::Variable: {
            const auto number = loaded<uint16_t>(from);
            return number == GORSE_NONE ? "GORSE_NONE" : std::to_string(number);
        }
        default: {
            const auto* to = loaded<const void*>(from);
            return to ? nameOf(field, to) : "0";
        }
    }
}

}  // namespace

std::string recordInitialiser(const RecordInfo& record, const void* bytes, const PointerName& nameOf) {
    const auto* const from = static_cast<const std::byte*>(bytes);
    std::string out = record.base ? recordInitialiser(*record.base, bytes, nameOf) : "";
    for (const FieldInfo& field : record.fields) {
        const size_t count = fieldCount(field), size = fieldBytes(field.type, sizeof(void*));
        std::string value;
        for (size_t i = 0; i < count; ++i)
            value += (i == 0 ? "" : ", ") + element(field, from + field.offset + i * size, nameOf);
        out += (out.empty() ? "" : ", ") + (count == 1 ? value : "{" + value + "}");
    }
    return "{" + out + "}";
}

std::string headOf(const RecordInfo& record, const std::string& symbol) {
    return record.base ? headOf(*record.base, symbol + "." + record.baseMember) : symbol;
}

}  // namespace gorsefinch
