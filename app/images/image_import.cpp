// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/images/image_import.h"

#include <QApplication>
#include <QBuffer>
#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QFileSystemWatcher>
#include <QImage>
#include <QMessageBox>
#include <QProgressDialog>
#include <QPushButton>
#include <QSettings>
#include <QTimer>

#include "app/session/session.h"
#include "app/widgets/counted.h"
#include "app/widgets/from_std.h"
#include "core/base/files.h"
#include "core/edits/image_edits.h"
#include "core/image/series.h"

namespace gorsefinch::app {

namespace {

// What is larger than the panel comes in as large as the panel shows it whole, unless the recipe says a size.
void fitToPanel(Recipe& recipe, const Original& original, const Panel& panel) {
    if (recipe.width != 0 || recipe.height != 0 ||
        (original.width() <= panel.width && original.height() <= panel.height))
        return;
    const bool wide = int64_t{original.width()} * panel.height >= int64_t{original.height()} * panel.width;
    (wide ? recipe.width : recipe.height) = wide ? panel.width : panel.height;
}

// The image of one file or series with their bytes, decoded to see that it can be used.
Result<Image> imageFrom(const std::vector<MoreOriginal>& files, const Document& document,
                        const OnProgress& progress = {}) {
    Image image;
    image.file = files.front().file;
    image.original = files.front().original;
    image.more.assign(files.begin() + 1, files.end());
    image.recipe = *document.defaultRecipe;
    const auto decoded = decodeFrames(image, progress);
    if (!decoded)
        return tl::unexpected(decoded.error());
    fitToPanel(image.recipe, **decoded, *document.panel);
    return image;
}

Result<Image> readImage(const std::vector<std::string>& paths, const Document& document,
                        const OnProgress& progress = {}) {
    Disk disk;
    std::vector<MoreOriginal> files;
    for (const std::string& path : paths) {
        const auto bytes = readOriginal(disk, path, kMaxPictureFile);
        if (!bytes)
            return tl::unexpected(bytes.error());
        files.push_back({std::filesystem::path(path).filename().string(), *bytes});
    }
    return imageFrom(files, document, progress);
}

}  // namespace

ImageImport::ImageImport(Session& session, QWidget* window)
    : QObject(window), session_(session), window_(window), watcher_(new QFileSystemWatcher(this)) {
    connect(&session, &Session::changed, this, [this](const Change& change) {
        if (!change.opened)
            return;
        seen_.clear();
        seenImages_ = {};
        for (const std::string& each : session_.project().store().imageFiles())
            seen_.insert(fromStd(each));
        watchFolder();
    });
    connect(&session, &Session::savedChanged, this, [this] {
        seeOwn();
        // Only a save changes the folder.
        if (!session_.isOpen() || session_.history().isSaved())
            watchFolder();
    });
    auto* settled = new QTimer(this);
    settled->setSingleShot(true);
    settled->setInterval(300);  // a file that is being written is left to its writer
    const auto wait = [settled] { settled->start(); };
    connect(watcher_, &QFileSystemWatcher::directoryChanged, this, wait);
    connect(watcher_, &QFileSystemWatcher::fileChanged, this, wait);
    connect(settled, &QTimer::timeout, this, &ImageImport::takeUpChanges);
}

void ImageImport::chooseFiles() {
    QSettings settings;
    const QStringList paths =
        QFileDialog::getOpenFileNames(window_, tr("Import pictures"), settings.value("picture_folder").toString(),
                                      tr("Pictures (%1)").arg(kPicturePatterns));
    if (paths.isEmpty())
        return;
    settings.setValue("picture_folder", QFileInfo(paths.front()).path());
    files(paths);
}

bool ImageImport::askAboutSeries(std::vector<Series>& groups, std::vector<std::string> plain) {
    const bool anySeries =
        std::any_of(groups.begin(), groups.end(), [](const Series& each) { return each.files.size() > 1; });
    if (!anySeries)
        return true;
    QMessageBox question(QMessageBox::Question, tr("A numbered series"),
                         tr("Some of these pictures are numbered. Each series can be one animation."),
                         QMessageBox::Cancel, window_);
    auto* one = question.addButton(tr("One animation each"), QMessageBox::AcceptRole);
    auto* apart = question.addButton(tr("Single pictures"), QMessageBox::NoRole);
    one->setObjectName("as_animation");
    apart->setObjectName("as_pictures");
    question.setDefaultButton(qobject_cast<QPushButton*>(one));
    question.exec();
    if (question.clickedButton() != one && question.clickedButton() != apart)
        return false;
    if (question.clickedButton() == apart) {
        groups.clear();
        std::sort(plain.begin(), plain.end(), naturallyBefore);
        for (const std::string& each : plain)
            groups.push_back({{}, {each}});
    }
    return true;
}

bool ImageImport::readGroups(const std::vector<Series>& groups, std::vector<Image>& images, QStringList& refused) {
    QProgressDialog progress(tr("Reading pictures …"), tr("Cancel"), 0, static_cast<int>(groups.size()) * 100, window_);
    progress.setWindowModality(Qt::WindowModal);
    progress.setMinimumDuration(400);
    for (size_t i = 0; i < groups.size(); ++i) {
        const int before = static_cast<int>(i) * 100;
        progress.setLabelText(tr("Reading %1 …").arg(QFileInfo(fromStd(groups[i].files.front())).fileName()));
        progress.setValue(before);
        auto image = readImage(groups[i].files, session_.document(), [&](Step, double done) {
            progress.setValue(before + static_cast<int>(done * 100));
            return !progress.wasCanceled();
        });
        if (progress.wasCanceled())
            return false;
        if (!image) {
            Error error = image.error();
            if (error.file.starts_with("images/"))
                error.file.erase(0, 7);
            refused << fromStd(error.text());
            continue;
        }
        if (groups[i].files.size() > 1)
            image->name = groups[i].stem;
        images.push_back(std::move(*image));
    }
    progress.setValue(progress.maximum());
    return true;
}

void ImageImport::files(const QStringList& paths) {
    std::vector<std::string> plain;
    for (const QString& path : paths)
        if (QFileInfo(path).isFile())
            plain.push_back(path.toStdString());
    std::vector<Series> groups = groupSeries(plain);
    if (!askAboutSeries(groups, plain))
        return;
    std::vector<Image> images;
    QStringList refused;
    if (!readGroups(groups, images, refused))
        return;
    if (!refused.isEmpty())
        session_.showError(refused.size() == 1
                               ? refused.front()
                               : tr("%1 (and %2 more could not be read)").arg(refused.front()).arg(refused.size() - 1));
    if (images.empty())
        return;
    std::vector<std::string> names;
    const Document next = addImages(session_.document(), std::move(images), &names);
    session_.edit(
        next, names.size() == 1
                  ? tr("Import %1").arg(fromStd(names.front()))
                  : tr("Import %1").arg(counted(static_cast<qsizetype>(names.size()), tr("picture"), tr("pictures"))));
    QStringList all;
    for (const std::string& each : names)
        all << fromStd(each);
    if (refused.isEmpty())
        session_.showDone(tr("Imported %1").arg(all.join(", ")));
    Q_EMIT imported(all);
}

void ImageImport::picture(const QImage& given) {
    QByteArray data;
    QBuffer buffer(&data);
    buffer.open(QIODevice::WriteOnly);
    given.save(&buffer, "png");
    std::string name;
    session_.edit(addImage(session_.document(), "pasted.png", FileContents::mapped(data.toStdString()), &name),
                  tr("Paste a picture"));
    Q_EMIT imported({fromStd(name)});
}

void ImageImport::seeOwn() {
    if (!session_.isOpen() || seenImages_ == session_.document().images)
        return;
    seenImages_ = session_.document().images;
    for (const Image& each : *seenImages_) {
        seen_.insert(fromStd(each.file));
        for (const MoreOriginal& more : each.more)
            seen_.insert(fromStd(more.file));
    }
}

void ImageImport::watchFolder() {
    if (!watcher_->directories().isEmpty())
        watcher_->removePaths(watcher_->directories());
    if (!watcher_->files().isEmpty())
        watcher_->removePaths(watcher_->files());
    if (!session_.isOpen())
        return;
    const QDir folder(session_.project().folder() + "/images");
    if (!folder.exists())
        return;
    watcher_->addPath(folder.path());
    for (const std::string& file : session_.project().store().imageFiles())
        watcher_->addPath(folder.filePath(fromStd(file)));
}

// What others did in the images folder: changed originals are read again, new pictures come in.
void ImageImport::takeUpChanges() {
    if (!session_.isOpen() || !session_.mayEdit())
        return;
    Document next = session_.document();
    QStringList changed;
    std::vector<Image> fresh;
    const QStringList patterns = QString(kPicturePatterns).split(' ');
    for (const std::string& name : session_.project().store().imageFiles()) {
        const QString file = fromStd(name);
        if (!QDir::match(patterns, file))
            continue;
        const auto bytes = session_.project().store().readProjectFile("images/" + name, kMaxPictureFile);
        if (!bytes)
            continue;
        bool known = false;
        for (const Image& each : *next.images) {
            const bool first = each.file == name;
            const auto more =
                std::find_if(each.more.begin(), each.more.end(), [&](const MoreOriginal& m) { return m.file == name; });
            if (!first && more == each.more.end())
                continue;
            known = true;
            const Bytes& held = first ? each.original : more->original;
            if (held && *held == bytes->text())
                break;
            Image copy = each;
            const Bytes& original = bytes->shared();
            if (first)
                copy.original = original;
            else
                copy.more[static_cast<size_t>(more - each.more.begin())].original = original;
            if (!decodeFrames(copy))
                break;
            next = withImage(next, copy);
            changed << fromStd(each.name);
            break;
        }
        if (known || seen_.contains(file))
            continue;
        seen_.insert(file);
        if (const auto image = imageFrom({{name, bytes->shared()}}, session_.document()))
            fresh.push_back(*image);
    }
    std::vector<std::string> names;
    if (!fresh.empty())
        next = addImages(next, fresh, &names);
    if (!changed.isEmpty() || !names.empty())
        session_.edit(next, tr("Reload what changed in the images folder"));
    if (!changed.isEmpty())
        session_.showDone(tr("%1 changed on disk and was read again").arg(changed.join(", ")));
    watchFolder();
}

}  // namespace gorsefinch::app
