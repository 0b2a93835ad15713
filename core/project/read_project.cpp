// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cerrno>
#include <set>

#include "core/base/files.h"
#include "core/document/arrange.h"
#include "core/document/names.h"
#include "core/document/widget_tree.h"
#include "core/project/assembly_text.h"
#include "core/project/font_text.h"
#include "core/project/json_text.h"
#include "core/project/original_reader.h"
#include "core/project/project_text.h"
#include "core/project/read_parts.h"
#include "core/project/recipe_text.h"

namespace gorsefinch {

namespace {

class Reader {
  public:
    explicit Reader(const FileReader& read) : read_(read) {}

    ReadProject run() {
        const auto text = read_(kMainFile, kMaxMainFile);
        if (!text && text.error().code == ENOENT)
            return fail({kMainFile, "", "there is no such file", "Open a folder with a project in it"});
        if (!text)
            return fail(text.error());
        const auto json = parseJson(kMainFile, *text);
        if (!json)
            return fail(json.error());
        if (!json->is_object() || !json->contains("gorsefinch"))
            return fail({kMainFile, "", "this is no project of this program", "Open a folder with a project in it"});
        JsonObject object(*json, kMainFile, "", out_.problems);
        const int64_t version = object.whole("gorsefinch", -1, 1, 1000000);
        if (version < 1)
            return fail({kMainFile, "gorsefinch", "the version number is broken",
                         "Write \"gorsefinch\": " + std::to_string(kFormatVersion)});
        if (version > kFormatVersion)
            return fail({kMainFile, "gorsefinch",
                         "the project is of the newer version " + std::to_string(version) +
                             "; this program reads up to " + std::to_string(kFormatVersion),
                         "Open it with a newer Gorsefinch"});
        for (const char* list : {"variables", "looks", "images", "fonts", "screens", "rules", "meant_so"})
            if (object.array(list).size() > kMaxListed)
                return fail(
                    {kMainFile, list, "there are more than " + std::to_string(kMaxListed), "Divide the project"});
        readMain(object);
        finish();
        return std::move(out_);
    }

  private:
    ReadProject fail(const Error& error) {
        ReadProject failed;
        failed.problems.push_back({Severity::Error, error.file, error.place, error.reason, error.remedy, {}, {}});
        return failed;
    }

    void complain(const std::string& file, const std::string& place, const std::string& reason,
                  const std::string& remedy) {
        out_.problems.push_back({Severity::Error, file, place, reason, remedy, {}, {}});
    }

    // Takes a name if it is usable and new; else says why and makes another, so that the thing can be opened.
    std::string usableName(const std::string& given, const std::string& file, const std::string& place, NameSet& used) {
        std::string name = given;
        if (const auto error = nameError(given)) {
            name = nameFrom(given, "unnamed");
            complain(file, place, *error, "It was opened as \"" + name + "\"; give it another name");
        }
        std::string fresh = used.unique(name);
        if (fresh != name)
            complain(file, place, "the name \"" + name + "\" is there twice",
                     "The second was opened as \"" + fresh + "\"; give it another name");
        return fresh;
    }

    template <typename T>
    Shared<std::vector<T>> readList(const Json& array, const char* key,
                                    T (*readOne)(const Json&, const std::string&, Problems&)) {
        auto all = std::make_shared<std::vector<T>>();
        for (size_t i = 0; i < array.size(); ++i) {
            const std::string place = std::string(key) + "[" + std::to_string(i) + "]";
            T one = readOne(array[i], place, out_.problems);
            one.name = usableName(one.name, kMainFile, place + ".name", used_);
            all->push_back(std::move(one));
        }
        return all;
    }

    // The text of a screen or of rules, within the limit of all of them.
    Result<SharedBytes> readText(const std::string& path, size_t maxBytes) {
        const size_t left = kMaxTexts - textBytes_;
        auto text = read_(path, std::min(maxBytes, left));
        if (text)
            textBytes_ += text->size();
        else if (left < maxBytes && text.error().code == 0)
            return failure(path, "",
                           "the screens and rules of the project have more than " + std::to_string(kMaxTexts >> 20) +
                               " MB together",
                           "Divide the project");
        return text;
    }

    Bytes readOriginal(const char* folder, size_t maxBytes, std::string& file, const std::string& place) {
        if (!isPlainFileName(file)) {
            complain(kMainFile, place + ".file",
                     "\"" + file + "\" is not a file name: originals lie directly in " + folder + "/",
                     "Put the file there and name it without a folder");
            file.clear();
            return nullptr;
        }
        const std::string path = std::string(folder) + "/" + file;
        auto bytes = originals_.read(path, maxBytes);
        if (!bytes) {
            const Error& error = bytes.error();
            complain(path, "", error.reason,
                     error.code == 0 && !error.remedy.empty() ? error.remedy : "Put the file back or choose another");
            return nullptr;
        }
        return *bytes;
    }

    void readMain(JsonObject& object) {
        Document document;
        document.name = object.text("name", "", 100);
        if (const auto error = nameError(document.name)) {
            complain(kMainFile, "name", *error, "Give the project another name");
            document.name = nameFrom(document.name, "display");
        }
        document.panel = std::make_shared<Panel>(readPanel(object.object("panel"), out_.problems));
        if (object.has("named"))
            document.named = named_ = readNamed(object.object("named"));
        document.variables = readVariables(object.array("variables"));
        if (object.has("clock"))
            document.clock = std::make_shared<Clock>(readClock(object.object("clock"), out_.problems));
        if (object.has("layout"))
            document.aids = std::make_shared<LayoutAids>(readAids(object.object("layout"), out_.problems));
        document.looks = readLooks(object.array("looks"));
        const char* recipe = object.either("default_recipe", "usual_recipe");
        document.defaultRecipe =
            std::make_shared<Recipe>(readRecipe(object.object(recipe), kMainFile, recipe, out_.problems));
        readImages(document, object.array("images"));
        readFaces(document, object.array("fonts"));
        readScreens(document, object.array("screens"));
        readRules(document, object.array("rules"));
        document.meantSo = readMeantSo(object.array("meant_so"));
        document.unknown = std::make_shared<UnknownKeys>(object.unknown());
        out_.document = std::move(document);
    }

    Shared<std::vector<MeantSo>> readMeantSo(const Json& array) {
        auto all = std::make_shared<std::vector<MeantSo>>();
        for (size_t i = 0; i < std::min(array.size(), kMaxListed); ++i) {
            JsonObject one(array[i], kMainFile, "meant_so[" + std::to_string(i) + "]", out_.problems);
            MeantSo meant{one.text("problem", {}, kMaxReason),
                          one.text("screen", {}, kMaxReason),
                          one.text("of", {}, kMaxReason),
                          one.text("reason", {}, kMaxReason),
                          {}};
            meant.unknown = one.unknown();
            all->push_back(std::move(meant));
        }
        return all;
    }

    // Names that are taken are given others. They come before variables, whose names may not be the same.
    Shared<NamedValues> readNamed(const Json& json) {
        auto named = std::make_shared<NamedValues>(readNamedValues(json, out_.problems));
        if (named->setCount() > 1)
            namesInRules_.insert(kThemeName);
        const auto name = [&](auto& list, const std::string& key) {
            for (size_t i = 0; i < list.size(); ++i)
                list[i].name = usableName(list[i].name, kMainFile, "named." + key + "[" + std::to_string(i) + "].name",
                                          namesInRules_);
        };
        name(named->colours, "colours");
        name(named->sizes, "sizes");
        return named;
    }

    // A base that does not exist, or leads back to the look, is a problem and is dropped.
    Shared<std::vector<Look>> readLooks(const Json& array) {
        auto all = std::make_shared<std::vector<Look>>(*readList<Look>(array, "looks", readLook));
        Document document;
        document.looks = all;
        for (Look& each : *all) {
            if (each.basedOn.empty())
                continue;
            const std::vector<const Look*> looks = lookAndBases(document, &each);
            const bool isCircle = looks.back()->basedOn == each.name;
            if (!isCircle && document.look(each.basedOn))
                continue;
            complain(kMainFile, "look " + each.name,
                     isCircle ? "it is based on itself" : "there is no look \"" + each.basedOn + "\" to base it on",
                     "Base it on another look");
            each.basedOn.clear();
        }
        return all;
    }

    Shared<std::vector<Variable>> readVariables(const Json& array) {
        auto all = std::make_shared<std::vector<Variable>>(*readList<Variable>(array, "variables", readVariable));
        size_t numbers = 0;
        for (Variable& each : *all) {
            if (namesInRules_.contains(each.name)) {
                const std::string fresh = used_.unique(each.name);
                complain(kMainFile, "variable " + each.name,
                         "its name is that of a colour or a size, or says which set of colours is shown",
                         "It was opened as \"" + fresh + "\"; give it another name");
                each.name = fresh;
            }
            if (numbers + numbersOf(each) > kMaxNumbers && each.isArray()) {
                complain(kMainFile, "variable " + each.name,
                         "the variables have more than " + std::to_string(kMaxNumbers) + " numbers together",
                         "Make some arrays shorter");
                each.count = 1;
            }
            numbers += numbersOf(each);
        }
        return all;
    }

    void readImages(Document& document, const Json& array) {
        auto all = std::make_shared<std::vector<Image>>();
        for (size_t i = 0; i < array.size(); ++i) {
            const std::string place = "images[" + std::to_string(i) + "]";
            JsonObject object(array[i], kMainFile, place, out_.problems);
            Image image;
            image.name = usableName(object.text("name"), kMainFile, place + ".name", used_);
            image.file = object.text("file");
            image.recipe = readRecipe(object.object("recipe"), kMainFile, place + ".recipe", out_.problems);
            image.original = readOriginal("images", kMaxPictureFile, image.file, place);
            const Json& more = object.array("more_files");
            for (size_t j = 0; j < std::min<size_t>(more.size(), kMaxSeries - 1); ++j) {
                MoreOriginal each;
                each.file = more[j].is_string() ? more[j].get<std::string>() : std::string();
                each.original = readOriginal("images", kMaxPictureFile, each.file,
                                             place + ".more_files[" + std::to_string(j) + "]");
                image.more.push_back(std::move(each));
            }
            image.unknown = object.unknown();
            all->push_back(std::move(image));
        }
        document.images = all;
    }

    void readFaces(Document& document, const Json& array) {
        auto all = std::make_shared<std::vector<Face>>();
        for (size_t i = 0; i < array.size(); ++i) {
            const std::string place = "fonts[" + std::to_string(i) + "]";
            JsonObject object(array[i], kMainFile, place, out_.problems);
            Face face;
            face.name = usableName(object.text("name"), kMainFile, place + ".name", used_);
            face.file = object.text("file");
            readFontSettings(object, face, kMainFile, place, out_.problems);
            face.original = readOriginal("fonts", kMaxFaceFile, face.file, place);
            face.unknown = object.unknown();
            all->push_back(std::move(face));
        }
        document.faces = all;
    }

    // The names in a list of files, each usable as a file name; broken ones are reported and left out.
    std::vector<std::string> fileNames(const Json& array, const char* key) {
        std::vector<std::string> names;
        for (size_t i = 0; i < array.size(); ++i) {
            const std::string place = std::string(key) + "[" + std::to_string(i) + "]";
            const std::string name = array[i].is_string() ? array[i].get<std::string>() : std::string();
            if (const auto error = nameError(name))
                complain(kMainFile, place, *error, "Name the file without folder and ending");
            else if (std::find(names.begin(), names.end(), name) != names.end())
                complain(kMainFile, place, "\"" + name + "\" is there twice", "Take one out");
            else
                names.push_back(name);
        }
        return names;
    }

    void readScreens(Document& document, const Json& array) {
        auto unread = std::make_shared<std::vector<std::string>>();
        for (const std::string& name : fileNames(array, "screens")) {
            const std::string file = "screens/" + name + ".json";
            const auto text = readText(file, kMaxScreenFile);
            const auto json = text ? parseJson(file, *text) : tl::unexpected(text.error());
            // What would have to be left out could be lost: the file stays as it is.
            const bool tooLarge = json && json->is_object() && widgetsIn(*json) > kMaxWidgets;
            if (json && json->is_object() && !tooLarge) {
                document.screens.push_back(readScreen(*json, name, file));
                continue;
            }
            unread->push_back(name);
            if (tooLarge)
                complain(file, "widgets", "the screen has more than " + std::to_string(kMaxWidgets) + " widgets",
                         "Divide it into two files");
            else if (json)
                complain(file, "", "this is not a screen", "Restore the file from version control or a copy");
            else
                complain(file, json.error().place, json.error().reason, json.error().remedy);
        }
        document.unreadScreens = unread;
        const auto isShown = [](const ScreenRef& each) { return !each->assembly; };
        const auto assemblies = std::stable_partition(document.screens.begin(), document.screens.end(), isShown);
        if (assemblies == document.screens.begin()) {
            complain(kMainFile, "screens", "no screen could be opened", "An empty one is shown instead");
            Screen screen;
            screen.name = uniqueName("screen", [&](std::string_view n) {
                return document.screen(n) || std::find(unread->begin(), unread->end(), n) != unread->end();
            });
            document.screens.insert(document.screens.begin(), std::make_shared<const Screen>(std::move(screen)));
        }
    }

    ScreenRef readScreen(const Json& json, const std::string& name, const std::string& file) {
        JsonObject object(json, file, "", out_.problems);
        Screen screen;
        screen.name = name;
        used_.insert(name);
        if (object.text("name", name) != name)
            complain(file, "name", "the name inside differs from the file's", "The file's name holds");
        if (auto ground = readName(object, "background"))
            screen.ground = std::move(*ground);
        else
            screen.background = object.colour("background", screen.background);
        screen.keeps = object.yesNo("keeps", false);
        screen.shade = static_cast<int>(object.whole("shade", kDefaultShade, 0, 255));
        screen.lines = readLines(object);
        screen.below = readBackings(object, "below", name);
        screen.above = readBackings(object, "above", name);
        if (object.has("assembly"))
            screen.assembly =
                std::make_shared<const Assembly>(readAssembly(object.object("assembly"), file, out_.problems));
        NameSet used;
        readWidgets(screen, object, file, "", 0, used);
        straighten(screen.widgets);
        arrange(screen.widgets, *named_);
        screen.unknown = object.unknown();
        return std::make_shared<const Screen>(std::move(screen));
    }

    // Names of other screens, whether the project has them or not.
    static std::vector<std::string> readBackings(JsonObject& object, const char* key, const std::string& screen) {
        std::vector<std::string> out;
        const Json& array = object.array(key);
        for (size_t i = 0; i < array.size(); ++i) {
            const std::string name = array[i].is_string() ? array[i].get<std::string>() : std::string();
            const std::string at = std::string(key) + "[" + std::to_string(i) + "]";
            if (nameError(name) || name == screen || out.size() == kMaxBackings)
                object.problem(key, at + " is not the name of another screen, or there are too many of them",
                               "Name at most " + std::to_string(kMaxBackings) + " other screens");
            else if (std::find(out.begin(), out.end(), name) == out.end())
                out.push_back(name);
        }
        return out;
    }

    // All that an object holds, at any depth. Objects are as deep as the parser allows.
    static size_t widgetsIn(const Json& object) {
        const auto found = object.is_object() ? object.find("widgets") : object.end();
        if (found == object.end() || !found->is_array())
            return 0;
        size_t count = found->size();
        for (const Json& each : *found)
            count += widgetsIn(each);
        return count;
    }

    void readWidgets(Screen& screen, JsonObject& object, const std::string& file, const std::string& place, int depth,
                     NameSet& used) {
        const Json& widgets = object.array("widgets");
        if (depth > kMaxDepth && !widgets.empty())
            object.problem("widgets", "containers lie deeper than " + std::to_string(kMaxDepth),
                           "What the deepest holds was put beside it; take some of them apart");
        for (size_t i = 0; i < widgets.size(); ++i)
            readWidget(screen, widgets[i], file, place + "widgets[" + std::to_string(i) + "]", depth, used);
    }

    void readWidget(Screen& screen, const Json& json, const std::string& file, const std::string& place, int depth,
                    NameSet& used) {
        JsonObject object(json, file, place, out_.problems);
        const std::string key = object.text("kind");
        const KindInfo* kind = kindByKey(key);
        if (!kind) {
            object.problem("kind", "there is no kind \"" + key + "\"", "The widget was left out; correct the kind");
            return;
        }
        Widget widget;
        widget.kind = kind->kind;
        widget.name = usableName(object.text("name"), file, place + ".name", used);
        for (const PropertyInfo& each : placeProperties())
            setOwnValue(widget, each, each.fallback);
        for (const auto& [named, value] : readProperties(object, placeProperties(), &widget.expressions))
            setOwnValue(widget, *findIn(placeProperties(), named), value);
        widget.look = object.text("look");
        widget.locked = object.yesNo("locked", false);
        widget.offCanvas = object.yesNo("off_canvas", false);
        widget.properties = readProperties(object, kind->properties, &widget.expressions);
        widget.properties.merge(readProperties(object, styleProperties(), &widget.expressions));
        if (kind->kind == Kind::Assembly)
            widget.inputs = readInputs(object);
        widget.depth = depth;
        const size_t at = screen.widgets.size();
        screen.widgets.emplace_back();
        // Other kinds keep the key as one that is not known.
        if (kind->has(kHolds))
            readWidgets(screen, object, file, place + ".", depth + 1, used);
        widget.unknown = object.unknown();
        screen.widgets[at] = std::make_shared<const Widget>(std::move(widget));
    }

    void readRules(Document& document, const Json& array) {
        auto all = std::make_shared<std::vector<RuleFile>>();
        for (const std::string& name : fileNames(array, "rules")) {
            const std::string file = "rules/" + name + ".rules";
            auto text = readText(file, kMaxRulesFile);
            if (text)
                all->push_back({name, std::string(text->text())});
            else
                complain(file, "", text.error().reason,
                         text.error().code == 0 ? text.error().remedy : "Put the file back or take its name out");
        }
        document.rules = all;
    }

    void finish() {
        std::set<std::string> damaged;
        for (const Problem& problem : out_.problems)
            damaged.insert(problem.file);
        out_.damaged.assign(damaged.begin(), damaged.end());
    }

    const FileReader& read_;
    ReadProject out_;
    OriginalReader originals_{read_};
    size_t textBytes_ = 0;
    NameSet used_;
    NameSet namesInRules_;  // that variables can't have beside those
    Shared<NamedValues> named_ = std::make_shared<NamedValues>();
};

}  // namespace

ReadProject fromFiles(const FileReader& read) { return Reader(read).run(); }

}  // namespace gorsefinch
