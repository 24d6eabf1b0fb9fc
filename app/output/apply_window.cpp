// SPDX-License-Identifier: GPL-3.0-or-later
#include "apply_window.h"

#include <algorithm>

#include <QCheckBox>
#include <QComboBox>
#include <QDragEnterEvent>
#include <QFileInfo>
#include <QFormLayout>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QMimeData>
#include <QProgressBar>
#include <QPushButton>
#include <QScrollArea>

#include "ember/core/shown_text.h"
#include "ember/files/whole_file.h"
#include "form.h"
#include "text.h"
#include "theme.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

namespace {

enum ClipColumn { clipColumn, strikesColumn, stateColumn };

const FieldSpec sensitivityField{
    "sensitivity", "Sensitivity", "%", 0, 1, 0.5, 0.05, "0 finds only what stands out most, 100 everything"};

QFormLayout* newForm()
{
    auto* form = new QFormLayout;
    form->setVerticalSpacing(6);
    form->setHorizontalSpacing(12);
    return form;
}

constexpr const char* filmEndings[]{"", ".mp4", ".mkv", ".webm", ".mov"};

} // namespace

ApplyWindow::ApplyWindow(Session& session, Dialogs& dialogs, QWidget* parent)
    : QDialog(parent), session_(session), dialogs_(dialogs)
{
    setObjectName(QStringLiteral("apply-window"));
    setWindowTitle(tr("Apply to clips"));
    setAcceptDrops(true);
    resize(1040, 560);
    auto* row = newRow(this, 16, {16, 12, 16, 12});
    row->addWidget(buildChoices());
    row->addWidget(buildClips(), 1);
    for (auto* button : findChildren<QPushButton*>()) // Enter in a field is the field's
        button->setAutoDefault(false);
    connect(&run_, &ApplyRun::changed, this, &ApplyWindow::showClips);
    connect(&run_, &ApplyRun::progressed, this, [this](int at) {
        showRow(at);
        showState();
    });
    for (auto* list : {part_, strikes_, from_, film_})
        connect(list, &QComboBox::currentIndexChanged, this, &ApplyWindow::showChoices);
    connect(folder_, &QLineEdit::textChanged, this, &ApplyWindow::showState);
    for (auto* box : {replace_, watch_})
        connect(box, &QCheckBox::toggled, this, &ApplyWindow::showState);
    connect(&session_.file, &ProjectFile::opened, this, &ApplyWindow::showChoices);
    connect(&session_.document, &OpenDocument::changed, this, &ApplyWindow::showState);
    connect(&session_.book, &BookShelf::changed, this, &ApplyWindow::showState);
    showChoices();
    showClips();
}

QComboBox* ApplyWindow::choice(QFormLayout* form, const QString& label, const char* name, const QStringList& words,
                               const QString& tip)
{
    auto* list = new QComboBox(this);
    list->setObjectName(QLatin1String(name));
    list->addItems(words);
    list->setToolTip(tip);
    list->setProperty("tip", tip);
    list->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    list->setMinimumContentsLength(18);
    form->addRow(label, list);
    return list;
}

QWidget* ApplyWindow::buildChoices()
{
    auto* page = new QWidget(this);
    auto* column = newColumn(page, 8, {0, 0, 8, 0});
    auto* what = newForm();
    pattern_ = choice(what, tr("Apply"), "apply-pattern", {tr("this project"), tr("my recipe book"), tr("a file …")},
                      tr("What is applied to the clips. A file is a project or exported recipes."));
    connect(pattern_, &QComboBox::activated, this, &ApplyWindow::choosePattern);
    part_ = choice(what, tr("Scope"), "apply-part", {tr("everything"), tr("recipes only"), tr("finish only")},
                   tr("Everything is recipes, finish, overlap, groups, drift, intensity, places, gentle version and "
                      "colours. Shots, sounds and keys of the intensity stay with their own film."));
    column->addLayout(what);
    column->addWidget(rule(page));
    column->addWidget(partName(tr("Strikes"), page));
    auto* strikes = newForm();
    strikes_ = choice(strikes, tr("Strikes"), "apply-strikes",
                      {tr("found in each clip"), tr("the project's, at their seconds"), tr("none")},
                      tr("Found strikes use the recipe that most strikes of their kind use"));
    from_ = choice(strikes, tr("Evidence"), "apply-from", {tr("sound and picture"), tr("sound"), tr("picture")},
                   tr("Where strikes are looked for"));
    sensitivity_ = new ValueField(sensitivityField, this);
    sensitivity_->setObjectName(QStringLiteral("apply-sensitivity"));
    sensitivity_->setMinimumWidth(110);
    sensitivity_->setValue(sensitivityField.fallback);
    connect(sensitivity_, &ValueField::wished, this,
            [this](double value) { sensitivity_->setValue(clampTo(sensitivityField, value)); });
    strikes->addRow(tr("Sensitivity"), sensitivity_);
    column->addLayout(strikes);
    column->addWidget(rule(page));
    column->addWidget(partName(tr("Files"), page));
    auto* files = newForm();
    folder_ = new QLineEdit(this);
    folder_->setObjectName(QStringLiteral("apply-folder"));
    folder_->setAccessibleName(tr("Folder"));
    folder_->setPlaceholderText(tr("beside each clip"));
    folder_->setToolTip(tr("Where projects and films are written: CLIP.vember and CLIP-shaken"));
    auto* where = newRow(4);
    where->addWidget(folder_, 1);
    auto* choose = smallButton(tr("Choose"), QStringLiteral("apply-choose-folder"), {}, this);
    connect(choose, &QPushButton::clicked, this, [this] {
        if (const QString chosen = dialogs_.openFolder(this, tr("Folder for projects and films")); !chosen.isEmpty())
            folder_->setText(chosen);
    });
    where->addWidget(choose);
    files->addRow(tr("Folder"), where);
    film_ = choice(files, tr("Film"), "apply-film", {tr("not rendered"), tr("MP4"), tr("MKV"), tr("WebM"), tr("MOV")},
                   tr("Renders each film too, at its own size; other ways to render are in each project"));
    column->addLayout(files);
    replace_ = new QCheckBox(tr("Replace projects and films that exist"), this);
    replace_->setObjectName(QStringLiteral("apply-replace"));
    replace_->setToolTip(tr("Never this project, a clip, or anything they read"));
    column->addWidget(replace_);
    watch_ = new QCheckBox(tr("Watch the folders until stopped"), this);
    watch_->setObjectName(QStringLiteral("apply-watch"));
    watch_->setToolTip(tr("Clips that come into the added folders are done when they are copied whole; those that have "
                          "a project are left"));
    column->addWidget(watch_);
    column->addStretch(1);
    QScrollArea* area = scrolling(page);
    area->setFixedWidth(352);
    return area;
}

QWidget* ApplyWindow::buildClips()
{
    auto* page = new QWidget(this);
    auto* column = newColumn(page, 8, {0, 0, 0, 0});
    auto* head = newRow(4);
    head->addWidget(partName(tr("Clips"), page));
    head->addStretch(1);
    auto* add = smallButton(tr("Add clips"), QStringLiteral("apply-add"), tr("Or drop clips and folders here"), page);
    connect(add, &QPushButton::clicked, this,
            [this] { addClips(dialogs_.openFiles(this, tr("Add clips"), filter::clips())); });
    auto* folder =
        smallButton(tr("Add folder"), QStringLiteral("apply-add-folder"), tr("All films directly in a folder"), page);
    connect(folder, &QPushButton::clicked, this, [this] {
        if (const QString chosen = dialogs_.openFolder(this, tr("Add the films of a folder")); !chosen.isEmpty())
            addClips({chosen});
    });
    remove_ = smallButton(tr("Remove"), QStringLiteral("apply-remove"), {}, page);
    connect(remove_, &QPushButton::clicked, this, [this] { run_.remove(chosen()); });
    for (auto* button : {add, folder, remove_})
        head->addWidget(button);
    column->addLayout(head);
    table_ = new FileTableWidget(page);
    table_->setColumnCount(3);
    table_->setObjectName(QStringLiteral("apply-clips"));
    table_->setAccessibleName(tr("Clips"));
    table_->setHorizontalHeaderLabels({tr("Clip"), tr("Strikes"), tr("State")});
    table_->horizontalHeader()->setSectionResizeMode(stateColumn, QHeaderView::Stretch);
    table_->horizontalHeader()->resizeSection(clipColumn, 220);
    table_->horizontalHeader()->resizeSection(strikesColumn, 64);
    table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    table_->verticalHeader()->hide();
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setShowGrid(false);
    table_->setWordWrap(true);
    table_->setTextElideMode(Qt::ElideMiddle);
    table_->fileOf = [this](const QTableWidgetItem& item) {
        const ApplyRun::Clip& clip = run_.clips()[static_cast<std::size_t>(item.row())];
        return clip.state != ApplyRun::State::done
                   ? QString()
                   : toQString(clip.made.film.empty() ? clip.made.project : clip.made.film);
    };
    connect(table_, &QTableWidget::cellActivated, this, &ApplyWindow::openChosen);
    connect(table_, &QTableWidget::itemSelectionChanged, this, &ApplyWindow::showState);
    column->addWidget(table_, 1);
    bar_ = new QProgressBar(page);
    bar_->setObjectName(QStringLiteral("apply-bar"));
    bar_->setTextVisible(false);
    bar_->setRange(0, 1000);
    column->addWidget(bar_);
    state_ = new QLabel(page);
    state_->setObjectName(QStringLiteral("apply-state"));
    state_->setWordWrap(true);
    column->addWidget(state_);
    told_ = new QLabel(page);
    told_->setObjectName(QStringLiteral("apply-told"));
    told_->setWordWrap(true);
    told_->hide();
    column->addWidget(told_);
    auto* buttons = newRow(8);
    start_ = new QPushButton(tr("Apply"), page);
    start_->setObjectName(QStringLiteral("apply-start"));
    stop_ = new QPushButton(tr("Stop"), page);
    stop_->setObjectName(QStringLiteral("apply-stop"));
    open_ = new QPushButton(tr("Open project"), page);
    open_->setObjectName(QStringLiteral("apply-open"));
    report_ = new QPushButton(tr("Save report"), page);
    report_->setObjectName(QStringLiteral("apply-report"));
    for (auto* button : {start_, stop_, open_, report_})
        buttons->addWidget(button);
    buttons->addStretch(1);
    auto* close = new QPushButton(tr("Close"), page);
    buttons->addWidget(close);
    column->addLayout(buttons);
    connect(start_, &QPushButton::clicked, this, &ApplyWindow::start);
    connect(stop_, &QPushButton::clicked, this, [this] { run_.stop(); });
    connect(open_, &QPushButton::clicked, this, &ApplyWindow::openChosen);
    connect(report_, &QPushButton::clicked, this, &ApplyWindow::saveReport);
    connect(close, &QPushButton::clicked, this, &QDialog::close);
    return page;
}

void ApplyWindow::showEvent(QShowEvent* event)
{
    QDialog::showEvent(event);
    showState();
}

void ApplyWindow::dragEnterEvent(QDragEnterEvent* event)
{
    if (event->mimeData()->hasUrls() && event->source() == nullptr) // not what was made here
        event->acceptProposedAction();
}

void ApplyWindow::dropEvent(QDropEvent* event)
{
    event->acceptProposedAction();
    QStringList paths;
    for (const QUrl& url : event->mimeData()->urls())
        if (url.isLocalFile())
            paths.append(url.toLocalFile());
    addClips(paths);
}

// --- what is applied ---

void ApplyWindow::choosePattern(int index)
{
    if (index == file) {
        const QString path =
            dialogs_.openFile(this, tr("A project or recipes"), tr("Projects and recipes (*.vember *.json)"));
        if (!path.isEmpty()) {
            auto loaded = loadPattern(path.toStdString());
            if (loaded)
                filePattern_ = std::move(loaded).value();
            else
                tell(said(loaded.error()), true);
        }
        if (!filePattern_)
            pattern_->setCurrentIndex(thisProject);
        else
            pattern_->setItemText(file, QFileInfo(toQString(filePattern_->path)).fileName());
    }
    showChoices();
}

std::optional<Pattern> ApplyWindow::pattern() const
{
    switch (pattern_->currentIndex()) {
    case thisProject: return Pattern{session_.document.project(), {}, session_.file.path().toStdString()};
    case ownBook: return Pattern{{}, session_.book.entries(), {}};
    default: return filePattern_;
    }
}

ApplyOptions ApplyWindow::options() const
{
    ApplyOptions options;
    options.pattern.part = static_cast<PatternPart>(part_->currentIndex());
    options.pattern.strikes = static_cast<PatternStrikes>(strikes_->currentIndex());
    constexpr FindFrom from[]{FindFrom::both, FindFrom::sound, FindFrom::picture};
    options.pattern.find.from = from[std::max(0, from_->currentIndex())];
    options.pattern.find.sensitivity = sensitivity_->value();
    options.folder = folder_->text().trimmed().toStdString();
    options.filmEnding = filmEndings[std::max(0, film_->currentIndex())];
    options.overwrite = replace_->isChecked();
    options.replacing = tr("tick \"%1\" to replace it").arg(replace_->text()).toStdString();
    return options;
}

QString ApplyWindow::whyNot() const
{
    if (run_.running())
        return tr("It is running.");
    if (pattern_->currentIndex() == thisProject && session_.document.project().shots.empty())
        return tr("Open a project first, or apply a file.");
    if (pattern_->currentIndex() == ownBook && session_.book.entries().empty())
        return tr("Your recipe book is empty.");
    if (const QString folder = folder_->text().trimmed(); !folder.isEmpty() && !QFileInfo(folder).isDir())
        return tr("There is no folder %1.").arg(folder);
    if (!run_.anyLeft() && !watch_->isChecked())
        return run_.clips().empty() ? tr("Add clips first.") : tr("All clips are done.");
    return {};
}

void ApplyWindow::start()
{
    tell({}, false);
    if (auto applied = pattern(); applied && whyNot().isEmpty())
        run_.start(std::move(*applied), options(), watch_->isChecked());
}

// --- clips ---

void ApplyWindow::addClips(const QStringList& paths)
{
    std::vector<std::string> clips;
    for (const QString& path : paths)
        if (QFileInfo(path).isDir())
            run_.addFolder(path.toStdString());
        else
            clips.push_back(path.toStdString());
    run_.add(clips);
}

std::set<std::size_t> ApplyWindow::chosen() const
{
    std::set<std::size_t> rows;
    for (const QModelIndex& index : table_->selectionModel()->selectedRows())
        rows.insert(static_cast<std::size_t>(index.row()));
    return rows;
}

void ApplyWindow::openChosen()
{
    for (const std::size_t row : chosen())
        if (const ApplyRun::Clip& clip = run_.clips()[row]; clip.state == ApplyRun::State::done) {
            emit openWished(toQString(clip.made.project));
            return;
        }
}

void ApplyWindow::saveReport()
{
    const std::string& first = run_.clips().front().path;
    const QString folder = folder_->text().trimmed().isEmpty() ? QFileInfo(toQString(first)).path() : folder_->text();
    QString path = dialogs_.saveFile(this, tr("Save the report as"), folder + QStringLiteral("/applied.tsv"),
                                     tr("Tables (*.tsv)"));
    if (path.isEmpty())
        return;
    if (QFileInfo(path).suffix().isEmpty())
        path += QStringLiteral(".tsv");
    OutputGuard inputs;
    std::string text = "clip\tproject\tstrikes\tfilm\tstate\n";
    for (std::size_t row = 0; row < run_.clips().size(); ++row) {
        const ApplyRun::Clip& clip = run_.clips()[row];
        const bool done = clip.state == ApplyRun::State::done;
        for (const std::string& kept : {clip.path, clip.made.project, clip.made.film})
            inputs.protect(kept, tr("one of the files it tells of").toStdString());
        text += shownText(clip.path) + '\t' + shownText(clip.made.project) + '\t' +
                (done ? std::to_string(clip.made.strikes) : std::string()) + '\t' + shownText(clip.made.film) + '\t' +
                shownText(table_->item(static_cast<int>(row), stateColumn)->text().toStdString()) + '\n';
    }
    Status saved = inputs.mayWrite(path.toStdString(), true, {});
    if (saved)
        saved = session_.file.mayWrite(path);
    if (saved)
        saved = writeFileSafely(path.toStdString(), text);
    if (saved)
        tell(tr("Report saved: %1").arg(path), false);
    else
        tell(said(saved.error()), true);
}

// --- what is shown ---

void ApplyWindow::tell(const QString& text, bool trouble)
{
    told_->setText(text);
    theme::setDim(*told_, !trouble);
    told_->setVisible(!text.isEmpty());
}

void ApplyWindow::showChoices()
{
    const bool recipes = pattern_->currentIndex() == ownBook ||
                         (pattern_->currentIndex() == file && filePattern_ && !filePattern_->recipes.empty());
    if (recipes) {
        const QSignalBlocker quiet(part_);
        part_->setCurrentIndex(static_cast<int>(PatternPart::recipes));
    }
    const auto allowList = [](QComboBox& list, const QString& why) {
        list.setEnabled(why.isEmpty());
        list.setToolTip(why.isEmpty() ? list.property("tip").toString() : why);
    };
    allowList(*part_, recipes ? tr("Recipes hold nothing else") : QString());
    const bool found = strikes_->currentIndex() == static_cast<int>(PatternStrikes::found);
    const QString only = found ? QString() : tr("Only strikes that are found have these");
    allowList(*from_, only);
    sensitivity_->setBarred(only);
    showState();
}

void ApplyWindow::showClips()
{
    const auto rows = static_cast<int>(run_.clips().size());
    if (table_->rowCount() != rows) {
        table_->clearSelection();
        table_->setRowCount(rows);
    }
    for (int row = 0; row < rows; ++row)
        showRow(row);
    showState();
}

void ApplyWindow::showRow(int row)
{
    const ApplyRun::Clip& clip = run_.clips()[static_cast<std::size_t>(row)];
    const auto state = [&] {
        switch (clip.state) {
        case ApplyRun::State::waiting: return tr("waiting");
        case ApplyRun::State::running:
            return (clip.step == ApplyStep::rendering ? tr("rendering, %1 %") : tr("analysing, %1 %"))
                .arg(static_cast<int>(100 * clip.share));
        case ApplyRun::State::done:
            return clip.made.film.empty() ? tr("project made") : tr("project made and film rendered");
        case ApplyRun::State::stopped: return tr("stopped");
        case ApplyRun::State::failed: break;
        }
        return clip.trouble;
    };
    const bool done = clip.state == ApplyRun::State::done;
    const QString path = toQString(clip.path);
    const QString made = !done
                             ? QString()
                             : QLatin1Char('\n') + tr("Made: %1").arg(toQString(clip.made.project)) +
                                   (clip.made.film.empty() ? QString() : QLatin1Char('\n') + toQString(clip.made.film));
    const auto put = [&](int column, const QString& text, const QString& tip) {
        QTableWidgetItem* item = table_->item(row, column);
        if (item == nullptr)
            table_->setItem(row, column, item = new QTableWidgetItem);
        if (item->text() != text)
            item->setText(text);
        item->setToolTip(tip);
    };
    put(clipColumn, QFileInfo(path).fileName(), path + made);
    put(strikesColumn, done ? QString::number(clip.made.strikes) : QString(), {});
    table_->item(row, strikesColumn)->setFont(theme::numbers(12));
    put(stateColumn, state(), state());
    if (clip.state != ApplyRun::State::running)
        table_->resizeRowToContents(row);
}

void ApplyWindow::showState()
{
    const auto& clips = run_.clips();
    double share = 0;
    int done = 0;
    int failed = 0;
    for (const ApplyRun::Clip& clip : clips) {
        const bool render = film_->currentIndex() > 0;
        done += clip.state == ApplyRun::State::done ? 1 : 0;
        failed += clip.state == ApplyRun::State::failed ? 1 : 0;
        if (clip.state == ApplyRun::State::done || clip.state == ApplyRun::State::failed)
            share += 1;
        else if (clip.state == ApplyRun::State::running)
            share += !render ? clip.share : (clip.share + (clip.step == ApplyStep::rendering ? 1 : 0)) / 2;
    }
    bar_->setValue(clips.empty() ? 0 : static_cast<int>(1000 * share / static_cast<double>(clips.size())));
    bar_->setVisible(run_.running());
    const QString why = whyNot();
    allow(start_, why);
    allow(stop_, run_.running() ? QString() : tr("Nothing is running"));
    QString text = clips.empty() ? why : tr("%1 of %2 clips done").arg(done).arg(clips.size());
    if (failed > 0)
        text += tr(", %1 failed").arg(failed);
    if (run_.running() && run_.watching())
        text += tr("; watching the folders");
    state_->setText(text);
    theme::setDim(*state_, failed == 0);
    const std::set<std::size_t> rows = chosen();
    const auto any = [&](auto which) { return std::any_of(rows.begin(), rows.end(), which); };
    allow(remove_, rows.empty() ? tr("Choose lines of the list first") : QString());
    allow(open_, any([&](std::size_t row) { return row < clips.size() && clips[row].state == ApplyRun::State::done; })
                     ? QString()
                     : tr("Choose a clip that is done"));
    if (open_->isEnabled())
        open_->setToolTip(tr("Opens its project here (Enter). Drag a line into another program: its film, or its "
                             "project."));
    allow(report_, clips.empty() ? tr("There is nothing to tell of") : QString());
}

} // namespace ember::app
