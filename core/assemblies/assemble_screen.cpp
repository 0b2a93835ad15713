// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/assemblies/assemble_screen.h"

#include <algorithm>
#include <map>
#include <optional>

#include "core/document/arrange.h"
#include "core/document/names.h"
#include "core/document/widget_tree.h"
#include "core/assemblies/assemblies.h"
#include "core/assemblies/use_inputs.h"

namespace gorsefinch {

namespace {

class ScreenAssembler {
  public:
    ScreenAssembler(const Document& document, const Screen& screen, const InputSet& set)
        : document_(document), given_(screen), set_(set), out_(screen) {
        for (const WidgetRef& each : screen.widgets)
            taken_.insert(each->name);
        out_.widgets.clear();
    }

    Screen run() {
        std::optional<UseInputs> own;
        if (given_.assembly) {
            own.emplace(*given_.assembly, InputMap(), given_.name + "__", 1, isSetFor({}, given_.name));
            nesting_.push_back(given_.name);
            addUse({given_.name, {}, {}, own->texts().values, own->texts().content, {}, 1, true}, *own);
            for (const WidgetRef& each : given_.widgets)
                uses_.front().parts[each->name] = each->name;
        }
        for (const WidgetRef& each : given_.widgets) {
            if (!own && each->kind != Kind::Assembly) {
                out_.widgets.push_back(each);
                continue;
            }
            Widget copy = *each;
            if (own)
                own->putInto(copy, assembly(assemblyOf(copy)));
            place(std::move(copy), each->name);
        }
        if (!uses_.empty()) {
            arrange(out_.widgets, *document_.named);
            out_.uses = std::make_shared<const std::vector<AssemblyUse>>(std::move(uses_));
        }
        return std::move(out_);
    }

    std::vector<Variable> variables;
    Problems problems;

  private:
    void complain(const Widget& use, const std::string& reason, const std::string& remedy) {
        Problem p;
        p.screen = given_.name;
        p.widget = use.name;
        p.file = "screens/" + p.screen + ".json";
        p.place = use.name;
        p.reason = reason;
        p.remedy = remedy;
        problems.push_back(std::move(p));
    }

    const Assembly* assembly(const std::string& name) const {
        const ScreenRef found = name.empty() ? nullptr : assemblyScreen(document_, name);
        return found ? found->assembly.get() : nullptr;
    }

    std::string fresh(const std::string& wanted) {
        std::string name = wanted;
        for (int i = 2; !taken_.insert(name).second; ++i)
            name = wanted + "__" + std::to_string(i);
        return name;
    }

    std::function<bool(const AssemblyInput&)> isSetFor(const std::string& use, const std::string& of) const {
        return [this, use, of](const AssemblyInput& input) {
            return set_.count({use, input.name}) != 0 || set_.count({ofAllUses(of), input.name}) != 0;
        };
    }

    // How often the series around the last widget repeat it.
    int seriesOfLast() const {
        int count = 1;
        for (int at = static_cast<int>(out_.widgets.size()) - 1; at >= 0;
             at = containerOf(out_.widgets, static_cast<size_t>(at))) {
            const Widget& each = *out_.widgets[static_cast<size_t>(at)];
            count = std::max(count, each.seriesColumns * each.seriesRows);
        }
        return count;
    }

    void addUse(AssemblyUse use, const UseInputs& inputs) {
        uses_.push_back(std::move(use));
        variables.insert(variables.end(), inputs.variables().begin(), inputs.variables().end());
    }

    // Adds a widget; a use of an assembly with what it shows. `known` is its name where rules speak of it.
    void place(Widget widget, const std::string& known) {
        if (widget.kind != Kind::Assembly) {
            out_.widgets.push_back(std::make_shared<const Widget>(std::move(widget)));
            return;
        }
        const std::string of = assemblyOf(widget);
        const InputMap given = std::exchange(widget.inputs, {});
        widget.kind = Kind::Group;
        widget.properties.erase(kOfKey);
        out_.widgets.push_back(std::make_shared<const Widget>(widget));
        const ScreenRef screen = assemblyScreen(document_, of);
        if (!screen)
            complain(widget, of.empty() ? "it is a use of no assembly" : "there is no assembly \"" + of + "\"",
                     "Choose one of the project's assemblies, or remove it");
        else if (mayNest(widget, *screen))
            fill(widget, *screen, given, known);
    }

    bool mayNest(const Widget& use, const Screen& of) {
        if (std::find(nesting_.begin(), nesting_.end(), of.name) != nesting_.end())
            complain(use, "the assembly " + of.name + " would hold itself", "Use another assembly here");
        else if (nesting_.size() >= static_cast<size_t>(kMaxNesting))
            complain(use, "assemblies lie deeper than " + std::to_string(kMaxNesting) + " in one another",
                     "Take some of them loose");
        else if (out_.widgets.size() + of.widgets.size() > kMaxWidgets)
            complain(use, "with its assemblies the screen has more than " + std::to_string(kMaxWidgets) + " widgets",
                     "Use fewer of them");
        else if (!of.widgets.empty() && use.depth + 1 + deepest(of.widgets) > kMaxDepth)
            complain(use,
                     "what the assembly " + of.name + " holds would lie deeper than " + std::to_string(kMaxDepth) +
                         " containers",
                     "Use it further out, or take some of its groups apart");
        else
            return true;
        return false;
    }

    void fill(const Widget& use, const Screen& of, const InputMap& given, const std::string& known) {
        const int series = seriesOfLast();
        const UseInputs inputs(*of.assembly, given, given_.name + "__" + use.name + "__", series,
                               isSetFor(known, of.name));
        for (const std::string& each : inputs.mistakes())
            complain(use, each, "Correct the inputs of the use");
        std::vector<WidgetRef> widgets = of.widgets;
        if (use.w != of.assembly->width || use.h != of.assembly->height)
            followEdges(widgets, -1, of.assembly->width, of.assembly->height, use.w, use.h);
        const size_t number = uses_.size();
        addUse({of.name, use.name, {}, inputs.texts().values, inputs.texts().content, {}, series, false}, inputs);
        WidgetCopies copies{of.name, given_.name, {}};
        for (const WidgetRef& each : widgets)
            copies.names[each->name] = fresh(use.name + "__" + each->name);
        uses_[number].parts = copies.names;
        nesting_.push_back(of.name);
        for (const WidgetRef& each : widgets) {
            Widget copy = *each;
            copy.name = copies.names[each->name];
            copy.depth += use.depth + 1;
            speakOfParts(copy, copies);
            inputs.putInto(copy, assembly(assemblyOf(copy)));
            place(std::move(copy), each->name);
        }
        nesting_.pop_back();
        for (const ToldEvent& each : of.assembly->events)
            if (const auto part = copies.names.find(each.widget); part != copies.names.end())
                uses_[number].events[each.name] = toldBy(part->second, each.event);
    }

    // An event of a widget of the screen, or of one inside it that tells it.
    std::string toldBy(const std::string& widget, const std::string& event) const {
        for (const AssemblyUse& each : uses_)
            if (const auto found = each.events.find(event); each.widget == widget && found != each.events.end())
                return found->second;
        return widget + "." + event;
    }

    static void speakOfParts(Widget& copy, const WidgetCopies& copies) {
        for (auto& [key, text] : copy.expressions)
            text = expressionOfCopies(text, copies);
        for (const PropertyInfo& each : info(copy.kind).properties)
            if (const auto text = copy.properties.find(each.key);
                each.type == PropertyType::Text && text != copy.properties.end())
                if (auto* words = std::get_if<std::string>(&text->second))
                    *words = textOfCopies(*words, copies);
        for (auto& [name, text] : copy.inputs)
            text = expressionText(text) ? "= " + expressionOfCopies(*expressionText(text), copies)
                                        : textOfCopies(text, copies);
    }

    const Document& document_;
    const Screen& given_;
    const InputSet& set_;
    Screen out_;
    std::set<std::string> taken_;
    std::vector<std::string> nesting_;
    std::vector<AssemblyUse> uses_;
};

}  // namespace

std::string ofAllUses(const std::string& assembly) { return ":" + assembly; }

AssembledScreen assembleScreen(const Document& document, const Screen& screen, const InputSet& set) {
    ScreenAssembler assembler(document, screen, set);
    AssembledScreen out{assembler.run(), {}, {}};
    out.variables = std::move(assembler.variables);
    out.problems = std::move(assembler.problems);
    return out;
}

}  // namespace gorsefinch
