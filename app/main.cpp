// SPDX-License-Identifier: GPL-3.0-or-later
#include <QApplication>
#include <QCommandLineParser>
#include <QFileInfo>
#include <QSettings>

#include "app/frame/main_window.h"
#include "app/session/session.h"
#include "app/start/start_page.h"
#include "app/theme/theme.h"

namespace {

// A project's folder, for which its main file may be given.
QString folderOf(const QString& path) {
    const QFileInfo given(path);
    return given.isFile() && given.fileName() == "gorsefinch.json" ? given.absolutePath() : path;
}

}  // namespace

int main(int count, char** words) {
    QApplication application(count, words);
    QApplication::setOrganizationName("gorsefinch");
    QApplication::setApplicationName("gorsefinch");
    QApplication::setApplicationVersion(GORSEFINCH_VERSION);
    QGuiApplication::setDesktopFileName("gorsefinch");
    QCommandLineParser parser;
    parser.setApplicationDescription(
        QApplication::tr("Lays out the interface of a small display, runs it, and generates its code."));
    parser.addHelpOption();
    parser.addVersionOption();
    const QCommandLineOption appearance("appearance", QApplication::tr("system, light or dark"), "which");
    parser.addOption(appearance);
    parser.addPositionalArgument("project", QApplication::tr("The project's folder; the last one without it."));
    parser.process(application);
    using namespace gorsefinch::app;
    const QString given = parser.value(appearance);
    const int kept = QSettings().value("appearance", 0).toInt();
    Theme::apply(application, given == "dark"    ? Appearance::Dark
                              : given == "light" ? Appearance::Light
                                                 : static_cast<Appearance>(kept));
    Session session;
    MainWindow window(session);
    window.show();
    const QStringList folders =
        parser.positionalArguments().isEmpty() ? recentProjects() : parser.positionalArguments();
    if (folders.isEmpty())
        window.showStart();
    else
        window.openProject(folderOf(folders.front()));
    return application.exec();
}
