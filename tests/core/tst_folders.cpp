// SPDX-License-Identifier: GPL-3.0-or-later
#include <QtTest>
#include <algorithm>
#include <filesystem>
#include <fstream>
#include <map>
#include <regex>
#include <set>
#include <string>

#include "tests/support/test_case.h"

namespace fs = std::filesystem;

namespace {

using Folders = std::set<std::string>;

// Which folders' headers the files of a folder may include, beside their own. The order is that of the layers: a folder
// names only what stands above it, so that there are no circles.
const std::vector<std::pair<std::string, Folders>> kMayInclude = {
    {"runtime", {}},
    {"core/base", {}},
    {"core/kinds", {"runtime", "core/base"}},
    {"core/document", {"runtime", "core/base", "core/kinds"}},
    {"core/rules", {"runtime", "core/base", "core/kinds", "core/document"}},
    {"core/image", {"runtime", "core/base", "core/kinds", "core/document"}},
    {"core/font", {"runtime", "core/base", "core/document", "core/rules", "core/image"}},
    {"core/assemblies", {"core/base", "core/document", "core/rules"}},
    {"core/edits", {"core/base", "core/kinds", "core/document", "core/rules", "core/assemblies"}},
    {"core/project", {"core/base", "core/kinds", "core/document", "core/edits"}},
    {"core/scene",
     {"runtime", "core/base", "core/document", "core/rules", "core/image", "core/font", "core/project",
      "core/assemblies"}},
    {"core/sim", {"runtime", "core/document", "core/rules", "core/image", "core/edits", "core/scene"}},
    {"core/emit",
     {"runtime", "core/base", "core/kinds", "core/document", "core/rules", "core/image", "core/font", "core/scene",
      "core/sim"}},
    {"core/check",
     {"core/base", "core/document", "core/edits", "core/image", "core/project", "core/scene", "core/sim", "core/emit"}},
    {"app/theme", {}},
    {"app/session", {"core"}},
    {"app/widgets", {"core", "app/theme"}},
    {"app/start", {"core", "app/theme", "app/session"}},
    {"app/panel", {"core", "app/theme", "app/session", "app/widgets"}},
    {"app/variables", {"core", "app/theme", "app/session", "app/widgets"}},
    {"app/rules", {"core", "app/theme", "app/session", "app/widgets"}},
    {"app/code", {"core", "app/theme", "app/session", "app/widgets"}},
    {"app/images", {"core", "app/theme", "app/session", "app/widgets"}},
    {"app/fonts", {"core", "app/theme", "app/session", "app/widgets"}},
    {"app/screens", {"core", "app/theme", "app/session", "app/widgets"}},
    {"app/frame",
     {"core", "app/theme", "app/session", "app/widgets", "app/start", "app/panel", "app/variables", "app/rules",
      "app/code", "app/images", "app/fonts", "app/screens"}},
    {"app", {"app/theme", "app/session", "app/start", "app/frame"}},
    {"cli", {"core"}},
};

bool isSource(const fs::path& path) {
    static const Folders endings = {".h", ".cpp", ".c", ".inc"};
    return endings.count(path.extension().string()) != 0;
}

// The folders with sources below the four that the product consists of.
Folders sourceFolders() {
    Folders out;
    for (const char* top : {"runtime", "core", "app", "cli"})
        for (const fs::directory_entry& each : fs::recursive_directory_iterator(fs::path(SOURCE_DIR) / top))
            if (each.is_regular_file() && isSource(each.path()))
                out.insert(fs::relative(each.path().parent_path(), SOURCE_DIR).string());
    return out;
}

// The folders that a file includes headers of, by paths from the top of the tree.
Folders includedFolders(const fs::path& path) {
    static const std::regex include(R"re(^\s*#\s*include\s+"([^"]+)/[^"/]+"\s*$)re");
    Folders out;
    std::ifstream in(path);
    std::smatch match;
    for (std::string line; std::getline(in, line);)
        if (std::regex_match(line, match, include))
            out.insert(match[1].str());
    return out;
}

bool allows(const Folders& allowed, const std::string& folder) {
    return std::any_of(allowed.begin(), allowed.end(),
                       [&](const std::string& each) { return folder == each || folder.rfind(each + "/", 0) == 0; });
}

}  // namespace

class FoldersTest : public QObject {
    Q_OBJECT

  private Q_SLOTS:
    void tableListsEachFolderOnce() {
        Folders listed;
        for (const auto& [folder, allowed] : kMayInclude)
            QVERIFY2(listed.insert(folder).second, folder.c_str());
        QCOMPARE(listed, sourceFolders());
    }

    // With only earlier folders allowed there can be no circle.
    void tableHasNoCircles() {
        std::vector<std::string> earlier;
        for (const auto& [folder, allowed] : kMayInclude) {
            for (const std::string& each : allowed)
                QVERIFY2(std::any_of(earlier.begin(), earlier.end(),
                                     [&](const std::string& known) {
                                         return known == each || known.rfind(each + "/", 0) == 0;
                                     }),
                         (folder + " may include " + each + ", which does not stand above it").c_str());
            earlier.push_back(folder);
        }
    }

    void includesFollowTheTable() {
        for (const auto& [folder, allowed] : kMayInclude)
            for (const fs::directory_entry& each : fs::directory_iterator(fs::path(SOURCE_DIR) / folder)) {
                if (!each.is_regular_file() || !isSource(each.path()))
                    continue;
                for (const std::string& included : includedFolders(each.path()))
                    QVERIFY2(included == folder || allows(allowed, included),
                             (fs::relative(each.path(), SOURCE_DIR).string() + " includes a header of " + included +
                              ", which is not allowed by the table in tests/core/tst_folders.cpp")
                                 .c_str());
            }
    }

    // What the table allows and nobody needs is taken out, so that a new dependency is noticed.
    void tableAllowsOnlyWhatIsUsed() {
        for (const auto& [folder, allowed] : kMayInclude) {
            Folders used;
            for (const fs::directory_entry& each : fs::directory_iterator(fs::path(SOURCE_DIR) / folder))
                if (each.is_regular_file() && isSource(each.path()))
                    used.merge(includedFolders(each.path()));
            for (const std::string& each : allowed)
                QVERIFY2(
                    std::any_of(used.begin(), used.end(), [&](const std::string& one) { return allows({each}, one); }),
                    (folder + " does not include " + each).c_str());
        }
    }
};

GORSEFINCH_TEST(FoldersTest, Nothing)
#include "tst_folders.moc"
