// SPDX-License-Identifier: GPL-3.0-or-later
#include "render_panel.h"

#include <algorithm>
#include <cmath>

#include <QCheckBox>
#include <QComboBox>
#include <QFileInfo>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QProgressBar>
#include <QPushButton>
#include <QSignalBlocker>

#include "form.h"
#include "input_rules.h"
#include "text.h"
#include "theme.h"
#include "value_field.h"
#include "word_list.h"

namespace ember::app {

namespace {
const FieldSpec frameSpec{"frame", "Frame", "", 0, 100'000'000, 0, 1, "A frame of the film, counted from 0"};
enum RangeChoice { wholeRange, loopRange, ownRange };
} // namespace

RenderPanel::RenderPanel(Session& session, Dialogs& dialogs, QWidget* parent)
    : QWidget(parent), session_(session), dialogs_(dialogs), path_(new QLineEdit(this)), format_(new QComboBox(this)),
      range_(new QComboBox(this)), first_(new ValueField(frameSpec, this)), last_(new ValueField(frameSpec, this)),
      size_(new QComboBox(this)), replace_(new QCheckBox(tr("Replace a film that is there"), this)),
      start_(new QPushButton(tr("Render"), this)), cancel_(new QPushButton(tr("Cancel"), this)),
      bar_(new QProgressBar(this)), state_(new QLabel(this)), version_(new QComboBox(this)),
      quality_(new QComboBox(this)), depth_(new WordList(this)), coder_(new WordList(this)),
      resume_(new QCheckBox(tr("Continue: keep finished frames"), this)), list_(new QListWidget(this)),
      remove_(new QPushButton(tr("Remove from queue"), this))
{
    setObjectName(QStringLiteral("render-panel"));
    setProperty(escapeCloses, true);
    auto* column = newColumn(this, 5, {14, 8, 14, 8});
    auto* head = new QHBoxLayout;
    auto* title = new QLabel(tr("Render film"), this);
    title->setFont(theme::words(16, true));
    head->addWidget(title, 1);
    auto* back = new QPushButton(tr("Back to the strike"), this);
    back->setObjectName(QStringLiteral("render-back"));
    connect(back, &QPushButton::clicked, this, &RenderPanel::closed);
    head->addWidget(back);
    column->addLayout(head);

    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(12);
    grid->setVerticalSpacing(4);
    grid->setColumnStretch(1, 1);
    const auto name = [&](int row, const QString& text) {
        auto* label = new QLabel(text, this);
        theme::setDim(*label);
        grid->addWidget(label, row, 0);
    };
    name(0, tr("Kind"));
    format_->addItem(tr("MP4, sound in AAC"), QStringLiteral(".mp4"));
    format_->addItem(tr("MKV, sound in FLAC"), QStringLiteral(".mkv"));
    format_->addItem(tr("WebM, sound in Opus"), QStringLiteral(".webm"));
    format_->addItem(tr("MOV, sound in PCM"), QStringLiteral(".mov"));
    format_->addItem(tr("GIF, for a quick look, no sound"), QStringLiteral(".gif"));
    format_->addItem(tr("PNG, one for each frame, no sound"), QStringLiteral("_%05d.png"));
    format_->addItem(tr("TIFF, one for each frame, no sound"), QStringLiteral("_%05d.tif"));
    format_->addItem(tr("DPX, one for each frame, no sound"), QStringLiteral("_%05d.dpx"));
    format_->addItem(tr("OpenEXR, one for each frame, linear light"), QStringLiteral("_%05d.exr"));
    format_->setObjectName(QStringLiteral("render-format"));
    grid->addWidget(format_, 0, 1, 1, 2);
    name(1, tr("File"));
    path_->setObjectName(QStringLiteral("render-path"));
    path_->setAccessibleName(tr("File"));
    grid->addWidget(path_, 1, 1);
    auto* choose = new QPushButton(tr("Choose"), this);
    grid->addWidget(choose, 1, 2);
    name(2, tr("Frames"));
    range_->addItems({tr("The whole film"), tr("The loop"), tr("From … to …")});
    range_->setObjectName(QStringLiteral("render-range"));
    auto* ends = new QHBoxLayout;
    ends->addWidget(range_, 1);
    first_->setWhole(true);
    last_->setWhole(true);
    ends->addWidget(first_);
    ends->addWidget(new QLabel(tr("to"), this));
    ends->addWidget(last_);
    grid->addLayout(ends, 2, 1, 1, 2);
    version_->addItems({tr("full version"), tr("gentle version"), tr("both versions")});
    version_->setObjectName(QStringLiteral("render-version"));
    version_->setToolTip(tr("The gentle version is for those whom much motion harms; Comfort says what it keeps"));
    name(4, tr("Size"));
    size_->setObjectName(QStringLiteral("render-size"));
    auto* which = new QHBoxLayout;
    which->addWidget(size_, 1);
    which->addWidget(version_, 1);
    grid->addLayout(which, 4, 1, 1, 2);
    name(5, tr("Coding"));
    coder_->setObjectName(QStringLiteral("render-coder"));
    depth_->setObjectName(QStringLiteral("render-depth"));
    auto* coding = new QHBoxLayout;
    coding->addWidget(coder_, 3);
    coding->addWidget(depth_, 2);
    grid->addLayout(coding, 5, 1, 1, 2);
    name(6, tr("Quality"));
    quality_->addItems({tr("draft: small and quick"), tr("good"), tr("best: large and slow")});
    quality_->setCurrentIndex(static_cast<int>(FilmQuality::good));
    quality_->setObjectName(QStringLiteral("render-quality"));
    grid->addWidget(quality_, 6, 1, 1, 2);
    replace_->setObjectName(QStringLiteral("render-replace"));
    resume_->setObjectName(QStringLiteral("render-resume"));
    auto* there = newColumn(4);
    there->addWidget(replace_);
    there->addWidget(resume_);
    grid->addLayout(there, 7, 1, 1, 2);
    column->addLayout(grid);
    // Long words do not push the panel wider than its place; the open list shows them whole.
    for (QComboBox* list : {format_, range_, size_, version_, quality_, depth_, coder_}) {
        list->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
        list->setMinimumContentsLength(list == format_ ? 24 : 10);
    }

    auto* buttons = new QHBoxLayout;
    start_->setObjectName(QStringLiteral("render-start"));
    cancel_->setObjectName(QStringLiteral("render-cancel"));
    buttons->addWidget(start_);
    buttons->addWidget(cancel_);
    buttons->addWidget(bar_, 1);
    column->addLayout(buttons);
    bar_->setObjectName(QStringLiteral("render-bar"));
    bar_->setTextVisible(false);
    state_->setObjectName(QStringLiteral("render-state"));
    state_->setWordWrap(true);
    column->addWidget(state_);
    auto* next = new QHBoxLayout;
    auto* queued = new QLabel(tr("Queue"), this);
    queued->setFont(theme::words(13, true));
    next->addWidget(queued);
    next->addStretch(1);
    remove_->setObjectName(QStringLiteral("render-remove"));
    next->addWidget(remove_);
    column->addLayout(next);
    list_->setObjectName(QStringLiteral("render-queue"));
    list_->setAccessibleName(tr("Queue"));
    list_->setToolTip(tr("Renders in their order, each of the project as it was when added"));
    list_->setMinimumHeight(56);
    column->addWidget(list_, 1);
    connect(remove_, &QPushButton::clicked, this, &RenderPanel::removeSelected);
    connect(list_, &QListWidget::currentRowChanged, this, &RenderPanel::showState);

    connect(choose, &QPushButton::clicked, this, [this] {
        const QString chosen =
            dialogs_.saveFile(this, tr("Render to"), path_->text(),
                              tr("Films and pictures (*.mp4 *.mkv *.webm *.mov *.gif *.png *.tif *.dpx *.exr)"));
        if (!chosen.isEmpty())
            path_->setText(chosen);
    });
    connect(format_, &QComboBox::currentIndexChanged, this, [this] {
        QString path = path_->text();
        for (int i = 0; i < format_->count(); ++i)
            if (path.endsWith(format_->itemData(i).toString(), Qt::CaseInsensitive))
                path.chop(format_->itemData(i).toString().size());
        path_->setText(path + extension());
        showState();
    });
    connect(path_, &QLineEdit::textChanged, this, &RenderPanel::followPath);
    connect(coder_, &QComboBox::currentIndexChanged, this, &RenderPanel::showState);
    connect(range_, &QComboBox::currentIndexChanged, this, &RenderPanel::showState);
    for (auto* field : {first_, last_})
        connect(field, &ValueField::wished, this, [this, field](double value) {
            field->setValue(
                std::min(value, static_cast<double>(std::max<std::int64_t>(0, session_.document.length() - 1))));
            showState();
        });
    connect(start_, &QPushButton::clicked, this, &RenderPanel::start);
    connect(cancel_, &QPushButton::clicked, this, &RenderPanel::cancel);
    connect(&session_.file, &ProjectFile::opened, this, &RenderPanel::suggest);
    connect(&session_.film, &Film::edited, this, [this] {
        first_->setValue(0);
        last_->setValue(static_cast<double>(std::max<std::int64_t>(0, session_.document.length() - 1)));
    });
    connect(&session_.playhead, &Playhead::loopChanged, this, &RenderPanel::showState);
    suggest();
}

QString RenderPanel::extension() const
{
    return format_->currentData().toString();
}

void RenderPanel::suggest()
{
    const Project& project = session_.document.project();
    size_->clear();
    for (const double share : {1.0, 0.5, 0.25, 1.5, 2.0}) {
        const int width = static_cast<int>(std::lround(project.width * share));
        const int height = static_cast<int>(std::lround(project.height * share));
        size_->addItem(tr("%1 x %2").arg(width).arg(height), QSize(width, height));
    }
    first_->setValue(0);
    last_->setValue(static_cast<double>(std::max<std::int64_t>(0, session_.document.length() - 1)));
    if (!project.shots.empty()) {
        const QString from =
            session_.file.path().isEmpty() ? QString::fromStdString(project.firstClip()) : session_.file.path();
        const QFileInfo info(from);
        path_->setText(info.path() + QLatin1Char('/') + info.completeBaseName() + tr("-shaken") + extension());
    }
    if (!job_)
        state_->clear();
    bar_->setValue(0);
    showState();
}

ColourSpace RenderPanel::colour() const
{
    return session_.film.clipInfo() ? session_.film.clipInfo()->colour : ColourSpace();
}

Coder RenderPanel::coder() const
{
    return coder_->count() > 0 ? static_cast<Coder>(coder_->currentData().toInt()) : Coder::usual;
}

void RenderPanel::offerForms(std::optional<FilmFormat> format)
{
    const auto fill = [](QComboBox& list, const std::vector<std::pair<QString, int>>& items) {
        const QSignalBlocker block(list);
        const int chosen = list.currentData().toInt();
        list.clear();
        for (const auto& [text, form] : items)
            list.addItem(text, form);
        list.setCurrentIndex(std::max(0, list.findData(chosen)));
    };
    const auto label = [](Coder which) { return ours(coderWords[static_cast<std::size_t>(which)].label); };
    std::vector<std::pair<QString, int>> coders;
    for (const Coder each : format ? codersIn(*format) : std::vector{Coder::usual}) {
        const Coder usual = format ? coderFor(*format, each, colour()) : each;
        coders.emplace_back(each == Coder::usual && usual != each ? tr("usual: %1").arg(label(usual)) : label(each),
                            static_cast<int>(each));
    }
    fill(*coder_, coders);
    constexpr int asTheClip = 0;
    std::vector<std::pair<QString, int>> depths{{tr("as the clip"), asTheClip}};
    if (format != FilmFormat::exrSequence)
        depths.emplace_back(tr("8 bits"), static_cast<int>(Depth::eight));
    depths.emplace_back(format == FilmFormat::exrSequence ? tr("16 bits (half floats)") : tr("16 bits"),
                        static_cast<int>(Depth::sixteen));
    if (format == FilmFormat::exrSequence)
        depths.emplace_back(tr("32 bits (floats)"), static_cast<int>(Depth::single));
    fill(*depth_, depths);
}

void RenderPanel::showState()
{
    const bool own = range_->currentIndex() == ownRange;
    for (auto* field : {first_, last_})
        field->setBarred(own ? QString() : tr("Choose \"From … to …\" above to set these frames"));
    const auto format = filmFormatOf(path_->text().toStdString());
    offerForms(format);
    coder_->setEnabled(coder_->count() > 1);
    coder_->setToolTip(coder_->isEnabled() ? tr("How the pictures are coded")
                                           : tr("Pictures and GIF are coded in one way only"));
    depth_->setEnabled(format && holdsDepth(*format, coder()));
    depth_->setToolTip(depth_->isEnabled()         ? tr("Bits of each channel")
                       : format == FilmFormat::gif ? tr("GIF holds 256 colours")
                                                   : tr("This coding says how many bits it holds"));
    const Coder used = format ? coderFor(*format, coder(), colour()) : Coder::usual;
    const bool coded = used != Coder::usual && used != Coder::ffv1 && used != Coder::dnxhrHqx;
    quality_->setEnabled(coded);
    quality_->setToolTip(coded ? tr("How large the film is and how long its coding takes")
                               : tr("This kind has one quality only"));
    resume_->setEnabled(format && isSequence(*format));
    resume_->setToolTip(resume_->isEnabled() ? tr("Goes on with an interrupted render; finished frames stay")
                                             : tr("Only numbered pictures can be gone on with"));
    const QString reason = whyNot();
    start_->setEnabled(reason.isEmpty());
    start_->setText(running() ? tr("Add to queue") : tr("Render"));
    start_->setToolTip(!reason.isEmpty() ? reason
                       : running()       ? tr("Renders this when what is before it is done (Ctrl+R)")
                                         : tr("Renders the film (Ctrl+R)"));
    if (!running() && (!reason.isEmpty() || state_->text() == saidReason_))
        state_->setText(reason); // beside the button, too: a tooltip is found late
    saidReason_ = reason;
    cancel_->setEnabled(running());
    cancel_->setToolTip(running() ? tr("Stops and leaves no file behind; the next of the queue begins")
                                  : tr("No render is running"));
    const int row = list_->currentRow();
    const bool waits = row >= 0 && static_cast<std::size_t>(row) < queue_.size() &&
                       queue_[static_cast<std::size_t>(row)].state != State::running;
    remove_->setEnabled(waits);
    remove_->setToolTip(waits ? tr("Removes this entry; no file is touched")
                              : tr("Choose a line of the queue that is not running"));
}

QString RenderPanel::whyNot() const
{
    if (session_.document.project().shots.empty())
        return tr("Open a clip first.");
    if (!session_.film.hasClip())
        return session_.film.clipTrouble().isEmpty() ? tr("The clip is not there yet.") : session_.film.clipTrouble();
    if (path_->text().trimmed().isEmpty())
        return tr("Say which file the film is written to.");
    if (!filmFormatOf(path_->text().toStdString()))
        return tr("No kind of film ends like this file: use .mp4, .mkv, .webm, .mov, .gif, .png, .tif, .dpx or .exr.");
    if (range_->currentIndex() == loopRange && !session_.playhead.loop().set())
        return tr("There is no loop. Drag one out on the Reel's ruler with Shift, or choose other frames.");
    if (range_->currentIndex() == ownRange && first_->value() > last_->value())
        return tr("The first frame is after the last.");
    return {};
}

void RenderPanel::takeFocus()
{
    if (start_->isEnabled())
        start_->setFocus(Qt::ShortcutFocusReason);
    else
        path_->setFocus(Qt::ShortcutFocusReason);
}

void RenderPanel::followPath()
{
    const auto kindOf = [](const QString& ending) { return filmFormatOf("film" + ending.toStdString()); };
    const auto kind = filmFormatOf(path_->text().toStdString());
    for (int i = 0; i < format_->count(); ++i)
        if (kind && kindOf(format_->itemData(i).toString()) == kind && kindOf(extension()) != kind) {
            const QSignalBlocker block(format_); // the path is as it was typed
            format_->setCurrentIndex(i);
        }
    showState();
}

void RenderPanel::start()
{
    if (const QString reason = whyNot(); !reason.isEmpty()) {
        state_->setText(reason);
        return;
    }
    RenderOptions options = wholeFilm(session_.document.project());
    if (range_->currentIndex() == loopRange) {
        options.first = Frame{session_.playhead.loop().first};
        options.last = Frame{session_.playhead.loop().last};
    } else if (range_->currentIndex() == ownRange) {
        options.first = Frame{static_cast<std::int64_t>(first_->value())};
        options.last = Frame{static_cast<std::int64_t>(last_->value())};
    }
    const QSize size = size_->currentData().toSize();
    options.width = size.width();
    options.height = size.height();
    options.overwrite = replace_->isChecked();
    options.projectPath = session_.file.path().toStdString();
    options.resume = resume_->isChecked() && resume_->isEnabled();
    options.quality = static_cast<FilmQuality>(quality_->currentIndex());
    options.coder = coder();
    if (depth_->isEnabled() && depth_->currentIndex() > 0)
        options.depth = static_cast<Depth>(depth_->currentData().toInt());
    enum { full, gentle, both };
    const int version = version_->currentIndex();
    const QString path = path_->text();
    QString beside = path; // "-gentle" before the ending and the number
    const QString suffix = path.endsWith(extension()) ? extension() : QString();
    beside.chop(suffix.size());
    beside += tr("-gentle") + suffix;
    if (version != gentle)
        enqueue(session_.document.project(), path, options);
    if (version != full)
        enqueue(gentled(session_.document.project()), version == both ? beside : path, options);
    if (running()) {
        emit session_.messages.told(tr("Queued: %1").arg(path));
        showQueue();
    } else {
        beginNext();
    }
}

void RenderPanel::enqueue(Project project, const QString& out, const RenderOptions& options)
{
    queue_.push_back({std::move(project), out, options});
}

void RenderPanel::beginNext()
{
    const auto next =
        std::find_if(queue_.begin(), queue_.end(), [](const Entry& e) { return e.state == State::waiting; });
    if (next != queue_.end()) {
        next->state = State::running;
        current_ = static_cast<std::size_t>(next - queue_.begin());
        state_->setText(tr("Starting"));
        bar_->setRange(0, static_cast<int>(next->options.last - next->options.first + 1));
        bar_->setValue(0);
        job_ = std::make_unique<RenderJob>(next->project, next->out, next->options);
        connect(job_.get(), &RenderJob::progressed, this, &RenderPanel::follow);
        connect(job_.get(), &RenderJob::finished, this, &RenderPanel::finish);
        job_->start();
    }
    showQueue();
}

void RenderPanel::showQueue()
{
    const auto words = [](State state) {
        switch (state) {
        case State::waiting: return tr("waiting");
        case State::running: return tr("running");
        case State::done: return tr("done");
        case State::failed: break;
        }
        return tr("not made");
    };
    const int row = list_->currentRow();
    list_->clear();
    for (const Entry& entry : queue_)
        list_->addItem(tr("%1: %2, frames %3 to %4")
                           .arg(words(entry.state), QFileInfo(entry.out).fileName())
                           .arg(entry.options.first.index)
                           .arg(entry.options.last.index));
    list_->setCurrentRow(std::min(row, list_->count() - 1));
    showState();
}

void RenderPanel::removeSelected()
{
    const auto row = static_cast<std::size_t>(list_->currentRow());
    if (list_->currentRow() < 0 || row >= queue_.size() || queue_[row].state == State::running)
        return;
    queue_.erase(queue_.begin() + list_->currentRow());
    if (running() && row < current_)
        --current_;
    showQueue();
}

void RenderPanel::cancelAll()
{
    std::erase_if(queue_, [](const Entry& entry) { return entry.state == State::waiting; });
    cancel();
    showQueue();
}

void RenderPanel::cancel()
{
    if (job_) {
        job_->cancel();
        state_->setText(tr("Stopping"));
    }
}

void RenderPanel::follow(const RenderProgress& progress)
{
    if (!job_)
        return;
    bar_->setValue(static_cast<int>(progress.done));
    state_->setText(tr("Frame %1 of %2, %3 frames/s, %4 s left")
                        .arg(progress.done)
                        .arg(progress.total)
                        .arg(progress.framesPerSecond, 0, 'f', 1)
                        .arg(std::ceil(progress.secondsLeft)));
}

void RenderPanel::finish(bool ok, bool cancelled, const QString& text)
{
    if (job_)
        job_.release()->deleteLater();
    Entry& entry = queue_[current_];
    entry.state = ok ? State::done : State::failed;
    entry.project = {}; // no longer needed
    const QString out = entry.out;
    if (ok) {
        const QString done = tr("Film written: %1").arg(out);
        state_->setText(text.isEmpty() ? done : done + QLatin1Char('\n') + text);
        emit session_.messages.told(done);
    } else {
        bar_->setValue(0);
        const QString left = entry.options.resume ? tr("Cancelled. The pictures that are made stay.")
                                                  : tr("Cancelled. No file was left behind.");
        state_->setText(cancelled ? left : text);
        if (!cancelled)
            emit session_.messages.trouble(text);
    }
    beginNext();
}

} // namespace ember::app
