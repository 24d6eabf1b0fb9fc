// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>

#include <QWidget>

#include "finder.h"

class QComboBox;
class QLabel;
class QPushButton;

namespace ember::app {

class ValueField;

/// What is proposed, and the beat: its tempo, its bars, half and double.
class BeatBar : public QWidget {
    Q_OBJECT
public:
    BeatBar(Session& session, Finder& finder, QWidget* parent = nullptr);

private:
    void refresh();
    /// Changes the beats that are shown, and makes them the project's.
    void change(const std::function<void(BeatGrid&)>& how, quint64 gesture);
    void barHere();

    Session& session_;
    Finder& finder_;
    QComboBox* propose_;
    ValueField* bpm_;
    QPushButton* half_;
    QPushButton* twice_;
    ValueField* bar_;
    QPushButton* barHere_;
    QLabel* span_;
    QPushButton* even_;
};

} // namespace ember::app
