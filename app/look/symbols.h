// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QIcon>

namespace ember::app {

/// Small drawings on buttons. Each button says in a tooltip and to screen readers what it does.
enum class Symbol {
    toStart,
    stepBack,
    play,
    pause,
    stepOn,
    loop,
    sound,
    compare,
    more,
    decayConstant,
    decayLinear,
    decayFast,
    easeLinear,
    easeSmooth,
    easeHold,
    easeIn,
    easeOut
};

/// Drawn in the ink of its button, whatever the scheme and scale.
QIcon symbol(Symbol which);

} // namespace ember::app
