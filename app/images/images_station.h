// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include "app/images/image_editor.h"
#include "app/widgets/station.h"

class QLayout;
class QToolButton;

namespace gorsefinch::app {

class ImageImport;
class ExportDialog;
class ImageList;
class LadderView;
class PictureView;
class RecipeForm;
class Session;

// Originals become target pixels: the images at the left, source and result in the middle over the ladder, the recipe
// at the right.
class ImagesStation : public Station {
    Q_OBJECT

  public:
    explicit ImagesStation(Session& session, QWidget* parent = nullptr);
    QString title() const override { return tr("Images"); }
    QString figure() const override;
    QString help() const override { return tr("Pictures and what becomes of them in the panel's pixels"); }
    int number() const override { return 2; }
    bool goTo(const Problem& problem) override;
    // Takes pictures from disk into the project; returns the names that they have there.
    QStringList importImages(const QStringList& paths);
    QStringList importPicture(const QImage& picture);

  Q_SIGNALS:
    // Images that are to be put on the screen that is edited.
    void placeRequested(const QStringList& names);

  protected:
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

  private:
    QStringList importedBy(const std::function<void()>& import);
    void makeViewBar(QLayout* row);
    void makeCommands();
    void copyRecipe();
    void pasteRecipe();
    void makeDefault();
    void removeSelected();
    void paste();
    void exportSelected();
    Result<void> writeFiles(const Image& image, const ExportDialog& how);
    void putOnShelf();
    void takeFromShelf();
    void copyC();
    Result<BakedImageRef> bakedForExport(const Image& image);

    Session& session_;
    ImageEditor editor_;
    ImageImport* import_;
    ImageList* list_;
    PictureView* view_;
    LadderView* ladder_;
    RecipeForm* recipe_;
    QToolButton* crop_ = nullptr;
};

}  // namespace gorsefinch::app
