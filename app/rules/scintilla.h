// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// The editor's headers use Qt's keywords, which this project does without: the core has members called slots.
#define slots Q_SLOTS
#define signals Q_SIGNALS
#include <Qsci/qscilexercustom.h>
#include <Qsci/qsciscintilla.h>
#undef slots
#undef signals
