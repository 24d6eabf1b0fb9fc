// SPDX-License-Identifier: GPL-3.0-or-later
#include "gentle_keeper.h"

namespace ember::app {

GentleKeeper::GentleKeeper(OpenDocument& document, ProjectFile& file, QObject* parent)
    : QObject(parent), document_(document), file_(file)
{
    connect(&document_, &OpenDocument::changed, this, &GentleKeeper::refresh);
    connect(&file_, &ProjectFile::opened, this, [this] {
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
    if (!wanted_ || document_.project().shots.empty())
        return;
    work_.order([this, project = document_.snapshot()](const std::atomic<bool>&) {
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
