// SPDX-License-Identifier: GPL-3.0-or-later
#include "tab_order.h"

#include <algorithm>
#include <numeric>

#include <QWidget>

namespace ember::app {

std::vector<std::size_t> readingOrder(const std::vector<QRect>& places)
{
    std::vector<std::size_t> order(places.size());
    std::iota(order.begin(), order.end(), std::size_t{0});
    std::stable_sort(order.begin(), order.end(),
                     [&](std::size_t a, std::size_t b) { return places[a].top() < places[b].top(); });
    for (auto row = order.begin(); row != order.end();) {
        const QRect first = places[*row];
        const auto end = std::stable_partition(row, order.end(), [&](std::size_t i) {
            const int middle = places[i].center().y();
            return middle >= first.top() && middle <= first.bottom();
        });
        // The first is in its own row, so rows never are empty.
        std::stable_sort(row, end, [&](std::size_t a, std::size_t b) { return places[a].left() < places[b].left(); });
        row = end;
    }
    return order;
}

QList<QWidget*> tabStops(const QWidget& region)
{
    QList<QWidget*> found;
    std::vector<QRect> places;
    const auto take = [&](QWidget* widget) {
        if ((widget->focusPolicy() & Qt::TabFocus) == 0 || !widget->isEnabled() || !widget->isVisible() ||
            widget->focusProxy() != nullptr || widget->window() != region.window())
            return;
        found << widget;
        QRect place(widget->mapTo(region.window(), QPoint(0, 0)), widget->size());
        for (const QWidget* above = widget; above != nullptr && above != &region; above = above->parentWidget())
            if (above->property(readAcross).toBool()) {
                const QWidget* on = above->parentWidget();
                place.setTop(on->mapTo(region.window(), QPoint(0, 0)).y());
                place.setHeight(on->height() - 2);
            }
        places.push_back(place);
    };
    for (QWidget* widget : region.findChildren<QWidget*>())
        take(widget);
    take(const_cast<QWidget*>(&region)); // NOLINT: findChildren gives them unconst, too
    for (std::size_t i = 0; i < places.size(); ++i) {
        const bool under = std::any_of(places.begin(), places.end(), [&](const QRect& other) {
            return &other != &places[i] && other != places[i] && places[i].contains(other);
        });
        if (under)
            places[i].setTop(places[i].bottom());
    }
    QList<QWidget*> ordered;
    for (const std::size_t i : readingOrder(places))
        ordered << found[static_cast<qsizetype>(i)];
    return ordered;
}

QWidget* nextStop(const QList<QWidget*>& stops, const QWidget* from, bool forward)
{
    if (stops.isEmpty())
        return nullptr;
    qsizetype at = -1; // `from`, or what holds it
    for (const QWidget* widget = from; widget != nullptr && at < 0; widget = widget->parentWidget())
        at = stops.indexOf(const_cast<QWidget*>(widget)); // NOLINT
    if (at < 0)
        return forward ? stops.first() : stops.last();
    return stops[(at + (forward ? 1 : stops.size() - 1)) % stops.size()];
}

} // namespace ember::app
