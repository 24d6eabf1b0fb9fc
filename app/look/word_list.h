// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QComboBox>
#include <QStyleOptionComboBox>
#include <QStylePainter>

namespace ember::app {

/// A list of words that shows a word too long for its place with an ellipsis; its tooltip begins with the whole of it.
class WordList : public QComboBox {
public:
    using QComboBox::QComboBox;

protected:
    void paintEvent(QPaintEvent*) override
    {
        QStylePainter painter(this);
        QStyleOptionComboBox option;
        initStyleOption(&option);
        if (currentIndex() < 0)
            option.currentText = placeholderText();
        const QRect place = style()->subControlRect(QStyle::CC_ComboBox, &option, QStyle::SC_ComboBoxEditField, this);
        option.currentText = option.fontMetrics.elidedText(option.currentText, Qt::ElideRight, place.width() - 2);
        painter.drawComplexControl(QStyle::CC_ComboBox, option);
        painter.drawControl(QStyle::CE_ComboBoxLabel, option);
    }
};

} // namespace ember::app
