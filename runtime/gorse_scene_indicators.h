/* SPDX-License-Identifier: MIT */
/* The records of the kinds of widgets that show a value. */
#ifndef GORSE_SCENE_INDICATORS_H
#define GORSE_SCENE_INDICATORS_H

#include "gorse_scene_widgets.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Stands for a variable where a value is computed: the rest is the number of the screen's slot that holds it. */
#define GORSE_VALUE_IN_SLOT 0x8000u

/* The head of a record that shows a value. */
typedef struct gorse_widget_indicator {
    gorse_widget widget;
    const GORSE_ROM int32_t *limits; /* min, max, which is above it, and what else the kind says */
    uint16_t variable;               /* whose value; GORSE_VALUE_IN_SLOT; GORSE_NONE: 0 is shown */
    uint8_t yields;                  /* 1, of a control: when it is let go, a value that the firmware set stands */
    uint8_t reserved;
} gorse_widget_indicator;

enum { GORSE_DIRECTION_RIGHT = 0, GORSE_DIRECTION_UP = 1, GORSE_DIRECTION_LEFT = 2, GORSE_DIRECTION_DOWN = 3 };

/* Its limits: min, max, the value that it grows from. Its memory holds where it ends, 2 bytes: pixels, or parts. */
typedef struct gorse_widget_progress {
    gorse_widget_indicator shown;
    uint8_t direction;
    uint8_t parts; /* 0 and 1: a whole bar */
    uint8_t part_gap;
    uint8_t reserved;
} gorse_widget_progress;

/* The same with an image that it uncovers. */
typedef struct gorse_widget_pictured_progress {
    gorse_widget_progress bar;
    const GORSE_ROM gorse_image *image; /* 0: none */
} gorse_widget_pictured_progress;

/* Its limits: min, max, the value that it grows from. Its memory holds where it ends, 2 bytes: 1/64 degree from its
 * beginning, or parts. */
typedef struct gorse_widget_ring {
    gorse_widget_indicator shown;
    uint16_t from_angle, to_angle; /* degrees; 0 at the top, clockwise; equal: all round */
    uint8_t thickness;             /* pixels */
    uint8_t ends;                  /* GORSE_ENDS_... */
    uint8_t parts;                 /* 0 and 1: a whole ring */
    uint8_t part_gap;              /* pixels, in the middle of the thickness */
} gorse_widget_ring;

enum { GORSE_LEAD_NONE = 0, GORSE_LEAD_ZEROS = 1, GORSE_LEAD_SPACES = 2 };

enum { GORSE_READOUT_UNIT_COLOUR = 2, GORSE_READOUT_STALE_AFTER = 3 };

/* How a readout writes its number, in a table of 16-bit numbers. */
enum {
    GORSE_READOUT_ALIGN = 0,
    GORSE_READOUT_PLACE = 1,
    GORSE_READOUT_DIGITS = 2,     /* before the point, at least */
    GORSE_READOUT_LEAD = 3,       /* GORSE_LEAD_... */
    GORSE_READOUT_THOUSANDS = 4,  /* the character between groups of three digits, or 0 */
    GORSE_READOUT_SIGN = 5,       /* 1: positive numbers have one, too */
    GORSE_READOUT_COARSER = 6,    /* decimals of the value that are rounded away */
    GORSE_READOUT_DECIMALS = 7,   /* those that are left */
    GORSE_READOUT_ZEROS = 8,      /* behind them */
    GORSE_READOUT_GAP = 9,        /* pixels between number and unit */
    GORSE_READOUT_UNIT_DROP = 10, /* pixels from the top of the number's line to that of the unit's */
    GORSE_READOUT_NUMBERS = 11
};

/* Bytes of the longest number: a sign, 10 digits before the point and 3 marks between them, the point, 6 digits, the
 * closing zero. The scene has room for one in scratch_bytes. */
#define GORSE_READOUT_BYTES 22

/* Its limits: min, max, the unit's colour or 0 for that of the number; for gorse_kind_readout_stale after how many ms
 * without news it looks wrong. Its memory holds the value that it shows, 4 bytes, or a gorse_stale_state. */
typedef struct gorse_widget_readout {
    gorse_widget_indicator shown;
    const GORSE_ROM uint8_t *words; /* the unit; what is shown instead of a value below min; above max: each ends with 0
                                       and may be empty, then there is no unit, or the limit is shown */
    const GORSE_ROM gorse_font *unit_font;
    const GORSE_ROM int16_t *form; /* GORSE_READOUT_... */
} gorse_widget_readout;

typedef struct gorse_stale_state {
    int32_t value;
    uint8_t is_stale;
    uint8_t reserved[3];
} gorse_stale_state;

enum { GORSE_ZONE_FROM = 0, GORSE_ZONE_TO = 1, GORSE_ZONE_COLOUR = 2, GORSE_ZONE_NUMBERS = 3 };

enum { GORSE_LAMP_ROUND = 0, GORSE_LAMP_SQUARE = 1 };

/* Its limits: 0, 1, then its zones: so many numbers for each. Without zones it is on while its value is not 0. Its
 * memory holds which colour it shows, 1 byte: 0 none, 1 the look's, else the zone's number and 2. */
typedef struct gorse_widget_lamp {
    gorse_widget_indicator shown;
    uint16_t blink; /* ms on and off; 0: shines steadily */
    uint8_t zone_count;
    uint8_t shape; /* GORSE_LAMP_... */
} gorse_widget_lamp;

/* The face and needle of a gauge in a table of 16-bit numbers. Angles in degrees, lengths in pixels where nothing else
 * is said. */
enum {
    GORSE_GAUGE_FROM_ANGLE = 0,
    GORSE_GAUGE_SWEEP = 1,   /* 1 to 360, clockwise */
    GORSE_GAUGE_PIVOT_X = 2, /* from the box's top left; GORSE_PIVOT_MIDDLE */
    GORSE_GAUGE_PIVOT_Y = 3,
    /* How large the face can be for each pixel from the pivot to an edge of the box, 1/512 pixel. */
    GORSE_GAUGE_ROOM_LEFT = 4,
    GORSE_GAUGE_ROOM_RIGHT = 5,
    GORSE_GAUGE_ROOM_ABOVE = 6,
    GORSE_GAUGE_ROOM_BELOW = 7,
    GORSE_GAUGE_TICKS = 8,       /* parts of the sweep, between ticks; 0: none */
    GORSE_GAUGE_SMALL_TICKS = 9, /* parts of each of these, at least 1 */
    GORSE_GAUGE_TICK_LENGTH = 10,
    GORSE_GAUGE_TICK_WIDTH = 11,
    GORSE_GAUGE_ZONE_WIDTH = 12,
    GORSE_GAUGE_NEEDLE_WIDTH = 13,  /* at the pivot */
    GORSE_GAUGE_NEEDLE_LENGTH = 14, /* 0: to the middle of the ticks */
    GORSE_GAUGE_NEEDLE_TAIL = 15,
    GORSE_GAUGE_HUB = 16,            /* diameter */
    GORSE_GAUGE_SETTLE = 17,         /* ms until the needle has come to another value */
    GORSE_GAUGE_LABELS = 18,         /* how many: one at each tick, from the first on */
    GORSE_GAUGE_DECIMALS = 19,       /* of a label */
    GORSE_GAUGE_ZONES = 20,          /* how many */
    GORSE_GAUGE_NEEDLE_PIVOT_X = 21, /* of a needle that is an image, from its top left, 1/16 pixel */
    GORSE_GAUGE_NEEDLE_PIVOT_Y = 22,
    GORSE_GAUGE_NUMBERS = 23
};

enum { GORSE_GAUGE_NEEDLE_COLOUR = 2, GORSE_GAUGE_HUB_COLOUR = 3, GORSE_GAUGE_FIRST_ZONE = 4 };

/* Its limits: min, max, two colours, its zones, its labels as numbers without the point. Its memory holds a
 * gorse_gauge_state. */
typedef struct gorse_widget_gauge {
    gorse_widget_indicator shown;
    const GORSE_ROM int16_t *face;             /* GORSE_GAUGE_... */
    const GORSE_ROM gorse_image *image;        /* behind the scale, in the middle of the box; 0: none */
    const GORSE_ROM gorse_image *needle_image; /* which shows the needle at the top; 0: it is drawn */
} gorse_widget_gauge;

/* Where the needle is, from the beginning of the sweep on in 1/64 degree. */
typedef struct gorse_gauge_state {
    uint32_t since; /* when it left `from` */
    uint16_t shown, from, target;
    uint8_t reserved[2];
} gorse_gauge_state;

/* A value whose course is shown, in a table of numbers for each. */
enum {
    GORSE_COURSE_MIN = 0, /* the value at the lower edge, and at the upper one */
    GORSE_COURSE_MAX = 1,
    GORSE_COURSE_FROM = 2,   /* as gorse_widget_indicator.variable */
    GORSE_COURSE_COLOUR = 3, /* of the first value: that of the look instead */
    GORSE_COURSE_NUMBERS = 4
};

/* Bits of gorse_widget_trend.flags. */
enum {
    GORSE_TREND_SWEEP = 1, /* new samples replace the oldest where they are, else all move to the left */
    GORSE_TREND_AREA = 2,  /* what is below a course is filled */
    GORSE_TREND_FIT = 4    /* the edges are the smallest and the largest sample */
};

/* The course of up to 4 values. Its limits are those of each: GORSE_COURSE_..., of the first as the indicator's; then
 * the ms between samples, 0 if a rule or the firmware says when. What it shows is recorded by the scene's recorder for
 * it. */
typedef struct gorse_widget_trend {
    gorse_widget_indicator shown;
    uint16_t samples;       /* that are shown, at least 2 */
    uint8_t values;         /* 1 to 4 */
    uint8_t thickness;      /* pixels, at least 1 */
    uint8_t grid_x, grid_y; /* parts between the lines of the grid */
    uint8_t flags;          /* GORSE_TREND_... */
    uint8_t reserved;
} gorse_widget_trend;

#ifdef __cplusplus
}
#endif
#endif
