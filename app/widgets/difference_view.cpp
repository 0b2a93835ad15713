// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/difference_view.h"

#include <QPlainTextEdit>
#include <QTextBlock>

#include "app/theme/theme.h"
#include "app/widgets/line_difference.h"

namespace gorsefinch::app {

namespace {

constexpr int kContext = 3;  // lines around a change

}  // namespace

void showDifference(QPlainTextEdit& view, const QString& before, const QString& after) {
    const auto lines = lineDifference(before, after);
    QString text;
    QVector<DifferenceLine::What> kinds;
    for (qsizetype i = 0; i < lines.size(); ++i) {
        bool near = false;
        for (qsizetype j = std::max<qsizetype>(0, i - kContext); j <= std::min(lines.size() - 1, i + kContext); ++j)
            near = near || lines[j].what != DifferenceLine::Same;
        if (!near)
            continue;
        text += QString(lines[i].what == DifferenceLine::Gone  ? "- "
                        : lines[i].what == DifferenceLine::New ? "+ "
                                                               : "  ") +
                lines[i].text.left(400) + "\n";
        kinds.append(lines[i].what);
    }
    view.setPlainText(text);
    QList<QTextEdit::ExtraSelection> marks;
    for (qsizetype i = 0; i < kinds.size(); ++i) {
        if (kinds[i] == DifferenceLine::Same)
            continue;
        QTextEdit::ExtraSelection mark;
        mark.cursor = QTextCursor(view.document()->findBlockByNumber(static_cast<int>(i)));
        mark.format.setBackground(
            Theme::colour(kinds[i] == DifferenceLine::Gone ? Role::ErrorGround : Role::AccentSoft));
        mark.format.setProperty(QTextFormat::FullWidthSelection, true);
        marks.append(mark);
    }
    view.setExtraSelections(marks);
}

}  // namespace gorsefinch::app
