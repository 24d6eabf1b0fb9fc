// SPDX-License-Identifier: GPL-3.0-or-later
#include "finish_block.h"

#include <QComboBox>
#include <QLabel>
#include <QPushButton>

#include "colour_field.h"
#include "form.h"
#include "theme.h"
#include "value_control.h"

namespace ember::app {

FinishBlock::FinishBlock(OpenDocument& document, QWidget* parent) : QWidget(parent), document_(document)
{
    auto* column = newColumn(this, 4, {14, 5, 14, 6});
    auto* row = newRow(6);
    row->addWidget(dimLabel(tr("Edges"), this));
    edges_ = new QComboBox(this);
    edges_->setObjectName(QStringLiteral("finish-edges"));
    for (const auto mode : {EdgeMode::mirror, EdgeMode::extend, EdgeMode::plain, EdgeMode::wrap, EdgeMode::transparent})
        edges_->addItem(shownWord(edgeName(mode)));
    edges_->setToolTip(tr("What shows where the picture has moved away from its border"));
    connect(edges_, &QComboBox::activated, this, [this](int index) {
        Project next = document_.project();
        next.finish.edges = static_cast<EdgeMode>(index);
        document_.edit(std::move(next), tr("Edges %1").arg(edges_->itemText(index)));
    });
    row->addWidget(edges_);
    colour_ = new ColourField(this);
    colour_->editor()->setObjectName(QStringLiteral("finish-colour"));
    colour_->setHelp(tr("The plain colour, such as #1a2b3c"));
    connect(colour_, &ColourField::wished, this, [this](const QColor& colour) {
        Project next = document_.project();
        next.finish.plain = {static_cast<std::uint8_t>(colour.red()), static_cast<std::uint8_t>(colour.green()),
                             static_cast<std::uint8_t>(colour.blue())};
        document_.edit(std::move(next), tr("Plain colour %1").arg(colour.name()));
    });
    row->addSpacing(4);
    row->addWidget(dimLabel(tr("Cover"), this));
    cover_ = new QComboBox(this);
    cover_->setObjectName(QStringLiteral("finish-cover"));
    for (const auto mode : {CoverMode::off, CoverMode::constant, CoverMode::breathing})
        cover_->addItem(shownWord(coverName(mode)));
    connect(cover_, &QComboBox::activated, this, [this](int index) {
        Project next = document_.project();
        next.finish.cover = static_cast<CoverMode>(index);
        document_.edit(std::move(next), tr("Cover %1").arg(cover_->itemText(index)));
    });
    row->addWidget(cover_);
    row->addStretch(1);
    coverSays_ = dimLabel({}, this);
    coverSays_->setFont(theme::words(12));
    coverSays_->setWordWrap(true);
    auto* render = new QPushButton(tr("Render film"), this);
    render->setObjectName(QStringLiteral("render-open"));
    render->setToolTip(tr("Choose where and how to render (Ctrl+R)"));
    connect(render, &QPushButton::clicked, this, &FinishBlock::renderAsked);
    row->addWidget(render);
    column->addLayout(row);
    // Only there while there is something to say or to set.
    auto* last = newRow(6);
    last->addWidget(colour_);
    last->addWidget(coverSays_, 1);
    column->addLayout(last);
    connect(&document_, &OpenDocument::changed, this, &FinishBlock::refresh);
    refresh();
}

void FinishBlock::refresh()
{
    const Finish& finish = document_.project().finish;
    edges_->setCurrentIndex(static_cast<int>(finish.edges));
    cover_->setCurrentIndex(static_cast<int>(finish.cover));
    colour_->setVisible(finish.edges == EdgeMode::plain);
    colour_->setColour(QColor(finish.plain.r, finish.plain.g, finish.plain.b));
    const Cover& cover = document_.cover();
    QString says;
    if (cover.needed <= 1)
        says = tr("No frame shows its border.");
    else if (cover.needed > largestCover)
        says = tr("Frame %1 leaves the picture: no zoom hides its border.").arg(cover.worstFrame);
    else if (finish.cover == CoverMode::off)
        says = tr("%1 % would hide the borders (frame %2).").arg(100 * cover.needed, 0, 'f', 1).arg(cover.worstFrame);
    else
        says = tr("Zoomed to %1 %, set by frame %2.").arg(100 * cover.zoom, 0, 'f', 1).arg(cover.worstFrame);
    coverSays_->setText(says);
    coverSays_->setVisible(cover.needed > 1 && (finish.cover == CoverMode::off || cover.needed > largestCover));
    cover_->setToolTip(tr("Constant: the whole film is enlarged by just as much as hides every border; breathing: only "
                          "around each strike.") +
                       QLatin1Char(' ') + says);
}

} // namespace ember::app
