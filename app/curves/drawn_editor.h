// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "drawn_canvas.h"

class QComboBox;
class QLabel;
class QPushButton;

namespace ember::app {

class ValueField;

/// Drawing: which axis, its curve, the chosen keys in numbers, and what is done with them.
class DrawnEditor : public QWidget {
    Q_OBJECT
public:
    DrawnEditor(OpenDocument& document, Shaping& shaping, Messages& messages, std::size_t strand,
                QWidget* parent = nullptr);
    void refresh();

private:
    QLayout* buildNumbers();
    QLayout* buildDoings();
    QLayout* buildOwn();
    void refreshKey();
    std::string strandName() const;
    void changeKey(const std::function<void(CurveKey&)>& change, const QString& result, quint64 gesture);

    OpenDocument& document_;
    Shaping& shaping_;
    Messages& messages_;
    const std::size_t strand_;
    DrawnCanvas* canvas_;
    QComboBox* axis_;
    ValueField* frame_;
    ValueField* value_;
    QComboBox* ease_;
    ValueField* times_;
    ValueField* share_;
    std::vector<QPushButton*> needChosen_;
    QPushButton* clear_ = nullptr;
    QPushButton* reach_ = nullptr; ///< where keys lie beyond the envelope
    QLabel* unfelt_ = nullptr;
    QPushButton* follow_ = nullptr; ///< where the keys are the strike's own
};

} // namespace ember::app
