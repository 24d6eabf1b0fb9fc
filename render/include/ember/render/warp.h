// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <vector>

#include "ember/core/project.h"
#include "ember/core/projection.h"
#include "ember/image/image.h"

namespace ember {

/// Catmull-Rom weights (Keys 1981, a = -1/2) of the four pixels around a place `f` (0 to 1) behind the second of them.
struct CubicWeights {
    double w[4];
};
CubicWeights cubicWeights(double f);

/// Fills `out` with what `toSource` shows of `source`, in its own codes (with alpha multiplied in); beyond it, what
/// `edges` says. Fast: vector code for the best instruction set of this machine, tiles spread over threads.
void warp(const Image& source, const Matrix3& toSource, EdgeMode edges, Colour plain, Image& out);

/// The instruction sets compiled in that this machine can run, best first, and the one in use.
std::vector<std::string> instructionSets();
std::string instructionSetInUse();
/// Uses one of instructionSets(); an empty name goes back to the best. False when it is not available.
bool useInstructionSet(const std::string& name);

} // namespace ember
