// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/colour/config.h"

#include <algorithm>
#include <cstdlib>
#include <filesystem>
#include <sstream>
#include <utility>

#include "colour_way_steps.h"
#include "config_parts.h"
#include "ember/core/colour_setup.h"
#include "ember/core/shown_text.h"
#include "ember/files/whole_file.h"

namespace ember {

namespace {

constexpr std::uintmax_t largestConfig = 8u << 20;

std::string textOf(const char* text)
{
    return text == nullptr ? std::string() : text;
}

void listAll(ColourConfig::Parts& parts)
{
    const auto& config = *parts.config;
    parts.description = textOf(config.getDescription());
    for (int i = 0; i < config.getNumColorSpaces(); ++i) {
        const std::string name = textOf(config.getColorSpaceNameByIndex(i));
        if (const auto space = config.getColorSpace(name.c_str()); space != nullptr && !space->isData())
            parts.spaces.push_back(name);
    }
    for (int i = 0; i < config.getNumDisplays(); ++i)
        parts.displays.push_back(textOf(config.getDisplay(i)));
    for (int i = 0; i < config.getNumLooks(); ++i)
        parts.looks.push_back(textOf(config.getLookNameByIndex(i)));
}

Result<std::shared_ptr<const ColourConfig>> made(ocio::ConstConfigRcPtr config, const std::string& name)
{
    auto parts = std::make_unique<ColourConfig::Parts>();
    parts->config = std::move(config);
    parts->name = name;
    if (const Status good = guarded(parts->config, name); !good)
        return good.error();
    listAll(*parts);
    if (parts->spaces.empty())
        return Error{ErrorCode::badFormat, name, "it has no colour space"};
    if (parts->displays.empty())
        return Error{ErrorCode::badFormat, name, "it has no display"};
    try {
        parts->config->validate();
    } catch (const std::exception& error) {
        parts->notes.push_back(Phrase("{} is not quite right: {}", inQuotes(name), wordsOf(error)));
    }
    return std::shared_ptr<const ColourConfig>(std::make_shared<ColourConfig>(std::move(parts)));
}

Result<std::shared_ptr<const ColourConfig>> read(const std::string& path)
{
    const auto text = readFile(path, largestConfig, "a colour config");
    if (!text)
        return text.error();
    try {
        std::istringstream stream(text.value());
        const auto config = ocio::Config::CreateFromStream(stream)->createEditableCopy();
        config->setWorkingDir(std::filesystem::absolute(path).parent_path().c_str());
        return made(config, path);
    } catch (const std::bad_alloc&) {
        throw;
    } catch (const std::exception& error) {
        return Error{ErrorCode::badFormat, path, Phrase("it is no config of OpenColorIO: {}", wordsOf(error))};
    }
}

/// Configs that were read, by their files as they were then.
class Shelf {
public:
    Result<std::shared_ptr<const ColourConfig>> of(const std::string& path)
    {
        const std::lock_guard held(mutex_);
        const FileStamp stamp = stampOf(path);
        const auto found = configs_.find(path);
        if (found != configs_.end() && found->second.first == stamp)
            return found->second.second;
        auto config = read(path);
        if (config)
            configs_[path] = {stamp, config.value()};
        return config;
    }

private:
    std::mutex mutex_;
    std::map<std::string, std::pair<FileStamp, std::shared_ptr<const ColourConfig>>> configs_;
};

} // namespace

Phrase wordsOf(const std::exception& error)
{
    std::string text = error.what();
    std::replace(text.begin(), text.end(), '\n', ' ');
    return Phrase("{}", shownText(text.substr(0, 300)));
}

std::string ColourConfig::fileOf(const std::string& name)
{
    if (name == builtInConfig)
        return {};
    if (name != environmentConfig)
        return name;
    const char* told = std::getenv("OCIO");
    return told == nullptr ? std::string() : told;
}

Result<std::shared_ptr<const ColourConfig>> ColourConfig::open(const std::string& name)
{
    static Shelf shelf;
    ocio::SetLoggingLevel(ocio::LOGGING_LEVEL_NONE);
    if (name == builtInConfig) {
        static const auto config = made(builtInOcioConfig(), std::string(builtInConfig));
        return config;
    }
    const std::string path = fileOf(name);
    if (path.empty())
        return Error{ErrorCode::notFound, "OCIO", "this variable of the environment names no config"};
    return shelf.of(path);
}

ColourConfig::ColourConfig(std::unique_ptr<Parts> parts) : parts_(std::move(parts)) {}
ColourConfig::~ColourConfig() = default;

const std::string& ColourConfig::description() const
{
    return parts_->description;
}

const std::vector<std::string>& ColourConfig::spaces() const
{
    return parts_->spaces;
}

const std::vector<std::string>& ColourConfig::displays() const
{
    return parts_->displays;
}

std::vector<std::string> ColourConfig::views(const std::string& display) const
{
    std::vector<std::string> names;
    for (int i = 0; i < parts_->config->getNumViews(display.c_str()); ++i)
        names.push_back(textOf(parts_->config->getView(display.c_str(), i)));
    return names;
}

const std::vector<std::string>& ColourConfig::looks() const
{
    return parts_->looks;
}

const std::vector<Phrase>& ColourConfig::notes() const
{
    return parts_->notes;
}

bool ColourConfig::has(const std::string& space) const
{
    const auto found = parts_->config->getColorSpace(space.c_str());
    return found != nullptr && !found->isData();
}

std::string ColourConfig::workingSpace() const
{
    if (const auto space = parts_->config->getColorSpace(ocio::ROLE_SCENE_LINEAR); space != nullptr && !space->isData())
        return textOf(space->getName());
    for (const std::string& space : parts_->spaces)
        if (const auto here = known(space); here && here->transfer == Transfer::linear)
            return space;
    return parts_->spaces.front();
}

DisplayView ColourConfig::viewOf(const DisplayView& wanted) const
{
    const auto has = [](const std::vector<std::string>& names, const std::string& name) {
        return std::find(names.begin(), names.end(), name) != names.end();
    };
    DisplayView one;
    one.display = has(parts_->displays, wanted.display) ? wanted.display : textOf(parts_->config->getDefaultDisplay());
    one.view = has(views(one.display), wanted.view) ? wanted.view
                                                    : textOf(parts_->config->getDefaultView(one.display.c_str()));
    one.look = has(parts_->looks, wanted.look) ? wanted.look : std::string();
    return one;
}

std::optional<ColourSpace> ColourConfig::known(const std::string& space) const
{
    const std::lock_guard held(parts_->mutex);
    const auto found = parts_->known.find(space);
    if (found != parts_->known.end())
        return found->second;
    return parts_->known[space] = recognised(parts_->config, space);
}

std::string ColourConfig::spaceFor(ColourSpace wanted) const
{
    const auto is = [&](const std::string& space) { return known(space) == wanted; };
    const auto found = std::find_if(parts_->spaces.begin(), parts_->spaces.end(), is);
    return found == parts_->spaces.end() ? std::string() : *found;
}

std::string ColourConfig::spaceByRules(const std::string& path) const
{
    try {
        const std::string space = textOf(parts_->config->getColorSpaceFromFilepath(path.c_str()));
        if (const auto found = parts_->config->getColorSpace(space.c_str()); found != nullptr && !found->isData())
            return textOf(found->getName());
    } catch (const std::exception&) { // it has no rules
    }
    return {};
}

namespace {

Result<ColourWay> wayOf(const std::string& name, const std::function<ocio::ConstProcessorRcPtr()>& make)
{
    try {
        return ColourWay(std::make_shared<const ColourWay::Steps>(make()));
    } catch (const std::bad_alloc&) {
        throw;
    } catch (const std::exception& error) {
        return Error{ErrorCode::failed, name, wordsOf(error)};
    }
}

} // namespace

Result<ColourWay> ColourConfig::between(const std::string& from, const std::string& to) const
{
    for (const std::string& space : {from, to})
        if (!has(space))
            return Error{ErrorCode::badValue, parts_->name, Phrase("it has no colour space {}", inQuotes(space))};
    return wayOf(parts_->name, [&] { return parts_->config->getProcessor(from.c_str(), to.c_str()); });
}

Result<ColourWay> ColourConfig::toScreen(const std::string& from, const DisplayView& wanted) const
{
    if (!has(from))
        return Error{ErrorCode::badValue, parts_->name, Phrase("it has no colour space {}", inQuotes(from))};
    return wayOf(parts_->name, [&] {
        auto step = ocio::DisplayViewTransform::Create();
        step->setSrc(from.c_str());
        step->setDisplay(wanted.display.c_str());
        step->setView(wanted.view.c_str());
        if (wanted.look.empty())
            return parts_->config->getProcessor(step);
        step->setLooksBypass(true);
        auto group = ocio::GroupTransform::Create();
        auto look = ocio::LookTransform::Create();
        look->setSrc(from.c_str());
        look->setDst(from.c_str());
        look->setLooks(wanted.look.c_str());
        group->appendTransform(look);
        group->appendTransform(step);
        return parts_->config->getProcessor(group);
    });
}

} // namespace ember
