// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/looks_pane.h"

#include <QHBoxLayout>
#include <QListView>
#include <QPainter>
#include <QScrollArea>
#include <QShortcut>
#include <QSplitter>
#include <QStackedWidget>
#include <QStyledItemDelegate>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/screens/look_form.h"
#include "app/screens/looks_model.h"
#include "app/screens/named_pane.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/fields.h"
#include "app/widgets/from_std.h"
#include "app/widgets/head_button.h"

namespace gorsefinch::app {

namespace {

constexpr int kLookSide = 10, kLookRow = 44;

class LookDelegate : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;

    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {200, kLookRow}; }

    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const QRect r = option.rect;
        if (option.state & QStyle::State_Selected)
            painter->fillRect(r, Theme::colour(Role::AccentSoft));
        const QPoint at(r.left() + kLookSide, r.top() + (kLookRow - kLookSample.height()) / 2);
        painter->drawImage(at, index.data(LooksModel::SampleRole).value<QImage>());
        painter->setPen(Theme::colour(Role::StrongLine));
        painter->drawRect(QRect(at - QPoint(1, 1), kLookSample + QSize(1, 1)));
        const int uses = index.data(LooksModel::UsesRole).toInt();
        const QString base = index.data(LooksModel::BaseRole).toString();
        const QRect words(at.x() + kLookSample.width() + 10, r.top() + 4, 0, kLookRow - 8);
        const QRect room(words.left(), words.top(), r.right() - kLookSide - words.left(), words.height());
        painter->setFont(Theme::text());
        painter->setPen(Theme::colour(uses > 0 ? Role::Text : Role::QuietText));
        painter->drawText(room, Qt::AlignTop | Qt::AlignLeft,
                          painter->fontMetrics().elidedText(index.data().toString(), Qt::ElideMiddle, room.width()));
        painter->setFont(Theme::figures());
        painter->setPen(Theme::colour(Role::QuietText));
        const QString below = uses == 0 ? LooksPane::tr("unused") : QString::number(uses);
        painter->drawText(
            room, Qt::AlignBottom | Qt::AlignLeft,
            painter->fontMetrics().elidedText(base.isEmpty() ? below : LooksPane::tr("%1, on %2").arg(below, base),
                                              Qt::ElideRight, room.width()));
    }

    void updateEditorGeometry(QWidget* editor, const QStyleOptionViewItem& option, const QModelIndex&) const override {
        editor->setGeometry(
            option.rect.adjusted(kLookSide + kLookSample.width() + 4, 2, -kLookSide, -kLookRow / 2 + 4));
    }
};

}  // namespace

LooksPane::LooksPane(Session& session, QWidget* parent)
    : QWidget(parent),
      session_(session),
      model_(new LooksModel(session, this)),
      list_(new QListView(this)),
      form_(new LookForm(session, this)) {
    setObjectName("looks_pane");
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(0, 0, 0, 0);
    whole->setSpacing(0);
    auto* pages = new QStackedWidget(this);
    whole->addWidget(makePageChoice(*pages));
    whole->addWidget(pages, 1);
    auto* looks = new QWidget(pages);
    auto* column = new QVBoxLayout(looks);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    column->addWidget(makeHead());
    pages->addWidget(looks);
    pages->addWidget(new NamedPane(session, pages));
    auto* parts = new QSplitter(Qt::Vertical, this);
    parts->setHandleWidth(1);
    parts->setChildrenCollapsible(false);
    list_->setObjectName("looks");
    list_->setAccessibleName(tr("Looks"));
    list_->setFrameShape(QFrame::NoFrame);
    list_->setModel(model_);
    list_->setItemDelegate(new LookDelegate(list_));
    list_->setEditTriggers(QAbstractItemView::EditKeyPressed);
    auto* area = new QScrollArea(parts);
    area->setFrameShape(QFrame::NoFrame);
    area->setWidgetResizable(true);
    area->setWidget(form_);
    parts->addWidget(list_);
    parts->addWidget(area);
    parts->setStretchFactor(0, 1);
    parts->setSizes({300, 330});
    column->addWidget(parts, 1);
    connect(list_->selectionModel(), &QItemSelectionModel::currentChanged, this, [this](const QModelIndex& now) {
        if (now.isValid())
            chosen_ = model_->nameAt(now.row());
        form_->setLook(model_->nameAt(now.row()));
        updateButtons();
    });
    connect(model_, &LooksModel::renamed, this, &LooksPane::choose);
    connect(model_, &QAbstractItemModel::modelReset, this, [this] {
        choose(chosen_);
        form_->setLook(chosen());
        updateButtons();
    });
    connect(list_, &QListView::doubleClicked, this, &LooksPane::giveToSelection);
    connect(form_, &LookForm::stateChosen, model_, &LooksModel::setState);
    connect(&session.selection(), &Selection::changed, this, [this] {
        if (isVisible())
            followSelection();
        updateButtons();
    });
    auto* drop = new QShortcut(QKeySequence::Delete, list_);
    drop->setContext(Qt::WidgetShortcut);
    connect(drop, &QShortcut::activated, this, &LooksPane::remove);
    updateButtons();
}

QWidget* LooksPane::makePageChoice(QStackedWidget& pages) {
    auto* head = new QWidget(this);
    auto* row = new QHBoxLayout(head);
    row->setContentsMargins(12, 8, 8, 2);
    const QStringList names{tr("Looks"), tr("Colours, sizes")};
    auto* choice = new ChoiceField(names, head);
    choice->setObjectName("looks_page");
    choice->setChosen(names.front());
    connect(choice, &ChoiceField::chosen, &pages, [&pages, choice, names](const QString& name) {
        pages.setCurrentIndex(static_cast<int>(names.indexOf(name)));
        choice->setChosen(name);
    });
    row->addWidget(choice);
    return head;
}

QWidget* LooksPane::makeHead() {
    auto* head = new QWidget(this);
    auto* row = new QHBoxLayout(head);
    row->setContentsMargins(12, 2, 8, 2);
    row->setSpacing(2);
    row->addStretch(1);
    give_ = addHeadButton(head, "tick", "give_look", tr("Give this look to the selected widgets (double click)"),
                          [this] { giveToSelection(); });
    fromWidget_ =
        addHeadButton(head, "pick", "look_from_widget", tr("A new look of what the selected widget sets for itself"),
                      [this] { addFromWidget(); });
    remove_ = addHeadButton(head, "cross", "remove_look", tr("Delete this look (Del)"), [this] { remove(); });
    addHeadButton(head, "plus", "add_look", tr("New look"), [this] { addNew(); });
    return head;
}

QString LooksPane::chosen() const { return model_->nameAt(list_->currentIndex().row()); }

void LooksPane::choose(const QString& name) {
    if (const int row = model_->rowOf(name); row >= 0)
        list_->setCurrentIndex(model_->index(row));
}

void LooksPane::followSelection() {
    const auto selected = session_.isOpen() ? session_.selection().widgets() : std::vector<WidgetRef>{};
    if (!selected.empty() && !selected.front()->look.empty())
        choose(fromStd(selected.front()->look));
    else if (!list_->currentIndex().isValid())
        list_->setCurrentIndex(model_->index(0));
}

void LooksPane::updateButtons() {
    const auto selected = session_.isOpen() ? session_.selection().names() : Names{};
    fromWidget_->setEnabled(selected.size() == 1);
    give_->setEnabled(!selected.empty() && !chosen().isEmpty());
    remove_->setEnabled(!chosen().isEmpty());
}

void LooksPane::addNew() {
    Look look;
    look.name = "look";
    std::string name;
    const Document next = addLook(session_.document(), std::move(look), &name);
    session_.edit(next, tr("Add a look"));
    choose(fromStd(name));
    list_->edit(list_->currentIndex());
}

void LooksPane::addFromWidget() {
    std::string name;
    const Document next = lookFromWidget(session_.document(), session_.selection().screenName().toStdString(),
                                         session_.selection().names().front(), &name);
    session_.edit(next, tr("Make a look of %1").arg(fromStd(session_.selection().names().front())));
    choose(fromStd(name));
}

// Only one that no widget has: the others would lose theirs.
void LooksPane::remove() {
    const QString name = chosen();
    if (name.isEmpty())
        return;
    if (const int uses = list_->currentIndex().data(LooksModel::UsesRole).toInt(); uses > 0) {
        session_.showError(
            tr("%1 widgets have the look %2: give them another one first (Ctrl+F finds them).").arg(uses).arg(name));
        return;
    }
    session_.edit(removeLook(session_.document(), name.toStdString()), tr("Delete the look %1").arg(name));
}

void LooksPane::giveToSelection() {
    if (session_.selection().names().empty() || chosen().isEmpty())
        return;
    session_.edit(gorsefinch::setProperty(session_.document(), session_.selection().screenName().toStdString(),
                                          session_.selection().names(), "look", chosen().toStdString()),
                  tr("Give the look %1").arg(chosen()));
}

}  // namespace gorsefinch::app
