// SPDX-License-Identifier: GPL-3.0-or-later
// Maps of tiles: what they show is what frames in their places show; cells that rules and the firmware set.
#include <QtTest>

#include "core/edits/edit.h"
#include "core/edits/image_edits.h"
#include "core/edits/paint_cells.h"
#include "core/emit/costs.h"
#include "core/emit/export_image.h"
#include "core/emit/generate.h"
#include "core/project/project_text.h"
#include "core/sim/twin.h"
#include "tests/support/panel_picture.h"
#include "tests/support/projects.h"
#include "tests/support/stored_ways.h"
#include "tests/support/test_case.h"

using namespace gorsefinch;
using namespace support;

namespace {

constexpr int kPanelWidth = 64, kPanelHeight = 48, kCellWidth = 9, kCellHeight = 7, kColumns = 9, kRows = 8;

// Three cells side by side, each with a hole and a corner that is partly clear.
Picture cellSheet() {
    Picture p = makePicture(3 * kCellWidth, kCellHeight);
    for (int y = 0; y < p.height; ++y)
        for (int x = 0; x < p.width; ++x) {
            const int cell = x / kCellWidth, at = x % kCellWidth;
            const uint32_t alpha = at == 3 + cell && y > 2 ? 0 : at + y < 3 ? 0x90 : 0xff;
            p.at(x, y) = alpha << 24 | static_cast<uint32_t>(cell * 90 << 16 | y * 30 << 8 | at * 25);
        }
    return p;
}

CellMap somewhere() {
    CellMap map;
    for (int row = 0; row < kRows; ++row)
        for (int column = 0; column < kColumns; ++column)
            setCell(map, column, row, static_cast<uint8_t>((column * 5 + row * 3 + column * row) % 4));
    return map;
}

Document withSheet(PixelFormat panel, const std::function<void(Recipe&)>& change, std::vector<Widget> widgets) {
    Document document = withPanelOf(makeDocument({"first", "second"}), panel, 0, kPanelWidth, kPanelHeight);
    document = addImage(document, "cells.png", std::make_shared<const FileContents>(encodePng(cellSheet())), nullptr);
    auto images = std::make_shared<std::vector<Image>>(*document.images);
    images->front().recipe.columns = 3;
    change(images->front().recipe);
    document.images = images;
    return addWidgets(document, "first", std::move(widgets));
}

Widget mapAt(int x, int y, int w, int h, PropertyMap properties = {}) {
    properties.insert({{"image", std::string("cells")},
                       {"colour", opaque(0xE0B040)},
                       {"columns", int64_t{kColumns}},
                       {"rows", int64_t{kRows}},
                       {"cells", somewhere()}});
    return makeWidget("map", Kind::Tiles, x, y, w, h, std::move(properties));
}

// The same cells as frames that stand still.
std::vector<Widget> framesAt(int x, int y) {
    std::vector<Widget> out;
    const CellMap map = somewhere();
    for (int row = 0; row < kRows; ++row)
        for (int column = 0; column < kColumns; ++column)
            if (const int64_t cell = cellAt(map, column, row); cell != 0)
                out.push_back(makeWidget(
                    "cell" + std::to_string(out.size()), Kind::Frames, x + column * kCellWidth, y + row * kCellHeight,
                    kCellWidth, kCellHeight,
                    {{"image", std::string("cells")}, {"colour", opaque(0xE0B040)}, {"first", cell}, {"last", cell}}));
    return out;
}

Document withRule(const std::string& rules, PropertyMap properties = {}) {
    Document document = withSheet(PixelFormat::Rgb565, [](Recipe&) {}, {mapAt(0, 0, 64, 48, std::move(properties))});
    document = withVariable(document, makeNumber("level", -10, 300, 0));
    return withRules(document, "main", rules);
}

Problems problemsOf(const Document& document) {
    SceneBuilder builder;
    const BuiltSceneRef scene = builder.build(document);
    Problems out(scene->problems.begin(), scene->problems.end());
    return out;
}

}  // namespace

class TestTiles : public QObject {
    Q_OBJECT

    static void set(Twin& twin, const char* variable, int value) {
        QVERIFY(twin.set(variable, std::to_string(value)).has_value());
        twin.step(twin.now() + 10);
    }

    // What the panel shows is what a panel shows that is drawn anew.
    static void isWhole(Twin& twin) {
        const Picture before = twin.memory().picture();
        gorse_redraw(twin.run());
        twin.step(twin.now() + 1);
        QCOMPARE(before.pixels == twin.memory().picture().pixels, true);
    }

  private Q_SLOTS:
    void cellsAreDrawnAsFramesAre() {
        forEveryWay([](PixelFormat panel, const Stored& way) {
            for (const auto& [panX, panY] : {std::pair(0, 0), {5, 3}, {-6, -11}, {40, 30}}) {
                const Document map = withSheet(
                    panel, way.change,
                    {mapAt(0, 0, kPanelWidth, kPanelHeight, {{"pan_x", int64_t{panX}}, {"pan_y", int64_t{panY}}})});
                const Picture expected = panelPicture(withSheet(panel, way.change, framesAt(-panX, -panY)));
                for (const long bytes : {0L, 4L * kPanelWidth, 36L * kPanelWidth})
                    QVERIFY2(panelPicture(map, bytes).pixels == expected.pixels, way.name);
            }
        });
    }

    // A map in a box shows the same pixels inside, and nothing outside.
    void theBoxCutsTheMap() {
        const auto plain = [](Recipe&) {};
        const Picture whole =
            panelPicture(withSheet(PixelFormat::Rgb565, plain, {mapAt(0, 0, kPanelWidth, kPanelHeight)}));
        for (const QRect box : {QRect(10, 8, 31, 22), QRect(0, 0, 1, 1), QRect(63, 47, 30, 30), QRect(5, 40, 9, 3)}) {
            const Picture cut =
                panelPicture(withSheet(PixelFormat::Rgb565, plain,
                                       {mapAt(box.x(), box.y(), box.width(), box.height(),
                                              {{"pan_x", int64_t{box.x()}}, {"pan_y", int64_t{box.y()}}})}));
            for (int y = 0; y < kPanelHeight; ++y)
                for (int x = 0; x < kPanelWidth; ++x)
                    QCOMPARE(cut.at(x, y), box.contains(x, y) ? whole.at(x, y) : 0xff000000);
        }
    }

    void rulesSetCells() {
        SceneBuilder builder;
        Twin twin(
            builder.build(withRule("when level > 0\n    map.cell[2, level] = 2\n    first.map.cell[level, 4] = 0\n\n"
                                   "when level > 90\n    map.cell[level, 1] = level\n")),
            Twin::View::Panel);
        twin.step(0);
        const Picture before = twin.memory().picture();
        (void)twin.takeFlushed();
        set(twin, "level", 1);
        isWhole(twin);
        const Picture after = twin.memory().picture();
        for (int y = 0; y < kPanelHeight; ++y)
            for (int x = 0; x < kPanelWidth; ++x) {
                const bool set = QRect(18, 7, 9, 7).contains(x, y) || QRect(9, 28, 9, 7).contains(x, y);
                if (!set)
                    QCOMPARE(after.at(x, y), before.at(x, y));
            }
        QVERIFY(after.pixels != before.pixels);
        // What is outside changes nothing.
        set(twin, "level", 200);
        QCOMPARE(twin.memory().picture().pixels == after.pixels, true);
    }

    void onlyTheCellIsRedrawn() {
        SceneBuilder builder;
        Twin twin(builder.build(withRule("when level > 0\n    map.cell[2, 1] = 1\n")), Twin::View::Panel);
        twin.step(0);
        (void)twin.takeFlushed();
        set(twin, "level", 1);
        const auto flushed = twin.takeFlushed();
        QCOMPARE(flushed.size(), size_t{1});
        QCOMPARE(flushed[0].x, 18);
        QCOMPARE(flushed[0].y, 7);
        QCOMPARE(flushed[0].w, kCellWidth);
        QCOMPARE(flushed[0].h, kCellHeight);
    }

    // Cells stay as they were set while other screens are shown, and through edits of other cells and of the size.
    void setCellsStay() {
        const std::string rules = "when level == 5\n    map.cell[3, 2] = 1\n";
        SceneBuilder builder;
        Document document = withRule(rules);
        Twin twin(builder.build(document), Twin::View::Panel);
        twin.step(0);
        set(twin, "level", 5);
        const Picture set5 = twin.memory().picture();
        twin.go(1);
        twin.step(100);
        QVERIFY(twin.memory().picture().pixels != set5.pixels);
        twin.go(0);
        twin.step(200);
        QCOMPARE(twin.memory().picture().pixels == set5.pixels, true);
        CellMap painted = somewhere();
        setCell(painted, 3, 2, 2);
        setCell(painted, 0, 0, 3);
        document = *gorsefinch::setProperty(document, "first", Names{"map"}, "cells", painted);
        document = *gorsefinch::setProperty(document, "first", Names{"map"}, "columns", int64_t{7});
        twin.update(builder.build(document));
        twin.step(300);
        setCell(painted, 3, 2, 1);
        const Document whole =
            *gorsefinch::setProperty(*gorsefinch::setProperty(withRule(""), "first", Names{"map"}, "cells", painted),
                                     "first", Names{"map"}, "columns", int64_t{7});
        QCOMPARE(twin.memory().picture().pixels == panelPicture(whole).pixels, true);
    }

    void theFirmwareSetsCells() {
        const Document document = withRule("", {{"by_firmware", true}});
        SceneBuilder builder;
        Twin twin(builder.build(document), Twin::View::Panel);
        twin.step(0);
        gorse* run = twin.run();
        QCOMPARE(gorse_set_cell(run, 0, 1, 1, 2), GORSE_RESULT_OK);
        QCOMPARE(gorse_set_cell(run, 0, 1, 1, 2), GORSE_RESULT_UNCHANGED);
        QCOMPARE(gorse_set_cell(run, 0, kColumns, 1, 2), GORSE_RESULT_UNKNOWN);
        QCOMPARE(gorse_set_cell(run, 0, 1, kRows, 2), GORSE_RESULT_UNKNOWN);
        QCOMPARE(gorse_set_cell(run, 1, 1, 1, 2), GORSE_RESULT_UNKNOWN);
        gorse none{};
        QCOMPARE(gorse_set_cell(&none, 0, 1, 1, 2), GORSE_RESULT_NOT_BEGUN);
        twin.step(10);
        isWhole(twin);
        // A frame that the image lacks shows nothing.
        QCOMPARE(gorse_set_cell(run, 0, 1, 1, 77), GORSE_RESULT_OK);
        twin.step(20);
        isWhole(twin);
        const GeneratedCode code = generateCode(*builder.build(document));
        const std::string& header = code.files.at(document.name + ".h");
        QVERIFY(header.find("_set_first_map_cell(uint8_t column, uint8_t row, uint8_t cell);") != std::string::npos);
    }

    // A byte for each cell, if something sets them.
    void costsAreThoseOfTheCells() {
        SceneBuilder builder;
        const auto state = [&](const Document& document) { return costsOf(*builder.build(document)).state; };
        const long fixed = state(withRule("when level > 0\n    level = 0\n"));
        QCOMPARE(state(withRule("when level > 0\n    map.cell[0, 0] = 1\n")), fixed + kColumns * kRows);
        QCOMPARE(state(withRule("when level > 0\n    level = 0\n", {{"by_firmware", true}})), fixed + kColumns * kRows);
    }

    void mistakesInRulesAreReported() {
        for (const auto& [line, words] : {std::pair("map.cell[0, 0] = \"none\"", "needed"),
                                          {"map.cell[255, 0] = 1", "a column goes from 0 to 254"},
                                          {"map.cell[0, -1] = 1", "a row goes from 0 to 254"},
                                          {"map.cell[0, 0] = 256", "a cell goes from 0 to 255"},
                                          {"map.cell[0] = 1", "a , belongs here"},
                                          {"map.cell[0, 0 = 1", "a ] belongs here"},
                                          {"map.cell[0, 0] 1", "a = belongs here"},
                                          {"map.cells[0, 0] = 1", "no such cells"},
                                          {"level[0, 0] = 1", ""},
                                          {"nothing.cell[0, 0] = 1", "there is no widget"},
                                          {"map.cell = 1", "rules can't set"},
                                          {"map.cell[0, 0] = 1 2", "does not belong here"}}) {
            const Problems problems = problemsOf(withRule(std::string("when level > 0\n    ") + line + "\n"));
            QVERIFY2(hasErrors(problems), line);
            if (*words != 0 && std::string_view(words) != "needed")
                QVERIFY2(tells(problems, words), line);
        }
    }

    void aFrameThatTheImageLacksIsAWarning() {
        CellMap map;
        setCell(map, 0, 0, 9);
        const Problems problems = problemsOf(withRule("", {{"cells", map}}));
        QCOMPARE(problems.size(), size_t{1});
        QCOMPARE(problems[0].severity, Severity::Warning);
        QCOMPARE(problems[0].reason, std::string("the image has 3 frames, a cell of the map shows 9"));
    }

    void filesHoldRowsOfNumbers() {
        const ProjectFiles files = toFiles(withRule(""));
        const std::string text(files.at("screens/first.json").text());
        const size_t row = text.find('"', text.find('[', text.find("\"cells\"")));
        const size_t end = text.find('"', row + 1) + 1;
        QCOMPARE(text.substr(row, end - row), '"' + toText(somewhere().front()) + '"');
        for (const char* wrong : {"\"1 2 x\"", "\"256\"", "\"-1\"", "\"1,2\"", "7", "[1, 2]"}) {
            ProjectFiles other = files;
            other["screens/first.json"] = text.substr(0, row) + wrong + text.substr(end);
            const ReadProject read = readFiles(other);
            QVERIFY2(tells(read.problems, "row 1 is no list of cells"), wrong);
            const auto map = std::get<CellMap>(read.document->screens[0]->widgets[0]->properties.at("cells"));
            QCOMPARE(cellAt(map, 1, 0), uint8_t{0});
            QCOMPARE(cellAt(map, 1, 1), cellAt(somewhere(), 1, 1));
        }
    }

    void paintsLinesBoxesAndAreas() {
        const MapSize size{6, 4};
        const auto rows = [](const CellMap& map) {
            std::vector<std::string> out;
            for (const auto& row : map)
                out.push_back(toText(row));
            return out;
        };
        using Rows = std::vector<std::string>;
        QCOMPARE(rows(withCellLine({}, size, {0, 0}, {3, 3}, 1)), (Rows{"1", "0 1", "0 0 1", "0 0 0 1"}));
        QCOMPARE(rows(withCellLine({}, size, {-2, 1}, {9, 1}, 2)), (Rows{"", "2 2 2 2 2 2"}));
        QCOMPARE(rows(withCellLine({}, size, {1, 1}, {1, 1}, 5)), (Rows{"", "0 5"}));
        QCOMPARE(withCellLine({}, size, {1 << 30, 1 << 30}, {-(1 << 30), -(1 << 30)}, 5).size(), size_t{4});
        const CellMap box = withCellBox({}, size, {4, 2}, {1, 1}, 3);
        QCOMPARE(rows(box), (Rows{"", "0 3 3 3 3", "0 3 3 3 3"}));
        QCOMPARE(rows(withCellBox({}, size, {-5, -5}, {50, 0}, 3)), (Rows{"3 3 3 3 3 3"}));
        QCOMPARE(rows(withCellsFilled(box, size, {2, 2}, 7)), (Rows{"", "0 7 7 7 7", "0 7 7 7 7"}));
        QCOMPARE(rows(withCellsFilled(box, size, {0, 0}, 1)),
                 (Rows{"1 1 1 1 1 1", "1 3 3 3 3 1", "1 3 3 3 3 1", "1 1 1 1 1 1"}));
        QCOMPARE(withCellsFilled(box, size, {6, 0}, 1), box);
        QCOMPARE(withCellsFilled(box, size, {0, 0}, 0), box);
        // A cell that is taken away leaves no empty ends behind.
        QCOMPARE(rows(withCellBox(box, size, {0, 0}, {5, 3}, 0)), Rows{});
    }
};

GORSEFINCH_TEST(TestTiles, Nothing)
#include "tst_tiles.moc"
