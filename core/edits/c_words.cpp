// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/c_words.h"

#include <algorithm>

#include "core/base/characters.h"

namespace gorsefinch {

namespace {

class CReader {
  public:
    explicit CReader(std::string_view text) : text_(text) {}

    CSource run() {
        while (at_ < text_.size()) {
            const char c = text_[at_];
            if (c == '\n')
                newLine();
            else if (starts("//") || starts("/*"))
                comment();
            else if (c == '#' && lineIsEmpty_)
                directive();
            else if (c == '"' || c == '\'')
                literal(c);
            else if (isWordCharacter(c))
                word();
            else if (static_cast<unsigned char>(c) > ' ')
                add(1);
            else
                ++at_;
        }
        return std::move(out_);
    }

  private:
    bool starts(std::string_view with) const { return text_.substr(at_).starts_with(with); }

    void newLine() {
        ++at_;
        ++line_;
        lineIsEmpty_ = true;
    }

    void add(size_t bytes) {
        out_.words.push_back({text_.substr(at_, bytes), line_});
        at_ += bytes;
        lineIsEmpty_ = false;
    }

    void word() {
        size_t end = at_;
        while (end < text_.size() && isWordCharacter(text_[end]))
            ++end;
        add(end - at_);
    }

    // Up to its end, or that of the line.
    void literal(char quote) {
        lineIsEmpty_ = false;
        for (++at_; at_ < text_.size() && text_[at_] != '\n'; ++at_) {
            if (text_[at_] == quote) {
                ++at_;
                return;
            }
            if (text_[at_] == '\\' && at_ + 1 < text_.size() && text_[at_ + 1] != '\n')
                ++at_;
        }
    }

    void comment() {
        CComment out{{}, line_, line_, lineIsEmpty_};
        const bool isLine = starts("//");
        const size_t end = std::min(text_.find(isLine ? "\n" : "*/", at_ + 2), text_.size());
        bool isMargin = true;  // marks at the beginning of lines and of documentation are no words
        for (size_t i = at_ + 2; i < end; ++i) {
            const char c = text_[i];
            out.lastLine += c == '\n';
            isMargin = c == '\n' || (isMargin && std::string_view(" \t\r*!</").find(c) != std::string_view::npos);
            if (isMargin || static_cast<unsigned char>(c) <= ' ') {
                if (!out.text.empty() && out.text.back() != ' ')
                    out.text += ' ';
            } else {
                out.text += c;
            }
        }
        while (!out.text.empty() && (out.text.back() == ' ' || out.text.back() == '*'))
            out.text.pop_back();
        line_ = out.lastLine;
        at_ = isLine ? end : std::min(end + 2, text_.size());
        out_.comments.push_back(std::move(out));
    }

    // A line, and those that it goes on in. Comments in it are none.
    void directive() {
        std::string whole;
        for (; at_ < text_.size() && text_[at_] != '\n'; ++at_) {
            if (starts("//") || starts("/*"))
                break;
            if (starts("\\\n")) {
                ++at_;
                ++line_;
                whole += ' ';
            } else {
                whole += text_[at_];
            }
        }
        define(whole);
        lineIsEmpty_ = false;
    }

    void define(std::string_view line) {
        const auto skip = [&] { line.remove_prefix(std::min(line.find_first_not_of(" \t\r#"), line.size())); };
        skip();
        if (!line.starts_with("define"))
            return;
        line.remove_prefix(6);
        skip();
        const auto end =
            static_cast<size_t>(std::find_if_not(line.begin(), line.end(), isWordCharacter) - line.begin());
        const std::string_view name = line.substr(0, end);
        line.remove_prefix(end);
        if (name.empty() || line.starts_with("("))
            return;
        skip();
        while (!line.empty() && static_cast<unsigned char>(line.back()) <= ' ')
            line.remove_suffix(1);
        out_.macros.insert_or_assign(std::string(name), std::string(line));
    }

    std::string_view text_;
    size_t at_ = 0;
    int line_ = 1;
    bool lineIsEmpty_ = true;  // so far
    CSource out_;
};

}  // namespace

std::string CSource::noteOf(int first, int last) const {
    // By line, as they came up.
    const auto from = std::lower_bound(comments.begin(), comments.end(), first - 1,
                                       [](const CComment& each, int line) { return each.lastLine < line; });
    const CComment* before = nullptr;
    for (auto each = from; each != comments.end() && each->line <= last; ++each) {
        if (each->line == last && !each->isAlone)
            return each->text;
        if (each->lastLine == first - 1 && each->isAlone)
            before = &*each;
    }
    return before ? before->text : std::string();
}

CSource splitC(std::string_view text) { return CReader(text).run(); }

}  // namespace gorsefinch
