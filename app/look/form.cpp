// SPDX-License-Identifier: GPL-3.0-or-later
#include "form.h"

namespace ember::app {

namespace {

template <typename Layout>
Layout* made(QWidget* of, int spacing, const QMargins& margins)
{
    auto* layout = of != nullptr ? new Layout(of) : new Layout;
    if (spacing != usualSpacing)
        layout->setSpacing(spacing);
    if (margins != usualMargins)
        layout->setContentsMargins(margins);
    return layout;
}

} // namespace

QVBoxLayout* newColumn(QWidget* of, int spacing, const QMargins& margins)
{
    return made<QVBoxLayout>(of, spacing, margins);
}

QVBoxLayout* newColumn(int spacing, const QMargins& margins)
{
    return made<QVBoxLayout>(nullptr, spacing, margins);
}

QHBoxLayout* newRow(QWidget* of, int spacing, const QMargins& margins)
{
    return made<QHBoxLayout>(of, spacing, margins);
}

QHBoxLayout* newRow(int spacing, const QMargins& margins)
{
    return made<QHBoxLayout>(nullptr, spacing, margins);
}

} // namespace ember::app
