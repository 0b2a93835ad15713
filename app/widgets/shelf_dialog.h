// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>

#include "core/project/shelf.h"

class QLabel;
class QListWidget;
class QPushButton;

namespace gorsefinch::app {

// Where the user's shelf lies.
QString shelfFolder();

// What is on the shelf, of one sort, to take into the project or off the shelf.
class ShelfDialog : public QDialog {
    Q_OBJECT

  public:
    enum class What { Images, Faces };
    ShelfDialog(What what, QWidget* parent);
    // The chosen ones.
    std::vector<Image> images() const;
    std::vector<Face> faces() const;

  private:
    void fill();
    void removeChosen();

    What what_;
    Disk disk_;
    Shelf shelf_;
    Document held_;
    QListWidget* list_;
    QLabel* empty_;
    QPushButton* take_;
    QPushButton* remove_;
};

}  // namespace gorsefinch::app
