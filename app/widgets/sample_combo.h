// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <functional>

#include "app/widgets/sample_picker.h"

namespace gorsefinch::app {

// A list whose entries are picked from samples. While the mark moves over them, previewed() says what would be chosen;
// activated() says what was.
class SampleCombo : public QComboBox {
    Q_OBJECT

  public:
    using QComboBox::QComboBox;
    // Makes the sample of each entry, when the list opens. Without it an entry has its text and icon.
    void setSamples(std::function<Sample(int entry)> make) { make_ = std::move(make); }
    void showPopup() override;
    // Those that do something else than choosing have no preview.
    void setCommands(int first) { firstCommand_ = first; }

  Q_SIGNALS:
    void previewed(int entry);
    // Nothing was chosen after previews.
    void previewEnded();

  private:
    std::function<Sample(int)> make_;
    int firstCommand_ = 1 << 30;
};

}  // namespace gorsefinch::app
