// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QRect>

#include "core/kinds/key_rows.h"
#include "core/rules/rule_compiler.h"
#include "runtime/gorse_keyboard.h"
#include "tests/support/kiln_face.h"
#include "tests/support/on_twin.h"

// Projects with fields, and what operates them.
namespace support {

using namespace gorsefinch;

// Fields for a name, a secret and some lines, the last at the lower edge, on a panel of 320 x 240 px.
inline Document typingDocument(const std::string& rules = {}, PropertyMap ofName = {}, std::vector<Widget> more = {},
                               PixelFormat format = PixelFormat::Rgb565) {
    Document d = withPanelOf(withKilnFace(makeDocument({"one", "two"})), format, 0, 320, 240);
    const auto text = [&](const char* name, const char* start, int length) {
        Variable v = makeText(name, start);
        v.length = length;
        v.writer = Writer::Both;
        d = withVariable(d, v);
    };
    text("name", "Kiln", 40);
    text("pin", "", 8);
    text("note", "", 60);
    text("seen", "", 40);
    text("checked", "", 8);
    for (const char* each : {"focused", "blurred", "dones", "changes", "cancels"})
        d = withVariable(d, makeNumber(each, 0, 1000, 0));
    d = withVariable(d, makeYesNo("shows_name", true));
    ofName["value"] = std::string("name");
    ofName["max_length"] = int64_t{20};
    std::vector<Widget> widgets{makeWidget("name", Kind::Field, 10, 10, 140, 30, ofName),
                                makeWidget("pin", Kind::Field, 10, 60, 140, 30,
                                           {{"value", std::string("pin")},
                                            {"allowed", std::string("digits")},
                                            {"secret", true},
                                            {"max_length", int64_t{6}}}),
                                makeWidget("low", Kind::Field, 10, 190, 200, 30,
                                           {{"value", std::string("note")}, {"live", true}, {"lines", int64_t{3}}}),
                                makeWidget("go", Kind::Button, 200, 10, 60, 24, {{"text", std::string()}})};
    widgets.insert(widgets.end(), more.begin(), more.end());
    widgets.front().expressions["visible"] = "shows_name";
    d = addWidgets(d, "one", widgets);
    return withRules(d, "main",
                     "on name.focus\n    focused = focused + 1\n\non name.blur\n    blurred = blurred + 1\n\n"
                     "on name.done\n    dones = dones + 1\n\non name.change\n    changes = changes + 1\n\n"
                     "on name.cancel\n    cancels = cancels + 1\n\non go.tap\n    seen = name\n\n"
                     "on pin.done\n    checked = pin\n\n" +
                         rules);
}

// A field on a panel of 128 x 64 px that has a knob only.
inline Document knobDocument() {
    Document d = withPanelOf(withKilnFace(makeDocument({"one"})), PixelFormat::Page1, 0, 128, 64);
    Panel panel = *d.panel;
    panel.touch = false;
    panel.knob = true;
    panel.keys = {"back"};
    d = withPanel(d, panel);
    Variable v = makeText("name", "");
    v.length = 20;
    v.writer = Writer::Both;
    d = withVariable(d, v);
    return addWidgets(d, "one",
                      {makeWidget("name", Kind::Field, 4, 40, 100, 18,
                                  {{"value", std::string("name")}, {"size", int64_t{10}}, {"padding", int64_t{2}}})});
}

// A test that types.
class OnTyping : protected OnTwin {
  protected:
    gorse_typing& typing() { return *gorse_typing_of(twin_->run()); }
    std::string typed() { return gorse_typed_text(twin_->run()); }
    bool isUp() { return gorse_types_here(twin_->run()) != 0 && typing().keyboard != GORSE_NONE && typing().out == 0; }
    int lift() { return gorse_lift(twin_->run()); }

    const Screen& shown() const { return *twin_->scene().parts[static_cast<size_t>(twin_->screen())]->source; }
    QRect boxOf(int number) {
        gorse_view view;
        gorse_see(twin_->run(), static_cast<uint16_t>(number), &view);
        return {view.widget->x, view.widget->y, view.widget->w, view.widget->h};
    }
    int top(const char* name) {
        // A keyboard that comes by itself has a name of its own.
        const int number = widgetIndex(shown(), name);
        return boxOf(number >= 0 ? number : typing().keyboard).top();
    }
    void tapAt(const char* name, int x, int y) {
        const QPoint at = boxOf(widgetIndex(shown(), name)).topLeft() + QPoint(x, y);
        tap(at.x(), at.y());
    }
    void tapWidget(const char* name) {
        const QPoint at = boxOf(widgetIndex(shown(), name)).center();
        tap(at.x(), at.y());
    }

    // A key of the page that is shown by the character that it types, or its word.
    QRect keyRect(const std::string& key) {
        gorse_view view;
        gorse_see(twin_->run(), typing().keyboard, &view);
        const gorse_widget_keyboard& keyboard = view.record.keyboard;
        const uint32_t wanted = typedCodes(key).front();
        gorse_key_walk walk;
        gorse_found_key found;
        gorse_begin_keys(&keyboard, typing().page, &walk);
        while (gorse_next_key(&walk, &found) != 0)
            if ((found.text[0] < ' ' ? found.text[0] : gorse_key_character(&found, 0)) == wanted)
                return {found.box.x0, found.box.y0, found.box.x1 - found.box.x0, found.box.y1 - found.box.y0};
        qFatal("no key %s", key.c_str());
    }
    void pressKey(const std::string& key) {
        const QPoint at = keyRect(key).center();
        twin_->touch(at.x(), at.y(), true);
    }
    void releaseKey(const std::string& key) {
        const QPoint at = keyRect(key).center();
        twin_->touch(at.x(), at.y(), false);
    }
    void tapKey(const std::string& key) {
        const QPoint at = keyRect(key).center();
        tap(at.x(), at.y());
    }
    void tapKeys(const std::string& keys) {
        for (const char each : keys)
            tapKey(std::string(1, each));
    }
    // The knob's push.
    void press() {
        twin_->key("push", true);
        wait(32);
        twin_->key("push", false);
        wait(32);
    }
};

}  // namespace support
