// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/heading.h"

#include <QHBoxLayout>
#include <QLabel>

#include "app/theme/theme.h"

namespace gorsefinch::app {

QHBoxLayout* headingRow(const QString& title, QLabel* figure, QWidget* between) {
    auto* row = new QHBoxLayout;
    auto* name = new QLabel(title, figure->parentWidget());
    name->setProperty("heading", true);
    figure->setFont(Theme::figures());
    figure->setProperty("quiet", true);
    row->addWidget(name);
    if (between) {
        row->addSpacing(8);
        row->addWidget(between);
    }
    // It takes what room there is: a long one must not widen the window.
    figure->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    figure->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    row->addWidget(figure, 1);
    return row;
}

}  // namespace gorsefinch::app
