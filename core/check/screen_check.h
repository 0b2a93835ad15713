// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "core/scene/built_scene.h"

namespace gorsefinch {

// The least contrast of texts, as the ratio of the luminances that WCAG 2.1 (1.4.3) asks for; of texts of at least
// kLargeText pixels the second.
inline constexpr double kLeastContrast = 4.5, kLeastContrastOfLarge = 3;
inline constexpr int kLargeText = 24;
// mm: a finger's tip.
inline constexpr double kLeastTarget = 7;

// What is wrong with how a screen's widgets lie and look, as they are when the interface starts: what lies outside the
// panel, is covered, is hard to touch or to read. What rules and expressions move is left out.
Problems checkScreen(const BuiltScene& scene, size_t screen);

// The touch target of a widget, pixels of the panel: its box and what its margin adds.
Box touchTarget(const std::vector<WidgetRef>& widgets, size_t at);
// The smaller side of a target in mm; nothing where nobody knows how large pixels are.
std::optional<double> targetMm(const Panel& panel, const Box& target);

}  // namespace gorsefinch
