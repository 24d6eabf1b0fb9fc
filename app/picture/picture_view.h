// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <memory>
#include <optional>

#include <QElapsedTimer>
#include <QImage>
#include <QTimer>
#include <QWidget>

#include "drag_edit.h"
#include "guides.h"
#include "hand_layer.h"
#include "held_scale.h"
#include "onion_skins.h"
#include "painted_access.h"
#include "picture_feed.h"
#include "picture_sight.h"
#include "pivot_mark.h"
#include "session.h"

class QNativeGestureEvent;

namespace ember::app {

class Player;
class GentleKeeper;
class Takes;

/// How large the picture is rendered for the view.
enum class PictureScale { automatic, full, half, quarter };

/// The shaken frame as the export will have it, on neutral grey, with the path of its centre and its hidden border.
class PictureView : public QWidget, public PaintedParts {
    Q_OBJECT
public:
    PictureView(Session& session, Player& player, QWidget* parent = nullptr);

    PictureScale scale() const { return scale_; }
    void setScale(PictureScale scale);
    void setThreadShown(bool on);
    void setBorderShown(bool on);
    void setArrowShown(bool on);
    /// The frames before and after, faintly, while the picture is moved by hand.
    void setSkinsShown(bool on);
    const OnionSkins& skins() const { return skins_; }
    HandLayer& handLayer() { return hand_; }
    /// Where the pivot's mark is, for hands and tests.
    std::optional<QPointF> pivotPlace() const { return pivot_.place(frameRect(), coverNow()); }
    /// Where its tip is, for hands and tests.
    std::optional<QPointF> arrowPlace() const { return arrowTip(); }
    /// Shows the frame as it is without any shake.
    void setPlain(bool plain);
    bool plain() const { return plain_; }
    /// Left of a line that can be dragged, the frame without any shake, as a take has it, or as the gentle version has
    /// it.
    enum class Split { none, plain, take, gentle };
    void setSplit(Split split);
    Split split() const { return split_; }
    double splitShare() const { return share_; }
    /// Whose takes are shown.
    void setTakes(const Takes* takes);
    /// Whose gentle version is shown.
    void setGentle(GentleKeeper* gentle);
    /// Shows this recipe alone, struck again and again, on the frame where the playhead stands; nothing ends it.
    void setPreview(const std::optional<Recipe>& recipe);
    /// The name of the recipe that is shown so.
    QString previewName() const { return preview_ ? preview_->name : QString(); }

    /// The frame on show, with its pose.
    std::vector<PaintedPart> paintedParts() override;

    /// As large as fits, or pixel for pixel.
    void fit();
    void showWholePixels();
    const PictureSight& sight() const { return sight_; }
    /// Where the frame lies in the view.
    QRectF framePlace() const { return frameRect(); }
    void setGuides(Guides guides);

    /// The picture on show and the frame it is of; -1 when there is none.
    const QImage& picture() const { return picture_; }
    std::int64_t pictureFrame() const { return pictureFrame_; }
    /// Nothing is on its way: what is shown is what was asked for.
    bool settled() const { return feed_.settled(); }

    /// How large the picture is shown, what the cover takes, and while it plays how fast.
    QString facts() const;

    QSize sizeHint() const override { return {861, 434}; }
    QSize minimumSizeHint() const override { return {240, 140}; }

signals:
    void changed();

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override; ///< whether Space is held
    bool event(QEvent* event) override;

private:
    struct Preview {
        QString name;
        Motion motion;
        double first; ///< frames of its round
        double last;
        QElapsedTimer clock;
    };

    /// Something changed that the picture is made of.
    void refresh();
    /// Only the frame that is looked at changed.
    void follow();
    PictureFeed::Wish wish() const;
    std::optional<PictureRenderer::Order> orderOf(std::int64_t frame) const;
    /// What moves the picture now, and the moment of it.
    const Motion& motion() const { return preview_ ? preview_->motion : session_.document.motion(); }
    double moment() const;
    void show(qint64 frame, const QImage& picture, const QImage& shown, double milliseconds);
    QSize shownSize() const; ///< pixels of the screen
    QSize renderSize() const;
    void paintOverlays(QPainter& painter, const QRectF& frame) const;
    void paintLabels(QPainter& painter) const;
    void paintSkins(QPainter& painter, const QRectF& frame) const;
    void refreshSkins(bool anew);
    void paintSplit(QPainter& painter, const QRectF& frame) const;
    std::optional<FrameLook> leftLook(FrameTime at) const;
    PictureSight::Scene scene() const;
    QRectF frameRect() const { return sight_.frameRect(scene()); }
    void magnify(double scale, QPointF about);
    bool pinch(const QNativeGestureEvent& gesture);
    void sightChanged();
    bool onSplit(QPointF place) const;
    /// The tip of the selected strike's arrow, from the frame's middle to where its peak moves it.
    std::optional<QPointF> arrowTip() const;
    void paintArrow(QPainter& painter) const;
    void aim(QPointF place);
    void letGo();
    void hoverAt(QPointF place);
    double coverNow() const;
    double movedScale() const; ///< of pixels of the view for one of the frame, on the frame on show

    Session& session_;
    Player& player_;
    PictureFeed feed_;
    QImage picture_;
    QImage shown_; ///< the same, as large as it is shown
    std::int64_t pictureFrame_ = -1;
    PictureScale scale_ = PictureScale::automatic;
    HeldScale held_; ///< of the automatic scale
    PictureSight sight_;
    Guides guides_;
    std::optional<QPointF> movedFrom_; ///< while what is looked at is moved
    bool spaceHeld_ = false;
    bool thread_ = true;
    bool border_ = true;
    bool plain_ = false;
    Split split_ = Split::none;
    double share_ = 0.5;
    bool splitDragged_ = false;
    bool arrow_ = true;
    std::optional<QPointF> peakMove_; ///< of the selected strike
    HandLayer hand_;
    OnionSkins skins_;
    PivotMark pivot_;
    bool skinsShown_ = true;
    bool aiming_ = false;
    DragEdit aimDrag_;
    QPointF aimMove_; ///< as they were when the drag began
    double aimStrength_ = 1;
    const Takes* takes_ = nullptr;
    GentleKeeper* gentle_ = nullptr;
    std::unique_ptr<Preview> preview_;
    QTimer previewTimer_;
};

} // namespace ember::app
