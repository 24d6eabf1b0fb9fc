// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>
#include <string>
#include <vector>

#include <QObject>
#include <QString>

#include "ember/core/keys.h"
#include "session.h"

namespace ember::app {

/// One thing that changes over time: its keys, in the units it is shown in.
struct Channel {
    std::string id;
    QString name;
    QString unit;     ///< "px", "°", "%"; channels of one unit have one scale
    CurveKeys keys;   ///< values as shown
    double still = 0; ///< what holds without keys, as shown
    CurveKeys shape;  ///< where that changes over time, as it would be as keys
    double min = 0;   ///< as shown
    double max = 0;
    double step = 1;                  ///< what arrow keys and the wheel change
    bool peakFixed = false;           ///< the key on frame 0, the peak, stays as it is
    bool wholeFrames = false;         ///< keys stand on whole frames only
    bool eased = false;               ///< keys have no slopes of their own
    std::optional<double> felt = {};  ///< from here on nothing of it is felt
    std::optional<double> jumps = {}; ///< the last key, where it is not eased back to rest
    double home = -1;                 ///< frames back to rest behind the last key; 0 jumps; -1: the last value stays
    bool own = false;                 ///< it is the strike's own
    bool canTurn = false;             ///< what holds without keys can be turned into a curve of the same shape
};

/// What a channel is at a frame of its keys, as shown.
double valueOf(const Channel& channel, double frame);

/// What changes over time of what is selected, as channels of the curve view, and the one door by which it is changed.
class CurveChannels : public QObject {
    Q_OBJECT
public:
    enum class Of {
        keys,  ///< the axes of a drawn strand
        shape, ///< strength, and the open strand's rate and amounts
        light, ///< motion blur and light
        film,  ///< intensity, drift, the shot's own move
    };
    explicit CurveChannels(Session& session);

    Of of() const { return of_; }
    void setOf(Of of);
    const std::vector<Channel>& channels() const { return channels_; }
    /// The one that is edited; -1 where there is none.
    int chosen() const { return chosen_; }
    const Channel* channel() const;
    void choose(int index);

    /// Frames of the film and of the keys.
    double filmFrame(double keyFrame) const { return zero_ + keyFrame / pace_; }
    double keyFrame(double filmFrame) const { return (filmFrame - zero_) * pace_; }
    /// The name of the strand whose keys or values are shown; empty where none is.
    const std::string& strand() const { return strand_; }

    void setKeys(int index, const CurveKeys& keys, const QString& result, Document::Gesture gesture);
    void setKeys(const CurveKeys& keys, const QString& result, Document::Gesture gesture)
    {
        setKeys(chosen_, keys, result, gesture);
    }
    /// What holds without keys becomes a curve of the same shape; and the other way round, as near as it comes.
    void turnIntoCurve();
    void turnBack();
    /// Why it cannot be turned back without losing its shape; empty where it can.
    QString whyNotBack() const;
    /// The strike follows its recipe here again.
    void followRecipe();
    /// An axis goes back to rest behind its last key, or jumps.
    void setComesHome(bool on);
    bool comesHome() const;

signals:
    void changed();

private:
    void gather();
    void gatherKeys(const Recipe& recipe);
    void gatherShape(const Recipe& recipe);
    void gatherLight(const Recipe& recipe);
    void gatherFilm();
    void addValue(const Recipe& recipe, const std::string& key, const QString& name);
    /// The same shape as what holds without keys; empty where there is none.
    CurveKeys asCurve(const Recipe& recipe, const std::string& key) const;

    Session& session_;
    Of of_ = Of::keys;
    std::vector<Channel> channels_;
    int chosen_ = -1;
    std::string chosenId_;
    std::string strand_;
    double zero_ = 0;
    double pace_ = 1;
};

} // namespace ember::app
