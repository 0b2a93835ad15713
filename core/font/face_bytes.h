// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <string>

#include "core/base/result.h"

namespace gorsefinch {

// The most bytes that a packed face may unpack to.
inline constexpr size_t kMaxFaceBytes = size_t{64} << 20;

// The bytes of a face as the rasteriser gets them: only kinds that this program reads (TrueType, OpenType, collections,
// BDF, PCF), and a PCF that was packed with gzip unpacked, up to kMaxFaceBytes. An error names `file`.
Result<std::shared_ptr<const std::string>> faceBytes(std::shared_ptr<const std::string> bytes, const std::string& file);

}  // namespace gorsefinch
