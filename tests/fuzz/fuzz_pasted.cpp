// SPDX-License-Identifier: GPL-3.0-or-later
// Any text from the clipboard: a recipe or none.
#include "core/edits/image_edits.h"
#include "core/project/recipe_text.h"
#include "tests/fuzz/fuzz.h"

extern "C" int LLVMFuzzerTestOneInput(const uint8_t* data, size_t size) {
    if (const auto recipe = gorsefinch::recipeFromText(fuzz::text(data, size)))
        fuzz::expect(gorsefinch::recipeFromText(gorsefinch::recipeText(*recipe)).has_value());
    return 0;
}
