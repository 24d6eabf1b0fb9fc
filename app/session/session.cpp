// SPDX-License-Identifier: GPL-3.0-or-later
#include "session.h"

namespace ember::app {

Session::Session()
{
    QObject::connect(&file, &ProjectFile::aboutToReplace, &strikes, &StrikeCommands::forgetHome);
    QObject::connect(&film, &Film::found, &file, &ProjectFile::opened);
}

} // namespace ember::app
