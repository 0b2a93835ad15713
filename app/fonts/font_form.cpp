// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fonts/font_form.h"

#include <QCheckBox>
#include <QComboBox>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QKeyEvent>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QSlider>

#include "app/fonts/block_dialog.h"
#include "app/fonts/font_editor.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/counted.h"
#include "app/widgets/fields.h"
#include "app/widgets/from_std.h"
#include "core/base/files.h"
#include "core/edits/font_edits.h"
#include "core/font/face_facts.h"
#include "core/rules/text_compiler.h"
#include "core/scene/font_reasons.h"

namespace gorsefinch::app {

namespace {

enum ReasonData { ScreenName = Qt::UserRole, WidgetName, Entry };

// Del takes an entry out.
class ReasonList : public QListWidget {
  public:
    ReasonList(QWidget* parent, std::function<void()> remove) : QListWidget(parent), remove_(std::move(remove)) {}

  protected:
    void keyPressEvent(QKeyEvent* event) override {
        if (event->key() == Qt::Key_Delete)
            remove_();
        else
            QListWidget::keyPressEvent(event);
    }

  private:
    std::function<void()> remove_;
};

}  // namespace

FontForm::FontForm(Session& session, FontEditor& editor, QWidget* parent)
    : FormPage("font_form",
               tr("How a face becomes glyphs: bits per pixel, edges, distances, which characters it holds and "
                  "why.\n\nIt appears here once a face is chosen."),
               parent),
      session_(session),
      editor_(editor) {
    makeFace();
    rule();
    makeSize();
    rule();
    makeGlyphs();
    rule();
    makeHeld();
    finish();
    connect(&editor, &FontEditor::shown, this, &FontForm::refresh);
    connect(&editor, &FontEditor::currentChanged, this, &FontForm::refresh);
}

void FontForm::makeFace() {
    auto* variant = new QComboBox(page_);
    variant->setObjectName("variant");
    variant_ = variant;
    connect(variant, &QComboBox::activated, this, [this, variant](int at) {
        Face face = *editor_.face();
        face.variant = at == 0 ? std::string() : variant->itemText(at).toStdString();
        session_.edit(withFace(session_.document(), face), tr("Variant %1").arg(variant->itemText(at)));
    });
    variantName_ = addRow(tr("Variant"), variant, tr("Of a variable face or a collection"));
    licence_ = new QLabel(page_);
    licence_->setWordWrap(true);
    licence_->setProperty("quiet", true);
    addWide(licence_);
    own_ = new QLabel(page_);
    own_->setWordWrap(true);
    own_->setProperty("quiet", true);
    addWide(own_);
    defaults_ = new QPushButton(tr("As the face's other sizes"), page_);
    defaults_->setObjectName("use_defaults");
    defaults_->setToolTip(tr("Forget this size's own settings and its glyphs set by hand"));
    connect(defaults_, &QPushButton::clicked, this, [this] {
        session_.edit(removeFontSize(session_.document(), editor_.current()),
                      tr("Default settings for %1 px").arg(editor_.current().size));
    });
    addWide(defaults_);
}

void FontForm::choice(const QString& label, const QString& name, const QStringList& words,
                      const std::function<QString(const FontSettings&)>& now,
                      const std::function<void(FontSettings&, const QString&)>& set, const QString& help) {
    auto* field = new ChoiceField(words, page_);
    field->setObjectName(name);
    connect(field, &ChoiceField::chosen, this, [this, set, label](const QString& to) {
        editor_.change([&](FontSettings& s) { set(s, to); }, label + " " + to);
    });
    fills_.push_back([field, now](const FontSettings& s) { field->setChosen(now(s)); });
    addRow(label, field, help);
}

void FontForm::number(const QString& label, const QString& name, int min, int max, int FontSettings::*member,
                      const QString& help) {
    auto* field = new NumberField(min, max, tr("px"), page_);
    field->setObjectName(name);
    connect(field, &NumberField::numberChosen, this, [this, member, label, name](int now) {
        editor_.change([=](FontSettings& s) { s.*member = now; }, tr("Change %1").arg(label.toLower()), name);
    });
    fills_.push_back([field, member](const FontSettings& s) { field->setNumber(s.*member); });
    addRow(label, field, help);
}

void FontForm::makeSize() {
    choice(
        tr("Size measures"), "measure", {"em", "capitals", "line"},
        [](const FontSettings& s) { return QString(toKey(s.measure)); },
        [](FontSettings& s, const QString& to) { s.measure = *sizeMeasureByKey(to.toStdString()); },
        tr("What the size in pixels means: the face's em, the capitals' height, or a whole line"));
    choice(
        tr("Bits"), "font_bits", {tr("default"), "1", "2", "4", "8"},
        [](const FontSettings& s) { return s.bits == 0 ? tr("default") : QString::number(s.bits); },
        [](FontSettings& s, const QString& to) { s.bits = to == tr("default") ? 0 : to.toInt(); },
        tr("A pixel; default: as suits the panel"));
    choice(
        tr("Hinting"), "hinting", {"default", "none", "light", "full"},
        [](const FontSettings& s) { return QString(toKey(s.hinting)); },
        [](FontSettings& s, const QString& to) { s.hinting = *hintingByKey(to.toStdString()); },
        tr("How outlines are fitted to pixels; default: for black and white with one bit, else light"));
    const Slider edges =
        addSlider(tr("Edges"), "edges", 20, 300, 100, tr("Above 100 heavier, below lighter; not with one bit a pixel"));
    connect(edges.slide, &QSlider::valueChanged, this, [this](int now) {
        editor_.change([now](FontSettings& s) { s.gamma = now; }, tr("Change edges"), "edges");
    });
    connect(edges.slide, &QSlider::sliderReleased, this, [this] { session_.endGesture(); });
    fills_.push_back([this, edges](const FontSettings& s) {
        edges.set(s.gamma);
        edges.slide->setEnabled(!editor_.font() || editor_.font()->bits() > 1);
    });
    metrics_ = new QLabel(page_);
    metrics_->setFont(Theme::figures());
    metrics_->setProperty("quiet", true);
    metrics_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    addUnder(metrics_);
}

void FontForm::makeGlyphs() {
    number(tr("Letters"), "letter_distance", -16, 64, &FontSettings::letter, tr("Pixels more after each letter"));
    number(tr("Lines"), "line_distance", -64, 128, &FontSettings::line, tr("Pixels more between lines"));
    auto* even = new QCheckBox(tr("all of one width"), page_);
    even->setObjectName("even_digits");
    connect(even, &QCheckBox::clicked, this, [this](bool on) {
        editor_.change([on](FontSettings& s) { s.evenDigits = on; }, tr("Digits of one width"));
    });
    fills_.push_back([even](const FontSettings& s) { even->setChecked(s.evenDigits); });
    addRow(tr("Digits"), even, tr("So that a readout does not jitter while it counts"));
    auto* fallback = new QComboBox(page_);
    fallback->setObjectName("fallback");
    connect(fallback, &QComboBox::activated, this, [this, fallback](int at) {
        editor_.change([&](FontSettings& s) { s.fallback = fallback->itemData(at).toString().toStdString(); },
                       tr("Stand-in face"));
    });
    fills_.push_back([this, fallback](const FontSettings& s) {
        fallback->clear();
        fallback->addItem(tr("none"), QString());
        for (const Face& each : *session_.document().faces)
            if (each.name != editor_.current().face)
                fallback->addItem(fromStd(each.name), fromStd(each.name));
        fallback->setCurrentIndex(std::max(0, fallback->findData(fromStd(s.fallback))));
    });
    addRow(tr("Stand-in"), fallback, tr("The face for characters that this one lacks"));
    choice(
        tr("Pack"), "font_packing", {"plain", "runs", "smallest"},
        [](const FontSettings& s) { return QString(toKey(s.packing)); },
        [](FontSettings& s, const QString& to) { s.packing = *glyphPackingByKey(to.toStdString()); },
        tr("Glyphs bit by bit, by runs of equal pixels, or whichever is smaller"));
    packed_ = new QLabel(page_);
    packed_->setFont(Theme::figures());
    packed_->setProperty("quiet", true);
    packed_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    addUnder(packed_);
}

void FontForm::makeHeld() {
    auto* title = new QLabel(tr("Holds, and why"), page_);
    title->setProperty("heading", true);
    addWide(title);
    auto* row = new QWidget(page_);
    auto* buttons = new QHBoxLayout(row);
    buttons->setContentsMargins(0, 0, 0, 0);
    buttons->setSpacing(4);
    const auto add = [&](const QString& words, const QString& name, const QString& help, void (FontForm::*run)()) {
        auto* button = new QPushButton(words, row);
        button->setObjectName(name);
        button->setToolTip(help);
        buttons->addWidget(button);
        connect(button, &QPushButton::clicked, this, run);
    };
    add(tr("+ Block"), "hold_block", tr("Hold a block of Unicode, by its name"), &FontForm::holdBlock);
    add(tr("+ Text"), "hold_text", tr("Hold the characters of a text that you type or paste"), &FontForm::holdText);
    add(tr("+ File"), "hold_file", tr("Hold the characters of a text file, say of translations"), &FontForm::holdFile);
    addWide(row);
    reasons_ = new ReasonList(page_, [this] {
        const QListWidgetItem* item = reasons_->currentItem();
        if (!item || !item->data(Entry).isValid())
            return;
        const auto entry = item->data(Entry).toUInt();
        editor_.change(
            [entry](FontSettings& s) {
                if (entry < s.holds.size())
                    s.holds.erase(s.holds.begin() + entry);
            },
            tr("Hold less"));
    });
    reasons_->setObjectName("reasons");
    reasons_->setMinimumHeight(150);
    reasons_->setToolTip(
        tr("What needs characters of this font. A widget: Enter goes there. Held besides: Del removes it."));
    addWide(reasons_);
    connect(reasons_, &QListWidget::itemActivated, this, [this](QListWidgetItem* item) {
        if (item->data(WidgetName).isValid())
            Q_EMIT widgetChosen(item->data(ScreenName).toString(), item->data(WidgetName).toString());
    });
}

void FontForm::hold(const HeldCharacters& held) {
    editor_.change(
        [&](FontSettings& s) {
            if (s.holds.size() < kMaxHeld)
                s.holds.push_back(held);
        },
        tr("Hold more characters"));
}

void FontForm::holdBlock() {
    if (!editor_.font())
        return;
    BlockDialog dialog(*editor_.font(), this);
    if (dialog.exec() == QDialog::Accepted)
        for (const QString& name : dialog.chosen())
            hold({HeldCharacters::From::Block, name.toStdString(), ""});
}

void FontForm::holdText() {
    bool good = false;
    const QString text = QInputDialog::getMultiLineText(this, tr("Hold characters"),
                                                        tr("Every character of this text is held:"), QString(), &good);
    if (good && !text.isEmpty())
        hold({HeldCharacters::From::Text, "", text.toStdString()});
}

void FontForm::holdFile() {
    const QString path = QFileDialog::getOpenFileName(this, tr("A text file, UTF-8"), QString(),
                                                      tr("Texts (*.txt *.csv *.json *.po *.ts *.xml);;All files (*)"));
    if (path.isEmpty())
        return;
    Disk disk;
    const auto text = readFile(disk, path.toStdString(), kMaxTextFile);
    if (!text) {
        session_.showError(fromStd(text.error().text()));
        return;
    }
    // Each character once: the file itself stays where it is.
    std::u32string all;
    for (const char32_t each : charactersOf(*text))
        if (each != 0xfffd)
            all += each;
    hold({HeldCharacters::From::File, QFileInfo(path).fileName().toStdString(),
          QString::fromStdU32String(all).toStdString()});
}

void FontForm::showFacts() {
    const Face* face = editor_.face();
    auto* variant = static_cast<QComboBox*>(variant_);
    variant->clear();
    const auto facts = face->original
                           ? faceFacts(face->original, "fonts/" + face->file, face->variant)
                           : tl::unexpected(Error{"fonts/" + face->file, "", "the file is missing", "Put it back"});
    variant->setVisible(facts && facts->variants.size() > 1);
    variantName_->setVisible(facts && facts->variants.size() > 1);
    licence_->setProperty("error", !facts);
    if (!facts) {
        licence_->setText(fromStd(facts.error().text()));
        return;
    }
    for (const FaceVariant& each : facts->variants)
        variant->addItem(fromStd(each.name));
    variant->setCurrentIndex(std::max(0, variant->findText(fromStd(face->variant))));
    QString words = fromStd(facts->title()) + " · " + fromStd(facts->format) + tr(" · %L1 glyphs").arg(facts->glyphs);
    if (!facts->strikes.empty()) {
        QStringList sizes;
        for (const int each : facts->strikes)
            sizes << QString::number(each);
        words += tr(" · bitmaps of %1 px").arg(sizes.join(", "));
    }
    QString licence = fromStd(facts->licence.empty() ? facts->copyright : facts->licence).simplified();
    licence_->setToolTip(licence + (facts->licenceAddress.empty() ? "" : "\n" + fromStd(facts->licenceAddress)));
    if (licence.size() > 96)
        licence = licence.left(95) + QString::fromUtf8("…");
    words += "\n" + (licence.isEmpty() ? tr("It says nothing of its licence: make sure that you may ship it.")
                                       : tr("Licence: %1").arg(licence));
    if (!facts->embedding.empty())
        words += "\n" + tr("Mind: %1.").arg(fromStd(facts->embedding));
    licence_->setText(words);
}

void FontForm::showReasons() {
    reasons_->clear();
    const BakedFont* font = editor_.font();
    if (!font)
        return;
    const auto add = [&](const QString& words, const QString& detail, size_t count) {
        auto* item = new QListWidgetItem(QString("%1  %2").arg(count, 3).arg(words), reasons_);
        item->setToolTip(detail);
        item->setFont(Theme::figures());
        return item;
    };
    for (const FontReason& each : fontReasons(*session_.scene(), *font)) {
        size_t had = 0;
        for (const char32_t c : each.characters)
            had += font->has(c) ? 1 : 0;
        QString shown = QString::fromStdString(each.detail).simplified();
        if (shown.size() > 60)
            shown = shown.left(59) + QString::fromUtf8("…");
        if (each.what == FontReason::What::Held) {
            const HeldCharacters& held = font->settings().holds[each.entry];
            const QString from = held.from == HeldCharacters::From::Block  ? tr("block")
                                 : held.from == HeldCharacters::From::File ? tr("file")
                                                                           : tr("text");
            auto* item = add(from + " " + shown, tr("held besides; Del removes it"), had);
            item->setData(Entry, static_cast<uint>(each.entry));
            item->setForeground(Theme::colour(Role::Bound));
            continue;
        }
        auto* item = add(fromStd(each.widget) + "  " + shown,
                         fromStd(each.screen + "." + each.widget) + "\n" + shown + tr("\nEnter goes there"), had);
        item->setData(ScreenName, fromStd(each.screen));
        item->setData(WidgetName, fromStd(each.widget));
    }
    if (reasons_->count() == 0) {
        auto* item = new QListWidgetItem(
            tr("Nothing uses it yet: choose it as\na widget's face, in the station Screens."), reasons_);
        item->setFlags(Qt::NoItemFlags);
    }
}

void FontForm::refresh() {
    const Face* face = editor_.face();
    setShown(face != nullptr);
    if (!face)
        return;
    const FontKey key = editor_.current();
    heading_->setText(key.size == 0 ? tr("The face %1").arg(fromStd(key.face))
                                    : tr("%1, %2 px").arg(fromStd(key.face)).arg(key.size));
    use_->setText(key.size == 0 ? QString() : editor_.isUsed() ? tr("in the code") : tr("not used"));
    const bool own = key.size != 0 && face->ownSize(key.size);
    own_->setText(key.size == 0 ? tr("These settings hold for all of its sizes without their own.")
                  : own         ? tr("This size has its own settings.")
                                : tr("As the face's defaults; a change here is this size's own."));
    defaults_->setVisible(own);
    showFacts();
    const FontSettings& settings = editor_.settings();
    for (const auto& fill : fills_)
        fill(settings);
    if (const BakedFont* font = editor_.font()) {
        metrics_->setText(
            tr("line %1 · up %2 · capitals %3").arg(font->lineHeight()).arg(font->ascent()).arg(font->capitals()));
        packed_->setText(tr("plain %L1 B · runs %L2 B").arg(font->bitmapBytes(false)).arg(font->bitmapBytes(true)));
    }
    showReasons();
}

}  // namespace gorsefinch::app
