// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>

#include "core/base/result.h"
#include "core/document/document.h"

class QLabel;
class QTableWidget;

namespace gorsefinch::app {

class Session;

// The inputs of an assembly and the events that it tells, a line each. They are changed in one step.
class AssemblyDialog : public QDialog {
    Q_OBJECT

  public:
    AssemblyDialog(Session& session, const std::string& assembly, QWidget* parent = nullptr);

  private:
    void addInput(const AssemblyInput& input);
    void addEvent(const ToldEvent& event);
    void removeLine(QTableWidget& from);
    void followType(int row);
    AssemblyInput inputAt(int row) const;
    Result<Document> changed() const;
    void take();

    Session& session_;
    std::string assembly_;
    QTableWidget* inputs_;
    QTableWidget* events_;
    QLabel* wrong_;
};

}  // namespace gorsefinch::app
