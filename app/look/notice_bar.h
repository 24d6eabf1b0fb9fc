// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QWidget>

namespace ember::app {

/// A sentence above the picture that stays until it is dismissed, with what can be done about it.
class NoticeBar : public QWidget {
    Q_OBJECT
public:
    enum class About {
        trouble,
        missingClip, ///< can be found
        damage,      ///< pictures that are not whole; the sentence grows
        media,       ///< a file that was written anew and cannot be read
        leftWork,    ///< unsaved work of another time; can be opened, or thrown away
    };

    NoticeBar();

    void tell(const QString& text, About about);
    /// Empty when there is none.
    QString text() const;
    About about() const { return about_; }

signals:
    void findAsked();
    void recoverAsked();
    void dismissed(About about);

private:
    About about_ = About::trouble;
    QLabel* text_;
    QPushButton* find_;
    QPushButton* recover_;
};

} // namespace ember::app
