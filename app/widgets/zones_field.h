// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>
#include <optional>

#include "app/widgets/colour_field.h"

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

    // The project's colours, which zones can have by their names.
    void setOffered(const std::vector<OfferedColour>& offered);

  Q_SIGNALS:
    // `live`: while a colour is still being chosen.
    void zonesChosen(const gorsefinch::ZoneList& zones, bool live);
    // The mark of a list is on a name; previewEnded() if none was chosen.
    void zonesPreviewed(const gorsefinch::ZoneList& zones);
    void previewEnded();

  private:
    void rebuild();
    void addRow(size_t number);
    void choose(const gorsefinch::ZoneList& zones, bool live = false);

    int max_;
    ZoneList zones_;
    std::vector<OfferedColour> offered_;
    QWidget* rows_ = nullptr;
    QVBoxLayout* column_;
    QPushButton* add_;
};

}  // namespace gorsefinch::app
