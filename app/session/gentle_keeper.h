// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>

#include "latest_work.h"
#include "takes.h"

namespace ember::app {

/// The gentle version of the project as it is now, made anew after each change as long as somebody looks at it.
class GentleKeeper : public QObject {
    Q_OBJECT
public:
    explicit GentleKeeper(OpenDocument& document, ProjectFile& file, QObject* parent = nullptr);

    void setWanted(bool wanted);
    /// Null while none has been made.
    std::shared_ptr<const Takes::Take> take() const { return take_; }

signals:
    void changed();

private:
    void refresh();

    OpenDocument& document_;
    ProjectFile& file_;
    bool wanted_ = false;
    std::shared_ptr<const Takes::Take> take_;
    LatestWork work_;
};

} // namespace ember::app
