// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

namespace gorsefinch {

// What long work on a picture is at.
enum class Step { Decode, Shape, Reduce };

// Told how far it is, 0 to 1; returns false when the work is to be cancelled, which then fails with an error that
// nobody needs to see. May be empty: nobody listens.
using OnProgress = std::function<bool(Step step, double done)>;

// False when the work is to be cancelled.
inline bool report(const OnProgress& progress, Step step, double done) { return !progress || progress(step, done); }

}  // namespace gorsefinch
