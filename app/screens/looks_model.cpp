// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/looks_model.h"

#include "app/screens/named_choices.h"
#include "app/session/session.h"
#include "app/widgets/frame_picture.h"
#include "core/sim/draw_screen.h"

namespace gorsefinch::app {

namespace {

constexpr int kLargestText = 22;     // px
constexpr int kSampleEdge = 5;       // px around the box of a sample
constexpr size_t kPerPicture = 100;  // samples of one drawing

uint8_t bitsOf(const std::string& state) {
    for (const LookState& each : lookStates())
        if (state == each.key)
            return each.bits;
    return 0;
}

// A button a look, one below the other. A look whose state is to be seen sets it for all states.
Document sampleDocument(const Document& project, size_t set, std::span<const Look> looks, const std::string& state) {
    Document from = project;
    from.named = std::make_shared<const NamedValues>(valuesIn(*project.named, set));
    Document sample;
    sample.name = "sample";
    Panel panel = *from.panel;
    panel.width = kLookSample.width();
    panel.height = kLookSample.height() * static_cast<int>(looks.size());
    panel.round = false;
    panel.touch = true;
    sample.panel = std::make_shared<const Panel>(panel);
    sample.faces = from.faces;
    sample.named = from.named;
    auto all = std::make_shared<std::vector<Look>>(*from.looks);
    if (bitsOf(state) != 0)
        for (Look& each : *all)
            for (const PropertyInfo& property : styleProperties())
                each.style[property.key] =
                    lookValue(from, lookAndBases(from, from.look(each.name)), state, property.key);
    sample.looks = std::move(all);
    Screen screen;
    screen.name = "sample";
    screen.background = backgroundOf(from, *from.screens.front());
    for (size_t i = 0; i < looks.size(); ++i) {
        Widget button;
        button.name = "sample_" + std::to_string(i);
        button.kind = Kind::Button;
        button.look = looks[i].name;
        button.properties["text"] = std::string("Aa 42");
        // Larger texts would not fit.
        const auto size =
            std::get<int64_t>(lookValue(from, lookAndBases(from, from.look(looks[i].name)), state, "size"));
        button.properties["size"] = std::min<int64_t>(size, kLargestText);
        setBox(button, kSampleEdge, static_cast<int>(i) * kLookSample.height() + kSampleEdge,
               kLookSample.width() - 2 * kSampleEdge, kLookSample.height() - 2 * kSampleEdge);
        screen.widgets.push_back(std::make_shared<const Widget>(std::move(button)));
    }
    sample.screens = {std::make_shared<const Screen>(std::move(screen))};
    return sample;
}

}  // namespace

LooksModel::LooksModel(Session& session, QObject* parent) : QAbstractListModel(parent), session_(session) {
    connect(&session, &Session::changed, this, [this](const Change& change) {
        if (change.opened || change.looks || change.screens || change.panel || change.assets)
            reload();
    });
    connect(&session.runner(), &TwinRunner::setShown, this, [this] {
        if (session_.isOpen())
            reload();
    });
    reload();
}

int LooksModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() || !looks_ ? 0 : static_cast<int>(looks_->size());
}

void LooksModel::reload() {
    if (!session_.isOpen())
        return;
    const auto names = [](const Shared<std::vector<Look>>& looks) {
        std::vector<std::string> out;
        for (const Look& each : *looks)
            out.push_back(each.name);
        return out;
    };
    const auto now = session_.document().looks;
    const bool same = looks_ && names(looks_) == names(now);
    if (!same)
        beginResetModel();
    looks_ = now;
    isStale_ = areUsesStale_ = true;
    if (!same)
        endResetModel();
    else if (rowCount() > 0)
        Q_EMIT dataChanged(index(0), index(rowCount() - 1));
}

const QVector<QImage>& LooksModel::samples() const {
    if (!std::exchange(isStale_, false))
        return samples_;
    samples_.clear();
    for (size_t from = 0; from < looks_->size(); from += kPerPicture) {
        const std::span<const Look> part =
            std::span(*looks_).subspan(from, std::min(kPerPicture, looks_->size() - from));
        const QImage all = toImage(
            drawScreen(*builder_.build(sampleDocument(session_.document(), shownSet(session_), part, state_)), 0));
        for (size_t i = 0; i < part.size(); ++i)
            samples_.append(all.copy(QRect(QPoint(0, static_cast<int>(i) * kLookSample.height()), kLookSample)));
    }
    return samples_;
}

void LooksModel::setState(const std::string& state) {
    if (state == state_)
        return;
    state_ = state;
    reload();
}

QString LooksModel::nameAt(int row) const {
    return row >= 0 && row < rowCount() ? QString::fromStdString((*looks_)[static_cast<size_t>(row)].name) : QString();
}

int LooksModel::rowOf(const QString& name) const {
    for (int row = 0; row < rowCount(); ++row)
        if (nameAt(row) == name)
            return row;
    return -1;
}

QVariant LooksModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid() || index.row() >= rowCount())
        return {};
    const Look& look = (*looks_)[static_cast<size_t>(index.row())];
    const auto usesOf = [&] {
        if (std::exchange(areUsesStale_, false))
            uses_ = lookUses(session_.document());
        const auto found = uses_.find(look.name);
        return found == uses_.end() ? 0 : found->second;
    };
    switch (role) {
        case Qt::DisplayRole:
        case Qt::EditRole: return QString::fromStdString(look.name);
        case SampleRole: return samples().value(index.row());
        case UsesRole: return usesOf();
        case BaseRole: return QString::fromStdString(look.basedOn);
        case Qt::ToolTipRole:
            return usesOf() == 0 ? tr("No widget has it. A double click gives it to what is selected.")
                                 : tr("%1 widgets have it. A double click gives it to what is selected.").arg(usesOf());
        default: return {};
    }
}

bool LooksModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    const std::string from = nameAt(index.row()).toStdString(), to = value.toString().trimmed().toStdString();
    if (role != Qt::EditRole || from == to ||
        !session_.edit(renameLook(session_.document(), from, to), tr("Rename %1").arg(nameAt(index.row()))))
        return false;
    Q_EMIT renamed(QString::fromStdString(to));
    return true;
}

Qt::ItemFlags LooksModel::flags(const QModelIndex& index) const {
    return index.isValid() ? Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsEditable : Qt::NoItemFlags;
}

}  // namespace gorsefinch::app
