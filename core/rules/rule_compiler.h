// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <string>
#include <vector>

#include "core/base/problem.h"
#include "core/rules/expression.h"
#include "core/rules/text_compiler.h"
#include "runtime/gorse_scene.h"

namespace gorsefinch {

// A property that rules read or write.
struct SlotInfo {
    int screen = 0, widget = 0;
    const PropertyInfo* property = nullptr;
    std::vector<int> strings;  // texts that rules give it
    friend bool operator==(const SlotInfo&, const SlotInfo&) = default;
};

// A C function of the firmware that rules call.
struct HookInfo {
    std::string name;
    std::vector<ValueType> values;
    std::vector<int> scales;
};

struct RuleSource {
    std::string file;  // its name
    int line = 0, lastLine = 0;
};

// All rules of a project as the runtime runs them. Rules with a mistake are left out.
struct CompiledRules {
    std::vector<gorse_rule> rules;
    std::vector<RuleSource> sources;  // beside each rule
    std::vector<uint8_t> code;
    std::vector<size_t> commands;  // positions in it of the operands of commands, see Compiled
    std::vector<CompiledText> strings;
    std::vector<std::string> stringWords;
    std::vector<SlotInfo> slots;  // by screen, then widget, then property
    std::vector<HookInfo> hooks;
    int timers = 0, whens = 0;
    int stackDepth = 1;          // values that the deepest expression puts on the stack
    bool needsExtended = false;  // some code has operations of gorse_code_extended.c
    Problems problems;
    std::shared_ptr<const NamedWidgets> named;  // on which the rules depend
};

CompiledRules compileRules(const ProjectNames& names, const std::vector<RuleFile>& files);

}  // namespace gorsefinch
