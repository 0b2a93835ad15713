// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fonts/fonts_station.h"

#include <QDragEnterEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QInputDialog>
#include <QMimeData>
#include <QSplitter>
#include <QVBoxLayout>

#include "app/fonts/face_import.h"
#include "app/fonts/font_form.h"
#include "app/fonts/font_ladder.h"
#include "app/fonts/font_list.h"
#include "app/fonts/fonts_model.h"
#include "app/fonts/glyph_table.h"
#include "app/fonts/glyph_view.h"
#include "app/fonts/specimen_view.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/shelf_dialog.h"
#include "core/base/files.h"
#include "core/edits/font_edits.h"
#include "core/emit/export_font.h"
#include "core/font/face_facts.h"

namespace gorsefinch::app {

FontsStation::FontsStation(Session& session, QWidget* parent)
    : Station(parent),
      session_(session),
      editor_(session),
      import_(new FaceImport(session, this)),
      list_(new FontList(session, editor_, this)),
      specimen_(new SpecimenView(session, editor_, this)),
      ladder_(new FontLadder(session, editor_, *specimen_, this)),
      form_(new FontForm(session, editor_, this)) {
    setAcceptDrops(true);
    auto* middle = new QSplitter(Qt::Vertical, this);
    auto* glyphs = new QSplitter(Qt::Horizontal, middle);
    glyphs->addWidget(new GlyphTable(editor_, glyphs));
    glyphs->addWidget(new GlyphView(session, editor_, glyphs));
    glyphs->setStretchFactor(0, 5);
    glyphs->setStretchFactor(1, 4);
    glyphs->setChildrenCollapsible(false);
    middle->addWidget(specimen_);
    middle->addWidget(glyphs);
    middle->addWidget(ladder_);
    for (int i = 0; i < 3; ++i)
        middle->setStretchFactor(i, 1);
    middle->setSizes({200, 240, 220});
    middle->setChildrenCollapsible(false);
    layOut(list_, middle, form_);
    // Without a font there are no glyphs and nothing to climb.
    connect(&editor_, &FontEditor::shown, this, [this, glyphs] {
        for (QWidget* each : std::initializer_list<QWidget*>{glyphs, ladder_})
            each->setVisible(editor_.font() != nullptr);
    });
    makeCommands();
    setFocusProxy(list_);
    connect(list_, &FontList::importRequested, this, [this](const QPoint& at) { showMenu(at, 3); });
    connect(list_, &FontList::sizeRequested, this, &FontsStation::addSize);
    connect(list_, &FontList::removeRequested, this, &FontsStation::remove);
    connect(list_, &FontList::menuRequested, this, [this](const QPoint& at) { showMenu(at); });
    connect(import_, &FaceImport::imported, this, [this](const QString& face) {
        editor_.setCurrent({face.toStdString(), 0});
    });
    connect(form_, &FontForm::widgetChosen, this, &FontsStation::widgetChosen);
}

void FontsStation::makeCommands() {
    command(tr("Import from files…"), Qt::CTRL | Qt::Key_I, "face_files", [this] { import_->askFiles(); });
    command(tr("Import an installed face…"), Qt::CTRL | Qt::SHIFT | Qt::Key_I, "face_installed",
            [this] { import_->askInstalled(); });
    command(tr("Take from my shelf…"), Qt::CTRL | Qt::SHIFT | Qt::Key_B, "take_face_from_shelf",
            [this] { takeFromShelf(); });
    command(tr("Put on my shelf"), Qt::CTRL | Qt::Key_B, "put_face_on_shelf", [this] { putOnShelf(); });
    command(tr("Make a size…"), Qt::CTRL | Qt::Key_Plus, "make_size", [this] { addSize(); });
    command(tr("Rename the face"), Qt::Key_F2, "rename_face", [this] { list_->rename(); });
    command(tr("Delete"), Qt::CTRL | Qt::Key_Delete, "remove_font", [this] { remove(); });
    command(tr("Export this size…"), Qt::CTRL | Qt::Key_E, "export_font", [this] { exportFont(); });
}

QString FontsStation::figure() const {
    const double kb = static_cast<double>(list_->model().usedBytes()) / 1024;
    return QString("%1 · %2 KB").arg(session_.document().faces->size()).arg(kb, 0, 'f', kb < 10 ? 1 : 0);
}

bool FontsStation::goTo(const Problem& problem) {
    for (const Face& each : *session_.document().faces)
        if (problem.file == "fonts/" + each.file || problem.place.starts_with(each.name + " ")) {
            editor_.setCurrent({each.name, 0});
            return true;
        }
    return false;
}

void FontsStation::addSize() {
    if (!editor_.face())
        return;
    bool good = false;
    const int size = QInputDialog::getInt(this, tr("Make a size"), tr("Size in pixels:"), editor_.shownKey().size,
                                          kMinFontSize, kMaxFontSize, 1, &good);
    if (!good)
        return;
    const FontKey key{editor_.current().face, size};
    session_.edit(addFontSize(session_.document(), key),
                  tr("Make %1 px of %2").arg(size).arg(QString::fromStdString(key.face)));
    editor_.setCurrent(key);
}

void FontsStation::remove() {
    const Face* face = editor_.face();
    if (!face)
        return;
    const FontKey key = editor_.current();
    const QString name = QString::fromStdString(key.face);
    if (key.size != 0) {
        if (!face->ownSize(key.size)) {
            session_.showError(tr("%1 px is there because looks or widgets use it; change them, or take another "
                                  "rung of the ladder")
                                   .arg(key.size));
            return;
        }
        session_.edit(removeFontSize(session_.document(), key), tr("Delete the settings of %1 px").arg(key.size));
        return;
    }
    session_.edit(removeFace(session_.document(), key.face), tr("Delete the face %1").arg(name));
    session_.showDone(tr("Deleted %1; Ctrl+Z brings it back").arg(name));
}

void FontsStation::exportFont() {
    if (!editor_.font())
        return;
    const FontKey key = editor_.shownKey();
    const QString start = QString("%1_%2.bdf").arg(QString::fromStdString(key.face)).arg(key.size);
    const QString path =
        QFileDialog::getSaveFileName(this, tr("Export %1, %2 px").arg(QString::fromStdString(key.face)).arg(key.size),
                                     start, tr("Bitmap font (*.bdf);;Sheet of glyphs (*.png);;C source (*.c)"));
    if (path.isEmpty())
        return;
    Disk disk;
    const auto bytes = gorsefinch::exportFont(*editor_.font(), "." + QFileInfo(path).suffix().toLower().toStdString());
    const auto written = bytes ? replaceFile(disk, path.toStdString(), *bytes) : tl::unexpected(bytes.error());
    if (written)
        session_.showDone(tr("Wrote %1").arg(path));
    else
        session_.showError(QString::fromStdString(written.error().text()));
}

void FontsStation::putOnShelf() {
    const Face* face = editor_.face();
    if (!face)
        return;
    // The sizes in use come along, with the settings that they have.
    Document whole = session_.document();
    for (const FontRef& each : session_.scene()->fonts)
        if (each->key().face == face->name)
            whole = addFontSize(whole, each->key());
    Disk disk;
    const auto put = Shelf(disk, shelfFolder().toStdString()).put({}, std::span(whole.face(face->name), 1));
    if (put)
        session_.showDone(tr("%1 put on your shelf, for every project").arg(QString::fromStdString(face->name)));
    else
        session_.showError(QString::fromStdString(put.error().text()));
}

void FontsStation::takeFromShelf() {
    ShelfDialog dialog(ShelfDialog::What::Faces, this);
    if (dialog.exec() != QDialog::Accepted || dialog.faces().empty())
        return;
    Document next = session_.document();
    std::string name;
    for (const Face& each : dialog.faces())
        next = takeFace(next, each, &name);
    session_.edit(next, tr("Take %1 from the shelf").arg(QString::fromStdString(name)));
    editor_.setCurrent({name, 0});
}

void FontsStation::showEvent(QShowEvent*) { editor_.setAwake(true); }
void FontsStation::hideEvent(QHideEvent*) { editor_.setAwake(false); }

void FontsStation::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls())
        event->acceptProposedAction();
}

void FontsStation::dropEvent(QDropEvent* event) {
    const QStringList paths = filesOf(*event->mimeData());
    if (!paths.isEmpty() && session_.isOpen())
        import_->files(paths);
    event->acceptProposedAction();
}

}  // namespace gorsefinch::app
