// SPDX-License-Identifier: GPL-3.0-or-later
#include "place_block.h"

#include <array>
#include <cmath>

#include <QLabel>
#include <QPushButton>

#include "ember/project/edits.h"
#include "form.h"
#include "theme.h"
#include "value_control.h"

namespace ember::app {

namespace {

constexpr std::array<std::string_view, 3> whereWords{"at the camera", "around it", "in the picture"};
constexpr FieldSpec whereField = choiceField("where", "Place", whereWords, 0,
                                             "At the camera: full strength, no delay; around it: a position in metres; "
                                             "in the picture: a point and its distance");
const FieldSpec xField{"x", "x", "m", -10'000, 10'000, 0, 1, "Metres to the right of the camera"};
const FieldSpec yField{"y", "y", "m", -10'000, 10'000, 0, 1, "Metres above the camera"};
const FieldSpec zField{"z", "z", "m", -10'000, 10'000, 10, 1, "Metres ahead of the camera"};
const FieldSpec acrossField{"across", "Across", "%", -4, 5, 0.5, 0.01, "Of the picture's width, from its left"};
const FieldSpec downField{"down", "Down", "%", -4, 5, 0.5, 0.01, "Of the picture's height, from its top"};
constexpr FieldSpec weakerField =
    choiceField("weaker", "Weaker with distance", offOn, 1, "It is weaker the further it is");
constexpr FieldSpec laterField =
    choiceField("later", "Delayed by distance", offOn, 1, "It arrives later the further it is");
constexpr FieldSpec directedField =
    choiceField("directed", "Directed from place", offOn, 1, "The blow comes from there instead of by the direction");

QString metres(double distance)
{
    return QString::number(distance, 'f', distance < 100 ? 1 : 0);
}

} // namespace

Place placeToldOtherwise(const Project& project, const Place& place, Frame frame)
{
    Place told = place;
    const CameraKey stand = cameraAt(project.world, static_cast<double>(frame.index));
    if (const auto* seen = std::get_if<PicturePoint>(&place.at)) {
        const WorldPoint at = worldOf(*seen, stand, project.width, project.height);
        const auto tenth = [](double value) { return std::round(10 * value) / 10; };
        told.at = WorldPoint{tenth(at.x), tenth(at.y), tenth(at.z)};
        return told;
    }
    const auto& at = std::get<WorldPoint>(place.at);
    const auto point = pictureOf(at, stand, project.width, project.height);
    if (point && inRange(worldfield::picture, point->x) && inRange(worldfield::picture, point->y)) {
        told.at = PicturePoint{std::round(1000 * point->x) / 1000, std::round(1000 * point->y) / 1000,
                               std::round(10 * point->distance) / 10};
    } else {
        const WorldPoint seen = seenFrom(stand, at);
        told.at = PicturePoint{0.5, 0.5, clampTo(worldfield::distance, std::round(std::hypot(seen.x, seen.y, seen.z)))};
    }
    return told;
}

QString arrivalSentence(const Project& project, const Strike& strike)
{
    if (!strike.place)
        return {};
    const ArrivalOf arrival = arrivalOf(project, strike);
    if (arrival.share == 0)
        return PlaceBlock::tr("%1 m away: beyond %2 m nothing is felt")
            .arg(metres(arrival.distance), metres(project.world.cutoff));
    const auto later = arrival.felt - arrival.event;
    const QString when = later == 0 ? PlaceBlock::tr("on its own frame %1").arg(arrival.felt.index)
                         : later == 1
                             ? PlaceBlock::tr("on frame %1, 1 frame later").arg(arrival.felt.index)
                             : PlaceBlock::tr("on frame %1, %2 frames later").arg(arrival.felt.index).arg(later);
    const bool past = arrival.felt.index >= project.length() && project.length() > 0;
    return PlaceBlock::tr("%1 m away: felt %2 %3, at %4 %")
        .arg(metres(arrival.distance), when, past ? PlaceBlock::tr("(past the film's end)") : QString())
        .arg(std::lround(100 * arrival.share * strike.strength))
        .simplified()
        .replace(QLatin1String(" ,"), QLatin1String(","));
}

PlaceBlock::PlaceBlock(Session& session, Binding binding, QWidget* parent)
    : QWidget(parent), session_(session), binding_(std::move(binding)), says_(dimLabel({}, this))
{
    setObjectName(QStringLiteral("place-block"));
    auto* column = newColumn(this, 3, {0, 0, 0, 0});
    ControlGrid::Binding values;
    values.read = [this](const std::string& key) { return value(key); };
    values.write = [this](const std::string& key, const FieldSpec&, double wanted, quint64 gesture) {
        setValue(key, wanted, gesture);
    };
    values_ = new ControlGrid(session.document, session.shaping, std::move(values), 4, this);
    values_->setObjectName(QStringLiteral("place-values"));
    values_->add("where", whereField, tr("Place"), 2);
    auto* top = smallButton(tr("Top view"), QStringLiteral("place-top-view"),
                            tr("Shows events from above, with rings of equal strength and delay; drag them"), this);
    connect(top, &QPushButton::clicked, this, &PlaceBlock::topViewAsked);
    values_->addWidget(top, 1);
    values_->nextRow();
    values_->add("x", xField);
    values_->add("y", yField);
    values_->add("z", zField);
    values_->add("across", acrossField);
    values_->add("down", downField);
    values_->add("distance", worldfield::distance, tr("Far"));
    values_->nextRow();
    values_->add("weaker", weakerField);
    values_->add("later", laterField);
    values_->add("directed", directedField);
    column->addWidget(values_);
    says_->setObjectName(QStringLiteral("place-says"));
    says_->setWordWrap(true);
    column->addWidget(says_);
    refresh();
}

std::optional<double> PlaceBlock::value(const std::string& key) const
{
    const auto place = binding_.read();
    if (key == "where")
        return place ? 1 + static_cast<double>(place->at.index()) : 0;
    if (!place)
        return std::nullopt;
    if (key == "weaker")
        return place->weaker;
    if (key == "later")
        return place->later;
    if (key == "directed")
        return place->directed;
    if (const auto* at = std::get_if<WorldPoint>(&place->at))
        return key == "x"   ? std::optional(at->x)
               : key == "y" ? std::optional(at->y)
               : key == "z" ? std::optional(at->z)
                            : std::nullopt;
    const auto& seen = std::get<PicturePoint>(place->at);
    return key == "across"     ? std::optional(seen.x)
           : key == "down"     ? std::optional(seen.y)
           : key == "distance" ? std::optional(seen.distance)
                               : std::nullopt;
}

void PlaceBlock::setValue(const std::string& key, double wanted, quint64 gesture)
{
    auto place = binding_.read();
    if (key == "where") {
        const auto where = static_cast<std::size_t>(wanted);
        if (where == 0)
            return binding_.write(std::nullopt, tr("Place: at the camera"), gesture);
        if (!place)
            place = Place{WorldPoint{0, 0, 10}};
        if (place->at.index() != where - 1)
            place = placeToldOtherwise(session_.document.project(), *place, Frame{session_.playhead.frame()});
        return binding_.write(place, tr("Place: %1").arg(shownWord(whereWords[where])), gesture);
    }
    if (!place)
        return;
    if (key == "weaker" || key == "later" || key == "directed") {
        (key == "weaker" ? place->weaker : key == "later" ? place->later : place->directed) = wanted != 0;
        return binding_.write(place, tr("%1: %2").arg(QString::fromStdString(key), wanted != 0 ? tr("on") : tr("off")),
                              gesture);
    }
    if (auto* at = std::get_if<WorldPoint>(&place->at))
        (key == "x" ? at->x : key == "y" ? at->y : at->z) = clampTo(worldfield::coordinate, wanted);
    else if (auto* seen = std::get_if<PicturePoint>(&place->at)) {
        if (key == "distance")
            seen->distance = clampTo(worldfield::distance, wanted);
        else
            (key == "across" ? seen->x : seen->y) = clampTo(worldfield::picture, wanted);
    }
    binding_.write(place, tr("Place: %1 %2").arg(QString::fromStdString(key)).arg(wanted), gesture);
}

void PlaceBlock::refresh()
{
    values_->refresh();
    says_->setText(binding_.says());
    says_->setVisible(!says_->text().isEmpty());
}

PlaceBlock::Binding strikePlaceBinding(Session& session)
{
    const auto first = [&session] {
        return session.selection.ids().empty() ? nullptr
                                               : session.document.project().strike(session.selection.ids().front());
    };
    PlaceBlock::Binding binding;
    binding.read = [first]() -> std::optional<Place> {
        const Strike* strike = first();
        return strike != nullptr ? strike->place : std::nullopt;
    };
    binding.write = [&session](const std::optional<Place>& place, const QString& told, quint64 gesture) {
        session.document.edit(withStrikesChanged(session.document.project(), session.selection.ids(),
                                                 [&](Strike& strike) { strike.place = place; }),
                              told, gesture);
    };
    binding.says = [&session, first] {
        const Strike* strike = first();
        return strike != nullptr ? arrivalSentence(session.document.project(), *strike) : QString();
    };
    return binding;
}

} // namespace ember::app
