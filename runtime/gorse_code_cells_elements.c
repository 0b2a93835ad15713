/* SPDX-License-Identifier: MIT */
/* Byte code that works on arrays and sets cells of maps. */
#include "gorse_internal.h"

void gorse_extended_code_with_both(gorse *g, gorse_machine *m, uint8_t op, uint16_t operand) {
    if (op == GORSE_OP_SET_CELL)
        gorse_extended_code_with_cells(g, m, op, operand);
    else
        gorse_extended_code_with_elements(g, m, op, operand);
}
