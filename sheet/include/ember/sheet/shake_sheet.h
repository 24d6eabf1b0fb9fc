// SPDX-License-Identifier: GPL-3.0-or-later
// One page on one strike, for the person who must rebuild it elsewhere: what it looks like, frame by frame, and every
// value. Drawn with cairo, the same for paper and screen.
#pragma once

#include <span>
#include <string>
#include <vector>

#include "ember/core/error.h"
#include "ember/image/image.h"

namespace ember {

struct SheetFact {
    std::string label;
    std::string text;
};

/// Values that belong together.
struct SheetGroup {
    std::string title;
    std::vector<SheetFact> values;
};

/// A frame of the film as it looks.
struct SheetFrame {
    std::string label; ///< "+2"
    std::string note;  ///< "34 px"
    ImagePtr picture;  ///< of 8 bits; may be null
};

/// One axis over time.
struct SheetTrace {
    std::string label; ///< "x"
    std::string most;  ///< "46 px"
    std::vector<double> values;
};

struct ShakeSheet {
    std::string title;
    std::string subtitle;
    std::vector<SheetFact> facts;
    double first = 0;              ///< frames from the strike to the first value of the curves below
    double step = 1;               ///< frames between them
    double peak = 0;               ///< frames from the strike
    std::vector<double> intensity; ///< 0 upwards
    std::vector<SheetTrace> traces;
    std::vector<SheetFrame> frames;
    std::vector<std::string> columns; ///< of the table of frames
    std::vector<std::vector<std::string>> rows;
    std::vector<SheetGroup> groups;
    std::string foot;
};

enum class SheetFormat { svg, pdf, png };

/// The pages, A4 across: the bytes of a file. PNG has 1684 x 1190 pixels. What does not fit is drawn smaller, down to
/// what can be read, then left out with a word that it is. Only PDF has more than one page: of the others the first is
/// drawn.
Result<std::string> drawSheets(std::span<const ShakeSheet> sheets, SheetFormat format);
inline Result<std::string> drawSheet(const ShakeSheet& sheet, SheetFormat format)
{
    return drawSheets({&sheet, 1}, format);
}

} // namespace ember
