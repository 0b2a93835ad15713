// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QHash>
#include <QLabel>
#include <QPointer>
#include <QScrollArea>
#include <functional>

#include "app/screens/cell_pictures.h"
#include "core/edits/edit.h"
#include "core/edits/leads.h"
#include "core/edits/sum.h"
#include "core/kinds/kinds.h"

class QFormLayout;
class QLineEdit;
class QVBoxLayout;

namespace gorsefinch::app {

class CellBrush;
class LooksModel;
class NumberField;
class PropertyRow;
class Session;

// What is set on the selection, made from the table of kinds: name and box, content, look, the rules that mention it,
// what it costs. With nothing selected, the screen.
class Sheet : public QScrollArea {
    Q_OBJECT

  public:
    // The brush must outlive the sheet.
    Sheet(Session& session, CellBrush& brush, QWidget* parent = nullptr);
    void focusName();

  Q_SIGNALS:
    void ruleRequested(const QString& widget);

  private:
    // One line of the sheet: its field, and how it is filled from the selection.
    struct Row {
        QLabel* caption = nullptr;
        std::function<void()> fill;
    };

    void refresh();
    const QString& listedNames();
    void rebuild();
    void buildScreen();
    void buildWidget(Kind kind, bool sameKind);
    void addBox();
    void addLook();
    void addShownStates();
    void addRules();
    void addLead();
    void addPages();
    void addBackground();
    void addShade();
    void addKeeping();
    void addSeries();
    void addBacking();
    std::shared_ptr<const Assembly> commonAssembly() const;
    // Changes where other rows are needed for uses of assemblies.
    QString assemblySignature() const;
    void addInputs();
    void addInput(const AssemblyInput& input);
    std::optional<std::string> commonInput(const std::string& input) const;
    void giveInput(const std::string& input, const std::string& text);
    void addAssembly();
    // The screens to choose from.
    void fillBackings(QMenu& menu, Names Screen::*list);
    void changeScreen(const std::function<void(Screen&)>& change, const QString& label, const QString& merge);
    void turnPage(int by);
    void addPage();
    void setLead(const std::string& widget, const std::optional<Lead>& lead);
    void addHeading(const QString& text);
    void addLine();
    void addRow(const QString& caption, QWidget* field, const QString& help, std::function<void()> fill);
    void addProperty(const PropertyInfo& property, bool style);
    QWidget* makeField(const PropertyInfo& property, std::function<void()>& fill);
    QWidget* colourField(const PropertyInfo& property, std::function<void()>& fill);
    void preview(std::string_view key, const PropertyValue& value);
    QWidget* textField(const PropertyInfo& property, std::function<void()>& fill);
    PropertyRow* addFollowing(const PropertyInfo& property, QWidget* field, bool style, std::function<void()> fill);
    std::optional<QString> commonExpression(const PropertyInfo& property) const;
    void showResult(const PropertyInfo& property, PropertyRow& row) const;
    void showValue(const PropertyInfo& property, PropertyRow& row) const;
    std::optional<PropertyValue> valueNow(const PropertyInfo& property) const;
    void takeVariable(const PropertyInfo& property, const QString& name);
    void makePlain(const PropertyInfo& property);
    void refreshResults();
    Names selectedNames() const;
    void addTrial(const PropertyInfo& property);
    void addTurning(const PropertyInfo& property);
    QWidget* linesField(const PropertyInfo& property, std::function<void()>& fill);
    QWidget* pointsField(const PropertyInfo& property, std::function<void()>& fill);
    QWidget* cellsField(std::function<void()>& fill);
    QWidget* variableField(const PropertyInfo& property, std::function<void()>& fill);
    void beginExpression(const QWidget& field);
    void makeVariable(const PropertyInfo& property);
    QWidget* entryField(const PropertyInfo& property, std::function<void()>& fill);
    QWidget* assetField(const PropertyInfo& property, std::function<void()>& fill);

    // The value that all selected widgets have; nothing if they differ.
    std::optional<PropertyValue> common(const PropertyInfo& property) const;
    // The project's colour or size that all of them have there by its name; "" for none.
    std::string commonName(const PropertyInfo& property) const;
    bool isOwn(const PropertyInfo& property) const;
    void listenToNumbers(NumberField& field, const PropertyInfo& property);
    std::vector<WidgetRef> having(const PropertyInfo& property) const;
    std::vector<SumValues> sumValues(const PropertyInfo& property) const;
    void setEach(const PropertyInfo& property, const std::vector<int>& numbers);
    void set(const PropertyInfo& property, const PropertyValue& value, bool joins = false);
    QString importOne(const PropertyInfo& property);

    Session& session_;
    CellBrush& brush_;
    CellPictures cellPictures_;
    LooksModel* looks_;  // for samples
    QWidget* page_ = nullptr;
    QVBoxLayout* column_ = nullptr;
    QFormLayout* form_ = nullptr;
    QPointer<QLineEdit> name_;
    std::vector<Row> rows_;
    std::vector<std::pair<PropertyRow*, const PropertyInfo*>> following_;
    QString builtFor_;
    struct {
        Shared<std::vector<Look>> looks;
        Shared<std::vector<Variable>> variables;
        Shared<std::vector<Image>> images;
        Shared<std::vector<Face>> faces;
        QString names;
    } listed_;
};

}  // namespace gorsefinch::app
