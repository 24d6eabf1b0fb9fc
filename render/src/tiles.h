// SPDX-License-Identifier: GPL-3.0-or-later
// A picture in tiles, spread over threads.
#pragma once

#include <algorithm>

#ifdef __SANITIZE_THREAD__
#include <atomic>
#include <thread>
#include <vector>
#else
#include <oneapi/tbb/blocked_range2d.h>
#include <oneapi/tbb/parallel_for.h>
#endif

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
#ifdef __SANITIZE_THREAD__
    // The sanitizer cannot see what oneTBB, which is not built with it, keeps apart; plain threads it can.
    std::atomic<int> next = 0;
    std::vector<std::thread> threads;
    for (int i = 0; i < 3; ++i)
        threads.emplace_back([&] {
            for (int at = next++; at < rows * columns; at = next++)
                work(tileOf(at % columns, at / columns, tile, width, height));
        });
    for (std::thread& thread : threads)
        thread.join();
#else
    oneapi::tbb::parallel_for(
        oneapi::tbb::blocked_range2d<int>(0, rows, 1, 0, columns, 1),
        [&](const oneapi::tbb::blocked_range2d<int>& range) {
            for (int r = range.rows().begin(); r < range.rows().end(); ++r)
                for (int c = range.cols().begin(); c < range.cols().end(); ++c)
                    work(tileOf(c, r, tile, width, height));
        },
        oneapi::tbb::simple_partitioner());
#endif
}

} // namespace ember
