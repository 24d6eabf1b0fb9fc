// SPDX-License-Identifier: GPL-3.0-or-later
#include "file_watch.h"

#include <chrono>

#include <QFileInfo>
#include <QSet>

namespace ember::app {

namespace {

constexpr std::chrono::milliseconds betweenLooks{700}; ///< a file that is the same in two of them is done

} // namespace

FileWatch::FileWatch(QObject* parent) : QObject(parent)
{
    timer_.setSingleShot(true);
    timer_.setInterval(betweenLooks);
    connect(&timer_, &QTimer::timeout, this, &FileWatch::check);
    connect(&system_, &QFileSystemWatcher::fileChanged, this, &FileWatch::look);
    connect(&system_, &QFileSystemWatcher::directoryChanged, this, &FileWatch::look);
}

FileWatch::Mark FileWatch::markOf(const QString& file)
{
    const QFileInfo info(file);
    return info.exists() ? Mark{info.size(), info.lastModified()} : Mark{};
}

void FileWatch::watch(const QStringList& files)
{
    std::map<QString, Watched> next;
    for (const QString& file : files)
        if (const auto known = files_.find(file); known != files_.end())
            next.insert(*known);
        else
            next.emplace(file, Watched{markOf(file), markOf(file)});
    files_ = std::move(next);
    tellSystem();
}

void FileWatch::tellSystem()
{
    QSet<QString> wanted;
    for (const auto& [file, watched] : files_) {
        if (QFileInfo::exists(file))
            wanted.insert(file);
        if (const QString folder = QFileInfo(file).path(); QFileInfo::exists(folder))
            wanted.insert(folder);
    }
    const QStringList held = system_.files() + system_.directories();
    const QSet<QString> now(held.begin(), held.end());
    if (const QSet<QString> gone = now - wanted; !gone.isEmpty())
        system_.removePaths(gone.values());
    if (const QSet<QString> fresh = wanted - now; !fresh.isEmpty())
        system_.addPaths(fresh.values());
}

void FileWatch::look()
{
    if (!timer_.isActive() && !files_.empty())
        timer_.start();
}

void FileWatch::check()
{
    QStringList done;
    bool again = false;
    for (auto& [file, watched] : files_) {
        const Mark now = markOf(file);
        if (now.size < 0 || now == watched.told) { // one that is gone comes back under its name, or is missed elsewhere
            watched.last = now;
        } else if (now == watched.last) {
            watched.told = now;
            done << file;
        } else {
            watched.last = now;
            again = true;
        }
    }
    tellSystem();
    if (again)
        timer_.start();
    if (!done.isEmpty())
        emit rewritten(done);
}

} // namespace ember::app
