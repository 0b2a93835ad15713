// SPDX-License-Identifier: GPL-3.0-or-later
// The rows of the sheet about what is shown several times: a widget's series, a screen's backing screens.
#include <QHBoxLayout>
#include <QMenu>
#include <QPushButton>
#include <algorithm>

#include "app/screens/sheet.h"
#include "app/session/session.h"
#include "app/widgets/fields.h"
#include "app/widgets/from_std.h"
#include "core/edits/backing_edits.h"

namespace gorsefinch::app {

namespace {

bool isSeries(const std::vector<WidgetRef>& widgets) {
    return std::any_of(widgets.begin(), widgets.end(),
                       [](const WidgetRef& each) { return each->seriesColumns * each->seriesRows > 1; });
}

QString listed(const Names& names) {
    QStringList out;
    for (const std::string& each : names)
        out.append(fromStd(each));
    return out.join(", ");
}

}  // namespace

void Sheet::addSeries() {
    const auto pair = [this](const char* first, const char* second, const QString& between) {
        auto* row = new QWidget(page_);
        auto* line = new QHBoxLayout(row);
        line->setContentsMargins(0, 0, 0, 0);
        line->setSpacing(4);
        std::vector<std::pair<NumberField*, const PropertyInfo*>> fields;
        for (const char* key : {first, second}) {
            const PropertyInfo& property = *findIn(placeProperties(), key);
            auto* field = new NumberField(property.min, property.max, property.unit, row);
            field->setObjectName(key);
            field->setToolTip(QString::fromUtf8(property.help));
            if (key == second && !between.isEmpty())
                line->addWidget(new QLabel(between, row));
            line->addWidget(field);
            fields.emplace_back(field, &property);
        }
        return std::pair(row, fields);
    };
    const auto fill = [this](const auto& fields) {
        for (const auto& [field, property] : fields) {
            field->setEach(sumValues(*property));
            const auto value = common(*property);
            field->setNumber(value ? std::optional(static_cast<int>(std::get<int64_t>(*value))) : std::nullopt);
        }
    };
    const auto [sides, sideFields] = pair("series_columns", "series_rows", QStringLiteral("\u00d7"));
    for (const auto& [field, property] : sideFields)
        connect(field, &NumberField::numberChosen, this, [this, property = property](int number) {
            session_.edit(setSeriesSide(session_.document(), session_.selection().screenName().toStdString(),
                                        selectedNames(), *property, number),
                          tr("Repeat in a series"), QString::fromUtf8(property->key));
        });
    addRow(tr("Series"), sides, {}, [fill, sideFields = sideFields] { fill(sideFields); });
    const auto [steps, stepFields] = pair("series_x", "series_y", {});
    for (const auto& [field, property] : stepFields)
        listenToNumbers(*field, *property);
    addRow(tr("Step"), steps, {}, {});
    rows_.back().fill = [this, fill, caption = rows_.back().caption, steps = steps, stepFields = stepFields] {
        const bool shown = isSeries(session_.selection().widgets());
        steps->setVisible(shown);
        caption->setVisible(shown);
        fill(stepFields);
    };
}

void Sheet::addBacking() {
    const QString help =
        tr("Their widgets show on this screen too, their rules hold there; they are changed in one place");
    for (const auto& [caption, list, id] :
         {std::tuple(tr("Below it"), &Screen::below, "below"), std::tuple(tr("Above it"), &Screen::above, "above")}) {
        auto* button = new QPushButton(page_);
        button->setObjectName(id);
        button->setProperty("list", true);
        auto* menu = new QMenu(button);
        button->setMenu(menu);
        connect(menu, &QMenu::aboutToShow, this, [this, menu, list = list] { fillBackings(*menu, list); });
        addRow(caption, button, help, [this, button, list = list] {
            const Names& names = (*session_.selection().screen()).*list;
            // A style sheet gives the text of a button with a menu no padding.
            button->setText(" " + (names.empty() ? tr("no backing screen") : listed(names)));
        });
    }
}

void Sheet::fillBackings(QMenu& menu, Names Screen::*list) {
    menu.clear();
    const Screen& shown = *session_.selection().screen();
    for (const ScreenRef& each : session_.document().screens) {
        if (each->name == shown.name || each->assembly)
            continue;
        const Names& names = shown.*list;
        const bool has = std::find(names.begin(), names.end(), each->name) != names.end();
        QAction* entry = menu.addAction(fromStd(each->name), this, [this, list, name = each->name, has] {
            changeScreen(
                [&](Screen& screen) {
                    if (has)
                        std::erase(screen.*list, name);
                    else
                        (screen.*list).push_back(name);
                },
                has ? tr("Take a backing screen off") : tr("Give the screen a backing screen"), {});
        });
        entry->setCheckable(true);
        entry->setChecked(has);
        const bool isBacked = !each->below.empty() || !each->above.empty();
        entry->setEnabled(has || (!isBacked && names.size() < kMaxBackings));
        if (isBacked)
            entry->setText(tr("%1 (has backing screens itself)").arg(fromStd(each->name)));
    }
    if (menu.isEmpty())
        menu.addAction(tr("There is no other screen"))->setEnabled(false);
}

}  // namespace gorsefinch::app
