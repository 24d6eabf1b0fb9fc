// SPDX-License-Identifier: GPL-3.0-or-later
// How long a test waits for what must come. Qt's own five seconds are missed by a machine that is busy with other work.
#pragma once

#include <QTest>

namespace ember::test {

/// In milliseconds. Only a test that fails waits this long.
inline constexpr int patience = 60'000;

} // namespace ember::test

#undef QTRY_VERIFY
#undef QTRY_VERIFY2
#undef QTRY_COMPARE
#define QTRY_VERIFY(what) QTRY_VERIFY_WITH_TIMEOUT(what, ember::test::patience)
#define QTRY_VERIFY2(what, message) QTRY_VERIFY2_WITH_TIMEOUT(what, message, ember::test::patience)
#define QTRY_COMPARE(actual, expected) QTRY_COMPARE_WITH_TIMEOUT(actual, expected, ember::test::patience)
