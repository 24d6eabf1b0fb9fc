// SPDX-License-Identifier: GPL-3.0-or-later
#include "side_column.h"

#include <QButtonGroup>
#include <QCoreApplication>
#include <QPushButton>
#include <QScrollArea>
#include <QScrollBar>
#include <QStackedWidget>

#include "film_page.h"
#include "finish_block.h"
#include "finish_page.h"
#include "form.h"
#include "recipe_page.h"
#include "strike_page.h"
#include "style.h"
#include "theme.h"
#include "value_control.h"

namespace ember::app {

SideColumn::SideColumn(Session& session, const Dialogs& dialogs, QWidget* parent)
    : QWidget(parent), pages_(new QStackedWidget(this)), recipes_(new RecipePage(session, dialogs))
{
    setObjectName(QStringLiteral("side"));
    setMinimumWidth(416);
    auto* column = newColumn(this, 0, {0, 0, 0, 0});
    auto* row = newRow(2, {14, 5, 14, 3});
    auto* group = new QButtonGroup(this);
    const std::array<std::pair<QString, QString>, 4> names{
        {{tr("Strike"), tr("The selected strike and its recipe's strands (F5)")},
         {tr("Recipes"), tr("The recipe book: this project's, the shipped ones, your own (F6)")},
         {tr("Film"),
          tr("All shakes together: intensity, where strikes meet, settle marks, drift, the shot's move (F7)")},
         {tr("Finish"), tr("Edges and cover, motion blur, letterbox, layers (F8)")}}};
    for (std::size_t i = 0; i < tabs_.size(); ++i) {
        tabs_[i] = new QPushButton(names[i].first, this);
        tabs_[i]->setToolTip(names[i].second);
        tabs_[i]->setCheckable(true);
        tabs_[i]->setObjectName(QStringLiteral("page-%1").arg(i));
        setLook(*tabs_[i], Look::tab);
        group->addButton(tabs_[i], static_cast<int>(i));
        row->addWidget(tabs_[i]);
    }
    row->addStretch(1);
    column->addLayout(row);
    auto* strikePage = new StrikePage(session, dialogs);
    auto* strikeArea = scrolling(strikePage);
    pages_->addWidget(strikeArea);
    connect(strikePage, &StrikePage::topViewAsked, this, &SideColumn::topViewAsked);
    connect(strikePage, &StrikePage::shown, strikeArea, [strikeArea](QWidget* part) {
        // The layout has to know the new height first; then as much of it as fits, its head at the top if it must.
        QCoreApplication::sendPostedEvents(nullptr, QEvent::LayoutRequest);
        strikeArea->ensureWidgetVisible(part, 0, 4);
        if (part->height() > strikeArea->viewport()->height())
            strikeArea->verticalScrollBar()->setValue(part->y() - 4);
    });
    pages_->addWidget(recipes_);
    auto* filmArea = scrolling(new FilmPage(session, dialogs));
    filmArea->setObjectName(QStringLiteral("film-area"));
    pages_->addWidget(filmArea);
    auto* finishArea = scrolling(new FinishPage(session, dialogs));
    finishArea->setObjectName(QStringLiteral("finish-area"));
    pages_->addWidget(finishArea);
    column->addWidget(pages_, 1);
    column->addWidget(rule(this));
    auto* finish = new FinishBlock(session.document, this);
    column->addWidget(finish);
    connect(group, &QButtonGroup::idClicked, this, [this](int id) { setPage(static_cast<Page>(id)); });
    connect(finish, &FinishBlock::renderAsked, this, &SideColumn::renderAsked);
    connect(finish, &FinishBlock::finishAsked, this, [this] { setPage(Page::finish); });
    setPage(Page::strike);
}

SideColumn::Page SideColumn::page() const
{
    return static_cast<Page>(pages_->currentIndex());
}

void SideColumn::setPage(Page page)
{
    pages_->setCurrentIndex(static_cast<int>(page));
    tabs_[static_cast<std::size_t>(page)]->setChecked(true);
}

} // namespace ember::app
