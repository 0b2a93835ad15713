// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QByteArray>
#include <vector>

#include "core/base/result.h"
#include "core/document/document.h"

namespace gorsefinch::app {

// Widgets as bytes for the clipboard, in the project's own file format, and back. Bytes come from outside: what can't
// be read gives an error.
QByteArray widgetsToBytes(const std::vector<WidgetRef>& widgets);
Result<std::vector<Widget>> widgetsFromBytes(const QByteArray& bytes);

}  // namespace gorsefinch::app
