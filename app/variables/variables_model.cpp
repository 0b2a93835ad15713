// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/variables/variables_model.h"

#include <QMimeData>
#include <algorithm>
#include <array>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/drag_formats.h"
#include "core/base/characters.h"
#include "core/document/names.h"
#include "core/edits/variable_uses.h"

namespace gorsefinch::app {

namespace {

struct ColumnInfo {
    const char* title;
    const char* help;
    int width;             // pixels, of a new window
    bool figures = false;  // in the font for figures, at the right
};

constexpr auto columns = std::to_array<ColumnInfo>({
    {"Name", "A rename follows through to texts and rules", 132},
    {"Type", "whole, decimal, yes/no, text or choice", 70},
    {"Digits", "Digits behind the point of a decimal; maximum bytes of a text", 54, true},
    {"Elements", "More than one make it an array of so many values: name[0], name[1] and so on", 76, true},
    {"Names", "The names of a choice's values, with commas between them", 114},
    {"Minimum", "Smaller values are clamped to it", 74, true},
    {"Maximum", "Larger values are clamped to it", 74, true},
    {"Start", "The value when the interface starts", 72, true},
    {"Unit", "Shown nowhere by itself; rules are checked for mixed units", 54},
    {"Written by", "Who writes it: the firmware, the panel, or both", 78},
    {"Interrupt", "Its setter may be called from an interrupt; the value takes effect at the next step", 76},
    {"Kept", "Kept over power-off", 48},
    {"In the twin", "Its value in the running twin: double click to set it", 96, true},
    {"Uses", "Widgets and rules that use it, listed below; 0 means nobody does", 50, true},
    {"Note", "For whoever reads the generated header", 200},
});
static_assert(columns.size() == VariablesModel::Columns);

// The value in steps of other decimals, clamped to 32 bits.
int32_t rescaled(int32_t value, int from, int to) {
    int64_t out = value;
    for (; from < to; ++from)
        out *= 10;
    for (; from > to; --from)
        out /= 10;
    return static_cast<int32_t>(std::clamp<int64_t>(out, INT32_MIN, INT32_MAX));
}

void setDecimals(Variable& v, int decimals) {
    const bool open = v.min == INT32_MIN && v.max == INT32_MAX;
    if (!open) {
        v.min = rescaled(v.min, v.decimals, decimals);
        v.max = rescaled(v.max, v.decimals, decimals);
    }
    v.start = rescaled(v.start, v.decimals, decimals);
    v.decimals = decimals;
}

void setType(Variable& v, VariableType type) {
    if (type == v.type)
        return;
    if (!v.isNumeric()) {
        v.min = INT32_MIN;
        v.max = INT32_MAX;
        v.start = 0;
    }
    v.type = type;
    setDecimals(v, type == VariableType::Decimal ? 1 : 0);
    if (type == VariableType::YesNo) {
        v.min = 0;
        v.max = 1;
        v.start = v.start != 0;
    }
    if (type == VariableType::Choice)
        setChoices(v, {"off", "on"});
    else
        v.choices.clear();
    if (!v.isNumeric())
        v.unit.clear();
    if (v.isText())
        v.count = 1;
}

}  // namespace

VariablesModel::VariablesModel(Session& session, QObject* parent) : QAbstractTableModel(parent), session_(session) {
    connect(&session, &Session::changed, this, [this](const Change& change) {
        const int rows = rowCount();
        if (change.opened || rows != rows_) {
            beginResetModel();
            rows_ = rows;
            endResetModel();
        } else if (rows > 0) {
            Q_EMIT dataChanged(index(0, 0), index(rows - 1, Columns - 1));
        }
    });
    connect(&session.runner(), &TwinRunner::stepped, this, [this] {
        if (rows_ > 0)
            Q_EMIT dataChanged(index(0, Now), index(rows_ - 1, Now), {Qt::DisplayRole});
    });
}

int VariablesModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() || !session_.isOpen() ? 0 : static_cast<int>(session_.document().variables->size());
}

const Variable& VariablesModel::variable(int row) const {
    return (*session_.document().variables)[static_cast<size_t>(row)];
}

int VariablesModel::uses(const Variable& v) const {
    return static_cast<int>(usesOfVariable(session_.document(), v.name).size());
}

QString VariablesModel::text(const Variable& v, int column) const {
    const auto number = [&](int32_t value) { return QString::fromStdString(decimalText(value, v.decimals)); };
    switch (column) {
        case Name: return QString::fromStdString(v.name);
        case Type: return toKey(v.type);
        case Digits:
            return v.type == VariableType::Decimal ? QString::number(v.decimals)
                   : v.type == VariableType::Text  ? QString::number(v.length)
                                                   : QString();
        case Min: return v.isNumeric() ? number(v.min) : QString();
        case Max: return v.isNumeric() ? number(v.max) : QString();
        case Elements: return v.isArray() ? QString::number(v.count) : QString();
        case Names:
            return v.type == VariableType::Choice ? QString::fromStdString(choicesInWords(v.choices)) : QString();
        case Start: return QString::fromStdString(v.isText() ? v.startText : valueInWords(v, v.start));
        case Unit: return QString::fromStdString(v.unit);
        case WrittenBy: return toKey(v.writer);
        case Now: return QString::fromStdString(session_.runner().twin().get(v.name));
        case Used: return QString::number(uses(v));
        case Note: return QString::fromStdString(v.note);
        default: return {};
    }
}

QVariant VariablesModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid() || index.row() >= rowCount())
        return {};
    const Variable& v = variable(index.row());
    const int column = index.column();
    const bool figures = columns[static_cast<size_t>(column)].figures;
    if (role == Qt::DisplayRole || role == Qt::EditRole)
        return text(v, column);
    if (role == Qt::CheckStateRole && column == Kept)
        return v.kept ? Qt::Checked : Qt::Unchecked;
    if (role == Qt::CheckStateRole && column == Interrupt && v.mayBeLatched())
        return v.fromInterrupt ? Qt::Checked : Qt::Unchecked;
    if (role == Qt::FontRole && figures)
        return Theme::figures();
    if (role == Qt::TextAlignmentRole && figures && (v.isNumeric() || (column != Start && column != Now)) &&
        (!v.isArray() || column != Now))
        return static_cast<int>(Qt::AlignRight | Qt::AlignVCenter);
    if (role == Qt::ForegroundRole && column == Now)
        return Theme::colour(Role::Bound);
    if (role == Qt::ForegroundRole && column == Used && uses(v) == 0)
        return Theme::colour(Role::Error);
    // A list may be longer than its cell.
    if (role == Qt::ToolTipRole && (column == Names || column == Now) && text(v, column).contains(','))
        return text(v, column);
    if (role == Qt::ToolTipRole)
        return headerData(column, Qt::Horizontal, Qt::ToolTipRole);
    return {};
}

QVariant VariablesModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal || section < 0 || section >= Columns)
        return {};
    if (role == Qt::DisplayRole)
        return tr(columns[static_cast<size_t>(section)].title);
    return role == Qt::ToolTipRole ? QVariant(tr(columns[static_cast<size_t>(section)].help)) : QVariant();
}

QStringList VariablesModel::mimeTypes() const { return {kVariablesMime}; }

QMimeData* VariablesModel::mimeData(const QModelIndexList& indexes) const {
    QStringList names;
    for (const QModelIndex& index : indexes)
        if (const QString name = QString::fromStdString(variable(index.row()).name); !names.contains(name))
            names << name;
    auto* data = new QMimeData;
    data->setData(kVariablesMime, names.join('\n').toUtf8());
    return data;
}

Qt::ItemFlags VariablesModel::flags(const QModelIndex& index) const {
    Qt::ItemFlags flags = Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsDragEnabled;
    if (!index.isValid())
        return flags;
    const Variable& v = variable(index.row());
    const int column = index.column();
    if (column == Kept || (column == Interrupt && v.mayBeLatched()))
        return flags | Qt::ItemIsUserCheckable;
    const bool fixed = column == Used || (column == Elements && v.isText()) ||
                       (column == Names && v.type != VariableType::Choice) ||
                       ((column == Min || column == Max) && !v.isNumeric()) ||
                       (column == Digits && v.type != VariableType::Decimal && v.type != VariableType::Text);
    return fixed ? flags : flags | Qt::ItemIsEditable;
}

void VariablesModel::refuse(const QString& why) { session_.showError(why); }

// Takes a cell's new text into the variable; false, and an error shown, if it can't be.
bool VariablesModel::change(Variable& v, int column, const QString& given) {
    const std::string text = given.trimmed().toStdString();
    const auto number = decimalFromText(text, v.decimals);
    const auto whole = decimalFromText(text, 0);
    switch (column) {
        case Type:
            if (const auto type = variableTypeByKey(text))
                return setType(v, *type), true;
            refuse(tr("A variable is whole, decimal, yes/no, text or choice."));
            return false;
        case WrittenBy:
            if (const auto writer = writerByKey(text))
                return v.writer = *writer, true;
            refuse(tr("A variable is written by the firmware, the panel, or both."));
            return false;
        case Elements:
            if (const auto count = text.empty() ? std::optional(1) : whole;
                count && *count >= 1 && *count <= kMaxElements)
                return v.count = *count, true;
            refuse(tr("An array has 2 to %1 elements; empty for a single value.").arg(kMaxElements));
            return false;
        case Unit: v.unit = cutText(text, 40); return true;
        case Note: v.note = text; return true;
        case Digits:
            if (v.type == VariableType::Decimal && whole && *whole >= 0 && *whole <= 6)
                return setDecimals(v, *whole), true;
            if (v.type == VariableType::Text && whole && *whole >= 1 && *whole <= 200)
                return v.length = *whole, v.startText = cutText(v.startText, static_cast<size_t>(v.length)), true;
            refuse(v.type == VariableType::Text ? tr("A text holds 1 to 200 bytes.")
                                                : tr("A decimal has 0 to 6 digits behind the point."));
            return false;
        case Start:
            if (v.type == VariableType::Text)
                return v.startText = cutText(text, static_cast<size_t>(v.length)), true;
            if (const auto start = v.isNumeric() ? std::nullopt : valueFromWords(v, text))
                return v.start = *start, true;
            if (v.type == VariableType::Choice) {
                refuse(tr("It is one of %1.").arg(QString::fromStdString(choicesInWords(v.choices))));
                return false;
            }
            if (!v.isNumeric())
                return v.start = 0, true;
            [[fallthrough]];
        default: break;
    }
    if (!number) {
        refuse(tr("\"%1\" is not a number that fits.").arg(given));
        return false;
    }
    if (column == Min)
        v.min = *number;
    if (column == Max)
        v.max = *number;
    if (v.min > v.max || (column == Start && (*number < v.min || *number > v.max))) {
        refuse(tr("The minimum must not exceed the maximum, and the start value must lie between them."));
        return false;
    }
    v.start = column == Start ? *number : std::clamp(v.start, v.min, v.max);
    return true;
}

bool VariablesModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (!index.isValid())
        return false;
    Variable v = variable(index.row());
    const QString title = headerData(index.column(), Qt::Horizontal, Qt::DisplayRole).toString().toLower();
    if (role == Qt::CheckStateRole && index.column() == Kept) {
        v.kept = value.toInt() == Qt::Checked;
        session_.edit(withVariable(session_.document(), v), tr("Change kept"));
        return true;
    }
    if (role == Qt::CheckStateRole && index.column() == Interrupt && v.mayBeLatched()) {
        v.fromInterrupt = value.toInt() == Qt::Checked;
        session_.edit(withVariable(session_.document(), v), tr("Change interrupt"));
        return true;
    }
    if (role != Qt::EditRole || value.toString() == text(v, index.column()))
        return false;
    if (index.column() == Name)
        return session_.edit(renameVariable(session_.document(), v.name, value.toString().trimmed().toStdString()),
                             tr("Rename variable"));
    if (index.column() == Names)
        return session_.edit(
            withChoices(session_.document(), v.name, listFromText(value.toString().trimmed().toStdString())),
            tr("Change the names of %1").arg(QString::fromStdString(v.name)));
    if (index.column() == Now) {
        if (const auto set = session_.runner().setValue(v.name, value.toString().trimmed().toStdString()); !set)
            refuse(QString::fromStdString(set.error().text()));
        return true;
    }
    if (!change(v, index.column(), value.toString()))
        return false;
    session_.edit(withVariable(session_.document(), v),
                  tr("Change %1 of %2").arg(title, QString::fromStdString(v.name)));
    return true;
}

int VariablesModel::widthOf(int column) { return columns[static_cast<size_t>(column)].width; }

int VariablesModel::add() {
    Variable v;
    v.name = uniqueName("value", [&](std::string_view name) {
        return isTaken(session_.document(), name) || isTakenInRules(session_.document(), name);
    });
    v.min = 0;
    v.max = 100;
    v.writer = Writer::Both;
    session_.edit(withVariable(session_.document(), v), tr("Add variable"));
    return rowCount() - 1;
}

void VariablesModel::remove(const QList<int>& rows) {
    Document next = session_.document();
    for (const int row : rows)
        next = removeVariable(next, variable(row).name);
    if (!rows.isEmpty())
        session_.edit(next, tr("Delete variable"));
}

}  // namespace gorsefinch::app
