// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/frame/notice_bar.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

namespace gorsefinch::app {

NoticeBar::NoticeBar(const QString& name, QWidget* parent)
    : QWidget(parent), row_(new QHBoxLayout(this)), text_(new QLabel(this)) {
    setObjectName(name);
    setProperty("notice", true);
    setAttribute(Qt::WA_StyledBackground);
    row_->setContentsMargins(12, 6, 12, 6);
    row_->setSpacing(8);
    text_->setWordWrap(true);
    text_->setTextFormat(Qt::PlainText);
    row_->addWidget(text_, 1);
    hide();
}

void NoticeBar::setText(const QString& text) { text_->setText(text); }

QPushButton* NoticeBar::addButton(const QString& name, const QString& text, const QString& toolTip,
                                  const std::function<void()>& run) {
    auto* button = new QPushButton(text, this);
    button->setObjectName(name);
    button->setToolTip(toolTip);
    connect(button, &QPushButton::clicked, this, run);
    row_->addWidget(button);
    return button;
}

}  // namespace gorsefinch::app
