// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDBusConnection>
#include <QObject>
#include <QString>
#include <QStringList>

namespace ember::app {

/// What the desktop asks of the program over the session's bus: to come forward, to open files, to start another window
/// (the interface org.freedesktop.Application of the Desktop Entry Specification, "D-Bus activation").
class DesktopDoor : public QObject {
    Q_OBJECT
public:
    /// The program's name on the bus, and that of its desktop entry.
    static const QString name;

    explicit DesktopDoor(QDBusConnection bus, QObject* parent = nullptr);
    ~DesktopDoor() override;
    /// Listens from now on. False where there is no bus, or another program has the name: then the desktop asks that
    /// one.
    bool open();

    // --- as they come over the bus
    void activate(const QVariantMap& platform);
    /// `addresses`: file: addresses; others are passed over. The first is opened here, each further one in a window of
    /// its own.
    void openAll(const QStringList& addresses, const QVariantMap& platform);
    void act(const QString& action, const QVariantMap& platform);

signals:
    /// To come forward, and to open a file where there is one.
    void asked(const QString& path);
    /// Another window, with a file where there is one.
    void anotherAsked(const QString& path);

private:
    QDBusConnection bus_;
    bool open_ = false;
};

} // namespace ember::app
