// SPDX-License-Identifier: GPL-3.0-or-later
#include "instance_door.h"

#include <QLocalServer>
#include <QLocalSocket>

namespace ember::app {

namespace {
constexpr int patience = 1000; // milliseconds
constexpr qint64 longestPath = 65536;
} // namespace

InstanceDoor::InstanceDoor(QString name, QObject* parent) : QObject(parent), name_(std::move(name)) {}

QString InstanceDoor::nameFor(unsigned user, const QString& platform, const QByteArray& wayland,
                              const QByteArray& display)
{
    const QByteArray& on = platform.startsWith(QStringLiteral("wayland")) ? wayland : display;
    return QStringLiteral("vast-ember-%1-%2-%3")
        .arg(user)
        .arg(platform, QString::fromLatin1(on.toPercentEncoding({}, "/")));
}

bool InstanceDoor::handOver(const QString& path) const
{
    QLocalSocket socket;
    socket.connectToServer(name_);
    if (!socket.waitForConnected(patience))
        return false;
    socket.write(path.toUtf8() + '\n');
    // An answer, so that a program that hangs is not taken for one that opens the file.
    return socket.waitForBytesWritten(patience) && socket.waitForReadyRead(3 * patience);
}

void InstanceDoor::open()
{
    server_ = new QLocalServer(this);
    server_->setSocketOptions(QLocalServer::UserAccessOption);
    QLocalServer::removeServer(name_); // nobody answered there: what is left of it is dead
    connect(server_, &QLocalServer::newConnection, this, &InstanceDoor::take);
    server_->listen(name_);
}

void InstanceDoor::take()
{
    while (QLocalSocket* socket = server_->nextPendingConnection()) {
        connect(socket, &QLocalSocket::disconnected, socket, &QObject::deleteLater);
        const auto read = [this, socket] {
            if (socket->bytesAvailable() > longestPath) {
                socket->abort();
                return;
            }
            if (!socket->canReadLine())
                return;
            const QString path = QString::fromUtf8(socket->readLine()).trimmed();
            socket->write("ok\n");
            socket->flush();
            emit asked(path);
        };
        connect(socket, &QLocalSocket::readyRead, this, read);
        read();
    }
}

} // namespace ember::app
