// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"
#include "core/base/shared_bytes.h"

namespace gorsefinch {

// The endings of files that may hold a face, for dialogs.
inline constexpr const char* kFacePatterns = "*.ttf *.otf *.ttc *.otc *.bdf *.pcf *.pcf.gz";

// One face of a file: of a collection, or a named instance of a variable face.
struct FaceVariant {
    std::string name;  // "Bold"; unique in the file
    long number = 0;   // FreeType's: the face below, its instance in the upper 16 bits
};

// What a face says of itself.
struct FaceFacts {
    std::string family, style;
    std::string format;                 // "OpenType", "TrueType", "BDF", "PCF" …
    std::vector<FaceVariant> variants;  // more than one for collections and variable faces
    std::vector<int> strikes;           // pixel sizes of a bitmap face; empty for outlines
    long glyphs = 0;
    std::string copyright, licence, licenceAddress;
    std::string embedding;  // what its embedding field forbids, as a sentence; "" if nothing
    std::string title() const { return style.empty() ? family : family + " " + style; }
};

// `bytes` must not be null. An error names `file` when the bytes are no face. `variant` chooses; an unknown one gives
// the first.
Result<FaceFacts> faceFacts(Bytes bytes, const std::string& file, const std::string& variant = {});

// FreeType's number of a variant; 0 for "" or one that isn't there.
long variantNumber(const Bytes& bytes, const std::string& variant);

}  // namespace gorsefinch
