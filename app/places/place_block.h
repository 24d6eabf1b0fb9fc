// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>

#include <QWidget>

#include "session.h"

class QLabel;
class QPushButton;

namespace ember::app {

class ControlGrid;

/// Where something happens: nowhere in particular, around the camera, or at a point of the picture; and which of the
/// world's laws it follows. It does not hold the place; it shows what it reads and tells what is wished for.
class PlaceBlock : public QWidget {
    Q_OBJECT
public:
    struct Binding {
        std::function<std::optional<Place>()> read;
        std::function<void(const std::optional<Place>& place, const QString& told, quint64 gesture)> write;
        std::function<QString()> says; ///< what comes of it, in words
    };
    PlaceBlock(Session& session, Binding binding, QWidget* parent = nullptr);
    void refresh();

signals:
    void topViewAsked();

private:
    std::optional<double> value(const std::string& key) const;
    void setValue(const std::string& key, double value, quint64 gesture);

    Session& session_;
    const Binding binding_;
    ControlGrid* values_;
    QLabel* says_;
};

/// The place of the selected strikes.
PlaceBlock::Binding strikePlaceBinding(Session& session);

/// "on frame 124, 24 later; 50 % of it, from 10 m": what is felt of a strike with a place.
QString arrivalSentence(const Project& project, const Strike& strike);

/// Another way to tell the same place, seen by the camera at a frame: a point of the picture as metres and back; what
/// is behind the camera is put in the middle of the picture.
Place placeToldOtherwise(const Project& project, const Place& place, Frame frame);

} // namespace ember::app
