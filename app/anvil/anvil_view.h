// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>
#include <vector>

#include <QWidget>

#include "anvil_canvas.h"

class QAction;
class QCheckBox;
class QLabel;
class QPushButton;
class QToolButton;

namespace ember::app {

class HandleTag;
class TraceView;
class ValueControl;

/// The Anvil: at its left what is shaped and for whom, beside it the canvas with every value of the envelope on its
/// handle.
class AnvilView : public QWidget {
    Q_OBJECT
public:
    explicit AnvilView(Session& session, QWidget* parent = nullptr);

    AnvilCanvas& canvas() { return *canvas_; }
    TraceView& traces() { return *traces_; }
    /// The motion axis by axis in place of the envelope.
    void setTracesShown(bool shown);
    void setStrandsShown(bool shown);
    void toggleTraces();
    void toggleStrands();
    void toggleEven();
    void toggleSeconds();

    QSize sizeHint() const override { return canvas_->sizeHint(); }
    QSize minimumSizeHint() const override { return canvas_->minimumSizeHint(); }

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    QWidget* buildHead();
    void buildTags();
    ValueControl* control(EnvelopeField field, QWidget* parent);
    void compareDecay(Slope slope);
    void refresh();
    void refreshValues(const Envelope& envelope, bool any);
    void refreshDecays(const Envelope& envelope);
    void placeValues();

    Session& session_;
    AnvilCanvas* canvas_;
    TraceView* traces_;
    QWidget* head_ = nullptr;
    QLabel* title_ = nullptr;
    QLabel* whose_ = nullptr;
    QCheckBox* scope_ = nullptr;
    QPushButton* restore_ = nullptr;
    QToolButton* more_ = nullptr;
    QAction* tracesAction_ = nullptr;
    QAction* strandsAction_ = nullptr;
    QAction* evenAction_ = nullptr;
    QAction* secondsAction_ = nullptr;
    std::map<Slope, QToolButton*> decays_;
    std::map<EnvelopeField, ValueControl*> fields_;
    std::vector<HandleTag*> tags_;
    struct Placed {
        StrikeMap map;
        QRectF plot;
        Envelope envelope;
        std::vector<QSizeF> sizes;
        bool operator==(const Placed&) const = default;
    };
    Placed placed_; ///< for what the values are placed now
};

} // namespace ember::app
