// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <optional>

#include "core/kinds/kinds.h"

class QLineEdit;
class QListWidget;

namespace gorsefinch::app {

class Session;

// A small list at the pointer: type a few letters of a kind, Enter takes the first that fits.
class KindPicker : public QDialog {
    Q_OBJECT

  public:
    KindPicker(Session& session, QWidget* parent);
    std::optional<Kind> choose();

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    void filter(const QString& letters);

    QLineEdit* letters_;
    QListWidget* list_;
};

}  // namespace gorsefinch::app
