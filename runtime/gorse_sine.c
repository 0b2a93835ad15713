/* SPDX-License-Identifier: MIT */
/* Points of an ellipse by their angle, from a table of 182 bytes. */
#include "gorse_cover.h"

/* 32768 * sin(0 to 90 degrees). */
static const GORSE_ROM uint16_t sines[91] = {
    0,     572,   1144,  1715,  2286,  2856,  3425,  3993,  4560,  5126,  5690,  6252,  6813,  7371,  7927,  8481,
    9032,  9580,  10126, 10668, 11207, 11743, 12275, 12803, 13328, 13848, 14365, 14876, 15384, 15886, 16384, 16877,
    17364, 17847, 18324, 18795, 19261, 19720, 20174, 20622, 21063, 21498, 21926, 22348, 22763, 23170, 23571, 23965,
    24351, 24730, 25102, 25466, 25822, 26170, 26510, 26842, 27166, 27482, 27789, 28088, 28378, 28660, 28932, 29197,
    29452, 29698, 29935, 30163, 30382, 30592, 30792, 30983, 31164, 31336, 31499, 31651, 31795, 31928, 32052, 32166,
    32270, 32365, 32449, 32524, 32588, 32643, 32688, 32723, 32748, 32763, 32768,
};

/* The table, linear between its degrees. */
static uint32_t sine_of(uint16_t angle) {
    const uint_fast8_t degrees = (uint_fast8_t)(angle / GORSE_DEGREE);
    const uint32_t part = angle % GORSE_DEGREE, sine = sines[degrees];
    return part == 0u ? sine : sine + ((sines[degrees + 1u] - sine) * part + GORSE_DEGREE / 2u) / GORSE_DEGREE;
}

/* radius * sine / 32768, to the nearer. */
static int32_t scaled(int32_t radius, uint16_t angle) {
    const uint32_t sine = sine_of(angle), size = (uint32_t)radius;
    /* In two parts, as a radius has up to 22 bits. */
    const uint32_t high = (size >> 8) * sine, low = (size & 255u) * sine;
    return (int32_t)((high >> 7) + (((high & 127u) * 256u + low + 16384u) >> 15));
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
