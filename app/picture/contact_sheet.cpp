// SPDX-License-Identifier: GPL-3.0-or-later
#include "contact_sheet.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <mutex>

#include <QKeyEvent>
#include <QLabel>
#include <QMouseEvent>
#include <QPainter>
#include <QPointer>
#include <QToolButton>

#include "background.h"
#include "ember/film/film_reader.h"
#include "form.h"
#include "frame_store.h"
#include "picture_renderer.h"
#include "takes.h"
#include "theme.h"

namespace ember::app {

namespace {
constexpr double barHeight = 34;
constexpr double gap = 10;
constexpr double textHeight = 18;
constexpr std::array<int, 4> spans{1, 2, 4, 8};
} // namespace

/// The clip, opened when it is first needed and kept: finding all its frames takes a while in a long one.
struct ContactSheet::SharedFilm {
    std::string path;
    std::mutex mutex;
    std::unique_ptr<ClipReader> clip;

    ImagePtr frame(std::int64_t frame, const Project& project)
    {
        const std::lock_guard lock(mutex);
        if (!clip) {
            auto opened = openFilm(project, FilmPictures::light);
            if (!opened.ok())
                return nullptr;
            clip = std::move(opened).value();
        }
        auto picture = clip->frame(Frame{frame}, project.rate);
        return picture.ok() ? picture.value() : nullptr;
    }
};

/// What the thread that makes the pictures needs; it asks nothing else.
struct ContactSheet::Work {
    std::shared_ptr<SharedFilm> film;
    std::shared_ptr<const Project> project;
    std::shared_ptr<const Motion> motion;
    Cover cover;
    std::shared_ptr<const Takes::Take> other;
    LayerPictures layers;
    std::shared_ptr<const FilmView> view;
    std::vector<std::pair<std::int64_t, ImagePtr>> frames; ///< with those that are decoded already
    int width;
    std::shared_ptr<std::atomic<bool>> stop;
};

ContactSheet::ContactSheet(Session& session, const Takes& takes, QWidget* over)
    : QWidget(over->window()), session_(session), takes_(takes), over_(over), bothButton_(new QToolButton(this))
{
    setObjectName(QStringLiteral("contact-sheet"));
    setFocusPolicy(Qt::StrongFocus);
    auto* bar = new QWidget(this);
    bar->setObjectName(QStringLiteral("contact-bar"));
    auto* row = newRow(bar, 4, {12, 4, 12, 4});
    row->addWidget(new QLabel(tr("Frames around the strike"), bar));
    row->addSpacing(12);
    for (const int step : spans) {
        auto* button = new QToolButton(bar);
        button->setText(step == 1 ? tr("each") : tr("every %1").arg(step));
        button->setObjectName(QStringLiteral("contact-step-%1").arg(step));
        button->setToolTip(tr("How far the twelve pictures are apart (keys 1 to 4)"));
        button->setCheckable(true);
        button->setFocusPolicy(Qt::NoFocus);
        connect(button, &QToolButton::clicked, this, [this, step] { setStep(step); });
        row->addWidget(button);
        steps_.push_back(button);
    }
    bothButton_->setText(tr("Both takes"));
    bothButton_->setObjectName(QStringLiteral("contact-both"));
    bothButton_->setCheckable(true);
    bothButton_->setFocusPolicy(Qt::NoFocus);
    connect(bothButton_, &QToolButton::clicked, this, &ContactSheet::setBoth);
    row->addWidget(bothButton_);
    row->addStretch(1);
    auto* close = new QToolButton(bar);
    close->setText(tr("Close"));
    close->setObjectName(QStringLiteral("contact-close"));
    close->setToolTip(tr("Back to the window (G or Escape); a click on a picture goes to its frame"));
    close->setFocusPolicy(Qt::NoFocus);
    connect(close, &QToolButton::clicked, this, &ContactSheet::toggle);
    row->addWidget(close);
    bar_ = bar;
    over_->installEventFilter(this);
    connect(&session_.document, &OpenDocument::changed, this, &ContactSheet::fetch);
    connect(&session_.file, &ProjectFile::opened, this, [this] { film_.reset(); });
    connect(&session_.film, &Film::edited, this, [this] { film_.reset(); });
    connect(&session_.film, &Film::rewritten, this, [this] {
        film_.reset();
        fetch();
    });
    connect(&session_.selection, &Selection::changed, this, &ContactSheet::fetch);
    connect(&session_.playhead, &Playhead::moved, this, [this] { update(); });
    hide();
}

ContactSheet::~ContactSheet()
{
    if (stop_)
        *stop_ = true;
}

void ContactSheet::toggle()
{
    if (isVisible()) {
        if (stop_)
            *stop_ = true;
        hide();
        parentWidget()->setFocus();
        return;
    }
    if (session_.selection.strike() == nullptr || !session_.film.hasClip()) {
        emit session_.messages.told(tr("Select one strike: the frames around it are shown"));
        return;
    }
    lieOver();
    show();
    raise();
    setFocus();
    fetch();
}

void ContactSheet::lieOver()
{
    setGeometry(over_->geometry());
    bar_->setGeometry(0, 0, width(), static_cast<int>(barHeight));
}

void ContactSheet::setStep(int step)
{
    step_ = step;
    fetch();
}

void ContactSheet::setBoth(bool both)
{
    both_ = both && takes_.other() >= 0;
    fetch();
}

std::vector<std::int64_t> ContactSheet::frames() const
{
    std::vector<std::int64_t> out;
    const Strike* strike = session_.selection.feltStrike();
    if (strike == nullptr)
        return out;
    // One before it, the others from it on: what is judged is what comes of it.
    for (int i = 0; i < columns * rows; ++i)
        out.push_back(strike->frame.index + static_cast<std::int64_t>(i - 1) * step_);
    return out;
}

std::vector<PaintedPart> ContactSheet::paintedParts()
{
    std::vector<PaintedPart> parts;
    const auto shown = frames();
    for (std::size_t i = 0; i < shown.size(); ++i) {
        if (shown[i] < 0 || shown[i] >= session_.document.length())
            continue;
        PaintedPart part;
        part.name = tr("frame %1").arg(shown[i]);
        part.place = cell(static_cast<int>(i)).toAlignedRect();
        part.selected = shown[i] == session_.playhead.frame();
        part.actions = {{tr("Go there"), [this, frame = shown[i]] { session_.playhead.setFrame(frame); }}};
        parts.push_back(std::move(part));
    }
    return parts;
}

QRectF ContactSheet::cell(int place) const
{
    const double w = (width() - gap * (columns + 1)) / columns;
    const double h = (height() - barHeight - gap * (rows + 1)) / rows;
    const int row = place / columns;
    return {gap + (w + gap) * (place % columns), barHeight + gap + (h + gap) * row, w, h};
}

bool ContactSheet::complete() const
{
    const auto wanted = frames();
    return std::all_of(wanted.begin(), wanted.end(), [&](std::int64_t frame) {
        return frame < 0 || frame >= session_.document.length() ||
               (pictures_.count(frame) != 0 && (!both_ || others_.count(frame) != 0));
    });
}

void ContactSheet::fetch()
{
    if (isHidden())
        return;
    if (stop_)
        *stop_ = true;
    stop_ = std::make_shared<std::atomic<bool>>(false);
    pictures_.clear();
    others_.clear();
    for (std::size_t i = 0; i < steps_.size(); ++i)
        steps_[i]->setChecked(spans[i] == step_);
    both_ = both_ && takes_.comparable();
    bothButton_->setChecked(both_);
    bothButton_->setEnabled(takes_.comparable());
    bothButton_->setToolTip(takes_.comparable()   ? tr("Each frame twice: left as the other take has it")
                            : takes_.other() >= 0 ? tr("The other take has other shots")
                                                  : tr("Keep a take first (Ctrl+1), then change something"));
    update();
    const std::string clip = session_.document.project().firstClip();
    if (!film_ || film_->path != clip) {
        film_ = std::make_shared<SharedFilm>();
        film_->path = clip;
    }
    auto work = std::make_shared<Work>();
    work->film = film_;
    work->project = session_.document.snapshot();
    work->motion = session_.document.sharedMotion();
    work->cover = session_.document.cover();
    work->other = both_ ? takes_.take(takes_.other()) : nullptr;
    work->layers = session_.film.viewLayers();
    work->view = session_.film.view();
    for (const std::int64_t frame : frames())
        if (frame >= 0 && frame < session_.document.length())
            work->frames.emplace_back(frame, session_.film.frames().cached(frame));
    work->width = static_cast<int>(cell(0).width() * devicePixelRatioF());
    work->stop = stop_;
    const QPointer<ContactSheet> self(this);
    inBackground([work, self] {
        if (*work->stop) // while it waited, something else was asked for
            return;
        const Project& project = *work->project;
        const int width = std::max(16, work->width);
        const int height = std::max(16, static_cast<int>(std::lround(1.0 * width * project.height / project.width)));
        for (const auto& [frame, decoded] : work->frames) {
            if (*work->stop)
                return;
            const ImagePtr source = decoded ? decoded : work->film->frame(frame, project);
            if (!source)
                continue;
            const auto moment = static_cast<FrameTime>(frame);
            const auto shaken = [&](const Project& of, const Motion& m, const Cover& c) {
                return toQImage(
                    renderForScreen(work->view.get(), source, lookOf(of, m, c, moment, work->layers), width, height));
            };
            const QImage now = shaken(project, *work->motion, work->cover);
            const QImage then =
                work->other ? shaken(*work->other->project, work->other->motion, work->other->cover) : QImage();
            onInterface(self, [stop = work->stop, at = frame, now, then](ContactSheet& sheet) {
                if (!*stop)
                    sheet.take(at, now, then);
            });
        }
    });
}

void ContactSheet::take(std::int64_t frame, const QImage& now, const QImage& then)
{
    pictures_[frame] = now;
    if (!then.isNull())
        others_[frame] = then;
    update();
}

void ContactSheet::paintCell(QPainter& p, int place, std::int64_t frame) const
{
    const Project& project = session_.document.project();
    const QRectF box = cell(place);
    const QRectF room = box.adjusted(0, 0, 0, -textHeight);
    const double shape = static_cast<double>(project.width) / project.height * (both_ ? 2 : 1);
    QSizeF size(room.width(), room.width() / shape);
    if (size.height() > room.height())
        size = {room.height() * shape, room.height()};
    const QRectF frameRect(QPointF(room.center().x() - size.width() / 2, room.center().y() - size.height() / 2), size);
    const auto paint = [&](const std::map<std::int64_t, QImage>& from, const QRectF& where, const Motion& motion) {
        const auto found = from.find(frame);
        if (found == from.end()) {
            p.fillRect(where, QColor(0x2c, 0x2c, 0x2c));
            return;
        }
        p.drawImage(where, found->second);
        // How far the middle is thrown, as an arrow from it.
        const Pose pose = motion.poseAt(static_cast<FrameTime>(frame));
        const QPointF from2 = where.center();
        const QPointF way = QPointF(pose.x, pose.y) * (where.width() / project.width);
        if (std::hypot(way.x(), way.y()) < 1)
            return;
        p.setPen(QPen(QColor(255, 255, 255, 230), 1.5));
        p.drawLine(from2, from2 + way);
        p.drawEllipse(from2 + way, 2.5, 2.5);
    };
    QRectF right = frameRect;
    if (both_) {
        const auto other = takes_.take(takes_.other());
        const QRectF left(frameRect.topLeft(), QSizeF(frameRect.width() / 2 - 1, frameRect.height()));
        right = left.translated(frameRect.width() / 2 + 1, 0);
        if (other)
            paint(others_, left, other->motion);
    }
    paint(pictures_, right, session_.document.motion());
    const bool here = frame == session_.playhead.frame();
    p.setBrush(Qt::NoBrush);
    if (here) {
        p.setPen(QPen(theme::copper, 2));
        p.drawRect(frameRect.adjusted(-2, -2, 2, 2));
    }
    const Pose pose = session_.document.motion().poseAt(static_cast<FrameTime>(frame));
    const auto from = frame - session_.selection.feltStrike()->frame.index;
    p.setFont(theme::numbers(12));
    p.setPen(here ? theme::copper : theme::onSurround);
    p.drawText(QRectF(box.left(), frameRect.bottom() + 1, box.width(), textHeight), Qt::AlignCenter,
               tr("%1%2   frame %3   %4")
                   .arg(from > 0 ? QStringLiteral("+") : QString())
                   .arg(from)
                   .arg(frame)
                   .arg(pose.atRest() ? tr("still") : tr("%1 px").arg(std::hypot(pose.x, pose.y), 0, 'f', 1)));
}

void ContactSheet::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    p.fillRect(rect(), theme::surround);
    p.fillRect(QRectF(0, 0, width(), barHeight), theme::panel);
    const auto shown = frames();
    for (std::size_t i = 0; i < shown.size(); ++i)
        if (shown[i] >= 0 && shown[i] < session_.document.length())
            paintCell(p, static_cast<int>(i), shown[i]);
}

void ContactSheet::mousePressEvent(QMouseEvent* event)
{
    const auto shown = frames();
    for (std::size_t i = 0; i < shown.size(); ++i)
        if (cell(static_cast<int>(i)).contains(event->position()) && shown[i] >= 0 &&
            shown[i] < session_.document.length())
            session_.playhead.setFrame(shown[i]);
}

bool ContactSheet::event(QEvent* event)
{
    if (event->type() == QEvent::ShortcutOverride) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Escape || key == Qt::Key_G || (key >= Qt::Key_1 && key <= Qt::Key_4))
            event->accept();
    }
    return QWidget::event(event);
}

void ContactSheet::keyPressEvent(QKeyEvent* event)
{
    const int key = event->key();
    if (key == Qt::Key_Escape || key == Qt::Key_G)
        toggle();
    else if (key >= Qt::Key_1 && key <= Qt::Key_4)
        setStep(spans[static_cast<std::size_t>(key - Qt::Key_1)]);
    else
        QWidget::keyPressEvent(event);
}

bool ContactSheet::eventFilter(QObject* watched, QEvent* event)
{
    if (event->type() == QEvent::Resize && watched == over_ && isVisible())
        lieOver();
    return QWidget::eventFilter(watched, event);
}

} // namespace ember::app
