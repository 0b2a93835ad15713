// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/edits/edit.h"

namespace gorsefinch {

// Marks a problem as meant so, with the user's reason, cut to kMaxReason; one that is marked already gets the new
// reason. Fails for an error, and for a problem without a code.
Result<Document> withMeantSo(const Document& document, const Problem& problem, std::string reason);
// It counts as a problem again.
Document withoutMeantSo(const Document& document, const Problem& problem);
// Marks follow a widget, or for "" the screen, that gets another name.
void renameInMeantSo(Document& document, std::string_view screen, std::string_view widget, std::string_view to);

}  // namespace gorsefinch
