// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>
#include <vector>

#include "picture_renderer.h"

namespace ember::app {

/// Has pictures made for the frame that is looked at, one at a time, and while a film plays those that come after it
/// before their time: frames that take longer than their share are made up for by those that take less.
class PictureFeed : public QObject {
    Q_OBJECT
public:
    using Order = PictureRenderer::Order;
    /// What is to be made of a frame; nothing as long as it is not decoded.
    using OrderOf = std::function<std::optional<Order>(std::int64_t frame)>;

    explicit PictureFeed(OrderOf orderOf, QObject* parent = nullptr);

    /// The frame that is looked at, and those that will be after it as far as they are to be made now, the next first.
    struct Wish {
        std::int64_t frame = -1;
        std::vector<std::int64_t> coming = {};

        bool isComing(std::int64_t other) const;
    };
    void want(const Wish& wish);
    /// The same, and what pictures are made of has changed.
    void renew(const Wish& wish);
    /// The frame that is wanted cannot be decoded.
    void giveUp() { waiting_ = false; }
    /// Pictures on their way belong to a clip that was closed.
    void forget();

    /// The frame that is wanted was not decoded yet.
    bool waiting() const { return waiting_; }
    /// Nothing is on its way: what was made last is what was asked for.
    bool settled() const { return !making_ && !waiting_; }

signals:
    /// To be shown now; see PictureRenderer.
    void made(qint64 frame, const QImage& picture, const QImage& shown, double milliseconds);

private:
    struct Made {
        std::int64_t frame;
        std::uint64_t revision;
        QImage picture;
        QImage shown;
        double milliseconds;
    };
    struct Making {
        std::int64_t frame;
        std::uint64_t revision;
        bool ahead;
        bool forgotten; ///< not to be shown when it is done
    };
    void go();
    bool order(std::int64_t frame, bool ahead);
    void take(std::int64_t frame, const QImage& picture, const QImage& shown, double milliseconds);
    void show(const Made& made);

    OrderOf orderOf_;
    Wish wish_;
    std::uint64_t revision_ = 0; ///< of what pictures are made of
    bool waiting_ = false;
    std::int64_t shownFrame_ = -1;
    std::uint64_t shownRevision_ = 0;
    std::vector<Made> ahead_; ///< of this revision, all of them coming
    std::optional<Making> making_;
    PictureRenderer renderer_;
};

} // namespace ember::app
