// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QStringList>

class QWidget;

namespace gorsefinch::app {

class Session;

// Takes faces into the project: files from disk, and faces that are installed on this desktop.
class FaceImport : public QObject {
    Q_OBJECT

  public:
    FaceImport(Session& session, QWidget* window);
    // Each opens a dialog.
    void askFiles();
    void askInstalled();
    // `variant` is a face's of the file, "" for the first.
    void files(const QStringList& paths, const QString& variant = {});

  Q_SIGNALS:
    void imported(const QString& face);

  private:
    Session& session_;
    QWidget* window_;
};

}  // namespace gorsefinch::app
