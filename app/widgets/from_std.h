// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>
#include <string>

namespace gorsefinch::app {

inline QString fromStd(const std::string& text) { return QString::fromStdString(text); }

}  // namespace gorsefinch::app
