// SPDX-License-Identifier: GPL-3.0-or-later
#include "motion_export_window.h"

#include <QApplication>
#include <QClipboard>
#include <QComboBox>
#include <QFileInfo>
#include <QFormLayout>
#include <QLabel>
#include <QLocale>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QScrollArea>
#include <QStackedWidget>

#include "ember/project/file.h"
#include "form.h"
#include "text.h"
#include "theme.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

namespace {

struct FormatRow {
    HandFormat format;
    const char* title;
    const char* tip;
};
constexpr FormatRow formats[]{
    {HandFormat::csv, QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "Table (CSV)"),
     QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "A row for each frame, or for each key")},
    {HandFormat::json, QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "Table with its conventions (JSON)"),
     QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "The same numbers, and in words how they are meant")},
    {HandFormat::gltf, QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "Camera (glTF 2.0)"),
     QT_TRANSLATE_NOOP("ember::app::MotionExportWindow",
                       "An animated camera before the picture's plane, for 3D programs")},
    {HandFormat::usd, QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "Scene (USD, as text)"),
     QT_TRANSLATE_NOOP("ember::app::MotionExportWindow",
                       "A camera or a plane that shakes, for 3D and compositing programs")},
    {HandFormat::otio, QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "Timeline (OpenTimelineIO)"),
     QT_TRANSLATE_NOOP("ember::app::MotionExportWindow",
                       "Shots as clips with their motion, strikes as markers, for editing programs")},
    {HandFormat::css, QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "Style sheet (CSS)"),
     QT_TRANSLATE_NOOP("ember::app::MotionExportWindow",
                       "Keyframes for an element, with the gentle version for those who wish for less motion")},
    {HandFormat::page, QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "Page that plays it (HTML)"),
     QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "The style sheet on a frame of the film")},
    {HandFormat::svg, QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "Moving drawing (SVG)"),
     QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "A frame of the film that moves by itself")},
    {HandFormat::lottie, QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "Animation (Lottie)"),
     QT_TRANSLATE_NOOP("ember::app::MotionExportWindow",
                       "A null layer that shakes, with a frame of the film as its child, for pages and apps")},
    {HandFormat::vtt, QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "Cues (WebVTT)"),
     QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "Strikes as cues with their strength")},
    {HandFormat::midi, QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "Notes (MIDI)"),
     QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "Strikes as notes with their strength")},
    {HandFormat::sheet, QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "Shake sheet (PDF, SVG, PNG)"),
     QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "One page on a strike, for whoever must rebuild it by hand")},
    {HandFormat::recipe, QT_TRANSLATE_NOOP("ember::app::MotionExportWindow", "Recipe for playback (JSON)"),
     QT_TRANSLATE_NOOP("ember::app::MotionExportWindow",
                       "For games and pages: played by the header or the module in the folder runtime")},
};

const FieldSpec pixelsField{"pixels", "Position tolerance", "px", 0.001, 100, 0.1, 0.05, "How far x and y may be off"};
const FieldSpec degreesField{"degrees", "Angle tolerance", "°", 0.0001, 45, 0.02, 0.01, "How far angles may be off"};
const FieldSpec zoomField{"zoom", "Size tolerance", "%", 0.00001, 0.5, 0.0005, 0.0005, "How far the size may be off"};
const FieldSpec offsetField{"offset",  "Frame offset",
                            "",        -1'000'000,
                            1'000'000, 0,
                            1,         "Added to the frames' numbers, where the other program counts from another one",
                            {},        true};
const FieldSpec lensField{
    "lens", "Lens", "°", 1,
    170,    50,     1,   "Of the camera, across the picture; 50 also shows pan and tilt as they are here"};
const FieldSpec widthField{"width", "Picture width",
                           "m",     0.001,
                           100'000, 16,
                           1,       "How wide the picture stands before the camera, in metres or the program's units"};

constexpr int mostShown = 12'000; // bytes of a text

/// A sheet as a picture; of all strikes' the first.
Result<Handed> sheetShown(const Project& project, HandingOn wish)
{
    const bool film = wish.part.of == HandedOf::film;
    if (film && !project.strikes.empty())
        wish.part = {HandedOf::strike, project.strikes.front().id};
    auto made = handed(project, HandFormat::sheet, wish, ".png");
    if (made && film)
        made.value().note =
            "A page for each of " + std::to_string(project.strikes.size()) + " strikes (PDF); the first:";
    return made;
}

} // namespace

MotionExportWindow::MotionExportWindow(Session& session, Dialogs& dialogs, QWidget* parent)
    : QDialog(parent), session_(session), dialogs_(dialogs)
{
    setObjectName(QStringLiteral("hand-window"));
    setWindowTitle(tr("Export motion"));
    resize(1080, 660);
    auto* row = newRow(this, 16, {16, 12, 16, 12});
    row->addWidget(buildChoices());
    row->addWidget(buildPreview(), 1);
    for (auto* combo : findChildren<QComboBox*>())
        connect(combo, &QComboBox::currentIndexChanged, this, &MotionExportWindow::refresh);
    for (auto* button : {cover_, gentle_})
        connect(button, &QPushButton::toggled, this, &MotionExportWindow::refresh);
    for (auto* button : findChildren<QPushButton*>()) // Enter in a field is the field's
        button->setAutoDefault(false);
    connect(&session_.document, &OpenDocument::changed, this, &MotionExportWindow::refresh);
    connect(&session_.selection, &Selection::changed, this, &MotionExportWindow::refresh);
    connect(&session_.file, &ProjectFile::opened, this, &MotionExportWindow::refresh);
    connect(&session_.playhead, &Playhead::moved, this, [this] {
        if (part_->currentIndex() == static_cast<int>(HandedOf::shot))
            refresh();
    });
}

QComboBox* MotionExportWindow::choice(QFormLayout* form, const QString& label, const QString& name,
                                      const QStringList& words, const QString& tip)
{
    auto* combo = new QComboBox(this);
    combo->setObjectName(name);
    combo->addItems(words);
    combo->setToolTip(tip);
    combo->setProperty("tip", tip);
    form->addRow(label, combo);
    return combo;
}

ValueField* MotionExportWindow::number(QFormLayout* form, const QString& name, const FieldSpec& spec, double value)
{
    auto* field = new ValueField(spec, this);
    field->setObjectName(name);
    field->setMinimumWidth(110);
    field->setWhole(spec.whole);
    field->setValue(value);
    connect(field, &ValueField::wished, this, [this, field, spec](double wanted) {
        field->setValue(clampTo(spec, wanted));
        refresh();
    });
    form->addRow(ours(spec.label), field);
    return field;
}

QPushButton* MotionExportWindow::toggle(const QString& text, const QString& name, const QString& tip)
{
    auto* button = smallToggle(text, name, tip, this);
    button->setProperty("tip", tip);
    return button;
}

QWidget* MotionExportWindow::buildChoices()
{
    auto* page = new QWidget(this);
    auto* column = newColumn(page, 8, {0, 0, 8, 0});
    auto* form = new QFormLayout;
    form->setVerticalSpacing(6);
    form->setHorizontalSpacing(12);
    QStringList titles;
    for (const FormatRow& one : formats)
        titles.append(tr(one.title));
    format_ = choice(form, tr("Format"), QStringLiteral("hand-format"), titles, tr("The file format"));
    for (int i = 0; i < format_->count(); ++i)
        format_->setItemData(i, tr(formats[i].tip), Qt::ToolTipRole);
    part_ = choice(form, tr("Scope"), QStringLiteral("hand-part"),
                   {tr("the film"), tr("the shot at the playhead"), tr("the selected strike"), tr("its recipe")},
                   tr("A strike alone, with nothing else that shakes; a recipe as one strike of 100 %"));
    column->addLayout(form);
    column->addWidget(rule(page));
    column->addWidget(partName(tr("Keys"), page));
    auto* keys = new QFormLayout;
    keys->setVerticalSpacing(4);
    keys_ = choice(keys, tr("How many"), QStringLiteral("hand-keys"), {tr("one on every frame"), tr("the fewest")},
                   tr("The fewest are far easier to edit by hand"));
    pixels_ = number(keys, QStringLiteral("hand-pixels"), pixelsField, pixelsField.fallback);
    degrees_ = number(keys, QStringLiteral("hand-degrees"), degreesField, degreesField.fallback);
    zoom_ = number(keys, QStringLiteral("hand-zoom"), zoomField, zoomField.fallback);
    offset_ = number(keys, QStringLiteral("hand-offset"), offsetField, 0);
    column->addLayout(keys);
    column->addWidget(rule(page));
    column->addWidget(partName(tr("Coordinates"), page));
    auto* told = new QFormLayout;
    told->setVerticalSpacing(4);
    as_ = choice(told, tr("Target"), QStringLiteral("hand-as"), {tr("the layer"), tr("the camera")},
                 tr("The picture itself about its middle, or a camera before a still picture"));
    values_ = choice(told, tr("Values"), QStringLiteral("hand-values"),
                     {tr("offset from rest"), tr("absolute position, with the shot's move")},
                     tr("Added to whatever moves it already, or in place of it"));
    up_ = choice(told, tr("y"), QStringLiteral("hand-up"), {tr("down"), tr("up")}, tr("Which way y grows there"));
    lens_ = number(told, QStringLiteral("hand-lens"), lensField, lensField.fallback);
    width_ = number(told, QStringLiteral("hand-width"), widthField, widthField.fallback);
    column->addLayout(told);
    auto* switches = new QHBoxLayout;
    cover_ = toggle(tr("With cover"), QStringLiteral("hand-cover"),
                    tr("The zoom that hides the border is part of the motion"));
    gentle_ =
        toggle(tr("Gentle version"), QStringLiteral("hand-gentle"), tr("The gentle version, by the limits of Comfort"));
    switches->addWidget(cover_);
    switches->addWidget(gentle_);
    switches->addStretch(1);
    column->addLayout(switches);
    column->addStretch(1);
    QScrollArea* area = scrolling(page);
    area->setFixedWidth(380);
    return area;
}

QWidget* MotionExportWindow::buildPreview()
{
    auto* page = new QWidget(this);
    auto* column = newColumn(page, 8, {0, 0, 0, 0});
    summary_ = new QLabel(page);
    summary_->setObjectName(QStringLiteral("hand-summary"));
    summary_->setWordWrap(true);
    column->addWidget(summary_);
    shown_ = new QStackedWidget(page);
    text_ = new QPlainTextEdit(page);
    text_->setObjectName(QStringLiteral("hand-text"));
    text_->setReadOnly(true);
    text_->setLineWrapMode(QPlainTextEdit::NoWrap);
    text_->setFont(theme::numbers(12));
    text_->setAccessibleName(tr("The beginning of what will be written"));
    page_ = new QLabel(page);
    page_->setObjectName(QStringLiteral("hand-page"));
    page_->setAlignment(Qt::AlignCenter);
    page_->setMinimumSize(200, 150);
    page_->setAccessibleName(tr("The shake sheet"));
    shown_->addWidget(text_);
    shown_->addWidget(page_);
    column->addWidget(shown_, 1);
    told_ = new QLabel(page);
    told_->setObjectName(QStringLiteral("hand-told"));
    told_->setWordWrap(true);
    column->addWidget(told_);
    auto* buttons = new QHBoxLayout;
    write_ = new QPushButton(tr("Write to a file"), page);
    write_->setObjectName(QStringLiteral("hand-write"));
    copy_ = new QPushButton(tr("Copy"), page);
    copy_->setObjectName(QStringLiteral("hand-copy"));
    all_ = new QPushButton(tr("Write all"), page);
    all_->setObjectName(QStringLiteral("hand-all"));
    for (auto* button : {write_, copy_, all_})
        buttons->addWidget(button);
    buttons->addStretch(1);
    auto* close = new QPushButton(tr("Close"), page);
    buttons->addWidget(close);
    column->addLayout(buttons);
    connect(write_, &QPushButton::clicked, this, &MotionExportWindow::write);
    connect(all_, &QPushButton::clicked, this, &MotionExportWindow::writeAll);
    connect(copy_, &QPushButton::clicked, this, &MotionExportWindow::copy);
    connect(close, &QPushButton::clicked, this, &QDialog::close);
    return page;
}

HandFormat MotionExportWindow::format() const
{
    return formats[std::max(0, format_->currentIndex())].format;
}

std::optional<HandingOn> MotionExportWindow::how(QString& whyNot) const
{
    HandingOn wish;
    const auto of = isOfFilm(format()) ? HandedOf::film : static_cast<HandedOf>(part_->currentIndex());
    wish.part.of = of;
    const StrikeIds& chosen = session_.selection.ids();
    const Strike* strike = chosen.empty() ? nullptr : session_.document.project().strike(chosen.front());
    if (session_.document.project().shots.empty()) {
        whyNot = tr("Open a clip first.");
        return std::nullopt;
    }
    if ((of == HandedOf::strike || of == HandedOf::recipe) && strike == nullptr) {
        whyNot = tr("Select a strike on the Reel first.");
        return std::nullopt;
    }
    if (of == HandedOf::strike)
        wish.part.id = strike->id;
    else if (of == HandedOf::recipe)
        wish.part.id = strike->recipe;
    else if (of == HandedOf::shot) {
        const auto here = session_.shots.shotHere();
        wish.part.id = here ? session_.document.project().shots[here->index].id : 0;
    }
    wish.as = as_->currentIndex() == 1 ? HandedAs::camera : HandedAs::layer;
    wish.absolute = values_->currentIndex() == 1;
    wish.yUp = up_->currentIndex() == 1;
    wish.cover = cover_->isChecked();
    wish.gentle = gentle_->isChecked();
    wish.frameOffset = static_cast<std::int64_t>(offset_->value());
    if (keys_->currentIndex() == 1)
        wish.sparse = KeyTolerance{pixels_->value(), degrees_->value(), zoom_->value()};
    wish.lens = lens_->value();
    wish.planeWidth = width_->value();
    return wish;
}

void MotionExportWindow::showChoices()
{
    const HandFormat chosen = format();
    const bool motion = tellsMotion(chosen);
    const auto only = onlyAs(chosen);
    const bool table = chosen == HandFormat::csv || chosen == HandFormat::json || chosen == HandFormat::otio;
    const auto may = [](QWidget* control, const QString& whyNot) {
        control->setEnabled(whyNot.isEmpty());
        control->setToolTip(whyNot.isEmpty() ? control->property("tip").toString() : whyNot);
    };
    may(part_, isOfFilm(chosen) ? tr("This format is of the whole film") : QString());
    const QString none = motion             ? QString()
                         : isOfFilm(chosen) ? tr("Cues and notes tell when something strikes, not how it moves")
                                            : tr("A sheet and a recipe tell the shake itself, not its keys");
    may(keys_, none);
    may(as_, !none.isEmpty()            ? none
             : only == HandedAs::camera ? tr("glTF moves a camera")
             : only == HandedAs::layer  ? tr("This format moves a layer")
                                        : QString());
    if (only)
        as_->setCurrentIndex(*only == HandedAs::camera ? 1 : 0);
    may(values_, none);
    may(up_, !none.isEmpty() ? none : table ? QString() : tr("The format itself says which way y grows"));
    may(cover_, none);
    may(gentle_, chosen == HandFormat::recipe ? tr("A recipe carries both versions")
                 : isOfFilm(chosen)           ? none
                                              : QString());
    const bool few = none.isEmpty() && keys_->currentIndex() == 1;
    for (ValueField* field : {pixels_, degrees_, zoom_})
        field->setBarred(few ? QString() : !none.isEmpty() ? none : tr("Choose the fewest keys above"));
    offset_->setBarred(none);
    const bool scene = none.isEmpty() && (as_->currentIndex() == 1 || chosen == HandFormat::usd);
    for (ValueField* field : {lens_, width_})
        field->setBarred(scene ? QString() : !none.isEmpty() ? none : tr("Only a camera has these"));
}

void MotionExportWindow::showText(const QString& head, const QString& summary)
{
    shown_->setCurrentWidget(text_);
    text_->setPlainText(head);
    summary_->setText(summary);
}

void MotionExportWindow::showEvent(QShowEvent* event)
{
    QDialog::showEvent(event);
    refresh();
}

void MotionExportWindow::refresh()
{
    if (!isVisible())
        return;
    {
        const QSignalBlocker quiet(as_);
        showChoices();
    }
    tell({}, false);
    QString whyNot;
    const auto wish = how(whyNot);
    const HandFormat chosen = format();
    const bool folder = chosen == HandFormat::sheet || chosen == HandFormat::recipe;
    const bool many = chosen == HandFormat::sheet ? !session_.document.project().strikes.empty()
                                                  : !session_.document.project().recipes.empty();
    allow(all_, folder ? (many ? QString() : tr("There is none in the project"))
                       : tr("Only sheets and recipes are written one for each"));
    if (folder && many)
        all_->setToolTip(chosen == HandFormat::sheet ? tr("A sheet for each strike, into a folder")
                                                     : tr("Each recipe of the project, into a folder"));
    bytes_.clear();
    allow(write_, whyNot.isEmpty() ? tr("It is being made") : whyNot);
    allow(copy_, whyNot.isEmpty() ? tr("It is being made") : whyNot);
    if (!wish) {
        work_.cancel();
        showText({}, whyNot);
        return;
    }
    summary_->setText(tr("Making it …"));
    work_.order([this, chosen, wish = *wish, project = session_.document.snapshot()](const std::atomic<bool>& stop) {
        auto made = std::make_shared<Result<Handed>>(
            chosen == HandFormat::sheet ? sheetShown(*project, wish)
                                        : handed(*project, chosen, wish, {}, [&stop] { return stop.load(); }));
        return [this, chosen, made] {
            if (!*made) {
                const QString why = said(made->error());
                showText({}, why);
                allow(write_, why);
                allow(copy_, why);
                return;
            }
            bytes_ = std::move(made->value().bytes);
            const QString note = said(made->value().note);
            const QString size =
                QLocale(QLocale::C).formattedDataSize(static_cast<qint64>(bytes_.size()), 1, QLocale::DataSizeSIFormat);
            allow(write_, {});
            write_->setToolTip(tr("Chooses a file and writes it"));
            const bool text = chosen != HandFormat::sheet && chosen != HandFormat::midi;
            allow(copy_, text ? QString() : tr("This is no text"));
            if (text)
                copy_->setToolTip(tr("Puts the whole text on the clipboard"));
            if (chosen == HandFormat::sheet) {
                QPixmap sheet;
                sheet.loadFromData(reinterpret_cast<const uchar*>(bytes_.data()), static_cast<uint>(bytes_.size()));
                const double ratio = devicePixelRatioF();
                sheet = sheet.scaled(shown_->size() * ratio, Qt::KeepAspectRatio, Qt::SmoothTransformation);
                sheet.setDevicePixelRatio(ratio);
                page_->setPixmap(sheet);
                shown_->setCurrentWidget(page_);
                summary_->setText(note);
                return;
            }
            QString head = chosen == HandFormat::midi ? tr("Bytes of a Standard MIDI file: they cannot be read here.")
                                                      : toQString(std::string_view(bytes_).substr(0, mostShown));
            if (text && bytes_.size() > mostShown)
                head += QStringLiteral("\n…");
            showText(head, note.isEmpty() ? size : note + QStringLiteral(" ") + size);
        };
    });
}

void MotionExportWindow::tell(const QString& text, bool trouble)
{
    told_->setText(text);
    theme::setDim(*told_, !trouble);
    told_->setFont(theme::words(13, trouble));
    told_->setVisible(!text.isEmpty());
}

void MotionExportWindow::write()
{
    QString whyNot;
    const auto wish = how(whyNot);
    if (!wish)
        return;
    const HandFormat chosen = format();
    const QString ending = toQString(endingOf(chosen));
    const QString from =
        session_.file.path().isEmpty() ? toQString(session_.document.project().firstClip()) : session_.file.path();
    const Strike* strike =
        wish->part.of == HandedOf::strike ? session_.document.project().strike(wish->part.id) : nullptr;
    const Recipe* recipe =
        wish->part.of == HandedOf::recipe ? session_.document.project().recipe(wish->part.id) : nullptr;
    const std::string own = strike != nullptr
                                ? (strike->name.empty() ? std::string(kindName(strike->kind)) : strike->name)
                            : recipe != nullptr ? recipe->name
                                                : std::string();
    const QString suggested = QFileInfo(from).path() + QLatin1Char('/') +
                              (own.empty() ? QFileInfo(from).completeBaseName() : toQString(slugOf(own))) + ending;
    const QString filter = chosen == HandFormat::sheet ? tr("Shake sheets (*.pdf *.svg *.png)")
                                                       : tr("%1 (*%2)").arg(format_->currentText(), ending);
    QString path = dialogs_.saveFile(this, tr("Export motion to"), suggested, filter);
    if (path.isEmpty())
        return;
    if (QFileInfo(path).suffix().isEmpty())
        path += ending;
    // The chooser has asked whether a file that is there may be replaced.
    const std::string out = path.toStdString();
    if (const Status may = mayBeWritten(session_.document.project(), out, true, session_.file.path().toStdString());
        !may)
        return tell(said(may.error()), true);
    Status done = Done{};
    if (chosen == HandFormat::sheet) // drawn anew, as what its name says
        withProgress(tr("Drawing the sheet"), [&](const Progress&) {
            const auto drawn = handOn(session_.document.project(), chosen, *wish, out, true);
            done = drawn ? Status(Done{}) : Status(drawn.error());
        });
    else
        done = writeFileSafely(out, bytes_);
    if (!done)
        return tell(said(done.error()), true);
    tell(tr("Written: %1").arg(path), false);
    emit session_.messages.told(tr("Exported: %1").arg(QFileInfo(path).fileName()));
}

void MotionExportWindow::withProgress(const QString& text, const std::function<void(const Progress&)>& work)
{
    ProgressDialog sheet(tr("Export motion"), text, work, this);
    dialogs_.run(sheet);
}

void MotionExportWindow::writeAll()
{
    const bool sheets = format() == HandFormat::sheet;
    const QString path =
        dialogs_.saveFile(this, tr("A folder for them"),
                          QFileInfo(session_.file.path().isEmpty() ? toQString(session_.document.project().firstClip())
                                                                   : session_.file.path())
                                  .path() +
                              (sheets ? QStringLiteral("/sheets") : QStringLiteral("/recipes")),
                          tr("Folders (*)"));
    if (path.isEmpty())
        return;
    QString ignored;
    const HandingOn wish = how(ignored).value_or(HandingOn{});
    std::optional<Result<std::vector<std::string>>> done;
    withProgress(sheets ? tr("Drawing the sheets") : tr("Writing the recipes"), [&](const Progress& told) {
        done = handOnAll(session_.document.project(), format(), wish, path.toStdString(), {}, false, told,
                         session_.file.path().toStdString());
    });
    if (!done || (!*done && done->error().code == ErrorCode::cancelled))
        return tell(tr("Stopped."), false);
    if (!*done)
        return tell(said(done->error()), true);
    tell(tr("%1 files written into %2").arg((*done)->size()).arg(path), false);
}

void MotionExportWindow::copy()
{
    QApplication::clipboard()->setText(toQString(bytes_));
    tell(tr("Copied."), false);
}

} // namespace ember::app
