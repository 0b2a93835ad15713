/* SPDX-License-Identifier: MIT */
/* A button with an image that sets a variable or repeats. */
#include "gorse_acting_button.h"

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    gorse_draw_image_button(c, widget, look);
    gorse_draw_button_bar(c, widget, look);
}

const GORSE_ROM gorse_control_kind gorse_kind_button_acting_image = {
    {sizeof(gorse_widget_acting_button), GORSE_KIND_HAS_TEXT | GORSE_KIND_TOUCHED | GORSE_KIND_CONTROL, draw,
     gorse_acting_button_command, gorse_acting_button_tick, gorse_wait_for_value},
    gorse_acting_button_states,
    gorse_touch_acting_button};
