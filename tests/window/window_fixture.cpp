// SPDX-License-Identifier: GPL-3.0-or-later
#include "window_fixture.h"
