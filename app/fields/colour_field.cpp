// SPDX-License-Identifier: GPL-3.0-or-later
#include "colour_field.h"

#include <QColorDialog>
#include <QLineEdit>
#include <QRegularExpression>
#include <QRegularExpressionValidator>
#include <QToolButton>

#include "form.h"
#include "theme.h"

namespace ember::app {

ColourField::ColourField(QWidget* parent) : QWidget(parent), text_(new QLineEdit(this)), swatch_(new QToolButton(this))
{
    auto* row = newRow(this, 2, {0, 0, 0, 0});
    swatch_->setObjectName(QStringLiteral("colour-pick"));
    swatch_->setFixedSize(20, 20);
    swatch_->setAccessibleName(tr("Pick a colour"));
    row->addWidget(swatch_);
    text_->setFixedWidth(72);
    text_->setFont(theme::numbers(11));
    text_->setValidator(new QRegularExpressionValidator(QRegularExpression(QStringLiteral("#[0-9a-fA-F]{6}")), text_));
    row->addWidget(text_);
    setFocusProxy(text_);
    connect(text_, &QLineEdit::editingFinished, this, [this] {
        if (const QColor typed(text_->text()); typed.isValid() && typed != colour_)
            emit wished(typed);
    });
    connect(swatch_, &QToolButton::clicked, this, &ColourField::pick);
}

void ColourField::setHelp(const QString& help)
{
    text_->setToolTip(help);
    swatch_->setToolTip(tr("Pick a colour.\n%1").arg(help));
}

void ColourField::setColour(const QColor& colour)
{
    colour_ = colour;
    if (!text_->hasFocus())
        text_->setText(colour.name());
    QPixmap filled(14, 14);
    filled.fill(colour);
    swatch_->setIcon(filled);
}

void ColourField::pick()
{
    // The program's own, as it looks alike everywhere; it has a picker for the screen.
    auto* dialog = new QColorDialog(colour_, this);
    dialog->setObjectName(QStringLiteral("colour-dialog"));
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setOption(QColorDialog::DontUseNativeDialog);
    dialog->setWindowTitle(tr("Pick a colour"));
    connect(dialog, &QColorDialog::colorSelected, this, [this](const QColor& picked) {
        if (picked != colour_)
            emit wished(picked);
    });
    dialog->open();
}

} // namespace ember::app
