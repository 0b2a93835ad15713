// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "app/fonts/font_editor.h"
#include "app/widgets/station.h"

namespace gorsefinch::app {

class FaceImport;
class FontForm;
class FontLadder;
class FontList;
class SpecimenView;

// Where faces become glyphs.
class FontsStation : public Station {
    Q_OBJECT

  public:
    explicit FontsStation(Session& session, QWidget* parent = nullptr);
    QString title() const override { return tr("Fonts"); }
    QString figure() const override;
    QString help() const override { return tr("Import faces; look at their glyphs and what they cost"); }
    int number() const override { return 3; }
    bool goTo(const Problem& problem) override;

  Q_SIGNALS:
    void widgetChosen(const QString& screen, const QString& widget);

  protected:
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

  private:
    void makeCommands();
    void addSize();
    void remove();
    void exportFont();
    void putOnShelf();
    void takeFromShelf();

    Session& session_;
    FontEditor editor_;
    FaceImport* import_;
    FontList* list_;
    SpecimenView* specimen_;
    FontLadder* ladder_;
    FontForm* form_;
};

}  // namespace gorsefinch::app
