// SPDX-License-Identifier: GPL-3.0-or-later
#include "messages.h"
#include "text.h"

namespace ember::app {

void Messages::wentWrong(const Error& error)
{
    if (error.code == ErrorCode::cancelled)
        emit told(tr("Stopped"));
    else
        emit trouble(said(error));
}

} // namespace ember::app
