// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/images/images_station.h"

#include <QButtonGroup>
#include <QClipboard>
#include <QDragEnterEvent>
#include <QFileDialog>
#include <QGuiApplication>
#include <QHBoxLayout>
#include <QLabel>
#include <QMimeData>
#include <QPushButton>
#include <QSplitter>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/images/image_import.h"
#include "app/images/export_dialog.h"
#include "app/images/frame_strip.h"
#include "app/images/image_list.h"
#include "app/images/images_model.h"
#include "app/images/ladder_view.h"
#include "app/images/picture_view.h"
#include "app/images/recipe_form.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/wrapping_row.h"
#include "app/widgets/counted.h"
#include "app/widgets/shelf_dialog.h"
#include "core/base/files.h"
#include "core/edits/image_edits.h"
#include "core/emit/export_image.h"
#include "core/project/recipe_text.h"

namespace gorsefinch::app {

namespace {

QString imageCount(qsizetype count) { return counted(count, ImagesStation::tr("image"), ImagesStation::tr("images")); }

}  // namespace

ImagesStation::ImagesStation(Session& session, QWidget* parent)
    : Station(parent),
      session_(session),
      editor_(session),
      import_(new ImageImport(session, this)),
      list_(new ImageList(session, editor_, this)),
      view_(new PictureView(session, editor_, this)),
      ladder_(new LadderView(session, editor_, this)),
      recipe_(new RecipeForm(session, editor_, this)) {
    setAcceptDrops(true);
    auto* middle = new QWidget(this);
    auto* column = new QVBoxLayout(middle);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    auto* tools = new QWidget(middle);
    auto* bar = new WrappingRow(tools, 4);
    bar->setContentsMargins(12, 5, 12, 5);
    makeViewBar(bar);
    auto* lower = new QWidget(middle);
    auto* stack = new QVBoxLayout(lower);
    stack->setContentsMargins(0, 0, 0, 0);
    stack->setSpacing(0);
    stack->addWidget(new FrameStrip(editor_, *view_, lower));
    stack->addWidget(ladder_, 1);
    auto* splitter = new QSplitter(Qt::Vertical, middle);
    splitter->addWidget(view_);
    splitter->addWidget(lower);
    splitter->setStretchFactor(0, 5);
    splitter->setStretchFactor(1, 3);
    splitter->setChildrenCollapsible(false);
    column->addWidget(tools);
    column->addWidget(splitter, 1);
    layOut(list_, middle, recipe_);
    makeCommands();
    setFocusProxy(list_);
    connect(list_, &ImageList::importRequested, import_, &ImageImport::chooseFiles);
    connect(list_, &ImageList::removeRequested, this, &ImagesStation::removeSelected);
    connect(list_, &ImageList::menuRequested, this, [this](const QPoint& at) { showMenu(at); });
    connect(import_, &ImageImport::imported, list_, &ImageList::select);
    connect(recipe_, &RecipeForm::cropRequested, this,
            [this](bool on) { on ? view_->setMode(PictureView::Mode::Crop) : view_->endCrop(); });
    connect(view_, &PictureView::cropFinished, recipe_, &RecipeForm::endCrop);
    connect(recipe_, &RecipeForm::aspectKept, view_, &PictureView::setAspectKept);
    connect(view_, &PictureView::cropDrawn, this, [this](const PixelBox& box) {
        editor_.change(
            [&](Recipe& r) { r.cropX = box.x, r.cropY = box.y, r.cropWidth = box.width, r.cropHeight = box.height; },
            tr("Crop"), "crop");
        session_.endGesture();
    });
}

void ImagesStation::makeViewBar(QLayout* row) {
    const auto space = [this](QLayout* in) {
        auto* made = new QWidget(this);
        made->setFixedSize(12, 1);
        in->addWidget(made);
    };
    const auto tool = [&](const QString& words, const QString& name, const QString& help, bool on) {
        auto* button = new QToolButton(this);
        button->setText(words);
        button->setObjectName(name);
        button->setToolTip(help);
        button->setCheckable(true);
        button->setChecked(on);
        row->addWidget(button);
        return button;
    };
    auto* modes = new QButtonGroup(this);
    auto* split = tool(tr("split"), "view_split", tr("The result over the original, with a line to drag across"), true);
    auto* beside =
        tool(tr("side by side"), "view_beside", tr("The original at the left, the result at the right"), false);
    modes->addButton(split);
    modes->addButton(beside);
    const auto look = [this](PictureView::Mode mode) {
        view_->setMode(mode);
        recipe_->endCrop();
    };
    connect(split, &QToolButton::clicked, this, [look] { look(PictureView::Mode::Split); });
    connect(beside, &QToolButton::clicked, this, [look] { look(PictureView::Mode::Beside); });
    space(row);
    auto* grid = tool(tr("pixel grid"), "view_grid", tr("Lines between the pixels from five times on"), true);
    connect(grid, &QToolButton::toggled, view_, &PictureView::setGridShown);
    auto* panel =
        tool(tr("on the panel"), "view_panel", tr("Inside the panel's outline, at true relative size"), false);
    connect(panel, &QToolButton::toggled, view_, &PictureView::setOnPanel);
    auto* end = new QWidget(this);
    auto* endRow = new QHBoxLayout(end);
    endRow->setContentsMargins(0, 0, 0, 0);
    endRow->setSpacing(4);
    for (const auto& [words, steps, help] : std::initializer_list<std::tuple<QString, int, QString>>{
             {QString::fromUtf8("−"), -1, tr("Smaller (-, Ctrl+wheel)")},
             {tr("fit"), 0, tr("All of it (0)")},
             {"+", 1, tr("Larger (+, Ctrl+wheel)")}}) {
        auto* button = new QToolButton(this);
        button->setText(words);
        button->setToolTip(help);
        button->setMinimumWidth(26);
        connect(button, &QToolButton::clicked, this,
                [this, by = steps] { by == 0 ? view_->zoomToFit() : view_->zoomBy(by); });
        endRow->addWidget(button);
    }
    space(endRow);
    auto* more = new QToolButton(this);
    more->setObjectName("image_menu");
    more->setText(tr("Image"));
    more->setIcon(Theme::icon("down"));
    more->setToolButtonStyle(Qt::ToolButtonTextBesideIcon);
    more->setLayoutDirection(Qt::RightToLeft);
    more->setToolTip(tr("Rename, delete, recipes, export"));
    connect(more, &QToolButton::clicked, this,
            [this, more] { showMenu(more->mapToGlobal(QPoint(0, more->height()))); });
    endRow->addWidget(more);
    row->addWidget(end);
}

void ImagesStation::makeCommands() {
    command(tr("Put on the screen"), Qt::CTRL | Qt::Key_Return, "place_image", [this] {
        if (const QStringList names = list_->selectedNames(); !names.isEmpty())
            Q_EMIT placeRequested(names);
    });
    command(tr("Rename"), Qt::Key_F2, "rename_image", [this] { list_->rename(); });
    command(tr("Delete"), Qt::CTRL | Qt::Key_Delete, "remove_image", [this] { removeSelected(); });
    command(tr("Paste a picture or a recipe"), QKeySequence::Paste, "paste_image", [this] { paste(); });
    command(tr("Copy recipe"), QKeySequence::Copy, "copy_recipe", [this] { copyRecipe(); });
    command(tr("Use this recipe for new pictures"), {}, "default_recipe", [this] { makeDefault(); });
    command(tr("Copy as C array"), Qt::CTRL | Qt::SHIFT | Qt::Key_C, "copy_c", [this] { copyC(); });
    command(tr("Put on my shelf"), Qt::CTRL | Qt::Key_B, "put_on_shelf", [this] { putOnShelf(); });
    command(tr("Take from my shelf…"), Qt::CTRL | Qt::SHIFT | Qt::Key_B, "take_from_shelf",
            [this] { takeFromShelf(); });
    command(tr("Export…"), Qt::CTRL | Qt::Key_E, "export_image", [this] { exportSelected(); });
}

QStringList ImagesStation::importedBy(const std::function<void()>& import) {
    QStringList names;
    const auto heard =
        connect(import_, &ImageImport::imported, this, [&](const QStringList& imported) { names = imported; });
    import();
    disconnect(heard);
    return names;
}

QStringList ImagesStation::importImages(const QStringList& paths) {
    return importedBy([&] { import_->files(paths); });
}

QStringList ImagesStation::importPicture(const QImage& picture) {
    return importedBy([&] { import_->picture(picture); });
}

QString ImagesStation::figure() const {
    const ImagesModel::Totals totals = list_->model().totals();
    const double kb = static_cast<double>(totals.inCode + totals.outside) / 1024;
    return QString("%1 · %2 KB").arg(session_.document().images->size()).arg(kb, 0, 'f', kb < 10 ? 1 : 0);
}

bool ImagesStation::goTo(const Problem& problem) {
    const QString place = QString::fromStdString(problem.file);
    if (!place.startsWith("images/") || !problem.widget.empty())
        return false;
    for (const Image& each : *session_.document().images)
        if (place == "images/" + QString::fromStdString(each.file))
            list_->select({QString::fromStdString(each.name)});
    return true;
}

void ImagesStation::removeSelected() {
    std::vector<std::string> names;
    for (const QString& each : list_->selectedNames())
        names.push_back(each.toStdString());
    if (!names.empty())
        session_.edit(removeImages(session_.document(), names),
                      names.size() == 1 ? tr("Delete image %1").arg(QString::fromStdString(names.front()))
                                        : tr("Delete %1").arg(imageCount(static_cast<qsizetype>(names.size()))));
}

void ImagesStation::copyRecipe() {
    if (!editor_.image())
        return;
    QGuiApplication::clipboard()->setText(QString::fromStdString(recipeText(editor_.recipe())));
    session_.showDone(tr("The recipe of %1 was copied: select other images and paste").arg(editor_.current()));
}

// A recipe goes to all selected images.
void ImagesStation::pasteRecipe() {
    const auto recipe = recipeFromText(QGuiApplication::clipboard()->text().toStdString());
    if (!recipe) {
        session_.showError(tr("The clipboard holds no picture and no recipe"));
        return;
    }
    std::vector<std::string> names;
    for (const QString& each : list_->selectedNames())
        names.push_back(each.toStdString());
    session_.edit(withRecipeOn(session_.document(), names, *recipe),
                  tr("Paste a recipe on %1").arg(imageCount(static_cast<qsizetype>(names.size()))));
}

void ImagesStation::makeDefault() {
    if (!editor_.image())
        return;
    Document next = session_.document();
    next.defaultRecipe = std::make_shared<const Recipe>(withoutPicture(editor_.recipe()));
    session_.edit(next, tr("Recipe for new pictures"));
    session_.showDone(tr("Pictures that are imported from now on take the recipe of %1").arg(editor_.current()));
}

void ImagesStation::paste() {
    const QMimeData* copied = QGuiApplication::clipboard()->mimeData();
    if (!copied)
        return;
    if (copied->hasUrls()) {
        import_->files(filesOf(*copied));
    } else if (copied->hasImage()) {
        import_->picture(qvariant_cast<QImage>(copied->imageData()));
    } else if (copied->hasText()) {
        pasteRecipe();
    }
}

Result<BakedImageRef> ImagesStation::bakedForExport(const Image& image) {
    return bakeForExport(session_.document(), image, imageFormat(image, *session_.document().panel), session_.images());
}

void ImagesStation::copyC() {
    const Image* image = editor_.image();
    if (!image)
        return;
    const auto baked = bakedForExport(*image);
    const auto text =
        baked ? exportImage(**baked, {image->name, "static const", "uint8_t"}, ".h") : tl::unexpected(baked.error());
    if (!text) {
        session_.showError(QString::fromStdString(text.error().text()));
        return;
    }
    QGuiApplication::clipboard()->setText(QString::fromStdString(*text));
    session_.showDone(tr("%1 was copied as a C array").arg(editor_.current()));
}

void ImagesStation::exportSelected() {
    const QStringList names = list_->selectedNames();
    if (names.isEmpty())
        return;
    const bool hasWords = std::all_of(names.begin(), names.end(), [this](const QString& name) {
        return info(imageFormat(*session_.document().image(name.toStdString()), *session_.document().panel)).bits == 16;
    });
    const auto writeAll = [&](const ExportDialog& how) -> Result<void> {
        for (const QString& name : names)
            if (auto written = writeFiles(*session_.document().image(name.toStdString()), how); !written)
                return written;
        return {};
    };
    if (ExportDialog(names, hasWords, session_.project().folder(), writeAll, this).exec() == QDialog::Accepted)
        session_.showDone(tr("%1 exported").arg(imageCount(names.size())));
}

Result<void> ImagesStation::writeFiles(const Image& image, const ExportDialog& how) {
    const auto baked = bakedForExport(image);
    if (!baked)
        return tl::unexpected(baked.error());
    const auto all = exportFiles(**baked, how.style(QString::fromStdString(image.name)), how.endings());
    if (!all)
        return tl::unexpected(all.error());
    Disk disk;
    for (const ExportedFile& each : *all)
        if (auto written = replaceFile(disk, (how.folder() + "/").toStdString() + image.name + each.ending, each.bytes);
            !written)
            return written;
    return {};
}

// A palette that is another image's comes along as colours.
void ImagesStation::putOnShelf() {
    std::vector<Image> images;
    for (const QString& each : list_->selectedNames()) {
        const Image* found = session_.document().image(each.toStdString());
        if (!found)
            continue;
        images.push_back(*found);
        Recipe& recipe = images.back().recipe;
        const auto baked = recipe.paletteSource == PaletteSource::Image
                               ? session_.images().bake(session_.document(), *found)
                               : tl::unexpected(Error{});
        if (baked) {
            recipe.palette = (*baked)->palette;
            recipe.paletteSource = PaletteSource::Own;
            recipe.paletteImage.clear();
        }
    }
    if (images.empty())
        return;
    Disk disk;
    const auto put = Shelf(disk, shelfFolder().toStdString()).put(images, {});
    if (put)
        session_.showDone(
            tr("%1 put on your shelf, for every project").arg(imageCount(static_cast<qsizetype>(images.size()))));
    else
        session_.showError(QString::fromStdString(put.error().text()));
}

void ImagesStation::takeFromShelf() {
    ShelfDialog dialog(ShelfDialog::What::Images, this);
    if (dialog.exec() != QDialog::Accepted || dialog.images().empty())
        return;
    std::vector<std::string> names;
    const Document next = addImages(session_.document(), dialog.images(), &names);
    session_.edit(next, tr("Take %1 from the shelf").arg(imageCount(static_cast<qsizetype>(names.size()))));
    QStringList all;
    for (const std::string& each : names)
        all << QString::fromStdString(each);
    list_->select(all);
}

void ImagesStation::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls() || event->mimeData()->hasImage())
        event->acceptProposedAction();
}

void ImagesStation::dropEvent(QDropEvent* event) {
    event->acceptProposedAction();
    if (event->mimeData()->hasUrls()) {
        import_->files(filesOf(*event->mimeData()));
    } else if (event->mimeData()->hasImage()) {
        import_->picture(qvariant_cast<QImage>(event->mimeData()->imageData()));
    }
}

}  // namespace gorsefinch::app
