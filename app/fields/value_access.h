// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace ember::app {

/// Makes every number of the window known to assistive programs: its name, its value with its unit, its range, and that
/// it can be set. And every switch: Qt's own access changes the look of one without telling that it was pressed.
void installValueAccess();

} // namespace ember::app
