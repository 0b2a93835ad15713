// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fonts/font_editor.h"

#include "app/session/session.h"
#include "core/edits/font_edits.h"

namespace gorsefinch::app {

FontEditor::FontEditor(Session& session, QObject* parent) : QObject(parent), session_(session) {
    connect(&session, &Session::changed, this, &FontEditor::follow);
}

void FontEditor::follow(const Change& change) {
    font_ = nullptr;  // the scene that it was of may be gone
    if (change.opened) {
        key_ = {};
        held_ = nullptr;
        Q_EMIT currentChanged();
    }
    if (!key_.face.empty() && !face())
        for (const Face& each : *session_.document().faces)
            if (each.original == held_ && held_) {
                key_.face = each.name;
                Q_EMIT currentChanged();
                break;
            }
    refresh();
}

const Face* FontEditor::face() const { return session_.isOpen() ? session_.document().face(key_.face) : nullptr; }

const FontSettings& FontEditor::settings() const {
    static const FontSettings none;
    const Face* now = face();
    return !now ? none : key_.size == 0 ? now->defaults : now->settings(key_.size);
}

FontKey FontEditor::shownKey() const {
    if (key_.size != 0)
        return key_;
    for (const FontRef& each : session_.scene()->fonts)
        if (each->key().face == key_.face)
            return each->key();
    const Face* now = face();
    return {key_.face, now && !now->sizes.empty() ? now->sizes.front().size : 16};
}

void FontEditor::setCurrent(const FontKey& key) {
    if (key == key_)
        return;
    key_ = key;
    Q_EMIT currentChanged();
    refresh();
}

void FontEditor::setAwake(bool awake) {
    awake_ = awake;
    if (awake && session_.isOpen())
        refresh();
}

void FontEditor::refresh() {
    if (!awake_)
        return;
    const Face* now = face();
    held_ = now ? now->original : nullptr;
    font_ = nullptr;
    error_.clear();
    used_ = false;
    if (now) {
        const FontKey key = shownKey();
        font_ = session_.font(key);
        used_ = font_ != nullptr;
        if (!font_) {
            auto source = fontSource(session_.document(), key, info(session_.document().panel->format).fontBits);
            if (source) {
                auto own = std::make_shared<BakedFont>(key, std::move(*source));
                // Nothing needs a glyph of it yet; it shows what it could be.
                std::set<char32_t> ascii;
                for (char32_t c = U'!'; c < 127; ++c)
                    ascii.insert(c);
                own->need(ascii, own->heldBesides().empty() ? 1 : 0);
                own->bake();
                font_ = std::move(own);
            } else {
                error_ = QString::fromStdString(source.error().text());
            }
        }
    }
    if (font_ && font_->held().count(character_) == 0) {
        character_ = font_->held().empty() ? 0 : *font_->held().begin();
        for (const char32_t likely : {U'A', U'a', U'0'})
            if (font_->held().count(likely) != 0) {
                character_ = likely;
                break;
            }
    }
    Q_EMIT shown();
    Q_EMIT characterChanged();
}

void FontEditor::setCharacter(char32_t character) {
    if (character == character_)
        return;
    character_ = character;
    Q_EMIT characterChanged();
}

void FontEditor::change(const std::function<void(FontSettings&)>& step, const QString& label, const QString& merge) {
    if (!face())
        return;
    FontSettings next = settings();
    step(next);
    if (next == settings())
        return;
    const QString key = QString("%1 %2 %3").arg(QString::fromStdString(key_.face)).arg(key_.size).arg(merge);
    session_.edit(withFontSettings(session_.document(), key_, next), label, merge.isEmpty() ? merge : key);
}

}  // namespace gorsefinch::app
