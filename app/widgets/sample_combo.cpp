// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/sample_combo.h"

namespace gorsefinch::app {

void SampleCombo::showPopup() {
    std::vector<Sample> samples;
    for (int i = 0; i < count(); ++i)
        samples.push_back(make_ ? make_(i) : Sample{itemText(i), {}, itemIcon(i).pixmap(16, 16)});
    auto* picker = new SamplePicker(samples, currentIndex(), this);
    connect(picker, &SamplePicker::highlighted, this, [this](int entry) {
        if (entry < firstCommand_)
            Q_EMIT previewed(entry);
        else
            Q_EMIT previewEnded();
    });
    connect(picker, &SamplePicker::dismissed, this, &SampleCombo::previewEnded);
    connect(picker, &SamplePicker::picked, this, [this](int entry) {
        Q_EMIT previewEnded();
        setCurrentIndex(entry);
        Q_EMIT activated(entry);
    });
    picker->openBeside(*this);
}

}  // namespace gorsefinch::app
