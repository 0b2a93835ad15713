// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fonts/face_import.h"

#include <QFileDialog>
#include <QFileInfo>
#include <QSettings>

#include "app/fonts/installed_dialog.h"
#include "app/session/session.h"
#include "core/base/files.h"
#include "core/edits/font_edits.h"
#include "core/font/face_facts.h"

namespace gorsefinch::app {

FaceImport::FaceImport(Session& session, QWidget* window) : QObject(window), session_(session), window_(window) {}

void FaceImport::askFiles() {
    QSettings settings;
    const QStringList paths = QFileDialog::getOpenFileNames(
        window_, tr("Import faces"), settings.value("face_folder").toString(), tr("Faces (%1)").arg(kFacePatterns));
    if (paths.isEmpty())
        return;
    settings.setValue("face_folder", QFileInfo(paths.front()).path());
    files(paths);
}

void FaceImport::askInstalled() {
    InstalledDialog dialog(window_);
    if (dialog.exec() == QDialog::Accepted && !dialog.file().isEmpty())
        files({dialog.file()}, dialog.variant());
}

void FaceImport::files(const QStringList& paths, const QString& variant) {
    Disk disk;
    Document next = session_.document();
    QStringList names, words;
    for (const QString& path : paths) {
        const auto bytes = readOriginal(disk, path.toStdString(), kMaxFaceFile);
        const std::string file = QFileInfo(path).fileName().toStdString();
        const auto facts = bytes ? faceFacts(*bytes, file, variant.toStdString()) : tl::unexpected(bytes.error());
        if (!facts) {
            session_.showError(QString::fromStdString(facts.error().text()));
            continue;
        }
        Face face;
        face.file = file;
        face.original = *bytes;
        for (const FaceVariant& each : facts->variants)
            if (each.name == variant.toStdString() && facts->variants.size() > 1)
                face.variant = each.name;
        std::string name;
        next = addFace(next, std::move(face), &name);
        names << QString::fromStdString(name);
        if (!facts->embedding.empty())
            words << QString::fromStdString(name + ": " + facts->embedding);
        else if (facts->licence.empty())
            words << tr("%1 says nothing of its licence: make sure that you may ship it")
                         .arg(QString::fromStdString(name));
    }
    if (names.isEmpty())
        return;
    session_.edit(next, tr("Import %1").arg(names.join(", ")));
    if (words.isEmpty())
        session_.showDone(tr("Imported %1").arg(names.join(", ")));
    else
        session_.showError(words.join("; "));
    Q_EMIT imported(names.front());
}

}  // namespace gorsefinch::app
