// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/cells_field.h"

#include <QHelpEvent>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QMouseEvent>
#include <QPainter>
#include <QPushButton>
#include <QToolButton>
#include <QToolTip>
#include <QVBoxLayout>

#include "app/theme/theme.h"

namespace gorsefinch::app {

namespace {

constexpr int kGap = 3, kLeastCell = 24, kMostCell = 40;  // pixels
constexpr int kMostCells = 255;                           // frames that a cell of a map can show

}  // namespace

// The cells in rows: none first, then the frames.
class CellsField::Choice : public QWidget {
  public:
    explicit Choice(CellBrush& brush, QWidget* parent) : QWidget(parent), brush_(brush) {
        setObjectName("cell_choice");
        setFocusPolicy(Qt::StrongFocus);
        QSizePolicy policy(QSizePolicy::Expanding, QSizePolicy::Fixed);
        policy.setHeightForWidth(true);
        setSizePolicy(policy);
    }

    void setCells(const std::vector<QImage>& cells) {
        const bool same = std::min(cells.size(), size_t{kMostCells}) == cells_.size() &&
                          std::equal(cells_.begin(), cells_.end(), cells.begin(),
                                     [](const QImage& a, const QImage& b) { return a.cacheKey() == b.cacheKey(); });
        if (same)
            return;
        cells_.assign(cells.begin(), cells.begin() + std::min<std::ptrdiff_t>(std::ssize(cells), kMostCells));
        brush_.setCell(std::min(brush_.cell(), count() - 1));
        const QSize size = cells_.empty() ? QSize(16, 16) : cells_.front().size();
        const int side = std::max(size.width(), size.height());
        // Whole multiples of a pixel, as far as that gives a size to be clicked.
        scale_ = side >= kMostCell ? double(kMostCell) / side : std::max(1, (kLeastCell + side - 1) / side);
        cell_ = QSize(std::max(8, qRound(size.width() * scale_)), std::max(8, qRound(size.height() * scale_)));
        updateGeometry();
        update();
    }

    QSize sizeHint() const override { return {160, heightForWidth(160)}; }
    bool hasHeightForWidth() const override { return true; }
    int heightForWidth(int width) const override {
        const int rows = (count() + across(width) - 1) / across(width);
        return rows * (cell_.height() + kGap) + kGap;
    }

  protected:
    void paintEvent(QPaintEvent*) override {
        QPainter painter(this);
        painter.setRenderHint(QPainter::SmoothPixmapTransform, scale_ < 1);
        for (int i = 0; i < count(); ++i) {
            const QRect place = placeOf(i);
            painter.fillRect(place, QColor("#14181a"));
            if (i > 0) {
                painter.drawImage(place, cells_[static_cast<size_t>(i) - 1]);
            } else {
                painter.setPen(QPen(QColor("#8b9892"), 1));
                painter.drawLine(place.bottomLeft() + QPoint(4, -4), place.topRight() + QPoint(-4, 4));
            }
            if (i != brush_.cell())
                continue;
            painter.setBrush(Qt::NoBrush);
            painter.setPen(QPen(Theme::colour(brush_.isDown() ? Role::Accent : Role::StrongLine), 2));
            painter.drawRect(place.adjusted(-1, -1, 1, 1));
        }
        if (hasFocus()) {
            painter.setBrush(Qt::NoBrush);
            painter.setPen(QPen(Theme::colour(Role::Accent), 1, Qt::DotLine));
            painter.drawRect(rect().adjusted(0, 0, -1, -1));
        }
    }

    void mousePressEvent(QMouseEvent* event) override {
        for (int i = 0; i < count(); ++i)
            if (placeOf(i).adjusted(-1, -1, 2, 2).contains(event->pos()))
                take(i);
    }

    void keyPressEvent(QKeyEvent* event) override {
        const int step = event->key() == Qt::Key_Left    ? -1
                         : event->key() == Qt::Key_Right ? 1
                         : event->key() == Qt::Key_Up    ? -across(width())
                         : event->key() == Qt::Key_Down  ? across(width())
                                                         : 0;
        if (step != 0)
            take(std::clamp(std::min(brush_.cell(), count() - 1) + step, 0, count() - 1));
        else
            QWidget::keyPressEvent(event);
    }

    bool event(QEvent* event) override {
        if (event->type() != QEvent::ToolTip)
            return QWidget::event(event);
        const auto* help = static_cast<QHelpEvent*>(event);
        for (int i = 0; i < count(); ++i)
            if (placeOf(i).contains(help->pos()))
                QToolTip::showText(help->globalPos(), i == 0 ? tr("0: none") : tr("cell %1").arg(i), this);
        return true;
    }

  private:
    int count() const { return static_cast<int>(cells_.size()) + 1; }
    int across(int width) const { return std::max(1, (width - kGap) / (cell_.width() + kGap)); }
    QRect placeOf(int number) const {
        const int columns = across(width());
        return {
            QPoint(kGap + number % columns * (cell_.width() + kGap), kGap + number / columns * (cell_.height() + kGap)),
            cell_};
    }
    void take(int number) {
        brush_.setCell(number);
        if (brush_.tool() == CellTool::Pick)
            brush_.setTool(CellTool::Pen);
        brush_.setDown(true);
    }

    CellBrush& brush_;
    std::vector<QImage> cells_;
    double scale_ = 1;
    QSize cell_{16, 16};
};

CellsField::CellsField(CellBrush& brush, QWidget* parent)
    : QWidget(parent),
      brush_(brush),
      paint_(new QPushButton(tr("Paint"), this)),
      choice_(new Choice(brush, this)),
      hint_(new QLabel(tr("Choose an image first: its frames are the cells."), this)) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(4);
    addTools();
    column->addWidget(choice_);
    hint_->setObjectName("cell_hint");
    hint_->setWordWrap(true);
    hint_->setProperty("quiet", true);
    column->addWidget(hint_);
    connect(&brush, &CellBrush::changed, this, &CellsField::showBrush);
    showBrush();
}

void CellsField::addTools() {
    auto* row = new QHBoxLayout;
    row->setSpacing(2);
    paint_->setObjectName("paint_cells");
    paint_->setCheckable(true);
    paint_->setToolTip(tr("Paint cells on the canvas; Escape ends it"));
    row->addWidget(paint_);
    row->addSpacing(4);
    connect(paint_, &QPushButton::clicked, this, [this](bool down) { brush_.setDown(down); });
    const struct {
        CellTool tool;
        const char *icon, *name;
        QString help;
    } all[] = {{CellTool::Pen, "pen", "cell_pen", tr("Pen: draw cells (P)")},
               {CellTool::Box, "box", "cell_box", tr("Rectangle: fill one that is dragged (R)")},
               {CellTool::Fill, "fill", "cell_fill", tr("Fill: all cells alike that touch (F)")},
               {CellTool::Pick, "pick", "cell_pick", tr("Pick a cell from the map (K, or Alt and a click)")}};
    for (const auto& each : all) {
        auto* button = new QToolButton(this);
        button->setObjectName(each.name);
        button->setIcon(Theme::icon(each.icon));
        button->setCheckable(true);
        button->setToolTip(each.help);
        connect(button, &QToolButton::clicked, this, [this, tool = each.tool] {
            brush_.setTool(tool);
            brush_.setDown(true);
            showBrush();
        });
        row->addWidget(button);
        tools_.push_back(button);
    }
    row->addStretch(1);
    static_cast<QVBoxLayout*>(layout())->addLayout(row);
}

void CellsField::setCells(const std::vector<QImage>& cells) {
    choice_->setCells(cells);
    choice_->setVisible(!cells.empty());
    hint_->setVisible(cells.empty());
}

void CellsField::showBrush() {
    paint_->setChecked(brush_.isDown());
    for (size_t i = 0; i < tools_.size(); ++i)
        tools_[i]->setChecked(brush_.isDown() && i == static_cast<size_t>(brush_.tool()));
    choice_->update();
}

}  // namespace gorsefinch::app
