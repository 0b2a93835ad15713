// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/colour_field.h"

#include <QColorDialog>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QStyle>
#include <QToolButton>
#include <algorithm>

#include "app/theme/theme.h"
#include "app/widgets/colour_swatch.h"
#include "app/widgets/from_std.h"
#include "app/widgets/sample_picker.h"

namespace gorsefinch::app {

ColourField::ColourField(QWidget* parent)
    : QWidget(parent), swatch_(new QToolButton(this)), code_(new QLineEdit(this)) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(4);
    swatch_->setToolTip(tr("Choose a colour"));
    swatch_->setFixedSize(26, 24);
    code_->setFont(Theme::figures());
    code_->setToolTip(tr("#RRGGBB, #RRGGBBAA, none, or the name of one of the project's colours"));
    row->addWidget(swatch_);
    row->addWidget(code_, 1);
    setFocusProxy(code_);
    connect(swatch_, &QToolButton::clicked, this, &ColourField::choose);
    connect(code_, &QLineEdit::editingFinished, this, &ColourField::commitCode);
}

void ColourField::setColour(std::optional<Colour> colour, const std::string& name) {
    const OfferedColour* shown = offered(name);
    colour_ = shown ? shown->colour : colour;
    name_ = name;
    const QPixmap picture = colourSwatch(colour_);
    swatch_->setIcon(picture);
    swatch_->setIconSize(picture.size());
    if (!(code_->hasFocus() && code_->isModified()))
        code_->setText(!name.empty() ? fromStd(name) : colour ? fromStd(toText(*colour)) : QString());
    code_->setPlaceholderText(colour ? QString() : tr("mixed"));
    code_->setCursorPosition(0);
    mark(false);
}

const OfferedColour* ColourField::offered(const std::string& name) const {
    const auto found =
        std::find_if(offered_.begin(), offered_.end(), [&](const OfferedColour& each) { return each.name == name; });
    return found == offered_.end() ? nullptr : &*found;
}

void ColourField::mark(bool wrong) {
    if (code_->property("wrong").toBool() == wrong)
        return;
    code_->setProperty("wrong", wrong);
    code_->style()->unpolish(code_);
    code_->style()->polish(code_);
}

void ColourField::commitCode() {
    if (!code_->isModified())
        return;
    code_->setModified(false);
    QString text = code_->text().trimmed();
    if (const OfferedColour* named = offered(text.toStdString())) {
        mark(false);
        if (named->name != name_)
            Q_EMIT nameChosen(named->name);
        return;
    }
    if (text.size() == 6 && !text.startsWith('#'))
        text.prepend('#');
    const auto colour = colourFromText(text.toStdString());
    mark(!colour);
    if (colour && (colour != colour_ || !name_.empty()))
        Q_EMIT colourChosen(*colour);
}

void ColourField::choose() {
    if (offered_.empty()) {
        chooseOther();
        return;
    }
    std::vector<Sample> samples;
    int current = -1;
    for (const OfferedColour& each : offered_) {
        if (each.name == name_)
            current = static_cast<int>(samples.size());
        samples.push_back({fromStd(each.name), fromStd(toText(each.colour)), colourSwatch(each.colour, {28, 16})});
    }
    samples.push_back({tr("Another colour\u2026")});
    auto* picker = new SamplePicker(samples, current, this);
    connect(picker, &SamplePicker::highlighted, this, [this](int at) {
        if (at < static_cast<int>(offered_.size()))
            Q_EMIT namePreviewed(offered_[static_cast<size_t>(at)].name);
        else
            Q_EMIT previewEnded();
    });
    connect(picker, &SamplePicker::dismissed, this, &ColourField::previewEnded);
    connect(picker, &SamplePicker::picked, this, [this](int at) {
        Q_EMIT previewEnded();
        if (at < static_cast<int>(offered_.size()))
            Q_EMIT nameChosen(std::string(offered_[static_cast<size_t>(at)].name));
        else
            chooseOther();
    });
    picker->openBeside(*this);
}

void ColourField::chooseOther() {
    QColorDialog dialog(QColor::fromRgba(colour_ ? colour_->argb : 0xffffffffu), this);
    dialog.setOption(QColorDialog::ShowAlphaChannel);
    dialog.setOption(QColorDialog::DontUseNativeDialog);
    const std::optional<Colour> before = colour_;
    const std::string name = name_;
    connect(&dialog, &QColorDialog::currentColorChanged, this,
            [this](const QColor& c) { Q_EMIT chosenLive(Colour{c.rgba()}); });
    if (dialog.exec() == QDialog::Accepted)
        Q_EMIT colourChosen(Colour{dialog.currentColor().rgba()});
    else if (!name.empty())
        Q_EMIT nameChosen(name);
    else if (before)
        Q_EMIT chosenLive(*before);
}

}  // namespace gorsefinch::app
