// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>
#include <optional>

#include "app/widgets/newest_job.h"
#include "core/document/document.h"
#include "core/image/ladder.h"

class QComboBox;
class QLabel;
class QListWidget;

namespace gorsefinch::app {

class ImageEditor;
class Session;

// The picture in every pixel format and the common reductions, with what each costs and loses. A click takes it.
class LadderView : public QWidget {
    Q_OBJECT

  public:
    LadderView(Session& session, ImageEditor& editor, QWidget* parent = nullptr);

  private:
    void request();
    void show();
    void mark();

    Session& session_;
    ImageEditor& editor_;
    QComboBox* order_;
    QListWidget* list_;
    QLabel* state_;
    std::vector<RungResult> results_;
    // What the results were made of, so that taking a rung does not climb anew.
    std::optional<Image> made_;
    NewestJob job_;
};

}  // namespace gorsefinch::app
