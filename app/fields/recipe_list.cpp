// SPDX-License-Identifier: GPL-3.0-or-later
#include "recipe_list.h"

#include <QPainter>

#include "theme.h"

namespace ember::app {

namespace {
constexpr int rowHeight = 38;
constexpr int headingHeight = 24;
} // namespace

QSize RecipeDelegate::sizeHint(const QStyleOptionViewItem&, const QModelIndex& index) const
{
    return {200, index.data(sourceRole).toInt() == 0 ? headingHeight : rowHeight};
}

void RecipeDelegate::paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const
{
    const QRect box = option.rect;
    p->save();
    if (index.data(sourceRole).toInt() == 0) {
        p->setFont(theme::words(11));
        p->setPen(theme::dim);
        p->drawText(box.adjusted(6, 0, -6, -3), Qt::AlignLeft | Qt::AlignBottom, index.data().toString());
        p->restore();
        return;
    }
    const bool chosen = (option.state & QStyle::State_Selected) != 0;
    if (chosen || (option.state & QStyle::State_MouseOver) != 0) {
        p->setPen(chosen ? theme::copper : theme::line);
        p->setBrush(theme::raised);
        p->drawRoundedRect(QRectF(box).adjusted(0.5, 0.5, -0.5, -0.5), 3, 3);
    }
    paintRecipeTrace(*p, QRectF(box.left() + 6, box.top() + 3, recipeTraceWidth, box.height() - 6),
                     index.data(traceRole).value<RecipeTrace>());
    const QRect words = box.adjusted(recipeTraceWidth + 18, 3, -6, -3);
    p->setFont(theme::words(13));
    p->setPen(theme::text);
    p->drawText(words, Qt::AlignLeft | Qt::AlignTop,
                p->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, words.width()));
    p->setFont(theme::words(11));
    p->setPen(theme::dim);
    p->drawText(words, Qt::AlignLeft | Qt::AlignBottom,
                p->fontMetrics().elidedText(index.data(aboutRole).toString(), Qt::ElideRight, words.width()));
    p->restore();
}

void RecipeDelegate::updateEditorGeometry(QWidget* editor, const QStyleOptionViewItem& option, const QModelIndex&) const
{
    editor->setGeometry(option.rect.adjusted(recipeTraceWidth + 14, 6, -6, -6));
}

} // namespace ember::app
