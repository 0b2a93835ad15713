/* SPDX-License-Identifier: MIT */
/* Runs the rules' byte code. The compiler of the rules has checked depth and numbers; jumps only lead forward, so
 * every body ends. */
#include "gorse_internal.h"

static uint16_t next_word(gorse_machine *m) {
    uint16_t value = (uint16_t)(m->at[0] | (uint16_t)((uint16_t)m->at[1] << 8));
    m->at += 2;
    return value;
}

void gorse_push(gorse_machine *m, int32_t value) {
    GORSE_ASSERT(m->top < m->stack + GORSE_STACK + 3);
    *m->top++ = value;
}

int32_t gorse_pop(gorse_machine *m) {
    GORSE_ASSERT(m->top > m->stack);
    return *--m->top;
}

void gorse_call_hook(gorse *g, gorse_machine *m, uint16_t hook, const char *text) {
    gorse_value values[4];
    uint8_t count = m->at[0], texts = m->at[1];
    uint8_t i;
    m->at += 2;
    for (i = count; i-- != 0u;) {
        values[i].number = gorse_pop(m);
        values[i].text = (texts & (1u << i)) != 0u ? text : 0;
    }
    gorse_trace(g, GORSE_TRACE_HOOK, hook, count);
    if (g->port.hook != 0)
        g->port.hook(g->port.user, hook, values, count);
}

static void set_number(gorse *g, uint16_t variable, int32_t value) {
    const int32_t *number = gorse_numbers(g) + variable;
    int32_t before = *number;
    GORSE_ASSERT(variable < g->scene->number_count);
    (void)gorse_set_number(g, variable, value);
    if (g->port.changed != 0 && *number != before)
        g->port.changed(g->port.user, variable);
}

static void set_slot(gorse *g, gorse_machine *m, uint16_t slot) {
    uint16_t screen = next_word(m);
    gorse_set_slot(g, slot, screen, gorse_pop(m));
}

static void command(gorse *g, gorse_machine *m, uint16_t screen) {
    uint16_t widget = next_word(m);
    uint8_t what = *m->at++;
    if (g->scene->motion != 0)
        g->scene->motion->command(g, screen, widget, what);
}

static int32_t compute(int32_t a, int32_t b, uint8_t op) {
    uint32_t r = (uint32_t)a + (uint32_t)b;
    if (op == GORSE_OP_SUBTRACT)
        r = (uint32_t)a - (uint32_t)b;
    else if (op == GORSE_OP_MULTIPLY)
        r = (uint32_t)a * (uint32_t)b;
    else if (op == GORSE_OP_EQUAL)
        r = a == b;
    else if (op == GORSE_OP_LESS)
        r = a < b;
    return gorse_wrapped(r);
}

#if GORSE_CHECKS
/* 1 for the operations of expressions. */
static uint8_t changes_nothing(uint8_t op, const GORSE_ROM uint8_t *operand) {
    if (op == GORSE_OP_ARRAY)
        return (uint8_t)(operand[3] != GORSE_ARRAY_SET && operand[3] != GORSE_ARRAY_FILL);
    return (uint8_t)(op != GORSE_OP_SET_NUMBER && op != GORSE_OP_SET_SLOT && op != GORSE_OP_SET_TEXT &&
                     op != GORSE_OP_SET_CELL && op != GORSE_OP_CALL && op != GORSE_OP_CALL_TEXT &&
                     op != GORSE_OP_COMMAND && op != GORSE_OP_GO && op != GORSE_OP_BACK);
}
#endif

int32_t gorse_execute(gorse *g, const GORSE_ROM uint8_t *code, uint16_t rule) {
    int32_t stack[GORSE_STACK + 3]; /* a hook's first three values wait while its fourth is made */
    gorse_machine m;
    m.at = code;
    m.top = stack;
#if GORSE_CHECKS
    m.stack = stack;
#endif
    m.divided = 0;
    for (;;) {
        uint8_t op = *m.at++;
        uint16_t word = 0;
        if (op >= GORSE_OP_SHORT && op <= GORSE_OP_CALL_TEXT)
            word = next_word(&m);
        int32_t value = word;
        GORSE_ASSERT(rule != GORSE_NONE || changes_nothing(op, m.at) != 0u);
        switch (op) {
        case GORSE_OP_END:
            if (m.divided != 0u)
                gorse_trace(g, GORSE_TRACE_DIVISION_BY_ZERO, rule, 0);
            return m.top != stack ? gorse_pop(&m) : 0;
        case GORSE_OP_SET_NUMBER: set_number(g, word, gorse_pop(&m)); continue;
        case GORSE_OP_SET_SLOT: set_slot(g, &m, word); continue;
        case GORSE_OP_JUMP_IF_NOT:
            if (gorse_pop(&m) == 0)
                m.at += word;
            continue;
        case GORSE_OP_JUMP: m.at += word; continue;
        case GORSE_OP_GO: (void)gorse_go(g, word); continue;
        case GORSE_OP_CALL: gorse_call_hook(g, &m, word, 0); continue;
        case GORSE_OP_COMMAND: command(g, &m, word); continue;
        case GORSE_OP_BACK: gorse_head_of(g)->wanted = GORSE_BACK; continue;
        case GORSE_OP_BYTE:
            value = *m.at++;
            if (value > 127)
                value -= 256;
            break;
        case GORSE_OP_SHORT:
            if (value > 32767)
                value -= 65536;
            break;
        case GORSE_OP_LONG: value = gorse_wrapped((uint32_t)next_word(&m) << 16 | word); break;
        case GORSE_OP_NUMBER: value = gorse_number(g, word); break;
        case GORSE_OP_SLOT:
            GORSE_ASSERT(word < g->scene->slot_count);
            value = gorse_slots(g)[word];
            break;
        case GORSE_OP_ADD:
        case GORSE_OP_SUBTRACT:
        case GORSE_OP_MULTIPLY:
        case GORSE_OP_EQUAL:
        case GORSE_OP_LESS:
            value = gorse_pop(&m);
            value = compute(gorse_pop(&m), value, op);
            break;
        default: g->scene->extended(g, &m, op, word); continue;
        }
        gorse_push(&m, value);
    }
}
