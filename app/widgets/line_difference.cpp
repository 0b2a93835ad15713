// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/line_difference.h"

#include <algorithm>
#include <vector>

namespace gorsefinch::app {

namespace {

// The classic table of longest common lines.
void matchMiddle(const QStringList& a, const QStringList& b, QVector<DifferenceLine>& out) {
    const auto n = static_cast<size_t>(a.size()), m = static_cast<size_t>(b.size());
    if (n > 2000 || m > 2000) {
        for (const QString& line : a)
            out.append({DifferenceLine::Gone, line});
        for (const QString& line : b)
            out.append({DifferenceLine::New, line});
        return;
    }
    std::vector<std::vector<int>> length(n + 1, std::vector<int>(m + 1));
    const auto A = [&](size_t i) -> const QString& { return a[static_cast<qsizetype>(i)]; };
    const auto B = [&](size_t i) -> const QString& { return b[static_cast<qsizetype>(i)]; };
    for (size_t i = n; i-- > 0;)
        for (size_t j = m; j-- > 0;)
            length[i][j] = A(i) == B(j) ? length[i + 1][j + 1] + 1 : std::max(length[i + 1][j], length[i][j + 1]);
    size_t i = 0, j = 0;
    while (i < n || j < m) {
        if (i < n && j < m && A(i) == B(j)) {
            out.append({DifferenceLine::Same, A(i++)});
            ++j;
        } else if (i < n && (j == m || length[i + 1][j] >= length[i][j + 1])) {
            out.append({DifferenceLine::Gone, A(i++)});
        } else {
            out.append({DifferenceLine::New, B(j++)});
        }
    }
}

}  // namespace

QVector<DifferenceLine> lineDifference(const QString& before, const QString& after) {
    QStringList a = before.split('\n'), b = after.split('\n');
    QVector<DifferenceLine> out;
    qsizetype head = 0;
    while (head < std::min(a.size(), b.size()) && a[head] == b[head])
        out.append({DifferenceLine::Same, a[head++]});
    qsizetype tail = 0;
    while (tail < std::min(a.size(), b.size()) - head && a[a.size() - 1 - tail] == b[b.size() - 1 - tail])
        ++tail;
    matchMiddle(a.mid(head, a.size() - head - tail), b.mid(head, b.size() - head - tail), out);
    for (qsizetype i = a.size() - tail; i < a.size(); ++i)
        out.append({DifferenceLine::Same, a[i]});
    return out;
}

}  // namespace gorsefinch::app
