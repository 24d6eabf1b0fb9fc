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
#include <QProgressBar>
#include <QPushButton>
#include <QSignalBlocker>

#include "ember/media/clip.h"
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
enum VersionChoice { fullVersion, gentleVersion, bothVersions };
} // namespace

RenderPanel::RenderPanel(Session& session, Dialogs& dialogs, QWidget* parent)
    : QWidget(parent), session_(session), dialogs_(dialogs), path_(new QLineEdit(this)),
      presetName_(new QComboBox(this)), savePreset_(new QPushButton(tr("Save"), this)),
      removePreset_(new QPushButton(tr("Remove"), this)), format_(new QComboBox(this)), range_(new QComboBox(this)),
      first_(new ValueField(frameSpec, this)), last_(new ValueField(frameSpec, this)), size_(new QComboBox(this)),
      replace_(new QCheckBox(tr("Replace a film that is there"), this)), start_(new QPushButton(tr("Render"), this)),
      later_(new QPushButton(tr("Add to queue"), this)), cancel_(new QPushButton(tr("Cancel"), this)),
      bar_(new QProgressBar(this)), state_(new QLabel(this)), version_(new QComboBox(this)),
      quality_(new QComboBox(this)), depth_(new WordList(this)), coder_(new WordList(this)),
      resume_(new QCheckBox(tr("Continue: keep finished frames"), this)), list_(new FileListWidget(this)),
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
    name(0, tr("Preset"));
    presetName_->setObjectName(QStringLiteral("render-preset"));
    presetName_->setAccessibleName(tr("Preset"));
    presetName_->setEditable(true);
    presetName_->setInsertPolicy(QComboBox::NoInsert);
    presetName_->lineEdit()->setPlaceholderText(tr("none"));
    presetName_->lineEdit()->setMaxLength(60);
    presetName_->setToolTip(tr("Your own ways to render, for every project: choose one, or type a name and save"));
    savePreset_->setObjectName(QStringLiteral("render-preset-save"));
    removePreset_->setObjectName(QStringLiteral("render-preset-remove"));
    auto* presets = new QHBoxLayout;
    presets->addWidget(presetName_, 1);
    presets->addWidget(savePreset_);
    presets->addWidget(removePreset_);
    grid->addLayout(presets, 0, 1, 1, 2);
    name(1, tr("Kind"));
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
    grid->addWidget(format_, 1, 1, 1, 2);
    name(2, tr("File"));
    path_->setObjectName(QStringLiteral("render-path"));
    path_->setAccessibleName(tr("File"));
    grid->addWidget(path_, 2, 1);
    auto* choose = new QPushButton(tr("Choose"), this);
    grid->addWidget(choose, 2, 2);
    name(3, tr("Frames"));
    range_->addItems({tr("The whole film"), tr("The loop"), tr("From … to …")});
    range_->setObjectName(QStringLiteral("render-range"));
    auto* ends = new QHBoxLayout;
    ends->addWidget(range_, 1);
    first_->setWhole(true);
    last_->setWhole(true);
    ends->addWidget(first_);
    ends->addWidget(new QLabel(tr("to"), this));
    ends->addWidget(last_);
    grid->addLayout(ends, 3, 1, 1, 2);
    version_->addItems({tr("full version"), tr("gentle version"), tr("both versions")});
    version_->setObjectName(QStringLiteral("render-version"));
    version_->setToolTip(tr("The gentle version is for those whom much motion harms; Comfort says what it keeps"));
    name(5, tr("Size"));
    size_->setObjectName(QStringLiteral("render-size"));
    auto* which = new QHBoxLayout;
    which->addWidget(size_, 1);
    which->addWidget(version_, 1);
    grid->addLayout(which, 5, 1, 1, 2);
    name(6, tr("Coding"));
    coder_->setObjectName(QStringLiteral("render-coder"));
    depth_->setObjectName(QStringLiteral("render-depth"));
    auto* coding = new QHBoxLayout;
    coding->addWidget(coder_, 3);
    coding->addWidget(depth_, 2);
    grid->addLayout(coding, 6, 1, 1, 2);
    name(7, tr("Quality"));
    quality_->addItems({tr("draft: small and quick"), tr("good"), tr("best: large and slow")});
    quality_->setCurrentIndex(static_cast<int>(FilmQuality::good));
    quality_->setObjectName(QStringLiteral("render-quality"));
    grid->addWidget(quality_, 7, 1, 1, 2);
    replace_->setObjectName(QStringLiteral("render-replace"));
    resume_->setObjectName(QStringLiteral("render-resume"));
    auto* there = newColumn(4);
    there->addWidget(replace_);
    there->addWidget(resume_);
    grid->addLayout(there, 8, 1, 1, 2);
    column->addLayout(grid);
    // Long words do not push the panel wider than its place; the open list shows them whole.
    for (QComboBox* list : {presetName_, format_, range_, size_, version_, quality_, depth_, coder_}) {
        list->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
        list->setMinimumContentsLength(list == format_ ? 24 : 10);
    }

    auto* buttons = new QHBoxLayout;
    start_->setObjectName(QStringLiteral("render-start"));
    cancel_->setObjectName(QStringLiteral("render-cancel"));
    buttons->addWidget(start_);
    later_->setObjectName(QStringLiteral("render-later"));
    buttons->addWidget(later_);
    buttons->addWidget(cancel_);
    buttons->addStretch(1);
    column->addLayout(buttons);
    column->addWidget(bar_);
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
    list_->setToolTip(tr("Renders in their order, each of the project as it was when added. Drag a film that is done "
                         "into another program."));
    list_->setMinimumHeight(56);
    list_->fileOf = [this](const QListWidgetItem& item) {
        const Entry& entry = queue_[static_cast<std::size_t>(list_->row(&item))];
        if (entry.state != State::done)
            return QString();
        const auto files = filesOfClip(entry.file.path); // of numbered pictures the first: it stands for the series
        return files.empty() ? QString() : toQString(files.front());
    };
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
    connect(later_, &QPushButton::clicked, this, qOverload<>(&RenderPanel::enqueue));
    connect(savePreset_, &QPushButton::clicked, this, &RenderPanel::savePreset);
    connect(removePreset_, &QPushButton::clicked, this, &RenderPanel::removePreset);
    connect(presetName_, &QComboBox::activated, this, [this](int index) {
        if (index >= 0 && static_cast<std::size_t>(index) < presets_.size())
            takePreset(presets_[static_cast<std::size_t>(index)]);
    });
    connect(presetName_, &QComboBox::editTextChanged, this, &RenderPanel::showState);
    for (QComboBox* list : {size_, version_, quality_, depth_})
        connect(list, &QComboBox::currentIndexChanged, this, &RenderPanel::showState);
    connect(cancel_, &QPushButton::clicked, this, &RenderPanel::cancel);
    connect(&session_.file, &ProjectFile::opened, this, &RenderPanel::suggest);
    connect(&session_.film, &Film::edited, this, [this] {
        first_->setValue(0);
        last_->setValue(static_cast<double>(std::max<std::int64_t>(0, session_.document.length() - 1)));
    });
    connect(&session_.playhead, &Playhead::loopChanged, this, &RenderPanel::showState);
    if (auto known = loadOutputPresets(outputPresetsPath()))
        presets_ = std::move(known).value();
    else
        emit session_.messages.trouble(said(known.error()));
    offerPresets();
    suggest();
}

QString RenderPanel::extension() const
{
    return format_->currentData().toString();
}

void RenderPanel::suggest()
{
    const Project& project = session_.document.project();
    const double chosen = size_->count() > 0 ? size_->currentData().toDouble() : 1.0;
    size_->clear();
    for (const double share : {1.0, 0.5, 0.25, 1.5, 2.0})
        addSize(share);
    if (size_->findData(chosen) < 0)
        addSize(chosen);
    size_->setCurrentIndex(size_->findData(chosen));
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

void RenderPanel::addSize(double share)
{
    OutputPreset preset;
    preset.size = share;
    const RenderForm form = formOf(preset, session_.document.project());
    size_->addItem(tr("%1 x %2").arg(form.width).arg(form.height), share);
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
                                           : tr("GIF and pictures but OpenEXR are coded in one way only"));
    depth_->setEnabled(format && holdsDepth(*format, coder()));
    depth_->setToolTip(depth_->isEnabled()         ? tr("Bits of each channel")
                       : format == FilmFormat::gif ? tr("GIF holds 256 colours")
                                                   : tr("This coding says how many bits it holds"));
    const Coder used = format ? coderFor(*format, coder(), colour()) : Coder::usual;
    const bool coded =
        format && !isSequence(*format) && used != Coder::usual && used != Coder::ffv1 && used != Coder::dnxhrHqx;
    quality_->setEnabled(coded);
    quality_->setToolTip(coded ? tr("How large the film is and how long its coding takes")
                               : tr("This kind has one quality only"));
    resume_->setEnabled(format && isSequence(*format));
    resume_->setToolTip(resume_->isEnabled() ? tr("Goes on with an interrupted render; finished frames stay")
                                             : tr("Only numbered pictures can be gone on with"));
    const QString reason = whyNot();
    const auto queued =
        std::count_if(queue_.begin(), queue_.end(), [](const Entry& entry) { return entry.state == State::waiting; });
    const bool known = !running() && waiting(path_->text());
    start_->setEnabled(reason.isEmpty() || known);
    start_->setText(running() ? tr("Add to queue") : known ? tr("Render queue") : tr("Render"));
    start_->setToolTip(running() && reason.isEmpty() ? tr("Renders this when what is before it is done (Ctrl+R)")
                       : known                       ? tr("Renders what waits in the queue (Ctrl+R)")
                       : !reason.isEmpty()           ? reason
                       : queued > 0                  ? tr("Renders this and what waits in the queue (Ctrl+R)")
                                                     : tr("Renders the film (Ctrl+R)"));
    later_->setVisible(!running());
    bar_->setVisible(running());
    later_->setEnabled(reason.isEmpty() && !known);
    later_->setToolTip(!reason.isEmpty() ? reason
                       : known           ? tr("A film of this name waits in the queue already")
                               : tr("Waits in the queue: films of the same frames that wait are rendered in one pass"));
    const QString named = presetName_->currentText().trimmed();
    const OutputPreset* saved = presetNamed(presets_, named.toStdString());
    const bool same = saved != nullptr && *saved == preset(named);
    savePreset_->setEnabled(!named.isEmpty() && !same && format.has_value());
    savePreset_->setToolTip(named.isEmpty()    ? tr("Type a name first")
                            : !format          ? tr("The file's name says no kind of film")
                            : same             ? tr("This preset is as it was saved")
                            : saved != nullptr ? tr("Replaces the preset “%1” by what is set here").arg(named)
                                               : tr("Saves what is set here as “%1”, for every project").arg(named));
    removePreset_->setEnabled(saved != nullptr);
    removePreset_->setToolTip(saved != nullptr ? tr("Removes the preset “%1”").arg(named)
                                               : tr("No preset has this name"));
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

bool RenderPanel::Entry::goesWith(const Entry& other) const
{
    return !alone && !other.alone && options.first == other.options.first && options.last == other.options.last &&
           options.overwrite == other.options.overwrite && !options.resume && !other.options.resume &&
           file.path != other.file.path && project == other.project;
}

bool RenderPanel::waiting(const QString& out) const
{
    return std::any_of(queue_.begin(), queue_.end(), [&](const Entry& entry) {
        return entry.state == State::waiting && entry.file.path == out.toStdString();
    });
}

void RenderPanel::start()
{
    const bool known = !running() && waiting(path_->text());
    if (const QString reason = whyNot(); !reason.isEmpty() && !known) {
        state_->setText(reason);
        return;
    }
    if (!known)
        enqueue();
    if (!running())
        beginNext();
}

void RenderPanel::enqueue()
{
    RenderOptions options = wholeFilm(session_.document.project());
    if (range_->currentIndex() == loopRange) {
        options.first = Frame{session_.playhead.loop().first};
        options.last = Frame{session_.playhead.loop().last};
    } else if (range_->currentIndex() == ownRange) {
        options.first = Frame{static_cast<std::int64_t>(first_->value())};
        options.last = Frame{static_cast<std::int64_t>(last_->value())};
    }
    options.form = formOf(preset({}), session_.document.project());
    options.overwrite = replace_->isChecked();
    options.projectPath = session_.file.path().toStdString();
    options.resume = resume_->isChecked() && resume_->isEnabled();
    const QString path = path_->text();
    QString beside = path; // "-gentle" before the ending and the number
    const QString suffix = path.endsWith(extension()) ? extension() : QString();
    beside.chop(suffix.size());
    beside += tr("-gentle") + suffix;
    const int version = version_->currentIndex();
    if (version != gentleVersion)
        enqueue(session_.document.project(), path, options);
    if (version != fullVersion)
        enqueue(gentled(session_.document.project()), version == bothVersions ? beside : path, options);
    emit session_.messages.told(tr("Queued: %1").arg(path));
    showQueue();
}

void RenderPanel::enqueue(Project project, const QString& out, const RenderOptions& options)
{
    queue_.push_back({std::move(project), {out.toStdString(), options.form}, options});
}

void RenderPanel::beginNext()
{
    current_.clear();
    const auto next =
        std::find_if(queue_.begin(), queue_.end(), [](const Entry& e) { return e.state == State::waiting; });
    if (next != queue_.end()) {
        const Entry& first = *next;
        std::vector<RenderFile> files;
        for (std::size_t i = 0; i < queue_.size(); ++i) {
            Entry& entry = queue_[i];
            if (&entry != &first && (entry.state != State::waiting || !entry.goesWith(first)))
                continue;
            entry.state = State::running;
            current_.push_back(i);
            files.push_back(entry.file);
        }
        state_->setText(tr("Starting"));
        bar_->setRange(0, static_cast<int>(first.options.last.index - first.options.first.index + 1));
        bar_->setValue(0);
        job_ = std::make_unique<RenderJob>(first.project, std::move(files), first.options);
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
                           .arg(words(entry.state), QFileInfo(QString::fromStdString(entry.file.path)).fileName())
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
    for (std::size_t& current : current_)
        current -= row < current ? 1 : 0;
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

QString RenderPanel::tell(Entry& entry, const RenderOutcome& outcome)
{
    entry.state = outcome.ok ? State::done : State::failed;
    entry.project = {}; // no longer needed
    if (outcome.ok) {
        const QString done = tr("Film written: %1").arg(QString::fromStdString(entry.file.path));
        emit session_.messages.told(done);
        return outcome.text.isEmpty() ? done : done + QLatin1Char('\n') + outcome.text;
    }
    if (outcome.cancelled)
        return entry.options.resume ? tr("Cancelled. The pictures that are made stay.")
                                    : tr("Cancelled. No file was left behind.");
    emit session_.messages.trouble(outcome.text);
    return outcome.text;
}

void RenderPanel::finish(const std::vector<RenderOutcome>& outcomes, bool begun)
{
    if (job_)
        job_.release()->deleteLater();
    if (!begun && current_.size() > 1) { // what stands in the way of one is not the others' fault
        for (const std::size_t i : current_) {
            queue_[i].state = State::waiting;
            queue_[i].alone = true;
        }
        beginNext();
        return;
    }
    QStringList texts;
    for (std::size_t i = 0; i < current_.size(); ++i)
        if (const QString text = tell(queue_[current_[i]], outcomes[i]); !texts.contains(text))
            texts << text;
    state_->setText(texts.join(QLatin1Char('\n')));
    if (std::none_of(outcomes.begin(), outcomes.end(), [](const RenderOutcome& o) { return o.ok; }))
        bar_->setValue(0);
    beginNext();
}

OutputPreset RenderPanel::preset(const QString& name) const
{
    OutputPreset preset;
    preset.name = name.toStdString();
    preset.ending = extension().toStdString();
    preset.size = size_->currentData().toDouble();
    preset.quality = static_cast<FilmQuality>(quality_->currentIndex());
    preset.coder = coder();
    if (depth_->isEnabled() && depth_->currentIndex() > 0)
        preset.depth = static_cast<Depth>(depth_->currentData().toInt());
    preset.gentle = version_->currentIndex() == gentleVersion;
    return preset;
}

void RenderPanel::takePreset(const OutputPreset& preset)
{
    const QString name = QString::fromStdString(preset.name);
    format_->setCurrentIndex(std::max(0, format_->findData(QString::fromStdString(preset.ending))));
    coder_->setCurrentIndex(std::max(0, coder_->findData(static_cast<int>(preset.coder))));
    depth_->setCurrentIndex(preset.depth ? std::max(0, depth_->findData(static_cast<int>(*preset.depth))) : 0);
    quality_->setCurrentIndex(static_cast<int>(preset.quality));
    version_->setCurrentIndex(preset.gentle ? gentleVersion : fullVersion);
    int size = size_->findData(preset.size);
    if (size < 0) {
        addSize(preset.size);
        size = size_->count() - 1;
    }
    size_->setCurrentIndex(size);
    presetName_->setEditText(name);
    showState();
}

void RenderPanel::offerPresets()
{
    const QSignalBlocker block(presetName_);
    const QString typed = presetName_->currentText();
    presetName_->clear();
    for (const OutputPreset& preset : presets_)
        presetName_->addItem(QString::fromStdString(preset.name));
    presetName_->setCurrentIndex(-1);
    presetName_->setEditText(typed);
}

void RenderPanel::savePreset()
{
    const OutputPreset now = preset(presetName_->currentText().trimmed());
    OutputPresets next = presets_;
    const auto place =
        std::find_if(next.begin(), next.end(), [&](const OutputPreset& p) { return p.name == now.name; });
    if (place != next.end())
        *place = now;
    else
        next.push_back(now);
    if (const Status saved = saveOutputPresets(next, outputPresetsPath()); !saved) {
        emit session_.messages.trouble(said(saved.error()));
        return;
    }
    presets_ = std::move(next);
    offerPresets();
    showState();
    emit session_.messages.told(tr("Preset saved: %1").arg(QString::fromStdString(now.name)));
}

void RenderPanel::removePreset()
{
    const std::string name = presetName_->currentText().trimmed().toStdString();
    OutputPresets next = presets_;
    std::erase_if(next, [&](const OutputPreset& p) { return p.name == name; });
    if (const Status saved = saveOutputPresets(next, outputPresetsPath()); !saved) {
        emit session_.messages.trouble(said(saved.error()));
        return;
    }
    presets_ = std::move(next);
    offerPresets();
    presetName_->setEditText(QString());
    showState();
    emit session_.messages.told(tr("Preset removed: %1").arg(QString::fromStdString(name)));
}

} // namespace ember::app
