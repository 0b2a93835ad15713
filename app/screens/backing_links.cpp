// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/backing_links.h"

#include "app/session/session.h"
#include "app/theme/theme.h"
#include "app/widgets/from_std.h"

namespace gorsefinch::app {

BackingLinks::BackingLinks(Session& session, Names Screen::*list, QWidget* parent)
    : QLabel(parent), session_(session), list_(list) {
    setObjectName(list == &Screen::above ? "links_above" : "links_below");
    setContentsMargins(12, 3, 12, 3);
    setTextInteractionFlags(Qt::LinksAccessibleByMouse | Qt::LinksAccessibleByKeyboard);
    setProperty("quiet", true);
    setToolTip(tr("Widgets of backing screens are changed there; a click goes to one"));
    connect(this, &QLabel::linkActivated, this, [this](const QString& screen) {
        if (session_.document().screen(screen.toStdString()))
            session_.selection().showScreen(screen);
    });
    connect(&session, &Session::changed, this, &BackingLinks::refresh);
    connect(&session.selection(), &Selection::changed, this, &BackingLinks::refresh);
    hide();
}

void BackingLinks::refresh() {
    const Names names = session_.isOpen() ? (*session_.selection().screen()).*list_ : Names();
    QStringList links;
    for (const std::string& each : names)
        links.append(QString("<a style=\"color: %1\" href=\"%2\">%2</a>")
                         .arg(Theme::colour(Role::Bound).name(), fromStd(each).toHtmlEscaped()));
    setText((list_ == &Screen::above ? tr("Above all: %1") : tr("Below all: %1")).arg(links.join(", ")));
    setVisible(!links.isEmpty());
}

}  // namespace gorsefinch::app
