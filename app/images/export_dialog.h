// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <functional>

#include "core/emit/export_image.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;

namespace gorsefinch::app {

// Which files images are written into, and how their arrays are declared in C. Its choices are remembered.
class ExportDialog : public QDialog {
    Q_OBJECT

  public:
    // `hasWords`: all have formats of 16 bits, so that arrays of words can hold them. `write` writes them all; what it
    // refuses is shown here, and can be corrected.
    ExportDialog(const QStringList& images, bool hasWords, const QString& folder,
                 std::function<Result<void>(const ExportDialog&)> write, QWidget* parent);

    QString folder() const;
    std::vector<std::string> endings() const;
    // For the image of that name.
    ExportStyle style(const QString& image) const;

  private:
    void refresh();
    void chooseFolder();
    void write();
    void say(const QString& words, bool error);

    std::function<Result<void>(const ExportDialog&)> writeAll_;
    QStringList images_;
    QLineEdit *folder_, *storage_;
    QComboBox* element_;
    std::vector<std::pair<std::string, QCheckBox*>> endings_;
    QLabel* files_;
    QPushButton* ok_;
};

}  // namespace gorsefinch::app
