// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/named_model.h"

#include "app/screens/named_choices.h"
#include "app/session/session.h"
#include "app/widgets/from_std.h"

namespace gorsefinch::app {

NamedModel::NamedModel(Session& session, QObject* parent) : QAbstractTableModel(parent), session_(session) {
    connect(&session, &Session::changed, this, [this](const Change& change) {
        if (change.opened || change.looks || change.screens)
            reload();
    });
    reload();
}

void NamedModel::reload() {
    if (!session_.isOpen())
        return;
    const auto now = session_.document().named;
    const auto names = [](const NamedValues& named) {
        std::vector<std::string> out = named.sets;
        for (const NamedColour& each : named.colours)
            out.push_back(each.name);
        out.emplace_back();
        for (const NamedSize& each : named.sizes)
            out.push_back(each.name);
        return out;
    };
    const bool same = names(*named_) == names(*now);
    if (!same)
        beginResetModel();
    named_ = now;
    areUsesStale_ = true;
    if (!same)
        endResetModel();
    else if (rowCount() > 0)
        Q_EMIT dataChanged(index(0, 0), index(rowCount() - 1, columnCount() - 1));
}

int NamedModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(named_->colours.size() + named_->sizes.size());
}

int NamedModel::columnCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(named_->setCount()) + 1;
}

QString NamedModel::nameAt(int row) const {
    if (row < 0 || row >= rowCount())
        return {};
    const auto at = static_cast<size_t>(row);
    return fromStd(isColour(row) ? named_->colours[at].name : named_->sizes[at - named_->colours.size()].name);
}

int NamedModel::rowOf(const QString& name) const {
    for (int row = 0; row < rowCount(); ++row)
        if (nameAt(row) == name)
            return row;
    return -1;
}

QVariant NamedModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid() || index.row() >= rowCount() || index.column() >= columnCount())
        return {};
    const bool isName = index.column() == 0;
    const std::string name = nameAt(index.row()).toStdString();
    if (role == UsesRole)
        return usesOf(name);
    if (role == Qt::ToolTipRole && isName)
        return usesOf(name) == 0 ? tr("Nothing uses it")
                                 : tr("Used %1 times by looks, widgets and screens").arg(usesOf(name));
    if (isName)
        return role == Qt::DisplayRole || role == Qt::EditRole ? QVariant(fromStd(name)) : QVariant();
    if (isColour(index.row())) {
        const Colour colour = named_->colour(name)->inSets[static_cast<size_t>(index.column()) - 1];
        if (role == ColourRole)
            return QVariant::fromValue(colour);
        if (role == Qt::ToolTipRole)
            return tr("%1: a double click or Enter opens the chooser, typing writes the code")
                .arg(fromStd(toText(colour)));
        return role == Qt::DisplayRole || role == Qt::EditRole ? QVariant(fromStd(toText(colour))) : QVariant();
    }
    if (index.column() > 1 || (role != Qt::DisplayRole && role != Qt::EditRole))
        return {};
    return role == Qt::EditRole ? QVariant(QString::number(named_->size(name)->size))
                                : QVariant(tr("%1 px").arg(named_->size(name)->size));
}

int NamedModel::usesOf(const std::string& name) const {
    if (std::exchange(areUsesStale_, false))
        uses_ = namedUses(session_.document());
    const auto found = uses_.find(name);
    return found == uses_.end() ? 0 : found->second;
}

QVariant NamedModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole)
        return {};
    if (section == 0)
        return tr("Name");
    return named_->setCount() < 2 ? tr("Value") : fromStd(named_->sets[static_cast<size_t>(section) - 1]);
}

void NamedModel::setColour(const QModelIndex& index, Colour colour, bool live) {
    const std::string name = nameAt(index.row()).toStdString();
    const auto set = static_cast<size_t>(index.column()) - 1;
    session_.edit(setNamedColour(session_.document(), name, set, colour), tr("Change the colour %1").arg(fromStd(name)),
                  live ? QString("named %1 %2").arg(fromStd(name)).arg(set) : QString());
}

bool NamedModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::EditRole || !index.isValid())
        return false;
    const std::string name = nameAt(index.row()).toStdString();
    const QString words = value.toString().trimmed();
    if (index.column() == 0) {
        if (words.toStdString() == name ||
            !session_.edit(renameNamedValue(session_.document(), name, words.toStdString()),
                           tr("Rename %1").arg(fromStd(name))))
            return false;
        Q_EMIT renamed(words);
        return true;
    }
    if (isColour(index.row())) {
        const bool bare = words.size() == 6 && !words.startsWith('#');
        const auto colour = colourFromText((bare ? "#" + words : words).toStdString());
        if (!colour) {
            session_.showError(tr("%1 is no colour: write #RRGGBB, #RRGGBBAA or none.").arg(words));
            return false;
        }
        setColour(index, *colour, false);
        return true;
    }
    bool isNumber = false;
    const int size = words.toInt(&isNumber);
    if (isNumber)
        session_.edit(setNamedSize(session_.document(), name, size), tr("Change the size %1").arg(fromStd(name)));
    return isNumber;
}

Qt::ItemFlags NamedModel::flags(const QModelIndex& index) const {
    if (!index.isValid() || (index.column() > 1 && !isColour(index.row())))
        return Qt::NoItemFlags;
    return Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsEditable;
}

}  // namespace gorsefinch::app
