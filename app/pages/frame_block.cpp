// SPDX-License-Identifier: GPL-3.0-or-later
#include "frame_block.h"

#include <array>
#include <cmath>

#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QPushButton>
#include <QRegularExpression>
#include <QSignalBlocker>

#include "ember/project/frame_edits.h"
#include "form.h"
#include "rate_text.h"
#include "theme.h"
#include "word_list.h"

namespace ember::app {

namespace {

constexpr int largestSide = 8192;

struct Usual {
    int width;
    int height;
    const char* name;
};
constexpr std::array<Usual, 7> usualSizes{{{3840, 2160, QT_TRANSLATE_NOOP("ember::app::FrameBlock", "2160p")},
                                           {1920, 1080, QT_TRANSLATE_NOOP("ember::app::FrameBlock", "1080p")},
                                           {1280, 720, QT_TRANSLATE_NOOP("ember::app::FrameBlock", "720p")},
                                           {1080, 1920, QT_TRANSLATE_NOOP("ember::app::FrameBlock", "upright, 9:16")},
                                           {1080, 1350, QT_TRANSLATE_NOOP("ember::app::FrameBlock", "upright, 4:5")},
                                           {1080, 1080, QT_TRANSLATE_NOOP("ember::app::FrameBlock", "square")},
                                           {2048, 858, QT_TRANSLATE_NOOP("ember::app::FrameBlock", "wide, 2.39:1")}}};

constexpr std::array<std::pair<int, int>, 9> usualRates{
    {{24000, 1001}, {24, 1}, {25, 1}, {30000, 1001}, {30, 1}, {48, 1}, {50, 1}, {60000, 1001}, {60, 1}}};

QString sizeText(int width, int height)
{
    return FrameBlock::tr("%1 x %2").arg(width).arg(height);
}

/// "23.976" for people; the exact fraction is the data.
QString spoken(FrameRate rate)
{
    return FrameBlock::tr("%1 fps").arg(QString::number(std::round(rate.perSecond() * 1000) / 1000));
}

} // namespace

FrameBlock::FrameBlock(OpenDocument& document, Playhead& playhead, Messages& messages, QWidget* parent)
    : QWidget(parent), document_(document), playhead_(playhead), messages_(messages), size_(new QLineEdit(this)),
      sizes_(smallButton(tr("Sizes"), QStringLiteral("frame-sizes"), tr("Usual frame sizes"), this)),
      rate_(new WordList(this)), follow_(new QCheckBox(tr("Pixel amounts follow the frame size"), this))
{
    setObjectName(QStringLiteral("frame-block"));
    auto* column = newColumn(this, 2, {0, 0, 0, 0});
    auto* row = newRow(6);
    column->addLayout(row);
    row->addWidget(dimLabel(tr("Frame"), this));
    size_->setObjectName(QStringLiteral("frame-size"));
    size_->setAccessibleName(tr("Frame size"));
    size_->setFont(theme::numbers(12));
    size_->setFixedWidth(100);
    size_->setToolTip(
        tr("Width and height of the film in pixels, such as 1080 x 1920, up to 8192. Strikes stay on their "
           "frames; shots fill the frame, or as each says below."));
    row->addWidget(size_);
    row->addWidget(sizes_);
    rate_->setObjectName(QStringLiteral("frame-rate"));
    rate_->setAccessibleName(tr("Frame rate"));
    rate_->setToolTip(tr("Frames a second of the film. Strikes and everything else stay at their seconds."));
    rate_->setFixedWidth(96);
    row->addWidget(rate_);
    row->addStretch(1);
    follow_->setObjectName(QStringLiteral("frame-follow"));
    follow_->setChecked(true);
    follow_->setToolTip(
        tr("When the size changes, all amounts in pixels grow with the frame; off: they stay as they are"));
    column->addWidget(follow_);
    buildMenu();
    connect(size_, &QLineEdit::editingFinished, this, &FrameBlock::takeTyped);
    connect(rate_, &QComboBox::activated, this, [this] {
        if (const auto rate = rateOf(rate_->currentData().toString()))
            setRate(*rate);
    });
    refresh();
}

void FrameBlock::buildMenu()
{
    auto* menu = new QMenu(sizes_);
    for (const Usual& usual : usualSizes) {
        auto* action = menu->addAction(tr("%1, %2").arg(sizeText(usual.width, usual.height), tr(usual.name)));
        connect(action, &QAction::triggered, this, [this, usual] { setSize(usual.width, usual.height); });
    }
    auto* own = menu->addAction(tr("as the first clip"));
    connect(own, &QAction::triggered, this, [this] {
        for (const Shot& shot : document_.project().shots)
            if (shot.format.width > 0) {
                setSize(shot.format.width, shot.format.height);
                return;
            }
        emit messages_.told(tr("The size of the first clip is not known."));
    });
    sizes_->setMenu(menu);
}

void FrameBlock::takeTyped()
{
    const Project& project = document_.project();
    const QString typed = size_->text();
    if (typed == sizeText(project.width, project.height))
        return;
    static const QRegularExpression form(QStringLiteral("^\\s*(\\d{1,5})\\s*[x×*, ]\\s*(\\d{1,5})\\s*$"));
    const auto match = form.match(typed);
    const int width = match.captured(1).toInt();
    const int height = match.captured(2).toInt();
    if (!match.hasMatch() || width < 16 || height < 16 || width > largestSide || height > largestSide) {
        emit messages_.told(
            tr("“%1” is no frame size. Type for example 1080 x 1920, from 16 to 8192 a side.").arg(typed.left(24)));
        size_->setText(sizeText(project.width, project.height));
        return;
    }
    size_->setModified(false);
    setSize(width, height);
}

void FrameBlock::setSize(int width, int height)
{
    document_.edit(withFrameSize(document_.project(), width, height,
                                 follow_->isChecked() ? PixelAmounts::follow : PixelAmounts::stay),
                   tr("The film is %1 pixels").arg(sizeText(width, height)));
    refresh();
}

void FrameBlock::setRate(FrameRate rate)
{
    const auto gesture = choices_.gesture([this] { return document_.newGesture(); });
    if (gesture != run_) { // rates that are passed on the way round nothing
        run_ = gesture;
        before_ = document_.snapshot();
        frameBefore_ = playhead_.frame();
    }
    const double factor = rate.perSecond() / before_->rate.perSecond();
    const auto frame = std::llround(static_cast<double>(frameBefore_) * factor);
    document_.edit(withFrameRate(*before_, rate), tr("The film has %1").arg(spoken(rate)), gesture);
    playhead_.setLoop({});
    playhead_.setFrame(frame);
    refresh();
}

void FrameBlock::refresh()
{
    const Project& project = document_.project();
    if (!size_->hasFocus() || !size_->isModified())
        size_->setText(sizeText(project.width, project.height));
    const QSignalBlocker block(rate_);
    rate_->clear();
    bool listed = false;
    for (const auto& [num, den] : usualRates) {
        const FrameRate rate = *FrameRate::make(num, den);
        listed = listed || rate == project.rate;
        rate_->addItem(spoken(rate), rateText(rate));
    }
    if (!listed)
        rate_->insertItem(0, spoken(project.rate), rateText(project.rate));
    rate_->setCurrentIndex(rate_->findData(rateText(project.rate)));
}

} // namespace ember::app
