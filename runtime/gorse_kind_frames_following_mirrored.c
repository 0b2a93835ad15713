/* SPDX-License-Identifier: MIT */
#include "gorse_internal.h"

const GORSE_ROM gorse_kind gorse_kind_frames_following_mirrored = {sizeof(gorse_widget_frames), 0,
                                                                   gorse_draw_mirrored_frames,  gorse_following_command,
                                                                   gorse_following_tick,        gorse_following_wait};
