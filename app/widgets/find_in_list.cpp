// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/find_in_list.h"

#include <QLineEdit>
#include <QListWidget>
#include <utility>

namespace gorsefinch::app {

void findInList(QLineEdit* typed, QListWidget* list) {
    QObject::connect(typed, &QLineEdit::textChanged, list, [list](const QString& words) {
        bool first = true;
        for (int i = 0; i < list->count(); ++i) {
            const bool hidden = !list->item(i)->text().contains(words, Qt::CaseInsensitive);
            list->item(i)->setHidden(hidden);
            if (!hidden && std::exchange(first, false))
                list->setCurrentRow(i);
        }
    });
}

}  // namespace gorsefinch::app
