// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include <QDialog>

#include "ember/project/compare.h"

namespace ember::app {

/// What differs between two versions, value by value.
class DifferenceSheet : public QDialog {
    Q_OBJECT
public:
    DifferenceSheet(const std::vector<Difference>& differences, const QString& first, const QString& second,
                    QWidget* parent);
};

} // namespace ember::app
