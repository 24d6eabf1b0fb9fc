// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <string>
#include <vector>

#include <QWidget>

#include "film.h"
#include "open_document.h"
#include "playhead.h"
#include "proxy_maker.h"
#include "shaping.h"
#include "shot_commands.h"

class QComboBox;
class QLabel;
class QPushButton;
class QVBoxLayout;

namespace ember::app {

class ControlGrid;

/// The shot under the playhead: what it shows of its clip, and the strikes that wait with it because their frames are
/// trimmed away.
class ShotBlock : public QWidget {
    Q_OBJECT
public:
    ShotBlock(OpenDocument& document, ShotCommands& shots, Playhead& playhead, Shaping& shaping, Film& film,
              ProxyMaker& proxies, QWidget* parent = nullptr);
    void refresh();

private:
    /// Of the shot under the playhead; nothing where it has none.
    std::optional<double> valueOf(const std::string& key) const;
    void setValue(const std::string& key, double value, Document::Gesture gesture);
    void refreshWaiting();
    void refreshKeys();
    void addKey();
    void removeKey();
    /// The shot under the playhead; null for a gap, and where there is none.
    const Shot* shotHere() const;
    /// `anew`: also where it is the same clip, whose files are not asked for each frame.
    void refreshProxy(bool anew);
    void chooseProxy();

    OpenDocument& document_;
    ShotCommands& shots_;
    Playhead& playhead_;
    Shaping& shaping_;
    Film& film_;
    ProxyMaker& proxies_;
    QLabel* name_;
    QPushButton* split_;
    QPushButton* remove_;
    ControlGrid* values_;
    QWidget* keyRow_; ///< of the framing
    QPushButton* keyHere_;
    QPushButton* keyGone_;
    QLabel* keySays_;
    QWidget* proxyRow_;
    QComboBox* proxy_;
    QLabel* proxySays_;
    std::string proxyOf_; ///< the clip that is shown, and the proxy it has
    std::optional<ProxySize> proxyHas_;
    QLabel* waitingSays_;
    struct Row {
        QWidget* box;
        QLabel* text;
    };
    QVBoxLayout* waitingColumn_;
    std::vector<Row> waiting_;
};

} // namespace ember::app
