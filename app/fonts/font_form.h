// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include "app/widgets/form_page.h"
#include "core/document/font_settings.h"

class QListWidget;
class QPushButton;

namespace gorsefinch::app {

class FontEditor;
class Session;

// How the chosen face becomes glyphs, which characters it holds besides those that are needed, and why it holds what
// it holds.
class FontForm : public FormPage {
    Q_OBJECT

  public:
    FontForm(Session& session, FontEditor& editor, QWidget* parent = nullptr);

  Q_SIGNALS:
    // A widget that needs characters was chosen.
    void widgetChosen(const QString& screen, const QString& widget);

  private:
    using Step = std::function<void(FontSettings&)>;
    void makeFace();
    void makeSize();
    void makeGlyphs();
    void makeHeld();
    void number(const QString& label, const QString& name, int min, int max, int FontSettings::*member,
                const QString& help);
    void choice(const QString& label, const QString& name, const QStringList& words,
                const std::function<QString(const FontSettings&)>& now,
                const std::function<void(FontSettings&, const QString&)>& set, const QString& help);
    void hold(const HeldCharacters& held);
    void holdBlock();
    void holdText();
    void holdFile();
    void refresh();
    void showFacts();
    void showReasons();

    Session& session_;
    FontEditor& editor_;
    std::vector<std::function<void(const FontSettings&)>> fills_;
    QWidget* variant_ = nullptr;
    QLabel* variantName_ = nullptr;
    QLabel* licence_ = nullptr;
    QLabel* own_ = nullptr;
    QPushButton* defaults_ = nullptr;
    QLabel* metrics_ = nullptr;
    QLabel* packed_ = nullptr;
    QListWidget* reasons_ = nullptr;
};

}  // namespace gorsefinch::app
