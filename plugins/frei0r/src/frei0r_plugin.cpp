// SPDX-License-Identifier: GPL-3.0-or-later
// A filter of the frei0r interface (version 1.2 of its header): the pixels of a render in other programs.
extern "C" {
#include <frei0r.h>
}

#include <dlfcn.h>

#include <array>
#include <cstdio>
#include <cstring>
#include <memory>
#include <mutex>
#include <new>
#include <string_view>

#include "ember/film/struck_frames.h"
#include "host_wishes.h"

namespace ember::frei0r {

namespace {

/// How one parameter is told and held; of the two members one is set.
struct Parameter {
    f0r_param_info_t info;
    std::string HostWishes::*text = nullptr;
    double HostWishes::*number = nullptr;
    bool HostWishes::*on = nullptr;
};
const std::array<Parameter, 9> parameters{{
    {{"project", F0R_PARAM_STRING, "Path of a .vember project"}, &HostWishes::project},
    {{"recipe", F0R_PARAM_STRING, "Recipe of the strikes, by its name; empty: that of each one's kind"},
     &HostWishes::recipe},
    {{"strikes", F0R_PARAM_STRING, "FRAME:KIND:STRENGTH,..., such as 48:blast:80%,2.5s:hit; or a list's path"},
     &HostWishes::strikes},
    {{"rate", F0R_PARAM_STRING, "Frames a second where there is no project, such as 25 or 24000/1001 (24)"},
     &HostWishes::rate},
    {{"start", F0R_PARAM_STRING, "The film's frame at the host's time 0 (0)"}, &HostWishes::start},
    {{"strength", F0R_PARAM_DOUBLE, "Of every strike: 0 none, 0.5 as it is, 1 twice that"},
     nullptr,
     &HostWishes::strength},
    {{"intensity", F0R_PARAM_DOUBLE, "Share of the film's intensity, 0 to 1"}, nullptr, &HostWishes::intensity},
    {{"gentle", F0R_PARAM_BOOL, "The gentle version"}, nullptr, nullptr, &HostWishes::gentle},
    {{"clock", F0R_PARAM_STRING, "What the host's times are: seconds, milliseconds; empty: as this host has them"},
     &HostWishes::clock},
}};

/// One filter in a host.
class Instance {
public:
    Instance(int width, int height) : width_(width), height_(height) {}

    void set(f0r_param_t value, std::size_t which)
    {
        const Parameter& parameter = parameters.at(which);
        const std::lock_guard lock(mutex_);
        if (parameter.text != nullptr) {
            const char* text = *static_cast<f0r_param_string*>(value);
            wishes_.*parameter.text = text != nullptr ? text : "";
        } else if (parameter.number != nullptr) {
            wishes_.*parameter.number = *static_cast<double*>(value);
        } else {
            wishes_.*parameter.on = *static_cast<double*>(value) >= 0.5;
        }
    }
    void get(f0r_param_t value, std::size_t which)
    {
        const Parameter& parameter = parameters.at(which);
        const std::lock_guard lock(mutex_);
        if (parameter.text != nullptr)
            *static_cast<f0r_param_string*>(value) = (wishes_.*parameter.text).data();
        else
            *static_cast<double*>(value) = parameter.number != nullptr ? wishes_.*parameter.number
                                           : wishes_.*parameter.on     ? 1
                                                                       : 0;
    }

    /// `inMilliseconds`: what this host is known to mean, where nothing else is set.
    void update(double time, bool inMilliseconds, const std::uint32_t* in, std::uint32_t* out)
    {
        const std::lock_guard lock(updating_); // a host may not ask for two frames at once, but some do
        const std::size_t row = std::size_t{4} * static_cast<std::size_t>(width_);
        const auto* from = reinterpret_cast<const std::uint8_t*>(in);
        auto* to = reinterpret_cast<std::uint8_t*>(out);
        const ImagePtr made = struck(time, inMilliseconds, in);
        for (int y = 0; y < height_; ++y) {
            const auto at = row * static_cast<std::size_t>(y);
            std::memcpy(to + at, made != nullptr ? made->row(y) : from + at, row);
        }
    }

private:
    /// Null where something is wrong, which is told.
    ImagePtr struck(double time, bool inMilliseconds, const std::uint32_t* in)
    {
        const std::shared_ptr<const StruckFrames> film = filmNow();
        if (film == nullptr)
            return nullptr;
        Result<Frame> frame = Error{};
        {
            const std::lock_guard lock(mutex_);
            frame = frameAt(wishes_, film->project().rate, time, inMilliseconds, untimed_);
            untimed_ += isTime(time, inMilliseconds) ? 0 : 1;
        }
        if (!frame) {
            tell(sentence(frame.error()));
            return nullptr;
        }
        const std::shared_ptr<Image> picture = blankPicture();
        const auto count = static_cast<std::size_t>(width_);
        std::uint32_t all = ~0U; // bits that all pixels have
        for (int y = 0; y < height_; ++y) {
            const std::uint32_t* from = in + count * static_cast<std::size_t>(y);
            std::memcpy(picture->row(y), from, 4 * count);
            for (std::size_t x = 0; x < count; ++x)
                all &= from[x];
        }
        std::array<std::uint8_t, 4> channels{};
        std::memcpy(channels.data(), &all, channels.size());
        picture->setOpaque(channels[3] == 255); // or it would be looked through once more
        return film->frame(picture, frame.value());
    }

    /// To copy the host's pixels into: the last one, once nobody holds it any more.
    std::shared_ptr<Image> blankPicture()
    {
        if (blank_ == nullptr || blank_.use_count() > 1)
            blank_ = std::make_shared<Image>(width_, height_);
        return blank_;
    }

    /// The film for what is set now; null where that is wrong.
    std::shared_ptr<const StruckFrames> filmNow()
    {
        const std::lock_guard lock(mutex_);
        if (made_ && *made_ == wishes_)
            return film_;
        made_ = wishes_;
        film_.reset();
        auto project = filmOf(wishes_, width_, height_);
        if (!project) {
            tell(sentence(project.error()));
            return nullptr;
        }
        film_ = std::make_shared<const StruckFrames>(std::move(project).value());
        for (const Phrase& note : film_->notes())
            tell(note.said());
        return film_;
    }

    /// Once, where hosts leave what plugins have to say.
    void tell(const std::string& what)
    {
        if (what != told_)
            std::fprintf(stderr, "vast_ember: %s\n", what.c_str());
        told_ = what;
    }

    const int width_;
    const int height_;
    std::mutex updating_;
    std::mutex mutex_; ///< of what is set
    HostWishes wishes_;
    std::optional<HostWishes> made_; ///< what `film_` was made of
    std::shared_ptr<const StruckFrames> film_;
    std::shared_ptr<Image> blank_;
    std::string told_;
    std::int64_t untimed_ = 0; ///< pictures that came without a time
};

Instance& instanceOf(f0r_instance_t instance)
{
    return *static_cast<Instance*>(instance);
}

/// The interface's header says that times are seconds; FFmpeg's library of filters hands over milliseconds (as of its
/// version 5.1). Which library called is told by the address that it is returned to.
bool callsInMilliseconds(const void* returnsTo)
{
    Dl_info caller{};
    if (dladdr(returnsTo, &caller) == 0 || caller.dli_fname == nullptr)
        return false;
    const std::string_view path(caller.dli_fname);
    const std::string_view name = path.substr(path.rfind('/') + 1); // npos + 1 is 0
    return name.starts_with("libavfilter.") || name.starts_with("ffmpeg") || name.starts_with("ffplay");
}

bool isParameter(int index)
{
    return index >= 0 && static_cast<std::size_t>(index) < parameters.size();
}

} // namespace

} // namespace ember::frei0r

#define EMBER_FREI0R extern "C" __attribute__((visibility("default")))

EMBER_FREI0R int f0r_init()
{
    return 1;
}

EMBER_FREI0R void f0r_deinit() {}

EMBER_FREI0R void f0r_get_plugin_info(f0r_plugin_info_t* info)
{
    *info = {"Vast Ember",
             "The Vast Ember team",
             F0R_PLUGIN_TYPE_FILTER,
             F0R_COLOR_MODEL_RGBA8888,
             FREI0R_MAJOR_VERSION,
             EMBER_MAJOR,
             EMBER_MINOR,
             static_cast<int>(ember::frei0r::parameters.size()),
             "Plays a project's strikes, or a recipe's, on pictures: shake, edges, motion blur, light"};
}

EMBER_FREI0R void f0r_get_param_info(f0r_param_info_t* info, int index)
{
    if (ember::frei0r::isParameter(index))
        *info = ember::frei0r::parameters[static_cast<std::size_t>(index)].info;
}

EMBER_FREI0R f0r_instance_t f0r_construct(unsigned int width, unsigned int height)
{
    constexpr unsigned largest = 16384;
    if (width == 0 || height == 0 || width > largest || height > largest) {
        std::fprintf(stderr, "vast_ember: pictures of %u x %u are not played; up to %u x %u are\n", width, height,
                     largest, largest);
        return nullptr;
    }
    return new (std::nothrow) ember::frei0r::Instance(static_cast<int>(width), static_cast<int>(height));
}

EMBER_FREI0R void f0r_destruct(f0r_instance_t instance)
{
    delete static_cast<ember::frei0r::Instance*>(instance);
}

EMBER_FREI0R void f0r_set_param_value(f0r_instance_t instance, f0r_param_t value, int index)
{
    if (ember::frei0r::isParameter(index) && value != nullptr)
        ember::frei0r::instanceOf(instance).set(value, static_cast<std::size_t>(index));
}

EMBER_FREI0R void f0r_get_param_value(f0r_instance_t instance, f0r_param_t value, int index)
{
    if (ember::frei0r::isParameter(index) && value != nullptr)
        ember::frei0r::instanceOf(instance).get(value, static_cast<std::size_t>(index));
}

EMBER_FREI0R void f0r_update(f0r_instance_t instance, double time, const uint32_t* in, uint32_t* out)
{
    try {
        const bool inMilliseconds = ember::frei0r::callsInMilliseconds(__builtin_return_address(0));
        ember::frei0r::instanceOf(instance).update(time, inMilliseconds, in, out);
    } catch (const std::bad_alloc&) { // nothing may be thrown into the host
        std::fputs("vast_ember: there is not enough memory\n", stderr);
    }
}
