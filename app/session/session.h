// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "book_shelf.h"
#include "busy.h"
#include "film.h"
#include "film_wave.h"
#include "hand_work.h"
#include "messages.h"
#include "motion_store.h"
#include "open_document.h"
#include "playhead.h"
#include "project_file.h"
#include "proxy_maker.h"
#include "selection.h"
#include "shaping.h"
#include "shot_commands.h"
#include "strike_commands.h"

namespace ember::app {

/// All that the window works on, each part with an owner. A view takes the owners it needs; only the window itself and
/// those that need nearly all of it take the session.
struct Session {
    Messages messages;
    Busy busy;
    OpenDocument document{messages};
    Selection selection{document};
    Playhead playhead{document};
    Shaping shaping{document, selection, messages};
    HandWork hand{document, selection, playhead, shaping, messages};
    Film film{document, playhead, messages, busy};
    ProjectFile file{document, selection, playhead, film, messages, busy};
    ProxyMaker proxies{document, film, messages};
    FilmWave wave{document, film, file};
    StrikeCommands strikes{document, selection, playhead, shaping, messages, busy};
    ShotCommands shots{document, selection, playhead, film, file, messages};
    BookShelf book;
    MotionStore motions;

    Session();
    Session(const Session&) = delete;
    Session& operator=(const Session&) = delete;
};

} // namespace ember::app
