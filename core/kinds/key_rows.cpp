// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/kinds/key_rows.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <map>

#include "core/base/characters.h"
#include "runtime/gorse_typing.h"

namespace gorsefinch {

namespace {

constexpr const char* layouts[] = {kDefaultLayout, "qwertz", "azerty", kAllowedDigits, kAllowedHex, kOwnLayout};
constexpr size_t kLetterLayouts = 3;
constexpr size_t kMaxChoices = 12;

struct KeyWord {
    std::string_view word;
    uint8_t code;
};
constexpr auto keyWords = std::to_array<KeyWord>({{"delete", GORSE_TYPED_DELETE},
                                                  {"newline", GORSE_TYPED_NEW_LINE},
                                                  {"done", GORSE_TYPED_DONE},
                                                  {"cancel", GORSE_TYPED_CANCEL},
                                                  {"shift", GORSE_TYPED_SHIFT},
                                                  {"page", GORSE_TYPED_PAGE},
                                                  {"gap", GORSE_TYPED_GAP},
                                                  {"left", GORSE_TYPED_LEFT},
                                                  {"right", GORSE_TYPED_RIGHT},
                                                  {"space", ' '}});

constexpr auto accented = std::to_array<std::string_view>(
    {"aàáâäãåæ", "cç", "eèéêë", "iìíîï", "nñ", "oòóôöõøœ", "sßš", "uùúûü", "yýÿ", "zž"});

constexpr std::string_view lettersOf[kLetterLayouts] = {
    "q w e r t y u i o p\n{gap:0.5} a s d f g h j k l {gap:0.5}\n{shift:1.5} z x c v b n m {delete:1.5}\n",
    "q w e r t z u i o p\n{gap:0.5} a s d f g h j k l {gap:0.5}\n{shift:1.5} y x c v b n m {delete:1.5}\n",
    "a z e r t y u i o p\nq s d f g h j k l m\n{shift:1.5} w x c v b n ' {delete:1.5}\n"};
constexpr std::string_view belowLetters = "{page:1.5} {cancel:2} {space:4} {done:2.5}\n";
constexpr std::string_view belowLines = "{page:1.5} {cancel:2} {space:3} {newline} {done:2.5}\n";
constexpr std::string_view signs = "\n1 2 3 4 5 6 7 8 9 0\n- / : ; ( ) & @ # +\n. , ? ! ' \" _ * {delete:2}\n";
constexpr std::string_view digits = "1 2 3 {delete}\n4 5 6 {left}\n7 8 9 {cancel}\n- 0 . {done}\n";
constexpr std::string_view hexDigits = "1 2 3 A {delete}\n4 5 6 B {left}\n7 8 9 C {cancel}\n0 F E D {done}\n";
// In one row.
constexpr std::string_view turningLetters = "a b c d e f g h i j k l m n o p q r s t u v w x y z ";
constexpr std::string_view turningSigns = "\n\n1 2 3 4 5 6 7 8 9 0 - / : ; ( ) & @ # + . , ? ! ' \" _ * ";
constexpr std::string_view turningDigits = "0 1 2 3 4 5 6 7 8 9 . - {delete} {done} {cancel}";
constexpr std::string_view turningHex = "0 1 2 3 4 5 6 7 8 9 A B C D E F {delete} {done} {cancel}";
constexpr std::string_view besideLetters = "{space} {delete} {shift} {page} {done} {cancel}";

std::vector<std::string> charactersIn(std::string_view text) {
    std::vector<std::string> out;
    for (const char each : text) {
        if ((static_cast<unsigned char>(each) & 0xc0) != 0x80)
            out.emplace_back();
        if (!out.empty())
            out.back() += each;
    }
    return out;
}

bool holds(const std::string& known, const std::string& character) {
    return known.empty() || known.find(character) != std::string::npos;
}

// Of a letter of the alphabet, those with accents that are known.
std::string accentsOf(char letter, const std::string& known) {
    std::string out;
    for (const std::string_view each : accented)
        if (each.front() == letter)
            for (const std::string& character : charactersIn(each.substr(1)))
                if (holds(known, character))
                    out += character;
    return out;
}

std::string withAccents(const std::string& rows, const std::string& known) {
    std::string out;
    int braces = 0;
    for (const char each : rows) {
        out += each;
        braces += each == '{' ? 1 : each == '}' ? -1 : 0;
        if (braces == 0 && each >= 'a' && each <= 'z')
            out += accentsOf(each, known);
    }
    return out;
}

std::string turningRows(const KeyRowsRequest& request) {
    if (request.layout == kAllowedDigits)
        return std::string(turningDigits);
    if (request.layout == kAllowedHex)
        return std::string(turningHex);
    const std::string beside = (request.newLine ? "{newline} " : "") + std::string(besideLetters);
    std::string out = std::string(turningLetters) + beside + std::string(turningSigns) + beside;
    std::string accents;
    if (request.accents)
        for (const std::string_view each : accented)
            for (const std::string& character : charactersIn(accentsOf(each.front(), request.known)))
                accents += character + " ";
    return accents.empty() ? out : out + "\n\n" + accents + beside;
}

// What stands in the braces of a key.
struct Braced {
    std::string what;
    double width = 1;
};

std::optional<Braced> braced(std::string_view key) {
    Braced out;
    if (key.size() < 3 || key.front() != '{' || key.back() != '}')
        return std::nullopt;
    key = key.substr(1, key.size() - 2);
    if (const size_t colon = key.rfind(':'); colon != std::string_view::npos && colon != 0) {
        const std::string_view number = key.substr(colon + 1);
        const auto [end, error] = std::from_chars(number.data(), number.data() + number.size(), out.width);
        if (error != std::errc() || end != number.data() + number.size())
            return std::nullopt;
        key = key.substr(0, colon);
    }
    out.what = key;
    return out;
}

Error wrong(const std::string& reason, const std::string& remedy) { return {"", "", reason, remedy, 0}; }

std::string capitalOf(const std::string& character) {
    uint16_t at = 0;
    char bytes[4];
    const uint32_t code = gorse_next_character(gorse_plain_text(character.c_str()), &at);
    return std::string(bytes, gorse_put_character(gorse_capital(code), bytes));
}

// Adds a key. Returns what is wrong with it.
std::optional<Error> addKey(CompiledKeys& out, std::string_view key) {
    double width = 1;
    std::string what(key);
    if (const auto inBraces = braced(key)) {
        what = inBraces->what;
        width = inBraces->width;
    } else if (key.size() > 1 && key.front() == '{') {
        return wrong("\"" + what + "\" is no key", "Write a character, or a word such as {space:4} in braces");
    }
    const double halves = width * 2;
    if (!(halves >= 1 && halves <= 40) || halves != std::floor(halves))
        return wrong("the width of \"" + std::string(key) + "\" is not possible", "Use 0.5, 1, 1.5 and so on up to 20");
    out.bytes.push_back(static_cast<uint8_t>(halves));
    const auto word =
        std::find_if(keyWords.begin(), keyWords.end(), [&](const auto& each) { return each.word == what; });
    // A letter that is the only one in braces is a character.
    if (word != keyWords.end()) {
        out.bytes.push_back(word->code);
    } else {
        const std::vector<std::string> characters = charactersIn(what);
        const bool isWord = what.size() > 1 && std::all_of(what.begin(), what.end(), isWordCharacter);
        if (isWord && key.front() == '{')
            return wrong("there is no key \"" + what + "\"",
                         "Use one of delete, newline, done, cancel, shift, page, gap, left, right, space");
        if (characters.empty() || characters.size() > kMaxChoices ||
            std::any_of(what.begin(), what.end(), [](unsigned char each) { return each < 32; }))
            return wrong("\"" + std::string(key) + "\" has no character, or too many",
                         "Write one to " + std::to_string(kMaxChoices) + " characters");
        out.bytes.insert(out.bytes.end(), what.begin(), what.end());
        for (const std::string& each : characters)
            out.characters += each + capitalOf(each);
    }
    out.bytes.push_back(0);
    return std::nullopt;
}

std::vector<std::string_view> split(std::string_view text, char by) {
    std::vector<std::string_view> out;
    for (;;) {
        const size_t end = text.find(by);
        out.push_back(text.substr(0, end));
        if (end == std::string_view::npos)
            return out;
        text.remove_prefix(end + 1);
    }
}

}  // namespace

std::span<const char* const> keyLayouts() { return layouts; }
std::span<const char* const> letterLayouts() { return std::span(layouts).first(kLetterLayouts); }

std::span<const char* const> keyboardSettings() {
    static constexpr const char* settings[] = {layouts[0], layouts[1], layouts[2], kNoKeyboard};
    return settings;
}

std::string allAccents() {
    std::string out;
    for (const std::string_view each : accented)
        for (const std::string& character : charactersIn(each.substr(1)))
            out += character + capitalOf(character);
    return out;
}

std::string keyRows(const KeyRowsRequest& request) {
    if (request.layout == kOwnLayout)
        return "";
    if (request.turning)
        return turningRows(request);
    if (request.layout == kAllowedDigits)
        return std::string(digits);
    if (request.layout == kAllowedHex)
        return std::string(hexDigits);
    const auto at = std::find(layouts, layouts + kLetterLayouts, request.layout);
    const std::string below(request.newLine ? belowLines : belowLetters);
    std::string letters(lettersOf[at == layouts + kLetterLayouts ? 0 : at - layouts]);
    if (request.accents)
        letters = withAccents(letters, request.known);
    return letters + below + std::string(signs) + below;
}

std::string allowedCharacters(std::string_view allowed) {
    if (allowed == kAllowedAll || allowed == kAllowedLetters)
        return "";
    if (allowed == kAllowedDigits)
        return "0123456789+-.,";
    if (allowed == kAllowedHex)
        return "0123456789ABCDEFabcdef";
    return std::string(allowed);
}

std::string layoutFor(std::string_view allowed, const std::string& letters) {
    if (allowed == kAllowedAll || allowed == kAllowedLetters)
        return letters;
    const std::string own = allowedCharacters(allowed);
    const auto areAll = [&](std::string_view of) { return own.find_first_not_of(of) == std::string::npos; };
    if (areAll("0123456789-."))
        return kAllowedDigits;
    if (allowed == kAllowedDigits)
        return kAllowedDigits;
    return areAll("0123456789ABCDEFabcdef") ? std::string(kAllowedHex) : letters;
}

std::vector<uint32_t> typedCodes(const std::string& text) {
    std::vector<uint32_t> out;
    const auto source = gorse_plain_text(text.c_str());
    for (uint16_t at = 0; at < text.size() && text.size() < GORSE_NONE;) {
        const size_t end = text[at] == '{' ? text.find('}', at) : std::string::npos;
        const auto key =
            end == std::string::npos ? std::nullopt : braced(std::string_view(text).substr(at, end + 1 - at));
        const auto word = std::find_if(keyWords.begin(), keyWords.end(),
                                       [&](const auto& each) { return key && each.word == key->what; });
        if (word != keyWords.end()) {
            out.push_back(word->code);
            at = static_cast<uint16_t>(end + 1);
        } else if (const uint32_t character = gorse_next_character(source, &at); character != 0) {
            out.push_back(character);
        } else {
            break;
        }
    }
    return out;
}

Result<CompiledKeys> compileKeys(std::string_view rows) {
    CompiledKeys out;
    size_t ofPage = 0;
    bool inPage = false;
    const auto endPage = [&] {
        if (inPage)
            out.bytes.push_back(GORSE_KEYS_PAGE_ENDS);
        inPage = false;
        ofPage = 0;
    };
    if (rows.size() > kMaxKeyRows)
        return tl::make_unexpected(
            wrong("its rows are too long", "Write at most " + std::to_string(kMaxKeyRows) + " bytes"));
    for (const std::string_view row : split(rows, '\n')) {
        size_t keys = 0;
        for (const std::string_view key : split(row, ' ')) {
            if (key.empty() || key == "\r")
                continue;
            if (auto error = addKey(out, key))
                return tl::make_unexpected(*error);
            if (++ofPage > kMaxKeysOfPage)
                return tl::make_unexpected(wrong("a page has more than " + std::to_string(kMaxKeysOfPage) + " keys",
                                                 "Make another page behind an empty line"));
            ++keys;
        }
        if (keys == 0) {
            endPage();
            continue;
        }
        inPage = true;
        out.bytes.push_back(GORSE_KEYS_ROW_ENDS);
    }
    endPage();
    if (out.bytes.empty())
        return tl::make_unexpected(wrong("it has no keys", "Write rows of keys, such as 1 2 3 {delete} {done}"));
    out.bytes.push_back(GORSE_KEYS_END);
    return out;
}

}  // namespace gorsefinch
