// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <functional>
#include <memory>
#include <string>

#include "ember/core/error.h"
#include "ember/core/progress.h"
#include "ember/core/sound.h"

namespace ember {

/// Reads the sound of a file as a stream of samples, from any place, to the sample.
class SoundReader {
public:
    struct Format {
        int rate = 0;     ///< samples a second; 0 keeps the file's
        int channels = 0; ///< 0 keeps the file's
    };

    /// What is wanted of a sound, once its own format is known; zeros keep the sound's.
    using Choice = std::function<Format(Format own)>;

    /// `originSeconds`: the stream time that counts as second 0; `track`: which of its sounds (see ClipInfo).
    static Result<std::unique_ptr<SoundReader>> openBy(const Choice& choice, const std::string& path,
                                                       double originSeconds, int track = 0);
    static Result<std::unique_ptr<SoundReader>> open(const std::string& path, double originSeconds, Format wanted)
    {
        return openBy([wanted](Format) { return wanted; }, path, originSeconds);
    }
    virtual ~SoundReader() = default;

    virtual int rate() const = 0;
    virtual int channels() const = 0;
    /// How long the sound is by what the file says; 0 where it does not say.
    virtual double seconds() const = 0;

    /// The next read starts at this sample, counted from second 0; negative and late places read as silence.
    virtual void seek(std::int64_t sample) = 0;
    /// The next `count` samples of every channel. Where the file has no sound there is silence; `atEnd` tells when
    /// nothing but silence follows.
    virtual SoundBuffer read(std::int64_t count) = 0;
    virtual bool atEnd() const = 0;
};

/// The waveform of a sound in slots of `slotSeconds`, from second 0 to `seconds`. Memory is bounded: samples are not
/// kept. `name`: what an error calls it.
Result<Waveform> readWaveform(SoundReader& sound, const std::string& name, double seconds, double slotSeconds,
                              const Progress& progress);

} // namespace ember
