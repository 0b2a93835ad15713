// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/fonts/specimen_view.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QSettings>
#include <QToolButton>
#include <QWheelEvent>

#include "app/fonts/font_editor.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/fields.h"
#include "app/widgets/frame_picture.h"
#include "core/sim/specimen.h"

namespace gorsefinch::app {

namespace {

constexpr int kMaxZoom = 8;

}  // namespace

// Where the pixels are: as wide as there is room for, in whole times.
class SpecimenView::Page : public QWidget {
  public:
    Page(SpecimenView& view) : QWidget(&view), view_(view) {
        setObjectName("specimen");
        setMinimumHeight(90);
        setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
    }
    void show(const QImage& image, const QString& error) {
        image_ = image;
        error_ = error;
        update();
    }
    QSize pixels(int zoom) const { return {std::max((width() - 24) / zoom, 8), std::max((height() - 20) / zoom, 8)}; }

  protected:
    void resizeEvent(QResizeEvent*) override { view_.refresh(); }
    void wheelEvent(QWheelEvent* event) override {
        if (event->modifiers() & Qt::ControlModifier)
            view_.zoomBy(event->angleDelta().y() > 0 ? 1 : -1);
        else
            event->ignore();
    }
    void paintEvent(QPaintEvent*) override {
        QPainter painter(this);
        painter.fillRect(rect(), Theme::colour(Role::Around));
        if (!image_.isNull()) {
            const QSize size = image_.size() * view_.zoom_;
            const QRect at(12, 10, size.width(), size.height());
            painter.drawImage(
                at.intersected(rect().adjusted(12, 10, -12, -10)), image_,
                QRect(QPoint(), (QSize(width() - 24, height() - 20) / view_.zoom_).boundedTo(image_.size())));
        } else {
            painter.setPen(Theme::colour(Role::Text));
            painter.drawText(rect().adjusted(16, 12, -16, -12), Qt::AlignTop | Qt::AlignLeft | Qt::TextWordWrap,
                             error_);
        }
    }

  private:
    SpecimenView& view_;
    QImage image_;
    QString error_;
};

SpecimenView::SpecimenView(Session& session, FontEditor& editor, QWidget* parent)
    : QWidget(parent),
      session_(session),
      editor_(editor),
      words_(new QLineEdit(this)),
      inkField_(new ColourField(this)),
      groundField_(new ColourField(this)),
      zoomed_(new QLabel(this)),
      page_(new Page(*this)) {
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    auto* bar = new QHBoxLayout;
    bar->setContentsMargins(12, 8, 12, 8);
    bar->setSpacing(6);
    words_->setObjectName("specimen_words");
    words_->setPlaceholderText(tr("the interface's words; type your own"));
    words_->setText(QSettings().value("specimen").toString());
    words_->setClearButtonEnabled(true);
    words_->setToolTip(tr("What the specimen says; empty: what the interface shows in this font"));
    bar->addWidget(words_, 1);
    for (const auto& [field, name, help] : std::initializer_list<std::tuple<ColourField*, QString, QString>>{
             {inkField_, tr("Ink"), tr("The text's colour")},
             {groundField_, tr("Ground"), tr("The colour behind it")}}) {
        auto* label = new QLabel(name, this);
        label->setProperty("quiet", true);
        field->setToolTip(help);
        field->setMaximumWidth(96);
        bar->addWidget(label);
        bar->addWidget(field);
    }
    bar->addSpacing(6);
    for (const int step : {-1, 1}) {
        auto* button = new QToolButton(this);
        button->setText(step < 0 ? QString::fromUtf8("−") : "+");
        button->setMinimumWidth(26);
        button->setToolTip(step < 0 ? tr("Smaller (Ctrl+wheel)") : tr("Larger (Ctrl+wheel)"));
        connect(button, &QToolButton::clicked, this, [this, step] { zoomBy(step); });
        bar->addWidget(button);
        if (step < 0) {
            zoomed_->setFont(Theme::figures());
            zoomed_->setMinimumWidth(20);
            zoomed_->setAlignment(Qt::AlignCenter);
            bar->addWidget(zoomed_);
        }
    }
    column->addLayout(bar);
    column->addWidget(page_, 1);
    zoom_ = std::clamp(QSettings().value("specimen_zoom", 2).toInt(), 1, kMaxZoom);
    connect(words_, &QLineEdit::textChanged, this, [this] {
        QSettings().setValue("specimen", words_->text());
        refresh();
    });
    const auto pick = [this](Colour& into) {
        return [this, &into](Colour colour) {
            into = opaque(colour.argb & 0xffffff);
            refresh();
            Q_EMIT coloursChanged();
        };
    };
    for (const auto& [field, colour] : {std::pair(inkField_, &ink_), std::pair(groundField_, &ground_)}) {
        connect(field, &ColourField::colourChosen, this, pick(*colour));
        connect(field, &ColourField::chosenLive, this, pick(*colour));
    }
    connect(&editor, &FontEditor::currentChanged, this, &SpecimenView::takeColours);
    connect(&editor, &FontEditor::shown, this, &SpecimenView::refresh);
}

void SpecimenView::zoomBy(int steps) {
    zoom_ = std::clamp(zoom_ + steps, 1, kMaxZoom);
    QSettings().setValue("specimen_zoom", zoom_);
    refresh();
}

// The colours of the first widget that shows the font, and of its screen.
void SpecimenView::takeColours() {
    if (!session_.isOpen())
        return;
    ground_ = backgroundOf(session_.document(), *session_.document().screens.front());
    ink_ = opaque(info(session_.document().panel->format).isOneBit() ? 0xffffff : 0xF2EEE4);
    const FontRef font = session_.font(editor_.shownKey());
    bool found = false;
    const BuiltSceneRef scene = session_.scene();
    for (size_t i = 0; i < scene->parts.size(); ++i)
        for (const FontNeed& need : scene->parts[i]->needs)
            if (!found && font && need.font == font->key()) {
                const auto& part = scene->parts[i];
                const gorse_look* look = scene->tables[i]->widgets[need.widget]->look;
                ink_ = opaque(look->text & 0xffffff);
                ground_ = look->fill >> 24 == 255 ? opaque(look->fill & 0xffffff)
                                                  : backgroundOf(session_.document(), *part->source);
                found = true;
            }
    inkField_->setColour(ink_);
    groundField_->setColour(ground_);
    Q_EMIT coloursChanged();
}

// Texts as they get longest, of all widgets that show the font, each once.
std::string SpecimenView::interfaceWords() const {
    const FontRef font = session_.font(editor_.shownKey());
    const ProjectNames names(session_.document());
    std::vector<std::string> lines;
    for (const auto& part : session_.scene()->parts)
        for (const FontNeed& need : part->needs)
            if (font && need.font == font->key()) {
                const Widget& widget = *part->source->widgets[need.widget];
                for (const PropertyInfo& property : info(widget.kind).properties) {
                    if (property.type != PropertyType::Text)
                        continue;
                    const std::string words =
                        compileText(std::get<std::string>(effectiveValue(session_.document(), widget, property.key)),
                                    names)
                            .longestShown;
                    if (!words.empty() && std::find(lines.begin(), lines.end(), words) == lines.end() &&
                        lines.size() < 40)
                        lines.push_back(words);
                }
            }
    std::string out;
    for (const std::string& each : lines)
        out += (out.empty() ? "" : "   ") + each;
    return out;
}

std::string SpecimenView::text() const {
    if (!words_->text().isEmpty())
        return words_->text().toStdString();
    const std::string words = interfaceWords();
    return words.empty() ? tr("Kettle on the hob 0123456789").toStdString() : words;
}

void SpecimenView::refresh() {
    zoomed_->setText(QString("%1x").arg(zoom_));
    if (!session_.isOpen() || !editor_.font()) {
        page_->show({}, !editor_.error().isEmpty() ? editor_.error()
                                                   : tr("A specimen of the font appears here once a face is chosen."));
        return;
    }
    const QSize size = page_->pixels(zoom_);
    page_->show(toImage(specimen(session_.document(),
                                 {editor_.shownKey(), text(), ink_, ground_, size.width(), size.height(), true})),
                {});
}

}  // namespace gorsefinch::app
