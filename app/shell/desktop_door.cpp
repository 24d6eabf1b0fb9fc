// SPDX-License-Identifier: GPL-3.0-or-later
#include "desktop_door.h"

#include <QDBusAbstractAdaptor>
#include <QUrl>
#include <QVariantList>

namespace ember::app {

namespace {

const QString place = QStringLiteral("/org/vastember/VastEmber");

/// The right to come forward that the desktop gave to whoever clicked, where it is one that gives any.
void takeToken(const QVariantMap& platform)
{
    const QString token = platform.value(QStringLiteral("activation-token")).toString();
    if (!token.isEmpty())
        qputenv("XDG_ACTIVATION_TOKEN", token.toUtf8());
}

/// The interface as the bus sees it.
class ApplicationAdaptor : public QDBusAbstractAdaptor {
    Q_OBJECT
    Q_CLASSINFO("D-Bus Interface", "org.freedesktop.Application")
public:
    explicit ApplicationAdaptor(DesktopDoor* door) : QDBusAbstractAdaptor(door), door_(*door) {}

public slots: // NOLINT
    // Named as the interface names them.
    void Activate(const QVariantMap& platform) { door_.activate(platform); } // NOLINT
    void Open(const QStringList& uris, const QVariantMap& platform)          // NOLINT
    {
        door_.openAll(uris, platform);
    }
    void ActivateAction(const QString& action, const QVariantList&, const QVariantMap& platform) // NOLINT
    {
        door_.act(action, platform);
    }

private:
    DesktopDoor& door_;
};

} // namespace

const QString DesktopDoor::name = QStringLiteral("org.vastember.VastEmber");

DesktopDoor::DesktopDoor(QDBusConnection bus, QObject* parent) : QObject(parent), bus_(std::move(bus)) {}

DesktopDoor::~DesktopDoor()
{
    if (!open_)
        return;
    bus_.unregisterService(name);
    bus_.unregisterObject(place);
}

bool DesktopDoor::open()
{
    if (!bus_.isConnected())
        return false;
    new ApplicationAdaptor(this);
    open_ = bus_.registerObject(place, this, QDBusConnection::ExportAdaptors) && bus_.registerService(name);
    return open_;
}

void DesktopDoor::activate(const QVariantMap& platform)
{
    takeToken(platform);
    emit asked({});
}

void DesktopDoor::openAll(const QStringList& addresses, const QVariantMap& platform)
{
    takeToken(platform);
    QStringList paths;
    for (const QString& address : addresses)
        if (const QUrl url(address); url.isLocalFile())
            paths.append(url.toLocalFile());
    emit asked(paths.value(0));
    for (qsizetype i = 1; i < paths.size(); ++i)
        emit anotherAsked(paths[i]);
}

void DesktopDoor::act(const QString& action, const QVariantMap& platform)
{
    takeToken(platform);
    if (action == QStringLiteral("new-window"))
        emit anotherAsked({});
}

} // namespace ember::app

#include "desktop_door.moc"
