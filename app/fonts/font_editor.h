// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <functional>
#include <memory>

#include "core/font/baked_font.h"

namespace gorsefinch::app {

class Session;
struct Change;

// The font that is worked on, and the character of it. A size of 0 stands for the face itself and the settings of all
// its sizes without their own.
class FontEditor : public QObject {
    Q_OBJECT

  public:
    explicit FontEditor(Session& session, QObject* parent = nullptr);

    void setCurrent(const FontKey& key);
    const FontKey& current() const { return key_; }
    // Null when none is chosen.
    const Face* face() const;
    const FontSettings& settings() const;
    // The size that is shown: of a face itself, the first that is used, or 16.
    FontKey shownKey() const;
    // The font as it is or would be on the target; null if its face can't be used. Valid until shown() comes again.
    const BakedFont* font() const { return font_.get(); }
    // True if the interface shows it, and so generated code holds it.
    bool isUsed() const { return used_; }
    const QString& error() const { return error_; }

    // While nobody looks, edits elsewhere cost nothing here: what is shown is made when it is woken.
    void setAwake(bool awake);

    void setCharacter(char32_t character);
    char32_t character() const { return character_; }

    // `merge` joins the steps of one gesture for undo.
    void change(const std::function<void(FontSettings&)>& step, const QString& label, const QString& merge = {});

  Q_SIGNALS:
    void currentChanged();
    void shown();  // another font, or the same with other glyphs
    void characterChanged();

  private:
    void follow(const Change& change);
    void refresh();

    Session& session_;
    FontKey key_;
    Bytes held_;    // its original, by which it is known again after a rename
    FontRef font_;  // one that nothing uses is made here
    bool used_ = false;
    bool awake_ = false;
    QString error_;
    char32_t character_ = 0;
};

}  // namespace gorsefinch::app
