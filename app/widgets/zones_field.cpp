// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/zones_field.h"

#include <QLineEdit>
#include <QPushButton>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/theme/theme.h"
#include "app/widgets/fields.h"
#include "app/widgets/from_std.h"

namespace gorsefinch::app {

ZonesField::ZonesField(int max, QWidget* parent)
    : QWidget(parent), max_(max), column_(new QVBoxLayout(this)), add_(new QPushButton(tr("Add a zone"), this)) {
    column_->setContentsMargins(0, 0, 0, 0);
    column_->setSpacing(4);
    column_->addWidget(add_);
    add_->setObjectName("add_zone");
    connect(add_, &QPushButton::clicked, this, [this] {
        static const uint32_t colours[] = {0x4F7B58, 0xE3B505, 0xB4532A};
        ZoneList next = zones_;
        next.push_back({next.empty() ? std::string() : next.back().to, {}, opaque(colours[next.size() % 3])});
        choose(next);
    });
}

void ZonesField::setZones(const std::optional<ZoneList>& zones) {
    const ZoneList next = zones.value_or(ZoneList{});
    const bool sameRows = rows_ && next.size() == zones_.size();
    if (sameRows && next == zones_)
        return;
    zones_ = next;
    if (!sameRows) {
        rebuild();
        return;
    }
    for (size_t i = 0; i < zones_.size(); ++i) {
        const QString number = QString::number(i);
        rows_->findChild<QLineEdit*>("zone_from_" + number)->setText(fromStd(zones_[i].from));
        rows_->findChild<QLineEdit*>("zone_to_" + number)->setText(fromStd(zones_[i].to));
        rows_->findChild<ColourField*>("zone_colour_" + number)->setColour(zones_[i].colour, zones_[i].named);
    }
}

void ZonesField::setOffered(const std::vector<OfferedColour>& offered) {
    offered_ = offered;
    for (ColourField* each : findChildren<ColourField*>())
        each->setOffered(offered);
}

void ZonesField::choose(const ZoneList& zones, bool live) {
    if (zones != zones_)
        Q_EMIT zonesChosen(zones, live);
}

void ZonesField::rebuild() {
    // A field of the old rows may be in the middle of giving on its value.
    if (rows_) {
        rows_->hide();
        rows_->deleteLater();
    }
    rows_ = new QWidget(this);
    auto* list = new QVBoxLayout(rows_);
    list->setContentsMargins(0, 0, 0, 0);
    list->setSpacing(4);
    for (size_t i = 0; i < zones_.size(); ++i)
        addRow(i);
    column_->insertWidget(0, rows_);
    rows_->setVisible(!zones_.empty());
    add_->setEnabled(static_cast<int>(zones_.size()) < max_);
}

void ZonesField::addRow(size_t number) {
    auto* row = new QWidget(rows_);
    auto* across = new QHBoxLayout(row);
    across->setContentsMargins(0, 0, 0, 0);
    across->setSpacing(3);
    const auto end = [&](const char* name, const std::string& text, const QString& help, std::string Zone::*member) {
        auto* field = new QLineEdit(fromStd(text), row);
        field->setObjectName(QString(name) + QString::number(number));
        field->setFont(Theme::figures());
        field->setMaxLength(static_cast<int>(kMaxZoneText));
        field->setToolTip(help);
        field->setProperty("tight", true);
        field->setMinimumWidth(44);
        connect(field, &QLineEdit::editingFinished, this, [this, field, number, member] {
            ZoneList next = zones_;
            if (number < next.size())
                next[number].*member = field->text().trimmed().toStdString();
            choose(next);
        });
        across->addWidget(field, 1);
    };
    end("zone_from_", zones_[number].from, tr("from this value; empty: from the minimum"), &Zone::from);
    end("zone_to_", zones_[number].to, tr("to this value; empty: to the maximum"), &Zone::to);
    auto* colour = new ColourField(row);
    colour->setObjectName("zone_colour_" + QString::number(number));
    colour->setOffered(offered_);
    colour->setColour(zones_[number].colour, zones_[number].named);
    const auto with = [this, number](const std::string& name) {
        ZoneList next = zones_;
        if (number < next.size())
            next[number].named = name;
        return next;
    };
    const auto chooseColour = [this, number, with](Colour chosen, bool live) {
        ZoneList next = with({});
        if (number < next.size())
            next[number].colour = chosen;
        choose(next, live);
    };
    connect(colour, &ColourField::nameChosen, this, [this, with](const std::string& name) { choose(with(name)); });
    connect(colour, &ColourField::namePreviewed, this,
            [this, with](const std::string& name) { Q_EMIT zonesPreviewed(with(name)); });
    connect(colour, &ColourField::previewEnded, this, &ZonesField::previewEnded);
    connect(colour, &ColourField::colourChosen, this, [chooseColour](Colour chosen) { chooseColour(chosen, false); });
    connect(colour, &ColourField::chosenLive, this, [chooseColour](Colour chosen) { chooseColour(chosen, true); });
    // Its code is wide enough to be read.
    colour->findChild<QLineEdit*>()->setProperty("tight", true);
    colour->findChild<QLineEdit*>()->setFixedWidth(60);
    across->addWidget(colour);
    auto* remove = new QToolButton(row);
    remove->setObjectName("zone_remove_" + QString::number(number));
    remove->setIcon(Theme::icon("cross"));
    remove->setIconSize({10, 10});
    remove->setFixedSize(20, 24);
    remove->setToolTip(tr("Remove the zone"));
    connect(remove, &QToolButton::clicked, this, [this, number] {
        ZoneList next = zones_;
        if (number < next.size())
            next.erase(next.begin() + static_cast<std::ptrdiff_t>(number));
        choose(next);
    });
    across->addWidget(remove);
    rows_->layout()->addWidget(row);
}

}  // namespace gorsefinch::app
