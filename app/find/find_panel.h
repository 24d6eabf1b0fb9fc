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
    void buildBeat();
    void buildDeciding();
    void buildPulling(QVBoxLayout& column);
    void buildSound(QVBoxLayout& column);
    /// A control with its name before it, which stay together.
    QWidget* named(const QString& name, QWidget* control);
    void refresh();
    void refreshWork();
    void refreshProposal();
    void refreshBeat();
    void setBeats(const BeatGrid& beats, const QString& result, quint64 gesture);
    void pull(bool toBeat);
    void chooseSound();
    ValueField* field(const FieldSpec& spec, const char* name);

    Session& session_;
    Finder& finder_;
    const Dialogs dialogs_;
    QComboBox* from_ = nullptr;
    QComboBox* band_ = nullptr;
    QComboBox* propose_ = nullptr;
    ValueField* sensitivity_ = nullptr;
    ValueField* apart_ = nullptr;
    ValueField* bpm_ = nullptr;
    ValueField* bar_ = nullptr;
    ValueField* within_ = nullptr;
    ValueField* offset_ = nullptr;
    QPushButton* half_ = nullptr;
    QPushButton* twice_ = nullptr;
    QPushButton* beatHere_ = nullptr;
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
