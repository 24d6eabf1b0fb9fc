// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <map>

#include <QWidget>

#include "anvil_painter.h"
#include "contact_pictures.h"
#include "drag_edit.h"
#include "paper.h"
#include "session.h"

class QLabel;
class QLayout;
class QPushButton;

namespace ember::app {

class TraceView;
class ValueControl;

/// The painted part of the Anvil: envelope with handles, trace and film frames, all over frames from the strike.
class AnvilCanvas : public QWidget {
    Q_OBJECT
public:
    explicit AnvilCanvas(Session& session, QWidget* parent = nullptr);

    bool even() const { return even_; }
    void setEven(bool even);
    /// Each strand's own motion in a row below the trace.
    bool strandsShown() const { return strandsShown_; }
    void setStrandsShown(bool shown);
    /// No film frame is still to be made anew.
    bool settled() const { return contacts_.settled(); }
    /// As laid out now, for the selected strike.
    AnvilLayout layoutNow() const;
    /// Whether each strand has a row of its own; where it is low they give way to the envelope.
    bool roomForStrands(const Recipe& recipe) const;

    QSize sizeHint() const override { return {1280, 212}; }
    QSize minimumSizeHint() const override { return {360, 120}; }

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void leaveEvent(QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool event(QEvent* event) override;

private:
    enum class Gesture { none, handle, scrub };

    Envelope envelope() const { return session_.shaping.envelope(); }
    std::vector<StrandPicture> strandPictures() const;
    /// The recipe's other envelopes: of the recipe while a strand's is shaped, and the other way round.
    std::vector<Envelope> otherEnvelopes() const;
    void scrubTo(double x);
    void dragTo(QPointF place, bool fine);
    void letGo();

    void repaintAll();

    Session& session_;
    Paper paper_;
    ContactPictures contacts_;
    QSize contactSize_;
    bool sceneStale_ = true; ///< the project changed since the frames' scene was set
    bool even_ = false;
    bool strandsShown_ = true;
    std::vector<StrandPicture> strands_; ///< as they are on the paper
    Handle hovered_ = Handle::none;
    Gesture gesture_ = Gesture::none;
    Handle dragged_ = Handle::none;
    AnvilLayout dragLayout_; ///< fixed while dragging, so that the paper does not move under the hand
    Envelope dragEnvelope_;  ///< as it was when the drag began
    QPointF grabOffset_;
    QPointF pressed_;
    bool moved_ = false;
    DragEdit drag_; ///< of a handle
};

/// The Anvil: what is shaped and for whom, every value of the envelope as a number, and the canvas.
class AnvilView : public QWidget {
    Q_OBJECT
public:
    explicit AnvilView(Session& session, QWidget* parent = nullptr);

    AnvilCanvas& canvas() { return *canvas_; }
    TraceView& traces() { return *traces_; }
    /// The motion axis by axis in place of the envelope.
    void setTracesShown(bool shown);
    void setStrandsShown(bool shown);
    // As its buttons do.
    void toggleTraces();
    void toggleStrands();
    void toggleEven();

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    QLayout* titleRow_ = nullptr;
    QLayout* valuesRow_ = nullptr;
    QLayout* buildTitle();
    QLayout* buildValues();
    void compareDecay(Slope slope);
    void refresh();
    void refreshDecays(const Envelope& envelope);

    Session& session_;
    AnvilCanvas* canvas_;
    TraceView* traces_;
    QPushButton* tracesButton_;
    QLabel* title_;
    QPushButton* scope_;
    QPushButton* axis_;
    QPushButton* restore_;
    QPushButton* strands_;
    QPushButton* unit_;
    std::map<Slope, QPushButton*> decays_;
    std::map<EnvelopeField, ValueControl*> fields_;
};

} // namespace ember::app
