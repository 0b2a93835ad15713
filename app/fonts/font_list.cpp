// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fonts/font_list.h"

#include <QKeyEvent>
#include <QLabel>
#include <QListView>
#include <QPainter>
#include <QPushButton>
#include <QStackedWidget>
#include <QStyledItemDelegate>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/fonts/font_editor.h"
#include "app/fonts/fonts_model.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/elided_label.h"
#include "app/widgets/counted.h"
#include "app/widgets/heading.h"

namespace gorsefinch::app {

namespace {

// A face as a heading; a size with some of its glyphs, indented under it.
class FontDelegate : public QStyledItemDelegate {
  public:
    using QStyledItemDelegate::QStyledItemDelegate;

    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex& index) const override {
        return {200, isFace(index) ? 42 : 46};
    }

    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const QRect r = option.rect;
        if (option.state & QStyle::State_Selected)
            painter->fillRect(r, Theme::colour(Role::AccentSoft));
        if (option.state & QStyle::State_HasFocus)
            painter->fillRect(QRect(r.left(), r.top(), 3, r.height()), Theme::colour(Role::Accent));
        const bool face = isFace(index);
        if (face && index.row() > 0)
            painter->fillRect(QRect(r.left() + 12, r.top(), r.width() - 24, 1), Theme::colour(Role::Line));
        const bool used = index.data(FontsModel::Used).toBool();
        const QString error = index.data(FontsModel::Error).toString();
        const QRect words = r.adjusted(face ? 12 : 82, face ? 6 : 8, -12, 0);
        const qint64 bytes = index.data(FontsModel::Bytes).toLongLong();
        int room = 0;
        if (used) {
            painter->setFont(Theme::figures());
            painter->setPen(Theme::colour(Role::Text));
            painter->drawText(words, Qt::AlignRight | Qt::AlignTop, bytesText(bytes));
            room = painter->fontMetrics().horizontalAdvance(bytesText(bytes)) + 8;
        }
        if (!face)
            painter->drawPixmap(r.left() + 20, r.top() + 6, index.data(Qt::DecorationRole).value<QPixmap>());
        painter->setFont(Theme::text(12, face));
        painter->setPen(Theme::colour(Role::Text));
        painter->drawText(
            words, Qt::AlignLeft | Qt::AlignTop,
            painter->fontMetrics().elidedText(index.data().toString(), Qt::ElideMiddle, words.width() - room));
        painter->setFont(face ? Theme::text() : Theme::figures());
        painter->setPen(Theme::colour(error.isEmpty() ? Role::QuietText : Role::Error));
        const QString detail = index.data(FontsModel::Detail).toString();
        const QString second = error.isEmpty() ? detail : detail.isEmpty() ? error : detail + " · " + error;
        painter->drawText(words.adjusted(0, 17, 0, 0), Qt::AlignLeft | Qt::AlignTop,
                          painter->fontMetrics().elidedText(second, Qt::ElideRight, words.width()));
    }

    void updateEditorGeometry(QWidget* editor, const QStyleOptionViewItem& option, const QModelIndex&) const override {
        editor->setGeometry(option.rect.adjusted(8, 2, -12, -14));
    }

  private:
    static bool isFace(const QModelIndex& index) { return index.data(FontsModel::Size).toInt() == 0; }
};

QWidget* emptyPage(QWidget* parent, const std::function<void(QWidget*)>& importOne) {
    auto* page = new QWidget(parent);
    auto* column = new QVBoxLayout(page);
    column->setContentsMargins(16, 16, 16, 16);
    column->setSpacing(10);
    auto* words = new QLabel(FontList::tr("No faces yet.\n\nA face is a font file. Its sizes come into being when "
                                          "looks and widgets need them, and hold just the glyphs that are needed."),
                             page);
    words->setWordWrap(true);
    words->setProperty("quiet", true);
    auto* button = new QPushButton(FontList::tr("Import a face…"), page);
    button->setObjectName("import_first_face");
    QObject::connect(button, &QPushButton::clicked, page, [button, importOne] { importOne(button); });
    column->addWidget(words);
    column->addWidget(button);
    column->addStretch(1);
    return page;
}

}  // namespace

FontList::FontList(Session& session, FontEditor& editor, QWidget* parent)
    : QWidget(parent),
      session_(session),
      editor_(editor),
      model_(new FontsModel(session, this)),
      list_(new QListView(this)),
      pages_(new QStackedWidget(this)) {
    setFixedWidth(252);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    count_ = new ElidedLabel(this);
    auto* heading = headingRow(tr("Faces and sizes"), count_);
    heading->setContentsMargins(12, 10, 12, 8);
    column->addLayout(heading);
    list_->setObjectName("fonts");
    list_->setModel(model_);
    list_->setItemDelegate(new FontDelegate(list_));
    list_->setEditTriggers(QAbstractItemView::EditKeyPressed);
    list_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list_->setContextMenuPolicy(Qt::CustomContextMenu);
    list_->installEventFilter(this);
    pages_->addWidget(list_);
    const auto importOne = [this](QWidget* under) {
        Q_EMIT importRequested(under->mapToGlobal(QPoint(0, under->height())));
    };
    pages_->addWidget(emptyPage(pages_, importOne));
    column->addWidget(pages_, 1);
    totals_ = new QLabel(this);
    totals_->setFont(Theme::figures());
    totals_->setProperty("quiet", true);
    totals_->setContentsMargins(12, 6, 12, 2);
    column->addWidget(totals_);
    auto* buttons = new QHBoxLayout;
    buttons->setContentsMargins(12, 6, 12, 10);
    buttons->setSpacing(6);
    const auto add = [&](const QString& words, const QString& name, const QString& help) {
        auto* button = new QToolButton(this);
        button->setObjectName(name);
        button->setText(words);
        button->setIcon(Theme::icon("plus"));
        button->setToolButtonStyle(Qt::ToolButtonTextBesideIcon);
        button->setToolTip(help);
        buttons->addWidget(button);
        return button;
    };
    auto* face = add(tr("Face"), "import_face", tr("Import a face: from a file, or one that is installed (Ctrl+I)"));
    size_ =
        add(tr("Size"), "add_size", tr("Make a size of this face by hand; others are added when something needs them"));
    buttons->addStretch(1);
    column->addLayout(buttons);
    connect(face, &QToolButton::clicked, this, [importOne, face] { importOne(face); });
    connect(size_, &QToolButton::clicked, this, &FontList::sizeRequested);
    connect(list_->selectionModel(), &QItemSelectionModel::currentChanged, this, [this](const QModelIndex& now) {
        if (now.isValid())
            editor_.setCurrent(model_->keyAt(now.row()));
    });
    connect(list_, &QWidget::customContextMenuRequested, this,
            [this](const QPoint& at) { Q_EMIT menuRequested(list_->viewport()->mapToGlobal(at)); });
    connect(model_, &FontsModel::totalsChanged, this, &FontList::showTotals);
    connect(model_, &QAbstractItemModel::modelReset, this, &FontList::follow);
    connect(&editor_, &FontEditor::currentChanged, this, &FontList::follow);
    setFocusProxy(list_);
}

// After a reset the desk's font is chosen again; without one, the first size.
void FontList::follow() {
    if (!session_.isOpen())
        return;
    int row = model_->rowOf(editor_.current());
    if (row < 0)
        row = std::min(model_->rowOf({editor_.current().face, 0}), model_->rowCount() - 1);
    if (row < 0)
        row = std::min(1, model_->rowCount() - 1);
    // The editor may be notified of a change before the list is.
    if (row < 0 || !session_.document().face(model_->keyAt(row).face))
        return;
    if (row != list_->currentIndex().row())
        list_->setCurrentIndex(model_->index(row));
    if (!(editor_.current() == model_->keyAt(row)))
        editor_.setCurrent(model_->keyAt(row));
}

void FontList::showTotals() {
    const auto faces = static_cast<qsizetype>(session_.document().faces->size());
    count_->setText(QString("%1 · %2").arg(faces).arg(bytesText(model_->usedBytes())));
    totals_->setText(tr("%1 in the code").arg(counted(model_->usedSizes(), tr("size"), tr("sizes"))));
    totals_->setVisible(faces > 0);
    size_->setEnabled(faces > 0);
    pages_->setCurrentIndex(faces == 0 ? 1 : 0);
}

void FontList::rename() {
    const int row = model_->rowOf({editor_.current().face, 0});
    if (row < 0)
        return;
    list_->setCurrentIndex(model_->index(row));
    list_->edit(model_->index(row));
}

bool FontList::eventFilter(QObject* watched, QEvent* event) {
    if (watched == list_ && event->type() == QEvent::KeyPress) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Delete)
            Q_EMIT removeRequested();
        return key == Qt::Key_Delete;
    }
    return QWidget::eventFilter(watched, event);
}

}  // namespace gorsefinch::app
