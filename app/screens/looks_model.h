// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QAbstractListModel>
#include <QImage>
#include <QVector>

#include "core/edits/look_edits.h"
#include "core/scene/built_scene.h"

namespace gorsefinch::app {

class Session;

// Pixels of a look's sample.
inline constexpr QSize kLookSample(84, 34);

// The project's looks with a sample of each, drawn by the runtime on the panel's ground.
class LooksModel : public QAbstractListModel {
    Q_OBJECT

  public:
    enum { SampleRole = Qt::UserRole, UsesRole, BaseRole };

    explicit LooksModel(Session& session, QObject* parent = nullptr);
    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;

    QString nameAt(int row) const;
    int rowOf(const QString& name) const;
    // The samples show this state; "" for none.
    void setState(const std::string& state);

  Q_SIGNALS:
    void renamed(const QString& name);

  private:
    void reload();
    // Draws them if anything that they show is another than when they were drawn.
    const QVector<QImage>& samples() const;

    Session& session_;
    Shared<std::vector<Look>> looks_;
    mutable std::map<std::string, int, std::less<>> uses_;  // counted when they are asked for
    mutable bool areUsesStale_ = true;
    std::string state_;
    mutable SceneBuilder builder_;  // keeps the fonts from one drawing to the next
    mutable QVector<QImage> samples_;
    mutable bool isStale_ = true;
};

}  // namespace gorsefinch::app
