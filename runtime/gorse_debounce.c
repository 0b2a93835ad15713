/* SPDX-License-Identifier: MIT */
#include "gorse_debounce.h"

uint8_t gorse_debounce(gorse_debounced *key, uint8_t level, uint32_t now_ms, uint16_t stable_ms) {
    level = (uint8_t)(level != 0u);
    if (level != key->level) {
        key->level = level;
        key->since = now_ms;
    }
    if (level != key->down && now_ms - key->since >= stable_ms)
        key->down = level;
    return key->down;
}
