// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <optional>

#include <QTemporaryDir>
#include <QWidget>

#include "dialogs.h"
#include "file_drag.h"
#include "recipe_trace.h"
#include "session.h"

class QPushButton;

namespace ember::app {

/// The recipes of the project, the shipped ones and the user's own, each with its trace. The one under the mouse, or
/// else the chosen one, is asked to be shown moving.
class RecipePage : public QWidget {
    Q_OBJECT
public:
    RecipePage(Session& session, Dialogs dialogs, QWidget* parent = nullptr);

    enum class Source { heading, project, shipped, user };
    /// The recipe of a row as this project would use it.
    std::optional<Recipe> recipeOfRow(const QListWidgetItem* item) const;
    static QString importedText(std::size_t count);

signals:
    /// A recipe to be shown moving on the current frame, or none.
    void previewAsked(const std::optional<ember::Recipe>& recipe);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override; ///< the mouse leaves the list; Enter applies
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

private:
    void build();
    void fill();
    /// What the list shows in one of its rows.
    struct Row {
        Source source;
        qint64 which;
        QString name;
        QString about;
        Recipe recipe;

        bool operator==(const Row&) const = default;
    };
    std::vector<Row> wantedRows() const;
    void show(QListWidgetItem* item, const Row& row);
    void refreshButtons();
    void preview(const QListWidgetItem* item);
    const QListWidgetItem* current() const;
    Source sourceOf(const QListWidgetItem* item) const;
    qint64 whichOf(const QListWidgetItem* item) const;
    void choose(Source source, qint64 which);
    /// The recipe of the selected strike is the chosen row.
    void chooseUsed();

    void apply();
    void rename(Source source, qint64 which, const QString& text);
    void duplicate();
    void remove();
    void move(int by);
    void keep();
    void exportRecipe();
    BookEntry entryOf(const Recipe& recipe) const; ///< to be written
    static QString fileNameOf(const Recipe& recipe);
    /// A row's recipe as a file, to be dragged.
    QString draggedFile(const QListWidgetItem& item);
    void importRecipes();
    /// False, and told, when the book could not be written.
    bool changeBook(BookEntries entries, const QString& what);

    Session& session_;
    Dialogs dialogs_;
    FileListWidget* list_;
    QTemporaryDir dragged_; ///< recipes as files, until the program ends
    std::map<const char*, QPushButton*> buttons_;
    std::vector<Row> rows_;
    RecipeScale scale_; ///< the rows' traces were made for
    bool filling_ = false;
    bool stale_ = true;
    Source wantedSource_ = Source::project; ///< chosen again after the list is filled anew
    qint64 wanted_ = -1;
};

} // namespace ember::app
