/* SPDX-License-Identifier: MIT */
/* A screen over others: these are drawn below it and go on, but take no input. What the widgets of the screens remember
 * lies in one place, so that of those below, and of screens that keep it, is stored elsewhere meanwhile. */
#include "gorse_levels.h"

#include "gorse_focus.h"
#include "gorse_scroll.h"
#include "gorse_transition.h"

/* What belongs to the uppermost screen while one below it is looked at. */
typedef struct hidden {
    uint16_t screen, pressed, focused;
    uint8_t scroller;
} hidden;

static uint8_t has_levels(const gorse *g) {
    return (uint8_t)(g->scene->transitions != 0 && g->scene->transitions->has_levels != 0u);
}

/* Where the memory of a level is stored. */
static uint8_t *stored_level(const gorse *g, uint8_t level) {
    return (uint8_t *)(gorse_levels_of(g) + 1) + (uint32_t)level * g->scene->transitions->bytes;
}

/* Where a screen keeps its memory, behind the byte; 0 if it forgets it. */
static uint8_t *kept_by(const gorse *g, uint16_t screen) {
    const GORSE_ROM uint16_t *keeps = g->scene->transitions->keeps;
    if (keeps == 0 || keeps[screen] == GORSE_NONE)
        return 0;
    return stored_level(g, g->scene->transitions->levels) + keeps[screen];
}

/* How much that is. */
static uint16_t bytes_of(const gorse *g, uint16_t screen) { return g->scene->transitions->kept_bytes[screen]; }

static void keep(gorse *g, uint16_t screen) {
    uint8_t *kept = kept_by(g, screen);
    if (kept == 0)
        return;
    kept[0] = 1;
    memcpy(kept + 1, gorse_screen_memory(g), bytes_of(g, screen));
}

static void restore(gorse *g, uint16_t screen) {
    const uint8_t *kept = kept_by(g, screen);
    if (kept == 0 || kept[0] == 0u)
        return;
    memcpy(gorse_screen_memory(g), kept + 1, bytes_of(g, screen));
    /* Its texts say what variables are now. */
    gorse_expand_screen(g);
    gorse_levels_of(g)->kept = 1;
}

/* Looks at a screen below, and at the uppermost again. */
static void go_below(gorse *g, uint8_t level, hidden *top) {
    gorse_head *head = gorse_head_of(g);
    top->screen = head->screen;
    top->pressed = head->pressed;
    head->pressed = GORSE_NONE;
    head->screen = gorse_levels_of(g)->below[level];
    if (g->scene->controls != 0 && g->scene->controls->has_focus != 0u) {
        top->focused = gorse_focus_of(g)->widget;
        gorse_focus_of(g)->widget = GORSE_NONE;
    }
    if (g->scene->containers != 0 && g->scene->containers->scrolls != 0u) {
        top->scroller = gorse_scroller_of(g)->doing;
        gorse_scroller_of(g)->doing = GORSE_SCROLLER_RESTS;
    }
    gorse_exchange_memory(g, stored_level(g, level));
}

static void come_up(gorse *g, uint8_t level, const hidden *top) {
    gorse_head *head = gorse_head_of(g);
    gorse_exchange_memory(g, stored_level(g, level));
    head->screen = top->screen;
    head->pressed = top->pressed;
    if (g->scene->controls != 0 && g->scene->controls->has_focus != 0u)
        gorse_focus_of(g)->widget = top->focused;
    if (g->scene->containers != 0 && g->scene->containers->scrolls != 0u)
        gorse_scroller_of(g)->doing = top->scroller;
}

/* Another screen takes the place of all: `before` is the uppermost. Returns the lowest, with its memory. */
static uint16_t leave_all(gorse *g, uint16_t before) {
    gorse_level_state *levels = gorse_levels_of(g);
    gorse_head *head = gorse_head_of(g);
    if (levels->depth == 0u)
        return before;
    /* Back leads to what lay below. */
    if (head->back_count != 0u && head->history[head->back_count - 1u] == before)
        head->back_count--;
    gorse_exchange_memory(g, stored_level(g, 0));
    levels->depth = 0;
    return levels->below[0];
}

uint8_t gorse_change_levels(gorse *g, uint16_t *before) {
    gorse_level_state *levels;
    uint8_t over;
    if (has_levels(g) == 0u)
        return GORSE_CHANGE_PLAIN;
    levels = gorse_levels_of(g);
    over = (uint8_t)(levels->over == gorse_head_of(g)->screen);
    levels->over = GORSE_NONE;
    levels->kept = 0;
    if (gorse_head_of(g)->started == 0u || *before == gorse_head_of(g)->screen)
        return GORSE_CHANGE_PLAIN;
    if (over != 0u && levels->depth < g->scene->transitions->levels) {
        memcpy(stored_level(g, levels->depth), gorse_screen_memory(g), g->scene->transitions->bytes);
        levels->below[levels->depth++] = *before;
        levels->sum = 0;
        return GORSE_CHANGE_OVER;
    }
    if (levels->depth != 0u && levels->below[levels->depth - 1u] == gorse_head_of(g)->screen) {
        levels->depth--;
        gorse_exchange_memory(g, stored_level(g, levels->depth));
        levels->kept = 1;
        return GORSE_CHANGE_CLOSED;
    }
    *before = leave_all(g, *before);
    keep(g, *before);
    return GORSE_CHANGE_PLAIN;
}

/* The widgets of the screen begin, unless they go on. */
static void enter(gorse *g) {
    gorse_level_state *levels = gorse_levels_of(g);
    if (levels->kept == 0u)
        restore(g, gorse_head_of(g)->screen);
    if (levels->kept == 0u)
        g->scene->transitions->inner->enter(g);
    levels->kept = 0;
}

/* The texts of the shown screen that show changed variables. */
static void refresh_bound(gorse *g) {
    const GORSE_ROM gorse_screen *screen = gorse_shown(g);
    const GORSE_ROM gorse_binding *binding = screen->bindings;
    const uint8_t *changed = gorse_changed_bits(g);
    uint16_t i;
    for (i = screen->binding_count; i != 0u; i--, binding++)
        if ((changed[binding->variable >> 3] & (1u << (binding->variable & 7u))) != 0u)
            gorse_refresh_text(g, binding->widget);
}

static uint32_t sum_bytes(uint32_t sum, const void *bytes, uint16_t count) {
    const uint8_t *each = (const uint8_t *)bytes;
    for (; count != 0u; count--, each++)
        sum = sum * 31u + *each;
    return sum;
}

/* What a trend or a map keeps, as far as that tells one state from the next. */
static uint32_t sum_kept(const gorse *g, uint32_t sum, uint16_t number) {
    const GORSE_ROM gorse_keeper *keeper = &g->scene->keepers[number];
    const GORSE_ROM gorse_widget_tiles *map = (const GORSE_ROM gorse_widget_tiles *)(const GORSE_ROM void *)keeper->of;
    if (number < g->scene->recorder_count)
        return sum_bytes(sum, gorse_recording_of(g, keeper), sizeof(gorse_recording));
    return sum_bytes(sum, gorse_kept_by(g, keeper), (uint16_t)(map->columns * map->rows));
}

/* What the properties, trends and maps of the screens below are, in one number. */
static uint32_t sum_below(const gorse *g) {
    const gorse_level_state *levels = gorse_levels_of(g);
    const uint16_t keepers = (uint16_t)(g->scene->recorder_count + g->scene->map_count);
    uint32_t sum = 1;
    uint8_t level;
    for (level = 0; level < levels->depth; level++) {
        const GORSE_ROM gorse_screen *screen = &g->scene->screens[levels->below[level]];
        uint16_t i;
        sum = sum_bytes(sum, gorse_slots(g) + screen->first_slot, (uint16_t)(screen->slot_count * 4u));
        for (i = 0; i < keepers; i++)
            if (g->scene->keepers[i].screen == levels->below[level])
                sum = sum_kept(g, sum, i);
    }
    return sum;
}

/* The screens below go on. */
static uint32_t tick_below(gorse *g) {
    uint32_t wait = GORSE_FOREVER;
    uint8_t level;
    for (level = 0; level < gorse_levels_of(g)->depth; level++) {
        hidden top;
        uint32_t own;
        go_below(g, level, &top);
        own = gorse_widgets_tick(g);
        refresh_bound(g);
        come_up(g, level, &top);
        wait = own < wait ? own : wait;
    }
    return wait;
}

static uint32_t tick(gorse *g) { return g->scene->transitions->inner->tick(g); }

static uint32_t follow(gorse *g) {
    const uint32_t own = g->scene->transitions->inner->follow(g), below = tick_below(g);
    return own < below ? own : below;
}

/* Draws all anew once something below is not what is drawn. */
static uint32_t renew(gorse *g) {
    gorse_level_state *levels = gorse_levels_of(g);
    const uint32_t sum = sum_below(g);
    if (levels->depth != 0u && sum != levels->sum)
        gorse_redraw(g);
    levels->sum = sum;
    return GORSE_FOREVER;
}

static void command(gorse *g, uint16_t screen, uint16_t widget, uint8_t what) {
    if (screen == GORSE_NONE && what == GORSE_COMMAND_OVER)
        gorse_levels_of(g)->over = widget;
    else if (screen != GORSE_NONE)
        g->scene->transitions->inner->command(g, screen, widget, what);
}

void gorse_draw_levels(gorse *g, gorse_canvas *c, const gorse_rect *area) {
    uint8_t level, depth = has_levels(g) != 0u ? gorse_levels_of(g)->depth : (uint8_t)0;
    for (level = 0; level < depth; level++) {
        hidden top;
        go_below(g, level, &top);
        gorse_draw_screen(c, area, gorse_shown(g));
        come_up(g, level, &top);
        c->clip = *area;
    }
    if (depth == 0u && gorse_alpha(gorse_shown(g)->background) != 255u)
        gorse_fill_rect(c, area, gorse_shown(g)->background | 0xff000000u);
    gorse_draw_screen(c, area, gorse_shown(g));
}

const GORSE_ROM gorse_motion gorse_motion_of_levels = {enter, tick, follow, command};
const GORSE_ROM gorse_motion gorse_motion_of_what_lies_below = {0, 0, renew, 0};
