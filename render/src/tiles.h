// SPDX-License-Identifier: GPL-3.0-or-later
// A picture in tiles, spread over threads.
#pragma once

#include <algorithm>

#include <oneapi/tbb/blocked_range2d.h>
#include <oneapi/tbb/parallel_for.h>

#include "light.h"

namespace ember {

struct TileSize {
    int width;
    int height;
};

inline Rect tileOf(int column, int row, const TileSize& tile, int width, int height)
{
    return {static_cast<long>(column) * tile.width, static_cast<long>(row) * tile.height,
            std::min(tile.width, width - column * tile.width), std::min(tile.height, height - row * tile.height)};
}

/// Calls work(tile) for each tile, on all threads there are.
template <typename Work>
void forTiles(const TileSize& tile, int width, int height, Work work)
{
    const int columns = (width + tile.width - 1) / tile.width;
    const int rows = (height + tile.height - 1) / tile.height;
    oneapi::tbb::parallel_for(
        oneapi::tbb::blocked_range2d<int>(0, rows, 1, 0, columns, 1),
        [&](const oneapi::tbb::blocked_range2d<int>& range) {
            for (int r = range.rows().begin(); r < range.rows().end(); ++r)
                for (int c = range.cols().begin(); c < range.cols().end(); ++c)
                    work(tileOf(c, r, tile, width, height));
        },
        oneapi::tbb::simple_partitioner());
}

} // namespace ember
