// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>
#include <optional>

#include "core/kinds/value.h"

class QPushButton;
class QVBoxLayout;

namespace gorsefinch::app {

// Zones of a range: a row for each with its ends and its colour, and a button that adds one.
class ZonesField : public QWidget {
    Q_OBJECT

  public:
    ZonesField(int max, QWidget* parent = nullptr);
    // Shows zones; nothing (several different ones) shows none, which the next change replaces.
    void setZones(const std::optional<gorsefinch::ZoneList>& zones);

  Q_SIGNALS:
    // `live`: while a colour is still being chosen.
    void zonesChosen(const gorsefinch::ZoneList& zones, bool live);

  private:
    void rebuild();
    void addRow(size_t number);
    void choose(const gorsefinch::ZoneList& zones, bool live = false);

    int max_;
    ZoneList zones_;
    QWidget* rows_ = nullptr;
    QVBoxLayout* column_;
    QPushButton* add_;
};

}  // namespace gorsefinch::app
