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
tap 160 212          # the settings: their PIN, by the keyboard on the panel
tap 160 64
wait 300
tap 120 224
tap 40 164
tap 120 135
tap 120 224
tap 280 224          # done
wait 100
press 290 136        # the light, dragged
move 120 130
release 120 130
tap 270 60           # the sound off
tap 60 212           # back
press 310 100        # the drawer, pulled in and out
move 290 100
move 250 100
move 200 100
release 200 100
wait 300
tap 40 120
wait 300
tap 60 212
tap 160 212          # a name is typed, by the panel and by a keyboard
tap 119 213
tap 60 80
tap 250 74
wait 300
tap 95 195
press 80 135         # accents
wait 700
release 80 135
type Öl{left}{delete}
tap 277 224
wait 300
tap 255 169
set kiln_temp 1200   # alarm
tap 160 206          # understood
set kiln_temp 700
set heating 0
)";

}  // namespace target
