// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/clipboard.h"

#include "core/project/project_text.h"

namespace gorsefinch::app {

// A whole small project with one screen: the same reader and its checks serve for both.
QByteArray widgetsToBytes(const std::vector<WidgetRef>& widgets) {
    Document carrier;
    carrier.name = "clipboard";
    Screen screen;
    screen.name = "clipboard";
    screen.widgets = widgets;
    carrier.screens.push_back(std::make_shared<const Screen>(std::move(screen)));
    return QByteArray::fromStdString(std::string(toFiles(carrier).at("screens/clipboard.json").text()));
}

Result<std::vector<Widget>> widgetsFromBytes(const QByteArray& bytes) {
    if (bytes.size() > qsizetype{4} * 1024 * 1024)
        return failure("the clipboard", "", "it holds too much", "Copy fewer widgets");
    const FileReader reader = [&](const std::string& path, size_t) -> Result<SharedBytes> {
        if (path == kMainFile)
            return SharedBytes("{\"gorsefinch\": 1, \"name\": \"clipboard\", \"screens\": [\"clipboard\"]}");
        return SharedBytes(bytes.toStdString());
    };
    const ReadProject read = fromFiles(reader);
    if (!read.document || read.document->screens.front()->name != "clipboard")
        return failure("the clipboard", "", "it holds no widgets", "Copy widgets first");
    std::vector<Widget> out;
    for (const WidgetRef& each : read.document->screens.front()->widgets)
        out.push_back(*each);
    return out;
}

}  // namespace gorsefinch::app
