// SPDX-License-Identifier: GPL-3.0-or-later
#include "live_picture.h"

#include <algorithm>
#include <cmath>

#include <QPainter>

#include "background.h"
#include "frame_store.h"
#include "picture_view.h"
#include "recipe_trace.h"
#include "theme.h"

namespace ember::app {

namespace {

constexpr double budget = 9; ///< milliseconds a picture may take: a press may have to wait for one and then for its own
constexpr std::size_t framesHeld = 96u << 20; ///< bytes

} // namespace

ImagePtr testChart(int width, int height)
{
    QImage chart(width, height, QImage::Format_RGBA8888);
    chart.fill(QColor(0x80, 0x80, 0x80));
    QPainter p(&chart);
    const int step = std::max(8, height / 12);
    const int left = width / 2 % step;
    const int top = height / 2 % step;
    for (int x = left; x < width; x += step) {
        p.setPen(QPen(QColor(x == width / 2 ? 0xf0 : 0x60, x == width / 2 ? 0xf0 : 0x60, x == width / 2 ? 0xf0 : 0x60),
                      x == width / 2 ? 3 : 1));
        p.drawLine(x, 0, x, height);
    }
    for (int y = top; y < height; y += step) {
        const int grey = y == height / 2 ? 0xf0 : 0x60;
        p.setPen(QPen(QColor(grey, grey, grey), y == height / 2 ? 3 : 1));
        p.drawLine(0, y, width, y);
    }
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(QColor(0x20, 0x20, 0x20), 2));
    for (const int radius : {step, 3 * step})
        p.drawEllipse(QPointF(width / 2.0, height / 2.0), radius, radius);
    p.drawRect(QRectF(1, 1, width - 2, height - 2));
    auto image = std::make_shared<Image>(width, height);
    for (int y = 0; y < height; ++y)
        std::copy_n(chart.constScanLine(y), 4 * width, image->row(y));
    return image;
}

LivePicture::LivePicture(OpenDocument& document, Film& film, ProjectFile& file, LiveRunner& runner, QWidget* parent)
    : QWidget(parent), document_(document), film_(film), file_(file), runner_(runner),
      counted_(LiveRunner::Clock::now())
{
    setObjectName(QStringLiteral("live-picture"));
    setAttribute(Qt::WA_OpaquePaintEvent);
    frames_.setBudget(framesHeld);
    connect(&runner_, &LiveRunner::ticked, this, &LivePicture::refresh);
    connect(&runner_, &LiveRunner::pressed, this, [this](Moment moment) { waiting_.push_back(moment); });
    connect(&runner_, &LiveRunner::stateChanged, this, &LivePicture::findCover);
    connect(&renderer_, &PictureRenderer::rendered, this, &LivePicture::took);
    connect(&file_, &ProjectFile::opened, this, &LivePicture::openFilm);
    connect(&film_, &Film::edited, this, &LivePicture::openFilm);
    connect(&film_, &Film::rewritten, this, &LivePicture::openFilm);
    connect(&frames_, &FrameStore::ready, this, &LivePicture::refresh);
}

void LivePicture::showEvent(QShowEvent*)
{
    openFilm();
}

void LivePicture::hideEvent(QHideEvent*)
{
    frames_.setClip(nullptr, FrameRate(), 0);
    last_.reset();
    waiting_.clear();
    ordered_.clear();
}

void LivePicture::openFilm()
{
    if (!isVisible())
        return;
    shownFrame_ = -1;
    lost_ = 0;
    held_.reset();
    held_.spent(4 * budget, budget); // until it is known, the first press is not to be late
    const Project& project = document_.project();
    chart_ = testChart(std::min(project.width, 1280),
                       std::max(2, static_cast<int>(std::lround(std::min(project.width, 1280) *
                                                                static_cast<double>(project.height) / project.width))));
    last_.reset();
    auto film = project.shots.empty()
                    ? Result<std::unique_ptr<ClipReader>>(Error{})
                    : ember::openFilm(project, FilmPictures::shown, film_.knownClips(), {}, &film_.proxies());
    frames_.setClip(film ? std::move(film).value() : nullptr, project.rate, project.length());
    findCover();
}

/// The zoom that hides the border whatever single pad is struck; worked out elsewhere, as values may be turned.
void LivePicture::findCover()
{
    const Project& project = runner_.bench().project();
    const auto asked = ++covers_;
    if (project.finish.cover != CoverMode::constant) {
        cover_ = Cover(); // breathing would have to know what comes
        return;
    }
    std::vector<Project> alone;
    for (const Pad& pad : runner_.board().pads)
        if (const Recipe* recipe = project.recipe(pad.recipes[runner_.state()])) {
            Strike strike = strikeOf(pad, runner_.state(), 1);
            strike.recipe = 1;
            strike.place.reset();
            alone.push_back(strikeAlone(project, *recipe, 30));
            strike.id = alone.back().strikes[0].id;
            strike.frame = alone.back().strikes[0].frame;
            strike.seed = 1;
            alone.back().strikes[0] = strike;
        }
    const auto find = [alone = std::move(alone)] {
        double zoom = 1;
        for (const Project& one : alone) {
            const Motion motion(one);
            for (const FrameSpan& span : motion.moving(30 + 48))
                for (std::int64_t frame = span.first; frame <= span.last; ++frame)
                    zoom = std::max(zoom, neededCover(one, motion, frame));
        }
        return zoom;
    };
    inBackground(this, find, [this, asked](double zoom) {
        if (covers_ != asked)
            return;
        cover_ = Cover();
        cover_.zoom = std::min(zoom, largestCover);
        restsOn_.reset();
        refresh();
    });
}

ImagePtr LivePicture::source()
{
    if (runner_.ground() == LiveRunner::Ground::chart || document_.length() == 0)
        return chart_;
    const std::int64_t frame = std::clamp<std::int64_t>(runner_.filmFrame(runner_.now()), 0, document_.length() - 1);
    FrameStore::Wish wish;
    wish.frame = frame;
    wish.playing = runner_.ground() == LiveRunner::Ground::film;
    frames_.want(wish);
    if (ImagePtr cached = frames_.cached(frame))
        last_ = std::move(cached);
    return last_;
}

QRectF LivePicture::frameRect() const
{
    const Project& project = document_.project();
    return fitPicture(size(), std::max(1, project.width), std::max(1, project.height));
}

void LivePicture::refresh()
{
    if (!isVisible() || !runner_.running())
        return;
    if (making_) { // the newest moment is taken when that is there
        again_ = true;
        return;
    }
    const ImagePtr image = source();
    if (image == nullptr) {
        update();
        return;
    }
    // At rest on the same frame there is nothing to do.
    const FrameTime now = runner_.now();
    const Motion& motion = runner_.bench().motion();
    rests_ = waiting_.empty() && motion.at(now) == MotionSample() && motion.lightAt(now).none();
    if (rests_ && restsOn_ == image && restsIn_ == size())
        return;
    restsOn_ = rests_ ? image : nullptr;
    restsIn_ = size();
    const QSize shown = (frameRect().size() * devicePixelRatioF()).toSize().expandedTo({16, 16});
    // At rest a picture costs little. How long shaken ones take is remembered for the next press.
    const double share = rests_ ? 1 : held_.share();
    PictureRenderer::Order order;
    order.frame = ++number_;
    order.source = image;
    order.look = lookOf(runner_.bench().project(), motion, cover_, now);
    order.width = std::max(16, static_cast<int>(std::lround(shown.width() * share)));
    order.height = std::max(16, static_cast<int>(std::lround(shown.height() * share)));
    order.shown = shown;
    ordered_.push_back({number_, runner_.filmFrame(now), std::exchange(waiting_, {})});
    making_ = true;
    again_ = false;
    renderer_.order(std::move(order));
}

void LivePicture::took(qint64 number, const QImage& picture, const QImage& shown, double milliseconds)
{
    making_ = false;
    if (!rests_)
        held_.spent(milliseconds, budget);
    picture_ = picture;
    shown_ = shown;
    shownNumber_ = number;
    ++count_;
    const auto now = runner_.moment();
    if (const double since = std::chrono::duration<double>(now - counted_).count(); since >= 1) {
        rate_ = count_ / since;
        count_ = 0;
        counted_ = now;
    }
    repaint(); // at once: what was pressed waits to be seen
    // What was pressed meanwhile is shown at once; all else waits for the next tick, so that a press seldom has to.
    if (again_ && !waiting_.empty())
        refresh();
}

void LivePicture::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.fillRect(rect(), theme::surround);
    const QRectF frame = frameRect();
    if (shown_.isNull()) {
        p.setPen(theme::onSurround);
        p.drawText(rect(), Qt::AlignCenter,
                   document_.length() == 0 ? tr("Open a clip, or choose the test chart") : tr("…"));
    } else {
        p.drawImage(frame, shown_);
    }
    p.end();
    const auto now = runner_.moment();
    while (!ordered_.empty() && ordered_.front().number <= shownNumber_) {
        const std::int64_t filmed = ordered_.front().frame;
        // At a loop's seam it goes back.
        if (shownFrame_ >= 0 && filmed > shownFrame_ + 1)
            lost_ += filmed - shownFrame_ - 1;
        shownFrame_ = filmed;
        for (const Moment& moment : ordered_.front().presses)
            emit latency(std::chrono::duration<double, std::milli>(now - moment).count());
        ordered_.erase(ordered_.begin());
    }
}

} // namespace ember::app
