// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <vector>

#include <QFrame>

#include "anvil_tags.h"

class QLabel;

namespace ember::app {

class ValueControl;

/// What else belongs to a value of the envelope (its slope's family, its bend), in a small sheet below it.
class TagSheet : public QFrame {
    Q_OBJECT
public:
    explicit TagSheet(QWidget* parent);
    void add(const QString& name, ValueControl* control);
    /// Opens below a place of the screen, all of it on the screen.
    void openAt(QPoint below);
};

/// A value of the envelope beside its handle: its name and the number (dragged, turned, typed). Where more belongs to
/// it there is an arrow, and a press beside the number opens its sheet; by key Alt+Down does.
class HandleTag : public QWidget {
    Q_OBJECT
public:
    HandleTag(Tag tag, ValueControl* value, TagSheet* sheet, QWidget* parent);

    Tag tag() const { return tag_; }
    void setName(const QString& name);
    /// The size its words need now.
    QSizeF fitted() const;
    /// Its handle is under the pointer.
    void setLit(bool lit);

signals:
    /// The pointer is over it, or has left.
    void hovered(bool over);

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void enterEvent(QEnterEvent* event) override;
    void leaveEvent(QEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override; ///< Alt+Down in the number

private:
    int valueWidth() const;
    void openSheet();

    Tag tag_;
    QLabel* name_;
    ValueControl* value_;
    TagSheet* sheet_;
    bool lit_ = false;
};

} // namespace ember::app
