// SPDX-License-Identifier: GPL-3.0-or-later
#include <QtTest>
#include <filesystem>
#include <iostream>
#include <vector>

#ifdef QT_WIDGETS_LIB
#include <QApplication>
#else
#include <QGuiApplication>
#endif

#include "tests/support/test_case.h"

namespace support {

namespace {

std::vector<TestCase>& testCases() {
    static std::vector<TestCase> all;
    return all;
}

int run(const TestCase& test, int argc, char** argv) {
    const std::unique_ptr<QObject> object = test.make();
    return QTest::qExec(object.get(), argc, argv);
}

}  // namespace

bool addTestCase(const char* file, Needs needs, std::unique_ptr<QObject> (*make)()) {
    testCases().push_back({std::filesystem::path(file).stem().string(), needs, make});
    return true;
}

int runTestCase(const TestCase& test, int argc, char** argv) {
    switch (test.needs) {
        case Needs::Nothing: return run(test, argc, argv);
        case Needs::EventLoop: {
            const QCoreApplication application(argc, argv);
            return run(test, argc, argv);
        }
        case Needs::Windows: {
#ifdef QT_WIDGETS_LIB
            const QApplication application(argc, argv);
#else
            const QGuiApplication application(argc, argv);
#endif
            // Settings of a test stay apart from the user's and from those of tests that run beside it.
            QCoreApplication::setOrganizationName("gorsefinch-test");
            QCoreApplication::setApplicationName(QString::fromStdString(test.name));
            return run(test, argc, argv);
        }
    }
    return 1;
}

const TestCase* findTestCase(const std::string& name) {
    for (const TestCase& each : testCases())
        if (each.name == name)
            return &each;
    std::cerr << "There is no test \"" << name << "\". These are here:\n";
    for (const TestCase& each : testCases())
        std::cerr << "  " << each.name << "\n";
    return nullptr;
}

}  // namespace support

int main(int argc, char** argv) {
    const support::TestCase* test = support::findTestCase(argc > 1 ? argv[1] : "");
    // Qt Test reads what follows the name.
    return test ? support::runTestCase(*test, argc - 1, argv + 1) : 2;
}
