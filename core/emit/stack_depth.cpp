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

constexpr size_t kFunctions = std::size(stackFrames);

// The functions that a call may lead to: one of the same file, else those of that name, else those that fill the
// pointer.
struct Call {
    std::vector<size_t> targets;
    bool library = false, expression = false;
};

// All calls of the runtime, found once.
struct CallGraph {
    std::vector<std::vector<Call>> calls{kFunctions};
    std::map<std::string_view, std::vector<size_t>> byName;

    CallGraph() {
        std::map<std::string_view, std::vector<size_t>> byPointer;
        for (size_t i = 0; i < kFunctions; ++i) {
            byName[stackFrames[i].function].push_back(i);
            for (const std::string_view pointer : wordsOf(stackFrames[i].fills))
                byPointer[pointer].push_back(i);
        }
        for (size_t i = 0; i < kFunctions; ++i)
            for (const std::string_view name : wordsOf(stackFrames[i].calls)) {
                Call call;
                call.library = name == "library";
                // The byte code of an inset, or of what a property follows, is one expression: it calls nothing that
                // shows or expands a text.
                call.expression =
                    (stackFrames[i].function == "put_template" || stackFrames[i].source == "gorse_motion_follow.c") &&
                    name == "gorse_execute";
                call.targets = name.front() == '*' ? byPointer[name.substr(1)] : byName[name];
                for (const size_t target : std::vector<size_t>(call.targets))
                    if (name.front() != '*' && std::string_view(stackFrames[target].source) == stackFrames[i].source)
                        call.targets = {target};
                calls[i].push_back(std::move(call));
            }
    }
};

// The longest chains of calls through some of the files.
class Depths {
  public:
    Depths(const CallGraph& graph, const std::vector<std::string>& sources, int wordBits)
        : graph_(graph), wordBits_(wordBits), depths_(kFunctions, kUnused) {
        const std::set<std::string_view> used(sources.begin(), sources.end());
        std::string_view source;
        bool isUsed = false;
        for (size_t i = 0; i < kFunctions; ++i) {
            if (stackFrames[i].source != source)
                isUsed = used.count(source = stackFrames[i].source) != 0;
            if (isUsed)
                depths_[i] = kUnknown;
        }
    }

    long deepestFrom(std::string_view function) {
        const auto found = graph_.byName.find(function);
        return found == graph_.byName.end() ? 0 : depth(found->second.front());
    }

  private:
    static constexpr long kUnused = -1, kUnknown = -2;

    int frame(size_t of) const { return wordBits_ == 8 ? stackFrames[of].word8 : stackFrames[of].word32; }

    int frameOf(std::string_view function) const {
        const auto found = graph_.byName.find(function);
        return found == graph_.byName.end() || depths_[found->second.front()] == kUnused ? 0
                                                                                         : frame(found->second.front());
    }

    long expressionDepth() const {
        long sum = libraryBytes(wordBits_);
        for (const char* each : {"gorse_execute", "gorse_extended_code", "gorse_text_by_value", "gorse_text_value",
                                 "gorse_extended_code_with_both", "gorse_extended_code_with_elements", "run_array"})
            sum += frameOf(each);
        return sum;
    }

    long depth(size_t of) {
        if (depths_[of] == kUnused)
            return 0;
        if (depths_[of] != kUnknown)
            return depths_[of];
        depths_[of] = 0;
        long below = 0;
        for (const Call& call : graph_.calls[of]) {
            if (call.library)
                below = std::max<long>(below, libraryBytes(wordBits_));
            else if (call.expression)
                below = std::max(below, expressionDepth());
            else
                for (const size_t target : call.targets)
                    below = std::max(below, depth(target));
        }
        return depths_[of] = frame(of) + below;
    }

    const CallGraph& graph_;
    int wordBits_;
    std::vector<long> depths_;
};

}  // namespace

long stackDepth(const std::vector<std::string>& sources, int wordBits) {
    static const CallGraph graph;
    Depths depths(graph, sources, wordBits);
    long deepest = 0;
    for (const std::string_view called :
         {"gorse_begin", "gorse_step", "gorse_touch", "gorse_knob", "gorse_key", "gorse_set_text", "gorse_redraw"})
        deepest = std::max(deepest, depths.deepestFrom(called));
    const long alignment = wordBits == 8 ? 1 : 8;
    return (deepest + wrapperBytes(wordBits) + alignment - 1) / alignment * alignment;
}

}  // namespace gorsefinch
