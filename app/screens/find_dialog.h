// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractListModel>
#include <QDialog>

#include "core/edits/find.h"

class QComboBox;
class QLabel;
class QLineEdit;
class QListView;
class QPushButton;

namespace gorsefinch::app {

class Session;

// What was found, a widget a row.
class FoundModel : public QAbstractListModel {
    Q_OBJECT

  public:
    enum { PlaceRole = Qt::UserRole, WordsRole };

    using QAbstractListModel::QAbstractListModel;
    void setFound(std::vector<Found> found);
    const std::vector<Found>& found() const { return found_; }
    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;

  private:
    std::vector<Found> found_;
};

// Finds widgets on all screens as the user types, selects the chosen one, and replaces texts and looks.
class FindDialog : public QDialog {
    Q_OBJECT

  public:
    explicit FindDialog(Session& session, QWidget* parent = nullptr);
    // Shows it with the text selected.
    void begin();

  protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

  private:
    FindIn in() const;
    void refresh();
    void showReplacing();
    void leadTo(const QModelIndex& index);
    void replace();

    Session& session_;
    bool placed_ = false;
    QLineEdit* text_;
    QComboBox* in_;
    FoundModel* model_;
    QListView* list_;
    QLabel* count_;
    QWidget* replacing_;
    QLineEdit* by_;
    QComboBox* look_;
    QPushButton* replace_;
};

}  // namespace gorsefinch::app
