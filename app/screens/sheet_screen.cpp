// SPDX-License-Identifier: GPL-3.0-or-later
// The rows of the sheet about a screen, while no widget is selected.
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QVBoxLayout>
#include <algorithm>

#include "app/screens/named_choices.h"
#include "app/screens/sheet.h"
#include "app/session/session.h"
#include "app/widgets/fields.h"
#include "app/widgets/from_std.h"

namespace gorsefinch::app {

void Sheet::changeScreen(const std::function<void(Screen&)>& change, const QString& label, const QString& merge) {
    Screen next = *session_.selection().screen();
    change(next);
    session_.edit(withScreen(session_.document(), session_.selection().screenIndex(), std::move(next)), label, merge);
}

void Sheet::buildScreen() {
    name_ = new QLineEdit(page_);
    name_->setObjectName("name");
    const bool isAssembly = session_.selection().screen()->assembly != nullptr;
    addRow(isAssembly ? tr("Assembly") : tr("Screen"), name_, tr("The screen's name; rules and generated code use it"),
           [this] {
               if (!name_->hasFocus() || !name_->isModified())
                   name_->setText(session_.selection().screenName());
           });
    connect(name_, &QLineEdit::editingFinished, this, [this] {
        if (!name_->isModified())
            return;
        name_->setModified(false);
        const std::string to = name_->text().trimmed().toStdString();
        if (to == session_.selection().screenName().toStdString() ||
            !session_.edit(renameScreen(session_.document(), session_.selection().screenName().toStdString(), to),
                           tr("Rename screen")))
            name_->setText(session_.selection().screenName());
    });
    addBackground();
    if (isAssembly) {
        addAssembly();
    } else {
        addBacking();
        addKeeping();
    }
    addLine();
    auto* hint = new QLabel(tr("Click a widget on the canvas or in the layers to set it here. "
                               "Drag a band around several; Shift adds and takes away."),
                            page_);
    hint->setWordWrap(true);
    hint->setProperty("quiet", true);
    hint->setContentsMargins(12, 4, 12, 0);
    column_->addWidget(hint);
}

void Sheet::addBackground() {
    auto* background = new ColourField(page_);
    background->setObjectName("background");
    addRow(tr("Background"), background, {}, [this, background] {
        const Screen& screen = *session_.selection().screen();
        background->setOffered(offeredColours(session_));
        background->setColour(backgroundOf(session_.document(), screen), screen.ground);
    });
    const auto setBackground = [this](Colour colour, const QString& merge) {
        changeScreen(
            [colour](Screen& screen) {
                screen.background = Colour{colour.argb | 0xff000000u};
                screen.ground.clear();
            },
            tr("Change background"), merge);
    };
    connect(background, &ColourField::nameChosen, this, [this](const std::string& name) {
        changeScreen([&name](Screen& screen) { screen.ground = name; }, tr("Change background"), {});
    });
    connect(background, &ColourField::namePreviewed, this, [this](const std::string& name) {
        Screen next = *session_.selection().screen();
        next.ground = name;
        session_.preview(withScreen(session_.document(), session_.selection().screenIndex(), std::move(next)));
    });
    connect(background, &ColourField::previewEnded, this, [this] { session_.endPreview(); });
    connect(background, &ColourField::colourChosen, this,
            [setBackground](Colour c) { setBackground(c, "background"); });
    connect(background, &ColourField::chosenLive, this, [setBackground](Colour c) { setBackground(c, "background"); });
    addShade();
}

// Of a screen that is opened over others: as dark as its ground lets these be.
void Sheet::addShade() {
    if (session_.scene()->rules->opened.count(session_.selection().screenIndex()) == 0)
        return;
    auto* shade = new NumberField(0, 255, QString(), page_);
    shade->setObjectName("shade");
    connect(shade, &NumberField::numberChosen, this,
            [this](int value) { changeScreen([value](Screen& to) { to.shade = value; }, tr("Change the shade"), {}); });
    addRow(tr("Shade"), shade,
           tr("A rule opens it over others: its background lies over these so strongly, from 0 to 255"),
           [this, shade] { shade->setNumber(session_.selection().screen()->shade); });
}

// What its widgets remember, with the memory that this takes.
void Sheet::addKeeping() {
    auto* keeps = new QComboBox(page_);
    keeps->setObjectName("keeps");
    keeps->addItem(QString(), false);
    keeps->addItem(QString(), true);
    connect(keeps, &QComboBox::activated, this, [this, keeps](int at) {
        const bool kept = keeps->itemData(at).toBool();
        if (kept != session_.selection().screen()->keeps)
            changeScreen([kept](Screen& screen) { screen.keeps = kept; }, tr("Change what the screen keeps"), {});
    });
    addRow(tr("When left"), keeps,
           tr("What its widgets remember without variables: where animations and lists are, pages, open drawers"),
           [this, keeps] {
               const auto& parts = session_.scene()->parts;
               const int own = parts[static_cast<size_t>(session_.selection().screenIndex())]->memoryBytes;
               int shared = 0;
               for (const auto& part : parts)
                   shared = std::max(shared, part->memoryBytes);
               keeps->setItemText(0, tr("forgets: shares %1 B").arg(shared));
               keeps->setItemText(1, tr("keeps: %1 B more").arg(own == 0 ? 0 : own + 1));
               keeps->setCurrentIndex(session_.selection().screen()->keeps ? 1 : 0);
           });
}

}  // namespace gorsefinch::app
