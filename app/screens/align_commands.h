// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QVector>
#include <functional>

#include "core/edits/align.h"

class QAction;
class QMenu;

namespace gorsefinch::app {

class Session;

// The commands that place the selected widgets by one another. While the pointer, or the keyboard's focus, is on one of
// them, canvas and twin show what it would give.
class AlignCommands : public QObject {
    Q_OBJECT

  public:
    enum class Group { Align, Distribute, Size, Order };
    struct Command {
        QAction* action;
        Group group;
    };

    explicit AlignCommands(Session& session, QObject* parent = nullptr);

    const QVector<Command>& all() const { return commands_; }
    // What the six alignments go by; kept over restarts.
    AlignBy by() const { return by_; }
    void setBy(AlignBy by);
    // Adds submenus that show what each entry would give.
    void addTo(QMenu& menu);
    // Adds the entries of a group to a menu.
    void fill(QMenu& menu, Group group);
    // Shows what the command would give; null, or one that is disabled, ends the preview.
    void preview(const QAction* action);

  Q_SIGNALS:
    void byChanged();

  private:
    using Edit = std::function<Document(const Document&, std::string_view, std::span<const std::string>, AlignBy)>;
    struct Known {
        QAction* action;
        size_t needed;  // selected widgets
        bool alone;     // one is enough where the panel or the container is gone by
        Edit edit;
    };

    void add(const char* name, Group group, const QString& text, const QKeySequence& keys, size_t needed, bool alone,
             Edit edit);
    void addAlignments();
    void addOthers();
    Document fitToContent(const Document& document, std::string_view screen, std::span<const std::string> names) const;
    void run(const Known& known);
    void updateEnabled();
    Document resultOf(const Known& known) const;

    Session& session_;
    QVector<Command> commands_;
    std::vector<Known> known_;
    AlignBy by_ = AlignBy::Last;
};

}  // namespace gorsefinch::app
