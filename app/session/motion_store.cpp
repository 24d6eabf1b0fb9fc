// SPDX-License-Identifier: GPL-3.0-or-later
#include "motion_store.h"
#include "text.h"

#include <algorithm>

#include <QFile>

namespace ember::app {

MotionStore::MotionStore(QObject* parent) : QObject(parent), folder_(userMotionsFolder())
{
    readAgain();
}

void MotionStore::readAgain()
{
    OwnMotions own = openMotions(folder_);
    trouble_ = said(own.trouble);
    items_.clear();
    for (const KeptMotion& kept : shippedMotions())
        items_.push_back({MotionLoop(kept), {}});
    for (OwnMotion& motion : own.motions)
        items_.push_back({MotionLoop(std::move(motion.kept)), QString::fromStdString(motion.path)});
    emit changed();
}

int MotionStore::placeOf(const std::string& name) const
{
    const auto found =
        std::find_if(items_.begin(), items_.end(), [&](const Item& item) { return item.kept().name == name; });
    return found == items_.end() ? -1 : static_cast<int>(found - items_.begin());
}

std::string MotionStore::keep(KeptMotion kept, QString& wrong)
{
    std::vector<KeptMotion> all;
    for (const Item& item : items_)
        all.push_back(item.kept());
    kept.name = freshMotionName(all, kept.name);
    kept.motion = rounded(kept.motion);
    const auto path = keepMotion(kept, folder_);
    if (!path) {
        wrong = said(path.error());
        return {};
    }
    readAgain();
    return kept.name;
}

QString MotionStore::rename(int place, const std::string& name)
{
    const Item& item = items_[static_cast<std::size_t>(place)];
    if (name.empty() || name == item.kept().name || !item.own())
        return {};
    if (placeOf(name) >= 0)
        return tr("There is a motion called %1 already").arg(QString::fromStdString(name));
    KeptMotion renamed = item.kept();
    renamed.name = name;
    const auto status = saveMotion(renamed, item.path.toStdString());
    if (!status)
        return said(status.error());
    readAgain();
    return {};
}

QString MotionStore::remove(int place)
{
    const Item item = items_[static_cast<std::size_t>(place)];
    if (!item.own())
        return {};
    if (!QFile::remove(item.path))
        return tr("%1 could not be deleted").arg(item.path);
    removed_ = item.kept();
    readAgain();
    return {};
}

QString MotionStore::bringBack()
{
    if (!removed_)
        return {};
    QString wrong;
    if (!keep(*removed_, wrong).empty())
        removed_.reset();
    return wrong;
}

} // namespace ember::app
