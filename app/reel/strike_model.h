// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include <QAbstractTableModel>

#include "ember/project/edits.h"
#include "messages.h"
#include "open_document.h"

namespace ember::app {

/// The film's strikes as rows. Cells are edited as text and mean what fields mean: "126" or "0:05:06" for a frame,
/// "80",
/// "+10 %" or "x2" for a strength. What makes no sense is told and changes nothing.
class StrikeModel : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { frame, timecode, name, kind, strength, recipe, direction, own, columnCount_ };
    /// Numbers by their value, words by their letters.
    static constexpr int sortRole = Qt::UserRole + 1;

    StrikeModel(OpenDocument& document, Messages& messages, QObject* parent = nullptr);

    StrikeId idAt(int row) const { return ids_[static_cast<std::size_t>(row)]; }
    int rowOf(StrikeId id) const;
    /// Words a cell is chosen from; empty where it is typed.
    QStringList choicesAt(int column) const;

    int rowCount(const QModelIndex& parent = {}) const override;
    int columnCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;

private:
    const Strike* strikeAt(const QModelIndex& index) const;
    QString textOf(const Strike& strike, int column) const;
    QVariant orderOf(const Strike& strike, int column) const;
    std::optional<double> numberFrom(const QString& text, const FieldSpec& spec, double now) const;
    bool change(StrikeId id, const std::function<void(Strike&)>& change, const QString& result);
    void refresh();

    OpenDocument& document_;
    Messages& messages_;
    StrikeIds ids_; ///< of the rows
};

} // namespace ember::app
