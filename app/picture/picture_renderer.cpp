// SPDX-License-Identifier: GPL-3.0-or-later
#include "picture_renderer.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstring>

#include "background.h"

namespace ember::app {

QImage toQImage(const ImagePtr& image)
{
    if (!image)
        return {};
    auto* keep = new ImagePtr(image);
    return QImage(
        image->row(0), image->width(), image->height(), static_cast<qsizetype>(image->stride()),
        QImage::Format_RGBA8888, [](void* held) { delete static_cast<ImagePtr*>(held); }, keep);
}

namespace {

ImagePtr sideBySide(const ImagePtr& left, const Image& right, double share)
{
    auto out = std::make_shared<Image>(right.copy());
    const auto columns = static_cast<std::size_t>(std::lround(std::clamp(share, 0.0, 1.0) * right.width()));
    for (int y = 0; y < right.height(); ++y)
        std::memcpy(out->row(y), left->row(y), 4 * columns);
    return out;
}

/// The picture in the size it is shown in, and as the screen keeps its pixels. Done here and not while painting: Qt
/// would scale on the interface thread, with two by two neighbours and for several times the cost.
QImage forScreen(const ImagePtr& picture, QSize shown)
{
    ImagePtr sized = picture;
    if (!shown.isEmpty()) {
        FrameLook asItIs;
        asItIs.projectWidth = picture->width();
        asItIs.projectHeight = picture->height();
        sized = renderFrame(picture, asItIs, shown.width(), shown.height());
    }
    QImage image = toQImage(sized);
    if (sized->opaque())
        image.reinterpretAsFormat(QImage::Format_RGBX8888);
    return image.convertToFormat(sized->opaque() ? QImage::Format_RGB32 : QImage::Format_ARGB32_Premultiplied);
}

} // namespace

PictureRenderer::PictureRenderer(QObject* parent)
    : QObject(parent), worker_([this] { return next_.has_value(); }, [this](auto& held) { render(held); })
{
}

PictureRenderer::~PictureRenderer() = default;

void PictureRenderer::order(Order order)
{
    worker_.change([&] { next_ = std::move(order); });
}

void PictureRenderer::render(WaitingThread::Lock& held)
{
    const Order order = std::move(*next_);
    next_.reset();
    held.unlock();
    const auto began = std::chrono::steady_clock::now();
    withMemory([&] {
        const auto seen = [&order](const FrameLook& look) {
            return renderForScreen(order.view.get(), order.source, look, order.width, order.height);
        };
        ImagePtr picture = seen(order.look);
        if (order.left)
            picture = sideBySide(seen(*order.left), *picture, order.share);
        const std::chrono::duration<double, std::milli> spent = std::chrono::steady_clock::now() - began;
        emit rendered(order.frame, toQImage(picture), forScreen(picture, order.shown), spent.count());
    });
    held.lock();
}

} // namespace ember::app
