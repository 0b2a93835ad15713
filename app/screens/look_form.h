// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>
#include <functional>

#include "core/edits/look_edits.h"

class QComboBox;
class QFormLayout;

namespace gorsefinch::app {

class Session;

// Sets what a look says, for all states or for one. What it sets itself is marked and can be taken away, so that what
// it is based on holds again.
class LookForm : public QWidget {
    Q_OBJECT

  public:
    explicit LookForm(Session& session, QWidget* parent = nullptr);
    // "" for none.
    void setLook(const QString& look);

  Q_SIGNALS:
    void stateChosen(const std::string& state);

  private:
    void addBase(QFormLayout& form);
    void addState(QFormLayout& form);
    void addProperty(QFormLayout& form, const PropertyInfo& property);
    // Shows a value, and the name that it is.
    using Fill = std::function<void(const PropertyValue&, const std::string& name)>;
    QWidget* makeField(const PropertyInfo& property, Fill& fill);
    void set(const PropertyInfo& property, const PropertyValue& value);
    void refresh();
    const Look* look() const;

    Session& session_;
    std::string name_, state_;
    QComboBox *base_ = nullptr, *states_ = nullptr;
    std::vector<std::function<void(const Look&)>> fills_;
};

}  // namespace gorsefinch::app
