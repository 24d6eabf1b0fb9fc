// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>

class QLocalServer;

namespace ember::app {

/// One program for all files on a display: a second start hands its file to the first and ends.
class InstanceDoor : public QObject {
    Q_OBJECT
public:
    /// The door's name: one for each user and display.
    static QString nameFor(unsigned user, const QString& platform, const QByteArray& wayland,
                           const QByteArray& display);
    explicit InstanceDoor(QString name, QObject* parent = nullptr);
    /// Hands `path` (absolute, or empty to only come forward) to a program that is running; false when there is none.
    bool handOver(const QString& path) const;
    /// From now on files are taken from later starts.
    void open();

signals:
    void asked(const QString& path);

private:
    void take();

    QString name_;
    QLocalServer* server_ = nullptr;
};

} // namespace ember::app
