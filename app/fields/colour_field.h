// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QColor>
#include <QWidget>

class QLineEdit;
class QToolButton;

namespace ember::app {

/// A colour: typed as #1a2b3c, or picked in a window that the swatch beside it opens. It shows what it is given and
/// tells what is wished for.
class ColourField : public QWidget {
    Q_OBJECT
public:
    explicit ColourField(QWidget* parent = nullptr);

    void setColour(const QColor& colour);
    void setHelp(const QString& help);
    QLineEdit* editor() { return text_; }

signals:
    void wished(const QColor& colour);

private:
    void pick();

    QColor colour_;
    QLineEdit* text_;
    QToolButton* swatch_;
};

} // namespace ember::app
