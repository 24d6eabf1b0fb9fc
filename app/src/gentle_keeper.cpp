// SPDX-License-Identifier: GPL-3.0-or-later
#include "gentle_keeper.h"

namespace ember::app {

GentleKeeper::GentleKeeper(Session& session, QObject* parent) : QObject(parent), session_(session)
{
    connect(&session_, &Session::projectChanged, this, &GentleKeeper::refresh);
    connect(&session_, &Session::opened, this, [this] {
        take_.reset();
        refresh();
    });
}

void GentleKeeper::setWanted(bool wanted)
{
    wanted_ = wanted;
    refresh();
}

void GentleKeeper::refresh()
{
    if (!wanted_ || session_.project().shots.empty())
        return;
    work_.order([this, project = session_.document().snapshot()](const std::atomic<bool>&) {
        const auto gentle = std::make_shared<const Project>(gentled(*project));
        Motion motion(*gentle);
        const Cover cover = coverOf(*gentle, motion);
        const auto take = std::make_shared<const Takes::Take>(Takes::Take{gentle, std::move(motion), cover});
        return [this, take] {
            take_ = take;
            emit changed();
        };
    });
}

} // namespace ember::app
