// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <functional>

#include "app/widgets/newest_job.h"
#include "core/image/baked_image.h"

namespace gorsefinch::app {

class Session;

// The image that is worked on: its recipe, its frames before and after. Small pictures are made at once, larger ones
// off the window's thread, the newest request first.
class ImageEditor : public QObject {
    Q_OBJECT

  public:
    explicit ImageEditor(Session& session, QObject* parent = nullptr);

    void setCurrent(const QString& name);
    const QString& current() const { return name_; }
    // Null when none is chosen.
    const Image* image() const;
    // The recipe as it is requested, which may be ahead of the document while a large picture is made.
    const Recipe& recipe() const;

    // The result as it was last made, and the frames before the recipe; null while there are none.
    const BakedImageRef& baked() const { return baked_; }
    const OriginalRef& original() const { return original_; }
    // What is wrong with it; "" if nothing is.
    const QString& error() const { return error_; }
    bool isBusy() const { return job_.isBusy(); }
    // What a large picture is at; "" while nothing is known.
    const QString& progress() const { return progress_; }
    // How much of all of it is done, 0 to 1.
    double done() const { return done_; }

    // Changes the recipe. `merge` joins the steps of one gesture for undo.
    void change(const std::function<void(Recipe&)>& step, const QString& label, const QString& merge = {});
    void cancel();

  Q_SIGNALS:
    void currentChanged();
    void shown();  // another result, or none
    void busyChanged(bool busy);
    void progressed();

  private:
    void refresh(bool another = false);
    bool isQuick(const Image& image) const;
    void makeNow(const Image& image);
    void makeLater(const Image& image, const std::function<void()>& then);
    void forget();
    void follow(int step, int percent);

    Session& session_;
    QString name_;
    Bytes held_;  // its original, by which it is known again after a rename
    std::optional<Recipe> requested_;
    BakedImageRef baked_;
    OriginalRef original_;
    QString error_;
    QString progress_;
    double done_ = 0;
    NewestJob job_;
};

}  // namespace gorsefinch::app
