// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/named_pane.h"

#include <QColorDialog>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QInputDialog>
#include <QKeyEvent>
#include <QLabel>
#include <QMenu>
#include <QPainter>
#include <QStyledItemDelegate>
#include <QTableView>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/screens/named_choices.h"
#include "app/screens/named_model.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/colour_swatch.h"
#include "app/widgets/from_std.h"
#include "app/widgets/head_button.h"

namespace gorsefinch::app {

namespace {

constexpr int kRow = 26, kNameWidth = 92;

// A swatch and the code beside it, as far as there is room.
class NamedDelegate : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;

    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const QRect r = option.rect;
        if (option.state & QStyle::State_Selected)
            painter->fillRect(r, Theme::colour(Role::AccentSoft));
        const bool isName = index.column() == 0;
        const QVariant colour = index.data(NamedModel::ColourRole);
        QRect room = r.adjusted(8, 0, -4, 0);
        if (colour.isValid()) {
            const QPixmap swatch = colourSwatch(colour.value<Colour>(), {26, 16});
            painter->drawPixmap(r.left() + 6, r.top() + (r.height() - 16) / 2, swatch);
            room.setLeft(r.left() + 38);
        }
        painter->setFont(isName ? Theme::text() : Theme::figures(10));
        const bool used = index.siblingAtColumn(0).data(NamedModel::UsesRole).toInt() > 0;
        painter->setPen(Theme::colour(isName && used ? Role::Text : Role::QuietText));
        painter->drawText(room, Qt::AlignLeft | Qt::AlignVCenter,
                          painter->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, room.width()));
    }
};

// Marks the set that is shown.
class SetHeader : public QHeaderView {
  public:
    SetHeader(const Session& session, QWidget* parent) : QHeaderView(Qt::Horizontal, parent), session_(session) {}

  protected:
    void paintSection(QPainter* painter, const QRect& rect, int section) const override {
        painter->save();
        QHeaderView::paintSection(painter, rect, section);
        painter->restore();
        const bool several = session_.isOpen() && session_.document().named->setCount() > 1;
        if (several && section == static_cast<int>(shownSet(session_)) + 1)
            painter->fillRect(QRect(rect.left(), rect.bottom() - 2, rect.width() - 1, 3), Theme::colour(Role::Accent));
    }

  private:
    const Session& session_;
};

}  // namespace

NamedPane::NamedPane(Session& session, QWidget* parent)
    : QWidget(parent), session_(session), model_(new NamedModel(session, this)), table_(new QTableView(this)) {
    setObjectName("named_pane");
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(makeHead());
    table_->setObjectName("named_values");
    table_->setAccessibleName(tr("Colours and sizes"));
    table_->setFrameShape(QFrame::NoFrame);
    table_->setShowGrid(false);
    table_->setModel(model_);
    table_->setItemDelegate(new NamedDelegate(table_));
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(kRow);
    table_->setSelectionMode(QAbstractItemView::SingleSelection);
    table_->setEditTriggers(QAbstractItemView::AnyKeyPressed | QAbstractItemView::EditKeyPressed);
    auto* header = new SetHeader(session, table_);
    table_->setHorizontalHeader(header);
    header->setSectionsClickable(true);
    header->setHighlightSections(false);
    header->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    header->setMinimumSectionSize(44);
    header->setToolTip(tr("Click a set to show it in the twin and on the canvas; a double click renames it"));
    header->setContextMenuPolicy(Qt::CustomContextMenu);
    table_->installEventFilter(this);
    column->addWidget(table_, 1);
    hint_ = new QLabel(this);
    hint_->setWordWrap(true);
    hint_->setProperty("quiet", true);
    hint_->setContentsMargins(12, 6, 12, 10);
    column->addWidget(hint_);
    connect(header, &QHeaderView::sectionClicked, this, &NamedPane::showSet);
    connect(header, &QHeaderView::sectionDoubleClicked, this, &NamedPane::renameSet);
    connect(header, &QHeaderView::customContextMenuRequested, this, &NamedPane::showSetMenu);
    connect(table_, &QTableView::doubleClicked, this, &NamedPane::edit);
    connect(table_->selectionModel(), &QItemSelectionModel::currentChanged, this, [this](const QModelIndex& now) {
        if (now.isValid())
            chosen_ = model_->nameAt(now.row());
        refresh();
    });
    connect(model_, &NamedModel::renamed, this, &NamedPane::choose);
    connect(model_, &QAbstractItemModel::modelReset, this, [this] {
        choose(chosen_);
        refresh();
    });
    connect(&session.runner(), &TwinRunner::setShown, this, &NamedPane::refresh);
    refresh();
}

QWidget* NamedPane::makeHead() {
    auto* head = new QWidget(this);
    auto* row = new QHBoxLayout(head);
    row->setContentsMargins(12, 2, 8, 2);
    row->setSpacing(2);
    row->addStretch(1);
    use_ = addHeadButton(head, "fill", "use_named",
                         tr("Use this colour by its name wherever the project has the same colour without a name"),
                         [this] { useEverywhere(); });
    remove_ = addHeadButton(head, "cross", "remove_named", tr("Delete it: what has it keeps the value (Del)"),
                            [this] { remove(); });
    set_ = addHeadButton(head, "copies", "add_set", tr("New set of colours, such as one for the night"),
                         [this] { addSet(); });
    addHeadButton(head, "ruler", "add_named_size", tr("New size"), [this] { addSize(); });
    addHeadButton(head, "plus", "add_named_colour", tr("New colour"), [this] { addColour(); });
    return head;
}

void NamedPane::choose(const QString& name) {
    // Of sizes only the first set has a cell.
    const int row = model_->rowOf(name), column = std::max(0, table_->currentIndex().column());
    if (row >= 0)
        table_->setCurrentIndex(model_->index(row, model_->isColour(row) ? column : std::min(column, 1)));
}

void NamedPane::refresh() {
    if (!session_.isOpen())
        return;
    const QModelIndex now = table_->currentIndex();
    remove_->setEnabled(now.isValid());
    use_->setEnabled(now.isValid() && model_->isColour(now.row()));
    set_->setEnabled(session_.document().named->setCount() < kMaxColourSets);
    QHeaderView* header = table_->horizontalHeader();
    for (int i = 0; i < header->count(); ++i)
        header->setSectionResizeMode(i, i == 0 ? QHeaderView::Fixed : QHeaderView::Stretch);
    if (header->count() > 0)
        header->resizeSection(0, kNameWidth);
    header->viewport()->update();
    const std::vector<std::string>& sets = session_.document().named->sets;
    hint_->setText(tr("Looks, widgets, screens and rules use these by their names, so one change restyles all. With "
                      "several sets, the variable theme says which is shown: theme = %1.")
                       .arg(sets.empty() ? "dark" : fromStd(sets.back())));
}

void NamedPane::editName(const QString& name) {
    const QModelIndex index = model_->index(model_->rowOf(name), 0);
    table_->setFocus();
    table_->setCurrentIndex(index);
    table_->edit(index);
}

void NamedPane::addColour() {
    std::string name;
    const Document next = addNamedColour(session_.document(), "colour", opaque(0x808080), &name);
    if (!session_.edit(Result<Document>(next), tr("Add a colour")))
        return;
    editName(fromStd(name));
}

void NamedPane::addSize() {
    std::string name;
    const Document next = addNamedSize(session_.document(), "size", 8, &name);
    if (!session_.edit(Result<Document>(next), tr("Add a size")))
        return;
    editName(fromStd(name));
}

void NamedPane::addSet() {
    const std::string name = nextSetName(*session_.document().named);
    session_.edit(addColourSet(session_.document(), name), tr("Add the set %1").arg(fromStd(name)));
}

void NamedPane::remove() {
    const QString name = model_->nameAt(table_->currentIndex().row());
    if (!name.isEmpty())
        session_.edit(removeNamedValue(session_.document(), name.toStdString()), tr("Delete %1").arg(name));
}

void NamedPane::useEverywhere() {
    const QModelIndex now = table_->currentIndex();
    const QString name = model_->nameAt(now.row());
    if (name.isEmpty() || !model_->isColour(now.row()))
        return;
    const Colour colour = session_.document().named->colour(name.toStdString())->inSets.front();
    const int before = model_->index(now.row(), 0).data(NamedModel::UsesRole).toInt();
    session_.edit(useNamedColour(session_.document(), name.toStdString(), colour),
                  tr("Use the colour %1 by its name").arg(name));
    const int more = model_->index(model_->rowOf(name), 0).data(NamedModel::UsesRole).toInt() - before;
    session_.showDone(tr("%1 more places have the colour %2 by its name.").arg(more).arg(name));
}

void NamedPane::showSet(int column) {
    const NamedValues& named = *session_.document().named;
    if (column < 1 || named.setCount() < 2)
        return;
    (void)session_.runner().setValue(std::string(kThemeName), named.sets[static_cast<size_t>(column) - 1]);
    refresh();
}

void NamedPane::renameSet(int column) {
    const NamedValues& named = *session_.document().named;
    if (column < 1 || named.setCount() < 2)
        return;
    const auto set = static_cast<size_t>(column) - 1;
    bool isGiven = false;
    const QString name = QInputDialog::getText(this, tr("Rename the set"), tr("Name"), QLineEdit::Normal,
                                               fromStd(named.sets[set]), &isGiven);
    if (isGiven)
        session_.edit(renameColourSet(session_.document(), set, name.trimmed().toStdString()),
                      tr("Rename the set %1").arg(fromStd(named.sets[set])));
}

void NamedPane::showSetMenu(const QPoint& at) {
    const int column = table_->horizontalHeader()->logicalIndexAt(at);
    const NamedValues& named = *session_.document().named;
    if (column < 1 || named.setCount() < 2)
        return;
    const auto set = static_cast<size_t>(column) - 1;
    QMenu menu(this);
    menu.addAction(tr("Show it"), this, [this, column] { showSet(column); });
    menu.addAction(tr("Rename\u2026"), this, [this, column] { renameSet(column); });
    menu.addAction(tr("Delete"), this, [this, set] {
        session_.edit(removeColourSet(session_.document(), set),
                      tr("Delete the set %1").arg(fromStd(session_.document().named->sets[set])));
    });
    menu.exec(table_->horizontalHeader()->mapToGlobal(at));
}

void NamedPane::edit(const QModelIndex& index) {
    if (index.data(NamedModel::ColourRole).isValid())
        chooseColour(index);
    else
        table_->edit(index);
}

void NamedPane::chooseColour(const QModelIndex& index) {
    const QPersistentModelIndex at(index);
    const auto before = index.data(NamedModel::ColourRole).value<Colour>();
    QColorDialog dialog(QColor::fromRgba(before.argb), this);
    dialog.setOption(QColorDialog::ShowAlphaChannel);
    dialog.setOption(QColorDialog::DontUseNativeDialog);
    connect(&dialog, &QColorDialog::currentColorChanged, this, [this, &at](const QColor& c) {
        if (at.isValid())
            model_->setColour(at, Colour{c.rgba()}, true);
    });
    const bool taken = dialog.exec() == QDialog::Accepted;
    if (at.isValid())
        model_->setColour(at, taken ? Colour{dialog.currentColor().rgba()} : before, true);
    session_.endGesture();
}

// Enter on a colour opens the chooser; on others it edits.
bool NamedPane::eventFilter(QObject* watched, QEvent* event) {
    // Keys that an editor in it leaves over are none of the table's.
    if (watched != table_ || event->type() != QEvent::KeyPress || !table_->hasFocus())
        return QWidget::eventFilter(watched, event);
    const int key = static_cast<QKeyEvent*>(event)->key();
    const QModelIndex now = table_->currentIndex();
    if ((key == Qt::Key_Return || key == Qt::Key_Enter) && now.isValid()) {
        edit(now);
        return true;
    }
    if (key == Qt::Key_Delete) {
        remove();
        return true;
    }
    return QWidget::eventFilter(watched, event);
}

}  // namespace gorsefinch::app
