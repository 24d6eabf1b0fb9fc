// SPDX-License-Identifier: MIT
// Copyright the Vast Ember team
//
// Plays the recipes that Vast Ember hands on, in any C++17 program. No other file is needed.
//
//     const auto text = ...;                               // the recipe's JSON
//     auto shake = vast_ember::Shake::fromJson(text);      // or with vast_ember::Preset::gentle
//     shake.trigger(0.8, 90, 7);                           // strength, direction in degrees (90 is down), seed;
//                                                          // what it returns can be stopped or eased home alone
//     const vast_ember::Pose pose = shake.pose(seconds);   // every frame; draw the picture there
//
// A pose depends only on the recipe, the strikes and settle marks there are, and the time asked for: any time may be
// asked in any order. Outside every strike it is exactly rest.
#pragma once

#include <algorithm>
#include <array>
#include <cmath>
#include <complex>
#include <cstdint>
#include <cstdlib>
#include <limits>
#include <memory>
#include <stdexcept>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

namespace vast_ember {

/// Where the picture is. The point p of it goes to c + zoom R(roll) (p - c) + (x, y) with its middle c: x to the right
/// and y down in pixels of the recipe's frame, roll in degrees clockwise. Pan (to the right) and tilt (down) in degrees
/// turn it before that, as a camera whose lens sees 50 degrees of its width would show it.
struct Pose {
    double x = 0;
    double y = 0;
    double zoom = 1;
    double roll = 0;
    double pan = 0;
    double tilt = 0;

    bool atRest() const { return x == 0 && y == 0 && zoom == 1 && roll == 0 && pan == 0 && tilt == 0; }
};

/// What a player or viewer wishes: all of it, or the version made for those whom much motion harms.
enum class Preset { full, gentle };

namespace detail {

constexpr int axes = 6; // x, y, zoom, roll, pan, tilt
constexpr double pi = 3.14159265358979323846;
constexpr double never = std::numeric_limits<double>::infinity();

// --- JSON, as little of it as is needed

class Json {
public:
    enum class Kind { none, boolean, number, text, list, object };

    static Json parse(std::string_view text)
    {
        Reader reader{text};
        Json value = reader.value(0);
        reader.space();
        if (reader.at != text.size())
            reader.fail("something stands behind its end");
        return value;
    }
    const Json* find(std::string_view key) const
    {
        for (std::size_t i = 0; i < names_.size(); ++i)
            if (names_[i] == key)
                return &items_[i];
        return nullptr;
    }
    const Json& operator[](std::string_view key) const
    {
        if (const Json* found = find(key))
            return *found;
        throw std::runtime_error("The recipe has no \"" + std::string(key) + "\".");
    }
    double number() const
    {
        if (kind_ != Kind::number)
            throw std::runtime_error("The recipe has something else where a number should be.");
        return number_;
    }
    double number(std::string_view key) const { return (*this)[key].number(); }
    double numberOr(std::string_view key, double fallback) const
    {
        const Json* found = find(key);
        return found != nullptr ? found->number() : fallback;
    }
    const std::string& text() const
    {
        if (kind_ != Kind::text)
            throw std::runtime_error("The recipe has something else where a text should be.");
        return text_;
    }
    bool is(std::string_view key, std::string_view word) const
    {
        const Json* found = find(key);
        return found != nullptr && found->kind_ == Kind::text && found->text_ == word;
    }
    bool on(std::string_view key) const
    {
        const Json* found = find(key);
        return found != nullptr && (found->number_ != 0 || found->text_ == "on");
    }
    const std::vector<Json>& items() const { return items_; }

private:
    struct Reader {
        std::string_view text;
        std::size_t at = 0;

        [[noreturn]] void fail(const char* what) const
        {
            throw std::runtime_error("The recipe's JSON is damaged at byte " + std::to_string(at) + ": " + what + ".");
        }
        void space()
        {
            while (at < text.size() && (text[at] == ' ' || text[at] == '\n' || text[at] == '\r' || text[at] == '\t'))
                ++at;
        }
        bool take(char c)
        {
            space();
            if (at < text.size() && text[at] == c) {
                ++at;
                return true;
            }
            return false;
        }
        void need(char c)
        {
            if (!take(c))
                fail("a mark is missing");
        }
        Json value(int depth)
        {
            if (depth > 64)
                fail("it goes too deep");
            Json out;
            if (take('{')) {
                out.kind_ = Kind::object;
                if (take('}'))
                    return out;
                do {
                    space();
                    out.names_.push_back(string());
                    need(':');
                    out.items_.push_back(value(depth + 1));
                } while (take(','));
                need('}');
            } else if (take('[')) {
                out.kind_ = Kind::list;
                if (take(']'))
                    return out;
                do
                    out.items_.push_back(value(depth + 1));
                while (take(','));
                need(']');
            } else if (at < text.size() && text[at] == '"') {
                out.kind_ = Kind::text;
                out.text_ = string();
            } else if (text.substr(at, 4) == "true" || text.substr(at, 4) == "null") {
                out.kind_ = text[at] == 't' ? Kind::boolean : Kind::none;
                out.number_ = text[at] == 't' ? 1 : 0;
                at += 4;
            } else if (text.substr(at, 5) == "false") {
                out.kind_ = Kind::boolean;
                at += 5;
            } else {
                const std::size_t begin = at;
                while (at < text.size() && std::string_view("+-0123456789.eE").find(text[at]) != std::string_view::npos)
                    ++at;
                const std::string digits(text.substr(begin, at - begin));
                char* end = nullptr;
                out.kind_ = Kind::number;
                out.number_ = std::strtod(digits.c_str(), &end);
                if (digits.empty() || end != digits.c_str() + digits.size() || !std::isfinite(out.number_))
                    fail("this is no value");
            }
            return out;
        }
        std::string string()
        {
            if (at >= text.size() || text[at] != '"')
                fail("a text should begin here");
            std::string out;
            for (++at; at < text.size() && text[at] != '"'; ++at) {
                if (text[at] != '\\') {
                    out += text[at];
                    continue;
                }
                if (++at >= text.size())
                    break;
                switch (text[at]) {
                case 'n': out += '\n'; break;
                case 't': out += '\t'; break;
                case 'r': out += '\r'; break;
                case 'b': out += '\b'; break;
                case 'f': out += '\f'; break;
                case 'u': code(out); break;
                default: out += text[at];
                }
            }
            if (at >= text.size())
                fail("a text does not end");
            ++at;
            return out;
        }
        /// Names only: what is not of the basic plane becomes a question mark.
        void code(std::string& out)
        {
            unsigned value = 0;
            for (int i = 0; i < 4; ++i) {
                if (++at >= text.size())
                    fail("a text does not end");
                const char c = text[at];
                const int digit = c >= '0' && c <= '9'   ? c - '0'
                                  : c >= 'a' && c <= 'f' ? c - 'a' + 10
                                  : c >= 'A' && c <= 'F' ? c - 'A' + 10
                                                         : -1;
                if (digit < 0)
                    fail("a sign has a wrong code");
                value = value * 16 + static_cast<unsigned>(digit);
            }
            if (value < 0x80) {
                out += static_cast<char>(value);
            } else if (value < 0x800) {
                out += static_cast<char>(0xc0 | (value >> 6));
                out += static_cast<char>(0x80 | (value & 63));
            } else if (value < 0xd800 || value > 0xdfff) {
                out += static_cast<char>(0xe0 | (value >> 12));
                out += static_cast<char>(0x80 | ((value >> 6) & 63));
                out += static_cast<char>(0x80 | (value & 63));
            } else {
                out += '?';
            }
        }
    };

    Kind kind_ = Kind::none;
    double number_ = 0;
    std::string text_;
    std::vector<std::string> names_;
    std::vector<Json> items_;
};

inline const char* axisName(int axis)
{
    constexpr const char* names[axes] = {"x", "y", "zoom", "roll", "pan", "tilt"};
    return names[axis];
}

// --- numbers from seeds: SplitMix64 (Steele, Lea and Flood 2014)

inline std::uint64_t step(std::uint64_t seed, std::uint64_t index)
{
    std::uint64_t z = seed + (index + 1) * 0x9e3779b97f4a7c15ULL;
    z = (z ^ (z >> 30)) * 0xbf58476d1ce4e5b9ULL;
    z = (z ^ (z >> 27)) * 0x94d049bb133111ebULL;
    return z ^ (z >> 31);
}

inline std::uint64_t mixSeed(std::uint64_t seed, std::uint64_t a, std::uint64_t b = 0)
{
    return step(step(step(seed, 0) ^ a, 0) ^ b, 0);
}

inline double unitOf(std::uint64_t bits)
{
    return static_cast<double>(bits >> 11) / 9007199254740992.0;
}

inline double smooth(double u)
{
    u = std::min(1.0, std::max(0.0, u));
    return u * u * (3 - 2 * u);
}

// --- how strongly a strike is felt

enum class Slope { exponential, power, curvature, linear, constant };

inline Slope slopeFrom(const std::string& word)
{
    return word == "power"       ? Slope::power
           : word == "curvature" ? Slope::curvature
           : word == "linear"    ? Slope::linear
           : word == "constant"  ? Slope::constant
                                 : Slope::exponential;
}

inline double slopeFall(Slope slope, double u, double curve, double length)
{
    if (slope == Slope::constant) {
        const double left = (1 - u) * length;
        return left >= 1 ? 1.0 : std::max(0.0, left);
    }
    if (slope == Slope::linear || std::abs(curve) < 1e-6)
        return 1 - u;
    const auto bent = [slope](double at, double bend) {
        if (slope == Slope::power)
            return std::pow(1 - at, 1 + bend);
        if (slope == Slope::curvature)
            return (1 - at) / (1 + bend * at);
        const double last = std::expm1(-bend);
        return (std::expm1(-bend * at) - last) / -last;
    };
    return curve > 0 ? bent(u, curve) : 1 - bent(1 - u, -curve);
}

// --- what changes over time

struct Key {
    double frame = 0, value = 0, slopeIn = 0, slopeOut = 0;
    int ease = 1; // linear, smooth, hold, in, out, curve

    static Key from(const Json& json)
    {
        const auto& part = json.items();
        if (part.size() != 5)
            throw std::runtime_error("The recipe has a key of a curve that is not of five parts.");
        const std::string& ease = part[2].text();
        Key key{part[0].number(), part[1].number(), part[3].number(), part[4].number(), 1};
        key.ease = ease == "linear"  ? 0
                   : ease == "hold"  ? 2
                   : ease == "in"    ? 3
                   : ease == "out"   ? 4
                   : ease == "curve" ? 5
                                     : 1;
        return key;
    }
};

inline double eased(int ease, double u)
{
    return ease == 0   ? u
           : ease == 2 ? 0.0
           : ease == 3 ? u * u
           : ease == 4 ? 1 - (1 - u) * (1 - u)
                       : u * u * (3 - 2 * u);
}
/// Its integral from 0.
inline double easedSoFar(int ease, double u)
{
    return ease == 0   ? u * u / 2
           : ease == 2 ? 0.0
           : ease == 3 ? u * u * u / 3
           : ease == 4 ? u * u * (1 - u / 3)
                       : u * u * u * (1 - u / 2);
}

/// Keys in order; before the first and after the last the value stays.
class Curve {
public:
    Curve() = default;
    explicit Curve(std::vector<Key> keys) : keys_(std::move(keys))
    {
        for (std::size_t i = 0; i < keys_.size(); ++i)
            sums_.push_back(i == 0 ? 0 : sums_.back() + integralBetween(keys_[i - 1], keys_[i], keys_[i].frame));
    }
    static Curve from(const Json* json)
    {
        std::vector<Key> keys;
        if (json != nullptr)
            for (const Json& key : json->items())
                keys.push_back(Key::from(key));
        return Curve(std::move(keys));
    }
    bool empty() const { return keys_.empty(); }
    const std::vector<Key>& keys() const { return keys_; }
    double at(double frame) const
    {
        if (keys_.empty())
            return 0;
        const auto after = behind(frame);
        if (after == keys_.begin())
            return keys_.front().value;
        return after == keys_.end() ? keys_.back().value : valueBetween(*(after - 1), *after, frame);
    }
    double integral(double from, double to) const { return upTo(to) - upTo(from); }

private:
    std::vector<Key>::const_iterator behind(double frame) const
    {
        return std::upper_bound(keys_.begin(), keys_.end(), frame,
                                [](double at, const Key& key) { return at < key.frame; });
    }
    static double valueBetween(const Key& from, const Key& to, double frame)
    {
        const double length = to.frame - from.frame;
        const double u = (frame - from.frame) / length;
        double out = from.value + (to.value - from.value) * eased(from.ease, u);
        if (from.ease == 5)
            out += length * u * (1 - u) * ((1 - u) * from.slopeOut - u * to.slopeIn);
        return out;
    }
    static double integralBetween(const Key& from, const Key& to, double frame)
    {
        const double length = to.frame - from.frame;
        const double u = (frame - from.frame) / length;
        double sum = length * (from.value * u + (to.value - from.value) * easedSoFar(from.ease, u));
        if (from.ease == 5)
            sum += length * length * u * u *
                   (from.slopeOut * (0.5 + u * (u / 4 - 2.0 / 3)) - to.slopeIn * u * (1.0 / 3 - u / 4));
        return sum;
    }
    double upTo(double frame) const
    {
        if (keys_.empty())
            return 0;
        const auto after = behind(frame);
        if (after == keys_.begin())
            return keys_.front().value * (frame - keys_.front().frame);
        const auto last = static_cast<std::size_t>(after - keys_.begin()) - 1;
        const Key& from = keys_[last];
        return sums_[last] +
               (after == keys_.end() ? from.value * (frame - from.frame) : integralBetween(from, *after, frame));
    }

    std::vector<Key> keys_;
    std::vector<double> sums_;
};

struct Envelope {
    enum class Until { length, nextStrike, shotEnd };
    static constexpr double leadBreaksOff = 0.5; // frames

    double lead = 0, leadLevel = 0, leadCurve = 0, attack = 0, attackCurve = 0, hold = 0, decay = 0, decayCurve = 0;
    double rumble = 0, rumbleLength = 0, release = 0, releaseCurve = 0;
    Slope attackSlope = Slope::exponential, decaySlope = Slope::exponential, releaseSlope = Slope::exponential;
    bool leadBuilds = false;
    int anchor = 0; // contact, first moved, peak
    Until until = Until::length;
    Curve curve; // in place of the shape
    double curvePeak = 0, curveHoldEnd = 0;

    static Envelope from(const Json& json)
    {
        Envelope e;
        e.lead = json.number("lead");
        e.leadLevel = json.number("lead_level");
        e.leadBuilds = json.is("lead_shape", "build");
        e.leadCurve = json.number("lead_curve");
        e.anchor = json.is("anchor", "peak") ? 2 : json.is("anchor", "first_moved") ? 1 : 0;
        e.attack = json.number("attack");
        e.attackSlope = slopeFrom(json["attack_slope"].text());
        e.attackCurve = json.number("attack_curve");
        e.hold = json.number("hold");
        e.decay = json.number("decay");
        e.decaySlope = slopeFrom(json["decay_slope"].text());
        e.decayCurve = json.number("decay_curve");
        e.rumble = json.number("rumble");
        e.until = json.is("rumble_until", "next_strike") ? Until::nextStrike
                  : json.is("rumble_until", "shot_end")  ? Until::shotEnd
                                                         : Until::length;
        e.rumbleLength = json.number("rumble_length");
        e.release = json.number("release");
        e.releaseSlope = slopeFrom(json["release_slope"].text());
        e.releaseCurve = json.number("release_curve");
        e.curve = Curve::from(json.find("curve"));
        const auto& keys = e.curve.keys();
        auto top =
            std::max_element(keys.begin(), keys.end(), [](const Key& a, const Key& b) { return a.value < b.value; });
        if (top != keys.end()) {
            e.curvePeak = e.curveHoldEnd = top->frame;
            for (++top; top != keys.end() && top->value == (top - 1)->value; ++top)
                e.curveHoldEnd = top->frame;
        }
        return e;
    }

    bool drawn() const { return !curve.empty(); }
    double onset() const
    {
        return drawn() ? curve.keys().front().frame : anchor == 0 ? 0 : anchor == 1 ? -std::min(1.0, attack) : -attack;
    }
    double start() const { return drawn() ? onset() : onset() - lead; }
    double rise() const { return drawn() ? curvePeak - onset() : attack; }
    double peak() const { return drawn() ? curvePeak : onset() + attack; }
    double holdEnd() const { return drawn() ? curveHoldEnd : peak() + hold; }
    double decayEnd() const { return drawn() ? end() : holdEnd() + decay; }
    double rumbleEnd() const { return drawn() ? end() : rumble > 0 ? decayEnd() + rumbleLength : decayEnd(); }
    double end() const
    {
        if (drawn())
            return curve.keys().back().frame + (curve.keys().back().value == 0 ? 0 : 1);
        return rumble > 0 ? rumbleEnd() + release : decayEnd();
    }
    bool builds() const { return !drawn() && lead >= 1 && leadBuilds; }

    double at(double t) const
    {
        if (drawn())
            return t >= start() && t < end() ? std::max(0.0, curve.at(t)) : 0.0;
        const double begin = onset();
        if (!(t >= begin - lead) || t >= end())
            return 0;
        if (builds() && t < begin) {
            if (t < begin - leadBreaksOff)
                return leadLevel * slopeFall(Slope::exponential,
                                             (begin - leadBreaksOff - t) / std::max(1e-9, lead - leadBreaksOff),
                                             leadCurve, 0);
            t = begin;
        }
        if (t < begin) {
            const double wave = std::sin(pi * (t - begin) / lead);
            return leadLevel * wave * wave;
        }
        const double from = builds() ? leadLevel : 0;
        if (t < peak())
            return 1 - (1 - from) * slopeFall(attackSlope, (t - begin) / attack, attackCurve, attack);
        if (t <= holdEnd())
            return 1;
        if (t < decayEnd())
            return rumble + (1 - rumble) * slopeFall(decaySlope, (t - holdEnd()) / decay, decayCurve, decay);
        if (t < rumbleEnd())
            return rumble;
        return rumble * slopeFall(releaseSlope, (t - rumbleEnd()) / release, releaseCurve, release);
    }
};

/// Cosine or sine of a direction; whole quarter turns are exact.
inline double alongAxis(double degrees, int axis)
{
    const double quarter = std::remainder(degrees, 360.0) / 90.0;
    const double angle = quarter * pi / 2;
    const double along = axis == 0 ? std::cos(angle) : std::sin(angle);
    return quarter == std::floor(quarter) ? std::round(along) : along;
}

// --- what moves

enum class Kind { kick, noise, jitter, oscillation, drawn, captured };

struct Loop {
    double rate = 24, seconds = 0;
    std::array<std::vector<double>, axes> shares;
    std::vector<double> violent;

    double at(int axis, double time) const
    {
        const auto& curve = shares[static_cast<std::size_t>(axis)];
        if (curve.empty())
            return 0;
        const auto count = static_cast<std::int64_t>(curve.size());
        const double place = std::fmod(time * rate, static_cast<double>(count));
        const double below = std::floor(place);
        const double u = place - below;
        const auto first = static_cast<std::int64_t>(below);
        const auto value = [&](std::int64_t i) {
            return curve[static_cast<std::size_t>(((i % count) + count) % count)];
        };
        const double a = value(first - 1), b = value(first), c = value(first + 1), d = value(first + 2);
        const double out = b + 0.5 * u * (c - a + u * (2 * a - 5 * b + 4 * c - d + u * (3 * (b - c) + d - a)));
        return std::min(1.0, std::max(-1.0, out));
    }
    double violentTime(std::uint64_t seed) const
    {
        if (violent.empty())
            return 0;
        return violent[static_cast<std::size_t>(unitOf(mixSeed(seed, 0xca)) * static_cast<double>(violent.size()))];
    }
};

struct Moment {
    double sinceOnset = 0, attack = 0, pace = 0, cycles = 0, seconds = 0;
    bool builds = false;
};

struct Strand {
    Kind kind = Kind::kick;
    double damping = 0.25;
    int octaves = 2;
    double gain = 0.5, lacunarity = 2, loop = 0;
    double every = 1;
    int wave = 0; // sine, triangle, square
    bool seededPhase = true;
    std::array<double, axes> ratio{}, phase{}, back{};
    std::array<Curve, axes> keys;
    bool asDrawn = false;
    double home = 6;                            // frames back to rest after the last key
    double handFirst = never, handEnd = -never; // where curves without an envelope may be away from rest
    Curve rateCurve;
    std::array<Curve, axes> amountCurves;
    int line = 0; // off, along the direction, at an angle
    std::array<double, 2> lineAlong{};
    double speed = 1;
    Loop motion;
    double peakHz = 10, restHz = 3, fall = 12;
    int intermittent = 0; // off, set, seeded
    double moves = 6, rests = 6, unevenness = 0.6;
    std::uint64_t salt = 1;
    std::array<double, axes> amount{};
    bool ownEnvelope = false;
    Envelope envelope;

    static Strand from(const Json& json)
    {
        Strand s;
        const std::string& source = json["source"].text();
        s.kind = source == "kick"          ? Kind::kick
                 : source == "noise"       ? Kind::noise
                 : source == "jitter"      ? Kind::jitter
                 : source == "oscillation" ? Kind::oscillation
                 : source == "drawn"       ? Kind::drawn
                 : source == "captured"
                     ? Kind::captured
                     : throw std::runtime_error("The recipe has a strand of an unknown source, \"" + source + "\".");
        s.damping = json.numberOr("damping", s.damping);
        s.octaves = static_cast<int>(json.numberOr("octaves", s.octaves));
        s.gain = json.numberOr("gain", s.gain);
        s.lacunarity = json.numberOr("lacunarity", s.lacunarity);
        s.loop = json.numberOr("loop", s.loop);
        s.every = std::max(1e-6, json.numberOr("every", s.every));
        s.wave = json.is("wave", "square") ? 2 : json.is("wave", "triangle") ? 1 : 0;
        s.seededPhase = !json.is("start", "fixed");
        s.speed = json.numberOr("speed", s.speed);
        s.asDrawn = s.kind == Kind::drawn && json.on("as_drawn");
        for (int a = 0; a < axes; ++a) {
            const auto i = static_cast<std::size_t>(a);
            const auto perAxis = [&](const char* name, double fallback) {
                const Json* group = json.find(name);
                return group != nullptr ? group->numberOr(axisName(a), fallback) : fallback;
            };
            s.ratio[i] = perAxis("ratio", 1);
            s.phase[i] = perAxis("phase", 0);
            s.back[i] = perAxis("back", 1);
            s.amount[i] = perAxis("amount", 0);
            if (const Json* drawn = json.find("keys"))
                s.keys[i] = Curve::from(drawn->find(axisName(a)));
            if (const Json* curves = json.find("amount_curves"))
                s.amountCurves[i] = Curve::from(curves->find(axisName(a)));
        }
        s.home = json.numberOr("home", s.home);
        s.rateCurve = Curve::from(json.find("rate_curve"));
        s.line = json.is("line", "set") ? 2 : json.is("line", "direction") ? 1 : 0;
        if (s.kind != Kind::noise && s.kind != Kind::jitter && s.kind != Kind::oscillation)
            s.line = 0;
        const double angle = json.numberOr("line_angle", 90);
        s.lineAlong = {alongAxis(angle, 0), alongAxis(angle, 1)};
        if (s.line != 0)
            s.amount[0] = s.amount[1] = std::hypot(s.amount[0], s.amount[1]);
        s.peakHz = json.number("rate");
        s.restHz = json.number("rate_rest");
        s.fall = json.number("rate_fall");
        const bool old = json.find("bursts") != nullptr; // as version 1 called it
        const char* gate = old ? "bursts" : "intermittent";
        s.intermittent = json.is(gate, "seeded") ? 2 : json.is(gate, "set") ? 1 : 0;
        s.moves = json.numberOr(old ? "burst_move" : "moves", s.moves);
        s.rests = json.numberOr(old ? "burst_pause" : "rests", s.rests);
        s.unevenness = json.numberOr(old ? "burst_spread" : "unevenness", s.unevenness);
        s.salt = static_cast<std::uint64_t>(static_cast<std::int64_t>(json.number("salt")));
        if (const Json* motion = json.find("motion")) {
            s.motion.rate = motion->number("rate");
            s.motion.seconds = motion->number("seconds");
            for (int a = 0; a < axes; ++a)
                if (const Json* group = motion->find("axes"))
                    if (const Json* shares = group->find(axisName(a)))
                        for (const Json& share : shares->items())
                            s.motion.shares[static_cast<std::size_t>(a)].push_back(share.number());
            for (const Json& time : (*motion)["violent"].items())
                s.motion.violent.push_back(time.number());
        }
        if (const Json* own = json.find("envelope")) {
            s.ownEnvelope = true;
            s.envelope = Envelope::from(*own);
        }
        return s;
    }

    /// -1 to 1, exactly 1 at the peak.
    double value(const Moment& m, int axis, std::uint64_t seed) const
    {
        if (m.sinceOnset < 0) {
            const bool runs = kind == Kind::drawn ? asDrawn : m.builds && kind != Kind::kick;
            if (!runs)
                return -1;
        }
        switch (kind) {
        case Kind::kick: return kick(m);
        case Kind::noise: return noise(m.cycles, seed);
        case Kind::jitter: {
            const double cell = std::floor(m.pace / every + 1e-9);
            if (cell == 0)
                return 1;
            return 2 * unitOf(step(seed, static_cast<std::uint64_t>(static_cast<std::int64_t>(cell)))) - 1;
        }
        case Kind::oscillation: return swing(m, axis, seed);
        case Kind::drawn:
            if (asDrawn)
                return byHand(axis, m.pace);
            return keys[static_cast<std::size_t>(axis)].empty() ? 1.0 : keys[static_cast<std::size_t>(axis)].at(m.pace);
        case Kind::captured: return filmed(m, axis, seed);
        }
        return 0;
    }

    double cyclesSincePeak(double frames, double framesPerSecond) const
    {
        if (frames <= 0)
            return peakHz * frames / framesPerSecond;
        const double extra = (peakHz - restHz) * fall * -std::expm1(-frames / fall);
        return (restHz * frames + extra) / framesPerSecond;
    }
    double paceSincePeak(double frames) const
    {
        return frames <= 0 || peakHz == restHz ? frames : cyclesSincePeak(frames, peakHz);
    }

    /// How open the gate of intermittent motion is.
    double gate(double sincePeak, std::uint64_t seed) const
    {
        const double period = moves + rests;
        const double round = std::max(0.0, std::floor(sincePeak / period));
        const double spread = intermittent == 2 ? unevenness * std::min(moves, rests) : 0;
        const double apart = spread * (2 * unitOf(mixSeed(seed, 0xb57, static_cast<std::uint64_t>(round))) - 1);
        const double inside = sincePeak - round * period;
        const double soft = std::min(1.0, 0.25 * moves);
        const double closing = std::min(1.0, std::max(0.0, (moves + apart - inside) / soft));
        const double opening = round == 0 ? 1.0 : std::min(1.0, std::max(0.0, inside / soft));
        return smooth(std::min(opening, closing));
    }

    /// Curves without an envelope: 0 before the first key, eased to 0 after the last.
    double byHand(int axis, double since) const
    {
        const auto& list = keys[static_cast<std::size_t>(axis)].keys();
        if (list.empty() || !(since >= list.front().frame) || since >= handEndOf(axis))
            return 0;
        const Key& last = list.back();
        if (since <= last.frame)
            return keys[static_cast<std::size_t>(axis)].at(since);
        return home > 0 ? last.value * (1 - smooth((since - last.frame) / home)) : last.value;
    }
    double handEndOf(int axis) const
    {
        const Key& last = keys[static_cast<std::size_t>(axis)].keys().back();
        return last.frame + (last.value == 0 ? 0 : home > 0 ? home : 1);
    }
    /// Works out from when to when it moves.
    void findHand()
    {
        for (int a = 0; a < axes; ++a) {
            const auto i = static_cast<std::size_t>(a);
            if (!asDrawn || amount[i] == 0 || keys[i].empty() || handEndOf(a) <= keys[i].keys().front().frame)
                continue;
            handFirst = std::min(handFirst, keys[i].keys().front().frame);
            handEnd = std::max(handEnd, handEndOf(a));
        }
    }
    /// As recipes of the versions 1 and 2 had them: from the envelope's peak, at the rate's pace, cut where it ends.
    void countFromStrike(const Envelope& shape)
    {
        home = 0;
        for (Curve& curve : keys) {
            std::vector<Key> list = curve.keys();
            if (list.empty())
                continue;
            for (Key& key : list)
                key.frame = shape.peak() + (key.frame > 0 ? framesOfPace(key.frame) : key.frame);
            const Curve whole(list);
            const double begin = shape.start();
            const double last = std::max(begin, shape.end() - 1);
            std::vector<Key> kept;
            if (list.front().frame < begin || list.front().value != 0)
                kept.push_back({begin, whole.at(begin), 0, 0, 0});
            for (const Key& key : list)
                if (key.frame >= begin && key.frame <= last) {
                    if (!kept.empty() && kept.back().frame == key.frame)
                        kept.pop_back();
                    kept.push_back(key);
                }
            if ((list.back().frame > last || list.back().value != 0) && (kept.empty() || kept.back().frame < last))
                kept.push_back({last, whole.at(last), 0, 0, 0});
            curve = Curve(std::move(kept));
        }
    }
    double framesOfPace(double pace) const
    {
        double low = 0, high = std::max(1.0, pace);
        while (paceSincePeak(high) < pace && high < 1e9)
            high *= 2;
        for (int i = 0; i < 100 && high - low > 1e-7; ++i) {
            const double middle = (low + high) / 2;
            (paceSincePeak(middle) < pace ? low : high) = middle;
        }
        return high;
    }

private:
    double kick(const Moment& m) const
    {
        const double stiffness = std::sqrt(1 - damping * damping);
        const double share = damping / stiffness;
        if (m.sinceOnset < m.attack) {
            const double top = std::atan2(stiffness, damping);
            const double angle = top * (m.sinceOnset / m.attack);
            return std::min(1.0, std::exp(share * (top - angle)) * std::sin(angle) / std::sin(top));
        }
        const double angle = 2 * pi * m.cycles;
        return angle <= 0 ? 1.0 : std::exp(-share * angle) * (std::cos(angle) + share * std::sin(angle));
    }
    static double gradient(std::uint64_t seed, std::int64_t point)
    {
        if (point == 0)
            return 1;
        if (point == 1)
            return -1;
        const std::uint64_t bits = step(seed, static_cast<std::uint64_t>(point));
        const double size = 0.5 + 0.5 * unitOf(bits);
        return (bits & 1) != 0 ? size : -size;
    }
    static double gradientNoise(std::uint64_t seed, double position, std::int64_t period)
    {
        const double cell = std::floor(position);
        const double f = position - cell;
        auto point = static_cast<std::int64_t>(cell);
        auto next = point + 1;
        if (period > 0) {
            point = ((point % period) + period) % period;
            next = (point + 1) % period;
        }
        const double fade = f * f * f * (f * (f * 6 - 15) + 10);
        const double a = gradient(seed, point) * f;
        const double b = gradient(seed, next) * (f - 1);
        return 2 * (a + fade * (b - a));
    }
    double noise(double position, std::uint64_t seed) const
    {
        double sum = 0, weights = 0, squares = 0, weight = 1, speedOf = 1;
        for (int octave = 0; octave < octaves; ++octave) {
            const std::uint64_t own = octave == 0 ? seed : ~step(seed, static_cast<std::uint64_t>(octave) << 40);
            std::int64_t period = 0;
            double cells = 4.0 / 3.0 * speedOf;
            if (loop > 0) {
                period = std::max<std::int64_t>(3, std::llround(loop * cells));
                cells = static_cast<double>(period) / loop;
            }
            sum += weight * gradientNoise(own, 0.5 + position * cells, period);
            weights += weight;
            squares += weight * weight;
            weight *= gain;
            speedOf *= lacunarity;
        }
        const double value = sum / weights;
        const double bend = 1.5 * (weights / std::sqrt(squares) - 1);
        return value * (1 + bend) / (1 + bend * std::abs(value));
    }
    double swing(const Moment& m, int axis, std::uint64_t seed) const
    {
        const auto i = static_cast<std::size_t>(axis);
        double apart = phase[i] / 360;
        if (seededPhase)
            apart += unitOf(seed) - 0.5;
        apart = std::remainder(apart, 1.0);
        const double cycles = m.cycles * ratio[i];
        const double away = std::min(1.0, std::abs(cycles));
        const double place = cycles + apart * away * away * (3 - 2 * away);
        const double turn = place - std::floor(place);
        const double out = wave == 0                     ? std::cos(2 * pi * turn)
                           : wave == 1                   ? std::abs(4 * turn - 2) - 1
                           : turn < 0.25 || turn >= 0.75 ? 1.0
                                                         : -1.0;
        return out < 0 ? out * back[i] : out;
    }
    double filmed(const Moment& m, int axis, std::uint64_t seed) const
    {
        constexpr double lift = 0.25; // seconds either way of the peak
        if (motion.seconds <= 0)
            return 0;
        const double start = motion.violentTime(seed);
        const double at = motion.at(axis, start + m.seconds * speed);
        const double side = motion.at(axis, start) < 0 ? -1.0 : 1.0;
        const double far = std::min(1.0, std::abs(m.seconds) / lift);
        const double share = (1 - far * far) * (1 - far * far);
        return (1 - share) * side * at + share;
    }
};

struct Score {
    Envelope envelope;
    std::vector<Strand> strands;
    double pivotX = 0, pivotY = 0; // pixels from the frame's middle
    Curve pivotCurveX, pivotCurveY;

    bool byHand() const
    {
        return !strands.empty() &&
               std::all_of(strands.begin(), strands.end(), [](const Strand& s) { return s.asDrawn; });
    }
    double start() const
    {
        double first = byHand() ? never : envelope.start();
        for (const Strand& s : strands)
            first = std::min(first, s.asDrawn ? s.handFirst : (s.ownEnvelope ? s.envelope : envelope).start());
        return first;
    }
    double end() const
    {
        double last = byHand() ? -never : envelope.end();
        for (const Strand& s : strands)
            last = std::max(last, s.asDrawn ? s.handEnd : (s.ownEnvelope ? s.envelope : envelope).end());
        return last;
    }
    /// What the others give way to.
    double peak() const
    {
        if (!byHand())
            return envelope.peak();
        double largest = 0, frame = 0;
        for (const Strand& s : strands)
            for (std::size_t a = 0; a < s.keys.size(); ++a)
                for (const Key& key : s.keys[a].keys())
                    if (s.amount[a] != 0 && std::abs(key.value) > largest) {
                        largest = std::abs(key.value);
                        frame = key.frame;
                    }
        return frame;
    }
    bool pivots() const { return pivotX != 0 || pivotY != 0 || !pivotCurveX.empty() || !pivotCurveY.empty(); }
};

/// What strikes do together. Zoom z and roll θ about a point p move the middle by (1 - z·e^iθ)·p; where strikes meet
/// each keeps its own point to first order, and exactly where they all have the same.
struct Felt {
    std::array<double, axes> sum{};
    bool pivoted = false;
    std::complex<double> shift, turned, points;
    double weights = 0;

    static std::complex<double> zoomAndRoll(double zoom, double roll)
    {
        return (1 + zoom) * std::polar(1.0, roll * pi / 180);
    }
    void add(double zoom, double roll, std::complex<double> point)
    {
        if (zoom == 0 && roll == 0)
            return;
        const std::complex<double> moves = 1.0 - zoomAndRoll(zoom, roll);
        const double weight = std::abs(zoom) + std::abs(roll) * pi / 180;
        pivoted = pivoted || point != 0.0;
        turned += moves;
        shift += moves * point;
        points += weight * point;
        weights += weight;
    }
    void add(const Felt& other, double gain)
    {
        for (std::size_t a = 0; a < sum.size(); ++a)
            sum[a] += other.sum[a] * gain;
        pivoted = pivoted || other.pivoted;
        shift += other.shift * gain;
        turned += other.turned * gain;
        points += other.points * gain;
        weights += other.weights * gain;
    }
    std::complex<double> middleMoves(double zoom, double roll) const
    {
        if (!pivoted || weights == 0)
            return 0;
        return shift + ((1.0 - zoomAndRoll(zoom, roll)) - turned) * (points / weights);
    }
};

} // namespace detail

/// A recipe that is being played.
class Shake {
public:
    /// Frames that a strand's rumble lasts where it has no end of its own and nothing strikes again.
    static constexpr double longestRumble = 86400;

    /// Reads what Vast Ember wrote. Throws std::runtime_error, whose words say what is wrong.
    static Shake fromJson(std::string_view text, Preset preset = Preset::full)
    {
        const detail::Json json = detail::Json::parse(text);
        if (json.find("vember_playable") == nullptr)
            throw std::runtime_error("This is JSON, but no recipe to be played: \"vember_playable\" is missing.");
        const double version = json.number("vember_playable");
        if (version != 1 && version != 2 && version != 3)
            throw std::runtime_error("This recipe is of another version than 1 to 3, which can be played here.");
        const detail::Json& from = json["presets"][preset == Preset::full ? "full" : "gentle"];
        Shake shake;
        shake.name_ = json["name"].text();
        shake.width_ = json.number("width");
        shake.height_ = json.number("height");
        const std::string& rate = json["rate"].text();
        const auto slash = rate.find('/');
        shake.rate_ = std::strtod(rate.c_str(), nullptr) /
                      (slash == std::string::npos ? 1.0 : std::strtod(rate.c_str() + slash + 1, nullptr));
        if (!(shake.rate_ >= 1 && shake.rate_ <= 1000))
            throw std::runtime_error("The recipe's frame rate should be 1 to 1000.");
        shake.limit_ = from.number("strength_limit");
        const detail::Json& overlap = from["overlap"];
        shake.rule_ = overlap.is("rule", "restart")    ? Rule::restart
                      : overlap.is("rule", "stronger") ? Rule::stronger
                                                       : Rule::add;
        shake.ceiling_ = overlap.number("ceiling");
        shake.knee_ = overlap.number("knee");
        shake.sameForAll_ = from.is("variation", "same");
        shake.seed_ = static_cast<std::uint32_t>(from.number("seed"));
        auto score = std::make_shared<detail::Score>();
        score->envelope = detail::Envelope::from(from["envelope"]);
        for (const detail::Json& strand : from["strands"].items()) {
            auto read = detail::Strand::from(strand);
            if (read.line != 0) // one length for both
                read.amountCurves[0] = read.amountCurves[1] = read.amountCurves[read.amountCurves[0].empty() ? 1 : 0];
            for (std::size_t a = 0; a < read.amount.size(); ++a) { // where there is a curve, that is the amount
                const auto& keys = read.amountCurves[a].keys();
                if (!keys.empty() && !read.asDrawn)
                    read.amount[a] = std::any_of(keys.begin(), keys.end(), [](const detail::Key& k) {
                        return k.value != 0 || k.slopeIn != 0 || k.slopeOut != 0;
                    });
            }
            if (read.asDrawn && version < 3)
                read.countFromStrike(read.ownEnvelope ? read.envelope : score->envelope);
            read.findHand();
            if (std::any_of(read.amount.begin(), read.amount.end(), [](double a) { return a != 0; }))
                score->strands.push_back(std::move(read));
        }
        if (const detail::Json* pivot = from.find("pivot")) {
            score->pivotX = pivot->number("x");
            score->pivotY = pivot->number("y");
            score->pivotCurveX = detail::Curve::from(pivot->find("x_curve"));
            score->pivotCurveY = detail::Curve::from(pivot->find("y_curve"));
        }
        shake.score_ = std::move(score);
        return shake;
    }

    const std::string& name() const { return name_; }
    /// The frame that pixels are counted in, and its rate.
    double width() const { return width_; }
    double height() const { return height_; }
    double framesPerSecond() const { return rate_; }

    /// Something hits, `at` seconds; where that is left out at the time pose() was last asked for. The direction is in
    /// degrees (0 right, 90 down); without one the seed decides. The strength is a ratio, brought into what the preset
    /// allows. What is returned names this strike for ease() and stop(); 0 where there is none for want of strength.
    using Handle = std::uint64_t;
    Handle trigger(double strength = 1, double direction = std::numeric_limits<double>::quiet_NaN(),
                   std::uint32_t seed = 1, double at = std::numeric_limits<double>::quiet_NaN())
    {
        Strike strike;
        strike.frame = frameOf(std::isfinite(at) ? at : now_);
        strike.strength = strength > 0 ? std::min(strength, limit_) : 0;
        strike.direction = direction;
        strike.seed = sameForAll_ ? seed_ : seed;
        if (strike.strength == 0)
            return 0;
        strike.order = nextOrder_++;
        strikes_.push_back(strike);
        prepare();
        return strike.order;
    }
    /// What has struck before is eased home in this many seconds; 0 ends it at once.
    void settle(double easeSeconds = 0.5, double at = std::numeric_limits<double>::quiet_NaN())
    {
        mark(0, easeSeconds, at);
    }
    /// One strike alone is eased home, or ends at once; nothing happens where it is over or was never there.
    void ease(Handle handle, double easeSeconds = 0.5, double at = std::numeric_limits<double>::quiet_NaN())
    {
        if (handle != 0)
            mark(handle, easeSeconds, at);
    }
    void stop(Handle handle, double at = std::numeric_limits<double>::quiet_NaN()) { ease(handle, 0, at); }
    void clear()
    {
        strikes_.clear();
        marks_.clear();
        hits_.clear();
    }
    /// Strikes and marks that are over by then are let go, so that a long game does not gather them.
    void forgetBefore(double seconds)
    {
        const double frame = frameOf(seconds);
        std::vector<std::uint64_t> over;
        for (const Hit& hit : hits_)
            if (hit.end <= frame)
                over.push_back(hit.strike.order);
        strikes_.erase(std::remove_if(strikes_.begin(), strikes_.end(),
                                      [&](const Strike& s) {
                                          return s.frame < frame &&
                                                 std::find(over.begin(), over.end(), s.order) != over.end();
                                      }),
                       strikes_.end());
        const auto kept = [&](std::uint64_t order) {
            return std::any_of(strikes_.begin(), strikes_.end(), [&](const Strike& s) { return s.order == order; });
        };
        const bool none = strikes_.empty();
        marks_.erase(
            std::remove_if(marks_.begin(), marks_.end(),
                           [&](const Mark& m) { return m.of != 0 ? !kept(m.of) : none && m.frame + m.frames < frame; }),
            marks_.end());
        prepare();
    }
    /// How many strikes are kept.
    std::size_t strikes() const { return strikes_.size(); }

    /// The pose at a time, which is then the present for what follows.
    Pose pose(double seconds)
    {
        now_ = seconds;
        return poseAt(seconds);
    }
    /// The same without being the present; any thread may ask while nobody changes anything.
    Pose poseAt(double seconds) const
    {
        detail::Felt together;
        double felt = 0;
        addTo(together, felt, frameOf(seconds));
        const auto& sum = together.sum;
        const auto shift = together.middleMoves(std::max(0.05 - 1, sum[2]), sum[3]);
        constexpr double largestTurn = 60;
        Pose pose;
        pose.x = sum[0] + shift.real() + 0.0;
        pose.y = sum[1] + shift.imag() + 0.0;
        pose.zoom = std::max(0.05, 1 + sum[2]);
        pose.roll = sum[3] + 0.0;
        pose.pan = std::min(largestTurn, std::max(-largestTurn, sum[4])) + 0.0;
        pose.tilt = std::min(largestTurn, std::max(-largestTurn, sum[5])) + 0.0;
        return pose;
    }
    /// How strongly the strongest strike is felt, 0 upwards.
    double intensityAt(double seconds) const
    {
        detail::Felt together;
        double felt = 0;
        addTo(together, felt, frameOf(seconds));
        return felt;
    }

private:
    enum class Rule { add, stronger, restart };
    /// Frames in which one strike takes over from another.
    static constexpr double handover = 1.5;

    struct Strike {
        double frame = 0, strength = 1, direction = 0;
        std::uint64_t seed = 1, order = 0;
    };
    struct Mark {
        double frame = 0;
        bool cut = false;
        double frames = 0;
        std::uint64_t of = 0; ///< the strike's order; 0: every one
    };
    struct Hit {
        Strike strike;
        std::shared_ptr<const detail::Score> score;
        double start = 0, peak = 0, end = 0;
        double settle = detail::never, settleFrames = 0;
        std::array<double, 2> along{};
        std::array<double, detail::axes> side{};
        bool lead = true;
    };

    void mark(std::uint64_t of, double easeSeconds, double at)
    {
        const double frame = frameOf(std::isfinite(at) ? at : now_);
        marks_.erase(
            std::remove_if(marks_.begin(), marks_.end(), [&](const Mark& m) { return m.frame == frame && m.of == of; }),
            marks_.end());
        marks_.push_back({frame, easeSeconds <= 0, easeSeconds * rate_, of});
        std::stable_sort(marks_.begin(), marks_.end(), [](const Mark& a, const Mark& b) { return a.frame < b.frame; });
        prepare();
    }

    /// Whole frames that a division left beside themselves are whole again.
    double frameOf(double seconds) const
    {
        const double frame = seconds * rate_;
        const double whole = std::round(frame);
        return std::abs(frame - whole) < 1e-7 ? whole : frame;
    }

    /// The score of a strike whose rumbles last until something else.
    std::shared_ptr<const detail::Score> scoreFor(const Strike& strike) const
    {
        const auto open = [](const detail::Envelope& e) {
            return !e.drawn() && e.until != detail::Envelope::Until::length && e.rumble != 0;
        };
        bool any = open(score_->envelope);
        for (const detail::Strand& s : score_->strands)
            any = any || (s.ownEnvelope && open(s.envelope));
        if (!any)
            return score_;
        double next = detail::never;
        for (const Strike& other : strikes_)
            if (other.frame > strike.frame)
                next = std::min(next, other.frame);
        auto own = std::make_shared<detail::Score>(*score_);
        const auto workOut = [&](detail::Envelope& e) {
            if (!open(e))
                return;
            const double until = e.until == detail::Envelope::Until::nextStrike ? next : detail::never;
            e.rumbleLength = std::min(longestRumble, std::max(0.0, until - strike.frame - e.decayEnd()));
            if (until == detail::never)
                e.release = 0;
        };
        workOut(own->envelope);
        for (detail::Strand& s : own->strands)
            if (s.ownEnvelope)
                workOut(s.envelope);
        return own;
    }

    void prepare()
    {
        hits_.clear();
        for (const Strike& strike : strikes_) {
            Hit hit;
            hit.strike = strike;
            hit.score = scoreFor(strike);
            const double turn = std::isfinite(strike.direction)
                                    ? strike.direction
                                    : 360 * detail::unitOf(detail::mixSeed(strike.seed, 0xd1));
            hit.along = {detail::alongAxis(turn, 0), detail::alongAxis(turn, 1)};
            for (int axis = 0; axis < detail::axes; ++axis) {
                const auto a = static_cast<std::size_t>(axis);
                const double along = axis < 2 ? hit.along[a] : 0;
                hit.side[a] = axis == 2                ? 1.0
                              : std::abs(along) > 1e-9 ? (along > 0 ? 1.0 : -1.0)
                              : (detail::mixSeed(strike.seed, 0x51, static_cast<std::uint64_t>(axis)) & 1) != 0 ? 1.0
                                                                                                                : -1.0;
            }
            double until = detail::never;
            for (const Mark& mark : marks_) {
                if (mark.frame <= strike.frame || (mark.of != 0 && mark.of != strike.order))
                    continue;
                if (hit.settle == detail::never) {
                    hit.settle = mark.frame;
                    hit.settleFrames = mark.cut ? 0 : mark.frames;
                }
                if (mark.cut) {
                    until = mark.frame;
                    break;
                }
            }
            hit.start = strike.frame + hit.score->start();
            hit.peak = strike.frame + hit.score->peak();
            hit.end = std::min({strike.frame + hit.score->end(), hit.settle + hit.settleFrames, until});
            for (const Mark& mark : marks_)
                if ((mark.of == 0 || mark.of == strike.order) && mark.frame <= strike.frame && mark.frame > hit.start)
                    hit.lead = false;
            if (!hit.lead)
                hit.start = strike.frame +
                            std::min(hit.score->byHand() ? hit.score->start() : hit.score->envelope.onset(), 0.0);
            if (hit.end > hit.start)
                hits_.push_back(std::move(hit));
        }
        std::stable_sort(hits_.begin(), hits_.end(), [](const Hit& a, const Hit& b) {
            return a.start != b.start ? a.start < b.start : a.strike.order < b.strike.order;
        });
    }

    static double settledTo(const Hit& hit, double time)
    {
        if (time < hit.settle)
            return 1;
        return hit.settleFrames <= 0 ? 0.0 : 1 - detail::smooth((time - hit.settle) / hit.settleFrames);
    }

    double levelOf(const Hit& hit, double time) const
    {
        const double since = time - hit.strike.frame;
        double level = hit.score->byHand() ? 0.0 : hit.score->envelope.at(since);
        for (const detail::Strand& s : hit.score->strands)
            if (s.asDrawn) {
                for (int axis = 0; axis < detail::axes; ++axis)
                    if (s.amount[static_cast<std::size_t>(axis)] != 0)
                        level = std::max(level, std::abs(s.byHand(axis, since)));
            } else if (s.ownEnvelope)
                level = std::max(level, s.envelope.at(since));
        return level * hit.strike.strength * settledTo(hit, time);
    }

    double addHit(detail::Felt& sum, const Hit& hit, double time, double share) const
    {
        const double since = time - hit.strike.frame;
        const double scale = hit.strike.strength * settledTo(hit, time);
        const auto levelIn = [&](const detail::Envelope& e) {
            return hit.lead || since >= e.onset() ? e.at(since) : 0.0;
        };
        const double level = hit.score->byHand() ? 0.0 : levelIn(hit.score->envelope);
        double strongest = level;
        double zooms = 0, rolls = 0, unused = 0;
        for (const detail::Strand& s : hit.score->strands) {
            const detail::Envelope& envelope = s.ownEnvelope ? s.envelope : hit.score->envelope;
            double felt = s.asDrawn ? 1.0 : s.ownEnvelope ? levelIn(envelope) : level;
            if (felt == 0 || (s.asDrawn && !(since >= s.handFirst && since < s.handEnd)))
                continue;
            if (!s.asDrawn)
                strongest = std::max(strongest, felt);
            const detail::Moment moment = momentOf(s, envelope, since);
            if (s.intermittent != 0)
                felt *=
                    s.gate(since - (s.asDrawn ? 0.0 : envelope.peak()), detail::mixSeed(hit.strike.seed, s.salt, 0xb5));
            felt *= scale * share;
            const bool kick = s.kind == detail::Kind::kick;
            for (int axis = 0; axis < detail::axes; ++axis) {
                const auto a = static_cast<std::size_t>(axis);
                if (s.amount[a] == 0)
                    continue;
                double side = hit.side[a];
                if (kick && axis < 2)
                    side = hit.along[a];
                else if (s.line != 0 && axis < 2)
                    side = s.line == 2 ? s.lineAlong[a] : hit.along[a];
                else if (sideIsFixed(s, axis, std::isfinite(hit.strike.direction)))
                    side = 1;
                const int of = s.line != 0 && axis < 2 ? 0 : axis; // on a line x and y have one value
                const std::uint64_t seed = detail::mixSeed(
                    hit.strike.seed, s.salt, s.kind == detail::Kind::captured ? 0 : static_cast<std::uint64_t>(of) + 1);
                const double value = s.value(moment, kick ? 0 : of, kick ? 0 : seed);
                if (s.asDrawn)
                    strongest = std::max(strongest, std::abs(value));
                const bool curved = !s.amountCurves[a].empty() && !s.asDrawn;
                const double moves = (curved ? s.amountCurves[a].at(since) : s.amount[a]) * side * felt * value;
                sum.sum[a] += moves;
                (axis == 2 ? zooms : axis == 3 ? rolls : unused) += moves;
            }
        }
        const detail::Score& score = *hit.score;
        sum.add(zooms, rolls,
                score.pivots()
                    ? std::complex<double>(score.pivotCurveX.empty() ? score.pivotX : score.pivotCurveX.at(since),
                                           score.pivotCurveY.empty() ? score.pivotY : score.pivotCurveY.at(since))
                    : std::complex<double>());
        return strongest * scale * share;
    }

    static bool sideIsFixed(const detail::Strand& s, int axis, bool hasDirection)
    {
        if (s.kind == detail::Kind::drawn)
            return s.asDrawn;
        if (s.kind != detail::Kind::oscillation)
            return false;
        const bool sideways = hasDirection && axis < 2;
        return s.back[static_cast<std::size_t>(axis)] != 1.0 || (!s.seededPhase && !sideways);
    }

    detail::Moment momentOf(const detail::Strand& s, const detail::Envelope& envelope, double since) const
    {
        if (s.asDrawn)
            return {since, 0, since, 0, since / rate_, false};
        const bool builds = envelope.builds();
        const double onset = envelope.onset();
        if (builds && since >= onset - detail::Envelope::leadBreaksOff)
            since = std::max(since, onset);
        const double peak = envelope.peak();
        const double run = since - (s.kind == detail::Kind::kick ? envelope.holdEnd() : peak);
        if (!s.rateCurve.empty()) { // the phase is the integral of the rate
            const double fastPace = s.rateCurve.integral(peak, since) / s.peakHz;
            return {since - onset,    envelope.rise(), fastPace, s.rateCurve.integral(since - run, since) / rate_,
                    fastPace / rate_, builds};
        }
        const double way = builds && since < onset ? -1.0 : 1.0;
        const double pace = way * s.paceSincePeak(way * (since - peak));
        const double cycles = way * s.cyclesSincePeak(way * run, rate_);
        return {since - onset, envelope.rise(), pace, cycles, pace / rate_, builds};
    }

    void addTo(detail::Felt& sum, double& felt, double time) const
    {
        switch (rule_) {
        case Rule::add: addAll(sum, felt, time); break;
        case Rule::stronger: addStronger(sum, felt, time); break;
        case Rule::restart: addNewest(sum, felt, time); break;
        }
    }

    void addAll(detail::Felt& sum, double& felt, double time) const
    {
        detail::Felt together;
        double total = 0;
        double strongest = 0;
        for (const Hit& hit : hits_)
            if (hit.start <= time && time < hit.end) {
                const double level = addHit(together, hit, time, 1);
                total += level;
                strongest = std::max(strongest, level);
            }
        double gain = 1;
        const double knee = knee_ * ceiling_;
        if (total > knee && total > strongest) {
            const double room = ceiling_ - knee;
            const double bent = room > 0 ? knee - room * std::expm1(-(total - knee) / room) : knee;
            gain = std::max(bent, strongest) / total;
        }
        sum.add(together, gain);
        felt = std::max(felt, strongest);
    }

    std::ptrdiff_t strongestAt(double time) const
    {
        std::ptrdiff_t found = -1;
        double most = 0;
        for (std::size_t i = 0; i < hits_.size(); ++i) {
            if (!(hits_[i].start <= time && time < hits_[i].end))
                continue;
            const double level = levelOf(hits_[i], time);
            if (level > 0 && level >= most) {
                most = level;
                found = static_cast<std::ptrdiff_t>(i);
            }
        }
        return found;
    }

    double addWithin(detail::Felt& sum, std::size_t i, double time, double share) const
    {
        return time < hits_[i].end ? addHit(sum, hits_[i], time, share) : 0.0;
    }

    void addStronger(detail::Felt& sum, double& felt, double time) const
    {
        const std::ptrdiff_t holder = strongestAt(time);
        if (holder < 0)
            return;
        double share = 1;
        std::ptrdiff_t before = strongestAt(time - handover);
        if (before >= 0 && before != holder) {
            double from = time - handover;
            double to = time;
            for (int i = 0; i < 30; ++i) { // when it took over
                const double middle = 0.5 * (from + to);
                (strongestAt(middle) == holder ? to : from) = middle;
            }
            before = strongestAt(from);
            const double peak = hits_[static_cast<std::size_t>(holder)].peak;
            const double length = to <= peak + 1e-6 ? std::min(handover, std::max(0.0, peak - to)) : handover;
            if (before >= 0 && time - to < length - 1e-6)
                share = detail::smooth((time - to) / length);
        }
        double level = addWithin(sum, static_cast<std::size_t>(holder), time, share);
        if (share < 1)
            level += addWithin(sum, static_cast<std::size_t>(before), time, 1 - share);
        felt = std::max(felt, level);
    }

    void addNewest(detail::Felt& sum, double& felt, double time) const
    {
        const auto after =
            std::upper_bound(hits_.begin(), hits_.end(), time, [](double t, const Hit& hit) { return t < hit.start; });
        if (after == hits_.begin())
            return;
        const auto newest = static_cast<std::size_t>(after - hits_.begin()) - 1;
        const Hit& hit = hits_[newest];
        const double length = std::min(handover, hit.peak - hit.start);
        const double share = length > 0 ? detail::smooth((time - hit.start) / length) : 1.0;
        double level = addWithin(sum, newest, time, share);
        const auto older =
            std::lower_bound(hits_.begin(), hits_.end(), hit.start, [](const Hit& h, double t) { return h.start < t; });
        if (share < 1 && older != hits_.begin())
            level += addWithin(sum, static_cast<std::size_t>(older - hits_.begin()) - 1, time, 1 - share);
        felt = std::max(felt, level);
    }

    std::string name_;
    double width_ = 0, height_ = 0, rate_ = 24, limit_ = 1;
    Rule rule_ = Rule::add;
    double ceiling_ = 3, knee_ = 2.0 / 3;
    bool sameForAll_ = false;
    std::uint64_t seed_ = 1, nextOrder_ = 1;
    std::shared_ptr<const detail::Score> score_;
    std::vector<Strike> strikes_;
    std::vector<Mark> marks_;
    std::vector<Hit> hits_; ///< by start
    double now_ = 0;
};

} // namespace vast_ember
