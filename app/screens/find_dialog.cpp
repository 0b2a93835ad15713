// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/find_dialog.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QListView>
#include <QPainter>
#include <QPushButton>
#include <QStyledItemDelegate>
#include <QVBoxLayout>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/counted.h"
#include "core/document/document.h"

namespace gorsefinch::app {

namespace {

constexpr int kFoundRow = 38, kFoundSide = 10;

QString wordFor(FindIn in) {
    switch (in) {
        case FindIn::Anything: return FindDialog::tr("anything");
        case FindIn::Name: return FindDialog::tr("name");
        case FindIn::Text: return FindDialog::tr("text");
        case FindIn::Kind: return FindDialog::tr("kind");
        case FindIn::Look: return FindDialog::tr("look");
        case FindIn::Font: return FindDialog::tr("font");
        case FindIn::Image: return FindDialog::tr("image");
        case FindIn::Variable: return FindDialog::tr("variable");
    }
    return {};
}

// The widget, and below it in what it was found.
class FoundDelegate : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;

    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {200, kFoundRow}; }

    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const QRect inside = option.rect.adjusted(kFoundSide, 3, -kFoundSide, -3);
        if (option.state & QStyle::State_Selected)
            painter->fillRect(option.rect, Theme::colour(Role::AccentSoft));
        painter->setFont(Theme::text());
        painter->setPen(Theme::colour(Role::Text));
        painter->drawText(inside, Qt::AlignTop | Qt::AlignLeft, index.data(FoundModel::PlaceRole).toString());
        painter->setFont(Theme::figures());
        painter->setPen(Theme::colour(Role::QuietText));
        painter->drawText(inside, Qt::AlignBottom | Qt::AlignLeft,
                          painter->fontMetrics().elidedText(index.data(FoundModel::WordsRole).toString(),
                                                            Qt::ElideRight, inside.width()));
    }
};

}  // namespace

void FoundModel::setFound(std::vector<Found> found) {
    if (found == found_)
        return;
    beginResetModel();
    found_ = std::move(found);
    endResetModel();
}

int FoundModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(found_.size());
}

QVariant FoundModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid())
        return {};
    const Found& found = found_[static_cast<size_t>(index.row())];
    const QString place =
        QString("%1 \u203a %2").arg(QString::fromStdString(found.screen), QString::fromStdString(found.widget));
    const QString words =
        QString("%1: %2").arg(wordFor(found.in), QString::fromStdString(found.words).replace('\n', ' '));
    switch (role) {
        case Qt::DisplayRole: return QString("%1, %2").arg(place, words);
        case PlaceRole: return place;
        case WordsRole: return words;
        default: return {};
    }
}

FindDialog::FindDialog(Session& session, QWidget* parent)
    : QDialog(parent, Qt::Tool),
      session_(session),
      text_(new QLineEdit(this)),
      in_(new QComboBox(this)),
      model_(new FoundModel(this)),
      list_(new QListView(this)),
      count_(new QLabel(this)),
      replacing_(new QWidget(this)),
      by_(new QLineEdit(replacing_)),
      look_(new QComboBox(replacing_)),
      replace_(new QPushButton(tr("Replace all"), replacing_)) {
    setObjectName("find_dialog");
    setWindowTitle(tr("Find on all screens"));
    resize(400, 460);
    auto* column = new QVBoxLayout(this);
    auto* row = new QHBoxLayout;
    text_->setObjectName("find_text");
    text_->setPlaceholderText(tr("type to find widgets"));
    text_->setClearButtonEnabled(true);
    text_->installEventFilter(this);
    in_->setObjectName("find_in");
    for (int i = 0; i <= static_cast<int>(FindIn::Variable); ++i)
        in_->addItem(wordFor(static_cast<FindIn>(i)));
    in_->setToolTip(tr("What of the widgets is looked through"));
    row->addWidget(text_, 1);
    row->addWidget(in_);
    column->addLayout(row);
    list_->setObjectName("found");
    list_->setModel(model_);
    list_->setItemDelegate(new FoundDelegate(list_));
    list_->setUniformItemSizes(true);
    column->addWidget(list_, 1);
    count_->setObjectName("found_count");
    count_->setProperty("quiet", true);
    column->addWidget(count_);
    auto* replaceRow = new QHBoxLayout(replacing_);
    replaceRow->setContentsMargins(0, 0, 0, 0);
    by_->setObjectName("replace_by");
    by_->setPlaceholderText(tr("by these words"));
    look_->setObjectName("replace_look");
    replace_->setObjectName("replace_all");
    replace_->setAutoDefault(false);
    replaceRow->addWidget(by_, 1);
    replaceRow->addWidget(look_, 1);
    replaceRow->addWidget(replace_);
    column->addWidget(replacing_);
    connect(text_, &QLineEdit::textChanged, this, &FindDialog::refresh);
    connect(in_, &QComboBox::currentIndexChanged, this, [this] {
        showReplacing();
        refresh();
    });
    connect(list_->selectionModel(), &QItemSelectionModel::currentChanged, this,
            [this](const QModelIndex& now) { leadTo(now); });
    connect(list_, &QListView::activated, this, &FindDialog::leadTo);
    connect(replace_, &QPushButton::clicked, this, &FindDialog::replace);
    connect(&session, &Session::changed, this, [this] {
        if (isVisible())
            refresh();
    });
    showReplacing();
}

FindIn FindDialog::in() const { return static_cast<FindIn>(in_->currentIndex()); }

// First over the lists at the left, so that most of the canvas stays in sight.
void FindDialog::begin() {
    if (!isVisible() && !placed_ && parentWidget())
        move(parentWidget()->mapToGlobal(QPoint(8, 8)));
    placed_ = true;
    show();
    raise();
    activateWindow();
    text_->setFocus();
    text_->selectAll();
    refresh();
}

// Up and Down go through what is found while it is typed.
bool FindDialog::eventFilter(QObject* watched, QEvent* event) {
    if (event->type() != QEvent::KeyPress)
        return QDialog::eventFilter(watched, event);
    const int key = static_cast<QKeyEvent*>(event)->key();
    const int row = list_->currentIndex().row();
    if (key == Qt::Key_Down || key == Qt::Key_Up) {
        const int next = std::clamp(row + (key == Qt::Key_Down ? 1 : -1), 0, model_->rowCount() - 1);
        list_->setCurrentIndex(model_->index(next, 0));
        return true;
    }
    if (key == Qt::Key_Return || key == Qt::Key_Enter) {
        if (row < 0)
            list_->setCurrentIndex(model_->index(0, 0));
        else
            leadTo(list_->currentIndex());
        return true;
    }
    return QDialog::eventFilter(watched, event);
}

void FindDialog::refresh() {
    if (!session_.isOpen())
        return;
    model_->setFound(findWidgets(session_.document(), text_->text().toStdString(), in()));
    const auto found = static_cast<qsizetype>(model_->found().size());
    count_->setText(text_->text().isEmpty()
                        ? tr("Names, texts, kinds, looks, fonts, images and variables of all screens")
                    : found == 0 ? tr("Nothing has it.")
                                 : counted(found, tr("widget"), tr("widgets")));
    replace_->setEnabled(found > 0);
}

void FindDialog::showReplacing() {
    replacing_->setVisible(in() == FindIn::Text || in() == FindIn::Look);
    by_->setVisible(in() == FindIn::Text);
    look_->setVisible(in() == FindIn::Look);
    look_->clear();
    look_->addItem(tr("no look"), QString());
    if (session_.isOpen())
        for (const Look& each : *session_.document().looks)
            look_->addItem(QString::fromStdString(each.name), QString::fromStdString(each.name));
}

void FindDialog::leadTo(const QModelIndex& index) {
    if (!index.isValid())
        return;
    const Found found = model_->found()[static_cast<size_t>(index.row())];
    session_.selection().showScreen(QString::fromStdString(found.screen));
    session_.selection().select({found.widget});
}

void FindDialog::replace() {
    const std::vector<Found> found = model_->found();
    const auto widgets = counted(static_cast<qsizetype>(found.size()), tr("widget"), tr("widgets"));
    if (in() == FindIn::Look) {
        session_.edit(replaceLook(session_.document(), found, look_->currentData().toString().toStdString()),
                      tr("Give %1 another look").arg(widgets));
        return;
    }
    size_t tooLong = 0;
    session_.edit(
        replaceText(session_.document(), found, text_->text().toStdString(), by_->text().toStdString(), &tooLong),
        tr("Replace words in %1").arg(widgets));
    if (tooLong > 0)
        session_.showError(tr("%1 would be longer than %2 bytes, and stayed.")
                               .arg(counted(static_cast<qsizetype>(tooLong), tr("text"), tr("texts")))
                               .arg(kMaxTextBytes));
}

}  // namespace gorsefinch::app
