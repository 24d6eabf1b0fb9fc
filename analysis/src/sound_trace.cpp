// SPDX-License-Identifier: GPL-3.0-or-later
#include "ember/analysis/sound_trace.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <mutex>
#include <numbers>

#include <fftw3.h>

namespace ember {

namespace {

constexpr double lowestHertz = 30;
constexpr double lowSplit = 200;
constexpr double highSplit = 2000;
/// How long a fine level still rings, in seconds: longer than a period of the band's lowest tones.
constexpr std::array<double, SoundTrace::fineBands> ringing{0.012, 0.004, 0.002};

/// Planning is the one thing in FFTW that threads may not do at once.
std::mutex& planning()
{
    static std::mutex mutex;
    return mutex;
}

/// The spectrum of real samples under a window, as powers; a full-scale sine has power 1.
class Spectrum {
public:
    explicit Spectrum(std::size_t size)
        : size_(size), window_(size), in_(fftwf_alloc_real(size)), out_(fftwf_alloc_complex(size / 2 + 1))
    {
        double sum = 0;
        for (std::size_t i = 0; i < size; ++i) {
            const double w =
                0.5 - 0.5 * std::cos(2 * std::numbers::pi * (static_cast<double>(i) + 0.5) / static_cast<double>(size));
            window_[i] = static_cast<float>(w);
            sum += w;
        }
        scale_ = static_cast<float>(4 / (sum * sum));
        const std::lock_guard lock(planning());
        plan_ = fftwf_plan_dft_r2c_1d(static_cast<int>(size), in_, out_, FFTW_ESTIMATE);
    }
    ~Spectrum()
    {
        const std::lock_guard lock(planning());
        fftwf_destroy_plan(plan_);
        fftwf_free(in_);
        fftwf_free(out_);
    }
    Spectrum(const Spectrum&) = delete;
    Spectrum& operator=(const Spectrum&) = delete;

    std::size_t bins() const { return size_ / 2 + 1; }

    /// Adds the powers of `size` samples to `powers`.
    void add(const float* samples, std::span<float> powers)
    {
        for (std::size_t i = 0; i < size_; ++i)
            in_[i] = samples[i] * window_[i];
        fftwf_execute(plan_);
        for (std::size_t k = 0; k < bins(); ++k)
            powers[k] += scale_ * (out_[k][0] * out_[k][0] + out_[k][1] * out_[k][1]);
    }

private:
    std::size_t size_;
    std::vector<float> window_;
    float* in_;
    fftwf_complex* out_;
    fftwf_plan plan_;
    float scale_;
};

/// Which bins make a band, and how much of each.
struct BandWeights {
    std::size_t first = 0;
    std::vector<float> weights;
};

/// Triangles a third of an octave wide, and never narrower than the bins are apart.
std::vector<BandWeights> bandWeights(std::size_t bins, double binHertz)
{
    std::vector<BandWeights> all(SoundTrace::bands);
    for (std::size_t b = 0; b < SoundTrace::bands; ++b) {
        const double middle = SoundTrace::hertz(b);
        const double half = std::max(middle * (std::cbrt(2.0) - 1), binHertz);
        const auto first = static_cast<std::size_t>(std::max(0.0, std::ceil((middle - half) / binHertz)));
        all[b].first = first;
        for (std::size_t k = first; k < bins && static_cast<double>(k) * binHertz < middle + half; ++k)
            all[b].weights.push_back(
                static_cast<float>(1 - std::abs(static_cast<double>(k) * binHertz - middle) / half));
    }
    return all;
}

/// A second-order filter of Butterworth's, as R. Bristow-Johnson's cookbook gives its coefficients.
class Biquad {
public:
    static Biquad lowPass(double hertz, double rate) { return Biquad(hertz, rate, false); }
    static Biquad highPass(double hertz, double rate) { return Biquad(hertz, rate, true); }

    double operator()(double x)
    {
        const double y = b0_ * x + z1_;
        z1_ = b1_ * x - a1_ * y + z2_;
        z2_ = b0_ * x - a2_ * y;
        return y;
    }

private:
    Biquad(double hertz, double rate, bool high)
    {
        const double w = 2 * std::numbers::pi * std::min(hertz, 0.45 * rate) / rate;
        const double alpha = std::sin(w) / std::numbers::sqrt2;
        const double a0 = 1 + alpha;
        b1_ = (high ? -(1 + std::cos(w)) : 1 - std::cos(w)) / a0;
        b0_ = std::abs(b1_) / 2;
        a1_ = -2 * std::cos(w) / a0;
        a2_ = (1 - alpha) / a0;
    }
    double b0_ = 0, b1_ = 0, a1_ = 0, a2_ = 0; // b2 is b0
    double z1_ = 0, z2_ = 0;
};

} // namespace

std::uint8_t SoundTrace::code(double power)
{
    if (!(power > 1e-12))
        return 0;
    return static_cast<std::uint8_t>(std::clamp(20 * std::log10(power) + 240.5, 0.0, 255.0));
}

double SoundTrace::hertz(std::size_t band)
{
    return lowestHertz * std::exp2(static_cast<double>(band) / 3);
}

struct SoundMeter::Work {
    Work(int r, int c)
        : rate(r), channels(static_cast<std::size_t>(c)),
          size(2 * static_cast<std::size_t>(std::lround(0.01067 * r))), // 1024 samples at 48 kHz
          spectrum(size), powers(spectrum.bins()),
          weights(bandWeights(spectrum.bins(), static_cast<double>(r) / static_cast<double>(size)))
    {
        kept.assign(channels, std::vector<float>(size / 2, 0.f)); // the first look is centred on the first sample
        for (std::size_t i = 0; i < channels; ++i)
            filters.push_back({Biquad::lowPass(lowSplit, r), Biquad::highPass(highSplit, r)});
        for (std::size_t i = 0; i < SoundTrace::fineBands; ++i)
            fade[i] = std::exp(-1.0 / (ringing[i] * r));
    }

    void hearOne(const float* sample);
    void look();
    void lookWhereComplete();

    struct Filters {
        Biquad low;
        Biquad high;
    };

    double rate;
    std::size_t channels;
    std::size_t size;
    Spectrum spectrum;
    std::vector<float> powers;
    std::vector<BandWeights> weights;
    std::vector<Filters> filters;
    std::array<double, SoundTrace::fineBands> fade{};
    std::array<double, SoundTrace::fineBands> rings{};
    std::array<double, SoundTrace::fineBands> reached{};
    std::vector<std::vector<float>> kept; ///< samples of each channel that looks still need
    std::size_t keptStart = 0;            ///< number of the first of them, counted from size / 2 before the sound
    std::size_t heard = 0;
    SoundTrace trace;
};

void SoundMeter::Work::hearOne(const float* sample)
{
    std::array<double, SoundTrace::fineBands> power{};
    for (std::size_t c = 0; c < channels; ++c) {
        const float raw = std::isfinite(sample[c]) ? std::clamp(sample[c], -16.f, 16.f) : 0.f;
        kept[c].push_back(raw);
        const double x = static_cast<double>(raw) + 1e-18; // keeps the filters out of denormal numbers
        const double low = filters[c].low(x);
        const double high = filters[c].high(x);
        const double middle = x - low - high;
        power[0] += low * low;
        power[1] += middle * middle;
        power[2] += high * high;
    }
    for (std::size_t b = 0; b < power.size(); ++b) {
        rings[b] = std::max(power[b], rings[b] * fade[b]);
        reached[b] = std::max(reached[b], rings[b]);
    }
    ++heard;
    if (static_cast<double>(heard) >= static_cast<double>(trace.fineSteps() + 1) * SoundTrace::fineStep * rate) {
        for (double& r : reached) {
            trace.fine.push_back(SoundTrace::code(r));
            r = 0;
        }
    }
}

void SoundMeter::Work::look()
{
    const auto centre =
        static_cast<std::size_t>(std::llround(static_cast<double>(trace.looks()) * SoundTrace::step * rate));
    std::fill(powers.begin(), powers.end(), 0.f);
    for (const auto& channel : kept)
        spectrum.add(channel.data() + (centre - keptStart), powers);
    for (const BandWeights& band : weights) {
        float power = 0;
        for (std::size_t k = 0; k < band.weights.size(); ++k)
            power += band.weights[k] * powers[band.first + k];
        trace.spectrum.push_back(SoundTrace::code(static_cast<double>(power)));
    }
}

void SoundMeter::Work::lookWhereComplete()
{
    const auto nextStart = [&] {
        return static_cast<std::size_t>(std::llround(static_cast<double>(trace.looks()) * SoundTrace::step * rate));
    };
    while (nextStart() + size <= keptStart + kept[0].size())
        look();
    const std::size_t gone = std::min(nextStart() - keptStart, kept[0].size());
    for (auto& channel : kept)
        channel.erase(channel.begin(), channel.begin() + static_cast<std::ptrdiff_t>(gone));
    keptStart += gone;
}

SoundMeter::SoundMeter(int rate, int channels)
    : work_(std::make_unique<Work>(std::max(rate, 1000), std::max(channels, 1)))
{
}
SoundMeter::~SoundMeter() = default;
SoundMeter::SoundMeter(SoundMeter&&) noexcept = default;
SoundMeter& SoundMeter::operator=(SoundMeter&&) noexcept = default;

void SoundMeter::hear(std::span<const float> samples)
{
    constexpr std::size_t portion = 1 << 15; // what is kept stays small however long the piece is
    const std::size_t count = samples.size() / work_->channels;
    for (std::size_t i = 0; i < count; ++i) {
        work_->hearOne(samples.data() + i * work_->channels);
        if (i % portion == portion - 1)
            work_->lookWhereComplete();
    }
    work_->lookWhereComplete();
}

SoundTrace SoundMeter::finish()
{
    work_->trace.seconds = static_cast<double>(work_->heard) / work_->rate;
    if (work_->heard > 0) {
        const auto looks = static_cast<std::size_t>(std::ceil(work_->trace.seconds / SoundTrace::step));
        for (auto& channel : work_->kept)
            channel.resize(channel.size() + work_->size + static_cast<std::size_t>(work_->rate * SoundTrace::step),
                           0.f);
        while (work_->trace.looks() < looks)
            work_->look();
    }
    return std::move(work_->trace);
}

} // namespace ember
