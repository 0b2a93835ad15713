// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/sheet.h"

#include <QCheckBox>
#include <QComboBox>
#include <QFormLayout>
#include <QLineEdit>
#include <QTimer>
#include <QVBoxLayout>
#include <algorithm>

#include "app/screens/asset_samples.h"
#include "app/screens/looks_model.h"
#include "app/screens/property_row.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/fields.h"
#include "app/widgets/from_std.h"
#include "app/widgets/sample_combo.h"
#include "core/document/arrange.h"
#include "core/document/panel_keys.h"
#include "core/document/widget_tree.h"

namespace gorsefinch::app {

namespace {

struct Placed {
    std::string container;
    bool pages;  // each is as large as it
};

// What places one of the named widgets; nothing if none is placed.
std::optional<Placed> placedByFlow(const std::vector<WidgetRef>& widgets, const Names& names) {
    for (const size_t top : topmostOf(widgets, names))
        if (const int container = containerOf(widgets, top); container >= 0)
            if (const auto flow = flowOf(*widgets[static_cast<size_t>(container)], {}))
                return Placed{widgets[static_cast<size_t>(container)]->name, flow->pages};
    return std::nullopt;
}

}  // namespace

Sheet::Sheet(Session& session, CellBrush& brush, QWidget* parent)
    : QScrollArea(parent), session_(session), brush_(brush), looks_(new LooksModel(session, this)) {
    setObjectName("sheet");
    setWidgetResizable(true);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    connect(&session, &Session::changed, this, &Sheet::refresh);
    connect(&session.selection(), &Selection::changed, this, &Sheet::refresh);
    connect(&session.runner(), &TwinRunner::stepped, this, &Sheet::refreshResults);
    connect(&session.runner(), &TwinRunner::setShown, this, &Sheet::refresh);
}

void Sheet::focusName() {
    if (name_) {
        name_->setFocus();
        name_->selectAll();
    }
}

// The fields are made anew only when other kinds are selected or names in lists changed; else they are filled.
void Sheet::refresh() {
    if (!session_.isOpen())
        return;
    QString wanted;
    for (const WidgetRef& each : session_.selection().widgets())
        wanted += fromStd(each->name) + ":" + info(each->kind).key + " ";
    wanted += "|" + session_.selection().screenName();
    wanted += "|" + listedNames() + "|" + assemblySignature();
    if (wanted != builtFor_) {
        builtFor_ = wanted;
        rebuild();
    }
    for (const Row& row : rows_)
        row.fill();
}

// All names that lists of the sheet offer. Read again only when a table of the document was replaced.
const QString& Sheet::listedNames() {
    const Document& now = session_.document();
    if (listed_.looks == now.looks && listed_.variables == now.variables && listed_.images == now.images &&
        listed_.faces == now.faces)
        return listed_.names;
    listed_ = {now.looks, now.variables, now.images, now.faces, {}};
    const auto add = [this](const auto& list) {
        for (const auto& each : *list)
            listed_.names += "|" + fromStd(each.name);
    };
    add(now.looks);
    add(now.variables);
    add(now.images);
    add(now.faces);
    return listed_.names;
}

void Sheet::rebuild() {
    rows_.clear();
    following_.clear();
    name_ = nullptr;
    form_ = nullptr;
    // A field may be in the middle of giving on its value: the old page goes when it is done. Losing the focus is no
    // reason to give one on, as it would go to what is chosen now.
    if (QWidget* old = widget()) {
        for (QWidget* each : old->findChildren<QWidget*>())
            each->blockSignals(true);
        takeWidget()->deleteLater();
    }
    page_ = new QWidget;
    page_->setObjectName("sheet_page");
    column_ = new QVBoxLayout(page_);
    column_->setContentsMargins(0, 4, 0, 8);
    column_->setSpacing(6);
    const auto selected = session_.selection().widgets();
    if (selected.empty()) {
        buildScreen();
    } else {
        const Kind kind = selected.front()->kind;
        const bool same =
            std::all_of(selected.begin(), selected.end(), [&](const WidgetRef& w) { return w->kind == kind; });
        buildWidget(kind, same);
    }
    column_->addStretch(1);
    setWidget(page_);
}

void Sheet::addLine() {
    auto* line = new QFrame(page_);
    line->setProperty("rule", true);
    column_->addWidget(line);
    form_ = nullptr;
}

void Sheet::addHeading(const QString& text) {
    auto* heading = new QLabel(text, page_);
    heading->setProperty("heading", true);
    heading->setContentsMargins(12, 2, 12, 0);
    column_->addWidget(heading);
    form_ = nullptr;
}

void Sheet::addRow(const QString& caption, QWidget* field, const QString& help, std::function<void()> fill) {
    if (!form_) {
        form_ = new QFormLayout;
        form_->setContentsMargins(12, 0, 12, 0);
        form_->setHorizontalSpacing(8);
        form_->setVerticalSpacing(5);
        form_->setFieldGrowthPolicy(QFormLayout::AllNonFixedFieldsGrow);
        column_->addLayout(form_);
    }
    auto* label = new QLabel(caption, page_);
    label->setFixedWidth(82);
    label->setMinimumHeight(24);
    label->setAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    label->setProperty("quiet", true);
    label->setBuddy(field);
    if (!help.isEmpty())
        field->setToolTip(help);
    form_->addRow(label, field);
    rows_.push_back({label, std::move(fill)});
}

void Sheet::buildWidget(Kind kind, bool sameKind) {
    const auto selected = session_.selection().widgets();
    if (selected.size() == 1) {
        name_ = new QLineEdit(page_);
        name_->setObjectName("name");
        const std::string shown = selected.front()->name;
        addRow(info(kind).key, name_, tr("Its name on this screen (F2); rules and generated code use it"),
               [this, shown] {
                   if (!name_->hasFocus() || !name_->isModified())
                       name_->setText(fromStd(shown));
               });
        rows_.back().caption->setFont(Theme::text(12, true));
        rows_.back().caption->setProperty("quiet", false);
        connect(name_, &QLineEdit::editingFinished, this, [this, shown] {
            if (!name_->isModified())
                return;
            name_->setModified(false);
            const std::string to = name_->text().trimmed().toStdString();
            if (to == shown)
                return;
            if (session_.edit(
                    renameWidget(session_.document(), session_.selection().screenName().toStdString(), shown, to),
                    tr("Rename %1").arg(fromStd(shown))))
                session_.selection().select({to});
            else
                name_->setText(fromStd(shown));
        });
    } else {
        addHeading(tr("%1 widgets").arg(selected.size()));
    }
    addBox();
    if (selected.size() == 1)
        addPages();
    addLine();
    if (sameKind && kind == Kind::Assembly) {
        addInputs();
        addLine();
    } else if (sameKind) {
        std::string_view section;
        for (const PropertyInfo& property : info(kind).properties) {
            if (property.section != section)
                addHeading(tr(property.section));
            section = property.section;
            addProperty(property, false);
            if (property.type == PropertyType::Variable && !property.ofTexts && selected.size() == 1)
                addTrial(property);
            if (property.pivotKeys[0] && selected.size() == 1)
                addTurning(property);
        }
        if (!info(kind).properties.empty())
            addLine();
    }
    if (selected.size() == 1)
        addShownStates();
    addLook();
    unsigned traits = 0;
    for (const WidgetRef& each : selected)
        traits |= info(each->kind).traits;
    for (const PropertyInfo& property : styleProperties())
        if (property.needs == 0 || (traits & property.needs) != 0)
            addProperty(property, true);
    addLine();
    if (selected.size() == 1)
        addRules();
}

void Sheet::addBox() {
    auto* boxRow = new QWidget(page_);
    auto* row = new QHBoxLayout(boxRow);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(4);
    std::vector<NumberField*> fields;
    for (size_t i = 0; i < 4; ++i) {
        const PropertyInfo& property = placeProperties()[i];
        auto* field = new NumberField(property.min, property.max, property.key, boxRow);
        field->setObjectName(property.key);
        listenToNumbers(*field, property);
        row->addWidget(field);
        fields.push_back(field);
    }
    addRow(tr("Box"), boxRow, {}, [this, fields] {
        const auto selected = session_.selection().widgets();
        if (selected.empty())
            return;
        const auto placed = placedByFlow(session_.selection().screen()->widgets, session_.selection().names());
        for (size_t i = 0; i < 4; ++i) {
            const bool set = !placed || (i > 1 && !placed->pages);
            fields[i]->setEnabled(set);
            fields[i]->setToolTip(
                set ? tr("%1 in pixels; takes sums such as 320-24, w/2, panel.w-8 or +4").arg(placeProperties()[i].help)
                : i > 1 ? tr("It is as large as %1, whose page it is").arg(fromStd(placed->container))
                        : tr("%1 places it: drag it, or use the arrow keys, to give it another turn")
                              .arg(fromStd(placed->container)));
            fields[i]->setEach(sumValues(placeProperties()[i]));
            const auto value = common(placeProperties()[i]);
            fields[i]->setNumber(value ? std::optional(static_cast<int>(std::get<int64_t>(*value))) : std::nullopt);
        }
    });
    for (size_t i = 0; i < 4; ++i) {
        PropertyRow* expression = addFollowing(placeProperties()[i], nullptr, false, {});
        expression->listenTo(fields[i]);
    }
    const PropertyInfo& shown = placeProperties()[4];
    auto* visible = new QCheckBox(tr("at the start"), page_);
    visible->setObjectName("visible");
    visible->setMinimumHeight(24);
    visible->setToolTip(tr("Whether it shows when the interface starts; rules can change it"));
    connect(visible, &QCheckBox::clicked, this, [this, &shown](bool on) { set(shown, on); });
    addFollowing(shown, visible, false, [this, visible, &shown] {
        const auto value = common(shown);
        visible->setTristate(!value);
        visible->setCheckState(!value ? Qt::PartiallyChecked : std::get<bool>(*value) ? Qt::Checked : Qt::Unchecked);
    });
    addProperty(*findIn(placeProperties(), "opacity"), false);
    addProperty(*findIn(placeProperties(), "enabled"), false);
    const auto selected = session_.selection().widgets();
    const bool touched = std::all_of(selected.begin(), selected.end(),
                                     [](const WidgetRef& each) { return info(each->kind).has(kIsTouched); });
    if (touched)
        addProperty(*findIn(placeProperties(), "touch_margin"), false);
    if (touched && hasKeys(*session_.document().panel))
        addProperty(*findIn(placeProperties(), "focus"), false);
    addProperty(*findIn(placeProperties(), "anchors"), false);
    addSeries();
}

void Sheet::addLook() {
    auto* box = new SampleCombo(page_);
    box->setObjectName("look");
    box->addItem(tr("none"), QString());
    for (const Look& look : *session_.document().looks)
        box->addItem(fromStd(look.name), fromStd(look.name));
    box->setSamples(
        [this, box](int entry) { return lookSample(*looks_, box->itemData(entry).toString(), box->itemText(entry)); });
    connect(box, &SampleCombo::previewed, this,
            [this, box](int at) { preview("look", box->itemData(at).toString().toStdString()); });
    connect(box, &SampleCombo::previewEnded, this, [this] { session_.endPreview(); });
    connect(box, &QComboBox::activated, this, [this, box](int at) {
        const Names names = selectedNames();
        session_.edit(gorsefinch::setProperty(session_.document(), session_.selection().screenName().toStdString(),
                                              names, "look", box->itemData(at).toString().toStdString()),
                      tr("Change look"));
    });
    addRow(tr("Look"), box, tr("Colours, border, font and padding by name; what is set below is this widget's own"),
           [this, box] {
               const auto selected = session_.selection().widgets();
               if (selected.empty())
                   return;
               const std::string look = selected.front()->look;
               const bool same =
                   std::all_of(selected.begin(), selected.end(), [&](const WidgetRef& w) { return w->look == look; });
               box->setCurrentIndex(same ? box->findData(fromStd(look)) : -1);
           });
}

void Sheet::addProperty(const PropertyInfo& property, bool style) {
    std::function<void()> fill;
    QWidget* field = makeField(property, fill);
    field->setObjectName(property.key);
    field->setToolTip(property.help);
    addFollowing(property, field, style, std::move(fill));
}

Names Sheet::selectedNames() const {
    Names names;
    for (const WidgetRef& w : session_.selection().widgets())
        names.push_back(w->name);
    return names;
}

std::optional<PropertyValue> Sheet::common(const PropertyInfo& property) const {
    std::optional<PropertyValue> value;
    for (const WidgetRef& w : session_.selection().widgets()) {
        if (!findProperty(w->kind, property.key))
            continue;
        const PropertyValue each = effectiveValue(session_.document(), *w, property.key);
        if (value && *value != each)
            return std::nullopt;
        value = each;
    }
    return value;
}

std::string Sheet::commonName(const PropertyInfo& property) const {
    std::optional<std::string> out;
    for (const WidgetRef& w : having(property)) {
        const PropertyValue set = effectiveSetting(session_.document(), *w, property.key);
        if (out && *out != nameIn(set))
            return {};
        out = nameIn(set);
    }
    return out.value_or(std::string());
}

bool Sheet::isOwn(const PropertyInfo& property) const {
    const auto selected = session_.selection().widgets();
    return std::any_of(selected.begin(), selected.end(),
                       [&](const WidgetRef& w) { return w->properties.count(property.key) != 0; });
}

void Sheet::listenToNumbers(NumberField& field, const PropertyInfo& property) {
    connect(&field, &NumberField::numberChosen, this,
            [this, &property](int number) { set(property, int64_t{number}, true); });
    connect(&field, &NumberField::numbersChosen, this,
            [this, &property](const std::vector<int>& numbers) { setEach(property, numbers); });
}

// The selected widgets that have the property.
std::vector<WidgetRef> Sheet::having(const PropertyInfo& property) const {
    std::vector<WidgetRef> out = session_.selection().widgets();
    std::erase_if(out, [&](const WidgetRef& each) { return !findProperty(each->kind, property.key); });
    return out;
}

std::vector<SumValues> Sheet::sumValues(const PropertyInfo& property) const {
    const auto& panel = *session_.document().panel;
    std::vector<SumValues> out;
    for (const WidgetRef& each : having(property)) {
        const PropertyValue own = effectiveValue(session_.document(), *each, property.key);
        out.push_back({double(each->x), double(each->y), double(each->w), double(each->h), double(panel.width),
                       double(panel.height), static_cast<double>(std::get<int64_t>(own))});
    }
    return out;
}

// Another number for each of the selected widgets that have the property: one edit.
void Sheet::setEach(const PropertyInfo& property, const std::vector<int>& numbers) {
    Result<Document> next = session_.document();
    const std::vector<WidgetRef> widgets = having(property);
    for (size_t i = 0; i < std::min(widgets.size(), numbers.size()) && next; ++i)
        next = gorsefinch::setProperty(*next, session_.selection().screenName().toStdString(),
                                       std::span(&widgets[i]->name, 1), property.key, int64_t{numbers[i]});
    session_.edit(next, tr("Change %1").arg(QString(property.label).toLower()), QString("set ") + property.key);
}

void Sheet::set(const PropertyInfo& property, const PropertyValue& value, bool joins) {
    const Names names = selectedNames();
    if (names.empty())
        return;
    session_.edit(gorsefinch::setProperty(session_.document(), session_.selection().screenName().toStdString(), names,
                                          property.key, value),
                  tr("Change %1").arg(QString(property.label).toLower()),
                  joins ? QString("set ") + property.key : QString());
}

}  // namespace gorsefinch::app
