// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "dialogs.h"
#include "finder.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QProgressBar;
class QPushButton;
class QVBoxLayout;

namespace ember::app {

class FrameStrip;
class ValueField;

/// Finding, in place of the side column: what is asked, the beat, the proposal in hand with the frames around it, and
/// the decision.
class FindPanel : public QWidget {
    Q_OBJECT
public:
    FindPanel(Session& session, Finder& finder, const Dialogs& dialogs, QWidget* parent = nullptr);

signals:
    void closed();

private:
    void buildAsking();
    void buildDeciding();
    void buildPulling(QVBoxLayout& column);
    void buildSound(QVBoxLayout& column);
    void refresh();
    void refreshWork();
    void refreshProposal();
    void pull(bool toBeat);
    void chooseSound();

    Session& session_;
    Finder& finder_;
    const Dialogs dialogs_;
    QCheckBox* tails_ = nullptr;
    QComboBox* from_ = nullptr;
    QComboBox* band_ = nullptr;
    ValueField* sensitivity_ = nullptr;
    ValueField* apart_ = nullptr;
    ValueField* within_ = nullptr;
    ValueField* offset_ = nullptr;
    FrameStrip* strip_ = nullptr;
    QLabel* working_ = nullptr;
    QLabel* count_ = nullptr;
    QLabel* what_ = nullptr;
    QLabel* why_ = nullptr;
    QLabel* late_ = nullptr;
    QPushButton* layRight_ = nullptr;
    QPushButton* acceptAll_ = nullptr;
    QPushButton* accept_ = nullptr;
    QPushButton* reject_ = nullptr;
    QPushButton* bringBack_ = nullptr;
    QPushButton* moreLike_ = nullptr;
    QPushButton* noneLike_ = nullptr;
    QCheckBox* shapes_ = nullptr;
    QPushButton* toOnset_ = nullptr;
    QPushButton* toBeat_ = nullptr;
    QProgressBar* progress_ = nullptr;
    QPushButton* cancel_ = nullptr;
};

} // namespace ember::app
