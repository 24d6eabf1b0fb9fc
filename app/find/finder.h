// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <memory>
#include <optional>
#include <set>
#include <vector>

#include <QObject>
#include <QString>

#include "ember/film/find_strikes.h"
#include "session.h"

namespace ember::app {

/// Which of what was found is proposed.
enum class Propose {
    all,       ///< every event
    onBeat,    ///< events that fall on the beat
    strong,    ///< events of at least 60 %
    everyBeat, ///< beats of the grid, heard or not
    everySecondBeat,
    barStarts,
};

/// Listens to the film and watches it once, and proposes strikes. What is asked of it (band, sensitivity) is answered
/// at once from what it measured. A proposal is accepted, which makes it a strike, or rejected.
class Finder : public QObject {
    Q_OBJECT
public:
    explicit Finder(Session& session);
    ~Finder() override;

    // --- the work
    /// Measures what is not measured yet, on another thread.
    void start();
    void cancel();
    bool running() const { return running_; }
    double progress() const { return progress_; }
    bool heard() const { return sound_ != nullptr; }
    bool seen() const { return impacts_ != nullptr; }
    /// Something was measured since this film was opened.
    bool ready() const { return heard() || seen(); }
    const SoundTrace* sound() const { return sound_.get(); }

    // --- what is asked
    const FindOptions& options() const { return options_; }
    void setOptions(const FindOptions& options);
    Propose proposed() const { return propose_; }
    void setProposed(Propose propose);

    // --- what was found
    const Found& found() const { return found_; }
    /// The project's beats, else those that were heard.
    std::optional<BeatGrid> grid() const;
    /// In order; without those that are strikes already or were rejected.
    const std::vector<Candidate>& proposals() const { return proposals_; }
    std::size_t rejected() const;
    /// Seconds of the film at which something begins to sound, or to be seen where nothing was heard.
    std::vector<double> moments() const;

    // --- deciding
    std::optional<std::size_t> current() const { return current_; }
    const Candidate* currentProposal() const { return current_ ? &proposals_[*current_] : nullptr; }
    void setCurrent(std::optional<std::size_t> index);
    /// Several at once, by their frames; accepting and rejecting then mean these.
    const std::set<std::int64_t>& picked() const { return picked_; }
    void setPicked(std::set<std::int64_t> frames);
    /// To the next (+1) or previous (-1) one from the playhead.
    void step(int direction);
    void acceptCurrent();
    void rejectCurrent();
    void acceptAll();
    /// What "like this" means: the proposal in hand, else what was accepted, rejected or added last.
    const Candidate* example() const;
    /// Picks the example, where it is a proposal, and all that are like it, faint ones too, which are proposed then.
    void pickAlike();
    /// Rejects the example and all proposals like it, but none that is much surer.
    void rejectAlike();
    /// Proposes again what was rejected last, in one step.
    void bringBack();
    bool shapesFromSound() const { return shapesFromSound_; }
    void setShapesFromSound(bool on) { shapesFromSound_ = on; }

signals:
    void changed();    ///< proposals, the one in hand, beats
    void progressed(); ///< the work
    void trouble(const QString& text);

private:
    struct Work;
    void finish(const std::shared_ptr<Work>& work);
    void forget();
    void projectChanged();
    void ask();
    void propose();
    std::vector<Candidate> beatsOf(const BeatGrid& grid) const;
    void accept(const std::vector<Candidate>& candidates);
    std::vector<Candidate> pickedProposals() const;
    bool isRejected(std::int64_t frame) const;
    void reject(std::set<std::int64_t> frames);
    /// Everything that may be an event, however faint.
    const std::vector<Candidate>& everything();
    void noteAdded();

    Session& session_;
    std::shared_ptr<const SoundTrace> sound_;
    std::shared_ptr<const ImpactFinder> impacts_;
    std::shared_ptr<Work> work_;
    SoundSource heard_; ///< what `sound_` was heard of
    Project watched_;   ///< what `impacts_` were seen in
    bool running_ = false;
    double progress_ = 0;
    std::unique_ptr<OnsetFinder> onsets_; ///< of `sound_`, for the band and spacing asked for
    FindOptions options_;
    Propose propose_ = Propose::all;
    Found found_;
    std::vector<Candidate> proposals_;
    std::vector<Candidate> everything_;            ///< empty as long as it was not asked for
    std::set<std::int64_t> brought_;               ///< frames of faint ones that are proposed, too
    std::vector<std::set<std::int64_t>> rejected_; ///< frames, step by step
    std::optional<Candidate> last_;                ///< what was decided or added last
    std::set<std::int64_t> struck_;                ///< frames of the project's strikes
    std::optional<std::size_t> current_;
    std::set<std::int64_t> picked_; ///< frames of proposals
    bool shapesFromSound_ = false;
};

/// "Hit on frame 84, 58 %, heard and seen"
QString candidateSentence(const Candidate& candidate);
/// "the sound rises by 31 dB, 9 dB above what is around; what moves stops"
QString evidenceSentence(const Candidate& candidate);

} // namespace ember::app
