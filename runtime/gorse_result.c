/* SPDX-License-Identifier: MIT */
/* Names of results. */
#include "gorse_result.h"

const char *gorse_result_name(gorse_result result) {
    switch (result) {
    case GORSE_RESULT_OK: return "OK";
    case GORSE_RESULT_UNCHANGED: return "UNCHANGED";
    case GORSE_RESULT_CLAMPED: return "CLAMPED";
    case GORSE_RESULT_NOT_BEGUN: return "NOT_BEGUN";
    case GORSE_RESULT_UNKNOWN: return "UNKNOWN";
    case GORSE_RESULT_NULL: return "NULL";
    case GORSE_RESULT_NOT_ALIGNED: return "NOT_ALIGNED";
    case GORSE_RESULT_STATE_TOO_SMALL: return "STATE_TOO_SMALL";
    case GORSE_RESULT_BUFFER_TOO_SMALL: return "BUFFER_TOO_SMALL";
    default: return "?";
    }
}
