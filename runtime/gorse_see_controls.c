/* SPDX-License-Identifier: MIT */
/* A widget as it is now, in scenes with controls: it can be on, disabled or focused, and show something else then. */
#include "gorse_container.h"
#include "gorse_control.h"
#include "gorse_focus.h"
#include "gorse_see.h"
#include "gorse_typing.h"

/* Lays over what rules changed in the record, or with GORSE_SLOT_LOOK in the look. */
static void lay_over_all(const gorse *g, const GORSE_ROM gorse_widget *from, uint8_t where, gorse_view *view) {
    const GORSE_ROM gorse_screen *screen = gorse_shown(g);
    const int32_t *values = gorse_slots(g) + screen->first_slot;
    uint16_t number = from->first_slot;
    uint8_t count;
    for (count = from->slot_count; count != 0u; count--, number++)
        if ((screen->slots[number].size & GORSE_SLOT_LOOK) == where)
            gorse_lay_over(g, &screen->slots[number], values[number], view);
}

/* 1 if the knob and the keys are on a widget. */
static uint8_t has_focus(const gorse *g, uint16_t widget) {
    const GORSE_ROM gorse_controls *controls = g->scene->controls;
    return (uint8_t)(controls != 0 && controls->has_focus != 0u && gorse_focus_of(g)->widget == widget);
}

/* The states, and for what is drawn whether the focus is there. */
static uint_fast8_t states_of(const gorse *g, uint16_t widget, gorse_record *record) {
    const gorse_head *head = gorse_head_of(g);
    uint_fast8_t states = 0;
    if ((record->widget.kind->flags & GORSE_KIND_CONTROL) != 0u)
        states = gorse_control_kind_of(&record->widget)->states(g, record);
    if (record->widget.enabled == 0u)
        states |= GORSE_STATE_DISABLED;
    else if (head->pressed == widget && head->inside != 0u)
        states |= GORSE_STATE_PRESSED;
    if (record->widget.enabled != 0u && has_focus(g, widget) != 0u) {
        states |= GORSE_STATE_FOCUSED;
        record->widget.enabled = (uint8_t)(record->widget.enabled | GORSE_FOCUS_IS_HERE |
                                           (gorse_focus_of(g)->entered != 0u ? GORSE_FOCUS_ENTERED : 0));
    }
    return states;
}

void gorse_see(const gorse *g, uint16_t widget, gorse_view *view) {
    const GORSE_ROM gorse_screen *screen = gorse_shown(g);
    const GORSE_ROM gorse_widget *from = screen->widgets[widget];
    uint_fast8_t states;
    GORSE_ASSERT(widget < screen->widget_count && from->kind->record_bytes <= sizeof view->record);
    GORSE_ASSERT((uint16_t)(from->first_slot + from->slot_count) <= screen->slot_count);
    view->widget = &view->record.widget;
    view->look = &view->changed;
#if !GORSE_SEPARATE_ROM
    if (from->slot_count == 0u && from->enabled != 0u && (from->kind->flags & GORSE_KIND_CONTROL) == 0u &&
        gorse_holder_of(g, widget) == GORSE_NONE && has_focus(g, widget) == 0u && gorse_lift(g) == 0) {
        const gorse_head *head = gorse_head_of(g);
        view->widget = from;
        view->look =
            gorse_look_in(from->look, head->pressed == widget && head->inside != 0u ? GORSE_STATE_PRESSED : 0u);
        return;
    }
#endif
    gorse_copy_rom(&view->record, from, from->kind->record_bytes);
    lay_over_all(g, from, 0, view);
    gorse_place_held(g, widget, &view->record.widget);
    gorse_place_lifted(g, widget, &view->record.widget);
    states = states_of(g, widget, &view->record);
    gorse_copy_rom(&view->changed, gorse_look_in(from->look, states), sizeof view->changed);
    lay_over_all(g, from, GORSE_SLOT_LOOK, view);
}

uint8_t gorse_takes_touch(const gorse *g) {
    gorse_view view;
    gorse_see(g, gorse_head_of(g)->pressed, &view);
    return (uint8_t)(view.widget->visible != 0u && view.widget->enabled != 0u);
}
