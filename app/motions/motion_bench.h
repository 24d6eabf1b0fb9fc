// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>

#include <QDialog>

#include "dialogs.h"
#include "ember/core/captured.h"
#include "motion_store.h"
#include "open_document.h"
#include "project_file.h"
#include "selection.h"
#include "task.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QListWidget;
class QProgressBar;
class QPushButton;

namespace ember::app {

class MotionView;
class ValueField;

/// The motions of real cameras in a window: read from a clip, imported, trimmed and sifted, kept, and put to use in the
/// film as drift, as a strand, or cut out for one strike.
class MotionBench : public QDialog {
    Q_OBJECT
public:
    MotionBench(OpenDocument& document, Selection& selection, MotionStore& motions, ProjectFile& file,
                const Dialogs& dialogs, QWidget* parent = nullptr);
    ~MotionBench() override;

    /// Asks for a clip and reads its camera.
    void readFromClip();
    /// The motion that is shown, as it would be kept: trimmed and sifted.
    CapturedMotion shaped() const;
    bool reading() const { return reading_.working(); }

private:
    QWidget* buildList();
    QWidget* buildShaping();
    QWidget* buildUses();
    void fill(const std::string& select);
    void showMotion(int place);
    void refresh();
    void refreshUses();
    void askRange(const QString& clip);
    void took(const QString& clip, const CapturedMotion& motion);
    void keepShaped();
    void importFile();
    void exportShown();
    void useAsDrift();
    void useAsStrand();
    void cutOut();
    const KeptMotion* shown() const;
    /// What is used: the motion as it is kept where nothing was changed, else as it is shaped now.
    MotionLoop shapedLoop() const;
    bool changed() const;
    void say(const QString& text);

    OpenDocument& document_;
    Selection& selection_;
    MotionStore& motions_;
    ProjectFile& file_;
    const Dialogs dialogs_;
    int place_ = -1;
    std::size_t first_ = 0;
    std::size_t last_ = 0;
    Task reading_;
    QListWidget* list_ = nullptr;
    MotionView* view_ = nullptr;
    QLineEdit* name_ = nullptr;
    QLabel* facts_ = nullptr;
    ValueField* firstField_ = nullptr;
    ValueField* lastField_ = nullptr;
    QComboBox* sift_ = nullptr;
    ValueField* seconds_ = nullptr;
    QCheckBox* mean_ = nullptr;
    QCheckBox* mirror_ = nullptr;
    QPushButton* keep_ = nullptr;
    QPushButton* drift_ = nullptr;
    QPushButton* strand_ = nullptr;
    QPushButton* cut_ = nullptr;
    QPushButton* export_ = nullptr;
    QPushButton* remove_ = nullptr;
    QPushButton* back_ = nullptr;
    QPushButton* read_ = nullptr;
    QPushButton* cancel_ = nullptr;
    QProgressBar* bar_ = nullptr;
    QLabel* says_ = nullptr;
};

} // namespace ember::app
