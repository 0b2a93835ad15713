/* SPDX-License-Identifier: MIT */
/* The operations of byte code that many interfaces do without: division, texts, bits. */
#include "gorse_internal.h"

static uint32_t size_of(int32_t value) { return value < 0 ? 0u - (uint32_t)value : (uint32_t)value; }

static uint32_t divide(gorse_machine *m, int32_t a, int32_t b, uint8_t op) {
    uint32_t size = size_of(a), by = size_of(b);
    uint32_t quotient, rest;
    uint8_t negative = (uint8_t)((a < 0) != (b < 0));
    if (by == 0u) {
        m->divided = 1;
        return 0;
    }
    quotient = size / by;
    rest = size % by;
    if (op == GORSE_OP_REMAINDER) {
        quotient = rest;
        negative = (uint8_t)(a < 0);
    } else if (op == GORSE_OP_ROUND_DIVIDE && rest >= by - rest) {
        quotient++;
    }
    return negative != 0u ? 0u - quotient : quotient;
}

static uint8_t same_text(const gorse *g, int32_t a, int32_t b) {
    gorse_text_source first = gorse_text_by_value(g, a), second = gorse_text_by_value(g, b);
    uint16_t at = 0;
    while (gorse_text_byte(first, at) == gorse_text_byte(second, at)) {
        if (gorse_text_byte(first, at) == 0u)
            return 1;
        at++;
    }
    return 0;
}

static uint32_t compute(const gorse *g, gorse_machine *m, int32_t a, int32_t b, uint8_t op) {
    uint32_t ua = (uint32_t)a, ub = (uint32_t)b;
    uint8_t count = (uint8_t)(ub & 31u);
    switch (op) {
    case GORSE_OP_SAME_TEXT: return same_text(g, a, b);
    case GORSE_OP_AND: return ua & ub;
    case GORSE_OP_OR: return ua | ub;
    case GORSE_OP_XOR: return ua ^ ub;
    case GORSE_OP_LEFT: return ua << count;
    case GORSE_OP_RIGHT: return a < 0 ? ~(~ua >> count) : ua >> count;
    default: return divide(m, a, b, op);
    }
}

/* The only text among a hook's values is the one whose bit is set. */
static void call_with_text(gorse *g, gorse_machine *m, uint16_t hook) {
    const int32_t *value = m->top - m->at[0];
    uint8_t texts = m->at[1];
    for (; texts > 1u; texts = (uint8_t)(texts >> 1))
        value++;
    gorse_call_hook(g, m, hook, gorse_copy_text(g, *value));
}

static void set_text(gorse *g, gorse_machine *m, uint16_t variable) {
    if (gorse_set_text(g, variable, gorse_copy_text(g, gorse_pop(m))) != GORSE_RESULT_UNCHANGED && g->port.changed != 0)
        g->port.changed(g->port.user, (uint16_t)(g->scene->number_count + variable));
}

void gorse_extended_code(gorse *g, gorse_machine *m, uint8_t op, uint16_t operand) {
    int32_t a, b;
    if (op == GORSE_OP_SET_TEXT) {
        set_text(g, m, operand);
        return;
    }
    if (op == GORSE_OP_CALL_TEXT) {
        call_with_text(g, m, operand);
        return;
    }
    if (op == GORSE_OP_MARK_SLOT) {
        gorse_mark_slot(g, operand);
        return;
    }
    b = gorse_pop(m);
    if (op == GORSE_OP_COMPLEMENT) {
        gorse_push(m, gorse_wrapped(~(uint32_t)b));
        return;
    }
    a = gorse_pop(m);
    gorse_push(m, gorse_wrapped(compute(g, m, a, b, op)));
}
