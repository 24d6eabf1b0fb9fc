// SPDX-License-Identifier: GPL-3.0-or-later
// Lists whose rows are dragged into other programs as the files they stand for.
#pragma once

#include <functional>

#include <QAbstractItemView>
#include <QDir>
#include <QListWidget>
#include <QMimeData>
#include <QTableWidget>
#include <QUrl>

namespace ember::app {

/// `View` is QListWidget or QTableWidget. Rows that stand for no file are not dragged. What is dragged is copied, never
/// moved, and nothing is dropped on the list itself.
template <typename View, typename Item>
class FileDragging : public View {
public:
    explicit FileDragging(QWidget* parent = nullptr) : View(parent)
    {
        this->setDragEnabled(true);
        this->setDragDropMode(QAbstractItemView::DragOnly);
    }

    /// The file of an item, empty where there is none; asked when a drag begins.
    std::function<QString(const Item&)> fileOf;

protected:
    QMimeData* mimeData(const QList<Item*>& items) const override
    {
        QList<QUrl> urls;
        for (const Item* item : items)
            if (const QString file = fileOf ? fileOf(*item) : QString(); !file.isEmpty())
                if (const QUrl url = QUrl::fromLocalFile(QDir(file).absolutePath()); !urls.contains(url))
                    urls.append(url);
        if (urls.isEmpty())
            return nullptr;
        auto* dragged = new QMimeData;
        dragged->setUrls(urls);
        return dragged;
    }
    Qt::DropActions supportedDropActions() const override { return Qt::CopyAction; }
};

using FileListWidget = FileDragging<QListWidget, QListWidgetItem>;
using FileTableWidget = FileDragging<QTableWidget, QTableWidgetItem>;

} // namespace ember::app
