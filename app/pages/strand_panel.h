// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <set>

#include <QWidget>

#include "session.h"

class QCheckBox;
class QLabel;
class QToolButton;
class QVBoxLayout;

namespace ember::app {

class AmountBar;
class ControlGrid;
class StrandDetails;
class ValueField;

/// The strand that is shown (Shaping::shownStrand): the axes it moves, how fast it is, whether it is felt; behind
/// More everything else. Its motion is drawn in its lane of the Anvil.
class StrandPanel : public QWidget {
    Q_OBJECT
public:
    explicit StrandPanel(Session& session, QWidget* parent = nullptr);
    void refresh();
    /// Everything of the strand, below the axes.
    void setMore(bool more);

signals:
    /// Its details are there now.
    void opened();

private:
    /// A row of an axis: its name, a bar and a number.
    struct AxisRow {
        QWidget* row = nullptr;
        AmountBar* bar = nullptr;
        ValueField* field = nullptr;
        QToolButton* add = nullptr; ///< in place of the row while the axis does not move
    };

    void buildHead();
    void buildAxes();
    void buildSpeed(const Strand& strand);
    const Strand* strand() const;
    std::string key(const std::string& value) const;
    void refreshAxes(const Strand& strand);
    void refreshDetails(const Strand& strand);

    Session& session_;
    QVBoxLayout* column_;
    QLabel* name_ = nullptr;
    QLabel* about_ = nullptr;
    QCheckBox* on_ = nullptr;
    QToolButton* more_ = nullptr;
    std::array<AxisRow, axisCount> axes_{};
    QWidget* others_ = nullptr; ///< the axes that do not move, to be added
    std::set<Axis> asked_;      ///< shown although they do not move: they were asked for
    std::string shown_;         ///< whose rows these are
    QVBoxLayout* speedPlace_ = nullptr;
    ControlGrid* speed_ = nullptr;
    std::size_t speedFor_ = 99; ///< the kind of source its rows are for
    bool open_ = false;
    StrandDetails* details_ = nullptr;
};

/// "noise, 13 to 5 Hz"
QString strandSummary(const Strand& strand);

} // namespace ember::app
