// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>

#include <QDialog>

#include "dialogs.h"
#include "ember/film/hand_on.h"
#include "latest_work.h"
#include "progress_dialog.h"
#include "session.h"

class QComboBox;
class QFormLayout;
class QLabel;
class QPlainTextEdit;
class QPushButton;
class QStackedWidget;
class QToolButton;

namespace ember::app {

class ValueField;

/// Handing the motion on: what of it, how it is told, to which format, with what will be written shown beside it.
class MotionExportWindow : public QDialog {
    Q_OBJECT
public:
    MotionExportWindow(Session& session, Dialogs& dialogs, QWidget* parent = nullptr);

protected:
    void showEvent(QShowEvent* event) override; ///< while it is hidden it does nothing

private:
    QWidget* buildChoices();
    QWidget* buildPreview();
    QComboBox* choice(QFormLayout* form, const QString& label, const QString& name, const QStringList& words,
                      const QString& tip);
    ValueField* number(QFormLayout* form, const QString& name, const FieldSpec& spec, double value);
    QPushButton* toggle(const QString& text, const QString& name, const QString& tip);

    HandFormat format() const;
    /// What is chosen; an empty optional tells in the preview why not.
    std::optional<HandingOn> how(QString& whyNot) const;
    /// Which controls count for what is chosen, and why the others do not.
    void showChoices();
    void refresh();
    void showText(const QString& head, const QString& summary);
    void write();
    void writeAll();
    void withProgress(const QString& text, const std::function<void(const Progress&)>& work);
    void copy();
    void tell(const QString& text, bool trouble);

    Session& session_;
    Dialogs& dialogs_;
    QComboBox* format_ = nullptr;
    QComboBox* part_ = nullptr;
    QComboBox* keys_ = nullptr;
    QComboBox* as_ = nullptr;
    QComboBox* values_ = nullptr;
    QComboBox* up_ = nullptr;
    QPushButton* cover_ = nullptr;
    QPushButton* gentle_ = nullptr;
    ValueField* pixels_ = nullptr;
    ValueField* degrees_ = nullptr;
    ValueField* zoom_ = nullptr;
    ValueField* offset_ = nullptr;
    ValueField* lens_ = nullptr;
    ValueField* width_ = nullptr;
    QStackedWidget* shown_ = nullptr;
    QPlainTextEdit* text_ = nullptr;
    QLabel* page_ = nullptr;
    QLabel* summary_ = nullptr;
    QLabel* told_ = nullptr;
    QPushButton* write_ = nullptr;
    QPushButton* all_ = nullptr;
    QPushButton* copy_ = nullptr;
    std::string bytes_; ///< what is shown, whole
    LatestWork work_;
};

} // namespace ember::app
