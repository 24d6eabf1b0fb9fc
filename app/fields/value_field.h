// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <functional>
#include <optional>

#include <QWidget>

#include "ember/core/field.h"
#include "ember/core/typed.h"

class QLineEdit;

namespace ember::app {

/// A number that is plain text until it is touched: drag it sideways, or click (or, when it has the focus, just begin)
/// and type; the arrow keys and the wheel step it while it has the focus. Ctrl+click resets it: to its recipe's value
/// where it is the strike's own, else to its default. It does not hold the truth: it shows what setValue() gives it and
/// tells what was wished for.
///
/// Typing ends in one of three ways. Enter takes what was typed and gives the focus back to where it was; what makes no
/// sense or is out of range is told beside the field, and typing goes on. Escape takes nothing. When the focus goes
/// elsewhere the field closes: what is valid is taken, what is not is told.
class ValueField : public QWidget {
    Q_OBJECT
public:
    /// Percent fields show 100 times the value.
    explicit ValueField(const FieldSpec& spec, QWidget* parent = nullptr);

    void setSpec(const FieldSpec& spec);
    void setValue(double value);
    double value() const { return value_; }
    /// Several values that differ: a dash is shown, and edits set them all.
    void setMixed(bool mixed);
    /// Set by the strike itself and not by its recipe: shown with a mark.
    void setOwn(bool own);
    /// Not to be touched, for a reason that its tooltip tells; an empty reason gives it back.
    void setBarred(const QString& reason);
    /// Larger letters, for the one number that is always looked for.
    void setLarge(bool large);
    /// Whole numbers only.
    void setWhole(bool whole) { whole_ = whole; }
    /// Shows a number of frames in frames or in seconds; either can be typed ("12 f", "0.5 s").
    void setTime(double framesPerSecond, bool inSeconds);

    QSize sizeHint() const override;
    QSize minimumSizeHint() const override { return sizeHint(); }

    const FieldSpec& spec() const { return spec_; }
    /// Wishes for a value as typing does; a field that is barred does not.
    void ask(double value);
    /// What is written on it.
    QString shownText() const;
    /// Pixels it needs to show that whole.
    int shownWidth() const;
    /// The name of the value for `set` of the batch tool, shown in the menu of the right button.
    void setKeySource(std::function<QString()> key) { key_ = std::move(key); }

    /// The one field of the program that is typed into now; null when there is none.
    static ValueField* beingTyped();
    /// Opens the editor, as a key would.
    void beginTyping();
    /// Closes the editor as when the focus goes elsewhere; the focus goes back to where the work was.
    void finishTyping();
    /// Closes the editor and takes nothing.
    void cancelTyping();

signals:
    /// A wish; `gesture` is the same for all wishes of one drag, 0 for those that stand alone (typing, reset).
    void wished(double value, quint64 gesture);

public:
    /// Where a drag gets its identity from (OpenDocument::newGesture).
    std::function<quint64()> gestureSource;
    /// What Ctrl+click does; without it the default is wished for.
    std::function<void()> resetAction;
    /// Reads what else than a number may be typed (a timecode), before numbers are read.
    std::function<std::optional<double>(const QString&)> readOther;
    /// Takes a typed change of the value that is there ("+10%", "*2") where several values are shown at once.
    std::function<void(const TypedChange&)> changeEach;

protected:
    bool event(QEvent* event) override; ///< keeps the arrow and Enter keys from the window's shortcuts
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void enterEvent(QEnterEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void focusInEvent(QFocusEvent* event) override;
    void focusOutEvent(QFocusEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override; ///< the editor's keys and focus

private:
    enum class By { mouse, key };
    void beginTyping(By by);
    /// Takes what is typed; false, and a note beside the field, where it cannot be.
    bool takeTyped();
    bool takeText(const QString& text);
    /// The editor goes; the focus stays here, or goes back to where the work was.
    enum class Focus { back, here, elsewhere };
    void close(Focus focus);
    bool editorKey(int key);
    void stepTyped(double by);
    void reset();
    QString rangeText() const;
    QString unitText() const;
    QString typedText(double value) const;
    void wish(double value, quint64 gesture);
    QFont letters() const;
    quint64 runGesture();
    double shownFactor() const;
    bool isTime() const { return spec_.unit == "frames"; }
    /// What a typed text stands for.
    std::optional<TypedChange> typedChange(const QString& text) const;

    FieldSpec spec_;
    double value_ = 0;
    bool mixed_ = false;
    bool own_ = false;
    QString barred_; ///< why, when it is
    bool whole_ = false;
    bool large_ = false;
    bool hovered_ = false;
    double framesPerSecond_ = 0; ///< 0: not known, frames only
    bool inSeconds_ = false;
    std::function<QString()> key_;
    QLineEdit* editor_ = nullptr;
    QString untouched_; ///< what stood in the editor at first
    By by_ = By::mouse;
    QPoint pressed_;
    double pressedValue_ = 0;
    bool dragging_ = false;
    quint64 gesture_ = 0;
    quint64 run_ = 0; ///< gesture of the current run of wheel or arrow steps
    qint64 runAt_ = 0;
};

} // namespace ember::app
