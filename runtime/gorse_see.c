/* SPDX-License-Identifier: MIT */
/* A widget as it is now, in scenes without controls: gorse_see_controls.c takes the place of this file in others. */
#include "gorse_see.h"

GORSE_REPLACEABLE void gorse_see(const gorse *g, uint16_t widget, gorse_view *view) {
    const gorse_head *head = gorse_head_of(g);
    const GORSE_ROM gorse_screen *screen = gorse_shown(g);
    const GORSE_ROM gorse_widget *from = screen->widgets[widget];
    const GORSE_ROM gorse_look *look =
        gorse_look_in(from->look, head->pressed == widget && head->inside != 0u ? GORSE_STATE_PRESSED : 0u);
    uint8_t count = from->slot_count;
    uint16_t number;
    GORSE_ASSERT(widget < screen->widget_count && from->kind->record_bytes <= sizeof view->record);
    GORSE_ASSERT((uint16_t)(from->first_slot + count) <= screen->slot_count);
    view->widget = &view->record.widget;
    view->look = &view->changed;
#if !GORSE_SEPARATE_ROM
    if (count == 0u) {
        view->widget = from;
        view->look = look;
        return;
    }
#endif
    gorse_copy_rom(&view->record, from, from->kind->record_bytes);
    gorse_copy_rom(&view->changed, look, sizeof view->changed);
    for (number = from->first_slot; count != 0u; count--, number++)
        gorse_lay_over(g, &screen->slots[number], gorse_slots(g)[screen->first_slot + number], view);
}
