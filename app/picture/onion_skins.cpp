// SPDX-License-Identifier: GPL-3.0-or-later
#include "onion_skins.h"

namespace ember::app {

OnionSkins::OnionSkins(OrderOf orderOf, QObject* parent) : QObject(parent), orderOf_(std::move(orderOf))
{
    connect(&renderer_, &PictureRenderer::rendered, this,
            [this](qint64 frame, const QImage&, const QImage& shown) { take(frame, shown); });
}

void OnionSkins::want(std::int64_t frame, bool anew)
{
    revision_ += anew ? 1 : 0;
    if (frame != frame_)
        for (Skin& skin : skins_) // of other frames
            if (skin.frame != frame - 1 && skin.frame != frame + 1)
                skin = {};
    if (skins_[0].frame == frame + 1 || skins_[1].frame == frame - 1)
        std::swap(skins_[0], skins_[1]);
    frame_ = frame;
    go();
}

void OnionSkins::clear()
{
    frame_ = -1;
    skins_ = {};
}

void OnionSkins::go()
{
    if (making_ || frame_ < 0)
        return;
    for (std::size_t i = 0; i < 2; ++i) {
        const std::int64_t wanted = i == 0 ? frame_ - 1 : frame_ + 1;
        if (skins_[i].frame == wanted && skins_[i].revision == revision_)
            continue;
        if (auto order = orderOf_(wanted)) {
            making_ = true;
            makingRevision_ = revision_;
            renderer_.order(std::move(*order));
            return;
        }
    }
}

void OnionSkins::take(std::int64_t frame, const QImage& picture)
{
    making_ = false;
    if (frame_ >= 0 && (frame == frame_ - 1 || frame == frame_ + 1)) {
        skins_[frame < frame_ ? 0 : 1] = {frame, makingRevision_, picture};
        emit changed();
    }
    go();
}

} // namespace ember::app
