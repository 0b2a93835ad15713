// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// What is done to the kiln: every screen, a value, a text, a press that slides off, timers, the alarm.
namespace target {

inline const char* const kilnScript = R"(
tap 160 212          # to the programme
press 285 212        # +5, held
release 285 212
tap 172 212          # -5
tap 60 212           # back
set kiln_temp 1044
set programme_name Glaze 7
set heating 12.5
press 60 212
move 150 150         # slid off
release 150 150
tap 60 212           # hold
wait 2500            # elapsed stands still
tap 60 212           # go on
wait 3000
tap 165 164          # the course
tap 160 212          # the settings
press 290 136        # the light, dragged
move 120 130
release 120 130
tap 270 60           # the sound off
tap 60 212           # back
tap 60 212
set kiln_temp 1200   # alarm
tap 160 206          # understood
set kiln_temp 700
set heating 0
)";

}  // namespace target
