// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <functional>

#include <QWidget>

#include "ember/project/board_edits.h"
#include "session.h"

class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;

namespace ember::app {

class ControlGrid;
class PlaceBlock;

/// The chosen pad: what it strikes in each state, how hard, where to, from where.
class PadEditor : public QWidget {
    Q_OBJECT
public:
    explicit PadEditor(Session& session, QWidget* parent = nullptr);
    void setPad(int pad);
    int pad() const { return pad_; }
    void refresh();

signals:
    void padWished(int pad); ///< another is to be chosen

private:
    void change(const std::function<void(Pad&)>& change, const QString& told, quint64 gesture = 0);
    std::optional<double> value(const std::string& key) const;
    void setValue(const std::string& key, double value, quint64 gesture);
    const Pad* held() const;

    Session& session_;
    int pad_ = 0;
    mutable Board board_;
    QLineEdit* name_;
    std::array<QComboBox*, boardStates> recipes_{};
    std::array<QLabel*, boardStates> states_{};
    ControlGrid* values_;
    PlaceBlock* place_;
    QPushButton* add_;
    QPushButton* remove_;
};

} // namespace ember::app
