// SPDX-License-Identifier: GPL-3.0-or-later
#include "strike_table.h"

#include <QComboBox>
#include <QHeaderView>
#include <QItemSelectionModel>
#include <QLabel>
#include <QPushButton>
#include <QSortFilterProxyModel>
#include <QStyledItemDelegate>
#include <QTableView>

#include "form.h"
#include "strike_model.h"
#include "value_control.h"
#include "value_field.h"

namespace ember::app {

namespace {

const FieldSpec strengthRange{
    "scatter_strength", "Strengths", "%", 0, 1, 0.2, 0.05, "How far strengths are scattered to either side"};
const FieldSpec directionRange{
    "scatter_direction", "Directions", "°", 0, 180, 30, 5, "How far directions are scattered to either side"};

/// Cells that are chosen from are lists, the others are typed in.
class CellEditor : public QStyledItemDelegate {
public:
    CellEditor(const StrikeModel& model, QObject* parent) : QStyledItemDelegate(parent), model_(model) {}

    QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem& option, const QModelIndex& index) const override
    {
        const QStringList words = model_.choicesAt(index.column());
        if (words.isEmpty())
            return QStyledItemDelegate::createEditor(parent, option, index);
        auto* list = new QComboBox(parent);
        list->addItems(words);
        // A choice is made, and done.
        connect(list, &QComboBox::activated, this, [this, list] {
            auto* self = const_cast<CellEditor*>(this); // NOLINT: the signals of a delegate are not const
            emit self->commitData(list);
            emit self->closeEditor(list);
        });
        return list;
    }
    void setEditorData(QWidget* editor, const QModelIndex& index) const override
    {
        if (auto* list = qobject_cast<QComboBox*>(editor))
            list->setCurrentText(index.data(Qt::EditRole).toString());
        else
            QStyledItemDelegate::setEditorData(editor, index);
    }
    void setModelData(QWidget* editor, QAbstractItemModel* model, const QModelIndex& index) const override
    {
        if (const auto* list = qobject_cast<QComboBox*>(editor))
            model->setData(index, list->currentText(), Qt::EditRole);
        else
            QStyledItemDelegate::setModelData(editor, model, index);
    }

private:
    const StrikeModel& model_;
};

} // namespace

StrikeTable::StrikeTable(Session& session, QWidget* parent)
    : QDialog(parent), session_(session), model_(new StrikeModel(session.document, session.messages, this)),
      sorted_(new QSortFilterProxyModel(this)), view_(new QTableView(this)), says_(dimLabel({}, this))
{
    setObjectName(QStringLiteral("strike-table"));
    setWindowTitle(tr("Strikes"));
    resize(860, 480);
    sorted_->setSourceModel(model_);
    sorted_->setSortRole(StrikeModel::sortRole);
    view_->setObjectName(QStringLiteral("strike-rows"));
    view_->setAccessibleName(tr("Strikes"));
    view_->setModel(sorted_);
    view_->setItemDelegate(new CellEditor(*model_, this));
    view_->setSortingEnabled(true);
    view_->sortByColumn(StrikeModel::frame, Qt::AscendingOrder);
    view_->setSelectionBehavior(QAbstractItemView::SelectRows);
    view_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    // Not by any key: a table keeps the keys it is worked with, but digits put no numbers where nobody meant them.
    view_->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed);
    view_->setToolTip(tr("Double-click or F2 edits a cell; rows that are picked are selected on the Reel, too"));
    view_->verticalHeader()->hide();
    view_->setShowGrid(false);
    view_->horizontalHeader()->setSectionResizeMode(StrikeModel::name, QHeaderView::Stretch);
    auto* column = newColumn(this, 6, {14, 10, 14, 10});
    column->addWidget(view_, 1);
    column->addWidget(buildScatter());
    connect(view_->selectionModel(), &QItemSelectionModel::selectionChanged, this, &StrikeTable::pick);
    connect(view_, &QTableView::clicked, this, [this](const QModelIndex& at) {
        const Strike* strike = session_.document.project().strike(model_->idAt(sorted_->mapToSource(at).row()));
        if (strike != nullptr)
            session_.playhead.setFrame(strike->frame.index);
    });
    connect(model_, &QAbstractItemModel::modelReset, this, &StrikeTable::showPicked);
    connect(&session_.selection, &Selection::changed, this, &StrikeTable::showPicked);
    connect(&session_.document, &OpenDocument::changed, this, &StrikeTable::refresh);
    view_->resizeColumnsToContents();
    showPicked();
    refresh();
}

QWidget* StrikeTable::buildScatter()
{
    auto* bar = new QWidget(this);
    auto* row = newRow(bar, 6, {0, 0, 0, 0});
    const auto range = [&](const FieldSpec& spec, const QString& text, const char* name, Scattered what) {
        auto* field = new ValueField(spec, bar);
        field->setValue(spec.fallback);
        connect(field, &ValueField::wished, field, [field](double value, quint64) { field->setValue(value); });
        auto* button = smallButton(text, QLatin1String(name),
                                   tr("Changes those of the picked strikes (of all where none is) by chance within the "
                                      "range; again, by another chance"),
                                   bar);
        button->setAutoDefault(false); // Enter belongs to the table
        connect(button, &QPushButton::clicked, this, [this, field, what] { scatter(what, field->value()); });
        row->addWidget(button);
        row->addWidget(dimLabel(tr("by up to"), bar));
        row->addWidget(field);
        row->addSpacing(12);
        return field;
    };
    strengths_ = range(strengthRange, tr("Scatter strengths"), "scatter-strengths", Scattered::strength);
    directions_ = range(directionRange, tr("Scatter directions"), "scatter-directions", Scattered::direction);
    row->addStretch(1);
    row->addWidget(says_);
    return bar;
}

void StrikeTable::scatter(Scattered what, double range)
{
    StrikeIds ids = session_.selection.ids();
    if (ids.empty())
        for (const Strike& strike : session_.document.project().strikes)
            ids.push_back(strike.id);
    session_.document.edit(withScattered(session_.document.project(), ids, what, range, ++round_),
                           what == Scattered::strength ? tr("Strengths scattered") : tr("Directions scattered"));
}

void StrikeTable::pick()
{
    if (picking_)
        return;
    picking_ = true;
    StrikeIds ids;
    for (const QModelIndex& row : view_->selectionModel()->selectedRows())
        ids.push_back(model_->idAt(sorted_->mapToSource(row).row()));
    session_.selection.set(ids);
    picking_ = false;
    refresh();
}

void StrikeTable::showPicked()
{
    if (picking_)
        return;
    picking_ = true;
    QItemSelection rows;
    for (const StrikeId id : session_.selection.ids())
        if (const int row = model_->rowOf(id); row >= 0) {
            const QModelIndex at = sorted_->mapFromSource(model_->index(row, 0));
            rows.select(at, at);
        }
    view_->selectionModel()->select(rows, QItemSelectionModel::ClearAndSelect | QItemSelectionModel::Rows);
    if (!rows.isEmpty()) {
        view_->selectionModel()->setCurrentIndex(rows.indexes().front(), QItemSelectionModel::NoUpdate);
        view_->scrollTo(rows.indexes().front());
    }
    picking_ = false;
    refresh();
}

void StrikeTable::refresh()
{
    const auto all = session_.document.project().strikes.size();
    const auto picked = session_.selection.size();
    says_->setText(picked == 0 ? tr("%1 strikes").arg(all) : tr("%1 of %2 picked").arg(picked).arg(all));
}

} // namespace ember::app
