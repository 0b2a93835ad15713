// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/layout_popup.h"

#include <QCheckBox>
#include <QFormLayout>
#include <QLabel>
#include <QLineEdit>
#include <QRegularExpression>

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/fields.h"

namespace gorsefinch::app {

LayoutPopup::LayoutPopup(Session& session, QWidget* parent) : QFrame(parent, Qt::Popup), session_(session) {
    setObjectName("layout_popup");
    setFrameShape(QFrame::StyledPanel);
    setAutoFillBackground(true);
    auto* form = new QFormLayout(this);
    form->setContentsMargins(14, 12, 14, 12);
    form->setHorizontalSpacing(12);
    form->setVerticalSpacing(6);
    const auto heading = [&](const QString& text) {
        auto* label = new QLabel(text, this);
        label->setProperty("heading", true);
        form->addRow(label);
    };
    heading(tr("Grid"));
    addCheck(*form, "grid_shown", tr("drawn on the canvas"), tr("Lines over the panel, where the zoom leaves room"),
             &Grid::shown);
    addCheck(*form, "grid_used", tr("boxes snap to it"), tr("Where there is no guide, edges lie on its lines"),
             &Grid::used);
    addNumber(*form, "grid_step", tr("Step"), tr("From line to line"), 2, kMaxGridStep,
              [](LayoutAids& a) -> int& { return a.grid.step; });
    addNumber(*form, "grid_x", tr("Begins at x"), tr("The first upright line"), 0, kMaxGridStep - 1,
              [](LayoutAids& a) -> int& { return a.grid.x; });
    addNumber(*form, "grid_y", tr("and at y"), tr("The first level line"), 0, kMaxGridStep - 1,
              [](LayoutAids& a) -> int& { return a.grid.y; });
    addNumber(*form, "grid_strength", tr("Reach"), tr("From how far away a line draws an edge; half a step: always"), 1,
              kMaxGridStep, [](LayoutAids& a) -> int& { return a.grid.strength; });
    heading(tr("Margin"));
    addNumber(*form, "layout_margin", tr("Inside the edges"),
              tr("Boxes snap to it, inside the panel and inside groups; 0: none"), 0, kMaxLayoutMargin,
              [](LayoutAids& a) -> int& { return a.margin; });
    heading(tr("Guide lines"));
    addLines(*form, "lines_upright", tr("This screen, x"), false, true);
    addLines(*form, "lines_level", tr("y"), false, false);
    addLines(*form, "all_upright", tr("All screens, x"), true, true);
    addLines(*form, "all_level", tr("y"), true, false);
    auto* hint = new QLabel(tr("Or drag them out of the rulers."), this);
    hint->setProperty("quiet", true);
    form->addRow(hint);
    connect(&session, &Session::changed, this, [this] {
        if (isVisible())
            fill();
    });
}

void LayoutPopup::change(const std::function<void(LayoutAids&)>& change) {
    LayoutAids aids = *session_.document().aids;
    change(aids);
    aids.grid.x %= aids.grid.step;
    aids.grid.y %= aids.grid.step;
    session_.edit(withAids(session_.document(), aids), tr("Change grid and margin"), "layout aids");
}

QCheckBox* LayoutPopup::addCheck(QFormLayout& form, const char* name, const QString& text, const QString& help,
                                 bool Grid::*flag) {
    auto* box = new QCheckBox(text, this);
    box->setObjectName(name);
    box->setToolTip(help);
    connect(box, &QCheckBox::clicked, this,
            [this, flag](bool on) { change([&](LayoutAids& aids) { aids.grid.*flag = on; }); });
    fills_.push_back([this, box, flag] { box->setChecked(session_.document().aids->grid.*flag); });
    form.addRow(box);
    return box;
}

NumberField* LayoutPopup::addNumber(QFormLayout& form, const char* name, const QString& text, const QString& help,
                                    int min, int max, const std::function<int&(LayoutAids&)>& of) {
    auto* field = new NumberField(min, max, "px", this);
    field->setObjectName(name);
    field->setToolTip(help);
    connect(field, &NumberField::numberChosen, this,
            [this, of](int number) { change([&](LayoutAids& aids) { of(aids) = number; }); });
    fills_.push_back([this, field, of] {
        LayoutAids aids = *session_.document().aids;
        SumValues own;
        own.own = of(aids);
        field->setEach({own});
        field->setNumber(of(aids));
    });
    form.addRow(text, field);
    return field;
}

// Places as a list, such as "8, 312".
QLineEdit* LayoutPopup::addLines(QFormLayout& form, const char* name, const QString& text, bool forAll, bool upright) {
    auto* field = new QLineEdit(this);
    field->setObjectName(name);
    field->setFont(Theme::figures());
    field->setPlaceholderText(tr("none"));
    field->setToolTip(tr("Places in pixels, such as 8, 312"));
    const auto screen = [this, forAll] {
        return forAll ? std::string() : session_.selection().screenName().toStdString();
    };
    connect(field, &QLineEdit::editingFinished, this, [this, field, screen, upright] {
        if (!field->isModified())
            return;
        field->setModified(false);
        GuideLines lines = linesOf(session_.document(), screen());
        std::vector<int>& places = upright ? lines.upright : lines.level;
        places.clear();
        static const QRegularExpression kBetween("[,;\\s]+");
        for (const QString& each : field->text().split(kBetween, Qt::SkipEmptyParts)) {
            const auto place = valueOfSum(each.toStdString());
            if (!place)
                session_.showError(tr("\"%1\" is no place: write numbers such as 8, 312").arg(each));
            else
                places.push_back(*place);
        }
        session_.edit(withLines(session_.document(), screen(), std::move(lines)), tr("Change guide lines"));
        fill();
    });
    fills_.push_back([this, field, screen, upright] {
        const GuideLines lines = linesOf(session_.document(), screen());
        QStringList words;
        for (const int each : upright ? lines.upright : lines.level)
            words << QString::number(each);
        if (!(field->hasFocus() && field->isModified()))
            field->setText(words.join(", "));
    });
    form.addRow(text, field);
    return field;
}

void LayoutPopup::fill() {
    if (session_.isOpen())
        for (const auto& each : fills_)
            each();
}

void LayoutPopup::showBelow(const QWidget& button) {
    fill();
    adjustSize();
    move(button.mapToGlobal(QPoint(0, button.height() + 2)));
    show();
}

}  // namespace gorsefinch::app
