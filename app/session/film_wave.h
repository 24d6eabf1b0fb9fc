// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <atomic>
#include <memory>
#include <optional>

#include <QObject>

#include "ember/core/sound.h"
#include "ember/film/sound_source.h"

namespace ember::app {

class Film;
class OpenDocument;
class ProjectFile;

/// The film's sound as it is drawn, read once for all who draw it, on another thread.
class FilmWave : public QObject {
    Q_OBJECT
public:
    FilmWave(OpenDocument& document, Film& film, ProjectFile& file);
    ~FilmWave() override;

    /// Empty as long as it is not read, and where there is no sound.
    const Waveform& wave() const { return wave_; }
    bool ready() const { return !wave_.low.empty(); }

signals:
    void changed();

private:
    void read();
    void readAnew();

    OpenDocument& document_;
    Film& film_;
    Waveform wave_;
    std::optional<SoundSource> of_;
    std::shared_ptr<std::atomic<bool>> stop_;
};

} // namespace ember::app
