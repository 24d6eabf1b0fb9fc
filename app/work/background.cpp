// SPDX-License-Identifier: GPL-3.0-or-later
#include "background.h"

namespace ember::app {

MemoryWatch& MemoryWatch::instance()
{
    static MemoryWatch watch;
    return watch;
}

void MemoryWatch::tell()
{
    QMetaObject::invokeMethod(this, &MemoryWatch::lacking, Qt::QueuedConnection);
}

} // namespace ember::app
