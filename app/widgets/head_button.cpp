// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/head_button.h"

#include <QLayout>
#include <QToolButton>

#include "app/theme/theme.h"

namespace gorsefinch::app {

QToolButton* addHeadButton(QWidget* head, const char* icon, const char* name, const QString& help,
                           const std::function<void()>& run) {
    auto* button = new QToolButton(head);
    button->setIcon(Theme::icon(icon));
    button->setObjectName(name);
    button->setToolTip(help);
    QObject::connect(button, &QToolButton::clicked, head, run);
    head->layout()->addWidget(button);
    return button;
}

}  // namespace gorsefinch::app
