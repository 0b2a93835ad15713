// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <memory>
#include <string>

// The tests of a folder are linked into one program, which runs one of them by the name of its file:
//   core_tests tst_rules [options of Qt Test]
namespace support {

// What a test needs to exist while it runs.
enum class Needs { Nothing, EventLoop, Windows };

struct TestCase {
    std::string name;  // of its file, without the ending
    Needs needs;
    std::unique_ptr<QObject> (*make)();
};

// Makes a test known to the program. Returns true.
bool addTestCase(const char* file, Needs needs, std::unique_ptr<QObject> (*make)());

}  // namespace support

#define GORSEFINCH_TEST(Class, needs)                                           \
    [[maybe_unused]] static const bool isKnown##Class = ::support::addTestCase( \
        __FILE__, ::support::Needs::needs, [] { return std::unique_ptr<QObject>(std::make_unique<Class>()); });
