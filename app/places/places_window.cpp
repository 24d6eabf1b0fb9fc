// SPDX-License-Identifier: GPL-3.0-or-later
#include "places_window.h"

#include <algorithm>

#include <QLabel>
#include <QPushButton>
#include <QScrollArea>

#include "form.h"
#include "key_rows.h"
#include "part_binding.h"
#include "place_block.h"
#include "theme.h"
#include "top_view.h"
#include "value_control.h"
#include "words.h"

namespace ember::app {

namespace {

const FieldSpec frameField{"frame", "Frame", "", 0, 100'000'000, 0, 1, "The key's frame", {}, true};

void putKey(World& world, const CameraKey& key)
{
    std::erase_if(world.camera, [&](const CameraKey& k) { return k.frame == key.frame; });
    world.camera.push_back(key);
    std::sort(world.camera.begin(), world.camera.end(),
              [](const CameraKey& a, const CameraKey& b) { return a.frame < b.frame; });
}

} // namespace

PlacesWindow::PlacesWindow(Session& session, QWidget* parent)
    : QDialog(parent), session_(session), view_(new TopView(this)), hint_(dimLabel({}, this)),
      key_(smallButton(tr("Key here"), QStringLiteral("camera-key"),
                       tr("Keeps where the camera stands at the playhead as a key; between keys it goes straight"),
                       this))
{
    setObjectName(QStringLiteral("places-window"));
    setWindowTitle(tr("Places"));
    resize(980, 600);
    auto* row = newRow(this, 16, {16, 12, 16, 12});
    row->addWidget(view_, 1);
    auto* page = new QWidget(this);
    auto* column = newColumn(page, 6, {0, 0, 8, 0});
    column->addWidget(partName(tr("The selected strike"), page));
    hint_->setObjectName(QStringLiteral("places-hint"));
    hint_->setWordWrap(true);
    column->addWidget(hint_);
    place_ = new PlaceBlock(session_, strikePlaceBinding(session_), page);
    column->addWidget(place_);
    if (auto* here = place_->findChild<QWidget*>(QStringLiteral("place-top-view")))
        here->hide(); // it is beside it
    column->addWidget(rule(page));
    column->addWidget(partName(tr("On the way to the camera"), page));
    world_ = new ControlGrid(session_.document, session_.shaping,
                             memberBinding(session_.document, &Project::world, "world."), 2, page);
    world_->setObjectName(QStringLiteral("world"));
    addAll<World>(*world_, {{"weaker", {}}, {"exponent", {}}});
    world_->nextRow();
    addAll<World>(*world_, {{"reference", {}}, {"cutoff", {}}});
    world_->nextRow();
    addAll<World>(*world_, {{"later", {}}, {"arrival", {}}});
    world_->nextRow();
    addAll<World>(*world_, {{"speed", {}}});
    world_->nextRow();
    addAll<World>(*world_, {{"directed", {}}});
    column->addWidget(world_);
    column->addWidget(rule(page));
    auto* head = new QHBoxLayout;
    head->addWidget(partName(tr("Camera path"), page), 1);
    head->addWidget(key_);
    column->addLayout(head);
    camera_ = buildCamera();
    column->addWidget(camera_);
    column->addStretch(1);
    QScrollArea* area = scrolling(page);
    area->setFixedWidth(460);
    row->addWidget(area);

    view_->gestureSource = [this] { return session_.document.newGesture(); };
    connect(view_, &TopView::chosen, this,
            [this](int event) { session_.selection.set({shown_[static_cast<std::size_t>(event)]}); });
    connect(view_, &TopView::moved, this, [this](int event, const WorldPoint& to, quint64 gesture) {
        Project next = session_.document.project();
        Strike* strike = next.strike(shown_[static_cast<std::size_t>(event)]);
        if (strike == nullptr || !strike->place)
            return;
        const bool seen = std::holds_alternative<PicturePoint>(strike->place->at);
        strike->place->at = to;
        if (seen) { // it stays a point of the picture as long as it can be seen
            const Place told = placeToldOtherwise(next, *strike->place, strike->frame);
            const CameraKey stand = cameraAt(next.world, static_cast<double>(strike->frame.index));
            if (pictureOf(to, stand, next.width, next.height))
                strike->place = told;
        }
        session_.document.edit(std::move(next), tr("Place: %1 m right, %2 m ahead").arg(to.x).arg(to.z), gesture);
    });
    connect(view_, &TopView::placeWished, this, [this](const WorldPoint& at) {
        if (session_.selection.ids().empty())
            return hint_->setText(tr("Select a strike on the Reel first, then double-click where it happens."));
        session_.document.edit(withStrikesChanged(session_.document.project(), session_.selection.ids(),
                                                  [&](Strike& strike) {
                                                      Place place = strike.place.value_or(Place{});
                                                      place.at = at;
                                                      strike.place = place;
                                                  }),
                               tr("Place: %1 m right, %2 m ahead").arg(at.x).arg(at.z));
    });
    connect(key_, &QPushButton::clicked, this, &PlacesWindow::keyHere);
    connect(&session_.document, &OpenDocument::changed, this, &PlacesWindow::refresh);
    connect(&session_.selection, &Selection::changed, this, &PlacesWindow::refresh);
    connect(&session_.playhead, &Playhead::moved, this, &PlacesWindow::refresh);
    for (auto* button : findChildren<QPushButton*>()) // Enter in a field is the field's
        button->setAutoDefault(false);
    refresh();
}

KeyRows* PlacesWindow::buildCamera()
{
    KeyRows::Kind kind;
    kind.name = QStringLiteral("camera");
    FieldSpec x = worldfield::coordinate;
    x.key = x.label = "x";
    FieldSpec y = x;
    y.key = y.label = "y";
    FieldSpec z = x;
    z.key = z.label = "z";
    kind.fields = {frameField, x, y, z, worldfield::heading};
    kind.rows = [](const Project& project) {
        std::vector<std::vector<double>> rows;
        for (const CameraKey& key : project.world.camera)
            rows.push_back({static_cast<double>(key.frame.index), key.at.x, key.at.y, key.at.z, key.heading});
        return rows;
    };
    kind.change = [](Project project, std::size_t at, const std::vector<double>& v) {
        World& world = project.world;
        if (at < world.camera.size()) {
            world.camera.erase(world.camera.begin() + static_cast<std::ptrdiff_t>(at));
            putKey(world, {Frame{static_cast<std::int64_t>(v[0])}, {v[1], v[2], v[3]}, v[4]});
        }
        return project;
    };
    kind.remove = [](Project project, std::size_t at) {
        auto& keys = project.world.camera;
        if (at < keys.size())
            keys.erase(keys.begin() + static_cast<std::ptrdiff_t>(at));
        return project;
    };
    kind.changed = tr("Camera key");
    kind.removed = tr("Camera key deleted");
    return new KeyRows(session_.document, session_.shaping, session_.playhead, std::move(kind), this);
}

void PlacesWindow::keyHere()
{
    Project next = session_.document.project();
    CameraKey key = cameraAt(next.world, static_cast<double>(session_.playhead.frame()));
    key.frame = Frame{session_.playhead.frame()};
    putKey(next.world, key);
    session_.document.edit(std::move(next), tr("Camera key on frame %1").arg(session_.playhead.frame()));
}

void PlacesWindow::refresh()
{
    const Project& project = session_.document.project();
    shown_.clear();
    std::vector<TopEvent> events;
    for (const Strike& strike : project.strikes) {
        if (!strike.place)
            continue;
        const auto* seen = std::get_if<PicturePoint>(&strike.place->at);
        const CameraKey stand = cameraAt(project.world, static_cast<double>(strike.frame.index));
        events.push_back({seen != nullptr ? worldOf(*seen, stand, project.width, project.height)
                                          : std::get<WorldPoint>(strike.place->at),
                          strike.strength, arrivalOf(project, strike).share, strikeTitle(strike),
                          session_.selection.contains(strike.id)});
        shown_.push_back(strike.id);
    }
    view_->show(project.world, project.rate, static_cast<double>(session_.playhead.frame()), std::move(events));
    world_->refresh();
    if (auto* speed = world_->findChild<ValueControl*>(QStringLiteral("speed")))
        speed->setBarred(project.world.arrival == Arrival::own ? QString()
                                                               : tr("It counts where the way it travels is its own"));
    camera_->refresh();
    const bool any = !session_.selection.ids().empty();
    place_->setVisible(any);
    if (any)
        place_->refresh();
    hint_->setText(!any ? tr("Select a strike on the Reel: where it happens is set here.")
                   : project.strike(session_.selection.ids().front())->place
                       ? QString()
                       : tr("It happens at the camera. Double-click in the view to say where, or choose it here."));
    hint_->setVisible(!hint_->text().isEmpty());
    allow(key_, session_.document.length() > 0 ? QString() : tr("Open a clip first"));
}

} // namespace ember::app
