// SPDX-License-Identifier: GPL-3.0-or-later
#include "book_shelf.h"

#include <QFileInfo>

#include "text.h"

namespace ember::app {

BookShelf::BookShelf(QObject* parent) : QObject(parent), path_(userBookPath())
{
    UserBook book = openUserBook(path_);
    entries_ = std::move(book.entries);
    trouble_ = said(book.trouble);
}

QString BookShelf::write(const BookEntries& entries)
{
    // Another window may have written it since: what it kept is not written over.
    UserBook now = openUserBook(path_);
    if (now.trouble.empty() && now.entries != entries_) {
        entries_ = std::move(now.entries);
        before_.clear();
        emit changed();
        return tr("Your recipe book was changed by another window; it has been read again. Please do that once more.");
    }
    const auto status = saveRecipes(entries, path_);
    return status ? QString() : said(status.error());
}

QString BookShelf::change(BookEntries entries, const QString& what)
{
    if (entries == entries_)
        return {};
    if (QString wrong = write(entries); !wrong.isEmpty())
        return wrong;
    before_.push_back({entries_, what});
    entries_ = std::move(entries);
    emit changed();
    return {};
}

BookShelf::Imported BookShelf::importFrom(const QString& path)
{
    const auto loaded = loadRecipes(path.toStdString());
    if (!loaded)
        return {0, said(loaded.error())};
    BookEntries entries = entries_;
    for (BookEntry entry : loaded.value()) {
        entry.recipe.name = freshEntryName(entries, entry.recipe.name);
        entries.push_back(std::move(entry));
    }
    return {loaded->size(), change(std::move(entries), tr("import of %1").arg(QFileInfo(path).fileName()))};
}

QString BookShelf::takeBack()
{
    if (before_.empty())
        return {};
    if (QString wrong = write(before_.back().entries); !wrong.isEmpty())
        return wrong;
    entries_ = std::move(before_.back().entries);
    before_.pop_back();
    emit changed();
    return {};
}

} // namespace ember::app
