// SPDX-License-Identifier: GPL-3.0-or-later
#include "finish_page.h"

#include <algorithm>
#include <array>
#include <cmath>

#include <QComboBox>
#include <QFileInfo>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>

#include "colour_field.h"
#include "ember/film/layer_pictures.h"
#include "form.h"
#include "part_binding.h"
#include "text.h"
#include "theme.h"

namespace ember::app {

namespace {

constexpr std::array<double, 5> usualRatios{0, 2.39, 2.0, 1.85, 1.0};

QString frameList(const std::vector<std::int64_t>& frames)
{
    QStringList parts;
    for (std::size_t i = 0; i < frames.size() && parts.size() < 6;) {
        std::size_t end = i;
        while (end + 1 < frames.size() && frames[end + 1] == frames[end] + 1)
            ++end;
        parts << (end == i ? QString::number(frames[i]) : FinishPage::tr("%1 to %2").arg(frames[i]).arg(frames[end]));
        i = end + 1;
    }
    return parts.join(QStringLiteral(", "));
}

} // namespace

FinishPage::FinishPage(Session& session, Dialogs dialogs, QWidget* parent)
    : FreshPage(parent), session_(session), dialogs_(std::move(dialogs))
{
    auto* column = newColumn(this, 4, {14, 4, 14, 6});
    buildCover(*column);
    column->addWidget(rule(this));
    buildShutter(*column);
    column->addWidget(rule(this));
    buildBars(*column);
    column->addWidget(rule(this));
    buildShown(*column);
    column->addWidget(rule(this));
    buildLayers(*column);
    column->addStretch(1);
    connect(&session_.document, &OpenDocument::changed, this, &FinishPage::refreshIfShown);
    connect(&session_.playhead, &Playhead::moved, this, &FinishPage::refreshIfShown);
    refresh();
}

void FinishPage::addHeading(QVBoxLayout& column, const QString& text, const QString& tip, QWidget* beside)
{
    auto* row = new QHBoxLayout;
    auto* label = new QLabel(text, this);
    label->setFont(theme::words(13, true));
    label->setToolTip(tip);
    row->addWidget(label);
    row->addStretch(1);
    if (beside != nullptr)
        row->addWidget(beside);
    column.addLayout(row);
}

void FinishPage::buildCover(QVBoxLayout& column)
{
    worst_ = smallButton(tr("Go to the worst frame"), QStringLiteral("cover-worst"),
                         tr("Moves the playhead to the frame that needs the largest cover"), this);
    connect(worst_, &QPushButton::clicked, this,
            [this] { session_.playhead.setFrame(session_.document.cover().worstFrame); });
    addHeading(column, tr("Edges and cover"), tr("What fills the border, and how far it is hidden"), worst_);
    cover_ = new ControlGrid(session_.document, session_.shaping,
                             memberBinding(session_.document, &Project::finish, "finish."), 4, this);
    cover_->setObjectName(QStringLiteral("finish-cover-values"));
    addAll<Finish>(*cover_, {{"cover_speed", tr("Breathing speed")}, {"cover_bars", tr("Use the bars")}});
    colour_ = new ColourField(this);
    colour_->editor()->setObjectName(QStringLiteral("finish-colour"));
    colour_->setHelp(tr("The plain colour, such as #1a2b3c"));
    connect(colour_, &ColourField::wished, this, [this](const QColor& colour) {
        Project next = session_.document.project();
        next.finish.plain = {static_cast<std::uint8_t>(colour.red()), static_cast<std::uint8_t>(colour.green()),
                             static_cast<std::uint8_t>(colour.blue())};
        session_.document.edit(std::move(next), tr("Plain colour %1").arg(colour.name()));
    });
    cover_->addNamed(tr("Colour"), colour_);
    column.addWidget(cover_);
    coverSays_ = dimLabel({}, this);
    coverSays_->setObjectName(QStringLiteral("cover-says"));
    coverSays_->setFont(theme::words(12));
    coverSays_->setWordWrap(true);
    column.addWidget(coverSays_);
}

void FinishPage::buildShutter(QVBoxLayout& column)
{
    addHeading(column, tr("Motion blur"), tr("The shake as a shutter sees it, added up in linear light"));
    shutter_ = new ControlGrid(session_.document, session_.shaping,
                               memberBinding(session_.document, &Project::finish, "finish."), 2, this);
    shutter_->setObjectName(QStringLiteral("finish-shutter-values"));
    addAll<Finish>(*shutter_,
                   {{"shutter_angle", {}}, {"exposure", {}}, {"instants", {}}, {"blur_above", {}}, {"rolling", {}}});
    column.addWidget(shutter_);
    when_ = new QComboBox(this);
    when_->setObjectName(QStringLiteral("finish-exposure-when"));
    when_->addItems({tr("centred"), tr("from the frame on"), tr("up to the frame")});
    when_->setPlaceholderText(tr("shifted"));
    when_->setToolTip(tr("When the shutter is open, against the frame's own instant; the percents beside it say the "
                         "same in parts of a frame"));
    connect(when_, &QComboBox::activated, this, [this](int index) {
        Project next = session_.document.project();
        const double half = next.finish.shutterAngle / 720;
        next.finish.exposureShift = index == 1 ? half : index == 2 ? -half : 0;
        session_.document.edit(std::move(next), tr("Exposure %1").arg(when_->itemText(index)));
    });
    shutter_->addNamed(tr("Exposed"), when_);
    shutterSays_ = dimLabel({}, this);
    shutterSays_->setObjectName(QStringLiteral("shutter-says"));
    shutterSays_->setFont(theme::words(12));
    column.addWidget(shutterSays_);
}

void FinishPage::buildBars(QVBoxLayout& column)
{
    addHeading(column, tr("Letterbox"), tr("Black bars, drawn last"));
    bars_ = new ControlGrid(session_.document, session_.shaping,
                            memberBinding(session_.document, &Project::finish, "finish."), 3, this);
    bars_->setObjectName(QStringLiteral("finish-bars-values"));
    ratio_ = new QComboBox(bars_);
    ratio_->setObjectName(QStringLiteral("letterbox-usual"));
    ratio_->setToolTip(tr("The usual ratios; any other is typed beside it"));
    ratio_->addItem(tr("none"));
    for (std::size_t i = 1; i < usualRatios.size(); ++i)
        ratio_->addItem(QString::number(usualRatios[i], 'f', 2));
    ratio_->addItem(tr("own"));
    connect(ratio_, &QComboBox::activated, this, [this](int index) {
        if (index >= static_cast<int>(usualRatios.size()))
            return;
        Project next = session_.document.project();
        next.finish.letterbox = usualRatios[static_cast<std::size_t>(index)];
        session_.document.edit(std::move(next),
                               index == 0 ? tr("No letterbox") : tr("Letterbox %1").arg(ratio_->itemText(index)));
    });
    bars_->addNamed(tr("Preset"), ratio_);
    addAll<Finish>(*bars_, {{"letterbox", tr("Ratio")}});
    column.addWidget(bars_);
    barsSay_ = dimLabel({}, this);
    barsSay_->setObjectName(QStringLiteral("bars-say"));
    barsSay_->setFont(theme::words(12));
    column.addWidget(barsSay_);
}

void FinishPage::buildShown(QVBoxLayout& column)
{
    addHeading(column, tr("Shown"),
               tr("Switch an effect off everywhere to see what it does; the film is rendered like that"));
    shown_ = new ControlGrid(session_.document, session_.shaping,
                             memberBinding(session_.document, &Project::finish, "finish."), 7, this);
    shown_->setObjectName(QStringLiteral("finish-shown-values"));
    addAll<Finish>(*shown_, {{"show_blur", tr("Blur")},
                             {"show_streak", tr("Streak")},
                             {"show_radial", tr("Radial")},
                             {"show_fringe", tr("Fringe")},
                             {"show_flash", tr("Flash")},
                             {"show_exposure", tr("Exposure kick")},
                             {"show_impact", tr("Impact frames")},
                             {"show_defocus", tr("Defocus")},
                             {"show_ripple", tr("Ripple")},
                             {"show_grain", tr("Grain")},
                             {"show_flicker", tr("Flicker")},
                             {"show_layers", tr("Layers")}});
    column.addWidget(shown_);
}

void FinishPage::buildLayers(QVBoxLayout& column)
{
    addLayer_ = smallButton(tr("Add picture"), QStringLiteral("layer-add"),
                            tr("A picture with transparency over the shot, such as a title"), this);
    connect(addLayer_, &QPushButton::clicked, this, &FinishPage::addLayer);
    addHeading(column, tr("Layers"), tr("Pictures over the shot; the lowest comes first"), addLayer_);
    layers_ = newColumn(4);
    column.addLayout(layers_);
}

void FinishPage::addLayer()
{
    const QString path = dialogs_.openFile(this, tr("Add a picture"), filter::pictures());
    if (path.isEmpty())
        return;
    Layer layer;
    layer.name = QFileInfo(path).completeBaseName().toStdString();
    layer.picture = path.toStdString();
    layer.length = std::max<std::int64_t>(1, session_.document.length());
    if (const auto picture = layerPicture(layer); !picture) {
        emit session_.messages.told(said(picture.error()));
        return;
    }
    Project next = session_.document.project();
    next.layers.push_back(layer);
    session_.document.edit(std::move(next), tr("Layer %1 added").arg(QString::fromStdString(layer.name)));
}

void FinishPage::addLayerRow()
{
    const std::size_t index = rows_.size();
    auto* widget = new QWidget(this);
    widget->setObjectName(QStringLiteral("layer-%1").arg(index));
    auto* column = newColumn(widget, 2, {0, 0, 0, 4});
    auto* head = new QHBoxLayout;
    auto* name = new QLabel(widget);
    head->addWidget(name);
    head->addStretch(1);
    auto* remove =
        smallButton(tr("Remove"), QStringLiteral("layer-remove"), tr("Removes the layer; its file stays"), widget);
    connect(remove, &QPushButton::clicked, this, [this, index] {
        Project next = session_.document.project();
        if (index >= next.layers.size())
            return;
        next.layers.erase(next.layers.begin() + static_cast<std::ptrdiff_t>(index));
        session_.document.edit(std::move(next), tr("Layer removed"));
    });
    head->addWidget(remove);
    column->addLayout(head);
    const ControlGrid::Binding binding = partBinding<Layer>(
        session_.document, [index](const Project& p) { return index < p.layers.size() ? &p.layers[index] : nullptr; },
        [index](Project& p, const Layer& layer) { p.layers[index] = layer; });
    auto* values = new ControlGrid(session_.document, session_.shaping, binding, 4, widget);
    values->setObjectName(QStringLiteral("layer-values"));
    addAll<Layer>(*values, {{"depth", {}},
                            {"opacity", {}},
                            {"size", {}},
                            {"hidden", {}},
                            {"x", {}},
                            {"y", {}},
                            {"in", {}},
                            {"length", {}}});
    auto* axes = new ControlGrid(session_.document, session_.shaping, binding, 6, widget);
    axes->setObjectName(QStringLiteral("layer-axes"));
    for (const Axis axis : allAxes) {
        const std::string key = "axis." + std::string(axisName(axis));
        axes->add(key, *fieldOf<Layer>(key)->spec);
    }
    column->addWidget(values);
    column->addWidget(axes);
    layers_->addWidget(widget);
    axes->refresh();
    rows_.push_back({widget, name, values, axes});
}

void FinishPage::refreshLayers()
{
    const auto& layers = session_.document.project().layers;
    while (rows_.size() > layers.size()) {
        rows_.back().widget->deleteLater();
        rows_.back().widget->hide();
        rows_.pop_back();
    }
    while (rows_.size() < layers.size())
        addLayerRow();
    for (std::size_t i = 0; i < layers.size(); ++i) {
        const bool there = i < session_.film.layerPictures().size() && session_.film.layerPictures()[i] != nullptr;
        const QString title = QString::fromStdString(layers[i].name.empty() ? layers[i].picture : layers[i].name);
        rows_[i].name->setText(there ? title : tr("%1 (cannot be read)").arg(title));
        rows_[i].name->setToolTip(QString::fromStdString(layers[i].picture));
        rows_[i].values->refresh();
        rows_[i].axes->refresh();
    }
}

void FinishPage::refresh()
{
    const Project& project = session_.document.project();
    const Finish& finish = project.finish;
    const Cover& cover = session_.document.cover();
    for (ControlGrid* grid : {cover_, shutter_, bars_, shown_})
        grid->refresh();
    cover_->setNamedVisible(colour_, finish.edges == EdgeMode::plain);
    colour_->setColour(QColor(finish.plain.r, finish.plain.g, finish.plain.b));
    allow(addLayer_, session_.film.hasClip() ? QString() : tr("Open a clip first"));
    allow(worst_, cover.needed > 1 ? QString() : tr("No frame shows its border"));
    const auto percent = [](double ratio) { return QString::number(100 * ratio, 'f', 1); };
    QString says = tr("No frame shows its border.");
    if (cover.needed > 1)
        says = std::isfinite(cover.needed)
                   ? tr("At least %1 % are needed, on frame %2.").arg(percent(cover.needed)).arg(cover.worstFrame)
                   : tr("Frame %1 leaves the picture: no zoom hides its border.").arg(cover.worstFrame);
    if (cover.needed > 1 && finish.cover == CoverMode::breathing)
        says += tr(" Here it is %1 %.").arg(percent(cover.at(session_.playhead.frame())));
    if (const auto frames = uncoveredFrames(cover, session_.document.survey().needed());
        !frames.empty() && cover.needed > 1)
        says += frames.size() == 1
                    ? tr(" Frame %1 shows beyond the source.").arg(frames.front())
                    : tr(" %1 frames show beyond the source: %2.").arg(frames.size()).arg(frameList(frames));
    coverSays_->setText(says);

    const double half = finish.shutterAngle / 720;
    when_->setCurrentIndex(finish.exposureShift == 0                      ? 0
                           : std::abs(finish.exposureShift - half) < 1e-9 ? 1
                           : std::abs(finish.exposureShift + half) < 1e-9 ? 2
                                                                          : -1);
    const Exposure exposure =
        exposureOf(project, session_.document.motion(), static_cast<double>(session_.playhead.frame()));
    shutterSays_->setText(
        finish.shutterAngle == 0 ? tr("Off. 180° is half of each frame.")
        : exposure.instants() == 1
            ? tr("Frame %1 stands still while the shutter is open.").arg(session_.playhead.frame())
            : tr("Frame %1 is seen at %2 instants.").arg(session_.playhead.frame()).arg(exposure.instants()));

    const auto known = std::find(usualRatios.begin(), usualRatios.end(), finish.letterbox);
    ratio_->setCurrentIndex(static_cast<int>(known - usualRatios.begin()));
    const Bars bars = barsOf(finish.letterbox, project.width, project.height);
    const double hidden = 2.0 * bars.top / project.height + 2.0 * bars.side / project.width;
    QString bar = tr("No bars.");
    if (hidden > 0) {
        bar = tr("The bars hide %1 %.").arg(percent(hidden));
        if (finish.coverBars && finish.cover != CoverMode::off)
            bar += cover.needed <= 1 ? tr(" No zoom needed.") : tr(" The cover uses them.");
    }
    barsSay_->setText(bar);
    refreshLayers();
}

} // namespace ember::app
