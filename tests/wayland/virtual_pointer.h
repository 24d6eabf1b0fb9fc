// SPDX-License-Identifier: GPL-3.0-or-later
// A mouse for a Wayland compositor that has none: it speaks the wire protocol of Wayland (wayland.freedesktop.org,
// "Wayland Protocol and Model of Operation", wire format) and the open extension wlr-virtual-pointer-unstable-v1.
#pragma once

#include <cstdint>

#include <QByteArray>
#include <QLocalSocket>
#include <QPoint>
#include <QSize>

namespace ember::test {

class VirtualPointer {
public:
    /// Plugs it into the compositor of $WAYLAND_DISPLAY, whose screen has this size.
    explicit VirtualPointer(QSize screen);
    /// Whether the compositor took it.
    bool works() const { return pointer_ != 0; }

    void move(QPoint to);
    void press();
    void release();
    void click(QPoint at);
    /// Clicks of a wheel, down is positive.
    void turn(int clicks);

private:
    void send(std::uint32_t object, std::uint32_t request, const QByteArray& arguments);
    void button(std::uint32_t state);
    /// Answers until a callback of ours is done; whether there is a manager of such pointers, and its name.
    std::uint32_t managerName();

    QLocalSocket socket_;
    QSize screen_;
    std::uint32_t pointer_ = 0;
    std::uint32_t now_ = 0; ///< milliseconds; each event is a little later
};

} // namespace ember::test
