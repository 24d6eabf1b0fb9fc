// SPDX-License-Identifier: GPL-3.0-or-later
#include "guide_window.h"

#include <QCoreApplication>
#include <QDir>
#include <QHBoxLayout>
#include <QPushButton>
#include <QTextBrowser>
#include <QUrl>
#include <QVBoxLayout>

namespace ember::app {

QString GuideWindow::folder()
{
    for (const QString& place : {QCoreApplication::applicationDirPath() + QStringLiteral("/../share/doc/vast-ember"),
                                 QCoreApplication::applicationDirPath() + QStringLiteral("/../share/doc/VastEmber"),
                                 QStringLiteral(EMBER_DOCS)})
        if (QDir(place + QStringLiteral("/guide")).exists())
            return QDir(place).canonicalPath();
    return {};
}

GuideWindow::GuideWindow(QWidget* parent) : QWidget(parent, Qt::Window), text_(new QTextBrowser(this))
{
    setWindowTitle(tr("Guide – Vast Ember"));
    setObjectName(QStringLiteral("guide"));
    resize(760, 780);
    auto* column = new QVBoxLayout(this);
    auto* row = new QHBoxLayout;
    const auto button = [&](const QString& text, const QString& page) {
        auto* made = new QPushButton(text, this);
        connect(made, &QPushButton::clicked, this, [this, page] { showPage(page); });
        row->addWidget(made);
    };
    auto* back = new QPushButton(tr("Back"), this);
    connect(back, &QPushButton::clicked, text_, &QTextBrowser::backward);
    row->addWidget(back);
    button(tr("Guide"), QStringLiteral("guide/guide.md"));
    button(tr("Shortcuts"), QStringLiteral("guide/shortcuts.md"));
    button(tr("Finding"), QStringLiteral("finding.md"));
    button(tr("Recipes"), QStringLiteral("recipes.md"));
    button(tr("Finishing"), QStringLiteral("finishing.md"));
    button(tr("Batch tool"), QStringLiteral("batch.md"));
    row->addStretch(1);
    column->addLayout(row);
    text_->setObjectName(QStringLiteral("guide-text"));
    text_->setOpenLinks(true);
    text_->setSearchPaths({folder()});
    column->addWidget(text_);
}

void GuideWindow::showPage(const QString& page)
{
    const QString at = folder();
    if (at.isEmpty())
        text_->setPlainText(tr("The pages of the guide were not installed beside the program."));
    else
        text_->setSource(QUrl::fromLocalFile(at + QLatin1Char('/') + page), QTextDocument::MarkdownResource);
    show();
    raise();
}

} // namespace ember::app
