/* SPDX-License-Identifier: MIT */
/* The text of a widget: which one it shows now, where it stands, and what to redraw when it changes. */
#include <string.h>

#include "gorse_internal.h"

gorse_text_source gorse_label_text(const gorse *run, const gorse_label *label) {
    gorse_text_source source;
    source.plain = label->widget.memory != GORSE_NONE ? gorse_screen_memory(run) + label->widget.memory : 0;
    source.rom = label->text;
    if (source.plain == 0 && label->text == 0)
        source.plain = "";
    return source;
}

gorse_text_box gorse_label_box(const gorse_label *label, const gorse_look *look) {
    gorse_text_box where;
    where.box = gorse_inset(gorse_widget_box(&label->widget), (int16_t)(look->border_width + look->padding));
    where.align = label->align;
    where.place = label->place;
    where.wrap = label->wrap;
    return where;
}

typedef struct target {
    gorse *g;
    gorse_rect box;
} target;

static void mark(void *to, gorse_rect area) {
    target *t = (target *)to;
    gorse_dirty(t->g, gorse_both(area, t->box));
}

static void mark_difference(gorse *g, const gorse_record *record, const gorse_look *look, const char *before,
                            const char *after) {
    target to;
    gorse_text_box where = gorse_label_box(&record->label, look);
    gorse_text_source old_text, new_text;
    to.g = g;
    to.box = gorse_widget_box(&record->widget);
    if ((gorse_kind_flags(&record->widget) & GORSE_KIND_FINE_TEXT) == 0u || where.wrap != 0u ||
        strchr(before, 10) != 0 || strchr(after, 10) != 0) {
        gorse_dirty(g, to.box);
        return;
    }
    old_text.plain = before;
    new_text.plain = after;
    old_text.rom = new_text.rom = 0;
    gorse_text_difference(old_text, new_text, &where, look->font, mark, &to);
}

void gorse_refresh_text(gorse *g, const gorse_screen *screen, uint16_t widget) {
    gorse_record record;
    gorse_look look;
    char fresh[GORSE_TEXT];
    char *shown;
    gorse_get_widget(g, screen, widget, &record, &look);
    if (record.widget.memory == GORSE_NONE || (gorse_kind_flags(&record.widget) & GORSE_KIND_HAS_TEXT) == 0u)
        return;
    shown = gorse_screen_memory(g) + record.widget.memory;
    gorse_expand(g, record.label.text, fresh, record.widget.capacity);
    if (strcmp(shown, fresh) == 0)
        return;
    if (record.widget.visible != 0u)
        mark_difference(g, &record, &look, shown, fresh);
    strcpy(shown, fresh);
}

void gorse_expand_screen(gorse *g) {
    gorse_screen screen;
    uint16_t i;
    gorse_get_screen(g, gorse_head_of(g)->screen, &screen);
    for (i = 0; i < screen.widget_count; i++) {
        gorse_record record;
        gorse_look look;
        gorse_get_widget(g, &screen, i, &record, &look);
        if (record.widget.memory != GORSE_NONE && (gorse_kind_flags(&record.widget) & GORSE_KIND_HAS_TEXT) != 0u)
            gorse_expand(g, record.label.text, gorse_screen_memory(g) + record.widget.memory,
                         record.widget.capacity);
    }
}

void gorse_refresh_texts(gorse *g) {
    gorse_screen screen;
    const uint8_t *changed = gorse_changed_bits(g);
    uint16_t i, previous = GORSE_NONE;
    gorse_get_screen(g, gorse_head_of(g)->screen, &screen);
    for (i = 0; i < screen.binding_count; i++) {
        gorse_binding binding;
        gorse_copy_rom(&binding, &screen.bindings[i], sizeof binding);
        if ((changed[binding.variable >> 3] & (1u << (binding.variable & 7u))) == 0u || binding.widget == previous)
            continue;
        gorse_refresh_text(g, &screen, binding.widget);
        previous = binding.widget;
    }
    memset(gorse_changed_bits(g), 0, (size_t)((uint16_t)(g->scene->number_count + g->scene->text_count + 7u) >> 3));
}
