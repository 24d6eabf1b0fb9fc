// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>
#include <functional>
#include <memory>
#include <optional>
#include <string>
#include <tuple>
#include <vector>

#include <QWidget>

#include "dialogs.h"
#include "ember/colour/config.h"
#include "ember/core/project.h"
#include "film.h"
#include "messages.h"
#include "open_document.h"
#include "shot_commands.h"
#include "value_control.h"

class QComboBox;

namespace ember::app {

/// By what the film's colours are managed, and which of its config's spaces and views the film uses.
class ColourBlock : public QWidget {
    Q_OBJECT
public:
    ColourBlock(OpenDocument& document, Film& film, ShotCommands& shots, Messages& messages, Dialogs dialogs,
                QWidget* parent = nullptr);
    void refresh();

private:
    /// A list of names of the config.
    struct Row {
        QWidget* box;
        QComboBox* list;
        ChoiceRun choices = {};
    };
    Row& addRow(const char* name, const QString& label, const QString& tip,
                const std::function<void(const std::string&, quint64)>& take);
    /// `usual`: what counts where nothing is named.
    static void fill(QComboBox& list, const std::vector<std::string>& names, const std::string& chosen,
                     const QString& usual);
    void chooseFile();
    /// Reads it on another thread first, which takes a while for a large one.
    void useConfig(const std::string& config, quint64 gesture);
    void refreshConfigs();
    void refreshNames();
    void setName(std::string ColourSetup::*name, const QString& label, const std::string& to, quint64 gesture);
    void setShotSpace(const std::string& to, quint64 gesture);

    OpenDocument& document_;
    Film& film_;
    ShotCommands& shots_;
    Messages& messages_;
    Dialogs dialogs_;
    QComboBox* configs_;
    QWidget* names_; ///< hidden where no config is in use
    std::vector<std::unique_ptr<Row>> rows_;
    Row* shot_ = nullptr;
    ChoiceRun configChoices_;
    /// What the lists were filled of, so that other edits do not fill them again.
    struct Filled {
        std::shared_ptr<const ColourConfig> config;
        ColourSetup setup;
        std::optional<std::size_t> shot;
        std::vector<std::tuple<std::string, std::string, ClipColour>> clips;

        bool operator==(const Filled&) const = default;
    };
    std::optional<Filled> filled_;
    int asked_ = 0; ///< configs that were asked for: an answer to an older wish is late
};

} // namespace ember::app
