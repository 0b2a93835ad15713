// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <map>
#include <memory>
#include <string>
#include <vector>

#include "core/scene/built_scene.h"

namespace gorsefinch {

struct Cost {
    long flash = 0, ram = 0;  // bytes
};

// What a project costs on its target, by part.
struct Costs {
    std::vector<std::pair<std::string, Cost>> screens, images, fonts;
    Cost rules, variables, runtime;  // the runtime's code is an estimate from measured object sizes
    long state = 0, buffer = 0, stack = 0;
    Cost total() const;
};

Costs costsOf(const BuiltScene& scene);

// The costs of a screen by itself, and those of each look that it uses. Looks are shared: the first screen that uses
// one bears its cost.
struct ScreenCost {
    Cost own;
    std::vector<std::pair<const gorse_look*, long>> looks;
    std::vector<std::pair<std::string, long>> shared;  // records that several widgets have, by their keys
};
ScreenCost screenCost(const BuiltScene& scene, const ScreenPart& part);
// The same with costs of screens that are known already, which it asks for once each, in the order of the scene's
// parts.
using ScreenCosts = std::function<const ScreenCost&(const std::shared_ptr<const ScreenPart>& part)>;
Costs costsOf(const BuiltScene& scene, const ScreenCosts& costOf);

// Flash bytes of one widget: its record and its texts. Looks are shared and counted with the screen that uses them
// first.
long widgetFlash(const ScreenPart& part, size_t widget, int wordBits);

}  // namespace gorsefinch
