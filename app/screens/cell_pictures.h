// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <vector>

#include "core/image/baked_image.h"
#include "core/kinds/widget.h"

namespace gorsefinch::app {

class Session;

// How the cells look that a map of tiles has: the frames of its image as the panel shows them, the latest kept.
class CellPictures {
  public:
    // None without an image.
    const std::vector<QImage>& of(Session& session, const Widget& map);

  private:
    BakedImageRef from_;
    std::vector<QImage> pictures_;
};

}  // namespace gorsefinch::app
