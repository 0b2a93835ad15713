// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QColor>
#include <QFont>
#include <QIcon>
#include <QString>

class QApplication;

namespace gorsefinch::app {

// The roles of the application's colours. One table holds their values for light and dark.
enum class Role {
    Window,
    Surface,
    Field,
    Line,
    StrongLine,
    Text,
    QuietText,
    Around,
    Ruler,
    Accent,
    AccentSoft,
    Well,
    Bound,
    BoundGround,
    Error,
    ErrorGround
};

enum class Appearance { System, Light, Dark };

// The application's look. One at a time; views read colours while they paint, so a change shows at once.
class Theme {
  public:
    // Sets palette, style sheet and fonts of the application.
    static void apply(QApplication& application, Appearance appearance);
    static bool isDark();

    static QColor colour(Role role);
    static QFont text(int pixels = 12, bool strong = false);
    static QFont figures(int pixels = 11);
    // One of the application's own line icons, in the text's colour (or the given one).
    static QIcon icon(const QString& name);
    static QPixmap pixmap(const QString& name, const QColor& colour, int size = 16, qreal ratio = 1);

  private:
    static bool dark_;
};

}  // namespace gorsefinch::app
