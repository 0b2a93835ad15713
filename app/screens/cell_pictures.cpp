// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/screens/cell_pictures.h"

#include "app/session/session.h"
#include "app/widgets/frame_picture.h"

namespace gorsefinch::app {

const std::vector<QImage>& CellPictures::of(Session& session, const Widget& map) {
    const Document& document = session.document();
    const Image* image = document.image(std::get<std::string>(effectiveValue(document, map, "image")));
    const auto baked = image ? session.images().bake(document, *image) : tl::unexpected(Error{});
    const BakedImageRef found = baked ? *baked : nullptr;
    if (found == from_)
        return pictures_;
    from_ = found;
    pictures_.clear();
    for (size_t i = 0; found && i < found->frames.size(); ++i)
        pictures_.push_back(toImage(found->picture(i)));
    return pictures_;
}

}  // namespace gorsefinch::app
