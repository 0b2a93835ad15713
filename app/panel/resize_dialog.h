// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>

#include "core/edits/panel_size.h"

class QButtonGroup;

namespace gorsefinch::app {

// Asks what becomes of the screens when the panel gets another size, and shows one of them in each way.
class ResizeDialog : public QDialog {
    Q_OBJECT

  public:
    // `screen`: the number of the one that is shown.
    ResizeDialog(const Document& document, const Panel& panel, int screen, QWidget* parent = nullptr);
    PanelResize chosen() const;

  private:
    QButtonGroup* ways_;
};

}  // namespace gorsefinch::app
