// SPDX-License-Identifier: GPL-3.0-or-later
// The rows of the sheet about assemblies: the inputs of uses, and what an assembly is while it is edited.
#include <QComboBox>
#include <QHBoxLayout>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>
#include <algorithm>

#include "app/screens/assembly_dialog.h"
#include "app/screens/named_choices.h"
#include "app/screens/sheet.h"
#include "app/session/session.h"
#include "app/widgets/fields.h"
#include "app/widgets/from_std.h"
#include "core/edits/assembly_edits.h"

namespace gorsefinch::app {

namespace {

template <typename T>
void addNames(QComboBox& to, const std::vector<T>& all) {
    for (const T& each : all)
        to.addItem(fromStd(each.name));
}

// What an input can be set to, as far as that is a list.
void fillChoices(QComboBox& to, const AssemblyInput& input, const Document& document) {
    switch (input.type) {
        case InputType::YesNo: to.addItems({"yes", "no"}); break;
        case InputType::Choice:
            for (const std::string& each : input.choices)
                to.addItem(fromStd(each));
            break;
        case InputType::Variable: addNames(to, *document.variables); break;
        case InputType::Image: addNames(to, *document.images); break;
        case InputType::Look: addNames(to, *document.looks); break;
        case InputType::Size: addNames(to, document.named->sizes); break;
        default: break;
    }
}

}  // namespace

// The assembly that all selected widgets are uses of; null if there is none.
std::shared_ptr<const Assembly> Sheet::commonAssembly() const {
    const auto selected = session_.selection().widgets();
    const std::string of = selected.empty() ? std::string() : assemblyOf(*selected.front());
    const bool same =
        std::all_of(selected.begin(), selected.end(), [&](const WidgetRef& each) { return assemblyOf(*each) == of; });
    const ScreenRef screen = same && !of.empty() ? assemblyScreen(session_.document(), of) : nullptr;
    return screen ? screen->assembly : nullptr;
}

QString Sheet::assemblySignature() const {
    const auto assembly = commonAssembly();
    QString out;
    for (const AssemblyInput& each : assembly ? assembly->inputs : std::vector<AssemblyInput>())
        if (!each.inner)
            out += fromStd(each.name) + toKey(each.type) + fromStd(each.start + each.help) +
                   fromStd(choicesInWords(each.choices));
    for (const ScreenRef& each : session_.document().screens)
        if (each->assembly)
            out += "/" + fromStd(each->name);
    return out;
}

void Sheet::addInputs() {
    auto* of = new QComboBox(page_);
    of->setObjectName("of");
    for (const ScreenRef& each : session_.document().screens)
        if (mayUse(session_.document(), *session_.selection().screen(), each->name))
            of->addItem(fromStd(each->name));
    connect(of, &QComboBox::activated, this,
            [this, of](int at) { set(*findProperty(Kind::Assembly, kOfKey), of->itemText(at).toStdString()); });
    addRow(tr("Assembly"), of, tr("What it is a use of; a double click on the canvas goes there"), [this, of] {
        const auto value = common(*findProperty(Kind::Assembly, kOfKey));
        of->setCurrentIndex(value ? of->findText(fromStd(std::get<std::string>(*value))) : -1);
    });
    const auto assembly = commonAssembly();
    for (const AssemblyInput& each : assembly ? assembly->inputs : std::vector<AssemblyInput>())
        if (!each.inner)
            addInput(each);
}

// What all selected uses set; nothing if they differ.
std::optional<std::string> Sheet::commonInput(const std::string& input) const {
    std::optional<std::string> out;
    for (const WidgetRef& each : session_.selection().widgets()) {
        const auto found = each->inputs.find(input);
        const std::string text = found == each->inputs.end() ? std::string() : found->second;
        if (out && *out != text)
            return std::nullopt;
        out = text;
    }
    return out;
}

void Sheet::giveInput(const std::string& input, const std::string& text) {
    if (commonInput(input) != text)
        session_.edit(setInput(session_.document(), session_.selection().screenName().toStdString(), selectedNames(),
                               input, text),
                      tr("Set %1").arg(fromStd(input)), fromStd("input " + input));
    for (const Row& row : rows_)
        row.fill();
}

void Sheet::addInput(const AssemblyInput& input) {
    const QString id = fromStd("input_" + input.name);
    const QString start = input.start.empty() ? tr("not set") : fromStd(input.start);
    QString help = fromStd(input.help);
    if (input.isValue() && input.type != InputType::Text)
        help += (help.isEmpty() ? "" : "\n") + tr("Takes an expression such as = level * 2, too");
    if (input.type == InputType::Colour) {
        auto* field = new ColourField(page_);
        field->setObjectName(id);
        const auto give = [this, name = input.name](Colour colour) { giveInput(name, toText(colour)); };
        connect(field, &ColourField::colourChosen, this, give);
        connect(field, &ColourField::chosenLive, this, give);
        connect(field, &ColourField::nameChosen, this,
                [this, name = input.name](const std::string& chosen) { giveInput(name, chosen); });
        addRow(fromStd(input.name), field, help, [this, field, input] {
            const std::string text = commonInput(input.name).value_or(std::string());
            const std::string shown = text.empty() ? input.start : text;
            const auto colour = colourFromText(shown);
            const NamedColour* named = session_.document().named->colour(shown);
            field->setOffered(offeredColours(session_));
            field->setColour(colour  ? *colour
                             : named ? named->inSets[shownSet(session_)]
                                     : Colour{},
                             named ? shown : std::string());
        });
        return;
    }
    QComboBox* list = nullptr;
    if (input.type != InputType::Text && input.type != InputType::Number) {
        list = new QComboBox(page_);
        list->setEditable(true);
        list->setInsertPolicy(QComboBox::NoInsert);
        fillChoices(*list, input, session_.document());
        connect(list, &QComboBox::activated, this,
                [this, list, name = input.name](int at) { giveInput(name, list->itemText(at).toStdString()); });
    }
    auto* edit = list ? list->lineEdit() : new QLineEdit(page_);
    QWidget* field = list ? static_cast<QWidget*>(list) : edit;
    field->setObjectName(id);
    connect(edit, &QLineEdit::editingFinished, this, [this, edit, name = input.name] {
        if (!edit->isModified())
            return;
        edit->setModified(false);
        giveInput(name, edit->text().trimmed().toStdString());
    });
    addRow(fromStd(input.name), field, help, [this, edit, start, name = input.name] {
        if (edit->hasFocus() && edit->isModified())
            return;
        const auto text = commonInput(name);
        edit->setPlaceholderText(text ? start : tr("different"));
        edit->setText(fromStd(text.value_or(std::string())));
    });
}

void Sheet::addAssembly() {
    auto* sides = new QWidget(page_);
    auto* line = new QHBoxLayout(sides);
    line->setContentsMargins(0, 0, 0, 0);
    line->setSpacing(4);
    std::vector<std::pair<NumberField*, int Assembly::*>> fields;
    for (const auto& [id, side] :
         {std::pair("assembly_width", &Assembly::width), {"assembly_height", &Assembly::height}}) {
        auto* field = new NumberField(1, kMaxPanelSide, "px", sides);
        field->setObjectName(id);
        line->addWidget(field);
        fields.emplace_back(field, side);
        connect(field, &NumberField::numberChosen, this, [this, side = side](int number) {
            Assembly next = *session_.selection().screen()->assembly;
            next.*side = number;
            session_.edit(withAssembly(session_.document(), session_.selection().screenName().toStdString(), next),
                          tr("Change the size of the assembly"));
        });
    }
    addRow(tr("Size"), sides,
           tr("Width and height of a new use; what keeps its distance from edges follows those of a use"),
           [this, fields] {
               for (const auto& [field, side] : fields)
                   if (const auto& assembly = session_.selection().screen()->assembly)
                       field->setNumber((*assembly).*side);
           });
    auto* inputs = new QPushButton(page_);
    inputs->setObjectName("edit_inputs");
    connect(inputs, &QPushButton::clicked, this,
            [this] { AssemblyDialog(session_, session_.selection().screenName().toStdString(), this).exec(); });
    addRow(
        tr("Inputs"), inputs, tr("What can be set on each use, its own variables, and the events that it tells"),
        [this, inputs] {
            const auto& assembly = session_.selection().screen()->assembly;
            if (!assembly)
                return;
            const size_t in = assembly->inputs.size(), told = assembly->events.size();
            inputs->setText(in + told == 0 ? tr("none yet\u2026") : tr("%1 inputs, %2 events\u2026").arg(in).arg(told));
        });
}

}  // namespace gorsefinch::app
