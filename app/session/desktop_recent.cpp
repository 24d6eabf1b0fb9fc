// SPDX-License-Identifier: GPL-3.0-or-later
#include "desktop_recent.h"

#include <QDir>
#include <QDomDocument>
#include <QFile>
#include <QMimeDatabase>
#include <QSaveFile>
#include <QUrl>

namespace ember::app {

namespace {

constexpr qint64 largestList = 16 << 20;
const QString owner = QStringLiteral("http://freedesktop.org");
const QString program = QStringLiteral("Vast Ember");

/// The first element of this name within, made where there is none.
QDomElement within(QDomNode parent, const QString& name)
{
    QDomElement child = parent.firstChildElement(name);
    if (child.isNull()) {
        child = parent.ownerDocument().createElement(name);
        parent.appendChild(child);
    }
    return child;
}

/// The first child of a name with an attribute of this value; null when there is none.
QDomElement childWith(const QDomElement& of, const QString& tag, const QString& attribute, const QString& value)
{
    for (QDomElement one = of.firstChildElement(tag); !one.isNull(); one = one.nextSiblingElement(tag))
        if (one.attribute(attribute) == value)
            return one;
    return {};
}

QDomElement bookmarkOf(QDomElement list, const QString& address, const QString& now)
{
    if (QDomElement there = childWith(list, QStringLiteral("bookmark"), QStringLiteral("href"), address);
        !there.isNull())
        return there;
    QDomElement added = list.ownerDocument().createElement(QStringLiteral("bookmark"));
    added.setAttribute(QStringLiteral("href"), address);
    added.setAttribute(QStringLiteral("added"), now);
    list.appendChild(added);
    return added;
}

QDomElement metadataOf(const QDomElement& bookmark)
{
    QDomElement info = within(bookmark, QStringLiteral("info"));
    if (QDomElement there = childWith(info, QStringLiteral("metadata"), QStringLiteral("owner"), owner);
        !there.isNull())
        return there;
    QDomElement added = info.ownerDocument().createElement(QStringLiteral("metadata"));
    added.setAttribute(QStringLiteral("owner"), owner);
    info.appendChild(added);
    return added;
}

void tellProgram(const QDomElement& metadata, const QString& now)
{
    QDomElement all = within(metadata, QStringLiteral("bookmark:applications"));
    QDomElement own = childWith(all, QStringLiteral("bookmark:application"), QStringLiteral("name"), program);
    if (own.isNull()) {
        own = all.ownerDocument().createElement(QStringLiteral("bookmark:application"));
        own.setAttribute(QStringLiteral("name"), program);
        all.appendChild(own);
    }
    own.setAttribute(QStringLiteral("exec"), QStringLiteral("'vast-ember %f'"));
    own.setAttribute(QStringLiteral("modified"), now);
    own.setAttribute(QStringLiteral("count"), own.attribute(QStringLiteral("count")).toInt() + 1);
}

} // namespace

QString recentFilesPath()
{
    const QString own = qEnvironmentVariable("XDG_DATA_HOME");
    return (own.isEmpty() ? QDir::homePath() + QStringLiteral("/.local/share") : own) +
           QStringLiteral("/recently-used.xbel");
}

QByteArray withRecentFile(const QByteArray& list, const QString& file, const QString& mime, const QDateTime& when)
{
    QDomDocument document;
    if (list.trimmed().isEmpty()) {
        document.appendChild(document.createProcessingInstruction(
            QStringLiteral("xml"), QStringLiteral("version=\"1.0\" encoding=\"UTF-8\"")));
        QDomElement root = document.createElement(QStringLiteral("xbel"));
        root.setAttribute(QStringLiteral("version"), QStringLiteral("1.0"));
        document.appendChild(root);
    } else if (!document.setContent(list)) {
        return {};
    }
    QDomElement root = document.documentElement();
    if (root.tagName() != QStringLiteral("xbel"))
        return {};
    root.setAttribute(QStringLiteral("xmlns:bookmark"),
                      QStringLiteral("http://www.freedesktop.org/standards/desktop-bookmarks"));
    root.setAttribute(QStringLiteral("xmlns:mime"),
                      QStringLiteral("http://www.freedesktop.org/standards/shared-mime-info"));
    const QString now = when.toUTC().toString(Qt::ISODateWithMs);
    QDomElement bookmark = bookmarkOf(root, QString::fromLatin1(QUrl::fromLocalFile(file).toEncoded()), now);
    bookmark.setAttribute(QStringLiteral("modified"), now);
    bookmark.setAttribute(QStringLiteral("visited"), now);
    QDomElement metadata = metadataOf(bookmark);
    within(metadata, QStringLiteral("mime:mime-type")).setAttribute(QStringLiteral("type"), mime);
    tellProgram(metadata, now);
    return document.toByteArray(2);
}

void tellDesktopUsed(const QString& file)
{
    QFile before(recentFilesPath());
    if (before.size() > largestList)
        return;
    const QByteArray list = before.open(QIODevice::ReadOnly) ? before.readAll() : QByteArray();
    if (before.exists() && !before.isOpen())
        return;
    const QString mime = file.endsWith(QStringLiteral(".vember"))
                             ? QStringLiteral("application/x-vast-ember")
                             : QMimeDatabase().mimeTypeForFile(file, QMimeDatabase::MatchExtension).name();
    const QByteArray after = withRecentFile(list, file, mime, QDateTime::currentDateTimeUtc());
    if (after.isEmpty() || !QDir().mkpath(QFileInfo(before).path()))
        return;
    QSaveFile out(before.fileName());
    if (!out.open(QIODevice::WriteOnly))
        return;
    out.setPermissions(QFileDevice::ReadOwner |
                       QFileDevice::WriteOwner); // what somebody works on is their own business
    out.write(after);
    out.commit();
}

} // namespace ember::app
