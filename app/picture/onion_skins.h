// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <functional>
#include <optional>

#include "picture_renderer.h"

namespace ember::app {

/// The frames before and after the one on show, shaken as they will be, to be laid faintly over it. Made one at a time
/// on a thread of its own; until one is there its place stays empty.
class OnionSkins : public QObject {
    Q_OBJECT
public:
    using OrderOf = std::function<std::optional<PictureRenderer::Order>(std::int64_t frame)>;
    explicit OnionSkins(OrderOf orderOf, QObject* parent = nullptr);

    /// Skins around this frame; what they are made of has changed where `anew`.
    void want(std::int64_t frame, bool anew);
    void clear();
    /// The one before and the one after; null where it is not there.
    const QImage& before() const { return skins_[0].picture; }
    const QImage& after() const { return skins_[1].picture; }
    bool settled() const { return !making_; }

signals:
    void changed();

private:
    struct Skin {
        std::int64_t frame = -1;
        std::uint64_t revision = 0;
        QImage picture;
    };
    void go();
    void take(std::int64_t frame, const QImage& picture);

    OrderOf orderOf_;
    std::array<Skin, 2> skins_;
    std::int64_t frame_ = -1; ///< around which; -1: none are wanted
    std::uint64_t revision_ = 1;
    std::uint64_t makingRevision_ = 0;
    bool making_ = false;
    PictureRenderer renderer_;
};

} // namespace ember::app
