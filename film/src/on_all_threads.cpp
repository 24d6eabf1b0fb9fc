// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/film/on_all_threads.h"

#include <oneapi/tbb/parallel_for.h>

namespace ember {

ForEach onAllThreads()
{
    return [](std::size_t count, const std::function<void(std::size_t)>& work) {
        oneapi::tbb::parallel_for(std::size_t{0}, count, work);
    };
}

} // namespace ember
