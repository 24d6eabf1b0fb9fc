// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <deque>

#include <QObject>

#include "ember/film/proxies.h"
#include "task.h"

namespace ember::app {

class Film;
class Messages;
class OpenDocument;

/// Makes proxies beside the work, one after the other, and has the film played from them.
class ProxyMaker : public QObject {
    Q_OBJECT
public:
    ProxyMaker(OpenDocument& document, Film& film, Messages& messages);

    /// Of the shot's clip, in place of another one; what is being made waits for nobody else.
    void make(const Shot& shot, ProxySize size);
    /// Takes back what was asked for, and the proxy that is there.
    void remove(const Shot& shot);
    /// Whether the shot's clip gets one: it is being made, or waits.
    bool wanted(const Shot& shot) const;
    ProxySize wantedSize(const Shot& shot) const;
    /// How far the one is that is being made, 0 to 1; below 0 while the shot's waits.
    double share(const Shot& shot) const;

signals:
    /// One was begun or ended, or is further.
    void changed();

private:
    struct Wish {
        Shot shot;
        FrameRate rate;
        ProxySize size;
    };
    static bool same(const Shot& a, const Shot& b) { return a.clip == b.clip && a.still == b.still; }
    void next();

    OpenDocument& document_;
    Film& film_;
    Messages& messages_;
    std::deque<Wish> wishes_; ///< the first is being made
    double share_ = 0;
    Task task_;
};

} // namespace ember::app
