// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <memory>

#include <QObject>

#include "ember/core/motion.h"
#include "ember/core/survey.h"
#include "messages.h"
#include "open_document.h"
#include "project_file.h"

namespace ember::app {

/// Two versions of the project, kept to be looked at in turn or side by side. They live as long as the project is open.
class Takes : public QObject {
    Q_OBJECT
public:
    explicit Takes(OpenDocument& document, ProjectFile& file, Messages& messages, QObject* parent = nullptr);

    /// A kept version, ready to be shown.
    struct Take {
        std::shared_ptr<const Project> project;
        Motion motion;
        Cover cover;
    };
    /// 0 is A, 1 is B; null where nothing is kept.
    std::shared_ptr<const Take> take(int which) const { return takes_[static_cast<std::size_t>(which)]; }
    static QString name(int which) { return which == 0 ? tr("A") : tr("B"); }
    /// The one the project is now as, or -1.
    int current() const;
    /// The one to compare with: the other than the current, or the only one there is. -1 for none.
    int other() const;
    /// The other take shows the same frames of the same clips, so that both can be held against each other. False where
    /// there is none.
    bool comparable() const;

    void keep(int which);
    /// The project becomes the other take: one step of undo.
    void swap();

signals:
    void changed();

private:
    OpenDocument& document_;
    ProjectFile& file_;
    Messages& messages_;
    std::array<std::shared_ptr<const Take>, 2> takes_;
};

} // namespace ember::app
