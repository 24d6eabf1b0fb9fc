// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <functional>
#include <optional>

#include <QByteArray>
#include <QObject>

#include "ember/core/error.h"
#include "ember/core/project.h"
#include "ember/project/bake.h"
#include "ember/project/copied_strikes.h"

namespace ember::app {

class Busy;
class Messages;
class OpenDocument;
class Playhead;
class Selection;
class Shaping;

/// What menus and keys do with strikes.
class StrikeCommands : public QObject {
    Q_OBJECT
public:
    StrikeCommands(OpenDocument& document, Selection& selection, Playhead& playhead, Shaping& shaping,
                   Messages& messages, Busy& busy);

    /// The kind that was put last.
    StrikeKind lastKind() const { return lastKind_; }
    void put(StrikeKind kind);
    /// The next (+1) or previous (-1) strike from the playhead: selects it and goes there.
    void goTo(int direction);

    // --- the selected ones
    void remove();
    void duplicate();
    void nudge(std::int64_t frames);
    /// All of them together; each keeps its share.
    void scaleStrengths(double factor);
    /// The shape lasts longer or shorter with the same rise and peak, for whom the scope says.
    void scaleLength(double factor);
    /// They and their recipes, on the system's clipboard, for any window.
    void copy();
    void cut();
    /// The copied ones, the first at the playhead.
    void paste();
    /// Everything of the first copied one but its frame, name, place and variation, given to the selected ones.
    void pasteValues();
    /// Another project is there: what was copied so far comes from elsewhere.
    void forgetHome();
    /// Another seed for those that are not locked.
    void newVariation();
    void toggleLocked();

    // --- all of them
    /// All shakes off, or on again.
    void toggleBypass();
    /// Ends what runs at the playhead: now, or eased home from there.
    void settleHere(SettleMode mode);
    /// Ends the selected strike alone at the playhead.
    void endOneHere(SettleMode mode);
    /// Follows the selected strike's pivot in the clip, over its frames.
    void followPivot();

    // --- motion as keys, see bake.h; on another thread, see Busy
    void bakeStrike(bool everyFrame);
    void bakeStrand(StrikeId strike, std::size_t strand);
    void bakeFilm(bool everyFrame);

private:
    /// What the clipboard holds, and whether it is of this project; tells why there is none.
    std::optional<std::pair<Project, CopiedFrom>> copied() const;
    std::int64_t halfASecond() const; ///< in frames
    using Bake = std::function<Result<Baked>(const Project&, const Progress&)>;
    /// Bakes what is there now; what is edited meanwhile is baked again.
    void bake(const Bake& bake);

    OpenDocument& document_;
    Selection& selection_;
    Playhead& playhead_;
    Shaping& shaping_;
    Messages& messages_;
    Busy& busy_;
    StrikeKind lastKind_ = StrikeKind::hit;
    QByteArray home_; ///< tells copies of this project from others; another one for every project that is opened
};

} // namespace ember::app
