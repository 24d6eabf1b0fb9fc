// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>

#include "ember/project/recipe_book.h"

namespace ember::app {

/// The user's recipe book as the program works with it: read at the start, written at every change, and each change can
/// be taken back while the program runs.
class BookShelf : public QObject {
    Q_OBJECT
public:
    explicit BookShelf(QObject* parent = nullptr);

    const BookEntries& entries() const { return entries_; }
    /// What was wrong with the book when it was read; empty when nothing was.
    const QString& trouble() const { return trouble_; }

    /// Becomes the book, on disk too. Says what could not be written; the book then stays as it was.
    QString change(BookEntries entries, const QString& what);
    struct Imported {
        std::size_t count = 0;
        QString wrong; ///< why nothing was imported; empty when it was
    };
    /// Adds the recipes of a file, under names of their own, as one change.
    Imported importFrom(const QString& path);
    bool canTakeBack() const { return !before_.empty(); }
    QString takeBackText() const { return before_.empty() ? QString() : before_.back().what; }
    QString takeBack();

signals:
    void changed();

private:
    struct Step {
        BookEntries entries;
        QString what;
    };
    QString write(const BookEntries& entries);

    std::string path_;
    BookEntries entries_;
    QString trouble_;
    std::vector<Step> before_;
};

} // namespace ember::app
