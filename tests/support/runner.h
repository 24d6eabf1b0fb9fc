// SPDX-License-Identifier: GPL-3.0-or-later
// One program for each room: every test class registers itself and the runner runs them all.
#pragma once

#include <functional>
#include <memory>
#include <vector>

#include <QObject>

#include "patience.h"

namespace ember::test {

using Factory = std::function<std::unique_ptr<QObject>()>;
std::vector<Factory>& registry();

template <typename Class>
struct Register {
    Register()
    {
        registry().push_back([] { return std::make_unique<Class>(); });
    }
};

/// How many rounds of a long check by chance are made: all of them where EMBER_ALL_ROUNDS is set, as `./check` has it,
/// else a tenth, so that the tests of a room take seconds after an edit.
int rounds(int all);

} // namespace ember::test

#define EMBER_TEST(Class) static const ember::test::Register<Class> register##Class;
