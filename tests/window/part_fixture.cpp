// SPDX-License-Identifier: GPL-3.0-or-later
#include "part_fixture.h"
