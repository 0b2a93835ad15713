/* SPDX-License-Identifier: MIT */
/* Runs the rules' byte code. The compiler of the rules has checked depth and numbers; jumps only lead forward, so
 * every body ends. */
#include <string.h>

#include "gorse_internal.h"

typedef struct machine {
    const GORSE_ROM uint8_t *at;
    int32_t stack[GORSE_STACK];
    uint8_t depth;
    uint8_t divided; /* by zero */
} machine;

static uint16_t operand(machine *m) {
    uint16_t value = (uint16_t)(m->at[0] | (uint16_t)((uint16_t)m->at[1] << 8));
    m->at += 2;
    return value;
}

static void push(machine *m, int32_t value) {
    if (m->depth < GORSE_STACK)
        m->stack[m->depth++] = value;
}

static int32_t pop(machine *m) { return m->depth != 0u ? m->stack[--m->depth] : 0; }

static int32_t wrapped(uint32_t bits) {
    int32_t value;
    memcpy(&value, &bits, 4);
    return value;
}

static int32_t divide(machine *m, int32_t a, int32_t b, uint8_t op) {
    if (b == 0) {
        m->divided = 1;
        return 0;
    }
    if (b == -1)
        return op == GORSE_OP_REMAINDER ? 0 : wrapped(0u - (uint32_t)a);
    if (op == GORSE_OP_REMAINDER)
        return a % b;
    if (op == GORSE_OP_ROUND_DIVIDE) {
        int32_t quotient = a / b;
        int32_t rest = a % b;
        uint32_t twice = (rest < 0 ? 0u - (uint32_t)rest : (uint32_t)rest) * 2u;
        if (twice >= (b < 0 ? 0u - (uint32_t)b : (uint32_t)b))
            quotient += (a < 0) == (b < 0) ? 1 : -1;
        return quotient;
    }
    return a / b;
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

static int32_t shifted(int32_t a, int32_t by, uint8_t left) {
    uint32_t bits = (uint32_t)a;
    uint8_t count = (uint8_t)((uint32_t)by & 31u);
    if (left != 0u)
        return wrapped(bits << count);
    return wrapped(a < 0 ? ~(~bits >> count) : bits >> count);
}

static void compute(gorse *g, machine *m, uint8_t op) {
    int32_t b = pop(m);
    int32_t a = pop(m);
    uint32_t ua = (uint32_t)a, ub = (uint32_t)b;
    int32_t r;
    switch (op) {
    case GORSE_OP_ADD: r = wrapped(ua + ub); break;
    case GORSE_OP_SUBTRACT: r = wrapped(ua - ub); break;
    case GORSE_OP_MULTIPLY: r = wrapped(ua * ub); break;
    case GORSE_OP_EQUAL: r = a == b; break;
    case GORSE_OP_LESS: r = a < b; break;
    case GORSE_OP_SAME_TEXT: r = same_text(g, a, b); break;
    case GORSE_OP_AND: r = wrapped(ua & ub); break;
    case GORSE_OP_OR: r = wrapped(ua | ub); break;
    case GORSE_OP_XOR: r = wrapped(ua ^ ub); break;
    case GORSE_OP_LEFT: r = shifted(a, b, 1); break;
    case GORSE_OP_RIGHT: r = shifted(a, b, 0); break;
    case GORSE_OP_SWAP: push(m, b); r = a; break;
    default: r = divide(m, a, b, op); break;
    }
    push(m, r);
}

/* Copies a text to RAM for a hook or a variable, cut at GORSE_TEXT. */
static char *copy_text(gorse *g, int32_t value, char *room) {
    gorse_text_source text = gorse_text_by_value(g, value);
    if (text.plain != 0) {
        uint16_t length = (uint16_t)strlen(text.plain);
        length = length < GORSE_TEXT ? length : GORSE_TEXT - 1u;
        memcpy(room, text.plain, length);
        room[length] = 0;
    } else {
        gorse_expand(g, text.rom, room, GORSE_TEXT < 255 ? GORSE_TEXT : 255);
    }
    return room;
}

static void call_hook(gorse *g, machine *m) {
    gorse_value values[4];
    char text[GORSE_TEXT];
    uint16_t hook = operand(m);
    uint8_t count = m->at[0], texts = m->at[1];
    uint8_t i = count;
    m->at += 2;
    while (i-- != 0u) {
        int32_t value = pop(m);
        if (i >= 4u)
            continue;
        values[i].number = value;
        values[i].text = (texts & (1u << i)) != 0u ? copy_text(g, value, text) : 0;
    }
    gorse_tell(g, GORSE_TRACE_HOOK, hook, count);
    if (g->port.hook != 0)
        g->port.hook(g->port.user, hook, values, count < 4u ? count : 4u);
}

static void set_text(gorse *g, machine *m) {
    char text[GORSE_TEXT];
    uint16_t variable = operand(m);
    gorse_set_text(g, variable, copy_text(g, pop(m), text));
}

static void go_back(gorse *g) {
    gorse_head *head = gorse_head_of(g);
    if (head->back_count != 0u)
        head->wanted = head->history[--head->back_count];
}

static void store(gorse *g, machine *m, uint8_t op) {
    uint16_t number = operand(m);
    if (op == GORSE_OP_SET_NUMBER) {
        gorse_set_number(g, number, pop(m));
    } else {
        uint16_t screen = operand(m);
        gorse_set_slot(g, number, screen, pop(m));
    }
}

static void push_constant(machine *m, uint8_t op) {
    uint32_t low = m->at[0];
    if (op == GORSE_OP_BYTE) {
        m->at++;
        push(m, low < 128u ? (int32_t)low : (int32_t)low - 256);
        return;
    }
    low = operand(m);
    if (op == GORSE_OP_SHORT)
        push(m, low < 32768u ? (int32_t)low : (int32_t)low - 65536);
    else
        push(m, wrapped((uint32_t)operand(m) << 16 | low));
}

int32_t gorse_run(gorse *g, const GORSE_ROM uint8_t *code, uint16_t rule) {
    machine m;
    uint16_t to;
    m.at = code;
    m.depth = 0;
    m.divided = 0;
    for (;;) {
        uint8_t op = *m.at++;
        switch (op) {
        case GORSE_OP_END:
            if (m.divided != 0u)
                gorse_tell(g, GORSE_TRACE_DIVIDED, rule, 0);
            return m.depth != 0u ? m.stack[m.depth - 1u] : 0;
        case GORSE_OP_BYTE:
        case GORSE_OP_SHORT:
        case GORSE_OP_LONG: push_constant(&m, op); break;
        case GORSE_OP_NUMBER: push(&m, gorse_number(g, operand(&m))); break;
        case GORSE_OP_SLOT: push(&m, gorse_slots(g)[operand(&m)]); break;
        case GORSE_OP_SET_NUMBER:
        case GORSE_OP_SET_SLOT: store(g, &m, op); break;
        case GORSE_OP_SET_TEXT: set_text(g, &m); break;
        case GORSE_OP_NEGATE: push(&m, wrapped(0u - (uint32_t)pop(&m))); break;
        case GORSE_OP_NOT: push(&m, pop(&m) == 0); break;
        case GORSE_OP_COMPLEMENT: push(&m, wrapped(~(uint32_t)pop(&m))); break;
        case GORSE_OP_JUMP:
            to = operand(&m);
            m.at += to;
            break;
        case GORSE_OP_JUMP_IF_NOT:
            to = operand(&m);
            if (pop(&m) == 0)
                m.at += to;
            break;
        case GORSE_OP_GO: gorse_go(g, operand(&m)); break;
        case GORSE_OP_BACK: go_back(g); break;
        case GORSE_OP_CALL: call_hook(g, &m); break;
        case GORSE_OP_COMMAND: {
            uint16_t screen = operand(&m), widget = operand(&m);
            uint8_t what = *m.at++;
            if (g->scene->motion != 0)
                g->scene->motion->command(g, screen, widget, what);
            break;
        }
        default: compute(g, &m, op); break;
        }
    }
}
