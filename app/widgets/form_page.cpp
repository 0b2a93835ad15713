// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/form_page.h"

#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QSlider>
#include <QStackedWidget>
#include <QWheelEvent>

#include "app/theme/theme.h"

namespace gorsefinch::app {

namespace {

// A slider at its default when it is double clicked.
class RestingSlider : public QSlider {
  public:
    RestingSlider(int min, int max, int rest, QWidget* parent) : QSlider(Qt::Horizontal, parent), rest_(rest) {
        setRange(min, max);
        setPageStep(10);
    }

  protected:
    void mouseDoubleClickEvent(QMouseEvent*) override { setValue(rest_); }
    void wheelEvent(QWheelEvent* event) override { event->ignore(); }

  private:
    int rest_;
};

}  // namespace

FormPage::FormPage(const QString& name, const QString& emptyWords, QWidget* parent)
    : QScrollArea(parent),
      page_(new QWidget(this)),
      grid_(new QGridLayout(page_)),
      heading_(new QLabel(page_)),
      use_(new QLabel(page_)),
      pages_(new QStackedWidget(this)) {
    setObjectName(name);
    setWidgetResizable(true);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setFixedWidth(320);
    grid_->setContentsMargins(12, 10, 16, 12);
    grid_->setHorizontalSpacing(8);
    grid_->setVerticalSpacing(6);
    grid_->setColumnMinimumWidth(0, 82);
    grid_->setColumnStretch(1, 1);
    heading_->setProperty("heading", true);
    use_->setFont(Theme::figures());
    use_->setProperty("quiet", true);
    auto* top = new QHBoxLayout;
    top->addWidget(heading_, 1);
    top->addWidget(use_);
    grid_->addLayout(top, row_++, 0, 1, 2);
    auto* empty = new QLabel(emptyWords, this);
    empty->setWordWrap(true);
    empty->setAlignment(Qt::AlignTop | Qt::AlignLeft);
    empty->setContentsMargins(12, 10, 16, 12);
    empty->setProperty("quiet", true);
    pages_->addWidget(page_);
    pages_->addWidget(empty);
    setWidget(pages_);
}

QLabel* FormPage::addRow(const QString& label, QWidget* field, const QString& help) {
    auto* name = new QLabel(label, page_);
    name->setProperty("quiet", true);
    field->setToolTip(help);
    name->setToolTip(help);
    name->setBuddy(field);
    grid_->addWidget(name, row_, 0);
    grid_->addWidget(field, row_++, 1);
    return name;
}

void FormPage::addWide(QWidget* widget) { grid_->addWidget(widget, row_++, 0, 1, 2); }
void FormPage::addUnder(QWidget* widget) { grid_->addWidget(widget, row_++, 1); }

void FormPage::rule() {
    auto* line = new QFrame(page_);
    line->setProperty("rule", true);
    addWide(line);
}

QWidget* FormPage::pair(QWidget* left, QWidget* right) {
    auto* both = new QWidget(page_);
    auto* row = new QHBoxLayout(both);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(4);
    row->addWidget(left, 1);
    row->addWidget(right, 1);
    return both;
}

void FormPage::Slider::set(int number) const {
    const QSignalBlocker block(slide);
    slide->setValue(number);
    value->setText(QString::number(number));
}

FormPage::Slider FormPage::addSlider(const QString& label, const QString& name, int min, int max, int rest,
                                     const QString& help) {
    auto* field = new QWidget(page_);
    auto* row = new QHBoxLayout(field);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(8);
    auto* slide = new RestingSlider(min, max, rest, field);
    slide->setObjectName(name);
    auto* value = new QLabel(field);
    value->setFont(Theme::figures());
    value->setFixedWidth(30);
    value->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    row->addWidget(slide, 1);
    row->addWidget(value);
    connect(slide, &QSlider::valueChanged, value, [value](int now) { value->setText(QString::number(now)); });
    return {addRow(label, field, help + tr("; double click resets it")), field, slide, value};
}

void FormPage::finish() {
    grid_->setRowStretch(row_, 1);
    // Long names in a list are no reason to be wider.
    for (QComboBox* each : page_->findChildren<QComboBox*>()) {
        each->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
        each->setMinimumContentsLength(8);
    }
}

void FormPage::setShown(bool anything) { pages_->setCurrentIndex(anything ? 0 : 1); }

}  // namespace gorsefinch::app
