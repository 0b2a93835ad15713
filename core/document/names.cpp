// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/document/names.h"

#include <algorithm>
#include <array>
#include <cctype>

#include "core/base/characters.h"

namespace gorsefinch {

namespace {

// C99 to C23 and C++20.
constexpr auto keywords = std::to_array<std::string_view>({"alignas",
                                                           "alignof",
                                                           "and",
                                                           "and_eq",
                                                           "asm",
                                                           "atomic_cancel",
                                                           "atomic_commit",
                                                           "atomic_noexcept",
                                                           "auto",
                                                           "bitand",
                                                           "bitor",
                                                           "bool",
                                                           "break",
                                                           "case",
                                                           "catch",
                                                           "char",
                                                           "char16_t",
                                                           "char32_t",
                                                           "char8_t",
                                                           "class",
                                                           "co_await",
                                                           "co_return",
                                                           "co_yield",
                                                           "compl",
                                                           "concept",
                                                           "const",
                                                           "const_cast",
                                                           "consteval",
                                                           "constexpr",
                                                           "constinit",
                                                           "continue",
                                                           "decltype",
                                                           "default",
                                                           "delete",
                                                           "do",
                                                           "double",
                                                           "dynamic_cast",
                                                           "else",
                                                           "enum",
                                                           "explicit",
                                                           "export",
                                                           "extern",
                                                           "false",
                                                           "final",
                                                           "float",
                                                           "for",
                                                           "friend",
                                                           "goto",
                                                           "if",
                                                           "import",
                                                           "inline",
                                                           "int",
                                                           "long",
                                                           "module",
                                                           "mutable",
                                                           "namespace",
                                                           "new",
                                                           "noexcept",
                                                           "not",
                                                           "not_eq",
                                                           "nullptr",
                                                           "operator",
                                                           "or",
                                                           "or_eq",
                                                           "override",
                                                           "private",
                                                           "protected",
                                                           "public",
                                                           "register",
                                                           "reinterpret_cast",
                                                           "requires",
                                                           "restrict",
                                                           "return",
                                                           "short",
                                                           "signed",
                                                           "sizeof",
                                                           "static",
                                                           "static_assert",
                                                           "static_cast",
                                                           "struct",
                                                           "switch",
                                                           "template",
                                                           "this",
                                                           "thread_local",
                                                           "throw",
                                                           "true",
                                                           "try",
                                                           "typedef",
                                                           "typeid",
                                                           "typename",
                                                           "typeof",
                                                           "typeof_unqual",
                                                           "union",
                                                           "unsigned",
                                                           "using",
                                                           "virtual",
                                                           "void",
                                                           "volatile",
                                                           "wchar_t",
                                                           "while",
                                                           "xor",
                                                           "xor_eq"});

bool isLetter(char c) { return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z'); }

// Latin letters with marks that users type into button texts, spelled in ASCII.
constexpr auto spelled = std::to_array<std::pair<std::string_view, std::string_view>>(
    {{"ä", "ae"}, {"ö", "oe"}, {"ü", "ue"}, {"Ä", "ae"}, {"Ö", "oe"}, {"Ü", "ue"}, {"ß", "ss"},
     {"é", "e"},  {"è", "e"},  {"ê", "e"},  {"á", "a"},  {"à", "a"},  {"ç", "c"},  {"ñ", "n"},
     {"ó", "o"},  {"å", "a"},  {"ø", "o"},  {"æ", "ae"}, {"í", "i"},  {"ú", "u"},  {"°", ""}});

}  // namespace

std::optional<std::string> nameError(std::string_view name) {
    if (name.empty())
        return "a name is missing";
    const std::string quoted = "\"" + std::string(name.substr(0, 60)) + "\"";
    if (name.size() > kMaxNameBytes)
        return quoted + " is longer than " + std::to_string(kMaxNameBytes) + " characters";
    if (std::any_of(name.begin(), name.end(), [](char c) { return !isLetter(c) && !isDigit(c) && c != '_'; }))
        return quoted + " may hold only the letters a to z, digits and _";
    if (isDigit(name.front()))
        return quoted + " begins with a digit; begin it with a letter";
    if (name.front() == '_' || name.back() == '_' || name.find("__") != std::string_view::npos)
        return quoted + " may not begin or end with _ or hold two of them";
    if (std::binary_search(keywords.begin(), keywords.end(), name))
        return quoted + " is a keyword of C or C++";
    return std::nullopt;
}

std::string nameFrom(std::string_view text, std::string_view fallback) {
    std::string out;
    bool gap = false;
    for (size_t i = 0; i < text.size() && out.size() < 32;) {
        const auto at = std::find_if(spelled.begin(), spelled.end(),
                                     [&](const auto& each) { return text.substr(i).starts_with(each.first); });
        std::string piece;
        if (at != spelled.end()) {
            piece = at->second;
            i += at->first.size();
        } else {
            const char c = text[i++];
            if (isLetter(c) || isDigit(c))
                piece = std::string(1, static_cast<char>(std::tolower(static_cast<unsigned char>(c))));
            else
                gap = !out.empty();
        }
        if (piece.empty())
            continue;
        if (gap)
            out += '_';
        gap = false;
        out += piece;
    }
    if (!out.empty() && isDigit(out.front()))
        out.insert(0, "n");
    if (out.empty())
        out = fallback;
    if (std::binary_search(keywords.begin(), keywords.end(), out))
        out += "_it";
    return out;
}

namespace {

// "fire_2" is counted on to "fire_3", not to "fire_2_2".
std::string withoutNumber(std::string_view name) {
    std::string base(name);
    const size_t digits = base.find_last_not_of("0123456789");
    if (digits != std::string::npos && digits > 0 && base[digits] == '_' && digits + 1 < base.size())
        base.resize(digits);
    return base;
}

}  // namespace

std::string NameSet::unique(std::string_view wanted) {
    std::string name(wanted);
    if (!contains(name)) {
        insert(name);
        return name;
    }
    const std::string base = withoutNumber(wanted);
    int& number = next_.emplace(base, 2).first->second;
    do
        name = base + "_" + std::to_string(number++);
    while (contains(name));
    insert(name);
    return name;
}

std::string uniqueName(std::string_view wanted, const std::function<bool(std::string_view)>& taken) {
    std::string name(wanted);
    const std::string base = withoutNumber(wanted);
    for (int number = 2; taken(name); ++number)
        name = base + "_" + std::to_string(number);
    return name;
}

std::string widgetNameFor(const Screen& screen, Kind kind, std::string_view text) {
    const KindInfo& kindInfo = info(kind);
    std::string base = nameFrom(text, "");
    if (base.size() > 20)
        base.resize(20);
    while (!base.empty() && base.back() == '_')
        base.pop_back();
    const std::string suffix = kindInfo.suffix;
    // One of them is a keyword.
    if (base.empty())
        base = nameError(suffix) ? "main_" + suffix : suffix;
    else if (!base.ends_with(suffix))
        base += "_" + suffix;
    return uniqueName(base, [&](std::string_view name) { return widgetIndex(screen, name) >= 0; });
}

bool isPlainFileName(std::string_view name) {
    return !name.empty() && name.size() <= 200 && name.front() != '.' && name.find('/') == std::string_view::npos &&
           name.find('\\') == std::string_view::npos &&
           std::none_of(name.begin(), name.end(), [](char c) { return static_cast<unsigned char>(c) < 32; });
}

}  // namespace gorsefinch
