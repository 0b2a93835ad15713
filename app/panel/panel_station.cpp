// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/panel/panel_station.h"

#include <QCheckBox>
#include <QComboBox>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QScrollArea>
#include <QVBoxLayout>
#include <cmath>

#include "app/panel/panel_picture.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/fields.h"
#include "app/widgets/frame_picture.h"
#include "core/document/names.h"
#include "core/document/panel_keys.h"
#include "core/document/panel_outputs.h"
#include "core/emit/costs.h"
#include "core/rules/transition_words.h"
#include "core/sim/draw_screen.h"

namespace gorsefinch::app {

PanelStation::PanelStation(Session& session, QWidget* parent) : Station(parent), session_(session) {
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    row->addWidget(makeForm());
    row->addWidget(makePictures(), 1);
    connect(&session, &Session::changed, this, &PanelStation::refresh);
}

QString PanelStation::figure() const {
    const Panel& panel = *session_.document().panel;
    return QString("%1x%2 %3-bit").arg(panel.width).arg(panel.height).arg(info(panel.format).bits);
}

bool PanelStation::goTo(const Problem& problem) {
    return problem.place.starts_with("panel") || problem.place == "the project";
}

QFormLayout* PanelStation::section(const QString& title, QWidget* page) {
    auto* heading = new QLabel(title, page);
    heading->setProperty("heading", true);
    heading->setContentsMargins(0, 10, 0, 2);
    static_cast<QVBoxLayout*>(page->layout())->addWidget(heading);
    auto* form = new QFormLayout;
    form->setHorizontalSpacing(8);
    form->setVerticalSpacing(5);
    static_cast<QVBoxLayout*>(page->layout())->addLayout(form);
    return form;
}

namespace {

constexpr uint32_t kSettled = 2000;  // ms after the start

QLabel* caption(const QString& text, QWidget* field) {
    auto* label = new QLabel(text);
    label->setProperty("quiet", true);
    label->setFixedWidth(108);
    label->setMinimumHeight(24);
    label->setBuddy(field);
    return label;
}

}  // namespace

void PanelStation::addRow(QFormLayout& form, const QString& text, QWidget* field) {
    form.addRow(caption(text, field), field);
}

void PanelStation::edit(const QString& label, const std::function<void(Panel&)>& change) {
    Panel panel = *session_.document().panel;
    change(panel);
    session_.edit(withPanel(session_.document(), panel), label, "panel " + label);
}

void PanelStation::number(QFormLayout* form, const QString& text, const QString& name, const QString& unit, int min,
                          int max, const QString& help, int64_t (*get)(const Panel&), void (*set)(Panel&, int64_t)) {
    auto* field = new NumberField(min, max, unit, this);
    field->setObjectName(name);
    field->setToolTip(help);
    connect(field, &NumberField::numberChosen, this, [this, text, set](int value) {
        edit(tr("Change %1").arg(text.toLower()), [&](Panel& panel) { set(panel, value); });
    });
    fills_.append([this, field, get] { field->setNumber(static_cast<int>(get(*session_.document().panel))); });
    form->addRow(caption(text, field), field);
}

void PanelStation::yesNo(QFormLayout* form, const QString& text, const QString& name, const QString& help,
                         bool Panel::*member) {
    auto* field = new QCheckBox(help, this);
    field->setMinimumHeight(24);
    field->setObjectName(name);
    connect(field, &QCheckBox::clicked, this, [this, text, member](bool on) {
        edit(tr("Change %1").arg(text.toLower()), [&](Panel& panel) { panel.*member = on; });
    });
    fills_.append([this, field, member] { field->setChecked((*session_.document().panel).*member); });
    form->addRow(caption(text, field), field);
}

void PanelStation::choice(QFormLayout* form, const QString& text, const QString& name, const QStringList& choices,
                          const QString& help, const std::function<QString(const Panel&)>& get,
                          std::function<void(Panel&, const QString&)> set) {
    auto* field = new QComboBox(this);
    field->setObjectName(name);
    field->addItems(choices);
    field->setToolTip(help);
    connect(field, &QComboBox::activated, this, [this, text, field, set](int) {
        edit(tr("Change %1").arg(text.toLower()), [&](Panel& panel) { set(panel, field->currentText()); });
    });
    fills_.append([this, field, get] { field->setCurrentText(get(*session_.document().panel)); });
    form->addRow(caption(text, field), field);
}

void PanelStation::makeProject(QWidget* page) {
    QFormLayout* project = section(tr("Project"), page);
    auto* name = new QLineEdit(page);
    name->setObjectName("project_name");
    name->setToolTip(tr("The prefix of every name in generated code"));
    connect(name, &QLineEdit::editingFinished, this, [this, name] {
        if (!name->isModified())
            return;
        name->setModified(false);
        const std::string to = name->text().trimmed().toStdString();
        if (const auto error = nameError(to)) {
            session_.showError(QString::fromStdString(*error));
            name->setText(QString::fromStdString(session_.document().name));
            return;
        }
        Document next = session_.document();
        next.name = to;
        session_.edit(next, tr("Rename project"));
    });
    fills_.append([this, name] { name->setText(QString::fromStdString(session_.document().name)); });
    project->addRow(caption(tr("Name"), name), name);
    makeTransition(project);
    makeKeyboard(project);
}

// The letters of keyboards that come by themselves.
void PanelStation::makeKeyboard(QFormLayout* form) {
    auto* field = new QComboBox(this);
    field->setObjectName("keyboard");
    for (const char* each : keyboardSettings())
        field->addItem(QString(each));
    field->setToolTip(
        tr("The letters of the keyboards that come by themselves with a field; none: rules open the keyboards"));
    connect(field, &QComboBox::activated, this, [this, field](int) {
        const std::string chosen = field->currentText().toStdString();
        edit(tr("Change keyboard"), [&](Panel& panel) { panel.keyboard = chosen; });
    });
    fills_.append(
        [this, field] { field->setCurrentText(QString::fromStdString(session_.document().panel->keyboard)); });
    form->addRow(caption(tr("Keyboard"), field), field);
}

// Any that rules can say may be written, too.
void PanelStation::makeTransition(QFormLayout* form) {
    auto* field = new QComboBox(this);
    field->setObjectName("transition");
    field->setEditable(true);
    field->setInsertPolicy(QComboBox::NoInsert);
    for (const std::string& each : offeredTransitions())
        field->addItem(QString::fromStdString(each));
    field->setToolTip(
        tr("How screens follow one another where rules say nothing else: choose, or write a time and how it eases, as "
           "in: slide left 400 ms, ease both"));
    const auto take = [this, field] {
        const std::string words = field->currentText().trimmed().toStdString();
        const std::string now = session_.document().panel->transition;
        if (words == (now.empty() ? "cut" : now))
            return;
        std::string wrong;
        (void)readTransition(words, [&](const Token&, const std::string& reason, const std::string& remedy) {
            wrong = reason + ". " + remedy;
        });
        if (!wrong.empty()) {
            session_.showError(QString::fromStdString(wrong));
            field->setCurrentText(now.empty() ? QString("cut") : QString::fromStdString(now));
            return;
        }
        edit(tr("Change transition"), [&](Panel& panel) { panel.transition = words == "cut" ? "" : words; });
    };
    connect(field, &QComboBox::activated, this, take);
    connect(field->lineEdit(), &QLineEdit::editingFinished, this, take);
    fills_.append([this, field] {
        const std::string& words = session_.document().panel->transition;
        field->setCurrentText(words.empty() ? QString("cut") : QString::fromStdString(words));
    });
    form->addRow(caption(tr("Transition"), field), field);
}

void PanelStation::makeSize(QWidget* page) {
    QFormLayout* size = section(tr("Picture"), page);
    side(size, tr("Width"), "panel_width", tr("Columns of the interface as the user sees it"), &Panel::width);
    side(size, tr("Height"), "panel_height", tr("Rows of the interface as the user sees it"), &Panel::height);
    makeResizing(size);
    number(
        size, tr("Real width"), "panel_width_mm", "mm", 0, kMaxPanelMm,
        tr("How wide the picture is on the glass; 0: unknown. A press scrolls after 0.8 mm, or 6 pixels"),
        [](const Panel& p) -> int64_t { return p.widthMm; },
        [](Panel& p, int64_t v) { p.widthMm = static_cast<int>(v); });
    yesNo(size, tr("Round"), "panel_round", tr("the glass shows a circle of it"), &Panel::round);
    QStringList formats;
    for (const PixelFormatInfo& each : pixelFormats())
        if (each.panel)
            formats << each.key;
    choice(
        size, tr("Pixel format"), "panel_format", formats, tr("How pixels lie in the panel's memory"),
        [](const Panel& p) { return QString(info(p.format).key); },
        [](Panel& p, const QString& key) { p.format = pixelFormatByKey(key.toStdString())->format; });
}

void PanelStation::makeMounting(QWidget* page) {
    QFormLayout* mount = section(tr("Mounting and wiring: when the first picture is wrong"), page);
    choice(
        mount, tr("Turned"), "panel_turn", {"0°", "90°", "180°", "270°"},
        tr("How far the panel's memory is turned clockwise against the picture"),
        [](const Panel& p) { return QString("%1°").arg(p.turn); },
        [](Panel& p, const QString& t) { p.turn = t.chopped(1).toInt(); });
    yesNo(mount, tr("Mirror columns"), "mirror_x", tr("left and right are exchanged"), &Panel::mirrorX);
    yesNo(mount, tr("Mirror rows"), "mirror_y", tr("top and bottom are exchanged"), &Panel::mirrorY);
    yesNo(mount, tr("Invert"), "invert", tr("dark shows as light"), &Panel::invert);
    yesNo(mount, tr("Red and blue"), "swap_red_blue", tr("red shows as blue"), &Panel::swapRedBlue);
    number(
        mount, tr("First column"), "column_offset", "px", 0, kMaxPanelSide,
        tr("Columns of the panel's memory left of the picture: a shifted picture needs them"),
        [](const Panel& p) -> int64_t { return p.columnOffset; },
        [](Panel& p, int64_t v) { p.columnOffset = static_cast<int>(v); });
    number(
        mount, tr("First row"), "row_offset", "px", 0, kMaxPanelSide,
        tr("Rows of the panel's memory above the picture"), [](const Panel& p) -> int64_t { return p.rowOffset; },
        [](Panel& p, int64_t v) { p.rowOffset = static_cast<int>(v); });
}

void PanelStation::makeInput(QWidget* page) {
    QFormLayout* input = section(tr("Input"), page);
    yesNo(input, tr("Touch"), "touch", tr("the panel can be touched"), &Panel::touch);
    yesNo(input, tr("Touch mapped"), "touch_mapped", tr("resistive: firmware maps it"), &Panel::touchMapped);
    yesNo(input, tr("Knob"), "knob", tr("it has one that turns and is pushed"), &Panel::knob);
    makeKeys(input);
    yesNo(input, tr("Focus wraps"), "focus_wraps", tr("from the last widget to the first"), &Panel::focusWraps);
    number(
        input, tr("Hold"), "hold_ms", "ms", kMinHoldMs, kMaxHoldMs,
        tr("How long something is pressed until rules see its hold"),
        [](const Panel& p) -> int64_t { return p.holdMs; },
        [](Panel& p, int64_t v) { p.holdMs = static_cast<int>(v); });
}

void PanelStation::makeKeys(QFormLayout* form) {
    auto* field = new QLineEdit(this);
    field->setObjectName("keys");
    field->setPlaceholderText(tr("none: up, down, enter, back, menu"));
    field->setToolTip(
        tr("The panel's keys by name, separated by commas. up, down, left, right, enter and back act on the "
           "focus; others are for rules, as in: on key menu"));
    connect(field, &QLineEdit::editingFinished, this, [this, field] {
        if (!field->isModified())
            return;
        field->setModified(false);
        const std::vector<std::string> keys =
            field->text().trimmed().isEmpty() ? std::vector<std::string>() : listFromText(field->text().toStdString());
        if (const auto error = keysError(keys)) {
            session_.showError(QString::fromStdString(*error));
            refresh();
            return;
        }
        edit(tr("Change keys"), [&](Panel& panel) { panel.keys = keys; });
    });
    fills_.append(
        [this, field] { field->setText(QString::fromStdString(choicesInWords(session_.document().panel->keys))); });
    form->addRow(caption(tr("Keys"), field), field);
}

void PanelStation::makeOutputs(QWidget* page) {
    QFormLayout* form = section(tr("Outputs: rules set them, as in panel.light = 60"), page);
    for (size_t i = 0; i < kPanelOutputs; ++i)
        makeOutput(form, i);
    yesNo(form, tr("Sound"), "output_sound", tr("it can play tones"), &Panel::sound);
}

// Whether the panel has an output, and what it starts with.
void PanelStation::makeOutput(QFormLayout* form, size_t output) {
    const PanelOutput& info = panelOutputs()[output];
    auto* has = new QCheckBox(tr(info.help), this);
    has->setMinimumHeight(24);
    has->setObjectName(QString("output_%1").arg(info.key));
    has->setToolTip(tr("Rules, expressions and controls know it as panel.%1; the firmware writes one function for it")
                        .arg(info.key));
    const auto change = [this, output, &info](std::optional<int> start) {
        edit(tr("Change %1").arg(tr(info.words).toLower()), [&](Panel& panel) { panel.outputs[output] = start; });
    };
    connect(has, &QCheckBox::clicked, this,
            [change, &info](bool on) { change(on ? std::optional(info.usual) : std::nullopt); });
    auto* row = new QWidget(this);
    auto* layout = new QVBoxLayout(row);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(2);
    layout->addWidget(has);
    if (info.type == VariableType::YesNo) {
        fills_.append([this, has, output] { has->setChecked(session_.document().panel->outputs[output].has_value()); });
    } else {
        auto* start = new NumberField(0, info.max, tr("at the start"), this);
        start->setObjectName(QString("output_%1_start").arg(info.key));
        layout->addWidget(start);
        connect(start, &NumberField::numberChosen, this, [change](int value) { change(value); });
        fills_.append([this, has, start, output] {
            const auto& value = session_.document().panel->outputs[output];
            has->setChecked(value.has_value());
            start->setVisible(value.has_value());
            start->setNumber(value.value_or(0));
        });
    }
    form->addRow(caption(tr(info.words), has), row);
}

void PanelStation::makeController(QWidget* page) {
    QFormLayout* target = section(tr("Controller"), page);
    choice(
        target, tr("Kind"), "word_bits", {tr("32-bit"), tr("8-bit")}, tr("8-bit: constants lie in program memory"),
        [](const Panel& p) { return p.wordBits == 8 ? tr("8-bit") : tr("32-bit"); },
        [](Panel& p, const QString& t) { p.wordBits = t == tr("8-bit") ? 8 : 32; });
    yesNo(target, tr("Hooks required"), "hooks_required", tr("firmware must write each of them"),
          &Panel::hooksRequired);
    number(
        target, tr("Draw buffer"), "strip_lines", "lines", 1, kMaxPanelSide,
        tr("Lines drawn at a time: fewer take less RAM, more are faster"),
        [](const Panel& p) -> int64_t { return p.stripLines; },
        [](Panel& p, int64_t v) { p.stripLines = static_cast<int>(v); });
    number(
        target, tr("Flash"), "flash_budget", "KB", 0, 4194303,
        tr("Budget for the interface: code, screens, images, fonts"),
        [](const Panel& p) { return p.flashBytes / 1024; }, [](Panel& p, int64_t v) { p.flashBytes = v * 1024; });
    number(
        target, tr("RAM"), "ram_budget", "KB", 0, 4194303, tr("Budget for the interface: state and draw buffer"),
        [](const Panel& p) { return p.ramBytes / 1024; }, [](Panel& p, int64_t v) { p.ramBytes = v * 1024; });
}

QWidget* PanelStation::makeForm() {
    auto* page = new QWidget;
    auto* column = new QVBoxLayout(page);
    column->setContentsMargins(16, 4, 16, 16);
    column->setSpacing(2);
    makeProject(page);
    makeSize(page);
    makeMounting(page);
    makeInput(page);
    makeOutputs(page);
    makeController(page);
    facts_ = new QLabel(page);
    facts_->setFont(Theme::figures());
    facts_->setContentsMargins(0, 14, 0, 0);
    column->addWidget(facts_);
    column->addStretch(1);
    auto* scroll = new QScrollArea(this);
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setObjectName("panel_form");
    scroll->setFixedWidth(380);
    scroll->setWidget(page);
    return scroll;
}

QWidget* PanelStation::makePictures() {
    auto* page = new QWidget(this);
    auto* column = new QVBoxLayout(page);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(1);
    seen_ = new PanelPicture(tr("What the user sees"), page);
    held_ = new PanelPicture(tr("What the panel's memory holds"), page);
    column->addWidget(seen_, 1);
    column->addWidget(held_, 1);
    return page;
}

void PanelStation::showEvent(QShowEvent* event) {
    Station::showEvent(event);
    refresh();
}

// While the station is hidden it does nothing: its pictures and sums would be made anew at every step of a drag.
void PanelStation::refresh() {
    if (!isVisible() || !session_.isOpen())
        return;
    for (const auto& fill : fills_)
        fill();
    const BuiltScene& scene = *session_.scene();
    const Panel& panel = *session_.document().panel;
    const PanelMemory seen = drawScreen(scene, session_.selection().screenIndex(), &session_.runner().twin());
    seen_->setPicture(toImage(seen), tr("%1 x %2 pixels").arg(panel.width).arg(panel.height), panel);
    Twin held(session_.scene(), Twin::View::Panel);
    held.go(session_.selection().screenIndex());
    held.step(0);
    // What the interface begins with has come together then.
    held.step(kSettled);
    const PanelMemory& memory = held.memory();
    held_->setPicture(toImage(memory),
                      tr("%1 columns x %2 rows, %3, %4 bytes")
                          .arg(memory.width())
                          .arg(memory.height())
                          .arg(info(panel.format).key)
                          .arg(memory.bytes().size()),
                      {});
    const Costs& costs = session_.costs();
    facts_->setText(tr("one full picture %1 B\ndraw buffer      %2 B\nstate            %3 B\nstack, at most   %4 B")
                        .arg(packedBytes(panel.format, panel.width, panel.height), 7)
                        .arg(costs.buffer, 7)
                        .arg(costs.state, 7)
                        .arg(costs.stack, 7));
}

}  // namespace gorsefinch::app
