// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/kind_picker.h"

#include <QKeyEvent>
#include <QLineEdit>
#include <QListWidget>
#include <QVBoxLayout>
#include <algorithm>

#include "app/screens/tray.h"

namespace gorsefinch::app {

KindPicker::KindPicker(Session& session, QWidget* parent)
    : QDialog(parent, Qt::Popup), letters_(new QLineEdit(this)), list_(new QListWidget(this)) {
    setObjectName("kind_picker");
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(6, 6, 6, 6);
    column->setSpacing(4);
    letters_->setPlaceholderText(tr("type: but, tex, ima …"));
    list_->setIconSize({56, 32});
    list_->setFocusPolicy(Qt::NoFocus);
    for (const KindInfo* kind : kinds()) {
        if (kind->group == KindGroup::Own)
            continue;
        auto* item = new QListWidgetItem(QIcon(samplePicture(session, kind->kind, {56, 32})),
                                         QString("%1 — %2").arg(kind->key, kind->help), list_);
        item->setData(Qt::UserRole, static_cast<int>(kind->kind));
    }
    column->addWidget(letters_);
    column->addWidget(list_);
    // As wide as the longest line, with a scroll bar beside it.
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setFixedSize(std::max(340, list_->sizeHintForColumn(0) + 40), 200);
    list_->setCurrentRow(0);
    letters_->installEventFilter(this);
    letters_->setFocus();
    connect(letters_, &QLineEdit::textChanged, this, &KindPicker::filter);
    connect(letters_, &QLineEdit::returnPressed, this, &QDialog::accept);
    connect(list_, &QListWidget::itemClicked, this, &QDialog::accept);
}

void KindPicker::filter(const QString& letters) {
    int first = -1;
    for (int i = 0; i < list_->count(); ++i) {
        const bool fits = list_->item(i)->text().section(' ', 0, 0).contains(letters.trimmed(), Qt::CaseInsensitive);
        list_->item(i)->setHidden(!fits);
        if (fits && first < 0)
            first = i;
    }
    list_->setCurrentRow(first);
}

bool KindPicker::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() == QEvent::KeyPress) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Up || key == Qt::Key_Down) {
            for (int row = list_->currentRow() + (key == Qt::Key_Up ? -1 : 1); row >= 0 && row < list_->count();
                 row += key == Qt::Key_Up ? -1 : 1)
                if (!list_->item(row)->isHidden()) {
                    list_->setCurrentRow(row);
                    break;
                }
            return true;
        }
    }
    return QDialog::eventFilter(watched, event);
}

std::optional<Kind> KindPicker::choose() {
    if (exec() != QDialog::Accepted || !list_->currentItem())
        return std::nullopt;
    return static_cast<Kind>(list_->currentItem()->data(Qt::UserRole).toInt());
}

}  // namespace gorsefinch::app
