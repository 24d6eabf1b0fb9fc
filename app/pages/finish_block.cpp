// SPDX-License-Identifier: GPL-3.0-or-later
#include "finish_block.h"

#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QToolButton>

#include "flow_layout.h"
#include "form.h"
#include "style.h"
#include "theme.h"
#include "value_control.h"

namespace ember::app {

FinishBlock::FinishBlock(OpenDocument& document, QWidget* parent) : QWidget(parent), document_(document)
{
    auto* row = newRow(this, 6, {14, 5, 14, 6});
    auto* words = new QWidget(this);
    auto* flow = new FlowLayout(words);
    flow->setContentsMargins(0, 0, 0, 0);
    flow->setSpacing(2);
    edges_ = new QComboBox(words);
    edges_->setObjectName(QStringLiteral("finish-edges"));
    for (const auto mode : {EdgeMode::mirror, EdgeMode::extend, EdgeMode::plain, EdgeMode::wrap, EdgeMode::transparent})
        edges_->addItem(tr("%1 edges").arg(shownWord(edgeName(mode))));
    edges_->setToolTip(tr("What fills the frame where the picture has moved away from its edge"));
    connect(edges_, &QComboBox::activated, this, [this](int index) {
        Project next = document_.project();
        next.finish.edges = static_cast<EdgeMode>(index);
        document_.edit(std::move(next), edges_->itemText(index));
    });
    cover_ = new QComboBox(words);
    cover_->setObjectName(QStringLiteral("finish-cover"));
    for (const auto mode : {CoverMode::off, CoverMode::constant, CoverMode::breathing})
        cover_->addItem(mode == CoverMode::off ? tr("no cover") : tr("%1 cover").arg(shownWord(coverName(mode))));
    connect(cover_, &QComboBox::activated, this, [this](int index) {
        Project next = document_.project();
        next.finish.cover = static_cast<CoverMode>(index);
        document_.edit(std::move(next), cover_->itemText(index));
    });
    for (QComboBox* list : {edges_, cover_}) {
        setLook(*list, Look::tight);
        list->setFont(theme::words(12));
        flow->addWidget(list);
    }
    words_ = word("finish-words", tr("Motion blur (its shutter angle) and letterbox bars: to the Finish page (F8)"));
    flow->addWidget(words_);
    row->addWidget(words, 1);
    auto* render = new QPushButton(tr("Render film"), this);
    render->setObjectName(QStringLiteral("render-open"));
    render->setToolTip(tr("Choose where and how to render (Ctrl+R)"));
    setLook(*render, Look::strong);
    connect(render, &QPushButton::clicked, this, &FinishBlock::renderAsked);
    row->addWidget(render);
    connect(&document_, &OpenDocument::changed, this, &FinishBlock::refresh);
    refresh();
}

QToolButton* FinishBlock::word(const char* name, const QString& tip)
{
    auto* made = new QToolButton(this);
    made->setObjectName(QLatin1String(name));
    made->setToolTip(tip);
    made->setFont(theme::words(12));
    setLook(*made, Look::flat);
    connect(made, &QToolButton::clicked, this, &FinishBlock::finishAsked);
    return made;
}

void FinishBlock::refresh()
{
    const Finish& finish = document_.project().finish;
    edges_->setCurrentIndex(static_cast<int>(finish.edges));
    cover_->setCurrentIndex(static_cast<int>(finish.cover));
    const QString blur = finish.shutterAngle > 0 ? tr("blur %1°").arg(finish.shutterAngle) : tr("no blur");
    const QString bars = finish.letterbox > 0 ? tr("bars %1").arg(finish.letterbox, 0, 'f', 2) : tr("no bars");
    words_->setText(blur + QStringLiteral(", ") + bars);
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
    cover_->setToolTip(tr("Constant: the whole film is enlarged by just as much as hides every border; breathing: only "
                          "around each strike.") +
                       QLatin1Char(' ') + says);
}

} // namespace ember::app
