// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QWidget>

#include "open_document.h"
#include "shaping.h"

namespace ember::app {

class ControlGrid;

/// What the recipe does to the light, effect by effect, and what flickers. An effect that is not used shows
/// its amount only.
class LightBlock : public QWidget {
    Q_OBJECT
public:
    explicit LightBlock(OpenDocument& document, Shaping& shaping, QWidget* parent = nullptr);
    void refresh();

private:
    ControlGrid* grid_;
};

} // namespace ember::app
