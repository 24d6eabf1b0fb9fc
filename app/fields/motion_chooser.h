// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include <QWidget>

#include "motion_store.h"
#include "open_document.h"

class QComboBox;
class QPushButton;

namespace ember::app {

class ValueField;

/// Which camera's motion something moves by, how much of it, and which way round: for a strand and for the drift.
class MotionChooser : public QWidget {
    Q_OBJECT
public:
    /// What it is for.
    struct Use {
        QString none; ///< what is there without a motion: "noise"
        std::function<const MotionLoop*()> motion;
        std::function<AxisValues()> amount;
        std::function<void(const MotionLoop&)> choose;
        std::function<void(const AxisValues&, const QString& told, quint64 gesture)> setAmount;
    };
    MotionChooser(OpenDocument& document, MotionStore& motions, Use use, QWidget* parent = nullptr);

    void refresh();

private:
    void fill();

    OpenDocument& document_;
    MotionStore& motions_;
    const Use use_;
    QComboBox* list_;
    ValueField* share_;
    QPushButton* mirror_;
};

} // namespace ember::app
