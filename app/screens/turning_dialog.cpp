// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/turning_dialog.h"

#include <QDialogButtonBox>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QPushButton>
#include <QSlider>
#include <QTimer>
#include <QToolButton>
#include <QVBoxLayout>
#include <cmath>

#include "app/screens/pivot_view.h"
#include "app/screens/sample_panel.h"
#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/frame_picture.h"
#include "app/widgets/from_std.h"
#include "core/base/decimal.h"
#include "core/document/names.h"

namespace gorsefinch::app {

namespace {

constexpr const char* kTurn = "turn";
constexpr int kStep = 4, kStepMs = 40;  // of the test turn: degrees
constexpr int kTestSide = 260;          // pixels on the screen
constexpr int kMostAway = 2000;         // pixels of the picture

BakedImageRef bakedOf(Session& session, const Widget& widget, const PropertyInfo& image) {
    const Document& document = session.document();
    const Image* found = document.image(std::get<std::string>(effectiveValue(document, widget, image.key)));
    const auto baked = found ? session.images().bake(document, *found) : tl::unexpected(Error{});
    return baked ? *baked : nullptr;
}

QString written(double value) { return QString::number(value, 'f', value == std::floor(value * 2) / 2 ? 1 : 2); }

// A project with this widget alone on a square panel, all round and with a variable that turns it.
Document testDocument(const Document& from, Widget widget, const PropertyInfo& image, int side) {
    Document test = from;
    test.panel = std::make_shared<const Panel>(samplePanel(*from.panel, side, side));
    test.rules = std::make_shared<std::vector<RuleFile>>();
    test.clock = nullptr;
    Variable turn;
    turn.name = kTurn;
    turn.type = VariableType::Whole;
    turn.min = 0;
    turn.max = 360;
    test.variables = std::make_shared<const std::vector<Variable>>(std::vector{turn});
    PropertyMap kept;
    for (const char* key : {image.key, image.pivotKeys[0], image.pivotKeys[1]})
        if (const auto set = widget.properties.find(key); set != widget.properties.end())
            kept.insert(*set);
    kept.insert({{"value", std::string(kTurn)},
                 {"from_angle", int64_t{0}},
                 {"to_angle", int64_t{0}},
                 {"ticks", int64_t{0}},
                 {"labels", false},
                 {"settle", int64_t{0}},
                 {"padding", int64_t{0}}});
    widget.properties = std::move(kept);
    widget.expressions.clear();
    widget.look.clear();
    widget.visible = true;
    setBox(widget, 0, 0, side, side);
    Screen screen;
    screen.name = "test";
    screen.background = backgroundOf(from, *from.screens.front());
    screen.widgets = {std::make_shared<const Widget>(std::move(widget))};
    test.screens = {std::make_shared<const Screen>(std::move(screen))};
    return test;
}

}  // namespace

QString TurningDialog::obstacle(Session& session, const Widget& widget, const PropertyInfo& image) {
    const BakedImageRef baked = bakedOf(session, widget, image);
    if (!baked)
        return tr("Choose an image for the needle first");
    return baked->outside || baked->packedByRuns() ? tr("The image is packed or lives outside, so it can't be turned")
                                                   : QString();
}

TurningDialog::TurningDialog(Session& session, const Widget& widget, const PropertyInfo& image, QWidget* parent)
    : QDialog(parent), session_(session), widget_(widget), image_(image) {
    setObjectName("turning_dialog");
    setWindowTitle(tr("Where %1 turns")
                       .arg(fromStd(std::get<std::string>(effectiveValue(session.document(), widget, image.key)))));
    const BakedImageRef baked = bakedOf(session, widget, image);
    found_ = baked->hub();
    const auto pivot = [&](int number, double otherwise) {
        const auto text = std::get<std::string>(effectiveValue(session.document(), widget, image.pivotKeys[number]));
        const auto value = decimalFromText(text, 2);
        return value ? *value / 100.0 : otherwise;
    };
    const TurningPoint start = found_.value_or(TurningPoint{baked->width / 2.0, baked->height / 2.0});
    point_ = {pivot(0, start.x), pivot(1, start.y)};
    view_ = new PivotView(toImage(baked->picture(0)), found_, this);
    view_->setPoint(point_);
    auto* column = new QVBoxLayout(this);
    auto* row = new QHBoxLayout;
    row->setSpacing(16);
    row->addWidget(view_, 1);
    row->addWidget(makeRight());
    column->addLayout(row, 1);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel, this);
    connect(buttons, &QDialogButtonBox::accepted, this, &TurningDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &TurningDialog::reject);
    column->addWidget(buttons);
    connect(view_, &PivotView::pointMoved, this, [this] { show(view_->point()); });
    timer_ = new QTimer(this);
    connect(timer_, &QTimer::timeout, this, [this] { angle_->setValue((angle_->value() + kStep) % 360); });
    timer_->start(kStepMs);
    show(point_);
    view_->setFocus();
    resize(760, 480);
}

QWidget* TurningDialog::makeRight() {
    auto* right = new QWidget(this);
    auto* column = new QVBoxLayout(right);
    column->setContentsMargins(0, 0, 0, 0);
    auto* form = new QFormLayout;
    for (auto [field, name, words] :
         {std::tuple(&x_, "turning_x", tr("From its left")), {&y_, "turning_y", tr("From its top")}}) {
        *field = new QLineEdit(right);
        (*field)->setObjectName(name);
        (*field)->setFont(Theme::figures());
        (*field)->setToolTip(tr("In pixels of the picture, such as 12.5"));
        connect(*field, &QLineEdit::editingFinished, this, &TurningDialog::takeWritten);
        form->addRow(words, *field);
    }
    column->addLayout(form);
    auto* find =
        new QPushButton(found_ ? tr("Use the middle of its hub: %1, %2").arg(written(found_->x), written(found_->y))
                               : tr("No hub found"),
                        right);
    find->setObjectName("use_found");
    find->setEnabled(found_.has_value());
    find->setToolTip(tr("The middle of the largest disc in the picture"));
    connect(find, &QPushButton::clicked, this, &TurningDialog::useFound);
    column->addWidget(find);
    test_ = new QLabel(right);
    test_->setObjectName("test_turn");
    test_->setFixedSize(kTestSide, kTestSide);
    column->addWidget(test_);
    auto* below = new QHBoxLayout;
    turns_ = new QToolButton(right);
    turns_->setObjectName("test_turns");
    turns_->setIcon(Theme::icon("pause"));
    turns_->setCheckable(true);
    turns_->setToolTip(tr("Let it turn, or stand still"));
    connect(turns_, &QToolButton::toggled, this, [this](bool stands) {
        turns_->setIcon(Theme::icon(stands ? "play" : "pause"));
        stands ? timer_->stop() : timer_->start(kStepMs);
    });
    angle_ = new QSlider(Qt::Horizontal, right);
    angle_->setObjectName("test_angle");
    angle_->setRange(0, 359);
    angle_->setToolTip(tr("The angle of the test turn"));
    connect(angle_, &QSlider::valueChanged, this, &TurningDialog::drawTest);
    connect(angle_, &QSlider::sliderPressed, this, [this] { turns_->setChecked(true); });
    below->addWidget(turns_);
    below->addWidget(angle_, 1);
    column->addLayout(below);
    column->addStretch(1);
    return right;
}

// Return in a field takes what is written there, and no more.
void TurningDialog::keyPressEvent(QKeyEvent* event) {
    const bool isReturn = event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter;
    if (!isReturn || !qobject_cast<QLineEdit*>(focusWidget()))
        QDialog::keyPressEvent(event);
}

void TurningDialog::takeWritten() {
    const auto x = decimalFromText(x_->text().trimmed().toStdString(), 2);
    const auto y = decimalFromText(y_->text().trimmed().toStdString(), 2);
    const auto lies = [](const auto& value) { return value && std::abs(*value) <= kMostAway * 100; };
    if (lies(x) && lies(y))
        show({*x / 100.0, *y / 100.0});
    else
        show(point_);
}

void TurningDialog::useFound() { show(*found_); }

void TurningDialog::show(TurningPoint point) {
    point_ = point;
    view_->setPoint(point);
    x_->setText(written(point.x));
    y_->setText(written(point.y));
    buildTest();
}

void TurningDialog::buildTest() {
    Widget shown = widget_;
    shown.properties[image_.pivotKeys[0]] = written(point_.x).toStdString();
    shown.properties[image_.pivotKeys[1]] = written(point_.y).toStdString();
    const BakedImageRef baked = bakedOf(session_, widget_, image_);
    // As far as the farthest corner reaches.
    const double reach = std::hypot(std::max(std::abs(point_.x), std::abs(baked->width - point_.x)),
                                    std::max(std::abs(point_.y), std::abs(baked->height - point_.y)));
    const int side = std::clamp(static_cast<int>(2 * reach) + 8, kMinPanelSide, 400);
    const BuiltSceneRef scene = builder_.build(testDocument(session_.document(), std::move(shown), image_, side));
    if (twin_)
        twin_->update(scene);
    else
        twin_ = std::make_unique<Twin>(scene);
    drawTest();
}

// What the runtime draws, with circles round the point: a needle that wobbles leaves them.
void TurningDialog::drawTest() {
    if (!twin_ || !twin_->set(kTurn, std::to_string(angle_->value())))
        return;
    twin_->step(twin_->now() + 1);
    const QImage image = toImage(twin_->memory());
    QPixmap out(test_->size());
    QPainter painter(&out);
    painter.fillRect(out.rect(), Theme::colour(Role::Around));
    const int zoom = std::max(1, kTestSide / image.width());
    const QSizeF size = image.width() > kTestSide ? QSizeF(out.size()) : QSizeF(image.size()) * zoom;
    const QRectF place(QPointF((kTestSide - size.width()) / 2, (kTestSide - size.height()) / 2), size);
    painter.drawImage(place, image);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(QPen(QColor(255, 255, 255, 70), 1));
    for (int radius = 12; radius < kTestSide / 2; radius += 24)
        painter.drawEllipse(QPointF(kTestSide / 2.0, kTestSide / 2.0), radius, radius);
    test_->setPixmap(out);
}

// Where the point is the found one, the properties stay empty, so that it is found in another picture, too.
void TurningDialog::accept() {
    const std::string screen = session_.selection().screenName().toStdString();
    Document next = session_.document();
    const double values[] = {point_.x, point_.y};
    for (int i = 0; i < 2; ++i) {
        const std::string text = isFound() ? std::string() : written(values[i]).toStdString();
        if (const auto set =
                gorsefinch::setProperty(next, screen, std::span(&widget_.name, 1), image_.pivotKeys[i], text))
            next = *set;
    }
    session_.edit(next, tr("Set where %1 turns").arg(fromStd(widget_.name)));
    QDialog::accept();
}

}  // namespace gorsefinch::app
