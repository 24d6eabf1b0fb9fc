// SPDX-License-Identifier: GPL-3.0-or-later
#include "finder.h"

#include <algorithm>
#include <cmath>
#include <iterator>

#include <QPointer>

#include "background.h"
#include "ember/analysis/likeness.h"
#include "ember/film/film_reader.h"
#include "ember/film/import_strikes.h"
#include "text.h"
#include "words.h"

namespace ember::app {

/// What goes to the other thread and comes back.
struct Finder::Work {
    Project project;
    std::optional<SoundSource> source; ///< to be heard
    bool watch = false;                ///< to be seen
    std::atomic<bool> stop{false};
    std::shared_ptr<SoundTrace> sound;
    std::shared_ptr<ImpactFinder> impacts;
    QString trouble;

    /// `tell` is given how much is done.
    void run(const std::function<void(double)>& tell)
    {
        const double soundShare = !source ? 0 : watch ? 0.1 : 1;
        if (source) {
            const double length = project.rate.seconds(static_cast<double>(project.length())) + soundfield::offset.max;
            keep(sound, listenTo(*source, length, [&](double done) {
                     tell(soundShare * done);
                     return !stop.load();
                 }));
        }
        if (!watch || stop)
            return;
        auto clip = openFilm(project);
        std::shared_ptr<PictureTrace> picture;
        keep(picture, clip ? watchClip(*clip.value(), project.rate, project.length(),
                                       [&](double done) {
                                           tell(soundShare + (1 - soundShare) * done);
                                           return !stop.load();
                                       })
                           : Result<PictureTrace>(clip.error()));
        if (picture)
            impacts = std::make_shared<ImpactFinder>(*picture);
    }

private:
    template <typename Trace>
    void keep(std::shared_ptr<Trace>& place, Result<Trace> result)
    {
        if (result)
            place = std::make_shared<Trace>(std::move(result).value());
        else if (result.error().code != ErrorCode::cancelled)
            trouble = said(result.error());
    }
};

Finder::Finder(Session& session) : session_(session)
{
    connect(&session_.file, &ProjectFile::opened, this, &Finder::forget);
    connect(&session_.film, &Film::rewritten, this, &Finder::forget);
    connect(&session_.document, &OpenDocument::changed, this, &Finder::projectChanged);
}

Finder::~Finder()
{
    if (work_)
        work_->stop = true;
}

// --- the work ---

void Finder::forget()
{
    cancel();
    onsets_.reset();
    sound_.reset();
    impacts_.reset();
    found_ = {};
    rejected_.clear();
    brought_.clear();
    last_.reset();
    brought_.clear();
    last_.reset();
    current_.reset();
    picked_.clear();
    proposals_.clear();
    emit changed();
}

void Finder::start()
{
    if (running_ || session_.document.length() == 0)
        return;
    const auto source = session_.film.soundSource();
    auto work = std::make_shared<Work>();
    work->project = session_.document.project();
    if (!sound_)
        work->source = source;
    work->watch = !impacts_ && session_.film.hasClip();
    if (!work->source && !work->watch) {
        ask();
        return;
    }
    work_ = work;
    if (work->source) { // as it was recorded: it may be laid elsewhere without being heard anew
        work->source->originSeconds += session_.document.project().sound.offset;
        heard_ = *work->source;
    }
    running_ = true;
    progress_ = 0;
    emit progressed();
    const QPointer<Finder> self(this);
    inBackground([self, work] {
        int told = -1;
        work->run([&](double done) {
            const int percent = static_cast<int>(100 * done);
            if (percent == told)
                return;
            told = percent;
            onInterface(self, [work, done](Finder& finder) {
                if (finder.work_ != work)
                    return;
                finder.progress_ = done;
                emit finder.progressed();
            });
        });
        onInterface(self, [work](Finder& finder) {
            if (finder.work_ == work)
                finder.finish(work);
        });
    });
}

void Finder::cancel()
{
    if (!work_)
        return;
    work_->stop = true;
    work_.reset();
    running_ = false;
    emit progressed();
}

void Finder::finish(const std::shared_ptr<Work>& work)
{
    work_.reset();
    running_ = false;
    if (work->sound) {
        onsets_.reset();
        sound_ = work->sound;
    }
    if (work->impacts) {
        impacts_ = work->impacts;
        watched_ = work->project;
    }
    ask();
    emit progressed();
    if (!work->trouble.isEmpty())
        emit trouble(work->trouble);
}

// --- what is asked ---

void Finder::setOptions(const FindOptions& options)
{
    if (options.band != options_.band || options.spacing != options_.spacing)
        onsets_.reset();
    options_ = options;
    ask();
}

void Finder::setProposed(Propose propose)
{
    propose_ = propose;
    this->propose();
}

void Finder::projectChanged()
{
    // Another sound has to be heard anew; one that is only laid elsewhere has not.
    const auto source = session_.film.soundSource();
    const auto asRecorded = [&] {
        SoundSource plain = *source;
        plain.originSeconds += session_.document.project().sound.offset;
        return plain;
    };
    if (sound_ && (!source || !(asRecorded() == heard_))) {
        onsets_.reset();
        sound_.reset();
        found_ = {};
    }
    if (impacts_ && !sameFrames(session_.document.project(), watched_)) {
        impacts_.reset();
        found_ = {};
    }
    if (ready()) {
        ask();
        noteAdded();
    }
}

void Finder::noteAdded()
{
    // One strike that was put by hand on something that is heard or seen is an example of what is looked for.
    constexpr std::int64_t near = 2;
    std::set<std::int64_t> now;
    for (const Strike& strike : session_.document.project().strikes)
        now.insert(strike.frame.index);
    std::vector<std::int64_t> added;
    std::set_difference(now.begin(), now.end(), struck_.begin(), struck_.end(), std::back_inserter(added));
    struck_ = std::move(now);
    if (added.size() != 1)
        return;
    const Candidate* best = nullptr;
    for (const Candidate& one : everything()) {
        const auto far = std::abs(one.frame.index - added.front());
        if (far <= near && (best == nullptr || far < std::abs(best->frame.index - added.front())))
            best = &one;
    }
    if (best != nullptr) {
        last_ = *best;
        emit changed();
    }
}

const std::vector<Candidate>& Finder::everything()
{
    if (everything_.empty() && ready()) {
        FindOptions all = options_;
        all.sensitivity = 1;
        everything_ = findStrikes(onsets_.get(), impacts_.get(), session_.document.project().sound.offset,
                                  session_.document.project().rate, all)
                          .candidates;
    }
    return everything_;
}

void Finder::ask()
{
    everything_.clear();
    if (sound_ && !onsets_)
        onsets_ = std::make_unique<OnsetFinder>(*sound_, options_.band, options_.spacing);
    if (ready())
        found_ = findStrikes(onsets_.get(), impacts_.get(), session_.document.project().sound.offset,
                             session_.document.project().rate, options_);
    propose();
}

std::optional<BeatGrid> Finder::grid() const
{
    if (session_.document.project().beats)
        return session_.document.project().beats;
    return found_.tempo ? std::optional(found_.tempo->grid) : std::nullopt;
}

std::vector<double> Finder::moments() const
{
    std::vector<double> seconds;
    for (const Candidate& candidate : found_.candidates)
        seconds.push_back(candidate.seconds);
    return seconds;
}

std::vector<Candidate> Finder::beatsOf(const BeatGrid& grid) const
{
    constexpr double near = 0.05;
    const FrameRate rate = session_.document.project().rate;
    const double end = rate.seconds(static_cast<double>(session_.document.length()));
    std::vector<Candidate> beats;
    for (std::int64_t beat = grid.from(0); grid.at(beat) < end; ++beat) {
        if (propose_ == Propose::barStarts && !grid.startsBar(beat))
            continue;
        if (propose_ == Propose::everySecondBeat && (beat - grid.barStart) % 2 != 0)
            continue;
        Candidate candidate;
        candidate.seconds = grid.at(beat);
        candidate.frame = Frame{std::llround(rate.frames(candidate.seconds))};
        candidate.kind = StrikeKind::beat;
        candidate.strength = 0.5; // it is not heard
        candidate.confidence = 0.2;
        for (const Candidate& event : found_.candidates)
            if (event.heard && std::abs(event.seconds - candidate.seconds) < near) {
                candidate.strength = event.strength;
                candidate.confidence = event.confidence;
                candidate.heard = true;
            }
        if (candidate.frame.index >= 0 && candidate.frame.index < session_.document.length())
            beats.push_back(candidate);
    }
    return beats;
}

void Finder::propose()
{
    constexpr double strong = 0.6;
    const std::int64_t was = currentProposal() != nullptr ? currentProposal()->frame.index : -1;
    const auto beats = grid();
    proposals_ =
        propose_ >= Propose::everyBeat ? beats ? beatsOf(*beats) : std::vector<Candidate>() : found_.candidates;
    if (propose_ == Propose::all && !brought_.empty()) {
        for (const Candidate& faint : everything())
            if (brought_.contains(faint.frame.index) &&
                std::none_of(found_.candidates.begin(), found_.candidates.end(),
                             [&](const Candidate& one) { return one.frame == faint.frame; }))
                proposals_.push_back(faint);
        std::stable_sort(proposals_.begin(), proposals_.end(),
                         [](const Candidate& a, const Candidate& b) { return a.seconds < b.seconds; });
    }
    std::set<std::int64_t> taken;
    for (const Strike& strike : session_.document.project().strikes)
        taken.insert(strike.frame.index);
    std::erase_if(proposals_, [&](const Candidate& c) {
        if (propose_ == Propose::strong && c.strength < strong)
            return true;
        if (propose_ == Propose::onBeat && c.kind != StrikeKind::beat)
            return true;
        return c.frame.index < 0 || c.frame.index >= session_.document.length() || taken.contains(c.frame.index) ||
               isRejected(c.frame.index);
    });
    current_.reset();
    std::set<std::int64_t> stillPicked;
    for (std::size_t i = 0; i < proposals_.size(); ++i) {
        const auto frame = proposals_[i].frame.index;
        if (frame == was)
            current_ = i;
        if (picked_.contains(frame))
            stillPicked.insert(frame);
    }
    picked_ = std::move(stillPicked);
    emit changed();
}

// --- deciding ---

void Finder::setCurrent(std::optional<std::size_t> index)
{
    current_ = index && *index < proposals_.size() ? index : std::nullopt;
    if (current_)
        session_.playhead.setFrame(proposals_[*current_].frame.index);
    emit changed();
}

void Finder::step(int direction)
{
    if (proposals_.empty()) {
        emit session_.messages.told(ready() ? tr("There is nothing left to decide")
                                            : tr("Find strikes first, with Ctrl+F"));
        return;
    }
    const auto here = session_.playhead.frame();
    std::optional<std::size_t> next;
    for (std::size_t i = 0; i < proposals_.size(); ++i) {
        const auto frame = proposals_[i].frame.index;
        // The one in hand is passed; else one under the playhead counts.
        if (direction > 0 && (current_ ? i > *current_ : frame >= here)) {
            next = i;
            break;
        }
        if (direction < 0 && (current_ ? i < *current_ : frame <= here))
            next = i;
    }
    if (!next) {
        emit session_.messages.told(direction > 0 ? tr("That was the last one") : tr("That was the first one"));
        return;
    }
    setCurrent(next);
    emit session_.messages.told(candidateSentence(proposals_[*next]));
}

void Finder::accept(const std::vector<Candidate>& candidates)
{
    auto imported =
        withStrikesImported(session_.document.project(), listOf(candidates, session_.document.project().rate));
    if (shapesFromSound_ && sound_)
        imported.project = withShapesFromSound(std::move(imported.project), imported.ids, *sound_);
    if (!candidates.empty())
        last_ = candidates.back();
    session_.document.edit(std::move(imported.project), QString::fromStdString(importSentence(imported)));
    session_.selection.set(std::move(imported.ids));
}

void Finder::setPicked(std::set<std::int64_t> frames)
{
    std::erase_if(frames, [this](std::int64_t frame) {
        return std::none_of(proposals_.begin(), proposals_.end(),
                            [frame](const Candidate& c) { return c.frame.index == frame; });
    });
    if (frames == picked_)
        return;
    picked_ = std::move(frames);
    emit changed();
}

std::vector<Candidate> Finder::pickedProposals() const
{
    std::vector<Candidate> found;
    for (const Candidate& candidate : proposals_)
        if (picked_.contains(candidate.frame.index))
            found.push_back(candidate);
    return found;
}

void Finder::acceptCurrent()
{
    if (!picked_.empty()) {
        accept(pickedProposals());
        return;
    }
    if (currentProposal() == nullptr) {
        step(1);
        return;
    }
    const std::size_t at = *current_;
    accept({proposals_[at]}); // it goes from the proposals, and the next one takes its place
    if (at < proposals_.size())
        setCurrent(at);
}

std::size_t Finder::rejected() const
{
    std::size_t count = 0;
    for (const auto& step : rejected_)
        count += step.size();
    return count;
}

bool Finder::isRejected(std::int64_t frame) const
{
    return std::any_of(rejected_.begin(), rejected_.end(), [frame](const auto& step) { return step.contains(frame); });
}

void Finder::reject(std::set<std::int64_t> frames)
{
    for (const Candidate& one : proposals_)
        if (frames.contains(one.frame.index))
            last_ = one;
    rejected_.push_back(std::move(frames));
    propose();
}

void Finder::rejectCurrent()
{
    if (!picked_.empty()) {
        const auto count = picked_.size();
        reject(std::move(picked_));
        emit session_.messages.told(tr("%1 rejected; Bring back proposes them again").arg(count));
        return;
    }
    if (currentProposal() == nullptr) {
        step(1);
        return;
    }
    const std::size_t at = *current_;
    const auto frame = proposals_[at].frame.index;
    reject({frame});
    if (at < proposals_.size())
        setCurrent(at);
    emit session_.messages.told(tr("Frame %1 rejected; Bring back proposes it again").arg(frame));
}

void Finder::acceptAll()
{
    if (proposals_.empty())
        return;
    accept(proposals_);
}

const Candidate* Finder::example() const
{
    return currentProposal() != nullptr ? currentProposal() : last_ ? &*last_ : nullptr;
}

void Finder::pickAlike()
{
    if (example() == nullptr) {
        step(1);
        return;
    }
    const Candidate like = *example();
    std::vector<Candidate> others; // what was rejected is not looked for
    for (const Candidate& one : everything())
        if (isRejected(one.frame.index) && one.frame != like.frame)
            others.push_back(one);
    std::set<std::int64_t> frames{like.frame.index};
    for (const std::size_t i : Likeness(everything()).alike(like, others))
        frames.insert(everything()[i].frame.index);
    brought_.insert(frames.begin(), frames.end());
    picked_ = std::move(frames);
    propose();
    emit session_.messages.told(picked_.empty() ? tr("Nothing else is like it")
                                : picked_.size() == 1
                                    ? tr("1 is picked; A accepts it")
                                    : tr("%1 are picked; A accepts them, R rejects them").arg(picked_.size()));
}

void Finder::rejectAlike()
{
    if (example() == nullptr) {
        step(1);
        return;
    }
    const Candidate unlike = *example();
    std::vector<Candidate> others = Likeness::surerThan(unlike, proposals_);
    for (const Candidate& one : everything()) // nor what is a strike already
        if (struck_.contains(one.frame.index))
            others.push_back(one);
    std::set<std::int64_t> alike{unlike.frame.index}, frames;
    for (const std::size_t i : Likeness(everything()).alike(unlike, others))
        alike.insert(everything()[i].frame.index);
    for (const Candidate& one : proposals_)
        if (alike.contains(one.frame.index))
            frames.insert(one.frame.index);
    if (frames.empty()) {
        emit session_.messages.told(tr("Nothing else is like it"));
        return;
    }
    const auto count = frames.size();
    picked_.clear();
    reject(std::move(frames));
    last_ = unlike;
    emit changed();
    emit session_.messages.told(count == 1 ? tr("1 rejected; Bring back proposes it again")
                                           : tr("%1 rejected; Bring back proposes them again").arg(count));
}

void Finder::bringBack()
{
    if (rejected_.empty())
        return;
    rejected_.pop_back();
    propose();
}

QString evidenceSentence(const Candidate& candidate)
{
    QStringList words;
    for (const Evidence& one : candidate.evidence) {
        const auto amount = std::lround(one.amount);
        switch (one.what) {
        case Evidence::What::rises: words << Finder::tr("the sound rises by %1 dB").arg(amount); break;
        case Evidence::What::above: words << Finder::tr("it is %1 dB above what is around").arg(amount); break;
        case Evidence::What::light: words << Finder::tr("light comes (%1 %)").arg(amount); break;
        case Evidence::What::stops: words << Finder::tr("what moves loses %1 % of its speed").arg(amount); break;
        case Evidence::What::turns: words << Finder::tr("what moves turns"); break;
        case Evidence::What::appears: words << Finder::tr("something new is there"); break;
        case Evidence::What::tail:
            words << Finder::tr("it belongs to what is heard %1 s before").arg(one.amount, 0, 'f', 2);
            break;
        case Evidence::What::jolt: words << Finder::tr("the camera is jolted"); break;
        }
    }
    return words.join(QStringLiteral(", "));
}

QString candidateSentence(const Candidate& candidate)
{
    const QString how = candidate.heard && candidate.seen ? Finder::tr("heard and seen")
                        : candidate.seen                  ? Finder::tr("seen")
                        : candidate.heard                 ? Finder::tr("heard")
                                                          : Finder::tr("by the beat alone");
    return Finder::tr("%1 on frame %2, %3 %, %4")
        .arg(kindTitle(candidate.kind))
        .arg(candidate.frame.index)
        .arg(std::lround(100 * candidate.strength))
        .arg(how);
}

} // namespace ember::app
