// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
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

    /// `originSeconds`: the stream time that counts as second 0 (see ClipInfo).
    static Result<std::unique_ptr<SoundReader>> open(const std::string& path, double originSeconds, Format wanted);
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
