// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QStyledItemDelegate>

#include "recipe_trace.h"

namespace ember::app {

/// What a row of the recipe list holds besides its name.
enum RecipeRole {
    sourceRole = Qt::UserRole, ///< a RecipePage::Source; 0 is a heading
    whichRole,                 ///< the recipe's identity, or its place in the book
    aboutRole,                 ///< what it is for
    traceRole,                 ///< a RecipeTrace
};
/// Pixels the trace is drawn over, one moment each.
inline constexpr int recipeTraceWidth = 118;

/// Paints a recipe's row: its trace, its name, what it is for.
class RecipeDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;

    QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override;
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override;
    void updateEditorGeometry(QWidget* editor, const QStyleOptionViewItem& option,
                              const QModelIndex& index) const override;
};

} // namespace ember::app

Q_DECLARE_METATYPE(ember::app::RecipeTrace)
