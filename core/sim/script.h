// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <string>
#include <vector>

#include "core/sim/twin.h"

namespace gorsefinch {

// One line of a script:
//   wait MS | press X Y | move X Y | release X Y | tap X Y | set VARIABLE VALUE
//   turn STEPS | key NAME | key_down NAME | key_up NAME | type TEXT
// A tap is a press, a step, and a release, and a key goes down and up in the same way. What is typed on a hardware
// keyboard may hold keys as words: type ab{delete}c{done}. Comments begin with #.
struct ScriptStep {
    enum class What { Wait, Press, Move, Release, Set, Turn, KeyDown, KeyUp, Type };
    What what;
    int x = 0, y = 0;         // pixels of the interface; of Turn: x is how many steps
    uint32_t ms = 0;          // to wait
    std::string name, value;  // of Set; the name of a key; of Type: value
    int line = 0;
};

// An error names file and line. At most 10,000 lines.
Result<std::vector<ScriptStep>> parseScript(const std::string& text, const std::string& file);

// Runs the steps one after the other; after each, the twin advances (by 10 ms, or the time of a wait) and `after`
// is called with the step's number from 1. Step 0 is the first picture, before anything happens.
Result<void> runScript(Twin& twin, const std::vector<ScriptStep>& steps, const std::string& file,
                       const std::function<void(int step)>& after);

// How long a step takes, in ms.
uint32_t stepDuration(const ScriptStep& step);

}  // namespace gorsefinch
