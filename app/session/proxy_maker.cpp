// SPDX-License-Identifier: GPL-3.0-or-later
#include "proxy_maker.h"

#include <algorithm>

#include <QFileInfo>

#include "film.h"
#include "messages.h"
#include "open_document.h"
#include "text.h"

namespace ember::app {

ProxyMaker::ProxyMaker(OpenDocument& document, Film& film, Messages& messages)
    : document_(document), film_(film), messages_(messages)
{
    connect(&task_, &Task::progressed, this, [this](double share) {
        share_ = share;
        emit changed();
    });
}

void ProxyMaker::make(const Shot& shot, ProxySize size)
{
    const bool first = !wishes_.empty() && same(wishes_.front().shot, shot);
    std::erase_if(wishes_, [&](const Wish& wish) { return same(wish.shot, shot); });
    if (first)
        task_.drop();
    wishes_.push_back({shot, document_.project().rate, size});
    if (wishes_.size() == 1 || first)
        next();
    emit changed();
}

void ProxyMaker::remove(const Shot& shot)
{
    const bool first = !wishes_.empty() && same(wishes_.front().shot, shot);
    std::erase_if(wishes_, [&](const Wish& wish) { return same(wish.shot, shot); });
    if (first) {
        task_.drop();
        next();
    }
    if (film_.proxies().of(shot)) {
        film_.proxies().remove(shot);
        film_.proxiesChanged();
    }
    emit changed();
}

bool ProxyMaker::wanted(const Shot& shot) const
{
    return std::any_of(wishes_.begin(), wishes_.end(), [&](const Wish& wish) { return same(wish.shot, shot); });
}

ProxySize ProxyMaker::wantedSize(const Shot& shot) const
{
    const auto found =
        std::find_if(wishes_.begin(), wishes_.end(), [&](const Wish& wish) { return same(wish.shot, shot); });
    return found == wishes_.end() ? ProxySize::half : found->size;
}

double ProxyMaker::share(const Shot& shot) const
{
    return !wishes_.empty() && same(wishes_.front().shot, shot) ? share_ : -1;
}

void ProxyMaker::next()
{
    share_ = 0;
    if (wishes_.empty())
        return;
    const auto work = [wish = wishes_.front(), shelf = film_.proxies()](const Progress& progress) {
        return shelf.make(wish.shot, wish.rate, wish.size, progress);
    };
    task_.begin(work, [this](const Status& status) {
        const QString name = QFileInfo(QString::fromStdString(wishes_.front().shot.clip)).fileName();
        wishes_.pop_front();
        if (status) {
            film_.proxiesChanged();
            emit messages_.told(tr("%1 plays from its proxy").arg(name));
        } else if (status.error().code != ErrorCode::cancelled) {
            emit messages_.trouble(said(status.error()));
        }
        next();
        emit changed();
    });
}

} // namespace ember::app
