// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <vector>

#include <QDialog>

#include "ember/film/check_film.h"
#include "latest_work.h"
#include "session.h"

class QComboBox;
class QLabel;
class QListWidget;
class QProgressBar;
class QPushButton;
class QTableWidget;

namespace ember::app {

class ControlGrid;

/// Whether the film can be watched without harm: figures of its motion against their limits, the full version beside
/// the gentle one, flashes of the finished frames, and what the gentle version keeps.
class ComfortWindow : public QDialog {
    Q_OBJECT
public:
    explicit ComfortWindow(Session& session, QWidget* parent = nullptr);

signals:
    /// To be shown beside the full one in the picture, or no longer.
    void besideWished(bool on);

public:
    void showBeside(bool on); ///< what the picture does

protected:
    void showEvent(QShowEvent* event) override; ///< while it is hidden it does nothing

private:
    struct Report {
        std::vector<ComfortLine> full;
        std::vector<ComfortLine> gentle;
    };
    QWidget* buildReport();
    QWidget* buildFlashes();
    QWidget* buildGentle();
    /// Frames that are reported on: [first, end).
    std::pair<std::int64_t, std::int64_t> range() const;
    void refresh();
    void showReport(const Report& report);
    void goToLine(int row);
    void checkFlashes();
    void showFlashes(const std::vector<FlashViolation>& found, const QString& version);
    void flashesAreOld();

    Session& session_;
    QComboBox* scope_;
    QLabel* verdict_;
    QTableWidget* table_;
    QComboBox* version_;
    QPushButton* check_;
    QPushButton* stop_;
    QProgressBar* bar_;
    QLabel* flashState_;
    QListWidget* flashes_;
    ControlGrid* gentle_;
    QPushButton* beside_;
    std::vector<std::int64_t> frames_; ///< where to look, for each line
    LatestWork reporting_;
    LatestWork checking_;
};

} // namespace ember::app
