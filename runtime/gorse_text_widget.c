/* SPDX-License-Identifier: MIT */
/* The text of a widget: which one it shows now, its box, and what to redraw when it changes. */
#include <string.h>

#include "gorse_internal.h"

gorse_text_source gorse_shown_text(const gorse *run, const gorse_widget_text *label) {
    if (label->widget.capacity != 0u)
        return gorse_plain_text(gorse_screen_memory(run) + label->widget.memory);
    return label->text != 0 ? gorse_rom_text(label->text) : gorse_plain_text("");
}

void gorse_text_widget_box(const gorse_widget_text *label, const gorse_look *look, gorse_text_box *where) {
    gorse_widget_box(&label->widget, &where->box);
    gorse_shrink(&where->box, (gorse_coord)(look->border_width + look->padding));
    where->align = label->align;
    where->place = label->place;
    where->wrap = label->wrap;
}

void gorse_draw_text_widget(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_text *label = gorse_text_widget_of(widget);
    gorse_text_box where;
    gorse_widget_box(widget, &where.box);
    gorse_draw_box(c, &where.box, look);
    gorse_text_widget_box(label, look, &where);
    gorse_draw_text(c, gorse_shown_text(c->run, label), &where, look->font, look->text);
}

typedef struct target {
    gorse *g;
    gorse_rect box;
} target;

static void mark(void *to, const gorse_rect *area) {
    target *t = (target *)to;
    gorse_rect part = *area;
    if (gorse_clip(&part, &t->box) != 0u)
        gorse_dirty(t->g, &part);
}

/* On small stacks its frame does not lie below that of the widget's view all the time. */
#if defined(__AVR__)
#define DIFFERENCE_FRAME GORSE_OWN_FRAME
#else
#define DIFFERENCE_FRAME
#endif

static DIFFERENCE_FRAME void mark_difference(gorse *g, const gorse_view *view, const char *before, const char *after) {
    target to;
    gorse_text_box where;
    gorse_text_widget_box(gorse_text_widget_of(view->widget), view->look, &where);
    if ((view->widget->kind->flags & GORSE_KIND_FINE_TEXT) == 0u || where.wrap != 0u || strchr(before, 10) != 0 ||
        strchr(after, 10) != 0) {
        gorse_dirty_widget(g, view->widget);
    } else if (view->widget->visible != 0u) {
        to.g = g;
        gorse_widget_box(view->widget, &to.box);
        gorse_text_difference(gorse_plain_text(before), gorse_plain_text(after), &where, view->look->font, mark, &to);
    }
}

/* Expands the text of a widget that has one in memory into `out`, at least as long as its buffer; returns that. */
static char *expand(gorse *g, const gorse_widget *widget, char *out) {
    char *shown = gorse_screen_memory(g) + widget->memory;
    if (widget->capacity == 0u)
        return 0;
    gorse_expand(g, gorse_text_widget_of(widget)->text, out != 0 ? out : shown, widget->capacity);
    return shown;
}

void gorse_refresh_text(gorse *g, uint16_t widget) {
    gorse_view view;
    char *fresh = gorse_scratch(g);
    char *shown;
    gorse_see(g, widget, &view);
    shown = expand(g, view.widget, fresh);
    if (shown == 0 || strcmp(shown, fresh) == 0)
        return;
    mark_difference(g, &view, shown, fresh);
    strcpy(shown, fresh);
}

void gorse_expand_screen(gorse *g) {
    uint_fast16_t i = gorse_shown(g)->widget_count;
    while (i-- != 0u) {
        gorse_view view;
        gorse_see(g, (uint16_t)i, &view);
        (void)expand(g, view.widget, 0);
    }
}

void gorse_refresh_texts(gorse *g) {
    const GORSE_ROM gorse_screen *screen = gorse_shown(g);
    const GORSE_ROM gorse_binding *binding = screen->bindings;
    uint8_t *changed = gorse_changed_bits(g);
    uint_fast16_t i;
    uint16_t previous = GORSE_NONE;
    for (i = screen->binding_count; i != 0u; i--, binding++) {
        uint16_t variable = binding->variable, widget = binding->widget;
        if ((changed[variable >> 3] & (1u << (variable & 7u))) == 0u || widget == previous)
            continue;
        gorse_refresh_text(g, widget);
        previous = widget;
    }
    memset(changed, 0, (size_t)(gorse_when_bytes(g) - changed));
}
