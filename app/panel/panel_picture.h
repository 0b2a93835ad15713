// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <QWidget>

#include "core/document/document.h"

namespace gorsefinch::app {

// A panel's picture with a caption, as large as whole-number zoom allows.
class PanelPicture : public QWidget {
    Q_OBJECT

  public:
    PanelPicture(const QString& caption, QWidget* parent = nullptr);
    // `shape` decides the rim.
    void setPicture(const QImage& picture, const QString& detail, const Panel& shape);

  protected:
    void paintEvent(QPaintEvent* event) override;

  private:
    QString caption_, detail_;
    QImage picture_;
    Panel shape_;
};

}  // namespace gorsefinch::app
