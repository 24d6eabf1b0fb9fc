// SPDX-License-Identifier: GPL-3.0-or-later
#include "crash_sheet.h"

#include <QClipboard>
#include <QDialogButtonBox>
#include <QDir>
#include <QFile>
#include <QGuiApplication>
#include <QLabel>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QSettings>
#include <QStandardPaths>
#include <QVBoxLayout>

#include "crash_report.h"
#include "theme.h"

namespace ember::app {

namespace {

constexpr qint64 longestShown = 1 << 20;

QString newest()
{
    return QString::fromStdString(crash::newestReport(CrashSheet::folder().toStdString()).value_or(std::string()));
}

} // namespace

QString CrashSheet::folder()
{
    return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + QStringLiteral("/crashes");
}

bool CrashSheet::takeNews()
{
    constexpr std::size_t kept = 5;
    const QString report = newest();
    QSettings settings;
    const QString known = QStringLiteral("crash/known");
    if (report.isEmpty() || settings.value(known).toString() == report)
        return false;
    settings.setValue(known, report);
    crash::tidy(folder().toStdString(), kept);
    return true;
}

CrashSheet::CrashSheet(QWidget* parent) : QDialog(parent)
{
    setObjectName(QStringLiteral("crash-sheet"));
    setWindowTitle(tr("Crash report"));
    resize(720, 480);
    auto* column = new QVBoxLayout(this);
    const QString path = newest();
    auto* about = new QLabel(
        path.isEmpty() ? tr("There is no report: Vast Ember has not ended by a fault.")
                       : tr("What was known when Vast Ember ended by a fault the last time. The report stays on "
                            "this machine, in %1; it may name files you worked on.")
                             .arg(QDir::toNativeSeparators(path)),
        this);
    about->setWordWrap(true);
    about->setTextInteractionFlags(Qt::TextSelectableByMouse);
    column->addWidget(about);
    auto* text = new QPlainTextEdit(this);
    text->setObjectName(QStringLiteral("crash-text"));
    text->setAccessibleName(tr("The report"));
    text->setReadOnly(true);
    text->setFont(theme::numbers(12));
    QFile file(path);
    if (!path.isEmpty() && file.open(QIODevice::ReadOnly))
        text->setPlainText(QString::fromUtf8(file.read(longestShown)));
    column->addWidget(text, 1);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close, this);
    auto* copy = buttons->addButton(tr("Copy"), QDialogButtonBox::ActionRole);
    auto* remove = buttons->addButton(tr("Delete all reports"), QDialogButtonBox::ActionRole);
    copy->setObjectName(QStringLiteral("crash-copy"));
    remove->setObjectName(QStringLiteral("crash-delete"));
    for (QPushButton* button : {copy, remove}) {
        button->setEnabled(!path.isEmpty());
        button->setAutoDefault(false);
    }
    copy->setToolTip(path.isEmpty() ? tr("There is none") : tr("Puts the whole report on the clipboard"));
    remove->setToolTip(path.isEmpty() ? tr("There is none") : tr("Cannot be undone"));
    connect(copy, &QPushButton::clicked, this, [text] { QGuiApplication::clipboard()->setText(text->toPlainText()); });
    connect(remove, &QPushButton::clicked, this, [this] {
        crash::tidy(folder().toStdString(), 0);
        accept();
    });
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    column->addWidget(buttons);
}

} // namespace ember::app
