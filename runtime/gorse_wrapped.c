/* SPDX-License-Identifier: MIT */
/* What kinds that draw by another kind leave to it. */
#include "gorse_wrapped.h"

#include "gorse_internal.h"

void gorse_wrapped_command(gorse *g, const gorse_widget *widget, const gorse_look *look, uint8_t what) {
    gorse_wrapped_kind_of(widget)->of->command(g, widget, look, what);
}

uint8_t gorse_wrapped_tick(gorse *g, const gorse_widget *widget, const gorse_look *look) {
    return gorse_wrapped_kind_of(widget)->of->tick(g, widget, look);
}

uint32_t gorse_wrapped_wait(const gorse *g, const gorse_widget *widget) {
    return gorse_wrapped_kind_of(widget)->of->wait(g, widget);
}
