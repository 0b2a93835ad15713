/* SPDX-License-Identifier: MIT */
/* The steps of a knob with two phases, for firmware that reads their levels. */
#ifndef GORSE_KNOB_DECODE_H
#define GORSE_KNOB_DECODE_H

#include <stdint.h>

#ifdef __cplusplus
extern "C" {
#endif

/* A knob. Its first two levels are where it stands; begin it as all zeros. */
typedef struct gorse_knob_phases {
    uint8_t known;    /* 1: `at` is where it stood */
    uint8_t at;       /* which quarter of a period, 0 to 3 */
    uint8_t from;     /* which one it came from */
    int8_t quarters;  /* that were gone since the latest step */
    int8_t direction; /* which way it goes; a way back of one quarter is a bounce */
} gorse_knob_phases;

/* Takes the levels of both phases, 0 or 1. Returns the steps that they complete, -2 to 2: positive where `a` comes
 * first. A step is `quarters` of a period: 4 for most knobs with detents, 2 or 1 for others. A contact that bounces
 * goes to and fro and makes no step. Where both levels changed, a quarter was missed: it went on as it did before. */
int8_t gorse_knob_decode(gorse_knob_phases *knob, uint8_t a, uint8_t b, uint8_t quarters);

#ifdef __cplusplus
}
#endif
#endif
