/* SPDX-License-Identifier: MIT */
/* All kinds of widgets, and how glyphs are read. */
#ifndef GORSE_SCENE_KINDS_H
#define GORSE_SCENE_KINDS_H

#include "gorse_scene_themes.h"

#ifdef __cplusplus
extern "C" {
#endif

/* The largest record of all kinds, for the copy on the stack. */
typedef union gorse_record {
    gorse_widget widget;
    gorse_widget_rectangle rectangle;
    gorse_widget_shaded shaded;
    gorse_widget_disc disc;
    gorse_widget_line line;
    gorse_widget_polygon polygon;
    gorse_widget_text label;
    gorse_widget_rolling rolling;
    gorse_widget_shrinking shrinking;
    gorse_widget_image picture;
    gorse_widget_button button;
    gorse_widget_frames frames;
    gorse_widget_indicator indicator;
    gorse_widget_readout readout;
    gorse_widget_progress progress;
    gorse_widget_pictured_progress pictured_progress;
    gorse_widget_ring ring;
    gorse_widget_lamp lamp;
    gorse_widget_gauge gauge;
    gorse_widget_trend trend;
    gorse_widget_clock clock;
    gorse_widget_tiles tiles;
    gorse_widget_acting_button acting;
    gorse_widget_switch toggle;
    gorse_widget_checkbox checkbox;
    gorse_widget_slider slider;
    gorse_widget_knob knob;
    gorse_widget_stepper stepper;
    gorse_widget_group group;
    gorse_widget_pager pager;
    gorse_widget_drawer drawer;
    gorse_widget_list list;
    gorse_widget_field field;
    gorse_widget_keyboard keyboard;
} gorse_record;

void gorse_read_glyph_bits(gorse_glyph_reader *from, uint16_t skip, uint16_t n, uint8_t *coverage);
void gorse_read_glyph_nibbles(gorse_glyph_reader *from, uint16_t skip, uint16_t n, uint8_t *coverage);
void gorse_read_glyph_runs(gorse_glyph_reader *from, uint16_t skip, uint16_t n, uint8_t *coverage);

extern const GORSE_ROM gorse_kind gorse_kind_rectangle;
extern const GORSE_ROM gorse_kind gorse_kind_rectangle_shaded;
extern const GORSE_ROM gorse_kind gorse_kind_disc;
extern const GORSE_ROM gorse_kind gorse_kind_line;
extern const GORSE_ROM gorse_kind gorse_kind_polygon;
extern const GORSE_ROM gorse_kind gorse_kind_text;
extern const GORSE_ROM gorse_kind gorse_kind_text_dots;   /* one whose lines end in dots where they are too long */
extern const GORSE_ROM gorse_kind gorse_kind_text_roll;   /* one that rolls where it is too long */
extern const GORSE_ROM gorse_kind gorse_kind_text_shrink; /* one that is smaller there */
extern const GORSE_ROM gorse_kind gorse_kind_image;
extern const GORSE_ROM gorse_kind gorse_kind_image_arranged; /* a mirrored, tiled or stretched one's */
extern const GORSE_ROM gorse_kind gorse_kind_image_turned;
extern const GORSE_ROM gorse_kind gorse_kind_button;
extern const GORSE_ROM gorse_kind gorse_kind_button_image; /* a button's that has an image */
extern const GORSE_ROM gorse_kind gorse_kind_frames;
extern const GORSE_ROM gorse_kind gorse_kind_frames_mirrored;
extern const GORSE_ROM gorse_kind gorse_kind_frames_following; /* that show a value */
extern const GORSE_ROM gorse_kind gorse_kind_frames_following_mirrored;
extern const GORSE_ROM gorse_kind gorse_kind_readout;
extern const GORSE_ROM gorse_kind gorse_kind_readout_stale; /* that looks wrong without news */
extern const GORSE_ROM gorse_kind gorse_kind_progress;
extern const GORSE_ROM gorse_kind gorse_kind_progress_pictured; /* with an image that it uncovers */
extern const GORSE_ROM gorse_kind gorse_kind_ring;
extern const GORSE_ROM gorse_kind gorse_kind_lamp;
extern const GORSE_ROM gorse_kind gorse_kind_clock;
extern const GORSE_ROM gorse_kind gorse_kind_tiles;
extern const GORSE_ROM gorse_kind gorse_kind_gauge;
extern const GORSE_ROM gorse_kind gorse_kind_gauge_pictured; /* with an image as face or needle */
extern const GORSE_ROM gorse_kind gorse_kind_trend;
extern const GORSE_ROM gorse_kind gorse_kind_zone;
extern const GORSE_ROM gorse_kind gorse_kind_group;
extern const GORSE_ROM gorse_kind gorse_kind_pager;
extern const GORSE_ROM gorse_kind gorse_kind_drawer;

extern const GORSE_ROM gorse_control_kind gorse_kind_button_acting; /* a button's that sets a variable or repeats */
extern const GORSE_ROM gorse_control_kind gorse_kind_button_acting_image;
extern const GORSE_ROM gorse_control_kind gorse_kind_switch;
extern const GORSE_ROM gorse_control_kind gorse_kind_checkbox;
extern const GORSE_ROM gorse_control_kind gorse_kind_slider;
extern const GORSE_ROM gorse_control_kind gorse_kind_slider_pictured; /* with an image as its grip */
extern const GORSE_ROM gorse_control_kind gorse_kind_knob;
extern const GORSE_ROM gorse_control_kind gorse_kind_stepper;
extern const GORSE_ROM gorse_control_kind gorse_kind_list;
extern const GORSE_ROM gorse_control_kind gorse_kind_field;
extern const GORSE_ROM gorse_control_kind gorse_kind_keyboard;

#ifdef __cplusplus
}
#endif
#endif
