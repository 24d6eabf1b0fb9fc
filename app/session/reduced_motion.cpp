// SPDX-License-Identifier: GPL-3.0-or-later
#include "reduced_motion.h"

#include <optional>

#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusVariant>
#include <QDir>
#include <QFileInfo>
#include <QSettings>

namespace ember::app {

namespace {

std::optional<bool>& known()
{
    static std::optional<bool> wish;
    return wish;
}

/// A value of the settings portal; invalid where there is no portal or no such value.
QVariant portalValue(const QString& space, const QString& key)
{
    constexpr int patience = 150; // milliseconds
    QDBusConnection bus = QDBusConnection::sessionBus();
    if (!bus.isConnected())
        return {};
    QDBusMessage call = QDBusMessage::createMethodCall(
        QStringLiteral("org.freedesktop.portal.Desktop"), QStringLiteral("/org/freedesktop/portal/desktop"),
        QStringLiteral("org.freedesktop.portal.Settings"), QStringLiteral("Read"));
    call << space << key;
    const QDBusMessage answer = bus.call(call, QDBus::Block, patience);
    if (answer.type() != QDBusMessage::ReplyMessage || answer.arguments().isEmpty())
        return {};
    QVariant value = answer.arguments().constFirst();
    while (value.canConvert<QDBusVariant>())
        value = value.value<QDBusVariant>().variant();
    return value;
}

/// A value of a settings file in the person's own folder.
QVariant fileValue(const QString& file, const QString& key)
{
    const QString own = qEnvironmentVariable("XDG_CONFIG_HOME");
    const QString path =
        (own.isEmpty() ? QDir::homePath() + QStringLiteral("/.config") : own) + QLatin1Char('/') + file;
    return QFileInfo::exists(path) ? QSettings(path, QSettings::IniFormat).value(key) : QVariant();
}

bool ask()
{
    const QVariant reduced =
        portalValue(QStringLiteral("org.freedesktop.appearance"), QStringLiteral("reduced-motion"));
    if (reduced.isValid() && reduced.toUInt() == 1)
        return true;
    const QVariant animations =
        portalValue(QStringLiteral("org.gnome.desktop.interface"), QStringLiteral("enable-animations"));
    if (animations.isValid() && !animations.toBool())
        return true;
    const QVariant factor = fileValue(QStringLiteral("kdeglobals"), QStringLiteral("KDE/AnimationDurationFactor"));
    if (factor.isValid() && factor.toDouble() == 0)
        return true;
    for (const char* version : {"gtk-4.0", "gtk-3.0"}) {
        const QVariant gtk = fileValue(QLatin1String(version) + QStringLiteral("/settings.ini"),
                                       QStringLiteral("Settings/gtk-enable-animations"));
        if (gtk.isValid() && !gtk.toBool())
            return true;
    }
    return false;
}

} // namespace

bool desktopPrefersLessMotion()
{
    if (!known())
        known() = ask();
    return *known();
}

void askDesktopAgain()
{
    known().reset();
}

} // namespace ember::app
