/* SPDX-License-Identifier: MIT */
/* The course of values over the latest samples, which the scene's recorder keeps. A course is a stroke from sample to
 * sample with a pen of eight corners, drawn by columns: of each eighth of a column is known from where to where the
 * stroke goes. */
#include "gorse_internal.h"

/* Distances down are in 1/32 pixel, so that a high panel's fit. */
#define PIXEL 32

/* Farther than any panel is high: half of what 32 bits hold, so that differences fit. */
#define NOWHERE 0x3fffffff

/* Columns that are worked on at a time: each takes 32 bytes of stack. */
#if defined(__AVR__)
#define COLUMNS 1
#elif defined(__arm__)
#define COLUMNS 2
#else
#define COLUMNS 16
#endif
#define EIGHTHS 8

/* Where courses run, and the one that is drawn. Distances down count from the top of the box; positions across are in
 * samples from the left, in 1/65536. */
typedef struct plot {
    gorse_rect box;
    const gorse_widget_trend *trend;
    const gorse_recording *recording;
    const uint16_t *samples;
    uint32_t scale;        /* distance for each step of a sample, in 1/32768 */
    int32_t base;          /* where the lowest value is */
    int32_t step;          /* samples for each column, in 1/65536, rounded down */
    uint32_t far;          /* pixels for each sample, in 1/8192 */
    uint16_t columns, gap; /* columns: between the first sample and the last, at least 1 */
    uint8_t is_crisp;
#if GORSE_FAST
    int32_t known[128]; /* how far down samples are, NOWHERE if there is none, from `first` on */
    uint16_t first, count;
#endif
} plot;

/* From where to where something covers; nothing while lo is above hi. */
typedef struct reach {
    int32_t lo, hi;
} reach;
/* The same from the top of what is drawn on. */
typedef struct band {
    int16_t lo, hi;
} band;

static const gorse_widget_trend *trend_of(const gorse_widget *widget) {
    return (const gorse_widget_trend *)(const void *)widget;
}

static void find_box(const gorse_widget_trend *trend, const gorse_look *look, gorse_rect *box) {
    gorse_widget_box(&trend->shown.widget, box);
    gorse_shrink(box, (gorse_coord)(look->border_width + look->padding));
}

static uint16_t columns_of(const gorse_rect *box) {
    return (uint16_t)(box->x1 - box->x0 > 1 ? box->x1 - box->x0 - 1 : 1);
}

uint16_t gorse_sweep_gap(const gorse_widget_trend *trend) { return (uint16_t)(1u + trend->samples / 32u); }

static void measure(const gorse_widget_trend *trend, const gorse_recording *recording, plot *out) {
    const int32_t height = (int32_t)(out->box.y1 - out->box.y0) * PIXEL, pen = (int32_t)trend->thickness * PIXEL;
    const uint32_t range = (uint32_t)recording->high - recording->low;
    const uint32_t last = (uint32_t)trend->samples - 1u;
    const uint32_t room = height > pen && recording->high > recording->low ? (uint32_t)(height - pen) : 0u;
    out->trend = trend;
    out->recording = recording;
    out->scale = room == 0u ? 0u : (room << 15) / range;
    out->base = room == 0u ? height / 2 : height - pen / 2;
    out->columns = columns_of(&out->box);
    out->step = (int32_t)((last << 16) / out->columns);
    out->far = ((uint32_t)out->columns << 13) / last;
    out->gap = gorse_sweep_gap(trend);
}

/* Where the sample at a place from the left is stored; GORSE_NONE if there is none. */
static uint16_t stored_at(const plot *p, uint16_t place) {
    const uint16_t samples = p->trend->samples, next = p->recording->next, count = p->recording->count;
    uint16_t ahead;
    if ((p->trend->flags & GORSE_TREND_SWEEP) == 0u) {
        if ((uint16_t)(samples - 1u - place) >= count)
            return GORSE_NONE;
        ahead = (uint16_t)(next + place);
        return (uint16_t)(ahead < samples ? ahead : ahead - samples);
    }
    if (place >= count)
        return GORSE_NONE;
    ahead = (uint16_t)(place >= next ? place - next : place + samples - next);
    return count == samples && ahead < p->gap ? (uint16_t)GORSE_NONE : place;
}

/* How far down a sample is; 0 if there is none. */
static GORSE_OWN_FRAME uint8_t measure_sample(const plot *p, uint16_t place, int32_t *down) {
    const uint16_t at = stored_at(p, place);
    const gorse_recording *r = p->recording;
    if (at == GORSE_NONE)
        return 0;
    *down = p->base - (int32_t)(((uint32_t)(uint16_t)(p->samples[at] - r->low) * p->scale + (1u << 14)) >> 15);
    if (p->is_crisp != 0u)
        *down = *down / PIXEL * PIXEL + PIXEL / 2;
    return 1;
}

/* The same, from what is known. */
static uint8_t find_sample(const plot *p, uint16_t place, int32_t *down) {
#if GORSE_FAST
    const uint16_t ahead = (uint16_t)(place - p->first);
    if (ahead < p->count) {
        *down = p->known[ahead];
        return (uint8_t)(*down != NOWHERE);
    }
#endif
    return measure_sample(p, place, down);
}

/* How far down the course is at a position; 0 if it is not there. */
static GORSE_OWN_FRAME uint8_t find_course(const plot *p, int32_t at, int32_t *down) {
    const uint16_t place = (uint16_t)(at >> 16), part = (uint16_t)(at & 0xffff);
    int32_t next;
    if (at < 0 || place >= p->trend->samples || find_sample(p, place, down) == 0u)
        return 0;
    if (part == 0u)
        return 1;
    if (place + 1u >= p->trend->samples || find_sample(p, (uint16_t)(place + 1u), &next) == 0u)
        return 0;
    *down += (next - *down) * (int32_t)(part >> 4) / 4096;
    return 1;
}

static void add(reach *to, int32_t down, int32_t pen) {
    to->lo = down - pen < to->lo ? down - pen : to->lo;
    to->hi = down + pen > to->hi ? down + pen : to->hi;
}

static void add_course(const plot *p, int32_t at, int32_t pen, reach *to) {
    int32_t down;
    if (find_course(p, at, &down) != 0u)
        add(to, down, pen);
}

/* What the pen covers at a position: its corners are at half the thickness and 0.207 of it from its middle. */
static GORSE_OWN_FRAME void find_stroke(const plot *p, int32_t at, reach *out) {
    const int32_t thick = p->trend->thickness;
    const int32_t far = thick * p->step / 2, near = far / 8 * 53 / 16;
    const int32_t half = thick * (PIXEL / 2), low = thick * 53 / 8;
    int32_t place = at < far ? 0 : (at - far + 0xffff) >> 16, down;
    add_course(p, at - far, low, out);
    add_course(p, at + far, low, out);
    add_course(p, at - near, half, out);
    add_course(p, at + near, half, out);
    for (; place < (int32_t)p->trend->samples && place * 0x10000 <= at + far; place++) {
        const int32_t beside = place * 0x10000 - at;
        const uint32_t distance = (((uint32_t)(beside < 0 ? -beside : beside) >> 6) * p->far) >> 18;
        int32_t pen = half + low - (int32_t)distance;
        pen = pen < half ? pen : half;
        if (find_sample(p, (uint16_t)place, &down) != 0u)
            add(out, down, pen > 0 ? pen : 0);
    }
}

/* Where a column is. Exact, as columns are drawn from any one on. */
static int32_t position_of(const plot *p, gorse_coord column) {
    const uint32_t samples = (uint32_t)column * (p->trend->samples - 1u);
    return (int32_t)((samples / p->columns) << 16) + (int32_t)(((samples % p->columns) << 16) / p->columns);
}

/* On 1 bit: rows whose middle is between where the course enters a column and where it leaves it. */
static GORSE_OWN_FRAME void find_rows(const plot *p, gorse_coord column, reach *out) {
    const int32_t at = position_of(p, column), more = (int32_t)(p->trend->thickness - 1u) * (PIXEL / 2);
    const int32_t left = column > 0 ? (position_of(p, (gorse_coord)(column - 1)) + at) / 2 : at;
    const int32_t right = (at + position_of(p, (gorse_coord)(column + 1))) / 2;
    int32_t place = (left + 0xffff) >> 16, down;
    if (find_course(p, at, &down) != 0u)
        add(out, down / PIXEL * PIXEL + PIXEL / 2, 0);
    for (; place < (int32_t)p->trend->samples && place * 0x10000 <= right; place++)
        if (find_sample(p, (uint16_t)place, &down) != 0u)
            add(out, down, 0);
    /* One column begins behind where the other ends. */
    if (find_course(p, left, &down) != 0u)
        add(out, down + (down < out->lo ? 1 : 0), 0);
    if (find_course(p, right, &down) != 0u)
        add(out, down + (down < out->lo ? 1 : 0), 0);
    if (out->lo <= out->hi) {
        out->lo -= more;
        out->hi += more;
    }
}

#if GORSE_FAST
/* Measures the samples that some columns show, if they are not too many. */
static void measure_samples(plot *p, gorse_coord column, uint8_t n) {
    const uint32_t last = (uint32_t)p->trend->samples - 1u;
    const int32_t beside = ((int32_t)p->trend->thickness / 2 + 2) * p->step;
    const int32_t from = position_of(p, column) - beside;
    const uint32_t first = from > 0 ? (uint32_t)from >> 16 : 0u;
    uint32_t end = ((uint32_t)(position_of(p, (gorse_coord)(column + n)) + beside) >> 16) + 2u;
    uint16_t i;
    end = end > last ? last + 1u : end;
    p->count = 0;
    if (first >= end || end - first > sizeof p->known / sizeof p->known[0])
        return;
    for (i = 0; i < end - first; i++)
        if (measure_sample(p, (uint16_t)(first + i), &p->known[i]) == 0u)
            p->known[i] = NOWHERE;
    p->first = (uint16_t)first;
    p->count = (uint16_t)(end - first);
}
#endif

/* What is below the course. */
static void find_area(const plot *p, int32_t at, reach *out) {
    const int32_t last = (int32_t)(p->trend->samples - 1u) * 0x10000;
    int32_t down;
    at = at < 0 ? 0 : at > last ? last : at;
    if (find_course(p, at, &down) == 0u)
        return;
    out->lo = down;
    out->hi = (int32_t)(p->box.y1 - p->box.y0) * PIXEL;
}

/* What of it is on the canvas; with lo above hi if nothing is. */
static band band_of(const gorse_canvas *c, const plot *p, const reach *r) {
    const int32_t top = (int32_t)(c->clip.y0 - p->box.y0) * PIXEL;
    const int32_t end = (int32_t)(c->clip.y1 - c->clip.y0) * PIXEL;
    const int32_t lo = r->lo > top ? r->lo - top : 0, hi = r->hi - top < end ? r->hi - top : end;
    band out = {1, 0};
    if (r->lo <= r->hi && lo <= hi) {
        out.lo = (int16_t)lo;
        out.hi = (int16_t)hi;
    }
    return out;
}

/* Fills the bands of some columns. Returns what they cover together, from the top of the canvas. */
static GORSE_OWN_FRAME band find_bands(const gorse_canvas *c, const plot *p, gorse_coord x, uint8_t n, uint8_t is_area,
                                       band *bands) {
    band all = {0x7fff, 0};
    uint8_t i, eighth;
    for (i = 0; i < n; i++) {
        const gorse_coord column = (gorse_coord)(x - p->box.x0 + i);
        const int32_t middle = position_of(p, column);
        for (eighth = 0; eighth < EIGHTHS; eighth++, bands++) {
            const int32_t at = p->is_crisp != 0u ? middle : middle + (int32_t)(2 * eighth - 7) * p->step / 16;
            reach r = {NOWHERE, -NOWHERE};
            if (is_area != 0u)
                find_area(p, at, &r);
            else if (p->is_crisp != 0u)
                find_rows(p, column, &r);
            else
                find_stroke(p, at, &r);
            *bands = band_of(c, p, &r);
            if (bands->lo > bands->hi)
                continue;
            all.lo = bands->lo < all.lo ? bands->lo : all.lo;
            all.hi = bands->hi > all.hi ? bands->hi : all.hi;
        }
    }
    return all;
}

/* How much of a pixel, whose top is so far down, a column's bands cover: 0 to 255. */
static uint8_t coverage_of(const band *bands, int16_t top, uint8_t is_crisp) {
    uint16_t sum = 0;
    uint8_t i;
    if (is_crisp != 0u)
        return (uint8_t)(bands->lo <= top + PIXEL / 2 && top + PIXEL / 2 <= bands->hi ? 255u : 0u);
    for (i = 0; i < EIGHTHS; i++, bands++) {
        const int16_t lo = bands->lo > top ? bands->lo : top;
        const int16_t hi = (int16_t)(bands->hi < top + PIXEL ? bands->hi : top + PIXEL);
        if (hi > lo)
            sum = (uint16_t)(sum + (uint16_t)(hi - lo));
    }
    return (uint8_t)(sum < 256u ? sum : 255u);
}

/* Draws some columns of the course, or what is below it. */
static GORSE_OWN_FRAME void draw_columns(const gorse_canvas *c, plot *p, gorse_coord x, uint8_t n, uint8_t is_area,
                                         gorse_colour colour) {
    band bands[COLUMNS * EIGHTHS], all;
    uint8_t coverage[COLUMNS];
    gorse_coord row;
    uint8_t i;
#if GORSE_FAST
    if (p->step < 0x40000)
        measure_samples(p, (gorse_coord)(x - p->box.x0), n);
#endif
    all = find_bands(c, p, x, n, is_area, bands);
    for (row = all.lo / PIXEL; row * PIXEL < all.hi; row++) {
        const gorse_coord y = (gorse_coord)(c->clip.y0 + row);
        for (i = 0; i < n; i++) {
            coverage[i] = coverage_of(bands + (uint8_t)(i * EIGHTHS), (int16_t)(row * PIXEL), p->is_crisp);
            /* There is no fainter colour on 1 bit: every second pixel is. */
            if (is_area != 0u && p->is_crisp != 0u && ((x + (gorse_coord)i + y) & 1) != 0)
                coverage[i] = 0;
        }
        gorse_mask_span(c, x, y, n, coverage, colour);
    }
}

/* A course, or what is below it, on part of the canvas that is at most 1000 rows high. */
static void draw_course(const gorse_canvas *c, plot *p, uint8_t is_area, gorse_colour colour) {
    gorse_coord x;
    if (is_area != 0u && p->is_crisp == 0u)
        colour = (colour & 0xffffffu) | (gorse_colour)(gorse_alpha(colour) / 4u) << 24;
    for (x = c->clip.x0; x < c->clip.x1; x = (gorse_coord)(x + COLUMNS))
        draw_columns(c, p, x, (uint8_t)gorse_min((gorse_coord)(c->clip.x1 - x), COLUMNS), is_area, colour);
}

static gorse_colour colour_of(const gorse_widget_trend *trend, uint8_t value) {
    return (gorse_colour)trend->shown.limits[(uint16_t)value * GORSE_COURSE_NUMBERS + GORSE_COURSE_COLOUR];
}

static void draw_courses(const gorse_canvas *c, plot *p, const gorse_recording *recording, gorse_colour first) {
    const gorse_widget_trend *trend = p->trend;
    const uint16_t *const samples = (const uint16_t *)(const void *)(recording + 1);
    uint8_t value, is_area = (uint8_t)((trend->flags & GORSE_TREND_AREA) != 0u);
    for (;;) {
        for (value = trend->values; value-- != 0u;) {
            p->samples = samples + (uint32_t)value * trend->samples;
#if GORSE_FAST
            p->count = 0;
#endif
            draw_course(c, p, is_area, value == 0u ? first : colour_of(trend, value));
        }
        if (is_area == 0u)
            return;
        is_area = 0;
    }
}

/* Lines between the parts of the grid. */
static void draw_grid(const gorse_canvas *c, const gorse_rect *box, const gorse_widget_trend *trend,
                      const gorse_look *look) {
    gorse_rect line;
    uint8_t i;
    for (i = 1; i < trend->grid_x; i++) {
        line = *box;
        line.x0 = (gorse_coord)(box->x0 + (gorse_coord)((int32_t)(box->x1 - box->x0) * i / trend->grid_x));
        line.x1 = (gorse_coord)(line.x0 + 1);
        gorse_fill_rect(c, &line, look->border);
    }
    for (i = 1; i < trend->grid_y; i++) {
        line = *box;
        line.y0 = (gorse_coord)(box->y0 + (gorse_coord)((int32_t)(box->y1 - box->y0) * i / trend->grid_y));
        line.y1 = (gorse_coord)(line.y0 + 1);
        gorse_fill_rect(c, &line, look->border);
    }
}

/* The one of the trend, whose limits nothing else has; 0 if the scene has none. */
static const gorse_recording *find_recording(const gorse *g, const gorse_widget_trend *trend) {
    const GORSE_ROM gorse_keeper *each = g->scene->keepers;
    uint16_t i;
    for (i = g->scene->recorder_count; i != 0u; i--, each++)
        if (gorse_trend_of(each)->shown.limits == trend->shown.limits)
            return gorse_recording_of(g, each);
    return 0;
}

/* All courses on a canvas inside the box where they run. */
static GORSE_OWN_FRAME void draw_inside(gorse_canvas *c, const gorse_rect *box, const gorse_widget_trend *trend,
                                        gorse_colour first) {
    const gorse_recording *recording = find_recording(c->run, trend);
    const gorse_coord end = c->clip.y1;
    plot p;
    if (recording == 0 || recording->count == 0u)
        return;
    p.box = *box;
    p.is_crisp = (uint8_t)(c->format->bits == 1u);
    measure(trend, recording, &p);
    for (; c->clip.y0 < end; c->clip.y0 = c->clip.y1) {
        c->clip.y1 = gorse_min(end, (gorse_coord)(c->clip.y0 + 1000));
        draw_courses(c, &p, recording, first);
    }
}

static void draw(const gorse_canvas *c, const gorse_widget *widget, const gorse_look *look) {
    const gorse_widget_trend *trend = trend_of(widget);
    gorse_canvas inside = *c;
    gorse_rect box;
    gorse_widget_box(widget, &box);
    gorse_draw_box(c, &box, look);
    find_box(trend, look, &box);
    if (gorse_clip(&inside.clip, &box) == 0u)
        return;
    draw_grid(&inside, &box, trend, look);
    draw_inside(&inside, &box, trend, look->text);
}

/* Marks the columns of the course from one place to another. */
static void dirty_columns(gorse *g, const gorse_widget_trend *trend, const gorse_rect *box, uint16_t from,
                          uint16_t to) {
    const int32_t pen = trend->thickness / 2 + 1;
    const uint32_t last = (uint32_t)trend->samples - 1u, columns = columns_of(box);
    gorse_rect area = *box;
    area.x0 = (gorse_coord)(box->x0 + (int32_t)(from * columns / last) - pen);
    area.x1 = (gorse_coord)(box->x0 + (int32_t)((to * columns + last - 1u) / last) + pen + 1);
    if (gorse_clip(&area, box) != 0u)
        gorse_dirty(g, &area);
}

void gorse_dirty_sample(gorse *g, const gorse_widget_trend *trend, const gorse_look *look,
                        const gorse_recording *recording) {
    const uint16_t samples = trend->samples;
    uint16_t newest = (uint16_t)(recording->next != 0u ? recording->next - 1u : samples - 1u), hidden;
    gorse_rect box, outside;
    find_box(trend, look, &box);
    gorse_widget_box(&trend->shown.widget, &outside);
    if (gorse_clip(&box, &outside) == 0u)
        return;
    if ((trend->flags & GORSE_TREND_SWEEP) == 0u) {
        gorse_dirty(g, &box);
        return;
    }
    dirty_columns(g, trend, &box, (uint16_t)(newest != 0u ? newest - 1u : 0u), newest);
    if (recording->count < samples)
        return;
    hidden = (uint16_t)((newest + gorse_sweep_gap(trend)) % samples);
    /* At the first time that it begins anew all of the gap is new. */
    dirty_columns(g, trend, &box, recording->next == 0u ? 0 : hidden,
                  (uint16_t)(hidden + 1u < samples ? hidden + 1u : hidden));
}

const GORSE_ROM gorse_kind gorse_kind_trend = {sizeof(gorse_widget_trend), 0, draw, 0, 0, 0};
