// SPDX-License-Identifier: GPL-3.0-or-later
// The fields of the sheet, one for each type of property.
#include <QCheckBox>
#include <QComboBox>
#include <QFile>
#include <QFileDialog>
#include <QFileInfo>
#include <QLineEdit>
#include <QPlainTextEdit>

#include "app/screens/asset_samples.h"
#include "app/screens/cells_field.h"
#include "app/screens/named_choices.h"
#include "app/screens/property_row.h"
#include "app/screens/sheet.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/fields.h"
#include "app/widgets/from_std.h"
#include "app/widgets/new_variable_dialog.h"
#include "app/widgets/sample_combo.h"
#include "app/widgets/zones_field.h"
#include "core/base/files.h"
#include "core/edits/font_edits.h"
#include "core/edits/image_edits.h"
#include "core/font/face_facts.h"
#include "core/kinds/edges.h"
#include "core/document/panel_outputs.h"
#include "core/rules/clock_fields.h"

namespace gorsefinch::app {

namespace {

// Data of entries in lists; no name is like these.
constexpr const char* kMakeOne = "…";
constexpr const char* kExpression = "=";

QStringList choiceList(const PropertyInfo& property) {
    QStringList out;
    for (const char* choice : property.choices)
        out << choice;
    return out;
}

}  // namespace

QWidget* Sheet::makeField(const PropertyInfo& property, std::function<void()>& fill) {
    switch (property.type) {
        case PropertyType::Whole: {
            if (property.entryOf)
                return entryField(property, fill);
            auto* field = new NumberField(property.min, property.max, property.unit, page_);
            listenToNumbers(*field, property);
            fill = [this, field, &property] {
                const auto value = common(property);
                if (std::vector<SumValues> each = sumValues(property); !each.empty())
                    field->setEach(std::move(each));
                if (property.takesName())
                    field->setOffered(offeredSizes(session_));
                field->setNumber(value ? std::optional(static_cast<int>(std::get<int64_t>(*value))) : std::nullopt,
                                 commonName(property));
            };
            connect(field, &NumberField::nameChosen, this,
                    [this, &property](const std::string& name) { set(property, ValueName{name}); });
            return field;
        }
        case PropertyType::YesNo: {
            auto* field = new QCheckBox(tr("yes"), page_);
            field->setMinimumHeight(24);
            connect(field, &QCheckBox::clicked, this, [this, &property](bool on) { set(property, on); });
            fill = [this, field, &property] {
                const auto value = common(property);
                field->setTristate(!value);
                field->setCheckState(!value                   ? Qt::PartiallyChecked
                                     : std::get<bool>(*value) ? Qt::Checked
                                                              : Qt::Unchecked);
            };
            return field;
        }
        case PropertyType::Colour: {
            return colourField(property, fill);
        }
        case PropertyType::Choice: {
            auto* field = new ChoiceField(choiceList(property), page_);
            connect(field, &ChoiceField::chosen, this,
                    [this, &property](const QString& choice) { set(property, choice.toStdString()); });
            fill = [this, field, &property] {
                const auto value = common(property);
                field->setChosen(value ? fromStd(std::get<std::string>(*value)) : QString());
            };
            return field;
        }
        case PropertyType::Edges: {
            auto* field = new EdgesField(page_);
            connect(field, &EdgesField::edgesChosen, this,
                    [this, &property](unsigned edges) { set(property, edgesInWords(edges)); });
            fill = [this, field, &property] {
                const auto value = common(property);
                field->setEdges(value ? edgesFromWords(std::get<std::string>(*value)) : std::nullopt);
            };
            return field;
        }
        case PropertyType::Text:
        case PropertyType::Words:
            if (property.asLines)
                return linesField(property, fill);
            [[fallthrough]];
        case PropertyType::Decimal: return textField(property, fill);
        case PropertyType::Variable: return variableField(property, fill);
        case PropertyType::Points: return pointsField(property, fill);
        case PropertyType::Cells: return cellsField(fill);
        case PropertyType::Zones: {
            auto* field = new ZonesField(property.max, page_);
            connect(field, &ZonesField::zonesChosen, this,
                    [this, &property](const ZoneList& zones, bool live) { set(property, zones, live); });
            connect(field, &ZonesField::zonesPreviewed, this,
                    [this, &property](const ZoneList& zones) { preview(property.key, zones); });
            connect(field, &ZonesField::previewEnded, this, [this] { session_.endPreview(); });
            fill = [this, field, &property] {
                const auto value = common(property);
                field->setOffered(offeredColours(session_));
                field->setZones(value ? std::optional(std::get<ZoneList>(*value)) : std::nullopt);
            };
            return field;
        }
        default: return assetField(property, fill);
    }
}

QWidget* Sheet::colourField(const PropertyInfo& property, std::function<void()>& fill) {
    auto* field = new ColourField(page_);
    const auto take = [this, &property](Colour colour) { set(property, colour, true); };
    connect(field, &ColourField::colourChosen, this, take);
    connect(field, &ColourField::chosenLive, this, take);
    connect(field, &ColourField::nameChosen, this,
            [this, &property](const std::string& name) { set(property, ValueName{name}); });
    connect(field, &ColourField::namePreviewed, this,
            [this, &property](const std::string& name) { preview(property.key, ValueName{name}); });
    connect(field, &ColourField::previewEnded, this, [this] { session_.endPreview(); });
    fill = [this, field, &property] {
        const auto value = common(property);
        field->setOffered(offeredColours(session_));
        field->setColour(value ? std::optional(std::get<Colour>(*value)) : std::nullopt, commonName(property));
    };
    return field;
}

// Shows the selected widgets as they would be.
void Sheet::preview(std::string_view key, const PropertyValue& value) {
    if (const auto next = gorsefinch::setProperty(session_.document(), session_.selection().screenName().toStdString(),
                                                  selectedNames(), key, value))
        session_.preview(*next);
}

QWidget* Sheet::textField(const PropertyInfo& property, std::function<void()>& fill) {
    auto* field = new QLineEdit(page_);
    field->setMaxLength(static_cast<int>(kMaxTextBytes) / 4);
    // Each letter shows on the canvas and in the twin at once; the steps of one stay in the field join for undo.
    connect(field, &QLineEdit::textEdited, this, [this, &property](const QString& text) {
        QString words = text;
        words.replace("\\n", "\n");
        set(property, words.toStdString(), true);
    });
    fill = [this, field, &property] {
        const auto value = common(property);
        QString words = value ? fromStd(std::get<std::string>(*value)) : QString();
        words.replace("\n", "\\n");
        field->setPlaceholderText(!value ? tr("mixed") : tr(property.hint));
        if (field->text() != words && !field->text().replace("\\n", "\n").isNull())
            field->setText(words);
        if (property.type == PropertyType::Text)
            field->setToolTip(
                tr("%1; \\n begins a new line. Type = to let it follow an expression").arg(property.help));
    };
    return field;
}

// Words that are lines.
QWidget* Sheet::linesField(const PropertyInfo& property, std::function<void()>& fill) {
    auto* field = new QPlainTextEdit(page_);
    field->setFont(Theme::figures());
    field->setLineWrapMode(QPlainTextEdit::NoWrap);
    field->setTabChangesFocus(true);
    field->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    field->setFixedHeight(field->fontMetrics().lineSpacing() * 6 + 12);
    connect(field, &QPlainTextEdit::textChanged, this, [this, field, &property] {
        const auto value = common(property);
        const std::string words = field->toPlainText().toStdString();
        if (value && std::get<std::string>(*value) != words)
            set(property, words, true);
    });
    fill = [this, field, &property] {
        const auto value = common(property);
        const QString words = value ? fromStd(std::get<std::string>(*value)) : QString();
        if (field->toPlainText() == words)
            return;
        const QSignalBlocker quiet(field);
        field->setPlainText(words);
    };
    return field;
}

QWidget* Sheet::pointsField(const PropertyInfo& property, std::function<void()>& fill) {
    auto* field = new QLineEdit(page_);
    field->setFont(Theme::figures());
    connect(field, &QLineEdit::editingFinished, this, [this, field, &property] {
        if (!field->isModified())
            return;
        field->setModified(false);
        const auto points = pointsFromText(field->text().toStdString());
        if (points && fits(property, *points))
            set(property, *points);
        else
            session_.showError(tr("%1: write %2 to %3 points like 0,0 20,10")
                                   .arg(tr(property.label))
                                   .arg(property.min)
                                   .arg(property.max));
        refresh();
    });
    fill = [this, field, &property] {
        const auto value = common(property);
        const QString text = value ? fromStd(toText(std::get<PointList>(*value))) : QString();
        field->setPlaceholderText(value ? QString() : tr("mixed"));
        if (field->text() != text && !(field->hasFocus() && field->isModified())) {
            field->setText(text);
            field->setCursorPosition(0);
        }
    };
    return field;
}

// The cells themselves are painted on the canvas.
QWidget* Sheet::cellsField(std::function<void()>& fill) {
    auto* field = new CellsField(brush_, page_);
    fill = [this, field] {
        const auto selected = session_.selection().widgets();
        if (selected.empty())
            return;
        const std::vector<QImage>& cells = cellPictures_.of(session_, *selected.front());
        field->setCells(cells);
        field->setEnabled(selected.size() == 1 && !selected.front()->locked && !cells.empty());
    };
    return field;
}

// The colours of an image's palette.
QWidget* Sheet::entryField(const PropertyInfo& property, std::function<void()>& fill) {
    auto* field = new QComboBox(page_);
    field->setFont(Theme::figures());
    connect(field, &QComboBox::activated, this, [this, &property](int at) { set(property, int64_t{at} - 1); });
    fill = [this, field, &property] {
        const auto selected = session_.selection().widgets();
        const Image* image = selected.empty() ? nullptr
                                              : session_.document().image(std::get<std::string>(effectiveValue(
                                                    session_.document(), *selected.front(), property.entryOf)));
        const auto palette = image ? session_.images().palette(session_.document(), *image) : std::vector<Colour>{};
        QStringList lines{tr("none")};
        for (size_t i = 0; palette && i < palette->size(); ++i)
            lines << QString("%1  %2").arg(i, 3).arg(fromStd(toText((*palette)[i])));
        const auto value = common(property);
        const int64_t entry = value ? std::get<int64_t>(*value) : -1;
        for (auto i = static_cast<int64_t>(lines.size()) - 1; i <= entry; ++i)
            lines << tr("%1  not in the palette").arg(i, 3);
        if (field->property("lines").toStringList() != lines) {
            field->setProperty("lines", lines);
            field->clear();
            field->addItems(lines);
            for (size_t i = 0; palette && i < palette->size(); ++i) {
                QPixmap swatch(14, 14);
                swatch.fill(QColor::fromRgb(static_cast<QRgb>((*palette)[i].argb)));
                field->setItemIcon(static_cast<int>(i) + 1, swatch);
            }
        }
        field->setCurrentIndex(value ? static_cast<int>(entry) + 1 : -1);
    };
    return field;
}

// The variables that are numbers, or texts where these are wanted.
QWidget* Sheet::variableField(const PropertyInfo& property, std::function<void()>& fill) {
    auto* field = new QComboBox(page_);
    field->addItem(tr("none"), QString());
    for (const Variable& each : *session_.document().variables)
        if (each.isText() == property.ofTexts && !each.isArray())
            field->addItem(fromStd(each.name), fromStd(each.name));
    if (session_.document().clock && !property.sets && !property.ofTexts)
        for (const Variable& each : clockVariables())
            field->addItem(fromStd(each.name), fromStd(each.name));
    if (!property.ofTexts)
        for (const Variable& each : outputVariables(*session_.document().panel))
            field->addItem(fromStd(each.name), fromStd(each.name));
    if (property.takesExpression())
        field->addItem(tr("Expression…"), kExpression);
    field->addItem(tr("New variable…"), kMakeOne);
    connect(field, &QComboBox::activated, this, [this, field, &property](int at) {
        if (field->itemData(at).toString() == kMakeOne)
            makeVariable(property);
        else if (field->itemData(at).toString() == kExpression)
            beginExpression(*field);
        else
            set(property, field->itemData(at).toString().toStdString());
    });
    fill = [this, field, &property] {
        const auto value = common(property);
        field->setCurrentIndex(value ? field->findData(fromStd(std::get<std::string>(*value))) : -1);
    };
    return field;
}

void Sheet::beginExpression(const QWidget& field) {
    refresh();
    if (auto* row = qobject_cast<PropertyRow*>(field.parentWidget()))
        row->beginExpression();
}

// Asks for a new variable, and shows it with the selected widgets: one edit.
void Sheet::makeVariable(const PropertyInfo& property) {
    refresh();
    auto* dialog = new NewVariableDialog(session_.document(), this);
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    connect(dialog, &NewVariableDialog::made, this, [this, &property](Variable variable) {
        if (variable.isText() != property.ofTexts) {
            session_.showError(property.ofTexts ? tr("%1 is no text: write %1 text 20").arg(fromStd(variable.name))
                                                : tr("%1 is a text: write %1 0 to 100").arg(fromStd(variable.name)));
            return;
        }
        if (property.sets)
            variable.writer = Writer::Both;
        const Document with = withVariable(session_.document(), variable);
        const std::string screen = session_.selection().screenName().toStdString();
        // Of an array its first element.
        session_.edit(variable.isArray() && property.takesExpression()
                          ? setExpression(with, screen, selectedNames(), property.key, shownInExpressions(variable))
                          : gorsefinch::setProperty(with, screen, selectedNames(), property.key, variable.name),
                      tr("Make and show %1").arg(fromStd(variable.name)));
    });
    dialog->open();
}

// Images and faces by name, and a way to import another.
QWidget* Sheet::assetField(const PropertyInfo& property, std::function<void()>& fill) {
    auto* field = new SampleCombo(page_);
    const bool image = property.type == PropertyType::Image;
    field->addItem(image ? tr("none") : tr("first face"), QString());
    if (image)
        for (const Image& each : *session_.document().images)
            field->addItem(fromStd(each.name), fromStd(each.name));
    else
        for (const Face& each : *session_.document().faces)
            field->addItem(fromStd(each.name), fromStd(each.name));
    field->setCommands(field->count());
    field->addItem(image ? tr("Import a picture…") : tr("Import a face…"), kMakeOne);
    field->setSamples([this, field, image](int entry) {
        const QString name = field->itemData(entry).toString(), words = field->itemText(entry);
        return image ? imageSample(session_, name, words) : faceSample(session_, name, words);
    });
    connect(field, &SampleCombo::previewed, this,
            [this, field, &property](int at) { preview(property.key, field->itemData(at).toString().toStdString()); });
    connect(field, &SampleCombo::previewEnded, this, [this] { session_.endPreview(); });
    connect(field, &QComboBox::activated, this, [this, field, &property](int at) {
        QString name = field->itemData(at).toString();
        if (name == kMakeOne) {
            name = importOne(property);
            if (name.isEmpty()) {
                refresh();
                return;
            }
        }
        set(property, name.toStdString());
    });
    fill = [this, field, &property] {
        const auto value = common(property);
        field->setCurrentIndex(value ? field->findData(fromStd(std::get<std::string>(*value))) : -1);
    };
    return field;
}

// Takes a file from disk into the project, after a look at whether it can be used. Gives its name; "" if not.
QString Sheet::importOne(const PropertyInfo& property) {
    const bool image = property.type == PropertyType::Image;
    const QString path = QFileDialog::getOpenFileName(
        this, image ? tr("Import a picture") : tr("Import a face"), QString(),
        image ? tr("Pictures (%1)").arg(kPicturePatterns) : tr("Faces (%1)").arg(kFacePatterns));
    if (path.isEmpty())
        return {};
    Disk disk;
    const auto bytes = readOriginal(disk, path.toStdString(), kMaxPictureFile);
    const std::string fileName = QFileInfo(path).fileName().toStdString();
    const auto usable = !bytes  ? tl::unexpected(bytes.error())
                        : image ? decodePicture(**bytes, fileName).map([](const Picture&) {})
                                : faceFacts(*bytes, fileName).map([](const FaceFacts&) {});
    if (!usable) {
        session_.showError(fromStd(usable.error().text()));
        return {};
    }
    std::string name;
    const Document next = image ? addImage(session_.document(), fileName, *bytes, &name)
                                : addFace(session_.document(), fileName, *bytes, &name);
    session_.edit(next, image ? tr("Import picture %1").arg(fromStd(name)) : tr("Import face %1").arg(fromStd(name)));
    return fromStd(name);
}

}  // namespace gorsefinch::app
