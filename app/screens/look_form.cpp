// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/look_form.h"

#include <QComboBox>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QToolButton>

#include "app/screens/named_choices.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/fields.h"
#include "app/widgets/from_std.h"

namespace gorsefinch::app {

namespace {

constexpr int kClear = 26;  // px of the button behind a field

// As wide as the fields that have one.
QWidget* besideClear(QWidget* field) {
    auto* row = new QWidget(field->parentWidget());
    auto* line = new QHBoxLayout(row);
    line->setContentsMargins(0, 0, kClear + 2, 0);
    line->addWidget(field);
    return row;
}

}  // namespace

LookForm::LookForm(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    auto* form = new QFormLayout(this);
    form->setContentsMargins(12, 8, 12, 12);
    form->setHorizontalSpacing(8);
    form->setVerticalSpacing(5);
    addBase(*form);
    addState(*form);
    for (const PropertyInfo& each : styleProperties())
        addProperty(*form, each);
    connect(&session, &Session::changed, this, &LookForm::refresh);
    refresh();
}

void LookForm::addBase(QFormLayout& form) {
    base_ = new QComboBox(this);
    base_->setObjectName("look_base");
    base_->setToolTip(tr("Where this look sets nothing, the values of that one hold"));
    connect(base_, &QComboBox::activated, this, [this](int at) {
        session_.edit(baseLook(session_.document(), name_, base_->itemData(at).toString().toStdString()),
                      tr("Base %1 on another look").arg(fromStd(name_)));
        refresh();
    });
    form.addRow(tr("Based on"), besideClear(base_));
}

void LookForm::addState(QFormLayout& form) {
    states_ = new QComboBox(this);
    states_->setObjectName("look_state");
    states_->addItem(tr("all states"), QString());
    for (const LookState& each : lookStates())
        states_->addItem(each.key, QString(each.key));
    states_->setToolTip(tr("What is set for a state wins there; where several hold, the later one of this list"));
    connect(states_, &QComboBox::activated, this, [this](int at) {
        state_ = states_->itemData(at).toString().toStdString();
        refresh();
        Q_EMIT stateChosen(state_);
    });
    form.addRow(tr("For"), besideClear(states_));
}

void LookForm::addProperty(QFormLayout& form, const PropertyInfo& property) {
    Fill fill;
    QWidget* field = makeField(property, fill);
    field->setObjectName(QString("look_") + property.key);
    field->setToolTip(tr(property.help));
    auto* row = new QWidget(this);
    auto* line = new QHBoxLayout(row);
    line->setContentsMargins(0, 0, 0, 0);
    line->setSpacing(2);
    auto* clear = new QToolButton(row);
    clear->setObjectName(QString("clear_") + property.key);
    clear->setIcon(Theme::icon("cross"));
    clear->setAutoRaise(true);
    clear->setFixedWidth(kClear);
    clear->setToolTip(tr("Not set here: what holds otherwise holds again"));
    QSizePolicy keeps = clear->sizePolicy();
    keeps.setRetainSizeWhenHidden(true);
    clear->setSizePolicy(keeps);
    connect(clear, &QToolButton::clicked, this, [this, &property] {
        session_.edit(clearLookProperty(session_.document(), name_, state_, property.key),
                      tr("Clear %1 of %2").arg(QString(property.label).toLower(), fromStd(name_)));
    });
    line->addWidget(field, 1);
    line->addWidget(clear);
    auto* caption = new QLabel(tr(property.label), this);
    form.addRow(caption, row);
    fills_.push_back([this, &property, fill, clear, caption](const Look& shown) {
        const Look* const own[] = {&shown};
        const bool set = lookSetting(own, state_, property.key) != nullptr;
        QFont font = Theme::text();
        font.setBold(set);
        caption->setFont(font);
        clear->setVisible(set);
        const auto bases = lookAndBases(session_.document(), &shown);
        const PropertyValue* setting = state_.empty() ? nullptr : lookSetting(bases, state_, property.key);
        setting = setting ? setting : lookSetting(bases, "", property.key);
        fill(lookValue(session_.document(), bases, state_, property.key),
             setting ? std::string(nameIn(*setting)) : std::string());
    });
}

QWidget* LookForm::makeField(const PropertyInfo& property, Fill& fill) {
    if (property.type == PropertyType::Colour) {
        auto* field = new ColourField(this);
        const auto take = [this, &property](Colour colour) { set(property, colour); };
        connect(field, &ColourField::colourChosen, this, take);
        connect(field, &ColourField::chosenLive, this, take);
        connect(field, &ColourField::nameChosen, this,
                [this, &property](const std::string& name) { set(property, ValueName{name}); });
        connect(field, &ColourField::namePreviewed, this, [this, &property](const std::string& name) {
            if (const auto next = setLookProperty(session_.document(), name_, state_, property.key, ValueName{name}))
                session_.preview(*next);
        });
        connect(field, &ColourField::previewEnded, this, [this] { session_.endPreview(); });
        fill = [this, field](const PropertyValue& value, const std::string& name) {
            field->setOffered(offeredColours(session_));
            field->setColour(std::get<Colour>(value), name);
        };
        return field;
    }
    if (property.type == PropertyType::Whole) {
        auto* field = new NumberField(property.min, property.max, property.unit, this);
        connect(field, &NumberField::numberChosen, this,
                [this, &property](int number) { set(property, int64_t{number}); });
        connect(field, &NumberField::nameChosen, this,
                [this, &property](const std::string& name) { set(property, ValueName{name}); });
        fill = [this, field](const PropertyValue& value, const std::string& name) {
            SumValues own;
            own.own = static_cast<double>(std::get<int64_t>(value));
            field->setEach({own});
            field->setOffered(offeredSizes(session_));
            field->setNumber(static_cast<int>(std::get<int64_t>(value)), name);
        };
        return field;
    }
    auto* field = new QComboBox(this);
    connect(field, &QComboBox::activated, this,
            [this, field, &property](int at) { set(property, field->itemData(at).toString().toStdString()); });
    fill = [this, field](const PropertyValue& value, const std::string&) {
        field->clear();
        field->addItem(tr("first face"), QString());
        for (const Face& each : *session_.document().faces)
            field->addItem(fromStd(each.name), fromStd(each.name));
        field->setCurrentIndex(field->findData(fromStd(std::get<std::string>(value))));
    };
    return field;
}

void LookForm::set(const PropertyInfo& property, const PropertyValue& value) {
    session_.edit(setLookProperty(session_.document(), name_, state_, property.key, value),
                  tr("Change %1 of %2").arg(QString(property.label).toLower(), fromStd(name_)),
                  QString("look %1 %2 %3").arg(fromStd(name_), fromStd(state_), property.key));
}

const Look* LookForm::look() const { return session_.isOpen() ? session_.document().look(name_) : nullptr; }

void LookForm::setLook(const QString& look) {
    name_ = look.toStdString();
    refresh();
}

void LookForm::refresh() {
    const Look* shown = look();
    setEnabled(shown != nullptr);
    if (!shown)
        return;
    base_->clear();
    base_->addItem(tr("none"), QString());
    for (const Look& each : *session_.document().looks) {
        const auto bases = lookAndBases(session_.document(), &each);
        if (std::find(bases.begin(), bases.end(), shown) == bases.end())
            base_->addItem(fromStd(each.name), fromStd(each.name));
    }
    base_->setCurrentIndex(std::max(base_->findData(fromStd(shown->basedOn)), 0));
    for (const auto& fill : fills_)
        fill(*shown);
}

}  // namespace gorsefinch::app
