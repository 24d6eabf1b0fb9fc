// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <map>
#include <memory>
#include <optional>
#include <string>

#include <QObject>
#include <QString>
#include <QStringList>

#include "book_shelf.h"
#include "ember/core/motion.h"
#include "ember/core/survey.h"
#include "ember/files/whole_file.h"
#include "ember/film/film_reader.h"
#include "ember/film/film_sound.h"
#include "ember/project/bake.h"
#include "ember/project/document.h"
#include "ember/project/film_edits.h"
#include "ember/project/journal.h"
#include "ember/project/recipe_edits.h"
#include "ember/project/shot_edits.h"
#include "ember/render/frame.h"
#include "file_watch.h"
#include "frame_store.h"
#include "loop_range.h"
#include "motion_store.h"
#include "thumb_store.h"

namespace ember::app {

/// What the window works on: the document, what is selected in it, where the playhead stands, and the stores that show
/// its clip. The one owner of all of these; views listen and ask.
class Session : public QObject {
    Q_OBJECT
public:
    explicit Session(QObject* parent = nullptr);
    ~Session() override;

    // --- the document
    const Document& document() const { return document_; }
    const Project& project() const { return document_.project(); }
    const Motion& motion() const { return *motion_; }
    /// For work that may outlast the next edit.
    std::shared_ptr<const Motion> sharedMotion() const { return motion_; }
    const Cover& cover() const { return cover_; }
    /// The pictures of the project's layers, in their order; empty where one cannot be read.
    const LayerPictures& layerPictures() const { return layerPictures_; }
    /// Of every frame of the film.
    const Survey& survey() const { return survey_; }

    Document::Gesture newGesture() { return document_.newGesture(); }
    /// See Document::edit. Tells `result` in the status line.
    void edit(Project next, const QString& result, Document::Gesture gesture = 0);
    void undo();
    void redo();

    // --- selection
    const StrikeIds& selection() const { return selection_; }
    bool isSelected(StrikeId id) const;
    /// The one selected strike, or null.
    const Strike* selectedStrike() const;
    /// The same as it is felt: on the frame where it arrives, as strong as it arrives. Until the next edit.
    const Strike* feltStrike() const;
    void select(StrikeIds ids);
    void toggleSelected(StrikeId id);
    void selectAll();

    // --- playhead and loop
    std::int64_t playhead() const { return playhead_; }
    std::int64_t length() const { return project().length(); }
    void setPlayhead(std::int64_t frame);
    const LoopRange& loop() const { return loop_; }
    void setLoop(LoopRange loop);
    /// The next (+1) or previous (-1) strike from the playhead: selects it and goes there.
    void goToStrike(int direction);

    // --- strikes
    StrikeKind lastKind() const { return lastKind_; }
    void putStrike(StrikeKind kind);
    void deleteSelected();
    void duplicateSelected();
    void nudgeSelected(std::int64_t frames);
    /// All selected strikes together; each keeps its share.
    void scaleStrengths(double factor);
    /// The shape lasts longer or shorter with the same rise and peak, for whom the scope says.
    void scaleLength(double factor);
    /// Everything of a strike but its frame, name and variation, to be given to others.
    void copyValues();
    void pasteValues();

    /// Another seed for the selected strikes that are not locked.
    void newVariation();
    void toggleLocked();
    /// All shakes off, or on again.
    void toggleBypass();
    /// Ends what runs at the playhead: now, or eased home from there.
    void settleHere(SettleMode mode);

    // --- shots; the one that is worked on is the one under the playhead
    std::optional<ShotPlace> shotHere() const { return project().shotAt(Frame{playhead_}); }
    /// The playhead to the first or the last frame of a shot.
    void goToShot(ShotId id, bool last = false);
    /// A clip or still behind the shot here. Looked at on another thread; an edit or trouble() follows. Where there is
    /// no film yet it is opened.
    void addClip(const QString& path);
    /// A clip in place of the one of the shot here, the same way.
    void replaceClip(const QString& path);
    void addGap();
    void splitHere();
    void removeShot();
    /// In the order of shots, earlier where negative.
    void moveShot(int by);
    /// The shot begins, or ends, on the frame under the playhead.
    void trimHere(bool in);
    /// Throws the cut nearest to the playhead.
    void strikeOnCut();
    /// What the selected strikes go with when shots are trimmed or moved.
    enum class GoesWith { shot, film, cut };
    void setGoesWith(GoesWith what, Document::Gesture gesture = 0);
    /// A strike that waits with the shot here is put on the frame under the playhead, or deleted.
    void placeWaiting(std::size_t index);
    void deleteWaiting(std::size_t index);

    // --- the selected strike's recipe
    ShapeScope shapeScope() const { return scope_; }
    void setShapeScope(ShapeScope scope);
    /// The recipe of the first selected strike as it is felt, with the strike's own values; null when there is none.
    const Recipe* felt() const;
    /// A value of it by its key.
    std::optional<double> recipeValue(const std::string& key) const;
    /// What `set` of the batch tool calls a value of it: "recipe.NAME.KEY", or the strike's own.
    QString settingKey(const std::string& key) const;
    /// The value is the strike's own and not its recipe's.
    bool isOwnValue(const std::string& key) const;
    /// Sets values, for the recipe or for the selected strikes alone, as the scope says.
    void setRecipeValues(const std::vector<std::pair<std::string, double>>& values, Document::Gesture gesture);
    /// Gives an own value back to the recipe; a value that follows it already goes to its default.
    void resetRecipeValue(const std::string& key);
    /// The strand that is open in the side column; the Anvil shapes its envelope when it has one of its own.
    const std::string& openStrand() const { return openStrand_; }
    void setOpenStrand(const std::string& name);
    /// An open strand stays open under its new name.
    void renameStrand(std::size_t index, const std::string& name);
    /// What the Anvil's envelope keys begin with: "envelope." or "strand.NAME.envelope.".
    std::string envelopePrefix() const;
    /// The envelope the Anvil shapes.
    Envelope shapedEnvelope() const;
    /// Applies a recipe of the project to the selected strikes.
    void applyRecipe(RecipeId recipe, Document::Gesture gesture = 0);
    /// The selected strike gets a recipe of its own, as it is felt now.
    void makeOwnRecipe();

    // --- motion as keys, see bake.h
    void bakeStrike(bool everyFrame);
    void bakeStrand(StrikeId strike, std::size_t strand);
    void bakeFilm(bool everyFrame);

    /// Lengths are shown in seconds instead of frames.
    bool inSeconds() const { return inSeconds_; }
    void setInSeconds(bool on);

    BookShelf& book() { return book_; }
    MotionStore& motions() { return motions_; }

    // --- files
    QString projectPath() const { return path_; }
    QString title() const;
    bool modified() const { return document_.modified(); }
    /// Why the clip cannot be shown, empty when it can.
    QString clipTrouble() const { return clipTrouble_; }
    /// Why a file that was written anew cannot be, empty when it can.
    const QString& mediaTrouble() const { return mediaTrouble_; }
    bool hasClip() const { return clipOpen_; }
    bool opening() const { return opening_; }
    const std::optional<ClipInfo>& clipInfo() const { return clipInfo_; }
    /// What is known of the clips that were open, for whoever opens the film once more.
    const KnownClips& knownClips() const { return known_; }
    /// Where the film's sound is read; nothing where there is none.
    std::optional<SoundSource> soundSource() const;
    /// All that is heard while it plays: that, and the strikes.
    FilmSound filmSound() const;

    /// A clip or a project, by its name. Runs on another thread; opened() or trouble() follows. `alone`: a picture that
    /// looks like one of a numbered series is opened by itself.
    void open(const QString& path, bool alone = false);
    /// Unsaved work that was left behind: opened as it was, still unsaved.
    void openRecovered(const LeftBehind& left);
    /// The clip of this project is now at another place.
    void relinkClip(const QString& path);
    bool save(const QString& path);
    /// The project's file is not as it was when it was read or saved here last.
    bool changedOutside() const;
    /// Whether something may be written to `path`, which a chooser has asked about: not onto the project or anything
    /// it is made of.
    Status mayWrite(const QString& path) const;
    void close();

    FrameStore& frames() { return *frames_; }
    ThumbStore& thumbs() { return *thumbs_; }

    /// While playing, frames are decoded far ahead.
    void setPlaying(bool playing);
    bool playing() const { return playing_; }

signals:
    void projectChanged();
    void selectionChanged();
    void playheadChanged(qint64 frame);
    void loopChanged();
    void scopeChanged(); ///< whom shapes are for, which strand is open, how time is shown
    void fileChanged();  ///< path, modified mark, clip
    void openingChanged();
    /// Another project takes the place of this one now: what is half done in this one is dropped.
    void aboutToReplace();
    void opened();
    /// The film has other shots, or they stand elsewhere.
    void filmEdited();
    /// Pictures of the film could not be read whole: a sentence with how many so far.
    void damageFound(const QString& text);
    /// Files of the film were written anew: whatever was read of them is out of date.
    void mediaRewritten();
    /// A sentence for the status line.
    void told(const QString& text);
    /// Something went wrong: a sentence that stays until it is dismissed.
    void trouble(const QString& text);

private:
    struct Opened;
    void takeBaked(Result<Baked> baked);
    void startOpening(const std::shared_ptr<Opened>& opened);
    void finishOpening(const std::shared_ptr<Opened>& opened);
    void fetchLayers();
    /// After an edit, forth or back.
    void documentChanged(const Project& before);
    void documentChanged();
    /// After going back or forth in history: what was changed by it is selected, so that it is seen.
    void selectChanged(const Project& before);
    void wantFrame();
    /// Looks at a clip on another thread; `then` is called with what it is, and the document is still the same.
    void lookAt(const QString& path, std::function<void(const ClipInfo&)> then);
    void showClip(std::unique_ptr<ClipReader> clip);
    void reopenFilm();
    void watchFiles();
    /// Files of the film are not what they were; clips are opened on another thread.
    void readAnew(const QStringList& files);
    void tookAnew(const QStringList& files, std::unique_ptr<ClipReader> film);
    std::optional<Strike> takeWaiting(Project& next, std::size_t index) const;

    Document document_;
    std::shared_ptr<const Motion> motion_;
    Survey survey_;
    Cover cover_;
    std::map<std::string, ImagePtr> shelf_; ///< layer pictures by their paths, null where one could not be read
    LayerPictures layerPictures_;
    mutable std::optional<Recipe> felt_; ///< made when it is asked for
    mutable std::optional<Strike> arrived_;
    std::string openStrand_;
    bool inSeconds_ = false;
    BookShelf book_;
    MotionStore motions_;
    StrikeIds selection_;
    StrikeIds selectedBefore_; ///< the selection before this one
    std::int64_t playhead_ = 0;
    LoopRange loop_;
    StrikeKind lastKind_ = StrikeKind::hit;
    ShapeScope scope_ = ShapeScope::recipe;
    std::optional<Strike> copied_;
    QString path_;
    FileStamp stamp_; ///< of the file at path_, as it was read or written last
    QString clipTrouble_;
    std::optional<ClipInfo> clipInfo_;
    KnownClips known_; ///< all that were open since the program began
    bool clipOpen_ = false;
    bool opening_ = false;
    std::uint64_t openings_ = 0;
    FileWatch watch_;
    std::vector<FileWatch::File> watched_;
    QString mediaTrouble_;
    std::unique_ptr<FrameStore> frames_;
    std::unique_ptr<ThumbStore> thumbs_;
    bool playing_ = false;
};

/// "Dead weight, 3 strikes" style helpers for messages.
QString strikeTitle(const Strike& strike);
QString kindTitle(StrikeKind kind);
/// "Kick: rate 12 Hz"
QString valueSentence(const std::string& key, const FieldSpec& spec, double value);
/// hh:mm:ss:ff at the project's rate (rounded to whole frames a second for the last pair).
QString timecode(std::int64_t frame, FrameRate rate);

} // namespace ember::app
