// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>

#include <QObject>
#include <QTimer>

#include "ember/project/journal.h"
#include "messages.h"
#include "open_document.h"
#include "project_file.h"

namespace ember::app {

/// Keeps what is not saved yet in the journal, shortly after each change, on another thread.
class JournalKeeper : public QObject {
    Q_OBJECT
public:
    explicit JournalKeeper(OpenDocument& document, ProjectFile& file, Messages& messages, QObject* parent = nullptr);
    ~JournalKeeper() override; ///< waits for what is being written; whoever ends in good order has nothing unsaved

    /// Where journals are.
    static QString folder();
    /// This work is open again: its file goes once it is kept anew.
    void replace(const LeftBehind& left);
    /// Milliseconds from a change to its being kept.
    void setDelay(int milliseconds) { timer_.setInterval(milliseconds); }

private:
    struct Work;
    void changed();
    void keep();
    void tell(const QString& trouble); ///< once

    OpenDocument& document_;
    ProjectFile& file_;
    Messages& messages_;
    QTimer timer_;
    std::shared_ptr<Work> work_;
    bool told_ = false; ///< that it cannot be kept
};

} // namespace ember::app
