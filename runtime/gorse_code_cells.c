/* SPDX-License-Identifier: MIT */
/* The operation of byte code that sets a cell of a map. */
#include "gorse_internal.h"

static uint16_t next_word(gorse_machine *m) {
    const uint16_t value = (uint16_t)(m->at[0] | (uint16_t)((uint16_t)m->at[1] << 8));
    m->at += 2;
    return value;
}

static GORSE_OWN_FRAME void set_cell(gorse *g, gorse_machine *m) {
    const uint16_t screen = next_word(m), widget = next_word(m);
    const int32_t cell = gorse_pop(m), row = gorse_pop(m), column = gorse_pop(m);
    uint16_t i;
    if (((uint32_t)cell | (uint32_t)row | (uint32_t)column) > 255u)
        return;
    for (i = g->scene->recorder_count; i < g->scene->recorder_count + g->scene->map_count; i++)
        if (g->scene->keepers[i].screen == screen && g->scene->keepers[i].widget == widget)
            (void)gorse_set_cell(g, i, (uint8_t)column, (uint8_t)row, (uint8_t)cell);
}

void gorse_extended_code_with_cells(gorse *g, gorse_machine *m, uint8_t op, uint16_t operand) {
    if (op == GORSE_OP_SET_CELL)
        set_cell(g, m);
    else
        gorse_extended_code(g, m, op, operand);
}
