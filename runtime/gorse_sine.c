/* SPDX-License-Identifier: MIT */
/* Points of an ellipse by their angle, from a table of 182 bytes. */
#include "gorse_cover.h"

/* 32767 * sin(0 to 90 degrees). */
static const GORSE_ROM uint16_t sines[91] = {
    0,     572,   1144,  1715,  2286,  2856,  3425,  3993,  4560,  5126,  5690,  6252,  6813,  7371,  7927,  8481,
    9032,  9580,  10126, 10668, 11207, 11743, 12275, 12803, 13328, 13848, 14364, 14876, 15383, 15886, 16383, 16876,
    17364, 17846, 18323, 18794, 19260, 19720, 20173, 20621, 21062, 21497, 21925, 22347, 22762, 23170, 23571, 23964,
    24351, 24730, 25101, 25465, 25821, 26169, 26509, 26841, 27165, 27481, 27788, 28087, 28377, 28659, 28932, 29196,
    29451, 29697, 29934, 30162, 30381, 30591, 30791, 30982, 31163, 31335, 31498, 31650, 31794, 31927, 32051, 32165,
    32269, 32364, 32448, 32523, 32587, 32642, 32687, 32722, 32747, 32762, 32767,
};

/* The table, linear between its degrees. */
static uint32_t sine_of(uint16_t angle) {
    const uint_fast8_t degrees = (uint_fast8_t)(angle / GORSE_DEGREE);
    const uint32_t part = angle % GORSE_DEGREE, sine = sines[degrees];
    return part == 0u ? sine : sine + ((sines[degrees + 1u] - sine) * part + GORSE_DEGREE / 2u) / GORSE_DEGREE;
}

static int32_t scaled(int32_t radius, uint16_t angle) {
    const uint32_t sine = sine_of(angle), size = (uint32_t)radius;
    /* In two halves, as a radius has up to 22 bits. */
    return (int32_t)((size >> 8) * sine / 32767u * 256u +
                     (((size >> 8) * sine % 32767u) * 256u + (size & 255u) * sine + 16383u) / 32767u);
}

void gorse_point_at(const gorse_ellipse *of, uint16_t angle, gorse_fine *point) {
    const uint16_t right = 90u * GORSE_DEGREE;
    const uint_fast8_t quarter = (uint_fast8_t)(angle / right);
    const uint16_t rest = (uint16_t)(angle % right), other = (uint16_t)(right - rest);
    /* From the quarter's first axis towards the next: the top, the right, the bottom, the left. */
    const uint_fast8_t upright = (uint_fast8_t)((quarter & 1u) == 0u);
    int32_t across = scaled(of->radius.x, upright != 0u ? rest : other);
    int32_t down = scaled(of->radius.y, upright != 0u ? other : rest);
    point->x = of->centre.x + (quarter < 2u ? across : -across);
    point->y = of->centre.y + (quarter == 0u || quarter == 3u ? -down : down);
}
