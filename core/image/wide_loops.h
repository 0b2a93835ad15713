// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// Before a function whose loop the compiler should also make for wider registers, chosen when the program starts. Only
// for whole-number arithmetic, so that each gives the same result.
#if defined(__x86_64__) && defined(__GNUC__) && !defined(__clang__) && !defined(__SANITIZE_ADDRESS__)
#define GORSEFINCH_WIDE_LOOPS __attribute__((target_clones("avx2", "default")))
#else
#define GORSEFINCH_WIDE_LOOPS
#endif
