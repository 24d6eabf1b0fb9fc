// SPDX-License-Identifier: GPL-3.0-or-later
#include "session.h"

#include <algorithm>
#include <cmath>

#include <QFileInfo>
#include <QGuiApplication>

#include "ember/core/values.h"
#include "ember/film/layer_pictures.h"
#include "text.h"

namespace ember::app {

Session::Session(QObject* parent)
    : QObject(parent), motion_(std::make_shared<const Motion>(document_.project())),
      frames_(std::make_unique<FrameStore>()), thumbs_(std::make_unique<ThumbStore>())
{
    connect(&watch_, &FileWatch::rewritten, this, &Session::readAnew);
    connect(frames_.get(), &FrameStore::damageFound, this, &Session::damageFound);
    if (auto* application = qobject_cast<QGuiApplication*>(QCoreApplication::instance()))
        connect(application, &QGuiApplication::applicationStateChanged, &watch_, &FileWatch::look);
}

Session::~Session() = default;

// --- the document ---

void Session::documentChanged()
{
    felt_.reset();
    arrived_.reset();
    motion_ = std::make_shared<const Motion>(project());
    survey_.update(project(), *motion_);
    cover_ = survey_.cover();
    fetchLayers();
    watchFiles();
    const auto before = selection_.size();
    std::erase_if(selection_, [this](StrikeId id) { return project().strike(id) == nullptr; });
    if (selection_.size() != before)
        emit selectionChanged();
    emit projectChanged();
    emit fileChanged();
}

void Session::documentChanged(const Project& before)
{
    const bool other = !sameFilm(before, project());
    if (other)
        reopenFilm();
    documentChanged();
    if (!other)
        return;
    setPlayhead(playhead_);
    setLoop(loop_);
    wantFrame();
    emit filmEdited();
}

void Session::fetchLayers()
{
    layerPictures_.clear();
    for (const Layer& layer : project().layers) {
        auto known = shelf_.find(layer.picture);
        if (known == shelf_.end()) {
            auto picture = layerPicture(layer);
            if (!picture)
                emit told(QString::fromStdString(sentence(picture.error())));
            known = shelf_.emplace(layer.picture, picture ? picture.value() : nullptr).first;
        }
        layerPictures_.push_back(known->second);
    }
}

void Session::edit(Project next, const QString& result, Document::Gesture gesture)
{
    const auto before = document_.snapshot();
    if (!document_.edit(std::move(next), result.toStdString(), gesture))
        return;
    documentChanged(*before);
    emit told(result);
}

void Session::undo()
{
    if (!document_.canUndo())
        return;
    const QString what = QString::fromStdString(document_.undoText());
    const auto before = document_.snapshot();
    document_.undo();
    documentChanged(*before);
    if (sameFilm(*before, project())) // else all strikes that were taken along would be
        selectChanged(*before);
    emit told(tr("Taken back: %1").arg(what));
}

void Session::redo()
{
    if (!document_.canRedo())
        return;
    const auto before = document_.snapshot();
    document_.redo();
    documentChanged(*before);
    if (sameFilm(*before, project())) // else all strikes that were taken along would be
        selectChanged(*before);
    emit told(tr("Done again: %1").arg(QString::fromStdString(document_.undoText())));
}

std::optional<SoundSource> Session::soundSource() const
{
    return clipInfo_ ? soundOf(project(), *clipInfo_) : std::nullopt;
}

FilmSound Session::filmSound() const
{
    return {soundSource(), heardStrikes(project())};
}

// --- selection ---

void Session::selectChanged(const Project& before)
{
    StrikeIds changed;
    for (const Strike& strike : project().strikes)
        if (const Strike* old = before.strike(strike.id); old == nullptr || !(*old == strike))
            changed.push_back(strike.id);
    if (!changed.empty()) {
        select(std::move(changed));
    } else if (selection_.empty()) {
        StrikeIds earlier = selectedBefore_;
        std::erase_if(earlier, [this](StrikeId id) { return project().strike(id) == nullptr; });
        select(std::move(earlier));
    }
}

bool Session::isSelected(StrikeId id) const
{
    return std::find(selection_.begin(), selection_.end(), id) != selection_.end();
}

const Strike* Session::selectedStrike() const
{
    return selection_.size() == 1 ? project().strike(selection_.front()) : nullptr;
}

const Strike* Session::feltStrike() const
{
    const Strike* strike = selectedStrike();
    if (strike == nullptr || !strike->place)
        return strike;
    if (!arrived_)
        arrived_ = ember::feltStrike(project(), *strike);
    return &*arrived_;
}

void Session::select(StrikeIds ids)
{
    if (ids == selection_)
        return;
    if (!selection_.empty())
        selectedBefore_ = selection_;
    selection_ = std::move(ids);
    felt_.reset();
    arrived_.reset();
    emit selectionChanged();
}

void Session::toggleSelected(StrikeId id)
{
    StrikeIds ids = selection_;
    if (std::erase(ids, id) == 0)
        ids.push_back(id);
    select(std::move(ids));
}

void Session::selectAll()
{
    StrikeIds ids;
    for (const Strike& strike : project().strikes)
        ids.push_back(strike.id);
    select(std::move(ids));
}

// --- playhead and loop ---

void Session::setPlayhead(std::int64_t frame)
{
    frame = std::clamp<std::int64_t>(frame, 0, std::max<std::int64_t>(0, length() - 1));
    if (frame == playhead_)
        return;
    playhead_ = frame;
    wantFrame();
    emit playheadChanged(frame);
}

void Session::wantFrame()
{
    frames_->want({playhead_, playing_, loop_.first, loop_.on ? loop_.last : -1});
}

void Session::setPlaying(bool playing)
{
    playing_ = playing;
    wantFrame();
}

void Session::setLoop(LoopRange loop)
{
    if (loop.set()) {
        loop.first = std::clamp<std::int64_t>(loop.first, 0, std::max<std::int64_t>(0, length() - 1));
        loop.last = std::clamp<std::int64_t>(loop.last, loop.first, std::max<std::int64_t>(0, length() - 1));
    }
    if (loop == loop_)
        return;
    loop_ = loop;
    wantFrame();
    emit loopChanged();
}

void Session::goToStrike(int direction)
{
    const auto& strikes = project().strikes;
    const Strike* found = nullptr;
    for (const Strike& strike : strikes) {
        if (direction > 0 && strike.frame.index > playhead_) {
            found = &strike;
            break;
        }
        if (direction < 0 && strike.frame.index < playhead_)
            found = &strike;
    }
    if (found == nullptr) {
        emit told(direction > 0 ? tr("No strike after this frame") : tr("No strike before this frame"));
        return;
    }
    const auto frame = found->frame.index;
    select({found->id});
    setPlayhead(frame);
}

// --- the selected strike's recipe ---

const Recipe* Session::felt() const
{
    const Strike* first = selection_.empty() ? nullptr : project().strike(selection_.front());
    if (first == nullptr || project().recipe(first->recipe) == nullptr)
        return nullptr;
    if (!felt_)
        felt_ = recipeOf(project(), *first);
    return &*felt_;
}

std::optional<double> Session::recipeValue(const std::string& key) const
{
    const Recipe* recipe = felt();
    return recipe != nullptr ? readValue(*recipe, key) : std::nullopt;
}

QString Session::settingKey(const std::string& key) const
{
    const Strike* first = selection_.empty() ? nullptr : project().strike(selection_.front());
    const Recipe* recipe = first != nullptr ? project().recipe(first->recipe) : nullptr;
    if (recipe == nullptr)
        return {};
    if (!first->overrides[key])
        return QString::fromStdString("recipe." + recipe->name + "." + key);
    const auto at = static_cast<std::size_t>(first - project().strikes.data());
    return QString::fromStdString("strike." + std::to_string(at + 1) + ".own." + key);
}

bool Session::isOwnValue(const std::string& key) const
{
    const Strike* first = selection_.empty() ? nullptr : project().strike(selection_.front());
    return first != nullptr && first->overrides[key].has_value();
}

void Session::setRecipeValues(const std::vector<std::pair<std::string, double>>& values, Document::Gesture gesture)
{
    Project next = project();
    QStringList told;
    for (const auto& [key, value] : values) {
        const Recipe* recipe = felt();
        const FieldSpec* spec = recipe != nullptr ? specOfValue(*recipe, key) : nullptr;
        if (spec == nullptr)
            continue;
        next = withRecipeValue(std::move(next), selection_, key, value, scope_);
        told << valueSentence(key, *spec, value);
    }
    edit(std::move(next), told.join(QStringLiteral(", ")), gesture);
}

void Session::resetRecipeValue(const std::string& key)
{
    const Recipe* recipe = felt();
    const FieldSpec* spec = recipe != nullptr ? specOfValue(*recipe, key) : nullptr;
    if (spec == nullptr)
        return;
    if (isOwnValue(key))
        edit(withoutOverride(project(), selection_, key),
             tr("%1 follows the recipe again").arg(toQString(spec->label)));
    else
        setRecipeValues({{key, spec->fallback}}, 0);
}

void Session::setOpenStrand(const std::string& name)
{
    if (name == openStrand_)
        return;
    openStrand_ = name;
    emit scopeChanged();
}

void Session::renameStrand(std::size_t index, const std::string& name)
{
    const Recipe* recipe = felt();
    if (recipe == nullptr || index >= recipe->strands.size())
        return;
    Project next = withStrandRenamed(project(), recipe->id, index, name);
    if (openStrand_ == recipe->strands[index].name)
        openStrand_ = name;
    edit(std::move(next), tr("Strand named %1").arg(QString::fromStdString(name)));
}

std::string Session::envelopePrefix() const
{
    const Recipe* recipe = felt();
    const Strand* strand = recipe != nullptr ? recipe->strand(openStrand_) : nullptr;
    return strand != nullptr && strand->envelope ? "strand." + openStrand_ + ".envelope." : "envelope.";
}

Envelope Session::shapedEnvelope() const
{
    const Recipe* recipe = felt();
    if (recipe == nullptr)
        return {};
    const Strand* strand = recipe->strand(openStrand_);
    return strand != nullptr && strand->envelope ? *strand->envelope : recipe->envelope;
}

void Session::applyRecipe(RecipeId recipe, Document::Gesture gesture)
{
    if (selection_.empty() || project().recipe(recipe) == nullptr)
        return;
    edit(withRecipeApplied(project(), selection_, recipe),
         tr("Recipe %1").arg(QString::fromStdString(project().recipe(recipe)->name)), gesture);
}

void Session::makeOwnRecipe()
{
    const Strike* strike = selectedStrike();
    if (strike == nullptr) {
        emit told(tr("Select one strike to give it its own recipe"));
        return;
    }
    auto [next, made] = withOwnRecipe(project(), strike->id);
    if (made != 0)
        edit(next, tr("%1 has its own recipe now: %2")
                       .arg(strikeTitle(*strike), QString::fromStdString(next.recipe(made)->name)));
}

void Session::setInSeconds(bool on)
{
    if (on == inSeconds_)
        return;
    inSeconds_ = on;
    emit scopeChanged();
}

void Session::setShapeScope(ShapeScope scope)
{
    if (scope == scope_)
        return;
    scope_ = scope;
    emit scopeChanged();
}

// --- words ---

QString kindTitle(StrikeKind kind)
{
    switch (kind) {
    case StrikeKind::blast: return Session::tr("Blast");
    case StrikeKind::landing: return Session::tr("Landing");
    case StrikeKind::hit: return Session::tr("Hit");
    case StrikeKind::beat: return Session::tr("Beat");
    }
    return {};
}

QString strikeTitle(const Strike& strike)
{
    return strike.name.empty() ? kindTitle(strike.kind) : QString::fromStdString(strike.name);
}

QString valueSentence(const std::string& key, const FieldSpec& spec, double value)
{
    value = clampTo(spec, value);
    QString text = toQString(spec.label);
    if (key.starts_with("strand.")) { // whose it is: all between the prefix and the value's own key
        const auto from = std::string_view("strand.").size();
        const QString rest = QString::fromStdString(key.substr(from));
        QString what = text.toLower();
        for (const char* perAxis : {"back", "phase", "ratio"}) // "back roll": the label is the axis alone
            if (rest.section(QLatin1Char('.'), -2, -2) == QLatin1String(perAxis))
                what = (perAxis == QLatin1String("ratio") ? Session::tr("frequency") : QString::fromLatin1(perAxis)) +
                       QLatin1Char(' ') + rest.section(QLatin1Char('.'), -1);
        text = rest.section(QLatin1Char('.'), 0, 0) + QStringLiteral(": ") + what;
    }
    if (!spec.choices.empty()) {
        QString word = toQString(spec.choices[static_cast<std::size_t>(value)]);
        return text + QLatin1Char(' ') + word.replace(QLatin1Char('_'), QLatin1Char(' '));
    }
    return QStringLiteral("%1 %2 %3")
        .arg(text)
        .arg(spec.unit == "%" ? value * 100 : value)
        .arg(toQString(spec.unit))
        .trimmed();
}

QString timecode(std::int64_t frame, FrameRate rate)
{
    const auto base = std::max<std::int64_t>(1, std::llround(rate.perSecond()));
    const auto seconds = frame / base;
    return QStringLiteral("%1:%2:%3:%4")
        .arg(seconds / 3600, 2, 10, QLatin1Char('0'))
        .arg(seconds / 60 % 60, 2, 10, QLatin1Char('0'))
        .arg(seconds % 60, 2, 10, QLatin1Char('0'))
        .arg(frame % base, 2, 10, QLatin1Char('0'));
}

} // namespace ember::app
