// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <map>
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include <QObject>
#include <QString>
#include <QStringList>

#include "ember/film/film_reader.h"
#include "ember/film/film_sound.h"
#include "ember/film/film_view.h"
#include "ember/film/proxies.h"
#include "ember/render/frame.h"
#include "file_watch.h"

namespace ember::app {

class Busy;
class FrameStore;
class Messages;
class OpenDocument;
class Playhead;
class ThumbStore;

/// The film's files: its clips, layers and sounds as they are read, and the stores that show them. Follows the
/// document, and looks again when somebody writes one of the files anew.
class Film : public QObject {
    Q_OBJECT
public:
    Film(OpenDocument& document, Playhead& playhead, Messages& messages, Busy& busy);
    ~Film() override;

    bool hasClip() const { return open_; }
    /// Why the clip cannot be shown, empty when it can.
    const QString& clipTrouble() const { return clipTrouble_; }
    /// Why a file that was written anew cannot be, empty when it can.
    const QString& mediaTrouble() const { return mediaTrouble_; }
    const std::optional<ClipInfo>& clipInfo() const { return clipInfo_; }
    /// What is known of the clips that were open, for whoever opens the film once more.
    const KnownClips& knownClips() const { return known_; }
    void learn(const Shot& shot, const ClipInfo& info) { known_[{shot.clip, shot.still}] = info; }

    /// The pictures of the project's layers, in their order; empty where one cannot be read.
    const LayerPictures& layerPictures() const { return layerPictures_; }
    /// How the film's frames are brought to the screen; null where they are as it shows them.
    const std::shared_ptr<const FilmView>& view() const { return view_; }
    /// The layers for a picture that is rendered for that.
    const LayerPictures& viewLayers() const { return viewLayers_; }
    /// Where the film's sound is read; nothing where there is none.
    std::optional<SoundSource> soundSource() const;
    /// All that is heard while it plays: that, and the strikes.
    FilmSound filmSound() const;

    /// Small copies that the film plays from where there are any.
    const ProxyShelf& proxies() const { return proxies_; }
    /// One is there, or is gone.
    void proxiesChanged();

    FrameStore& frames() { return *frames_; }
    ThumbStore& thumbs() { return *thumbs_; }

    /// Another project was opened: its film, or null and why it cannot be shown.
    void show(std::unique_ptr<ClipReader> clip, const QString& trouble);
    /// What the playhead stands on is decoded.
    void wantFrame();
    /// Looks at a clip on another thread; `then` is called with what it is, unless it was stopped or another project
    /// was opened meanwhile.
    void lookAt(const QString& path, std::function<void(const ClipInfo&)> then);

signals:
    /// It has other shots, or they stand elsewhere.
    void edited();
    /// Pictures could not be read whole: a sentence with how many so far.
    void damageFound(const QString& text);
    /// Files were written anew: whatever was read of them is out of date.
    void rewritten();
    /// A clip that could not be read can be now.
    void found();

private:
    void showClip(std::unique_ptr<ClipReader> clip);
    void follow(const Project& before);
    void reopen();
    void fetchLayers();
    void bringLayers();
    void watchFiles();
    void readAnew(const QStringList& files);
    void tookAnew(const QStringList& files, std::unique_ptr<ClipReader> film);

    OpenDocument& document_;
    Playhead& playhead_;
    Messages& messages_;
    Busy& busy_;
    std::map<std::string, ImagePtr> shelf_; ///< layer pictures by their paths, null where one could not be read
    LayerPictures layerPictures_;
    std::shared_ptr<const FilmView> view_;
    LayerPictures viewLayers_;
    ProxyShelf proxies_;
    QString clipTrouble_;
    QString mediaTrouble_;
    std::optional<ClipInfo> clipInfo_;
    KnownClips known_; ///< all that were open since the program began
    bool open_ = false;
    std::uint64_t shown_ = 0; ///< how many films were shown: what was asked of one before is not for this one
    FileWatch watch_;
    std::vector<FileWatch::File> watched_;
    std::unique_ptr<FrameStore> frames_;
    std::unique_ptr<ThumbStore> thumbs_;
};

} // namespace ember::app
