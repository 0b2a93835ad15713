// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/images/image_editor.h"

#include <cmath>

#include "app/session/session.h"
#include "core/edits/image_edits.h"

namespace gorsefinch::app {

namespace {

// What can be made within a frame of the display: source and result pixels of all frames, and bytes of a file that
// was not decoded yet.
constexpr size_t kQuickSource = size_t{1024} * 1024;
constexpr size_t kQuickResult = size_t{480} * 272 * 2;
constexpr size_t kQuickFile = size_t{48} * 1024;

}  // namespace

ImageEditor::ImageEditor(Session& session, QObject* parent) : QObject(parent), session_(session) {
    connect(&session, &Session::changed, this, [this](const Change& change) {
        if (change.opened) {
            cancel();
            name_.clear();
            Q_EMIT currentChanged();
        }
        if (change.opened || change.assets || change.panel)
            refresh();
    });
    connect(&job_, &NewestJob::busyChanged, this, [this](bool busy) {
        progress_.clear();
        done_ = 0;
        Q_EMIT busyChanged(busy);
    });
    connect(&job_, &NewestJob::progressed, this, &ImageEditor::follow);
}

const Image* ImageEditor::image() const {
    return session_.isOpen() && !name_.isEmpty() ? session_.document().image(name_.toStdString()) : nullptr;
}

const Recipe& ImageEditor::recipe() const {
    static const Recipe none;
    const Image* now = image();
    return requested_ ? *requested_ : now ? now->recipe : none;
}

void ImageEditor::setCurrent(const QString& name) {
    if (name == name_)
        return;
    cancel();
    name_ = name;
    Q_EMIT currentChanged();
    refresh(true);
}

void ImageEditor::forget() {
    baked_.reset();
    original_.reset();
    error_.clear();
}

void ImageEditor::cancel() {
    job_.cancel();
    requested_.reset();
}

bool ImageEditor::isQuick(const Image& image) const {
    const OriginalRef known = session_.images().knownOriginal(image);
    if (!known)
        return image.original && image.original->size() <= kQuickFile && image.more.size() < 8 &&
               declaredPixels(*image.original) <= static_cast<int64_t>(kQuickSource);
    const size_t frames = image.recipe.frames.empty() ? known->frames.size() : image.recipe.frames.size();
    const PixelBox box = croppedBox(image.recipe, known->width(), known->height());
    const PixelSize size = resultSize(image.recipe, box.width, box.height);
    const size_t result = static_cast<size_t>(size.width) * static_cast<size_t>(size.height) * frames;
    return static_cast<size_t>(box.width) * static_cast<size_t>(box.height) * frames <= kQuickSource &&
           result <= kQuickResult;
}

// The result for the document's image: known, made at once, or requested. `another`: than the one that is shown.
void ImageEditor::refresh(bool another) {
    const Image* now = image();
    // Renamed: the one with the same original.
    if (!now && session_.isOpen() && held_)
        for (const Image& each : *session_.document().images)
            if (each.original == held_ && !name_.isEmpty()) {
                name_ = QString::fromStdString(each.name);
                now = &each;
                Q_EMIT currentChanged();
                break;
            }
    held_ = now ? now->original : nullptr;
    if (!now) {
        if (!name_.isEmpty()) {
            name_.clear();
            Q_EMIT currentChanged();
        }
        forget();
        Q_EMIT shown();
        return;
    }
    if (requested_)
        return;  // a newer one is on its way
    if (session_.images().known(session_.document(), *now) || isQuick(*now)) {
        makeNow(*now);
        return;
    }
    // What was shown before must not be taken for one that is still being made.
    if (another) {
        forget();
        Q_EMIT shown();
    }
    makeLater(*now, [this] {
        if (const Image* then = image())
            makeNow(*then);
    });
}

// Decoding takes most of the time, so it has most of the bar.
void ImageEditor::follow(int step, int percent) {
    struct Part {
        QString words;
        double from, to;
    };
    const Part parts[] = {{tr("reading"), 0, 0.6}, {tr("scaling"), 0.6, 0.75}, {tr("reducing"), 0.75, 1}};
    const Part& now = parts[std::clamp(step, 0, 2)];
    done_ = now.from + (now.to - now.from) * percent / 100;
    progress_ = tr("%1 … %2 %").arg(now.words).arg(std::lround(done_ * 100));
    Q_EMIT progressed();
}

void ImageEditor::makeNow(const Image& image) {
    forget();
    const auto baked = session_.images().bake(session_.document(), image);
    if (baked)
        baked_ = *baked;
    else
        error_ = QString::fromStdString(baked.error().text());
    if (const auto original = session_.images().original(image))
        original_ = *original;
    Q_EMIT shown();
}

void ImageEditor::makeLater(const Image& image, const std::function<void()>& then) {
    const Document document = withImage(session_.document(), image);
    const OriginalRef known = session_.images().knownOriginal(image);
    job_.request([this, document, image, known, then](const std::atomic<bool>& stale) -> NewestJob::Finish {
        auto bakery = std::make_shared<ImageBakery>();
        bakery->watch([this, &stale](Step step, double done) {
            job_.report(static_cast<int>(step), static_cast<int>(done * 100));
            return !stale;
        });
        if (known)
            bakery->adoptOriginal(image, known);
        const auto original = bakery->original(image);
        if (stale)
            return {};
        const auto baked = bakery->bake(document, image);
        return [this, document, image, then, original, baked] {
            if (original)
                session_.images().adoptOriginal(image, *original);
            if (baked)
                session_.images().adopt(document, image, *baked);
            then();
        };
    });
}

void ImageEditor::change(const std::function<void(Recipe&)>& step, const QString& label, const QString& merge) {
    const Image* now = image();
    if (!now)
        return;
    Image next = *now;
    next.recipe = recipe();
    step(next.recipe);
    if (next.recipe == recipe())
        return;
    const auto commit = [this, name = name_, recipe = next.recipe, label, merge] {
        requested_.reset();
        session_.edit(withRecipe(session_.document(), name.toStdString(), recipe), label,
                      merge.isEmpty() ? merge : name + merge);
    };
    if (isQuick(next)) {
        cancel();
        commit();
        return;
    }
    requested_ = next.recipe;
    makeLater(next, commit);
}

}  // namespace gorsefinch::app
