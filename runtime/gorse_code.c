/* SPDX-License-Identifier: MIT */
/* Runs the rules' byte code. The compiler of the rules has checked depth and numbers; jumps only lead forward, so
 * every body ends. */
#include <string.h>

#include "gorse_internal.h"

typedef struct machine {
    const GORSE_ROM uint8_t *at;
    int32_t *top; /* behind the topmost value */
    int32_t stack[GORSE_STACK];
    uint8_t divided; /* by zero */
} machine;

static uint16_t next_word(machine *m) {
    uint16_t value = (uint16_t)(m->at[0] | (uint16_t)((uint16_t)m->at[1] << 8));
    m->at += 2;
    return value;
}

static void push(machine *m, int32_t value) { *m->top++ = value; }

static int32_t pop(machine *m) { return *--m->top; }

static int32_t wrapped(uint32_t bits) {
    int32_t value;
    memcpy(&value, &bits, 4);
    return value;
}

static uint32_t size_of(int32_t value) { return value < 0 ? 0u - (uint32_t)value : (uint32_t)value; }

static int32_t divide(machine *m, int32_t a, int32_t b, uint8_t op) {
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
    return wrapped(negative != 0u ? 0u - quotient : quotient);
}

static uint8_t same_text(gorse *g, int32_t a, int32_t b) {
    gorse_text_source first = gorse_text_by_value(g, a), second = gorse_text_by_value(g, b);
    uint16_t at = 0;
    while (gorse_text_byte(first, at) == gorse_text_byte(second, at)) {
        if (gorse_text_byte(first, at) == 0u)
            return 1;
        at++;
    }
    return 0;
}

static int32_t compute(gorse *g, machine *m, int32_t a, int32_t b, uint8_t op) {
    uint32_t ua = (uint32_t)a, ub = (uint32_t)b;
    uint8_t count = (uint8_t)(ub & 31u);
    switch (op) {
    case GORSE_OP_ADD: return wrapped(ua + ub);
    case GORSE_OP_SUBTRACT: return wrapped(ua - ub);
    case GORSE_OP_MULTIPLY: return wrapped(ua * ub);
    case GORSE_OP_EQUAL: return a == b;
    case GORSE_OP_LESS: return a < b;
    case GORSE_OP_SAME_TEXT: return same_text(g, a, b);
    case GORSE_OP_AND: return wrapped(ua & ub);
    case GORSE_OP_OR: return wrapped(ua | ub);
    case GORSE_OP_XOR: return wrapped(ua ^ ub);
    case GORSE_OP_LEFT: return wrapped(ua << count);
    case GORSE_OP_RIGHT: return wrapped(a < 0 ? ~(~ua >> count) : ua >> count);
    default: return divide(m, a, b, op);
    }
}

static void call_hook(gorse *g, machine *m, uint16_t hook) {
    gorse_value values[4];
    char text[GORSE_TEXT];
    uint8_t count = m->at[0], texts = m->at[1];
    uint8_t i;
    m->at += 2;
    for (i = count; i-- != 0u;) {
        values[i].number = pop(m);
        values[i].text = 0;
        if ((texts >> i & 1u) != 0u) {
            gorse_copy_text(g, values[i].number, text);
            values[i].text = text;
        }
    }
    gorse_tell(g, GORSE_TRACE_HOOK, hook, count);
    if (g->port.hook != 0)
        g->port.hook(g->port.user, hook, values, count);
}

static void set_text(gorse *g, uint16_t variable, int32_t value) {
    char text[GORSE_TEXT];
    gorse_copy_text(g, value, text);
    gorse_set_text(g, variable, text);
}

static void set_slot(gorse *g, machine *m, uint16_t slot) {
    uint16_t screen = next_word(m);
    gorse_set_slot(g, slot, screen, pop(m));
}

static void go_back(gorse *g) {
    gorse_head *head = gorse_head_of(g);
    if (head->back_count != 0u)
        head->wanted = head->history[--head->back_count];
}

static void command(gorse *g, machine *m, uint16_t screen) {
    uint16_t widget = next_word(m);
    uint8_t what = *m->at++;
    if (g->scene->motion != 0)
        g->scene->motion->command(g, screen, widget, what);
}

int32_t gorse_run(gorse *g, const GORSE_ROM uint8_t *code, uint16_t rule) {
    machine m;
    m.at = code;
    m.top = m.stack;
    m.divided = 0;
    for (;;) {
        uint8_t op = *m.at++;
        uint16_t word = 0;
        int32_t value;
        if (op >= GORSE_OP_SHORT && op <= GORSE_OP_COMMAND)
            word = next_word(&m);
        switch (op) {
        case GORSE_OP_END:
            if (m.divided != 0u)
                gorse_tell(g, GORSE_TRACE_DIVIDED, rule, 0);
            return m.top != m.stack ? pop(&m) : 0;
        case GORSE_OP_BYTE:
            word = *m.at++;
            push(&m, word < 128u ? (int32_t)word : (int32_t)word - 256);
            break;
        case GORSE_OP_SHORT: push(&m, word < 32768u ? (int32_t)word : (int32_t)word - 65536); break;
        case GORSE_OP_LONG: push(&m, wrapped((uint32_t)next_word(&m) << 16 | word)); break;
        case GORSE_OP_NUMBER: push(&m, gorse_number(g, word)); break;
        case GORSE_OP_SLOT: push(&m, gorse_slots(g)[word]); break;
        case GORSE_OP_SET_NUMBER: gorse_set_number(g, word, pop(&m)); break;
        case GORSE_OP_SET_SLOT: set_slot(g, &m, word); break;
        case GORSE_OP_SET_TEXT: set_text(g, word, pop(&m)); break;
        case GORSE_OP_JUMP_IF_NOT:
            if (pop(&m) != 0)
                break;
            m.at += word;
            break;
        case GORSE_OP_JUMP: m.at += word; break;
        case GORSE_OP_GO: gorse_go(g, word); break;
        case GORSE_OP_CALL: call_hook(g, &m, word); break;
        case GORSE_OP_COMMAND: command(g, &m, word); break;
        case GORSE_OP_BACK: go_back(g); break;
        case GORSE_OP_NEGATE: push(&m, wrapped(0u - (uint32_t)pop(&m))); break;
        case GORSE_OP_NOT: push(&m, pop(&m) == 0); break;
        case GORSE_OP_COMPLEMENT: push(&m, wrapped(~(uint32_t)pop(&m))); break;
        default:
            value = pop(&m);
            if (op == GORSE_OP_SWAP) {
                int32_t below = pop(&m);
                push(&m, value);
                push(&m, below);
            } else {
                m.top[-1] = compute(g, &m, m.top[-1], value, op);
            }
            break;
        }
    }
}
