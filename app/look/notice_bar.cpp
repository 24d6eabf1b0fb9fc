// SPDX-License-Identifier: GPL-3.0-or-later
#include "notice_bar.h"

#include "form.h"
#include "theme.h"

namespace ember::app {

NoticeBar::NoticeBar()
    : text_(new QLabel(this)), find_(new QPushButton(tr("Find clip"), this)),
      recover_(new QPushButton(tr("Open it"), this))
{
    setObjectName(QStringLiteral("notice"));
    setAttribute(Qt::WA_StyledBackground);
    theme::fill(*this, theme::Ground::strip);
    auto* row = newRow(this, usualSpacing, {12, 5, 8, 5});
    text_->setWordWrap(true);
    text_->setTextFormat(Qt::PlainText);
    text_->setTextInteractionFlags(Qt::TextSelectableByMouse);
    text_->setMinimumSize(120, text_->fontMetrics().height()); // as many lines as its width asks for, none in advance
    row->addWidget(text_, 1);
    find_->setObjectName(QStringLiteral("find-clip"));
    connect(find_, &QPushButton::clicked, this, &NoticeBar::findAsked);
    row->addWidget(find_);
    recover_->setObjectName(QStringLiteral("recover"));
    connect(recover_, &QPushButton::clicked, this, &NoticeBar::recoverAsked);
    row->addWidget(recover_);
    auto* dismiss = new QPushButton(tr("Dismiss"), this);
    dismiss->setObjectName(QStringLiteral("dismiss"));
    connect(dismiss, &QPushButton::clicked, this, [this] {
        hide();
        emit dismissed(about_);
    });
    row->addWidget(dismiss);
    hide();
}

void NoticeBar::tell(const QString& text, About about)
{
    about_ = about;
    text_->setText(text);
    find_->setVisible(about == About::missingClip);
    recover_->setVisible(about == About::leftWork);
    show();
}

QString NoticeBar::text() const
{
    return isHidden() ? QString() : text_->text();
}

} // namespace ember::app
