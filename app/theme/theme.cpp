// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/theme/theme.h"

#include <QApplication>
#include <QFile>
#include <QFontDatabase>
#include <QIconEngine>
#include <QPainter>
#include <QPixmapCache>
#include <QPalette>
#include <QProxyStyle>
#include <QSvgRenderer>
#include <QToolTip>
#include <array>

namespace gorsefinch::app {

bool Theme::dark_ = false;

namespace {

struct RoleColours {
    Role role;
    const char *light, *dark;
};

constexpr std::array<RoleColours, 16> colours{{
    {Role::Window, "#e9eae6", "#1e2220"},
    {Role::Surface, "#f5f5f2", "#272c29"},
    {Role::Field, "#ffffff", "#303632"},
    {Role::Line, "#d2d5ce", "#3a413d"},
    {Role::StrongLine, "#bfc4bb", "#4a524d"},
    {Role::Text, "#1d2320", "#e6eae5"},
    {Role::QuietText, "#5d6761", "#9ba69f"},
    {Role::Around, "#8f928f", "#4d504e"},
    {Role::Ruler, "#dfe1dc", "#2b302d"},
    {Role::Accent, "#e3b505", "#e3b505"},
    {Role::AccentSoft, "#f7ecc0", "#4b4213"},
    {Role::Well, "#3f6f4a", "#86bd90"},
    {Role::Bound, "#6f5288", "#b99bd0"},
    {Role::BoundGround, "#e9e1ef", "#3a3142"},
    {Role::Error, "#a8441f", "#e08a66"},
    {Role::ErrorGround, "#f4ddd3", "#4a2c20"},
}};

QString filled(QString sheet) {
    const std::array<std::pair<const char*, Role>, 16> names{{{"@window", Role::Window},
                                                              {"@surface", Role::Surface},
                                                              {"@field", Role::Field},
                                                              {"@line", Role::Line},
                                                              {"@strong", Role::StrongLine},
                                                              {"@text", Role::Text},
                                                              {"@quiet", Role::QuietText},
                                                              {"@around", Role::Around},
                                                              {"@ruler", Role::Ruler},
                                                              {"@accent", Role::Accent},
                                                              {"@soft", Role::AccentSoft},
                                                              {"@well", Role::Well},
                                                              {"@bound", Role::Bound},
                                                              {"@boundground", Role::BoundGround},
                                                              {"@error", Role::Error},
                                                              {"@errorground", Role::ErrorGround}}};
    for (const auto& [name, role] : names)
        sheet.replace(QString(name) + ";", Theme::colour(role).name() + ";")
            .replace(QString(name) + " ", Theme::colour(role).name() + " ");
    return sheet;
}

QString readText(const QString& path) {
    QFile file(path);
    return file.open(QIODevice::ReadOnly) ? QString::fromUtf8(file.readAll()) : QString();
}

// The plain style without its pictures on dialog buttons.
class QuietStyle : public QProxyStyle {
  public:
    QuietStyle() : QProxyStyle("Fusion") {}
    int styleHint(StyleHint hint, const QStyleOption* option, const QWidget* widget,
                  QStyleHintReturn* data) const override {
        return hint == SH_DialogButtonBox_ButtonsHaveIcons ? 0 : QProxyStyle::styleHint(hint, option, widget, data);
    }
};

QPalette palette() {
    QPalette p;
    p.setColor(QPalette::Window, Theme::colour(Role::Surface));
    p.setColor(QPalette::Base, Theme::colour(Role::Field));
    p.setColor(QPalette::AlternateBase, Theme::colour(Role::Surface));
    p.setColor(QPalette::Button, Theme::colour(Role::Field));
    for (const QPalette::ColorRole role :
         {QPalette::WindowText, QPalette::Text, QPalette::ButtonText, QPalette::ToolTipText})
        p.setColor(role, Theme::colour(Role::Text));
    p.setColor(QPalette::PlaceholderText, Theme::colour(Role::QuietText));
    p.setColor(QPalette::Highlight, Theme::colour(Role::AccentSoft));
    p.setColor(QPalette::HighlightedText, Theme::colour(Role::Text));
    p.setColor(QPalette::ToolTipBase, Theme::colour(Role::Field));
    p.setColor(QPalette::Link, Theme::colour(Role::Bound));
    p.setColor(QPalette::Mid, Theme::colour(Role::Line));
    for (const QPalette::ColorRole role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText})
        p.setColor(QPalette::Disabled, role, Theme::colour(Role::QuietText));
    return p;
}

}  // namespace

void Theme::apply(QApplication& application, Appearance appearance) {
    static const bool systemIsDark = QGuiApplication::palette().color(QPalette::Window).lightness() < 128;
    dark_ = appearance == Appearance::Dark || (appearance == Appearance::System && systemIsDark);
    application.setStyle(new QuietStyle);
    application.setPalette(palette());
    application.setFont(text());
    QToolTip::setPalette(palette());
    application.setStyleSheet(filled(readText(":/theme/style.qss")));
}

bool Theme::isDark() { return dark_; }

QColor Theme::colour(Role role) {
    const RoleColours& entry = colours[static_cast<size_t>(role)];
    return QColor(dark_ ? entry.dark : entry.light);
}

QFont Theme::text(int pixels, bool strong) {
    static const bool hasInter = QFontDatabase::families().contains("Inter");
    QFont font = hasInter ? QFont("Inter") : QFontDatabase::systemFont(QFontDatabase::GeneralFont);
    font.setPixelSize(pixels);
    font.setWeight(strong ? QFont::DemiBold : QFont::Normal);
    return font;
}

QFont Theme::figures(int pixels) {
    QFont font("DejaVu Sans Mono");
    font.setStyleHint(QFont::Monospace);
    font.setPixelSize(pixels);
    return font;
}

QPixmap Theme::pixmap(const QString& name, const QColor& colour, int size, qreal ratio) {
    const QString key = QString("line icon %1 %2 %3 %4").arg(name, colour.name()).arg(size).arg(ratio);
    QPixmap out;
    if (QPixmapCache::find(key, &out))
        return out;
    QString svg = readText(":/icons/" + name + ".svg");
    svg.replace("currentColor", colour.name());
    QSvgRenderer renderer(svg.toUtf8());
    out = QPixmap(QSize(size, size) * ratio);
    out.setDevicePixelRatio(ratio);
    out.fill(Qt::transparent);
    QPainter painter(&out);
    renderer.render(&painter, QRectF(0, 0, size, size));
    painter.end();
    QPixmapCache::insert(key, out);
    return out;
}

namespace {

// An icon that takes the colours of the moment whenever it is painted.
class LineIcon : public QIconEngine {
  public:
    explicit LineIcon(QString name) : name_(std::move(name)) {}

    void paint(QPainter* painter, const QRect& rect, QIcon::Mode mode, QIcon::State) override {
        const int size = std::min(rect.width(), rect.height());
        const QPoint at(rect.x() + (rect.width() - size) / 2, rect.y() + (rect.height() - size) / 2);
        painter->drawPixmap(at, Theme::pixmap(name_, ink(mode), size, painter->device()->devicePixelRatioF()));
    }
    QPixmap pixmap(const QSize& size, QIcon::Mode mode, QIcon::State state) override {
        return scaledPixmap(size, mode, state, 1);
    }
    QPixmap scaledPixmap(const QSize& size, QIcon::Mode mode, QIcon::State, qreal scale) override {
        return Theme::pixmap(name_, ink(mode), static_cast<int>(std::min(size.width(), size.height()) / scale), scale);
    }
    QIconEngine* clone() const override { return new LineIcon(name_); }

  private:
    static QColor ink(QIcon::Mode mode) {
        return Theme::colour(mode == QIcon::Disabled ? Role::StrongLine : Role::Text);
    }
    QString name_;
};

}  // namespace

QIcon Theme::icon(const QString& name) { return QIcon(new LineIcon(name)); }

}  // namespace gorsefinch::app
