// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/font/installed_faces.h"

#include <fontconfig/fontconfig.h>

#include <algorithm>
#include <memory>
#include <tuple>

namespace gorsefinch {

namespace {

std::string text(FcPattern* pattern, const char* key) {
    FcChar8* value = nullptr;
    return FcPatternGetString(pattern, key, 0, &value) == FcResultMatch
               ? std::string(reinterpret_cast<const char*>(value))
               : std::string();
}

bool yes(FcPattern* pattern, const char* key, bool otherwise) {
    FcBool value = FcFalse;
    return FcPatternGetBool(pattern, key, 0, &value) == FcResultMatch ? value != FcFalse : otherwise;
}

bool isUsable(const std::string& file) {
    for (const char* ending : {".ttf", ".otf", ".ttc", ".otc", ".bdf", ".pcf", ".pcf.gz"})
        if (file.ends_with(ending))
            return true;
    return false;
}

}  // namespace

std::vector<InstalledFace> installedFaces() {
    const std::unique_ptr<FcPattern, decltype(&FcPatternDestroy)> all(FcPatternCreate(), FcPatternDestroy);
    const std::unique_ptr<FcObjectSet, decltype(&FcObjectSetDestroy)> wanted(
        FcObjectSetBuild(FC_FAMILY, FC_STYLE, FC_FILE, FC_VARIABLE, FC_OUTLINE, static_cast<char*>(nullptr)),
        FcObjectSetDestroy);
    const std::unique_ptr<FcFontSet, decltype(&FcFontSetDestroy)> found(FcFontList(nullptr, all.get(), wanted.get()),
                                                                        FcFontSetDestroy);
    std::vector<InstalledFace> out;
    for (int i = 0; found && i < found->nfont; ++i) {
        FcPattern* pattern = found->fonts[i];
        InstalledFace face{text(pattern, FC_FAMILY), text(pattern, FC_STYLE), text(pattern, FC_FILE),
                           yes(pattern, FC_VARIABLE, false), !yes(pattern, FC_OUTLINE, true)};
        if (isUsable(face.file))
            out.push_back(std::move(face));
    }
    const auto order = [](const InstalledFace& f) { return std::tie(f.family, f.style, f.file); };
    std::sort(out.begin(), out.end(), [&](const auto& a, const auto& b) { return order(a) < order(b); });
    // A variable face is listed once, not once an instance.
    out.erase(std::unique(out.begin(), out.end(),
                          [](const auto& a, const auto& b) { return a.file == b.file && a.variable && b.variable; }),
              out.end());
    return out;
}

}  // namespace gorsefinch
