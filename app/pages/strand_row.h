// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <vector>

#include <QWidget>

#include "session.h"

class QLabel;
class QToolButton;
class QVBoxLayout;

namespace ember::app {

class StrandDetails;
class ValueField;

/// One strand of the selected strike's recipe: its own trace, its amounts, mute and solo; opened, everything else.
class StrandRow : public QWidget {
    Q_OBJECT
public:
    StrandRow(Session& session, std::size_t index, QWidget* parent = nullptr);
    void refresh();

signals:
    /// Its details are there now.
    void opened();

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override; ///< a click on the head opens and closes it

private:
    const Strand* strand() const;
    std::string key(const char* value) const;
    void refreshTrace(const Strand& strand);

    Session& session_;
    std::size_t index_;
    QLabel* name_;
    QLabel* about_;
    QToolButton* open_;
    QToolButton* solo_;
    QToolButton* mute_;
    QVBoxLayout* column_;
    std::array<ValueField*, axisCount> amounts_{};
    StrandDetails* details_ = nullptr;
    std::vector<double> trace_;
    Recipe traced_; ///< what the trace was made from
    double tracedRate_ = 0;
};

/// "noise, 13 to 5 Hz"
QString strandSummary(const Strand& strand);

} // namespace ember::app
