/* SPDX-License-Identifier: MIT */
/* The records of widgets that hold others. */
#ifndef GORSE_SCENE_CONTAINERS_H
#define GORSE_SCENE_CONTAINERS_H

#include "gorse_scene_controls.h"

#ifdef __cplusplus
extern "C" {
#endif

/* Bits of gorse_widget_group.scroll: which ways the finger moves what it holds, or it. */
enum {
    GORSE_SCROLL_ACROSS = 1,
    GORSE_SCROLL_DOWN = 2,
    GORSE_SCROLL_PAGES = 4,  /* a gorse_widget_pager: it stops at what it holds */
    GORSE_SCROLL_ROUND = 8,  /* behind the last page comes the first */
    GORSE_SCROLL_DRAWER = 16 /* a gorse_widget_drawer: it is moved itself */
};
/* gorse_widget_group.clip */
enum { GORSE_CLIP_NONE = 0, GORSE_CLIP_BOX = 1, GORSE_CLIP_ALL = 2 /* nothing that it holds shows */ };

/* What every container's record begins with: it holds the widgets behind it, up to `end`. Their boxes count from its
 * corner, moved to the left and up by pan_x and pan_y. */
typedef struct gorse_widget_group {
    gorse_widget widget;
    int16_t pan_x, pan_y; /* pixels */
    uint16_t end;         /* the number behind the last widget that it holds */
    uint8_t clip;         /* GORSE_CLIP_... */
    uint8_t scroll;       /* GORSE_SCROLL_... */
} gorse_widget_group;

/* What it holds are its pages: each is as large as it is, and lies behind the one before. Its memory holds a
 * gorse_pager_state. */
typedef struct gorse_widget_pager {
    gorse_widget_group group;
    uint16_t variable; /* the page that is shown, from 0 on; or GORSE_NONE */
    uint16_t slide;    /* ms that a change of pages takes */
    uint8_t dots;      /* 1: it shows which of how many pages is there */
    uint8_t reserved[3];
} gorse_widget_pager;

typedef struct gorse_pager_state {
    uint32_t since;   /* when it began to slide */
    int16_t from, to; /* its pan then, and the one that it slides to, px */
    int16_t whole;    /* pixels of all pages */
    uint16_t page;    /* that it slides to, or shows */
    uint16_t ms;      /* that it slides */
    uint8_t held;     /* 1: by the finger */
    uint8_t reserved;
} gorse_pager_state;

enum { GORSE_EDGE_LEFT = 0, GORSE_EDGE_TOP = 1, GORSE_EDGE_RIGHT = 2, GORSE_EDGE_BOTTOM = 3 };

/* Lies where its box says while it is open, else beyond an edge of what holds it, or of the panel. Its memory holds a
 * gorse_drawer_state. */
typedef struct gorse_widget_drawer {
    gorse_widget_group group;
    uint16_t variable; /* not 0: it is open; or GORSE_NONE */
    uint16_t slide;    /* ms that it takes to open or to close */
    uint8_t edge;      /* GORSE_EDGE_... */
    uint8_t pull;      /* pixels from the edge on, where a finger opens it */
    uint8_t shade;     /* opacity of what darkens all below it; 0: the rest can be touched meanwhile */
    uint8_t reserved;
} gorse_widget_drawer;

typedef struct gorse_drawer_state {
    uint32_t since;    /* when it began to slide */
    int16_t from, out; /* how far it was closed then, and is now, px */
    uint8_t open;      /* 1: it is open, or is being opened */
    uint8_t shade;     /* opacity of what darkens all below it now */
    uint8_t slides;
    uint8_t reserved;
    uint16_t focus; /* where the focus was when it was opened */
    uint8_t end[2];
} gorse_drawer_state;

/* What scenes with containers have beside widgets. */
typedef struct gorse_containers {
    /* Of each screen, for each of its widgets the container that holds it, or GORSE_NONE; 0: it has no containers. */
    const GORSE_ROM uint16_t *const GORSE_ROM *holders;
    /* gorse_mix_back where any container lets something through, else 0 */
    void (*mix_back)(const struct gorse_canvas *c, const uint8_t *bytes, gorse_coord from, uint8_t opacity);
    uint32_t state_at; /* of the state, behind its head: a gorse_container_state, where any scrolls a gorse_scroller */
    uint8_t scrolls;   /* pixels after which a press becomes a scroll; 0: no finger moves what any hold */
    uint8_t fades;     /* how many containers, one in another, let something through, at most */
    uint8_t reserved[2];
} gorse_containers;

#ifdef __cplusplus
}
#endif
#endif
