// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <functional>
#include <vector>

#include <QWidget>

#include "session.h"

class QComboBox;
class QGridLayout;
class QLabel;
class QLineEdit;
class QPushButton;
class QToolButton;
class QVBoxLayout;

namespace ember::app {

class DirectionDial;
class StrengthBar;
class ValueField;

/// One strand of the selected strike's recipe: its own trace, its amounts, mute and solo.
class StrandRow : public QWidget {
    Q_OBJECT
public:
    StrandRow(Session& session, std::size_t index, QWidget* parent = nullptr);
    void refresh();

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    template <typename Change>
    void change(Change&& change, const QString& result, Document::Gesture gesture = 0);
    const Strand* strand() const;

    Session& session_;
    std::size_t index_;
    QLabel* name_;
    QLabel* about_;
    QToolButton* solo_;
    QToolButton* mute_;
    std::array<ValueField*, 4> amounts_{};
    std::vector<double> trace_;
};

/// What is selected, in a few groups: the strike, its recipe's strands, the finish.
class SideColumn : public QWidget {
    Q_OBJECT
public:
    explicit SideColumn(Session& session, QWidget* parent = nullptr);

signals:
    void renderAsked();

private:
    void buildStrike(QVBoxLayout& column);
    void buildFinish(QVBoxLayout& column);
    void refresh();
    void refreshFinish();
    void changeStrikes(const std::function<void(Strike&)>& change, const QString& result,
                       Document::Gesture gesture = 0);

    Session& session_;
    QWidget* strike_;
    QLabel* hint_;
    QLineEdit* name_;
    QComboBox* kind_;
    ValueField* frame_;
    StrengthBar* strengthBar_;
    ValueField* strength_;
    DirectionDial* dial_;
    ValueField* direction_;
    QPushButton* bySeed_;
    ValueField* seed_;
    QComboBox* recipe_;
    QLabel* users_;
    QVBoxLayout* strands_;
    std::vector<StrandRow*> rows_;
    QComboBox* edges_;
    QComboBox* cover_;
    QLineEdit* colour_;
    QLabel* coverSays_;
    QPushButton* render_;
};

} // namespace ember::app
