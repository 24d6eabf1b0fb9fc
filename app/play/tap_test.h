// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDialog>
#include <QElapsedTimer>
#include <QTimer>

#include <vector>

class QLabel;
class QPushButton;

namespace ember::app {

/// A light blinks at a steady beat; the user taps along, and how late the taps come on the whole is what all taps are
/// set back by.
class TapTest : public QDialog {
    Q_OBJECT
public:
    static constexpr int beatMilliseconds = 600;
    static constexpr int wanted = 8; ///< taps; the first two are for finding in

    explicit TapTest(QWidget* parent = nullptr);

    /// Tells of a tap so many milliseconds after the light's first blink.
    void tapAt(qint64 milliseconds);
    int taps() const { return static_cast<int>(late_.size()); }
    /// The middle of how late taps came.
    int measured() const;

protected:
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    void refresh();

    QTimer blink_;
    QElapsedTimer since_;
    std::vector<qint64> late_;
    QLabel* text_;
    QPushButton* use_;
};

} // namespace ember::app
