// SPDX-License-Identifier: GPL-3.0-or-later
#include "curve_channels.h"

#include <algorithm>
#include <cmath>

#include "ember/core/values.h"
#include "ember/project/curve_edits.h"
#include "ember/project/shot_edits.h"
#include "text.h"

namespace ember::app {

namespace {

constexpr std::string_view handPrefix = "hand:";
constexpr std::string_view filmPrefix = "film:";

/// What a value of a field is shown times, and in steps of what.
struct Shown {
    double times = 1;
    double step = 1;
};
Shown shownOf(const FieldSpec& spec)
{
    const double times = spec.unit == "%" ? 100 : 1;
    return {times, spec.step * times};
}
Shown shownOf(Axis axis)
{
    return axis == Axis::zoom ? Shown{100, 0.5} : axis == Axis::x || axis == Axis::y ? Shown{1, 1} : Shown{1, 0.1};
}
QString unitOf(Axis axis)
{
    return axis == Axis::zoom                   ? QStringLiteral("%")
           : axis == Axis::x || axis == Axis::y ? QStringLiteral("px")
                                                : QStringLiteral("°");
}

Ease withoutSlopes(Ease ease)
{
    return ease == Ease::curve ? Ease::smooth : ease;
}

double& partOf(MoveKey& key, int part)
{
    return part == 0 ? key.x : part == 1 ? key.y : part == 2 ? key.zoom : key.roll;
}

/// The film's move with one of its parts as these keys say. Keys that are moved take their other parts along.
std::vector<MoveKey> withPart(const std::vector<MoveKey>& before, int part, const CurveKeys& keys)
{
    std::vector<MoveKey> after;
    const bool same = before.size() == keys.size();
    for (std::size_t i = 0; i < keys.size(); ++i) {
        const Frame frame{std::max<std::int64_t>(0, std::llround(keys[i].frame))};
        MoveKey key = same ? before[i] : moveAt(before, static_cast<double>(frame.index));
        key.frame = frame;
        key.ease = withoutSlopes(keys[i].ease);
        partOf(key, part) = keys[i].value;
        if (after.empty() || after.back().frame < frame)
            after.push_back(key);
    }
    return after;
}

} // namespace

double valueOf(const Channel& channel, double frame)
{
    if (channel.keys.empty())
        return channel.shape.empty() ? channel.still : valueOfKeys(channel.shape, frame);
    return channel.home < 0 ? valueOfKeys(channel.keys, frame) : handValue(channel.keys, channel.home, frame);
}

CurveChannels::CurveChannels(Session& session) : session_(session)
{
    connect(&session_.document, &OpenDocument::changed, this, &CurveChannels::gather);
    connect(&session_.selection, &Selection::changed, this, &CurveChannels::gather);
    connect(&session_.shaping, &Shaping::changed, this, &CurveChannels::gather);
    gather();
}

void CurveChannels::setOf(Of of)
{
    if (of == of_)
        return;
    of_ = of;
    chosenId_.clear();
    gather();
}

const Channel* CurveChannels::channel() const
{
    return chosen_ >= 0 && chosen_ < static_cast<int>(channels_.size()) ? &channels_[static_cast<std::size_t>(chosen_)]
                                                                        : nullptr;
}

void CurveChannels::choose(int index)
{
    if (index == chosen_ || index < 0 || index >= static_cast<int>(channels_.size()))
        return;
    chosen_ = index;
    chosenId_ = channels_[static_cast<std::size_t>(index)].id;
    emit changed();
}

void CurveChannels::gather()
{
    channels_.clear();
    strand_.clear();
    zero_ = 0;
    pace_ = 1;
    const Strike* felt = session_.selection.feltStrike();
    const Recipe* recipe = felt != nullptr ? session_.shaping.felt() : nullptr;
    if (of_ == Of::film) {
        gatherFilm();
    } else if (recipe != nullptr) {
        zero_ = static_cast<double>(felt->frame.index);
        pace_ = recipe->playRate;
        strand_ = session_.shaping.shownStrand();
        if (of_ == Of::keys)
            gatherKeys(*recipe);
        else if (of_ == Of::shape)
            gatherShape(*recipe);
        else
            gatherLight(*recipe);
    }
    const auto at =
        std::find_if(channels_.begin(), channels_.end(), [&](const Channel& c) { return c.id == chosenId_; });
    if (at != channels_.end()) {
        chosen_ = static_cast<int>(at - channels_.begin());
    } else { // the first with keys, y before x
        chosen_ = channels_.empty() ? -1 : of_ == Of::keys ? 1 : 0;
        for (const int i : {1, 0, 3, 2})
            if (of_ == Of::keys && i < static_cast<int>(channels_.size()) &&
                !channels_[static_cast<std::size_t>(i)].keys.empty()) {
                chosen_ = i;
                break;
            }
        if (const Channel* now = channel())
            chosenId_ = now->id;
    }
    emit changed();
}

void CurveChannels::gatherKeys(const Recipe& recipe)
{
    const Strand* strand = recipe.strand(strand_);
    if (strand == nullptr || !std::holds_alternative<Drawn>(strand->source))
        strand = handStrand(recipe);
    if (strand == nullptr)
        for (const Strand& one : recipe.strands)
            if (strand == nullptr && std::holds_alternative<Drawn>(one.source))
                strand = &one;
    if (strand == nullptr) {
        strand_.clear();
        return;
    }
    strand_ = strand->name;
    const auto& drawn = std::get<Drawn>(strand->source);
    const Envelope& envelope = strand->envelope ? *strand->envelope : recipe.envelope;
    if (!drawn.asDrawn) // keys count from the peak
        zero_ += envelope.peak() / pace_;
    for (const Axis axis : allAxes) {
        Channel channel;
        channel.id = std::string(handPrefix) + std::string(axisName(axis));
        channel.name = ours(axisName(axis));
        channel.unit = unitOf(axis);
        const Shown shown = shownOf(axis);
        const double amount = drawn.asDrawn || strand->amount[axis] != 0 ? strand->amount[axis] : 1;
        channel.keys = drawn.asDrawn ? scaledKeys(movesOf(*strand, axis), 1, shown.times)
                                     : scaledKeys(drawn.keys[static_cast<std::size_t>(axis)], 1, amount * shown.times);
        const double most = drawn.asDrawn ? amountLimit(axis) : std::abs(amount);
        channel.min = -most * shown.times;
        channel.max = most * shown.times;
        channel.step = shown.step;
        channel.still = 0;
        channel.peakFixed = !drawn.asDrawn;
        if (!drawn.asDrawn)
            channel.felt = lastFeltKeyFrame(recipe, *strand);
        else if (drawn.home == 0 && !channel.keys.empty() && channel.keys.back().value != 0)
            channel.jumps = channel.keys.back().frame;
        channel.home = drawn.asDrawn ? drawn.home : -1;
        channel.own = session_.shaping.keysAreOwn(strand_);
        channels_.push_back(std::move(channel));
    }
}

void CurveChannels::addValue(const Recipe& recipe, const std::string& key, const QString& name)
{
    const FieldSpec* spec = curveSpecOf(recipe, key);
    if (spec == nullptr)
        return;
    Channel channel;
    const Shown shown = shownOf(*spec);
    channel.id = key;
    channel.name = name;
    channel.unit = ours(spec->unit);
    const CurveKeys* keys = curveOf(recipe, key);
    channel.keys = keys != nullptr ? scaledKeys(*keys, 1, shown.times) : CurveKeys();
    channel.still = key == "shutter_angle" ? session_.document.project().finish.shutterAngle
                    : key.ends_with(".strength") && key.find("envelope") != std::string::npos
                        ? 100
                        : readValue(recipe, key).value_or(0) * shown.times;
    channel.min = spec->min * shown.times;
    channel.max = spec->max * shown.times;
    channel.step = shown.step;
    const Strike* first = session_.selection.first();
    channel.own = first != nullptr && first->overrides.curves().of(key) != nullptr;
    channel.canTurn = keys == nullptr;
    if (channel.canTurn)
        channel.shape = scaledKeys(asCurve(recipe, key), 1, shown.times);
    if (keys != nullptr && key.ends_with("envelope.strength") && keys->back().value != 0)
        channel.jumps = channel.keys.back().frame;
    channels_.push_back(std::move(channel));
}

void CurveChannels::gatherShape(const Recipe& recipe)
{
    addValue(recipe, "envelope.strength", tr("strength"));
    const std::string prefix = "strand." + strand_ + ".";
    addValue(recipe, prefix + "envelope.strength", tr("own strength"));
    addValue(recipe, prefix + "rate", tr("rate"));
    const Strand* strand = recipe.strand(strand_);
    for (const Axis axis : allAxes) {
        const std::string key = prefix + "amount." + std::string(axisName(axis));
        if (strand != nullptr && (strand->amount[axis] != 0 || curveOf(recipe, key) != nullptr))
            addValue(recipe, key, ours(axisName(axis)));
    }
}

void CurveChannels::gatherLight(const Recipe& recipe)
{
    addValue(recipe, "shutter_angle", tr("shutter"));
    addValue(recipe, "light.streak.length", tr("streak"));
    addValue(recipe, "light.streak.angle", tr("streak angle"));
    addValue(recipe, "light.radial.length", tr("radial"));
    addValue(recipe, "light.fringe.amount", tr("fringe"));
    addValue(recipe, "light.fringe.angle", tr("fringe angle"));
    addValue(recipe, "light.flash.strength", tr("flash"));
    addValue(recipe, "light.exposure.stops", tr("exposure kick"));
    addValue(recipe, "light.impact.strength", tr("impact frames"));
    addValue(recipe, "light.defocus.radius", tr("defocus"));
    addValue(recipe, "light.ripple.amount", tr("ripple"));
    addValue(recipe, "light.grain.amount", tr("grain"));
    if (recipe.pivot.at == Pivot::At::followed) {
        addValue(recipe, "pivot_x", tr("pivot x"));
        addValue(recipe, "pivot_y", tr("pivot y"));
    }
}

void CurveChannels::gatherFilm()
{
    const Project& project = session_.document.project();
    if (project.length() == 0)
        return;
    const auto add = [&](const char* id, const QString& name, const QString& unit, CurveKeys keys, double still,
                         double min, double max, double times, double step, bool whole) {
        Channel channel;
        channel.id = std::string(filmPrefix) + id;
        channel.name = name;
        channel.unit = unit;
        channel.keys = scaledKeys(std::move(keys), 1, times);
        channel.still = still * times;
        channel.min = min * times;
        channel.max = max * times;
        channel.step = step;
        channel.wholeFrames = channel.eased = whole;
        channels_.push_back(std::move(channel));
    };
    CurveKeys intensity;
    for (const IntensityKey& key : project.master.keys)
        intensity.push_back({static_cast<double>(key.frame.index), key.value, key.ease});
    add("intensity", tr("intensity"), QStringLiteral("%"), intensity, project.master.intensity, 0, mostIntensity, 100,
        5, true);
    add("drift.rate", tr("drift rate"), QStringLiteral("Hz"), project.drift.rateKeys, project.drift.rate, 0,
        mostDriftRate, 1, 0.1, false);
    add("drift.level", tr("drift"), QStringLiteral("%"), project.drift.levelKeys, 1, -mostDriftLevel, mostDriftLevel,
        100, 5, false);
    const std::vector<MoveKey> moves = filmMove(project);
    const std::array<const FieldSpec*, 4> specs{&movefield::x, &movefield::y, &movefield::zoom, &movefield::roll};
    const std::array<QString, 4> names{tr("move x"), tr("move y"), tr("move zoom"), tr("move roll")};
    for (int part = 0; part < 4; ++part) {
        CurveKeys keys;
        for (MoveKey key : moves)
            keys.push_back({static_cast<double>(key.frame.index), partOf(key, part), key.ease});
        const FieldSpec& spec = *specs[static_cast<std::size_t>(part)];
        const double times = part == 2 ? 100 : 1;
        add(("move." + std::to_string(part)).c_str(), names[static_cast<std::size_t>(part)], ours(spec.unit), keys,
            part == 2 ? 1 : 0, spec.min, spec.max, times, spec.step * times, true);
    }
}

void CurveChannels::setKeys(int index, const CurveKeys& shown, const QString& result, Document::Gesture gesture)
{
    if (index < 0 || index >= static_cast<int>(channels_.size()))
        return;
    const Channel& channel = channels_[static_cast<std::size_t>(index)];
    CurveKeys keys = inOrder(shown);
    for (CurveKey& key : keys) {
        key.value = std::clamp(key.value, channel.min, channel.max);
        key.frame = channel.wholeFrames ? std::round(key.frame) : key.frame;
    }
    const StrikeIds& ids = session_.selection.ids();
    const ShapeScope scope = session_.shaping.scope();
    const Project& project = session_.document.project();
    Project next;
    if (channel.id.starts_with(handPrefix)) {
        const auto axis = static_cast<Axis>(index);
        keys = scaledKeys(std::move(keys), 1, 1 / shownOf(axis).times);
        const Recipe* recipe = session_.shaping.felt();
        const Strand* strand = recipe != nullptr ? recipe->strand(strand_) : nullptr;
        if (strand == nullptr)
            return;
        if (channel.peakFixed) {
            const double amount = strand->amount[axis] != 0 ? strand->amount[axis] : 1;
            next = withDrawnKeys(project, ids, strand_, axis, scaledKeys(std::move(keys), 1, 1 / amount), scope);
        } else {
            next = withMoves(project, ids, strand_, axis, std::move(keys), scope);
        }
    } else if (channel.id == "film:intensity") {
        next = project;
        next.master.keys.clear();
        for (const CurveKey& key : keys)
            if (key.frame >= 0 &&
                (next.master.keys.empty() || next.master.keys.back().frame.index < std::llround(key.frame)))
                next.master.keys.push_back({Frame{std::llround(key.frame)}, key.value / 100, withoutSlopes(key.ease)});
    } else if (channel.id == "film:drift.rate" || channel.id == "film:drift.level") {
        next = project;
        const bool rate = channel.id == "film:drift.rate";
        (rate ? next.drift.rateKeys : next.drift.levelKeys) = scaledKeys(std::move(keys), 1, rate ? 1 : 0.01);
        next.drift.on = true;
    } else if (channel.id.starts_with("film:move.")) {
        const int part = channel.id.back() - '0';
        next = withFilmMove(project,
                            withPart(filmMove(project), part, scaledKeys(std::move(keys), 1, part == 2 ? 0.01 : 1)));
    } else {
        const Recipe* recipe = session_.shaping.felt();
        const FieldSpec* spec = recipe != nullptr ? curveSpecOf(*recipe, channel.id) : nullptr;
        if (spec == nullptr)
            return;
        next = withCurve(project, ids, channel.id, scaledKeys(std::move(keys), 1, 1 / shownOf(*spec).times), scope);
    }
    session_.document.edit(std::move(next), result, gesture);
}

CurveKeys CurveChannels::asCurve(const Recipe& recipe, const std::string& key) const
{
    const Envelope& envelope = recipe.envelope;
    if (key == "envelope.strength")
        return curveOfShape(envelope);
    const Strand* strand = recipe.strand(strand_);
    if (key.ends_with("envelope.strength"))
        return strand != nullptr && strand->envelope ? curveOfShape(*strand->envelope) : CurveKeys();
    const double now =
        key == "shutter_angle" ? session_.document.project().finish.shutterAngle : readValue(recipe, key).value_or(0);
    if (key.ends_with(".rate") && strand != nullptr) {
        const Rate& rate = strand->rate;
        const double peak = (strand->envelope ? *strand->envelope : envelope).peak();
        CurveKeys keys{{std::min(0.0, peak) - 1, rate.peakHz, Ease::linear}};
        for (const double share : {0.0, 0.5, 1.0, 1.75, 3.0, 5.0}) { // the exponential's own values and slopes
            const double falls = (rate.peakHz - rate.restHz) * std::exp(-share);
            keys.push_back(
                {peak + share * rate.fall, rate.restHz + falls, Ease::curve, -falls / rate.fall, -falls / rate.fall});
        }
        keys.back().ease = Ease::linear;
        return rate.peakHz == rate.restHz ? CurveKeys{{peak, rate.peakHz, Ease::linear}} : inOrder(std::move(keys));
    }
    const auto parts = effectParts();
    const auto part = std::find_if(parts.begin(), parts.end(), [&](const EffectPart& p) { return p.amount == key; });
    const Course* course = part != parts.end() ? &part->courseIn(recipe.effects) : nullptr;
    if (course != nullptr) {
        if (course->by == Course::By::envelope)
            return scaledKeys(envelope.drawn() ? envelope.curve() : curveOfShape(envelope), 1, now);
        const double peak = envelope.peak();
        const double rise = std::min(course->rise, envelope.attack());
        CurveKeys keys;
        if (rise > 0)
            keys.push_back({peak - rise, 0, Ease::linear});
        keys.push_back({peak, now, Ease::out});
        if (course->hold > 0)
            keys.push_back({peak + course->hold, now, Ease::out});
        keys.push_back({peak + course->hold + std::max(1e-3, course->fall), 0, Ease::linear});
        return keys;
    }
    const double end = std::max(1.0, envelope.end());
    return {{std::min(0.0, envelope.start()), now, Ease::smooth}, {end, now, Ease::smooth}};
}

void CurveChannels::turnIntoCurve()
{
    const Channel* now = channel();
    const Recipe* recipe = session_.shaping.felt();
    if (now == nullptr || !now->canTurn || recipe == nullptr)
        return;
    const bool lead = now->id.ends_with("envelope.strength") && recipe->envelope[EnvelopeField::lead] > 0 &&
                      !recipe->envelope.builds();
    const QString name = now->name;
    session_.document.edit(withCurve(session_.document.project(), session_.selection.ids(), now->id,
                                     asCurve(*recipe, now->id), session_.shaping.scope()),
                           lead ? tr("%1 is a curve now, without the swing before it").arg(name)
                                : tr("%1 is a curve now").arg(name));
}

QString CurveChannels::whyNotBack() const
{
    const Channel* now = channel();
    const Recipe* recipe = session_.shaping.felt();
    if (now == nullptr || now->keys.empty() || recipe == nullptr || !now->id.ends_with("envelope.strength"))
        return {};
    constexpr double near = 0.05;
    const auto shape = shapeOfCurve(scaledKeys(now->keys, 1, 0.01), recipe->envelope);
    if (shape && shape->off <= near)
        return {};
    return shape ? tr("No attack and decay comes near this curve: the nearest is %1 % beside it. The shape that was "
                      "there "
                      "before comes back.")
                       .arg(std::lround(100 * shape->off))
                 : tr("The curve has no peak. The shape that was there before comes back.");
}

void CurveChannels::turnBack()
{
    const Channel* now = channel();
    const Recipe* recipe = session_.shaping.felt();
    if (now == nullptr || now->keys.empty() || recipe == nullptr)
        return;
    Project next = session_.document.project();
    const StrikeIds& ids = session_.selection.ids();
    const ShapeScope scope = session_.shaping.scope();
    const QString name = now->name;
    if (now->id.ends_with("envelope.strength") && whyNotBack().isEmpty()) {
        const std::string prefix = now->id.substr(0, now->id.size() - std::string_view("strength").size());
        if (const auto shape = shapeOfCurve(scaledKeys(now->keys, 1, 0.01), recipe->envelope))
            for (const EnvelopeField field : envelopeFields())
                next = withRecipeValue(std::move(next), ids, prefix + std::string(specOf(field).key),
                                       shape->envelope[field], scope);
    }
    session_.document.edit(withCurve(std::move(next), ids, now->id, {}, scope),
                           tr("%1 is no curve any more").arg(name));
}

void CurveChannels::followRecipe()
{
    const Channel* now = channel();
    if (now == nullptr || !now->own)
        return;
    if (now->id.starts_with(handPrefix))
        session_.shaping.returnKeys(strand_);
    else
        session_.document.edit(withoutOwnCurve(session_.document.project(), session_.selection.ids(), now->id),
                               tr("%1 follows the recipe again").arg(now->name));
}

bool CurveChannels::comesHome() const
{
    const Recipe* recipe = session_.shaping.felt();
    const Strand* strand = recipe != nullptr ? recipe->strand(strand_) : nullptr;
    const auto* drawn = strand != nullptr ? std::get_if<Drawn>(&strand->source) : nullptr;
    return drawn != nullptr && drawn->asDrawn && drawn->home > 0;
}

void CurveChannels::setComesHome(bool on)
{
    constexpr double usual = 6;
    session_.shaping.set({{"strand." + strand_ + ".home", on ? usual : 0}}, 0);
}

} // namespace ember::app
