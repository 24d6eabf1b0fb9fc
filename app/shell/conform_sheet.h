// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include <QDialog>

#include "ember/film/conform.h"

class QComboBox;

namespace ember::app {

/// Where the strikes of a film are in a new edit of it, before that takes its place; those that are not found there are
/// decided on one by one.
class ConformSheet : public QDialog {
    Q_OBJECT
public:
    ConformSheet(const Project& before, Conformed conformed, const QString& clip, QWidget* parent = nullptr);

    /// With what was decided.
    Project project() const;

private:
    /// What becomes of a strike that was not found.
    enum class Fate { waits, stays, goes };

    Conformed conformed_;
    std::vector<std::pair<std::size_t, QComboBox*>> fates_; ///< of strikes by their place in the list
};

} // namespace ember::app
