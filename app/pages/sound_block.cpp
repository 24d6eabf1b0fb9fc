// SPDX-License-Identifier: GPL-3.0-or-later
#include "sound_block.h"

#include <QFileInfo>
#include <QLabel>
#include <QPushButton>

#include "ember/core/values.h"
#include "ember/media/sound_reader.h"
#include "form.h"
#include "text.h"
#include "theme.h"
#include "value_control.h"

namespace ember::app {

SoundBlock::SoundBlock(OpenDocument& document, Shaping& shaping, Messages& messages, Dialogs dialogs, QWidget* parent)
    : QWidget(parent), document_(document), shaping_(shaping), messages_(messages), dialogs_(std::move(dialogs))
{
    auto* column = newColumn(this, 3, {0, 2, 0, 2});
    auto* head = new QLabel(tr("Sound"), this);
    head->setFont(theme::words(13, true));
    head->setToolTip(
        tr("What the strikes of this recipe sound like, on the first instant of their frames; as loud as they "
           "are strong, another for each variation"));
    column->addWidget(head);
    auto* row = newRow(6);
    grid_ =
        new ControlGrid(document_, shaping_, recipeBinding(shaping_, [] { return std::string("sound."); }), 2, this);
    grid_->setObjectName(QStringLiteral("strike-sound"));
    for (const FieldOf<StrikeSound>& field : fieldsOf<StrikeSound>())
        grid_->add(std::string(field.key), *field.spec);
    row->addWidget(grid_);
    file_ = smallButton(tr("Own sound"), QStringLiteral("sound-file"), {}, this);
    connect(file_, &QPushButton::clicked, this, &SoundBlock::chooseFile);
    row->addWidget(file_);
    row->addStretch(1);
    column->addLayout(row);
}

void SoundBlock::chooseFile()
{
    const Recipe* felt = shaping_.felt();
    if (felt == nullptr)
        return;
    const RecipeId id = felt->id;
    const QString path = dialogs_.openFile(this, tr("A sound of your own"),
                                           tr("Sounds (*.wav *.flac *.mp3 *.ogg *.opus *.m4a);;All files (*)"));
    if (path.isEmpty())
        return;
    if (const auto sound = SoundReader::open(path.toStdString(), 0, {}); !sound) {
        emit messages_.trouble(said(sound.error()));
        return;
    }
    Project next = document_.project();
    Recipe* recipe = next.recipe(id);
    if (recipe == nullptr)
        return;
    recipe->sound.file = QFileInfo(path).absoluteFilePath().toStdString();
    recipe->sound.kind = SoundKind::file;
    document_.edit(std::move(next), tr("Sounds as %1").arg(QFileInfo(path).fileName()));
}

void SoundBlock::refresh()
{
    grid_->refresh();
    const Recipe* recipe = shaping_.felt();
    if (recipe == nullptr)
        return;
    const QString file = QString::fromStdString(recipe->sound.file);
    file_->setText(file.isEmpty() ? tr("Own sound") : QFileInfo(file).fileName());
    file_->setToolTip(
        file.isEmpty()
            ? tr("A sound file (WAV, FLAC or another) instead of a made one, for every strike of this recipe")
            : tr("%1\nChoose another").arg(file));
}

} // namespace ember::app
