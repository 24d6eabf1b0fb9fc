// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <mutex>

#include <OpenColorIO/OpenColorIO.h>

#include "ember/colour/colour_way.h"

namespace ember {

/// The steps of a way for pictures of any of the three depths at either end; made when they are first asked for.
struct ColourWay::Steps {
    explicit Steps(OCIO_NAMESPACE::ConstProcessorRcPtr way);
    OCIO_NAMESPACE::ConstCPUProcessorRcPtr of(Depth from, Depth to) const;

    OCIO_NAMESPACE::ConstProcessorRcPtr way;
    bool nothing;
    mutable std::mutex mutex; ///< of what follows
    mutable std::array<OCIO_NAMESPACE::ConstCPUProcessorRcPtr, 9> made;
};

} // namespace ember
