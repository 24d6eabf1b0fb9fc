// SPDX-License-Identifier: GPL-3.0-or-later
// Configs come from anywhere: their tables are read by OpenColorIO, which opens whatever it is told to.
#include <filesystem>
#include <functional>
#include <set>

#include "config_parts.h"
#include "ember/core/shown_text.h"
#include "ember/files/whole_file.h"

namespace ember {

namespace {

constexpr std::uintmax_t largestTable = 256u << 20;
constexpr std::size_t mostSteps = 200'000; ///< of all spaces together

/// Walks through everything a config can be asked to do.
class Guard {
public:
    Guard(const ocio::ConstConfigRcPtr& config, const std::string& name) : config_(config), name_(name) {}

    Status all()
    {
        constexpr auto every = ocio::COLORSPACE_ALL;
        for (int i = 0; i < config_->getNumColorSpaces(ocio::SEARCH_REFERENCE_SPACE_ALL, every); ++i)
            space(config_->getColorSpaceNameByIndex(ocio::SEARCH_REFERENCE_SPACE_ALL, every, i));
        for (int i = 0; i < config_->getNumLooks(); ++i)
            look(config_->getLookNameByIndex(i));
        for (int i = 0; i < config_->getNumViewTransforms(); ++i)
            if (const auto view = config_->getViewTransform(config_->getViewTransformNameByIndex(i)))
                for (const auto way : {ocio::VIEWTRANSFORM_DIR_TO_REFERENCE, ocio::VIEWTRANSFORM_DIR_FROM_REFERENCE})
                    step(view->getTransform(way));
        for (int i = 0; i < config_->getNumNamedTransforms(ocio::NAMEDTRANSFORM_ALL); ++i)
            named(config_->getNamedTransformNameByIndex(ocio::NAMEDTRANSFORM_ALL, i));
        return wrong_ ? Status(*wrong_) : Done{};
    }

private:
    /// Does `walk` once for each name, unless it is being walked through already: then it is made of itself.
    void once(const std::string& name, const std::function<void()>& walk)
    {
        if (wrong_ || done_.contains(name))
            return;
        if (!open_.insert(name).second) {
            wrong_ = Error{ErrorCode::badFormat, name_, Phrase("{} in it is made of itself", inQuotes(name.substr(1)))};
            return;
        }
        walk();
        open_.erase(name);
        done_.insert(name);
    }
    void space(const char* name)
    {
        if (const auto found = config_->getColorSpace(name))
            once(std::string("s") + found->getName(), [&] {
                step(found->getTransform(ocio::COLORSPACE_DIR_TO_REFERENCE));
                step(found->getTransform(ocio::COLORSPACE_DIR_FROM_REFERENCE));
            });
        else if (name != nullptr)
            named(name);
    }
    void named(const char* name)
    {
        if (const auto found = config_->getNamedTransform(name))
            once(std::string("n") + found->getName(), [&] {
                step(found->getTransform(ocio::TRANSFORM_DIR_FORWARD));
                step(found->getTransform(ocio::TRANSFORM_DIR_INVERSE));
            });
    }
    void look(const char* name)
    {
        if (const auto found = config_->getLook(name))
            once(std::string("l") + found->getName(), [&] {
                space(found->getProcessSpace());
                step(found->getTransform());
                step(found->getInverseTransform());
            });
    }
    void step(const ocio::ConstTransformRcPtr& transform)
    {
        if (transform == nullptr || wrong_)
            return;
        if (++steps_ > mostSteps) {
            wrong_ = Error{ErrorCode::unsupported, name_, Phrase("it has too many steps")};
        } else if (const auto group = std::dynamic_pointer_cast<const ocio::GroupTransform>(transform)) {
            for (int i = 0; i < group->getNumTransforms(); ++i)
                step(group->getTransform(i));
        } else if (const auto file = std::dynamic_pointer_cast<const ocio::FileTransform>(transform)) {
            table(file->getSrc());
        } else if (const auto between = std::dynamic_pointer_cast<const ocio::ColorSpaceTransform>(transform)) {
            space(between->getSrc());
            space(between->getDst());
        } else if (const auto looks = std::dynamic_pointer_cast<const ocio::LookTransform>(transform)) {
            space(looks->getSrc());
            space(looks->getDst());
            lookOfList(looks->getLooks());
        } else if (const auto view = std::dynamic_pointer_cast<const ocio::DisplayViewTransform>(transform)) {
            space(view->getSrc());
            space(config_->getDisplayViewColorSpaceName(view->getDisplay(), view->getView()));
            lookOfList(config_->getDisplayViewLooks(view->getDisplay(), view->getView()));
        }
    }
    /// "first, -second | third".
    void lookOfList(const char* list)
    {
        std::string name;
        for (const char* c = list; c != nullptr; ++c) {
            if (*c != 0 && *c != ',' && *c != '|' && *c != ' ' && *c != '+' && !(name.empty() && *c == '-'))
                name += *c;
            else if (!name.empty())
                look(std::exchange(name, {}).c_str());
            if (*c == 0)
                return;
        }
    }
    void table(const char* name)
    {
        std::string path;
        try {
            path = config_->getCurrentContext()->resolveFileLocation(name);
        } catch (const std::exception&) {
            return; // it is not there: told where it is needed
        }
        std::error_code unknown;
        if (const auto wrong = notRegular(path))
            wrong_ = Error{wrong->code, name_, Phrase("its table {} is not a file that can be read", inQuotes(path))};
        else if (std::filesystem::file_size(path, unknown) > largestTable || unknown)
            wrong_ = Error{ErrorCode::unsupported, name_, Phrase("its table {} is too large", inQuotes(path))};
    }

    const ocio::ConstConfigRcPtr& config_;
    const std::string& name_;
    std::set<std::string> open_;
    std::set<std::string> done_;
    std::size_t steps_ = 0;
    std::optional<Error> wrong_;
};

} // namespace

Status guarded(const ocio::ConstConfigRcPtr& config, const std::string& name)
{
    return Guard(config, name).all();
}

} // namespace ember
