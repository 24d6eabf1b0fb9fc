// SPDX-License-Identifier: GPL-3.0-or-later
#include "shot_block.h"

#include <algorithm>
#include <cmath>

#include <QComboBox>
#include <QFileInfo>
#include <QLabel>
#include <QPushButton>
#include <QSignalBlocker>
#include <QVBoxLayout>

#include "ember/project/shot_edits.h"
#include "form.h"
#include "text.h"
#include "theme.h"
#include "value_control.h"
#include "word_list.h"
#include "words.h"

namespace ember::app {

namespace {

constexpr std::size_t mostListed = 8;

const FieldSpec inField{"in", "In", "", 0, 100'000'000, 0, 1, "The clip's frame that is shown first; the length stays"};
/// What a framing has of this; the rest only where it is placed by hand.
std::optional<double> framingValue(const Framing& framing, const std::string& key)
{
    if (key == shotfield::framing.key)
        return static_cast<double>(framing.how);
    if (framing.how != Framing::How::place)
        return std::nullopt;
    return key == shotfield::framingX.key      ? std::optional(framing.x)
           : key == shotfield::framingY.key    ? std::optional(framing.y)
           : key == shotfield::framingSize.key ? std::optional(framing.size)
                                               : std::nullopt;
}

void setFramingValue(Framing& framing, const std::string& key, double value)
{
    if (key == shotfield::framing.key)
        framing.how = static_cast<Framing::How>(value);
    else
        (key == shotfield::framingX.key   ? framing.x
         : key == shotfield::framingY.key ? framing.y
                                          : framing.size) = value;
}

/// The easing of the way that the playhead is on.
Ease easeHere(const std::vector<FramingKey>& keys, const Shot& shot, const ShotPlace& here, std::int64_t frame)
{
    const double at = shot.clipFrame(static_cast<double>(frame - here.first));
    Ease ease = keys.front().ease;
    for (const FramingKey& key : keys)
        if (static_cast<double>(key.frame.index) <= at + 0.5)
            ease = key.ease;
    return ease;
}

const FieldSpec lengthField{"length", "Length", "frames", 1, 100'000'000, 1, 1, "How long the shot is in the film",
                            {},       true};

} // namespace

ShotBlock::ShotBlock(OpenDocument& document, ShotCommands& shots, Playhead& playhead, Shaping& shaping, Film& film,
                     ProxyMaker& proxies, QWidget* parent)
    : QWidget(parent), document_(document), shots_(shots), playhead_(playhead), shaping_(shaping), film_(film),
      proxies_(proxies), name_(new QLabel(this)),
      split_(smallButton(tr("Split here"), QStringLiteral("shot-split"), tr("Makes two shots of it at the playhead"),
                         this)),
      remove_(smallButton(tr("Delete"), QStringLiteral("shot-delete"),
                          tr("Takes the shot under the playhead out of the film, with its strikes"), this)),
      keyRow_(new QWidget(this)),
      keyHere_(smallButton(tr("Key here"), QStringLiteral("framing-key"),
                           tr("Keeps how the picture lies in the frame at the playhead as a key; between keys it is "
                              "reframed evenly. Strikes are added to it."),
                           keyRow_)),
      keyGone_(smallButton(tr("Delete key"), QStringLiteral("framing-key-delete"),
                           tr("Takes the key under the playhead away"), keyRow_)),
      keySays_(dimLabel(QString(), keyRow_)), proxyRow_(new QWidget(this)), proxy_(new WordList(proxyRow_)),
      proxySays_(dimLabel(QString(), proxyRow_)), waitingSays_(dimLabel(QString(), this)),
      waitingColumn_(new QVBoxLayout)
{
    setObjectName(QStringLiteral("shot-block"));
    auto* column = newColumn(this, 4, {0, 0, 0, 0});
    auto* head = newRow(4);
    name_->setObjectName(QStringLiteral("shot-name"));
    name_->setFont(theme::words(13, true));
    name_->setMinimumWidth(60);
    head->addWidget(name_, 1);
    head->addWidget(split_);
    head->addWidget(remove_);
    column->addLayout(head);
    ControlGrid::Binding binding;
    binding.read = [this](const std::string& key) { return valueOf(key); };
    binding.write = [this](const std::string& key, const FieldSpec&, double value, quint64 gesture) {
        setValue(key, value, gesture);
    };
    values_ = new ControlGrid(document_, shaping_, std::move(binding), 3, this);
    values_->setObjectName(QStringLiteral("shot-values"));
    values_->add("in", inField);
    values_->add("length", lengthField);
    values_->add("speed", shotfield::speed);
    for (const FieldSpec* spec : {&shotfield::colour, &shotfield::framing, &shotfield::framingX, &shotfield::framingY,
                                  &shotfield::framingSize, &shotfield::framingEase})
        values_->add(std::string(spec->key), *spec);
    column->addWidget(values_);
    auto* keyLine = newRow(keyRow_, 6, {0, 0, 0, 0});
    keyLine->addWidget(keyHere_);
    keyLine->addWidget(keyGone_);
    keySays_->setObjectName(QStringLiteral("framing-keys-say"));
    keyLine->addWidget(keySays_, 1);
    column->addWidget(keyRow_);
    connect(keyHere_, &QPushButton::clicked, this, &ShotBlock::addKey);
    connect(keyGone_, &QPushButton::clicked, this, &ShotBlock::removeKey);
    auto* proxyLine = newRow(proxyRow_, 6, {0, 0, 0, 0});
    auto* playsFrom = dimLabel(tr("Plays from"), proxyRow_);
    playsFrom->setFixedWidth(104); // as those of the colours below
    proxyLine->addWidget(playsFrom);
    proxy_->setObjectName(QStringLiteral("shot-proxy"));
    proxy_->setAccessibleName(tr("Plays from"));
    proxyLine->addWidget(proxy_);
    proxySays_->setObjectName(QStringLiteral("shot-proxy-says"));
    proxyLine->addWidget(proxySays_, 1);
    column->addWidget(proxyRow_);
    for (const QString& from : {tr("the clip"), tr("a half-size proxy"), tr("a quarter-size proxy")})
        proxy_->addItem(from);
    connect(proxy_, &QComboBox::activated, this, &ShotBlock::chooseProxy);
    connect(&proxies_, &ProxyMaker::changed, this, [this] { refreshProxy(true); });
    waitingSays_->setObjectName(QStringLiteral("shot-waiting"));
    waitingSays_->setWordWrap(true);
    column->addWidget(waitingSays_);
    waitingColumn_->setSpacing(2);
    column->addLayout(waitingColumn_);
    connect(split_, &QPushButton::clicked, &shots_, &ShotCommands::splitHere);
    connect(remove_, &QPushButton::clicked, &shots_, &ShotCommands::remove);
    connect(&playhead_, &Playhead::moved, this, &ShotBlock::refresh);
    connect(&film_, &Film::rewritten, this, [this] { refreshProxy(true); });
    refresh();
}

std::optional<double> ShotBlock::valueOf(const std::string& key) const
{
    const auto here = shots_.shotHere();
    if (!here)
        return std::nullopt;
    const Shot& shot = document_.project().shots[here->index];
    if (key == "length")
        return static_cast<double>(shot.length);
    if (key == "colour")
        return shot.gap() || document_.project().colours.managed() ? std::nullopt
                                                                   : std::optional(static_cast<double>(shot.colour));
    const Framing framing = framingOn(document_.project(), shot.id, Frame{playhead_.frame()});
    if (key == shotfield::framingEase.key)
        return framing.how == Framing::How::place && framing.keys.size() > 1
                   ? std::optional(static_cast<double>(easeHere(framing.keys, shot, *here, playhead_.frame())))
                   : std::nullopt;
    if (const auto value = shot.gap() ? std::nullopt : framingValue(framing, key))
        return *value;
    if (shot.available == 0 || key.starts_with("framing")) // nothing in it moves
        return std::nullopt;
    return key == "in" ? shot.in : shot.speed;
}

void ShotBlock::setValue(const std::string& key, double value, Document::Gesture gesture)
{
    const auto here = shots_.shotHere();
    if (!here)
        return;
    const Project& project = document_.project();
    const Shot& shot = project.shots[here->index];
    if (key == "length") {
        document_.edit(withOutTrimmed(project, shot.id, std::llround(value) - shot.length),
                       tr("Shot %1 is %2 frames long").arg(here->index + 1).arg(std::llround(value)), gesture);
    } else if (key == "speed") {
        document_.edit(withShotSpeed(project, shot.id, value),
                       tr("Shot %1 at %2 %").arg(here->index + 1).arg(std::round(1000 * value) / 10), gesture);
    } else if (key == "colour") {
        std::vector<Shot> shots = project.shots;
        shots[here->index].colour = static_cast<ClipColour>(value);
        document_.edit(withShots(project, std::move(shots)),
                       tr("The clip of shot %1 is read in another colour space").arg(here->index + 1), gesture);
        return; // the playhead stays
    } else if (key == shotfield::framingEase.key) {
        document_.edit(withFramingEase(project, shot.id, Frame{playhead_.frame()}, static_cast<Ease>(value)),
                       tr("Shot %1 is reframed with another easing").arg(here->index + 1), gesture);
        return; // the playhead stays
    } else if (key.starts_with("framing")) {
        Framing framing = framingOn(project, shot.id, Frame{playhead_.frame()});
        setFramingValue(framing, key, value);
        std::vector<Shot> shots = project.shots;
        shots[here->index].framing = framing;
        const bool keyed = !framing.keys.empty() && key != shotfield::framing.key;
        document_.edit(keyed ? withFramingKey(project, shot.id, Frame{playhead_.frame()}, framing)
                             : withShots(project, std::move(shots)),
                       tr("The picture of shot %1 is framed anew").arg(here->index + 1), gesture);
        return; // the playhead stays
    } else {
        std::vector<Shot> shots = project.shots;
        const double last = static_cast<double>(shot.available) - static_cast<double>(shot.length) * shot.speed;
        shots[here->index].in = std::clamp(std::round(value), 0.0, std::max(0.0, last));
        document_.edit(withShots(project, std::move(shots)),
                       tr("Shot %1 from frame %2 of its clip").arg(here->index + 1).arg(std::llround(value)), gesture);
    }
    shots_.goTo(shot.id);
}

void ShotBlock::refresh()
{
    const Project& project = document_.project();
    const auto here = shots_.shotHere();
    setVisible(here.has_value());
    if (!here)
        return;
    const Shot& shot = project.shots[here->index];
    const QString what = shot.gap() ? tr("gap") : QFileInfo(QString::fromStdString(shot.clip)).fileName();
    name_->setText(project.shots.size() > 1
                       ? tr("Shot %1 of %2: %3").arg(here->index + 1).arg(project.shots.size()).arg(what)
                       : tr("Shot: %1").arg(what));
    name_->setToolTip(QString::fromStdString(shot.clip));
    allow(split_,
          playhead_.frame() == here->first ? tr("It begins here already; go to where it is to be split") : QString());
    allow(remove_, project.shots.size() == 1 ? tr("It is the only shot") : QString());
    values_->refresh();
    refreshKeys();
    refreshProxy(false);
    refreshWaiting();
}

const Shot* ShotBlock::shotHere() const
{
    const auto here = shots_.shotHere();
    const auto& shots = document_.project().shots;
    return here && !shots[here->index].gap() ? &shots[here->index] : nullptr;
}

void ShotBlock::addKey()
{
    const Shot* shot = shotHere();
    if (shot == nullptr)
        return;
    const Frame frame{playhead_.frame()};
    document_.edit(
        withFramingKey(document_.project(), shot->id, frame, framingOn(document_.project(), shot->id, frame)),
        tr("Framing key on frame %1").arg(frame.index));
}

void ShotBlock::removeKey()
{
    const Shot* shot = shotHere();
    if (shot == nullptr)
        return;
    const Frame frame{playhead_.frame()};
    document_.edit(withoutFramingKey(document_.project(), shot->id, frame),
                   tr("Framing key on frame %1 deleted").arg(frame.index));
}

void ShotBlock::refreshKeys()
{
    const Shot* shot = shotHere();
    keyRow_->setVisible(shot != nullptr && shot->framing.how == Framing::How::place);
    if (keyRow_->isHidden())
        return;
    const auto frames = framingKeyFrames(document_.project(), shot->id);
    constexpr std::size_t mostNamed = 5;
    QStringList names;
    for (std::size_t i = 0; i < std::min(frames.size(), mostNamed); ++i)
        names << QString::number(frames[i].index);
    if (frames.size() > mostNamed)
        names << QStringLiteral("…");
    keySays_->setText(frames.empty() ? tr("no keys: it stands") : tr("keys: %1").arg(names.join(QStringLiteral(", "))));
    const bool onOne = std::find(frames.begin(), frames.end(), Frame{playhead_.frame()}) != frames.end();
    allow(keyGone_, onOne ? QString() : tr("No key stands on this frame"));
}

void ShotBlock::chooseProxy()
{
    const auto here = shots_.shotHere();
    if (!here)
        return;
    const Shot& shot = document_.project().shots[here->index];
    const int chosen = proxy_->currentIndex();
    if (chosen == 0)
        proxies_.remove(shot);
    else if (const auto size = chosen == 1 ? ProxySize::half : ProxySize::quarter;
             film_.proxies().of(shot) != size || proxies_.wanted(shot))
        proxies_.make(shot, size);
    refreshProxy(true);
}

void ShotBlock::refreshProxy(bool anew)
{
    const auto here = shots_.shotHere();
    const auto& info = film_.clipInfo();
    proxyRow_->setVisible(here && info && !document_.project().shots[here->index].gap());
    if (proxyRow_->isHidden())
        return;
    const Shot& shot = document_.project().shots[here->index];
    const auto indexOf = [](std::optional<ProxySize> size) { return !size ? 0 : *size == ProxySize::half ? 1 : 2; };
    if (anew || proxyOf_ != shot.clip) {
        proxyOf_ = shot.clip;
        proxyHas_ = film_.proxies().of(shot);
    }
    const bool wanted = proxies_.wanted(shot);
    const QSignalBlocker block(proxy_);
    proxy_->setCurrentIndex(indexOf(wanted ? std::optional(proxies_.wantedSize(shot)) : proxyHas_));
    const double share = proxies_.share(shot);
    proxySays_->setText(!wanted     ? QString()
                        : share < 0 ? tr("waits")
                                    : tr("being made: %1 %").arg(std::floor(100 * share), 0, 'f', 0));
    const ClipInfo& clip = here->index < info->shots.size() ? info->shots[here->index] : *info;
    const Phrase no = film_.proxies().refusal(clip);
    proxy_->setEnabled(no.empty());
    proxy_->setToolTip(no.empty()
                           ? tr("A small copy of the clip, kept in the cache, that plays where the clip itself is too "
                                "heavy. At rest the picture is the clip's own; films are never made from it.")
                           : said(no));
}

void ShotBlock::refreshWaiting()
{
    const auto here = shots_.shotHere();
    const auto& strikes = document_.project().shots[here->index].trimmed;
    const std::size_t listed = std::min(strikes.size(), mostListed);
    while (waiting_.size() > listed) {
        waiting_.back().box->deleteLater();
        waiting_.back().box->hide();
        waiting_.pop_back();
    }
    while (waiting_.size() < listed) {
        const std::size_t index = waiting_.size();
        Row row{new QWidget(this), nullptr};
        auto* line = newRow(row.box, 4, {0, 0, 0, 0});
        row.text = new QLabel(row.box);
        row.text->setObjectName(QStringLiteral("waiting-%1").arg(index));
        line->addWidget(row.text, 1);
        auto* put = smallButton(tr("Put here"), QStringLiteral("waiting-%1-put").arg(index),
                                tr("On the frame under the playhead"), row.box);
        auto* remove = smallButton(tr("Delete"), QStringLiteral("waiting-%1-delete").arg(index), {}, row.box);
        line->addWidget(put);
        line->addWidget(remove);
        connect(
            put, &QPushButton::clicked, this, [this, index] { shots_.placeWaiting(index); }, Qt::QueuedConnection);
        connect(
            remove, &QPushButton::clicked, this, [this, index] { shots_.deleteWaiting(index); }, Qt::QueuedConnection);
        waitingColumn_->addWidget(row.box);
        waiting_.push_back(row);
    }
    for (std::size_t i = 0; i < listed; ++i)
        waiting_[i].text->setText(
            tr("%1, %2 %").arg(strikeTitle(strikes[i])).arg(std::lround(100 * strikes[i].strength)));
    waitingSays_->setVisible(!strikes.empty());
    waitingSays_->setText(
        strikes.size() > listed
            ? tr("%1 strikes wait: their frames are not shown. The first %2:").arg(strikes.size()).arg(listed)
            : tr("Waiting, as their frames are not shown:"));
}

} // namespace ember::app
