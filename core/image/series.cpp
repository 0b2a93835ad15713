// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/series.h"

#include <algorithm>
#include <cctype>
#include <filesystem>
#include <map>

#include "core/base/characters.h"

namespace gorsefinch {

namespace {

int lower(char c) { return std::tolower(static_cast<unsigned char>(c)); }

size_t digitsEnd(std::string_view text, size_t at) {
    while (at < text.size() && isDigit(text[at]))
        ++at;
    return at;
}

std::string_view withoutZeros(std::string_view digits) {
    const size_t first = digits.find_first_not_of('0');
    return first == std::string_view::npos ? digits.substr(digits.size() - 1) : digits.substr(first);
}

// Below, at or above 0 as a is before, equal to or behind b.
int compareNaturally(std::string_view a, std::string_view b) {
    size_t i = 0, j = 0;
    while (i < a.size() && j < b.size()) {
        if (isDigit(a[i]) && isDigit(b[j])) {
            const size_t endA = digitsEnd(a, i), endB = digitsEnd(b, j);
            const std::string_view x = withoutZeros(a.substr(i, endA - i)), y = withoutZeros(b.substr(j, endB - j));
            if (x.size() != y.size())
                return x.size() < y.size() ? -1 : 1;
            if (const int order = x.compare(y); order != 0)
                return order;
            i = endA;
            j = endB;
            continue;
        }
        if (lower(a[i]) != lower(b[j]))
            return lower(a[i]) - lower(b[j]);
        ++i;
        ++j;
    }
    return i < a.size() ? 1 : j < b.size() ? -1 : 0;
}

// A name with its last number taken out, or nothing without one.
std::string withoutNumber(const std::string& file) {
    const std::filesystem::path path(file);
    const std::string stem = path.stem().string();
    size_t last = stem.size();
    while (last > 0 && !isDigit(stem[last - 1]))
        --last;
    if (last == 0)
        return {};
    size_t first = last;
    while (first > 0 && isDigit(stem[first - 1]))
        --first;
    return (path.parent_path() / (stem.substr(0, first) + "\n" + stem.substr(last) + path.extension().string()))
        .string();
}

std::string commonStem(const std::string& file) {
    std::string stem = std::filesystem::path(withoutNumber(file)).stem().string();
    stem.erase(std::remove(stem.begin(), stem.end(), '\n'), stem.end());
    while (!stem.empty() && (stem.back() == '_' || stem.back() == '-' || stem.back() == ' ' || stem.back() == '.'))
        stem.pop_back();
    return stem;
}

}  // namespace

bool naturallyBefore(std::string_view a, std::string_view b) {
    const int order = compareNaturally(a, b);
    return order != 0 ? order < 0 : a < b;
}

std::vector<Series> groupSeries(std::vector<std::string> files) {
    std::sort(files.begin(), files.end(), naturallyBefore);
    std::map<std::string, size_t> known;
    std::vector<Series> out;
    for (const std::string& file : files) {
        const std::string key = withoutNumber(file);
        const auto found = key.empty() ? known.end() : known.find(key);
        if (found != known.end()) {
            out[found->second].files.push_back(file);
            continue;
        }
        if (!key.empty())
            known[key] = out.size();
        out.push_back({std::filesystem::path(file).stem().string(), {file}});
    }
    for (Series& each : out)
        if (each.files.size() > 1)
            if (const std::string stem = commonStem(each.files.front()); !stem.empty())
                each.stem = stem;
    return out;
}

}  // namespace gorsefinch
