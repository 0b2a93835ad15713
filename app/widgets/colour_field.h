// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>
#include <optional>
#include <vector>

#include "core/kinds/value.h"

class QLineEdit;
class QToolButton;

namespace gorsefinch::app {

// A colour of the project, as a field offers it.
struct OfferedColour {
    std::string name;
    Colour colour;
};

// A swatch and a code, or the name of one of the project's colours. The swatch opens a list of these, with a chooser
// for any other one at its end.
class ColourField : public QWidget {
    Q_OBJECT

  public:
    explicit ColourField(QWidget* parent = nullptr);
    // Nothing for several different ones. One of the project's is shown as it was offered, see setOffered().
    void setColour(std::optional<Colour> colour, const std::string& name = {});
    // The project's, which can be chosen by their names. Without any the swatch opens the chooser.
    void setOffered(std::vector<OfferedColour> offered) { offered_ = std::move(offered); }

  Q_SIGNALS:
    void colourChosen(gorsefinch::Colour colour);
    // While a colour is sought in the chooser.
    void chosenLive(gorsefinch::Colour colour);
    void nameChosen(const std::string& name);
    // The mark of the list is on a name; previewEnded() if none was chosen.
    void namePreviewed(const std::string& name);
    void previewEnded();

  private:
    void commitCode();
    void mark(bool wrong);
    void choose();
    void chooseOther();
    const OfferedColour* offered(const std::string& name) const;

    QToolButton* swatch_;
    QLineEdit* code_;
    std::optional<Colour> colour_;
    std::string name_;
    std::vector<OfferedColour> offered_;
};

}  // namespace gorsefinch::app
