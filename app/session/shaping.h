// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <utility>
#include <vector>

#include <QObject>
#include <QString>

#include "ember/core/project.h"
#include "ember/project/document.h"
#include "ember/project/recipe_edits.h"

namespace ember::app {

class Messages;
class OpenDocument;
class Selection;

/// The selected strikes' recipe as it is felt, and how it is shaped: for whom changes are, which strand is open, how
/// time is shown.
class Shaping : public QObject {
    Q_OBJECT
public:
    Shaping(OpenDocument& document, Selection& selection, Messages& messages);

    ShapeScope scope() const { return scope_; }
    void setScope(ShapeScope scope);
    /// The recipe of the first selected strike with the strike's own values, as they are set: its play rate is not
    /// worked in. Null when there is none. Until the next edit.
    const Recipe* felt() const;
    /// A value of it by its key.
    std::optional<double> value(const std::string& key) const;
    /// What `set` of the batch tool calls a value of it: "recipe.NAME.KEY", or the strike's own.
    QString settingKey(const std::string& key) const;
    /// The value is the strike's own and not its recipe's.
    bool isOwn(const std::string& key) const;
    /// Sets values, for the recipe or for the selected strikes alone, as the scope says.
    void set(const std::vector<std::pair<std::string, double>>& values, Document::Gesture gesture);
    /// Sets the keys of an axis of a drawn strand, for whom the scope says.
    void setKeys(const std::string& strand, Axis axis, std::vector<CurveKey> keys, const QString& result,
                 Document::Gesture gesture);
    /// The strand's keys are the strike's own; and they follow the recipe again.
    bool keysAreOwn(const std::string& strand) const;
    void returnKeys(const std::string& strand);
    /// The last frame of a strand's keys that is felt, from the peak.
    double lastFeltKey(const std::string& strand) const;
    /// Makes the envelope last until this key.
    void reachKey(const std::string& strand, double keyFrame);
    /// Gives an own value back to the recipe; a value that follows it already goes to its default.
    void reset(const std::string& key);
    /// Applies a recipe of the project to the selected strikes.
    void applyRecipe(RecipeId recipe, Document::Gesture gesture = 0);
    /// The selected strike gets a recipe of its own, as it is felt now.
    void makeOwnRecipe();

    /// The strand that is open in the side column; the Anvil shapes its envelope when it has one of its own.
    const std::string& openStrand() const { return openStrand_; }
    void setOpenStrand(const std::string& name);
    /// The strand the side column shows: the open one, else the first; empty where there is none.
    std::string shownStrand() const;
    /// An open strand stays open under its new name.
    void renameStrand(std::size_t index, const std::string& name);
    /// What the Anvil's envelope keys begin with: "envelope." or "strand.NAME.envelope.".
    std::string envelopePrefix() const;
    /// The envelope the Anvil shapes, as it is set; and over frames of the film, where the play rate is another than 1.
    Envelope envelope() const;
    Envelope envelopeInFilm() const;
    double playRate() const;

    /// Lengths are shown in seconds instead of frames.
    bool inSeconds() const { return inSeconds_; }
    void setInSeconds(bool on);

    /// Wishes to see the open strand's keys.
    void askForCurves() { emit curvesAsked(); }

signals:
    void curvesAsked();
    /// Scope, open strand, or how time is shown.
    void changed();

private:
    OpenDocument& document_;
    Selection& selection_;
    Messages& messages_;
    mutable std::optional<Recipe> felt_; ///< made when it is asked for
    std::string openStrand_;
    ShapeScope scope_ = ShapeScope::recipe;
    bool inSeconds_ = false;
};

} // namespace ember::app
