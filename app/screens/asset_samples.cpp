// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/asset_samples.h"

#include "app/screens/looks_model.h"
#include "app/session/session.h"
#include "app/widgets/frame_picture.h"
#include "core/sim/specimen.h"

namespace gorsefinch::app {

namespace {

constexpr QSize kImageSample(48, 32), kFaceSample(96, 26);
constexpr int kFacePixels = 16;  // size of its letters

}  // namespace

Sample lookSample(const LooksModel& looks, const QString& name, const QString& words) {
    const int row = looks.rowOf(name);
    if (row < 0)
        return {words};
    const QModelIndex index = looks.index(row);
    const int uses = index.data(LooksModel::UsesRole).toInt();
    return {words, uses > 0 ? QString::number(uses) : QString(),
            QPixmap::fromImage(index.data(LooksModel::SampleRole).value<QImage>())};
}

Sample imageSample(Session& session, const QString& name, const QString& words) {
    const Image* image = session.document().image(name.toStdString());
    const auto baked = image ? session.images().bake(session.document(), *image) : tl::unexpected(Error{});
    if (!baked)
        return {words};
    const QImage picture = toImage((*baked)->picture(0));
    const QSize size = picture.size().scaled(picture.size().boundedTo(kImageSample), Qt::KeepAspectRatio);
    QPixmap out(kImageSample);
    out.fill(QColor::fromRgb(backgroundOf(session.document(), *session.document().screens.front()).argb));
    QPainter painter(&out);
    painter.drawImage(QPoint((out.width() - size.width()) / 2, (out.height() - size.height()) / 2),
                      picture.scaled(size, Qt::IgnoreAspectRatio, Qt::SmoothTransformation));
    painter.end();
    return {words, QString("%1x%2").arg((*baked)->width).arg((*baked)->height), out};
}

Sample faceSample(Session& session, const QString& name, const QString& words) {
    if (!session.document().face(name.toStdString()))
        return {words};
    SpecimenRequest request;
    request.font = {name.toStdString(), kFacePixels};
    request.text = "Ag 123";
    request.width = kFaceSample.width();
    request.height = kFaceSample.height();
    request.wrap = false;
    request.ground = backgroundOf(session.document(), *session.document().screens.front());
    request.ink = (request.ground.argb & 0x00808080u) == 0 ? opaque(0xffffff) : opaque(0x000000);
    return {words, {}, QPixmap::fromImage(toImage(specimen(session.document(), request)))};
}

}  // namespace gorsefinch::app
