// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <random>

#include "core/document/arrange.h"
#include "core/document/widget_tree.h"
#include "core/edits/image_edits.h"
#include "core/kinds/edges.h"
#include "core/rules/property_value.h"
#include "core/document/panel_outputs.h"
#include "core/rules/rule_words.h"
#include "core/rules/transition_words.h"
#include "core/sim/script.h"
#include "tests/support/projects.h"

namespace support {

// Projects of which nothing is chosen by hand: a panel of any format, widgets of every kind with values for any of the
// properties that the table of kinds tells, pictures of any recipe, looks, rules and a script. The same number gives
// the same project.
class RandomProject {
  public:
    explicit RandomProject(uint32_t seed) : random_(seed), naming_(seed ^ 0x9e3779b9u), repeating_(seed ^ 0x7f4a7c15u) {
        makePanel();
        makeVariables();
        makePictures();
        document_ = addFace(document_, "face.otf", fileOf("kiln/fonts/B612-Regular.otf"), &face_);
        document_ = addFace(document_, "narrow.otf", fileOf("kiln/fonts/B612-Bold.otf"), &otherFace_);
        for (int i = 0; i < 3; ++i)
            document_ = withLook(document_, makeLook("look_" + std::to_string(i)));
        for (const char* name : {"one", "two"})
            makeScreen(name);
        makeRules();
        if (naming_() % 2 == 0)
            nameValues();
        if (repeating_() % 3 == 0)
            repeat();
    }

    const Document& document() const { return document_; }

    // Touches, values and waiting, as lines of a script.
    std::string script(int steps) {
        std::string out;
        for (int i = 0; i < steps; ++i) {
            const std::string place = std::to_string(upTo(panel_.width)) + " " + std::to_string(upTo(panel_.height));
            if (document_.named->setCount() > 1 && naming_() % 5 == 0)
                out += "set theme " + document_.named->sets[naming_() % document_.named->setCount()] + "\n";
            switch (upTo(panel_.knob ? 12 : 9)) {
                case 9: out += "turn " + std::to_string(upTo(7) - 3) + "\n"; break;
                case 10: out += maybe(50) ? "key push\n" : "key_down enter\n"; break;
                case 11: out += maybe(50) ? "key down\n" : "key_up enter\n"; break;
                case 7:
                    out += "set zone[" + std::to_string(upTo(4)) + "] " + std::to_string(upTo(60) - 10) + "\n";
                    break;
                case 8:
                    out += maybe(50) ? "set stage warming up\n"
                                     : "set door " + std::string(maybe(50) ? "yes, no\n" : "no, yes, yes\n");
                    break;
                case 0: out += "press " + place + "\nmove " + place + "\n"; break;
                case 1: out += "release " + place + "\n"; break;
                case 2: out += "wait " + std::to_string(upTo(900)) + "\n"; break;
                case 3: out += "set level " + std::to_string(upTo(120) - 10) + "\n"; break;
                case 4:
                    out += "set heat " + std::to_string(upTo(2000) - 999) + "." + std::to_string(upTo(10)) + "\n";
                    break;
                case 5: out += "set title " + words() + "\n"; break;
                default: out += "tap " + place + "\n"; break;
            }
        }
        return out;
    }

  private:
    int upTo(int end) { return static_cast<int>(random_() % static_cast<uint32_t>(std::max(end, 1))); }
    bool maybe(int percent) { return upTo(100) < percent; }
    template <typename List>
    auto anyOf(const List& list) {
        return list[static_cast<size_t>(upTo(static_cast<int>(std::size(list))))];
    }
    static Bytes fileOf(const char* example) {
        Disk disk;
        return std::make_shared<const FileContents>(*readFile(disk, examplePath(example), kMaxPictureFile));
    }
    std::string words() {
        static const char* const all[] = {"Glaze 7", "AVA To", "x", "kiln (hot)", "9:41", "Wait..."};
        return anyOf(all);
    }

    void makePanel() {
        for (const PixelFormatInfo& each : pixelFormats())
            if (!each.isMask())
                formats_.push_back(each.format);
        document_.name = "random";
        panel_.format = anyOf(formats_);
        panel_.width = 60 + upTo(140);
        panel_.height = 40 + upTo(100);
        panel_.turn = 90 * upTo(4);
        panel_.mirrorX = maybe(30);
        panel_.invert = maybe(20);
        panel_.swapRedBlue = maybe(20);
        panel_.columnOffset = 8 * upTo(3);
        panel_.rowOffset = 8 * upTo(2);
        panel_.stripLines = 8 << upTo(3);
        if (maybe(50)) {
            panel_.knob = true;
            panel_.keys = {"enter", "light", "down"};
            panel_.focusWraps = maybe(50);
        }
        for (size_t i = 0; i < kPanelOutputs; ++i)
            if (maybe(30))
                panel_.outputs[i] = upTo(panelOutputs()[i].max + 1);
        panel_.sound = maybe(30);
        panel_.transition = maybe(60) ? "" : transition();
        panel_.flashBytes = panel_.ramBytes = 8 << 20;
        document_ = withPanel(document_, panel_);
    }

    void makeVariables() {
        document_ = withVariable(document_, makeNumber("level", -10, 100, 40));
        document_ = withVariable(document_, makeNumber("count", 0, 999, 0));
        document_ = withVariable(document_, makeNumber("heat", -9999, 9999, 215, 1));
        document_ = withVariable(document_, makeYesNo("open", maybe(50)));
        document_ = withVariable(document_, arrayOf(makeNumber("zone", -400, 900, 30, 1), 4));
        document_ = withVariable(document_, arrayOf(makeYesNo("door", maybe(50)), 3));
        document_ = withVariable(document_, makeChoice("stage", {"idle", "warming up", "hold"}, upTo(3)));
        document_ = withVariable(document_, makeText("title", "Kiln 3", 20));
        if (maybe(50))
            document_ = withClock(document_, Clock{});
    }

    void makePictures() {
        for (const char* file : {"kiln/images/pot.png", "hive/images/bee.gif", "hive/images/meadow.jpg"}) {
            std::string name;
            document_ = addImage(document_, file + std::string_view(file).rfind('/') + 1, fileOf(file), &name);
            Recipe recipe = document_.image(name)->recipe;
            recipe.width = 6 + upTo(50);
            recipe.height = maybe(50) ? 6 + upTo(40) : 0;
            recipe.fit = anyOf(std::array{Fit::Contain, Fit::Cover, Fit::Stretch});
            recipe.turn = 90 * upTo(4);
            recipe.flipX = maybe(30);
            recipe.background = maybe(50) ? Colour{0} : colour();
            recipe.maskBits = 1 << upTo(4);
            recipe.maskOnly = maybe(25);
            recipe.reduction = static_cast<Reduction>(upTo(6));
            // The first can be turned.
            recipe.packing = images_.empty() ? Packing::Plain : static_cast<Packing>(upTo(3));
            if (maybe(60))
                recipe.format = anyOf(formats_);
            document_ = withRecipe(document_, name, recipe);
            images_.push_back(name);
        }
    }

    Colour colour() {
        static const uint32_t all[] = {0xff000000, 0xffffffff, 0xffe3b505, 0xff4f7b58,
                                       0xffb4532a, 0x807d6390, 0x40ff0000, 0};
        return maybe(70) ? Colour{anyOf(all)} : Colour{0xff000000 | static_cast<uint32_t>(random_() & 0xffffff)};
    }

    PropertyValue valueFor(const PropertyInfo& property) {
        switch (property.type) {
            case PropertyType::YesNo: return maybe(50);
            case PropertyType::Colour: return colour();
            case PropertyType::Choice: return std::string(anyOf(property.choices));
            case PropertyType::Edges: return edgesInWords(static_cast<unsigned>(upTo(16)));
            case PropertyType::Font: return maybe(50) ? face_ : otherFace_;
            case PropertyType::Image: return maybe(80) ? anyOf(images_) : std::string();
            case PropertyType::Variable:
                return maybe(40) ? std::string(property.ofTexts ? "title" : "level") : std::string();
            case PropertyType::Text: return text();
            case PropertyType::Words: return maybe(60) ? words() : std::string();
            case PropertyType::Decimal: return std::string();
            case PropertyType::Points: return points(property);
            case PropertyType::Zones: return zones(property);
            case PropertyType::Cells: return cells();
            default: {
                const int max = std::min(property.max, maybe(80) ? 12 : 70);
                return int64_t{property.min + upTo(max - property.min + 1)};
            }
        }
    }

    PointList points(const PropertyInfo& property) {
        PointList out(static_cast<size_t>(property.min + upTo(maybe(80) ? 5 : property.max - property.min + 1)));
        for (Point& each : out)
            each = maybe(20) && &each != &out.front() ? out.front() : Point{upTo(90) - 10, upTo(70) - 10};
        return out;
    }

    CellMap cells() {
        CellMap out;
        for (int i = upTo(60); i > 0; --i)
            setCell(out, upTo(10), upTo(10), static_cast<uint8_t>(maybe(90) ? upTo(4) : upTo(256)));
        return out;
    }

    ZoneList zones(const PropertyInfo& property) {
        ZoneList out(static_cast<size_t>(upTo(property.max + 1)));
        // One that begins at a number ends at one, as the range may end before it.
        for (Zone& each : out) {
            each = {"", maybe(30) ? "" : std::to_string(50 + upTo(60)), colour()};
            if (!each.to.empty() && maybe(70))
                each.from = std::to_string(upTo(60) - 10);
        }
        return out;
    }

    std::string text() {
        static const char* const all[] = {"{heat:0.0} °C",
                                          "{level}",
                                          "AVATAR To Wa",
                                          "{title}",
                                          "{count:000}|{level > 50 ? 1 : 2}",
                                          "several words that are to be broken in lines",
                                          "",
                                          "{open}",
                                          "{zone[count % 6]} {stage}",
                                          "{sum zone:0} {door[1]} {count zone > heat}",
                                          "two\nlines",
                                          "{count:mm:ss}"};
        return document_.clock && maybe(20) ? "{clock:HH:mm:ss} {clock:ddd d}" : anyOf(all);
    }

    void someOf(std::span<const PropertyInfo> properties, int percent, PropertyMap& into) {
        for (const PropertyInfo& each : properties)
            if (maybe(percent))
                into.insert_or_assign(each.key, valueFor(each));
    }

    std::string expressionFor(const PropertyInfo& property) {
        if (property.isValue)
            return anyOf(std::array{"level * 2", "heat / 3", "count - level", "open", "one.onward.x + heat", "zone[2]",
                                    "max zone - min zone", "stage"});
        switch (valueTypeOf(property)) {
            case ValueType::YesNo:
                return anyOf(std::array{"open", "level > 30", "two.onward.y > 9 && open", "any zone > heat || door[2]",
                                        "stage == \"hold\"", "all door"});
            case ValueType::Colour: return "open ? " + toText(colour()) + " : level > 20 ? none : " + toText(colour());
            case ValueType::Choice:
                return "open ? \"" + std::string(anyOf(property.choices)) + "\" : \"" +
                       std::string(anyOf(property.choices)) + "\"";
            case ValueType::Text: return R"(open ? "{level}: {title}" : level > 20 ? "AVA" : "")";
            default: return std::to_string(property.min + 1) + anyOf(std::array{" + count % 9", " + (level + 10) / 3"});
        }
    }

    Look makeLook(const std::string& name) {
        Look look;
        look.name = name;
        someOf(styleProperties(), 60, look.style);
        for (const LookState& state : lookStates())
            if (maybe(60))
                someOf(styleProperties(), 30, look.states[state.key]);
        // A state keeps its look's font: what takes room may not jump about under the finger.
        for (auto& [state, style] : look.states)
            for (const char* key : {"font", "size"})
                style.erase(key);
        return look;
    }

    std::string transition() {
        const std::string words = anyOf(offeredTransitions());
        return words == "cut" ? words : words + anyOf(std::array{"", " 150 ms", " 0.4 s, ease both"});
    }

    Kind anyKind() {
        const auto ofRuntime = kinds().first(kinds().size() - 1);  // without uses of assemblies
        const Kind kind = maybe(15) ? Kind::Group : anyOf(ofRuntime)->kind;
        return kind == Kind::Clock && !document_.clock ? Kind::Lamp : kind;
    }

    // Takes out what the kinds refuse.
    void makePossible(Widget& widget) {
        const auto changes = [&](const char* key) {
            return widget.properties.count(key) != 0 || widget.expressions.count(key) != 0;
        };
        if (widget.kind == Kind::Image && changes("turn"))
            widget.properties["image"] = images_.front();
        if (changes("needle_image"))
            widget.properties["needle_image"] = images_.front();
        if (const auto corners = widget.properties.find("corners"); corners != widget.properties.end())
            corners->second = std::to_string(upTo(20)) + " 0 " + std::to_string(upTo(256)) + " 7";
        // A choice is a value of the variable.
        if (changes("choice"))
            widget.properties["choice"] = std::to_string(upTo(5));
        if (widget.kind == Kind::Drawer)
            for (const char* each : {"x", "y"})
                widget.expressions.erase(each);
        if (widget.kind == Kind::Keyboard)
            widget.properties["rows"] = std::string("q wé {shift:1.5}\n{gap} {done} {page}\n\n1 {delete:2} {page}");
        if (widget.kind == Kind::List && changes("asked"))
            widget.properties["count"] = std::string("count");
        if (widget.kind == Kind::Button && changes("acts") && !changes("choice"))
            widget.properties["acts"] = std::string("latching");
        if (widget.kind == Kind::Checkbox && !changes("choice"))
            widget.properties["acts"] = std::string("latching");
        if (widget.expressions.count("first") + widget.expressions.count("last") != 0)
            widget.properties.erase("variable");
    }

    void makeScreen(const std::string& name) {
        Screen screen;
        screen.name = name;
        screen.background = Colour{0xff000000 | colour().argb};
        for (int i = 0; i < 9; ++i) {
            Widget widget = makeWidget("w" + std::to_string(i), anyKind(), upTo(panel_.width) - 10,
                                       upTo(panel_.height) - 8, 1 + upTo(panel_.width), 1 + upTo(60));
            widget.look = maybe(70) ? "look_" + std::to_string(upTo(3)) : std::string();
            widget.visible = maybe(90);
            widget.opacity = maybe(85) ? 255 : upTo(256);
            widget.enabled = maybe(90);
            widget.touchMargin = maybe(80) ? 0 : upTo(20);
            widget.focus = maybe(80) ? "" : maybe(30) ? kNeverFocused : std::to_string(1 + upTo(5));
            widget.anchors = maybe(70) ? kDefaultAnchors : edgesInWords(static_cast<unsigned>(upTo(16)));
            someOf(info(widget.kind).properties, 75, widget.properties);
            someOf(styleProperties(), 15, widget.properties);
            for (const auto& properties : {info(widget.kind).properties, placeProperties(), styleProperties()})
                for (const PropertyInfo& each : properties)
                    if (each.takesExpression() && maybe(7)) {
                        widget.expressions[each.key] = expressionFor(each);
                        widget.properties.erase(each.key);
                    }
            makePossible(widget);
            widget.depth = upTo(5);
            screen.widgets.push_back(std::make_shared<const Widget>(widget));
        }
        screen.widgets.push_back(
            std::make_shared<const Widget>(makeWidget("onward", Kind::Button, upTo(panel_.width / 2),
                                                      upTo(panel_.height / 2), 30, 24, {{"text", std::string("Go")}})));
        straighten(screen.widgets);
        // Pages are as large as their pager, whatever expressions say.
        for (size_t i = 0; i < screen.widgets.size(); ++i)
            if (const int holder = containerOf(screen.widgets, i);
                holder >= 0 && screen.widgets[static_cast<size_t>(holder)]->kind == Kind::Pager) {
                Widget page = *screen.widgets[i];
                for (const char* each : {"w", "h"})
                    page.expressions.erase(each);
                screen.widgets[i] = std::make_shared<const Widget>(std::move(page));
            }
        arrange(screen.widgets, *document_.named);
        document_.screens.push_back(std::make_shared<const Screen>(screen));
    }

    // A branch of each screen becomes a series, or the second screen shows on the first.
    void repeat() {
        const auto upToThese = [this](size_t end) { return repeating_() % end; };
        for (ScreenRef& each : document_.screens) {
            Screen screen = *each;
            const size_t at = upToThese(screen.widgets.size());
            if (screen.widgets[at]->name != "onward" && upToThese(3) != 0) {
                Widget widget = *screen.widgets[at];
                widget.seriesColumns = static_cast<int>(1 + upToThese(3));
                widget.seriesRows = static_cast<int>(1 + upToThese(2));
                widget.seriesX = static_cast<int>(upToThese(40));
                widget.seriesY = static_cast<int>(upToThese(30));
                screen.widgets[at] = std::make_shared<const Widget>(std::move(widget));
            }
            each = std::make_shared<const Screen>(std::move(screen));
        }
        if (upToThese(2) == 0) {
            Screen screen = *document_.screens[0];
            (upToThese(2) == 0 ? screen.below : screen.above).push_back(document_.screens[1]->name);
            document_.screens[0] = std::make_shared<const Screen>(std::move(screen));
        }
    }

    void makeRules() {
        std::string rules = "on one.onward.tap\n    go two" + (maybe(50) ? "" : ", " + transition()) +
                            "\n    count = count + 1\n\non two.onward.tap\n    back\n\n"
                            "every 170 ms while open\n    count = (count + 7) % 90\n\n";
        for (int i = 0; i < 5; ++i) {
            const std::string widget = std::string(anyOf(std::array{"one", "two"})) + ".w" + std::to_string(upTo(9));
            static const char* const conditions[] = {"level > 50",
                                                     "heat < 0.0",
                                                     "open && count % 3 == 1",
                                                     "count > level",
                                                     "any door && stage != \"idle\"",
                                                     "sum zone > 20.0 || zone[count % 5] < 0.0"};
            rules += std::string("when ") + anyOf(conditions) + "\n    " + widget + ".x = level % 40\n    toggle " +
                     widget + "\notherwise\n    " + widget + ".y = " + std::to_string(upTo(30)) + "\n    show " +
                     widget + "\n\n";
        }
        for (const ScreenRef& screen : document_.screens)
            for (const WidgetRef& widget : screen->widgets)
                if (info(widget->kind).has(kHasCells) && maybe(60))
                    rules += "when count > " + std::to_string(upTo(40)) + "\n    " + screen->name + "." + widget->name +
                             ".cell[count % 6, level % 4] = level % 5\n\n";
        for (const ScreenRef& screen : document_.screens)
            for (const WidgetRef& widget : screen->widgets)
                for (const char* event : {"hold", "change", "repeat", "done", "blur"})
                    if (const EventWord* word = findEvent(widgetEvents(), event);
                        info(widget->kind).has(word->needs) && maybe(25))
                        rules += "on " + screen->name + "." + widget->name + "." + event +
                                 "\n    count = (count + 11) % 100\n    " + (maybe(30) ? "disable " : "enable ") +
                                 screen->name + ".w" + std::to_string(upTo(9)) + "\n\n";
        for (int i = 0; i < 3; ++i)
            rules += "when count > " + std::to_string(upTo(9)) + "\n    animate " +
                     anyOf(std::array{"one.w", "two.w"}) + std::to_string(upTo(9)) +
                     anyOf(std::array{".x from 3 to level", ".y to 20", ".opacity from 250 to 9", ".w to 40"}) +
                     " in " + std::to_string(1 + upTo(900)) + " ms" +
                     anyOf(std::array{"", ", ease both", ", ease bounce, repeat 2", ", there and back"}) +
                     "\n    then count = count + 1\n\n";
        if (maybe(40))
            rules += "on idle 700 ms\n    level = 12\notherwise\n    level = 40\n\n";
        if (panel_.outputs[0])
            rules += "when count > 20\n    panel.light = count\n    level = panel.light\n\n";
        if (panel_.sound)
            rules += "on one.onward.press\n    sound 2 kHz, 60 ms, 0 Hz, 30 ms\n\n";
        if (panel_.knob)
            rules += "on knob left\n    heat = heat - 9.5\n\non key light\n    open = !open\n\n";
        rules +=
            "on two.enter\n    zone[count % 5] = heat / 2\n    door = open\n    stage = open ? \"hold\" : "
            "\"idle\"\n\n";
        rules +=
            "on one.onward.press\n    open = !open\n    door[level % 3] = !door[1]\n    level = level < 90 ? level + 9 "
            ": -10\n";
        document_ = withRules(document_, "main", rules);
    }

    // Gives some of the colours and sizes names, with sets of colours.
    void nameValues() {
        NamedValues named;
        for (uint32_t i = naming_() % 4; i > 0; --i)
            named.sets.push_back("set_" + std::to_string(named.sets.size()));
        for (int i = 0; i < 4; ++i) {
            NamedColour& each = named.colours.emplace_back();
            each.name = "hue_" + std::to_string(i);
            for (size_t set = 0; set < named.setCount(); ++set)
                each.inSets.push_back(opaque(naming_() & 0xffffff));
            if (i == 3)
                each.inSets.back() = Colour{0};
        }
        named.sizes = {{"small", 2}, {"text_size", 13}};
        document_.named = std::make_shared<const NamedValues>(named);
        auto looks = *document_.looks;
        for (Look& each : looks) {
            nameIn(each.style);
            for (auto& [state, style] : each.states)
                nameIn(style);
        }
        document_.looks = std::make_shared<const std::vector<Look>>(std::move(looks));
        for (ScreenRef& each : document_.screens) {
            Screen screen = *each;
            screen.ground = naming_() % 2 == 0 ? "hue_0" : "";
            for (WidgetRef& widget : screen.widgets) {
                Widget next = *widget;
                nameIn(next.properties);
                widget = std::make_shared<const Widget>(std::move(next));
            }
            arrange(screen.widgets, named);
            each = std::make_shared<const Screen>(std::move(screen));
        }
        if (named.setCount() > 1)
            document_ = withRules(document_, "themes",
                                  "on two.onward.press\n    theme = set_1\n    one.w0.fill = hue_1\n\n"
                                  "when theme == \"set_1\" && level > small\n    one.onward.fill = hue_2\n"
                                  "otherwise\n    count = 3\n");
    }

    void nameIn(PropertyMap& properties) {
        for (auto& [key, value] : properties) {
            if (std::holds_alternative<Colour>(value) && naming_() % 2 == 0)
                value = ValueName{"hue_" + std::to_string(naming_() % 4)};
            if (key == "size" && naming_() % 2 == 0)
                value = ValueName{"text_size"};
            if ((key == "radius" || key == "gap" || key == "padding") && naming_() % 2 == 0)
                value = ValueName{"small"};
            if (auto* zones = std::get_if<ZoneList>(&value))
                for (Zone& each : *zones)
                    each.named = naming_() % 2 == 0 ? "hue_1" : "";
        }
    }

    std::mt19937 random_;
    std::mt19937 naming_, repeating_;  // of their own, so that all else stays as it is for a seed
    Document document_;
    Panel panel_;
    std::vector<PixelFormat> formats_;
    std::string face_, otherFace_;
    std::vector<std::string> images_;
};

}  // namespace support
