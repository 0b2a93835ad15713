// SPDX-License-Identifier: GPL-3.0-or-later
// Rows of the sheet whose property can follow an expression.
#include <algorithm>

#include "app/screens/property_row.h"
#include "app/screens/sheet.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/from_std.h"
#include "core/rules/completion.h"
#include "core/sim/slot_value.h"

namespace gorsefinch::app {

namespace {

std::string shownValue(const PropertyValue& value) {
    if (const auto* yesNo = std::get_if<bool>(&value))
        return *yesNo ? "yes" : "no";
    if (const auto* number = std::get_if<int64_t>(&value))
        return std::to_string(*number);
    if (const auto* colour = std::get_if<Colour>(&value))
        return toText(*colour);
    return std::get<std::string>(value);
}

}  // namespace

// A row whose property may follow an expression. Without a field it shows only while it does.
PropertyRow* Sheet::addFollowing(const PropertyInfo& property, QWidget* field, bool style, std::function<void()> fill) {
    auto* row = new PropertyRow(field, property.takesExpression(), page_);
    row->setObjectName(QString("row_") + property.key);
    row->setNames([this](const QString& before) {
        QStringList out;
        for (const std::string& each : namesInExpression(session_.document(), before.toStdString()))
            out << fromStd(each);
        return out;
    });
    connect(row, &PropertyRow::expressionChosen, this, [this, &property](const QString& expression) {
        session_.edit(setExpression(session_.document(), session_.selection().screenName().toStdString(),
                                    selectedNames(), property.key, expression.toStdString()),
                      tr("Let %1 follow an expression").arg(QString(property.label).toLower()));
    });
    connect(row, &PropertyRow::plainWanted, this, [this, &property] { makePlain(property); });
    connect(row, &PropertyRow::resetWanted, this, [this, &property] {
        session_.edit(clearProperty(session_.document(), session_.selection().screenName().toStdString(),
                                    selectedNames(), property.key),
                      tr("Take the look's %1").arg(property.label));
    });
    if (property.takesExpression() || property.type == PropertyType::Variable) {
        row->takeVariables();
        connect(row, &PropertyRow::variableDropped, this,
                [this, &property](const QString& name) { takeVariable(property, name); });
    }
    if (property.takesExpression())
        following_.emplace_back(row, &property);
    addRow(tr(property.label), row, {}, {});
    QLabel* caption = rows_.back().caption;
    row->setCaption(caption);
    if (field) {
        caption->setBuddy(field);
        if (property.takesExpression())
            field->setToolTip(tr("%1. Type = to let it follow an expression").arg(field->toolTip()));
    }
    rows_.back().fill = [this, fill = std::move(fill), caption, row, style, &property] {
        if (session_.selection().widgets().empty())
            return;
        if (fill)
            fill();
        row->setExpression(commonExpression(property));
        showResult(property, *row);
        const bool own = style && isOwn(property);
        row->setOwn(own);
        caption->setFont(Theme::text(12, own || row->isFollowing()));
    };
    return row;
}

// The expression that all selected widgets follow, "" if they differ; nothing if none follows one.
std::optional<QString> Sheet::commonExpression(const PropertyInfo& property) const {
    std::optional<QString> out;
    bool differs = false;
    for (const WidgetRef& w : session_.selection().widgets()) {
        const auto found = w->expressions.find(property.key);
        const bool follows = found != w->expressions.end();
        const QString text = follows ? fromStd(found->second) : QString();
        if (follows && !out)
            out = text;
        differs = differs || !follows || text != *out;
    }
    return out && differs ? QString() : out;
}

// What the expression of the first selected widget gives now, or what is wrong in it.
void Sheet::showResult(const PropertyInfo& property, PropertyRow& row) const {
    if (!row.isFollowing())
        return;
    const auto selected = session_.selection().widgets();
    if (selected.empty())
        return;
    const std::string screen = session_.selection().screenName().toStdString();
    const std::string place = selected.front()->name + "." + property.key;
    for (const Problem& each : session_.scene()->problems)
        if (each.screen == screen && each.place == place && each.severity == Severity::Error) {
            row.setResult({}, fromStd(each.reason));
            return;
        }
    showValue(property, row);
}

void Sheet::showValue(const PropertyInfo& property, PropertyRow& row) const {
    const auto now = valueNow(property);
    row.setResult(now ? fromStd(shownValue(*now)) : QString(), {});
}

std::optional<PropertyValue> Sheet::valueNow(const PropertyInfo& property) const {
    const auto selected = session_.selection().widgets();
    const int screen = session_.selection().screenIndex();
    if (selected.empty() || screen < 0)
        return std::nullopt;
    return slotValue(session_.runner().twin(), screen,
                     session_.runner().twin().scene().drawnNumber(screen, *selected.front()), property);
}

// A variable was dropped on the row: the property shows it, has it in its text, or follows it.
void Sheet::takeVariable(const PropertyInfo& property, const QString& name) {
    const Variable* variable = session_.document().variable(name.toStdString());
    if (!variable)
        return;
    const std::string screen = session_.selection().screenName().toStdString();
    const QString what = tr("Let %1 follow %2").arg(QString(property.label).toLower(), name);
    // Of an array its first element, to be changed to another.
    const std::string shown = shownInExpressions(*variable);
    if (property.type == PropertyType::Variable && !variable->isArray()) {
        if (variable->isText() != property.ofTexts)
            session_.showError(variable->isText() ? tr("%1 is a text; it can be shown by a text").arg(name)
                                                  : tr("%1 is no text, which is what is typed").arg(name));
        else
            session_.edit(
                gorsefinch::setProperty(session_.document(), screen, selectedNames(), property.key, variable->name),
                what);
        return;
    }
    if (property.type == PropertyType::Text) {
        const auto words = common(property);
        std::string text = words ? std::get<std::string>(*words) : std::string();
        text += (text.empty() || text.ends_with(' ') ? "{" : " {") + shown + "}";
        session_.edit(gorsefinch::setProperty(session_.document(), screen, selectedNames(), property.key, text), what);
        return;
    }
    // What is a number for one of the two and yes or no for the other.
    const bool wantsYesNo = property.type == PropertyType::YesNo, isYesNo = variable->type == VariableType::YesNo;
    const bool wantsNumber = property.type == PropertyType::Whole;
    const bool isChoice = variable->type == VariableType::Choice;
    const std::string expression = shown + (wantsYesNo && variable->isNumeric() ? " != 0"
                                            : wantsYesNo && isChoice ? " == \"" + variable->choices.front() + "\""
                                            : wantsNumber && isYesNo ? " ? 1 : 0"
                                                                     : "");
    session_.edit(setExpression(session_.document(), screen, selectedNames(), property.key, expression), what);
}

// One step back from an expression: to what it gives now, if a plain value can be that.
void Sheet::makePlain(const PropertyInfo& property) {
    const std::string screen = session_.selection().screenName().toStdString();
    const auto now = property.isValue ? std::nullopt : valueNow(property);
    session_.edit(now && fits(property, *now)
                      ? gorsefinch::setProperty(session_.document(), screen, selectedNames(), property.key, *now)
                      : Result<Document>(clearProperty(session_.document(), screen, selectedNames(), property.key)),
                  tr("Give %1 a plain value").arg(QString(property.label).toLower()));
}

// Updates what expressions give, as the twin runs.
void Sheet::refreshResults() {
    if (!session_.isOpen() || !isVisible())
        return;
    for (const auto& [row, property] : following_)
        if (row->isFollowing() && !row->isWrong())
            showValue(*property, *row);
}

}  // namespace gorsefinch::app
