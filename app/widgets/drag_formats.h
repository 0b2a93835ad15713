// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// The types of what is dragged or copied inside the application.
namespace gorsefinch::app {

inline constexpr const char* kImagesMime = "application/x-gorsefinch-images";        // names, each in a line
inline constexpr const char* kVariablesMime = "application/x-gorsefinch-variables";  // names, each in a line
inline constexpr const char* kWidgetsMime = "application/x-gorsefinch-widgets";      // widgets as in a screen's file
inline constexpr const char* kLayerMime = "application/x-gorsefinch-layer";          // the name of a widget
inline constexpr const char* kScreenMime = "application/x-gorsefinch-screen";        // the number of a screen

}  // namespace gorsefinch::app
