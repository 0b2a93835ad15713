// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

class QLineEdit;
class QListWidget;

namespace gorsefinch::app {

// What is typed leaves only the rows that hold it, and chooses the first of them.
void findInList(QLineEdit* typed, QListWidget* list);

}  // namespace gorsefinch::app
