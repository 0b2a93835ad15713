// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

#include "core/base/result.h"
#include "core/base/shared_bytes.h"

namespace gorsefinch {

// Maximum size of a face, unpacked.
inline constexpr size_t kMaxFaceBytes = size_t{64} << 20;

// Returns the bytes for the rasteriser: those of a TrueType, OpenType, collection, BDF or PCF file, unpacked if the
// file is packed with gzip. Other kinds and more than kMaxFaceBytes are errors that name `file`.
Result<Bytes> faceBytes(Bytes bytes, const std::string& file);

}  // namespace gorsefinch
