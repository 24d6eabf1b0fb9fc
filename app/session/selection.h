// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include <QObject>

#include "ember/core/project.h"
#include "ember/project/edits.h"

namespace ember::app {

class OpenDocument;

/// The strikes that are selected. Those that are deleted are not any more.
class Selection : public QObject {
    Q_OBJECT
public:
    explicit Selection(OpenDocument& document);

    const StrikeIds& ids() const { return ids_; }
    bool empty() const { return ids_.empty(); }
    std::size_t size() const { return ids_.size(); }
    bool contains(StrikeId id) const;
    /// The one selected strike, or null.
    const Strike* strike() const;
    /// The first of them, or null.
    const Strike* first() const;
    /// The one selected strike as it is felt: on the frame where it arrives, as strong as it arrives. Until the next
    /// edit.
    const Strike* feltStrike() const;

    void set(StrikeIds ids);
    void toggle(StrikeId id);
    void setAll();

    /// Another film: these, told to all by tell().
    void reset(StrikeIds ids);
    void tell() { emit changed(); }

signals:
    void changed();

private:
    void showWhatChanged(const Project& before);

    OpenDocument& document_;
    StrikeIds ids_;
    StrikeIds before_; ///< the selection before this one
    mutable std::optional<Strike> arrived_;
};

} // namespace ember::app
