// SPDX-License-Identifier: GPL-3.0-or-later
// The rows of the sheet that say where a tap leads.
#include <QComboBox>
#include <QLineEdit>

#include "app/screens/sheet.h"
#include "app/session/session.h"
#include "app/widgets/from_std.h"
#include "core/edits/leads.h"
#include "core/rules/transition_words.h"

namespace gorsefinch::app {

namespace {

// Data of entries; no screen is called so.
constexpr const char* kNowhere = ".";

// Screens come, go and get other names while the row is shown.
void fillScreens(QComboBox* to, const Document& document) {
    to->clear();
    to->addItem(Sheet::tr("nowhere"), QString(kNowhere));
    for (const ScreenRef& each : document.screens)
        if (!each->assembly)
            to->addItem(fromStd(each->name), fromStd(each->name));
    to->addItem(Sheet::tr("back"), QString());
}

}  // namespace

void Sheet::setLead(const std::string& widget, const std::optional<Lead>& lead) {
    const std::string screen = session_.selection().screenName().toStdString();
    if (lead == leadOf(session_.document(), screen, widget))
        return;
    session_.edit(withLead(session_.document(), screen, widget, lead),
                  tr("Change where %1 leads").arg(fromStd(widget)));
    refresh();
}

void Sheet::addLead() {
    const std::string name = session_.selection().widgets().front()->name;
    const auto lead = [this, name] {
        return leadOf(session_.document(), session_.selection().screenName().toStdString(), name);
    };
    auto* to = new QComboBox(page_);
    to->setObjectName("leads_to");
    connect(to, &QComboBox::activated, this, [this, to, name, lead](int at) {
        const QString chosen = to->itemData(at).toString();
        const auto before = lead();
        setLead(name, chosen == kNowhere ? std::nullopt
                                         : std::optional(Lead{chosen.toStdString(), before ? before->transition : ""}));
    });
    addRow(tr("Leads to"), to, tr("The screen that its tap goes to; the rule stands at the station Rules"),
           [this, to, lead] {
               fillScreens(to, session_.document());
               const auto now = lead();
               to->setCurrentIndex(to->findData(now ? fromStd(now->to) : QString(kNowhere)));
           });
    auto* by = new QComboBox(page_);
    by->setObjectName("leads_by");
    by->setEditable(true);
    by->setInsertPolicy(QComboBox::NoInsert);
    by->addItem(QString());
    for (const std::string& each : offeredTransitions())
        by->addItem(fromStd(each));
    by->lineEdit()->setPlaceholderText(tr("as the project says"));
    // An error is reported, and the field shows the current value again.
    const auto take = [this, by, name, lead] {
        by->lineEdit()->setModified(false);
        if (const auto before = lead())
            setLead(name, Lead{before->to, by->currentText().trimmed().toStdString()});
    };
    connect(by, &QComboBox::activated, this, take);
    connect(by->lineEdit(), &QLineEdit::editingFinished, this, take);
    addRow(tr("Transition"), by, tr("Choose, or write a time and how it eases: slide left 400 ms, ease both"),
           [by, lead] {
               const auto now = lead();
               by->setEnabled(now.has_value());
               if (!by->lineEdit()->hasFocus() || !by->lineEdit()->isModified())
                   by->setCurrentText(now ? fromStd(now->transition) : QString());
           });
}

}  // namespace gorsefinch::app
