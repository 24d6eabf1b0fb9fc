// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <string>
#include <utility>
#include <vector>

#include <QFileSystemWatcher>
#include <QObject>
#include <QStringList>
#include <QTimer>

#include "ember/media/clip.h"

namespace ember::app {

/// Tells when files were written anew by somebody else: in place, or by another file that took their name.
class FileWatch : public QObject {
    Q_OBJECT
public:
    struct File {
        std::string path;
        bool alone = true; ///< else it is a clip, and may be one of numbered pictures

        auto operator<=>(const File&) const = default;
    };

    explicit FileWatch(QObject* parent = nullptr);

    /// These from now on. Those that were watched before count as they were then, others as they are.
    void watch(const std::vector<File>& files);
    /// Looks at all of them soon, and goes on for a while. Some file systems tell nothing.
    void look();

signals:
    /// They are not what they were, and have stayed what they are for a while: whoever wrote them is done.
    void rewritten(const QStringList& paths);

private:
    struct Watched {
        ClipMark told; ///< as whoever listens knows it
        ClipMark last; ///< as it was last looked at
    };
    static ClipMark markOf(const File& file);
    void check();
    /// A file that another took the place of has to be named to the system again.
    void tellSystem();

    std::map<File, Watched> files_;
    QFileSystemWatcher system_;
    QTimer timer_;
    int looks_ = 0; ///< that are still to be taken
};

} // namespace ember::app
