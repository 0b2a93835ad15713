// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>

#include "app/widgets/station.h"
#include "core/document/document.h"

class QComboBox;
class QFormLayout;
class QLabel;
class QLineEdit;

namespace gorsefinch {
struct Panel;
}

namespace gorsefinch::app {

class PanelPicture;
class Session;

// The display hardware: size, format, how it is mounted and wired, its memory; beside it what the user sees and what
// the panel's memory holds.
class PanelStation : public Station {
    Q_OBJECT

  public:
    explicit PanelStation(Session& session, QWidget* parent = nullptr);
    QString title() const override { return tr("Panel"); }
    QString figure() const override;
    QString help() const override { return tr("Describe the display hardware"); }
    int number() const override { return 1; }
    bool goTo(const Problem& problem) override;

  protected:
    void showEvent(QShowEvent* event) override;

  private:
    QWidget* makeForm();
    void makeProject(QWidget* page);
    void makeTransition(QFormLayout* form);
    void makeKeyboard(QFormLayout* form);
    void makeSize(QWidget* page);
    void makeMounting(QWidget* page);
    void makeInput(QWidget* page);
    void makeKeys(QFormLayout* form);
    void makeOutputs(QWidget* page);
    void makeOutput(QFormLayout* form, size_t output);
    void makeController(QWidget* page);
    QWidget* makePictures();
    QFormLayout* section(const QString& title, QWidget* page);
    void number(QFormLayout* form, const QString& caption, const QString& name, const QString& unit, int min, int max,
                const QString& help, int64_t (*get)(const Panel&), void (*set)(Panel&, int64_t));
    void yesNo(QFormLayout* form, const QString& caption, const QString& name, const QString& help,
               bool Panel::*member);
    void choice(QFormLayout* form, const QString& caption, const QString& name, const QStringList& choices,
                const QString& help, const std::function<QString(const Panel&)>& get,
                std::function<void(Panel&, const QString&)> set);
    void side(QFormLayout* form, const QString& caption, const QString& name, const QString& help, int Panel::*member);
    void makeResizing(QFormLayout* form);
    void addRow(QFormLayout& form, const QString& caption, QWidget* field);
    void resize(const Panel& panel, const QString& label);
    void edit(const QString& label, const std::function<void(Panel&)>& change);
    void refresh();

    Session& session_;
    QVector<std::function<void()>> fills_;
    QLabel* facts_ = nullptr;
    QComboBox* resizing_ = nullptr;
    std::optional<Document> resizedFrom_, resizedTo_;  // the latest resize, and by which field
    QString resizedLabel_;
    PanelPicture *seen_ = nullptr, *held_ = nullptr;
};

}  // namespace gorsefinch::app
