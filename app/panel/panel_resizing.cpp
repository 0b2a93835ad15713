// SPDX-License-Identifier: GPL-3.0-or-later
// The size of the panel, and what another one does to the screens.
#include <QComboBox>
#include <QFormLayout>
#include <algorithm>

#include "app/panel/panel_station.h"
#include "app/panel/resize_dialog.h"
#include "app/session/session.h"
#include "app/widgets/fields.h"

namespace gorsefinch::app {

void PanelStation::side(QFormLayout* form, const QString& text, const QString& name, const QString& help,
                        int Panel::*member) {
    auto* field = new NumberField(kMinPanelSide, kMaxPanelSide, "px", this);
    field->setObjectName(name);
    field->setToolTip(help);
    connect(field, &NumberField::numberChosen, this, [this, text, member](int value) {
        Panel panel = *session_.document().panel;
        panel.*member = value;
        resize(panel, tr("Change %1").arg(text.toLower()));
        refresh();
    });
    fills_.append([this, field, member] { field->setNumber((*session_.document().panel).*member); });
    addRow(*form, text, field);
}

// What becomes of the layout with another size: asked once, and then a setting.
void PanelStation::makeResizing(QFormLayout* form) {
    resizing_ = new QComboBox(this);
    resizing_->setObjectName("panel_resizing");
    resizing_->addItem(tr("ask with another size"));
    resizing_->addItem(tr("keeps its places"), static_cast<int>(PanelResize::Keep));
    resizing_->addItem(tr("follows the edges"), static_cast<int>(PanelResize::FollowEdges));
    resizing_->addItem(tr("scales"), static_cast<int>(PanelResize::Scale));
    resizing_->setToolTip(tr("What becomes of the widgets when the panel gets another size"));
    addRow(*form, tr("Layout"), resizing_);
}

// Steps of one side that follow one another begin where the first of them did, so that scaling does not drift.
void PanelStation::resize(const Panel& panel, const QString& label) {
    const Document& now = session_.document();
    const bool continues = resizedFrom_ && resizedTo_ && resizedTo_->screens == now.screens &&
                           resizedTo_->panel == now.panel && resizedLabel_ == label;
    const Document from = continues ? *resizedFrom_ : now;
    const bool holdsAny = std::any_of(now.screens.begin(), now.screens.end(),
                                      [](const ScreenRef& each) { return !each->widgets.empty(); });
    if (resizing_->currentIndex() == 0 && holdsAny) {
        ResizeDialog dialog(from, panel, session_.selection().screenIndex(), this);
        if (dialog.exec() != QDialog::Accepted)
            return;
        resizing_->setCurrentIndex(resizing_->findData(static_cast<int>(dialog.chosen())));
    }
    const auto how = resizing_->currentIndex() == 0 ? PanelResize::FollowEdges
                                                    : static_cast<PanelResize>(resizing_->currentData().toInt());
    session_.edit(withPanelSize(from, panel, how), label, "panel " + label);
    resizedFrom_ = from;
    resizedTo_ = session_.document();
    resizedLabel_ = label;
}

}  // namespace gorsefinch::app
