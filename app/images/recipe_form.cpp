// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/images/recipe_form.h"

#include <QCheckBox>
#include <QColorDialog>
#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QSlider>

#include "app/images/image_editor.h"
#include "app/images/palette_strip.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/counted.h"
#include "app/widgets/fields.h"
#include "app/widgets/from_std.h"
#include "core/edits/image_edits.h"

namespace gorsefinch::app {

namespace {

bool isIndexed(const Recipe& r) { return r.format && info(*r.format).hasPalette() && !r.maskOnly; }
bool dithers(const Recipe& r) { return r.reduction != Reduction::Nearest && !r.maskOnly; }

}  // namespace

RecipeForm::RecipeForm(Session& session, ImageEditor& editor, QWidget* parent)
    : FormPage("recipe",
               tr("The recipe says what becomes of a picture on its way to the panel: crop, size, tone, colours, "
                  "packing.\n\nIt appears here once a picture is chosen."),
               parent),
      session_(session),
      editor_(editor) {
    makeShape();
    rule();
    makeTone();
    rule();
    makeTransparency();
    rule();
    makeReduction();
    rule();
    makeStorage();
    finish();
    connect(&editor, &ImageEditor::shown, this, &RecipeForm::refresh);
    connect(&editor, &ImageEditor::currentChanged, this, &RecipeForm::refresh);
    connect(&session, &Session::changed, this, [this] {
        if (isVisible())
            refresh();
        else
            stale_ = true;
    });
}

void RecipeForm::change(const Step& step, const QString& label, const QString& merge) {
    editor_.change(step, label, merge);
}

FormPage::Slider RecipeForm::slider(const QString& label, const QString& name, int min, int max, int rest,
                                    int Recipe::*member, const QString& help) {
    const Slider row = addSlider(label, name, min, max, rest, help);
    connect(row.slide, &QSlider::valueChanged, this, [this, member, label, name](int now) {
        change([&](Recipe& r) { r.*member = now; }, tr("Change %1").arg(label.toLower()), name);
    });
    connect(row.slide, &QSlider::sliderReleased, this, [this] { session_.endGesture(); });
    fills_.push_back([row, member](const Recipe& r) { row.set(r.*member); });
    return row;
}

void RecipeForm::endCrop() { crop_->setChecked(false); }

void RecipeForm::makeCrop() {
    crop_ = new QPushButton(page_);
    crop_->setObjectName("crop");
    crop_->setCheckable(true);
    crop_->setFont(Theme::figures());
    auto* kept = new QCheckBox(tr("panel's"), page_);
    addRow(tr("Crop"), pair(crop_, kept),
           tr("Draw on the picture what is kept (C); with the panel's aspect if wanted"));
    crop_->setShortcut(Qt::Key_C);
    connect(crop_, &QPushButton::toggled, this, &RecipeForm::cropRequested);
    connect(kept, &QCheckBox::toggled, this, &RecipeForm::aspectKept);
    fills_.push_back([this](const Recipe& r) {
        crop_->setText(r.cropWidth > 0 ? QString("%1x%2").arg(r.cropWidth).arg(r.cropHeight) : tr("draw…"));
    });
    auto* clear = new QPushButton(tr("Keep all"), page_);
    auto* trim = new QCheckBox(tr("trim"), page_);
    trim->setObjectName("trim");
    connect(clear, &QPushButton::clicked, this, [this] {
        change([](Recipe& r) { r.cropWidth = r.cropHeight = r.cropX = r.cropY = 0; }, tr("Keep all of the picture"));
    });
    connect(trim, &QCheckBox::clicked, this,
            [this](bool on) { change([on](Recipe& r) { r.trim = on; }, tr("Trim the border")); });
    fills_.push_back([trim](const Recipe& r) { trim->setChecked(r.trim); });
    fills_.push_back([clear](const Recipe& r) { clear->setEnabled(r.cropWidth > 0); });
    addRow(QString(), pair(clear, trim), tr("Remove the crop; trim cuts off an empty border"));
}

void RecipeForm::makeSize() {
    auto* w = new NumberField(0, kMaxResultSide, tr("w"), page_);
    auto* h = new NumberField(0, kMaxResultSide, tr("h"), page_);
    w->setObjectName("recipe_width");
    h->setObjectName("recipe_height");
    connect(w, &NumberField::numberChosen, this,
            [this](int now) { change([now](Recipe& r) { r.width = now; }, tr("Change the image's width"), "width"); });
    connect(h, &NumberField::numberChosen, this, [this](int now) {
        change([now](Recipe& r) { r.height = now; }, tr("Change the image's height"), "height");
    });
    fills_.push_back([w, h](const Recipe& r) {
        w->setNumber(r.width);
        h->setNumber(r.height);
    });
    addRow(tr("Size"), pair(w, h), tr("In pixels; 0 follows the other side, or the original"));
    enlarged_ = new QLabel(page_);
    enlarged_->setWordWrap(true);
    enlarged_->setProperty("error", true);
    addUnder(enlarged_);
    auto* fit = new ChoiceField({"contain", "cover", "stretch"}, page_);
    fit->setObjectName("fit");
    connect(fit, &ChoiceField::chosen, this, [this](const QString& to) {
        change([&](Recipe& r) { r.fit = *fitByKey(to.toStdString()); }, tr("Fit %1").arg(to));
    });
    fills_.push_back([fit](const Recipe& r) { fit->setChosen(toKey(r.fit)); });
    addRow(tr("Fit"), fit, tr("When the sides don't match: all of it, all of the size filled, or pulled into shape"));
}

void RecipeForm::makeShape() {
    makeCrop();
    makeSize();
    auto* turn = new ChoiceField({"0°", "90°", "180°", "270°"}, page_);
    turn->setObjectName("turn");
    connect(turn, &ChoiceField::chosen, this, [this](const QString& to) {
        change([&](Recipe& r) { r.turn = to.chopped(1).toInt(); }, tr("Turn by %1").arg(to));
    });
    fills_.push_back([turn](const Recipe& r) { turn->setChosen(QString("%1°").arg(r.turn)); });
    addRow(tr("Turn"), turn, tr("Clockwise"));
    auto* flipX = new QCheckBox(tr("left-right"), page_);
    auto* flipY = new QCheckBox(tr("top-bottom"), page_);
    connect(flipX, &QCheckBox::clicked, this,
            [this](bool on) { change([on](Recipe& r) { r.flipX = on; }, tr("Flip left and right")); });
    connect(flipY, &QCheckBox::clicked, this,
            [this](bool on) { change([on](Recipe& r) { r.flipY = on; }, tr("Flip top and bottom")); });
    fills_.push_back([flipX, flipY](const Recipe& r) {
        flipX->setChecked(r.flipX);
        flipY->setChecked(r.flipY);
    });
    addRow(tr("Flip"), pair(flipX, flipY), tr("Swap width and height"));
    auto* columns = new NumberField(1, 64, tr("across"), page_);
    auto* rows = new NumberField(1, 64, tr("down"), page_);
    columns->setObjectName("sheet_columns");
    connect(columns, &NumberField::numberChosen, this, [this](int now) {
        change([now](Recipe& r) { r.columns = now; }, tr("Change the sheet's cells"), "columns");
    });
    connect(rows, &NumberField::numberChosen, this,
            [this](int now) { change([now](Recipe& r) { r.rows = now; }, tr("Change the sheet's cells"), "rows"); });
    fills_.push_back([columns, rows](const Recipe& r) {
        columns->setNumber(r.columns);
        rows->setNumber(r.rows);
    });
    addRow(tr("Cells"), pair(columns, rows), tr("A sheet of equal cells becomes an animation, row by row"));
}

void RecipeForm::makeTone() {
    slider(tr("Brightness"), "brightness", -100, 100, 0, &Recipe::brightness, tr("Lighter or darker"));
    slider(tr("Contrast"), "contrast", -100, 100, 0, &Recipe::contrast, tr("Lower or higher contrast"));
    slider(tr("Gamma"), "gamma", 20, 500, 100, &Recipe::gamma, tr("Lightens or darkens the middle; 100 leaves it"));
    auto* invert = new QCheckBox(tr("exchange light and dark"), page_);
    connect(invert, &QCheckBox::clicked, this,
            [this](bool on) { change([on](Recipe& r) { r.inverted = on; }, tr("Invert")); });
    fills_.push_back([invert](const Recipe& r) { invert->setChecked(r.inverted); });
    addRow(tr("Invert"), invert, tr("White becomes black"));
}

void RecipeForm::makeTransparency() {
    auto* background = new ColourField(page_);
    const auto set = [this](Colour colour) {
        change([colour](Recipe& r) { r.background = colour; }, tr("Change the background"), "background");
    };
    connect(background, &ColourField::colourChosen, this, set);
    connect(background, &ColourField::chosenLive, this, set);
    fills_.push_back([background](const Recipe& r) { background->setColour(r.background); });
    addRow(tr("Background"), background, tr("Behind what is transparent; none keeps the alpha as a mask"));
    auto* mask = new ChoiceField({"1", "2", "4", "8"}, page_);
    connect(mask, &ChoiceField::chosen, this, [this](const QString& to) {
        change([&](Recipe& r) { r.maskBits = to.toInt(); }, tr("Mask of %1 bits").arg(to));
    });
    fills_.push_back([mask](const Recipe& r) { mask->setChosen(QString::number(r.maskBits)); });
    auto* maskName = addRow(tr("Mask bits"), mask, tr("How finely the alpha is kept"));
    for (QWidget* each : {static_cast<QWidget*>(mask), static_cast<QWidget*>(maskName)})
        shownWhen_.emplace_back(each, [](const Recipe& r) { return r.background.argb >> 24 == 0 || r.maskOnly; });
    auto* only = new QCheckBox(tr("in the look's colour"), page_);
    connect(only, &QCheckBox::clicked, this,
            [this](bool on) { change([on](Recipe& r) { r.maskOnly = on; }, tr("One colour")); });
    fills_.push_back([only](const Recipe& r) { only->setChecked(r.maskOnly); });
    addRow(tr("One colour"), only, tr("Only the alpha is kept; the widget's text colour fills it"));
    auto* keyed = new QCheckBox(tr("make it clear"), page_);
    keyed->setObjectName("keyed");
    connect(keyed, &QCheckBox::clicked, this,
            [this](bool on) { change([on](Recipe& r) { r.keyed = on; }, tr("Key colour")); });
    fills_.push_back([keyed](const Recipe& r) { keyed->setChecked(r.keyed); });
    addRow(tr("Key colour"), keyed, tr("Pixels like one colour become transparent"));
    auto* key = new ColourField(page_);
    const auto setKey = [this](Colour colour) {
        change([colour](Recipe& r) { r.key = opaque(colour.argb & 0xffffff); }, tr("Change the key colour"), "key");
    };
    connect(key, &ColourField::colourChosen, this, setKey);
    connect(key, &ColourField::chosenLive, this, setKey);
    fills_.push_back([key](const Recipe& r) { key->setColour(r.key); });
    auto* tolerance = new NumberField(0, 255, tr("steps"), page_);
    connect(tolerance, &NumberField::numberChosen, this, [this](int now) {
        change([now](Recipe& r) { r.keyTolerance = now; }, tr("Change the key's tolerance"), "tolerance");
    });
    fills_.push_back([tolerance](const Recipe& r) { tolerance->setNumber(r.keyTolerance); });
    for (QWidget* each : {static_cast<QWidget*>(addRow(QString(), key, tr("The colour that becomes transparent"))),
                          static_cast<QWidget*>(key),
                          static_cast<QWidget*>(addRow(QString(), tolerance, tr("How far a channel may be off"))),
                          static_cast<QWidget*>(tolerance)})
        shownWhen_.emplace_back(each, [](const Recipe& r) { return r.keyed; });
}

void RecipeForm::showWhen(QLabel* name, QWidget* field, const std::function<bool(const Recipe&)>& shown) {
    shownWhen_.emplace_back(name, shown);
    shownWhen_.emplace_back(field, shown);
}

void RecipeForm::makeFormat() {
    const auto panel = [this] { return session_.document().panel->format; };
    auto* format = new QComboBox(page_);
    format->setObjectName("format");
    format->addItem(tr("as the panel"), QString());
    for (const PixelFormatInfo& each : pixelFormats())
        if (!each.isMask()) {
            format->addItem(each.key, QString(each.key));
            format->setItemData(format->count() - 1, QString(each.help), Qt::ToolTipRole);
        }
    connect(format, &QComboBox::activated, this, [this, format](int at) {
        const PixelFormatInfo* chosen = pixelFormatByKey(format->itemData(at).toString().toStdString());
        change([&](Recipe& r) { r.format = chosen ? std::optional(chosen->format) : std::nullopt; },
               tr("Format %1").arg(format->itemText(at)));
    });
    fills_.push_back([format, panel](const Recipe& r) {
        format->setItemText(0, tr("as the panel: %1").arg(info(panel()).key));
        format->setCurrentIndex(r.format ? format->findData(QString(info(*r.format).key)) : 0);
    });
    addRow(tr("Format"), format, tr("The pixels in the target; the ladder below shows them all"));
}

void RecipeForm::makePalette() {
    auto* source = new QComboBox(page_);
    source->setObjectName("palette_source");
    connect(source, &QComboBox::activated, this, [this, source](int at) {
        const QString chosen = source->itemData(at).toString();
        change(
            [&](Recipe& r) {
                if (chosen.startsWith("image:")) {
                    r.paletteSource = PaletteSource::Image;
                    r.paletteImage = chosen.mid(6).toStdString();
                } else {
                    r.paletteSource = *paletteSourceByKey(chosen.toStdString());
                }
                if (r.paletteSource == PaletteSource::Own && r.palette.empty() && editor_.baked())
                    r.palette = editor_.baked()->palette;
            },
            tr("Palette from %1").arg(source->itemText(at)));
    });
    fills_.push_back([this, source](const Recipe& r) {
        source->clear();
        source->addItem(tr("made from the picture"), "picture");
        source->addItem(tr("the panel's"), "panel");
        source->addItem(tr("its own, by hand"), "own");
        for (const Image& each : *session_.document().images)
            if (fromStd(each.name) != editor_.current() && each.recipe.format && info(*each.recipe.format).hasPalette())
                source->addItem(tr("that of %1").arg(fromStd(each.name)), "image:" + fromStd(each.name));
        source->setCurrentIndex(source->findData(r.paletteSource == PaletteSource::Image
                                                     ? "image:" + fromStd(r.paletteImage)
                                                     : QString(toKey(r.paletteSource))));
    });
    showWhen(addRow(tr("Palette"), source, tr("Where its colours come from; several images may share one")), source,
             &isIndexed);
    auto* colours = new NumberField(0, 256, tr("0: all"), page_);
    colours->setObjectName("colours");
    connect(colours, &NumberField::numberChosen, this, [this](int now) {
        change([now](Recipe& r) { r.colours = now == 1 ? 2 : now; }, tr("Change the number of colours"), "colours");
    });
    fills_.push_back([colours](const Recipe& r) { colours->setNumber(r.colours); });
    showWhen(addRow(tr("Colours"), colours, tr("2 to 256; 0 takes as many as the format holds")), colours,
             [](const Recipe& r) { return isIndexed(r) && r.paletteSource == PaletteSource::Picture; });
    auto* strip = new PaletteStrip(page_);
    strip->setObjectName("palette");
    palette_ = strip;
    connect(strip, &PaletteStrip::colourClicked, this, &RecipeForm::editPalette);
    showWhen(addRow(QString(), strip, QString()), strip, &isIndexed);
}

void RecipeForm::makeReduction() {
    makeFormat();
    makePalette();
    auto* reduce = new QComboBox(page_);
    reduce->setObjectName("reduction");
    for (const auto& [name, key] :
         std::initializer_list<std::pair<QString, const char*>>{{tr("nearest colour"), "none"},
                                                                {tr("ordered 4x4"), "bayer4"},
                                                                {tr("ordered 8x8"), "bayer8"},
                                                                {tr("blue noise"), "blue-noise"},
                                                                {tr("Floyd-Steinberg"), "floyd-steinberg"},
                                                                {tr("Atkinson"), "atkinson"}})
        reduce->addItem(name, QString(key));
    connect(reduce, &QComboBox::activated, this, [this, reduce](int at) {
        change([&](Recipe& r) { r.reduction = *reductionByKey(reduce->itemData(at).toString().toStdString()); },
               tr("Reduce by %1").arg(reduce->itemText(at)));
    });
    fills_.push_back(
        [reduce](const Recipe& r) { reduce->setCurrentIndex(reduce->findData(QString(toKey(r.reduction)))); });
    addRow(tr("Reduce"), reduce, tr("How colours that the format lacks are approximated"));
    const Slider strength =
        slider(tr("Strength"), "strength", 0, 100, 100, &Recipe::strength, tr("Of the dither, in per cent"));
    showWhen(strength.name, strength.field, &dithers);
    auto* light = new ChoiceField({tr("linear"), tr("as stored")}, page_);
    connect(light, &ChoiceField::chosen, this, [this](const QString& to) {
        change([&](Recipe& r) { r.linear = to == tr("linear"); }, tr("Light %1").arg(to));
    });
    fills_.push_back([light](const Recipe& r) { light->setChosen(r.linear ? tr("linear") : tr("as stored")); });
    showWhen(addRow(tr("Light"), light, tr("Dots mix as light does, or as the numbers do")), light, &dithers);
    const Slider threshold =
        slider(tr("Threshold"), "threshold", 1, 255, 128, &Recipe::threshold, tr("The lowest grey that is lit"));
    showWhen(threshold.name, threshold.field, [this](const Recipe& r) {
        const PixelFormatInfo& format = info(r.format.value_or(session_.document().panel->format));
        return format.meaning == PixelMeaning::Grey && format.isOneBit() && !r.maskOnly;
    });
}

void RecipeForm::makeStorage() {
    auto* pack = new ChoiceField({"plain", "runs", "smallest"}, page_);
    pack->setObjectName("packing");
    connect(pack, &ChoiceField::chosen, this, [this](const QString& to) {
        change([&](Recipe& r) { r.packing = *packingByKey(to.toStdString()); }, tr("Pack %1").arg(to));
    });
    fills_.push_back([pack](const Recipe& r) { pack->setChosen(toKey(r.packing)); });
    addRow(tr("Pack"), pack, tr("Plain, by runs of equal pixels, or whichever is smaller"));
    packed_ = new QLabel(page_);
    packed_->setFont(Theme::figures());
    packed_->setProperty("quiet", true);
    packed_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    addUnder(packed_);
    auto* where = new ChoiceField({tr("code"), tr("outside")}, page_);
    connect(where, &ChoiceField::chosen, this, [this](const QString& to) {
        change([&](Recipe& r) { r.outside = to == tr("outside"); }, tr("Keep in %1").arg(to));
    });
    fills_.push_back([where](const Recipe& r) { where->setChosen(r.outside ? tr("outside") : tr("code")); });
    addRow(tr("Lives in"), where, tr("The code's flash, or a memory that the firmware reads through a function"));
}

void RecipeForm::editPalette(int entry) {
    if (!editor_.baked() || entry >= static_cast<int>(editor_.baked()->palette.size()))
        return;
    const std::vector<Colour> now = editor_.baked()->palette;
    const QColor chosen =
        QColorDialog::getColor(QColor::fromRgb(now[static_cast<size_t>(entry)].argb), this,
                               tr("Colour %1 of the palette").arg(entry), QColorDialog::DontUseNativeDialog);
    if (!chosen.isValid())
        return;
    change(
        [&](Recipe& r) {
            r.palette = now;
            r.palette[static_cast<size_t>(entry)] = opaque(chosen.rgb() & 0xffffff);
            r.paletteSource = PaletteSource::Own;
        },
        tr("Change colour %1").arg(entry));
}

void RecipeForm::showPalette() {
    static_cast<PaletteStrip*>(palette_)->setColours(editor_.baked() ? editor_.baked()->palette
                                                                     : std::vector<Colour>());
}

// Edits elsewhere cost nothing here.
void RecipeForm::showEvent(QShowEvent* event) {
    FormPage::showEvent(event);
    if (std::exchange(stale_, false))
        refresh();
}

void RecipeForm::refresh() {
    const Image* image = editor_.image();
    setShown(image != nullptr);
    if (!image)
        return;
    heading_->setText(tr("Recipe of %1").arg(fromStd(image->name)));
    const auto users = usersOfImage(session_.document(), image->name);
    use_->setText(users.empty()
                      ? tr("not used")
                      : tr("used %1").arg(counted(static_cast<qsizetype>(users.size()), tr("time"), tr("times"))));
    use_->setToolTip(users.empty() ? tr("Left out of what is generated") : fromStd([&] {
        std::string all;
        for (const std::string& each : users)
            all += (all.empty() ? "" : "\n") + each;
        return all;
    }()));
    const Recipe& recipe = editor_.recipe();
    for (const auto& fill : fills_)
        fill(recipe);
    for (const auto& [widget, when] : shownWhen_)
        widget->setVisible(when(recipe));
    showPalette();
    const OriginalRef& original = editor_.original();
    const double by = original && !original->drawing ? enlargement(recipe, original->width(), original->height()) : 1;
    enlarged_->setVisible(by > 1.0);
    if (by > 1.0)
        enlarged_->setText(tr("%1 px shown at %2 px: it will look blocky")
                               .arg(croppedBox(recipe, original->width(), original->height()).width)
                               .arg(editor_.baked() ? editor_.baked()->width : recipe.width));
    if (const BakedImageRef& baked = editor_.baked())
        packed_->setText(
            baked->packedByRuns()
                ? tr("runs %L1 B · plain %L2").arg(baked->bytes()).arg(baked->plainBytes + baked->paletteBytes.size())
                : tr("plain %L1 B").arg(baked->bytes()));
}

}  // namespace gorsefinch::app
