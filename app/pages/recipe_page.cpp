// SPDX-License-Identifier: GPL-3.0-or-later
#include "recipe_page.h"

#include <algorithm>

#include <QFileInfo>
#include <QKeyEvent>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QScrollBar>

#include "ember/exchange/handed_motion.h"
#include "ember/project/shipped_recipes.h"
#include "form.h"
#include "input_rules.h"
#include "recipe_list.h"
#include "text.h"
#include "theme.h"
#include "value_control.h"

namespace ember::app {

RecipePage::RecipePage(Session& session, Dialogs dialogs, QWidget* parent)
    : QWidget(parent), session_(session), dialogs_(std::move(dialogs)), list_(new FileListWidget(this))
{
    build();
    connect(&session_.document, &OpenDocument::changed, this, &RecipePage::fill);
    connect(&session_.selection, &Selection::changed, this, [this] {
        chooseUsed();
        fill();
    });
    connect(&session_.book, &BookShelf::changed, this, &RecipePage::fill);
    fill();
}

void RecipePage::build()
{
    auto* column = newColumn(this, 4, {8, 2, 8, 6});
    list_->setObjectName(QStringLiteral("recipe-list"));
    list_->setAccessibleName(tr("Recipes"));
    list_->setItemDelegate(new RecipeDelegate(list_));
    list_->fileOf = [this](const QListWidgetItem& item) { return draggedFile(item); };
    list_->setMouseTracking(true);
    list_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    list_->setEditTriggers(QAbstractItemView::EditKeyPressed);
    list_->setFrameShape(QFrame::NoFrame);
    list_->viewport()->setAutoFillBackground(false);
    list_->installEventFilter(this);
    list_->viewport()->installEventFilter(this);
    auto* how = dimLabel(tr("Point at a recipe to see it move on this frame; double-click or Enter applies it."), this);
    how->setFont(theme::words(11));
    how->setContentsMargins(6, 0, 6, 0);
    how->setWordWrap(true);
    column->addWidget(how);
    column->addWidget(list_, 1);
    connect(list_, &QListWidget::itemEntered, this, [this](QListWidgetItem* item) { preview(item); });
    connect(list_, &QListWidget::currentItemChanged, this, [this](QListWidgetItem* item) {
        if (filling_)
            return;
        wantedSource_ = sourceOf(item);
        wanted_ = whichOf(item);
        refreshButtons();
        preview(item);
    });
    connect(list_, &QListWidget::itemDoubleClicked, this, [this] {
        apply();
        InputRules::giveBack(*list_); // the choice is made: arrow keys go from strike to strike again
    });
    connect(list_, &QListWidget::itemChanged, this, [this](QListWidgetItem* item) {
        if (filling_)
            return;
        // Later: the list is still busy with its editor, and naming fills it anew.
        QMetaObject::invokeMethod(
            this,
            [this, source = sourceOf(item), which = whichOf(item), name = item->text().trimmed()] {
                rename(source, which, name);
            },
            Qt::QueuedConnection);
    });
    for (const bool first : {true, false}) {
        auto* row = newRow(4);
        const auto button = [&](const char* name, const QString& text, const std::function<void()>& act) {
            auto* made = smallButton(text, QLatin1String(name), {}, this);
            connect(made, &QPushButton::clicked, this, act);
            row->addWidget(made);
            buttons_[name] = made;
        };
        if (first) {
            button("recipe-apply", tr("Apply"), [this] {
                apply();
                InputRules::giveBack(*list_);
            });
            button("recipe-duplicate", tr("Duplicate"), [this] { duplicate(); });
            button("recipe-rename", tr("Rename"), [this] {
                if (auto* item = list_->currentItem())
                    list_->editItem(item);
            });
            button("recipe-delete", tr("Delete"), [this] { remove(); });
            button("recipe-up", tr("Up"), [this] { move(-1); });
            button("recipe-down", tr("Down"), [this] { move(1); });
        } else {
            button("recipe-keep", tr("Keep in my book"), [this] { keep(); });
            button("recipe-export", tr("Export"), [this] { exportRecipe(); });
            button("recipe-import", tr("Import"), [this] { importRecipes(); });
            button("recipe-undo", tr("Undo in book"), [this] {
                if (const QString wrong = session_.book.takeBack(); !wrong.isEmpty())
                    emit session_.messages.trouble(wrong);
            });
        }
        row->addStretch(1);
        column->addLayout(row);
    }
}

std::vector<RecipePage::Row> RecipePage::wantedRows() const
{
    std::vector<Row> rows;
    const Project& project = session_.document.project();
    const auto heading = [&rows](const QString& text) { rows.push_back({Source::heading, -1, text, {}, {}}); };
    const auto entries = [&](Source source, const BookEntries& book) {
        for (std::size_t i = 0; i < book.size(); ++i)
            rows.push_back({source, static_cast<qint64>(i), QString::fromStdString(book[i].recipe.name),
                            QString::fromStdString(book[i].about), recipeFor(book[i], project)});
    };
    heading(tr("In this project"));
    for (const Recipe& recipe : project.recipes) {
        const auto users = usersOf(project, recipe.id);
        rows.push_back({Source::project, recipe.id, QString::fromStdString(recipe.name),
                        users == 0   ? tr("not used")
                        : users == 1 ? tr("1 strike")
                                     : tr("%1 strikes").arg(users),
                        recipe});
    }
    heading(tr("Shipped"));
    entries(Source::shipped, shippedRecipes());
    heading(session_.book.entries().empty() ? tr("My book is empty: keep a recipe in it") : tr("My book"));
    entries(Source::user, session_.book.entries());
    return rows;
}

void RecipePage::show(QListWidgetItem* item, const Row& row)
{
    item->setText(row.name);
    item->setData(sourceRole, static_cast<int>(row.source));
    item->setData(whichRole, row.which);
    item->setData(aboutRole, row.about);
    if (row.source == Source::heading) {
        item->setFlags(Qt::NoItemFlags);
        return;
    }
    item->setData(traceRole, QVariant::fromValue(traceOf(row.recipe, session_.document.project(), recipeTraceWidth)));
    Qt::ItemFlags flags = Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsDragEnabled;
    if (row.source != Source::shipped)
        flags |= Qt::ItemIsEditable;
    item->setFlags(flags);
}

void RecipePage::fill()
{
    stale_ = !isVisible(); // filled when it is looked at
    if (stale_)
        return;
    filling_ = true;
    std::vector<Row> rows = wantedRows();
    const bool sameFilm = scaleOf(session_.document.project()) == scale_; // traces are for its size and rate
    scale_ = scaleOf(session_.document.project());
    const bool sameRows =
        sameFilm && std::equal(rows.begin(), rows.end(), rows_.begin(), rows_.end(),
                               [](auto& a, auto& b) { return a.source == b.source && a.which == b.which; });
    if (!sameRows) {
        const int scrolled = list_->verticalScrollBar()->value();
        list_->clear();
        for (const Row& row : rows) {
            auto* item = new QListWidgetItem(list_);
            show(item, row);
            if (row.source == wantedSource_ && row.which == wanted_)
                list_->setCurrentItem(item);
        }
        list_->verticalScrollBar()->setValue(scrolled);
    } else { // a row that is as it was is left alone: it may be under the hand
        for (std::size_t i = 0; i < rows.size(); ++i) {
            QListWidgetItem* item = list_->item(static_cast<int>(i));
            if (rows[i] != rows_[i] || item->text() != rows[i].name)
                show(item, rows[i]);
            if (rows[i].source == wantedSource_ && rows[i].which == wanted_ && list_->currentItem() != item)
                list_->setCurrentItem(item);
        }
    }
    rows_ = std::move(rows);
    filling_ = false;
    refreshButtons();
}

const QListWidgetItem* RecipePage::current() const
{
    return list_->currentItem();
}

RecipePage::Source RecipePage::sourceOf(const QListWidgetItem* item) const
{
    return item == nullptr ? Source::heading : static_cast<Source>(item->data(sourceRole).toInt());
}

qint64 RecipePage::whichOf(const QListWidgetItem* item) const
{
    return item == nullptr ? -1 : item->data(whichRole).toLongLong();
}

void RecipePage::chooseUsed()
{
    const auto& selection = session_.selection.ids();
    const Strike* first = selection.empty() ? nullptr : session_.document.project().strike(selection.front());
    if (first != nullptr)
        choose(Source::project, first->recipe);
}

void RecipePage::choose(Source source, qint64 which)
{
    wantedSource_ = source;
    wanted_ = which;
}

std::optional<Recipe> RecipePage::recipeOfRow(const QListWidgetItem* item) const
{
    const auto at = static_cast<std::size_t>(std::max<qint64>(0, whichOf(item)));
    switch (sourceOf(item)) {
    case Source::heading: break;
    case Source::project:
        if (const Recipe* recipe = session_.document.project().recipe(whichOf(item)))
            return *recipe;
        break;
    case Source::shipped:
        if (at < shippedRecipes().size())
            return recipeFor(shippedRecipes()[at], session_.document.project());
        break;
    case Source::user:
        if (at < session_.book.entries().size())
            return recipeFor(session_.book.entries()[at], session_.document.project());
        break;
    }
    return std::nullopt;
}

void RecipePage::preview(const QListWidgetItem* item)
{
    emit previewAsked(recipeOfRow(item));
}

void RecipePage::refreshButtons()
{
    const Source source = sourceOf(current());
    const bool any = source != Source::heading;
    const bool own = source == Source::project || source == Source::user;
    const auto set = [this](const char* name, bool on, const QString& tip, const QString& reason) {
        buttons_[name]->setEnabled(on);
        buttons_[name]->setToolTip(on ? tip : reason);
    };
    const QString choose = tr("Choose a recipe first");
    const QString shipped = any ? tr("Shipped recipes stay as they are; duplicate or keep it to change it") : choose;
    const auto count = session_.selection.ids().size();
    const bool film = session_.document.length() > 0;
    buttons_["recipe-apply"]->setText(count == 0 ? tr("Add") : tr("Apply"));
    set("recipe-apply", any && film,
        count == 0 ? tr("Adds it to the project; no strike is selected") : tr("The selected strikes use it (Enter)"),
        film ? choose : tr("Open a clip first"));
    set("recipe-duplicate", any && (film || source == Source::user),
        tr("A copy to change: of a shipped one in this project"), choose);
    set("recipe-rename", own, tr("Another name (F2)"), shipped);
    set("recipe-delete", own, tr("Takes it out; one that strikes use is asked about first"), shipped);
    set("recipe-up", own, tr("Moves it up the list"), shipped);
    set("recipe-down", own, tr("Moves it down the list"), shipped);
    set("recipe-keep", source == Source::project || source == Source::shipped,
        tr("Puts a copy into your own book, for other projects"), any ? tr("It is in your book already") : choose);
    set("recipe-export", any,
        tr("Writes it to a small JSON file for somebody else. Or drag its line into a folder or another window."),
        choose);
    set("recipe-import", true, tr("Takes recipes from such a file into your book"), {});
    set("recipe-undo", session_.book.canTakeBack(), tr("Takes back: %1").arg(session_.book.takeBackText()),
        tr("Nothing was changed in your book"));
}

// --- what the buttons do ---

void RecipePage::apply()
{
    const auto recipe = recipeOfRow(current());
    if (!recipe || session_.document.length() == 0)
        return;
    if (sourceOf(current()) == Source::project) {
        session_.shaping.applyRecipe(whichOf(current()));
        return;
    }
    // One that is in the project as it is is not added a second time.
    Project next = session_.document.project();
    RecipeId id = 0;
    if (const Recipe* same = next.recipeNamed(recipe->name)) {
        Recipe alike = *recipe;
        alike.id = same->id;
        if (alike == *same)
            id = same->id;
    }
    if (id == 0) {
        auto added = withRecipe(std::move(next), *recipe);
        next = std::move(added.project);
        id = added.id;
    }
    const QString name = QString::fromStdString(next.recipe(id)->name);
    choose(Source::project, id);
    session_.document.edit(withRecipeApplied(std::move(next), session_.selection.ids(), id),
                           session_.selection.ids().empty() ? tr("%1 added to the project").arg(name)
                                                            : tr("Recipe %1").arg(name));
}

void RecipePage::rename(Source source, qint64 which, const QString& text)
{
    const std::string name = text.toStdString();
    const auto refuse = [&] {
        emit session_.messages.told(name.empty() ? tr("A recipe needs a name")
                                                 : tr("Another recipe is called %1 already").arg(text));
        fill();
    };
    if (source == Source::project) {
        const Recipe* recipe = session_.document.project().recipe(which);
        if (recipe == nullptr || recipe->name == name)
            return;
        if (name.empty() || session_.document.project().recipeNamed(name) != nullptr)
            return refuse();
        session_.document.edit(withRecipeRenamed(session_.document.project(), recipe->id, name),
                               tr("Recipe named %1").arg(QString::fromStdString(name)));
    } else if (source == Source::user) {
        BookEntries entries = session_.book.entries();
        if (which < 0 || which >= static_cast<qint64>(entries.size()))
            return;
        BookEntry& entry = entries[static_cast<std::size_t>(which)];
        if (entry.recipe.name == name)
            return;
        if (name.empty() || entryNamed(entries, name) != nullptr)
            return refuse();
        entry.recipe.name = name;
        changeBook(std::move(entries), tr("naming of %1").arg(QString::fromStdString(name)));
    }
}

void RecipePage::duplicate()
{
    const auto recipe = recipeOfRow(current());
    if (!recipe)
        return;
    if (sourceOf(current()) == Source::user) {
        BookEntries entries = session_.book.entries();
        BookEntry copy = entries[static_cast<std::size_t>(whichOf(current()))];
        copy.recipe.name = freshEntryName(entries, copy.recipe.name);
        entries.push_back(copy);
        choose(Source::user, static_cast<qint64>(entries.size()) - 1);
        changeBook(std::move(entries), tr("copy of %1").arg(QString::fromStdString(recipe->name)));
        return;
    }
    auto [next, id] = withRecipe(session_.document.project(), *recipe);
    choose(Source::project, id);
    session_.document.edit(next, tr("%1 made").arg(QString::fromStdString(next.recipe(id)->name)));
}

void RecipePage::remove()
{
    const auto recipe = recipeOfRow(current());
    if (!recipe)
        return;
    const QString name = QString::fromStdString(recipe->name);
    if (sourceOf(current()) == Source::user) {
        BookEntries entries = session_.book.entries();
        entries.erase(entries.begin() + static_cast<std::ptrdiff_t>(whichOf(current())));
        changeBook(std::move(entries), tr("deletion of %1").arg(name));
        return;
    }
    const Project& project = session_.document.project();
    const RecipeId id = whichOf(current());
    const auto users = usersOf(project, id);
    RecipeId instead = 0;
    QString asked;
    for (const Recipe& other : project.recipes)
        if (other.id != id && instead == 0) {
            instead = other.id;
            asked = tr("%1 strikes use %2. Delete it and let them use %3?")
                        .arg(users)
                        .arg(name, QString::fromStdString(other.name));
        }
    if (instead == 0)
        asked = tr("%1 strikes use %2, and there is no other recipe. Delete it and the strikes?").arg(users).arg(name);
    if (users > 0 && !dialogs_.confirm(this, asked, tr("Delete")))
        return;
    session_.document.edit(withoutRecipe(project, id, instead), tr("Recipe %1 deleted").arg(name));
}

void RecipePage::move(int by)
{
    if (sourceOf(current()) == Source::project) {
        session_.document.edit(withRecipeMoved(session_.document.project(), whichOf(current()), by),
                               tr("Recipe moved"));
    } else if (sourceOf(current()) == Source::user) {
        BookEntries entries = session_.book.entries();
        const auto from = whichOf(current());
        const auto to = std::clamp<qint64>(from + by, 0, static_cast<qint64>(entries.size()) - 1);
        std::swap(entries[static_cast<std::size_t>(from)], entries[static_cast<std::size_t>(to)]);
        choose(Source::user, to);
        changeBook(std::move(entries), tr("order"));
    }
}

void RecipePage::keep()
{
    const auto recipe = recipeOfRow(current());
    if (!recipe)
        return;
    BookEntries entries = session_.book.entries();
    BookEntry entry{*recipe, scaleOf(session_.document.project()), {}};
    if (sourceOf(current()) == Source::shipped)
        entry = shippedRecipes()[static_cast<std::size_t>(whichOf(current()))];
    entry.recipe.id = 0;
    entry.recipe.name = freshEntryName(entries, entry.recipe.name);
    const QString name = QString::fromStdString(entry.recipe.name);
    entries.push_back(std::move(entry));
    if (changeBook(std::move(entries), tr("keeping of %1").arg(name)))
        emit session_.messages.told(tr("%1 is in your book").arg(name));
}

QString RecipePage::importedText(std::size_t count)
{
    return count == 1 ? tr("1 recipe imported into your book") : tr("%1 recipes imported into your book").arg(count);
}

BookEntry RecipePage::entryOf(const Recipe& recipe) const
{
    BookEntry entry{recipe, scaleOf(session_.document.project()), {}};
    entry.recipe.id = 0;
    return entry;
}

QString RecipePage::fileNameOf(const Recipe& recipe)
{
    return toQString(slugOf(recipe.name)) + QStringLiteral(".json");
}

QString RecipePage::draggedFile(const QListWidgetItem& item)
{
    const auto recipe = recipeOfRow(&item);
    if (!recipe || !dragged_.isValid())
        return {};
    const QString path = dragged_.filePath(fileNameOf(*recipe));
    if (const Status written = saveRecipes({entryOf(*recipe)}, path.toStdString()); !written) {
        emit session_.messages.trouble(said(written.error()));
        return {};
    }
    return path;
}

void RecipePage::exportRecipe()
{
    const auto recipe = recipeOfRow(current());
    if (!recipe)
        return;
    QString path = dialogs_.saveFile(this, tr("Export the recipe to"), fileNameOf(*recipe), tr("Recipes (*.json)"));
    if (path.isEmpty())
        return;
    if (QFileInfo(path).suffix().isEmpty())
        path += QStringLiteral(".json");
    if (const Status may = session_.file.mayWrite(path); !may)
        emit session_.messages.trouble(said(may.error()));
    else if (const auto status = saveRecipes({entryOf(*recipe)}, path.toStdString()); !status)
        emit session_.messages.trouble(said(status.error()));
    else
        emit session_.messages.told(tr("Recipe written to %1").arg(QFileInfo(path).fileName()));
}

void RecipePage::importRecipes()
{
    const QString path = dialogs_.openFile(this, tr("Import recipes from"), tr("Recipes (*.json)"));
    if (path.isEmpty())
        return;
    const qint64 before = static_cast<qint64>(session_.book.entries().size());
    const auto imported = session_.book.importFrom(path);
    if (!imported.wrong.isEmpty()) {
        emit session_.messages.trouble(imported.wrong);
        return;
    }
    choose(Source::user, before + static_cast<qint64>(imported.count) - 1);
    fill();
    emit session_.messages.told(importedText(imported.count));
}

bool RecipePage::changeBook(BookEntries entries, const QString& what)
{
    const QString wrong = session_.book.change(std::move(entries), what);
    if (!wrong.isEmpty())
        emit session_.messages.trouble(wrong);
    return wrong.isEmpty();
}

// --- events ---

bool RecipePage::eventFilter(QObject* watched, QEvent* event)
{
    if (watched == list_->viewport() && event->type() == QEvent::Leave)
        preview(list_->hasFocus() ? current() : nullptr);
    if (watched == list_ && event->type() == QEvent::FocusOut)
        preview(nullptr);
    // Enter in a name that is being typed comes by here too; it is not meant for the list.
    if (watched == list_ && event->type() == QEvent::KeyPress && list_->hasFocus()) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Return || key == Qt::Key_Enter) {
            apply();
            return true;
        }
    }
    return QWidget::eventFilter(watched, event);
}

void RecipePage::showEvent(QShowEvent* event)
{
    QWidget::showEvent(event);
    if (stale_)
        fill();
}

void RecipePage::hideEvent(QHideEvent* event)
{
    QWidget::hideEvent(event);
    preview(nullptr);
}

} // namespace ember::app
