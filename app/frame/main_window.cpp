// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/frame/main_window.h"

#include <QAction>
#include <QApplication>
#include <QCloseEvent>
#include <QFileDialog>
#include <QLabel>
#include <QMenu>
#include <QMessageBox>
#include <QPointer>
#include <QPushButton>
#include <QScreen>
#include <QSplitter>
#include <QSettings>
#include <QStackedWidget>
#include <QTimer>
#include <QVBoxLayout>

#include "app/code/code_station.h"
#include "app/frame/commands_dialog.h"
#include "app/frame/foot.h"
#include "app/frame/header.h"
#include "app/frame/project_bars.h"
#include "app/fonts/fonts_station.h"
#include "app/images/images_station.h"
#include "app/panel/panel_station.h"
#include "app/rules/rules_station.h"
#include "app/screens/screens_station.h"
#include "app/session/session.h"
#include "app/start/start_page.h"
#include "app/theme/theme.h"
#include "app/variables/variables_station.h"
#include "app/widgets/wheel_guard.h"

namespace gorsefinch::app {

MainWindow::MainWindow(Session& session) : session_(session) {
    setWindowTitle("Gorsefinch");
    setWindowIcon(QIcon(":/icons/app.svg"));
    qApp->installEventFilter(new WheelGuard(this));
    makeStations();
    auto* page = new QWidget(this);
    auto* column = new QVBoxLayout(page);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    header_ = new Header(session_, stations_, page);
    foot_ = new Foot(session_, page);
    bars_ = new ProjectBars(session_, page);
    column->addWidget(header_);
    column->addWidget(bars_);
    column->addWidget(pages_, 1);
    column->addWidget(foot_);
    setCentralWidget(page);
    makeCommands();
    connect(header_, &Header::stationChosen, this, &MainWindow::showStation);
    connect(header_->projectCell(), &HeaderCell::clicked, this, &MainWindow::showProjectMenu);
    connect(screens_, &ScreensStation::pointerMoved, foot_, &Foot::setPointer);
    connect(screens_, &ScreensStation::pressHinted, foot_, &Foot::setPress);
    connect(screens_, &ScreensStation::ruleRequested, this, [this](const QString& widget) {
        showStation(static_cast<int>(stations_.indexOf(rules_)));
        rules_->addTapRule(widget);
    });
    connect(foot_, &Foot::problemChosen, this, &MainWindow::goTo);
    // It follows each change too.
    connect(&session_, &Session::savedChanged, this, &MainWindow::refresh);
    connect(&session_.selection(), &Selection::changed, foot_, &Foot::refresh);
    connect(&session_, &Session::noticed, foot_, &Foot::showNotice);
    connect(bars_, &ProjectBars::saveAsRequested, this, &MainWindow::saveAs);
    restoreState();
}

void MainWindow::makeStations() {
    pages_ = new QStackedWidget(this);
    screens_ = new ScreensStation(session_);
    rules_ = new RulesStation(session_);
    auto* fonts = new FontsStation(session_);
    connect(fonts, &FontsStation::widgetChosen, this, [this](const QString& screen, const QString& widget) {
        showStation(static_cast<int>(stations_.indexOf(screens_)));
        session_.selection().showScreen(screen);
        session_.selection().select({widget.toStdString()});
    });
    auto* images = new ImagesStation(session_);
    connect(images, &ImagesStation::placeRequested, this, [this](const QStringList& names) {
        showStation(static_cast<int>(stations_.indexOf(screens_)));
        screens_->placeImages(names);
    });
    connect(screens_, &ScreensStation::filesDropped, this, [this, images](const QStringList& paths, const QPoint& at) {
        if (const QStringList names = images->importImages(paths); !names.isEmpty())
            screens_->placeImages(names, at);
    });
    connect(screens_, &ScreensStation::picturePasted, this, [this, images](const QImage& picture, const QPoint& at) {
        screens_->placeImages(images->importPicture(picture), at);
    });
    auto* variables = new VariablesStation(session_);
    connect(variables, &VariablesStation::placeChosen, this, &MainWindow::goTo);
    stations_ = {new PanelStation(session_), images, fonts, variables, screens_, rules_, new CodeStation(session_)};
    for (Station* station : std::as_const(stations_))
        pages_->addWidget(station);
    start_ = new StartPage(session_);
    pages_->addWidget(start_);
    connect(start_, &StartPage::openRequested, this, [this](const QString& folder) {
        if (folder.isEmpty())
            askOpen();
        else if (mayLeave())
            openProject(folder);
    });
    connect(start_, &StartPage::created, this, [this] { openProject(session_.project().folder()); });
    connect(start_, &StartPage::backRequested, this,
            [this] { showStation(static_cast<int>(stations_.indexOf(screens_))); });
}

void MainWindow::addCommand(Command id, const QString& name, const QList<QKeySequence>& keys,
                            const std::function<void()>& run) {
    auto* action = new QAction(name, this);
    action->setShortcuts(keys);
    connect(action, &QAction::triggered, this, run);
    addAction(action);
    commands_[id] = action;
}

void MainWindow::makeCommands() {
    addCommand(Command::New, tr("New project…"), {Qt::CTRL | Qt::SHIFT | Qt::Key_N}, [this] {
        if (mayLeave())
            showStart();
    });
    addCommand(Command::Open, tr("Open…"), {QKeySequence::Open}, [this] { askOpen(); });
    addCommand(Command::Save, tr("Save"), {QKeySequence::Save}, [this] { save(); });
    addCommand(Command::SaveAs, tr("Save as…"), {Qt::CTRL | Qt::SHIFT | Qt::Key_S}, [this] { saveAs(); });
    addCommand(Command::Undo, tr("Undo"), {QKeySequence::Undo}, [this] { session_.undo(); });
    addCommand(Command::Redo, tr("Redo"), {Qt::CTRL | Qt::SHIFT | Qt::Key_Z, Qt::CTRL | Qt::Key_Y},
               [this] { session_.redo(); });
    addCommand(Command::ProjectMenu, tr("Project menu"), {Qt::ALT | Qt::Key_P}, [this] { showProjectMenu(); });
    addCommand(Command::Keys, tr("Keys and commands"), {Qt::Key_F1}, [this] { showCommands(); });
    addCommand(Command::Quit, tr("Quit"), {QKeySequence::Quit}, [this] { close(); });
    for (int i = 0; i < stations_.size(); ++i) {
        auto* action = new QAction(tr("Station %1").arg(stations_[i]->title()), this);
        action->setShortcut(QKeySequence(QString("Alt+%1").arg(stations_[i]->number())));
        connect(action, &QAction::triggered, this, [this, i] { showStation(i); });
        addAction(action);
    }
}

void MainWindow::showProjectMenu() {
    QMenu menu(this);
    const auto entry = [&](Command id) { menu.addAction(commands_[id]); };
    entry(Command::New);
    entry(Command::Open);
    QMenu* recent = menu.addMenu(tr("Recent"));
    for (const QString& folder : recentProjects())
        recent->addAction(folder, this, [this, folder] {
            if (mayLeave())
                openProject(folder);
        });
    recent->setEnabled(!recent->isEmpty());
    menu.addSeparator();
    entry(Command::Save);
    entry(Command::SaveAs);
    menu.addSeparator();
    entry(Command::Undo);
    entry(Command::Redo);
    commands_[Command::Undo]->setEnabled(session_.isOpen() && session_.history().canUndo());
    commands_[Command::Redo]->setEnabled(session_.isOpen() && session_.history().canRedo());
    menu.addSeparator();
    QMenu* appearance = menu.addMenu(tr("Appearance"));
    const int now = QSettings().value("appearance", 0).toInt();
    const QString names[] = {tr("As the system"), tr("Light"), tr("Dark")};
    for (int i = 0; i < 3; ++i) {
        QAction* action = appearance->addAction(names[i], this, [this, i] { setAppearance(i); });
        action->setCheckable(true);
        action->setChecked(i == now);
    }
    entry(Command::Keys);
    menu.addSeparator();
    entry(Command::Quit);
    menu.exec(header_->projectCell()->mapToGlobal(QPoint(8, header_->projectCell()->height() - 4)));
    commands_[Command::Undo]->setEnabled(true);
    commands_[Command::Redo]->setEnabled(true);
}

void MainWindow::setAppearance(int appearance) {
    QSettings().setValue("appearance", appearance);
    Theme::apply(*qApp, static_cast<Appearance>(appearance));
    for (QWidget* widget : findChildren<QWidget*>())
        widget->update();
}

void MainWindow::showStation(int station) {
    if (!session_.isOpen())
        return;
    pages_->setCurrentWidget(stations_[station]);
    header_->setCurrent(station);
    foot_->setPointer({});
    stations_[station]->setFocus();
    QSettings().setValue("station", stations_[station]->number());
}

void MainWindow::showStart() {
    start_->refresh();
    pages_->setCurrentWidget(start_);
    refresh();
}

int MainWindow::showDialog(const QString& title, const QString& words, int buttons) {
    QMessageBox box(QMessageBox::NoIcon, title, words, static_cast<QMessageBox::StandardButtons>(buttons), this);
    return box.exec();
}

bool MainWindow::openProject(const QString& folder) {
    bars_->reset();
    const auto opened = session_.open(folder);
    if (!opened) {
        if (!session_.isOpen())
            showStart();
        showDialog(tr("The project can't be opened"), QString::fromStdString(opened.error().text()), QMessageBox::Ok);
        return false;
    }
    rememberProject(folder);
    setWindowTitle(QString::fromStdString(session_.document().name) + " – Gorsefinch");
    // The first project after the start comes up where the user was.
    const int wanted = std::exchange(lastStation_, 0);
    int shown = static_cast<int>(stations_.indexOf(screens_));
    for (int i = 0; i < stations_.size(); ++i)
        if (stations_[i]->number() == wanted)
            shown = i;
    showStation(shown);
    if (hasErrors(session_.problems()))
        foot_->showNotice(tr("The project was opened, but something in it is wrong: see the problems."), false);
    return true;
}

void MainWindow::askOpen() {
    if (!mayLeave())
        return;
    const QString folder =
        QFileDialog::getExistingDirectory(this, tr("Open a project's folder"), session_.project().folder());
    if (!folder.isEmpty())
        openProject(folder);
}

// What is being typed into a field counts too.
void MainWindow::finishTyping() {
    const QPointer<QWidget> field = focusWidget();
    if (!field)
        return;
    field->clearFocus();
    if (field)
        field->setFocus();
}

bool MainWindow::save() {
    if (!session_.isOpen())
        return false;
    finishTyping();
    auto saved = session_.save();
    // What another program wrote is looked at before anything replaces it.
    if (!saved && saved.error().code == kChangedOutside && bars_->reviewOutside())
        saved = session_.save();
    if (!saved)
        showDialog(tr("Not saved"), QString::fromStdString(saved.error().text()), QMessageBox::Ok);
    return saved.has_value();
}

void MainWindow::saveAs() {
    if (!session_.isOpen())
        return;
    finishTyping();
    const QString folder =
        QFileDialog::getExistingDirectory(this, tr("Save into an empty folder"), session_.project().folder());
    if (folder.isEmpty())
        return;
    if (const auto saved = session_.saveAs(folder); !saved)
        showDialog(tr("Not saved"), QString::fromStdString(saved.error().text()), QMessageBox::Ok);
    else
        rememberProject(folder);
}

// Asks what to do with unsaved work; false if the user stays.
bool MainWindow::mayLeave() {
    finishTyping();
    if (!session_.isOpen() || session_.history().isSaved())
        return true;
    const int answer = showDialog(
        tr("Unsaved work"),
        tr("The project %1 has changes that are not saved.").arg(QString::fromStdString(session_.document().name)),
        QMessageBox::Save | QMessageBox::Discard | QMessageBox::Cancel);
    if (answer == QMessageBox::Save)
        return save();
    if (answer == QMessageBox::Discard)
        session_.discardChanges();
    return answer == QMessageBox::Discard;
}

void MainWindow::showCommands() { CommandsDialog(actions(), pages_->currentWidget(), this).exec(); }

void MainWindow::goTo(const Problem& problem) {
    for (int i = 0; i < stations_.size(); ++i) {
        showStation(i);
        if (stations_[i]->goTo(problem))
            return;
    }
    showStation(static_cast<int>(stations_.indexOf(screens_)));
}

void MainWindow::refresh() {
    header_->refresh();
    foot_->refresh();
}

void MainWindow::restoreState() {
    // The frame that the desktop adds must fit too.
    const QSize room = screen()->availableSize() - QSize(0, 40);
    resize(QSize(1280, 800).boundedTo(room));
    restoreGeometry(QSettings().value("geometry").toByteArray());
    lastStation_ = QSettings().value("station").toInt();
    for (QSplitter* splitter : findChildren<QSplitter*>())
        if (!splitter->objectName().isEmpty())
            splitter->restoreState(QSettings().value("splitter/" + splitter->objectName()).toByteArray());
}

// A field that still has the focus would give its value on to parts that are gone.
MainWindow::~MainWindow() {
    if (QWidget* field = focusWidget())
        field->clearFocus();
}

void MainWindow::closeEvent(QCloseEvent* event) {
    if (!mayLeave()) {
        event->ignore();
        return;
    }
    QSettings().setValue("geometry", saveGeometry());
    for (const QSplitter* splitter : findChildren<QSplitter*>())
        if (!splitter->objectName().isEmpty())
            QSettings().setValue("splitter/" + splitter->objectName(), splitter->saveState());
    event->accept();
}

}  // namespace gorsefinch::app
