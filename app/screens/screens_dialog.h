// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>

#include "core/document/document.h"

class QListWidget;
class QPushButton;

namespace gorsefinch::app {

// Asks for some of the project's screens.
class ScreensDialog : public QDialog {
    Q_OBJECT

  public:
    ScreensDialog(const Document& document, const QString& title, const QString& verb, QWidget* parent = nullptr);

  Q_SIGNALS:
    void chosen(const QStringList& screens);

  private:
    QStringList checked() const;

    QListWidget* list_;
    QPushButton* take_;
};

}  // namespace gorsefinch::app
