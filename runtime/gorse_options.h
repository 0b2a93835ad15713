/* SPDX-License-Identifier: MIT */
#ifndef GORSE_OPTIONS_H
#define GORSE_OPTIONS_H

#include <stdint.h>

/* Each option can be set on the compiler's command line; the values here are the defaults. */

/* GORSE_ROM comes directly after `const` on every table. Empty on targets with one address space. */
#ifndef GORSE_ROM
#if defined(__AVR__) && defined(__FLASH)
#define GORSE_ROM __flash
#else
#define GORSE_ROM
#endif
#endif

/* GORSE_SEPARATE_ROM is 1 where a table can't be read through a plain pointer. */
#ifndef GORSE_SEPARATE_ROM
#if defined(__AVR__)
#define GORSE_SEPARATE_ROM 1
#else
#define GORSE_SEPARATE_ROM 0
#endif
#endif

/* A coordinate on the panel, or a distance, in working memory. Tables and the state keep 16 bits, which all of them
 * fit; a target with wider words needs less code for those. */
#ifndef GORSE_COORD
#if defined(__AVR__)
#define GORSE_COORD int16_t
#else
#define GORSE_COORD int32_t
#endif
#endif

/* How many dirty rectangles are kept before the cheapest pair is joined: 2 to 32. */
#ifndef GORSE_DIRTY
#if defined(__AVR__)
#define GORSE_DIRTY 4
#else
#define GORSE_DIRTY 8
#endif
#endif

/* 1: code that is larger and takes up to 3 KB of stack but draws faster, for processors with caches. The pixels are the
 * same. */
#ifndef GORSE_FAST
#if UINTPTR_MAX > 0xffffffffu
#define GORSE_FAST 1
#else
#define GORSE_FAST 0
#endif
#endif

/* How many pixels of coverage are worked on at a time, on the stack: a multiple of 8, 16 to 128. */
#ifndef GORSE_CHUNK
#if defined(__AVR__)
#define GORSE_CHUNK 32
#elif GORSE_FAST
#define GORSE_CHUNK 128
#else
#define GORSE_CHUNK 64
#endif
#endif

/* The deepest expression that a rule may hold: 4 to 32 values. The generator refuses deeper ones. */
#ifndef GORSE_STACK
#define GORSE_STACK 12
#endif

/* 1: gorse_port.trace is called with what happens, for a debugger or a log. 0 leaves it out, and about 200 bytes of
 * code. */
#ifndef GORSE_TRACE
#define GORSE_TRACE 0
#endif

/* How many screens `back` can return through: 1 to 32. Each takes 2 bytes of the state. */
#ifndef GORSE_HISTORY
#define GORSE_HISTORY 8
#endif

/* How many rounds of rules one step runs at most: 1 to 255. What is left runs in the next step. */
#ifndef GORSE_ROUNDS
#define GORSE_ROUNDS 8
#endif

/* How many missed runs of an `every` rule are made up after a gap: 1 to 255. */
#ifndef GORSE_CATCH_UP
#define GORSE_CATCH_UP 60
#endif

/* Marks a function that is not inlined, so that its frame is on the stack only while it runs. Without it, as on
 * unknown compilers, more stack may be needed. */
#ifndef GORSE_OWN_FRAME
#if defined(__GNUC__) && !GORSE_FAST
#define GORSE_OWN_FRAME __attribute__((noinline))
#else
#define GORSE_OWN_FRAME
#endif
#endif

/* Marks a function that another file defines in a more general way, for scenes that need that. In a program of two
 * interfaces, of which one needs it, that one serves both. */
#ifndef GORSE_REPLACEABLE
#if defined(__GNUC__)
#define GORSE_REPLACEABLE __attribute__((weak))
#else
#define GORSE_REPLACEABLE
#endif
#endif

/* 1: what must hold inside the runtime is checked with <assert.h>, for its own tests. 0 leaves the checks out. */
#ifndef GORSE_CHECKS
#define GORSE_CHECKS 0
#endif
#ifndef GORSE_ASSERT
#if GORSE_CHECKS
#include <assert.h>
#define GORSE_ASSERT(condition) assert(condition)
#else
#define GORSE_ASSERT(condition) ((void)0)
#endif
#endif

#if GORSE_DIRTY < 2 || GORSE_DIRTY > 32
#error "GORSE_DIRTY must be 2 to 32: change it where it is defined, or leave it out for the default"
#endif
#if GORSE_CHUNK < 16 || GORSE_CHUNK > 128 || GORSE_CHUNK % 8 != 0
#error "GORSE_CHUNK must be a multiple of 8 from 16 to 128: change it where it is defined, or leave it out"
#endif
#if GORSE_STACK < 4 || GORSE_STACK > 32
#error "GORSE_STACK must be 4 to 32: change it where it is defined, or leave it out"
#endif
#if GORSE_HISTORY < 1 || GORSE_HISTORY > 32
#error "GORSE_HISTORY must be 1 to 32: change it where it is defined, or leave it out for the default"
#endif
#if GORSE_ROUNDS < 1 || GORSE_ROUNDS > 255
#error "GORSE_ROUNDS must be 1 to 255: change it where it is defined, or leave it out for the default"
#endif
#if GORSE_CATCH_UP < 1 || GORSE_CATCH_UP > 255
#error "GORSE_CATCH_UP must be 1 to 255: change it where it is defined, or leave it out for the default"
#endif
#if GORSE_FAST != 0 && GORSE_FAST != 1
#error "GORSE_FAST must be 0 or 1: change it where it is defined, or leave it out for the default"
#endif
#if GORSE_TRACE != 0 && GORSE_TRACE != 1
#error "GORSE_TRACE must be 0 or 1"
#endif

#endif
