// SPDX-License-Identifier: GPL-3.0-or-later
#include "colour_block.h"

#include <algorithm>

#include <QComboBox>
#include <QFileInfo>
#include <QLabel>
#include <QPushButton>
#include <QSignalBlocker>

#include "background.h"
#include "ember/film/film_colour.h"
#include "ember/project/shot_edits.h"
#include "form.h"
#include "text.h"
#include "theme.h"
#include "word_list.h"

namespace ember::app {

namespace {

constexpr int labelWidth = 104;

QString shownConfig(const std::string& config)
{
    if (config.empty())
        return ColourBlock::tr("by the clips' tags");
    if (config == builtInConfig)
        return ColourBlock::tr("by the built-in config");
    const QString file = QFileInfo(QString::fromStdString(ColourConfig::fileOf(config))).fileName();
    return config == environmentConfig
               ? ColourBlock::tr("by OCIO: %1").arg(file.isEmpty() ? ColourBlock::tr("none") : file)
               : ColourBlock::tr("by %1").arg(file);
}

} // namespace

ColourBlock::ColourBlock(OpenDocument& document, Film& film, ShotCommands& shots, Messages& messages, Dialogs dialogs,
                         QWidget* parent)
    : QWidget(parent), document_(document), film_(film), shots_(shots), messages_(messages),
      dialogs_(std::move(dialogs)), configs_(new WordList(this)), names_(new QWidget(this))
{
    setObjectName(QStringLiteral("colour-block"));
    auto* column = newColumn(this, 2, {0, 0, 0, 0});
    auto* row = newRow(6);
    column->addLayout(row);
    auto* label = dimLabel(tr("Colours"), this);
    label->setFixedWidth(labelWidth);
    row->addWidget(label);
    configs_->setObjectName(QStringLiteral("colour-config"));
    configs_->setAccessibleName(tr("Colours"));
    configs_->setToolTip(tr("What says which colours the clips' numbers stand for: their own tags, or a config of "
                            "OpenColorIO with its spaces, displays, views and looks"));
    configs_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    row->addWidget(configs_, 1);
    auto* file = smallButton(tr("Config file"), QStringLiteral("colour-file"),
                             tr("Choose the file of another config of OpenColorIO"), this);
    row->addWidget(file);
    connect(file, &QPushButton::clicked, this, &ColourBlock::chooseFile);
    column->addWidget(names_);
    newColumn(names_, 2, {0, 0, 0, 0});
    const auto named = [this](const char* name, const QString& text, const QString& tip,
                              std::string ColourSetup::*which) {
        addRow(name, text, tip,
               [this, text, which](const std::string& to, quint64 gesture) { setName(which, text, to, gesture); });
    };
    named("colour-working", tr("Working space"),
          tr("The space in whose light blur, flashes and everything else is added up"), &ColourSetup::working);
    named("colour-output", tr("Film"), tr("The colour space of rendered films"), &ColourSetup::output);
    named("colour-display", tr("Display"),
          tr("The kind of screen this window is seen on; single frames are for it too"), &ColourSetup::display);
    named("colour-view", tr("View"), tr("How the film is brought to that display"), &ColourSetup::view);
    named("colour-look", tr("Look"),
          tr("A look of the config over the view, in place of its own; films are without it"), &ColourSetup::look);
    shot_ = &addRow("colour-shot", tr("This clip"), tr("The colour space of the clip under the playhead"),
                    [this](const std::string& to, quint64 gesture) { setShotSpace(to, gesture); });
    connect(configs_, &QComboBox::activated, this, [this] {
        useConfig(configs_->currentData().toString().toStdString(),
                  configChoices_.gesture([this] { return document_.newGesture(); }));
    });
    connect(&document_, &OpenDocument::replaced, this, [this] { ++asked_; });
    refresh();
}

ColourBlock::Row& ColourBlock::addRow(const char* name, const QString& label, const QString& tip,
                                      const std::function<void(const std::string&, quint64)>& take)
{
    rows_.push_back(std::make_unique<Row>(Row{new QWidget(names_), nullptr}));
    Row& row = *rows_.back();
    auto* line = newRow(row.box, 6, {0, 0, 0, 0});
    auto* says = dimLabel(label, row.box);
    says->setFixedWidth(labelWidth);
    line->addWidget(says);
    row.list = new WordList(row.box);
    row.list->setObjectName(QLatin1String(name));
    row.list->setAccessibleName(label);
    row.list->setToolTip(tip);
    row.list->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    line->addWidget(row.list, 1);
    names_->layout()->addWidget(row.box);
    connect(row.list, &QComboBox::activated, this, [this, &row, take] {
        take(row.list->currentData().toString().toStdString(),
             row.choices.gesture([this] { return document_.newGesture(); }));
    });
    return row;
}

void ColourBlock::fill(QComboBox& list, const std::vector<std::string>& names, const std::string& chosen,
                       const QString& usual)
{
    const QSignalBlocker block(list);
    list.clear();
    list.addItem(usual, QString());
    for (const std::string& name : names)
        list.addItem(toQString(name), toQString(name));
    const QString wanted = toQString(chosen);
    int index = chosen.empty() ? 0 : list.findData(wanted);
    if (index < 0) {
        list.insertItem(1, tr("%1 (not in the config)").arg(wanted), wanted);
        index = 1;
    }
    list.setCurrentIndex(index);
}

void ColourBlock::chooseFile()
{
    const QString path =
        dialogs_.openFile(this, tr("Choose a colour config"), tr("Configs of OpenColorIO (*.ocio);;All files (*)"));
    if (!path.isEmpty())
        useConfig(QFileInfo(path).absoluteFilePath().toStdString(), document_.newGesture());
}

void ColourBlock::useConfig(const std::string& config, quint64 gesture)
{
    const auto take = [this, config, gesture] {
        Project next = document_.project();
        next.colours = {};
        next.colours.config = config;
        document_.edit(std::move(next), tr("Colours %1").arg(shownConfig(config)), gesture);
        refresh();
    };
    const int asked = ++asked_;
    if (config.empty() || config == document_.project().colours.config) {
        if (config != document_.project().colours.config)
            take();
        return;
    }
    const auto read = [project = document_.snapshot(), config,
                       info = film_.clipInfo().value_or(ClipInfo())]() -> Status {
        Project with = *project;
        with.colours = {};
        with.colours.config = config;
        const auto colour = FilmColour::of(with, info); // which asks what its spaces are
        if (!colour)
            return colour.error();
        return Done{};
    };
    inBackground(this, read, [this, asked, take](const Status& status) {
        if (asked != asked_)
            return;
        if (status)
            return take();
        emit messages_.trouble(said(status.error()));
        refreshConfigs();
    });
}

void ColourBlock::setName(std::string ColourSetup::*name, const QString& label, const std::string& to, quint64 gesture)
{
    Project next = document_.project();
    next.colours.*name = to;
    if (name == &ColourSetup::display)
        next.colours.view.clear(); // each display has its own
    const QString said = to.empty() ? tr("%1 as the config has it").arg(label) : tr("%1: %2").arg(label, toQString(to));
    document_.edit(std::move(next), said, gesture);
    refresh();
}

void ColourBlock::setShotSpace(const std::string& to, quint64 gesture)
{
    const auto here = shots_.shotHere();
    if (!here)
        return;
    std::vector<Shot> shots = document_.project().shots;
    shots[here->index].space = to;
    document_.edit(withShots(document_.project(), std::move(shots)),
                   tr("The clip of shot %1 is read in another colour space").arg(here->index + 1), gesture);
    refresh();
}

void ColourBlock::refresh()
{
    refreshConfigs();
    refreshNames();
}

void ColourBlock::refreshConfigs()
{
    const QSignalBlocker block(configs_);
    configs_->clear();
    const ColourSetup& setup = document_.project().colours;
    std::vector<std::string> configs{"", std::string(builtInConfig)};
    if (!ColourConfig::fileOf(std::string(environmentConfig)).empty() || setup.config == environmentConfig)
        configs.emplace_back(environmentConfig);
    if (setup.fromFile())
        configs.push_back(setup.config);
    for (const std::string& config : configs)
        configs_->addItem(shownConfig(config), QString::fromStdString(config));
    configs_->setCurrentIndex(configs_->findData(QString::fromStdString(setup.config)));
}

void ColourBlock::refreshNames()
{
    const Project& project = document_.project();
    const ColourSetup& setup = project.colours;
    const auto config = setup.managed() ? ColourConfig::open(setup.config) : Error{};
    names_->setVisible(config.ok());
    if (!config.ok())
        return;
    Filled filled{config.value(), setup, std::nullopt, {}};
    if (const auto here = shots_.shotHere())
        filled.shot = here->index;
    for (const Shot& shot : project.shots)
        filled.clips.emplace_back(shot.clip, shot.space, shot.colour);
    if (filled == filled_)
        return;
    filled_ = std::move(filled);
    const ColourConfig& has = *config.value();
    const auto colour = FilmColour::of(project, film_.clipInfo().value_or(ClipInfo()));
    const bool known = colour.ok() && colour.value() != nullptr && film_.clipInfo().has_value();
    const auto usual = [](const std::string& name) { return tr("as the config: %1").arg(toQString(name)); };
    const DisplayView own = has.viewOf({});
    const DisplayView view = has.viewOf({setup.display, {}, {}});
    const std::array<std::pair<std::vector<std::string>, QString>, 5> lists{
        {{has.spaces(), usual(has.workingSpace())},
         {has.spaces(), tr("as the first clip")},
         {has.displays(), usual(own.display)},
         {has.views(view.display), usual(view.view)},
         {has.looks(), tr("as the view")}}};
    for (std::size_t i = 0; i < lists.size(); ++i)
        fill(*rows_[i]->list, lists[i].first, setup.*colourNames[i + 1].name, lists[i].second);
    const auto here = shots_.shotHere();
    shot_->box->setVisible(here.has_value() && !project.shots[here->index].gap());
    if (!here)
        return;
    const std::string& space = project.shots[here->index].space;
    fill(*shot_->list, has.spaces(), space,
         space.empty() && known ? tr("as its tags: %1").arg(toQString(colour.value()->spaceOf(here->index)))
                                : tr("as its tags"));
}

} // namespace ember::app
