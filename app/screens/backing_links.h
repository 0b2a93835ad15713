// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>

#include "app/session/selection.h"
#include "core/document/document.h"

namespace gorsefinch::app {

class Session;

// The backing screens of the shown screen, below its widgets or above them; a click goes to one. Hidden without any.
class BackingLinks : public QLabel {
    Q_OBJECT

  public:
    BackingLinks(Session& session, Names Screen::*list, QWidget* parent = nullptr);

  private:
    void refresh();

    Session& session_;
    Names Screen::*list_;
};

}  // namespace gorsefinch::app
