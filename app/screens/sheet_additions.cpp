// SPDX-License-Identifier: GPL-3.0-or-later
// What the sheet has besides properties: a slider that tries a value, where a picture turns, rules and costs.
#include <QComboBox>
#include <QPushButton>

#include "app/screens/sheet.h"
#include "app/screens/trial_slider.h"
#include "app/screens/turning_dialog.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/from_std.h"
#include "core/edits/leads.h"
#include "core/edits/short_names.h"
#include "core/emit/costs.h"

namespace gorsefinch::app {

// Below a variable that the widget shows.
void Sheet::addTrial(const PropertyInfo& property) {
    auto* trial = new TrialSlider(session_, page_);
    addRow(tr("Try"), trial, {}, {});
    QLabel* caption = rows_.back().caption;
    rows_.back().fill = [this, trial, caption, &property] {
        const auto selected = session_.selection().widgets();
        if (selected.empty())
            return;
        const auto end = [&](const char* key) {
            const PropertyInfo* found = findIn(info(selected.front()->kind).properties, key);
            return found ? std::get<std::string>(effectiveValue(session_.document(), *selected.front(), key))
                         : std::string();
        };
        const auto name = common(property);
        trial->setVariable(name ? std::get<std::string>(*name) : std::string(), end("min"), end("max"));
        trial->setVisible(trial->isEnabled());
        caption->setVisible(trial->isEnabled());
    };
}

// Below an image that turns.
void Sheet::addTurning(const PropertyInfo& property) {
    auto* button = new QPushButton(tr("Where it turns…"), page_);
    button->setObjectName("turning_point");
    connect(button, &QPushButton::clicked, this, [this, &property] {
        const auto selected = session_.selection().widgets();
        if (selected.size() != 1)
            return;
        if (const QString obstacle = TurningDialog::obstacle(session_, *selected.front(), property);
            !obstacle.isEmpty()) {
            session_.showError(obstacle);
            return;
        }
        auto* dialog = new TurningDialog(session_, *selected.front(), property, this);
        dialog->setAttribute(Qt::WA_DeleteOnClose);
        dialog->open();
    });
    addRow(QString(), button, tr("Drags the point on the enlarged picture, with a test turn"),
           [this, button, &property] {
               const auto image = common(property);
               button->setEnabled(image && !std::get<std::string>(*image).empty());
           });
}

// Of one that is touched: a press, and what it is on, stay in sight while its look is set.
void Sheet::addShownStates() {
    const WidgetRef widget = session_.selection().widgets().front();
    const KindInfo& kind = info(widget->kind);
    if (!kind.has(kIsTouched) || kind.has(kIsUnseen))
        return;
    auto* box = new QComboBox(page_);
    box->setObjectName("shown_states");
    box->addItem(tr("as it runs"), 0);
    box->addItem(tr("pressed"), GORSE_STATE_PRESSED);
    if (kind.onValue) {
        box->addItem(tr("on"), GORSE_STATE_ON);
        box->addItem(tr("on and pressed"), GORSE_STATE_ON | GORSE_STATE_PRESSED);
    }
    connect(box, &QComboBox::activated, this,
            [this, box](int at) { session_.selection().showIn(static_cast<uint8_t>(box->itemData(at).toInt())); });
    addRow(tr("Canvas shows"), box, tr("The state in which the canvas shows it while it is selected"),
           [this, box] { box->setCurrentIndex(box->findData(int{session_.selection().shownStates()})); });
}

void Sheet::addRules() {
    const WidgetRef widget = session_.selection().widgets().front();
    if (canLead(widget->kind))
        addLead();
    auto* rules = new QLabel(page_);
    rules->setObjectName("mentions");
    rules->setWordWrap(true);
    rules->setFont(Theme::figures(10));
    addRow(tr("Rules"), rules, tr("Rules that mention this widget"), [this, rules, widget] {
        QStringList found;
        for (const std::string& line :
             rulesAboutWidget(session_.document(), session_.selection().screenName().toStdString(), widget->name))
            found << fromStd(line);
        rules->setText(found.isEmpty() ? tr("none mentions it") : found.mid(0, 5).join('\n'));
    });
    if (info(widget->kind).has(kIsTouched)) {
        auto* add = new QPushButton(tr("Add a rule for its tap"), page_);
        add->setObjectName("add_rule");
        connect(add, &QPushButton::clicked, this, [this, widget] { Q_EMIT ruleRequested(fromStd(widget->name)); });
        addRow(QString(), add, tr("Opens the station Rules with a new rule for it"), [] {});
    }
    auto* costs = new QLabel(page_);
    costs->setFont(Theme::figures());
    addRow(tr("Costs"), costs, tr("On the target: constants in flash, what changes in RAM"),
           [this, costs, name = widget->name] {
               const ScreenPart& part =
                   *session_.scene()->parts[static_cast<size_t>(session_.selection().screenIndex())];
               const int at = widgetIndex(*part.source, name);
               if (at < 0)
                   return;
               const auto index = static_cast<size_t>(at);
               const gorse_widget& w = part.records[index].widget;
               const int state = info(part.source->widgets[index]->kind).stateOf(part.records[index]).bytes;
               costs->setText(tr("%1 B flash · %2 B RAM")
                                  .arg(widgetFlash(part, index, session_.document().panel->wordBits))
                                  .arg(int{w.capacity} + state + 4 * w.slot_count));
           });
}

}  // namespace gorsefinch::app
