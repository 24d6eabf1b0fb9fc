// SPDX-License-Identifier: GPL-3.0-or-later
// A stand-in for a desktop's portal (flatpak.github.io/xdg-desktop-portal: FileChooser, Settings): chooses the file
// that it is told to, and tells on stdout what it was asked for, a line each. portal_stand_in FILE
#include <cstdio>

#include <QCoreApplication>
#include <QDBusArgument>
#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusObjectPath>
#include <QDBusVariant>
#include <QDBusVirtualObject>
#include <QTimer>
#include <QUrl>

namespace {

class Portal final : public QDBusVirtualObject {
public:
    explicit Portal(QString file) : file_(std::move(file)) {}

    QString introspect(const QString&) const override { return {}; }

    bool handleMessage(const QDBusMessage& asked, const QDBusConnection& bus) override
    {
        const QString what = asked.member();
        if (what == QLatin1String("Get")) { // the version of an interface
            bus.send(asked.createReply(QVariant::fromValue(QDBusVariant(QVariant(3U)))));
        } else if (what == QLatin1String("Read")) {
            const QString key = asked.arguments().value(1).toString();
            tell(QStringLiteral("Read ") + key);
            const bool known = key == QLatin1String("enable-animations");
            bus.send(known ? asked.createReply(QVariant::fromValue(QDBusVariant(QVariant(false))))
                           : asked.createErrorReply(QStringLiteral("org.freedesktop.portal.Error.NotFound"), key));
        } else if (what == QLatin1String("OpenFile") || what == QLatin1String("SaveFile")) {
            tell(what + QLatin1Char(' ') + asked.arguments().value(1).toString());
            const QString handle = QStringLiteral("/org/freedesktop/portal/desktop/request/%1").arg(++requests_);
            bus.send(asked.createReply(QVariant::fromValue(QDBusObjectPath(handle))));
            answer(bus, handle);
        } else {
            return false;
        }
        return true;
    }

private:
    static void tell(const QString& line)
    {
        std::puts(qPrintable(line));
        std::fflush(stdout);
    }
    /// Again and again: whoever asked may not listen yet, and only listens to the first.
    void answer(QDBusConnection bus, const QString& handle)
    {
        auto* timer = new QTimer(this);
        connect(timer, &QTimer::timeout, this, [this, bus, handle] {
            QDBusMessage response = QDBusMessage::createSignal(handle, QStringLiteral("org.freedesktop.portal.Request"),
                                                               QStringLiteral("Response"));
            const QStringList uris{QUrl::fromLocalFile(file_).toString(QUrl::FullyEncoded)};
            response << 0U << QVariantMap{{QStringLiteral("uris"), uris}};
            bus.send(response);
        });
        timer->start(100);
    }

    QString file_;
    int requests_ = 0;
};

} // namespace

int main(int argc, char** argv)
{
    const QCoreApplication application(argc, argv);
    QDBusConnection bus = QDBusConnection::sessionBus();
    Portal portal(QCoreApplication::arguments().value(1));
    if (!bus.registerVirtualObject(QStringLiteral("/org/freedesktop/portal/desktop"), &portal) ||
        !bus.registerService(QStringLiteral("org.freedesktop.portal.Desktop")))
        return 1;
    std::puts("there");
    std::fflush(stdout);
    return QCoreApplication::exec();
}
