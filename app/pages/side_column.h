// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>

#include <QWidget>

#include "dialogs.h"
#include "session.h"

class QPushButton;
class QStackedWidget;

namespace ember::app {

class RecipePage;

/// Four pages, one at a time, and the chief values of the finish, which is always there: what is selected, the recipe
/// book, and what stands over the whole film.
class SideColumn : public QWidget {
    Q_OBJECT
public:
    enum class Page { strike, recipes, film, finish };

    SideColumn(Session& session, const Dialogs& dialogs, QWidget* parent = nullptr);

    Page page() const;
    void setPage(Page page);
    RecipePage& recipes() { return *recipes_; }

signals:
    void renderAsked();
    void topViewAsked();

private:
    std::array<QPushButton*, 4> tabs_{};
    QStackedWidget* pages_;
    RecipePage* recipes_;
};

} // namespace ember::app
