// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QSet>
#include <QStringList>

#include "core/document/document.h"
#include "core/image/series.h"

class QFileSystemWatcher;
class QImage;
class QWidget;

namespace gorsefinch::app {

class Session;

// Takes pictures into the project: files from disk, a picture from the clipboard, and what is put into or changed in
// the project's images folder. Each is decoded once, to see that it can be used, with progress and cancel.
class ImageImport : public QObject {
    Q_OBJECT

  public:
    ImageImport(Session& session, QWidget* window);

    // A numbered series becomes one animation if the user chooses so in a dialog, which is shown only when there is
    // one.
    void files(const QStringList& paths);
    void picture(const QImage& image);
    // Asks with a dialog.
    void chooseFiles();

  Q_SIGNALS:
    void imported(const QStringList& names);

  private:
    void watchFolder();
    void takeUpChanges();
    // Lets the user choose what becomes of numbered series. False if that was cancelled.
    bool askAboutSeries(std::vector<Series>& groups, std::vector<std::string> plain);
    // Decodes each group, with progress. False if that was cancelled; what can't be read is listed in `refused`.
    bool readGroups(const std::vector<Series>& groups, std::vector<Image>& images, QStringList& refused);

    // The project's own originals count as seen: what is taken out of the project is not taken up again.
    void seeOwn();

    Session& session_;
    QSet<QString> seen_;                     // files of the images folder that are no news
    Shared<std::vector<Image>> seenImages_;  // the document's list that is among them
    QWidget* window_;
    QFileSystemWatcher* watcher_;
};

}  // namespace gorsefinch::app
