/* SPDX-License-Identifier: MIT */
/* The date and time, which the firmware sets and the time of the steps carries on. */
#include "gorse_internal.h"

enum { SECOND_MS = 1000, FIRST_YEAR = 2000, LAST_YEAR = 2099 };

static gorse_clock_state *state_of(const gorse *g) {
    return (gorse_clock_state *)(void *)gorse_behind_head(g, g->scene->clock_at);
}

static uint16_t part(const gorse *g, uint8_t which) {
    return (uint16_t)gorse_number(g, (uint16_t)(g->scene->clock + which));
}

static void set_part(gorse *g, uint8_t which, uint16_t value) {
    (void)gorse_set_number(g, (uint16_t)(g->scene->clock + which), value);
}

/* From 2000 to 2099 each fourth year is a leap year. */
static uint8_t days_of(uint16_t month, uint16_t year) {
    if (month == 2u)
        return (uint8_t)(year % 4u == 0u ? 29 : 28);
    return (uint8_t)(month == 4u || month == 6u || month == 9u || month == 11u ? 30 : 31);
}

static void next_day(gorse *g) {
    uint16_t day = (uint16_t)(part(g, GORSE_CLOCK_DAY) + 1u), month = part(g, GORSE_CLOCK_MONTH);
    uint16_t year = part(g, GORSE_CLOCK_YEAR);
    if (day > days_of(month, year)) {
        day = 1;
        month++;
    }
    if (month > 12u) {
        month = 1;
        year++;
    }
    set_part(g, GORSE_CLOCK_DAY, day);
    set_part(g, GORSE_CLOCK_MONTH, month);
    set_part(g, GORSE_CLOCK_YEAR, (uint16_t)(year > LAST_YEAR ? FIRST_YEAR : year));
    set_part(g, GORSE_CLOCK_WEEKDAY, (uint16_t)(part(g, GORSE_CLOCK_WEEKDAY) % 7u + 1u));
}

static void pass(gorse *g, uint32_t seconds) {
    uint32_t minutes, hours;
    seconds += part(g, GORSE_CLOCK_SECOND);
    minutes = seconds / 60u + part(g, GORSE_CLOCK_MINUTE);
    hours = minutes / 60u + part(g, GORSE_CLOCK_HOUR);
    set_part(g, GORSE_CLOCK_SECOND, (uint16_t)(seconds % 60u));
    set_part(g, GORSE_CLOCK_MINUTE, (uint16_t)(minutes % 60u));
    set_part(g, GORSE_CLOCK_HOUR, (uint16_t)(hours % 24u));
    for (; hours >= 24u; hours -= 24u)
        next_day(g);
}

gorse_result gorse_set_clock(gorse *g, uint16_t year, uint8_t month, uint8_t day, uint8_t hour, uint8_t minute,
                             uint8_t second) {
    uint16_t days, each;
    if (g->scene == 0)
        return GORSE_RESULT_NOT_BEGUN;
    if (year < FIRST_YEAR || year > LAST_YEAR || month == 0u || month > 12u || day == 0u ||
        day > days_of(month, year) || hour > 23u || minute > 59u || second > 59u)
        return GORSE_RESULT_UNKNOWN;
    /* The first day of 2000 is a Saturday; each year moves it by one day, each leap year by two. */
    days = (uint16_t)((uint16_t)(year - FIRST_YEAR) + (uint16_t)(year - FIRST_YEAR + 3u) / 4u + 4u + day);
    for (each = 1; each < month; each++)
        days = (uint16_t)(days + days_of(each, year));
    set_part(g, GORSE_CLOCK_YEAR, year);
    set_part(g, GORSE_CLOCK_MONTH, month);
    set_part(g, GORSE_CLOCK_DAY, day);
    set_part(g, GORSE_CLOCK_WEEKDAY, (uint16_t)(days % 7u + 1u));
    set_part(g, GORSE_CLOCK_HOUR, hour);
    set_part(g, GORSE_CLOCK_MINUTE, minute);
    set_part(g, GORSE_CLOCK_SECOND, second);
    state_of(g)->was_set = 1;
    return GORSE_RESULT_OK;
}

static uint32_t tick(gorse *g) {
    gorse_clock_state *clock = state_of(g);
    const uint32_t now = gorse_head_of(g)->now;
    uint32_t seconds;
    if (clock->was_set != 0u) {
        clock->was_set = 0;
        clock->since = now;
    }
    seconds = (now - clock->since) / SECOND_MS;
    if (seconds == 0u)
        return GORSE_FOREVER;
    clock->since += seconds * SECOND_MS;
    pass(g, seconds);
    return GORSE_FOREVER;
}

static uint32_t follow(gorse *g) {
    const uint32_t passed = gorse_head_of(g)->now - state_of(g)->since;
    const uint32_t until = g->scene->clock_by_minutes != 0u ? 60u - part(g, GORSE_CLOCK_SECOND) : 1u;
    /* A hook may have set it in this step. */
    return passed < until * SECOND_MS ? until * SECOND_MS - passed : 0u;
}

const GORSE_ROM gorse_motion gorse_motion_of_clock = {0, tick, follow, 0};
