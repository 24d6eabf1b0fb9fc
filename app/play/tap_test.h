// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <vector>

#include <QDialog>
#include <QElapsedTimer>
#include <QIODevice>
#include <QTimer>

#include "sound_sink.h"

class QLabel;
class QPushButton;

namespace ember::app {

/// A beat, as 16-bit stereo: a click each TapTest::beatMilliseconds, the first at once.
class ClickFeed : public QIODevice {
public:
    ClickFeed();
    bool isSequential() const override { return true; }
    qint64 bytesAvailable() const override { return 1 << 16; }

protected:
    qint64 readData(char* data, qint64 size) override;
    qint64 writeData(const char*, qint64) override { return -1; }

private:
    std::int64_t next_ = 0; ///< instant that is read next
};

/// A light blinks, or a click sounds, at a steady beat, and the user taps along. How late taps come with the light is
/// what all taps are set back by; how much later they come with the sound is what the device is late by.
class TapTest : public QDialog {
    Q_OBJECT
public:
    static constexpr int beatMilliseconds = 600;
    static constexpr int wanted = 8; ///< taps; the first two are for finding in

    enum class Along { light, sound };

    explicit TapTest(Along along = Along::light, QWidget* parent = nullptr,
                     std::unique_ptr<SoundSink> sink = std::make_unique<DeviceSink>());
    ~TapTest() override;

    /// Tells of a tap so many milliseconds after the first blink or click.
    void tapAt(qint64 milliseconds);
    int taps() const { return static_cast<int>(late_.size()); }
    /// The middle of how late taps came; of the device where one taps along with the sound, never below 0.
    int measured() const;

protected:
    void paintEvent(QPaintEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    void refresh();
    void use(int milliseconds);
    /// Milliseconds since the first blink, or click as the device tells it.
    qint64 now();

    const Along along_;
    QTimer blink_;
    QElapsedTimer since_;
    ClickFeed clicks_; // before the sink, which reads it
    std::unique_ptr<SoundSink> sink_;
    SoundClock clock_;
    std::vector<qint64> late_;
    QLabel* text_;
    QPushButton* use_;
};

} // namespace ember::app
