// SPDX-License-Identifier: GPL-3.0-or-later
// The Reel for assistive programs: strikes, settle marks and proposals as parts.
#include <algorithm>
#include <cmath>

#include "ember/project/edits.h"
#include "language.h"
#include "reel_view.h"
#include "words.h"

namespace ember::app {

std::vector<PaintedPart> ReelView::paintedParts()
{
    std::vector<PaintedPart> parts;
    const ReelLayout layout = layoutNow();
    for (const Strike& strike : session_.document.project().strikes) {
        PaintedPart part;
        part.name = tr("%1, %2").arg(strikeTitle(strike), language::inLine(kindTitle(strike.kind)));
        part.value = tr("frame %1, %2 %").arg(strike.frame.index).arg(std::lround(100 * strike.strength));
        const double x = layout.sparkX(strike.frame.index);
        const double high = layout.sparkHeight(strike.strength);
        part.place = QRectF(x - 5, layout.sparks.bottom() - high, 10, high).toAlignedRect();
        part.selected = session_.selection.contains(strike.id);
        part.number =
            PaintedNumber{strike.strength, strikefield::strength.min, strikefield::strength.max,
                          strikefield::strength.step, [this, id = strike.id](double wanted) {
                              session_.document.edit(withStrikesChanged(session_.document.project(), {id},
                                                                        [wanted](Strike& s) { s.strength = wanted; }),
                                                     tr("Strength %1 %").arg(std::lround(100 * wanted)));
                          }};
        const auto move = [this, id = strike.id](std::int64_t by) {
            session_.document.edit(withStrikesMoved(session_.document.project(), {id}, by),
                                   tr("Strike moved by %1 frame").arg(by));
        };
        part.actions = {{tr("Select"), [this, id = strike.id] { session_.selection.set({id}); }},
                        goThere(strike.frame.index),
                        {tr("One frame earlier"), [move] { move(-1); }},
                        {tr("One frame later"), [move] { move(1); }}};
        parts.push_back(std::move(part));
    }
    for (const SettleMark& mark : session_.document.project().settles) {
        PaintedPart part;
        part.name = tr("Settle mark");
        part.value = tr("frame %1").arg(mark.frame.index);
        const double x = layout.sparkX(mark.frame.index);
        part.place = QRectF(x - 4, layout.sparks.top(), 8, layout.sparks.height()).toAlignedRect();
        part.actions = {goThere(mark.frame.index)};
        parts.push_back(std::move(part));
    }
    if (!layout.moves.isEmpty()) {
        PaintedPart part;
        part.name = tr("Camera move");
        part.value = partWord(movePart_);
        part.place = layout.moves.toAlignedRect();
        part.actions = {{tr("Next value"), [this] { showNextMovePart(); }}};
        parts.push_back(std::move(part));
    }
    if (finding_)
        addProposals(parts, layout);
    return parts;
}

std::pair<QString, std::function<void()>> ReelView::goThere(std::int64_t frame)
{
    return {tr("Go there"), [this, frame] { session_.playhead.setFrame(frame); }};
}

void ReelView::addProposals(std::vector<PaintedPart>& parts, const ReelLayout& layout)
{
    for (std::size_t i = 0; i < finder_.proposals().size(); ++i) {
        const Candidate& proposed = finder_.proposals()[i];
        PaintedPart part;
        part.name = tr("Proposal: %1").arg(kindTitle(proposed.kind));
        part.value = candidateSentence(proposed);
        const double x = layout.sparkX(proposed.frame.index);
        const double high = layout.sparkHeight(proposed.strength);
        part.place = QRectF(x - 5, layout.sparks.bottom() - high, 10, high).toAlignedRect();
        part.selected = finder_.current() == i;
        part.actions = {{tr("Accept"),
                         [this, i] {
                             finder_.setCurrent(i);
                             finder_.acceptCurrent();
                         }},
                        {tr("Reject"),
                         [this, i] {
                             finder_.setCurrent(i);
                             finder_.rejectCurrent();
                         }},
                        goThere(proposed.frame.index)};
        parts.push_back(std::move(part));
    }
}

} // namespace ember::app
