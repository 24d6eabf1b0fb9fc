// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include <QDialog>

#include "apply_run.h"
#include "dialogs.h"
#include "file_drag.h"
#include "session.h"

class QCheckBox;
class QComboBox;
class QFormLayout;
class QLabel;
class QLineEdit;
class QProgressBar;
class QPushButton;

namespace ember::app {

class ValueField;

/// Applies this project, recipes or another project to many clips: what is taken and how strikes come into them, the
/// clips with what became of each, and a report.
class ApplyWindow : public QDialog {
    Q_OBJECT
public:
    ApplyWindow(Session& session, Dialogs& dialogs, QWidget* parent = nullptr);

    bool running() const { return run_.running(); }
    void stop() { run_.stop(); }

signals:
    /// A project that was made is to be opened.
    void openWished(const QString& project);

protected:
    void showEvent(QShowEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override; ///< clips and folders

private:
    enum PatternChoice { thisProject, ownBook, file };
    QWidget* buildChoices();
    QWidget* buildClips();
    QComboBox* choice(QFormLayout* form, const QString& label, const char* name, const QStringList& words,
                      const QString& tip);
    void choosePattern(int index);
    void addClips(const QStringList& paths);
    std::optional<Pattern> pattern() const;
    ApplyOptions options() const;
    QString whyNot() const;
    void start();
    void tell(const QString& text, bool trouble);
    void showChoices();
    void showClips();
    void showRow(int row);
    void showState();
    /// Rows of the list that are selected.
    std::set<std::size_t> chosen() const;
    void openChosen();
    void saveReport();

    Session& session_;
    Dialogs& dialogs_;
    std::optional<Pattern> filePattern_; ///< of the file that was chosen
    QComboBox* pattern_ = nullptr;
    QComboBox* part_ = nullptr;
    QComboBox* strikes_ = nullptr;
    QComboBox* from_ = nullptr;
    ValueField* sensitivity_ = nullptr;
    QLineEdit* folder_ = nullptr;
    QComboBox* film_ = nullptr;
    QCheckBox* replace_ = nullptr;
    QCheckBox* watch_ = nullptr;
    FileTableWidget* table_ = nullptr;
    QPushButton* remove_ = nullptr;
    QPushButton* open_ = nullptr;
    QPushButton* report_ = nullptr;
    QPushButton* start_ = nullptr;
    QPushButton* stop_ = nullptr;
    QProgressBar* bar_ = nullptr;
    QLabel* state_ = nullptr;
    QLabel* told_ = nullptr;
    ApplyRun run_;
};

} // namespace ember::app
