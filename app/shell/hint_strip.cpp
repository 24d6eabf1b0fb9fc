// SPDX-License-Identifier: GPL-3.0-or-later
#include "hint_strip.h"

#include <array>

#include <QLabel>
#include <QPushButton>
#include <QSettings>

#include "form.h"
#include "theme.h"
#include "value_control.h"

namespace ember::app {

namespace {
const QString closedKey = QStringLiteral("hints/closed");
constexpr int steps = 5;
} // namespace

HintStrip::HintStrip(OpenDocument& document, Film& film, ProjectFile& file, QWidget* parent)
    : QWidget(parent), document_(document), film_(film), file_(file)
{
    setObjectName(QStringLiteral("hints"));
    setAttribute(Qt::WA_StyledBackground);
    theme::fill(*this, theme::Ground::strip);
    auto* row = newRow(this, usualSpacing, {12, 1, 8, 1});
    text_ = new QLabel(this);
    text_->setObjectName(QStringLiteral("hint-text"));
    text_->setWordWrap(true);                                  // the window may be narrow
    text_->setMinimumSize(120, text_->fontMetrics().height()); // as many lines as its width asks for, none in advance
    row->addWidget(text_, 1);
    next_ = smallButton({}, QStringLiteral("hint-next"), {}, this);
    connect(next_, &QPushButton::clicked, this, [this] { done(step_); });
    row->addWidget(next_);
    auto* close = smallButton(tr("Close for good"), QStringLiteral("hint-close"),
                              tr("These hints do not come again; Help, First steps brings them back"), this);
    connect(close, &QPushButton::clicked, this, &HintStrip::closeForGood);
    row->addWidget(close);
    connect(&file_, &ProjectFile::opened, this, [this] {
        if (film_.hasClip())
            done(0);
    });
    connect(&document_, &OpenDocument::changed, this, [this] {
        if (step_ == 1 && document_.history().canUndo() && !document_.project().strikes.empty())
            done(1);
        else if (step_ == 2 && document_.history().canUndo())
            done(2);
    });
    show(0);
    setVisible(!closedForGood());
}

bool HintStrip::closedForGood()
{
    return QSettings().value(closedKey, false).toBool();
}

void HintStrip::restart()
{
    QSettings().remove(closedKey);
    show(film_.hasClip() ? 1 : 0);
    setVisible(true);
}

void HintStrip::done(int step)
{
    if (step != step_ || isHidden())
        return;
    if (step + 1 == steps)
        closeForGood();
    else
        show(step + 1);
}

void HintStrip::show(int step)
{
    step_ = step;
    const std::array<QString, steps> texts{
        tr("Open a clip (Ctrl+O), drop one here, or open the demo."),
        tr("Step to the frame of contact (arrow keys) and press S. Ctrl+F finds all strikes."),
        tr("Shape it on the Anvil: drag peak, decay and rumble over the film frames."),
        tr("Space plays, L loops; hold C to see the frame unshaken. All can be undone."),
        tr("Ctrl+R renders the film. F2 finds any action by its name, F1 is the guide.")};
    text_->setText(tr("%1 of %2   %3").arg(step + 1).arg(steps).arg(texts[static_cast<std::size_t>(step)]));
    next_->setText(step + 1 == steps ? tr("Done") : tr("Next"));
    next_->setToolTip(step + 1 == steps ? tr("Closes the hints") : tr("The next step"));
}

void HintStrip::closeForGood()
{
    QSettings().setValue(closedKey, true);
    hide();
}

} // namespace ember::app
