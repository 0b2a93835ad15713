// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/trial_slider.h"

#include <QLabel>
#include <QSignalBlocker>
#include <QSlider>
#include <QToolButton>
#include <QVBoxLayout>
#include <cmath>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/from_std.h"
#include "core/base/decimal.h"

namespace gorsefinch::app {

namespace {

constexpr int kPositions = 200;

}  // namespace

TrialSlider::TrialSlider(Session& session, QWidget* parent)
    : QWidget(parent),
      session_(session),
      slider_(new QSlider(Qt::Horizontal, this)),
      now_(new QLabel(this)),
      min_(new QToolButton(this)),
      middle_(new QToolButton(this)),
      max_(new QToolButton(this)) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(2);
    auto* above = new QHBoxLayout;
    above->setSpacing(8);
    slider_->setObjectName("try_slider");
    slider_->setRange(0, kPositions);
    slider_->setPageStep(kPositions / 10);
    slider_->setToolTip(tr("Sets the variable in the twin; the project stays as it is"));
    now_->setFont(Theme::figures());
    now_->setMinimumWidth(44);
    now_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    above->addWidget(slider_, 1);
    above->addWidget(now_);
    column->addLayout(above);
    auto* below = new QHBoxLayout;
    below->setSpacing(0);
    for (const auto& [button, name, position] :
         {std::tuple(min_, "try_min", 0), {middle_, "try_middle", kPositions / 2}, {max_, "try_max", kPositions}}) {
        button->setObjectName(name);
        button->setFont(Theme::figures(10));
        button->setToolTip(tr("Tries this value"));
        connect(button, &QToolButton::clicked, this, [this, at = position] { tryValue(atPosition(at)); });
        below->addWidget(button);
        if (button != max_)
            below->addStretch(1);
    }
    below->addSpacing(52);
    column->addLayout(below);
    connect(slider_, &QSlider::valueChanged, this, [this](int position) { tryValue(atPosition(position)); });
    connect(&session.runner(), &TwinRunner::stepped, this, &TrialSlider::showValue);
}

int TrialSlider::atPosition(int position) const {
    return static_cast<int>(std::lround(from_ + (double(to_) - from_) * position / kPositions));
}

void TrialSlider::setVariable(const std::string& name, const std::string& min, const std::string& max) {
    const Variable* variable = session_.document().variable(name);
    if (variable && (variable->isText() || variable->isArray() || variable->type == VariableType::Choice))
        variable = nullptr;
    setEnabled(variable != nullptr);
    variable_ = variable ? name : std::string();
    decimals_ = variable ? variable->decimals : 0;
    from_ = variable ? decimalFromText(min, decimals_).value_or(variable->min) : 0;
    to_ = variable ? decimalFromText(max, decimals_).value_or(variable->max) : 100;
    for (const auto& [button, position] : {std::pair(min_, 0), {middle_, kPositions / 2}, {max_, kPositions}})
        button->setText(fromStd(decimalText(atPosition(position), decimals_)));
    showValue();
}

void TrialSlider::tryValue(int value) {
    if (variable_.empty())
        return;
    if (const auto set = session_.runner().setValue(variable_, decimalText(value, decimals_)); !set)
        session_.showError(fromStd(set.error().text()));
    showValue();
}

// The twin's value may be changed by its rules, too.
void TrialSlider::showValue() {
    const std::string text = variable_.empty() ? std::string() : session_.runner().twin().get(variable_);
    if (now_->text() != fromStd(text) || variable_.empty())
        now_->setText(fromStd(text));
    const auto value = decimalFromText(text, decimals_);
    if (!value || slider_->isSliderDown() || to_ <= from_)
        return;
    const QSignalBlocker quiet(slider_);
    slider_->setValue(static_cast<int>(std::lround((double(*value) - from_) * kPositions / (double(to_) - from_))));
}

}  // namespace gorsefinch::app
