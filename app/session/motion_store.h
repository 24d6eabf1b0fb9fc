// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include <QObject>
#include <QString>

#include "ember/project/motion_library.h"

namespace ember::app {

/// The library of motions as the program works with it: read at the start, each change written at once.
class MotionStore : public QObject {
    Q_OBJECT
public:
    struct Item {
        MotionLoop loop;
        QString path; ///< empty: it came with the program
        const KeptMotion& kept() const { return loop.kept(); }
        bool own() const { return !path.isEmpty(); }
    };

    explicit MotionStore(QObject* parent = nullptr);

    /// The shipped ones, then the user's own.
    const std::vector<Item>& items() const { return items_; }
    /// The place of a motion by its name; -1 when there is none.
    int placeOf(const std::string& name) const;
    /// What was wrong with a file of the library; empty when nothing was.
    const QString& trouble() const { return trouble_; }

    /// Adds it under a name that is free, which is returned; empty when it could not be written, which `wrong` tells.
    std::string keep(KeptMotion kept, QString& wrong);
    /// Each says what went wrong; empty when nothing did. Only one's own can be changed.
    QString rename(int place, const std::string& name);
    QString remove(int place);
    /// The motion removed last.
    bool canBringBack() const { return removed_.has_value(); }
    QString bringBack();

signals:
    void changed();

private:
    void readAgain();

    std::string folder_;
    std::vector<Item> items_;
    QString trouble_;
    std::optional<KeptMotion> removed_;
};

} // namespace ember::app
