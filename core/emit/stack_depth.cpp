// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/emit/stack_depth.h"

#include <algorithm>
#include <map>
#include <set>

namespace gorsefinch {

namespace {

constexpr StackFrame stackFrames[] = {
#include "core/emit/stack_frames.inc"
};

// Bytes that the compiler's own functions take at most (division, copying), and a generated function around a
// call of the runtime.
constexpr int libraryBytes(int wordBits) { return wordBits == 8 ? 12 : 24; }
constexpr int wrapperBytes(int wordBits) { return wordBits == 8 ? 8 : 16; }

std::vector<std::string_view> wordsOf(std::string_view text) {
    std::vector<std::string_view> out;
    while (!text.empty()) {
        const size_t end = std::min(text.find(' '), text.size());
        out.push_back(text.substr(0, end));
        text.remove_prefix(std::min(end + 1, text.size()));
    }
    return out;
}

class CallGraph {
  public:
    CallGraph(const std::vector<std::string>& sources, int wordBits) : wordBits_(wordBits) {
        const std::set<std::string_view> used(sources.begin(), sources.end());
        for (const StackFrame& each : stackFrames) {
            if (used.count(each.source) == 0)
                continue;
            byName_[each.function].push_back(&each);
            for (const std::string_view pointer : wordsOf(each.fills))
                targets_[pointer].push_back(&each);
        }
    }

    long deepestFrom(std::string_view function) {
        const auto found = byName_.find(function);
        return found == byName_.end() ? 0 : depth(*found->second.front());
    }

  private:
    int frame(const StackFrame& of) const { return wordBits_ == 8 ? of.word8 : of.word32; }

    int frameOf(std::string_view function) const {
        const auto found = byName_.find(function);
        return found == byName_.end() ? 0 : frame(*found->second.front());
    }

    // The byte code of an inset is one expression: it calls nothing that shows or expands a text.
    long expressionDepth() const {
        return frameOf("gorse_execute") + frameOf("gorse_extended_code") + frameOf("gorse_text_by_value") +
               frameOf("gorse_text_value") + libraryBytes(wordBits_);
    }

    // A function of the same file comes before one of that name in another.
    const StackFrame* callee(const StackFrame& caller, std::string_view name) const {
        const auto found = byName_.find(name);
        if (found == byName_.end())
            return nullptr;
        for (const StackFrame* each : found->second)
            if (each->source == caller.source)
                return each;
        return found->second.front();
    }

    long depth(const StackFrame& of) {
        if (const auto known = depths_.find(&of); known != depths_.end())
            return known->second;
        depths_[&of] = 0;
        long below = 0;
        for (const std::string_view name : wordsOf(of.calls))
            below = std::max(below, depthOfCall(of, name));
        return depths_[&of] = frame(of) + below;
    }

    long depthOfCall(const StackFrame& caller, std::string_view name) {
        if (name == "library")
            return libraryBytes(wordBits_);
        if (caller.function == "put_template" && name == "gorse_execute")
            return expressionDepth();
        long deepest = 0;
        if (name.front() == '*') {
            for (const StackFrame* each : targets_[name.substr(1)])
                deepest = std::max(deepest, depth(*each));
        } else if (const StackFrame* called = callee(caller, name)) {
            deepest = depth(*called);
        }
        return deepest;
    }

    int wordBits_;
    std::map<std::string_view, std::vector<const StackFrame*>> byName_;
    std::map<std::string_view, std::vector<const StackFrame*>> targets_;
    std::map<const StackFrame*, long> depths_;
};

}  // namespace

long stackDepth(const std::vector<std::string>& sources, int wordBits) {
    CallGraph graph(sources, wordBits);
    long deepest = 0;
    for (const std::string_view called : {"gorse_begin", "gorse_step", "gorse_touch", "gorse_set_text", "gorse_redraw"})
        deepest = std::max(deepest, graph.deepestFrom(called));
    const long alignment = wordBits == 8 ? 1 : 8;
    return (deepest + wrapperBytes(wordBits) + alignment - 1) / alignment * alignment;
}

}  // namespace gorsefinch
