// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>

#include <QDateTime>
#include <QFileSystemWatcher>
#include <QObject>
#include <QStringList>
#include <QTimer>

namespace ember::app {

/// Tells when files were written anew by somebody else: in place, or by another file that took their name.
class FileWatch : public QObject {
    Q_OBJECT
public:
    explicit FileWatch(QObject* parent = nullptr);

    /// These from now on. Those that were watched before count as they were then, others as they are.
    void watch(const QStringList& files);
    /// Looks at all of them soon. Some file systems tell nothing.
    void look();

signals:
    /// They are not what they were, and have stayed what they are for a while: whoever wrote them is done.
    void rewritten(const QStringList& files);

private:
    /// What tells one content from another without reading it.
    struct Mark {
        qint64 size = -1; ///< -1: there is no such file
        QDateTime written;

        bool operator==(const Mark&) const = default;
    };
    struct Watched {
        Mark told; ///< as whoever listens knows it
        Mark last; ///< as it was last looked at
    };
    static Mark markOf(const QString& file);
    void check();
    /// A file that another took the place of has to be named to the system again.
    void tellSystem();

    std::map<QString, Watched> files_;
    QFileSystemWatcher system_;
    QTimer timer_;
};

} // namespace ember::app
