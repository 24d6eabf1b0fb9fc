// SPDX-License-Identifier: GPL-3.0-or-later
#include "reel_painter.h"

#include <algorithm>
#include <cmath>

#include <QCoreApplication>
#include <QFileInfo>
#include <QFontMetricsF>
#include <QPainter>
#include <QPainterPath>

#include "ember/core/timecode.h"
#include "ember/project/shot_edits.h"
#include "heat_line.h"
#include "picture_renderer.h"
#include "reel_beats.h"
#include "reel_lanes.h"
#include "theme.h"
#include "wave_paint.h"

namespace ember::app {

namespace {

/// Says its words under this name.
struct ReelWords {
    Q_DECLARE_TR_FUNCTIONS(Reel)
};

QRectF paperRect(const ReelLayout& layout)
{
    return {layout.map.left - 8, 0, layout.map.right - layout.map.left + 16, layout.trace.bottom() + 4};
}

void paintNames(QPainter& p, const ReelLayout& layout, std::size_t strikes, MovePart part)
{
    p.setFont(theme::words(13, true));
    p.setPen(theme::text);
    p.drawText(QRectF(12, layout.ruler.top(), layout.map.left - 20, 18), Qt::AlignLeft | Qt::AlignVCenter,
               ReelWords::tr("Reel"));
    p.setFont(theme::words(11));
    p.setPen(theme::dim);
    const auto name = [&](const QRectF& band, const QString& text) {
        p.drawText(QRectF(12, band.top(), layout.map.left - 20, band.height()), Qt::AlignLeft | Qt::AlignVCenter, text);
    };
    if (!layout.shots.isEmpty())
        name(layout.shots, ReelWords::tr("shots"));
    name(layout.thumbs, ReelWords::tr("frames"));
    name(layout.sound,
         strikes == 1 ? ReelWords::tr("sound, 1 strike") : ReelWords::tr("sound, %1 strikes").arg(strikes));
    if (!layout.intensity.isEmpty())
        name(layout.intensity, ReelWords::tr("intensity"));
    if (!layout.moves.isEmpty())
        name(layout.moves, ReelWords::tr("camera move: %1").arg(partWord(part)));
    name(layout.trace, ReelWords::tr("trace"));
}

void paintRuler(QPainter& p, const ReelLayout& layout, const ReelPicture& picture)
{
    p.setFont(theme::numbers(11));
    const LoopRange& loop = picture.loop;
    if (loop.set()) {
        const double a = layout.map.toPixel(static_cast<double>(loop.first));
        const double b = layout.map.toPixel(static_cast<double>(loop.last + 1));
        p.fillRect(QRectF(a, layout.ruler.top(), b - a, layout.ruler.height()), loop.on ? theme::line : theme::raised);
        p.setPen(QPen(loop.on ? theme::copper : theme::dim, 1));
        p.drawLine(QPointF(a, layout.ruler.top()), QPointF(a, layout.trace.bottom()));
        p.drawLine(QPointF(b, layout.ruler.top()), QPointF(b, layout.trace.bottom()));
    }
    const double room = picture.timecode ? 100 : 64;
    for (const Tick& tick : filmTicks(layout.map, picture.project.rate.perSecond(), room)) {
        const double x = std::round(layout.map.toPixel(tick.value)) + 0.5;
        p.setPen(theme::line);
        p.drawLine(QPointF(x, layout.ruler.top()), QPointF(x, layout.thumbs.top()));
        if (x + room - 30 > layout.map.right)
            continue; // no room for its number
        p.setPen(theme::dim);
        const std::string label =
            picture.timecode ? timecodeOf(std::llround(tick.value), picture.project.clock, picture.project.rate)
                             : tick.label;
        p.drawText(QRectF(x + 4, layout.ruler.top(), 100, layout.ruler.height()), Qt::AlignLeft | Qt::AlignVCenter,
                   QString::fromStdString(label));
    }
}

QRectF shotRect(const ReelLayout& layout, const ShotPlace& place)
{
    const double left = std::round(layout.sparkX(place.first));
    const double right = std::round(layout.sparkX(place.end));
    return {left + 0.5, layout.shots.top() + 0.5, std::max(2.0, right - left - 1), layout.shots.height() - 2};
}

/// What a shot is called: its clip without the ending.
QString shotName(const Shot& shot)
{
    return shot.gap() ? ReelWords::tr("gap") : QFileInfo(QString::fromStdString(shot.clip)).completeBaseName();
}

void paintShots(QPainter& p, const ReelLayout& layout, const ReelPicture& picture)
{
    if (layout.shots.isEmpty())
        return;
    p.setFont(theme::words(11));
    const auto& shots = picture.project.shots;
    for (std::size_t i = 0; i < shots.size(); ++i) {
        const QRectF rect = shotRect(layout, picture.project.placeOf(i));
        if (rect.right() < layout.map.left - 10 || rect.left() > layout.map.right + 10)
            continue;
        if (shots[i].gap())
            p.fillRect(rect, QBrush(theme::line, Qt::BDiagPattern));
        else
            p.fillRect(rect, theme::raised);
        p.setPen(QPen(theme::line, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(rect);
        QRectF text = rect.adjusted(6, 0, -4, 0); // of a long shot the name stays in sight
        text.setLeft(std::max(text.left(), layout.map.left + 2));
        if (text.width() < 16)
            continue;
        QString name = shotName(shots[i]);
        if (shots[i].speed != 1)
            name += ReelWords::tr(" at %1 %").arg(std::round(1000 * shots[i].speed) / 10);
        if (!shots[i].trimmed.empty())
            name += ReelWords::tr(", %1 waiting").arg(shots[i].trimmed.size());
        p.setPen(theme::text);
        p.drawText(text, Qt::AlignLeft | Qt::AlignVCenter,
                   QFontMetricsF(p.font()).elidedText(name, Qt::ElideRight, text.width()));
    }
    // Cuts go down through frames and sound.
    p.setPen(QPen(theme::line, 1));
    for (const std::int64_t cut : picture.project.cuts()) {
        const double x = std::round(layout.sparkX(cut)) - 0.5;
        p.drawLine(QPointF(x, layout.shots.top()), QPointF(x, layout.sound.bottom()));
    }
}

void paintThumbs(QPainter& p, const ReelLayout& layout, const ReelPicture& picture)
{
    const Project& project = picture.project;
    const double width =
        layout.thumbs.height() * std::clamp(static_cast<double>(project.width) / project.height, 0.4, 3.0);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    const auto count = static_cast<int>(std::ceil(layout.thumbs.width() / width));
    for (int i = 0; i < count; ++i) {
        const QRectF box(layout.thumbs.left() + i * width, layout.thumbs.top(), width - 1, layout.thumbs.height());
        const auto frame = static_cast<std::int64_t>(std::floor(layout.map.toFrameInside(box.center().x())));
        if (frame >= picture.project.length())
            break;
        const QRectF seen = box.intersected(layout.thumbs);
        if (const ImagePtr thumb = picture.thumb(frame)) {
            const double share = seen.width() / box.width();
            p.drawImage(seen, toQImage(thumb), QRectF(0, 0, thumb->width() * share, thumb->height()));
        } else {
            p.fillRect(seen, theme::panel);
        }
    }
}

void paintSound(QPainter& p, const ReelLayout& layout, const ReelPicture& picture)
{
    const double middle = layout.sound.center().y();
    p.setPen(theme::line);
    p.drawLine(QPointF(layout.sound.left(), middle), QPointF(layout.sound.right(), middle));
    if (picture.waveform.low.empty()) {
        if (picture.silent) {
            p.setFont(theme::words(11));
            p.setPen(theme::dim);
            p.drawText(layout.sound, Qt::AlignCenter, ReelWords::tr("no sound in this clip"));
        }
        return;
    }
    p.setPen(theme::dim);
    paintWave(p, layout.sound, picture.waveform, picture.project.rate.perSecond(),
              [&](double x) { return layout.map.toFrame(x); });
}

void paintLanesOfFilm(QPainter& p, const ReelLayout& layout, const ReelPicture& picture)
{
    const Master& master = picture.project.master;
    const auto dot = [&](QPointF at) {
        p.setPen(QPen(theme::text, 1.4));
        p.setBrush(theme::window);
        p.drawRect(QRectF(at - QPointF(3.5, 3.5), QSizeF(7, 7)));
    };
    if (!layout.intensity.isEmpty()) {
        p.setPen(QPen(theme::line, 1, Qt::DotLine));
        const double whole = intensityToY(layout, master, 1);
        p.drawLine(QPointF(layout.intensity.left(), whole), QPointF(layout.intensity.right(), whole));
        QPolygonF line;
        for (double x = layout.intensity.left(); x <= layout.intensity.right(); ++x)
            line << QPointF(x, intensityToY(layout, master, master.intensityAt(layout.map.toFrame(x) - 0.5)));
        p.setPen(QPen(theme::text, 1.3));
        p.setBrush(Qt::NoBrush);
        p.drawPolyline(line);
        for (const IntensityKey& key : master.keys)
            dot({layout.map.toPixel(static_cast<double>(key.frame.index) + 0.5),
                 intensityToY(layout, master, key.value)});
    }
    if (layout.moves.isEmpty())
        return;
    const double rest = layout.moves.center().y();
    p.setPen(QPen(theme::line, 1, Qt::DotLine));
    p.drawLine(QPointF(layout.moves.left(), rest), QPointF(layout.moves.right(), rest));
    const std::vector<MoveKey> moves = filmMove(picture.project);
    QPolygonF line;
    for (double x = layout.moves.left(); x <= layout.moves.right(); ++x)
        line << QPointF(x, moveToY(layout, moves, picture.part,
                                   partOf(moveAt(picture.project, layout.map.toFrame(x) - 0.5), picture.part)));
    p.setPen(QPen(theme::text, 1.3));
    p.setBrush(Qt::NoBrush);
    p.drawPolyline(line);
    for (const MoveKey& key : moves)
        dot({layout.map.toPixel(static_cast<double>(key.frame.index) + 0.5),
             moveToY(layout, moves, picture.part, partOf(key, picture.part))});
}

void paintSparks(QPainter& p, const ReelLayout& layout, const ReelPicture& picture)
{
    const double ground = layout.sparks.bottom();
    p.setPen(theme::line);
    p.drawLine(QPointF(layout.sparks.left(), ground), QPointF(layout.sparks.right(), ground));
    for (const Strike& strike : picture.project.strikes) {
        const double x = layout.sparkX(strike.frame.index);
        if (x < layout.map.left - 10 || x > layout.map.right + 10)
            continue;
        const double height = layout.sparkHeight(strike.strength);
        if (!layout.shots.isEmpty() && picture.project.boundToCut(strike)) { // it hangs on its cut
            p.setPen(QPen(theme::text, 1, Qt::DotLine));
            p.drawLine(QPointF(x, layout.shots.bottom()), QPointF(x, ground - height));
        }
        if (strike.place) { // from where it happens to where it is felt
            const ArrivalOf arrival = arrivalOf(picture.project, strike);
            const double felt = layout.sparkX(arrival.felt.index);
            const double tip = ground - layout.sparkHeight(strike.strength * arrival.share);
            p.setPen(QPen(theme::dim, 1, Qt::DotLine));
            p.drawLine(QPointF(x, ground - height), QPointF(felt, tip));
            p.setPen(QPen(theme::heat(strike.strength * arrival.share), 2));
            p.drawLine(QPointF(felt, ground), QPointF(felt, tip));
        }
        QPainterPath spark;
        spark.moveTo(x, ground - height);
        spark.lineTo(x + 4.5, ground);
        spark.lineTo(x - 4.5, ground);
        spark.closeSubpath();
        p.fillPath(spark, theme::heat(strike.strength));
        const bool selected =
            std::find(picture.selection.begin(), picture.selection.end(), strike.id) != picture.selection.end();
        if (selected || strike.id == picture.hovered) {
            p.setPen(QPen(selected ? theme::copper : theme::text, 1.5));
            p.setBrush(Qt::NoBrush);
            p.drawPath(spark);
        }
    }
}

/// A cut is a post, an ease a ramp down to where the picture is at rest.
void paintSettles(QPainter& p, const ReelLayout& layout, const ReelPicture& picture)
{
    for (const SettleMark& mark : picture.project.settles) {
        const double x = layout.sparkX(mark.frame.index);
        const double ground = layout.sparks.bottom();
        const double top = layout.sparks.top() + 2;
        const double home =
            mark.mode == SettleMode::cut ? x : layout.map.toPixel(static_cast<double>(mark.frame.index) + mark.frames);
        if (home < layout.map.left - 10 || x > layout.map.right + 10)
            continue;
        p.setPen(QPen(theme::dim, 1.5));
        p.setBrush(Qt::NoBrush);
        p.drawLine(QPointF(x, top), QPointF(x, layout.trace.bottom()));
        if (mark.mode == SettleMode::cut)
            p.drawLine(QPointF(x - 4, top), QPointF(x + 4, top));
        else
            p.drawLine(QPointF(x, top), QPointF(std::max(home, x + 4), ground));
    }
}

/// How intense it is in each column of the trace, 0 to 1 and above: of all strikes felt there the strongest.
std::vector<double> heatAlong(const ReelLayout& layout, const ReelPicture& picture, int columns)
{
    std::vector<double> heat(static_cast<std::size_t>(columns), 0.0);
    const auto frameOf = [&](int column) {
        return layout.map.toFrame(layout.trace.left() + layout.trace.width() * (column + 0.5) / columns);
    };
    const auto columnOf = [&](double frame) {
        const double at = (layout.map.toPixel(frame) - layout.trace.left()) / layout.trace.width() * columns;
        return static_cast<int>(std::clamp(at, 0.0, static_cast<double>(columns)));
    };
    // The strongest first: under it the weaker need not be asked.
    std::vector<const Strike*> strikes;
    strikes.reserve(picture.project.strikes.size());
    for (const Strike& strike : picture.project.strikes)
        strikes.push_back(&strike);
    std::stable_sort(strikes.begin(), strikes.end(),
                     [](const Strike* a, const Strike* b) { return a->strength > b->strength; });
    for (const Strike* one : strikes) {
        const Strike& strike = *one;
        const Recipe* recipe = picture.project.recipe(strike.recipe);
        if (recipe == nullptr)
            continue;
        const Envelope envelope = strike.overrides.empty() ? recipe->envelope : envelopeOf(picture.project, strike);
        const auto at = static_cast<double>(strike.frame.index);
        const int last = columnOf(at + envelope.end());
        for (int i = columnOf(at + envelope.start()); i < last; ++i) {
            double& here = heat[static_cast<std::size_t>(i)];
            if (here < strike.strength)
                here = std::max(here, strike.strength * intensityAt(envelope, frameOf(i) - at));
        }
    }
    return heat;
}

void paintTrace(QPainter& p, const ReelLayout& layout, const ReelPicture& picture)
{
    const auto down = traceSlots(layout, picture.ways, &Way::y);
    const auto sideways = traceSlots(layout, picture.ways, &Way::x);
    double largest = 8;
    for (const auto* trace : {&down, &sideways})
        for (const TraceSlot& slot : *trace)
            largest = std::max({largest, -slot.low, slot.high});
    const double middle = layout.trace.center().y();
    const double scale = 0.5 * layout.trace.height() / largest;
    QPolygonF thin;
    double last = 0;
    for (std::size_t i = 0; i < sideways.size(); ++i) {
        const double x = layout.trace.left() + static_cast<double>(i);
        // The nearer end first, so that the line runs on.
        const bool lowFirst = std::abs(sideways[i].low - last) <= std::abs(sideways[i].high - last);
        const double first = lowFirst ? sideways[i].low : sideways[i].high;
        last = lowFirst ? sideways[i].high : sideways[i].low;
        thin << QPointF(x, middle + scale * first);
        if (last != first)
            thin << QPointF(x, middle + scale * last);
    }
    p.setPen(QPen(theme::faint, 1));
    p.drawPolyline(thin);
    // Up and down boldly, as hot as it is felt.
    const int columns = columnsOf(p, layout.trace);
    const std::vector<double> heat = heatAlong(layout, picture, columns);
    HeatLine line;
    for (int i = 0; i <= columns; ++i) {
        const double at = layout.trace.width() * i / columns;
        const TraceSlot& slot = down[std::min(down.size() - 1, static_cast<std::size_t>(at))];
        const bool low = i % 2 == 0; // where a column holds many frames both ends are reached
        line.y.push_back(middle + scale * (low ? slot.low : slot.high));
        if (i < columns)
            line.colours.push_back(theme::heat(heat[static_cast<std::size_t>(i)]));
    }
    paintHeatLine(p, layout.trace, line, 1.8);
}

} // namespace

std::vector<TraceSlot> traceSlots(const ReelLayout& layout, std::span<const Way> ways, float Way::*axis)
{
    std::vector<TraceSlot> found(static_cast<std::size_t>(std::max(0.0, layout.trace.width())) + 1);
    if (ways.empty())
        return found;
    const auto last = static_cast<std::int64_t>(ways.size()) - 1;
    const auto way = [&](std::int64_t frame) {
        return static_cast<double>(ways[static_cast<std::size_t>(std::clamp<std::int64_t>(frame, 0, last))].*axis);
    };
    const double frames = layout.map.framesPerPixel();
    for (std::size_t i = 0; i < found.size(); ++i) {
        const double from = layout.map.toFrame(layout.trace.left() + static_cast<double>(i));
        const auto first = static_cast<std::int64_t>(std::floor(from));
        const double part = from - static_cast<double>(first);
        const double here = way(first) + part * (way(first + 1) - way(first));
        auto low = static_cast<float>(here);
        auto high = low;
        const auto end = std::min(last + 1, static_cast<std::int64_t>(std::ceil(from + frames)));
        for (auto frame = std::max<std::int64_t>(0, first + 1); frame < end; ++frame) {
            const float at = ways[static_cast<std::size_t>(frame)].*axis;
            low = std::min(low, at);
            high = std::max(high, at);
        }
        found[i] = {std::min(here, static_cast<double>(low)), std::max(here, static_cast<double>(high))};
    }
    return found;
}

void paintReelGround(QPainter& p, const ReelLayout& layout, const ReelPicture& picture)
{
    p.setPen(theme::line);
    p.drawLine(QPointF(0, 0), QPointF(layout.map.right + 40, 0));
    paintNames(p, layout, picture.project.strikes.size(), picture.part);
    if (picture.project.length() == 0)
        return;
    p.setClipRect(paperRect(layout));
    paintRuler(p, layout, picture);
    paintThumbs(p, layout, picture);
    paintSound(p, layout, picture);
    paintLanesOfFilm(p, layout, picture);
}

void paintReelStrikes(QPainter& p, const ReelLayout& layout, const ReelPicture& picture)
{
    if (picture.project.length() == 0)
        return;
    p.setClipRect(paperRect(layout));
    paintShots(p, layout, picture);
    p.setRenderHint(QPainter::Antialiasing);
    paintTrace(p, layout, picture);
    paintSettles(p, layout, picture);
    paintSparks(p, layout, picture);
}

void paintReelProposals(QPainter& p, const ReelLayout& layout, const ReelPicture& picture)
{
    p.setClipRect(paperRect(layout));
    p.setRenderHint(QPainter::Antialiasing);
    if (picture.beats)
        paintBeats(p, layout, *picture.beats, picture.project.rate);
    for (std::size_t i = 0; i < picture.proposals.size(); ++i) {
        const Candidate& candidate = picture.proposals[i];
        const double x = layout.sparkX(candidate.frame.index);
        if (x < layout.map.left - 10 || x > layout.map.right + 10)
            continue;
        const bool inHand =
            picture.picked.empty() ? picture.inHand == i : picture.picked.contains(candidate.frame.index);
        // A hollow spark as tall as the strike would be; how sure it is tells how whole its outline is.
        const double height = layout.sparkHeight(candidate.strength);
        const double ground = layout.sparks.bottom();
        QPen pen(inHand ? theme::copper : theme::heat(candidate.strength), inHand ? 2 : 1.4);
        if (candidate.confidence < 0.8)
            pen.setDashPattern(candidate.confidence < 0.5 ? QList<qreal>{1, 2} : QList<qreal>{3, 2});
        p.setPen(pen);
        p.setBrush(Qt::NoBrush);
        p.drawPolygon(QPolygonF{{x, ground - height}, {x + 4.5, ground}, {x - 4.5, ground}});
        // And where it was told: over the frames what was seen, over the sound what was heard.
        p.setPen(QPen(inHand ? theme::copper : theme::text, inHand ? 2 : 1));
        if (candidate.seen)
            p.drawLine(QPointF(x, layout.thumbs.bottom() - 7), QPointF(x, layout.thumbs.bottom()));
        if (candidate.heard)
            p.drawLine(QPointF(x, layout.sound.top()), QPointF(x, layout.sound.top() + 7));
    }
}

void paintReelPlayhead(QPainter& p, const ReelLayout& layout, std::int64_t playhead)
{
    p.setRenderHint(QPainter::Antialiasing);
    p.setClipRect(paperRect(layout));
    const double x = layout.map.toPixel(static_cast<double>(playhead));
    p.setPen(QPen(theme::copper, 1.5));
    p.drawLine(QPointF(x, layout.ruler.top()), QPointF(x, layout.trace.bottom()));
}

void paintShotHere(QPainter& p, const ReelLayout& layout, const ReelPicture& picture, std::int64_t playhead)
{
    const auto place = picture.project.shotAt(Frame{playhead});
    if (layout.shots.isEmpty() || !place)
        return;
    p.setClipRect(paperRect(layout));
    p.setPen(QPen(theme::copper, 1.5));
    p.setBrush(Qt::NoBrush);
    p.drawRect(shotRect(layout, *place));
}

void paintShotDrag(QPainter& p, const ReelLayout& layout, const ShotDrag& drag)
{
    p.setClipRect(paperRect(layout));
    p.setPen(QPen(theme::copper, 2));
    p.drawLine(QPointF(drag.x, layout.shots.top()), QPointF(drag.x, layout.sound.bottom()));
    p.setFont(theme::words(11));
    const double width = QFontMetricsF(p.font()).horizontalAdvance(drag.says) + 12;
    const double left = std::min(drag.x + 4, layout.map.right - width);
    const QRectF box(left, layout.thumbs.top() + 1, width, 18);
    p.fillRect(box, theme::raised);
    p.setPen(theme::text);
    p.drawText(box, Qt::AlignCenter, drag.says);
}

void paintReelBand(QPainter& p, const ReelLayout& layout, double x0, double x1)
{
    p.setPen(QPen(theme::copper, 1));
    p.setBrush(QColor(theme::copper.red(), theme::copper.green(), theme::copper.blue(), 40));
    p.drawRect(QRectF(QPointF(x0, layout.sparks.top()), QPointF(x1, layout.sparks.bottom())));
}

} // namespace ember::app
