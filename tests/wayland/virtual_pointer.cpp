// SPDX-License-Identifier: GPL-3.0-or-later
#include "virtual_pointer.h"

#include <cstring>

#include <QTest>

#include "runner.h"

namespace ember::test {

namespace {

constexpr std::uint32_t display = 1, globals = 2, listed = 3, manager = 4, pointer = 5; // objects
constexpr const char* managerInterface = "zwlr_virtual_pointer_manager_v1";
constexpr std::uint32_t leftButton = 0x110; // linux/input-event-codes.h

QByteArray word(std::uint32_t value)
{
    return {reinterpret_cast<const char*>(&value), sizeof value};
}

std::uint32_t wordAt(const QByteArray& bytes, qsizetype at)
{
    std::uint32_t value = 0;
    if (at + qsizetype{4} <= bytes.size())
        std::memcpy(&value, bytes.constData() + at, sizeof value);
    return value;
}

/// With its length and its closing zero, padded to whole words.
QByteArray text(const QByteArray& words)
{
    QByteArray out = word(static_cast<std::uint32_t>(words.size() + 1)) + words + '\0';
    while (out.size() % 4 != 0)
        out += '\0';
    return out;
}

/// 24.8 bits.
std::uint32_t fixed(int value)
{
    return static_cast<std::uint32_t>(value) << 8U;
}

} // namespace

VirtualPointer::VirtualPointer(QSize screen) : screen_(screen)
{
    socket_.connectToServer(qEnvironmentVariable("WAYLAND_DISPLAY"));
    if (!socket_.waitForConnected(patience))
        return;
    send(display, 1, word(globals)); // get_registry
    send(display, 0, word(listed));  // sync
    const std::uint32_t name = managerName();
    if (name == 0)
        return;
    send(globals, 0, word(name) + text(managerInterface) + word(1) + word(manager)); // bind
    send(manager, 0, word(0) + word(pointer));                                       // on whatever seat there is
    pointer_ = pointer;
}

void VirtualPointer::send(std::uint32_t object, std::uint32_t request, const QByteArray& arguments)
{
    const auto size = static_cast<std::uint32_t>(8 + arguments.size());
    socket_.write(word(object) + word(size << 16U | request) + arguments);
    socket_.flush();
}

std::uint32_t VirtualPointer::managerName()
{
    QByteArray told;
    std::uint32_t name = 0;
    for (;;) {
        while (told.size() >= 8) {
            const std::uint32_t object = wordAt(told, 0);
            const auto size = static_cast<qsizetype>(wordAt(told, 4) >> 16U);
            if (size < 8 || told.size() < size)
                break;
            // global(name, interface, version)
            if (object == globals && told.mid(16, qsizetype(std::strlen(managerInterface))) == managerInterface)
                name = wordAt(told, 8);
            if (object == listed)
                return name;
            told.remove(0, size);
        }
        if (socket_.bytesAvailable() == 0 && !socket_.waitForReadyRead(patience))
            return 0;
        told += socket_.readAll();
    }
}

void VirtualPointer::move(QPoint to)
{
    const auto at = [](int value) { return word(static_cast<std::uint32_t>(value)); };
    send(pointer, 1, word(++now_) + at(to.x()) + at(to.y()) + at(screen_.width()) + at(screen_.height()));
    send(pointer, 4, {}); // frame
}

void VirtualPointer::button(std::uint32_t state)
{
    now_ += 40;
    send(pointer, 2, word(now_) + word(leftButton) + word(state));
    send(pointer, 4, {});
}

void VirtualPointer::press()
{
    button(1);
}

void VirtualPointer::release()
{
    button(0);
}

void VirtualPointer::click(QPoint at)
{
    now_ += 1000; // never the second of a double click
    move(at);
    press();
    release();
}

void VirtualPointer::turn(int clicks)
{
    constexpr int step = 15;   // of a usual wheel
    send(pointer, 5, word(0)); // a wheel
    send(pointer, 7, word(++now_) + word(0) + word(fixed(step * clicks)) + word(static_cast<std::uint32_t>(clicks)));
    send(pointer, 4, {});
}

} // namespace ember::test
