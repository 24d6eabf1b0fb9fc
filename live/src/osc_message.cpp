// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/live/osc_message.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstring>
#include <memory>
#include <string_view>

#include <lo/lo.h>

#include "ember/core/field.h"
#include "ember/core/values.h"
#include "ember/project/board_edits.h"
#include "ember/project/shipped_recipes.h"

namespace ember {

namespace {

constexpr std::size_t deepestBundle = 4;
constexpr std::string_view bundleWord("#bundle\0", 8);
constexpr std::size_t longestName = 256;

struct FreeMessage {
    void operator()(lo_message message) const { lo_message_free(message); }
};
using MessagePtr = std::unique_ptr<std::remove_pointer_t<lo_message>, FreeMessage>;

/// The arguments of a message, each asked for once and in order; a wrong one is remembered.
class Arguments {
public:
    explicit Arguments(lo_message message)
        : types_(lo_message_get_types(message)), values_(lo_message_get_argv(message)),
          count_(static_cast<std::size_t>(std::max(0, lo_message_get_argc(message))))
    {
    }
    bool more() const { return at_ < count_; }
    bool allFine() const { return fine_ && !more(); }

    std::string text()
    {
        const char* type = next();
        if (type == nullptr || (*type != LO_STRING && *type != LO_SYMBOL)) {
            fine_ = false;
            return {};
        }
        const std::string_view held(&values_[at_ - 1]->s);
        fine_ = fine_ && !held.empty() && held.size() <= longestName;
        return std::string(held.substr(0, longestName));
    }
    double number(double least, double most)
    {
        const char* type = next();
        if (type == nullptr || lo_is_numerical_type(static_cast<lo_type>(*type)) == 0) {
            fine_ = false;
            return least;
        }
        const auto value = static_cast<double>(lo_hires_val(static_cast<lo_type>(*type), values_[at_ - 1]));
        fine_ = fine_ && value >= least && value <= most; // false for what is no number
        return value;
    }

private:
    const char* next()
    {
        if (at_ >= count_)
            return nullptr;
        return types_ + at_++;
    }

    const char* types_;
    lo_arg** values_;
    std::size_t count_;
    std::size_t at_ = 0;
    bool fine_ = true;
};

void readOne(std::string_view path, Arguments values, OscRead& read)
{
    const auto take = [&](OscMessage message) {
        if (values.allFine())
            read.messages.push_back(std::move(message));
        else
            ++read.malformed;
    };
    if (path == "/strike" || path == "/strike_at") {
        OscStrike strike;
        strike.kind = values.text();
        strike.strength = values.number(strikefield::strength.min, strikefield::strength.max);
        if (path == "/strike_at") {
            const auto& spec = worldfield::coordinate;
            WorldPoint at;
            at.x = values.number(spec.min, spec.max);
            at.y = values.number(spec.min, spec.max);
            at.z = values.number(spec.min, spec.max);
            strike.at = at;
        } else if (values.more()) {
            // OSC's own whole numbers are signed.
            strike.seed =
                static_cast<std::uint32_t>(static_cast<std::int64_t>(values.number(-2147483648.0, 4294967295.0)));
        }
        take(std::move(strike));
    } else if (path == "/settle") {
        take(OscSettle{values.number(settlefield::frames.min, settlefield::frames.max)});
    } else if (path == "/intensity") {
        take(OscIntensity{values.number(0, 200) / 100});
    } else {
        ++read.unknown;
    }
}

std::uint32_t bigEndian(std::span<const std::byte> bytes)
{
    std::uint32_t value = 0;
    for (std::size_t i = 0; i < 4; ++i)
        value = value << 8 | std::to_integer<std::uint32_t>(bytes[i]);
    return value;
}

void readPart(std::span<const std::byte> part, std::size_t depth, OscRead& read)
{
    if (part.size() >= 16 && std::memcmp(part.data(), bundleWord.data(), 8) == 0) {
        if (depth == deepestBundle) {
            ++read.malformed;
            return;
        }
        part = part.subspan(16); // the word and a time
        while (!part.empty()) {
            const std::size_t size = part.size() < 4 ? 0 : bigEndian(part);
            if (size == 0 || size > part.size() - 4 || read.messages.size() >= mostInBundle) {
                ++read.malformed;
                return;
            }
            readPart(part.subspan(4, size), depth + 1, read);
            part = part.subspan(4 + size);
        }
        return;
    }
    // The library changes what it reads; and what it takes for a string ends within ours.
    std::array<char, longestDatagram + 4> bytes{};
    const bool fits = !part.empty() && part.size() <= longestDatagram;
    if (fits)
        std::memcpy(bytes.data(), part.data(), part.size());
    const bool address =
        fits && bytes[0] == '/' && part.size() % 4 == 0 && std::memchr(bytes.data(), '\0', part.size()) != nullptr;
    int code = 0;
    const MessagePtr message(address ? lo_message_deserialise(bytes.data(), part.size(), &code) : nullptr);
    if (message == nullptr) {
        ++read.malformed;
        return;
    }
    readOne(std::string_view(bytes.data()), Arguments(message.get()), read);
}

std::vector<std::byte> serialised(const char* path, lo_message message)
{
    std::vector<std::byte> bytes(lo_message_length(message, path));
    std::size_t size = bytes.size();
    lo_message_serialise(message, path, bytes.data(), &size);
    bytes.resize(size);
    return bytes;
}

/// To centimetres: what came as a float has digits that mean nothing.
WorldPoint tidy(const WorldPoint& at)
{
    const auto rounded = [](double value) { return std::round(100 * value) / 100 + 0.0; };
    return {rounded(at.x), rounded(at.y), rounded(at.z)};
}

std::string finePercent(double ratio)
{
    return valueText(FieldSpec{}, std::round(1000 * ratio) / 10) + " %";
}

} // namespace

OscRead readOsc(std::span<const std::byte> datagram)
{
    OscRead read;
    readPart(datagram, 0, read);
    return read;
}

std::vector<std::byte> writeOsc(const OscMessage& message)
{
    const MessagePtr osc(lo_message_new());
    const auto number = [&](double value) { lo_message_add_float(osc.get(), static_cast<float>(value)); };
    if (const auto* strike = std::get_if<OscStrike>(&message)) {
        lo_message_add_string(osc.get(), strike->kind.c_str());
        number(strike->strength);
        if (strike->at) {
            number(strike->at->x);
            number(strike->at->y);
            number(strike->at->z);
            return serialised("/strike_at", osc.get());
        }
        if (strike->seed)
            lo_message_add_int32(osc.get(), static_cast<std::int32_t>(*strike->seed));
        return serialised("/strike", osc.get());
    }
    if (const auto* settle = std::get_if<OscSettle>(&message)) {
        number(settle->frames);
        return serialised("/settle", osc.get());
    }
    number(std::get<OscIntensity>(message).ratio * 100);
    return serialised("/intensity", osc.get());
}

std::vector<std::byte> writeOscPose(const MotionSample& sample)
{
    const MessagePtr osc(lo_message_new());
    const Pose& pose = sample.pose;
    for (const double value : {pose.x, pose.y, pose.zoom, pose.roll, pose.pan, pose.tilt, sample.intensity})
        lo_message_add_float(osc.get(), static_cast<float>(value));
    return serialised("/pose", osc.get());
}

Result<Strike> strikeOf(const OscStrike& message, const Project& project, const Board& board, std::size_t state)
{
    Strike strike;
    const auto kind = kindFromName(message.kind);
    const auto pad = std::find_if(board.pads.begin(), board.pads.end(), [&](const Pad& p) {
        return kind ? p.kind == *kind : !p.name.empty() && p.name == message.kind;
    });
    if (pad != board.pads.end()) {
        strike = strikeOf(*pad, state, 1);
        strike.strength = message.strength;
    } else {
        const Recipe* recipe = project.recipeNamed(kind ? std::string(starterRecipeName(*kind)) : message.kind);
        if (recipe == nullptr && kind && !project.recipes.empty())
            recipe = &project.recipes.front();
        if (recipe == nullptr)
            return Error{ErrorCode::badValue, message.kind, "it is no kind, no pad and no recipe of this project"};
        strike.recipe = recipe->id;
        strike.kind = kind.value_or(kindOfRecipe(project, recipe->id));
        strike.direction = usualDirection(strike.kind);
        strike.strength = message.strength;
    }
    if (message.at)
        strike.place = Place{*message.at};
    strike.seed = message.seed.value_or(0);
    return strike;
}

std::string oscText(const OscMessage& message)
{
    if (const auto* strike = std::get_if<OscStrike>(&message)) {
        std::string text = "strike " + strike->kind + " " + finePercent(strike->strength);
        if (strike->at)
            text += " at " + placeText(Place{tidy(*strike->at)});
        return text;
    }
    if (const auto* settle = std::get_if<OscSettle>(&message))
        return "settle " + valueText(FieldSpec{}, settle->frames);
    return "intensity " + finePercent(std::get<OscIntensity>(message).ratio);
}

} // namespace ember
